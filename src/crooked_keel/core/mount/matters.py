"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

MATTERS = (
    Matter("welds, bolts and their locking, fatigue"),
    Matter("the structure behind the points"),
    Matter("buckling of tubes, and diagonals that are missing", "thrust line"),
    Matter("a propeller that strikes or an engine that seizes", "air propeller"),
    Matter("vibration that reaches the craft, and what the mounts stretch"),
)
