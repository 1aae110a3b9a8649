"""Steering geometry of two-wheelers, and how far drive pull holds the rear up against squat.

x from the front axle, positive aft; heights over the ground. Source: standard two-wheeler geometry, a textbook of
motorcycle dynamics, chapters 1 and 6 (from memory).
"""

from __future__ import annotations

import math
from typing import NamedTuple

from ...errors import InputError
from ...formula import formula

_SOURCE = "two-wheeler geometry, textbook of motorcycle dynamics (from memory)"


@formula(
    "balance.trail",
    "t = (r·sin(ε) − d) / cos(ε)",
    result=("length", "trail on the ground"),
    r=("length", "radius of the front wheel"),
    ε=("angle", "rake, from the vertical"),
    d=("length", "offset of the axle from the steering axis"),
    source=_SOURCE,
    example=(
        (
            0.3,
            0.5236,
            0.03,
        ),
        0.13856,
    ),
    valid="upright, steering straight",
)
def ground_trail(radius_m: float, rake_rad: float, offset_m: float) -> float:
    """How far the front wheel touches behind where the steering axis meets the ground, m."""
    return (radius_m * math.sin(rake_rad) - offset_m) / math.cos(rake_rad)


class Steered(NamedTuple):
    """Rake in rad, and trail on the ground in m."""

    rake_rad: float
    trail_m: float


def rake_trail_after_pitch(
    rake_rad: float, offset_m: float, radius_m: float, base_m: float, front_rise_m: float, rear_rise_m: float
) -> Steered:
    """Rake and trail after the frame is raised at either end: a higher rear steepens the rake.

    Raises InputError without a wheelbase. Source: geometry."""
    if base_m <= 0:
        raise InputError("/craft/supports", "both axles are in one place: no wheelbase")
    rake = rake_rad - math.atan((rear_rise_m - front_rise_m) / base_m)
    return Steered(rake, ground_trail(radius_m, rake, offset_m))


class SteeringPoint(NamedTuple):
    """A point of the side view, m."""

    x_m: float
    z_m: float


def top_run(
    front: SteeringPoint, front_radius_m: float, rear: SteeringPoint, rear_radius_m: float
) -> tuple[SteeringPoint, SteeringPoint]:
    """Where the top run of a chain touches its two sprockets: the tangent above both. Raises InputError where they
    touch."""
    far = math.hypot(rear.x_m - front.x_m, rear.z_m - front.z_m)
    if far <= abs(rear_radius_m - front_radius_m):
        raise InputError("rear", "the sprockets stand in one another")
    along = math.atan2(rear.z_m - front.z_m, rear.x_m - front.x_m)
    # The normal of the tangent leans back by how much larger the rear sprocket is.
    lean = along + math.pi / 2 + math.asin((rear_radius_m - front_radius_m) / far)
    n = (math.cos(lean), math.sin(lean))
    return (
        SteeringPoint(front.x_m + front_radius_m * n[0], front.z_m + front_radius_m * n[1]),
        SteeringPoint(rear.x_m + rear_radius_m * n[0], rear.z_m + rear_radius_m * n[1]),
    )


def force_centre(
    pivot: SteeringPoint, axle: SteeringPoint, run: tuple[SteeringPoint, SteeringPoint]
) -> SteeringPoint | None:
    """Where the line of the swinging arm meets the top run; None where they are parallel."""
    a, b = run
    ux, uz, vx, vz = axle.x_m - pivot.x_m, axle.z_m - pivot.z_m, b.x_m - a.x_m, b.z_m - a.z_m
    cross = ux * vz - uz * vx
    if abs(cross) < 1e-12:
        return None
    t = ((a.x_m - pivot.x_m) * vz - (a.z_m - pivot.z_m) * vx) / cross
    return SteeringPoint(pivot.x_m + t * ux, pivot.z_m + t * uz)


def anti_squat(centre: SteeringPoint, contact_x_m: float, height_m: float, base_m: float) -> float:
    """Share of the squat that drive pull takes up: slope from the contact to the force centre over that of load
    transfer.

    Swinging units, hub motors that react on the arm, and shafts have their pivot for a centre. Raises InputError where
    the centre stands over the contact. Source: textbook of motorcycle dynamics, chapter 6 (from memory)."""
    ahead = contact_x_m - centre.x_m
    if abs(ahead) < 1e-6 or height_m <= 0 or base_m <= 0:
        raise InputError("/craft/arm", "the force centre stands over the rear wheel, or a height is missing")
    return (centre.z_m / ahead) / (height_m / base_m)


@formula(
    "balance.hill",
    "α = atan((L − x) / z)",
    result=("angle", "steepest hill at steady speed before the front lifts"),
    L=("length", "wheelbase"),
    x=("length", "CG behind the front axle"),
    z=("length", "CG over the ground"),
    source="statics",
    example=(
        (
            1.4,
            0.7,
            0.7,
        ),
        0.7854,
    ),
    valid="rigid body, no air drag, no spin of the wheels; suspension and tyres shift it sooner",
)
def steepest_hill(base_m: float, x_m: float, height_m: float) -> float:
    """Grade at which the front wheel carries nothing at steady speed, rad."""
    return math.atan((base_m - x_m) / height_m)
