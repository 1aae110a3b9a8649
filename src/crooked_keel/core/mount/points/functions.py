"""Loads of a power unit on its mount, and what each point of the mount takes of them.

Wrenches are (Fx, Fy, Fz, Mx, My, Mz) of the ENGINE ON THE MOUNT, in N and N·m; the reaction is the opposite.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ...errors import InputError
from ...figure.units import G0_M_S2, LB_KG
from ...formula import formula
from ...physics.geometry import Matrix, Vector, cross, skew, torque_about_x
from ...resolved.handed import FinalDrive


class MountSpring(NamedTuple):
    """A mount point: place (3,) m, axis (3,), stiffness along the axis and across it, N/m; a second one across it,
    where it differs (see `mount_stiffness` for which way)."""

    name: str
    at_m: Vector
    axis: Vector
    axial_n_m: float
    radial_n_m: float
    across_n_m: float | None = None


class Shared(NamedTuple):
    """Displacement (6, cases) at the reference, load on each mount (mounts, 3, cases) in N."""

    displacement: Matrix
    load_n: Matrix


def manoeuvre_load_factor(mass_kg: float, category: str) -> tuple[float, float]:
    """Limit load factors up and down. normal: 2.1 + 24000/(W + 10000), W in lb, not above 3.8, down −0.4 of it;
    utility 4.4 and −1.76; very light +3.8/−1.5. Source: 14 CFR 23.337 before amendment 64, CS-VLA 337 (from memory)."""
    if category == "very light":
        return 3.8, -1.5
    up = 4.4 if category == "utility" else min(3.8, 2.1 + 24000 / (mass_kg / LB_KG + 10000))
    return up, -0.4 * up


def mount_stiffness(axis: Vector, axial_n_m: float, radial_n_m: float, across_n_m: float | None = None) -> Matrix:
    """3×3 stiffness in craft axes. One figure across the axis: k_r·I + (k_a − k_r)·d·dᵀ. Two: radial along e2, across
    along e3, with e2 = z × d (or y × d for an axis that stands upright) and e3 = d × e2; so for an upright axis radial
    is fore and aft, across sideways.

    Raises InputError for an axis of no length or a stiffness not above zero. Source: statics."""
    length = float(np.linalg.norm(axis))
    if length < 1e-9:
        raise InputError("axis", "the axis of a mount has no direction")
    if axial_n_m <= 0 or radial_n_m <= 0 or (across_n_m is not None and across_n_m <= 0):
        raise InputError("stiffness", "a stiffness must be more than zero", allowed="above zero")
    d = axis / length
    if across_n_m is None:
        return np.asarray(radial_n_m * np.eye(3) + (axial_n_m - radial_n_m) * np.outer(d, d))
    e2 = cross(np.array([0.0, 0, 1.0]) if abs(d[2]) < 0.9 else np.array([0.0, 1.0, 0]), d)
    e2 = e2 / np.linalg.norm(e2)
    e3 = cross(d, e2)
    return np.asarray(axial_n_m * np.outer(d, d) + radial_n_m * np.outer(e2, e2) + across_n_m * np.outer(e3, e3))


def gyroscopic_moment(
    inertia_kg_m2: float, speed_rad_s: float, rotation: int, axis: Vector, pitch_rad_s: float, yaw_rad_s: float
) -> Vector:
    """M = H × Ω on the mount, N·m (3,); pitch nose up, yaw nose right; rotation +1 clockwise seen from aft.

    Mean moment of a propeller of three blades or more. Source: rigid-body dynamics."""
    h = inertia_kg_m2 * speed_rad_s * rotation * axis
    return cross(h, np.array([0.0, pitch_rad_s, -yaw_rad_s]))


def two_blade_moments(
    inertia_kg_m2: float,
    speed_rad_s: float,
    rotation: int,
    axis: Vector,
    pitch_rad_s: float,
    yaw_rad_s: float,
    positions: int = 8,
) -> list[Vector]:
    """M(b) = 2·I·ω·(a × b)(b·Ω) at evenly spaced blade positions from upright, N·m.

    A one-piece two-blade propeller: the moment runs from nothing to twice the mean. Source: rigid-body dynamics."""
    up = np.array([0.0, 0.0, 1.0]) - axis[2] * axis
    up /= np.linalg.norm(up)
    across = cross(axis, up)
    turning = np.array([0.0, pitch_rad_s, -yaw_rad_s])
    made = []
    for i in range(positions):
        psi = np.pi * i / positions
        b = np.cos(psi) * up + np.sin(psi) * across
        made.append(2 * inertia_kg_m2 * speed_rad_s * rotation * cross(axis, b) * float(b @ turning))
    return made


def engine_mount_wrench(
    mass_kg: float,
    cg_m: Vector,
    load_factor: Vector,
    reference_m: Vector,
    torque_n_m: float,
    thrust_n: float,
    thrust_point_m: Vector,
    axis: Vector,
    gyro_n_m: Vector,
) -> Vector:
    """Wrench (6,) of the engine on the mount about a reference: inertia, thrust, torque, gyroscopic moment.

    torque: at the output flange, clockwise from aft positive; the mount feels its reaction, −Q about the forward shaft
    axis (`torque_about_x` for a level shaft). Source: statics."""
    inertia = -mass_kg * G0_M_S2 * load_factor
    thrust = thrust_n * axis
    moment = cross(cg_m - reference_m, inertia) + cross(thrust_point_m - reference_m, thrust)
    moment = moment + torque_about_x(torque_n_m) * axis + gyro_n_m
    return np.concatenate([inertia + thrust, moment])


def final_drive_wrench(final: FinalDrive, share: float, reference_m: Vector) -> Vector:
    """Wrench (6,) that the final drive puts on the unit about a reference, with a share of its pull; below nought the
    wheel drives the unit. A chain never pushes: its other run pulls then. Source: statics."""
    if share < 0 and final.other_run_m is not None:
        force, at, moment = -share * final.force_n, final.other_run_m, share * final.moment_n_m
    else:
        force, at, moment = share * final.force_n, final.at_m, share * final.moment_n_m
    return np.concatenate([force, cross(at - reference_m, force) + moment])


_FREE_WORDS = (
    "fore and aft",
    "sideways",
    "up and down",
    "to roll about its length",
    "to nod about its width",
    "to swing about the vertical",
)


# Points nearer to their middle than this are one point, m; a motion held by less than this share of the stiffest is not
# held at all: what is left are the last digits.
_ONE_PLACE_M, NOTHING = 1e-6, 1e-9
# What a tape tells at best, m.
_TAPE_M = 1e-3
# Softest motion of a held unit over its stiffest, in stiffness: below the first it is nearly free, below the second
# free for any purpose. Proposed.
NEARLY_FREE = 5e-4
FREE = 1e-5


def weakest_motion(mounts: Sequence[MountSpring]) -> tuple[float, str]:
    """Stiffness of the softest of the six motions over that of the stiffest, turns by the spread of the points, and the
    softest in words; below `NOTHING` it is not held at all. Raises InputError without a mount. Source: statics of a
    rigid body on springs."""
    if not mounts:
        raise InputError("~/mount/points", "no mount points")
    _, total, spread, _ = _held(mounts)
    return _softest(total, spread)


def _softest(total: Matrix, spread: float) -> tuple[float, str]:
    if spread < _ONE_PLACE_M:
        return 0.0, "to turn about its one point"
    scale = np.diag([1, 1, 1, 1 / spread, 1 / spread, 1 / spread])
    sizes, motions = np.linalg.eigh(scale @ total @ scale)
    return float(sizes[0] / sizes[-1]), _FREE_WORDS[int(np.argmax(np.abs(motions[:, 0])))]


def may_lie_in_line(at_m: Matrix, doubt_m: Vector) -> bool:
    """Whether points (n, 3) may lie in one line within two standard deviations of each, (n,): a line is laid where the
    surest of them are, and each must lie within its doubt of it, a millimetre at least. Proposed."""
    sure = 1 / (doubt_m + _TAPE_M)
    off_m = at_m - np.average(at_m, axis=0, weights=sure**2)
    along = np.linalg.svd(sure[:, None] * off_m)[2][0]
    beside_m = np.linalg.norm(off_m - np.outer(off_m @ along, along), axis=1)
    return bool(np.all(beside_m <= doubt_m + _TAPE_M))


def _held(mounts: Sequence[MountSpring]) -> tuple[Vector, Matrix, float, list[tuple[Matrix, Matrix]]]:
    """Centroid of the mounts, stiffness (6, 6) about it, spread of the mounts, and each mount's arm and stiffness."""
    centre: Vector = np.mean([m.at_m for m in mounts], axis=0)
    arms = [np.hstack([np.eye(3), -skew(m.at_m - centre)]) for m in mounts]
    springs = [mount_stiffness(m.axis, m.axial_n_m, m.radial_n_m, m.across_n_m) for m in mounts]
    total = sum((b.T @ k @ b for b, k in zip(arms, springs, strict=True)), np.zeros((6, 6)))
    spread = float(np.sqrt(np.mean([np.sum((m.at_m - centre) ** 2) for m in mounts])))
    return centre, total, spread, list(zip(arms, springs, strict=True))


