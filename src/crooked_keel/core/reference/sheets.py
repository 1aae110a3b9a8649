"""Sheets: which figures stand on which bench, in what groups, under what label, for each form.

One declaration for the screen, the printed sheets and the way from a missing figure to its field. `~` is the
installation, `^` the fit.
Braces take the words of the kind's trade.
"""

from __future__ import annotations

import re
from typing import Literal, NamedTuple

from ..choose.ports.functions import KINDS as PORTS
from ..choose.ports.functions import Attribute
from ..choose.ports.functions import Kind as PortKind
from .kinds import Form, Kind

Bench = Literal["craft", "choose", "balance", "drive", "mount", "align"]


class Entry(NamedTuple):
    """One field: pointer, label, how it is filled in, and the choices a kind leaves of those the document knows (all,
    where none). A key
    names one of the collection whose pointer is its only choice."""

    pointer: str
    label: str
    kind: Literal["figure", "choice", "text", "key"] = "figure"
    choices: tuple[str, ...] = ()


class Block(NamedTuple):
    """A group of fields, or a table of a collection when `table` names it: then pointers are keys of a row.
    folded: shown when asked for, or when something in it is filled in."""

    bench: Bench
    title: str
    entries: tuple[Entry, ...]
    form: Form | None = None
    without: Form | None = None
    hint: str = ""
    table: str = ""
    one: str = ""
    fresh: tuple[tuple[str, str], ...] = ()
    electric: bool = False
    folded: bool = False


def _e(pointer: str, label: str, kind: Literal["figure", "choice", "text"] = "figure") -> Entry:
    return Entry(pointer, label, kind)


def _ports() -> tuple[Block, ...]:
    """A folded group of fields for each kind of port."""
    return tuple(
        Block(
            "choose",
            f"Meets the craft: {k.name}",
            tuple(_port_entry(k, a) for a in k.attributes),
            form=k.form,
            folded=True,
        )
        for k in PORTS
    )


def _port_entry(kind: PortKind, attribute: Attribute) -> Entry:
    words = attribute.words[0].upper() + attribute.words[1:]
    return Entry(f"~/unit/ports/{kind.key}/{attribute.field}", words, "choice" if attribute.chosen else "figure")


