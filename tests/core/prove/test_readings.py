"""Readings against scipy, a constructed wind, and what a picture of them must keep."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.stats import theilslopes

from crooked_keel.core.errors import InputError
from crooked_keel.core.prove.runs.functions import (
    backwards,
    gps_tas_three_leg,
    odd_rows,
    reciprocal_speed,
    settled,
    stuck,
    theil_sen_trend,
    thinned,
    time_to_limit,
)


def test_w27_one_bad_reading_does_not_turn_a_trend() -> None:
    t, y = list(range(8)), [82, 82.9, 84.1, 85, 85.8, 99, 88.1, 89]
    made = theil_sen_trend(t, y)
    assert made.slope == pytest.approx(1.008333, abs=1e-6) == theilslopes(y, t).slope
    assert made.intercept == pytest.approx(81.9875)
    assert time_to_limit(made, 110.0, True) == pytest.approx(20.781, abs=1e-3)
    assert time_to_limit(made, 60.0, False) is None and time_to_limit(made, 80.0, True) == 0.0


@given(st.lists(st.floats(-1e3, 1e3), min_size=2, max_size=30))
def test_the_slope_is_that_of_scipy(y: list[float]) -> None:
    t = [float(i) for i in range(len(y))]
    assert theil_sen_trend(t, y).slope == pytest.approx(theilslopes(y, t).slope, abs=1e-9)


def test_a_trend_wants_two_times() -> None:
    with pytest.raises(InputError, match="two readings"):
        theil_sen_trend([1.0, 1.0], [2.0, 3.0])


def test_w26_wind_from_three_runs() -> None:
    legs = ((6.182654, 49.790085), (94.334587, 59.532593), (174.762664, 58.744765))
    made = gps_tas_three_leg([(math.radians(a), v) for a, v in legs])
    assert made.true_m_s == pytest.approx(54.0, rel=1e-4) and made.wind_m_s == pytest.approx(7.0, rel=1e-4)
    assert math.degrees(made.wind_from_rad) == pytest.approx(310.0, abs=0.02)


@given(
    st.floats(20, 90),
    st.floats(0.5, 15),
    st.floats(0, 2 * math.pi),
    st.sampled_from([(0.2, 2.3, 4.4), (0.0, 1.6, 3.3), (5.9, 1.9, 4.0)]),
)
def test_a_wind_that_is_put_in_comes_out(tas: float, wind: float, source: float, headings: tuple[float, ...]) -> None:
    blow = (-wind * math.sin(source), -wind * math.cos(source))
    legs = []
    for h in headings:
        east, north = tas * math.sin(h) + blow[0], tas * math.cos(h) + blow[1]
        legs.append((math.atan2(east, north) % (2 * math.pi), math.hypot(east, north)))
    apart = [abs((a[0] - b[0] + math.pi) % (2 * math.pi) - math.pi) for i, a in enumerate(legs) for b in legs[i + 1 :]]
    if min(apart) < math.radians(41):
        return
    made = gps_tas_three_leg(legs)
    assert made.true_m_s == pytest.approx(tas, rel=1e-6) and made.wind_m_s == pytest.approx(wind, rel=1e-5)


def test_runs_that_say_nothing_of_the_wind_are_refused() -> None:
    with pytest.raises(InputError, match="40°"):
        gps_tas_three_leg([(0.0, 50.0), (0.3, 50.0), (2.0, 50.0)])
    with pytest.raises(InputError, match="one line"):
        gps_tas_three_leg([(0.0, 0.0), (2.0, 0.0), (4.0, 0.0)])
    with pytest.raises(InputError, match="three runs"):
        gps_tas_three_leg([(0.0, 50.0)])


def test_speed_both_ways_is_a_mean_of_speeds_and_not_of_times() -> None:
    """A stream of 1 m/s on a boat of 3: the mean of speeds is hers, that of times is not."""
    assert reciprocal_speed(4.0, 2.0) == 3.0 != pytest.approx(2 / (1 / 4.0 + 1 / 2.0))


@given(st.lists(st.floats(-50, 50), min_size=1, max_size=4000), st.integers(20, 600))
def test_a_thinned_strip_loses_no_peak(values: list[float], most: int) -> None:
    t = [float(i) for i in range(len(values))]
    rows = thinned(t, values, most)
    assert rows == sorted(set(rows)) and len(rows) <= most + 4
    assert {max(values), min(values)} <= {values[i] for i in rows}
    assert {0, len(values) - 1} <= set(rows)


def test_rows_that_cannot_be_right() -> None:
    values = [20.0, 21.0, 400.0, 22.0, None, 60.0, 23.0]
    odd = odd_rows([0, 1, 2, 3, 4, 5, 6], values, -40.0, 200.0, 5.0)
    assert [(i, w) for i, w in odd] == [(2, "out of what is possible"), (5, "faster than it can change")]
    assert backwards([0, 1, 3, 2, 4]) == [3]


def test_a_quiet_sensor_is_stuck_only_where_another_proves_a_change() -> None:
    still, rising = [80.0] * 10, [float(i) for i in range(10)]
    assert stuck(still, rising, 5.0) and not stuck(still, still, 5.0) and not stuck(rising, rising, 5.0)


def test_settled_is_less_than_half_a_kelvin_a_minute() -> None:
    t = [10.0 * i for i in range(30)]
    assert settled(t, [350 + 0.004 * x for x in t]) and not settled(t, [350 + 0.02 * x for x in t])
    assert not settled([0.0, 10.0], [350.0, 350.0])
