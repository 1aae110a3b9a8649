"""Twisting of the line: natural frequencies against closed forms, another eigenvalue solver and a time step; judgements
on lines where an engineer says stop; the swing test."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp
from scipy.linalg import eigh

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.core.physics.torsion import (
    Order,
    crossings,
    firing_orders,
    frequencies,
    inertia_by_swing,
    stiffness_for,
    swing_period,
    two_masses,
)
from crooked_keel.core.setup import set_up
from tests.conftest import put
from tests.core.cases.cases import demonstrations
from tests.kept import assess, suggest

B = "/fits/b/installations/main"
LAPWING, SAMPHIRE = (demonstrations()[n] for n in ("lapwing", "samphire"))
WORKING, IDLE = "drive.torsion-working", "drive.torsion-idle"
STIFF = {"entered": "4800 N·m/rad", "source": "maker"}
# Too stiff a spider: the wing shakes each blade where it works, and the firing meets idle.
PLOVER = put(demonstrations()["plover"], {f"{B}/drive/line/spider/stiffness": STIFF})
RPM = math.pi / 30


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def found(project: Project, rule: str, fit: str = "b") -> list[Finding]:
    return [f for f in assess(project, fit).findings if f.rule == rule]


def level(project: Project, rule: str, fit: str = "b") -> str:
    (one,) = found(project, rule, fit)
    return one.level


class TestFrequencies:
    def test_two_masses_and_a_reduction(self) -> None:
        """0.06 and 0.55 kg·m² behind 3.11, 9000 N·m/rad: 88.366 Hz; order 2 at 2651 rpm. Worked by hand."""
        w = two_masses(9000, 0.06, 0.55 / 3.11**2)
        assert w / (2 * math.pi) == pytest.approx(88.366, abs=1e-3)
        assert frequencies([0.06, 0.55 / 3.11**2], [9000])[0] == pytest.approx(w)
        assert w / 2 / RPM == pytest.approx(2651.0, abs=0.1)

    def test_three_masses_by_the_closed_form(self) -> None:
        """a·ω⁴ + b·ω² + c = 0 of three masses in a row, as handbooks of rotating machinery give it."""
        j1, j2, j3, k1, k2 = 0.05, 0.02, 0.057, 12000.0, 4000.0
        a = j1 * j2 * j3
        b = -(k1 * j3 * (j1 + j2) + k2 * j1 * (j2 + j3))
        c = k1 * k2 * (j1 + j2 + j3)
        root = math.sqrt(b * b - 4 * a * c)
        closed = [math.sqrt((-b - root) / (2 * a)), math.sqrt((-b + root) / (2 * a))]
        assert frequencies([j1, j2, j3], [k1, k2]) == pytest.approx(closed)
        assert [w / (2 * math.pi) for w in closed] == pytest.approx([51.954, 159.442], abs=1e-3)

    @given(st.lists(st.floats(0.005, 5), min_size=2, max_size=8), st.lists(st.floats(50, 1e6), min_size=7, max_size=7))
    @settings(max_examples=40)
    def test_any_row_by_the_general_problem(self, inertias: list[float], stiffness: list[float]) -> None:
        """K·x = ω²·J·x by the generalised solver of scipy."""
        springs = stiffness[: len(inertias) - 1]
        held = np.zeros((len(inertias), len(inertias)))
        for i, k in enumerate(springs):
            held[i : i + 2, i : i + 2] += k * np.array([[1, -1], [-1, 1]])
        wanted = np.sqrt(np.abs(eigh(held, np.diag(inertias), eigvals_only=True)))[1:]
        assert frequencies(inertias, springs) == pytest.approx(wanted.tolist(), rel=1e-6)

    def test_a_line_let_go_swings_at_its_frequency(self) -> None:
        """Two masses let go with a twist, by time steps: back after one period."""
        j1, j2, k = 0.06, 0.11, 3000.0
        turn = lambda t, y: [y[2], y[3], -k * (y[0] - y[1]) / j1, k * (y[0] - y[1]) / j2]
        period = 2 * math.pi / frequencies([j1, j2], [k])[0]
        end = solve_ivp(turn, (0, period), [0.01, 0, 0, 0], rtol=1e-9, atol=1e-12).y[:, -1]
        assert end[0] - end[1] == pytest.approx(0.01, rel=1e-5)

    def test_nothing_of_no_mass(self) -> None:
        with pytest.raises(InputError):
            frequencies([0.1, 0.0], [100])
        with pytest.raises(InputError):
            frequencies([0.1, 0.1], [])

    def test_the_stiffness_that_is_wanted_puts_it_there(self) -> None:
        k = stiffness_for(2, 1000 * RPM, 0.06, 0.05)
        assert two_masses(k, 0.06, 0.05) / 2 == pytest.approx(1000 * RPM)


class TestOrders:
    """Common practice, no source: what shakes a crank, per turn."""

    def major(self, *of: Any) -> list[float]:
        return [o.per_turn for o in firing_orders(*of) if o.weight == "major"]

    def test_by_how_it_fires(self) -> None:
        assert self.major(4, 4, True) == [2, 4, 6]
        assert self.major(3, 4, True) == [1.5, 3, 4.5]
        assert self.major(3, 2, True) == [3, 6, 9]
        assert self.major(2, 4, False) == [0.5, 1, 1.5, 2]
        assert self.major(1, 4, True) == [0.5, 1, 1.5, 2]

    def test_a_misfire_shakes_by_half_orders(self) -> None:
        minor = [o.per_turn for o in firing_orders(4, 4, True) if o.weight == "minor"]
        assert minor == [0.5, 1, 1.5]

    def test_crossings_above_what_is_looked_at_are_left_out(self) -> None:
        orders = [Order(0.5, "minor", "misfire"), Order(2.0, "major", "firing")]
        at = crossings([(400.0, 20.0)], orders, 300.0)
        assert [(c.at, c.low, c.high) for c in at] == [(200.0, 190.0, 210.0)]


class TestSwing:
    def test_a_plain_bar_by_two_strings(self) -> None:
        """A bar of 10 kg and 1.2 m has m·L²/12: its swing and back. With strings as far apart as 2·√(J/m) it swings as
        a plain pendulum of their length."""
        j = 10 * 1.2**2 / 12
        period = swing_period(j, 10, 0.5, 2.0)
        assert inertia_by_swing(10, 0.5, period, 2.0) == pytest.approx(j)
        assert swing_period(j, 10, 2 * math.sqrt(j / 10), 2.0) == pytest.approx(2 * math.pi * math.sqrt(2.0 / 9.80665))

    def test_planned_and_evaluated(self) -> None:
        values = {v.id: v for v in assess(PLOVER, "b").values}
        made = inertia_by_swing(7.2, 0.4, 46.3 / 12, 2.2)
        assert values["drive.swing-inertia"].si == pytest.approx(made)
        # So many swings that 0.4 s of thumb are 1 % of the inertia.
        period, count = values["drive.swing-period"].si, values["drive.swing-count"].si
        assert period is not None and count is not None
        assert count == math.ceil(0.4 / (0.01 * period)) == 11

    @pytest.mark.parametrize(
        ("took", "said"), [("46.3 s", "ok"), ("47.9 s", "watch"), ("60 s", "stop"), ("46.3 s ±4 s", "watch")]
    )
    def test_against_what_was_typed(self, took: str, said: str) -> None:
        assert level(put(PLOVER, {f"{B}/propeller/swing/took": m(took)}), "drive.swing") == said

    def test_it_stands_in_for_an_inertia_that_was_not_typed(self) -> None:
        blank = put(PLOVER, {f"{B}/propeller/inertia": None})
        (one,) = found(blank, WORKING)
        assert one.message.params["s"].text == "by its swing" and found(blank, "drive.swing") == []


JUDGED: list[tuple[Project, str, str, dict[str, Any], str, str]] = [
    (PLOVER, "b", WORKING, {}, "stop", "each blade is shaken by the wing at 3000 rpm"),
    (PLOVER, "b", IDLE, {}, "stop", "idle lies on the second order"),
    (PLOVER, "b", IDLE, {"unit/idle_speed": m("2400 rpm")}, "watch", "passed on its way up"),
    (
        PLOVER,
        "b",
        WORKING,
        {"drive/line/spider/stiffness": m("1500 N·m/rad")},
        "ok",
        "a misfire at 2150",
    ),
    (
        PLOVER,
        "b",
        WORKING,
        {"drive/line/spider/stiffness": m("1900 N·m/rad ±1500 N·m/rad")},
        "watch",
        "no idea",
    ),
    (
        PLOVER,
        "b",
        WORKING,
        {"drive/line/spider/stiffness": m("3800 N·m/rad")},
        "watch",
        "blades at 2670",
    ),
    (PLOVER, "b", WORKING, {"drive/line/spider/stiffness": m("1900 N·m/rad")}, "ok", "blades at 1890"),
    (PLOVER, "b", WORKING, {"drive/line/spider/stiffness": m("900000 N·m/rad")}, "ok", "far above"),
    (PLOVER, "b", WORKING, {"lies": "aft of its flange"}, "watch", "a tractor's blades meet no wing"),
    (
        LAPWING,
        "a",
        WORKING,
        {"drive/line/belt/stiffness": m("26000 N·m/rad")},
        "stop",
        "the belt's own mode",
    ),
    (LAPWING, "a", WORKING, {"unit/fires": "unevenly"}, "stop", "every half order shakes"),
    (
        LAPWING,
        "a",
        WORKING,
        {"unit/inertia": m("0.065 kg·m² ±0.06 kg·m²")},
        "watch",
        "nobody weighed it",
    ),
    (LAPWING, "a", IDLE, {"drive/line/hub/stiffness": m("2100 N·m/rad")}, "stop", "order 1.5 at idle"),
    (
        SAMPHIRE,
        "a",
        IDLE,
        {"drive/line/plate/stiffness": m("260 N·m/rad")},
        "stop",
        "the plate rattles",
    ),
]


@pytest.mark.parametrize(("project", "fit", "rule", "changes", "said", "why"), JUDGED, ids=[j[5] for j in JUDGED])
def test_judged(project: Project, fit: str, rule: str, changes: dict[str, Any], said: str, why: str) -> None:
    changed = put(project, {f"/fits/{fit}/installations/main/{k}": v for k, v in changes.items()})
    assert level(changed, rule, fit) == said


@pytest.mark.parametrize(
    "blank",
    ["unit/inertia", "unit/idle_speed", "unit/layout", "unit/kind", "unit/cylinders", "drive/works_from", "drive/line",
     "drive/line/spider/stiffness", "drive/line/spider/behind", "propeller/blades", "unit/rated_speed"],
)  # fmt: skip
@pytest.mark.parametrize("rule", [WORKING, IDLE])
def test_a_blank_is_asked_for(blank: str, rule: str) -> None:
    (one,) = found(put(PLOVER, {f"{B}/{blank}": None}), rule)
    assert one.level == "unknown" and f"{B}/{blank}" in [n.pointer for n in one.needs]


def test_without_an_inertia_both_shapes_are_judged_and_the_worse_stands() -> None:
    """0.045 to 0.083 of m·D², the worse of the two. Common practice, no source."""
    bare = put(PLOVER, {f"{B}/propeller/inertia": None, f"{B}/propeller/swing": None})
    drawn = assess(bare, "b").installations[0].drive
    assert drawn is not None and drawn.torsion is not None
    (crossing,) = [c for c in drawn.torsion.crossings if c.order == 2]
    masses = [k * 7.2 * 1.62**2 / (68 / 29) ** 2 for k in (1 / 12, 0.045)]
    heavy, light = (two_masses(4800, 0.045, j) / 2 for j in masses)
    assert crossing.low_si < heavy < light < crossing.high_si
    assert crossing.level == level(bare, IDLE) == "stop"


def test_water_makes_a_propeller_heavier() -> None:
    drawn = assess(SAMPHIRE, "a").installations[0].drive
    assert drawn is not None and drawn.torsion is not None
    # Two shapes, each with 20 and 35 % of water, and no crossing told twice.
    torsion = set_up(SAMPHIRE, "a").installations[0].drive.torsion
    assert torsion is not None
    dry = [k * 10.2 * 0.508**2 for k in (0.045, 1 / 12)]
    wanted = [j * wet for j in dry for wet in (1.20, 1.35)]
    assert [j.read.si for j in torsion.inertias] == pytest.approx(wanted)
    told = [(c.order, c.mode) for c in drawn.torsion.crossings]
    assert len(told) == len(set(told))


def test_behind_more_stages_than_there_are_is_refused_at_its_field() -> None:
    (one,) = found(put(PLOVER, {f"{B}/drive/line/spider/behind": m("3")}), WORKING)
    assert one.level == "unknown" and one.needs[0].pointer == f"{B}/drive/line/spider/behind"


def test_a_line_that_goes_back_before_a_stage_is_refused_at_its_field() -> None:
    line = "/fits/a/installations/main/drive/line"
    back = put(SAMPHIRE, {f"{line}/plate/behind": m("1"), f"{line}/shaft/behind": m("0")})
    (one,) = found(back, WORKING, "a")
    assert one.level == "unknown" and one.needs[0].pointer == f"{line}/shaft/behind" and one.needs[0].given == "0"


def test_a_shaft_behind_the_reduction_is_softer_by_the_square_of_the_ratio() -> None:
    """The same coupling, once before the gear and once, stiffer by i², behind it: the same frequency."""
    ratio = 68 / 29
    behind = put(
        PLOVER,
        {f"{B}/drive/line/spider/behind": m("1"), f"{B}/drive/line/spider/stiffness": m(f"{4800 * ratio**2} N·m/rad")},
    )
    slow = lambda p: next(v.si for v in assess(p, "b").values if v.id == "drive.torsion")
    assert slow(behind) == pytest.approx(slow(PLOVER))


def test_what_is_not_fired_is_not_asked() -> None:
    for kind in ("electric", "turbine"):
        assert found(put(PLOVER, {f"{B}/unit/kind": kind}), WORKING) == []


@pytest.mark.parametrize(
    ("rule", "way"),
    [
        (WORKING, "works-from"),
        (WORKING, "softer-spider"),
        (IDLE, "idle"),
    ],
)
def test_a_way_out_leads_out(rule: str, way: str) -> None:
    offered = {s.id: s for s in suggest(PLOVER, "b", rule).suggestions}
    after = apply_operations(PLOVER, [o.model_dump() for o in offered[way].operations])
    assert LEVELS.index(level(after, rule)) > LEVELS.index(level(PLOVER, rule))
    stops = lambda p: {f.key for f in assess(p, "b").findings if f.level == "stop"}
    assert stops(after) <= stops(PLOVER)


def test_other_teeth_lead_out_of_a_crossing() -> None:
    """A tooth or two on the driven wheel moves the propeller's inertia, by the square of the ratio, and the orders."""
    crossing = put(PLOVER, {f"{B}/drive/line/spider/stiffness": m("1400 N·m/rad ±28 N·m/rad")})
    assert level(crossing, IDLE) == "stop"
    offered = {s.id: s for s in suggest(crossing, "b", IDLE).suggestions}
    after = apply_operations(crossing, [o.model_dump() for o in offered["teeth-gear-1"].operations])
    teeth = lambda p: p.fits["b"].installations["main"].drive.stages["gear"].driven_teeth
    assert teeth(after).si == teeth(crossing).si - 1 and level(after, IDLE) == "watch"
