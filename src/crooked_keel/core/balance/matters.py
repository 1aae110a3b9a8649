"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

WING_ROOT = Matter("bending at the root of the wing", "cg limits")
STEERING = Matter("steering", "stands on wheels")

MATTERS = (
    Matter("flutter, stall, spin and control in flight", "cg limits"),
    WING_ROOT,
    Matter("bending and shear of the fuselage, and of spars beyond their root", "cg limits"),
    Matter("large angles, flooding, wind and waves", "afloat"),
    Matter("strength of hull and deck under what is moved", "afloat"),
    STEERING,
    Matter("brakes, springs and dampers", "stands on wheels"),
    Matter("strength of frame or body under what is moved", "stands on wheels"),
)
