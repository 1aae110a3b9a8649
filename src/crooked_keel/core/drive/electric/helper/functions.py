"""A motor that an engine turns at its own speed."""

from __future__ import annotations

from ....formula import formula


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


@formula(
    "drive.round-energy",
    "E = T·n·t / η − Tc·nc·tc·η",
    result=("energy", "out of the pack, a round"),
    T=("torque", "it pushes with"),
    n=("rotation", "at"),
    t=("short_time", "for"),
    Tc=("torque", "it charges with"),
    nc=("rotation", "at"),
    tc=("short_time", "for"),
    η=("percent", "through motor and controller, each way"),
    source="power is kept",
    example=((40.0, 628.319, 20.0, 15.0, 523.599, 30.0, 0.85), 391082.4),
    valid="the same losses both ways; a pack that takes what it is given",
)
def round_energy(
    torque_n_m: float,
    speed_rad_s: float,
    time_s: float,
    back_n_m: float,
    back_rad_s: float,
    back_s: float,
    passes: float,
) -> float:
    """Energy out of the pack in a round, J; less than nothing where more is put in."""
    return torque_n_m * speed_rad_s * time_s / passes - back_n_m * back_rad_s * back_s * passes
