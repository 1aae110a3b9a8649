"""Installations and fits: a power unit with its placement, drive, propeller and mount; ledger rows; loadings."""

from __future__ import annotations

from typing import Literal

from ..figure import (
    Angle,
    ButtLine,
    Count,
    DriveStation,
    Force,
    Inertia,
    Length,
    Mass,
    Power,
    Ratio,
    Rotation,
    StageButtLine,
    StageWaterLine,
    Station,
    Stiffness,
    UnitButtLine,
    UnitStation,
    UnitWaterLine,
    Volume,
    WaterLine,
)
from .base import Item, Key, Name, Note, Part

Turn = Literal["clockwise", "anticlockwise"]
UnitKind = Literal["four-stroke", "two-stroke", "turbine", "electric"]


class PowerUnit(Part):
    """An engine, turbine or motor as installed. Its own measures are taken from its output flange, shaft level."""

    name: Name = "power unit"
    kind: UnitKind | None = None
    cylinders: Count | None = None
    power: Power | None = None
    rated_speed: Rotation | None = None
    turns: Turn | None = None
    condition: Literal["dry", "wet", "ready to run"] | None = None
    mass: Mass | None = None
    cg_aft: UnitStation | None = None
    cg_starboard: UnitButtLine | None = None
    cg_up: UnitWaterLine | None = None
    length: Length | None = None
    height: Length | None = None
    box_up: UnitWaterLine | None = None
    rear_radius: Length | None = None


class Placement(Part):
    """Where the output flange sits and which way the thrust line points."""

    flange_station: Station | None = None
    flange_butt_line: ButtLine | None = None
    flange_water_line: WaterLine | None = None
    down: Angle | None = None
    right: Angle | None = None


class Stage(Item):
    """One step of the reduction. Ratio is driver speed over driven speed; teeth give it exactly."""

    type: Literal["gear", "belt", "chain", "planetary"] = "gear"
    driver_teeth: Count | None = None
    driven_teeth: Count | None = None
    ratio: Ratio | None = None
    turning: Literal["keeps", "flips"] | None = None
    offset_up: StageWaterLine | None = None
    offset_starboard: StageButtLine | None = None


class Drive(Part):
    """Reduction between the unit and the output flange. No stages: the propeller sits on the unit's own flange."""

    stages: dict[Key, Stage] = {}
    mass: Mass | None = None
    cg_aft: DriveStation | None = None
    length: Length | None = None


class Propeller(Part):
    """The propeller and the spacer in front of the output flange."""

    diameter: Length | None = None
    blades: Count | None = None
    mass: Mass | None = None
    inertia: Inertia | None = None
    turns: Turn | None = None
    spacer: Length | None = None


class MountPoint(Item):
    """One of the points: where it sits on the unit (from the output flange of the unit), where on the firewall."""

    unit_aft: UnitStation | None = None
    unit_starboard: UnitButtLine | None = None
    unit_up: UnitWaterLine | None = None
    firewall_butt_line: ButtLine | None = None
    firewall_water_line: WaterLine | None = None
    stiffness_axial: Stiffness | None = None
    stiffness_radial: Stiffness | None = None
    strength: Force | None = None


class Mount(Part):
    """The mount between unit and firewall."""

    mass: Mass | None = None
    points: dict[Key, MountPoint] = {}
    thrust: Force | None = None
    torque_factor: Ratio | None = None


class Installation(Item):
    """One power unit with all that belongs to it."""

    unit: PowerUnit = PowerUnit()
    placement: Placement = Placement()
    drive: Drive = Drive()
    propeller: Propeller = Propeller()
    mount: Mount = Mount()


class LedgerRow(Item):
    """A mass kept, removed, moved or installed. A blank position is unknown, never zero."""

    kind: Literal["kept", "removed", "moved", "installed"]
    mass: Mass | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    to_station: Station | None = None
    to_butt_line: ButtLine | None = None
    to_water_line: WaterLine | None = None
    note: Note = ""


class Loading(Item):
    """A named case: what sits on each place, and fuel in each tank."""

    loads: dict[Key, Mass] = {}
    fuel: dict[Key, Volume] = {}


class Fit(Item):
    """One candidate repower."""

    installations: dict[Key, Installation] = {}
    ledger: dict[Key, LedgerRow] = {}
