"""Level flight, the climb at height, a dive: against a drag polar worked outside, and where an engineer says stop."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from ambiance import Atmosphere
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import brentq

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.air.climb.functions import climb_rate
from crooked_keel.core.drive.air.cruise.functions import climb_there, cruise_time, drag_terms, level_power
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.core.physics.blades import AirThrough, BladeSet, pull
from crooked_keel.demo import curlew
from crooked_keel.demo.seed import made
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

LAPWING = DEMO_OF["aeroplane"]
A = "/fits/a/installations/main"
WING_M2, CD0, K = 12.0, 0.035, 0.058299


def m(text: str, source: str = "measured") -> dict[str, Any]:
    return {"entered": text, "source": source}


def polar_power(v: float, mass: float, rho: float) -> float:
    """½·ρ·V³·S·CD0 + 2·K·W²/(ρ·V·S): the classic sum, worked case with S 12, CD0 0.035, K 0.058299."""
    weight = mass * 9.80665
    return 0.5 * rho * v**3 * WING_M2 * CD0 + 2 * K * weight**2 / (rho * v * WING_M2)


@given(st.floats(22, 40), st.floats(1.2, 2.2), st.floats(400, 700), st.floats(0.7, 1.3), st.floats(0, 4000))
def test_two_points_of_a_polar_give_back_all_of_it(
    slow: float, faster: float, mass: float, heavier: float, height: float
) -> None:
    """Any polar through two of its own points, then at another speed, mass and height (ambiance, of geopotential)."""
    top = slow * faster
    a, b = drag_terms(slow, polar_power(slow, mass, 1.225), top, polar_power(top, mass, 1.225))
    z = 6356766 * height / (6356766 - height)
    rho = float(Atmosphere(z).density[0])
    v = (slow + top) / 2
    ours = level_power(a, b, rho / 1.225, v, mass * heavier, mass)
    assert ours == pytest.approx(polar_power(v, mass * heavier, rho), rel=1e-6)


def test_two_points_that_no_polar_has_are_refused() -> None:
    with pytest.raises(InputError, match="faster than in its best climb"):
        drag_terms(30.0, 20e3, 30.5, 25e3)
    with pytest.raises(InputError, match="no drag goes through"):
        drag_terms(30.0, 20e3, 40.0, 14e3)
    with pytest.raises(InputError, match="no drag goes through"):
        drag_terms(30.0, 5e3, 40.0, 40e3)


def test_fuel_at_cruise_by_the_worked_case() -> None:
    """0.45 lb/hp·h, 95 hp, 0.72 kg/L, 75 L, half an hour kept: 2.28479 h (worked by hand)."""
    hours = cruise_time(0.075, 720.0, 0.45 * 0.45359237 / (745.699872 * 3600), 95 * 745.699872, 1800.0) / 3600
    assert hours == pytest.approx(2.28479, rel=1e-5)
    assert cruise_time(0.010, 720.0, 8e-8, 70e3, 1e5) < 0


def test_low_down_the_climb_at_height_is_the_climb() -> None:
    assert climb_there(30e3, 20e3, 1.0, 500.0) == pytest.approx(climb_rate(30e3, 20e3, 500.0, 500.0, 0.5))


def value(project: Project, name: str, fit: str = "a") -> tuple[float, float | None]:
    found = next(v for v in assess(project, fit).values if v.id == f"drive.{name}")
    assert found.si is not None, found.needs
    return found.si, found.before_si


def found(project: Project, rule: str) -> Finding:
    (one,) = (f for f in assess(project, "a").findings if f.rule == rule)
    return one


def test_the_cruise_is_where_thrust_is_drag() -> None:
    """By scipy's root of the same blade elements: speed of the unit, power through belt and losses."""
    working = found(LAPWING, "drive.cruise").working
    assert working is not None
    asked = level_power(*[t.si for t in working.terms])
    v = 115 / 3.6
    rho = 1.225 * next(t.si for t in working.terms if t.symbol == "σ")
    blades, ratio = BladeSet(1.98, 0.84, 3), 85 / 35
    air = AirThrough(rho, 333.2)
    at = lambda n: pull(blades, np.array([n / ratio]), v, air)
    n = brentq(lambda n: 0.92 * float(at(n).thrust[0]) * v - asked, 400, 600)
    theirs = float(at(n).torque[0]) * n / ratio / 0.96
    assert value(LAPWING, "cruise-power")[0] == pytest.approx(theirs, rel=5e-3)


