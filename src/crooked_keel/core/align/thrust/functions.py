"""Turning the unit about its flange: where everything goes."""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import NamedTuple

import numpy as np

from ...formula import formula
from ...physics.geometry import Vector, thrust_rotation


class TurnedThrust(NamedTuple):
    """Points after the turn, tube lengths to the firewall nodes and unit vectors along the tubes; m."""

    moved: dict[str, Vector]
    tube_length_m: dict[str, float]
    tube_direction: dict[str, Vector]


def rotate_about_flange(
    flange_m: Vector,
    down_rad: float,
    right_rad: float,
    roll_rad: float,
    points_m: Mapping[str, Vector],
    firewall_nodes_m: Mapping[str, Vector],
) -> TurnedThrust:
    """p' = F + R·(p − F); tube = |p' − firewall node|. Points (3,) in craft axes, keyed alike.

    Source: own derivation; compared with an outside rotation library in the tests."""
    r = thrust_rotation(down_rad, right_rad, roll_rad)
    moved = {k: flange_m + r @ (p - flange_m) for k, p in points_m.items()}
    lines = {k: firewall_nodes_m[k] - moved[k] for k in firewall_nodes_m if k in moved}
    lengths = {k: float(np.linalg.norm(v)) for k, v in lines.items()}
    return TurnedThrust(moved, lengths, {k: v / lengths[k] for k, v in lines.items() if lengths[k] > 0})


@formula(
    "align.rear-up",
    "u = L·sin(N)",
    result=("length", "far end of the unit goes up in a tractor, down in a pusher"),
    L=("length", "flange to the far end of the unit"),
    N=("angle", "down thrust"),
    source="trigonometry",
    example=(
        (
            0.8,
            0.5236,
        ),
        0.4,
    ),
)
def rear_up(length_m: float, down_rad: float) -> float:
    """How far the far end of the unit rises when the flange is held, of a tractor; sinks, of a pusher; m."""
    return float(length_m * np.sin(down_rad))


@formula(
    "align.rear-port",
    "p = L·cos(N)·sin(M)",
    result=("length", "far end of the unit goes to port in a tractor, to starboard in a pusher"),
    L=("length", "flange to the far end of the unit"),
    N=("angle", "down thrust"),
    M=("angle", "right thrust"),
    source="trigonometry",
    example=(
        (
            0.8,
            0.0,
            0.5236,
        ),
        0.4,
    ),
)
def rear_port(length_m: float, down_rad: float, right_rad: float) -> float:
    """How far the far end of the unit swings to port when the flange is held, of a tractor; to starboard, of a
    pusher; m."""
    return float(length_m * np.cos(down_rad) * np.sin(right_rad))


@formula(
    "align.firewall-distance",
    "d = s·(xw − xf)",
    result=("length", "flange to firewall"),
    s=("number", "1 where the unit lies aft of its flange, −1 ahead of it"),
    xw=("length", "station of the firewall"),
    xf=("length", "station of the flange"),
    source="geometry",
    example=(
        (
            -1.0,
            0.3,
            0.9,
        ),
        0.6,
    ),
)
def firewall_distance(side: float, firewall_m: float, flange_m: float) -> float:
    """From the output flange to the firewall, along the craft on the side where the unit lies, m."""
    return side * (firewall_m - flange_m)


@formula(
    "align.rear-clearance",
    "c = d − a",
    result=("length", "unit to firewall"),
    d=("length", "flange to firewall"),
    a=("length", "nearest rim of the turned unit, from the flange"),
    source="geometry",
    example=(
        (
            0.6,
            0.5,
        ),
        0.1,
    ),
)
def rear_clearance(distance_m: float, reach_m: float) -> float:
    """From the nearest rim of the far end of the unit to the firewall, m."""
    return distance_m - reach_m


@formula(
    "align.tube",
    "l = √(Δx² + Δy² + Δz²)",
    result=("length", "tube, centre to centre"),
    Δx=("length", "aft"),
    Δy=("length", "to starboard"),
    Δz=("length", "up"),
    source="geometry",
    example=(
        (
            0.2,
            0.3,
            0.6,
        ),
        0.7,
    ),
)
def tube_length(x_m: float, y_m: float, z_m: float) -> float:
    """Length of a tube, m."""
    return math.hypot(x_m, y_m, z_m)


def rear_disc_reach(rotation: np.ndarray, centre_local_m: Vector, radius_m: float, side: int = 1) -> float:
    """How far the rim of a disc square to the shaft reaches from the flange, aft (side 1) or forward (−1):
    s·(R·c)_x + r·√(1 − R₀₀²), m. Source: trigonometry."""
    # Row 0 is a unit vector: its other two parts say √(1 − R₀₀²) without losing small turns to rounding.
    return side * float(rotation[0] @ centre_local_m) + radius_m * float(np.hypot(rotation[0, 1], rotation[0, 2]))


def expected_right_sign(turns: int, side: int) -> int:
    """+1 if the trade would turn the thrust to the right, −1 to the left. turns: +1 clockwise seen from aft; side: +1
    tractor, −1 pusher.

    Source: FAA-H-8083-25, aerodynamics chapter (from memory): P-factor and torque of a clockwise propeller swing the
    nose to the left. Thrust to the right swings it back where it acts ahead of the CG; behind the CG thrust to the left
    does (statics)."""
    return turns * side
