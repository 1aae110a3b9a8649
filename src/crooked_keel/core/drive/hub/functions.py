"""Pressure on the flats of an axle that a motor turns back against its frame."""

from __future__ import annotations

from ...formula import formula


@formula(
    "drive.flat-pressure",
    "p = 6·T / (t·b²)",
    result=("stress", "pressure at the edge of the flats"),
    T=("torque", "torque of the wheel"),
    t=("bore", "thickness of the dropout"),
    b=("bore", "length of a flat across the axle"),
    source="statics: pressure that rises from the middle of each flat to its edge",
    example=((60.0, 0.006, 0.012), 416.667e6),
    valid="one dropout carries all of it; no play, nut tight, both flats bearing",
)
def flat_pressure(torque_n_m: float, thick_m: float, flat_m: float) -> float:
    """Greatest pressure between the flats of an axle and its dropout, Pa."""
    return 6 * torque_n_m / (thick_m * flat_m**2)