_PLACE = (_e("station", "station"), _e("butt_line", "butt line"), _e("water_line", "water line"))
_GROUND = (_e("station", "station"), _e("butt_line", "butt line"), _e("water_line", "ground"))
BLOCKS: tuple[Block, ...] = (
    # craft
    Block(
        "craft",
        "Datum and levelling",
        (
            _e("/name", "Name", "text"),
            _e("/craft/description", "What it is", "text"),
            _e("/craft/datum_note", "Datum", "text"),
            _e("/craft/levelling_note", "Levelled on", "text"),
            _e("/craft/layout", "Layout", "choice"),
            _e("/number_style", "Decimal mark you write", "choice"),
        ),
    ),
    Block(
        "craft",
        "As found",
        (
            _e("/craft/as_found/method", "Known by", "choice"),
            _e("/craft/as_found/water_line", "Height of the CG"),
            _e("/craft/as_found/report_mass", "Report: empty mass"),
            _e("/craft/as_found/report_station", "Report: empty CG"),
            _e("/craft/as_found/report_butt_line", "Report: butt line of the CG"),
            _e("/craft/as_found/empty_includes", "Empty includes", "choice"),
        ),
    ),
    Block(
        "craft",
        "Level when weighed",
        (_e("/craft/as_found/pitch", "Nose up on the scales"),),
        form="scales",
        hint="Blank: level, as the levelling note says. A CG high above where it rests then moves what the scales say.",
        folded=True,
    ),
    Block(
        "craft",
        "CG to the side",
        (_e("/craft/as_found/butt_line", "Butt line of the CG"),),
        form="wheels in line",
        hint="Two wheels in line cannot weigh it.",
    ),
    Block(
        "craft",
        "CG to the side, on one main wheel",
        (_e("/craft/as_found/butt_line", "Butt line of the CG"),),
        form="cg limits",
        hint="For a monowheel: wheels in line cannot weigh it.",
        folded=True,
    ),
    Block(
        "craft",
        "Stand",
        (_e("/craft/stand", "Stand, under what goes up or down"),),
        form="cg limits",
        hint="Where it may bear while the unit is out.",
        folded=True,
    ),
    Block(
        "craft",
        "Height of the CG by lifting one end",
        (
            _e("/craft/as_found/raised/end", "End lifted", "choice"),
            _e("/craft/as_found/raised/lift", "Lifted by"),
            _e("/craft/as_found/raised/reading", "Load on the other end meanwhile"),
        ),
        form="stands on wheels",
        hint="Used in place of the height above. Suspension blocked, brakes off, cradle under the axle, a second "
        "person.",
        folded=True,
    ),
    Block(
        "craft",
        "{support}s on scales",
        (_e("reading", "reading"), _e("tare", "tare"), *_GROUND),
        form="scales",
        without="stands on wheels",
        table="/craft/supports",
        one="support",
        fresh=(("role", "main"),),
    ),
    Block(
        "craft",
        "{support}s weighed again, rolled off and on between; held up to level",
        (_e("reading_2", "second reading"), _e("reading_3", "third"), _e("raised", "held up by")),
        form="scales",
        table="/craft/supports",
        one="support",
        fresh=(("role", "main"),),
        hint="The mean counts; how far readings differ is a finding.",
        folded=True,
    ),
    Block(
        "craft",
        "{support}s on scales",
        (_e("reading", "reading"), _e("tare", "tare"), *_GROUND[:2]),
        form="stands on wheels",
        table="/craft/supports",
        one="support",
        fresh=(("role", "main"),),
    ),
    Block(
        "craft",
        "{support}s: where they touch, and what their tyres may carry",
        (_GROUND[2], _e("radius", "radius"), _e("load_index", "load index")),
        form="stands on wheels",
        table="/craft/supports",
        one="support",
        fresh=(("role", "main"),),
    ),
    Block(
        "craft",
        "How she floats",
        (
            _e("/craft/flotation/length", "Length on the waterline"),
            _e("/craft/flotation/beam", "Beam on the waterline"),
            _e("/craft/flotation/block", "Block coefficient"),
            _e("/craft/flotation/waterplane", "Waterplane coefficient"),
            _e("/craft/flotation/keel", "Underside of the canoe body"),
            _e("/craft/flotation/lcf", "Centre of flotation"),
            _e("/craft/flotation/lcb", "Centre of buoyancy, level"),
            _e("/craft/flotation/density", "Water"),
            _e("/craft/flotation/read", "Freeboards were read", "choice"),
            _e("/craft/flotation/crowd", "How far out people can stand"),
            _e("/craft/flotation/planing_area", "Planing area of the bottom"),
        ),
        form="afloat",
        hint="Canoe body of a monohull; keel and skeg left out.",
    ),
    Block(
        "craft",
        "Freeboards, from the sheer down to the water",
        (
            _e("freeboard", "freeboard"),
            _e("after", "work done"),
            _e("station", "station"),
            _e("butt_line", "butt line"),
            _e("sheer", "sheer"),
        ),
        form="afloat",
        table="/craft/flotation/marks",
        one="mark",
    ),
    Block(
        "craft",
        "Inclining test, or a timed roll",
        (
            _e("/craft/flotation/inclining/pendulum", "Length of the pendulum"),
            _e("/craft/flotation/inclining/roll", "Time of a full roll, port to port"),
        ),
        form="afloat",
        hint="Calm water, slack lines, nobody moving. Time ten full rolls.",
        folded=True,
    ),
    Block(
        "craft",
        "Inclining: weights moved across",
        (_e("weight", "weight"), _e("moved", "moved to starboard"), _e("pendulum", "pendulum then")),
        form="afloat",
        table="/craft/flotation/inclining/readings",
        one="reading",
        folded=True,
        hint="From where it began; to port is negative. Zero first, then both sides.",
    ),
    Block(
        "craft",
        "Free surface of tanks",
        (
            _e("surface_length", "long"),
            _e("surface_breadth", "broad"),
            _e("baffles", "parts"),
            _e("joined", "across", "choice"),
            _e("filling", "filled", "choice"),
        ),
        form="afloat",
        table="/craft/tanks",
        one="tank",
        hint="A tank that holds something is slack unless you say that it is pressed full.",
    ),
    Block(
        "craft",
        "Before the work",
        (
            _e("/craft/trial/regime", "Hull", "choice"),
            _e("/craft/trial/speed", "Speed at full power, measured"),
            _e("/craft/trial/wanted", "Speed wanted at full power"),
            _e("/craft/trial/cruise", "Cruising speed"),
        ),
        form="afloat",
    ),
    Block(
        "craft",
        "Road",
        (
            _e("/craft/road/drag_area", "Drag area, CdA"),
            _e("/craft/road/rolling", "Rolling coefficient"),
            _e("/craft/road/grip", "Grip of the driven tyre"),
            _e("/craft/road/cruise", "Cruising speed"),
        ),
        form="driven wheel",
    ),
    Block(
        "craft",
        "Steering",
        (
            _e("/craft/steering/rake", "Rake, from the vertical"),
            _e("/craft/steering/offset", "Offset of the axle from the steering axis"),
        ),
        form="pitch limits",
        folded=True,
        hint="Gives the trail, before and after a change of ride height.",
    ),
    Block(
        "craft",
        "Pivot of the swinging arm",
        (_e("/craft/steering/pivot_station", "Station"), _e("/craft/steering/pivot_water_line", "Height")),
        form="sprockets",
        folded=True,
        hint="Gives the anti-squat of a chain.",
    ),
    Block("craft", "On its stand", (_e("/craft/stand", "Stand, or jack under the frame"),), form="wheels in line"),
    Block(
        "craft",
        "Aboard or missing when found",
        (_e("action", "to empty", "choice"), _e("mass", "mass"), *_PLACE),
        table="/craft/as_found/corrections",
        one="correction",
        fresh=(("action", "remove"),),
    ),
    Block(
        "craft",
        "References to measure from",
        (_e("station", "station"), _e("water_line", "water line")),
        table="/craft/references",
        one="reference",
    ),
    Block(
        "craft",
        "Limits",
        (
            _e("/craft/limits/forward", "Forward CG limit"),
            _e("/craft/limits/aft", "Aft CG limit"),
            _e("/craft/limits/gross", "Gross mass"),
            _e("/craft/limits/port", "Lateral limit, port"),
            _e("/craft/limits/starboard", "Lateral limit, starboard"),
            _e("/craft/limits/category", "Category, for load factors", "choice"),
        ),
        form="cg limits",
    ),
    Block(
        "craft",
        "Other caps of mass",
        (
            _e("/craft/limits/landing", "Landing mass"),
            _e("/craft/limits/zero_fuel", "Mass without fuel"),
            _e("/craft/limits/no_wing_fuel", "Mass with empty wings"),
            _e("/craft/limits/empty_wanted", "Empty mass you want"),
        ),
        form="cg limits",
        hint="Blank: not given, not checked.",
        folded=True,
    ),
    Block(
        "craft",
        "Mean aerodynamic chord",
        (
            _e("/craft/limits/lemac", "Its leading edge"),
            _e("/craft/limits/mac", "MAC"),
            _e("/craft/limits/forward_mac", "Forward limit, part of the MAC"),
            _e("/craft/limits/aft_mac", "Aft limit, part of the MAC"),
        ),
        form="cg limits",
        hint="In place of stations of the limits, where papers give them so.",
        folded=True,
    ),
    Block(
        "craft",
        "Wing, for its root",
        (
            _e("/craft/wing/half_span", "Half span"),
            _e("/craft/wing/load_factor", "Load factor"),
            _e("/craft/wing/lift_at", "Centre of lift, from the root"),
            _e("/craft/wing/mass", "Mass of both wings"),
            _e("/craft/wing/cg_at", "CG of a half, from the root"),
        ),
        form="cg limits",
        hint="Centre of lift blank: an elliptical spread, 0.424 of the half span.",
        folded=True,
    ),
    Block(
        "craft",
        "A tale you were told",
        (
            _e("/craft/story/old_mass", "Its old unit"),
            _e("/craft/story/new_mass", "Its new unit"),
            _e("/craft/story/lever", "Old unit ahead of the CG by"),
            _e("/craft/story/moved_aft", "New unit further aft by"),
            _e("/craft/story/cg_forward", "CG came forward by"),
        ),
        form="cg limits",
        hint="Each with its ±. It is checked against this craft; nothing else reads it.",
        folded=True,
    ),
    Block(
        "craft",
        "Scales and tapes used",
        (_e("gain", "all readings off by"), _e("offset", "begins off by")),
        form="scales",
        table="/instruments",
        one="instrument",
        hint="Bounds. Name the instrument on a figure, and what it is off is shared.",
        folded=True,
    ),
    Block("craft", "Limits", (_e("/craft/limits/gross", "Gross mass, from the plate"),), without="cg limits"),
    Block(
        "craft",
        "Limits of the axles",
        (
            _e("/craft/limits/front_axle", "Front axle, from the plate"),
            _e("/craft/limits/rear_axle", "Rear axle, from the plate"),
        ),
        form="stands on wheels",
    ),
    Block(
        "craft", "On the ground", (_e("/craft/lowest_attitude", "Steepest nose-down attitude"),), form="air propeller"
    ),
    Block("craft", "Ballast", (_e("/craft/ballast_station", "Where ballast may go"),), without="stands on wheels"),
    Block(
        "craft",
        "Tanks",
        (_e("capacity", "usable"), _e("density", "density"), *_PLACE),
        table="/craft/tanks",
        one="tank",
    ),
    Block(
        "craft",
        "Tanks: where, and in what turn they burn",
        (_e("where", "where", "choice"), _e("turn", "turn")),
        form="cg limits",
        table="/craft/tanks",
        one="tank",
        hint="Tanks of one turn run down together; blank comes last.",
        folded=True,
    ),
    Block("craft", "People, baggage and load", _PLACE, table="/craft/seats", one="place"),
    Block(
        "craft",
        "What each place may carry",
        (_e("lightest", "lightest"), _e("heaviest", "heaviest"), _e("slides", "slides ±")),
        form="cg limits",
        table="/craft/seats",
        one="place",
    ),
    # choose
    Block(
        "choose",
        "What is needed",
        (
            _e("/need/power", "Power where it is used"),
            _e("/need/altitude", "Height there"),
            _e("/need/hot", "Hotter than standard, K"),
            _e("/need/currency", "Money is in", "text"),
        ),
    ),
    Block(
        "choose",
        "Hard limits: outside them a candidate is out",
        (
            _e("/need/least_power", "Least power that lasts there"),
            _e("/need/most_mass", "Most it may weigh installed"),
            _e("/need/most_cost", "Most it may cost"),
            _e("/need/longest_wait", "Longest wait"),
            _e("/need/least_parts", "Supply of parts at least, 1 to 5"),
        ),
        hint="Blank: no limit.",
        folded=True,
    ),
    Block(
        "choose",
        "What counts how much",
        (
            _e("/need/weights/power", "Power that lasts there"),
            _e("/need/weights/mass", "Installed mass"),
            _e("/need/weights/cost", "Cost"),
            _e("/need/weights/wait", "Wait"),
            _e("/need/weights/parts", "Supply of parts"),
        ),
        hint="Any numbers: only their proportions matter. Blank is not counted.",
        folded=True,
    ),
    Block(
        "choose",
        "The unit on paper",
        (
            _e("~/unit/name", "Name", "text"),
            _e("~/unit/kind", "Kind", "choice"),
            _e("~/unit/layout", "Cylinders lie", "choice"),
            _e("~/unit/power", "Rated power, that lasts"),
            _e("~/unit/rated_speed", "at"),
            _e("~/unit/breathing", "Breathes", "choice"),
            _e("~/unit/critical_altitude", "Critical altitude, turbocharged"),
            _e("~/unit/gas_path", "Gas path low down, turbine"),
            _e("~/unit/inertia", "Inertia of what turns"),
        ),
    ),
    Block(
        "choose",
        "What it burns, and what heat it gives",
        (_e("~/unit/consumption", "Consumption at its rated power"), _e("~/unit/heat", "Heat into its coolant there")),
        hint="Air-cooled: no heat into a coolant, 0 kW.",
    ),
    Block(
        "choose",
        "Price, wait, parts",
        (_e("~/unit/cost", "Price"), _e("~/unit/wait", "Comes in"), _e("~/unit/parts", "Supply of parts, 1 to 5")),
    ),
    Block(
        "choose",
        "Ratings: a power, its speed, and how long",
        (_e("power", "power"), _e("speed", "at"), _e("limit", "given", "choice"), _e("lasts", "lasts")),
        table="~/unit/ratings",
        one="rating",
        folded=True,
    ),
    Block(
        "choose",
        "What hangs on it, and whether its quoted mass has it in",
        (_e("mass", "mass"), _e("counted", "is", "choice")),
        table="~/unit/accessories",
        one="accessory",
        folded=True,
    ),
    *_ports(),
    Block(
        "choose",
        "Money of this fit",
        (_e("planned", "planned"), _e("committed", "ordered"), _e("spent", "paid"), _e("state", "line is", "choice")),
        table="^/money",
        one="line",
        folded=True,
    ),
    Block(
        "choose",
        "When each comes, and what waits for it",
        (_e("wait", "comes in"), _e("week", "week", "text"), _e("holds_up", "holds up", "text")),
        table="^/money",
        one="line",
        hint="Weeks as 2026-W48.",
        folded=True,
    ),
    Block(
        "choose",
        "Tasks, kept for the build",
        (_e("caution", "mind", "text"), _e("state", "is", "choice")),
        table="^/tasks",
        one="task",
        folded=True,
    ),
    # balance
    Block(
        "balance",
        "Fuel",
        (_e("^/fuel", "Tanks of the craft", "choice"),),
        form="cg limits",
        hint="Out: an electric fit, or tanks that go. Their own mass is a row of the ledger.",
        folded=True,
    ),
    Block(
        "balance",
        "Tanks this fit adds",
        (
            _e("capacity", "usable"),
            _e("density", "density"),
            _e("surface_length", "surface long"),
            _e("surface_breadth", "broad"),
            _e("baffles", "parts"),
            *_PLACE,
        ),
        form="afloat",
        table="^/tanks",
        one="tank",
        hint="Their own mass is a row of the ledger.",
        folded=True,
    ),
    Block(
        "balance",
        "Tanks this fit adds",
        (
            _e("where", "where", "choice"),
            _e("turn", "turn"),
            _e("capacity", "usable"),
            _e("density", "density"),
            *_PLACE,
        ),
        form="cg limits",
        table="^/tanks",
        one="tank",
        hint="Their own mass is a row of the ledger.",
        folded=True,
    ),
    Block(
        "balance",
        "Assumptions",
        (
            _e("/assumptions/tolerance_school", "± of what is measured", "choice"),
            _e("/assumptions/seat_mass", "A person on paper (77 kg)"),
        ),
        form="cg limits",
        hint="Blank: two standard deviations; 170 lb, FAA (from memory).",
    ),
    Block("balance", "Packs", (_e("mass", "mass"), *_PLACE), table="~/packs", one="pack", electric=True),
    Block(
        "balance",
        "Packs: how large, and the space each is to lie in",
        (
            _e("length", "long"),
            _e("width", "wide"),
            _e("height", "high"),
            Entry("space", "space", "key", ("^/spaces",)),
        ),
        table="~/packs",
        one="pack",
        electric=True,
        hint="Draw the spaces on the profile, or type them below.",
        folded=True,
    ),
    Block(
        "balance",
        "Spaces in which packs may lie",
        (
            _e("forward", "forward end"),
            _e("aft", "aft end"),
            _e("low", "floor"),
            _e("high", "lid"),
            _e("port", "port side"),
            _e("starboard", "starboard side"),
        ),
        table="^/spaces",
        one="space",
        electric=True,
        hint="A blank side leaves a pack where it is on that axis.",
        folded=True,
    ),
    Block(
        "balance",
        "Ride height of this fit",
        (_e("^/front_rise", "Front stands higher by"), _e("^/rear_rise", "Rear stands higher by")),
        form="pitch limits",
        folded=True,
        hint="Lower is negative.",
    ),
    Block(
        "balance",
        "Driven wheel, where the frame is stretched",
        (_e("~/mount/swing/stretch", "Frame stretched by"), _e("~/wheel/mass", "Mass of the wheel that goes aft")),
        form="swing unit",
    ),
    # drive
    Block(
        "drive",
        "Power unit",
        (
            _e("~/unit/name", "Name", "text"),
            _e("~/unit/kind", "Kind", "choice"),
            _e("~/unit/cylinders", "Cylinders"),
            _e("~/unit/power", "Rated power"),
            _e("~/unit/rated_speed", "Rated speed"),
            _e("~/unit/peak_torque", "Peak torque"),
        ),
    ),
    Block(
        "drive",
        "Turning",
        (
            _e("~/unit/turns", "Unit turns, seen from aft looking forward", "choice"),
            _e("~/propeller/turns", "Propeller made to turn, seen from aft", "choice"),
        ),
        without="across",
    ),
    Block(
        "drive",
        "Electric unit",
        (
            _e("~/unit/peak_power", "Peak power (rated is continuous)"),
            _e("~/unit/peak_time", "Peak lasts"),
            _e("~/unit/battery_current", "Battery current limit"),
            _e("~/unit/phase_current", "Phase current limit"),
            _e("~/unit/voltage_limit", "Highest voltage of the controller"),
        ),
        electric=True,
    ),
    Block(
        "drive",
        "Packs",
        (_e("voltage", "voltage"), _e("current", "largest current"), _e("energy", "energy")),
        table="~/packs",
        one="pack",
        electric=True,
    ),
    Block(
        "drive",
        "Propeller",
        (
            _e("~/propeller/diameter", "Diameter"),
            _e("~/propeller/blades", "Blades"),
            _e("~/propeller/mass", "Mass"),
            _e("~/propeller/inertia", "Polar inertia"),
            _e("~/propeller/spacer", "Spacer ahead of the flange"),
        ),
        form="air propeller",
    ),
    Block(
        "drive",
        "Propeller",
        (
            _e("~/propeller/diameter", "Diameter"),
            _e("~/propeller/pitch", "Pitch"),
            _e("~/propeller/blades", "Blades"),
            _e("~/propeller/hull_above", "Shaft centre up to the hull"),
            _e("~/propeller/mass", "Mass"),
        ),
        form="marine propeller",
    ),
    Block(
        "drive",
        "Driven wheel",
        (
            _e("~/wheel/radius", "Rolling radius, measured"),
            _e("~/wheel/width", "or tyre: width"),
            _e("~/wheel/aspect", "aspect"),
            _e("~/wheel/rim", "rim"),
        ),
        form="driven wheel",
    ),
    Block(
        "drive",
        "Stages, from the crank",
        (
            _e("type", "type", "choice"),
            _e("driver_teeth", "driving"),
            _e("driven_teeth", "driven"),
            _e("ratio", "or ratio"),
            _e("turning", "turning", "choice"),
            _e("offset_up", "offset up"),
            _e("offset_starboard", "sideways"),
        ),
        without="across",
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "gear"),),
    ),
    Block(
        "drive",
        "Stages, from the crank; the final one last",
        (
            _e("type", "type", "choice"),
            _e("driver_teeth", "driving"),
            _e("driven_teeth", "driven"),
            _e("ratio", "or ratio"),
        ),
        form="across",
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "chain"),),
    ),
    Block(
        "drive",
        "Chain of a stage",
        (_e("pitch", "pitch"), _e("centres", "centres"), _e("strength", "strength")),
        form="across",
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "chain"),),
    ),
    Block(
        "drive",
        "Gears, or the two ends of a variator",
        (_e("ratio", "ratio"),),
        form="driven wheel",
        table="~/drive/gears",
        one="gear",
    ),
    Block(
        "drive",
        "Drive as a whole",
        (
            _e("~/drive/mass", "Mass"),
            _e("~/drive/cg_aft", "CG from the {flange}"),
            _e("~/drive/length", "Unit flange to {flange}"),
        ),
        without="across",
    ),
    Block("drive", "Losses", (_e("~/drive/efficiency", "Efficiency behind the unit"),), without="air propeller"),
    Block("drive", "Reverse", (_e("~/drive/reverse", "Reverses by", "choice"),), form="corners"),
    Block(
        "drive",
        "Limits you choose",
        (
            _e("/assumptions/tip_mach", "Tip Mach allowed (0.80, 0.85, 0.90)"),
            _e("/assumptions/ground_clearance", "Ground clearance wanted"),
        ),
        form="air propeller",
        hint="Blank takes the default that the finding names.",
    ),
    Block(
        "drive",
        "Assumptions",
        (_e("/assumptions/shock", "Shock on the final drive (2; electric 1.2)"),),
        form="driven wheel",
        hint="Blank takes the default in brackets.",
    ),
    Block(
        "drive",
        "Assumptions of the range",
        (
            _e("/assumptions/depth_of_discharge", "Share of the energy used (85 %)"),
            _e("/assumptions/motor_efficiency", "Motor and controller (88 %)"),
        ),
        electric=True,
        hint="Blank takes the default in brackets.",
    ),
    # mount
    Block(
        "mount",
        "Points on the unit, from {unit flange}",
        (
            _e("unit_aft", "aft"),
            _e("unit_starboard", "sideways"),
            _e("unit_up", "height"),
            _e("stiffness_axial", "stiff, axial"),
            _e("stiffness_radial", "across"),
        ),
        form="firewall",
        table="~/mount/points",
        one="point",
    ),
    Block(
        "mount",
        "Points on the firewall",
        (
            _e("structure_butt_line", "butt line"),
            _e("structure_water_line", "water line"),
            _e("strength", "strength, ultimate"),
        ),
        form="firewall",
        table="~/mount/points",
        one="point",
    ),
    Block(
        "mount",
        "Feet, from the coupling",
        (_e("unit_aft", "along"), _e("unit_starboard", "sideways"), _e("unit_up", "height")),
        form="bed",
        table="~/mount/points",
        one="foot",
    ),
    Block(
        "mount",
        "Stiffness and strength of the feet",
        (
            _e("stiffness_axial", "up and down"),
            _e("stiffness_radial", "fore and aft"),
            _e("stiffness_across", "sideways"),
            _e("strength", "strength"),
        ),
        form="bed",
        table="~/mount/points",
        one="foot",
    ),
    Block(
        "mount",
        "Seating",
        (
            _e("~/mount/seating", "Unit sits on", "choice"),
            _e("~/mount/thrust_taken", "Thrust is taken by", "choice"),
            _e("~/mount/thrust", "Greatest thrust"),
            _e("~/mount/mass", "Mass of mounts and packers"),
        ),
        form="bed",
    ),
    Block(
        "mount",
        "Mount",
        (
            _e("~/mount/mass", "Mass"),
            _e("~/mount/thrust", "Greatest thrust of the propeller"),
            _e("~/mount/torque_factor", "Torque factor, if not by the table"),
        ),
        form="firewall",
    ),
    Block(
        "mount",
        "Mounts, from {unit flange}",
        (
            _e("unit_aft", "aft"),
            _e("unit_starboard", "sideways"),
            _e("unit_up", "height"),
            _e("axis", "axis", "choice"),
        ),
        form="frame points",
        table="~/mount/points",
        one="mount",
    ),
    Block(
        "mount",
        "Stiffness and strength of the mounts",
        (_e("stiffness_axial", "along the axis"), _e("stiffness_radial", "across"), _e("strength", "strength")),
        form="frame points",
        table="~/mount/points",
        one="mount",
    ),
    Block("mount", "Mounts as a whole", (_e("~/mount/mass", "Mass of brackets and rubbers"),), form="frame points"),
    Block(
        "mount",
        "Swinging unit, side view",
        (
            _e("~/mount/swing/pivot_station", "Pivot, station"),
            _e("~/mount/swing/pivot_water_line", "Pivot, height"),
            _e("~/mount/swing/shock_lower_station", "Shock, lower end, station"),
            _e("~/mount/swing/shock_lower_water_line", "Shock, lower end, height"),
            _e("~/mount/swing/shock_upper_station", "Shock, upper end, station"),
            _e("~/mount/swing/shock_upper_water_line", "Shock, upper end, height"),
        ),
        form="swing unit",
    ),
    Block(
        "mount",
        "What swings",
        (
            _e("~/mount/swing/mass", "Mass: unit, wheel, silencer"),
            _e("~/mount/swing/cg_station", "CG, station"),
            _e("~/mount/swing/cg_water_line", "CG, height"),
            _e("~/mount/swing/pivot_strength", "Strength of the pivot, ultimate"),
            _e("~/mount/swing/shock_strength", "Strength of the shock, ultimate"),
        ),
        form="swing unit",
    ),
    Block(
        "mount",
        "Motor on the face of a gearbox",
        (
            _e("~/mount/face/overhang", "Face to CG, plate and all"),
            _e("~/mount/face/bolts", "Bolts"),
            _e("~/mount/face/bolt_circle", "Bolt circle"),
            _e("~/mount/face/support_behind", "Gearbox supports to the face"),
            _e("~/mount/face/third_at", "Face to the third point"),
        ),
        form="gearbox face",
        hint="Leave blank where nothing hangs on a gearbox.",
    ),
    Block(
        "mount",
        "Turning rates",
        (_e("/assumptions/pitch_rate", "Pitch rate"), _e("/assumptions/yaw_rate", "Yaw rate")),
        form="firewall",
        hint="Blank takes 1.0 and 2.5 rad/s, 14 CFR 23.371 (from memory).",
    ),
    # align
    Block(
        "align",
        "Thrust line",
        (
            _e("~/placement/down", "Down thrust"),
            _e("~/placement/right", "Right thrust (left is negative)"),
            _e("~/placement/flange_station", "Output flange, station"),
            _e("~/placement/flange_butt_line", "Output flange, butt line"),
            _e("~/placement/flange_water_line", "Output flange, height"),
            _e("/craft/references/firewall/station", "Firewall"),
        ),
        form="thrust line",
        hint="The flange stays where it is; the rear of the unit moves.",
    ),
    Block(
        "align",
        "Coupling: gaps with a feeler",
        (
            _e("~/align/coupling/facing", "You faced", "choice"),
            _e("~/align/coupling/diameter", "Diameter of the coupling"),
            _e("~/align/coupling/gap_12", "Gap at 12"),
            _e("~/align/coupling/gap_3", "Gap at 3"),
            _e("~/align/coupling/gap_6", "Gap at 6"),
            _e("~/align/coupling/gap_9", "Gap at 9"),
            _e("~/align/coupling/afloat", "Read", "choice"),
        ),
        form="coupling",
        hint="Works with nothing else entered. Clock as you saw it; say which way you faced.",
    ),
    Block(
        "align",
        "Feet and nuts",
        (
            _e("~/align/coupling/front_feet", "Coupling face to front feet"),
            _e("~/align/coupling/rear_feet", "Coupling face to rear feet"),
            _e("~/align/coupling/thread_pitch", "Pitch of the thread"),
            _e("/assumptions/coupling_school", "Gap limit", "choice"),
        ),
        form="coupling",
    ),
    Block(
        "align",
        "Rim steps: the unit's half proud of the shaft's",
        (
            _e("~/align/coupling/step_12", "Step at 12"),
            _e("~/align/coupling/step_3", "Step at 3"),
            _e("~/align/coupling/step_6", "Step at 6"),
            _e("~/align/coupling/step_9", "Step at 9"),
        ),
        form="coupling",
        hint="Straightedge and feeler. Blank: the angle alone is closed.",
    ),
    Block(
        "align",
        "Soft foot: gap under each foot, bolt loose",
        (
            _e("~/align/coupling/under_front_port", "Front port"),
            _e("~/align/coupling/under_front_starboard", "Front starboard"),
            _e("~/align/coupling/under_rear_port", "Rear port"),
            _e("~/align/coupling/under_rear_starboard", "Rear starboard"),
        ),
        form="coupling",
    ),
    Block(
        "align",
        "Shaft line",
        (
            _e("~/placement/flange_station", "Coupling, station"),
            _e("~/placement/flange_butt_line", "Coupling, butt line"),
            _e("~/placement/flange_water_line", "Coupling, height"),
            _e("~/placement/propeller_station", "Propeller, station"),
            _e("~/placement/propeller_water_line", "Propeller, height"),
            _e("~/drive/down_angle", "Down-angle of the gear"),
            _e("~/unit/angle_limit", "Steepest angle its maker allows"),
            _e("~/mount/height", "Mounts, loaded, at mid travel"),
        ),
        form="shaft line",
    ),
    Block(
        "align",
        "Stringers under the feet",
        (
            _e("structure_water_line", "top of the stringer"),
            _e("unit_aft", "foot along"),
            _e("unit_starboard", "sideways"),
            _e("unit_up", "height"),
        ),
        form="bed",
        table="~/mount/points",
        one="foot",
    ),
    Block(
        "align",
        "Where the {flange} sits",
        (
            _e("~/placement/flange_station", "Station"),
            _e("~/placement/flange_butt_line", "Butt line"),
            _e("~/placement/flange_water_line", "Height"),
        ),
        form="across",
    ),
    Block(
        "align",
        "Sprockets by a straightedge",
        (
            _e("~/align/sprockets/first", "First reading"),
            _e("~/align/sprockets/second", "Second reading, further off"),
            _e("~/align/sprockets/span", "Between the readings"),
            _e("~/align/sprockets/distance", "First reading to the other centre"),
        ),
        form="sprockets",
        hint="Straightedge flat on one sprocket; read the gap to the other at two places. Works with nothing else "
        "entered.",
    ),
    Block(
        "align",
        "Driven wheel between its arms",
        (
            _e("~/align/wheel/inside", "Between the arms"),
            _e("~/align/wheel/hub", "Hub"),
            _e("~/align/wheel/rim_offset", "Rim's middle from the hub's, to starboard"),
            _e("~/align/wheel/target", "Rim's middle wanted, to starboard"),
        ),
        form="wheel centre",
    ),
    Block(
        "align",
        "Adapter bore by a dial, clockwise from the top",
        tuple(_e(f"~/align/runout/at_{a}", f"at {a}°") for a in range(0, 360, 45)),
        form="adapter",
        hint="Plunger in is positive. Box end of the engine, dial swung from the crank.",
    ),
    Block(
        "align",
        "Universal joints",
        (_e("side", "angle, from the side"), _e("plan", "angle, from above"), _e("speed", "fastest")),
        form="joints",
        table="~/align/joints",
        one="joint",
    ),
    Block(
        "align",
        "The unit, from {unit flange}",
        (
            _e("~/unit/length", "Length"),
            _e("~/unit/width", "Width"),
            _e("~/unit/rear_radius", "Radius of its rear"),
            _e("~/unit/height", "Height"),
            _e("~/unit/box_up", "Middle of the unit over its shaft"),
            _e("~/unit/mass", "Mass"),
            _e("~/unit/condition", "Weighed", "choice"),
            _e("~/unit/cg_aft", "CG aft"),
            _e("~/unit/cg_starboard", "CG sideways"),
            _e("~/unit/cg_up", "CG height"),
        ),
        form="thrust line",
    ),
    Block(
        "align",
        "The unit, from {unit flange}",
        (
            _e("~/unit/length", "Length"),
            _e("~/unit/width", "Width"),
            _e("~/unit/height", "Height"),
            _e("~/unit/box_up", "Middle of the unit, up"),
            _e("~/unit/mass", "Mass"),
            _e("~/unit/condition", "Weighed", "choice"),
            _e("~/unit/cg_aft", "CG along"),
            _e("~/unit/cg_starboard", "CG sideways"),
            _e("~/unit/cg_up", "CG height"),
        ),
        form="shaft line",
    ),
    Block(
        "align",
        "The unit, from {unit flange}",
        (
            _e("~/unit/length", "Length"),
            _e("~/unit/width", "Width"),
            _e("~/unit/height", "Height"),
            _e("~/unit/box_aft", "Middle of the unit, aft"),
            _e("~/unit/box_up", "Middle of the unit, up"),
            _e("~/unit/mass", "Mass"),
            _e("~/unit/condition", "Weighed", "choice"),
            _e("~/unit/cg_aft", "CG aft"),
            _e("~/unit/cg_starboard", "CG sideways"),
            _e("~/unit/cg_up", "CG height"),
        ),
        form="across",
    ),
    Block(
        "align",
        "Mount points",
        (
            _e("unit_aft", "aft"),
            _e("unit_starboard", "sideways"),
            _e("unit_up", "height"),
            _e("structure_butt_line", "firewall side"),
            _e("structure_water_line", "height"),
        ),
        form="firewall",
        table="~/mount/points",
        one="point",
    ),
    Block(
        "balance",
        "Bare unit on two scales and a plank",
        (
            _e("~/unit/on_scales/first_at", "First edge, from {unit flange}"),
            _e("~/unit/on_scales/first_reading", "reading"),
            _e("~/unit/on_scales/first_tare", "tare"),
            _e("~/unit/on_scales/second_at", "Second edge, from {unit flange}"),
            _e("~/unit/on_scales/second_reading", "reading"),
            _e("~/unit/on_scales/second_tare", "tare"),
        ),
        hint="Works with nothing else entered.",
        folded=True,
    ),
    Block(
        "balance",
        "Bare unit hung by one point, then by another",
        (
            _e("~/unit/hung/first_aft", "First point, from {unit flange}"),
            _e("~/unit/hung/first_up", "height"),
            _e("~/unit/hung/first_mark_aft", "mark on its plumb line"),
            _e("~/unit/hung/first_mark_up", "height"),
            _e("~/unit/hung/second_aft", "Second point"),
            _e("~/unit/hung/second_up", "height"),
            _e("~/unit/hung/second_mark_aft", "mark on its plumb line"),
            _e("~/unit/hung/second_mark_up", "height"),
        ),
        hint="Its CG is where the two lines cross.",
        folded=True,
    ),
    Block(
        "balance",
        "Floor crane, from its rear castors",
        (
            _e("~/unit/lifting/crane/mass", "Mass of the crane"),
            _e("~/unit/lifting/crane/cg", "its CG"),
            _e("~/unit/lifting/crane/legs", "front castors of the legs"),
            _e("~/unit/lifting/crane/hook", "hook"),
        ),
        hint="Blank where something else lifts it.",
        folded=True,
    ),
    Block(
        "balance",
        "Lifting the unit, picks from {unit flange}",
        (
            _e("~/unit/lifting/first_aft", "First pick, along"),
            _e("~/unit/lifting/first_up", "height"),
            _e("~/unit/lifting/second_aft", "Second pick, along"),
            _e("~/unit/lifting/second_up", "height"),
            _e("~/unit/lifting/hook_up", "Hook where the legs meet, height"),
            _e("~/unit/lifting/rating", "Hoist rated at this boom"),
        ),
        hint="One pick, or two. The CG and mass are those of the unit.",
        folded=True,
    ),
)


