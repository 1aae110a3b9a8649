"""A drive cycle, charging and the voltage downhill: by the cycle's own figures, by an integral apart, and where an
engineer says stop."""

from __future__ import annotations

from itertools import pairwise
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad

from crooked_keel.core.document import Project
from crooked_keel.core.drive.electric.duty.functions import charge_time, drive, way_of
from crooked_keel.core.drive.wheels.road.functions import road_load
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.reference.cycles import CYCLES, CyclePoint
from tests.conftest import DEMO_OF, put
from tests.kept import assess

URBAN = CYCLES["town, elementary urban cycle"]
PANNIER, HARROW = DEMO_OF["scooter"], DEMO_OF["motorcycle"]
B = "/fits/b/installations/main"
DUTY, DOWN, BACK = "drive.duty", "drive.downhill-voltage", "drive.puts-back"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def load(v: float) -> float:
    return road_load(v, 200.0, 0.45, 0.012)


def test_the_cycle_by_its_own_figures() -> None:
    """195 s, 1.013 km, 50 km/h at the most, a third of it standing (UN ECE R83, from memory: 18.35 to 19 km/h)."""
    assert URBAN[-1].at_s == 195
    assert way_of(URBAN) == pytest.approx(1013, rel=0.003)
    assert max(p.speed_m_s for p in URBAN) == pytest.approx(50 / 3.6)
    standing = sum(b.at_s - a.at_s for a, b in pairwise(URBAN) if a.speed_m_s == b.speed_m_s == 0)
    assert standing == 60
    assert 18.3 < way_of(URBAN) / 195 * 3.6 < 19.1


def test_steady_it_takes_what_the_worked_case_takes() -> None:
    """200 kg, 0.45 m², 0.012, 80 km/h: 159.65 N, at 0.85 52.17 Wh/km (by hand)."""
    steady = [CyclePoint(0.0, 80 / 3.6), CyclePoint(100.0, 80 / 3.6)]
    made = drive(steady, load, 200.0, 1.0, 0.85, 0.0, 0.0)
    assert made.energy_j / made.way_m / 3.6 == pytest.approx(52.17, rel=1e-3)
    assert made.lasting_w == pytest.approx(159.65 * 80 / 3.6, rel=1e-3) == made.most_w


def test_energy_by_an_integral_apart() -> None:
    """Every step by scipy, braking brought back at 0.5."""
    total = 0.0
    for a, b in pairwise(URBAN):
        rate = (b.speed_m_s - a.speed_m_s) / (b.at_s - a.at_s)

        def power(t: float, a: Any = a, rate: float = rate) -> float:
            v = a.speed_m_s + rate * t
            at_wheel = (load(v) + 1.06 * 200 * rate) * v if v > 0 else 0.0
            return at_wheel / 0.9 / 0.88 if at_wheel > 0 else at_wheel * 0.9 * 0.5 * 0.88

        total += quad(power, 0, b.at_s - a.at_s, limit=200)[0]
    made = drive(URBAN, load, 200.0, 0.9, 0.88, 0.5, 0.0)
    assert made.energy_j == pytest.approx(total, rel=0.01)


@given(st.floats(80, 900), st.floats(0.6, 1.0), st.floats(0.6, 1.0), st.floats(0.0, 1.0))
def test_no_energy_is_made(mass: float, passed: float, motor: float, regains: float) -> None:
    """A cycle that ends as it began takes at least what rolls and drags away (energy is kept)."""
    free = lambda v: road_load(v, mass, 0.5, 0.015)
    made = drive(URBAN, free, mass, passed, motor, regains, 0.0)
    away = sum(
        quad(
            lambda t, a=a, b=b: free(v := np.interp(t, [a.at_s, b.at_s], [a.speed_m_s, b.speed_m_s])) * v,
            a.at_s,
            b.at_s,
        )[0]
        for a, b in pairwise(URBAN)
    )
    assert made.energy_j >= away * 0.99
    assert made.energy_j <= drive(URBAN, free, mass, passed, motor, 0.0, 0.0).energy_j + 1e-6


def test_what_was_used_is_charged_in_its_time() -> None:
    """5 kWh of which 0.85 at 2 kW and 0.90: 2.361 h (by hand)."""
    assert charge_time(18e6, 0.85, 2000.0) / 3600 == pytest.approx(2.3611, rel=1e-4)


def found(project: Project, rule: str) -> Finding:
    (one,) = (f for f in assess(project, "b").findings if f.rule == rule)
    return one


JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    (DUTY, {}, "ok", "a town scooter"),
    (DUTY, {f"{B}/unit/power": m("750 W")}, "watch", "a little more than it gives"),
    (DUTY, {f"{B}/unit/power": m("500 W")}, "stop", "a toy"),
    (
        DUTY,
        {f"{B}/unit/peak_power": m("1.2 kW"), f"{B}/unit/power": m("1.1 kW")},
        "watch",
        "it does not get off the line",
    ),
    (DUTY, {"/craft/road/cycle": None}, "unknown", "by which cycle"),
    (DUTY, {"/craft/road/regains": None}, "unknown", "what comes back"),
    (DUTY, {"/craft/road/drag_area": None}, "unknown", "what holds it back"),
    (DOWN, {}, "ok", "below its packs"),
    (DOWN, {f"{B}/unit/unloaded": m("75 rpm ±0.5 rpm")}, "watch", "nearly theirs"),
    (DOWN, {f"{B}/unit/unloaded": m("60 rpm")}, "stop", "it charges them by itself"),
    (DOWN, {f"{B}/unit/unloaded": m("82 rpm ±15 rpm")}, "watch", "from hearsay"),
    (DOWN, {f"{B}/unit/unloaded": None}, "unknown", "how it is wound"),
    (DOWN, {f"{B}/unit/voltage_limit": None}, "unknown", "what the controller stands"),
    (DOWN, {f"{B}/packs/floor/full_voltage": None}, "unknown", "what the packs have"),
    (BACK, {}, "ok", "a third less than they take"),
    (BACK, {f"{B}/unit/brakes_with": m("34 A")}, "watch", "nearly all of it"),
    (BACK, {f"{B}/unit/brakes_with": m("60 A")}, "stop", "twice what they take"),
    (BACK, {f"{B}/packs/floor/charge_current": m("36 A ±16 A")}, "watch", "nobody knows what they take"),
    (BACK, {f"{B}/unit/brakes_with": None}, "unknown", "what it puts back"),
    (BACK, {f"{B}/packs/floor/charge_current": None}, "unknown", "what they may take"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(PANNIER, changes), rule).level == level, why


def test_an_engine_is_asked_none_of_it() -> None:
    assert not {DUTY, DOWN} & {f.rule for f in assess(HARROW, "b").findings}
    assert not {DUTY, DOWN} & {f.rule for f in assess(DEMO_OF["boat"], "b").findings}


def driven(*moments: tuple[str, str]) -> dict[str, Any]:
    """A drive of one's own: seconds and km/h."""
    rows = {
        f"m{i}": {"name": f"moment {i}", "rank": float(i), "at": m(f"{a} s"), "speed": m(f"{v} km/h")}
        for i, (a, v) in enumerate(moments)
    }
    return {"/craft/road/cycle": "a drive of my own", "/craft/road/moments": rows}


def value(project: Project, id: str) -> float:
    return next(v.si for v in assess(project, "b").values if v.id == id and v.si is not None)


def test_a_drive_of_ones_own_is_that_cycle_where_it_is_typed_so() -> None:
    """The public cycle typed moment by moment, in any order, asks the same."""
    typed = [(f"{p.at_s:g}", f"{p.speed_m_s * 3.6:.6g}") for p in reversed(URBAN)]
    own = put(PANNIER, driven(*typed))
    for id in ("drive.cycle-consumption", "drive.cycle-range"):
        assert value(own, id) == pytest.approx(value(PANNIER, id), rel=1e-6)
    steady = put(PANNIER, driven(("0", "30"), ("60", "30"), ("120", "30")))
    assert value(steady, "drive.cycle-consumption") < value(own, "drive.cycle-consumption")


@pytest.mark.parametrize(
    ("moments", "field"),
    [
        ((("0", "0"), ("10", "30")), "/craft/road/moments"),
        ((("0", "0"), ("10", "30"), ("10", "20")), "/craft/road/moments/m2/at"),
        ((("0", "0"), ("10", "0"), ("20", "0")), "/craft/road/moments/m0/speed"),
    ],
)
def test_a_drive_that_cannot_be_is_asked_about(moments: tuple[tuple[str, str], ...], field: str) -> None:
    one = found(put(PANNIER, driven(*moments)), DUTY)
    assert one.level == "unknown" and field in {n.pointer for n in one.needs}


def test_nothing_is_put_back_where_braking_brings_nothing() -> None:
    assert BACK not in {f.rule for f in assess(put(PANNIER, {"/craft/road/regains": m("0 %")}), "b").findings}
