"""What is said of a match: over- or under-propped, and how surely."""

from __future__ import annotations

from typing import Literal, NamedTuple

from .quantities import FAST, SLOW, Matched

# Standing under this share of the fastest speed allowed there is no power for the take-off.
STOP = 0.85

Propped = Literal["as it should", "under-propped", "over-propped"]


class Judged(NamedTuple):
    """Which way it is wrong; whether it is surely as it should; standing and climbing, of the fastest speed allowed."""

    propped: Propped
    sure: bool
    standing: float
    climbing: float


def judged(static: Matched, climb: Matched, allowed: float, doubt: float, useless: bool) -> Judged:
    """What is to be said of where unit and propeller agree. doubt: how far a speed may be off, as a share; useless:
    standing figures are not to be used."""
    standing, climbing = static.speed / allowed, climb.speed / allowed
    if standing > 1 or climbing > 1 or "runs away" in (static.state, climb.state):
        return Judged("under-propped", False, standing, climbing)
    if standing < STOP or static.state == "held down":
        return Judged("over-propped", False, standing, climbing)
    inside = SLOW + doubt <= standing <= FAST - doubt and climbing + doubt <= 1
    return Judged("as it should", inside and not useless, standing, climbing)
