"""Floating: closed forms of a box, worked cases W19, W20, W24, W32, and invariants of a change of weight."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.hydrostatics import (
    Afloat,
    WeightChange,
    form_immersion,
    heel_angle,
    hydro_from_form,
    metacentric_height,
    waterplane_from_freeboards,
    weight_change_afloat,
)

W19 = Afloat(5276.7, 0.95, 0.0, 1.523677, 11.514659, 8.0, 4.2, 15350.4)


def test_a_box_is_exact() -> None:
    """Box 12 × 4 × 3 m at 1.0 m in fresh water: closed forms. The published inertia factors of a full waterplane lie
    close to 1/12."""
    h = hydro_from_form(12, 4, 1.0, 1.0, 1.0, 1000)
    assert h.displacement_kg == pytest.approx(48000)
    assert h.immersion_kg_m == pytest.approx(48000)
    assert h.kb_m == pytest.approx(0.5)
    bm = 4**2 / 12
    assert max(h.bm_m, h.bm_other_m) == pytest.approx(bm) and h.bm_m == pytest.approx(bm, rel=0.04)
    assert h.bm_long_m <= h.bm_long_other_m


def test_w19_form_estimate() -> None:
    """W19; KB by the classic approximation, both inertia factors from parametric ship design texts (from memory)."""
    h = hydro_from_form(8.0, 2.6, 0.55, 0.45, 0.72, 1025)
    assert h.displacement_kg == pytest.approx(5276.7, abs=0.05)
    assert h.immersion_kg_m / 100 == pytest.approx(153.504, abs=5e-4)
    assert form_immersion(1025, 0.72, 8.0, 2.6) == h.immersion_kg_m
    assert h.kb_m == pytest.approx(0.34375)
    assert (h.bm_m, h.bm_other_m) == pytest.approx((1.179927, 1.271), abs=6e-4)
    assert (h.bm_long_m, h.bm_long_other_m) == pytest.approx((9.27, 11.170909), abs=6e-3)
    assert h.km_m == pytest.approx(1.523677, abs=1e-6)


def test_w19_swap() -> None:
    """420 kg out and 300 kg in: sinkage, trim by the bow, GM."""
    made = weight_change_afloat(W19, [WeightChange(-420, 6.8, 0, 0.6), WeightChange(300, 6.6, 0, 0.6)])
    assert made.displacement_kg == pytest.approx(5156.7, abs=0.05)
    assert made.kg_m == pytest.approx(0.958145, abs=1e-6)
    assert made.mct_kg == pytest.approx(6804.60, abs=0.05)
    assert made.sink_m * 1000 == pytest.approx(-7.817, abs=5e-4)
    assert made.trim_m * 1000 == pytest.approx(-54.67, abs=5e-3)
    assert made.gm_m == pytest.approx(0.565533, abs=1e-6)
    assert made.heel_rad == 0.0


def test_w20_one_side_empty_lists() -> None:
    """6200 kg, KG 1.10, KM 2.05; one of two 630 kg tanks at y 0.95 full: TCG 0.087628, GM 1.019180, 4.914° by the
    linear method."""
    craft = Afloat(6200, 1.10, 0.0, 2.05, 12.0, 8.0, 4.0, 16000)
    made = weight_change_afloat(craft, [WeightChange(630, 4.0, 0.95, 0.35)])
    assert made.kg_m == pytest.approx(1.030820, abs=1e-6)
    assert made.gm_m == pytest.approx(1.019180, abs=1e-6)
    assert made.heel_rad is not None and math.degrees(made.heel_rad) == pytest.approx(4.914, abs=5e-4)


def test_w32_linear_against_the_section_solver() -> None:
    """The linear change on a hull whose equilibrium is known: −57.49 mm and −9.584 mm by this method, −54.40 and −9.646
    mm true."""
    i_l, v = 19.869255, 1.795202
    km_long = 0.255474 + i_l / v
    craft = Afloat(1840.082, 0.55, 0.0, 1.5, km_long, 6.0, 3.548758, 9390.96)
    made = weight_change_afloat(craft, [WeightChange(-160, 5.4, 0, 0.55), WeightChange(70, 5.2, 0, 0.60)])
    assert made.trim_m * 1000 == pytest.approx(-57.49, abs=0.01)
    assert made.sink_m * 1000 == pytest.approx(-9.584, abs=1e-3)
    assert made.trim_m * 1000 == pytest.approx(-54.40, rel=0.06)


def test_w24_plane_through_four_freeboards() -> None:
    """Sheer less freeboard at four corners: draft, slopes and the equal misfit of the fourth corner."""
    points = [
        (0.6, -1.0, 1.32 - 0.705),
        (0.6, 1.0, 1.32 - 0.690),
        (6.4, -1.15, 1.10 - 0.420),
        (6.4, 1.15, 1.10 - 0.395),
    ]
    made = waterplane_from_freeboards(points, 0.0)
    assert made.height_m == pytest.approx(0.615259, abs=1e-6)
    assert made.slope_aft == pytest.approx(0.0120690, abs=1e-7)
    assert made.slope_starboard == pytest.approx(0.0094187, abs=1e-7)
    assert [abs(r) * 1000 for r in made.residuals_m] == pytest.approx([1.8] * 4, abs=0.2)
    assert math.degrees(made.slope_starboard) == pytest.approx(0.5396, abs=5e-4)
    assert waterplane_from_freeboards(points, 3.9).height_m == pytest.approx(0.662328, abs=1e-6)


@given(st.floats(-0.02, 0.02), st.floats(-0.02, 0.02), st.floats(0.2, 0.8), st.floats(0, 8))
def test_a_true_plane_comes_back(a: float, b: float, height: float, reference: float) -> None:
    """numpy's own least squares as second route; the weights rebuild the height."""
    corners = [(1.0, -0.9), (1.0, 0.9), (7.0, -1.1), (7.0, 1.1), (4.0, 1.2)]
    points = [(x, y, height + a * (x - reference) + b * y) for x, y in corners]
    made = waterplane_from_freeboards(points, reference)
    there, *_ = np.linalg.lstsq(
        np.array([[1, x - reference, y] for x, y in corners]), np.array([p[2] for p in points]), rcond=None
    )
    assert (made.height_m, made.slope_aft, made.slope_starboard) == pytest.approx(tuple(there), abs=1e-9)
    assert sum(w * p[2] for w, p in zip(made.weights, points, strict=True)) == pytest.approx(made.height_m, abs=1e-9)
    assert max(map(abs, made.residuals_m)) < 1e-9


