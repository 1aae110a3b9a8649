"""Lines of a road craft: sprockets by a straightedge, wheel by spacers, adapter bore by a dial, universal joints."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

import numpy as np

from ...errors import InputError
from ...figure.units import IN_M
from ...formula import formula


@formula(
    "align.line-angle",
    "θ = (d2 − d1) / b",
    result=("angle", "sprockets out of parallel"),
    d2=("fine_length", "second reading"),
    d1=("fine_length", "first reading"),
    b=("length", "span between the readings"),
    source="geometry, small angles",
    example=(
        (
            0.0006,
            0.0002,
            0.2,
        ),
        0.002,
    ),
    valid="angles within 3°, where sine and angle agree to 0.05 %",
)
def line_angle(second_m: float, first_m: float, span_m: float) -> float:
    """Angle between two lines from two readings a span apart, rad."""
    return (second_m - first_m) / span_m


@formula(
    "align.line-offset",
    "e = d1 + θ·l",
    result=("fine_length", "sprocket planes apart"),
    d1=("fine_length", "first reading"),
    θ=("angle", "angle"),
    l=("length", "first reading to the other sprocket's centre"),
    source="geometry, small angles",
    example=(
        (
            0.0002,
            0.002,
            0.35,
        ),
        0.0009,
    ),
    valid="angles within 3°, where sine and angle agree to 0.05 %",
)
def line_offset(first_m: float, angle_rad: float, distance_m: float) -> float:
    """Offset at a distance from the first reading, m."""
    return first_m + angle_rad * distance_m


CHAIN_ANGLE_RAD = 1 / 300


def chain_offset_limit(centres_m: float) -> float:
    """Largest offset of a chain's sprockets, m: 1 mm under a metre, then a thousandth. Source: chain makers' guides
    (from memory)."""
    return max(0.001, centres_m / 1000)


class Spacers(NamedTuple):
    """Spacers to port and starboard of the hub, m."""

    port_m: float
    starboard_m: float


@formula(
    "align.spacer",
    "s = ½·W − ½·H + t − h",
    result=("length", "spacer to port"),
    W=("length", "inside width"),
    H=("length", "hub width"),
    t=("fine_length", "rim's middle wanted, to starboard"),
    h=("fine_length", "rim's middle from the hub's"),
    source="geometry",
    example=(
        (
            0.13,
            0.1,
            0.006,
            0.001,
        ),
        0.02,
    ),
)
def port_spacer(inside_m: float, hub_m: float, target_m: float, rim_m: float) -> float:
    """Spacer to port of the hub, m."""
    return 0.5 * inside_m - 0.5 * hub_m + target_m - rim_m


def axle_spacers(inside_m: float, hub_m: float, rim_offset_m: float, target_m: float) -> Spacers:
    """Spacers that bring the rim's middle to the target off the frame's centreline (starboard positive); a negative one
    says that the rim cannot be brought there. Source: geometry."""
    port = port_spacer(inside_m, hub_m, target_m, rim_offset_m)
    return Spacers(port, inside_m - hub_m - port)


class RunoutFit(NamedTuple):
    """Eccentricity m and the way to the bore's centre (clockwise, rad), ovality on the diameter, raw total reading and
    misfit, m."""

    eccentricity_m: float
    centre_rad: float
    ovality_m: float
    total_m: float
    misfit_m: float


def runout_of_bore(readings: Sequence[tuple[float, float]]) -> RunoutFit:
    """First and second harmonic of a dial swung in a bore; (angle rad, reading m), plunger in positive. The centre lies
    toward the low reading. Raises InputError with fewer than five readings. Source: least squares."""
    if len(readings) < 5:
        raise InputError(
            "/align/runout", "five readings or more are wanted, eight are advised", given=f"{len(readings)}"
        )
    table = np.array([[1.0, *[f(k * a) for k in (1, 2) for f in (math.cos, math.sin)]] for a, _ in readings])
    read = np.array([v for _, v in readings])
    if np.linalg.matrix_rank(table, tol=1e-9) < 5:
        raise InputError("~/align/runout", "the readings do not go round the bore")
    found, *_ = np.linalg.lstsq(table, read, rcond=None)
    left = read - table @ found
    low = math.atan2(-found[2], -found[1]) % (2 * math.pi)
    return RunoutFit(
        math.hypot(found[1], found[2]),
        low,
        4 * math.hypot(found[3], found[4]),
        float(read.max() - read.min()),
        float(np.sqrt(np.mean(left**2))),
    )


RUNOUT_OK_M = 0.005 * IN_M
RUNOUT_WATCH_M = 0.010 * IN_M


def compound_angle(side_rad: float, plan_rad: float) -> float:
    """True angle of a joint seen at two angles: tan²β = tan²v + tan²h. Source: geometry."""
    return math.atan(math.hypot(math.tan(side_rad), math.tan(plan_rad)))


@formula(
    "align.joint-variation",
    "δ = sin(β)·tan(β)",
    result=("percent", "speed rises and falls by"),
    β=("angle", "angle of the joint"),
    source="kinematics of a universal joint",
    example=((0.5236,), 0.28868),
    valid="one joint alone; a pair in phase at equal angles cancels it",
)
def joint_variation(angle_rad: float) -> float:
    """Total swing of the output speed of a single universal joint, as a share."""
    return math.sin(angle_rad) * math.tan(angle_rad)


# Driveline makers' table (from memory): rpm and largest angle in degrees.
_JOINT = ((1500, 11.5), (2000, 8.67), (2500, 7.0), (3000, 5.83), (3500, 5.0), (4000, 4.25), (4500, 3.67), (5000, 3.25))


def joint_limit(speed_rad_s: float) -> float:
    """Largest angle of a universal joint at a speed, rad; log-log between the rows. Source: driveline makers' table
    (from memory).

    Raises InputError for a joint that stands still."""
    rpm = speed_rad_s * 30 / math.pi
    if rpm <= 0:
        raise InputError("~/align/joints", "a speed above zero is wanted", allowed="above zero")
    if rpm <= _JOINT[0][0]:
        return math.radians(_JOINT[0][1])
    if rpm >= _JOINT[-1][0]:
        return math.radians(_JOINT[-1][1] * _JOINT[-1][0] / rpm)
    for (a, x), (b, y) in pairwise(_JOINT):
        if rpm <= b:
            share = math.log(rpm / a) / math.log(b / a)
            return math.radians(math.exp(math.log(x) + share * math.log(y / x)))
    raise AssertionError("the table covers the range")
