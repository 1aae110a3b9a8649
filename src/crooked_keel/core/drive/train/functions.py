"""The train: speed and turning of what leaves it. Every function says its source."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from ...errors import InputError
from ...formula import formula
from ...physics.blades import Array

_SOURCE = "kinematics"


@formula(
    "drive.propeller-speed",
    "ωp = ω / i",
    result=("rotation", "propeller speed"),
    ω=("rotation", "rated speed of the unit"),
    i=("number", "overall ratio"),
    source=_SOURCE,
    example=(
        (
            600.0,
            2.5,
        ),
        240.0,
    ),
)
def propeller_speed(speed_rad_s: float, ratio: float) -> float:
    """Propeller speed behind the reduction, rad/s."""
    return speed_rad_s / ratio


def output_rotation(input_sign: int, turnings: Sequence[str | None], fields: Sequence[str]) -> int:
    """Turning direction behind the stages, +1 clockwise seen from aft looking forward. Source: kinematics.

    turnings: 'keeps' or 'flips' per stage. Raises InputError on another word."""
    sign = input_sign
    for turning, field in zip(turnings, fields, strict=True):
        if turning not in ("keeps", "flips"):
            raise InputError(
                field, "a stage keeps or flips the turning direction", given=str(turning), allowed="keeps, flips"
            )
        sign *= -1 if turning == "flips" else 1
    return sign


def last_fall(spare: Array) -> int | None:
    """Of torque to spare at rising speeds: the place ahead of the last at which none is left; None where it never
    falls so."""
    falls = np.nonzero((spare[:-1] > 0) & (spare[1:] <= 0))[0]
    return int(falls[-1]) if len(falls) else None