def mount_reactions(mounts: Sequence[MountSpring], reference_m: Vector, wrenches: Matrix) -> Shared:
    """Share wrenches (6, cases) given about a reference among springs that hold a rigid body.

    Solved about the centroid of the mounts. Raises InputError naming the free motion when the body is not held, and
    when two mounts coincide. Source: statics of a rigid body on springs; compared with an outside frame program in the
    tests."""
    if not mounts:
        raise InputError("~/mount/points", "no mount points")
    for i, a in enumerate(mounts):
        for b in mounts[i + 1 :]:
            if float(np.linalg.norm(a.at_m - b.at_m)) < 1e-3:
                raise InputError("~/mount/points", f"{a.name} and {b.name} are within 1 mm of each other")
    centre, total, spread, each = _held(mounts)
    share, motion = _softest(total, spread)
    if share < NOTHING:
        raise InputError("~/mount/points", f"the unit is free {motion}: add a mount point")
    about = wrenches.copy()
    about[3:] += cross(np.asarray(reference_m - centre), wrenches[:3])
    moved: Matrix = np.asarray(np.linalg.solve(total, about), dtype=float)
    loads = np.array([k @ b @ moved for b, k in each])
    at_reference = moved.copy()
    at_reference[:3] += cross(moved[3:], reference_m - centre)
    return Shared(np.asarray(at_reference, dtype=float), np.asarray(loads, dtype=float))


