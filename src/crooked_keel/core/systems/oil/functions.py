"""Oil in a tank that lies over: how much its outline holds, and how deep the pickup is under the surface."""

from __future__ import annotations

import math
from collections.abc import Sequence

from ...errors import InputError
from ...formula import formula

Corner = tuple[float, float]
# Slices of a tank that lies over sideways: more change its level by less than a tape reads.
SLICES = 16


def area(outline: Sequence[Corner]) -> float:
    """Area of an outline, m², whichever way round its corners run. Source: shoelace formula."""
    return abs(_shoelace(outline))


def _shoelace(corners: Sequence[Corner]) -> float:
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(corners, [*corners[1:], *corners[:1]], strict=True)) / 2


def below(outline: Sequence[Corner], level: float) -> float:
    """Area of an outline that lies below a level, m². Source: Sutherland and Hodgman's clipping."""
    kept: list[Corner] = []
    for (ax, az), (bx, bz) in zip(outline, [*outline[1:], *outline[:1]], strict=True):
        if az <= level:
            kept.append((ax, az))
        if (az - level) * (bz - level) < 0:
            t = (level - az) / (bz - az)
            kept.append((ax + t * (bx - ax), level))
    return area(kept) if len(kept) > 2 else 0.0


def tilted(point: Corner, nose_up: float) -> Corner:
    """A point of a tank (aft, up) as it lies with the nose up by an angle, rad: what is aft goes down."""
    c, s = math.cos(nose_up), math.sin(nose_up)
    return point[0] * c + point[1] * s, point[1] * c - point[0] * s


@formula(
    "systems.tank-volume",
    "V = A·w",
    result=("fine_volume", "what the tank holds"),
    A=("area", "area of its outline"),
    w=("length", "its width"),
    source="definition",
    example=((0.04, 0.15), 0.006),
    valid="sides flat and upright; what stands in it is not taken off",
)
def tank_volume(area_m2: float, width_m: float) -> float:
    """Volume of a tank with two flat sides, m³."""
    return area_m2 * width_m


def surface(lying: Sequence[Corner], width_m: float, volume_m3: float) -> float:
    """Where the oil stands in an outline as it lies, m.

    Raises InputError where the oil is more than the outline holds, or where the outline is none."""
    whole = area(lying)
    if len(lying) < 3 or whole <= 1e-8:
        raise InputError("outline", "three corners that are not in a line are wanted", given=str(len(lying)))
    wanted = volume_m3 / width_m
    if wanted > whole * (1 + 1e-9):
        raise InputError(
            "volume", "the oil is more than the outline and its width hold", allowed="less, or a larger tank"
        )
    low, high = min(z for _, z in lying), max(z for _, z in lying)
    # Halved until a hundredth of a micron is left: a library of solvers is too slow to load for an edit.
    while high - low > 1e-8:
        level = (low + high) / 2
        low, high = (level, high) if below(lying, level) < wanted else (low, level)
    return (low + high) / 2


def depth(outline: Sequence[Corner], width_m: float, volume_m3: float, pickup: Corner, nose_up: float) -> float:
    """How deep the pickup is under the oil with the nose up by an angle (rad, negative down), m: negative where it
    draws air. Raises InputError as `surface` does."""
    level = surface([tilted(p, nose_up) for p in outline], width_m, volume_m3)
    return level - tilted(pickup, nose_up)[1]


def depth_aside(outline: Sequence[Corner], width_m: float, volume_m3: float, pickup: Corner, side: float) -> float:
    """How deep the pickup is under the oil with the tank over to a side by an angle (rad), m: negative where it draws
    air. pickup: off the middle of the width, away from the low side, and over the bottom. The tank is cut into slices
    across its width, each with its own level. Raises InputError as `surface` does."""
    whole = area(outline)
    if len(outline) < 3 or whole <= 1e-8:
        raise InputError("outline", "three corners that are not in a line are wanted", given=str(len(outline)))
    if volume_m3 > whole * width_m * (1 + 1e-9):
        raise InputError(
            "volume", "the oil is more than the outline and its width hold", allowed="less, or a larger tank"
        )
    rise, slice_m = math.tan(side), width_m / SLICES
    lower = [-(i + 0.5 - SLICES / 2) * slice_m * rise for i in range(SLICES)]
    least, most = min(z for _, z in outline), max(z for _, z in outline)
    low, high = least - abs(rise) * width_m / 2, most + abs(rise) * width_m / 2
    while high - low > 1e-5:
        level = (low + high) / 2
        holds = sum(below(outline, level + d) for d in lower) * slice_m
        low, high = (level, high) if holds < volume_m3 else (low, level)
    return ((low + high) / 2 - pickup[0] * rise - pickup[1]) * math.cos(side)


@formula(
    "systems.dwell",
    "t = V / Q",
    result=("short_time", "time in the tank"),
    V=("fine_volume", "oil in it"),
    Q=("flow", "what goes round"),
    source="continuity",
    example=((0.005, 5e-4), 10.0),
    valid="all of the oil takes part",
)
def dwell(volume_m3: float, flow_m3_s: float) -> float:
    """Time that oil has for its air to leave, s."""
    return volume_m3 / flow_m3_s
