"""Bending at the flange of a propeller that is turned about, and how a spacer sways with it."""

from __future__ import annotations

import math

from ...errors import InputError
from ...figure.units import G0_M_S2
from ...formula import formula

# Young's modulus, Pa. From memory: handbooks give 69 to 73 and 200 to 210 GPa; the softer is taken.
MODULUS = {"aluminium": 69e9, "steel": 200e9}
# Rates and load that a propeller is turned about with at once: 14 CFR 23.371 before amendment 64 (from memory).
YAW_RAD_S, PITCH_RAD_S, FACTOR = 2.5, 1.0, 2.5


@formula(
    "drive.gyroscopic",
    "M = k·J·Ω·ω",
    result=("torque", "gyroscopic moment at the hub"),
    k=("number", "1; 2 of two blades, as they come round"),
    J=("inertia", "polar inertia of the propeller"),
    Ω=("rotation", "its speed"),
    ω=("rotation", "how fast the craft turns about"),
    source="rigid body; 14 CFR 23.371 before amendment 64 (from memory): 2.5 rad/s in yaw",
    example=((1.0, 1.378, 250.0, 2.5), 861.25),
    valid="a steady turn, blades that do not bend",
)
def gyroscopic(peak: float, inertia_kg_m2: float, speed_rad_s: float, turn_rad_s: float) -> float:
    """Moment of a propeller that is turned about a line across its axis, N·m."""
    return peak * inertia_kg_m2 * speed_rad_s * turn_rad_s


@formula(
    "drive.hanging",
    "M = m·9.80665·n·L",
    result=("torque", "moment of its weight at the flange"),
    m=("mass", "propeller"),
    n=("number", "load factor"),
    L=("length", "flange to its middle"),
    source="statics",
    example=((9.0, 2.5, 0.2), 44.13),
)
def hanging(mass_kg: float, factor: float, arm_m: float) -> float:
    """Moment of the weight of a propeller at the flange, N·m."""
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
