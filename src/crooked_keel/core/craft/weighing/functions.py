"""Weighing a craft on its supports."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

from ...errors import InputError
from ...formula import formula

SOURCE = "statics; FAA-H-8083-1B ch. 3 (from memory)"


@formula(
    "craft.net",
    "n = g − t",
    result=("mass", "net reading"),
    g=("mass", "reading"),
    t=("mass", "tare"),
    source=SOURCE,
    example=(
        (
            210.0,
            10.0,
        ),
        200.0,
    ),
)
def net_reading(gross_kg: float, tare_kg: float) -> float:
    """Net reading of one scale, kg."""
    return gross_kg - tare_kg


def mean_of_repeats(readings_kg: Sequence[float]) -> tuple[float, float]:
    """Mean of readings of one scale, the craft rolled off and on between, and the standard uncertainty of the mean by
    their scatter, kg.

    Source: JCGM 100:2008, 4.2.3 (from memory)."""
    n = len(readings_kg)
    mean = sum(readings_kg) / n
    if n < 2:
        return mean, 0.0
    return mean, math.sqrt(sum((r - mean) ** 2 for r in readings_kg) / (n - 1) / n)


@formula(
    "craft.mass",
    "m = Σg − Σt",
    result=("mass", "mass on the scales"),
    Σg=("mass", "sum of readings"),
    Σt=("mass", "sum of tares"),
    source=SOURCE,
    example=(
        (
            520.0,
            20.0,
        ),
        500.0,
    ),
)
def mass_on_scales(gross_kg: float, tare_kg: float) -> float:
    """Mass on all scales, kg."""
    return gross_kg - tare_kg


@formula(
    "craft.cg",
    "x = Σnx / Σn",
    result=("length", "CG on the scales"),
    Σnx=("mass_moment", "sum of net reading times place"),
    Σn=("mass", "sum of net readings"),
    source=SOURCE,
    example=(
        (
            300.0,
            500.0,
        ),
        0.6,
    ),
)
def cg_on_scales(moment_kg_m: float, net_kg: float) -> float:
    """CG of what stands on the scales along one axis, m."""
    return moment_kg_m / net_kg


# Beyond this the wheels bear elsewhere on their tyres: level it first. Common practice, no source.
MOST_PITCH_RAD = math.radians(5)


@formula(
    "craft.level-shift",
    "d = z·tan(θ)",
    result=("length", "the scales put the CG too far aft by"),
    z=("length", "CG over what bears it"),
    θ=("angle", "nose up on the scales"),
    source="statics",
    example=(
        (
            1.0,
            0.05,
        ),
        0.050042,
    ),
    valid="within 5° of level",
)
def level_shift(height_m: float, pitch_rad: float) -> float:
    """How far aft the scales put the CG of a craft whose nose is up, m."""
    return height_m * math.tan(pitch_rad)


class Scale(NamedTuple):
    """One scale: gross and tare in kg, place in m."""

    name: str
    gross_kg: float
    tare_kg: float
    x_m: float
    y_m: float


class WeighedOnScales(NamedTuple):
    """Mass in kg, station and butt line of the CG in m."""

    mass_kg: float
    x_m: float
    y_m: float


def weigh_on_supports(scales: Sequence[Scale]) -> WeighedOnScales:
    """m = Σn, x = Σn·x/m, y = Σn·y/m with n = gross − tare.

    Raises InputError: a reading below its tare, two supports in one place, all in one line, nothing weighed.
    Source: statics; FAA-H-8083-1B ch. 3 (from memory)."""
    for s in scales:
        if s.gross_kg < s.tare_kg:
            raise InputError("/craft/supports", f"{s.name}: the reading is less than its tare")
    for i, a in enumerate(scales):
        for b in scales[i + 1 :]:
            if abs(a.x_m - b.x_m) < 1e-6 and abs(a.y_m - b.y_m) < 1e-6:
                raise InputError(
                    "/craft/supports", f"{a.name} and {b.name} stand in the same place: the CG cannot be found"
                )
    if len(scales) > 1:
        if max(s.x_m for s in scales) - min(s.x_m for s in scales) < 1e-6:
            raise InputError(
                "supports", f"{scales[0].name} and {scales[1].name} have the same station: x cannot be found"
            )
        if len(scales) > 2 and max(s.y_m for s in scales) - min(s.y_m for s in scales) < 1e-6:
            raise InputError("/craft/supports", "all supports stand in one line: y cannot be found")
    m = sum(s.gross_kg - s.tare_kg for s in scales)
    if m <= 0:
        raise InputError("/craft/supports", "the scales carry nothing: is the craft on them?")
    return WeighedOnScales(
        m,
        sum((s.gross_kg - s.tare_kg) * s.x_m for s in scales) / m,
        sum((s.gross_kg - s.tare_kg) * s.y_m for s in scales) / m,
    )


class Tilted(NamedTuple):
    """Height of the CG over the ground in m, tilt in rad, and what 1 kg on the scale is worth in height, m/kg."""

    height_m: float
    tilt_rad: float
    height_per_kg: float


def cg_height_by_tilt(
    mass_kg: float,
    x_m: float,
    base_m: float,
    front_radius_m: float,
    rear_radius_m: float,
    lift_m: float,
    reading_kg: float,
) -> Tilted:
    """Height of the CG over the ground from the load on the rear wheels with the front lifted. Exact for unequal wheels
    that roll freely; suspension blocked. x_m from the front axle. For the rear lifted, swap the ends and give base − x.

    Raises InputError: no wheelbase, CG outside it, a lift too small to tell (tilt under 3°). Source: statics."""
    if base_m <= 0:
        raise InputError("/craft/supports", "both axles are in one place: no wheelbase")
    if not 0 < x_m < base_m:
        raise InputError("/craft/supports", "the CG does not lie between the axles")
    if lift_m <= 0:
        raise InputError("/craft/as_found/raised/lift", "a lift above zero is wanted", allowed="above zero")
    across = math.hypot(base_m, rear_radius_m - front_radius_m)
    rise = rear_radius_m - front_radius_m
    if abs(rise - lift_m) >= across:
        raise InputError(
            "/craft/as_found/raised/lift",
            "no craft of this wheelbase can be lifted so far",
            allowed="less than the wheelbase",
        )
    level, tilted = math.asin(rise / across), math.asin((rise - lift_m) / across)
    tilt = level - tilted
    if tilt < math.radians(3):
        raise InputError(
            "/craft/as_found/raised/lift",
            "the tilt is under 3°: raise it higher",
            allowed="a lift that tilts it by 3° or more",
        )
    z = front_radius_m + (reading_kg * across * math.cos(tilted) / mass_kg - x_m * math.cos(tilt)) / math.sin(tilt)
    return Tilted(z, tilt, across * math.cos(tilted) / (mass_kg * math.sin(tilt)))


class Corners(NamedTuple):
    """Shares of the mass: on the front, on the port side, on starboard front with port rear."""

    front: float
    port: float
    cross: float


def corner_weights(
    port_front_kg: float, starboard_front_kg: float, port_rear_kg: float, starboard_rear_kg: float
) -> Corners:
    """Front, port and cross shares of four corner weights. Cross is starboard front with port rear.

    Raises InputError when the corners carry nothing. Source: statics; the diagonal: common practice."""
    m = port_front_kg + starboard_front_kg + port_rear_kg + starboard_rear_kg
    if m <= 0:
        raise InputError("/craft/supports", "the scales carry nothing: is the craft on them?")
    return Corners(
        (port_front_kg + starboard_front_kg) / m,
        (port_front_kg + port_rear_kg) / m,
        (starboard_front_kg + port_rear_kg) / m,
    )


def warp_of(places_m: Sequence[tuple[float, float]], loads_kg: Sequence[float]) -> list[float]:
    """What wheels at (x, y) carry beyond equally stiff ones, kg: it has neither mass nor moment, and is what spring
    perches set. Nothing on three wheels. Source: statics, least squares."""
    import numpy as np

    table = np.array([[1.0, x, y] for x, y in places_m])
    loads = np.array(loads_kg)
    even = table @ np.linalg.lstsq(table, loads, rcond=None)[0]
    return [float(v) for v in loads - even]
