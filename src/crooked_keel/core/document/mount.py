"""Mount points, a swing unit, a gearbox face."""

from __future__ import annotations

from typing import Literal

from ..figure.kinds import (
    Count,
    Force,
    Length,
    Mass,
    Stiffness,
)
from ..figure.narrow import (
    Factor,
)
from ..figure.place import (
    ButtLine,
    Station,
    UnitButtLine,
    UnitStation,
    UnitWaterLine,
    WaterLine,
)
from .base import Item, Key, Part


class MountPoint(Item):
    """One of the points: where it sits on the unit (from the output flange of the unit), where on the structure.

    Axial stiffness acts along `axis` (the kind's own if blank); radial and across are the two ways square to it."""

    unit_aft: UnitStation | None = None
    unit_starboard: UnitButtLine | None = None
    unit_up: UnitWaterLine | None = None
    structure_butt_line: ButtLine | None = None
    structure_water_line: WaterLine | None = None
    stiffness_axial: Stiffness | None = None
    stiffness_radial: Stiffness | None = None
    stiffness_across: Stiffness | None = None
    axis: Literal["fore and aft", "sideways", "up and down"] | None = None
    strength: Force | None = None


class SwingUnit(Part):
    """A unit that swings with its wheel: pivot, the two ends of the shock, and what swings."""

    pivot_station: Station | None = None
    pivot_water_line: WaterLine | None = None
    shock_lower_station: Station | None = None
    shock_lower_water_line: WaterLine | None = None
    shock_upper_station: Station | None = None
    shock_upper_water_line: WaterLine | None = None
    mass: Mass | None = None
    cg_station: Station | None = None
    cg_water_line: WaterLine | None = None
    pivot_strength: Force | None = None
    shock_strength: Force | None = None
    stretch: Length | None = None


class Face(Part):
    """A motor bolted to the face of a gearbox: overhang from the face to its CG, plate and bolts; and a third point
    with what it carries."""

    overhang: Length | None = None
    bolts: Count | None = None
    bolt_circle: Length | None = None
    third_at: Length | None = None
    support_behind: Length | None = None
    third_strength: Force | None = None


class Mount(Part):
    """The mount between unit and structure: firewall, stringers or frame. Its CG is from the unit's output flange;
    blank takes it from its points."""

    swing: SwingUnit = SwingUnit()
    face: Face = Face()
    thrust_taken: Literal["mount", "hull"] | None = None
    seating: Literal["rubber", "hard"] | None = None
    height: Length | None = None
    mass: Mass | None = None
    cg_aft: UnitStation | None = None
    cg_starboard: UnitButtLine | None = None
    cg_up: UnitWaterLine | None = None
    points: dict[Key, MountPoint] = {}
    thrust: Force | None = None
    torque_factor: Factor | None = None
