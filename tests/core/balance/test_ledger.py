"""Ledger sums, ballast and shifting: handbook cases W4, W6, W12, W13, W15-W18 and outside oracles."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from crooked_keel.core.balance.ledger.functions import (
    apply_ledger,
    ballast_mass,
    cg_station,
    chance_inside,
    support_reactions,
)
from crooked_keel.core.errors import CannotSay, Gap, InputError
from crooked_keel.core.figure.trace import Origin, Traced
from crooked_keel.core.resolved.references import Body

IN, LB = 0.0254, 0.45359237


def number(value: float, pointer: str = "", u: float = 0.0) -> Traced:
    """A traced number of one figure."""
    if not pointer:
        return Traced(value)
    return Traced(value, {Origin.of(pointer, u, pointer, "measured"): 1.0})


def body(id: str, mass: float, x: float, y: float = 0.0, z: float = 0.0, sign: int = 1) -> Body:
    return Body(
        id, id, "installed" if sign > 0 else "removed", sign, f"/{id}", number(mass), number(x), number(y), number(z)
    )


def test_w4_add_and_remove() -> None:
    """FAA-H-8083-25 ch. 10 (from memory): add 140 lb at 150 to 6860 lb at 80.0 → 81.4; remove 100 at 150 from 6100 at
    78.0 → 76.8."""
    assert apply_ledger([body("craft", 6860, 80.0), body("bag", 140, 150)]).station_m == pytest.approx(81.4, abs=1e-9)
    assert apply_ledger([body("craft", 6100, 78.0), body("bag", 100, 150, sign=-1)]).station_m == pytest.approx(
        76.8, abs=0.05
    )


def test_w4_ballast() -> None:
    """FAA-H-8083-1 (from memory): 1876 lb, CG 32.2, limit 33.0, ballast at 228 → 7.70 lb."""
    assert ballast_mass(1876, 32.2, 33.0, 228) == pytest.approx(7.70, abs=0.005)


def test_w4_shift() -> None:
    """FAA-H-8083-25 ch. 10 (from memory): 65 lb moved 120 in in 7800 lb moves the CG 1.0 in."""
    rows = [body("craft", 7800, 80.0), body("from", 65, 20, sign=-1), body("to", 65, 140)]
    assert apply_ledger(rows).station_m - 80.0 == pytest.approx(1.0)


def test_w6_tailwheel_ledger() -> None:
    base = body("craft", 364.4, 0.361965, 0.005851, 0.40)
    rows = [
        base,
        body("old", 99.8, -1.0, 0, 0.35, sign=-1),
        body("new", 81.6, -1.09, 0.01, 0.38),
        body("battery-from", 11.8, -0.55, 0.2, 0.5, sign=-1),
        body("battery-to", 11.8, 0.9, -0.1, 0.2),
        body("lead", 5.67, 4.27, 0, 0.6, sign=-1),
    ]
    x = apply_ledger(rows)
    assert x.mass.value == pytest.approx(340.53)
    assert x.station_m == pytest.approx(0.398365, abs=1e-6)
    assert apply_ledger(rows, "y").station_m == pytest.approx(-0.001738, abs=1e-6)
    assert apply_ledger(rows, "z").station_m == pytest.approx(0.396135, abs=1e-6)


def test_w12_ballast_in_and_out() -> None:
    assert ballast_mass(334.07, 0.29066, 0.30, 4.2672) == pytest.approx(0.7865, abs=5e-5)
    out = ballast_mass(340, 0.34, 0.31, 4.25)
    assert out == pytest.approx(-2.58883, abs=5e-6)
    assert cg_station(340 * 0.34 + out * 4.25, 340 + out) == pytest.approx(0.31)


def test_ballast_without_a_lever_is_refused() -> None:
    with pytest.raises(InputError, match="no lever"):
        ballast_mass(300, 0.3, 0.32, 0.33)


def test_w13_engine_station() -> None:
    """rest 270 kg @ 0.52, unit 95 kg at −0.325263 → CG 0.30."""
    assert apply_ledger([body("rest", 270, 0.52), body("unit", 95, -0.325263)]).station_m == pytest.approx(
        0.30, abs=5e-7
    )


def test_w15_engine_out_and_the_tail_drops() -> None:
    wheels = [(-0.75, 0.0), (0.72, -1.0), (0.72, 1.0)]
    assert support_reactions(380, 0.42, 0, wheels) == pytest.approx([77.551, 151.224, 151.224], abs=5e-4)
    assert support_reactions(262, 1.037023, 0, wheels) == pytest.approx([-56.503, 159.252, 159.252], abs=5e-4)


def test_supports_in_one_line_are_refused() -> None:
    with pytest.raises(InputError):
        support_reactions(100, 0, 0, [(0, 0), (1, 0), (2, 0)])


W17 = [
    # id, sign, mass lb, u lb, station in, u in: base normal (±/2), the rest bounds (±/√3)
    ("base", 1, 789.0, 2 / 2, 12.0, 0.10 / 2),
    ("old", -1, 220.0, 15 / math.sqrt(3), -40.0, 1.0 / math.sqrt(3)),
    ("new", 1, 180.0, 9 / math.sqrt(3), -43.0, 1.5 / math.sqrt(3)),
    ("lead", -1, 12.5, 2.5 / math.sqrt(3), 168.0, 1.0 / math.sqrt(3)),
]


def _w17() -> list[Body]:
    return [
        Body(
            i,
            i,
            "installed",
            s,
            f"/{i}",
            number(m * LB, f"/{i}/mass", u * LB),
            number(x * IN, f"/{i}/x", ux * IN),
            number(0),
            number(0),
        )
        for i, s, m, u, x, ux in W17
    ]


def test_w17_tolerance_of_the_cg_in_closed_form() -> None:
    centre = apply_ledger(_w17())
    assert centre.mass.value == pytest.approx(334.0708, abs=5e-5)
    assert centre.station_m == pytest.approx(0.290660, abs=5e-7)
    assert centre.mass.u == pytest.approx(4.64978, abs=5e-6)
    assert centre.station.u * 1000 == pytest.approx(21.0236, abs=5e-5)
    slopes = {str(o): s for o, s in centre.slopes().items()}
    assert slopes["/old/mass"] == pytest.approx(0.003911, abs=5e-7)
    assert slopes["/new/mass"] == pytest.approx(-0.004139, abs=5e-7)
    assert slopes["/lead/mass"] == pytest.approx(-0.011903, abs=5e-7)
    assert slopes["/base/x"] == pytest.approx(1.071283, abs=5e-7)


def test_w17_against_the_uncertainties_library() -> None:
    parts = [(s, ufloat(m * LB, u * LB), ufloat(x * IN, ux * IN)) for _, s, m, u, x, ux in W17]
    m, moment = sum(s * a for s, a, _ in parts), sum(s * a * b for s, a, b in parts)
    x = moment / m
    centre = apply_ledger(_w17())
    assert centre.mass.u == pytest.approx(m.std_dev, rel=1e-9)
    assert centre.station.u == pytest.approx(x.std_dev, rel=1e-9)


def test_w17_against_monte_carlo() -> None:
    """numpy sampling by shape: 21.05 mm, a little over the closed form for the products."""
    rng = np.random.default_rng(17)
    n = 400_000
    mass, moment = np.zeros(n), np.zeros(n)
    for id, s, m, u, x, ux in W17:
        draw = (
            rng.normal if id == "base" else lambda c, v, k: rng.uniform(c - v * math.sqrt(3), c + v * math.sqrt(3), k)
        )
        mk, xk = draw(m * LB, u * LB, n), draw(x * IN, ux * IN, n)
        mass += s * mk
        moment += s * mk * xk
    spread = float(np.std(moment / mass))
    assert apply_ledger(_w17()).station.u == pytest.approx(spread, rel=0.01)


def test_w17_chance_inside() -> None:
    centre = apply_ledger(_w17())
    x, u = centre.station_m, centre.station.u
    surely = (1e3, 1.0)
    assert chance_inside(x - 11 * IN, u, 14 * IN - x, u, *surely) == pytest.approx(0.7029, abs=5e-5)
    # r42: the mass has an even chance: at the least 0.7029 + 0.5 − 1 (Bonferroni).
    assert chance_inside(x - 11 * IN, u, 14 * IN - x, u, 0.0, 5.0) == pytest.approx(0.2029, abs=5e-5)


def test_w16_moved_item_is_one_mass_variable() -> None:
    battery = number(26 * LB, "/battery/mass", 4 * LB / math.sqrt(3))
    rows = [
        Body(
            "base",
            "base",
            "as found",
            1,
            "/base",
            number(700 * LB, "/base/mass", LB),
            number(12 * IN, "/base/x", 0.05 * IN),
            number(0),
            number(0),
        ),
        Body(
            "from",
            "from",
            "removed",
            -1,
            "/battery",
            battery,
            number(-30 * IN, "/from", 0.5 * IN / math.sqrt(3)),
            number(0),
            number(0),
        ),
        Body(
            "to",
            "to",
            "installed",
            1,
            "/battery",
            battery,
            number(20 * IN, "/to", 0.5 * IN / math.sqrt(3)),
            number(0),
            number(0),
        ),
    ]
    centre = apply_ledger(rows)
    assert centre.station_m == pytest.approx(0.351971, abs=5e-7)
    assert centre.mass.u == pytest.approx(0.453592, abs=5e-7)
    assert centre.station.u * 1000 == pytest.approx(4.3956, abs=5e-5)


def test_w18_break_even_follows_from_the_slopes() -> None:
    """The new unit may be 2.7426 kg heavier before the CG touches 11.0 in."""
    heavier = [
        b if b.id != "new" else Body("new", "new", "installed", 1, "/new", number(180 * LB + 2.7426), b.x, b.y, b.z)
        for b in _w17()
    ]
    assert apply_ledger(heavier).station_m / IN == pytest.approx(11.0, abs=1e-4)


def test_missing_figures_are_all_named_at_once() -> None:
    gap = CannotSay(Gap("/a/mass", "mass of a"))
    rows = [
        Body("a", "a", "installed", 1, "/a", gap, number(1), number(0), number(0)),
        Body("b", "b", "installed", 1, "/b", number(1), CannotSay(Gap("/b/x", "station of b")), number(0), number(0)),
    ]
    with pytest.raises(CannotSay) as said:
        apply_ledger(rows)
    assert [n.pointer for n in said.value.needs] == ["/a/mass", "/b/x"]


def test_taking_out_more_than_there_is_is_refused() -> None:
    with pytest.raises(InputError, match="more is taken out"):
        apply_ledger([body("craft", 100, 1), body("old", 120, 0, sign=-1)])


MASSES = st.floats(0.1, 500)
PLACES = st.floats(-5, 10)
ROWS = st.lists(st.tuples(MASSES, PLACES), min_size=1, max_size=12)


@given(ROWS, st.floats(-20, 20))
def test_moving_the_datum_moves_the_cg_with_it(rows: list[tuple[float, float]], by: float) -> None:
    here = apply_ledger([body(str(i), m, x) for i, (m, x) in enumerate(rows)])
    there = apply_ledger([body(str(i), m, x + by) for i, (m, x) in enumerate(rows)])
    assert there.station_m - by == pytest.approx(here.station_m, abs=1e-9)


@given(ROWS, st.floats(0.05, 0.95))
def test_splitting_a_mass_changes_nothing(rows: list[tuple[float, float]], share: float) -> None:
    whole = apply_ledger([body(str(i), m, x) for i, (m, x) in enumerate(rows)])
    split = apply_ledger(
        [body(f"{i}{part}", m * s, x) for i, (m, x) in enumerate(rows) for part, s in (("a", share), ("b", 1 - share))]
    )
    assert split.station_m == pytest.approx(whole.station_m, abs=1e-9)


@given(ROWS)
def test_reversing_every_row_returns_the_base(rows: list[tuple[float, float]]) -> None:
    base = body("craft", 1000, 2.0)
    there = [body(f"+{i}", m, x) for i, (m, x) in enumerate(rows)]
    back = [body(f"-{i}", m, x, sign=-1) for i, (m, x) in enumerate(rows)]
    assert apply_ledger([base, *there, *back]).station_m == pytest.approx(2.0, abs=1e-9)


@given(ROWS)
def test_support_reactions_sum_to_the_mass_and_moment(rows: list[tuple[float, float]]) -> None:
    m, x = sum(r[0] for r in rows), rows[0][1]
    wheels = [(-0.75, 0.0), (0.72, -1.0), (0.72, 1.0)]
    loads = support_reactions(m, x, 0.1, wheels)
    assert sum(loads) == pytest.approx(m)
    assert sum(r * w[0] for r, w in zip(loads, wheels, strict=True)) == pytest.approx(m * x, rel=1e-6, abs=1e-6)
