"""Diameter of a propeller shaft by its torque and by a class rule, and the speed at which it whirls."""

from __future__ import annotations

import math
from typing import NamedTuple

from ....formula import formula


class Metal(NamedTuple):
    """Of a shaft: proof stress and tensile strength, Pa, Young's modulus, Pa, density, kg/m³."""

    proof_pa: float
    tensile_pa: float
    modulus_pa: float
    density_kg_m3: float


# From memory, the least that is sold under the name; the mill's certificate governs.
METALS: dict[str, Metal] = {
    "naval brass": Metal(170e6, 400e6, 100e9, 8400.0),
    "carbon steel": Metal(250e6, 410e6, 205e9, 7850.0),
    "stainless 316": Metal(240e6, 515e6, 193e9, 7980.0),
    "duplex stainless": Metal(450e6, 620e6, 200e9, 7800.0),
    "high-strength stainless": Metal(414e6, 690e6, 193e9, 7880.0),
}
# Shear beside proof stress (von Mises), and how many times the torque it must bear: common practice, 2 to 5.
SHEAR, FACTOR = 0.577, 3.0
# Class rule: geared diesel with a keyed taper; no more strength than this counts, Pa. IACS UR M68 (from memory).
_F, _KEYED, _MOST_PA = 100.0, 1.26, 600e6


@formula(
    "drive.shaft-torque",
    "d = ∛(16·S·P / (ω·π·τ))",
    result=("bore", "shaft, by its torque"),
    S=("number", "times the torque that it must bear"),
    P=("power", "at the shaft"),
    ω=("rotation", "shaft speed"),
    τ=("pressure", "shear at which it yields, 0.577 of its proof stress"),
    source="torsion of a round bar; factor 3: common practice; American yacht practice is the same sum (from memory)",
    example=((3.0, 325498.0, 157.0796, 238.878e6), 0.0509864),
    valid="solid, without a key or a crack",
)
def by_torque(factor: float, power_w: float, shaft_rad_s: float, shear_pa: float) -> float:
    """Diameter of a shaft that bears so many times its torque, m."""
    return math.cbrt(16 * factor * power_w / (shaft_rad_s * math.pi * shear_pa))


def by_class(power_w: float, shaft_rad_s: float, tensile_pa: float) -> float:
    """Diameter of a keyed screw shaft behind a geared diesel by a class rule, m.

    Source: IACS UR M68 (from memory): 100·1.26·∛(P/n·560/(Rm + 160)), kW, rpm, MPa, mm."""
    strength = min(tensile_pa, _MOST_PA) / 1e6
    turns = shaft_rad_s * 60 / (2 * math.pi)
    return _F * _KEYED * math.cbrt(power_w / 1000 / turns * 560 / (strength + 160)) / 1000


@formula(
    "drive.whirl",
    "ω = π² / L²·√(E·d² / (16·ρ))",
    result=("rotation", "speed at which it whirls"),
    L=("length", "between bearings"),
    E=("pressure", "Young's modulus"),
    d=("bore", "shaft"),
    ρ=("density", "of its metal"),
    source="Euler and Bernoulli's beam, ends that give way in angle",
    example=((2.0, 193e9, 0.05715, 7900.0), 174.242),
    valid="solid, nothing hung on it between its bearings; stiff bearings",
)
def whirls(span_m: float, modulus_pa: float, diameter_m: float, density_kg_m3: float) -> float:
    """Speed at which a shaft whirls between two bearings, rad/s."""
    return math.pi**2 / span_m**2 * math.sqrt(modulus_pa * diameter_m**2 / (16 * density_kg_m3))


def span_for(shaft_rad_s: float, share: float, modulus_pa: float, diameter_m: float, density_kg_m3: float) -> float:
    """Span at which a shaft turns at a share of what it whirls at, m."""
    root = math.sqrt(modulus_pa * diameter_m**2 / (16 * density_kg_m3))
    return math.pi * math.sqrt(root * share / shaft_rad_s)


@formula(
    "drive.key-crush",
    "p = 4·T / (d·h·l)",
    result=("stress", "pressure on the side of the key"),
    T=("torque", "torque of the shaft"),
    d=("bore", "shaft at the middle of the key"),
    h=("bore", "height of the key, half of it in each"),
    l=("bore", "length that bears"),
    source="statics, handbook",
    example=((1000.0, 0.040, 0.008, 0.060), 208.333e6),
    valid="a key that fits; what a taper carries by itself is not counted on",
)
def key_crush(torque_n_m: float, diameter_m: float, height_m: float, length_m: float) -> float:
    """Pressure on the sides of a parallel key, Pa."""
    return 4 * torque_n_m / (diameter_m * height_m * length_m)


def key_shear(torque_n_m: float, diameter_m: float, width_m: float, length_m: float) -> float:
    """Shear in a parallel key, Pa. Source: statics, 2·T / (d·b·l)."""
    return 2 * torque_n_m / (diameter_m * width_m * length_m)


@formula(
    "drive.bolt-shear",
    "τ = 8·T / (n·π·D·d²)",
    result=("stress", "shear in the bolts"),
    T=("torque", "torque of the shaft"),
    n=("count", "bolts"),
    D=("length", "their circle"),
    d=("bore", "a bolt, in its shank"),
    source="statics, handbook",
    example=((1000.0, 4.0, 0.080, 0.010), 79.5775e6),
    valid="as if friction held nothing; no thread in the plane between",
)
def bolt_shear(torque_n_m: float, count: float, circle_m: float, diameter_m: float) -> float:
    """Shear in the bolts of a coupling, Pa."""
    return 8 * torque_n_m / (count * math.pi * circle_m * diameter_m**2)
