"""Kinds of craft. A kind is declared, not programmed: which forms it has, its layouts, what it starts with, its load
cases,
its outline and the words of its trade. A bench asks for forms, never for a kind.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Literal, NamedTuple

from . import outlines
from .load_cases import AEROPLANE, BOAT, MOTORCYCLE, ROAD_VEHICLE, SCOOTER, LoadCase

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
Values = dict[str, Any]


class Kind(NamedTuple):
    """forms: what benches ask about; words: names of the trade, by the name used in code; unit_side: +1 if the unit
    lies aft of its
    output flange, −1 ahead of it, 0 if it is measured both ways from it; mount_axis: the axis of a mount's axial
    stiffness;
    template: layout and name of the unit → what a new project starts with; draw: outline of the side view, from the
    measures that `outline` names; cautions: what a bench must not be left without, by bench."""

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


def _guess(text: str, **more: str) -> Values:
    return {"entered": text, "source": "template", **more}


def _at(station: str) -> Values:
    return _guess(station, **{"from": "datum", "dir": "aft"})


def _up(height: str, way: str = "up") -> Values:
    return _guess(height, **{"from": "level line", "dir": way})


def _side(text: str, way: str = "starboard") -> Values:
    return _guess(text, **{"from": "centreline", "dir": way})


def _points(*names: str) -> Values:
    return {name.replace(" ", "-"): {"name": name, "rank": float(i)} for i, name in enumerate(names)}


def _installation(name: str, points: Values, **more: Values) -> Values:
    mount = {"points": points, **more.pop("mount", {})}
    return {"name": name, "unit": {"name": name}, "mount": mount, **more}


def _common(unit_name: str, old: dict[str, Values], new: dict[str, Values]) -> Values:
    return {
        "/old_installations": old,
        "/fits/a": {"name": unit_name, "rank": 1.0, "installations": new},
    }


def _aeroplane(layout: str, unit_name: str) -> Values:
    third = "nose" if layout in ("tricycle", "canard") else "tail"
    mains = {
        "/craft/supports/main-port": {"name": "port main", "rank": 1.0, "role": "main"},
        "/craft/supports/main-starboard": {"name": "starboard main", "rank": 2.0, "role": "main"},
    }
    if layout == "monowheel":
        mains = {
            "/craft/supports/main": {"name": "main wheel", "rank": 1.0, "role": "main", "butt_line": _side("0 mm")}
        }
    points = _points("top port", "top starboard", "low starboard", "low port")
    return {
        "/craft/references/firewall": {"name": "firewall", "rank": 1.0},
        "/craft/seats/pilot": {"name": "pilot", "rank": 1.0},
        "/craft/tanks/main": {"name": "main tank", "rank": 1.0},
        "/loadings/solo": {"name": "Pilot alone, full tank", "rank": 1.0},
        **mains,
        f"/craft/supports/{third}": {"name": f"{third} wheel", "rank": 3.0, "role": third},
        **_common(unit_name, {"main": _installation("old engine", points)}, {"main": _installation(unit_name, points)}),
    }


def _boat(layout: str, unit_name: str) -> Values:
    feet = _points("front port", "front starboard", "rear starboard", "rear port")
    sides = {"main": ""} if layout == "single screw" else {"port": ", port", "starboard": ", starboard"}
    more = {
        "drive": {"stages": {"gear": {"name": "gearbox", "rank": 1.0, "type": "gear"}}, "efficiency": _guess("97 %")},
        "align": {"coupling": {"thread_pitch": _guess("1.5 mm")}},
    }
    marks = {}
    for i, (key, name, x, y) in enumerate(
        (
            ("bow-port", "bow, port", "1.2 m", "port"),
            ("bow-starboard", "bow, starboard", "1.2 m", "starboard"),
            ("stern-port", "stern, port", "7.2 m", "port"),
            ("stern-starboard", "stern, starboard", "7.2 m", "starboard"),
        )
    ):
        marks[key] = {
            "name": name,
            "rank": float(i),
            "station": _at(x),
            "butt_line": _side("1.1 m", y),
            "sheer": _up("1.05 m" if i < 2 else "0.8 m"),
        }
    installations = lambda name: {
        k: {**_installation(f"{name}{s}", feet), **more, "rank": float(i)} for i, (k, s) in enumerate(sides.items())
    }
    return {
        "/craft/flotation": {
            "length": _guess("7.6 m"),
            "beam": _guess("2.4 m"),
            "block": _guess("0.42"),
            "waterplane": _guess("0.72"),
            "keel": _up("0.45 m", "down"),
            "lcf": _at("4.2 m"),
            "lcb": _at("4.1 m"),
            "density": _guess("1025 kg/m³"),
            "marks": marks,
        },
        "/craft/as_found/method": "freeboards",
        "/craft/outline": {
            "nose": _at("0 m"),
            "tail": _at("8.0 m"),
            "top": _up("1.6 m"),
            "belly": _up("0.75 m", "down"),
        },
        "/craft/trial/regime": "displacement",
        "/craft/seats/cockpit": {
            "name": "cockpit",
            "rank": 1.0,
            "station": _at("6.2 m"),
            "butt_line": _side("0 m"),
            "water_line": _up("0.6 m"),
        },
        "/craft/tanks/fuel": {"name": "fuel tank", "rank": 1.0, "density": _guess("840 kg/m³")},
        "/loadings/day": {"name": "Day out", "rank": 1.0},
        **_common(unit_name, installations("old engine"), installations(unit_name)),
    }


def _wheels(base: str, front: str, rear: str) -> Values:
    return {
        "/craft/supports/front": {
            "name": "front wheel",
            "rank": 1.0,
            "role": "front",
            "station": _at("0 mm"),
            "water_line": _up("0 mm"),
            "radius": _guess(front),
        },
        "/craft/supports/rear": {
            "name": "rear wheel",
            "rank": 2.0,
            "role": "rear",
            "station": _at(base),
            "water_line": _up("0 mm"),
            "radius": _guess(rear),
        },
    }


def _rider(seat: str, height: str, passenger: str, passenger_height: str) -> Values:
    return {
        "/craft/seats/rider": {
            "name": "rider",
            "rank": 1.0,
            "station": _at(seat),
            "butt_line": _side("0 mm"),
            "water_line": _up(height),
        },
        "/craft/seats/passenger": {
            "name": "passenger",
            "rank": 2.0,
            "station": _at(passenger),
            "butt_line": _side("0 mm"),
            "water_line": _up(passenger_height),
        },
        "/loadings/solo": {
            "name": "Rider alone",
            "rank": 1.0,
            "loads": {"rider": _guess("80 kg"), "passenger": _guess("0 kg")},
        },
        "/loadings/two-up": {
            "name": "Two up",
            "rank": 2.0,
            "loads": {"rider": _guess("80 kg"), "passenger": _guess("70 kg")},
        },
    }


def _chain(name: str, rank: float, pitch: str, teeth: tuple[str, str] | None = None) -> Values:
    made: Values = {"name": name, "rank": rank, "type": "chain", "turning": "keeps", "pitch": _guess(pitch)}
    return made | ({"driver_teeth": _guess(teeth[0]), "driven_teeth": _guess(teeth[1])} if teeth else {})


def _motorcycle(layout: str, unit_name: str) -> Values:
    points = _points("top front", "low front port", "low front starboard", "low rear port", "low rear starboard")
    drive: Values = {"stages": {"chain": _chain("final chain", 9.0, "15.875 mm")}, "efficiency": _guess("92 %")}
    one = lambda name: {"main": {**_installation(name, points), "drive": drive}}
    return {
        **_wheels("1400 mm", "300 mm", "310 mm"),
        **_rider("860 mm", "980 mm", "1150 mm", "1050 mm"),
        "/craft/road": {"drag_area": _guess("0.45 m²"), "rolling": _guess("0.015"), "grip": _guess("0.8")},
        "/craft/outline": {
            "seat": _at("900 mm"),
            "seat_top": _up("790 mm"),
            "top": _up("1050 mm"),
            "belly": _up("190 mm"),
            "tail": _at("1650 mm"),
        },
        **_common(unit_name, one("old engine"), one(unit_name)),
    }


def _scooter(layout: str, unit_name: str) -> Values:
    drive = {
        "gears": {"low": {"name": "variator, low", "rank": 1.0}, "high": {"name": "variator, high", "rank": 2.0}},
        "stages": {"final": {"name": "final gear", "rank": 9.0, "type": "gear"}},
        "efficiency": _guess("85 %"),
    }
    one = lambda name: {"main": {**_installation(name, {}), "drive": drive}}
    return {
        **_wheels("1240 mm", "215 mm", "215 mm"),
        **_rider("820 mm", "950 mm", "1080 mm", "1000 mm"),
        "/craft/road": {"drag_area": _guess("0.45 m²"), "rolling": _guess("0.015"), "grip": _guess("0.8")},
        "/craft/outline": {
            "seat": _at("850 mm"),
            "seat_top": _up("760 mm"),
            "top": _up("1050 mm"),
            "belly": _up("240 mm"),
            "tail": _at("1480 mm"),
        },
        **_common(unit_name, one("old engine"), one(unit_name)),
    }


def _road_vehicle(layout: str, unit_name: str) -> Values:
    ends = {"one front wheel": (1, 2), "two front wheels": (2, 1), "four wheels": (2, 2)}[layout]
    supports: Values = {}
    for role, count, x, first in (("front", ends[0], "0 mm", 1), ("rear", ends[1], "1900 mm", 3)):
        sides = [("", None)] if count == 1 else [("port ", "port"), ("starboard ", "starboard")]
        for i, (prefix, way) in enumerate(sides):
            name = f"{prefix}{role} wheel" if prefix else f"{role} wheel"
            supports[f"/craft/supports/{name.replace(' ', '-').removesuffix('-wheel')}"] = {
                "name": name,
                "rank": float(first + i),
                "role": role,
                "station": _at(x),
                "water_line": _up("0 mm"),
                "radius": _guess("250 mm"),
                "butt_line": _side("600 mm", way) if way else _side("0 mm"),
            }
    points = _points("port", "starboard", "torque rod")
    drive: Values = {
        "gears": {"first": {"name": "first", "rank": 1.0}, "top": {"name": "top", "rank": 4.0}},
        "efficiency": _guess("90 %"),
        "stages": {"final": {"name": "final drive", "rank": 9.0, "type": "gear"}},
    }
    one = lambda name: {"main": {**_installation(name, points), "drive": drive}}
    return {
        **supports,
        "/craft/seats/driver": {
            "name": "driver",
            "rank": 1.0,
            "station": _at("600 mm"),
            "butt_line": _side("300 mm"),
            "water_line": _up("700 mm"),
        },
        "/craft/seats/load": {
            "name": "load space",
            "rank": 2.0,
            "station": _at("1600 mm"),
            "butt_line": _side("0 mm"),
            "water_line": _up("700 mm"),
        },
        "/loadings/driver": {
            "name": "Driver alone",
            "rank": 1.0,
            "loads": {"driver": _guess("75 kg"), "load": _guess("0 kg")},
        },
        "/loadings/loaded": {
            "name": "Loaded",
            "rank": 2.0,
            "loads": {"driver": _guess("75 kg"), "load": _guess("150 kg")},
        },
        "/craft/road": {"drag_area": _guess("0.85 m²"), "rolling": _guess("0.015"), "grip": _guess("0.8")},
        "/craft/outline": {
            "nose": _at("-450 mm"),
            "tail": _at("2450 mm"),
            "top": _up("1650 mm"),
            "belly": _up("200 mm"),
        },
        **_common(unit_name, one("old engine"), one(unit_name)),
    }


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
_MOUNT = "Not checked: welds, fatigue, bolts, the structure behind the points."
_VOLTAGE = "High voltage kills: isolate, lock, test dead; people licensed for it."
_RIDDEN_CAUTIONS = {
    "craft": "Strap it before you lift an end; a second person holds it. Nobody under a raised craft.",
    "balance": "A calculation is not a weighing: weigh the finished craft before it is ridden.",
    "drive": f"Guard chain and sprocket; nothing loose near them. {_VOLTAGE}",
    "mount": f"{_MOUNT} A changed frame may need an inspector before it goes on the road.",
    "align": "Stand it firmly and take the key out before a hand goes near the chain.",
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
            "balance": "A calculation is not a weighing: weigh the finished craft before it flies. Ballast must hold its "
            "loads and be marked.",
            "drive": "Nobody in the plane of a propeller. Treat every propeller as live.",
            "mount": f"{_MOUNT} Structure on a certificated craft needs licensed hands.",
            "align": "Support the unit before you loosen a point. Prove angles in a jig, then in flight, in small steps.",
        },
    ),
    "boat": Kind(
        "boat",
        frozenset({"afloat", "marine propeller", "bed", "spring points", "shaft line", "coupling"}),
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
            "balance": "A form estimate is not a stability book. Incline her, or ask a naval architect, before people go to "
            "sea in her.",
            "drive": f"Nobody near a turning shaft or propeller; take the key out before you dive or reach under. "
            f"{_VOLTAGE}",
            "mount": f"{_MOUNT} A shaft bolted hard to a soft mount tears its seal.",
            "align": "Do not turn the shaft under power with the coupling open. Close the sea cocks you open.",
        },
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
            "mount": f"{_MOUNT} A changed drive may need an inspector before it goes on the road.",
            "align": "Support gearbox and unit before you part them.",
        },
    ),
}


def new_project(kind: str, name: str, layout: str, unit_name: str, units: str) -> list[dict[str, Any]]:
    """Operations that turn an empty document of a kind into a new project: every place to fill in; figures that a trade
    would
    guess stand there marked as template."""
    values = {"/name": name, "/craft/layout": layout, "/units": units, **KINDS[kind].template(layout, unit_name)}
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
