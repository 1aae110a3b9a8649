"""Mounts of boats, scooters and road craft: worked cases C8, C9, C11, C12, and sums that close on every structure."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.errors import InputError
from crooked_keel.core.mount.face.functions import face_moment, overhung_motor_face, third_point
from crooked_keel.core.mount.points.functions import (
    MountSpring,
    engine_mount_wrench,
    final_drive_wrench,
    mount_reactions,
    sums_close,
)
from crooked_keel.core.mount.swing.functions import swing_unit_reactions
from crooked_keel.core.physics.geometry import shaft_direction
from crooked_keel.core.resolved.handed import FinalDrive
from tests.conftest import DEMO_OF, KIND_IDS, finding, put, value
from tests.kept import assess

G0 = 9.80665
UP, ALONG = np.array([0, 0, 1.0]), np.array([1.0, 0, 0])
# C11: port-front, starboard-front, starboard-aft, port-aft; k up 2.0e5, fore and aft 6.0e5, athwart 1.5e5 N/m.
FEET = [
    MountSpring(n, np.array(p), UP, 2.0e5, 6.0e5, 1.5e5)
    for n, p in (("pf", (-0.38, -0.28, 0)), ("sf", (-0.38, 0.28, 0)), ("sa", (0.32, 0.28, 0)), ("pa", (0.32, -0.28, 0)))
]
CG = np.array([0, 0.01, 0.12])
SHAFT = shaft_direction(np.radians(10))


def feet(torque: float, thrust: float, n: tuple[float, float, float] = (0, 0, 1)) -> list[float]:
    """Down-load on each foot of C11's bed."""
    wrench = engine_mount_wrench(
        250, CG, np.array(n), CG, torque, thrust, np.array([0.55, 0, -0.02]), SHAFT, np.zeros(3)
    )
    return [float(-z) for z in mount_reactions(FEET, CG, wrench[:, None]).load_n[:, 2, 0]]


@pytest.mark.parametrize(
    ("torque", "thrust", "n", "down"),
    [
        (0, 0, (0, 0, 1), [538.5, 582.3, 687.3, 643.6]),
        (500, 4000, (0, 0, 1), [1036.0, 200.5, -157.4, 678.1]),
        (-350, -2500, (0, 0, 1), [194.6, 853.9, 1248.3, 589.0]),
        (500, 4000, (0, 0, 4), [2651.4, 1947.3, 1904.6, 2608.8]),
        (500, 0, (0, 0, 1), [978.1, 142.6, 247.7, 1083.2]),
    ],
    ids=["static", "ahead", "astern", "slam", "thrust-on-hull"],
)
def test_c11_marine_bed(torque: float, thrust: float, n: tuple[float, float, float], down: list[float]) -> None:
    assert feet(torque, thrust, n) == pytest.approx(down, abs=0.1)


def test_c12_three_points_with_a_torque_rod() -> None:
    """Axle torque of 2250 N·m nose-up on two side mounts and a rod; side mounts given up, fore-and-aft and athwart."""
    mounts = [
        MountSpring("side port", np.array([0, -0.26, 0.12]), UP, 2.5e5, 1.0e6, 2.0e5),
        MountSpring("side starboard", np.array([0, 0.30, 0.10]), UP, 2.5e5, 1.0e6, 2.0e5),
        MountSpring("rod", np.array([0.18, 0.02, -0.15]), ALONG, 3e6, 1e3),
    ]
    cg = np.array([0.03, 0.01, 0])
    wrench = np.concatenate([[0, 0, -80 * G0], [0, 2250, 0]])
    loads = mount_reactions(mounts, cg, wrench[:, None]).load_n[:, :, 0]
    assert loads[0] == pytest.approx([4369.9, -0.3, -403.0], abs=0.15)
    assert loads[1] == pytest.approx([4369.9, 0.5, -374.9], abs=0.15)
    assert loads[2][0] == pytest.approx(-8739.8, abs=0.15)
    regen = np.concatenate([[0, 0, -80 * G0], [0, -1350, 0]])
    assert mount_reactions(mounts, cg, regen[:, None]).load_n[2, 0, 0] == pytest.approx(5100.8, abs=0.15)
    with pytest.raises(InputError, match="free to nod"):
        mount_reactions(mounts[:2], cg, wrench[:, None])


