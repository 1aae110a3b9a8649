"""Bending at the flange of a propeller that is turned about, and how a spacer sways with it."""

from __future__ import annotations

import math

from ....errors import InputError
from ....figure.units import G0_M_S2
from ....formula import formula

# Young's modulus, Pa. From memory: handbooks give 69 to 73 and 200 to 210 GPa; the softer is taken.
MODULUS = {"aluminium": 69e9, "steel": 200e9}
# Rates and load that a propeller is turned about with at once: 14 CFR 23.371 before amendment 64 (from memory).
YAW_RAD_S, PITCH_RAD_S, FACTOR = 2.5, 1.0, 2.5


def gyroscopic(peak: float, inertia_kg_m2: float, speed_rad_s: float, turn_rad_s: float) -> float:
    """Moment of a propeller that is turned about a line across its axis, N·m; peak: 1, 2 of two blades. Source: rigid
    body."""
    return peak * inertia_kg_m2 * speed_rad_s * turn_rad_s


@formula(
    "drive.bending",
    "M = k·J·Ω·ω + m·9.80665·n·L",
    result=("torque", "bending at the flange"),
    k=("number", "1; 2 of two blades, as they come round"),
    J=("inertia", "polar inertia of the propeller"),
    Ω=("rotation", "its speed"),
    ω=("rotation", "how fast the craft turns about"),
    m=("mass", "propeller"),
    n=("number", "load factor"),
    L=("length", "flange to its middle"),
    source="rigid body, statics; 14 CFR 23.371 before amendment 64 (from memory): 2.5 rad/s in yaw with 2.5 g",
    example=((1.0, 1.378, 250.0, 2.5, 9.0, 2.5, 0.2), 905.38),
    valid="a steady turn, blades that do not bend; both moments at their worst at once",
)
def bending(
    peak: float,
    inertia_kg_m2: float,
    speed_rad_s: float,
    turn_rad_s: float,
    mass_kg: float,
    factor: float,
    arm_m: float,
) -> float:
    """Bending at the flange of a propeller that is turned about while its weight hangs there, N·m."""
    return gyroscopic(peak, inertia_kg_m2, speed_rad_s, turn_rad_s) + hanging(mass_kg, factor, arm_m)


def hanging(mass_kg: float, factor: float, arm_m: float) -> float:
    """Moment of the weight of a propeller at the flange, N·m. Source: statics."""
    return mass_kg * G0_M_S2 * factor * arm_m


def end_stiffness(modulus_pa: float, outside_m: float, inside_m: float, arm_m: float) -> float:
    """Stiffness of a round tube across, held at one end and pushed at the other, 3·E·I/L³, N/m.

    Source: beam theory. Raises InputError where it has no wall."""
    if inside_m >= outside_m:
        raise InputError("inside", "a spacer needs a wall", allowed="smaller than its outside; 0 where it is solid")
    return 3 * modulus_pa * math.pi * (outside_m**4 - inside_m**4) / 64 / arm_m**3


@formula(
    "drive.sways",
    "ω = √(k / m)",
    result=("frequency", "how the propeller sways on its spacer"),
    k=("stiffness", "of the spacer at the propeller's middle, 3·E·I/L³"),
    m=("mass", "propeller"),
    source="cantilever with a mass at its end",
    example=((51.75e6, 9.0), 2397.92),
    valid="flange and crank nose stiff: they are not, and it is lower",
)
def sways(stiffness_n_m: float, mass_kg: float) -> float:
    """Natural frequency of a propeller on its spacer, rad/s: an upper bound."""
    return math.sqrt(stiffness_n_m / mass_kg)
