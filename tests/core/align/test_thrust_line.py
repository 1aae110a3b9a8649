"""Turning about the flange: worked cases 12 and 36, plain trigonometry."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.align.thrust.functions import (
    expected_right_sign,
    rear_disc_reach,
    rear_port,
    rear_up,
    rotate_about_flange,
)
from crooked_keel.core.physics.geometry import thrust_rotation

FLANGE = np.array([0.0, 0.0, 0.30])
DOWN, RIGHT = math.radians(1), math.radians(2.5)
POINTS = {
    "UL": np.array([0.60, -0.16, 0.42]),
    "UR": np.array([0.60, 0.16, 0.42]),
    "LL": np.array([0.60, -0.16, 0.14]),
    "LR": np.array([0.60, 0.16, 0.14]),
}
NODES = {
    "UL": np.array([0.8128, -0.20, 0.46]),
    "UR": np.array([0.8128, 0.20, 0.46]),
    "LL": np.array([0.8128, -0.20, 0.06]),
    "LR": np.array([0.8128, 0.20, 0.06]),
}


def test_12_turn_matrix() -> None:
    expected = [[0.998896, 0.0436194, -0.0174358], [-0.0436127, 0.9990482, 0.00076126], [0.0174524, 0, 0.9998477]]
    assert np.allclose(thrust_rotation(DOWN, RIGHT), expected, atol=5e-7)


@pytest.mark.parametrize(("inches", "port", "up"), [(32, 1.396, 0.5585), (43, 1.875, 0.7505)])
def test_12_rear_of_the_unit_by_plain_trigonometry(inches: float, port: float, up: float) -> None:
    length = inches * 0.0254
    assert rear_port(length, DOWN, RIGHT) / 0.0254 == pytest.approx(port, abs=6e-4)
    assert rear_up(length, DOWN) / 0.0254 == pytest.approx(up, abs=6e-5)
    rear = thrust_rotation(DOWN, RIGHT) @ np.array([length, 0, 0])
    assert (-rear[1], rear[2]) == (pytest.approx(rear_port(length, DOWN, RIGHT)), pytest.approx(rear_up(length, DOWN)))


def test_12_mount_points_and_tubes() -> None:
    turned = rotate_about_flange(FLANGE, DOWN, RIGHT, 0.0, POINTS, NODES)
    assert turned.moved["UL"] == pytest.approx([0.59027, -0.18592, 0.43045], abs=5e-6)
    assert turned.moved["UR"] == pytest.approx([0.60422, 0.13377, 0.43045], abs=5e-6)
    assert turned.moved["LL"] == pytest.approx([0.59515, -0.18614, 0.15050], abs=5e-6)
    assert turned.moved["LR"] == pytest.approx([0.60911, 0.13356, 0.15050], abs=5e-6)
    lengths = {k: v * 1000 for k, v in turned.tube_length_m.items()}
    assert lengths == pytest.approx({"UL": 224.93, "UR": 220.82, "LL": 236.12, "LR": 232.58}, abs=5e-3)
    straight = rotate_about_flange(FLANGE, 0, 0, 0, POINTS, NODES).tube_length_m
    assert straight["UL"] * 1000 == pytest.approx(220.19, abs=5e-3)


def test_36_direction_of_a_tube() -> None:
    turned = rotate_about_flange(FLANGE, DOWN, RIGHT, 0.0, POINTS, NODES)
    direction = turned.tube_direction["UL"]
    assert direction == pytest.approx([0.98936, -0.06258, 0.13136], abs=5e-6)
    assert math.degrees(math.acos(direction[0])) == pytest.approx(8.37, abs=5e-3)


@given(st.floats(-0.1, 0.1), st.floats(-0.1, 0.1), st.floats(0.1, 1.0), st.floats(0.02, 0.3))
def test_reach_of_the_rear_disc_against_points_round_its_rim(
    down: float, right: float, length: float, radius: float
) -> None:
    r = thrust_rotation(down, right)
    rim = [r @ np.array([length, radius * math.cos(t), radius * math.sin(t)]) for t in np.linspace(0, 2 * math.pi, 721)]
    reach = rear_disc_reach(r, np.array([length, 0, 0]), radius)
    assert reach == pytest.approx(max(p[0] for p in rim), abs=1e-5)
    assert reach >= max(p[0] for p in rim) - 1e-12


@given(st.floats(-0.1, 0.1), st.floats(-0.1, 0.1))
def test_turning_keeps_distances_to_the_flange(down: float, right: float) -> None:
    turned = rotate_about_flange(FLANGE, down, right, 0.0, POINTS, NODES)
    for key, point in POINTS.items():
        assert np.linalg.norm(turned.moved[key] - FLANGE) == pytest.approx(np.linalg.norm(point - FLANGE))


def test_side_of_the_thrust_line() -> None:
    """FAA-H-8083-25, aerodynamics (from memory): a clockwise tractor asks for right thrust; a pusher the other way."""
    assert expected_right_sign(1, 1) == 1
    assert expected_right_sign(-1, 1) == -1
    assert expected_right_sign(1, -1) == -1
