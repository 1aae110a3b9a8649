"""Formulas of a craft on its supports in the shop."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

from ...errors import CannotSay, InputError
from ...formula import formula
from ..ledger.functions import support_reactions

# What a lightly loaded wheel shall keep, in parts of the mass; and a hand leaning on the far end. Common practice, no
# source.
LEAST_SHARE = 0.05


HAND_KG = 20.0


class TouchPoint(NamedTuple):
    """Where a wheel or jack touches, m; its height, or what that needs."""

    name: str
    role: str
    x_m: float
    y_m: float
    z_m: float | CannotSay


class Tipping(NamedTuple):
    """How far the CG lies inside an edge between two supports, m (negative: outside), and the angle at which it goes
    over, rad."""

    inside_m: float
    angle_rad: float
    between: tuple[int, int]


def turned(x_m: float, z_m: float, nose_up_rad: float) -> tuple[float, float]:
    """Station and height after the craft is turned nose up about the datum, m. Source: geometry."""
    c, s = math.cos(nose_up_rad), math.sin(nose_up_rad)
    return x_m * c + z_m * s, z_m * c - x_m * s


def settled_reactions(mass_kg: float, x_m: float, y_m: float, supports: Sequence[tuple[float, float]]) -> list[float]:
    """As `support_reactions`, but of four or more a foot that would pull lifts off and the rest is solved again; three
    or two show a negative load where it tips."""
    standing = list(range(len(supports)))
    while True:
        found = support_reactions(mass_kg, x_m, y_m, [supports[i] for i in standing])
        lifted = [i for i, r in zip(standing, found, strict=True) if r < 0]
        if not lifted or len(standing) <= 3:
            made = [0.0] * len(supports)
            for i, r in zip(standing, found, strict=True):
                made[i] = r
            return made
        standing.remove(lifted[0])


def outline_round(supports: Sequence[tuple[float, float]]) -> list[int]:
    """Which supports are corners of the polygon round all of them, in order; two where they stand in one line.
    Source: the monotone chain of computational geometry."""
    order = sorted(range(len(supports)), key=lambda i: supports[i])

    def half(indices: Sequence[int]) -> list[int]:
        made: list[int] = []
        for i in indices:
            while len(made) > 1 and _turn(supports[made[-2]], supports[made[-1]], supports[i]) <= 0:
                made.pop()
            made.append(i)
        return made[:-1]

    return half(order) + half(order[::-1])


def tipping_margins(x_m: float, y_m: float, height_m: float, supports: Sequence[tuple[float, float]]) -> list[Tipping]:
    """The CG against each edge of the polygon round its supports, nearest first. height_m: CG over the plane of the
    supports.

    Raises InputError for fewer than three supports or all in one line. Source: statics."""
    hull = outline_round(supports)
    if len(hull) < 3:
        raise InputError("/craft/supports", "three supports or more that do not stand in one line are wanted")
    made = []
    for a, b in zip(hull, hull[1:] + hull[:1], strict=True):
        (xa, ya), (xb, yb) = supports[a], supports[b]
        inside = _turn((xa, ya), (xb, yb), (x_m, y_m)) / math.hypot(xb - xa, yb - ya)
        made.append(Tipping(inside, math.atan2(inside, height_m), (a, b)))
    return sorted(made, key=lambda t: t.inside_m)


def _turn(o: tuple[float, float], a: tuple[float, float], b: tuple[float, float]) -> float:
    return (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])


@formula(
    "balance.stand-required",
    "R = (m·(x − xm) + r·(xm − xn)) / (xs − xm)",
    result=("mass", "load on the stand"),
    m=("mass", "mass"),
    x=("length", "CG"),
    xm=("length", "mains"),
    r=("mass", "what the light wheel shall keep"),
    xn=("length", "light wheel"),
    xs=("length", "stand"),
    source="statics",
    example=(
        (
            400.0,
            0.6,
            0.5,
            10.0,
            -1.0,
            2.5,
        ),
        27.5,
    ),
)
def _stand(m: float, x: float, xm: float, r: float, xn: float, xs: float) -> float:
    return (m * (x - xm) + r * (xm - xn)) / (xs - xm)


def stand_required(
    mass_kg: float, x_m: float, main_m: float, light_m: float, stand_m: float, share: float = LEAST_SHARE
) -> float:
    """Load on a stand that leaves a share of the mass on the light wheel, kg; nothing or less: no stand is needed.

    Raises InputError for a stand that is not beyond the CG. Source: statics."""
    away = (stand_m - main_m) * (light_m - main_m) < 0
    between = min(main_m, x_m) <= stand_m <= max(main_m, x_m)
    if not away or between:
        raise InputError("/craft/stand", "the stand goes on the side that goes down, beyond the CG")
    return _stand(mass_kg, x_m, main_m, share * mass_kg, light_m, stand_m)


@formula(
    "balance.hung-weight",
    "w = m·(x − xm) / (xm − xn) + r",
    result=("mass", "hung at the light wheel"),
    m=("mass", "mass"),
    x=("length", "CG"),
    xm=("length", "mains"),
    xn=("length", "light wheel"),
    r=("mass", "what it shall keep"),
    source="statics",
    example=(
        (
            400.0,
            0.6,
            0.5,
            -1.5,
            10.0,
        ),
        30.0,
    ),
)
def hung_weight(mass_kg: float, x_m: float, main_m: float, light_m: float, keep_kg: float) -> float:
    """Weight hung at the light wheel that leaves so much on it, kg. Source: statics."""
    return mass_kg * (x_m - main_m) / (main_m - light_m) + keep_kg
