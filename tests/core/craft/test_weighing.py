"""Weighing on supports: handbook cases W1-W3, W5 and refusals."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.assess import Assessment
from crooked_keel.core.craft.weighing.functions import (
    Scale,
    cg_height_by_tilt,
    corner_weights,
    level_shift,
    weigh_on_supports,
)
from crooked_keel.core.document import Project
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import Value
from crooked_keel.core.physics.mechanics import two_scale_cg
from tests.conftest import put, value
from tests.kept import assess

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


def test_w26_height_by_lifting_the_front() -> None:
    """W26: unequal wheels, 15.106° of tilt, 0.46437 m; half a kilogram more is 17.5 mm more."""
    x = 85.5 * 1.345 / 142
    made = cg_height_by_tilt(142, x, 1.345, 0.26, 0.245, 0.35, 91.6)
    assert math.degrees(made.tilt_rad) == pytest.approx(15.106, abs=1e-3)
    assert made.height_m == pytest.approx(0.46437, abs=1e-5)
    assert cg_height_by_tilt(142, x, 1.345, 0.26, 0.245, 0.35, 92.1).height_m == pytest.approx(0.48186, abs=1e-5)
    assert made.height_per_kg == pytest.approx(0.035, abs=2e-4)
    assert cg_height_by_tilt(200, 0.65, 1.4, 0.3, 0.3, 0.4, 104).height_m == pytest.approx(0.561620, abs=1e-6)


def test_w30_height_of_a_car_by_lifting_the_front() -> None:
    made = cg_height_by_tilt(680, 1.073471, 2.31, 0.29, 0.29, 0.6, 331.5)
    assert math.degrees(made.tilt_rad) == pytest.approx(15.0547, abs=1e-4)
    assert made.height_m == pytest.approx(0.485762, abs=2e-6)


@given(st.floats(0.3, 0.9), st.floats(0.35, 0.7), st.floats(0.2, 0.6))
def test_lifting_either_end_finds_the_same_height(x: float, z: float, lift: float) -> None:
    """Forward by rigid-body statics: turn the craft, take moments, and read the scale; both ends give the height
    back."""
    base, rf, rr, m = 1.4, 0.28, 0.31, 180.0
    for end in ("front", "rear"):
        at, front, rear = (x, rf, rr) if end == "front" else (base - x, rr, rf)
        across = math.hypot(base, rear - front)
        a0, a1 = math.asin((rear - front) / across), math.asin((rear - front - lift) / across)
        tilt = a0 - a1
        arm = at * math.cos(tilt) + (z - front) * math.sin(tilt)
        reading = m * arm / (across * math.cos(a1))
        if tilt > math.radians(3):
            assert cg_height_by_tilt(m, at, base, front, rear, lift, reading).height_m == pytest.approx(z, abs=1e-9)


@pytest.mark.parametrize(
    ("figures", "said"),
    [
        ((142, 0.8, 0.0, 0.26, 0.26, 0.35, 91.6), "one place"),
        ((142, 1.5, 1.345, 0.26, 0.26, 0.35, 91.6), "between the axles"),
        ((142, 0.8, 1.345, 0.26, 0.26, 0.0, 91.6), "above zero"),
        ((142, 0.8, 1.345, 0.26, 0.26, 0.05, 91.6), "under 3°"),
        ((142, 0.8, 1.345, 0.26, 0.26, 1.4, 91.6), "lifted so far"),
    ],
)
def test_tilts_that_tell_nothing(figures: tuple[float, ...], said: str) -> None:
    with pytest.raises(InputError, match=said):
        cg_height_by_tilt(*figures)


def test_w30_corners() -> None:
    """680 kg: front 53.529 %, left 50.000 %, cross 48.235 %."""
    made = corner_weights(188, 176, 152, 164)
    assert made == pytest.approx((0.53529, 0.5, 0.48235), abs=1e-5)
    with pytest.raises(InputError, match="carry nothing"):
        corner_weights(0, 0, 0, 0)


def test_a_bare_unit_on_two_scales_and_a_plank() -> None:
    """Statics by hand: 60 kg and 40 kg on edges a metre apart; the CG lies two fifths of the way from the first."""
    assert two_scale_cg(60, 0.0, 40, 1.0) == pytest.approx(0.4)
    assert two_scale_cg(60, -0.2, 40, 0.8) == pytest.approx(0.2)
    with pytest.raises(InputError, match="one place"):
        two_scale_cg(60, 0.5, 40, 0.5)
    with pytest.raises(InputError, match="carry nothing"):
        two_scale_cg(0, 0.0, 0, 1.0)


def test_a_craft_off_level() -> None:
    """0.45 m at 1.0° nose up: the scales put the CG 7.9 mm too far aft."""
    assert level_shift(0.45, math.radians(1.0)) * 1000 == pytest.approx(7.9, abs=0.05)


@given(st.floats(-4.9, 4.9), st.floats(0.1, 1.5), st.floats(0.1, 1.3))
def test_scales_under_a_tilted_craft(pitch_deg: float, height: float, x: float) -> None:
    """A stick with its CG at (x, height) over two axles 1.4 m apart, tilted, the forces plumb: lever arms from
    scratch."""
    turn, base, mass = math.radians(pitch_deg), 1.4, 300.0
    across = x * math.cos(turn) + height * math.sin(turn)  # nose up: what is high goes aft
    rear = mass * across / (base * math.cos(turn))
    measured = rear * base / mass  # stations as if it were level
    assert measured - level_shift(height, turn) == pytest.approx(x, abs=1e-12)


def found_of(made: Assessment) -> Value:
    return next(v for v in made.values if v.id == "craft.station-found")


def test_corrected_in_the_document_and_in_doubt_where_it_cannot_be(project: Project) -> None:
    level = assess(project, "a")
    off = assess(put(project, {"/craft/as_found/pitch": "1°"}), "a")
    # r27: without the radius of a tyre nothing is taken out, and as much is in doubt.
    assert found_of(off).si == value(level, "craft.station-found") and (found_of(off).plus_minus_si or 0) > 0.03
    radii = {f"/craft/supports/{k}/radius": "200 mm" for k in project.craft.supports}
    project = put(project, radii)
    off = assess(put(project, {"/craft/as_found/pitch": "1°"}), "a")
    ground = -1.18 + 0.20  # axles of the mains
    assert value(level, "craft.station-found") - value(off, "craft.station-found") == pytest.approx(
        (0.02 - ground) * math.tan(math.radians(1)), rel=1e-9
    )
    blind = assess(put(project, {"/craft/as_found/pitch": "1°", "/craft/as_found/water_line": None}), "a")
    found = next(v for v in blind.values if v.id == "craft.station-found")
    assert found.si == value(level, "craft.station-found")
    assert (found.plus_minus_si or 0) > 2 * math.tan(math.radians(1))
