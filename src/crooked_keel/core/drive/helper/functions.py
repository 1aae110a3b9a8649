"""A motor that an engine turns at its own speed."""

from __future__ import annotations

from ...formula import formula


@formula(
    "drive.back-voltage",
    "U = n / k",
    result=("voltage", "voltage that it makes"),
    n=("rotation", "speed"),
    k=("rotation", "speed of one volt, no load"),
    source="definition of that figure",
    example=((942.478, 6.28319), 150.0),
    valid="peak from line to line, as a controller sees it: ask whether its maker means that",
)
def back_voltage(speed_rad_s: float, of_one_volt_rad_s: float) -> float:
    """Voltage of a motor that is turned, V."""
    return speed_rad_s / of_one_volt_rad_s


@formula(
    "drive.both-torque",
    "T = Te + Tm",
    result=("torque", "both together"),
    Te=("torque", "engine, greatest"),
    Tm=("torque", "motor, greatest"),
    source="one shaft, one speed",
    example=((95.0, 40.0), 135.0),
    valid="as if both gave their greatest at one speed: no less than they do",
)
def both_torque(engine_n_m: float, motor_n_m: float) -> float:
    """Torque of both on one shaft, N·m."""
    return engine_n_m + motor_n_m
