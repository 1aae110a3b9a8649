"""A tale of another repower, tested: what empty mass it would need. `They fitted an engine 45 kg heavier, and the CG
came forward an inch.`"""

from __future__ import annotations

from itertools import product
from typing import NamedTuple

from ...errors import InputError


class Tale(NamedTuple):
    """Masses of the old and the new unit (kg); how far ahead of the CG the old one sat, how far aft of it the new one
    went, how far forward the CG came (m). A negative lever: behind the CG."""

    old_kg: float
    new_kg: float
    lever_m: float
    moved_aft_m: float
    cg_forward_m: float


def infer_empty_mass(told: Tale) -> tuple[float, float]:
    """Empty mass before and after that the tale needs, kg. Raises InputError where the CG did not move. Source: moments
    about the old CG."""
    if told.cg_forward_m == 0:
        raise InputError("/craft/story/cg_forward", "the CG did not move: the tale cannot be tested")
    more = told.new_kg - told.old_kg
    after = (more * told.lever_m - told.new_kg * told.moved_aft_m) / told.cg_forward_m
    return after - more, after


def empty_mass_interval(told: Tale, bounds: Tale) -> tuple[float, float]:
    """Least and greatest empty mass before that the tale allows with each figure within its bound, kg.

    The mass is linear in each figure and in one over the shift of the CG, so its extremes are at the corners.
    Raises InputError when the shift may be nothing. Source: interval arithmetic."""
    if abs(told.cg_forward_m) <= bounds.cg_forward_m:
        raise InputError("/craft/story/cg_forward", "the CG may not have moved at all: the tale cannot be tested")
    found = [
        infer_empty_mass(Tale(*[v + k * b for v, b, k in zip(told, bounds, signs, strict=True)]))[0]
        for signs in product((-1, 1), repeat=5)
    ]
    return min(found), max(found)
