"""Road lines: worked cases 16-20; a fast Fourier transform as second route for the dial."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.align.chain.functions import (
    CHAIN_ANGLE_RAD,
    axle_spacers,
    chain_offset_limit,
    compound_angle,
    joint_limit,
    joint_variation,
    line_angle,
    line_offset,
    port_spacer,
    runout_of_bore,
)
from crooked_keel.core.errors import InputError

THOU, RPM = 0.0254e-3, math.pi / 30


def test_case_16_straightedge() -> None:
    """1.2 and 2.4 mm over 100 mm: 0.6875°, 8.64 mm at 620 mm; limits 1/300 and 1 mm: both far over."""
    angle = line_angle(2.4e-3, 1.2e-3, 0.1)
    assert math.degrees(angle) == pytest.approx(0.6875, abs=1e-4)
    assert line_offset(1.2e-3, angle, 0.62) * 1000 == pytest.approx(8.64)
    assert angle > 2 * CHAIN_ANGLE_RAD
    assert chain_offset_limit(0.62) == 0.001 and chain_offset_limit(2.0) == 0.002


def test_case_18_spacers() -> None:
    """Inside 235, hub 160, rim 4 mm to starboard of the hub: 33.5 and 41.5 mm; wanted 6 mm over: 39.5 and 35.5 mm."""
    assert axle_spacers(0.235, 0.160, 0.004, 0.0) == pytest.approx((0.0335, 0.0415))
    assert axle_spacers(0.235, 0.160, 0.004, 0.006) == pytest.approx((0.0395, 0.0355))
    assert port_spacer(0.235, 0.160, 0.0, 0.004) == pytest.approx(0.0335)
    assert axle_spacers(0.235, 0.160, 0.004, 0.06) == pytest.approx((0.0935, -0.0185))  # one under zero: it cannot be


@given(st.floats(0.18, 0.30), st.floats(0.10, 0.17), st.floats(-0.01, 0.01), st.floats(-0.01, 0.01))
def test_spacers_and_hub_fill_the_arms(inside: float, hub: float, rim: float, target: float) -> None:
    s = axle_spacers(inside, hub, rim, target)
    assert s.port_m + hub + s.starboard_m == pytest.approx(inside)
    assert -inside / 2 + s.port_m + hub / 2 + rim == pytest.approx(target)


def test_case_19_bore() -> None:
    """Eight readings: eccentricity 3.297 thou toward 57.8°, ovality 4.243 thou on the diameter, raw reading 7.5."""
    read = [3, 1.5, 0.5, 2.5, 6.5, 8, 6, 4]
    made = runout_of_bore([(math.radians(45 * i), v * THOU) for i, v in enumerate(read)])
    assert made.eccentricity_m / THOU == pytest.approx(3.297, abs=5e-4)
    assert math.degrees(made.centre_rad) == pytest.approx(57.8, abs=0.05)
    assert made.ovality_m / THOU == pytest.approx(4.243, abs=5e-4)
    assert made.total_m / THOU == pytest.approx(7.5)
    assert made.misfit_m / THOU == pytest.approx(0.028, abs=1e-3)


@given(st.lists(st.floats(-1e-3, 1e-3), min_size=8, max_size=8))
def test_harmonics_agree_with_a_fourier_transform(read: list[float]) -> None:
    """numpy.fft on eight even readings gives the same first and second harmonic."""
    made = runout_of_bore([(math.radians(45 * i), v) for i, v in enumerate(read)])
    there = np.fft.rfft(read) / 4
    assert made.eccentricity_m == pytest.approx(abs(there[1]), abs=1e-12)
    assert made.ovality_m == pytest.approx(4 * abs(there[2]), abs=1e-12)


@given(st.floats(0, 2 * math.pi), st.floats(1e-5, 1e-3))
def test_the_centre_lies_toward_the_low_reading(way: float, off: float) -> None:
    """A round bore moved off the axis: the dial, plunger in positive, reads least where the wall has gone away."""
    made = runout_of_bore([(a, -off * math.cos(a - way)) for a in np.linspace(0, 2 * math.pi, 8, endpoint=False)])
    assert math.cos(made.centre_rad - way) == pytest.approx(1.0, abs=1e-9)
    assert made.eccentricity_m == pytest.approx(off)


def test_too_few_readings() -> None:
    with pytest.raises(InputError, match="five readings"):
        runout_of_bore([(0, 0.0), (1, 0.0), (2, 0.0), (3, 0.0)])
    with pytest.raises(InputError, match="go round"):
        runout_of_bore([(0.0, 0.0)] * 8)


@pytest.mark.parametrize(("degrees", "share"), [(6, 0.010986), (10, 0.030619), (15, 0.069350)])
def test_case_17_joint(degrees: float, share: float) -> None:
    """sin β·tan β; and by turning the joint through a full turn: largest less smallest speed ratio."""
    b = math.radians(degrees)
    assert joint_variation(b) == pytest.approx(share, abs=1e-6)
    turn = np.linspace(0, 2 * math.pi, 2001)
    ratio = math.cos(b) / (1 - math.sin(b) ** 2 * np.cos(turn) ** 2)
    assert ratio.max() - ratio.min() == pytest.approx(share, abs=1e-6)


def test_case_17_compound() -> None:
    assert math.degrees(compound_angle(math.radians(4), math.radians(3))) == pytest.approx(4.994, abs=5e-4)


@pytest.mark.parametrize(("rpm", "degrees"), [(5000, 3.25), (3000, 5.83), (1500, 11.5), (800, 11.5), (10000, 1.625)])
def test_joint_angle_by_speed(rpm: float, degrees: float) -> None:
    """Driveline makers' table (from memory)."""
    assert math.degrees(joint_limit(rpm * RPM)) == pytest.approx(degrees, abs=1e-3)


@given(st.floats(1600, 4900))
def test_joint_angle_falls_with_speed(rpm: float) -> None:
    assert joint_limit(rpm * RPM) > joint_limit((rpm + 50) * RPM)


def test_a_joint_that_stands_still() -> None:
    with pytest.raises(InputError):
        joint_limit(0)
