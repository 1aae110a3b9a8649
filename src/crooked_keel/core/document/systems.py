"""What surrounds the unit: cooling, oil, exhaust, induction, fuel, current, high voltage, reach, and what is decided of
the joints that do not fit."""

from __future__ import annotations

from typing import ClassVar, Literal

from ..figure.flows import (
    AirFlow,
    Breaking,
    Capacitance,
    Charge,
    Conductance,
    DuctArea,
    Duty,
    Fineness,
    FinePressure,
    FineResistance,
    Flow,
    FuelFlow,
    FuseRating,
    GasTemperature,
    Hours,
    LoadPower,
    MixRatio,
    Pressure,
    Resistance,
    SystemVoltage,
    Temperature,
)
from ..figure.kinds import (
    Altitude,
    Angle,
    Area,
    Count,
    Current,
    FineLength,
    Length,
    Money,
    Power,
    RoadSpeed,
    Voltage,
    Volume,
)
from ..figure.narrow import Attitude, Dial, Feeler, LimitAngle, Share, Teeth
from ..figure.place import ButtLine, Station, WaterLine
from ..figure.sizes import Bore, Run, Size
from .base import Item, Key, Note, Part
from .unit import UnitKind, YesNo

WireSize = Literal[
    "AWG 18",
    "AWG 16",
    "AWG 14",
    "AWG 12",
    "AWG 10",
    "AWG 8",
    "AWG 6",
    "AWG 4",
    "AWG 2",
    "AWG 1",
    "AWG 1/0",
    "AWG 2/0",
    "AWG 3/0",
    "AWG 4/0",
    "0.75 mm²",
    "1 mm²",
    "1.5 mm²",
    "2.5 mm²",
    "4 mm²",
    "6 mm²",
    "10 mm²",
    "16 mm²",
    "25 mm²",
    "35 mm²",
    "50 mm²",
    "70 mm²",
    "95 mm²",
    "120 mm²",
]
PieceKind = Literal[
    "straight",
    "long bend of 90°",
    "short bend of 90°",
    "mitre of 90°",
    "bend of 45°",
    "filter",
    "pump",
    "valve",
    "cooler",
    "tank",
    "unit",
    "side loop",
]


class Piece(Item):
    """A length of hose or pipe, or what sits in it, in the order of the flow; height: of its far end. joint: to the
    next; bleed: whether air can be let out at its far end. A side loop takes a part of the flow only."""

    kind: PieceKind | None = None
    length: Run | None = None
    bore: Bore | None = None
    height: WaterLine | None = None
    bleed: YesNo | None = None
    joint: Note = ""


class FuelPiece(Piece):
    """A piece of the fuel's way; of a filter also how fine it is and what it passes."""

    fineness: Fineness | None = None
    passes: FuelFlow | None = None


class Cooler(Item):
    """A core: what it carries and how much heat of it, where it stands in its air, what heat it passes for each kelvin;
    and of a core from another craft what it served there."""

    carries: Literal["coolant", "oil", "gear oil", "charge air"] | None = None
    stands: Literal["first in the air", "behind the first", "beside the first"] | None = None
    conductance: Conductance | None = None
    heat: Power | None = None
    flow: Flow | None = None
    face: DuctArea | None = None
    served_power: Power | None = None
    served_kind: UnitKind | None = None


class AlsoHeat(Item):
    """What else gives its heat into the coolant."""

    heat: Power | None = None


class Cooling(Part):
    """How the unit is cooled. height: of use, where nothing is said of it on the choosing; speed: the slowest at which
    it gives full power for long; inlet_share: speed of the air in the inlet beside that of the craft; loop: in the
    order of the flow, from the unit's outlet; water: sea water from its cock."""

    by: Literal["fins in the open", "air over fins", "liquid to air", "liquid to sea water", "keel cooler"] | None = (
        None
    )
    coolant: Literal["water", "half ethylene glycol", "half propylene glycol", "waterless"] | None = None
    water_left: Share | None = None
    coolant_flow: Flow | None = None
    limit: Temperature | None = None
    hot_day: Temperature | None = None
    height: Altitude | None = None
    others: Literal["nothing else", "as listed"] | None = None
    also: dict[Key, AlsoHeat] = {}
    coolers: dict[Key, Cooler] = {}
    speed: RoadSpeed | None = None
    inlet: DuctArea | None = None
    inlet_share: Share | None = None
    fan: AirFlow | None = None
    sealed: YesNo | None = None
    core_drop: FinePressure | None = None
    cap: Pressure | None = None
    volume: Volume | None = None
    header_air: Volume | None = None
    header_height: WaterLine | None = None
    pump: Flow | None = None
    sea: Temperature | None = None
    keel_area: Area | None = None
    loop: dict[Key, Piece] = {}
    water: dict[Key, Piece] = {}


