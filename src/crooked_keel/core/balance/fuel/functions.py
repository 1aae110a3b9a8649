"""Burning fuel: the path of mass, moment and CG from full to empty tanks, tank after tank, and the order that is best.

With a constant station of each tank a leg is a straight line in mass and moment, so the CG runs one way within it: its
extremes are at the ends of legs. Source: statics.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from itertools import pairwise, permutations
from typing import Literal, NamedTuple

import numpy as np

from ...errors import InputError
from ..limits.functions import CgEnvelope, limits_of

MOST_TANKS = 7


class Tankful(NamedTuple):
    """Fuel in a tank: kg, and its station and butt line in m."""

    id: str
    mass_kg: float
    x_m: float
    y_m: float = 0.0


class WingPoint(NamedTuple):
    """Mass and CG at the end of a leg, kg and m."""

    mass_kg: float
    x_m: float
    y_m: float


class BurnOrder(NamedTuple):
    """An order of tanks, the path from full to empty, and what it was judged by: smaller is better."""

    tanks: tuple[str, ...]
    path: list[WingPoint]
    score: float


Aim = Literal["least travel", "largest margin", "wing last"]


def burn_path(
    dry_kg: float, dry_x_m: float, legs: Sequence[Sequence[Tankful]], dry_y_m: float = 0.0
) -> list[WingPoint]:
    """From full to empty, a point before the first leg and after each. The tanks of one leg run down together."""
    mass = dry_kg + sum(t.mass_kg for leg in legs for t in leg)
    along = dry_kg * dry_x_m + sum(t.mass_kg * t.x_m for leg in legs for t in leg)
    across = dry_kg * dry_y_m + sum(t.mass_kg * t.y_m for leg in legs for t in leg)
    if mass <= 0:
        raise InputError("/loadings", "nothing is left to burn from")
    made = [WingPoint(mass, along / mass, across / mass)]
    for leg in legs:
        mass -= sum(t.mass_kg for t in leg)
        along -= sum(t.mass_kg * t.x_m for t in leg)
        across -= sum(t.mass_kg * t.y_m for t in leg)
        made.append(WingPoint(mass, along / mass, across / mass))
    return made


def travel(path: Sequence[WingPoint]) -> float:
    """How far the CG runs along a path, m."""
    return max(p.x_m for p in path) - min(p.x_m for p in path)


def best_burn_orders(
    dry_kg: float,
    dry_x_m: float,
    tanks: Sequence[Tankful],
    aim: Aim,
    margin: Callable[[Sequence[WingPoint]], float] | None = None,
    wing: frozenset[str] = frozenset(),
    most: int = 5,
) -> list[BurnOrder]:
    """The best orders of burning tank after tank, best first; ties keep the order of the list.

    margin: least margin along a path, for that aim. wing: tanks that relieve the wing, burnt last by that aim, then
    least travel. Raises InputError beyond seven tanks. Source: all orders tried."""
    if len(tanks) > MOST_TANKS:
        raise InputError(
            "/craft/tanks", "more than seven tanks: group those that run down together", given=str(len(tanks))
        )
    made = []
    for order in permutations(tanks):
        path = burn_path(dry_kg, dry_x_m, [[t] for t in order])
        if aim == "largest margin":
            assert margin is not None
            score = -margin(path)
        else:
            score = travel(path)
            if aim == "wing last":
                early = [i for i, t in enumerate(order) if t.id in wing]
                score += 1e3 * sum(len(order) - i for i in early)
        made.append(BurnOrder(tuple(t.id for t in order), path, score))
    return sorted(made, key=lambda o: round(o.score, 9))[:most]


def along_limits(envelope: CgEnvelope) -> Callable[[Sequence[WingPoint]], float]:
    """The least margin to the limits along a path, m: each leg is a straight line in mass and moment, looked at in 17
    places. Legs that orders share are worked out once."""
    kept: dict[tuple[float, float, float, float], float] = {}

    def leg(a: WingPoint, b: WingPoint) -> float:
        at = (a.mass_kg, a.x_m, b.mass_kg, b.x_m)
        if at not in kept:
            mass = np.linspace(b.mass_kg, a.mass_kg, 17)
            moment = np.linspace(b.mass_kg * b.x_m, a.mass_kg * a.x_m, 17)
            forward, aft = limits_of(envelope, mass)
            kept[at] = float(np.minimum(moment / mass - forward, aft - moment / mass).min())
        return kept[at]

    return lambda path: min((leg(a, b) for a, b in pairwise(path)), default=0.0)