# What of a unit is the same whatever craft it goes into.
_BY_ITSELF = (
    Block(
        "craft",
        "Its mass and size, from its output flange",
        (
            _e("~/unit/condition", "Weighed", "choice"),
            _e("~/unit/mass", "Mass"),
            _e("~/unit/cg_aft", "CG aft"),
            _e("~/unit/cg_starboard", "CG sideways"),
            _e("~/unit/cg_up", "CG height"),
            _e("~/unit/length", "Length"),
            _e("~/unit/width", "Width"),
            _e("~/unit/height", "Height"),
            _e("~/unit/box_aft", "Middle of the unit, aft"),
            _e("~/unit/box_up", "Middle of the unit, up"),
        ),
        hint="As it would sit in the craft, its shaft level.",
    ),
    Block(
        "craft",
        "Turning",
        (
            _e("~/unit/cylinders", "Cylinders"),
            _e("~/unit/peak_torque", "Peak torque"),
            _e("~/unit/turns", "Turns, seen from aft looking forward", "choice"),
        ),
    ),
    Block(
        "craft",
        "Mount points, from its output flange",
        (_e("unit_aft", "aft"), _e("unit_starboard", "sideways"), _e("unit_up", "height"), _e("strength", "strength")),
        table="~/mount/points",
        one="point",
    ),
    Block(
        "craft",
        "Its own stages, from the crank",
        (
            _e("type", "type", "choice"),
            _e("driver_teeth", "driving"),
            _e("driven_teeth", "driven"),
            _e("ratio", "or ratio"),
            _e("turning", "turning", "choice"),
            _e("offset_up", "offset up"),
            _e("offset_starboard", "sideways"),
        ),
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "gear"),),
    ),
    Block(
        "craft",
        "Its own drive as a whole",
        (
            _e("~/drive/mass", "Mass"),
            _e("~/drive/efficiency", "Efficiency"),
            _e("~/drive/down_angle", "Down-angle"),
            _e("~/drive/reverse", "Reverses by", "choice"),
        ),
        hint="Where it is not in the mass of the unit.",
        folded=True,
    ),
    Block(
        "craft",
        "Packs that go with it",
        (
            _e("mass", "mass"),
            _e("length", "long"),
            _e("width", "wide"),
            _e("height", "high"),
            _e("voltage", "voltage"),
            _e("current", "largest current"),
            _e("energy", "energy"),
        ),
        table="~/packs",
        one="pack",
        electric=True,
    ),
)


