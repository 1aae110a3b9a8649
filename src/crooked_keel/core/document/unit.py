"""A power unit as its sheet, the bench and the scales know it."""

from __future__ import annotations

from typing import Literal

from ..figure.flows import FineResistance
from ..figure.kinds import (
    Altitude,
    Angle,
    Consumption,
    Count,
    Current,
    Duration,
    FineLength,
    Inertia,
    Length,
    Mass,
    Money,
    Power,
    Rotation,
    Torque,
    Voltage,
    Volume,
    Wait,
)
from ..figure.narrow import (
    Cylinders,
    Grade,
    LimitAngle,
    Pulses,
    StageRatio,
)
from ..figure.place import UnitButtLine, UnitStation, UnitWaterLine
from ..figure.sizes import Bore, UnitSize
from .base import Item, Key, Name, Part

Turn = Literal["clockwise", "anticlockwise"]
UnitKind = Literal["four-stroke", "two-stroke", "diesel", "turbine", "electric"]
Layout = Literal["single", "in line", "vee", "flat", "radial", "rotor", "swing unit"]


class TwoScales(Part):
    """A bare unit on two scales and a plank: places of the two edges it stands on, readings and tares."""

    first_at: UnitStation | None = None
    first_reading: Mass | None = None
    first_tare: Mass | None = None
    second_at: UnitStation | None = None
    second_reading: Mass | None = None
    second_tare: Mass | None = None


class Hung(Part):
    """A bare unit hung by one point, then by another: each time the point and a mark on the plumb line under it."""

    first_aft: UnitStation | None = None
    first_up: UnitWaterLine | None = None
    first_mark_aft: UnitStation | None = None
    first_mark_up: UnitWaterLine | None = None
    second_aft: UnitStation | None = None
    second_up: UnitWaterLine | None = None
    second_mark_aft: UnitStation | None = None
    second_mark_up: UnitWaterLine | None = None


class Crane(Part):
    """A floor crane: its mass and CG, the wheels of its legs and the hook, each from its rear castors."""

    mass: Mass | None = None
    cg: Length | None = None
    legs: Length | None = None
    hook: Length | None = None


class Lifting(Part):
    """How a bare unit is lifted: one pick, or two, and how their legs hang; the hook where they meet; what the hoist
    may carry at this boom; the crane."""

    crane: Crane = Crane()

    first_aft: UnitStation | None = None
    first_up: UnitWaterLine | None = None
    second_aft: UnitStation | None = None
    second_up: UnitWaterLine | None = None
    legs: Literal["meet in one hook", "hang plumb"] | None = None
    hook_up: UnitWaterLine | None = None
    rating: Mass | None = None


class CurvePoint(Part):
    """A point of a curve: speed with torque, power, or both as a sheet gives them."""

    speed: Rotation
    torque: Torque | None = None
    power: Power | None = None


class Rating(Item):
    """A power with the speed it is given at, and whether it lasts or for how long."""

    power: Power | None = None
    speed: Rotation | None = None
    limit: Literal["without a limit", "for so long"] | None = None
    lasts: Duration | None = None


class Accessory(Item):
    """Something that a quoted mass may or may not have in it."""

    mass: Mass | None = None
    counted: Literal["in its mass", "on top of it"] | None = None


Side = Literal["port", "starboard", "front", "rear", "top", "below"]
YesNo = Literal["yes", "no"]


class MountingPort(Part):
    """The pattern of its mounts."""

    bolts: Count | None = None
    along: Length | None = None
    across: Length | None = None
    hole: Length | None = None
    foot_height: Length | None = None


class OutputPort(Part):
    """Its output, from the outside."""

    flange: Length | None = None
    pilot: FineLength | None = None
    circle: Length | None = None
    bolts: Count | None = None
    shaft: FineLength | None = None
    height: Length | None = None
    turns: Turn | None = None
    ratio: StageRatio | None = None


class FuelPort(Part):
    """What it burns, and how it comes."""

    kind: Literal["petrol", "diesel", "kerosene", "electricity"] | None = None
    hose: Bore | None = None
    returns: YesNo | None = None


class ElectricalPort(Part):
    """Its electrical system."""

    voltage: Voltage | None = None
    charging: Current | None = None
    stop: Literal["energised to run", "energised to stop", "cable"] | None = None
    earth: Literal["negative", "positive", "insulated"] | None = None


