"""How a number is judged against bounds: level, what was compared, and the margin, each by one definition."""

from __future__ import annotations

from typing import NamedTuple

from .finding import Compared, Level


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


def within(lo: float, hi: float) -> Bounds:
    """Neither below nor above."""
    return Bounds(lo, hi)


class Band(NamedTuple):
    """A number judged. compared carries the bounds of what is ok, and so the margin to them."""

    level: Level
    compared: Compared


def band(
    value: float,
    dimension: str,
    *,
    ok: Bounds,
    watch: Bounds | None = None,
    doubt: float = 0.0,
    soft: bool = False,
) -> Band:
    """ok within its bounds with its whole doubt, else watch within those of the watch, else stop; without, never stop.

    value: SI; doubt: two standard deviations, same unit: a number is ok only if it keeps the bounds with its doubt, and
    stops when it passes those of the watch as it stands. soft: what is ok is a matter of comfort or custom: the doubt
    need only keep off where it stops."""
    if ok.keep(value, 0.0) and (watch.keep(value, doubt) if soft and watch is not None else ok.keep(value, doubt)):
        level: Level = "ok"
    elif watch is None or watch.keep(value, 0.0):
        level = "watch"
    else:
        level = "stop"
    return Band(level, Compared(value, dimension, ok.lo, ok.hi, doubt or None))
