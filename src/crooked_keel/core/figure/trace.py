"""Numbers that remember which figures they were made of, so that tolerances propagate with shared figures counted once.

A `Traced` is a value with its first derivative by each figure (JSON pointer). Sums and products keep the derivatives;
that is all that mass, moment and CG need.
"""

from __future__ import annotations

import math
from typing import NamedTuple, TypeVar

from ..errors import CannotSay, Gap, InputError
from .base import Figure
from .doubt import School, figure_uncertainty
from .place import DIRECTIONS, Place

F = TypeVar("F", bound=Figure)


T = TypeVar("T")


class Origin(str):
    """The pointer of a figure, with its standard uncertainty in SI, its name and its source."""

    u: float
    what: str
    source: str

    @classmethod
    def of(cls, pointer: str, u: float, what: str, source: str) -> Origin:
        """A pointer with what is known of its figure."""
        made = cls(pointer)
        made.u, made.what, made.source = u, what, source
        return made


class Uncertain(NamedTuple):
    """A value in SI with its standard uncertainty."""

    value: float
    u: float


class Traced:
    """A value in SI with its derivative by each figure it was made of."""

    __slots__ = ("slopes", "value")

    def __init__(self, value: float, slopes: dict[Origin, float] | None = None) -> None:
        self.value = value
        self.slopes = slopes or {}

    def __add__(self, other: Traced) -> Traced:
        return self._combine(other, 1.0)

    def __sub__(self, other: Traced) -> Traced:
        return self._combine(other, -1.0)

    def _combine(self, other: Traced, sign: float) -> Traced:
        slopes = dict(self.slopes)
        for origin, slope in other.slopes.items():
            slopes[origin] = slopes.get(origin, 0.0) + sign * slope
        return Traced(self.value + sign * other.value, slopes)

    def by(self, other: Traced) -> Traced:
        """Product with another traced number."""
        slopes = {p: s * other.value for p, s in self.slopes.items()}
        for origin, slope in other.slopes.items():
            slopes[origin] = slopes.get(origin, 0.0) + slope * self.value
        return Traced(self.value * other.value, slopes)

    def over(self, other: Traced) -> Traced:
        """Quotient with another traced number."""
        value = self.value / other.value
        slopes = {p: s / other.value for p, s in self.slopes.items()}
        for origin, slope in other.slopes.items():
            slopes[origin] = slopes.get(origin, 0.0) - value * slope / other.value
        return Traced(value, slopes)

    @property
    def u(self) -> float:
        """Standard uncertainty in SI."""
        return standard_uncertainty(self.slopes)

    def times(self, factor: float) -> Traced:
        """Scaled by an exact factor."""
        return Traced(self.value * factor, {p: s * factor for p, s in self.slopes.items()})


def standard_uncertainty(slopes: dict[Origin, float]) -> float:
    """√Σ(slope·u)². Source: JCGM 100:2008, 5.1.2 (from memory)."""
    return math.sqrt(sum((s * o.u) ** 2 for o, s in slopes.items()))


def need(figure: F | None, pointer: str, what: str) -> F:
    """The figure, or CannotSay that names it."""
    if figure is None:
        raise CannotSay(Gap(pointer, what))
    return figure


def above_zero(figure: Figure | None, pointer: str, what: str) -> float:
    """The figure in SI, or CannotSay that names it; InputError at it when it is not above zero."""
    value = need(figure, pointer, what).si
    if value <= 0:
        raise InputError(
            pointer, f"the {what} must be above zero", given=need(figure, pointer, what).entered, allowed="above zero"
        )
    return value


def traced(figure: Figure | None, pointer: str, what: str, school: School = "two standard deviations") -> Traced:
    """A figure as a traced number (for a place: its signed distance). school: what a measured ± means."""
    figure = need(figure, pointer, what)
    slope = float(DIRECTIONS[figure.dir]) if isinstance(figure, Place) else 1.0
    origin = Origin.of(pointer, figure_uncertainty(figure, school), what, figure.source)
    return Traced(slope * figure.si, {origin: slope})