def test_c9_swing_unit() -> None:
    """Static with traction, then a 3 g bump with the arm itself at 1 g (cautious) and at 3 g."""
    at = [np.array(p) for p in ((0, 0.35), (0.30, 0.32), (0.22, 0.72), (0.45, 0.0))]
    cg = np.array([0.32, 0.24])
    standing = swing_unit_reactions(*at, 1100, 350, 38, cg)
    assert standing.shock_n == pytest.approx(878.46, abs=5e-3)
    assert standing.pivot_n == pytest.approx((177.72, 134.05), abs=5e-3)
    bump = swing_unit_reactions(*at, 3300, 0, 38, cg, (0.0, 3.0))
    assert bump.shock_n == pytest.approx(3910.13, abs=5e-3)
    assert bump.pivot_n == pytest.approx((-766.84, 1652.15), abs=5e-3)
    cautious = swing_unit_reactions(*at, 3300, 0, 38, cg)
    assert cautious.shock_n == pytest.approx(4737.41, abs=5e-3) and cautious.pivot_n == pytest.approx(
        (-929.08, 1718.06), abs=5e-3
    )


@given(st.floats(0, 5000), st.floats(-800, 800), st.floats(5, 80))
def test_the_arm_is_in_balance(load: float, traction: float, mass: float) -> None:
    """Forces on the arm add up to nothing, and so do their moments about the wheel's contact."""
    pivot, lower, upper, contact = (np.array(p) for p in ((0.84, 0.29), (1.15, 0.30), (1.09, 0.61), (1.245, 0.0)))
    cg = np.array([1.06, 0.265])
    made = swing_unit_reactions(pivot, lower, upper, contact, load, traction, mass, cg)
    e = (upper - lower) / np.linalg.norm(upper - lower)
    parts = [
        (contact, np.array([-traction, load])),
        (cg, np.array([0, -mass * G0])),
        (lower, -made.shock_n * e),
        (pivot, np.array(made.pivot_n)),
    ]
    assert sum(f for _, f in parts) == pytest.approx(np.zeros(2), abs=1e-6)
    assert sum((p - contact)[1] * f[0] - (p - contact)[0] * f[1] for p, f in parts) == pytest.approx(0, abs=1e-6)


def test_shocks_that_hold_nothing() -> None:
    pivot, contact, cg = np.array([0.0, 0.35]), np.array([0.45, 0.0]), np.array([0.3, 0.24])
    with pytest.raises(InputError, match="one place"):
        swing_unit_reactions(pivot, np.array([0.3, 0.3]), np.array([0.3, 0.3]), contact, 1000, 0, 30, cg)
    with pytest.raises(InputError, match="no lever"):
        swing_unit_reactions(pivot, np.array([0.3, 0.35]), np.array([0.6, 0.35]), contact, 1000, 0, 30, cg)


def test_c8_motor_on_a_face() -> None:
    """80 lb, 7 in out: 63.27 N·m at 1 g, 189.81 in a 3 g bump; six bolts on 320 mm; the third point 300 mm from the
    face."""
    mass, arm = 36.287, 7 * 0.0254
    assert face_moment(1, mass, arm) == pytest.approx(63.27, abs=5e-3)
    assert face_moment(3, mass, arm) == pytest.approx(189.81, abs=0.01)
    bolts = overhung_motor_face(mass, arm, 3, 230, 6, 0.320, 30)
    assert bolts.tension_n == pytest.approx(395.45, abs=0.05)
    assert bolts.shear_n == pytest.approx(403.60, abs=0.05)
    assert third_point(3, mass, arm, 0.10, 0.30) == pytest.approx(741.4, abs=0.1)
    assert third_point(3, mass, arm, 0.10, 0.20) == pytest.approx(988.6, abs=0.2)
    with pytest.raises(InputError, match="three bolts"):
        overhung_motor_face(mass, arm, 3, 230, 2, 0.32)
    with pytest.raises(InputError, match="bolt circle"):
        overhung_motor_face(mass, arm, 3, 230, 6, 0.0)


@given(
    st.lists(st.floats(-3000, 3000), min_size=6, max_size=6),
    st.floats(5e4, 2e6),
    st.floats(5e4, 2e6),
    st.floats(5e4, 2e6),
)
def test_loads_on_three_different_stiffnesses_sum_to_the_wrench(
    wrench: list[float], a: float, b: float, c: float
) -> None:
    mounts = [MountSpring(m.name, m.at_m, UP, a, b, c) for m in FEET]
    columns = np.array(wrench)[:, None]
    assert sums_close(mounts, CG, columns, mount_reactions(mounts, CG, columns).load_n).max() < 1e-6


