"""Couplings and shaft lines: worked cases 1, 1b, 1c, 9, 10, 27, 28; a ring of points in space as second route."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.align.coupling.functions import (
    adjuster_plan,
    angle_from_gaps,
    coupling_from_face_gaps,
    foot_move,
    gap_limits,
    nut_turns,
    predict_gaps,
    rim_offset_from_step,
    soft_foot_twist,
)
from crooked_keel.core.align.shaft.functions import front_height_gain, packer_height, shaft_angle, unit_angle
from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.geometry import rotation_y, rotation_z
from tests.conftest import DEMO_OF, bare, finding, put, value
from tests.kept import assess

THOU = 0.0254e-3
D = 0.1016
CASE_1 = {12: 12 * THOU, 3: 8 * THOU, 6: 5 * THOU, 9: 9 * THOU}
FRONT, REAR = 36 * 0.0254, 10 * 0.0254


def test_case_1_gaps() -> None:
    """12/8/5/9 thou on a 4 in flange: nose low by 1.750 mrad, front to starboard by 0.250 mrad."""
    made = coupling_from_face_gaps(D, CASE_1)
    assert made.vertical_rad * 1000 == pytest.approx(-1.750, abs=1e-3)
    assert made.sideways_rad * 1000 == pytest.approx(0.250, abs=1e-3)
    assert made.open_bottom_m / THOU == pytest.approx(-7)
    assert made.mean_gap_m / THOU == pytest.approx(8.5)
    assert made.misfit_m < 1e-12
    assert angle_from_gaps(CASE_1[6], CASE_1[12], D) == pytest.approx(made.vertical_rad)


def test_case_1_moves_and_turns() -> None:
    """Offset 3 thou up, 2 to port: front +1.5240 mm, rear +0.3683 mm; sideways −0.1778 and −0.0127 mm; 1.016 and 0.2455
    turns."""
    f = coupling_from_face_gaps(D, CASE_1)
    up = [foot_move(3 * THOU, f.vertical_rad, s) for s in (FRONT, REAR)]
    across = [foot_move(-2 * THOU, f.sideways_rad, s) for s in (FRONT, REAR)]
    assert [v * 1000 for v in up] == pytest.approx([1.5240, 0.3683], abs=5e-4)
    assert [v * 1000 for v in across] == pytest.approx([-0.1778, -0.0127], abs=5e-4)
    assert [nut_turns(v, 1.5e-3) for v in up] == pytest.approx([1.016, 0.2455], abs=5e-4)


def test_case_1b_whole_steps() -> None:
    """12 steps a turn: front 12, rear 3, score 0.243; whole flats: front 8... the search finds no worse than the
    published pair."""
    a = coupling_from_face_gaps(D, CASE_1).vertical_rad
    fine = adjuster_plan(3 * THOU, a, FRONT, REAR, 1.5e-3, D, 3 * THOU, 4 * THOU, 12)
    assert (fine.front_flats, fine.rear_flats) == (12, 3)
    assert fine.score == pytest.approx(0.243, abs=1e-3)
    assert fine.offset_m / THOU == pytest.approx(0.73, abs=5e-3)
    assert fine.angle_rad * D / THOU == pytest.approx(-0.19, abs=5e-3)
    after = predict_gaps(8.5 * THOU, fine.angle_rad, 0.0, D)
    assert (after[12] / THOU, after[6] / THOU) == pytest.approx((8.59, 8.41), abs=5e-3)
    flats = adjuster_plan(3 * THOU, a, FRONT, REAR, 1.5e-3, D, 3 * THOU, 4 * THOU, 6)
    assert flats.score <= 0.5215


def test_case_1c_a_misread_gap_shows() -> None:
    made = coupling_from_face_gaps(D, {**CASE_1, 9: 13 * THOU})
    assert made.misfit_m / THOU == pytest.approx(1.0)


@given(st.floats(-3e-3, 3e-3), st.floats(-3e-3, 3e-3), st.floats(0.08, 0.25))
def test_gaps_of_two_rings_in_space(up: float, side: float, diameter: float) -> None:
    """Second route: turn the unit's face as a ring in space by its two angles, measure the gap along the shaft at each
    clock place. s runs forward, which is −x: nose high is +R_y, front to starboard is −R_z."""
    turn = rotation_z(-side) @ rotation_y(up)
    gaps = {}
    for clock in (12, 3, 6, 9):
        p = math.radians(30 * clock)
        rim = turn @ np.array([0.0, diameter / 2 * math.sin(p), diameter / 2 * math.cos(p)])
        gaps[clock] = 1e-3 - float(rim[0])
    made = coupling_from_face_gaps(diameter, gaps)
    assert made.vertical_rad == pytest.approx(up, abs=2e-5)
    assert made.sideways_rad == pytest.approx(side, abs=2e-5)


@given(st.floats(-2e-3, 2e-3), st.floats(-2e-3, 2e-3), st.floats(3e-4, 2e-3), st.floats(0.08, 0.25))
def test_predicted_gaps_read_back_the_same_angles(up: float, side: float, mean: float, diameter: float) -> None:
    made = coupling_from_face_gaps(
        diameter, {k: abs(v) for k, v in predict_gaps(mean + 3e-4, up, side, diameter).items()}
    )
    assert (made.vertical_rad, made.sideways_rad) == pytest.approx((up, side), abs=1e-9)


@given(st.floats(-4e-4, 4e-4), st.floats(-3e-3, 3e-3))
def test_moved_so_it_is_true(offset: float, angle: float) -> None:
    """After the moves of both feet the unit lies on the shaft's line: new offset and angle are nothing."""
    front, rear = foot_move(offset, angle, FRONT), foot_move(offset, angle, REAR)
    turned = (front - rear) / (FRONT - REAR)
    assert angle + turned == pytest.approx(0, abs=1e-12)
    assert offset + rear - REAR * turned == pytest.approx(0, abs=1e-12)