class TankCorner(Item):
    """A corner of a tank's outline seen from the side, in their order round it: how far aft of its front, and how high
    over its bottom."""

    aft: Size | None = None
    up: Size | None = None


class Oil(Part):
    """Oil of the unit. The three marks and what was filled; the tank by its outline and width; where it is drawn from,
    across: off the middle of its width; how far the craft goes nose up, nose down and to a side while it runs."""

    kept_in: Literal["wet sump", "tank of a dry sump", "in the fuel"] | None = None
    least: Volume | None = None
    run: Volume | None = None
    most: Volume | None = None
    filled: Volume | None = None
    outline: dict[Key, TankCorner] = {}
    width: Size | None = None
    pickup_aft: Size | None = None
    pickup_up: Size | None = None
    pickup_across: Size | None = None
    nose_up: Attitude | None = None
    nose_down: Attitude | None = None
    side: Attitude | None = None
    circulation: Flow | None = None
    scavenge: Flow | None = None
    gear: Literal["oil of its own", "the unit's oil", "no gear"] | None = None
    gear_cooler: YesNo | None = None
    path: dict[Key, Piece] = {}


class Exhaust(Part):
    """Exhaust from the unit's outlet. mixture: air to a part of fuel; limit: the maker's; measured: at full power. Of a
    wet one: where the water goes in, how far it may be off by the tape, the heel, the lock and the hose up from it."""

    leaves: Literal["dry", "wet, lifted", "wet, falling"] | None = None
    gas: GasTemperature | None = None
    mixture: MixRatio | None = None
    limit: Pressure | None = None
    measured: Pressure | None = None
    surface: GasTemperature | None = None
    sees: Share | None = None
    shielded: YesNo | None = None
    hot_length: Size | None = None
    material: Literal["stainless steel", "mild steel", "nickel alloy", "titanium"] | None = None
    slip: Size | None = None
    injection_station: Station | None = None
    injection_butt_line: ButtLine | None = None
    injection_height: WaterLine | None = None
    tape: Size | None = None
    heel: Attitude | None = None
    loop: YesNo | None = None
    lock: Volume | None = None
    lift_length: Size | None = None
    lift_bore: Bore | None = None
    hose_marked: YesNo | None = None
    path: dict[Key, Piece] = {}


class Induction(Part):
    """Air for the unit: how it is mixed, the bore of its intake, its filter. Of one with a blower: boost over the
    pressure outside, share of an ideal blower, the hottest charge that it may have."""

    by: Literal["float carburettor", "membrane carburettor", "injection"] | None = None
    bore: Bore | None = None
    filter: Literal["paper", "oiled gauze", "none"] | None = None
    filter_area: DuctArea | None = None
    mixture: MixRatio | None = None
    tilt_limit: LimitAngle | None = None
    charge_cooler: YesNo | None = None
    boost: Pressure | None = None
    blower: Share | None = None
    charge_limit: Temperature | None = None


class FuelSystem(Part):
    """Fuel from the tank to the unit. lift: how far up it goes, the worst way the craft lies;
    pump_head: what its pump gives at that flow, wants: pressure at the unit; plan: how long one wants
    to run, reserve: what is to be left."""

    fed: Literal["by gravity", "by pump"] | None = None
    primed: Literal["by gravity", "by hand", "by an electric pump"] | None = None
    lift: Length | None = None
    returns: Literal["to the tank it came from", "to another tank", "no return"] | None = None
    return_flow: FuelFlow | None = None
    measured: FuelFlow | None = None
    pump_head: Pressure | None = None
    wants: Pressure | None = None
    vent: Bore | None = None
    plan: Hours | None = None
    reserve: Hours | None = None
    unusable: Volume | None = None
    across: Literal["one tank", "cross-feed", "transfer pump", "nothing"] | None = None
    path: dict[Key, FuelPiece] = {}


class Load(Item):
    """Something that takes current."""

    power: LoadPower | None = None
    duty: Duty | None = None


class Wire(Item):
    """A conductor: its current, and for how long; its length out and back, its size, and the fuse that guards it.
    bundle: how many run together; carries: what its maker allows, where its insulation is not for 105 °C."""

    current: Current | None = None
    runs: Literal["all the time", "for seconds, to start"] | None = None
    run: Run | None = None
    size: WireSize | None = None
    drop: Literal["3 %", "4 %", "10 %"] | None = None
    lies: Literal["in the engine space", "outside it"] | None = None
    insulation: Literal["105 °C", "other"] | None = None
    carries: Current | None = None
    bundle: Count | None = None
    fuse: FuseRating | None = None
    fuse_at: Length | None = None


