"""Formulas of a craft on its wheels."""

from __future__ import annotations

import math

from ...formula import formula

_STATICS = "statics"


@formula(
    "balance.axle",
    "Wr = m·x / L",
    result=("mass", "on the rear axle"),
    m=("mass", "mass"),
    x=("length", "CG behind the front axle"),
    L=("length", "wheelbase"),
    source=_STATICS,
    example=(
        (
            250.0,
            0.6,
            1.5,
        ),
        100.0,
    ),
)
def rear_axle(mass_kg: float, x_m: float, base_m: float) -> float:
    """Mass on the rear axle, kg."""
    return mass_kg * x_m / base_m


@formula(
    "balance.lean",
    "φ = atan(y / z)",
    result=("angle", "lean that balances her"),
    y=("length", "CG off the centreline"),
    z=("length", "CG over the ground"),
    source=_STATICS,
    example=(
        (
            0.02,
            0.5,
        ),
        0.039979,
    ),
    valid="tyres without breadth",
)
def lean_to_balance(y_m: float, height_m: float) -> float:
    """Lean that brings the CG over the wheels, rad."""
    return math.atan(y_m / height_m)


@formula(
    "balance.static-stability",
    "S = (½·t − y) / z",
    result=("number", "static stability factor"),
    t=("length", "track, taken at the CG's station"),
    y=("length", "CG off the middle of the track, to either side"),
    z=("length", "CG over the ground"),
    source="road-vehicle rollover measure (from memory); three wheels: moments about the oblique line, statics",
    example=(
        (
            1.5,
            0.15,
            0.6,
        ),
        1.0,
    ),
    valid="rigid body on a level road; suspension and tyres tip it sooner",
)
def static_stability(track_m: float, off_m: float, height_m: float) -> float:
    """Half track, less what the CG is off its middle, over the height of the CG: toward the side it leans to."""
    return (track_m / 2 - off_m) / height_m


@formula(
    "balance.stand-load",
    "R = m·(x − xs) / (xw − xs)",
    result=("mass", "on the wheel that stays down"),
    m=("mass", "mass"),
    x=("length", "CG"),
    xs=("length", "stand"),
    xw=("length", "axle of the wheel that stays down"),
    source=_STATICS,
    example=(
        (
            200.0,
            0.7,
            0.5,
            1.3,
        ),
        50.0,
    ),
)
def stand_load(mass_kg: float, x_m: float, stand_m: float, wheel_m: float) -> float:
    """Load on the wheel that stays down when the craft stands on its stand, kg."""
    return mass_kg * (x_m - stand_m) / (wheel_m - stand_m)
