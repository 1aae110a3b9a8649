"""Heat that is made, carried and given away."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple

from ..errors import InputError
from ..figure.units import ZERO_C_K
from ..formula import formula
from .atmosphere import isa

Arrangement = Literal["counterflow", "parallel", "crossflow"]
CP_AIR_J_KG_K = 1006.0
SEA_WATER_J_M3_K = 1025.0 * 3993.0


class Exchanged(NamedTuple):
    """Number of transfer units, ratio of the two streams, effectiveness, heat W, and how both leave, K."""

    ntu: float
    ratio: float
    effectiveness: float
    heat_w: float
    hot_out_k: float
    cold_out_k: float


def effectiveness(ntu: float, ratio: float, arrangement: Arrangement) -> float:
    """Share of the greatest heat that could pass. ratio: the smaller stream over the larger, 0 to 1.

    Source: Fundamentals of Heat and Mass Transfer, ch. 11; crossflow unmixed is its approximation (from memory)."""
    if ratio < 1e-9:
        return 1 - math.exp(-ntu)
    if arrangement == "counterflow":
        if abs(ratio - 1) < 1e-9:
            return ntu / (1 + ntu)
        e = math.exp(-ntu * (1 - ratio))
        return (1 - e) / (1 - ratio * e)
    if arrangement == "parallel":
        return (1 - math.exp(-ntu * (1 + ratio))) / (1 + ratio)
    return 1 - math.exp(ntu**0.22 / ratio * (math.exp(-ratio * ntu**0.78) - 1))


def exchanged(
    conductance_w_k: float,
    hot_w_k: float,
    cold_w_k: float,
    hot_in_k: float,
    cold_in_k: float,
    arrangement: Arrangement = "crossflow",
) -> Exchanged:
    """What a cooler passes. hot_w_k, cold_w_k: mass flow times specific heat. Raises InputError where the hot side is
    not the hotter."""
    if hot_in_k <= cold_in_k:
        raise InputError("hot", "the hot side is not hotter than what cools it", allowed="hotter than that")
    least, most = min(hot_w_k, cold_w_k), max(hot_w_k, cold_w_k)
    ntu, ratio = conductance_w_k / least, least / most
    share = effectiveness(ntu, ratio, arrangement)
    heat = share * least * (hot_in_k - cold_in_k)
    return Exchanged(ntu, ratio, share, heat, hot_in_k - heat / hot_w_k, cold_in_k + heat / cold_w_k)


@formula(
    "systems.settles",
    "T = Tc + Q / (ε·C)",
    result=("temperature", "where it settles"),
    Tc=("temperature", "of what cools it, at the core"),
    Q=("power", "heat to give away"),
    ε=("number", "effectiveness of the core"),
    C=("conductance", "the smaller stream, flow times specific heat"),
    source="effectiveness and NTU: Fundamentals of Heat and Mass Transfer, ch. 11 (from memory)",
    example=((311.15, 63750.0, 0.674126, 1609.6), 369.902),
    valid="steady; clean core; the air that is meant for it goes through it",
)
def settles(cold_k: float, heat_w: float, share: float, stream_w_k: float) -> float:
    """Temperature at which the hot side settles, K."""
    return cold_k + heat_w / (share * stream_w_k)


def required_conductance(
    heat_w: float,
    hot_w_k: float,
    cold_w_k: float,
    hot_in_k: float,
    cold_in_k: float,
    arrangement: Arrangement = "crossflow",
) -> float:
    """What a core must pass for each kelvin to give that heat away, W/K.

    Raises InputError where not even an endless core would do, or where the hot side is not the hotter."""
    from scipy.optimize import brentq  # asked when somebody looks, and slow to load

    if hot_in_k <= cold_in_k:
        raise InputError("hot", "the hot side is not hotter than what cools it", allowed="hotter than that")
    if heat_w <= 0:
        return 0.0
    least, most = min(hot_w_k, cold_w_k), max(hot_w_k, cold_w_k)
    wanted, ratio = heat_w / (least * (hot_in_k - cold_in_k)), least / most
    if wanted >= effectiveness(1e4, ratio, arrangement):
        raise InputError("heat", "even an endless core cannot give that away: more air, or a hotter coolant, is needed")
    return least * float(brentq(lambda n: effectiveness(n, ratio, arrangement) - wanted, 1e-9, 1e4, xtol=1e-12))


class Coolant(NamedTuple):
    """Density cold (20 °C) and hot (100 °C) kg/m³, specific heat hot J/(kg·K), and how much later it boils than water,
    K (None: not by its water)."""

    cold_kg_m3: float
    hot_kg_m3: float
    specific_j_kg_k: float
    later_k: float | None


# Densities by CoolProp (the tests ask it again); specific heats and what glycol adds to the boiling point: from memory.
COOLANTS: dict[str, Coolant] = {
    "water": Coolant(998.3, 958.4, 4200.0, 0.0),
    "half ethylene glycol": Coolant(1064.9, 1011.5, 3600.0, 7.0),
    "half propylene glycol": Coolant(1039.1, 979.3, 3850.0, 5.0),
    "waterless": Coolant(1120.0, 1046.0, 2600.0, None),
}
# How much the mix may boil earlier or later than said, K. From memory.
BOIL_DOUBT_K = 2.0


def boils_at(gauge_pa: float, height_m: float) -> float:
    """Boiling point of water under a cap at a height, K. Source: Antoine's equation, constants of Lange's Handbook
    (from memory)."""
    mm = (isa(height_m).pressure_pa + gauge_pa) / 133.322368
    for a, b, c, top in ((8.07131, 1730.63, 233.426, 100.0), (8.14019, 1810.94, 244.485, 374.0)):
        t = b / (a - math.log10(mm)) - c
        if t <= top + 0.05:
            break
    return t + ZERO_C_K


@formula(
    "systems.boils-outside",
    "T = Tb − (Th − Ta)",
    result=("temperature", "air outside at which it boils"),
    Tb=("temperature", "boiling point under its cap"),
    Th=("temperature", "where it settles"),
    Ta=("temperature", "air outside then"),
    source="definition of air to boil",
    example=((394.1, 369.9, 311.15), 335.35),
)
def air_to_boil(boil_k: float, top_k: float, air_k: float) -> float:
    """Temperature of the air outside at which the coolant boils, K."""
    return boil_k - (top_k - air_k)


class HeatRatio(NamedTuple):
    """Heat beside brake power: as usual, at the least and at the most."""

    usual: float
    least: float
    most: float


# Heat into coolant or fins beside brake power. Internal Combustion Engine Fundamentals, ch. 12 (from memory), and
# common practice.
HEAT_RATIOS: dict[str, HeatRatio] = {
    "four-stroke": HeatRatio(0.85, 0.6, 1.1),
    "two-stroke": HeatRatio(0.80, 0.6, 1.2),
    "diesel": HeatRatio(0.70, 0.4, 1.0),
    "turbine": HeatRatio(0.02, 0.01, 0.04),
    "electric": HeatRatio(0.11, 0.05, 0.25),
}
FIN_RATIO = HeatRatio(0.70, 0.5, 0.9)


def keel_area(heat_w: float, u_w_m2_k: float, hot_in_k: float, hot_out_k: float, water_k: float) -> float:
    """Area of a keel cooler, m². Raises InputError where the coolant does not stay above the water. Source: log mean
    temperature difference."""
    first, last = hot_in_k - water_k, hot_out_k - water_k
    if last <= 0 or first <= last:
        raise InputError("hot", "the coolant would have to leave colder than the water outside")
    mean = (first - last) / math.log(first / last)
    return heat_w / (u_w_m2_k * mean)


def mixed(gas_kg_s: float, gas_k: float, water_kg_s: float, water_k: float) -> float:
    """Temperature of exhaust gas with the water that is put in, K: an upper bound, for none of it is taken to
    evaporate."""
    gas, water = 1100 * gas_kg_s, 4186 * water_kg_s
    return (gas * gas_k + water * water_k) / (gas + water)


@formula(
    "systems.radiant",
    "q = 0.9·5.670374e-8·F·(T⁴ − To⁴)",
    result=("heat_flux", "heat that shines on it"),
    F=("number", "how much of it sees the hot surface"),
    T=("absolute_temperature", "of the hot surface"),
    To=("absolute_temperature", "of what is near"),
    source="Stefan and Boltzmann; emissivity 0.9 of an oxidised surface (from memory)",
    example=((0.3, 700.0, 330.0), 3494.5),
    valid="nothing between the two",
)
def radiant(view: float, hot_k: float, near_k: float) -> float:
    """Radiant heat, W/m²."""
    return 0.9 * 5.670374e-8 * view * (hot_k**4 - near_k**4)
