"""Standard atmosphere against ambiance, an outside library."""

from __future__ import annotations

import pytest
from ambiance import Atmosphere

from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.atmosphere import isa

EARTH_M = 6356766.0


@pytest.mark.parametrize("height", [0.0, 1000.0, 2438.4, 3048.0, 4876.8, 6000.0, 11000.0, 15000.0])
def test_against_ambiance(height: float) -> None:
    """ambiance takes geometric height: ours is geopotential."""
    there = Atmosphere(EARTH_M * height / (EARTH_M - height))
    here = isa(height)
    assert here.sound_m_s == pytest.approx(there.speed_of_sound[0], rel=2e-5)
    assert here.density_kg_m3 == pytest.approx(there.density[0], rel=2e-5)
    assert here.temperature_k == pytest.approx(there.temperature[0], rel=2e-5)


def test_sea_level() -> None:
    """ICAO Doc 7488 (from memory): 340.294 m/s, 1.2250 kg/m³."""
    assert isa().sound_m_s == pytest.approx(340.294, abs=5e-4)
    assert isa().density_kg_m3 == pytest.approx(1.2250, abs=5e-5)


def test_warm_air_is_thinner_at_the_same_pressure() -> None:
    warm = isa(1000, 20)
    assert warm.pressure_pa == isa(1000).pressure_pa
    assert warm.density_kg_m3 < isa(1000).density_kg_m3


@pytest.mark.parametrize(("height", "deviation"), [(-600, 0), (21000, 0), (0, 61)])
def test_outside_the_table_is_refused(height: float, deviation: float) -> None:
    with pytest.raises(InputError):
        isa(height, deviation)
