"""A motor bolted to the face of a gearbox: moment on the face, load of the bolts, and a third point at its tail."""

from __future__ import annotations

import math
from typing import NamedTuple

from ...errors import InputError
from ...figure.units import G0_M_S2
from ...formula import formula


@formula(
    "mount.face-moment",
    "M = n·m·9.80665·a",
    result=("moment", "moment on the face"),
    n=("number", "bump, in g"),
    m=("mass", "mass that overhangs"),
    a=("length", "face to its CG"),
    source="statics",
    example=(
        (
            9.0,
            50.0,
            0.2,
        ),
        882.599,
    ),
    valid="nothing else carries the unit",
)
def face_moment(load_factor: float, mass_kg: float, overhang_m: float) -> float:
    """Moment of an overhung motor on the face of the gearbox, N·m."""
    return load_factor * mass_kg * G0_M_S2 * overhang_m


class FaceBolts(NamedTuple):
    """Greatest tension and shear of one bolt, N."""

    tension_n: float
    shear_n: float


def overhung_motor_face(
    mass_kg: float,
    overhang_m: float,
    load_factor: float,
    peak_torque_n_m: float,
    bolts: int,
    circle_m: float,
    first_deg: float | None = None,
) -> FaceBolts:
    """Bolts of an overhung motor: tension M·z/Σz² without preload, shear of weight and torque as vectors, the worse
    sign of the torque. first_deg: first bolt from starboard toward up; None takes the worst that any clocking gives, a
    bolt at the top of the circle for tension and one at its side for shear.

    Raises InputError for fewer than three bolts or a circle of no size. Source: elastic bolt group, statics."""
    if bolts < 3:
        raise InputError("~/mount/face/bolts", "three bolts or more are wanted", given=str(bolts), allowed="3 or more")
    if circle_m <= 0:
        raise InputError("~/mount/face/bolt_circle", "a bolt circle above zero is wanted", allowed="above zero")
    moment = face_moment(load_factor, mass_kg, overhang_m)
    shear = load_factor * mass_kg * G0_M_S2 / bolts
    radius = circle_m / 2
    tangential = peak_torque_n_m / (bolts * radius)
    if first_deg is None:  # Σz² = n·r²/2 however an even circle of three or more is clocked
        return FaceBolts(2 * moment / (bolts * radius), tangential + shear)
    first = math.radians(first_deg)
    at = [
        (radius * math.cos(first + 2 * math.pi * i / bolts), radius * math.sin(first + 2 * math.pi * i / bolts))
        for i in range(bolts)
    ]
    second = sum(z * z for _, z in at)
    worst = max(
        math.hypot(sign * tangential * -z / radius, sign * tangential * y / radius - shear)
        for y, z in at
        for sign in (1, -1)
    )
    return FaceBolts(max(moment * z / second for _, z in at), worst)


def holds_nothing(behind_m: float, third_m: float) -> bool:
    """Whether a third point is at the gearbox's own supports, or ahead of them."""
    return third_m + behind_m < 1e-3


@formula(
    "mount.third-point",
    "R = n·m·9.80665·(a + b) / (l + b)",
    result=("force", "load on the third point"),
    n=("number", "bump, in g"),
    m=("mass", "mass that overhangs"),
    a=("length", "face to its CG"),
    b=("length", "gearbox support to the face"),
    l=("length", "face to the third point"),
    source="lever about the gearbox support",
    example=(
        (
            3.0,
            50.0,
            0.2,
            0.3,
            0.7,
        ),
        735.499,
    ),
    valid="stiff unit and box; the third point and the support carry all",
)
def third_point(load_factor: float, mass_kg: float, overhang_m: float, behind_m: float, third_m: float) -> float:
    """Load on a third point at the motor's tail, N. Both arms are from the line of the gearbox's own supports. Raises
    InputError where point and supports are in one place: nothing is held."""
    if holds_nothing(behind_m, third_m):
        raise InputError(
            "~/mount/face/third_at",
            "the third point is at the gearbox's own supports: it holds nothing",
            allowed="further from them than 1 mm",
        )
    return load_factor * mass_kg * G0_M_S2 * (overhang_m + behind_m) / (third_m + behind_m)
