"""Where a unit must sit: its station for a wanted CG, and the split of the distance between mount and spacer with the
propeller held.

One direction for both: −1 where the unit sits ahead of its firewall, +1 where it sits aft of it.
"""

from __future__ import annotations

from typing import Literal, NamedTuple

from ...errors import InputError


class Split(NamedTuple):
    """Lengths of mount and spacer and station of the unit's CG, m; all the mass, kg."""

    mount_m: float
    spacer_m: float
    unit_x_m: float
    mass_kg: float


class HeldFlange(NamedTuple):
    """What is fixed: everything but the unit and what holds it; the unit with its CG and its flange from its mounting
    face; firewall; propeller with its plane; masses of mount and spacer by their length. kg, m, kg/m."""

    rest_kg: float
    rest_x_m: float
    unit_kg: float
    cg_from_face_m: float
    flange_from_face_m: float
    firewall_m: float
    propeller_m: float
    propeller_kg: float
    mount_kg_m: float = 0.0
    spacer_kg_m: float = 0.0
    direction: Literal[-1, 1] = -1


def engine_station_for_cg(rest_kg: float, rest_x_m: float, unit_kg: float, target_m: float) -> float:
    """Station of the unit's CG that brings the whole to a wanted CG, m. Source: moments."""
    if unit_kg <= 0:
        raise InputError("/unit/mass", "a unit without mass moves nothing")
    return target_m + rest_kg * (target_m - rest_x_m) / unit_kg


def cg_with_mount(held: HeldFlange, mount_m: float) -> tuple[float, Split]:
    """CG of the whole with a mount so long, m, and what follows. Mount and spacer have their mass at mid-length.
    Source: statics."""
    d = held.direction
    face = held.firewall_m + d * mount_m
    spacer = d * (held.propeller_m - face) - held.flange_from_face_m
    unit_x = face + d * held.cg_from_face_m
    parts = [
        (held.rest_kg, held.rest_x_m),
        (held.unit_kg, unit_x),
        (held.propeller_kg, held.propeller_m),
        (held.mount_kg_m * mount_m, held.firewall_m + d * mount_m / 2),
        (held.spacer_kg_m * spacer, held.propeller_m - d * spacer / 2),
    ]
    mass = sum(m for m, _ in parts)
    return sum(m * x for m, x in parts) / mass, Split(mount_m, spacer, unit_x, mass)


def longest_mount(held: HeldFlange, least_spacer_m: float = 0.0) -> float:
    """Longest mount that leaves room for the unit and a spacer, m. Raises InputError where the unit is longer than the
    space."""
    most = held.direction * (held.propeller_m - held.firewall_m) - held.flange_from_face_m - least_spacer_m
    if most < 0:
        raise InputError(
            "/placement/flange_station", "the unit is longer than the space between firewall and propeller"
        )
    return most


def mount_spacer_split(
    held: HeldFlange, target_m: float, least_mount_m: float = 0.0, least_spacer_m: float = 0.0
) -> Split:
    """Lengths of mount and spacer that bring the CG to a target with the propeller where it is.

    Raises InputError with nothing reached where no mount does. Source: statics, bisection (the CG runs one way with the
    length)."""
    lo, hi = least_mount_m, longest_mount(held, least_spacer_m)
    if hi < lo:
        raise InputError(
            "/placement/flange_station", "the unit is longer than the space between firewall and propeller"
        )
    at_lo, at_hi = cg_with_mount(held, lo)[0], cg_with_mount(held, hi)[0]
    if not min(at_lo, at_hi) <= target_m <= max(at_lo, at_hi):
        raise InputError("/placement/flange_station", "with the propeller where it is no mount brings the CG there")
    rises = at_hi > at_lo
    for _ in range(80):
        middle = (lo + hi) / 2
        if (cg_with_mount(held, middle)[0] < target_m) == rises:
            lo = middle
        else:
            hi = middle
    return cg_with_mount(held, (lo + hi) / 2)[1]
