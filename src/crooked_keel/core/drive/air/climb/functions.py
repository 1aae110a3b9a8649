"""Climb and level speed scaled from what was flown before."""

from __future__ import annotations

from ....figure.units import G0_M_S2
from ....formula import formula

# Of the power that she asks for at her best climb, the share that goes with the square of weight. From memory: 0.4 to
# 0.75.
INDUCED, INDUCED_LOW, INDUCED_HIGH = 0.5, 0.4, 0.75


@formula(
    "drive.power-asked",
    "Pr = U − 9.80665·m·w",
    result=("power", "that level flight asked for, at that airspeed"),
    U=("power", "useful, of the propeller before"),
    m=("mass", "before"),
    w=("climb", "rate of climb before"),
    source="energy",
    example=((55779.0, 612.35, 5.334), 23747.8),
    valid="same airspeed and height",
)
def power_asked(useful_w: float, mass_kg: float, climb_m_s: float) -> float:
    """Power that level flight asked for at the airspeed of the climb, W."""
    return useful_w - G0_M_S2 * mass_kg * climb_m_s


@formula(
    "drive.climb-rate",
    "w = (U − Pr·((1 − f) + f·(m/m0)²)) / (9.80665·m)",
    result=("climb", "rate of climb"),
    U=("power", "useful, of the propeller now"),
    Pr=("power", "that level flight asked for before"),
    m=("mass", "now"),
    m0=("mass", "before"),
    f=("number", "share that goes with weight"),
    source="energy; induced power with the square of weight",
    example=((78299.0, 23747.0, 589.67, 612.35, 0.5), 9.58296),
    valid="same airspeed, height and wing",
)
def climb_rate(useful_w: float, asked_w: float, mass_kg: float, before_kg: float, induced: float) -> float:
    """Rate of climb, m/s, scaled from before."""
    share = (1 - induced) + induced * (mass_kg / before_kg) ** 2
    return (useful_w - asked_w * share) / (G0_M_S2 * mass_kg)


@formula(
    "drive.top-speed",
    "V = V0·∛(U / U0)",
    result=("road_speed", "level, full throttle"),
    V0=("road_speed", "before"),
    U=("power", "useful at that speed, of the propeller now"),
    U0=("power", "useful at that speed, of the propeller before"),
    source="drag with the square of speed",
    example=((54.0167, 150.0, 110.0), 59.9012),
    valid="weight, cooling and height as before: an estimate, no bound",
)
def top_speed(before_m_s: float, useful_w: float, before_w: float) -> float:
    """Level speed at full throttle, m/s, scaled from before."""
    return float(before_m_s * (useful_w / before_w) ** (1 / 3))
