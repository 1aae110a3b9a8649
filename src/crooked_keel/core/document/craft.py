"""The craft as it stands: references, supports, limits, tanks, places, and what was found."""

from __future__ import annotations

from typing import ClassVar, Literal

from ..figure.kinds import (
    Angle,
    Area,
    Count,
    Density,
    Duration,
    Length,
    Mass,
    MassMoment,
    Number,
    Offset,
    Ratio,
    RoadSpeed,
    SeaSpeed,
    Volume,
)
from ..figure.place import ButtLine, Station, WaterLine
from .base import Item, Key, Note, Part

Layout = Literal[
    "tailwheel",
    "tricycle",
    "canard",
    "monowheel",
    "single screw",
    "twin screw",
    "two wheels",
    "one front wheel",
    "two front wheels",
    "four wheels",
]


class Reference(Item):
    """A named thing to measure from, placed from the datum or from another reference."""

    station: Station | None = None
    water_line: WaterLine | None = None


class Support(Item):
    """A wheel or jack on a scale. The water line is that of the ground under it; the radius that of its tyre, loaded;
    the load index is the number moulded on its wall. Raised: how far it was held up off that ground to level the craft,
    by a trestle say. Weighed more than once, rolled off and on between: the mean counts."""

    role: Literal["main", "nose", "tail", "front", "rear"]
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    radius: Length | None = None
    load_index: Count | None = None
    raised: Length | None = None
    reading: Mass | None = None
    reading_2: Mass | None = None
    reading_3: Mass | None = None
    tare: Mass | None = None


class Correction(Item):
    """Something that was aboard at the weighing and is not part of empty, or the other way round."""

    action: Literal["add", "remove"]
    mass: Mass | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None


class Raised(Part):
    """One end lifted with a scale under the other wheel or wheels: gives the height of the CG."""

    end: Literal["front", "rear"] = "front"
    lift: Length | None = None
    reading: Mass | None = None


class AsFound(Part):
    """How the empty mass and CG before the work are known."""

    method: Literal["weighing", "report", "freeboards"] = "weighing"
    corrections: dict[Key, Correction] = {}
    report_mass: Mass | None = None
    report_station: Station | None = None
    report_butt_line: ButtLine | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    pitch: Angle | None = None
    empty_includes: Literal["full oil", "undrainable oil only"] | None = None
    raised: Raised = Raised()


class EnvelopePoint(Part):
    """A corner of the envelope: mass with its station, or with its moment where the envelope was published in
    moments."""

    mass: Mass
    station: Station | None = None
    moment: MassMoment | None = None


class Limits(Part):
    """CG and mass limits: a polygon, or forward, aft and gross alone. Forward and aft by station or in parts of the
    MAC."""

    envelope: list[EnvelopePoint] | None = None
    forward: Station | None = None
    aft: Station | None = None
    lemac: Station | None = None
    mac: Length | None = None
    forward_mac: Number | None = None
    aft_mac: Number | None = None
    gross: Mass | None = None
    landing: Mass | None = None
    zero_fuel: Mass | None = None
    no_wing_fuel: Mass | None = None
    empty_wanted: Mass | None = None
    port: ButtLine | None = None
    starboard: ButtLine | None = None
    category: Literal["normal", "utility", "very light"] | None = None
    front_axle: Mass | None = None
    rear_axle: Mass | None = None


class HydroRow(Part):
    """A line of a designer's hydrostatic table, even keel: draft over the underside of the canoe body, metacentres over
    the same."""

    draft: Length
    displacement: Mass
    lcb: Station
    lcf: Station
    km: Length
    km_long: Length


class HalfPoint(Part):
    """A point of a half section: how far out, and how high."""

    out: Length
    height: WaterLine


class HullSection(Part):
    """A half section of the hull from keel to deck edge; the other side is its mirror."""

    station: Station
    half: list[HalfPoint]


class Heeling(Item):
    """A reading of the inclining test: the weight moved, how far to starboard of where it began, and where the pendulum
    then hung."""

    weight: Mass | None = None
    moved: Offset | None = None
    pendulum: Offset | None = None


class Inclining(Part):
    """An inclining test, the craft as found: length of the pendulum and its readings; or the time of a full roll."""

    pendulum: Length | None = None
    readings: dict[Key, Heeling] = {}
    roll: Duration | None = None


