"""Torque of a motor at a speed, by the limits of its controller and the sag of its packs.

An even direct current stands for the three phases: good for currents that are fed in step with the rotor, below the
speed at which the field is weakened; that is not in it. Source: definitions of volts, amperes and watts.
"""

from __future__ import annotations

import math
from typing import Literal, NamedTuple

from ....formula import formula

Ends = Literal["phase current", "battery current", "voltage"]
# Halvings of the current that is looked for: to a millionth of the greatest.
_HALVED = 40


class MotorFigures(NamedTuple):
    """A motor with its controller and packs, SI: speed of one volt, rad/s; resistance of the winding, Ω; current that
    it takes at no load, A; greatest phase and battery current, A; voltage of the packs at rest, V, and their
    resistance, Ω."""

    of_one_volt: float
    winding_ohm: float
    idle_a: float
    phase_a: float
    battery_a: float
    open_v: float
    packs_ohm: float


class Gives(NamedTuple):
    """What it gives at a speed: torque, N·m; currents, A; voltage of the packs, V; what ends it."""

    torque: float
    phase_a: float
    battery_a: float
    packs_v: float
    ends: Ends


@formula(
    "drive.torque-of-current",
    "T = I / n",
    result=("torque", "torque of a phase current"),
    I=("current", "phase current"),
    n=("rotation", "speed of one volt, no load"),
    source="power is kept: volts times amperes are torque times speed",
    example=((100.0, 6.28319), 15.9155),
    valid="both by the same convention: line to line, peak",
)
def torque_of(current_a: float, of_one_volt_rad_s: float) -> float:
    """Torque of a phase current, N·m."""
    return current_a / of_one_volt_rad_s


def _drawn(motor: MotorFigures, phase_a: float, speed_rad_s: float) -> tuple[float, float, float] | None:
    """Voltage that the motor needs, battery current and voltage of the packs at a phase current; None where the packs
    cannot give that power at all."""
    needs = speed_rad_s / motor.of_one_volt + phase_a * motor.winding_ohm
    power = needs * phase_a
    left = motor.open_v**2 - 4 * motor.packs_ohm * power
    if left < 0:
        return None
    # The lesser root of R·I² - V·I + P = 0, in the form that stands where R is nought.
    battery = 2 * power / (motor.open_v + math.sqrt(left))
    return needs, battery, motor.open_v - motor.packs_ohm * battery


def _ended(motor: MotorFigures, phase_a: float, speed_rad_s: float) -> Ends | None:
    """What forbids a phase current at a speed; None where nothing does."""
    drawn = _drawn(motor, phase_a, speed_rad_s)
    if drawn is None or drawn[1] > motor.battery_a:
        return "battery current"
    return "voltage" if drawn[0] > drawn[2] else None


def gives(motor: MotorFigures, speed_rad_s: float) -> Gives | None:
    """The most that a motor gives at a speed; None above the speed at which its own voltage is that of the packs."""
    if _ended(motor, 0.0, speed_rad_s) is not None:
        return None
    low, high, ends = 0.0, motor.phase_a, _ended(motor, motor.phase_a, speed_rad_s)
    if ends is None:
        low = motor.phase_a
    else:
        for _ in range(_HALVED):
            middle = (low + high) / 2
            there = _ended(motor, middle, speed_rad_s)
            low, high, ends = (middle, high, ends) if there is None else (low, middle, there)
    drawn = _drawn(motor, low, speed_rad_s)
    assert drawn is not None
    torque = torque_of(low - motor.idle_a, motor.of_one_volt)
    return Gives(torque, low, drawn[1], drawn[2], ends or "phase current")