def sums_close(mounts: Sequence[MountSpring], reference_m: Vector, wrenches: Matrix, loads_n: Matrix) -> Vector:
    """For each case the largest share of its wrench that the sum of the loads on the points leaves over, (cases,).

    Moments count by the longest arm. A check of every answer by plain statics; about 1e-12 when all is well."""
    arms = np.array([m.at_m - reference_m for m in mounts])
    force = loads_n.sum(axis=0)
    moment = sum((cross(a, loads_n[i]) for i, a in enumerate(arms)), np.zeros_like(force))
    arm = float(np.abs(arms).max())
    size = np.maximum(np.abs(wrenches[:3]).max(axis=0), np.abs(wrenches[3:]).max(axis=0) / arm)
    left = np.maximum(np.abs(force - wrenches[:3]).max(axis=0), np.abs(moment - wrenches[3:]).max(axis=0) / arm)
    return np.asarray(left / np.maximum(size, 1e-9))


@formula(
    "mount.limit-torque",
    "Q = k·P / ω",
    result=("torque", "limit torque at the output flange"),
    k=("number", "mean-torque factor"),
    P=("power", "power"),
    ω=("rotation", "propeller speed"),
    source="14 CFR 23.361(c) before amendment 64; CS-VLA 361 (from memory)",
    example=(
        (
            2.0,
            60000.0,
            600.0,
        ),
        200.0,
    ),
    valid="k by kind of unit and number of cylinders",
)
def limit_engine_torque(factor: float, power_w: float, output_speed_rad_s: float) -> float:
    """Limit torque at the output flange, N·m: factor times mean torque behind the reduction."""
    return factor * power_w / output_speed_rad_s


@formula(
    "mount.carried",
    "m = mu + md + mp",
    result=("mass", "mass on the mount"),
    mu=("mass", "unit, with all that hangs on it"),
    md=("mass", "reduction"),
    mp=("mass", "propeller"),
    source="statics",
    example=(
        (
            60.0,
            12.0,
            8.0,
        ),
        80.0,
    ),
)
def carried_mass(unit_kg: float, drive_kg: float, propeller_kg: float) -> float:
    """Mass that hangs on the points, kg."""
    return unit_kg + drive_kg + propeller_kg


@formula(
    "mount.point-load",
    "F = √(Fx² + Fy² + Fz²)",
    result=("force", "load on the point"),
    Fx=("force", "aft"),
    Fy=("force", "to starboard"),
    Fz=("force", "up"),
    source="statics of a rigid body on springs",
    example=(
        (
            2000.0,
            3000.0,
            6000.0,
        ),
        7000.0,
    ),
    valid="rigid unit, linear springs",
)
def point_load(x_n: float, y_n: float, z_n: float) -> float:
    """Size of the load on a point, N."""
    return math.hypot(x_n, y_n, z_n)


LOAD_FACTOR_SOURCE = "14 CFR 23.337 before amendment 64; CS-VLA 337 (from memory)"


@formula(
    "mount.reserve",
    "RF = S / (uf·ff·F)",
    result=("number", "reserve factor"),
    S=("force", "strength of the point, ultimate"),
    uf=("number", "ultimate factor of the case"),
    ff=("number", "fitting factor"),
    F=("force", "load on the point"),
    source="14 CFR 23.303, 23.625 before amendment 64 (from memory)",
    example=(
        (
            20700.0,
            1.5,
            1.15,
            6000.0,
        ),
        2.0,
    ),
    valid="static strength; fatigue is not in it",
)
def reserve_factor(strength_n: float, ultimate_factor: float, fitting_factor: float, load_n: float) -> float:
    """Reserve factor of a point: strength over load times its factors."""
    return strength_n / (ultimate_factor * fitting_factor * load_n)
