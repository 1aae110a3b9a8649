"""Every loading that the places and tanks allow: the exact edge of what mass and moment can be, and the worst of it.

Each item may be anything from its lightest to its heaviest. What mass and moment can then be is convex; its edge on the
aft side comes from filling the items in order of their stations, the aftmost first, on the forward side the other way
round. So the extremes are exact, without searching. Source: statics; adverse loading of FAA-H-8083-1 and AC 43.13-1B
chapter 10 (from memory).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from typing import Literal, NamedTuple

from ...errors import InputError
from ..limits.functions import CgEnvelope

Side = Literal["forward", "aft"]


class Loadable(NamedTuple):
    """Something that may be aboard: lightest and heaviest in kg, station in m."""

    id: str
    name: str
    lo_kg: float
    hi_kg: float
    x_m: float


class Loaded(NamedTuple):
    """A point of the edge: mass and moment, and what each item then is."""

    mass_kg: float
    moment_kg_m: float
    loads_kg: dict[str, float]

    @property
    def x_m(self) -> float:
        """CG, m."""
        return self.moment_kg_m / self.mass_kg


class Worst(NamedTuple):
    """The least margin of all loadings to one side's limit, m, and where it is. over_kg: how far the items can exceed
    the cap."""

    margin_m: float
    at: Loaded
    limit_m: float
    over_kg: float
    below_envelope: bool


def _filled(items: Sequence[Loadable], side: Side) -> list[Loadable]:
    return sorted(items, key=lambda i: -i.x_m if side == "aft" else i.x_m)


def frontier(
    mass_kg: float, moment_kg_m: float, items: Sequence[Loadable], side: Side, cap_kg: float = math.inf
) -> list[Loaded]:
    """Corners of the edge on one side, from the lightest loading to the heaviest, or to the cap.

    mass_kg, moment_kg_m: what is always aboard. Raises InputError for a heaviest below the lightest, a negative
    lightest, or a cap below the lightest loading. Source: greedy filling, exact for a linear-fractional program."""
    for item in items:
        if item.lo_kg < 0 or item.hi_kg < item.lo_kg:
            raise InputError(
                f"/{item.id}", f"{item.name}: the heaviest is less than the lightest", allowed="the lightest or more"
            )
    loads = {i.id: i.lo_kg for i in items}
    mass = mass_kg + sum(i.lo_kg for i in items)
    moment = moment_kg_m + sum(i.lo_kg * i.x_m for i in items)
    if mass > cap_kg + 1e-9:
        raise InputError(
            "/craft/limits/gross",
            "the lightest loading is above the greatest mass",
            allowed="at least what the lightest loading weighs",
        )
    made = [Loaded(mass, moment, dict(loads))]
    for item in _filled(items, side):
        more = min(item.hi_kg - item.lo_kg, cap_kg - mass)
        if more <= 0:
            continue
        mass, moment = mass + more, moment + more * item.x_m
        loads[item.id] = item.lo_kg + more
        made.append(Loaded(mass, moment, dict(loads)))
    return made


def extreme_cg(
    mass_kg: float, moment_kg_m: float, items: Sequence[Loadable], side: Side, cap_kg: float = math.inf
) -> Loaded:
    """The loading of the most forward or most aft CG. Along the edge the CG runs one way, then the other: the extreme
    is a corner."""
    edge = frontier(mass_kg, moment_kg_m, items, side, cap_kg)
    return max(edge, key=lambda p: p.x_m) if side == "aft" else min(edge, key=lambda p: p.x_m)


def _between(a: Loaded, b: Loaded, mass_kg: float) -> Loaded:
    share = (mass_kg - a.mass_kg) / (b.mass_kg - a.mass_kg)
    loads = {k: v + share * (b.loads_kg[k] - v) for k, v in a.loads_kg.items()}
    return Loaded(mass_kg, a.moment_kg_m + share * (b.moment_kg_m - a.moment_kg_m), loads)


def _candidates(a: Loaded, b: Loaded, envelope: CgEnvelope) -> list[float]:
    """Masses of a straight piece where CG − limit may be least: its ends, the envelope's corners, and where it is
    stationary."""
    masses = [a.mass_kg, b.mass_kg, *envelope.masses_kg]
    x = (b.moment_kg_m - a.moment_kg_m) / (b.mass_kg - a.mass_kg)
    c = a.moment_kg_m - x * a.mass_kg
    for slope in envelope.slopes_m_kg:
        # CG = x + c/m against a + slope·m: the difference is stationary at m* = √(−c/slope).
        if slope and -c / slope > 0:
            masses.append(math.sqrt(-c / slope))
    return [m for m in masses if a.mass_kg <= m <= b.mass_kg]


def worst_margin(
    mass_kg: float, moment_kg_m: float, items: Sequence[Loadable], envelope: CgEnvelope, side: Side, cap_kg: float
) -> Worst:
    """The least margin of all loadings on one side, not the most extreme CG: with a sloping limit these differ.

    Below the lowest corner the limits of that corner are held. Raises InputError as `frontier`."""
    edge = frontier(mass_kg, moment_kg_m, items, side, cap_kg)
    masses = envelope.masses_kg
    least, worst = math.inf, (edge[0], edge[0], edge[0].mass_kg, 0.0)
    for a, b in list(pairwise(edge)) or [(edge[0], edge[0])]:
        slope = (b.moment_kg_m - a.moment_kg_m) / (b.mass_kg - a.mass_kg) if b.mass_kg > a.mass_kg else 0.0
        for mass in _candidates(a, b, envelope) if b.mass_kg > a.mass_kg else [a.mass_kg]:
            cut = envelope.cut(min(max(mass, masses[0]), masses[-1]) if masses else mass)
            assert cut is not None
            x = (a.moment_kg_m + slope * (mass - a.mass_kg)) / mass
            limit = cut.forward_m if side == "forward" else cut.aft_m
            margin = x - limit if side == "forward" else limit - x
            if margin < least:
                least, worst = margin, (a, b, mass, limit)
    a, b, mass, limit = worst
    at = _between(a, b, mass) if b.mass_kg > a.mass_kg else a
    heaviest = mass_kg + sum(i.hi_kg for i in items)
    return Worst(least, at, limit, max(0.0, heaviest - cap_kg), bool(masses) and mass < masses[0])


_GRAM_KG = 1e-3


def most_of(
    item: Loadable,
    mass_kg: float,
    moment_kg_m: float,
    items: Sequence[Loadable],
    envelope: CgEnvelope,
    side: Side,
    cap_kg: float,
) -> float | None:
    """The heaviest that one item may be so that no loading passes the limit on one side, kg; None when even its
    lightest does.

    By false position on the worst margin, which only falls as the range grows, to a gram on the side that keeps."""

    def left(hi: float) -> float:
        others = [i._replace(hi_kg=hi) if i.id == item.id else i for i in items]
        return worst_margin(mass_kg, moment_kg_m, others, envelope, side, cap_kg).margin_m + 1e-12

    lo, hi = item.lo_kg, item.hi_kg
    at_lo = left(lo)
    if at_lo < 0:
        return None
    at_hi = left(hi)
    if at_hi >= 0:
        return hi
    for n in range(60):
        if hi - lo <= _GRAM_KG:
            break
        # Every third step halves: false position alone creeps where the margin bends.
        middle = (lo + hi) / 2 if n % 3 == 2 else lo + (hi - lo) * at_lo / (at_lo - at_hi)
        middle = min(max(middle, lo + _GRAM_KG / 2), hi - _GRAM_KG / 2)
        here = left(middle)
        if here >= 0:
            lo, at_lo = middle, here
        else:
            hi, at_hi = middle, here
    return lo
