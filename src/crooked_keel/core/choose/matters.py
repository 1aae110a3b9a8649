"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

MATTERS = (
    Matter("whether a maker's figures are true of the unit on the floor"),
    Matter("its wear, hours and faults"),
    Matter("noise, emissions and what the law allows"),
)
