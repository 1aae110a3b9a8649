"""Marine propeller: worked cases C15 and C33 and facts of the trade."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.drive.water.marine.functions import (
    apparent_slip,
    crouch_factor,
    crouch_speed,
    diameter_quick,
    displacement_speed,
    hull_clearance_share,
    hull_limit,
    propeller_pitch,
    slip_estimate,
    speed_by_before,
    tip_clearance_share,
)
from crooked_keel.core.errors import InputError

KN, RPM, HP, LB, IN, FT = 1852 / 3600, math.pi / 30, 745.6998715822702, 0.45359237, 0.0254, 0.3048


def test_c15_slip_and_pitch() -> None:
    """26 kn, 1500 rpm at the shaft: slip 0.21857, pitch 26.956 in. Propeller handbook ch. 4-5 (from memory)."""
    slip = slip_estimate(26 * KN)
    assert slip == pytest.approx(0.21857, abs=5e-6)
    assert propeller_pitch(26 * KN, 1500 * RPM, slip) / IN == pytest.approx(26.956, abs=1e-2)


def test_c15_crouch_both_ways() -> None:
    """27000 lb and 873 shp at 26 kn: C 144.59; the old 727.5 shp gave 23.735 kn."""
    c = crouch_factor(26 * KN, 27000 * LB, 873 * HP)
    assert c == pytest.approx(144.59, abs=5e-3)
    assert crouch_speed(c, 27000 * LB, 727.5 * HP) / KN == pytest.approx(23.735, abs=1e-3)


def test_c33_displacement_and_hull_limit() -> None:
    """400 lb/hp on 30 ft: S/L 1.4475, 7.928 kn; 20 long tons on 30 ft: hull limit 1.0581, the lower governs."""
    feet = 30 * FT
    light = 400 * 10 * LB
    assert displacement_speed(feet, light, 10 * HP) / KN == pytest.approx(
        min(1.4475, hull_limit(feet, light)) * math.sqrt(30), abs=1e-3
    )
    assert pytest.approx(1.4475, abs=5e-5) == 10.665 / 400 ** (1 / 3)
    assert hull_limit(feet, 20 * 2240 * LB) == pytest.approx(1.0581, abs=5e-5)
    heavy = displacement_speed(feet, 20 * 2240 * LB, 500 * HP)
    assert heavy / KN == pytest.approx(1.0581 * math.sqrt(30), abs=1e-3)


@pytest.mark.parametrize(("blades", "inches"), [(3, 26.52), (4, 24.93), (2, 27.84)])
def test_c33_diameter(blades: int, inches: float) -> None:
    assert diameter_quick(436.5 * HP, 1500 * RPM, blades) / IN == pytest.approx(inches, abs=8e-3)


@given(st.floats(2, 40), st.floats(200, 3000), st.floats(0.05, 0.5))
def test_slip_is_the_inverse_of_pitch(knots: float, rpm: float, slip: float) -> None:
    pitch = propeller_pitch(knots * KN, rpm * RPM, slip)
    assert apparent_slip(knots * KN, pitch, rpm * RPM) == pytest.approx(slip)


@given(st.floats(1, 60))
def test_slip_stays_on_the_published_line(knots: float) -> None:
    assert 0.18 <= slip_estimate(knots * KN) <= 0.5


def test_known_speed_is_scaled_not_replaced() -> None:
    assert speed_by_before(6.6, 7.0, 7.0) == 6.6
    assert speed_by_before(6.6, 7.7, 7.0) == pytest.approx(7.26)


@pytest.mark.parametrize(("rpm", "share"), [(250, 0.10), (900, 0.15), (1800, 0.15), (2400, 0.20)])
def test_clearance_asked_by_speed(rpm: float, share: float) -> None:
    """Common practice, no source."""
    assert tip_clearance_share(rpm * RPM) == share


def test_clearance_by_hand() -> None:
    assert hull_clearance_share(0.345, 0.508) == pytest.approx((0.345 - 0.254) / 0.508)


def test_what_is_refused() -> None:
    with pytest.raises(InputError, match="speed above zero"):
        slip_estimate(0)
    with pytest.raises(InputError, match="two, three and four blades"):
        diameter_quick(1e4, 100.0, 5)
    with pytest.raises(InputError, match="above zero"):
        diameter_quick(0, 100.0, 3)
