"""Road gearing: worked cases C19-C23, C34, alignment case 16, ISO 606 geometry."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.drive.electric.battery.functions import consumption, electric_range, endurance, sea_range
from crooked_keel.core.drive.wheels.road.functions import (
    chain_centres,
    chain_links,
    chain_pull,
    chain_ripple,
    chain_wrap,
    even_links,
    power_limited_speed,
    road_load,
    road_speed,
    sprocket_pitch_diameter,
    tyre_radius,
    wheel_torque,
)
from crooked_keel.core.errors import InputError

RPM, P = math.pi / 30, 0.015875


def test_c19_sprockets_and_chain() -> None:
    """14/42 teeth of 5/8 in chain: 71.342 and 212.431 mm; 550 mm centres 97.865 links; 98 links 551.08 mm; wrap
    165.26°; ripple 2.507 %."""
    a, b = sprocket_pitch_diameter(P, 14), sprocket_pitch_diameter(P, 42)
    assert (a * 1000, b * 1000) == pytest.approx((71.342, 212.431), abs=1e-3)
    assert chain_links(0.550, P, 14, 42) == pytest.approx(97.865, abs=1e-3)
    assert even_links(97.865) == 98
    assert chain_centres(98, P, 14, 42) * 1000 == pytest.approx(551.08, abs=5e-3)
    assert math.degrees(chain_wrap(a, b, 0.550)) == pytest.approx(165.26, abs=5e-3)
    assert chain_ripple(14) == pytest.approx(0.02507, abs=1e-5)


@pytest.mark.parametrize(("links", "millimetres"), [(108, 614.45), (110, 630.44), (112, 646.43)])
def test_case_16_centres(links: int, millimetres: float) -> None:
    """15/45 teeth: 620 mm asks 108.694 links; each even count has its centre distance."""
    assert chain_links(0.620, P, 15, 45) == pytest.approx(108.694, abs=1e-3)
    assert chain_centres(links, P, 15, 45) * 1000 == pytest.approx(millimetres, abs=5e-3)


@given(st.integers(11, 20), st.integers(30, 60), st.floats(0.4, 0.9))
def test_links_and_centres_are_inverse(a: int, b: int, centres: float) -> None:
    """The closed inverse is the published approximation's own: it comes back within its neglected term."""
    assert chain_centres(chain_links(centres, P, a, b), P, a, b) == pytest.approx(centres, rel=1e-3)


def test_a_chain_that_cannot_close() -> None:
    with pytest.raises(InputError, match="overlap"):
        chain_links(0.10, P, 15, 45)
    with pytest.raises(InputError, match="cannot close"):
        chain_centres(30, P, 15, 45)


def test_c20_tyre_and_speeds() -> None:
    """205/50-15: 284.458 mm; 9000 rpm, final 3.9: speed in each of five gears."""
    r = tyre_radius(15 * 0.0254, 0.205, 0.50)
    assert r * 1000 == pytest.approx(284.458, abs=1e-3)
    speeds = [road_speed(9000 * RPM, r, 3.9 * g) * 3.6 for g in (2.6, 1.9, 1.4, 1.1, 0.92)]
    assert speeds == pytest.approx([95.18, 130.25, 176.77, 224.97, 268.99], abs=0.01)


def test_c20_top_speed_by_power() -> None:
    assert power_limited_speed(90e3 * 0.9, 700, 0.75, 0.013) * 3.6 == pytest.approx(197.72, abs=0.01)
    with pytest.raises(InputError):
        power_limited_speed(0, 700, 0.75, 0.013)


def test_c21_force_in_a_gear() -> None:
    assert wheel_torque(120, 8.0, 0.92) / 0.29 == pytest.approx(3045.5, abs=0.05)


def test_c34_hub_and_mid_motor() -> None:
    """120/70-12: 229.51 mm; 720 rpm at the wheel is 62.30 km/h, however it is geared."""
    r = tyre_radius(12 * 0.0254, 0.120, 0.70)
    assert r * 1000 == pytest.approx(229.51, abs=5e-3)
    assert road_speed(720 * RPM, r, 1.0) * 3.6 == pytest.approx(62.30, abs=5e-3)
    assert road_speed(4320 * RPM, r, 6.0) == pytest.approx(road_speed(720 * RPM, r, 1.0))


def test_c23_range() -> None:
    """200 kg, CdA 0.45, Crr 0.012 at 80 km/h: 159.65 N, 52.17 Wh/km, 86.25 km from 4.5 kWh."""
    load = road_load(80 / 3.6, 200, 0.45, 0.012)
    assert load == pytest.approx(159.65, abs=5e-3)
    per_metre = consumption(load, 0.85, 0.0, 80 / 3.6)
    assert per_metre / 3.6 == pytest.approx(52.17, abs=5e-3)
    assert electric_range(5 * 3.6e6, 0.9, per_metre) / 1000 == pytest.approx(86.25, abs=5e-3)


def test_range_at_sea_is_energy_over_power_times_speed() -> None:
    """10 kWh, 80 % used, 90 % efficient, 2 kW at 2.5 m/s: 3.6 h, 32.4 km, by hand; and the same time by endurance."""
    assert sea_range(2.5, 36e6, 0.8, 0.9, 2000.0, 0.0) == pytest.approx(32400)
    assert endurance(36e6, 0.8, 0.9, 2000.0, 0.0) == pytest.approx(3.6 * 3600)
    # r52: 200 W of other loads on top of 2222 W: 8 kWh last 3.303 h, by hand.
    assert endurance(36e6, 0.8, 0.9, 2000.0, 200.0) == pytest.approx(8000 / (2000 / 0.9 + 200) * 3600)
    assert sea_range(2.5, 36e6, 0.8, 0.9, 2000.0, 200.0) == pytest.approx(2.5 * 3600 * 8000 / (2000 / 0.9 + 200))
    assert consumption(150.0, 0.75, 400.0, 20.0) == pytest.approx(150 / 0.75 + 400 / 20)


def test_c10_chain_pull() -> None:
    """60 N·m, 2.9 and 2.75: 12533.6 N on 15 teeth; traction 0.9 × 1300 N on 310 mm and 45 teeth governs with 3187.5
    N."""
    small, large = sprocket_pitch_diameter(P, 15), sprocket_pitch_diameter(P, 45)
    assert small * 1000 == pytest.approx(76.353, abs=2e-3)
    assert chain_pull(60 * 2.9 * 2.75, small) == pytest.approx(12533.6, abs=0.5)
    assert chain_pull(0.9 * 1300 * 0.31, large) == pytest.approx(3187.5, abs=0.5)
