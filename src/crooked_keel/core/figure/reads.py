"""Figures as numbers with their doubt, and what a function makes of them."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple

from ..errors import or_none
from .base import Figure
from .doubt import School, figure_uncertainty
from .place import Place
from .trace import Uncertain, above_zero, need


class Read(NamedTuple):
    """A figure in SI with its standard uncertainty."""

    si: float
    u: float = 0.0


def combined(function: Callable[..., float], *reads: Read) -> Uncertain:
    """What a function makes of figures, with its standard uncertainty: each moved by its own, to first order."""
    values = [r.si for r in reads]
    value = function(*values)
    moved = 0.0
    for i, r in enumerate(reads):
        if r.u > 0:
            there = or_none(lambda i=i, r=r: function(*values[:i], r.si + r.u, *values[i + 1 :]))
            moved += (
                (there if there is not None else function(*values[:i], r.si - r.u, *values[i + 1 :])) - value
            ) ** 2
    return Uncertain(value, math.sqrt(moved))


def read(figure: Figure | None, pointer: str, what: str, school: School, zero: bool = False) -> Read:
    """A figure with its doubt; above zero unless zero may be. Raises CannotSay, InputError."""
    si = need(figure, pointer, what).si if zero else above_zero(figure, pointer, what)
    assert figure is not None
    if isinstance(figure, Place):
        si = figure.along_m
    return Read(si, figure_uncertainty(figure, school))
