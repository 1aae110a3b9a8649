"""How fast a road craft pulls away: grip and tipping with the load that shifts, and the time by the force that is
left."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from ...figure.units import G0_M_S2
from ...formula import formula

Array = NDArray[np.float64]

# What turns with the wheels counts as so much more mass. Common practice, no source.
ROTATING = 1.06
# Speeds between which the force is taken as even.
_STEPS = 240


class OnWheels(NamedTuple):
    """A craft on its wheels: mass, kg, wheelbase, CG aft of the front axle and over the ground, m."""

    mass_kg: float
    base_m: float
    x_m: float
    height_m: float


@formula(
    "drive.grip-acceleration",
    "a = 9.80665·μ·b / (L - μ·h)",
    result=("acceleration", "most that the rear tyre holds"),
    μ=("number", "grip"),
    b=("length", "CG aft of the front axle"),
    L=("length", "wheelbase"),
    h=("length", "CG over the ground"),
    source="statics of the craft as it speeds up, handbook",
    example=((0.9, 1.2, 2.3, 0.45), 5.589),
    valid="rear wheel driven, level, no wind; the load that shifts counted",
)
def grip_acceleration(grip: float, x_m: float, base_m: float, height_m: float) -> float:
    """Most acceleration that the rear tyre holds, m/s². Needs a wheelbase above grip times height."""
    return G0_M_S2 * grip * x_m / (base_m - grip * height_m)


@formula(
    "drive.tip-acceleration",
    "a = 9.80665·(L - b) / h",
    result=("acceleration", "at which the front lifts"),
    L=("length", "wheelbase"),
    b=("length", "CG aft of the front axle"),
    h=("length", "CG over the ground"),
    source="statics of the craft as it speeds up, handbook",
    example=((2.3, 1.2, 0.45), 23.972),
    valid="level, no wind; the front as long as its fork lets it be",
)
def tip_acceleration(base_m: float, x_m: float, height_m: float) -> float:
    """Acceleration at which the front wheel carries nothing, m/s²."""
    return G0_M_S2 * (base_m - x_m) / height_m


def most_acceleration(grip: float, standing: OnWheels, driven: str) -> float:
    """Most acceleration of grip and tipping, m/s². driven: rear, or front, whose load goes off as it pulls.

    Source: the two formulas above, and a = g·μ·(L - b)/(L + μ·h) of a driven front."""
    s = standing
    if driven == "front":
        return G0_M_S2 * grip * (s.base_m - s.x_m) / (s.base_m + grip * s.height_m)
    tip = tip_acceleration(s.base_m, s.x_m, s.height_m)
    if s.base_m <= grip * s.height_m:
        return tip
    return min(grip_acceleration(grip, s.x_m, s.base_m, s.height_m), tip)


def force_of_power(power_w: float, speeds_m_s: Array, most_n: float) -> Array:
    """Force of an even power at n speeds, N, not above a most."""
    return np.minimum(power_w / np.maximum(speeds_m_s, 0.1), most_n)


def time_to(until_m_s: float, force_n: Array, load_n: Array, speeds_m_s: Array, mass_kg: float) -> float | None:
    """Time from rest until a speed, s, by force and road load at n rising speeds from nought; None where nothing is
    left before it.

    t = ∫ m·1.06/(F - R) dv. Source: mechanics."""
    v = np.linspace(0.0, until_m_s, _STEPS + 1)
    left = np.interp(v, speeds_m_s, force_n) - np.interp(v, speeds_m_s, load_n)
    if float(left.min()) <= 0:
        return None
    return float(np.trapezoid(mass_kg * ROTATING / left, v))
