"""Lifting a unit: how it hangs, and what the slings and the hoist carry. Statics in the side view.

Stations and heights of one unit, in any one frame; loads in newtons for a mass at rest. Ratings are compared with a
dynamic factor.
"""

from __future__ import annotations

import math
from typing import NamedTuple

from ...errors import InputError
from ...figure.units import G0_M_S2
from ...formula import formula

# Snatching and swinging. Common practice (1.1 to 1.5), no source.
DYNAMIC_FACTOR = 1.25
_SOURCE = "statics"


class Pick(NamedTuple):
    """Station and height, m."""

    x_m: float
    z_m: float


class Sling(NamedTuple):
    """Tension of each leg in N, its angle from the horizontal in rad."""

    first_n: float
    second_n: float
    first_rad: float
    second_rad: float


@formula(
    "balance.pick-tilt",
    "φ = atan((xp − xg) / (zp − zg))",
    result=("angle", "tilt as it hangs, front down"),
    xp=("length", "pick, station"),
    xg=("length", "CG, station"),
    zp=("length", "pick, height"),
    zg=("length", "CG, height"),
    source=_SOURCE,
    example=(
        (
            0.55,
            0.5,
            1.0,
            0.5,
        ),
        0.099669,
    ),
    valid="one sling, free to turn at the pick",
)
def _tilt(xp_m: float, xg_m: float, zp_m: float, zg_m: float) -> float:
    return math.atan((xp_m - xg_m) / (zp_m - zg_m))


def pick_tilt(cg: Pick, pick: Pick) -> float:
    """How far a unit hangs off level from one pick, rad; positive: the pick is aft of the CG and the front goes down.

    Raises InputError for a pick that is not above the CG. Source: statics."""
    if pick.z_m <= cg.z_m:
        raise InputError(
            "/first_up", "the pick is not above the CG: it would roll over", allowed="a height above the CG"
        )
    return _tilt(pick.x_m, cg.x_m, pick.z_m, cg.z_m)


pick_tilt_working = _tilt.working


def leveller_share(mass_kg: float, first_m: float, second_m: float, cg_m: float) -> tuple[float, float]:
    """Loads on two plumb chains, N. Raises InputError where one would go slack. Source: lever rule."""
    if not min(first_m, second_m) < cg_m < max(first_m, second_m):
        raise InputError("/second_aft", "the CG is not between the picks: one chain goes slack and the unit falls over")
    first = mass_kg * G0_M_S2 * (second_m - cg_m) / (second_m - first_m)
    return first, mass_kg * G0_M_S2 - first


def two_leg_sling(mass_kg: float, first: Pick, second: Pick, hook: Pick) -> Sling:
    """Tensions of two legs to one hook, as it hangs: T = W·sin(other)/sin(sum), angles from the plumb line.

    Raises InputError for a hook that is not above both picks and between them. Source: equilibrium of the hook."""
    a, b = (first, second) if first.x_m <= second.x_m else (second, first)
    if hook.z_m <= max(a.z_m, b.z_m):
        raise InputError("/hook_up", "the hook is not above the picks")
    if not a.x_m < hook.x_m < b.x_m:
        raise InputError("/second_aft", "the hook is not between the picks: one leg goes slack")
    alpha = math.atan((hook.x_m - a.x_m) / (hook.z_m - a.z_m))
    beta = math.atan((b.x_m - hook.x_m) / (hook.z_m - b.z_m))
    weight = mass_kg * G0_M_S2
    t_a, t_b = (weight * math.sin(angle) / math.sin(alpha + beta) for angle in (beta, alpha))
    level_a, level_b = math.pi / 2 - alpha, math.pi / 2 - beta
    return Sling(t_a, t_b, level_a, level_b) if a is first else Sling(t_b, t_a, level_b, level_a)


def line_height(first: Pick, second: Pick, x_m: float) -> float:
    """Height of the line that joins two picks, m. Raises InputError where both are at one station."""
    if abs(first.x_m - second.x_m) < 1e-9:
        raise InputError("/second_aft", "both picks are at one station")
    return first.z_m + (second.z_m - first.z_m) * (x_m - first.x_m) / (second.x_m - first.x_m)


@formula(
    "balance.crane",
    "x = (mc·xc + ml·xl) / (mc + ml)",
    result=("length", "crane and load together, from its rear castors"),
    mc=("mass", "crane"),
    xc=("length", "its CG"),
    ml=("mass", "load"),
    xl=("length", "hook"),
    source=_SOURCE,
    example=(
        (
            400.0,
            1.0,
            100.0,
            2.0,
        ),
        1.2,
    ),
)
def crane_cg(crane_kg: float, crane_m: float, load_kg: float, hook_m: float) -> float:
    """CG of a floor crane with its load, from its rear castors, m. It tips beyond its front castors. Source:
    statics."""
    return (crane_kg * crane_m + load_kg * hook_m) / (crane_kg + load_kg)
