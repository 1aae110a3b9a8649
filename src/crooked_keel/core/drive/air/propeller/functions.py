"""Propeller kinematics: tip speed, tip Mach, largest diameters, clearance, turning direction."""

from __future__ import annotations

import math

from ....formula import formula

_SOURCE = "kinematics"


@formula(
    "drive.tip-speed",
    "Vt = ½·D·ω",
    result=("speed", "tip speed"),
    D=("length", "diameter"),
    ω=("rotation", "propeller speed"),
    source=_SOURCE,
    example=(
        (
            1.8,
            240.0,
        ),
        216.0,
    ),
    valid="standing; forward speed adds to it",
)
def tip_speed(diameter_m: float, speed_rad_s: float) -> float:
    """Speed of the tips standing still, m/s."""
    return 0.5 * diameter_m * speed_rad_s


@formula(
    "drive.tip-mach",
    "M = ½·D·ω / a",
    result=("number", "tip Mach number"),
    D=("length", "diameter"),
    ω=("rotation", "propeller speed"),
    a=("speed", "speed of sound, ISA, where the power is wanted"),
    source=f"{_SOURCE}; ICAO Doc 7488 (from memory)",
    example=(
        (
            1.8,
            240.0,
            340.0,
        ),
        0.63529,
    ),
    valid="standing; forward speed adds to it",
)
def tip_mach(diameter_m: float, speed_rad_s: float, sound_m_s: float) -> float:
    """Static tip Mach number."""
    return 0.5 * diameter_m * speed_rad_s / sound_m_s


@formula(
    "drive.helical-mach",
    "M = √(Ms² + (V / a)²)",
    result=("number", "tip Mach number in flight"),
    Ms=("number", "tip Mach number, standing"),
    V=("speed", "airspeed"),
    a=("speed", "speed of sound, ISA, where the power is wanted"),
    source=_SOURCE,
    example=(
        (
            0.8,
            68.0,
            340.0,
        ),
        0.82462,
    ),
)
def helical_mach(standing: float, airspeed_m_s: float, sound_m_s: float) -> float:
    """Tip Mach number in flight: the tips go round and ahead."""
    return math.hypot(standing, airspeed_m_s / sound_m_s)


@formula(
    "drive.diameter-for-mach",
    "D = 2·M·a / ω",
    result=("length", "largest diameter"),
    M=("number", "tip Mach allowed"),
    a=("speed", "speed of sound, ISA, where the power is wanted"),
    ω=("rotation", "propeller speed"),
    source=_SOURCE,
    example=(
        (
            0.7,
            340.0,
            238.0,
        ),
        2.0,
    ),
    valid="standing; forward speed adds to it",
)
def max_diameter_tip(mach: float, sound_m_s: float, speed_rad_s: float) -> float:
    """Largest diameter for a static tip Mach number, m."""
    return 2 * mach * sound_m_s / speed_rad_s


@formula(
    "drive.clearance",
    "c = h·cos(θ) + d·sin(θ) − ½·D·cos(θ)",
    result=("length", "clearance of the tips"),
    h=("length", "height of the hub over the ground, level"),
    d=("length", "hub ahead of the wheel contact"),
    θ=("angle", "nose-up attitude"),
    D=("length", "diameter"),
    source="statics; 14 CFR 23.925 before amendment 64 (from memory)",
    example=(
        (
            1.1,
            1.0,
            0.0,
            1.8,
        ),
        0.2,
    ),
    valid="level ground, tyres and struts as entered",
)
def ground_clearance(hub_height_m: float, hub_ahead_m: float, attitude_rad: float, diameter_m: float) -> float:
    """Tip to ground after turning the craft nose-up about the main wheels' contact, m. Negative: it strikes."""
    return (
        hub_height_m * math.cos(attitude_rad)
        + hub_ahead_m * math.sin(attitude_rad)
        - 0.5 * diameter_m * math.cos(attitude_rad)
    )


@formula(
    "drive.diameter-for-ground",
    "D = 2·(h·cos(θ) + d·sin(θ) − c) / cos(θ)",
    result=("length", "largest diameter"),
    h=("length", "height of the hub over the ground, level"),
    d=("length", "hub ahead of the wheel contact"),
    θ=("angle", "nose-up attitude"),
    c=("length", "clearance wanted"),
    source="statics; 14 CFR 23.925 before amendment 64 (from memory)",
    example=(
        (
            1.1,
            1.0,
            0.0,
            0.2,
        ),
        1.8,
    ),
    valid="level ground, tyres and struts as entered",
)
def max_diameter_ground(hub_height_m: float, hub_ahead_m: float, attitude_rad: float, clearance_m: float) -> float:
    """Largest diameter that leaves a clearance, m; the closed form of `ground_clearance`. Source: statics."""
    return (
        2
        * (hub_height_m * math.cos(attitude_rad) + hub_ahead_m * math.sin(attitude_rad) - clearance_m)
        / math.cos(attitude_rad)
    )


@formula(
    "drive.ideal-thrust",
    "T = ∛(½·ρ·π·D²·P²)",
    result=("force", "most thrust that a propeller can give standing still"),
    ρ=("density", "density of what it turns in"),
    D=("length", "diameter"),
    P=("power", "power at the propeller"),
    source="momentum theory of an actuator disc, Rankine and Froude (from memory)",
    example=(
        (
            1.225,
            2.0,
            60000.0,
        ),
        3026.03,
    ),
    valid="standing, without a duct",
)
def ideal_thrust(density_kg_m3: float, diameter_m: float, power_w: float) -> float:
    """Thrust of an ideal propeller standing still, N. A real one gives 0.5 to 0.8 of it."""
    return math.cbrt(2 * density_kg_m3 * 0.25 * math.pi * diameter_m**2 * power_w**2)
