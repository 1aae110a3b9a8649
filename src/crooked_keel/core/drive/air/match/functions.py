"""Small formulas of an air propeller."""

from __future__ import annotations

import math
from collections.abc import Callable

from ....formula import formula

# What the generic blade promises too much of thrust. Common practice, no source: 0.85 to 0.97.
FIT = 0.92
THREE_QUARTERS = 0.75
# A speed is looked for in so many steps at the most, and to this share of it.
_STEPS, _NEAR = 20, 1e-6


def crossing(spare: Callable[[float], float], low: float, high: float) -> float:
    """Where what is below nought at the low end and above it at the high one is nought: false position, the value of an
    end that stays halved (Illinois)."""
    at_low, at_high, stayed, last = spare(low), spare(high), 0, low
    for _ in range(_STEPS):
        # Where nothing can be said of the low end but that it is below, the middle.
        here = high - at_high * (high - low) / (at_high - at_low) if math.isfinite(at_low) else (low + high) / 2
        there = spare(here)
        if abs(here - last) < _NEAR * here:
            return here
        last = here
        if there > 0:
            high, at_high, at_low = here, there, at_low / 2 if stayed == 1 else at_low
            stayed = 1
        else:
            low, at_low, at_high = here, there, at_high / 2 if stayed == -1 else at_high
            stayed = -1
    return last


@formula(
    "drive.blade-angle",
    "β = atan(p / (0.75·π·D))",
    result=("angle", "at three quarters of the radius"),
    p=("length", "pitch"),
    D=("length", "diameter"),
    source="geometry",
    example=((1.1, 1.75), 0.260703),
)
def blade_angle(pitch_m: float, diameter_m: float) -> float:
    """Angle of a blade of a pitch at three quarters of its radius, rad."""
    return math.atan(pitch_m / (THREE_QUARTERS * math.pi * diameter_m))


@formula(
    "drive.told-thrust",
    "T = 0.92·Te",
    result=("force", "thrust as told"),
    Te=("force", "by blade elements of a generic blade"),
    source="common practice, no source",
    example=((3489.2,), 3210.06),
    valid="0.85 to 0.97 of it, by how well the blade is made",
)
def told_thrust(thrust_n: float) -> float:
    """Thrust as it is told, N."""
    return FIT * thrust_n
