"""Rake, trail and anti-squat: worked cases, and the geometry turned round. Textbook of motorcycle dynamics (from
memory)."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.balance.wheels.steering import (
    SteeringPoint,
    anti_squat,
    force_centre,
    ground_trail,
    rake_trail_after_pitch,
    steepest_hill,
    top_run,
)
from crooked_keel.core.errors import InputError


def test_w28_rake_and_trail() -> None:
    rake = math.radians(25)
    assert ground_trail(0.30, rake, 0.035) == pytest.approx(0.101274, abs=1e-6)
    after = rake_trail_after_pitch(rake, 0.035, 0.30, 1.405, 0.0, 0.015)
    assert (math.degrees(after.rake_rad), after.trail_m) == (
        pytest.approx(24.3883, abs=1e-4),
        pytest.approx(0.097583, abs=1e-6),
    )
    with pytest.raises(InputError, match="wheelbase"):
        rake_trail_after_pitch(rake, 0.035, 0.30, 0.0, 0, 0)


def test_w28_a_swinging_unit() -> None:
    """Pivot (0.86, 0.29), contact 1.345, z 0.66: 121.853 %; after a stretch by 60 mm 127.288 %."""
    assert anti_squat(SteeringPoint(0.86, 0.29), 1.345, 0.66, 1.345) == pytest.approx(1.21853, abs=1e-5)
    assert anti_squat(SteeringPoint(0.92, 0.29), 1.405, 0.66, 1.405) == pytest.approx(1.27288, abs=1e-5)


def test_w28_a_chain() -> None:
    centre = force_centre(
        SteeringPoint(0.90, 0.40), SteeringPoint(1.40, 0.32), (SteeringPoint(0.83, 0.47), SteeringPoint(1.405, 0.44))
    )
    assert centre is not None and centre == pytest.approx((0.284677, 0.498452), abs=1e-6)
    assert anti_squat(centre, 1.40, 0.60, 1.40) == pytest.approx(1.04280, abs=1e-5)
    assert force_centre(SteeringPoint(0, 0), SteeringPoint(1, 0), (SteeringPoint(0, 1), SteeringPoint(1, 1))) is None
    with pytest.raises(InputError, match="over the rear wheel"):
        anti_squat(SteeringPoint(1.4, 0.3), 1.4, 0.6, 1.4)


@given(st.floats(0.02, 0.09), st.floats(0.05, 0.2), st.floats(-0.2, 0.2))
def test_the_top_run_touches_both_sprockets_and_lies_above_them(front: float, rear: float, rise: float) -> None:
    a, b = SteeringPoint(0.8, 0.4), SteeringPoint(1.4, 0.4 + rise)
    p, q = top_run(a, front, b, rear)
    assert math.hypot(p.x_m - a.x_m, p.z_m - a.z_m) == pytest.approx(front)
    assert math.hypot(q.x_m - b.x_m, q.z_m - b.z_m) == pytest.approx(rear)
    for centre, radius in ((a, front), (b, rear)):
        along = ((q.x_m - p.x_m) * (centre.z_m - p.z_m) - (q.z_m - p.z_m) * (centre.x_m - p.x_m)) / math.hypot(
            q.x_m - p.x_m, q.z_m - p.z_m
        )
        assert along == pytest.approx(-radius, abs=1e-9)


def test_the_steepest_hill_is_where_the_front_carries_nothing() -> None:
    """W27, solo before: L 1.345, x 0.813502, z 0.674955: 38.2°; there the line of the weight goes through the rear
    contact."""
    angle = steepest_hill(1.345, 0.813502, 0.674955)
    assert math.degrees(angle) == pytest.approx(38.218, abs=1e-2)
    assert 0.674955 * math.tan(angle) == pytest.approx(1.345 - 0.813502)
