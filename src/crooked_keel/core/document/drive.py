"""Stages, gears, propeller and driven wheel; the road and the trial that they are judged by."""

from __future__ import annotations

from typing import Literal

from ..figure.flows import Regained, ShortTime, Stress, Temperature
from ..figure.kinds import (
    Count,
    Duration,
    Energy,
    Force,
    Inertia,
    Length,
    Mass,
    Money,
    RoadSpeed,
    Rotation,
    SeaSpeed,
    Torque,
    Twist,
    Voltage,
    Wait,
)
from ..figure.narrow import (
    Aspect,
    Before,
    BladeAngle,
    BladeArea,
    Blades,
    ChainPitch,
    DragArea,
    Efficiency,
    Grade,
    Grip,
    Rolling,
    Share,
    Slope,
    SmallAngle,
    StageRatio,
    Teeth,
    Weight,
)
from ..figure.place import (
    DriveStation,
    StageButtLine,
    StageWaterLine,
)
from ..figure.sizes import Bore, RimSize, TyreWidth, WheelSize
from .base import Item, Key, Note, Part
from .unit import Turn

StageType = Literal[
    "gear",
    "internal gear",
    "belt",
    "crossed belt",
    "chain",
    "planetary",
    "bevel",
    "V-drive",
    "down-angle gear",
    "variator",
]


class Moment(Item):
    """A moment of a drive: so long after its start, and the speed then."""

    at: ShortTime | None = None
    speed: RoadSpeed | None = None


class Road(Part):
    """What holds a road craft back, the grip of its driven wheel, and the steepest hill it must climb; until which
    speed its pulling away is timed, and which end of four or three wheels is driven; the drive cycle that an electric
    one is judged by, the moments of one's own, and the share of braking that comes back."""

    drag_area: DragArea | None = None
    rolling: Rolling | None = None
    grip: Grip | None = None
    cruise: RoadSpeed | None = None
    steepest: Slope | None = None
    until: RoadSpeed | None = None
    driven: Literal["rear", "front"] | None = None
    cycle: Literal["town, elementary urban cycle", "a drive of my own"] | None = None
    moments: dict[Key, Moment] = {}
    regains: Regained | None = None


class Trial(Part):
    """What she did before the work. wake: how much slower the water at the propeller is than she. regime: how her hull
    goes at that speed; semi-displacement between the two, faster than its waves let a displacement hull go."""

    speed: SeaSpeed | None = None
    wake: Share | None = None
    wanted: SeaSpeed | None = None
    cruise: SeaSpeed | None = None
    regime: Literal["displacement", "semi-displacement", "planing"] | None = None


class Stage(Item):
    """One step of the reduction. Ratio is driver speed over driven speed; teeth give it exactly. order: its place along
    the train, 1 at the unit; pulley: pitch diameter of the driving one of a belt without teeth; idlers: wheels between
    the two of a gear stage, none where it is said that there are none. reach: how much further apart its adjuster sets
    a chain's centres than they are given. Of a variator the ratio is that of its fast end, low that of the other, and
    home the speed of the unit at which its clutch no longer slips."""

    type: StageType = "gear"
    idlers: Before | None = None
    efficiency: Efficiency | None = None
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
    reach: Length | None = None
    low: StageRatio | None = None
    home: Rotation | None = None


class Gear(Item):
    """One speed of a box or one end of a variator: driver speed over driven speed."""

    ratio: StageRatio | None = None


class Twisting(Item):
    """A shaft or coupling that twists, and what turns at its far end; the last one ends in the propeller. place: its
    order along the line, 1 at the unit; behind: how many stages of the reduction lie between the unit and it."""

    place: Count | None = None
    behind: Before | None = None
    stiffness: Twist | None = None
    inertia: Inertia | None = None


class GearHeat(Part):
    """Oil of a reduction as a trial showed it: three readings at equal steps of time and the step, the air at that
    trial and on the hottest day, and how much oil there is. earlier: where it levelled off in a trial before something
    was changed, at the same power, and the air then."""

    first: Temperature | None = None
    second: Temperature | None = None
    third: Temperature | None = None
    apart: Duration | None = None
    air: Temperature | None = None
    hottest: Temperature | None = None
    oil: Mass | None = None
    earlier: Temperature | None = None
    earlier_air: Temperature | None = None


