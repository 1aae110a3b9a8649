"""Oil in a tank that lies over, an exhaust over the water, fuel: against geometry solved outside and worked cases."""

from __future__ import annotations

import math

import fluids
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import affinity
from shapely.geometry import Polygon, box

from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.units import ZERO_C_K
from crooked_keel.core.physics.pipes import pipe_speed
from crooked_keel.core.systems.exhaust.functions import (
    drain_back,
    gas_density,
    gas_flow,
    growth,
    injection_clearance,
)
from crooked_keel.core.systems.fuel.quantities import endurance
from crooked_keel.core.systems.induction.quantities import air_flow
from crooked_keel.core.systems.oil.functions import area, below, depth, depth_aside, dwell, surface, tilted

SUMP = [(0.0, 0.05), (0.10, 0.0), (0.30, 0.0), (0.34, 0.12), (0.0, 0.12)]


@given(st.floats(-0.6, 0.6), st.floats(0.05, 0.95))
def test_the_surface_in_a_tank_that_lies_over_is_that_of_shapely(angle: float, share: float) -> None:
    """The outline turned and cut by a level: the area below is the oil's."""
    whole = Polygon(SUMP)
    assert area(SUMP) == pytest.approx(whole.area, rel=1e-12)
    lying = [tilted(p, angle) for p in SUMP]
    turned = affinity.rotate(whole, -math.degrees(angle), origin=(0, 0))
    for ours, theirs in zip(lying, turned.exterior.coords, strict=False):
        assert ours == pytest.approx(theirs, abs=1e-12)
    level = surface(lying, 0.2, share * whole.area * 0.2)
    cut = turned.intersection(box(-9, -9, 9, level)).area
    assert cut == pytest.approx(share * whole.area, rel=1e-6) and below(lying, level) == pytest.approx(cut, rel=1e-6)


def test_a_pickup_in_front_runs_dry_nose_up() -> None:
    """A box 0.4 long and 0.1 wide, 2 L: 50 mm deep level; nose up 10° the front falls by 0.2·tan 10° = 35 mm."""
    tank = [(0.0, 0.0), (0.4, 0.0), (0.4, 0.3), (0.0, 0.3)]
    assert depth(tank, 0.1, 0.002, (0.0, 0.0), 0.0) == pytest.approx(0.05)
    up = math.radians(10)
    lost = (0.05 - 0.2 * math.tan(up)) * math.cos(up)
    assert depth(tank, 0.1, 0.002, (0.0, 0.0), up) == pytest.approx(lost, abs=1e-6)
    assert depth(tank, 0.1, 0.002, (0.4, 0.0), up) > 0.05 > depth(tank, 0.1, 0.002, (0.4, 0.0), -up)
    with pytest.raises(InputError, match="more than the outline"):
        depth(tank, 0.1, 0.02, (0.0, 0.0), 0.0)
    assert dwell(0.005, 0.0005) == 10.0


@given(st.floats(0.01, 1.0), st.floats(0.02, 0.28), st.floats(-0.1, 0.1), st.floats(0.0, 0.03))
def test_a_box_over_to_a_side_is_cut_by_a_level_as_shapely_cuts_it(
    side: float, oil_m: float, across: float, over: float
) -> None:
    """Its cross-section, 0.2 wide and 0.3 high, turned and cut; the tape reads to a millimetre."""
    tank = [(0.0, 0.0), (0.4, 0.0), (0.4, 0.3), (0.0, 0.3)]
    ours = depth_aside(tank, 0.2, oil_m * 0.2 * 0.4, (across, over), side)
    lying = [tilted((y + 0.1, z), side) for y, z in ((-0.1, 0.0), (0.1, 0.0), (0.1, 0.3), (-0.1, 0.3))]
    level = surface(lying, 0.4, oil_m * 0.2 * 0.4)
    theirs = level - tilted((0.1 - across, over), side)[1]
    assert ours == pytest.approx(theirs, abs=1e-3)


def test_where_the_water_goes_in_over_a_heeled_craft() -> None:
    """0.12 m over, 0.25 m off the centreline, heeled 20°: 27 mm left; a rotation by hand, either side alike."""
    found = injection_clearance(0.42, 0.30, math.radians(20), 0.25)
    assert found == pytest.approx(0.12 * math.cos(math.radians(20)) - 0.25 * math.sin(math.radians(20)), abs=1e-12)
    assert found == injection_clearance(0.42, 0.30, -math.radians(20), -0.25)
    assert injection_clearance(0.42, 0.30, 0.0, 0.25) == pytest.approx(0.12)


def test_exhaust_gas_by_hand() -> None:
    """30 kW at 250 g/kWh and 25 to 1: 0.05417 kg/s; at 420 °C 0.5093 kg/m³, 66.87 m/s in 45 mm."""
    flow, density = gas_flow(30e3, 250e-3 / 3.6e6, 25), gas_density(ZERO_C_K + 420)
    assert flow == pytest.approx(0.0541667, rel=1e-5) and density == pytest.approx(0.50934, rel=3e-4)
    assert pipe_speed(flow / density, 0.045) == pytest.approx(66.867, rel=3e-4)
    assert drain_back(0.05, 1.2) == pytest.approx(math.pi * 0.025**2 * 1.2)
    assert growth(12e-6, 1.0, 900.0, 300.0) == pytest.approx(7.2e-3)


def test_fuel_and_air_by_hand() -> None:
    """45 kW at 300 g/kWh and 0.72 kg/L burns 18.75 L/h: 60 L less 30 min last 2.7 h. Its air at 13 to 1 is that of a
    1.2 L four-stroke at 3700 rpm, within what such engines fill."""
    burn = 45e3 * 300e-3 / 3.6e6 / 720
    assert burn * 3.6e6 == pytest.approx(18.75)
    assert endurance(0.060, 0.0, burn, 1800) / 3600 == pytest.approx(2.7)
    assert endurance(0.060, 0.060, burn, 1800) < 0
    rho = fluids.ATMOSPHERE_1976(0).rho
    filling = air_flow(45e3, 300e-3 / 3.6e6, 13.0, rho) / (1.2e-3 * 3700 / 60 / 2)
    assert 0.8 < filling < 1.2
