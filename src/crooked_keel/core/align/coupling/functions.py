"""Coupling faces: gaps round the rim → angle; steps → offset; what each foot must do.

The propeller shaft is the reference line. s runs from the coupling face toward the unit. Clock positions are seen from
aft looking forward: 3 is starboard. a_v > 0: the unit's nose is high; a_h > 0: its front swings to starboard; offsets
up and to starboard.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import NamedTuple

import numpy as np

from ...errors import InputError
from ...figure.units import IN_M
from ...formula import formula


class Faces(NamedTuple):
    """Angle of the unit against the shaft, rad; mean gap and what is open at the bottom and to port, m; misfit and its
    freedom."""

    vertical_rad: float
    sideways_rad: float
    mean_gap_m: float
    open_bottom_m: float
    open_port_m: float
    misfit_m: float
    freedom: int


def coupling_from_face_gaps(diameter_m: float, gaps_m: Mapping[int, float]) -> Faces:
    """Least squares of gap(φ) = g0 − R·(a_v·cos φ + a_h·sin φ) over clock positions; one setting of both halves, so an
    error of a face cannot be told from misalignment.

    Raises InputError: no diameter or one over 1 m, a negative gap, fewer than three positions or all on one diameter.
    Source: rigid-body geometry."""
    if diameter_m <= 0:
        raise InputError("~/align/coupling/diameter", "a coupling diameter above zero is wanted", allowed="above zero")
    if diameter_m > 1:
        raise InputError("~/align/coupling/diameter", "over a metre: were millimetres meant?", allowed="up to 1 m")
    for clock, gap in gaps_m.items():
        if gap < 0:
            raise InputError(f"~/align/coupling/gap_{clock}", "a gap cannot be negative; check the sign or the unit")
    angles = [math.radians(30 * clock) for clock in gaps_m]
    table = np.array([[1.0, -diameter_m / 2 * math.cos(p), -diameter_m / 2 * math.sin(p)] for p in angles])
    if len(gaps_m) < 3 or np.linalg.matrix_rank(table, tol=1e-9) < 3:
        raise InputError(
            "~/align/coupling",
            "three clock positions that do not lie on one diameter are wanted; the sideways angle is not known",
        )
    read = np.array(list(gaps_m.values()))
    found, *_ = np.linalg.lstsq(table, read, rcond=None)
    left = read - table @ found
    return Faces(
        float(found[1]),
        float(found[2]),
        float(found[0]),
        float(diameter_m * found[1]),
        float(diameter_m * found[2]),
        float(np.abs(left).max()),
        len(gaps_m) - 3,
    )


@formula(
    "align.angle",
    "a = (G6 − G12) / D",
    result=("fine_angle", "angle in the side view, nose high"),
    G6=("fine_length", "gap at 6"),
    G12=("fine_length", "gap at 12"),
    D=("length", "diameter of the coupling"),
    source="rigid-body geometry",
    example=(
        (
            0.00025,
            0.0001,
            0.1,
        ),
        0.0015,
    ),
    valid="angles within 3°, where sine and angle agree to 0.05 %",
)
def angle_from_gaps(bottom_m: float, top_m: float, diameter_m: float) -> float:
    """Angle in the side view from two gaps, rad."""
    return (bottom_m - top_m) / diameter_m


@formula(
    "align.opening",
    "g = G6 − G12",
    result=("fine_length", "open at the bottom"),
    G6=("fine_length", "gap at 6"),
    G12=("fine_length", "gap at 12"),
    source="rigid-body geometry",
    example=(
        (
            0.00025,
            0.0001,
        ),
        0.00015,
    ),
)
def opening_at_bottom(bottom_m: float, top_m: float) -> float:
    """How much wider the coupling is open at the bottom than at the top, m."""
    return bottom_m - top_m


def rim_offset_from_step(
    top_m: float, starboard_m: float, bottom_m: float, port_m: float
) -> tuple[float, float, float]:
    """Offset up and to starboard, and the closure, from steps of the unit's rim over the shaft's, m. Proud is positive
    at every place.

    Closure: top and bottom together equal left and right together. Source: rigid-body geometry."""
    return (top_m - bottom_m) / 2, (starboard_m - port_m) / 2, (top_m + bottom_m) - (starboard_m + port_m)


@formula(
    "align.foot-move",
    "Δ = −(o + a·s)",
    result=("fine_length", "move of the foot"),
    o=("fine_length", "offset at the coupling"),
    a=("fine_angle", "angle"),
    s=("length", "coupling face to the foot"),
    source="rigid-body geometry",
    example=(
        (
            0.0004,
            0.0015,
            0.4,
        ),
        -0.001,
    ),
    valid="angles within 3°, where sine and angle agree to 0.05 %",
)
def foot_move(offset_m: float, angle_rad: float, distance_m: float) -> float:
    """How far a foot must move, up or to starboard positive, m."""
    return -(offset_m + angle_rad * distance_m)


@formula(
    "align.turns",
    "t = Δ / p",
    result=("number", "turns of the nut"),
    Δ=("fine_length", "move of the foot"),
    p=("fine_length", "pitch of the thread"),
    source="definition of pitch",
    example=(
        (
            0.001,
            0.00125,
        ),
        0.8,
    ),
)
def nut_turns(move_m: float, pitch_m: float) -> float:
    """Turns of the adjusting nut. Raises InputError for a thread without pitch."""
    if pitch_m <= 0:
        raise InputError("~/align/coupling/thread_pitch", "a thread pitch above zero is wanted", allowed="above zero")
    return move_m / pitch_m


class MovePlan(NamedTuple):
    """Whole flats of the nuts, front and rear, what they leave of offset (m) and angle (rad), and the score: over 1
    misses the limits."""

    front_flats: int
    rear_flats: int
    offset_m: float
    angle_rad: float
    score: float


def adjuster_plan(
    offset_m: float,
    angle_rad: float,
    front_m: float,
    rear_m: float,
    pitch_m: float,
    diameter_m: float,
    offset_limit_m: float,
    gap_limit_m: float,
    divisions: int = 6,
) -> MovePlan:
    """Whole steps of the nuts near the exact moves that leave least of both limits: the worse of offset and gap over
    their limits.

    Raises InputError when front and rear feet are in one place. Source: search over whole steps round the exact
    move."""
    if abs(front_m - rear_m) < 1e-3:
        raise InputError("~/align/coupling/front_feet", "front and rear feet are at one distance: no angle can be set")
    step = pitch_m / divisions
    exact = [nut_turns(foot_move(offset_m, angle_rad, s), pitch_m) * divisions for s in (front_m, rear_m)]
    best: MovePlan | None = None
    for f in range(math.floor(exact[0]) - 5, math.floor(exact[0]) + 7):
        for r in range(math.floor(exact[1]) - 5, math.floor(exact[1]) + 7):
            front, rear = f * step, r * step
            turned = (front - rear) / (front_m - rear_m)
            angle, offset = angle_rad + turned, offset_m + rear - rear_m * turned
            score = max(abs(offset) / offset_limit_m, abs(angle) * diameter_m / gap_limit_m)
            if best is None or score < best.score:
                best = MovePlan(f, r, offset, angle, score)
    assert best is not None
    return best


def predict_gaps(mean_m: float, vertical_rad: float, sideways_rad: float, diameter_m: float) -> dict[int, float]:
    """Gaps that should be read at 12, 3, 6 and 9 after a move, m."""
    half = diameter_m / 2
    return {
        clock: mean_m
        - half * (vertical_rad * math.cos(math.radians(30 * clock)) + sideways_rad * math.sin(math.radians(30 * clock)))
        for clock in (12, 3, 6, 9)
    }


def soft_foot_twist(
    front_port_m: float, front_starboard_m: float, rear_port_m: float, rear_starboard_m: float
) -> float:
    """The part of four support heights that no plane fits, m. Negative: front port and rear starboard are low. Source:
    geometry."""
    return (front_port_m - front_starboard_m - rear_port_m + rear_starboard_m) / 4


def gap_limits(diameter_m: float, school: str) -> tuple[float, float]:
    """Largest gap difference that is ok, and that is watch, m. by diameter: 0.001 in per inch, half as much again;
    flat: 0.003 and 0.004 in; both: the smaller of each. Source: marine trade practice, no single source (from
    memory)."""
    by_diameter = 0.001 * diameter_m, 0.0015 * diameter_m
    flat = 0.003 * IN_M, 0.004 * IN_M
    if school == "by diameter":
        return by_diameter
    if school == "flat 0.003 in":
        return flat
    return min(by_diameter[0], flat[0]), min(by_diameter[1], flat[1])


OFFSET_OK_M = 0.003 * IN_M
OFFSET_WATCH_M = 0.005 * IN_M
# How far the four steps may fail to close: two readings on either side. Common practice, no source.
CLOSURE_OK_M = 0.05e-3
CLOSURE_WATCH_M = 0.1e-3
