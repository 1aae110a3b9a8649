"""Coupling, sprocket line, wheel centres, run-out and joints, as measured."""

from __future__ import annotations

from typing import Literal

from ..figure.kinds import (
    Angle,
    FineLength,
    FineOffset,
    Length,
    Rotation,
)
from .base import Item, Key, Part


class Coupling(Part):
    """Readings at the coupling: gaps and rim steps by the clock, seen from aft; feet by their distance from its
    face."""

    diameter: Length | None = None
    facing: Literal["forward", "aft"] = "forward"
    gap_12: FineLength | None = None
    gap_3: FineLength | None = None
    gap_6: FineLength | None = None
    gap_9: FineLength | None = None
    step_12: FineOffset | None = None
    step_3: FineOffset | None = None
    step_6: FineOffset | None = None
    step_9: FineOffset | None = None
    front_feet: Length | None = None
    rear_feet: Length | None = None
    thread_pitch: FineLength | None = None
    under_front_port: FineLength | None = None
    under_front_starboard: FineLength | None = None
    under_rear_port: FineLength | None = None
    under_rear_starboard: FineLength | None = None
    afloat: Literal["afloat, loaded, coupling apart", "ashore"] | None = None


class SprocketLine(Part):
    """A straightedge on one sprocket, read twice near the other: two readings a span apart, and how far off that is."""

    first: FineOffset | None = None
    second: FineOffset | None = None
    span: Length | None = None
    distance: Length | None = None


class WheelCentre(Part):
    """A wheel between the arms: inside width, hub, rim's middle from the hub's, and where the rim shall be."""

    inside: Length | None = None
    hub: Length | None = None
    rim_offset: FineOffset | None = None
    target: FineOffset | None = None


class Runout(Part):
    """A dial swung in the bore of an adapter: eight readings by 45°, clockwise from the top."""

    at_0: FineOffset | None = None
    at_45: FineOffset | None = None
    at_90: FineOffset | None = None
    at_135: FineOffset | None = None
    at_180: FineOffset | None = None
    at_225: FineOffset | None = None
    at_270: FineOffset | None = None
    at_315: FineOffset | None = None


class Joint(Item):
    """A universal joint: its angle seen from the side and from above, and the fastest it turns."""

    side: Angle | None = None
    plan: Angle | None = None
    speed: Rotation | None = None


class Align(Part):
    """What is read and set when the lines are brought true."""

    coupling: Coupling = Coupling()
    sprockets: SprocketLine = SprocketLine()
    wheel: WheelCentre = WheelCentre()
    runout: Runout = Runout()
    joints: dict[Key, Joint] = {}