class CoolantPort(Part):
    """Coolant."""

    hose: Bore | None = None
    side: Side | None = None
    bypass: YesNo | None = None


class SeaWaterPort(Part):
    """Sea water."""

    hose: Bore | None = None
    side: Side | None = None


class ExhaustPort(Part):
    """Exhaust."""

    outlet: Bore | None = None
    side: Side | None = None
    angle: Angle | None = None


class OilPort(Part):
    """Oil."""

    pump: Literal["wet sump", "dry sump", "total loss"] | None = None
    hose: Bore | None = None
    volume: Volume | None = None


class GearCoolingPort(Part):
    """Cooling of the gear's oil."""

    hose: Bore | None = None


class AirPort(Part):
    """Air intake."""

    hose: Bore | None = None
    side: Side | None = None


class ControlsPort(Part):
    """Throttle and shift."""

    travel: Length | None = None
    opens: Literal["pull", "push", "by wire"] | None = None
    end: Literal["ball", "fork", "barrel", "plug"] | None = None


class InstrumentsPort(Part):
    """Instruments."""

    pulses: Pulses | None = None
    bus: Literal["single wires", "digital bus"] | None = None


class Ports(Part):
    """Everything at which the unit meets the craft; blank is not measured."""

    mounting: MountingPort = MountingPort()
    output: OutputPort = OutputPort()
    fuel: FuelPort = FuelPort()
    electrical: ElectricalPort = ElectricalPort()
    coolant: CoolantPort = CoolantPort()
    sea_water: SeaWaterPort = SeaWaterPort()
    exhaust: ExhaustPort = ExhaustPort()
    oil: OilPort = OilPort()
    gear_cooling: GearCoolingPort = GearCoolingPort()
    air: AirPort = AirPort()
    controls: ControlsPort = ControlsPort()
    instruments: InstrumentsPort = InstrumentsPort()


class PowerUnit(Part):
    """An engine, turbine or motor as installed. Its own measures are taken from its output flange, shaft level. origin:
    the unit of the library that it is a copy of; parts: how well it is supplied, 1 to 5; heat: into its coolant at its
    rated power, nothing where air cools it; consumption: fuel for its work, there; unloaded: how fast a motor turns for
    one volt; winding: its resistance between two lines; idle_current: what it takes at no load;
    brakes_with: the most that its controller puts back into the packs; rolls: which way a crank across the craft turns.
    """

    name: Name = "power unit"
    origin: Key | None = None
    curve: list[CurvePoint] | None = None
    ratings: dict[Key, Rating] = {}
    breathing: Literal["naturally aspirated", "turbocharged", "flat rated", "electric"] | None = None
    critical_altitude: Altitude | None = None
    gas_path: Power | None = None
    accessories: dict[Key, Accessory] = {}
    ports: Ports = Ports()
    inertia: Inertia | None = None
    cost: Money | None = None
    wait: Wait | None = None
    parts: Grade | None = None
    kind: UnitKind | None = None
    layout: Layout | None = None
    cylinders: Cylinders | None = None
    heat: Power | None = None
    consumption: Consumption | None = None
    power: Power | None = None
    rated_speed: Rotation | None = None
    idle_speed: Rotation | None = None
    fires: Literal["evenly", "unevenly"] | None = None
    peak_power: Power | None = None
    peak_torque: Torque | None = None
    peak_time: Duration | None = None
    voltage_limit: Voltage | None = None
    battery_current: Current | None = None
    phase_current: Current | None = None
    unloaded: Rotation | None = None
    winding: FineResistance | None = None
    idle_current: Current | None = None
    brakes_with: Current | None = None
    turns: Turn | None = None
    rolls: Literal["as the wheels roll", "against them", "its crank lies along the craft"] | None = None
    on_scales: TwoScales = TwoScales()
    hung: Hung = Hung()
    lifting: Lifting = Lifting()
    condition: Literal["dry", "wet", "ready to run"] | None = None
    mass: Mass | None = None
    cg_aft: UnitStation | None = None
    cg_starboard: UnitButtLine | None = None
    cg_up: UnitWaterLine | None = None
    length: UnitSize | None = None
    width: UnitSize | None = None
    height: UnitSize | None = None
    box_aft: UnitStation | None = None
    box_up: UnitWaterLine | None = None
    rear_radius: UnitSize | None = None
    angle_limit: LimitAngle | None = None