class Clutch(Part):
    """A one-way clutch: behind how many stages it sits, the torque that it holds and the speed at which it may run free
    by its maker; whether a starter, or engine braking, is to act through it."""

    one_way: Literal["fitted", "none"] | None = None
    behind: Before | None = None
    holds: Torque | None = None
    free_speed: Rotation | None = None
    acts_through: Literal["nothing", "the starter or engine braking"] | None = None


class Shaft(Part):
    """A boat's propeller shaft: its diameter where it is thinnest, its metal, the longest stretch between bearings; how
    long it is from the face of its coupling to its end, and from its last bearing to the propeller's hub. The
    key in its taper and the bolts of its coupling: how many, of which diameter, on which circle, of which strength."""

    diameter: Bore | None = None
    metal: (
        Literal["naval brass", "carbon steel", "stainless 316", "duplex stainless", "high-strength stainless"] | None
    ) = None
    span: Length | None = None
    length: Length | None = None
    overhang: Length | None = None
    key_width: Bore | None = None
    key_height: Bore | None = None
    key_length: Bore | None = None
    key_at: Bore | None = None
    bolts: Count | None = None
    bolt: Bore | None = None
    circle: Length | None = None
    bolts_yield: Stress | None = None


class CrossShaft(Item):
    """A shaft that carries the torque to the road: how many stages lie before it, whether a differential splits the
    torque to it; diameter and bore where it is weakest, how long it twists, at which stress its metal yields. A spliced
    one by its weld and by its plugs; whether somebody qualified answers for the splice."""

    behind: Before | None = None
    torque: Literal["all of it", "half, by an open differential", "all of it where one wheel is locked"] | None = None
    diameter: Bore | None = None
    inside: Bore | None = None
    length: Length | None = None
    yields: Stress | None = None
    made: Literal["in one piece", "spliced"] | None = None
    weld_radius: Bore | None = None
    weld_leg: Bore | None = None
    plugs: Count | None = None
    plug: Bore | None = None
    plug_radius: Bore | None = None
    answered: Literal["by somebody qualified", "by nobody yet"] | None = None


class DriveOption(Item):
    """One way of driving the wheels: what it costs, how long it takes to come, its mass, the torque that it bears at
    the wheels; how it reverses, whether it has a differential, how it is oiled; how quiet it is and how little it asks
    for, 1 to 5; what must be made for it."""

    cost: Money | None = None
    wait: Wait | None = None
    mass: Mass | None = None
    bears: Torque | None = None
    reverse: Literal["in it", "electric", "none"] | None = None
    differential: Literal["in it", "none"] | None = None
    oiled: Literal["sealed, in oil", "open"] | None = None
    quiet: Grade | None = None
    upkeep: Grade | None = None
    made: Note = ""


class DriveWanted(Part):
    """What rules a way of driving out, and how much each thing counts; blank is not counted."""

    reverse: Literal["wanted", "not wanted"] | None = None
    longest_wait: Wait | None = None
    most_cost: Money | None = None
    cost_counts: Weight | None = None
    wait_counts: Weight | None = None
    mass_counts: Weight | None = None
    quiet_counts: Weight | None = None
    upkeep_counts: Weight | None = None


class Helper(Part):
    """A motor on the crank of an engine, both always at one speed: its greatest torque, its voltage for its speed at no
    load (rpm of one volt), what it takes to be turned when it is off; what the controller and the pack stand; what the
    weakest part behind both may be given. Of a round, a lap or a trip driven again and again: how long it pushes and
    charges, with which torque and at which speed; what its pack holds and how much of that is used, what of it comes
    through motor and controller, and how many rounds are wanted."""

    fitted: Literal["on the crank", "none"] | None = None
    torque: Torque | None = None
    lasting: Torque | None = None
    unloaded: Rotation | None = None
    drags: Torque | None = None
    limiter: Rotation | None = None
    stands: Voltage | None = None
    full: Voltage | None = None
    weakest: Torque | None = None
    apart: Literal["no clutch between", "a clutch between"] | None = None
    helps_for: ShortTime | None = None
    helps_with: Torque | None = None
    helps_at: Rotation | None = None
    charges_for: ShortTime | None = None
    charges_with: Torque | None = None
    charges_at: Rotation | None = None
    energy: Energy | None = None
    used: Share | None = None
    passes: Efficiency | None = None
    rounds: Count | None = None


