"""Energy and power of a drive cycle, and the time that packs take to charge."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from itertools import pairwise
from typing import NamedTuple

import numpy as np

from ....formula import formula
from ....reference.cycles import CyclePoint
from ...wheels.going.functions import ROTATING

# Pieces into which each step of a cycle is cut.
_CUT = 8
# What goes into the packs of what comes out of the wall. Common practice, no source.
CHARGING = 0.90


class DrivenCycle(NamedTuple):
    """A cycle driven once: way, m, time, s, energy out of the packs, J, the mean square of the unit's power as a power,
    W, and the greatest, W."""

    way_m: float
    time_s: float
    energy_j: float
    lasting_w: float
    most_w: float


def drive(
    points: Sequence[CyclePoint],
    load: Callable[[float], float],
    mass_kg: float,
    passed: float,
    motor: float,
    regains: float,
    others_w: float,
) -> DrivenCycle:
    """A cycle driven once. load: on the level at a speed, N; passed: efficiency of the drive, motor: of motor and
    controller; regains: share of the power of braking that comes back to the unit.

    P = (R(v) + 1.06·m·a)·v. Source: mechanics."""
    way = energy = square = most = time = 0.0
    for a, b in pairwise(points):
        step = (b.at_s - a.at_s) / _CUT
        rate = (b.speed_m_s - a.speed_m_s) / (b.at_s - a.at_s)
        for k in range(_CUT):
            v = a.speed_m_s + rate * step * (k + 0.5)
            power = (load(v) + ROTATING * mass_kg * rate) * v if v > 0 else 0.0
            shaft = power / passed if power > 0 else power * passed * regains
            energy += (shaft / motor if shaft > 0 else shaft * motor) * step + others_w * step
            square += shaft**2 * step
            most = max(most, shaft)
            way += v * step
            time += step
    return DrivenCycle(way, time, energy, math.sqrt(square / time), most)


def way_of(points: Sequence[CyclePoint]) -> float:
    """Way of a cycle, m."""
    at, speed = np.array(points).T
    return float(np.trapezoid(speed, at))


@formula(
    "drive.charge-time",
    "t = E·k / (P·0.90)",
    result=("hours", "time to charge"),
    E=("energy", "energy of the packs"),
    k=("number", "share used"),
    P=("power", "out of the wall"),
    source="power is kept; 0.90: common practice, no source",
    example=((18e6, 0.85, 2000.0), 8500.0),
    valid="the last tenth takes longer",
)
def charge_time(energy_j: float, share: float, power_w: float) -> float:
    """Time to put back what was used, s."""
    return energy_j * share / (power_w * CHARGING)
