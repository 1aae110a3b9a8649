"""What the balance bench says of the supports."""

from __future__ import annotations

from ...errors import or_none
from ...judging.finding import Value
from ...judging.values import ValueList
from ...resolved.craft import Resolved
from .quantities import StandingSteps, StepOut
from .supports import OnSupports


def cross_values(supports: OnSupports) -> list[Value]:
    """Cross weight of four wheels."""
    out = ValueList("balance")
    if supports.warp:
        out.add(
            "cross",
            "Cross: starboard front with port rear, empty",
            "percent",
            lambda: supports.cross(True),
            before=lambda: supports.cross(False),
            source="corners as weighed, and statics",
        )
    return out.values


def step_table(standing: StandingSteps, resolved: Resolved) -> list[StepOut]:
    """Steps of the work on the supports."""
    return (or_none(standing.tables) or []) if resolved.has("scales") else []
