"""Small mechanics that several benches share."""

from __future__ import annotations

import math

from ..errors import CannotSay, Gap, InputError
from ..formula import formula


@formula(
    "mechanics.mean-torque",
    "Q = P / ω",
    result=("torque", "mean torque"),
    P=("power", "power"),
    ω=("rotation", "speed"),
    source="definition of power",
    example=(
        (
            60000.0,
            300.0,
        ),
        200.0,
    ),
)
def mean_torque(power_w: float, speed_rad_s: float) -> float:
    """Mean torque of a power at a speed, N·m."""
    if speed_rad_s <= 0:
        raise InputError("~/unit/rated_speed", "the speed must be above zero", allowed="above zero")
    return power_w / speed_rad_s


# Mean-torque factor by kind and cylinders: 14 CFR 23.361(c) before amendment 64 and CS-VLA 361 (from memory).
TORQUE_FACTOR_SOURCE = "14 CFR 23.361(c) before amendment 64; CS-VLA 361 (from memory)"


_FOUR_STROKE = {1: 8.0, 2: 4.0, 3: 3.0, 4: 2.0}


_TWO_STROKE = {1: 6.0, 2: 3.0}


# No row in the codes for compression ignition: twice the four-stroke row (proposed default, the person must confirm).
_DIESEL = 2.0


def torque_factor(kind: str, cylinders: int | None) -> float:
    """Limit torque over mean torque. Raises CannotSay where the codes give none (electric: needs its peak torque)."""
    if kind == "turbine":
        return 1.25
    if kind == "electric" or cylinders is None:
        raise CannotSay(Gap("", "number of cylinders"))
    if kind in ("four-stroke", "diesel"):
        return _FOUR_STROKE.get(cylinders, 1.33) * (_DIESEL if kind == "diesel" else 1.0)
    return _TWO_STROKE.get(cylinders, 2.0)


TURN_SIGN = {"clockwise": 1, "anticlockwise": -1}


def cg_from_suspension(
    first: tuple[float, float],
    first_mark: tuple[float, float],
    second: tuple[float, float],
    second_mark: tuple[float, float],
) -> tuple[float, float]:
    """CG of a bare unit hung by two points in turn: where the two plumb lines, each through its point and a mark under
    it, cross. Places (along, up) in m, in the unit's own frame.

    Raises InputError for a mark at its point and for lines less than 20° apart. Source: statics."""
    ux, uz = first_mark[0] - first[0], first_mark[1] - first[1]
    vx, vz = second_mark[0] - second[0], second_mark[1] - second[1]
    if math.hypot(ux, uz) < 1e-3 or math.hypot(vx, vz) < 1e-3:
        raise InputError(
            "/unit/hung/first_mark_aft",
            "the mark is at the point it hangs from: set it further down the line",
            allowed="a place down the line from the point it hangs from",
        )
    cross = ux * vz - uz * vx
    if abs(cross) < math.sin(math.radians(20)) * math.hypot(ux, uz) * math.hypot(vx, vz):
        raise InputError(
            "/unit/hung/second_aft",
            "the two plumb lines are less than 20° apart: hang it from further off",
            allowed="a point that turns the line by 20° or more",
        )
    t = ((second[0] - first[0]) * vz - (second[1] - first[1]) * vx) / cross
    return first[0] + t * ux, first[1] + t * uz


@formula(
    "mechanics.two-scales",
    "x = (Ra·xa + Rb·xb) / (Ra + Rb)",
    result=("length", "CG of the bare unit"),
    Ra=("mass", "net, first edge"),
    xa=("length", "first edge"),
    Rb=("mass", "net, second edge"),
    xb=("length", "second edge"),
    source="statics",
    example=(
        (
            40.0,
            0.0,
            60.0,
            0.5,
        ),
        0.3,
    ),
)
def two_scale_cg(first_kg: float, first_m: float, second_kg: float, second_m: float) -> float:
    """CG of a bare unit on two edges, m. Raises InputError when both edges are in one place or nothing is weighed."""
    if abs(first_m - second_m) < 1e-6:
        raise InputError(
            "~/unit/on_scales/second_at",
            "both edges are in one place: the CG cannot be found",
            allowed="a place apart from the first edge",
        )
    if first_kg + second_kg <= 0:
        raise InputError("~/unit/on_scales/first_reading", "the scales carry nothing", allowed="above zero")
    return (first_kg * first_m + second_kg * second_m) / (first_kg + second_kg)
