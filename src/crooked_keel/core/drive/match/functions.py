"""Small formulas of an air propeller."""

from __future__ import annotations

import math

import numpy as np

from ...formula import formula
from ...physics.blades import Array

# What the generic blade promises too much of thrust. Common practice, no source: 0.85 to 0.97.
FIT = 0.92
THREE_QUARTERS = 0.75


def last_fall(spare: Array) -> int | None:
    """Of torque to spare at rising speeds: the place ahead of the last at which none is left; None where it never
    falls so."""
    falls = np.nonzero((spare[:-1] > 0) & (spare[1:] <= 0))[0]
    return int(falls[-1]) if len(falls) else None


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
