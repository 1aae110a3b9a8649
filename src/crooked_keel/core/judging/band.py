"""How a number is judged against bounds: level, what was compared, and the margin, each by one definition."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import NamedTuple

from .finding import LEVELS, Compared, Level


class Bounds(NamedTuple):
    """What a number must keep, both ends included; either may be open."""

    lo: float | None = None
    hi: float | None = None

    def keep(self, value: float, doubt: float) -> bool:
        """Whether a number and its doubt lie within."""
        above = self.lo is None or value - doubt >= self.lo
        return above and (self.hi is None or value + doubt <= self.hi)


def at_least(lo: float) -> Bounds:
    """Not below."""
    return Bounds(lo=lo)


def at_most(hi: float) -> Bounds:
    """Not above."""
    return Bounds(hi=hi)


def below(hi: float) -> Bounds:
    """Under it: the number itself is too much."""
    return Bounds(hi=math.nextafter(hi, -math.inf))


def within(lo: float, hi: float) -> Bounds:
    """Neither below nor above."""
    return Bounds(lo, hi)


class Band(NamedTuple):
    """A number judged. compared carries the bounds of what is ok, and so the margin to them; None where no number
    decides."""

    level: Level
    compared: Compared | None

    def or_by(self, level: Level, ground: str, when: bool = True) -> Band:
        """The worse of this and of a second ground. Where the second decides it is named, and there is no margin to the
        bounds of the first. when: whether the second ground is there at all."""
        if not when or LEVELS.index(level) >= LEVELS.index(self.level):
            return self
        return self._by(level, ground)

    def eased_to(self, level: Level, ground: str, when: bool = True) -> Band:
        """The milder of this and of what a second ground allows, which is named. when: whether it is there at all."""
        if not when or LEVELS.index(level) <= LEVELS.index(self.level):
            return self
        return self._by(level, ground)

    def _by(self, level: Level, ground: str) -> Band:
        return Band(level, replace(self.compared, ground=ground) if self.compared is not None else None)


def band(value: float, dimension: str, *, ok: Bounds, watch: Bounds | None = None, doubt: float = 0.0) -> Band:
    """ok within its bounds with its whole doubt, else watch within those of the watch, else stop; without, never stop.

    value: SI; doubt: two standard deviations, same unit: a number is ok only if it keeps the bounds with its doubt, and
    stops when it passes those of the watch as it stands."""
    if ok.keep(value, doubt):
        level: Level = "ok"
    elif watch is None or watch.keep(value, 0.0):
        level = "watch"
    else:
        level = "stop"
    return Band(level, Compared(value, dimension, ok.lo, ok.hi, doubt or None))


def kept(value: float, dimension: str, bounds: Bounds, doubt: float = 0.0) -> Band:
    """A limit that is kept or not: ok within its bounds with the whole doubt, stop beyond; watch by its doubt alone."""
    return band(value, dimension, ok=bounds, watch=bounds, doubt=doubt)


def beyond(value: float, dimension: str, bounds: Bounds, level: Level) -> Band:
    """A number that is known to lie beyond its bounds, and what that means; where it lies at them, by a rounding, the
    level stands and no margin is told."""
    at_them = "it lies at its limit" if bounds.keep(value, 0.0) else ""
    return Band(level, Compared(value, dimension, bounds.lo, bounds.hi, ground=at_them))


def never_ok(value: float, dimension: str, *, watch: Bounds, ground: str, doubt: float = 0.0) -> Band:
    """A number of something that is watched whatever it is, for a ground that is named: beyond the bounds it stops."""
    stops = not watch.keep(value, 0.0)
    shown = Compared(value, dimension, watch.lo, watch.hi, doubt or None)
    return Band("stop", shown) if stops else Band("watch", replace(shown, ground=ground))


def told(value: float, dimension: str, level: Level, ground: str) -> Band:
    """A number that is shown beside a level which something else decides: that is named, and no bound is."""
    return Band(level, Compared(value, dimension, ground=ground))