def test_steps_of_a_rim() -> None:
    """Proud by 4 at the top and 0 at the bottom: 2 up; the closure shows one misread."""
    assert rim_offset_from_step(4, 1, 0, 3) == (2, -1, 0)
    assert rim_offset_from_step(4, 1, 0, 5)[2] == -2


def test_case_28_soft_foot() -> None:
    """Heights 0, 0.4, 0.1, 0.1 mm: the plane nearest to four corners of a rectangle leaves ±0.10 mm (numpy's least
    squares)."""
    corners = np.array([[1, 1, 1], [1, 1, -1], [1, -1, 1], [1, -1, -1]])
    heights = np.array([0, 0.4e-3, 0.1e-3, 0.1e-3])
    left = heights - corners @ np.linalg.lstsq(corners, heights, rcond=None)[0]
    assert soft_foot_twist(*heights) == pytest.approx(left[0]) == pytest.approx(-0.10e-3)
    assert left == pytest.approx([-0.1e-3, 0.1e-3, 0.1e-3, -0.1e-3])
    assert soft_foot_twist(1e-3, 1e-3, 2e-3, 2e-3) == 0  # a tilted plane is no twist


def test_schools_of_the_gap() -> None:
    """4 in: 0.004 and 0.003 in; on a big flange the flat school is the stricter. Marine trade practice (from
    memory)."""
    inch = 0.0254
    assert gap_limits(4 * inch, "by diameter")[0] == pytest.approx(0.004 * inch)
    assert gap_limits(4 * inch, "flat 0.003 in") == pytest.approx((0.003 * inch, 0.004 * inch))
    assert gap_limits(4 * inch, "both") == pytest.approx((0.003 * inch, 0.004 * inch))
    assert gap_limits(2 * inch, "both")[0] == pytest.approx(0.002 * inch)


@pytest.mark.parametrize(
    ("diameter", "gaps", "said"),
    [
        (D, {12: 3e-4, 6: 1e-4}, "one diameter"),
        (D, {12: 3e-4, 6: 1e-4, 3: -1e-4}, "negative"),
        (0.0, CASE_1, "above zero"),
        (102.0, CASE_1, "millimetres meant"),
    ],
)
def test_gaps_that_tell_nothing(diameter: float, gaps: dict[int, float], said: str) -> None:
    with pytest.raises(InputError, match=said):
        coupling_from_face_gaps(diameter, gaps)


def test_feet_in_one_place_and_threads_without_pitch() -> None:
    with pytest.raises(InputError, match="one distance"):
        adjuster_plan(0, 1e-3, 0.5, 0.5, 1.5e-3, D, 1e-4, 1e-4)
    with pytest.raises(InputError, match="thread pitch"):
        nut_turns(1e-3, 0)


def test_case_9_shaft_line() -> None:
    """Coupling (2.20, 0.05), propeller (4.70, −0.36): 9.3136°; an 8° gear leaves 1.3136°, the front 138.9 mm lower over
    a metre."""
    e = shaft_angle(0.41, 2.50)
    assert math.degrees(e) == pytest.approx(9.3136, abs=1e-4)
    assert math.degrees(unit_angle(e, math.radians(8))) == pytest.approx(1.3136, abs=1e-4)
    assert front_height_gain(1.0, e, math.radians(8)) * 1000 == pytest.approx(138.9, abs=0.05)
    assert front_height_gain(0.95, math.radians(12), math.radians(8)) * 1000 == pytest.approx(131.2, abs=0.05)


