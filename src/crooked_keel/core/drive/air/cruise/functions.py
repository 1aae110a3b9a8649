"""Level flight by two points that were flown before."""

from __future__ import annotations

import math

from ....errors import InputError
from ....figure.units import G0_M_S2
from ....formula import formula


def drag_terms(climb_m_s: float, climb_w: float, top_m_s: float, top_w: float) -> tuple[float, float]:
    """Terms of the power of level flight, P = a·V³ + b/V, through two points: kg/m (a) and W·m/s (b), as flown.

    Source: parabolic polar. Raises InputError where no polar goes through both."""
    if top_m_s <= climb_m_s * 1.05:
        said = "level at full throttle it must be faster than in its best climb"
        raise InputError("top", said, allowed="a faster one")
    a = (top_w - climb_w * climb_m_s / top_m_s) / (top_m_s**3 - climb_m_s**4 / top_m_s)
    b = (climb_w - a * climb_m_s**3) * climb_m_s
    if a <= 0 or b < 0:
        raise InputError(
            "top",
            "no drag goes through that climb and that speed: one of them, the mass or the pitch before is not right",
            allowed="figures flown with one propeller at one mass",
        )
    return a, b


@formula(
    "drive.level-power",
    "P = a·σ·V·V² + b·(m/m0)² / (σ·V)",
    result=("power", "useful, that level flight asks for"),
    a=("number", "drag of the shape"),
    b=("number", "drag of the lift"),
    σ=("number", "density beside sea level"),
    V=("speed", "true airspeed"),
    m=("mass", "now"),
    m0=("mass", "as flown before"),
    source="parabolic polar through the climb and the level speed that were flown",
    example=((0.25, 300000.0, 0.9, 40.0, 550.0, 500.0), 24483.3),
    valid="wing and cowl as they were",
)
def level_power(a: float, b: float, sigma: float, airspeed_m_s: float, mass_kg: float, before_kg: float) -> float:
    """Useful power of level flight, W."""
    return a * sigma * airspeed_m_s**3 + b * (mass_kg / before_kg) ** 2 / (sigma * airspeed_m_s)


@formula(
    "drive.cruise-power",
    "P = U / (ηp·ηt)",
    result=("power", "of the unit at cruise"),
    U=("power", "useful, that level flight asks for"),
    ηp=("number", "propeller, by blade elements"),
    ηt=("number", "train"),
    source="definition of efficiency",
    example=((24000.0, 0.75, 0.96), 33333.3),
)
def cruise_power(useful_w: float, propeller: float, train: float) -> float:
    """Power of the unit at cruise, W."""
    return useful_w / (propeller * train)


@formula(
    "drive.cruise-time",
    "t = V·ρ / (c·P) − tr",
    result=("hours", "time at cruise with the reserve left"),
    V=("volume", "fuel that can be used"),
    ρ=("density", "of the fuel"),
    c=("consumption", "fuel for its work"),
    P=("power", "of the unit at cruise"),
    tr=("hours", "reserve"),
    source="definition; reserve by 14 CFR 91.151 (from memory): 30 min by day, 45 by night",
    example=((0.075, 720.0, 7.60347e-8, 70841.5, 1800.0), 8225.2),
    valid="the unit's consumption holds at part throttle: most burn more for their work there",
)
def cruise_time(
    fuel_m3: float, density_kg_m3: float, consumption_kg_j: float, power_w: float, reserve_s: float
) -> float:
    """Time until only the reserve is left, s; negative where the reserve alone wants more than there is."""
    return fuel_m3 * density_kg_m3 / (consumption_kg_j * power_w) - reserve_s


@formula(
    "drive.climb-there",
    "w = (U − P / √(σ)) / (9.80665·m)",
    result=("climb", "rate of climb at height"),
    U=("power", "useful, of the propeller there"),
    P=("power", "that level flight asks for low down, at the same airspeed shown"),
    σ=("number", "density beside sea level"),
    m=("mass", "now"),
    source="energy; drag at one airspeed shown is one drag, flown faster",
    example=((30000.0, 20000.0, 0.81, 500.0), 1.586),
    valid="steady; the airspeed shown is that of the best climb low down",
)
def climb_there(useful_w: float, asked_w: float, sigma: float, mass_kg: float) -> float:
    """Rate of climb at height, m/s, at the airspeed shown of the best climb low down."""
    return (useful_w - asked_w / math.sqrt(sigma)) / (G0_M_S2 * mass_kg)
