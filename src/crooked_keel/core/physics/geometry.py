"""Axes, signs and turning. x aft, y starboard, z up; right-handed; SI and radians.

| word | about | sign | |---|---|---| | down thrust N | y | R_y(−N): the thrust end goes down | | right thrust M | z |
R_z(−M): the thrust end goes to starboard | | nose up | y | +R_y | | starboard down (heel) | x | −R_x | | torque,
clockwise seen from aft looking forward | x | −x; converted in `torque_about_x` only |
"""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

Vector = NDArray[np.float64]
Matrix = NDArray[np.float64]


def rotation_x(angle_rad: float) -> Matrix:
    """Right-handed turn about +x: +raises the starboard side."""
    c, s = math.cos(angle_rad), math.sin(angle_rad)
    return np.array([[1.0, 0, 0], [0, c, -s], [0, s, c]])


def rotation_y(angle_rad: float) -> Matrix:
    """Right-handed turn about +y: + lifts the nose."""
    c, s = math.cos(angle_rad), math.sin(angle_rad)
    return np.array([[c, 0, s], [0, 1.0, 0], [-s, 0, c]])


def rotation_z(angle_rad: float) -> Matrix:
    """Right-handed turn about +z: + swings the nose to port."""
    c, s = math.cos(angle_rad), math.sin(angle_rad)
    return np.array([[c, -s, 0], [s, c, 0], [0, 0, 1.0]])


def thrust_rotation(down_rad: float, right_rad: float, roll_rad: float = 0.0) -> Matrix:
    """R_z(−right)·R_y(−down)·R_x(roll): pitch first, then yaw about the craft's vertical. 3×3.

    The order follows from what is measured: down is the elevation a level shows on the flange, right is the angle in
    plan. Source: own derivation; compared with an outside rotation library in the tests."""
    return rotation_z(-right_rad) @ rotation_y(-down_rad) @ rotation_x(roll_rad)


def thrust_direction(rotation: Matrix) -> Vector:
    """Unit vector along the shaft, forward. Shape (3,)."""
    return np.asarray(rotation @ np.array([-1.0, 0.0, 0.0]))


def shaft_direction(falls_aft_rad: float) -> Vector:
    """Unit vector along a shaft that falls going aft, forward: (−cos ε, 0, sin ε). Shape (3,)."""
    return np.array([-math.cos(falls_aft_rad), 0.0, math.sin(falls_aft_rad)])


def torque_about_x(torque_clockwise_n_m: float) -> float:
    """Torque, positive clockwise seen from aft looking forward → moment about +x, N·m. The one conversion."""
    return -torque_clockwise_n_m


def skew(v: Vector) -> Matrix:
    """Matrix S with S·w = v × w."""
    return np.array([[0, -v[2], v[1]], [v[2], 0, -v[0]], [-v[1], v[0], 0]], dtype=float)


def cross(a: Vector, b: Vector) -> Vector:
    """a × b for two vectors (3,), or (3, n) columns; several times quicker than the general routine."""
    return np.array([a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]])
