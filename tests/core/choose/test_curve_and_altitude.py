"""What a unit really gives: its curve against the power typed beside it, and what is left of it higher up."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest
from ambiance import Atmosphere
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.choose.power.altitude import density_ratio, lapse_na, lapse_na_temp, lapse_turbine, lapse_turbo
from crooked_keel.core.choose.power.curve import Curve, OnTheCurve, check_curve, disagreement, torque_from_power
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.units import HP_W

RPM = math.pi / 30
# C12's litre four with its points at 9 000 and 10 000 rpm as the trade quotes them: 125 hp and 150 hp.
FOUR = [
    OnTheCurve(n * RPM, t, None)
    for n, t in ((5000, 82), (6000, 90), (7000, 95), (8000, 98), (9000, 98.9), (10000, 106.8), (10500, 103))
]


def test_c1_torque_of_a_power() -> None:
    """150 hp at 10 000 rpm is 106.814 N·m, 125 hp at 9 000 is 98.902: claimed at one speed, used at another."""
    assert torque_from_power(150 * HP_W, 10_000 * RPM) == pytest.approx(106.814, abs=5e-4)
    assert torque_from_power(125 * HP_W, 9_000 * RPM) == pytest.approx(98.902, abs=5e-4)
    curve = Curve(FOUR)
    assert curve.power_at(9_000 * RPM) / HP_W == pytest.approx(125, abs=0.1)
    assert curve.power_at(10_000 * RPM) / HP_W == pytest.approx(150, abs=0.1)


def test_typed_pairs_that_disagree_are_named_with_by_how_much() -> None:
    points = [
        OnTheCurve(n * RPM, t, p)
        for n, t, p in ((1000, 100, None), (2000, 100, 100 * 2000 * RPM), (3000, 100, 1.041 * 100 * 3000 * RPM))
    ]
    assert [(o.place, round(o.share, 4)) for o in check_curve(points)] == [(1, 0.0), (2, round(1 / 1.041 - 1, 4))]
    assert disagreement(98.9, 9000 * RPM, 93_000) == pytest.approx(98.9 * 9000 * RPM / 93_000 - 1)


@pytest.mark.parametrize(
    ("points", "said", "field"),
    [
        (FOUR[:2], "three points", "curve"),
        ([FOUR[0], FOUR[2], FOUR[1]], "point 3 is not above", "curve/2/speed"),
        ([FOUR[0], FOUR[0], FOUR[1]], "point 2 is not above", "curve/1/speed"),
        (
            [FOUR[0], OnTheCurve(600, -1.0, None), OnTheCurve(700, 5, None)],
            "point 2 is not above zero",
            "curve/1/torque",
        ),
        ([OnTheCurve(0, 1, None), *FOUR], "above standstill", "curve/0/speed"),
        ([FOUR[0], OnTheCurve(600, None, None), OnTheCurve(700, 5, None)], "its torque or its power", ""),
    ],
)
def test_a_curve_that_is_none_is_refused_at_its_point(points: list[OnTheCurve], said: str, field: str) -> None:
    with pytest.raises(InputError, match=said) as bad:
        check_curve(points)
    assert bad.value.field == field


def test_torque_may_end_at_nothing_and_nothing_is_read_beyond_the_points() -> None:
    motor = Curve([OnTheCurve(100, 60, None), OnTheCurve(200, 60, None), OnTheCurve(300, 0, None)])
    assert motor.torque_at(300) == pytest.approx(0, abs=1e-9)
    for speed in (99.0, 301.0):
        with pytest.raises(InputError, match="beyond its points"):
            motor.torque_at(speed)


@given(st.lists(st.floats(1, 500), min_size=3, max_size=12), st.floats(0, 1))
def test_between_two_points_the_curve_stays_between_them(torques: list[float], share: float) -> None:
    curve = Curve([OnTheCurve(100.0 * (i + 1), t, None) for i, t in enumerate(torques)])
    for i, (a, b) in enumerate(pairwise(torques)):
        at = curve.torque_at(100.0 * (i + 1) + 100 * share)
        assert min(a, b) - 1e-9 <= at <= max(a, b) + 1e-9


def test_the_peak_is_the_greatest_of_a_fine_search() -> None:
    curve = Curve(FOUR)
    speed, power = curve.peak()
    assert power >= max(curve.power_at((5000 + i) * RPM) for i in range(0, 5501, 7)) - 1.0
    assert curve.power_at(speed) == pytest.approx(power)


def test_c2_lapse_against_the_standard_atmosphere_of_ambiance() -> None:
    """σ and what a naturally aspirated unit keeps at 2 438.4, 3 048, 4 876.8 and 6 000 m. ambiance takes geometric
    heights."""
    for height, sigma, kept in (
        (2438.4, 0.78602, 0.75777),
        (3048, 0.73848, 0.70396),
        (4876.8, 0.60896, 0.55735),
        (6000, 0.53853, 0.47761),
    ):
        geometric = 6_356_766 * height / (6_356_766 - height)
        air = Atmosphere(geometric)
        assert density_ratio(height) == pytest.approx(float(air.density[0]) / 1.225, rel=3e-5)
        assert density_ratio(height) == pytest.approx(sigma, abs=1e-5)
        assert lapse_na(density_ratio(height)) == pytest.approx(kept, abs=2e-5)


def test_the_two_schools_differ_by_little_and_both_start_at_one() -> None:
    assert lapse_na(1.0) == pytest.approx(1.0) and lapse_na_temp(0) == pytest.approx(1.0)
    for height in (1000, 2000, 3000):
        assert lapse_na_temp(height) == pytest.approx(lapse_na(density_ratio(height)), abs=0.03)
    assert lapse_na(density_ratio(0, 30)) < 1  # a hot day at sea level


def test_a_turbocharger_holds_all_to_its_critical_altitude() -> None:
    assert [lapse_turbo(h, 3000) for h in (0, 1500, 3000)] == [1.0, 1.0, 1.0]
    assert lapse_turbo(4500, 3000) == pytest.approx(lapse_na(density_ratio(4500)) / lapse_na(density_ratio(3000)))
    assert lapse_turbo(2500, 0) == pytest.approx(lapse_na(density_ratio(2500)))
    with pytest.raises(InputError):
        lapse_turbo(1000, -1)


def test_a_turbine_keeps_its_flat_rating_until_the_gas_path_gives_less() -> None:
    assert lapse_turbine(160e3, 240e3, 0) == 160e3
    high = lapse_turbine(160e3, 240e3, 6000)
    assert high == pytest.approx(240e3 * 0.53853**0.75, rel=1e-4) and high < 160e3
    assert lapse_turbine(160e3, 240e3, 6000, 20) == pytest.approx(0.8 * high)
    assert lapse_turbine(160e3, 240e3, 6000, -20) == pytest.approx(high)
    with pytest.raises(InputError, match="less than the flat rating"):
        lapse_turbine(160e3, 150e3, 0)
