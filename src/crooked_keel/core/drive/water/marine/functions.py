"""Marine propeller and speed: slip, pitch, diameter, tip clearance, and what she will do by what she did."""

from __future__ import annotations

import math

from ....errors import InputError
from ....figure.units import FT_M, HP_W, IN_M, LB_KG
from ....formula import formula

KNOT_M_S = 1852 / 3600
_BOOK = "propeller handbook, chapters on estimating speed and slip (from memory)"


def slip_estimate(speed_m_s: float) -> float:
    """Slip expected at a speed: 1.4/V^0.57, V in knots, held between 0.18 and 0.5 as the published line is.

    Raises InputError for a boat at rest. Source: propeller handbook (from memory)."""
    if speed_m_s <= 0:
        raise InputError("/craft/trial/wanted", "a speed above zero is wanted", allowed="above zero")
    return float(min(0.5, max(0.18, 1.4 / (speed_m_s / KNOT_M_S) ** 0.57)))


@formula(
    "drive.pitch",
    "p = 2·π·V / (ω·(1 − s))",
    result=("length", "pitch"),
    V=("sea_speed", "speed wanted"),
    ω=("rotation", "shaft speed"),
    s=("number", "slip expected"),
    source=_BOOK,
    example=(
        (
            5.0,
            62.832,
            0.2,
        ),
        0.625,
    ),
    valid="a fixed screw at the speed and slip said",
)
def propeller_pitch(speed_m_s: float, shaft_rad_s: float, slip: float) -> float:
    """Pitch that gives a speed at a shaft speed and slip, m."""
    return 2 * math.pi * speed_m_s / (shaft_rad_s * (1 - slip))


@formula(
    "drive.slip",
    "s = 1 − 2·π·V / (p·ω)",
    result=("number", "apparent slip"),
    V=("sea_speed", "speed"),
    p=("length", "pitch"),
    ω=("rotation", "shaft speed"),
    source="definition of apparent slip",
    example=(
        (
            5.0,
            0.625,
            62.832,
        ),
        0.2,
    ),
    valid="apparent slip: by speed through the water, the wake left out",
)
def apparent_slip(speed_m_s: float, pitch_m: float, shaft_rad_s: float) -> float:
    """Apparent slip of a pitch at a speed."""
    return 1 - 2 * math.pi * speed_m_s / (pitch_m * shaft_rad_s)


def diameter_quick(power_w: float, shaft_rad_s: float, blades: int) -> float:
    """Starting diameter, m: 632.7·SHP^0.2/rpm^0.6 in, three blades; two ×1.05, four ×0.94. Source: propeller handbook
    (from memory)."""
    if power_w <= 0 or shaft_rad_s <= 0:
        raise InputError("~/unit/power", "power and shaft speed above zero are wanted", allowed="above zero")
    factor = {2: 1.05, 3: 1.0, 4: 0.94}.get(blades)
    if factor is None:
        raise InputError(
            "~/propeller/blades",
            "the published line knows two, three and four blades",
            given=str(blades),
            allowed="2, 3 or 4",
        )
    return float(factor * 632.7 * (power_w / HP_W) ** 0.2 / (shaft_rad_s * 30 / math.pi) ** 0.6 * IN_M)


def crouch_speed(factor: float, displacement_kg: float, power_w: float) -> float:
    """Speed of a planing hull, m/s: C/√(lb per shaft hp) knots. Source: propeller handbook (from memory)."""
    return factor / math.sqrt((displacement_kg / LB_KG) / (power_w / HP_W)) * KNOT_M_S


# With which power of speed a hull asks for power, by how she goes: the ends as the methods scale her, between them
# proposed.
POWERS = {"displacement": 3.0, "semi-displacement": 2.5, "planing": 2.0}


def between_speed(displacement_kg: float, power_w: float) -> float:
    """Speed of a hull between displacing and planing, but for a factor that a known speed gives: (P/m)^(1/2.5).
    Proposed: between the cube root of the one and the square root of the other."""
    return float((power_w / displacement_kg) ** (1 / POWERS["semi-displacement"]))


def crouch_factor(speed_m_s: float, displacement_kg: float, power_w: float) -> float:
    """C from a known speed: the inverse of `crouch_speed`."""
    return speed_m_s / KNOT_M_S * math.sqrt((displacement_kg / LB_KG) / (power_w / HP_W))


def displacement_speed(length_m: float, displacement_kg: float, power_w: float) -> float:
    """Speed of a displacement hull, m/s: S/L = 10.665/(lb per hp)^(1/3), not above the hull's limit 8.26/DL^0.311; V =
    S/L·√L.

    Lengths in feet, knots in the published form. Good for S/L to 1.5. Source: propeller handbook (from memory)."""
    feet = length_m / FT_M
    by_power = 10.665 / ((displacement_kg / LB_KG) / (power_w / HP_W)) ** (1 / 3)
    return float(min(by_power, hull_limit(length_m, displacement_kg)) * math.sqrt(feet) * KNOT_M_S)


def hull_limit(length_m: float, displacement_kg: float) -> float:
    """Speed–length ratio that the hull's fineness allows: 8.26/DL^0.311, DL = long tons/(0.01·L ft)³. Source: propeller
    handbook (from memory)."""
    dl = (displacement_kg / LB_KG / 2240) / (0.01 * length_m / FT_M) ** 3
    return float(8.26 / dl**0.311)


@formula(
    "drive.speed-by-before",
    "V = V1·f2 / f1",
    result=("sea_speed", "speed expected"),
    V1=("sea_speed", "speed before, measured"),
    f2=("sea_speed", "by the method, after"),
    f1=("sea_speed", "by the method, before"),
    source=f"the known speed scaled by the method; {_BOOK}",
    example=(
        (
            10.0,
            0.9,
            1.0,
        ),
        9.0,
    ),
    valid="same hull, displacement within a tenth",
)
def speed_by_before(speed_m_s: float, after_m_s: float, before_m_s: float) -> float:
    """The known speed scaled by what a method says of before and after, m/s."""
    return speed_m_s * after_m_s / before_m_s


def tip_clearance_share(shaft_rad_s: float) -> float:
    """Least clearance under the hull over the diameter: 0.10 below 300 rpm, 0.15 to 1800, 0.20 above. Common practice,
    no source."""
    rpm = shaft_rad_s * 30 / math.pi
    return 0.10 if rpm < 300 else 0.15 if rpm <= 1800 else 0.20


@formula(
    "drive.hull-clearance",
    "c = (h − ½·D) / D",
    result=("percent", "tip clearance over the diameter"),
    h=("length", "shaft centre to the hull over it"),
    D=("length", "diameter"),
    source="geometry",
    example=(
        (
            0.25,
            0.4,
        ),
        0.125,
    ),
)
def hull_clearance_share(height_m: float, diameter_m: float) -> float:
    """Clearance between tip and hull as a share of the diameter."""
    return (height_m - 0.5 * diameter_m) / diameter_m
