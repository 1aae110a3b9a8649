"""Pressure on the flats of an axle that a motor turns back against its frame, and pull of the spokes that it turns."""

from __future__ import annotations

import math

from ....formula import formula


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


@formula(
    "drive.spoke-pull",
    "σ = 8·T / (n·D·π·d²)",
    result=("stress", "what the torque adds to a spoke that pulls"),
    T=("torque", "torque of the wheel"),
    n=("count", "spokes"),
    D=("length", "circle on which they sit in the hub"),
    d=("bore", "a spoke, at its thinnest"),
    source="statics: half of the spokes gain what the other half lose, all along the tangent",
    example=((400.0, 36.0, 0.2, 0.003), 15.719e6),
    valid="crossed so that each leaves the hub along its tangent, and none goes slack",
)
def spoke_pull(torque_n_m: float, count: float, circle_m: float, diameter_m: float) -> float:
    """Stress that the torque of a hub adds to its pulling spokes, Pa."""
    return 8 * torque_n_m / (count * circle_m * math.pi * diameter_m**2)