def test_heavier_it_burns_more_and_climbs_less_at_height() -> None:
    heavy = put(LAPWING, {"/loadings/two/loads/baggage": m("60 kg")})
    assert value(heavy, "cruise-burn")[0] > value(LAPWING, "cruise-burn")[0]
    assert value(heavy, "climb-there")[0] < value(LAPWING, "climb-there")[0]
    high = put(LAPWING, {"/need/altitude": m("9000 ft")})
    assert value(high, "climb-there")[0] < value(LAPWING, "climb-there")[0]
    assert value(high, "climb-there")[1] < value(LAPWING, "climb-there")[1]  # type: ignore[operator]


CLAIMED = "drive.claimed-efficiency"
JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    ("drive.cruise", {}, "ok", "two thirds of what lasts there"),
    ("drive.cruise", {"/craft/flown/cruise": m("128 km/h")}, "watch", "nearly all of it"),
    ("drive.cruise", {"/craft/flown/cruise": m("165 km/h")}, "stop", "faster than it flies"),
    ("drive.cruise", {"/need/altitude": m("14000 ft")}, "stop", "half of its power is left"),
    ("drive.cruise", {"/craft/flown/top": m("148 km/h ±40 km/h")}, "watch", "a level speed that nobody believes"),
    ("drive.cruise", {"/craft/flown/cruise": None}, "unknown", "nobody said how fast"),
    ("drive.cruise", {"/craft/flown/top": None}, "unknown", "one point is no polar"),
    ("drive.cruise", {"/craft/flown/top": m("106 km/h")}, "unknown", "level no faster than it climbs"),
    (CLAIMED, {}, "ok", "a figure that can be"),
    (CLAIMED, {f"{A}/propeller/claimed": m("84 %")}, "watch", "nearly what the disc allows"),
    (CLAIMED, {f"{A}/propeller/claimed": m("91 %")}, "stop", "more than any disc gives"),
    (CLAIMED, {"/craft/flown/cruise": None}, "unknown", "at which speed"),
    (CLAIMED, {"/craft/flown/cruise": m("165 km/h")}, "unknown", "a cruise that it does not hold"),
    ("drive.climb-there", {}, "ok", "2.3 m/s"),
    ("drive.climb-there", {"/craft/flown/climb": m("480 ft/min ±400 ft/min")}, "watch", "a climb that nobody timed"),
    ("drive.climb-there", {"/need/altitude": m("9000 ft"), "/need/hot": m("20")}, "watch", "a hot day high up"),
    ("drive.climb-there", {"/need/altitude": m("16000 ft")}, "stop", "its ceiling"),
    ("drive.climb-there", {"/need/altitude": None}, "unknown", "how high"),
    ("drive.climb-there", {f"{A}/unit/breathing": None}, "unknown", "what is left there"),
    ("drive.cruise-time", {f"{A}/systems/fuel/reserve": m("3 h")}, "stop", "the reserve wants more than there is"),
    ("drive.cruise-time", {}, "watch", "nine tenths of before, too near to say"),
    ("drive.cruise-time", {f"{A}/unit/consumption": m("280 g/kWh ±2 g/kWh")}, "ok", "a thriftier unit"),
    ("drive.cruise-time", {f"{A}/unit/consumption": m("340 g/kWh", "maker")}, "watch", "a thirsty unit, the same tank"),
    ("drive.cruise-time", {f"{A}/unit/consumption": m("295 g/kWh ±150 g/kWh")}, "watch", "who knows what it burns"),
    ("drive.cruise-time", {f"{A}/unit/consumption": None}, "unknown", "what it burns"),
    ("drive.cruise-time", {"/old_installations/main/unit/consumption": None}, "watch", "before cannot be said"),
    ("drive.overspeed", {}, "watch", "just over what it may for ever"),
    ("drive.overspeed", {"/craft/flown/never": m("150 km/h")}, "ok", "slower"),
    ("drive.overspeed", {"/craft/flown/never": m("150 km/h ±60 km/h")}, "stop", "who knows how fast it may go"),
    ("drive.climb-there", {"/craft/flown/mass": m("505 kg ±400 kg")}, "watch", "who knows what it weighed"),
    ("drive.cruise", {"/craft/flown/mass": m("505 kg ±400 kg")}, "watch", "nor what that climb asked"),
    ("drive.overspeed", {"/craft/flown/never": m("230 km/h")}, "stop", "a windmill"),
    ("drive.overspeed", {f"{A}/propeller/pitch": m("500 mm")}, "stop", "a fine pitch in a dive"),
    ("drive.overspeed", {"/craft/flown/never": None}, "unknown", "nobody said how fast it may go"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[f"{r}: {w}" for r, _, _, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(LAPWING, changes), rule).level == level, why


def test_on_packs_it_flies_for_what_of_them_is_used() -> None:
    """Curlew with figures flown before: energy, the share used, motor and controller, over the power at cruise; what is
    not used is the reserve, so nothing of a fuel system is asked."""
    pitch = lambda at, t: {f"{at}/propeller/pitch": m(t), f"{at}/propeller/blades_set": "set on the ground"}
    flown = {"climb": "2.4 m/s", "mass": "640 kg", "top": "190 km/h", "wanted": "2 m/s", "cruise": "140 km/h"}
    glider = put(
        made("aeroplane", curlew),
        {
            **pitch("/old_installations/main", "900 mm"),
            **pitch(A, "1000 mm"),
            **{f"/craft/flown/{k}": m(t) for k, t in flown.items()},
            "/craft/flown/never": m("220 km/h"),
            "/craft/climb_speed": m("105 km/h"),
        },
    )
    values = {v.id: v for v in assess(glider, "a").values}
    power, time, energy = (values[f"drive.{k}"].si for k in ("cruise-power", "cruise-time", "energy"))
    assert power and time and energy
    auxiliary = glider.craft.auxiliary.si if glider.craft.auxiliary else 0.0
    share = glider.assumptions.depth_of_discharge
    used = share.si if share else 0.85
    assert time == pytest.approx(energy * used / (power / 0.88 + auxiliary), rel=1e-6)
    assert found(glider, "drive.cruise-time").level == "watch" and not found(glider, "drive.cruise-time").needs
    assert "drive.overspeed" not in {f.rule for f in assess(glider, "a").findings}


def test_what_does_not_climb_is_said_to_sink() -> None:
    title = found(put(LAPWING, {"/need/altitude": m("16000 ft")}), "drive.climb-there").title
    assert title.template.startswith("Sinks") and title.params["r"].si > 0


def test_nothing_is_asked_where_nothing_was_flown() -> None:
    new = put(LAPWING, {f"/craft/flown/{k}": None for k in ("climb", "mass", "top", "wanted", "cruise", "never")})
    rules = {f.rule for f in assess(new, "a").findings}
    assert not rules & {"drive.cruise", "drive.climb-there", "drive.cruise-time", "drive.overspeed"}


def test_coarser_blades_end_an_overspeed_and_stop_nothing_else() -> None:
    bad = put(LAPWING, {"/craft/flown/never": m("205 km/h"), f"{A}/propeller/pitch": m("760 mm")})
    assert found(bad, "drive.overspeed").level == "stop"
    (offered,) = [s for s in suggest(bad, "a", "drive.overspeed").suggestions if s.id == "pitch"]
    after = apply_operations(bad, [o.model_dump() for o in offered.operations])
    assert LEVELS.index(found(after, "drive.overspeed").level) > LEVELS.index("stop")
    stops = lambda p: {f.key for f in assess(p, "a").findings if f.level == "stop"}
    assert stops(after) <= stops(bad)
