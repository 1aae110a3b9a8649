"""Climb and level speed, scaled from what was flown before."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import Project
from crooked_keel.core.drive.air.climb.functions import climb_rate, power_asked, top_speed
from crooked_keel.core.figure.units import FT_M, HP_W, LB_KG
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.kept import assess

PLANE = DEMO_OF["aeroplane"]
F = "/craft/flown"
A = "/fits/a/installations/main"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def test_a_climb_by_hand() -> None:
    """1350 lb climb 1050 ft/min on 110 hp at 0.68; 1300 lb on 150 hp at 0.70: 1886 ft/min. By energy, by hand."""
    asked = power_asked(110 * HP_W * 0.68, 1350 * LB_KG, 1050 * FT_M / 60)
    assert asked == pytest.approx(23747, abs=2)
    made = climb_rate(150 * HP_W * 0.70, asked, 1300 * LB_KG, 1350 * LB_KG, 0.5)
    assert made * 60 / FT_M == pytest.approx(1886.4, abs=0.5)


def test_a_polar_that_is_known_climbs_between_the_shares() -> None:
    """Drag polar of a light two-seater (CD0 0.035, aspect ratio 7, e 0.78, 12 m²) at 36 m/s: what its climb becomes
    with other power and weight comes out by the share of the polar, and lies between those that are taken."""
    k, area, rho, v, g = 0.058299, 12.0, 1.225, 36.0, 9.80665
    asked = lambda kg: 0.5 * rho * v**3 * area * 0.035 + 2 * k * (kg * g) ** 2 / (rho * v * area)
    before, now, useful, more = 560.0, 610.0, 45e3, 58e3
    was = (useful - asked(before)) / (before * g)
    will = (more - asked(now)) / (now * g)
    level = power_asked(useful, before, was)
    assert level == pytest.approx(asked(before))
    induced = 2 * k * (before * g) ** 2 / (rho * v * area) / level
    assert climb_rate(more, level, now, before, induced) == pytest.approx(will)
    low, high = (climb_rate(more, level, now, before, f) for f in (0.75, 0.2))
    assert low < will < high


@given(st.floats(20, 80), st.floats(1e4, 1e5))
def test_the_same_power_flies_as_fast_and_eight_times_twice_as_fast(speed: float, power: float) -> None:
    assert top_speed(speed, power, power) == pytest.approx(speed)
    assert top_speed(speed, 8 * power, power) == pytest.approx(2 * speed)


def found(project: Project, fit: str = "a") -> list[Finding]:
    return [f for f in assess(project, fit).findings if f.rule == "drive.climb"]


@pytest.mark.parametrize(
    ("changes", "said"),
    [
        ({}, "ok"),
        ({f"{F}/wanted": m("3.9 m/s")}, "watch"),
        ({f"{F}/wanted": m("6 m/s")}, "stop"),
        ({f"{F}/climb": m("480 ft/min ±400 ft/min")}, "watch"),
        ({"/loadings/two/loads/baggage": m("160 kg"), f"{F}/wanted": m("3.6 m/s")}, "stop"),
        ({f"{F}/climb": m("2400 ft/min")}, "unknown"),
        ({f"{F}/climb": None}, "unknown"),
        ({f"{F}/mass": None}, "unknown"),
        ({f"{F}/wanted": None}, "unknown"),
        ({"/craft/climb_speed": None}, "unknown"),
        ({"/old_installations/main/propeller/pitch": None}, "unknown"),
        ({f"{A}/propeller/pitch": None}, "unknown"),
    ],
)
def test_judged(changes: dict[str, Any], said: str) -> None:
    (one,) = found(put(PLANE, changes))
    assert one.level == said


def test_what_cannot_have_been_flown_is_refused_at_its_field() -> None:
    (one,) = found(put(PLANE, {f"{F}/climb": m("2400 ft/min")}))
    assert one.needs[0].pointer == f"{F}/climb" and one.needs[0].given == "2400 ft/min"


def test_nothing_is_asked_before_anything_was_flown() -> None:
    assert found(put(PLANE, {F: None})) == []


def test_the_same_unit_again_climbs_as_it_did() -> None:
    """The old installation as a fit, at the mass that was flown: the climb and the speed of before."""
    old = PLANE.old_installations["main"].model_dump(mode="json", by_alias=True, exclude_none=True)
    same = put(PLANE, {"/fits/same": {"name": "same", "installations": {"main": old}}})
    heavy = set_up(same, "same").installations[0].drive.flown
    assert heavy is not None
    same = put(same, {f"{F}/mass": m(f"{heavy.heaviest_kg} kg")})
    values = {v.id: v for v in assess(same, "same").values}
    assert values["drive.climb-rate"].si == pytest.approx(480 * FT_M / 60, rel=1e-6)
    assert values["drive.top-speed"].si == pytest.approx(148 / 3.6, rel=1e-6)
