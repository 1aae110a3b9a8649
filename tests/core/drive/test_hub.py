"""A motor in the hub: pressure on its flats by an integral apart, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import pytest
from scipy.integrate import quad

from crooked_keel.core.document import Project
from crooked_keel.core.drive.wheels.hub.functions import flat_pressure, spoke_pull
from crooked_keel.core.judging.finding import Finding
from tests.conftest import DEMO_OF, put
from tests.kept import assess

B = "/fits/b/installations/main"
H = f"{B}/wheel/hub"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


# A scooter with its motor in the hub: 60 N·m of its own, nothing between it and the wheel.
SET: dict[str, Any] = {
    f"{B}/drive/stages": {"hub": {"name": "hub", "rank": 1.0, "type": "gear", "ratio": m("1"), "turning": "keeps"}},
    f"{B}/unit/peak_torque": m("60 N·m"),
    f"{B}/unit/rated_speed": m("700 rpm"),
    f"{H}/motor": "in the hub",
    f"{H}/held": "by a torque arm",
    f"{H}/arm": m("180 mm ±2 mm"),
    f"{H}/arm_holds": m("1200 N ±20 N"),
    f"{H}/flat": m("12 mm ±0.1 mm"),
    f"{H}/dropout": m("6 mm ±0.1 mm"),
    f"{H}/yields": m("235 MPa ±5 MPa"),
}
HUB = put(DEMO_OF["scooter"], SET)


def test_the_pressure_carries_the_torque() -> None:
    """Pressure that rises evenly from the middle of each flat, summed over both halves in contact, is the torque."""
    torque, thick, flat = 60.0, 0.006, 0.012
    most = flat_pressure(torque, thick, flat)
    half, _ = quad(lambda y: most * y / (flat / 2) * thick * y, 0, flat / 2)
    assert 2 * half == pytest.approx(torque)


def found(project: Project) -> list[Finding]:
    return [f for f in assess(project, "b").findings if f.rule == "drive.hub-axle"]


JUDGED: list[tuple[dict[str, Any], str, str]] = [
    ({}, "ok", "three times its torque"),
    ({f"{H}/arm": m("100 mm ±2 mm")}, "watch", "a short arm"),
    ({f"{H}/arm": m("50 mm ±2 mm")}, "stop", "a washer with a tab"),
    ({f"{H}/arm_holds": m("1200 N ±900 N")}, "watch", "a hose clip"),
    ({f"{B}/unit/peak_torque": m("150 N·m")}, "stop", "more motor on the same arm"),
    ({f"{H}/arm_holds": None}, "unknown", "what holds it"),
    ({f"{H}/held": None}, "unknown", "nobody said how"),
    ({f"{H}/held": "by its flats alone"}, "stop", "flats in a steel dropout"),
    ({f"{H}/held": "by its flats alone", f"{H}/dropout": m("12 mm ±0.1 mm")}, "stop", "a plate on each side"),
    (
        {f"{H}/held": "by its flats alone", f"{H}/dropout": m("30 mm ±0.1 mm"), f"{H}/flat": m("20 mm ±0.1 mm")},
        "watch",
        "never ok without an arm",
    ),
    ({f"{H}/held": "by its flats alone", f"{H}/flat": None}, "unknown", "how long the flats are"),
    ({f"{B}/unit/peak_torque": None}, "unknown", "what turns it back"),
]


@pytest.mark.parametrize(("changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(changes: dict[str, Any], level: str, why: str) -> None:
    (one,) = found(put(HUB, changes))
    assert one.level == level, why


@pytest.mark.parametrize(
    "changes", [{f"{H}/motor": None}, {f"{H}/motor": "not in it"}, {f"{B}/unit/kind": "four-stroke"}]
)
def test_nothing_is_asked_where_no_motor_sits_in_the_hub(changes: dict[str, Any]) -> None:
    assert not found(put(HUB, changes))


# 36 spokes of 3 mm on a circle of 120 mm, laced crossed; 900 MPa.
SPOKES: dict[str, Any] = {
    f"{H}/laced": "crossed",
    f"{H}/spokes": m("36"),
    f"{H}/spoke_circle": m("120 mm ±1 mm"),
    f"{H}/spoke": m("3 mm ±0.02 mm"),
    f"{H}/spoke_yields": m("900 MPa ±20 MPa"),
}
OF_SPOKES: list[tuple[dict[str, Any], str, str]] = [
    ({}, "ok", "a wheel for a moped"),
    ({f"{H}/spokes": m("8"), f"{H}/spoke": m("1.1 mm ±0.02 mm")}, "watch", "few and thin"),
    ({f"{H}/spokes": m("8"), f"{H}/spoke": m("0.8 mm ±0.02 mm")}, "stop", "fewer and thinner still"),
    ({f"{H}/spoke": m("3 mm ±2.5 mm")}, "watch", "a figure from hearsay"),
    ({f"{H}/laced": "radial"}, "stop", "a radial spoke has no arm"),
    ({f"{H}/laced": "radial", f"{B}/unit/peak_torque": None}, "stop", "whatever its torque"),
    ({f"{H}/laced": None}, "unknown", "nobody looked"),
    ({f"{H}/spokes": None}, "unknown", "how many"),
    ({f"{H}/spoke": None}, "unknown", "how thick"),
    ({f"{H}/spoke_yields": None}, "unknown", "of what"),
    ({f"{H}/spoke_circle": None}, "unknown", "how large the hub is"),
    ({f"{B}/unit/peak_torque": None}, "unknown", "what turns it"),
]


@pytest.mark.parametrize(("changes", "level", "why"), OF_SPOKES, ids=[w for *_, w in OF_SPOKES])
def test_spokes_are_judged_as_an_engineer_would(changes: dict[str, Any], level: str, why: str) -> None:
    (one,) = (f for f in assess(put(HUB, {**SPOKES, **changes}), "b").findings if f.rule == "drive.hub-spokes")
    assert one.level == level, why


@pytest.mark.parametrize("changes", [{f"{H}/laced": "no spokes: cast, or a disc"}, {f"{H}/motor": "not in it"}])
def test_a_wheel_without_spokes_or_motor_is_not_asked(changes: dict[str, Any]) -> None:
    made = assess(put(HUB, {**SPOKES, **changes}), "b").findings
    assert not [f for f in made if f.rule == "drive.hub-spokes"]


def test_the_pull_of_all_spokes_carries_the_torque() -> None:
    """Half gain what half lose: the sum of their changes times the radius is the torque (statics)."""
    torque, count, circle, across = 400.0, 36, 0.2, 0.003
    change = spoke_pull(torque, count, circle, across) * math.pi * across**2 / 4
    pulls = [change if i % 2 else -change for i in range(count)]
    assert sum(p * circle / 2 * (1 if i % 2 else -1) for i, p in enumerate(pulls)) == pytest.approx(torque)