class Bank(Item):
    """A battery: what it is for, what it holds, what is drawn of it and for how long; what charges it, through what,
    with how much at most by its maker, and how long there is for it."""

    purpose: Literal["house", "start", "thruster", "ignition"] | None = None
    cells: Literal["flooded", "mat", "lithium"] | None = None
    capacity: Charge | None = None
    resistance: FineResistance | None = None
    cable: FineResistance | None = None
    current: Current | None = None
    lasts: Hours | None = None
    charged_by: (
        Literal["generator of the unit", "charger ashore", "converter from another bank", "nothing yet"] | None
    ) = None
    through: Literal["wire, joined for good", "relay that parts them", "diodes", "switch by hand"] | None = None
    most_current: Current | None = None
    full_again: Hours | None = None


class Trigger(Part):
    """A toothed wheel by which an ignition knows where the crank is."""

    teeth: Teeth | None = None
    missing: Count | None = None
    radius: Length | None = None
    placed_within: FineLength | None = None
    gap: Feeler | None = None
    runout: Dial | None = None
    old_angle: Angle | None = None
    new_angle: Angle | None = None
    turns: Literal["at crank speed", "at half crank speed"] | None = None


class CircuitPart(Item):
    """A part of the circuit that something hangs on, and what feeds it: either of two will do."""

    role: Literal["source", "part", "load"] | None = None
    fed_by: Key | None = None
    or_by: Key | None = None


class Electric(Part):
    """Current at the voltage of the craft: what is taken and given, wires, banks, earth, ignition, senders."""

    earth: Literal["strap from the unit to the frame", "cable back, insulated", "none yet"] | None = None
    voltage: SystemVoltage | None = None
    source_idle: LoadPower | None = None
    source_cruise: LoadPower | None = None
    charge_voltage: SystemVoltage | None = None
    ignition: Literal["needs current", "makes its own"] | None = None
    senders: (
        Literal["new with new gauges", "kept with their gauges", "new on old gauges", "through a converter"] | None
    ) = None
    loads: dict[Key, Load] = {}
    wires: dict[Key, Wire] = {}
    banks: dict[Key, Bank] = {}
    trigger: Trigger = Trigger()
    circuit: dict[Key, CircuitPart] = {}


class HighVoltage(Part):
    """A circuit of more than 60 V: pre-charge and discharge of its link, isolation as measured, its main fuse."""

    resistor: Resistance | None = None
    resistor_rating: LoadPower | None = None
    capacitance: Capacitance | None = None
    bleeder: Resistance | None = None
    discharge: Literal["active", "passive"] | None = None
    inside: FineResistance | None = None
    first_pole: Voltage | None = None
    other_pole: Voltage | None = None
    first_pole_after: Voltage | None = None
    test_resistor: Resistance | None = None
    barriers: YesNo | None = None
    fuse: FuseRating | None = None
    fuse_volts: Voltage | None = None
    fuse_for: Literal["direct current", "alternating current"] | None = None
    fuse_breaks: Breaking | None = None
    cable: WireSize | None = None
    interlock: YesNo | None = None
    moving: Literal["keeps driving, with an alarm", "cuts off"] | None = None


class Access(Item):
    """What must be reached with the unit in place, and what would have to come out first."""

    reached: Literal["by hand", "with a tool", "after something else is out", "not at all"] | None = None
    behind: Note = ""


class Decision(Part):
    """What becomes of a joint that does not fit: what is done, by whom, from what, at what price; how much of it is
    needed, and in what lengths it is sold."""

    done: Literal["kept", "adapted", "replaced", "made"] | None = None
    by_whom: Note = ""
    of_what: Note = ""
    price: Money | None = None
    needed: Length | None = None
    sold_in: Length | None = None


class Decisions(Part):
    """What becomes of each joint, by its port."""

    mounting: Decision = Decision()
    output: Decision = Decision()
    fuel: Decision = Decision()
    electrical: Decision = Decision()
    coolant: Decision = Decision()
    sea_water: Decision = Decision()
    exhaust: Decision = Decision()
    oil: Decision = Decision()
    gear_cooling: Decision = Decision()
    air: Decision = Decision()
    controls: Decision = Decision()
    instruments: Decision = Decision()


class Systems(Part):
    """All that surrounds one unit."""

    deep: ClassVar[bool] = True

    cooling: Cooling = Cooling()
    oil: Oil = Oil()
    exhaust: Exhaust = Exhaust()
    induction: Induction = Induction()
    fuel: FuelSystem = FuelSystem()
    electric: Electric = Electric()
    high_voltage: HighVoltage = HighVoltage()
    access: dict[Key, Access] = {}
    joints: Decisions = Decisions()
