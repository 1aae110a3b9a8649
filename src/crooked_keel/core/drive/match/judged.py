"""What is said of a match: over- or under-propped, and how surely."""

from __future__ import annotations

from typing import Literal, NamedTuple

from ...judging.finding import Level
from .quantities import FAST, SLOW, Matched

# Standing under this share of the fastest speed allowed there is no power for the take-off.
_STOP = 0.85

Propped = Literal["as it should", "under-propped", "over-propped"]


class Judged(NamedTuple):
    """Level; which way it is wrong; standing and climbing, of the fastest speed allowed."""

    level: Level
    propped: Propped
    standing: float
    climbing: float


def judged(static: Matched, climb: Matched, allowed: float, doubt: float, useless: bool) -> Judged:
    """The verdict on where unit and propeller agree. doubt: how far a speed may be off, as a share; useless: standing
    figures are not to be used."""
    standing, climbing = static.speed / allowed, climb.speed / allowed
    if standing > 1 or climbing > 1 or "runs away" in (static.state, climb.state):
        return Judged("stop", "under-propped", standing, climbing)
    if standing < _STOP or static.state == "held down":
        return Judged("stop", "over-propped", standing, climbing)
    inside = SLOW + doubt <= standing <= FAST - doubt and climbing + doubt <= 1
    return Judged("ok" if inside and not useless else "watch", "as it should", standing, climbing)
