"""Stages, gears, propeller and driven wheel; the road and the trial that they are judged by."""

from __future__ import annotations

from typing import Literal

from ..figure.kinds import (
    Count,
    Force,
    Inertia,
    Length,
    Mass,
    RoadSpeed,
    SeaSpeed,
)
from ..figure.narrow import (
    Aspect,
    Blades,
    ChainPitch,
    DragArea,
    Efficiency,
    Grip,
    Rolling,
    Slope,
    SmallAngle,
    StageRatio,
    Teeth,
)
from ..figure.place import (
    DriveStation,
    StageButtLine,
    StageWaterLine,
)
from ..figure.sizes import RimSize, TyreWidth, WheelSize
from .base import Item, Key, Part
from .unit import Turn


class Road(Part):
    """What holds a road craft back, the grip of its driven wheel, and the steepest hill it must climb."""

    drag_area: DragArea | None = None
    rolling: Rolling | None = None
    grip: Grip | None = None
    cruise: RoadSpeed | None = None
    steepest: Slope | None = None


class Trial(Part):
    """What she did before the work."""

    speed: SeaSpeed | None = None
    wanted: SeaSpeed | None = None
    cruise: SeaSpeed | None = None
    regime: Literal["displacement", "planing"] | None = None


class Stage(Item):
    """One step of the reduction. Ratio is driver speed over driven speed; teeth give it exactly. order: its place along
    the train, 1 at the unit; pulley: pitch diameter of the driving one of a belt without teeth."""

    type: Literal["gear", "belt", "chain", "planetary"] = "gear"
    held: Literal["ring", "carrier", "sun"] | None = None
    driver_teeth: Teeth | None = None
    driven_teeth: Teeth | None = None
    ratio: StageRatio | None = None
    turning: Literal["keeps", "flips"] | None = None
    offset_up: StageWaterLine | None = None
    offset_starboard: StageButtLine | None = None
    pitch: ChainPitch | None = None
    centres: Length | None = None
    strength: Force | None = None
    order: Count | None = None
    pulley: Length | None = None


class Gear(Item):
    """One speed of a box or one end of a variator: driver speed over driven speed."""

    ratio: StageRatio | None = None


class Drive(Part):
    """Reduction between the unit and the output flange. No stages: the propeller sits on the unit's own flange."""

    stages: dict[Key, Stage] = {}
    gears: dict[Key, Gear] = {}
    efficiency: Efficiency | None = None
    down_angle: SmallAngle | None = None
    reverse: Literal["box", "electric", "none"] | None = None
    mass: Mass | None = None
    cg_aft: DriveStation | None = None
    length: Length | None = None


class Propeller(Part):
    """The propeller and the spacer in front of the output flange."""

    diameter: Length | None = None
    pitch: Length | None = None
    blades: Blades | None = None
    hull_above: Length | None = None
    mass: Mass | None = None
    inertia: Inertia | None = None
    turns: Turn | None = None
    spacer: Length | None = None


class Wheel(Part):
    """The driven wheel: rolling radius, or the marks on the tyre; its mass where it moves with a stretched frame."""

    mass: Mass | None = None
    radius: WheelSize | None = None
    width: TyreWidth | None = None
    aspect: Aspect | None = None
    rim: RimSize | None = None
