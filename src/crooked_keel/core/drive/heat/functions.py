"""Where the oil of a reduction is heading."""

from __future__ import annotations

import math

from ...errors import InputError
from ...formula import formula

# Heat that a kilogram of gear oil takes for a kelvin, J/(kg·K). From memory.
OIL_J_KG_K = 2000.0


@formula(
    "drive.levels-off",
    "Ts = (T1·T3 − T2²) / (T1 + T3 − 2·T2)",
    result=("temperature", "where it levels off"),
    T1=("temperature", "first reading"),
    T2=("temperature", "second, a step later"),
    T3=("temperature", "third, another step later"),
    source="an exponential through three readings at equal steps",
    example=((333.15, 353.15, 363.15), 373.15),
    valid="same power, same air, each rise smaller than the one before",
)
def levels_off(first: float, second: float, third: float) -> float:
    """Temperature that three readings at equal steps are heading for, K. Raises InputError where they do not level
    off."""
    risen, then = second - first, third - second
    if risen <= 0 or not 0 < then < risen:
        raise InputError(
            "third",
            "the oil is not levelling off: no steady figure can be drawn from these three",
            allowed="three rising readings, each step smaller than the one before",
        )
    return (first * third - second**2) / (first + third - 2 * second)


def time_constant(first: float, second: float, third: float, apart_s: float) -> float:
    """Time in which what is left to its last temperature falls to 37 %, s, of three readings that level off."""
    return -apart_s / math.log((third - second) / (second - first))


@formula(
    "drive.cooled-beside",
    "k = (T1 − A1) / (T2 − A2)",
    result=("number", "what its case passes now beside the earlier trial"),
    T1=("temperature", "where it levelled off, earlier"),
    A1=("temperature", "air then"),
    T2=("temperature", "where it levels off now"),
    A2=("temperature", "air now"),
    source="heat balance: the same power and the same loss in both, so neither need be known",
    example=((422.04, 303.15, 391.48, 303.15), 1.34598),
    valid="the same power and speed in both trials",
)
def cooled_beside(earlier_k: float, earlier_air_k: float, now_k: float, air_k: float) -> float:
    """What a case passes to the air now, beside an earlier trial. Raises InputError where oil is no hotter than air."""
    if earlier_k <= earlier_air_k or now_k <= air_k:
        raise InputError("earlier", "the oil cannot have levelled off no hotter than the air", allowed="hotter than it")
    return (earlier_k - earlier_air_k) / (now_k - air_k)


@formula(
    "drive.conductance",
    "U = P·(1 − η) / (Ts − T0)",
    result=("conductance", "heat that its case passes for a kelvin"),
    P=("power", "through it"),
    η=("number", "efficiency"),
    Ts=("temperature", "where it levels off"),
    T0=("temperature", "of the air at that trial"),
    source="heat balance",
    example=((149140.0, 0.98, 422.04, 303.15), 25.0887),
    valid="levelled off, all loss in the oil",
)
def conductance(power_w: float, efficiency: float, steady_k: float, air_k: float) -> float:
    """What a reduction passes to the air, W/K, from a temperature that was observed."""
    return power_w * (1 - efficiency) / (steady_k - air_k)
