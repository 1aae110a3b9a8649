"""CG limits: cases W9 and W34's corners in station space, shapely as oracle, refusals."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon

from crooked_keel.core.balance.limits.functions import CgEnvelope, check_polygon
from crooked_keel.core.errors import InputError

W9 = ((0.86, 400.0), (0.86, 560.0), (0.92, 700.0), (1.09, 700.0), (1.09, 400.0))


def test_w34_station_space_cut_at_600_kg() -> None:
    cut = CgEnvelope(W9).cut(600)
    assert cut is not None
    assert cut.forward_m == pytest.approx(0.877143, abs=5e-7)
    assert cut.aft_m == pytest.approx(1.09)
    assert cut.forward_slope_m_kg == pytest.approx(0.06 / 140)
    assert cut.aft_slope_m_kg == 0.0


@given(st.floats(400.5, 699.5))
def test_cut_against_shapely(mass: float) -> None:
    lo, _, hi, _ = Polygon(W9).intersection(LineString([(0, mass), (2, mass)])).bounds
    cut = CgEnvelope(W9).cut(mass)
    assert cut is not None
    assert (cut.forward_m, cut.aft_m) == (pytest.approx(lo, abs=1e-9), pytest.approx(hi, abs=1e-9))


def test_a_corner_takes_the_steeper_edge() -> None:
    cut = CgEnvelope(W9).cut(560)
    assert cut is not None and cut.forward_slope_m_kg == pytest.approx(0.06 / 140)


def test_top_and_bottom_edges_count_as_inside() -> None:
    top = CgEnvelope(W9).cut(700)
    assert top is not None and (top.forward_m, top.aft_m) == (pytest.approx(0.92), pytest.approx(1.09))


def test_outside_the_masses_there_are_no_limits() -> None:
    assert CgEnvelope(W9).cut(399) is None
    assert CgEnvelope(W9).cut(701) is None


def test_forward_and_aft_alone_hold_at_every_mass() -> None:
    cut = CgEnvelope(None, 0.57, 0.86).cut(1e5)
    assert cut is not None and (cut.forward_m, cut.aft_m) == (0.57, 0.86)


@pytest.mark.parametrize(
    ("corners", "said"),
    [
        ([(0, 1), (1, 1)], "three corners"),
        ([(0, 1), (1, 1), (2, 1)], "encloses nothing"),
        ([(0, 0), (2, 2), (2, 0), (0, 3)], "crosses itself"),
    ],
)
def test_bad_outlines_are_refused(corners: list[tuple[float, float]], said: str) -> None:
    with pytest.raises(InputError, match=said):
        check_polygon(corners, "/craft/limits/envelope")


def test_an_outline_with_two_bands_at_one_mass_is_refused() -> None:
    notched = ((0.0, 0.0), (0.0, 10.0), (1.0, 10.0), (1.0, 5.0), (2.0, 5.0), (2.0, 10.0), (3.0, 10.0), (3.0, 0.0))
    with pytest.raises(InputError, match="two bands"):
        CgEnvelope(notched).cut(8.0)


@given(st.lists(st.tuples(st.floats(0, 5), st.floats(100, 900)), min_size=4, max_size=7, unique=True))
def test_self_crossing_against_shapely(corners: list[tuple[float, float]]) -> None:
    """What shapely calls a proper crossing is refused; what it calls valid is accepted."""
    polygon = Polygon(corners)
    if polygon.is_valid and polygon.area > 1e-3:
        check_polygon(corners, "/x")
