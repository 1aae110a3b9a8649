"""What is left of a unit's power higher up."""

from __future__ import annotations

import math

from ...errors import InputError, fields
from ...formula import formula
from ...physics.atmosphere import P0_PA, T0_K, isa


def density_ratio(height_m: float, deviation_k: float = 0.0) -> float:
    """Density of the air over that at sea level, standard day."""
    return isa(height_m, deviation_k).density_kg_m3 / isa(0).density_kg_m3


@formula(
    "choose.lapse",
    "k = 1.132·σ − 0.132",
    result=("percent", "share of the power that is left"),
    σ=("number", "density of the air over that at sea level"),
    source="Gagg and Farrar's relation, 1934 (from memory)",
    example=((0.5,), 0.434),
    valid="four-stroke engines that are not blown; density ratio 0.3 to 1",
)
def lapse_na(sigma: float) -> float:
    """Share of the power that a naturally aspirated unit keeps, constant speed, full throttle; valid from 0.25 to 1.15.

    Above 1 (cold, low) it is more than rated: no credit in performance, but loads are taken by it."""
    if not 0.25 <= sigma <= 1.15:
        raise InputError(
            "altitude",
            "outside what the relation was made for",
            given=str(sigma),
            allowed="0.25 to 1.15 of the density",
        )
    return 1.132 * sigma - 0.132


def lapse_na_temp(height_m: float, deviation_k: float = 0.0, friction: float = 0.12) -> float:
    """The other school: intake corrected to δ/√θ, less friction that does not fall. Source: common practice, no
    source."""
    air = isa(height_m, deviation_k)
    share = air.pressure_pa / P0_PA / math.sqrt(air.temperature_k / T0_K)
    return share - (1 - share) * friction


def lapse_turbo(height_m: float, critical_m: float, deviation_k: float = 0.0) -> float:
    """Share that a turbocharged unit keeps: all to its critical altitude, above it as a naturally aspirated one from
    there. Heating of the charge is not counted. Source: common practice, derived."""
    if critical_m < 0:
        raise InputError(
            "~/unit/critical_altitude",
            "a critical altitude lies at sea level or above",
            given=str(critical_m),
            allowed="zero or more",
        )
    if height_m <= critical_m:
        return 1.0
    kept = density_ratio(height_m, deviation_k)
    with fields(altitude="~/unit/critical_altitude"):
        return lapse_na(kept) / lapse_na(density_ratio(critical_m, deviation_k))


def lapse_turbine(
    flat_w: float, thermodynamic_w: float, height_m: float, deviation_k: float = 0.0, exponent: float = 0.75
) -> float:
    """Power of a flat-rated turbine, W: its flat rating, or what the gas path gives if that is less. A hot day takes a
    hundredth a kelvin off the gas path; a cold one gives nothing. Source: common practice, no source."""
    if thermodynamic_w < flat_w:
        raise InputError(
            "thermodynamic", "the gas path gives less than the flat rating at sea level: look at the two again"
        )
    gas = thermodynamic_w * density_ratio(height_m) ** exponent * (1 - 0.010 * max(0.0, deviation_k))
    return float(min(flat_w, gas))