class Drive(Part):
    """Reduction between the unit and the output flange. No stages: the propeller sits on the unit's own flange.
    works_from: the slowest that the unit turns in steady work; line: what twists between it and the propeller. A box
    that stays: the torque and the speed that its input may be given, and how many stages lie before it; of any box with
    gears whether its output turns as its input does."""

    stages: dict[Key, Stage] = {}
    gears: dict[Key, Gear] = {}
    efficiency: Efficiency | None = None
    down_angle: SmallAngle | None = None
    reverse: Literal["box", "electric", "none"] | None = None
    mass: Mass | None = None
    cg_aft: DriveStation | None = None
    length: Length | None = None
    works_from: Rotation | None = None
    line: dict[Key, Twisting] = {}
    heat: GearHeat = GearHeat()
    clutch: Clutch = Clutch()
    shaft: Shaft = Shaft()
    box_takes: Torque | None = None
    box_turns: Rotation | None = None
    box_behind: Before | None = None
    box_turning: Literal["keeps", "flips"] | None = None
    cross: dict[Key, CrossShaft] = {}
    helper: Helper = Helper()
    options: dict[Key, DriveOption] = {}
    options_need: DriveWanted = DriveWanted()


class Swing(Part):
    """A two-string swing test of what hangs level by two plumb strings: how far apart they are, how long, and how long
    so many swings take, to and fro."""

    apart: Length | None = None
    strings: Length | None = None
    swings: Count | None = None
    took: ShortTime | None = None


class Propeller(Part):
    """The propeller and the spacer in front of the output flange: what the spacer is made of, outside and inside; from
    the propeller's back to its middle; the bending that the flange may bear by its maker. blade_angle: at three
    quarters of its radius, where no pitch is given; static_speed: of the unit at full throttle, standing, as it was
    read, with the blade angle it was read at where that is another now. Of a marine one the area of its blades over
    that of its disc, how far its shaft is under the water, and the unit's speed at full throttle, loaded, as read.
    claimed: its efficiency at the cruise by its maker."""

    diameter: Length | None = None
    pitch: Length | None = None
    blades: Blades | None = None
    hull_above: Length | None = None
    area: BladeArea | None = None
    depth: Length | None = None
    trial_speed: Rotation | None = None
    mass: Mass | None = None
    inertia: Inertia | None = None
    turns: Turn | None = None
    spacer: Length | None = None
    spacer_of: Literal["aluminium", "steel"] | None = None
    spacer_outside: Length | None = None
    spacer_inside: Length | None = None
    middle: Length | None = None
    bending_limit: Torque | None = None
    blades_set: Literal["fixed", "set on the ground", "by a governor"] | None = None
    blade_angle: BladeAngle | None = None
    static_speed: Rotation | None = None
    read_angle: BladeAngle | None = None
    swing: Swing = Swing()
    claimed: Efficiency | None = None


class Hub(Part):
    """A motor in the hub: what holds its axle; length of a flat across the axle, thickness of the dropout and the
    stress at which that yields; the torque arm, from the axle to where it is held, and the force that holds it. Its
    spokes: how they are laced, how many, on which circle of the hub, how thick at their thinnest, the stress at which
    they yield."""

    motor: Literal["in the hub", "not in it"] | None = None
    held: Literal["by a torque arm", "by its flats alone"] | None = None
    flat: Bore | None = None
    dropout: Bore | None = None
    yields: Stress | None = None
    arm: Length | None = None
    arm_holds: Force | None = None
    laced: Literal["crossed", "radial", "no spokes: cast, or a disc"] | None = None
    spokes: Count | None = None
    spoke_circle: Length | None = None
    spoke: Bore | None = None
    spoke_yields: Stress | None = None


class Wheel(Part):
    """The driven wheel: rolling radius, or the marks on the tyre; its mass where it moves with a stretched frame."""

    mass: Mass | None = None
    radius: WheelSize | None = None
    width: TyreWidth | None = None
    aspect: Aspect | None = None
    rim: RimSize | None = None
    hub: Hub = Hub()