def test_case_10_packers_through_the_whole_chain() -> None:
    """The feet of case 10 placed by the resolver behind the shaft line of case 9: 80.40, 76.40, 118.66, 114.66 mm."""
    unit = "/fits/a/installations/main"
    feet = {
        "front-port": (820, -280, 20, -86.61),
        "front-starboard": (820, 280, 20, -82.61),
        "rear-port": (220, -280, 60, -98.63),
        "rear-starboard": (220, 280, 60, -94.63),
    }
    figures = {
        f"{unit}/placement/flange_station": "2.20 m",
        f"{unit}/placement/flange_butt_line": "0 mm",
        f"{unit}/placement/flange_water_line": "50 mm",
        f"{unit}/placement/propeller_station": "4.70 m",
        f"{unit}/placement/propeller_water_line": "-360 mm",
        f"{unit}/drive/down_angle": "8°",
        f"{unit}/mount/height": "95 mm",
        f"{unit}/drive/length": "0 mm",
        f"{unit}/drive/stages/gear": None,
    }
    for key, (x, y, z, top) in feet.items():
        p = f"{unit}/mount/points/{key}"
        figures |= {
            f"{p}/unit_aft": {"entered": f"{x} mm", "dir": "forward"},
            f"{p}/unit_starboard": f"{y} mm",
            f"{p}/unit_up": f"{z} mm",
            f"{p}/structure_water_line": f"{top} mm",
        }
    made = assess(bare("boat", figures), "a")
    assert not made.failures
    packers = [value(made, f"align.packer-{k}") * 1000 for k in feet]
    assert packers == pytest.approx([80.40, 76.40, 118.66, 114.66], abs=0.02)
    assert finding(made, "align.packers").level == "watch"  # r49: so tall a stack sways
    low = assess(
        put(bare("boat", figures), {f"{unit}/mount/points/front-starboard/structure_water_line": "-2 mm"}), "a"
    )
    assert finding(low, "align.packers").level == "stop"
    assert packer_height(0.1, 0.05, 0.095) == pytest.approx(-0.045)


def test_the_boatyard_opens_align_alone() -> None:
    """Diameter, four gaps, foot distances and nothing else: flats per foot, all four feet, and the soft one."""
    c = "/fits/a/installations/main/align/coupling"
    figures = {
        f"{c}/diameter": "4 in",
        f"{c}/gap_12": "12 thou",
        f"{c}/gap_3": "8 thou",
        f"{c}/gap_6": "5 thou",
        f"{c}/gap_9": "9 thou",
        f"{c}/front_feet": "36 in",
        f"{c}/rear_feet": "10 in",
        f"{c}/thread_pitch": "1.5 mm",
    }
    soft = {
        f"{c}/under_front_port": "0 mm",
        f"{c}/under_front_starboard": "0 mm",
        f"{c}/under_rear_port": "0 mm",
        f"{c}/under_rear_starboard": "0.4 mm",
    }
    made = assess(bare("boat", {**figures, **soft}), "a")
    assert not made.failures
    feet = {f.id: f for f in made.installations[0].align.coupling.feet}  # type: ignore[union-attr]
    assert len(feet) == 4
    assert feet["front_port"].up_si == feet["front_starboard"].up_si == pytest.approx(1.75e-3 * FRONT, rel=1e-3)
    assert feet["front_port"].flats == 7.0 and feet["rear_port"].flats == 2.0
    assert {k for k, f in feet.items() if f.soft} == {"front_port", "rear_starboard"}
    assert finding(made, "align.gap").level == "stop"
    assert finding(made, "align.soft-foot").level == "stop"
    # The flats are drawn at every foot; whether there is thread left for them, and the offset, nobody has read.
    assert finding(made, "align.flats").level == "unknown"
    with_thread = assess(bare("boat", {**figures, **soft, f"{c}/thread_up": "20 mm", f"{c}/thread_down": "20 mm"}), "a")
    assert finding(with_thread, "align.flats").level == "watch"


def test_facing_aft_swaps_port_and_starboard() -> None:
    """The same four gaps read by a person who faced aft: what he calls 3 is 9; the sideways moves change sign."""
    forward = assess(DEMO_OF["boat"], "a")
    aft = assess(put(DEMO_OF["boat"], {"/fits/a/installations/main/align/coupling/facing": "aft"}), "a")
    assert value(aft, "align.gap-port") == pytest.approx(-value(forward, "align.gap-port")) != 0
    sideways = [made.installations[0].align.coupling.feet[0].starboard_si for made in (forward, aft)]  # type: ignore[union-attr]
    assert sideways[0] == pytest.approx(-sideways[1]) and sideways[0]
    assert value(aft, "align.front-up") == pytest.approx(value(forward, "align.front-up"))
