"""A unit that swings with its wheel: what the shock and the pivot take."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ...errors import InputError
from ...figure.units import G0_M_S2
from ...formula import formula
from ...physics.geometry import Vector

# A shock whose line passes the pivot within so much points at it, m: nobody measures nearer.
NO_LEVER_M = 1e-4


class Swung(NamedTuple):
    """Compression of the shock, N, and force on the unit at its pivot (aft, up), N."""

    shock_n: float
    pivot_n: tuple[float, float]

    @property
    def pivot_size_n(self) -> float:
        """Size of the pivot force, N."""
        return float(np.hypot(*self.pivot_n))


def _moment(arm: Vector, force: Vector) -> float:
    """Moment in the side view, positive from z to x."""
    return float(arm[1] * force[0] - arm[0] * force[1])


def _direction(lower_m: Vector, upper_m: Vector) -> Vector:
    line = upper_m - lower_m
    length = float(np.linalg.norm(line))
    if length < 1e-6:
        raise InputError(
            "~/mount/swing/shock_upper_station",
            "both ends of the shock are in one place",
            allowed="a place apart from the lower end",
        )
    made: Vector = line / length
    return made


def shock_lever(pivot_m: Vector, lower_m: Vector, upper_m: Vector) -> float:
    """How far the line of a shock passes the pivot, m, signed by the way round. Raises InputError when it has no
    length. Source: statics."""
    return _moment(lower_m - pivot_m, -_direction(lower_m, upper_m))


def swing_unit_reactions(
    pivot_m: Vector,
    shock_lower_m: Vector,
    shock_upper_m: Vector,
    contact_m: Vector,
    wheel_load_n: float,
    traction_n: float,
    mass_kg: float,
    cg_m: Vector,
    load_factor: tuple[float, float] = (0.0, 1.0),
) -> Swung:
    """Shock and pivot of an arm in the side view. Points (2,): station, height, m. traction forward positive. Motor and
    drive are on the arm, so their torque is internal. load_factor (aft, up) felt by the arm, in g; 1 g while the wheel
    hits a bump is cautious.

    Raises InputError when the shock has no length or no lever about the pivot. Source: statics."""
    e = _direction(shock_lower_m, shock_upper_m)
    ground = np.array([-traction_n, wheel_load_n])
    weight = -mass_kg * G0_M_S2 * np.array(load_factor)
    lever = shock_lever(pivot_m, shock_lower_m, shock_upper_m)
    if abs(lever) < NO_LEVER_M:
        raise InputError(
            "~/mount/swing/shock_lower_station",
            "the shock points at the pivot: it has no lever",
            allowed="a place off the line from pivot to upper end",
        )
    shock = -(_moment(contact_m - pivot_m, ground) + _moment(cg_m - pivot_m, weight)) / lever
    force = -(ground + weight - shock * e)
    return Swung(shock, (float(force[0]), float(force[1])))


@formula(
    "mount.swing-pivot",
    "F = √(Fx² + Fz²)",
    result=("force", "force at the pivot"),
    Fx=("force", "aft"),
    Fz=("force", "up"),
    source="statics of the arm in the side view",
    example=(
        (
            3000.0,
            4000.0,
        ),
        5000.0,
    ),
    valid="stiff arm, side view alone",
)
def pivot_size(x_n: float, z_n: float) -> float:
    """Size of the force at the pivot, N."""
    return float(np.hypot(x_n, z_n))
