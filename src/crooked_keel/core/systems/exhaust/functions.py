"""Exhaust: gas, the height of its injection point over the water, the lock, what grows hot."""

from __future__ import annotations

import math

from ...formula import formula
from ...physics.atmosphere import P0_PA, R_AIR_J_KG_K

# Specific heat aside, hot exhaust gas is air: gas constant of air. Growth of pipe materials, 1/K (from memory).
GROWTH_1_K = {"stainless steel": 17.3e-6, "mild steel": 12e-6, "nickel alloy": 13e-6, "titanium": 8.6e-6}


@formula(
    "systems.exhaust-flow",
    "ṁ = P·b·(1 + r)",
    result=("mass_flow", "exhaust gas"),
    P=("power", "power"),
    b=("consumption", "consumption"),
    r=("number", "air to a part of fuel"),
    source="what goes in comes out",
    example=((30e3, 250e-3 / 3.6e6, 25.0), 0.0541667),
    valid="steady; nothing blown past",
)
def gas_flow(power_w: float, consumption_kg_j: float, mixture: float) -> float:
    """Exhaust gas, kg/s."""
    return power_w * consumption_kg_j * (1 + mixture)


def gas_density(temperature_k: float) -> float:
    """Exhaust gas at the pressure of the sea's level, kg/m³."""
    return P0_PA / (R_AIR_J_KG_K * temperature_k)


@formula(
    "systems.injection-clearance",
    "c = (z − w)·cos(φ) − y·sin(φ)",
    result=("length", "injection point over the water"),
    z=("length", "its height"),
    w=("length", "height of the water at its station, upright"),
    φ=("angle", "heel"),
    y=("length", "how far it is off the centreline"),
    source="rigid body turned about the centreline at the water",
    example=((0.42, 0.30, 0.34906585, 0.25), 0.0272581),
    valid="the worse side; waves are not in it",
)
def injection_clearance(height_m: float, water_m: float, heel_rad: float, off_m: float) -> float:
    """Height of the injection point over the heeled water, m."""
    return (height_m - water_m) * math.cos(heel_rad) - abs(off_m) * math.sin(abs(heel_rad))


@formula(
    "systems.drain-back",
    "V = π·d²·L / 4",
    result=("fine_volume", "water that falls back"),
    d=("bore", "bore of the hose up"),
    L=("length", "its length to the top"),
    source="volume of the hose",
    example=((0.05, 1.2), 0.00235619),
    valid="hose full when the unit stops",
)
def drain_back(bore_m: float, length_m: float) -> float:
    """Water that falls back into the lock when the unit stops, m³."""
    return math.pi * bore_m**2 * length_m / 4


@formula(
    "systems.growth",
    "g = α·L·(T − To)",
    result=("fine_length", "growth"),
    α=("number", "growth per kelvin"),
    L=("length", "hot length"),
    T=("temperature", "hot"),
    To=("temperature", "cold"),
    source="thermal expansion",
    example=((17.3e-6, 1.2, 873.15, 293.15), 0.0120408),
    valid="all of the length at one temperature",
)
def growth(alpha_1_k: float, length_m: float, hot_k: float, cold_k: float) -> float:
    """How much longer a pipe is when hot, m."""
    return alpha_1_k * length_m * (hot_k - cold_k)
