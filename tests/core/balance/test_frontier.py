"""Every loading at once: a worked adverse-loading case, scipy's linear program, and random loadings that may never do
worse."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import linprog
from shapely import MultiPoint, Point

from crooked_keel.core.balance.limits.functions import CgEnvelope
from crooked_keel.core.balance.loadings.frontier import Loadable, Side, extreme_cg, frontier, most_of, worst_margin
from crooked_keel.core.document import Project
from crooked_keel.core.errors import InputError
from tests.conftest import finding, put
from tests.kept import assess

LIMITS = CgEnvelope(((0.86, 400), (0.86, 560), (0.92, 700), (1.09, 700), (1.09, 400)))
BASE = (420.0, 420.0 * 0.90)
ITEMS = [
    Loadable("pilot", "pilot", 55, 110, 0.85),
    Loadable("pax", "passenger", 0, 110, 0.85),
    Loadable("wing", "wing fuel", 10, 90, 0.98),
    Loadable("aft", "aft fuel", 0, 40, 1.90),
    Loadable("bags", "baggage", 0, 25, 1.75),
]
SIDES: tuple[Side, Side] = ("forward", "aft")


def test_most_forward_and_most_aft() -> None:
    """0.884308 at 650 kg with both people and least fuel; 1.007818 at 550 kg, light pilot, aft fuel and bags."""
    forward = extreme_cg(*BASE, ITEMS, "forward", 700)
    assert (forward.x_m, forward.mass_kg) == (pytest.approx(0.884308, abs=1e-6), pytest.approx(650))
    assert forward.loads_kg == {"pilot": 110, "pax": 110, "wing": 10, "aft": 0, "bags": 0}
    aft = extreme_cg(*BASE, ITEMS, "aft", 700)
    assert (aft.x_m, aft.mass_kg) == (pytest.approx(1.007818, abs=1e-6), pytest.approx(550))
    assert aft.loads_kg == {"pilot": 55, "pax": 0, "wing": 10, "aft": 40, "bags": 25}


def test_the_worst_margin_is_not_at_the_most_forward_cg() -> None:
    """A sloping limit: −28.857 mm at 700 kg, where the CG is 0.891143; aft 82.182 mm at 550 kg. The items could reach
    795 kg."""
    forward = worst_margin(*BASE, ITEMS, LIMITS, "forward", 700)
    assert forward.margin_m == pytest.approx(-0.028857, abs=1e-6)
    assert (forward.at.mass_kg, forward.at.x_m) == (pytest.approx(700), pytest.approx(0.891143, abs=1e-6))
    aft = worst_margin(*BASE, ITEMS, LIMITS, "aft", 700)
    assert (aft.margin_m, aft.at.mass_kg) == (pytest.approx(0.082182, abs=1e-6), pytest.approx(550))
    assert forward.over_kg == pytest.approx(95) and not forward.below_envelope


@pytest.mark.parametrize("side", SIDES)
def test_no_random_loading_does_worse(side: Side) -> None:
    rng = np.random.default_rng(11)
    lo, hi = np.array([i.lo_kg for i in ITEMS]), np.array([i.hi_kg for i in ITEMS])
    x = np.array([i.x_m for i in ITEMS])
    worst = worst_margin(*BASE, ITEMS, LIMITS, side, 700).margin_m
    found = math.inf
    for load in lo + (hi - lo) * rng.beta(0.4, 0.4, size=(20_000, 5)):
        mass = BASE[0] + load.sum()
        if mass > 700:
            continue
        cut = LIMITS.cut(float(mass))
        assert cut is not None
        cg = (BASE[1] + load @ x) / mass
        found = min(found, cg - cut.forward_m if side == "forward" else cut.aft_m - cg)
    assert worst - 1e-9 <= found <= worst + 0.012  # and comes near


RANGES = st.lists(
    st.tuples(st.floats(0, 100), st.floats(0, 150), st.floats(-2, 4)).map(lambda t: (t[0], t[0] + t[1], t[2])),
    min_size=1,
    max_size=6,
)


@given(RANGES, st.sampled_from(SIDES))
def test_the_extreme_against_a_linear_program(ranges: list[tuple[float, float, float]], side: Side) -> None:
    """Charnes and Cooper: min ±(M0 + Σx·m)/(m0 + Σm) as a linear program in y = m·t, t = 1/(m0 + Σm)."""
    items = [Loadable(str(i), str(i), *r) for i, r in enumerate(ranges)]
    sign = 1.0 if side == "forward" else -1.0
    n = len(items)
    cost = [sign * i.x_m for i in items] + [sign * BASE[1]]
    upper = [[*(1.0 if k == j else 0.0 for k in range(n)), -items[j].hi_kg] for j in range(n)]
    lower = [[*(-1.0 if k == j else 0.0 for k in range(n)), items[j].lo_kg] for j in range(n)]
    done = linprog(
        cost,
        A_ub=upper + lower,
        b_ub=[0.0] * 2 * n,
        A_eq=[[1.0] * n + [BASE[0]]],
        b_eq=[1.0],
        bounds=[(0, None)] * (n + 1),
    )
    assert extreme_cg(*BASE, items, side).x_m == pytest.approx(sign * done.fun, abs=1e-7)


def test_the_edges_are_the_hull_of_every_corner_loading() -> None:
    """All 32 loadings of nothing but lightest and heaviest, by shapely: their hull is what the two edges enclose."""
    corners = []
    for pick in range(2 ** len(ITEMS)):
        loads = [i.hi_kg if pick >> k & 1 else i.lo_kg for k, i in enumerate(ITEMS)]
        corners.append((BASE[0] + sum(loads), BASE[1] + sum(m * i.x_m for m, i in zip(loads, ITEMS, strict=True))))
    hull = MultiPoint(corners).convex_hull
    for side in SIDES:
        for point in frontier(*BASE, ITEMS, side):
            assert hull.boundary.distance(Point(point.mass_kg, point.moment_kg_m)) < 1e-9


def test_the_cap_fills_no_further() -> None:
    edge = frontier(*BASE, ITEMS, "aft", 560)
    assert edge[-1].mass_kg == pytest.approx(560)
    assert sum(edge[-1].loads_kg.values()) == pytest.approx(140)
    assert [p.mass_kg for p in edge] == sorted(p.mass_kg for p in edge)


def test_the_heaviest_that_an_item_may_be() -> None:
    aft = ITEMS[3]._replace(hi_kg=200)
    items = [*ITEMS[:3], aft, ITEMS[4]]
    most = most_of(aft, *BASE, items, LIMITS, "aft", 700)
    assert most is not None and 40 < most < 200
    there = [i._replace(hi_kg=most) if i.id == "aft" else i for i in items]
    assert worst_margin(*BASE, there, LIMITS, "aft", 700).margin_m == pytest.approx(0, abs=1e-5)
    assert most_of(ITEMS[4], *BASE, ITEMS, LIMITS, "aft", 700) == 25  # as it stands
    assert most_of(ITEMS[4], *BASE, ITEMS, LIMITS, "forward", 700) is None  # passed without any


def test_limits_that_do_not_slope_and_nothing_to_load() -> None:
    box = CgEnvelope(None, 0.85, 1.1)
    assert worst_margin(*BASE, [], box, "forward", 700).margin_m == pytest.approx(0.05)
    assert worst_margin(*BASE, ITEMS, box, "forward", 700).margin_m == pytest.approx(0.884308 - 0.85, abs=1e-6)


def test_below_the_lowest_corner_its_limits_are_held() -> None:
    light = worst_margin(300.0, 300 * 0.84, [], LIMITS, "forward", 700)
    assert light.below_envelope and light.margin_m == pytest.approx(-0.02)


@pytest.mark.parametrize(
    ("item", "cap", "said"),
    [
        (Loadable("a", "bags", 10, 5, 1.0), 700.0, "bags: the heaviest is less"),
        (Loadable("a", "bags", -1, 5, 1.0), 700.0, "bags: the heaviest is less"),
        (Loadable("a", "bags", 300, 310, 1.0), 700.0, "lightest loading is above"),
    ],
)
def test_refusals(item: Loadable, cap: float, said: str) -> None:
    with pytest.raises(InputError, match=said):
        frontier(*BASE, [item], "aft", cap)


def test_of_a_whole_document(project: Project) -> None:
    """Fit a: a heavy pilot alone with full tanks is worse than any loading that has a name; the amount said to keep the
    limit does."""
    found = finding(assess(project, "a"), "balance.worst-loading")
    assert found.level == "stop" and found.margin is not None
    named = finding(assess(project, "a"), "balance.cg-forward")
    assert named.margin is not None and (found.margin.si or 0) < (named.margin.si or 0)
    most = found.message.params["most3"].si
    assert most is not None and "header tank" in str(found.message.params["n3"].text)
    litres = most / 720 * 1000
    cured = put(project, {"/craft/tanks/header/capacity": f"{litres:.6f} L"})
    assert abs(finding(assess(cured, "a"), "balance.worst-loading").margin.si or 0) < 2e-5  # type: ignore[union-attr]


def test_without_ranges_nothing_is_claimed_and_with_some_the_rest_is_asked_for(project: Project) -> None:
    none = put(
        project, {f"/craft/seats/{s}/{k}": None for s in ("front", "rear", "baggage") for k in ("lightest", "heaviest")}
    )
    assert all(f.rule != "balance.worst-loading" for f in assess(none, "a").findings)
    # Of A a loading without anybody in the rear fails already: it stands.
    for fit, level in (("a", "stop"), ("b", "unknown")):
        some = finding(assess(put(project, {"/craft/seats/rear/heaviest": None}), fit), "balance.worst-loading")
        assert some.level == level and [n.pointer for n in some.needs] == ["/craft/seats/rear/heaviest"]


def test_edges_are_drawn_and_hold_every_named_loading(project: Project) -> None:
    made = assess(project, "b").balance
    assert made is not None and {f.side for f in made.frontier} == {"forward", "aft"}
    around = [*((p.mass_si, p.mass_si * p.x_si) for f in made.frontier for p in f.points)]
    hull = MultiPoint(around).convex_hull.buffer(1e-6)
    inside = [hull.contains(Point(p.mass_si, p.mass_si * p.x_si)) for loading in made.loadings for p in loading.trail]
    assert inside and all(inside)


def test_a_seat_that_slides_is_where_it_is_worst(project: Project) -> None:
    """The front seat 40 mm either way: worst forward with it forward, as if it stood there; worst aft with it aft."""
    sliding = put(project, {"/craft/seats/front/slides": "40 mm"})
    for fit, station in (("a", "580 mm"), ("b", "580 mm")):
        there = put(project, {"/craft/seats/front/station": station})
        a, b = (finding(assess(d, fit), "balance.worst-loading") for d in (sliding, there))
        assert a.margin is not None and b.margin is not None
        assert a.margin.si == pytest.approx(b.margin.si, abs=1e-9)
