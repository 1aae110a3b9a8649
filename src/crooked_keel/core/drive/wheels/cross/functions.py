"""Stress and twist of a shaft that carries torque, and of a splice in it."""

from __future__ import annotations

import math

from ....formula import formula

# Shear modulus of steel, Pa. From memory.
_G_PA = 79.3e9
# Shear that a fillet or plug weld of 480 MPa filler may bear at rest, Pa: 0.3 of it. From memory.
WELD_PA = 145e6
# Of that a shaft that turns and reverses may bear: fatigue. Common practice, no source.
TURNING = 1 / 3
# Throat of a fillet by its leg.
_THROAT = 0.707


@formula(
    "drive.shaft-stress",
    "σ = √(3)·16·T / (π·d²·d·(1 - (a/d)⁴))",
    result=("stress", "stress by von Mises"),
    T=("torque", "torque in it"),
    d=("bore", "diameter"),
    a=("bore", "bore through it"),
    source="torsion of a round bar, handbook",
    example=((1000.0, 0.028, 0.0), 401.83e6),
    valid="no keyway, spline, groove or bending counted",
)
def stress(torque_n_m: float, diameter_m: float, inside_m: float) -> float:
    """Stress by von Mises of a round shaft in pure torsion, Pa."""
    return math.sqrt(3) * 16 * torque_n_m / (math.pi * diameter_m**3 * (1 - (inside_m / diameter_m) ** 4))


@formula(
    "drive.shaft-twist",
    "φ = 32·T·L / (G·π·(d⁴ - a⁴))",
    result=("angle", "twist of it"),
    T=("torque", "torque in it"),
    L=("length", "how long it twists"),
    G=("stress", "shear modulus of steel, 79.3 GPa"),
    d=("bore", "diameter"),
    a=("bore", "bore through it"),
    source="torsion of a round bar, handbook",
    example=((400.0, 0.6, 79.3e9, 0.025, 0.0), 0.0789199),
    valid="steel, one diameter",
)
def twist_of(torque_n_m: float, length_m: float, shear_pa: float, diameter_m: float, inside_m: float) -> float:
    """How far a round shaft twists, rad."""
    return 32 * torque_n_m * length_m / (shear_pa * math.pi * (diameter_m**4 - inside_m**4))


def twist(torque_n_m: float, length_m: float, diameter_m: float, inside_m: float) -> float:
    """How far a round steel shaft twists, rad."""
    return twist_of(torque_n_m, length_m, _G_PA, diameter_m, inside_m)


def weld_shear(torque_n_m: float, radius_m: float, leg_m: float) -> float:
    """Shear in the throat of a fillet all round a shaft, Pa. Source: statics; throat 0.707 of the leg."""
    return torque_n_m / (2 * math.pi * radius_m**2 * _THROAT * leg_m)


def plug_shear(torque_n_m: float, count: float, diameter_m: float, radius_m: float) -> float:
    """Shear in plugs at a radius, Pa. Source: statics."""
    return torque_n_m / (count * math.pi * diameter_m**2 / 4 * radius_m)
