"""Installations and fits: a power unit with its placement, drive, propeller and mount; ledger rows; loadings."""

from __future__ import annotations

from typing import Annotated, ClassVar, Literal

from pydantic import StringConstraints

from ..figure.kinds import (
    Angle,
    Count,
    Current,
    Energy,
    FineLength,
    FineOffset,
    Force,
    Inertia,
    Length,
    Mass,
    Money,
    Number,
    Offset,
    Ratio,
    Rotation,
    Stiffness,
    Voltage,
    Volume,
    Wait,
)
from ..figure.place import (
    ButtLine,
    DriveStation,
    StageButtLine,
    StageWaterLine,
    Station,
    UnitButtLine,
    UnitStation,
    UnitWaterLine,
    WaterLine,
)
from .base import Item, Key, Note, Part
from .craft import Tank
from .unit import PowerUnit, Turn

Week = Annotated[str, StringConstraints(pattern=r"^(\d{4}-W(0[1-9]|[1-4]\d|5[0-3]))?$")]


class Placement(Part):
    """Where the output flange sits and which way it points: by angles, or by the far end of the shaft line."""

    flange_station: Station | None = None
    flange_butt_line: ButtLine | None = None
    flange_water_line: WaterLine | None = None
    down: Angle | None = None
    right: Angle | None = None
    propeller_station: Station | None = None
    propeller_water_line: WaterLine | None = None


class Stage(Item):
    """One step of the reduction. Ratio is driver speed over driven speed; teeth give it exactly."""

    type: Literal["gear", "belt", "chain", "planetary"] = "gear"
    driver_teeth: Count | None = None
    driven_teeth: Count | None = None
    ratio: Ratio | None = None
    turning: Literal["keeps", "flips"] | None = None
    offset_up: StageWaterLine | None = None
    offset_starboard: StageButtLine | None = None
    pitch: Length | None = None
    centres: Length | None = None
    strength: Force | None = None


class Gear(Item):
    """One speed of a box or one end of a variator: driver speed over driven speed."""

    ratio: Ratio | None = None


class Drive(Part):
    """Reduction between the unit and the output flange. No stages: the propeller sits on the unit's own flange."""

    stages: dict[Key, Stage] = {}
    gears: dict[Key, Gear] = {}
    efficiency: Ratio | None = None
    down_angle: Angle | None = None
    reverse: Literal["box", "electric", "none"] | None = None
    mass: Mass | None = None
    cg_aft: DriveStation | None = None
    length: Length | None = None


class Propeller(Part):
    """The propeller and the spacer in front of the output flange."""

    diameter: Length | None = None
    pitch: Length | None = None
    blades: Count | None = None
    hull_above: Length | None = None
    mass: Mass | None = None
    inertia: Inertia | None = None
    turns: Turn | None = None
    spacer: Length | None = None


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
    """A motor bolted to the face of a gearbox: overhang from the face to its CG, plate and bolts; and a third point."""

    overhang: Length | None = None
    bolts: Count | None = None
    bolt_circle: Length | None = None
    third_at: Length | None = None
    support_behind: Length | None = None


class Mount(Part):
    """The mount between unit and structure: firewall, stringers or frame."""

    swing: SwingUnit = SwingUnit()
    face: Face = Face()
    thrust_taken: Literal["mount", "hull"] | None = None
    seating: Literal["rubber", "hard"] | None = None
    height: Length | None = None
    mass: Mass | None = None
    points: dict[Key, MountPoint] = {}
    thrust: Force | None = None
    torque_factor: Ratio | None = None


class Space(Item):
    """A space in which packs may lie, drawn by hand: its ends, sides, floor and lid. A blank side leaves that way
    open."""

    forward: Station | None = None
    aft: Station | None = None
    port: ButtLine | None = None
    starboard: ButtLine | None = None
    low: WaterLine | None = None
    high: WaterLine | None = None


class Pack(Item):
    """A battery pack: where its middle sits, how large it is, the space it is to lie in, and what it holds."""

    length: Length | None = None
    width: Length | None = None
    height: Length | None = None
    space: Key | None = None

    mass: Mass | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    energy: Energy | None = None
    voltage: Voltage | None = None
    current: Current | None = None


class Wheel(Part):
    """The driven wheel: rolling radius, or the marks on the tyre; its mass where it moves with a stretched frame."""

    mass: Mass | None = None
    radius: Length | None = None
    width: Length | None = None
    aspect: Number | None = None
    rim: Length | None = None


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


class Installation(Item):
    """One power unit with all that belongs to it."""

    deep: ClassVar[bool] = True

    unit: PowerUnit = PowerUnit()
    placement: Placement = Placement()
    drive: Drive = Drive()
    propeller: Propeller = Propeller()
    wheel: Wheel = Wheel()
    packs: dict[Key, Pack] = {}
    mount: Mount = Mount()
    align: Align = Align()


class MoneyLine(Item):
    """Something to pay for: what it was to cost, what was ordered, what was paid; how long it takes to come, what it
    holds up, and the week in which it falls, as 2026-W48."""

    planned: Money | None = None
    committed: Money | None = None
    spent: Money | None = None
    state: Literal["open", "closed"] | None = None
    wait: Wait | None = None
    week: Week = ""
    holds_up: Note = ""


class Task(Item):
    """Something to do that a choice asks for, with what to mind; kept for the build."""

    caution: Note = ""
    state: Literal["open", "done"] | None = None


class LedgerRow(Item):
    """A mass kept, removed, moved or installed. A blank position is unknown, never zero."""

    kind: Literal["kept", "removed", "moved", "installed"]
    group: Note = ""
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
    """One candidate repower. fuel: whether the craft keeps its tanks; how far front and rear of a two-wheeler stand
    higher than before."""

    deep: ClassVar[bool] = True

    front_rise: Offset | None = None
    rear_rise: Offset | None = None

    fuel: Literal["kept", "out"] | None = None

    installations: dict[Key, Installation] = {}
    ledger: dict[Key, LedgerRow] = {}
    tanks: dict[Key, Tank] = {}
    spaces: dict[Key, Space] = {}
    money: dict[Key, MoneyLine] = {}
    tasks: dict[Key, Task] = {}