@given(st.floats(-80, 80), st.floats(0, 8), st.floats(-1, 1), st.floats(0, 1.2))
def test_mirrored_it_lists_to_the_other_side(mass: float, x: float, y: float, z: float) -> None:
    one = weight_change_afloat(W19, [WeightChange(mass, x, y, z)])
    other = weight_change_afloat(W19, [WeightChange(mass, x, -y, z)])
    assert one.heel_rad is not None and other.heel_rad == pytest.approx(-one.heel_rad)
    assert one.trim_m == other.trim_m and one.sink_m == other.sink_m


@given(st.floats(1, 80), st.floats(0, 8), st.floats(0.1, 0.9))
def test_a_mass_split_in_two_changes_nothing(mass: float, x: float, share: float) -> None:
    whole = weight_change_afloat(W19, [WeightChange(mass, x, 0.2, 0.5)])
    split = weight_change_afloat(
        W19, [WeightChange(share * mass, x, 0.2, 0.5), WeightChange((1 - share) * mass, x, 0.2, 0.5)]
    )
    assert split == pytest.approx(whole)


def test_put_on_and_taken_off_again_floats_as_before() -> None:
    made = weight_change_afloat(W19, [WeightChange(200, 2.0, 0.3, 1.0), WeightChange(-200, 2.0, 0.3, 1.0)])
    assert (made.sink_m, made.trim_m, made.heel_rad) == (0.0, 0.0, 0.0)
    assert made.kg_m == pytest.approx(0.95)


def test_gm_lost_gives_no_angle() -> None:
    made = weight_change_afloat(W19, [WeightChange(900, 4.0, 0.1, 6.0)])
    assert made.gm_m < 0 and made.heel_rad is None
    with pytest.raises(InputError, match="does not stay upright"):
        heel_angle(10.0, 1000.0, 0.0)
    assert metacentric_height(1.5, 2.0) == -0.5


@pytest.mark.parametrize(
    ("figures", "field", "said"),
    [
        ((8, 2.6, 0.0, 0.45, 0.72), "/craft/flotation/keel", "no draft"),
        ((8, 0, 0.5, 0.45, 0.72), "/craft/flotation/beam", "no size"),
        ((8, 2.6, 0.5, 0.10, 0.72), "/craft/flotation/block", "between 0.2 and 1"),
        ((8, 2.6, 0.5, 0.72, 0.72), "/craft/flotation/waterplane", "above the block"),
        ((8, 2.6, 0.5, 0.80, 0.72), "/craft/flotation/waterplane", "above the block"),
    ],
)
def test_hulls_that_cannot_be(figures: tuple[float, float, float, float, float], field: str, said: str) -> None:
    with pytest.raises(InputError, match=said) as bad:
        hydro_from_form(*figures, 1025)
    assert bad.value.field == field


def test_too_few_freeboards_or_in_one_line() -> None:
    with pytest.raises(InputError, match="three freeboards"):
        waterplane_from_freeboards([(0, -1, 0.5), (0, 1, 0.5)], 0)
    with pytest.raises(InputError, match="one line"):
        waterplane_from_freeboards([(0, 0.5, 0.5), (3, 0.5, 0.5), (6, 0.5, 0.5)], 0)


def test_more_out_than_she_weighs() -> None:
    with pytest.raises(InputError, match="more is taken out"):
        weight_change_afloat(W19, [WeightChange(-6000, 4, 0, 0.5)])