def library_sheet() -> list[Block]:
    """The blocks of a unit of the library: what the benches ask of a unit by itself, in the words of no trade."""
    own = [
        b
        for b in BLOCKS
        if b.table.startswith("~/unit") or (b.entries and all(e.pointer.startswith("~/unit") for e in b.entries))
    ]
    of = {"choose": 0, "drive": 1, "balance": 2}
    asked = sorted(
        (
            b
            for b in own
            if b.bench in of and b.title != "Power unit" and "ifting" not in b.title and "crane" not in b.title
        ),
        key=lambda b: of[b.bench],
    )
    plain = [
        b._replace(title=_worded(b.title), entries=tuple(e._replace(label=_worded(e.label)) for e in b.entries))
        for b in asked
    ]
    paper = [b for b in plain if not b.folded]
    return [*paper, *_BY_ITSELF, *(b for b in plain if b.folded)]


def _worded(text: str) -> str:
    return text.replace("{unit flange}", "its output flange")


def sheet(kind: Kind) -> list[Block]:
    """The blocks of a kind, with the words of its trade; the outline's measures on craft."""
    choices = {
        "/craft/layout": kind.layouts,
        "/craft/as_found/method": ("freeboards" if "afloat" in kind.forms else "weighing", "report"),
    }
    made = [
        b._replace(
            title=_said(b.title, kind),
            entries=tuple(
                e._replace(label=_said(e.label, kind), choices=choices.get(e.pointer, e.choices)) for e in b.entries
            ),
        )
        for b in BLOCKS
        if (b.form is None or b.form in kind.forms) and (b.without is None or b.without not in kind.forms)
    ]
    outline = tuple(Entry(f"/craft/outline/{k}", w[0].upper() + w[1:]) for k, w in kind.outline.items())
    return [*made, Block("craft", "Outline, for the profile", outline)]


def _said(text: str, kind: Kind) -> str:
    said = re.sub(r"\{([a-z ]+)\}", lambda m: kind.words[m.group(1)], text)
    return said[0].upper() + said[1:] if text[:1] == "{" else said
