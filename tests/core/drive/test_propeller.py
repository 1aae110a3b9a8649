"""Propeller kinematics: worked cases C1, C5, C6, C25."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import Drive, Stage
from crooked_keel.core.drive.air.propeller.functions import (
    ground_clearance,
    max_diameter_ground,
    max_diameter_tip,
    tip_mach,
    tip_speed,
)
from crooked_keel.core.drive.train.functions import output_rotation
from crooked_keel.core.errors import CannotSay, InputError
from crooked_keel.core.physics.atmosphere import isa
from crooked_keel.core.physics.mechanics import mean_torque
from crooked_keel.core.resolved.ratios import overall_ratio

RPM = math.pi / 30
HP = 745.6998715822702


def test_c1_torque_from_power() -> None:
    assert mean_torque(150 * HP, 10000 * RPM) == pytest.approx(106.814, abs=0.01)
    assert mean_torque(125 * HP, 9000 * RPM) == pytest.approx(98.902, abs=0.01)
    with pytest.raises(InputError):
        mean_torque(1.0, 0.0)


def _stages(*ratios: str) -> Drive:
    return Drive(
        stages={f"s{i}": Stage.model_validate({"name": f"stage {i}", "ratio": r}) for i, r in enumerate(ratios)}
    )


def test_c1_two_stages() -> None:
    """Common practice, no source; products and quotients by hand."""
    ratio = overall_ratio(_stages("1.23", "3.11"), "/drive", "unit")
    assert ratio == pytest.approx(3.8253)
    assert 10000 / ratio == pytest.approx(2614.18, abs=0.02)
    assert 9000 / ratio == pytest.approx(2352.76, abs=0.02)


def test_c6_teeth_give_the_ratio_and_a_typed_one_must_agree() -> None:
    stage = {"name": "gear", "driver_teeth": "28", "driven_teeth": "87"}
    exact = Drive(stages={"a": Stage.model_validate(stage)})
    assert overall_ratio(exact, "/drive", "unit") == pytest.approx(3.107143, abs=5e-7)
    wrong = Drive(stages={"a": Stage.model_validate({**stage, "ratio": "2.8"})})
    with pytest.raises(InputError, match="the gear: the ratio typed and its teeth do not agree"):
        overall_ratio(wrong, "/drive", "unit")


def test_no_stage_is_direct_drive_and_a_blank_stage_is_a_need() -> None:
    assert overall_ratio(Drive(), "/drive", "unit") == 1.0
    with pytest.raises(CannotSay, match="ratio of the gear"):
        overall_ratio(Drive(stages={"a": Stage(name="gear")}), "/drive", "unit")
    with pytest.raises(CannotSay, match="driven teeth"):
        overall_ratio(
            Drive(stages={"a": Stage.model_validate({"name": "gear", "driver_teeth": "28"})}), "/drive", "unit"
        )


@pytest.mark.parametrize(("mach", "rpm"), [(0.80, 2971.0), (0.85, 3156.7), (0.90, 3342.4)])
def test_c5_speed_for_a_tip_mach(mach: float, rpm: float) -> None:
    a = isa().sound_m_s
    assert tip_mach(1.75, rpm * RPM, a) == pytest.approx(mach, abs=2e-4)
    assert max_diameter_tip(mach, a, rpm * RPM) == pytest.approx(1.75, abs=5e-4)


def test_c5_static() -> None:
    n, a = 10000 / 3.8253 * RPM, isa().sound_m_s
    assert tip_mach(1.75, n, a) == pytest.approx(0.70391, abs=5e-6)
    assert tip_speed(1.75, n) == pytest.approx(0.70391 * a, rel=1e-4)


@pytest.mark.parametrize(("attitude", "expected"), [(0, 0.1750), (8, -0.0215), (12, -0.1199)])
def test_c25_pusher_strikes_on_rotation(attitude: float, expected: float) -> None:
    assert ground_clearance(1.05, -1.4, math.radians(attitude), 1.75) == pytest.approx(expected, abs=5e-5)


@pytest.mark.parametrize(("attitude", "expected"), [(-2, 0.1830), (0, 0.2250), (5, 0.3287)])
def test_c25_tractor_tailwheel(attitude: float, expected: float) -> None:
    assert ground_clearance(1.15, 1.2, math.radians(attitude), 1.85) == pytest.approx(expected, abs=5e-5)


@given(st.floats(0.8, 1.6), st.floats(-1.5, 1.5), st.floats(-0.2, 0.2), st.floats(0.05, 0.4))
def test_largest_diameter_leaves_just_the_clearance(h: float, ahead: float, attitude: float, clearance: float) -> None:
    d = max_diameter_ground(h, ahead, attitude, clearance)
    assert ground_clearance(h, ahead, attitude, d) == pytest.approx(clearance, abs=1e-9)


def test_c6_turning_direction() -> None:
    """Facts of the trade, no source: a gear pair flips, a belt keeps, two gear pairs keep."""
    assert output_rotation(1, ["flips"], ["/a"]) == -1
    assert output_rotation(1, ["keeps"], ["/a"]) == 1
    assert output_rotation(-1, ["flips", "flips"], ["/a", "/b"]) == -1
    with pytest.raises(InputError):
        output_rotation(1, ["sideways"], ["/a"])
