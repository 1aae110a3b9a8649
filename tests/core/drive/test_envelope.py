"""Torque of a motor by its currents and volts: by worked cases, by the laws that bind it, and where an engineer says
stop."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import Project
from crooked_keel.core.drive.electric.envelope.functions import MotorFigures, gives
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.kept import assess

HARROW = DEMO_OF["motorcycle"]
A = "/fits/a/installations/main"
LASTS, POSSIBLE = "drive.lasting-torque", "drive.motor-possible"
RPM = math.pi / 30
# 60 rpm of one volt, 10 mΩ, 2 A at no load, 300 A of phase, 200 A of battery current, 100 V, 50 mΩ.
CASE = MotorFigures(60 * RPM, 0.010, 2.0, 300.0, 200.0, 100.0, 0.05)


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


@pytest.mark.parametrize(
    ("rpm", "torque", "power", "battery", "volts", "ends"),
    [
        (3000, 47.428, 14900, 174.17, 91.292, "phase current"),
        (5000, 33.211, 17389, 200.0, 90.0, "battery current"),
        (5900, 4.1027, 2534.8, 27.778, 98.611, "voltage"),
    ],
)
def test_worked_cases(rpm: float, torque: float, power: float, battery: float, volts: float, ends: str) -> None:
    """By hand; above 6000 rpm its own voltage is that of the packs."""
    made = gives(CASE, rpm * RPM)
    assert made is not None and made.ends == ends
    assert made.torque == pytest.approx(torque, rel=1e-3) and made.torque * rpm * RPM == pytest.approx(power, rel=1e-3)
    assert made.battery_a == pytest.approx(battery, rel=1e-3) and made.packs_v == pytest.approx(volts, rel=1e-3)
    assert gives(CASE, 6200 * RPM) is None


def test_a_hub_and_a_geared_motor_of_one_envelope() -> None:
    """10 rpm of one volt in the hub, 60 through 6 to 1: 720 rpm at 72 V, 95.493 N·m at 100 A of both (by hand)."""
    hub, mid = (MotorFigures(k * RPM, 0.0, 0.0, 100.0, 1e6, 72.0, 0.0) for k in (10, 60))
    at_rest = gives(hub, 0.0), gives(mid, 0.0)
    assert at_rest[0] is not None and at_rest[1] is not None
    assert at_rest[0].torque == pytest.approx(95.493, rel=1e-4) == at_rest[1].torque * 6
    assert gives(hub, 719 * RPM) and gives(hub, 721 * RPM) is None
    assert gives(mid, 719 * 6 * RPM) and gives(mid, 721 * 6 * RPM) is None


MOTORS = st.builds(
    MotorFigures,
    st.floats(2.0, 20.0),
    st.floats(0.0, 0.05),
    st.floats(0.0, 5.0),
    st.floats(50.0, 800.0),
    st.floats(30.0, 500.0),
    st.floats(40.0, 400.0),
    st.floats(0.0, 0.1),
)


@given(MOTORS, st.floats(0.0, 0.99))
def test_power_is_kept_and_no_limit_is_passed(motor: MotorFigures, share: float) -> None:
    """What leaves the packs is what turns the shaft and what warms winding and iron; currents and volts stay within."""
    speed = share * motor.of_one_volt * motor.open_v
    made = gives(motor, speed)
    assert made is not None
    electric = made.packs_v * made.battery_a
    warmed = made.phase_a**2 * motor.winding_ohm + speed / motor.of_one_volt * motor.idle_a
    assert electric == pytest.approx(made.torque * speed + warmed, rel=1e-6, abs=1e-3)
    assert made.phase_a <= motor.phase_a and made.battery_a <= motor.battery_a * (1 + 1e-9)
    assert speed / motor.of_one_volt + made.phase_a * motor.winding_ohm <= made.packs_v * (1 + 1e-9)


@given(MOTORS, st.floats(0.01, 0.98))
def test_faster_it_never_gives_more(motor: MotorFigures, share: float) -> None:
    top = motor.of_one_volt * motor.open_v
    slow, fast = gives(motor, share * top), gives(motor, min(share + 0.01, 0.999) * top)
    assert slow is not None and fast is not None and fast.torque <= slow.torque + 1e-6 * abs(slow.torque) + 1e-6


def found(project: Project, rule: str) -> list[Finding]:
    return [f for f in assess(project, "a").findings if f.rule == rule]


JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    (LASTS, {}, "ok", "there is torque to spare"),
    (LASTS, {f"{A}/unit/unloaded": m("46 rpm ±0.5 rpm")}, "stop", "wound for less speed than is asked"),
    (LASTS, {f"{A}/unit/unloaded": m("40 rpm ±0.5 rpm")}, "stop", "it never comes there"),
    (LASTS, {f"{A}/unit/battery_current": m("215 A")}, "watch", "hardly any to spare"),
    (LASTS, {f"{A}/unit/battery_current": m("100 A")}, "stop", "starved"),
    (LASTS, {f"{A}/packs/side/resistance": None}, "unknown", "how far the packs sag"),
    (LASTS, {f"{A}/unit/idle_current": None}, "unknown", "what it takes at no load"),
    (LASTS, {f"{A}/unit/winding": None}, "unknown", "what warms its winding"),
    (LASTS, {f"{A}/unit/unloaded": None}, "unknown", "how it is wound"),
    (LASTS, {f"{A}/unit/phase_current": None}, "unknown", "what its controller gives"),
    (POSSIBLE, {f"{A}/unit/peak_torque": m("140 N·m")}, "unknown", "more than its amperes make"),
    (POSSIBLE, {f"{A}/unit/phase_current": m("345 A")}, "unknown", "a smaller controller"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    (one,) = found(put(HARROW, changes), rule)
    assert one.level == level, why


def test_what_goes_together_is_not_asked_about() -> None:
    assert not found(HARROW, POSSIBLE)
    packs = {f"{A}/packs/{k}/resistance": None for k in HARROW.fits["a"].installations["main"].packs}
    bare = {f"{A}/unit/winding": None, f"{A}/unit/idle_current": None, **packs}
    assert not found(put(HARROW, bare), LASTS)


def test_packs_side_by_side_sag_less_than_in_a_row() -> None:
    of = lambda how: set_up(put(HARROW, {f"{A}/packs_joined": how}), "a").installations[0].drive.envelope
    beside, row = of("side by side"), of("in a row")
    assert beside is not None and row is not None
    assert row.packs_ohm == pytest.approx(2 * 0.038) and beside.packs_ohm == pytest.approx(0.038 / 2)
