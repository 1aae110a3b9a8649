"""Mount loads: worked cases C1-C3, C11, the bolt-group formula, and a frame program as oracle."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.errors import CannotSay, InputError
from crooked_keel.core.mount.points.functions import (
    MountSpring,
    engine_mount_wrench,
    gyroscopic_moment,
    limit_engine_torque,
    manoeuvre_load_factor,
    mount_reactions,
    mount_stiffness,
    sums_close,
    two_blade_moments,
)
from crooked_keel.core.physics.mechanics import mean_torque, torque_factor

RPM, G0, LB = math.pi / 30, 9.80665, 0.45359237
FORWARD = np.array([-1.0, 0, 0])
NONE = np.zeros(3)
M1 = [(0.60, -0.13, 0.13), (0.60, 0.13, 0.13), (0.60, 0.13, -0.13), (0.60, -0.13, -0.13)]
REFERENCE = np.array([0.6, 0.0, 0.0])


def springs(points: list[tuple[float, float, float]], axial: float = 5e5, radial: float = 5e5) -> list[MountSpring]:
    return [MountSpring(f"E{i + 1}", np.array(p), np.array([1.0, 0, 0]), axial, radial) for i, p in enumerate(points)]


def test_c1_limit_torque() -> None:
    """300 hp at 2700 rpm, six cylinders: mean 791.212, ×1.33 = 1052.312; turbine at 2000 rpm ×1.25 = 1335.170 N·m."""
    p = 300 * 745.6998715822702
    assert mean_torque(p, 2700 * RPM) == pytest.approx(791.212, abs=5e-4)
    assert limit_engine_torque(torque_factor("four-stroke", 6), p, 2700 * RPM) == pytest.approx(1052.312, abs=5e-4)
    assert limit_engine_torque(torque_factor("turbine", None), p, 2000 * RPM) == pytest.approx(1335.170, abs=5e-4)


@pytest.mark.parametrize(
    ("kind", "cylinders", "factor"),
    [
        ("four-stroke", 1, 8),
        ("four-stroke", 2, 4),
        ("four-stroke", 3, 3),
        ("four-stroke", 4, 2),
        ("four-stroke", 5, 1.33),
        ("two-stroke", 1, 6),
        ("two-stroke", 2, 3),
        ("two-stroke", 3, 2),
    ],
)
def test_torque_factors(kind: str, cylinders: int, factor: float) -> None:
    """14 CFR 23.361(c) before amendment 64 and CS-VLA 361 (from memory)."""
    assert torque_factor(kind, cylinders) == factor


def test_electric_units_have_no_factor_by_the_codes() -> None:
    with pytest.raises(CannotSay):
        torque_factor("electric", 4)


@pytest.mark.parametrize(("pounds", "up"), [(1650, 3.8), (6000, 3.600), (12500, 3.1667)])
def test_c1_load_factor(pounds: float, up: float) -> None:
    """14 CFR 23.337 before amendment 64 (from memory)."""
    found = manoeuvre_load_factor(pounds * LB, "normal")
    assert found[0] == pytest.approx(up, abs=5e-5)
    assert found[1] == pytest.approx(-0.4 * up, abs=5e-5)
    assert manoeuvre_load_factor(500, "very light") == (3.8, -1.5)
    assert manoeuvre_load_factor(500, "utility")[0] == 4.4


def test_c2_gyroscopic_moment() -> None:
    w = 2700 * RPM
    assert gyroscopic_moment(1.8, w, 1, FORWARD, 1.0, 0.0) == pytest.approx([0, 0, -508.938], abs=5e-4)
    assert gyroscopic_moment(1.8, w, 1, FORWARD, 0.0, 2.5) == pytest.approx([0, -1272.345, 0], abs=5e-4)
    assert gyroscopic_moment(1.8, w, -1, FORWARD, 1.0, 0.0)[2] > 0


def test_two_blades_pulsate_from_nothing_to_twice_the_mean() -> None:
    made = two_blade_moments(1.8, 2700 * RPM, 1, FORWARD, 1.0, 0.0)
    assert made[0] == pytest.approx([0, 0, 0], abs=1e-9)
    assert np.abs(made[2]) == pytest.approx([0, 508.938, 508.938], abs=5e-4)
    assert made[2][2] == pytest.approx(-508.938, abs=5e-4)
    assert made[4] == pytest.approx([0, 0, -1017.876], abs=1e-3)
    assert np.mean(made, axis=0) == pytest.approx([0, 0, -508.938], abs=1e-3)


def c3_wrench(n: tuple[float, float, float], torque: float, thrust: float, gyro: np.ndarray = NONE) -> np.ndarray:
    return engine_mount_wrench(
        110, np.array([0.35, 0, 0.02]), np.array(n), REFERENCE, torque, thrust, np.array([0, 0, 0.03]), FORWARD, gyro
    )


def test_c3_pull_up_wrench_and_reactions() -> None:
    """110 kg, 75 kW at 2400 rpm four-cylinder (limit torque 596.831), thrust 2200 N at z 0.03, n 3.8; four equal
    springs."""
    torque = limit_engine_torque(2.0, 75000, 2400 * RPM)
    assert torque == pytest.approx(596.831, abs=5e-4)
    w = c3_wrench((0, 0, 3.8), torque, 2200)
    assert w[:3] == pytest.approx([-2200, 0, -4099.180], abs=5e-4)
    assert w[3:] == pytest.approx([596.831, -1090.795, 0], abs=5e-4)
    loads = mount_reactions(springs(M1), REFERENCE, w[:, None]).load_n[:, :, 0]
    expected = [
        (-2647.7, -573.9, -1598.7),
        (-2647.7, -573.9, -450.9),
        (1547.7, 573.9, -450.9),
        (1547.7, 573.9, -1598.7),
    ]
    for load, wanted in zip(loads, expected, strict=True):
        assert load == pytest.approx(wanted, abs=0.05)


def test_c3_side_and_turning_wrenches() -> None:
    side = c3_wrench((0, 1.33, 1.0), 0, 0)
    assert side == pytest.approx([0, -1434.713, -1078.732, 28.694, -269.683, 358.678], abs=6e-4)
    torque = limit_engine_torque(2.0, 75000, 2400 * RPM)
    gyro = gyroscopic_moment(0.9, 2400 * RPM, 1, FORWARD, 1.0, 2.5)
    w = c3_wrench((0, 0, 2.5), torque, 2200, gyro)
    assert w[3:] == pytest.approx([596.831, -1305.694, -226.195], abs=5e-4)


def test_clockwise_torque_presses_the_port_side_down() -> None:
    """Fact of the trade, no source: a clockwise propeller rolls the unit anticlockwise seen from aft."""
    loads = mount_reactions(springs(M1), REFERENCE, c3_wrench((0, 0, 1), 500, 0)[:, None]).load_n[:, 2, 0]
    assert loads[0] < loads[1] and loads[3] < loads[2]


def test_c11_marine_bed_static() -> None:
    """Four feet, k vertical 2e5, fore-aft 6e5, athwart 1.5e5 N/m: down-loads 538.5, 582.3, 687.3, 643.6 N.

    Mounts alike in both directions across the axis cannot say three stiffnesses; statics alone fixes these."""
    feet = [(-0.38, -0.28, 0.0), (-0.38, 0.28, 0.0), (0.32, 0.28, 0.0), (0.32, -0.28, 0.0)]
    mounts = [MountSpring(f"{i}", np.array(p), np.array([0, 0, 1.0]), 2e5, 1.5e5) for i, p in enumerate(feet)]
    w = engine_mount_wrench(250, np.array([0, 0.01, 0.12]), np.array([0, 0, 1.0]), NONE, 0, 0, NONE, FORWARD, NONE)
    down = -mount_reactions(mounts, NONE, w[:, None]).load_n[:, 2, 0]
    assert down == pytest.approx([538.5, 582.3, 687.3, 643.6], abs=0.05)


def test_emergency_forward_throws_the_unit_forward() -> None:
    assert c3_wrench((9, 0, 0), 0, 0)[0] == pytest.approx(-9 * 110 * G0)


COMPONENTS = st.lists(st.floats(-5000, 5000), min_size=6, max_size=6)


@given(COMPONENTS)
def test_equal_springs_against_the_bolt_group_formula(parts: list[float]) -> None:
    """Hand formula of the elastic bolt group: f = F/n + M·r/Σr² (textbook statics)."""
    w = np.array(parts)
    loads = mount_reactions(springs(M1), REFERENCE, w[:, None]).load_n[:, :, 0]
    y, z = np.array([p[1] for p in M1]), np.array([p[2] for p in M1])
    r2 = float((y**2 + z**2).sum())
    fx = w[0] / 4 + w[4] * z / (z**2).sum() - w[5] * y / (y**2).sum()
    fy = w[1] / 4 - w[3] * z / r2
    fz = w[2] / 4 + w[3] * y / r2
    assert np.allclose(loads, np.column_stack([fx, fy, fz]), atol=1e-6)


@given(COMPONENTS, st.lists(st.floats(-0.5, 0.5), min_size=12, max_size=12), st.floats(1e4, 1e6))
def test_reactions_sum_to_the_load_whatever_the_points(parts: list[float], places: list[float], radial: float) -> None:
    points = [tuple(places[i : i + 3]) for i in (0, 3, 6, 9)]
    w = np.array(parts)[:, None]
    try:
        mounts = springs(points, 4e5, radial)  # type: ignore[arg-type]
        shared = mount_reactions(mounts, NONE, w)
    except InputError:
        return  # two points in one place, or nearly in a line
    if np.abs(w).max() > 1:
        assert sums_close(mounts, NONE, w, shared.load_n)[0] < 1e-6


def test_four_point_frame_against_an_outside_frame_program() -> None:
    """PyNiteFEA: a stiff spider of four beams from the CG, each tip on three springs; all loads at the CG."""
    from Pynite import FEModel3D

    axial, radial = 4.2e5, 3.0e5
    cg = np.array([0.35, 0.01, 0.02])
    model = FEModel3D()
    model.add_material("stiff", 2e11, 1e11, 0.0, 1.0)
    model.add_section("stiff", 1.0, 1.0, 1.0, 1.0)
    model.add_node("cg", *cg)
    for i, point in enumerate(M1):
        model.add_node(f"E{i}", *point)
        model.add_member(f"m{i}", "cg", f"E{i}", "stiff", "stiff")
        for axis, k in (("DX", axial), ("DY", radial), ("DZ", radial)):
            model.def_support_spring(f"E{i}", axis, k)
    w = c3_wrench((0.5, 0.7, 3.8), 596.8, 2200)
    about = w.copy()
    about[3:] += np.cross(REFERENCE - cg, w[:3])
    for name, value in zip(("FX", "FY", "FZ", "MX", "MY", "MZ"), about, strict=True):
        model.add_node_load("cg", name, float(value))
    model.analyze_linear()
    loads = mount_reactions(springs(M1, axial, radial), REFERENCE, w[:, None]).load_n[:, :, 0]
    for i in range(4):
        node = model.nodes[f"E{i}"]
        there = [axial * node.DX["Combo 1"], radial * node.DY["Combo 1"], radial * node.DZ["Combo 1"]]
        assert loads[i] == pytest.approx(there, rel=1e-5, abs=0.05)


@pytest.mark.parametrize(
    ("points", "said"),
    [
        ([(0.0, 0.0, 0.0), (0.0, 0.0005, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)], "within 1 mm"),
        ([(0.0, 0.0, 0.0)], "free to turn about its one point"),
        ([(0.0, -0.2, 0.0), (0.0, 0.2, 0.0)], "free to nod"),
        ([], "no mount points"),
    ],
)
def test_what_does_not_hold_is_named(points: list[tuple[float, float, float]], said: str) -> None:
    with pytest.raises(InputError, match=said):
        mount_reactions(springs(points), NONE, np.ones((6, 1)))


def test_stiffness_of_a_slanted_mount() -> None:
    k = mount_stiffness(np.array([1.0, 1.0, 0.0]), 3.0, 1.0)
    along = np.array([1.0, 1.0, 0.0]) / math.sqrt(2)
    assert k @ along == pytest.approx(3.0 * along)
    assert k @ np.array([0, 0, 1.0]) == pytest.approx([0, 0, 1.0])
    with pytest.raises(InputError):
        mount_stiffness(np.zeros(3), 1, 1)
    with pytest.raises(InputError):
        mount_stiffness(np.array([1.0, 0, 0]), 0, 1)
