"""Standard atmosphere, as far as the benches need it."""

from __future__ import annotations

import math
from typing import NamedTuple

from ..errors import InputError
from ..figure.units import G0_M_S2

R_AIR_J_KG_K = 287.05287
GAMMA_AIR = 1.4
T0_K = 288.15
P0_PA = 101325.0
LAPSE_K_M = 0.0065


class Air(NamedTuple):
    """Temperature K, pressure Pa, density kg/m³, speed of sound m/s."""

    temperature_k: float
    pressure_pa: float
    density_kg_m3: float
    sound_m_s: float


def isa(height_m: float = 0.0, isa_deviation_k: float = 0.0) -> Air:
    """Air at a geopotential height, with a deviation of temperature that leaves pressure alone.

    height_m −500…20 000, deviation ±60 K; otherwise InputError. Source: ICAO Doc 7488 (from memory)."""
    if not -500 <= height_m <= 20000:
        raise InputError(
            "altitude",
            "outside the table of the standard atmosphere",
            given=f"{height_m} m",
            allowed="−500 to 20 000 m",
        )
    if abs(isa_deviation_k) > 60:
        raise InputError(
            "isa_deviation", "more than 60 K from standard", given=f"{isa_deviation_k} K", allowed="−60 to 60 K"
        )
    low = min(height_m, 11000.0)
    t = T0_K - LAPSE_K_M * low
    p = P0_PA * (t / T0_K) ** (G0_M_S2 / (R_AIR_J_KG_K * LAPSE_K_M))
    if height_m > 11000:
        p *= math.exp(-G0_M_S2 * (height_m - 11000) / (R_AIR_J_KG_K * t))
    t += isa_deviation_k
    return Air(t, p, p / (R_AIR_J_KG_K * t), math.sqrt(GAMMA_AIR * R_AIR_J_KG_K * t))
