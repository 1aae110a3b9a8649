"""How fast a road craft pulls away: grip and tipping with the load that shifts, and the time by the force that is
left."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from ....figure.units import G0_M_S2
from ....physics.pitching import traction_limit, wheelie_limit
from ...handed import OnWheels

Array = NDArray[np.float64]

# What turns with the wheels counts as so much more mass. Common practice, no source.
ROTATING = 1.06
# Speeds between which the force is taken as even.
_STEPS = 240


def most_acceleration(grip: float, standing: OnWheels, driven: str) -> float:
    """Most acceleration that grip and tipping allow, m/s². driven: rear, or front, whose load goes off as it pulls.

    Source: statics; of a driven front a = g·μ·(L - b)/(L + μ·h)."""
    s = standing
    if driven == "front":
        return G0_M_S2 * grip * (s.base_m - s.x_m) / (s.base_m + grip * s.height_m)
    tip, held = wheelie_limit(*s[1:]), traction_limit(*s[1:], grip)
    return G0_M_S2 * (tip if held is None else min(held, tip))


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
