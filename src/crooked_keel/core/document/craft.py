"""The craft as it stands: references, supports, what was found, what she floats by, her outline."""

from __future__ import annotations

from typing import ClassVar, Literal

from ..figure.kinds import (
    Area,
    ClimbRate,
    Duration,
    Length,
    Mass,
    Offset,
    Power,
    RoadSpeed,
)
from ..figure.narrow import (
    Attitude,
    FormCoefficient,
    LoadIndex,
    SmallAngle,
    WaterDensity,
)
from ..figure.place import (
    ButtLine,
    Station,
    WaterLine,
)
from .balance import Limits, Seat, Steering, Tank, Wing
from .base import Item, Key, Note, Part
from .drive import Road, Trial

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
    load_index: LoadIndex | None = None
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
    """One end lifted with a scale under the other wheel or wheels: gives the height of the CG. tare: of what stood on
    that scale then; blank takes those of the weighing."""

    end: Literal["front", "rear"] = "front"
    lift: Length | None = None
    reading: Mass | None = None
    tare: Mass | None = None


class AsFound(Part):
    """How the empty mass and CG before the work are known."""

    method: Literal["weighing", "report", "freeboards"] = "weighing"
    corrections: dict[Key, Correction] = {}
    report_mass: Mass | None = None
    report_station: Station | None = None
    report_butt_line: ButtLine | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    pitch: SmallAngle | None = None
    empty_includes: Literal["full oil", "undrainable oil only"] | None = None
    raised: Raised = Raised()


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
    block: FormCoefficient | None = None
    waterplane: FormCoefficient | None = None
    keel: WaterLine | None = None
    lcf: Station | None = None
    lcb: Station | None = None
    density: WaterDensity | None = None
    planing_area: Area | None = None
    crowd: Length | None = None
    read: Literal["afloat, nobody aboard, lines slack", "with people aboard", "ashore"] | None = None
    table: list[HydroRow] | None = None
    table_density: WaterDensity | None = None
    sections: list[HullSection] | None = None
    inclining: Inclining = Inclining()
    marks: dict[Key, Mark] = {}


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


class Flown(Part):
    """What it did before the work: rate of climb at the airspeed of its best climb and the mass at which, level speed
    at full throttle; the climb that is wanted, the true airspeed at which it cruises, and that never to be passed."""

    climb: ClimbRate | None = None
    mass: Mass | None = None
    top: RoadSpeed | None = None
    wanted: ClimbRate | None = None
    cruise: RoadSpeed | None = None
    never: RoadSpeed | None = None


class Craft(Part):
    """Everything about the host craft that is not the power unit. Lowest and highest: how far its nose goes down and up
    on the ground; gear_drop: how far the propeller comes down on a flat tyre and a strut on its stop; airspeed: its
    fastest at full power, and of its best climb; auxiliary: what else its packs feed."""

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
    lowest_attitude: Attitude | None = None
    highest_attitude: Attitude | None = None
    gear_drop: Length | None = None
    airspeed: RoadSpeed | None = None
    climb_speed: RoadSpeed | None = None
    flown: Flown = Flown()
    auxiliary: Power | None = None
    ballast_station: Station | None = None
    stand: Station | None = None
