"""Limits, tanks, seats, wing, steering, spaces and what lies in them, ledger rows and loadings."""

from __future__ import annotations

from typing import Literal

from ..figure.flows import FineResistance
from ..figure.kinds import (
    Count,
    Current,
    Length,
    Mass,
    MassMoment,
    Voltage,
    Volume,
)
from ..figure.narrow import (
    ChordShare,
    FuelDensity,
    LoadFactor,
    Rake,
)
from ..figure.place import (
    ButtLine,
    Station,
    WaterLine,
)
from ..figure.sizes import PackEnergy, PlaceLoad
from .base import Item, Key, Note, Part


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
    forward_mac: ChordShare | None = None
    aft_mac: ChordShare | None = None
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


class Tank(Item):
    """A tank; capacity is the usable volume. Its free surface: length, breadth, and how many parts tight baffles along
    it make; with them depth and shape say what it can hold. Tanks of one turn run down together, turn by turn; blank
    comes last."""

    surface_length: Length | None = None
    surface_breadth: Length | None = None
    depth: Length | None = None
    shape: Literal["box", "lying cylinder", "wedge"] | None = None
    baffles: Count | None = None
    joined: Literal["no pipe across", "pipe across, valve shut", "pipe across, open"] | None = None
    filling: Literal["slack", "pressed full or empty"] | None = None
    where: Literal["fuselage", "wing", "wing tip", "behind the seats", "belly"] | None = None
    turn: Count | None = None

    capacity: Volume | None = None
    density: FuelDensity | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None


class Seat(Item):
    """A place where people or baggage go, what may be there at the least and at the most, and how far either way it
    slides."""

    lightest: PlaceLoad | None = None
    heaviest: PlaceLoad | None = None
    slides: Length | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None


class Steering(Part):
    """Steering geometry of a two-wheeler: rake from the vertical, offset of the axle from the steering axis; and the
    pivot of a swinging arm with a chain."""

    rake: Rake | None = None
    offset: Length | None = None
    pivot_station: Station | None = None
    pivot_water_line: WaterLine | None = None


class Wing(Part):
    """What the bending at the root of a wing follows from: half span, load factor, and the mass of both wings with its
    place."""

    half_span: Length | None = None
    load_factor: LoadFactor | None = None
    lift_at: Length | None = None
    mass: Mass | None = None
    cg_at: Length | None = None


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
    """A battery pack: where its middle sits, how large it is, the space it is to lie in, and what it holds; its
    voltage, and that of it fully charged; its resistance; the largest current that may charge it."""

    length: Length | None = None
    width: Length | None = None
    height: Length | None = None
    space: Key | None = None

    mass: Mass | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    energy: PackEnergy | None = None
    voltage: Voltage | None = None
    full_voltage: Voltage | None = None
    current: Current | None = None
    resistance: FineResistance | None = None
    charge_current: Current | None = None


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
