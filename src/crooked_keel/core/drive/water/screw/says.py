"""The match of a marine propeller as drawn."""

from __future__ import annotations

from ....errors import or_none
from ...matched import MatchOut
from .quantities import FAST_M_S, ScrewMatch
from .rules import HIGH, LOW


def screw_table(screw: ScrewMatch) -> MatchOut | None:
    """The same of a marine propeller: made fast, and at her speed."""
    found = or_none(lambda: screw.drawn())
    if found is None:
        return None
    held, made, rated = found.fast, found.made, found.rated
    return MatchOut(
        speeds_si=screw.speeds.tolist(),
        unit_si=screw.given.tolist(),
        standing_si=screw.asks(FAST_M_S),
        climbing_si=screw.asks(made.boat_m_s),
        static_si=held.speed if held.state != "held down" else None,
        climb_si=made.held.speed if made.held.state != "held down" else None,
        allowed_si=rated,
        slow_si=LOW * rated,
        fast_si=HIGH * rated,
        blade=[],
    )
