"""Coupling, sprocket line, wheel centres, run-out and joints, as measured."""

from __future__ import annotations

from typing import Literal

from ..figure.kinds import (
    FineOffset,
    Length,
    Rotation,
)
from ..figure.narrow import (
    Dial,
    Feeler,
    SmallAngle,
    ThreadPitch,
)
from ..figure.sizes import CouplingSize, WheelSize
from .base import Item, Key, Part


class Coupling(Part):
    """Readings at the coupling: gaps and rim steps by the clock, seen from aft; feet by their distance from its face;
    how much thread is left at the foot that has least of it, to go up and to go down."""

    diameter: CouplingSize | None = None
    facing: Literal["forward", "aft"] = "forward"
    gap_12: Feeler | None = None
    gap_3: Feeler | None = None
    gap_6: Feeler | None = None
    gap_9: Feeler | None = None
    step_12: Dial | None = None
    step_3: Dial | None = None
    step_6: Dial | None = None
    step_9: Dial | None = None
    front_feet: Length | None = None
    rear_feet: Length | None = None
    thread_pitch: ThreadPitch | None = None
    thread_up: Length | None = None
    thread_down: Length | None = None
    under_front_port: Feeler | None = None
    under_front_starboard: Feeler | None = None
    under_rear_port: Feeler | None = None
    under_rear_starboard: Feeler | None = None
    afloat: Literal["afloat, loaded, coupling apart", "ashore"] | None = None


class SprocketLine(Part):
    """A straightedge on one sprocket, read twice near the other: two readings a span apart, and how far off that is."""

    first: FineOffset | None = None
    second: FineOffset | None = None
    span: Length | None = None
    distance: Length | None = None


class WheelCentre(Part):
    """A wheel between the arms: inside width, hub, rim's middle from the hub's, and where the rim shall be."""

    inside: WheelSize | None = None
    hub: WheelSize | None = None
    rim_offset: FineOffset | None = None
    target: FineOffset | None = None


class Runout(Part):
    """A dial swung in the bore of an adapter: eight readings by 45°, clockwise from the top."""

    at_0: Dial | None = None
    at_45: Dial | None = None
    at_90: Dial | None = None
    at_135: Dial | None = None
    at_180: Dial | None = None
    at_225: Dial | None = None
    at_270: Dial | None = None
    at_315: Dial | None = None


class Joint(Item):
    """A universal joint: its angle seen from the side and from above, and the fastest it turns."""

    side: SmallAngle | None = None
    plan: SmallAngle | None = None
    speed: Rotation | None = None


class Align(Part):
    """What is read and set when the lines are brought true. joints_phased: how the forks at the two ends of the shaft
    between a pair of joints stand to each other."""

    coupling: Coupling = Coupling()
    sprockets: SprocketLine = SprocketLine()
    wheel: WheelCentre = WheelCentre()
    runout: Runout = Runout()
    joints: dict[Key, Joint] = {}
    joints_phased: Literal["in line", "a quarter turn out", "each on a shaft of its own"] | None = None