def test_stiffness_across_is_the_other_way_round_on_a_level_axis() -> None:
    """An upright axis: radial is fore and aft, across athwart; an axis fore and aft: radial athwart, across upright."""
    from crooked_keel.core.mount.points.functions import mount_stiffness

    assert np.diag(mount_stiffness(UP, 3, 2, 1)) == pytest.approx([2, 1, 3])
    assert np.diag(mount_stiffness(ALONG, 3, 2, 1)) == pytest.approx([3, 2, 1])
    assert mount_stiffness(UP, 3, 2, 2) == pytest.approx(mount_stiffness(UP, 3, 2))
    with pytest.raises(InputError):
        mount_stiffness(UP, 3, 2, 0)


def test_a_chain_pulls_its_unit_and_an_axle_nods_it() -> None:
    pull = final_drive_wrench(
        FinalDrive(np.array([1000.0, 0, 0]), np.array([0.8, -0.1, 0.5]), np.zeros(3), 0),
        1.0,
        np.array([0.6, 0, 0.4]),
    )
    assert pull == pytest.approx([1000, 0, 0, 0, 100, 100])
    nod = final_drive_wrench(
        FinalDrive(np.zeros(3), np.zeros(3), np.array([0, 700.0, 0]), 0), 1.0, np.array([0.6, 0, 0.4])
    )
    assert nod == pytest.approx([0, 0, 0, 0, 700, 0])


@pytest.mark.parametrize("kind", KIND_IDS)
@pytest.mark.parametrize("fit", ["a", "b"])
def test_every_case_of_every_kind_closes(kind: str, fit: str) -> None:
    made = assess(DEMO_OF[kind], fit)
    for i in made.installations:
        assert i.mount is not None and (i.mount.cases or i.mount.swing)
        assert all(c.closure is not None and c.closure < 1e-9 for c in i.mount.cases)


def test_thrust_block_unknown_cannot_say() -> None:
    made = assess(put(DEMO_OF["boat"], {"/fits/a/installations/main/mount/thrust_taken": None}), "a")
    assert finding(made, "mount.thrust-path").level == "unknown"
    assert finding(made, "mount.reserve").level == "unknown"
    assert "/fits/a/installations/main/mount/thrust_taken" in {n.pointer for n in made.missing}


def test_thrust_on_the_hull_leaves_the_feet() -> None:
    """Ahead: with the thrust on the hull the sum of fore-and-aft loads on the feet is nothing."""
    for taken, wanted in (("hull", 0.0), ("mount", -4600 * np.cos(0.1499))):
        made = assess(put(DEMO_OF["boat"], {"/fits/a/installations/main/mount/thrust_taken": taken}), "a")
        ahead = next(c for c in made.installations[0].mount.cases if c.id == "ahead")  # type: ignore[union-attr]
        assert sum(p.x_si for p in ahead.points) == pytest.approx(wanted, abs=2.0)


@pytest.mark.parametrize(
    ("kind", "fit", "rule"),
    [
        ("boat", "b", "mount.limit-torque"),
        ("motorcycle", "a", "mount.reserve"),
        ("scooter", "b", "mount.swing"),
        ("road-vehicle", "b", "mount.reserve"),
    ],
)
def test_an_electric_unit_needs_its_peak_torque(kind: str, fit: str, rule: str) -> None:
    """No factor by cylinders: the peak torque as entered, times the ratio; without it nothing is said."""
    at = f"/fits/{fit}/installations/main/unit/peak_torque"
    assert "unknown" not in {f.level for f in assess(DEMO_OF[kind], fit).findings if f.rule == rule}
    gone = finding(assess(put(DEMO_OF[kind], {at: None}), fit), rule)
    assert gone.level == "unknown" and at in {n.pointer for n in gone.needs}


def test_the_torque_of_an_electric_unit_goes_through_its_gear() -> None:
    """The boat's motor turns its shaft at a ratio of one: 243 N·m; twice of it is twice the load."""
    twice = {"/fits/b/installations/main/unit/peak_torque": "486 N·m"}
    assert value(assess(DEMO_OF["boat"], "b"), "mount.limit-torque") == pytest.approx(243)
    assert value(assess(put(DEMO_OF["boat"], twice), "b"), "mount.limit-torque") == pytest.approx(486)


def test_hard_seating_takes_the_table_and_rubber_the_mean() -> None:
    """Four-cylinder diesel bolted hard: twice the four-stroke row (proposed), 4 times the mean."""
    soft = assess(DEMO_OF["boat"], "a")
    hard = assess(put(DEMO_OF["boat"], {"/fits/a/installations/main/mount/seating": "hard"}), "a")
    assert value(hard, "mount.limit-torque") == pytest.approx(4 * value(soft, "mount.limit-torque"))