class Mark(Item):
    """A place on the sheer where the freeboard is read, as found and when the work is done; its height is that of the
    sheer there."""

    after: Length | None = None

    station: Station | None = None
    butt_line: ButtLine | None = None
    sheer: WaterLine | None = None
    freeboard: Length | None = None


class Flotation(Part):
    """How she floats: canoe body by length, beam and two form coefficients, and the freeboards as read."""

    length: Length | None = None
    beam: Length | None = None
    block: Ratio | None = None
    waterplane: Ratio | None = None
    keel: WaterLine | None = None
    lcf: Station | None = None
    lcb: Station | None = None
    density: Density | None = None
    planing_area: Area | None = None
    crowd: Length | None = None
    read: Literal["afloat, nobody aboard, lines slack", "with people aboard", "ashore"] | None = None
    table: list[HydroRow] | None = None
    sections: list[HullSection] | None = None
    inclining: Inclining = Inclining()
    marks: dict[Key, Mark] = {}


class Road(Part):
    """What holds a road craft back, and the grip of its driven wheel."""

    drag_area: Area | None = None
    rolling: Ratio | None = None
    grip: Ratio | None = None
    cruise: RoadSpeed | None = None


class Trial(Part):
    """What she did before the work."""

    speed: SeaSpeed | None = None
    wanted: SeaSpeed | None = None
    cruise: SeaSpeed | None = None
    regime: Literal["displacement", "planing"] | None = None


class Tank(Item):
    """A tank; capacity is the usable volume. Its free surface: length, breadth, and how many parts tight baffles along
    it make. Tanks of one turn run down together, turn by turn; blank comes last."""

    surface_length: Length | None = None
    surface_breadth: Length | None = None
    baffles: Count | None = None
    joined: Literal["no pipe across", "pipe across, valve shut", "pipe across, open"] | None = None
    filling: Literal["slack", "pressed full or empty"] | None = None
    where: Literal["fuselage", "wing", "wing tip", "behind the seats", "belly"] | None = None
    turn: Count | None = None

    capacity: Volume | None = None
    density: Density | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None


class Seat(Item):
    """A place where people or baggage go, what may be there at the least and at the most, and how far either way it
    slides."""

    lightest: Mass | None = None
    heaviest: Mass | None = None
    slides: Length | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None


class Steering(Part):
    """Steering geometry of a two-wheeler: rake from the vertical, offset of the axle from the steering axis; and the
    pivot of a swinging arm with a chain."""

    rake: Angle | None = None
    offset: Length | None = None
    pivot_station: Station | None = None
    pivot_water_line: WaterLine | None = None


class Wing(Part):
    """What the bending at the root of a wing follows from: half span, load factor, and the mass of both wings with its
    place."""

    half_span: Length | None = None
    load_factor: Number | None = None
    lift_at: Length | None = None
    mass: Mass | None = None
    cg_at: Length | None = None


class Story(Part):
    """A tale of another repower of this type: masses, how far ahead of the CG the old unit sat, how far aft the new one
    went, how far forward the CG came. Each with its ± as a bound."""

    old_mass: Mass | None = None
    new_mass: Mass | None = None
    lever: Offset | None = None
    moved_aft: Offset | None = None
    cg_forward: Offset | None = None


class Outline(Part):
    """The few measures from which the side view is drawn."""

    nose: Station | None = None
    tail: Station | None = None
    top: WaterLine | None = None
    belly: WaterLine | None = None
    wing: Station | None = None
    wing_chord: Length | None = None
    wing_water_line: WaterLine | None = None
    fin_top: WaterLine | None = None
    seat: Station | None = None
    seat_top: WaterLine | None = None
    wheel: Length | None = None


class Craft(Part):
    """Everything about the host craft that is not the power unit."""

    deep: ClassVar[bool] = True

    description: Note = ""
    datum_note: Note = ""
    levelling_note: Note = ""
    layout: Layout = "tailwheel"
    references: dict[Key, Reference] = {}
    supports: dict[Key, Support] = {}
    as_found: AsFound = AsFound()
    limits: Limits = Limits()
    tanks: dict[Key, Tank] = {}
    seats: dict[Key, Seat] = {}
    outline: Outline = Outline()
    flotation: Flotation = Flotation()
    road: Road = Road()
    trial: Trial = Trial()
    steering: Steering = Steering()
    wing: Wing = Wing()
    story: Story = Story()
    lowest_attitude: Angle | None = None
    ballast_station: Station | None = None
    stand: Station | None = None
