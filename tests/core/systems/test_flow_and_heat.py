"""Pipes, coolers and coolants against general reference libraries and worked cases."""

from __future__ import annotations

import math
from collections.abc import Callable

import fluids
import ht
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.units import ZERO_C_K
from crooked_keel.core.physics.heat import (
    COOLANTS,
    Arrangement,
    boils_at,
    effectiveness,
    exchanged,
    keel_area,
    mixed,
    required_conductance,
    settles,
)
from crooked_keel.core.physics.pipes import (
    back_pressure,
    churchill,
    exhaust_bore,
    high_points,
    hose_step,
    pipe_loss,
    pipe_speed,
)

OF_HT = {"counterflow": "counterflow", "parallel": "parallel", "crossflow": "crossflow approximate"}
arrangements = st.sampled_from(sorted(OF_HT))


@given(st.floats(0.01, 20), st.floats(0.01, 0.99), arrangements)
def test_effectiveness_is_that_of_ht(ntu: float, ratio: float, arrangement: Arrangement) -> None:
    there = ht.effectiveness_from_NTU(NTU=ntu, Cr=ratio, subtype=OF_HT[arrangement])
    assert effectiveness(ntu, ratio, arrangement) == pytest.approx(there, rel=1e-9)


@given(st.floats(10, 1e4), st.floats(50, 2e4), st.floats(50, 2e4), arrangements)
def test_what_one_side_gives_the_other_takes(
    conductance: float, hot: float, cold: float, arrangement: Arrangement
) -> None:
    made = exchanged(conductance, hot, cold, 371.15, 311.15, arrangement)
    assert 0 <= made.effectiveness <= 1 + 1e-12
    assert hot * (371.15 - made.hot_out_k) == pytest.approx(cold * (made.cold_out_k - 311.15), rel=1e-9)
    more = exchanged(conductance * 1.1, hot, cold, 371.15, 311.15, arrangement)
    assert more.heat_w >= made.heat_w - 1e-9


def test_a_cooler_worked_by_hand_and_by_ht() -> None:
    """UA 2200, streams 5008.64 and 1609.6 W/K, 98 and 38 °C: ε 0.674126; 63.75 kW settles at 96.75 °C."""
    made = exchanged(2200, 5008.64, 1609.6, ZERO_C_K + 98, ZERO_C_K + 38)
    assert made.ntu == pytest.approx(1.366799, rel=1e-5) and made.ratio == pytest.approx(0.321365, rel=1e-5)
    assert made.effectiveness == pytest.approx(0.674126, rel=1e-5) and made.heat_w == pytest.approx(65104.3, rel=1e-5)
    assert made.hot_out_k - ZERO_C_K == pytest.approx(85.0016, rel=1e-5)
    assert settles(ZERO_C_K + 38, 63750, made.effectiveness, 1609.6) - ZERO_C_K == pytest.approx(96.7518, rel=1e-5)
    wanted = required_conductance(63750, 5008.64, 1609.6, ZERO_C_K + 98, ZERO_C_K + 38)
    assert wanted == pytest.approx(2103.44, rel=1e-5)
    share = 63750 / (1609.6 * 60)
    ntu = ht.NTU_from_effectiveness(effectiveness=share, Cr=made.ratio, subtype="crossflow approximate")
    assert wanted == pytest.approx(ntu * 1609.6, rel=1e-6)


def test_no_core_at_all_is_said_and_no_number_made_up() -> None:
    """Parallel flow reaches 1/(1 + Cr) and no more."""
    with pytest.raises(InputError, match="endless"):
        required_conductance(70e3, 2000, 2000, 370.0, 310.0, "parallel")
    with pytest.raises(InputError, match="not hotter"):
        exchanged(100, 100, 100, 300.0, 310.0)


@given(st.floats(10, 1e7), st.floats(0, 0.05))
def test_friction_is_that_of_fluids(reynolds: float, rough: float) -> None:
    there = fluids.friction.Churchill_1977(Re=reynolds, eD=rough)
    assert churchill(reynolds, rough) == pytest.approx(there, rel=1e-7)


@pytest.mark.parametrize(("bore", "pascal"), [(0.0254, 2019.22), (0.03175, 678.253)])
def test_a_hose_worked_by_hand(bore: float, pascal: float) -> None:
    lost = pipe_loss(1032, 7.9e-4, 1e-3, bore, 1.2, 1e-5)
    assert lost.pressure_pa == pytest.approx(pascal, rel=1e-5)
    assert lost.speed_m_s == pytest.approx(fluids.core.Reynolds(D=1, rho=1, V=pipe_speed(1e-3, bore), mu=1), rel=1e-12)


