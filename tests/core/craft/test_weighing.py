"""Weighing on supports: handbook cases W1-W3, W5 and refusals."""

from __future__ import annotations

import pytest

from crooked_keel.core.craft.weighing import Scale, weigh_on_supports
from crooked_keel.core.errors import InputError

IN, LB = 0.0254, 0.45359237


def _scale(name: str, gross: float, x: float, y: float, tare: float = 0.0) -> Scale:
    return Scale(name, gross, tare, x, y)


def test_w1_nosewheel_datum_ahead_of_the_mains() -> None:
    """FAA-H-8083-1B ch. 3 (inputs from memory): D 128 in, L 78 in, F 340 lb, W 2006 lb → CG 114.78 in."""
    scales = [
        _scale("nose", 340 * LB, 50 * IN, 0),
        _scale("left", 830 * LB, 128 * IN, -1.2),
        _scale("right", 836 * LB, 128 * IN, 1.2),
    ]
    found = weigh_on_supports(scales)
    assert found.mass_kg == pytest.approx(909.906, abs=5e-4)
    assert found.x_m / IN == pytest.approx(114.78, abs=5e-3)
    assert found.x_m / IN == pytest.approx(128 - 340 * 78 / 2006)  # the handbook's one-line form


def test_w2_nosewheel_datum_aft_of_the_mains() -> None:
    """FAA-H-8083-1B ch. 3 (from memory): D 75 in → −88.22 in."""
    scales = [_scale("nose", 340, -(75 + 78), 0), _scale("left", 830, -75, -40), _scale("right", 836, -75, 40)]
    assert weigh_on_supports(scales).x_m == pytest.approx(-88.22, abs=5e-3)


@pytest.mark.parametrize(("main", "expected"), [(7.5, 19.71), (-80.0, -67.79)])
def test_w3_tailwheel(main: float, expected: float) -> None:
    """FAA-H-8083-1B ch. 3 (from memory): R 67 lb, L 222 in, W 1218 lb, datum ahead and aft of the mains."""
    scales = [_scale("left", 575.5, main, -40), _scale("right", 575.5, main, 40), _scale("tail", 67, main + 222, 0)]
    assert weigh_on_supports(scales).x_m == pytest.approx(expected, abs=5e-3)


def test_w5_canard_pusher_with_tares() -> None:
    scales = [
        _scale("nose", 38.2, -1.10, 0),
        _scale("left", 182.4, 3.02, -0.9, 2.6),
        _scale("right", 184.0, 3.02, 0.9, 2.6),
    ]
    found = weigh_on_supports(scales)
    assert found.mass_kg == pytest.approx(399.4)
    assert found.x_m == pytest.approx(2.62595, abs=5e-6)
    assert found.y_m == pytest.approx(0.00361, abs=5e-6)


@pytest.mark.parametrize(
    ("scales", "said"),
    [
        ([_scale("main", 2.1, 0, 0, 3.1)], "main: the reading is less than its tare"),
        ([_scale("a", 5, 1, 1), _scale("b", 5, 1, 1)], "a and b stand in the same place"),
        ([_scale("a", 5, 1, -1), _scale("b", 5, 1, 1)], "same station"),
        ([_scale("a", 5, 0, 0), _scale("b", 5, 1, 0), _scale("c", 5, 2, 0)], "in one line"),
        ([_scale("a", 1, 0, 0, 1), _scale("b", 1, 2, 1, 1)], "carry nothing"),
    ],
)
def test_refusals_name_the_support(scales: list[Scale], said: str) -> None:
    with pytest.raises(InputError, match=said):
        weigh_on_supports(scales)
