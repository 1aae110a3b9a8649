"""The sign table of design §2, in the words of the trade, and turns against scipy."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from crooked_keel.core.physics.geometry import (
    cross,
    rotation_x,
    rotation_y,
    rotation_z,
    skew,
    thrust_direction,
    thrust_rotation,
    torque_about_x,
)

STARBOARD, NOSE, TOP = np.array([0, 1.0, 0]), np.array([-1.0, 0, 0]), np.array([0, 0, 1.0])
ANGLES = st.floats(-0.5, 0.5)


def test_turning_about_x_raises_starboard() -> None:
    assert (rotation_x(0.1) @ STARBOARD)[2] > 0


def test_turning_about_y_lifts_the_nose() -> None:
    assert (rotation_y(0.1) @ NOSE)[2] > 0


def test_turning_about_z_swings_the_nose_to_port() -> None:
    assert (rotation_z(0.1) @ NOSE)[1] < 0


def test_down_thrust_points_down_and_right_thrust_to_starboard() -> None:
    down = thrust_direction(thrust_rotation(math.radians(2), 0))
    right = thrust_direction(thrust_rotation(0, math.radians(2)))
    assert down[2] == pytest.approx(-math.sin(math.radians(2)))
    assert right[1] == pytest.approx(math.sin(math.radians(2)))


def test_rear_goes_up_for_down_thrust_and_to_port_for_right_thrust() -> None:
    rear = thrust_rotation(math.radians(1), math.radians(1)) @ np.array([1.0, 0, 0])
    assert rear[2] > 0 and rear[1] < 0


def test_clockwise_torque_is_about_minus_x() -> None:
    assert torque_about_x(10.0) == -10.0


@given(ANGLES, ANGLES, ANGLES)
def test_order_of_turns_against_scipy(down: float, right: float, roll: float) -> None:
    """Pitch first, then yaw about the craft's vertical; scipy's Rotation as oracle."""
    oracle = Rotation.from_euler("ZYX", [-right, -down, roll]).as_matrix()
    assert np.allclose(thrust_rotation(down, right, roll), oracle, atol=1e-14)


@given(st.lists(st.floats(-10, 10), min_size=6, max_size=6))
def test_cross_and_skew_against_numpy(numbers: list[float]) -> None:
    a, b = np.array(numbers[:3]), np.array(numbers[3:])
    assert np.allclose(cross(a, b), np.cross(a, b))
    assert np.allclose(skew(a) @ b, np.cross(a, b))