def test_one_bore_in_the_place_of_another() -> None:
    """1 in for 1 1/4 in: area 0.64, friction 3.05 times; the contraction is that of a sharp edge."""
    step = hose_step(0.03175, 0.0254)
    assert (step.area, step.speed) == (pytest.approx(0.64), pytest.approx(1.5625))
    assert step.friction == pytest.approx(3.05176, rel=1e-5)
    assert (step.contraction, step.expansion) == (pytest.approx(0.18), pytest.approx(0.1296))
    assert step.expansion == pytest.approx(fluids.diffuser_sharp(Di1=0.0254, Di2=0.03175), rel=1e-9)


def test_exhaust_pipe_by_the_formula_of_installation_guides() -> None:
    """P[kPa] = 3.6e6·L[m]·S[kg/m³]·Q²[m³/min]/D⁵[mm] (from memory), 0.1 % from Darcy with 0.016."""
    density, flow, d = 0.50934, 0.106347, 0.045
    ours = back_pressure(2.5, d, 60, density, pipe_speed(flow, d))
    length = 2.5 + 60 * d
    guide = 3.6e6 * length * density * (flow * 60) ** 2 / (d * 1000) ** 5 * 1000
    assert ours == pytest.approx(guide, rel=1.5e-3) and ours == pytest.approx(2105.27, rel=1e-4)
    assert exhaust_bore(flow, density, 2.5, 60, 7500, 75) == pytest.approx(0.042490, rel=1e-4)
    assert exhaust_bore(flow, density, 2.5, 60, 7500, 500) == pytest.approx(0.033965, rel=1e-4)


Properties = Callable[..., float]


@pytest.fixture(scope="module")
def properties() -> Properties:
    from CoolProp.CoolProp import PropsSI  # three seconds to load, which not every worker need wait for

    made: Properties = PropsSI
    return made


@pytest.mark.parametrize(
    ("gauge", "height", "celsius"),
    [(0, 0, 99.97), (50e3, 0, 111.61), (90e3, 0, 118.81), (103.4e3, 0, 120.95), (0, 3000, 89.97)],
)
def test_water_boils_where_coolprop_says(properties: Properties, gauge: float, height: float, celsius: float) -> None:
    pressure = fluids.ATMOSPHERE_1976(height).P + gauge
    there = properties("T", "P", pressure, "Q", 0, "Water")
    assert there - ZERO_C_K == pytest.approx(celsius, abs=0.1)
    assert boils_at(gauge, height) == pytest.approx(there, abs=0.3)


@pytest.mark.parametrize(
    ("coolant", "fluid"),
    [("water", "Water"), ("half ethylene glycol", "INCOMP::MEG[0.5]"), ("half propylene glycol", "INCOMP::MPG[0.5]")],
)
def test_coolants_are_those_of_coolprop(properties: Properties, coolant: str, fluid: str) -> None:
    ours = COOLANTS[coolant]
    for celsius, density in ((20.0, ours.cold_kg_m3), (100.0, ours.hot_kg_m3)):
        assert density == pytest.approx(properties("D", "T", ZERO_C_K + celsius, "P", 2e5, fluid), rel=2e-3)
    assert ours.specific_j_kg_k == pytest.approx(properties("C", "T", ZERO_C_K + 90, "P", 2e5, fluid), rel=0.03)


def test_keel_cooler_and_wet_exhaust_by_hand() -> None:
    """Log mean of 50 and 30 K is 39.15 K; 0.0542 kg/s of gas at 420 °C with 0.427 kg/s of water at 18 °C: 30.97 °C."""
    assert keel_area(20e3, 400, 353.15, 333.15, 303.15) == pytest.approx(20e3 / 400 / (20 / math.log(5 / 3)), rel=1e-12)
    found = mixed(0.0541667, ZERO_C_K + 420, 0.427083, ZERO_C_K + 18)
    assert found - ZERO_C_K == pytest.approx(30.9658, rel=1e-5)
    with pytest.raises(InputError):
        keel_area(20e3, 400, 353.15, 300.0, 303.15)


@given(st.lists(st.integers(-3, 3), min_size=3, max_size=9))
def test_a_high_point_is_higher_than_what_is_beside_it(heights: list[int]) -> None:
    path = [(float(i), float(z)) for i, z in enumerate(heights)]
    found = high_points(path)
    assert 0 not in found and len(heights) - 1 not in found
    for i in found:
        after = next(z for z in heights[i:] if z != heights[i])
        assert heights[i - 1] < heights[i] > after
    turned = high_points([(0.0, z) for _, z in reversed(path)])
    assert len(turned) == len(found)


@given(st.floats(20, 300), st.floats(0.005, 0.02))
def test_a_smaller_bore_never_loses_less(speed_flow: float, bore: float) -> None:
    flow = speed_flow * 1e-6
    assume(bore > 0.006)
    assert pipe_loss(745, 6e-4, flow, bore * 0.9, 1.0).pressure_pa > pipe_loss(745, 6e-4, flow, bore, 1.0).pressure_pa
