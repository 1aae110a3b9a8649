"""Threads by the tables of the trade, torques by hand, the order of tightening, and what does not read."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.build.torque.functions import (
    computed_torque,
    read_grade,
    read_thread,
    tightening_sequence,
    torque_wrench_setting,
)
from crooked_keel.core.errors import InputError

FT_LB = 1.3558179483


@pytest.mark.parametrize(
    ("thread", "area_mm2"),
    # Stress areas: ISO 898-1, table of coarse threads, and ASME B1.1 in square inches (from memory).
    [
        ("M4", 8.78),
        ("M6", 20.1),
        ("M8", 36.6),
        ("M10", 58.0),
        ("M10x1.25", 61.2),
        ("M12", 84.3),
        ("M16", 157.0),
        ("M20", 245.0),
        ("1/4-20", 0.0318 * 645.16),
        ("3/8-16", 0.0775 * 645.16),
        ("1/2-13", 0.1419 * 645.16),
        ("5/16-24", 0.0580 * 645.16),
    ],
)
def test_areas_of_threads_are_those_of_the_tables(thread: str, area_mm2: float) -> None:
    assert read_thread(thread).area_m2 * 1e6 == pytest.approx(area_mm2, rel=0.004)


@pytest.mark.parametrize(
    ("thread", "grade", "lubricant", "n_m"),
    # 75 % of the proof stress, worked by a second hand.
    [
        ("M8", "8.8", "dry", 25.48),
        ("M8", "8.8", "oiled", 19.11),
        ("M10", "10.9", "dry", 72.20),
        ("M12", "8.8", "dry", 87.97),
        ("3/8-16", "grade 5", "dry", 30.87 * FT_LB),
        ("3/8-16", "grade 5", "oiled", 31.40),
        ("3/8-16", "grade 8", "dry", 59.10),
        ("1/2-13", "grade 8", "dry", 144.29),
        ("5/16-24", "gr 5", "dry", 26.14),
    ],
)
def test_torques_by_thread_marking_and_lubricant(thread: str, grade: str, lubricant: str, n_m: float) -> None:
    assert computed_torque(thread, grade, lubricant) == pytest.approx(n_m, rel=2e-3)


def test_a_dry_value_onto_an_oiled_thread_overstretches_it_by_a_third() -> None:
    assert computed_torque("M10", "8.8", "dry") / computed_torque("M10", "8.8", "oiled") == pytest.approx(4 / 3)


def test_large_bolts_of_8_8_are_stronger() -> None:
    """ISO 898-1 (from memory): 580 MPa up to 16 mm, 600 MPa above."""
    assert (read_grade("8.8", 0.016), read_grade("class 8.8", 0.018)) == (580e6, 600e6)


@pytest.mark.parametrize(
    ("count", "order"),
    # The cross pattern of ASME PCC-1 (from memory).
    [
        (1, [1]),
        (4, [1, 3, 2, 4]),
        (5, [1, 3, 5, 2, 4]),
        (8, [1, 5, 3, 7, 2, 6, 4, 8]),
        (12, [1, 7, 4, 10, 2, 8, 5, 11, 3, 9, 6, 12]),
    ],
)
def test_w23_order_of_tightening(count: int, order: list[int]) -> None:
    assert tightening_sequence(count) == order


@given(st.integers(1, 60))
def test_every_fastener_is_tightened_once_and_the_next_lies_across(count: int) -> None:
    order = tightening_sequence(count)
    assert sorted(order) == list(range(1, count + 1))
    if count >= 4:
        step = abs(order[1] - order[0])
        assert min(step, count - step) >= (count - 1) // 2


def test_w31_what_the_wrench_must_show() -> None:
    said = [torque_wrench_setting(50.0, 0.40, 0.06, math.radians(a)) for a in (0, 45, 90)]
    assert said == pytest.approx([43.4783, 45.2053, 50.0], rel=1e-5)


@pytest.mark.parametrize("thread", ["", "M", "M7", "M8x5", "3/0-16", "8.8", "M100", "3/8", "9-16"])
def test_a_thread_that_does_not_read_says_what_would(thread: str) -> None:
    with pytest.raises(InputError) as bad:
        read_thread(thread)
    assert bad.value.field == "thread" and bad.value.allowed


def test_an_unknown_marking_is_unknown_and_not_the_lowest() -> None:
    for grade in ("", "7", "8.9", "grade 6"):
        with pytest.raises(InputError, match="no proof stress"):
            read_grade(grade, 0.01)
