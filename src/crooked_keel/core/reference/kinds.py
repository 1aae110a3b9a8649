"""Kinds of craft. A kind is declared, not programmed: which forms it has, its layouts, what it starts with, its load
cases, its outline and the words of its trade. A bench asks for forms, never for a kind.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Literal, NamedTuple

from . import first, outlines
from .load_cases import AEROPLANE, BOAT, MOTORCYCLE, ROAD_VEHICLE, SCOOTER, LoadCase
from .templates import Values, _aeroplane, _boat, _motorcycle, _road_vehicle, _scooter

Form = Literal[
    "scales",
    "wheels in line",
    "corners",
    "afloat",
    "cg limits",
    "pitch limits",
    "stands on wheels",
    "air propeller",
    "marine propeller",
    "driven wheel",
    "firewall",
    "bed",
    "frame points",
    "swing unit",
    "gearbox face",
    "spring points",
    "thrust line",
    "shaft line",
    "across",
    "coupling",
    "sprockets",
    "wheel centre",
    "adapter",
    "joints",
]


class Offers(NamedTuple):
    """Plans of the work by their id: the likeliest for an engine and for a motor, and others that may do."""

    engine: str
    electric: str
    others: tuple[str, ...] = ()


class Kind(NamedTuple):
    """forms: what benches ask about; words: names of the trade, by the name used in code; unit_side: +1 if the unit
    lies aft of its output flange, −1 ahead of it, 0 if it is measured both ways from it; mount_axis: the axis of a
    mount's axial stiffness; template: layout and name of the unit → what a new project starts with; draw: outline of
    the side view, from the measures that `outline` names; cautions: what a bench must not be left without, by bench;
    plans: those offered for the work, all where none is named; first: the figures of the first evening, by layout."""

    name: str
    forms: frozenset[Form]
    layouts: tuple[str, ...]
    words: dict[str, str]
    unit_side: int
    mount_axis: Literal["fore and aft", "sideways", "up and down"]
    load_cases: tuple[LoadCase, ...]
    template: Callable[[str, str], Values]
    draw: outlines.Draw
    outline: dict[str, str]
    cautions: dict[str, str]
    plans: Offers | None = None
    first: Callable[[str], first.First] | None = None


_RIDDEN: frozenset[Form] = frozenset(
    {
        "scales",
        "wheels in line",
        "pitch limits",
        "stands on wheels",
        "driven wheel",
        "across",
        "sprockets",
        "wheel centre",
    }
)


_RIDDEN_OUTLINE = {
    "seat": "station of the seat",
    "seat_top": "height of the seat",
    "top": "height of the bars",
    "belly": "height of the frame's underside",
    "tail": "station of the rear end",
}


_VOLTAGE = "High voltage kills: isolate, lock, test dead; people licensed for it."


_FIRE = (
    "Fuel burns, and its vapour sooner: no flame, no spark, an extinguisher at hand. Hot pipes burn hands and hoses."
)
_HOIST = "Battery off, fuel shut. Nobody under a unit on a hoist; lift by its own eyes, and slowly."


_RIDDEN_CAUTIONS = {
    "craft": "Strap it before you lift an end; a second person holds it. Nobody under a raised craft.",
    "balance": "A calculation is not a weighing: weigh the finished craft before it is ridden.",
    "drive": f"Guard chain and sprocket; nothing loose near them. {_VOLTAGE}",
    "mount": "A changed frame may need an inspector before it goes on the road.",
    "align": "Stand it firmly and take the key out before a hand goes near the chain.",
    "systems": f"{_FIRE} {_VOLTAGE}",
    "build": f"{_HOIST} Strap the craft upright before its unit comes out.",
    "prove": "First run on a stand, driven wheel clear of the ground, nobody in line with it, air moving. "
    "First ride slow, off the road, in full gear, with somebody watching.",
}


KINDS: dict[str, Kind] = {
    "aeroplane": Kind(
        "aeroplane",
        frozenset({"scales", "cg limits", "air propeller", "firewall", "spring points", "thrust line"}),
        ("tailwheel", "tricycle", "canard", "monowheel"),
        {
            "flange": "output flange",
            "structure": "firewall",
            "structure point": "firewall point",
            "point": "mount point",
            "turns": "propeller",
            "unit flange": "its flange",
            "support": "support",
        },
        +1,
        "fore and aft",
        AEROPLANE,
        _aeroplane,
        outlines.aeroplane,
        {
            "nose": "station of the nose",
            "tail": "station of the tail end",
            "top": "water line of the top of the fuselage",
            "belly": "water line of the belly",
            "wing": "station of the wing's leading edge",
            "wing_chord": "chord of the wing",
            "wing_water_line": "water line of the wing",
            "fin_top": "water line of the top of the fin",
            "wheel": "diameter of the main wheel",
        },
        {
            "craft": "Chock the wheels you do not weigh; nobody under a raised craft.",
            "balance": "A calculation is not a weighing: weigh the finished craft before it flies. "
            "Ballast must hold its loads and be marked.",
            "drive": "Nobody in the plane of a propeller. Treat every propeller as live.",
            "mount": "Structure on a certificated craft needs licensed hands.",
            "align": "Support the unit before you loosen a point. "
            "Prove angles in a jig, then in flight, in small steps.",
            "systems": f"{_FIRE} {_VOLTAGE}",
            "build": f"{_HOIST} Hold the tail down before an engine comes off.",
            "prove": "Tied down and chocked, nobody ahead of the propeller or in its plane, a second person at the "
            "extinguisher. A first flight is for a pilot who does such flights, when somebody entitled has signed.",
        },
        Offers("tractor-aircraft", "tractor-aircraft", ("pusher-canard", "turbine-conversion")),
        first.aeroplane,
    ),
    "boat": Kind(
        "boat",
        frozenset(
            {
                "afloat",
                "marine propeller",
                "bed",
                "spring points",
                "gearbox face",
                "shaft line",
                "coupling",
                "adapter",
            }
        ),
        ("single screw", "twin screw"),
        {
            "flange": "coupling",
            "structure": "stringers",
            "structure point": "stringer under foot",
            "point": "foot",
            "turns": "shaft",
            "unit flange": "the coupling",
            "support": "mark",
        },
        -1,
        "up and down",
        BOAT,
        _boat,
        outlines.boat,
        {
            "nose": "station of the stem head",
            "tail": "station of the transom",
            "top": "top of the coachroof",
            "belly": "underside of the keel",
        },
        {
            "craft": "Read freeboards in calm water, lines slack, nobody aboard.",
            "balance": "A form estimate is not a stability book. "
            "Incline her, or ask a naval architect, before people go to sea in her.",
            "drive": f"Nobody near a turning shaft or propeller; take the key out before you dive or reach under. "
            f"{_VOLTAGE}",
            "mount": "A shaft bolted hard to a soft mount tears its seal.",
            "align": "Do not turn the shaft under power with the coupling open. Close the sea cocks you open.",
            "systems": f"{_FIRE} Air the bilge before every start; carbon monoxide gathers below. {_VOLTAGE}",
            "build": f"{_HOIST} Close the sea cocks before a hose comes off; look at the bilge before you leave her.",
            "prove": "Lines, cleats and fenders that hold full power, or open water with a tow at hand. "
            "Somebody watches bilge, exhaust and shaft; life jackets on.",
        },
        Offers("inboard-diesel-single", "inboard-diesel-single", ("inboard-twin", "classic-runabout")),
        first.boat,
    ),
    "motorcycle": Kind(
        "motorcycle",
        _RIDDEN | {"frame points", "spring points"},
        ("two wheels",),
        {
            "flange": "output sprocket",
            "structure": "frame",
            "structure point": "frame lug",
            "point": "mount",
            "turns": "rear wheel",
            "unit flange": "the output sprocket",
            "support": "wheel",
        },
        0,
        "sideways",
        MOTORCYCLE,
        _motorcycle,
        outlines.motorcycle,
        _RIDDEN_OUTLINE,
        _RIDDEN_CAUTIONS,
        Offers("motorcycle-engine", "scooter-electric"),
        first.motorcycle,
    ),
    "scooter": Kind(
        "scooter",
        _RIDDEN | {"swing unit"},
        ("two wheels",),
        {
            "flange": "output shaft",
            "structure": "frame",
            "structure point": "frame lug",
            "point": "mount",
            "turns": "rear wheel",
            "unit flange": "the output shaft",
            "support": "wheel",
        },
        0,
        "sideways",
        SCOOTER,
        _scooter,
        outlines.scooter,
        _RIDDEN_OUTLINE,
        _RIDDEN_CAUTIONS,
        Offers("scooter-swing-unit", "scooter-electric"),
        first.scooter,
    ),
    "road-vehicle": Kind(
        "road vehicle",
        frozenset(
            {
                "scales",
                "corners",
                "stands on wheels",
                "driven wheel",
                "frame points",
                "spring points",
                "gearbox face",
                "across",
                "sprockets",
                "adapter",
                "joints",
            }
        ),
        ("one front wheel", "two front wheels", "four wheels"),
        {
            "flange": "output sprocket or shaft",
            "structure": "frame",
            "structure point": "frame lug",
            "point": "mount",
            "turns": "driven wheels",
            "unit flange": "the output shaft",
            "support": "wheel",
        },
        0,
        "up and down",
        ROAD_VEHICLE,
        _road_vehicle,
        outlines.road_vehicle,
        {
            "nose": "station of the front",
            "tail": "station of the rear",
            "top": "height of the roof",
            "belly": "height of the sill",
        },
        {
            "craft": "Chock the wheels; stands under a raised craft, never a jack alone.",
            "balance": "A calculation is not a weighing: weigh the finished craft at its corners before it is driven.",
            "drive": f"Guard every chain and shaft. {_VOLTAGE}",
            "mount": "A changed drive may need an inspector before it goes on the road.",
            "align": "Support gearbox and unit before you part them.",
            "systems": f"{_FIRE} {_VOLTAGE}",
            "build": f"{_HOIST} Stands under the craft, never a jack alone.",
            "prove": "First run on stands, driven wheels clear, wheels that stand chocked, air moving. "
            "First drive off the road, slowly, brakes tried first.",
        },
        Offers("motorcycle-engine-small-car", "small-car-electric"),
        first.road_vehicle,
    ),
}


def new_project(kind: str, name: str, layout: str, unit_name: str, units: str) -> list[dict[str, Any]]:
    """Operations that turn an empty document of a kind into a new project: every place to fill in; figures that a trade
    would guess stand there marked as template."""
    values = {
        "/name": name,
        "/craft/layout": layout,
        "/units": units,
        "/rough": "yes",
        **KINDS[kind].template(layout, unit_name),
    }
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
