"""Plover: an invented tandem canard, its flat-four behind the cabin out; a larger flat-four or a geared rotor in."""

from __future__ import annotations

from typing import Any

from . import choices, twists
from .around_wings import PUSHER_FOUR, PUSHER_ROTORS
from .figures import aft, ahead, at, f, rows, side, up
from .lapwing import four_points, installation


def _points(x: str, y: str, low: str, high: str, strength: str) -> dict[str, Any]:
    """Four points ahead of the flange, on the aft face of the firewall."""
    made = four_points(x, y, low, high, "measured", strength)
    for point in made.values():
        point["unit_aft"] = ahead(x, "measured", "unit flange")
        point["structure_water_line"] = up("590 mm" if point["name"].startswith("top") else "250 mm")
    return made


def _pusher(name: str, *parts: dict[str, Any]) -> dict[str, Any]:
    """An installation whose unit lies ahead of its flange and drives a propeller behind it."""
    return installation(name, *parts) | {"lies": "ahead of its flange"}


OLD = _pusher(
    "flat-four, 100 hp",
    {
        "kind": "four-stroke",
        "cylinders": f("4", "maker"),
        "power": f("100 hp", "maker"),
        "rated_speed": f("2750 rpm", "maker"),
        "turns": "clockwise",
        "condition": "ready to run",
        "mass": f("104.8 kg ±0.3 kg"),
        "cg_aft": ahead("395 mm"),
        "cg_starboard": side("3 mm"),
        "cg_up": up("-20 mm"),
        "length": f("740 mm"),
        "height": f("480 mm"),
        "box_up": up("-30 mm"),
        "rear_radius": f("160 mm"),
    },
    {
        "flange_station": aft("4205 mm ±2 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("420 mm"),
        "down": f("1.5°"),
        "right": f("0°"),
    },
    {},
    {
        "diameter": f("1560 mm"),
        "blades": f("2"),
        "mass": f("6.4 kg ±0.1 kg"),
        "inertia": f("0.52 kg·m²", "estimated"),
        "turns": "clockwise",
        "spacer": f("150 mm"),
    },
    {
        "mass": f("4.6 kg ±0.1 kg"),
        "thrust": f("1900 N", "estimated"),
        "points": _points("735 mm", "125 mm", "-115 mm", "115 mm", "14 kN"),
    },
)
FIT_A = _pusher(
    "flat-four, 115 hp",
    {
        "kind": "four-stroke",
        "cylinders": f("4", "maker"),
        "power": f("115 hp", "maker"),
        "rated_speed": f("2700 rpm", "maker"),
        "turns": "clockwise",
        "condition": "wet",
        "mass": f("116.4 kg ±0.3 kg"),
        "cg_aft": ahead("405 mm ±3 mm"),
        "cg_starboard": side("-2 mm ±3 mm"),
        "cg_up": up("-15 mm ±4 mm"),
        "length": f("760 mm"),
        "height": f("500 mm"),
        "box_up": up("-30 mm"),
        "rear_radius": f("160 mm"),
    },
    {
        "flange_station": aft("4220 mm ±2 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("420 mm"),
        "down": f("1.5°"),
        "right": f("0°"),
    },
    {},
    {
        "diameter": f("1600 mm", "maker"),
        "blades": f("3"),
        "mass": f("7.9 kg ±0.1 kg"),
        "inertia": f("0.50 kg·m²", "maker"),
        "turns": "clockwise",
        "spacer": f("150 mm"),
    },
    {
        "mass": f("4.9 kg ±0.1 kg"),
        "thrust": f("2200 N", "estimated"),
        "points": _points("750 mm", "125 mm", "-115 mm", "115 mm", "30 kN"),
    },
)
FIT_B = _pusher(
    "twin rotor, blown, geared",
    {
        "kind": "four-stroke",
        "power": f("100 hp", "maker"),
        "rated_speed": f("5800 rpm", "maker"),
        "turns": "anticlockwise",
        "condition": "wet",
        "mass": f("69.5 kg ±0.3 kg"),
        "cg_aft": ahead("300 mm ±3 mm"),
        "cg_starboard": side("0 mm ±3 mm"),
        "cg_up": up("-40 mm ±4 mm"),
        "length": f("520 mm"),
        "height": f("400 mm"),
        "box_up": up("-40 mm"),
        "rear_radius": f("150 mm"),
    },
    {
        "flange_station": aft("4170 mm ±2 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("420 mm"),
        "down": f("1.5°"),
        "right": f("0°"),
    },
    {
        "stages": {
            "gear": {
                "name": "internal gear",
                "rank": 1.0,
                "type": "internal gear",
                "driver_teeth": f("29", "maker"),
                "driven_teeth": f("68", "maker"),
                "offset_up": f("48.8 mm", "maker", **{"from": "driving shaft", "dir": "up"}),
                "offset_starboard": f("0 mm", "maker", **{"from": "driving shaft", "dir": "starboard"}),
            }
        },
        "mass": f("13.8 kg ±0.1 kg"),
        "cg_aft": ahead("60 mm", origin="output flange"),
        "length": f("140 mm"),
    },
    {
        "diameter": f("1620 mm", "maker"),
        "blades": f("3"),
        "mass": f("7.2 kg ±0.1 kg"),
        "inertia": f("0.48 kg·m²", "maker"),
        "turns": "anticlockwise",
        "spacer": f("150 mm"),
    },
    {
        "mass": f("5.2 kg ±0.2 kg"),
        "thrust": f("2100 N", "estimated"),
        "torque_factor": f("2", "maker"),
        "points": _points("560 mm", "170 mm", "-150 mm", "150 mm", "26 kN"),
    },
)

_LEDGER = rows(
    ("exhaust", "removed", "Exhaust pipes", f("5.4 kg ±0.1 kg"), at("3900 mm", "0 mm", "180 mm")),
    ("baffles", "removed", "Baffles and scoop", f("3.8 kg ±0.1 kg"), at("3820 mm", "0 mm", "620 mm")),
)
_FIT_A = rows(("exhaust", "installed", "Exhaust", f("5.8 kg ±0.1 kg"), at("3920 mm", "0 mm", "180 mm")))
_FIT_B = rows(
    ("radiators", "installed", "Radiators and hoses, filled", f("9.6 kg ±0.2 kg"), at("3300 mm", "0 mm", "60 mm")),
    ("silencer", "installed", "Exhaust and silencer", f("8.2 kg ±0.2 kg"), at("3980 mm", "-160 mm", "230 mm")),
    ("battery", "installed", "Second battery", f("6.1 kg ±0.1 kg"), at("300 mm", "0 mm", "120 mm")),
)


def _seat(name: str, rank: float, x: str, lightest: str, heaviest: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "lightest": f(lightest, "estimated"),
        "heaviest": f(heaviest, "maker"),
        **at(x, "0 mm", "180 mm"),
    }


def _loading(name: str, rank: float, front: str, rear: str, fuel: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "loads": {"front": f(front, "estimated"), "rear": f(rear, "estimated")},
        "fuel": {"strakes": f(fuel, "estimated")},
    }


def _wheel(name: str, rank: float, role: str, x: str, y: str, reading: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "role": role,
        **at(x, y, "-760 mm"),
        "reading": f(reading),
        "tare": f("0 kg"),
    }


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document."""
    values: dict[str, Any] = {
        "/craft/description": "Tandem canard, engine and propeller behind the cabin",
        "/craft/datum_note": "Datum: tip of the nose",
        "/craft/levelling_note": "Level on the longeron beside the rear seat",
        "/craft/layout": "canard",
        "/craft/references/firewall": {"name": "firewall", "rank": 1.0, "station": aft("3440 mm")},
        "/craft/supports/nose": _wheel("nose wheel", 1.0, "nose", "540 mm", "0 mm", "36.8 kg ±0.2 kg"),
        "/craft/supports/port": _wheel("port main", 2.0, "main", "3090 mm", "-880 mm", "166.2 kg ±0.3 kg"),
        "/craft/supports/starboard": _wheel("starboard main", 3.0, "main", "3090 mm", "880 mm", "167.0 kg ±0.3 kg"),
        "/craft/as_found/water_line": up("280 mm", "estimated"),
        "/craft/limits/forward": aft("2440 mm", "maker"),
        "/craft/limits/aft": aft("2660 mm", "maker"),
        "/craft/limits/gross": f("640 kg", "maker"),
        "/craft/limits/category": "normal",
        "/craft/tanks/strakes": {
            "name": "strake tanks",
            "rank": 1.0,
            "where": "fuselage",
            "turn": f("1"),
            "capacity": f("90 L", "maker"),
            "density": f("720 kg/m³", "maker"),
            **at("2690 mm", "0 mm", "120 mm"),
        },
        "/craft/seats/front": _seat("front seat", 1.0, "1460 mm", "65 kg", "105 kg"),
        "/craft/seats/rear": _seat("rear seat", 2.0, "2450 mm", "0 kg", "100 kg"),
        "/craft/outline": {
            "nose": aft("0 mm"),
            "tail": aft("4150 mm"),
            "top": up("900 mm"),
            "belly": up("-100 mm"),
            "wing": aft("2900 mm"),
            "wing_chord": f("900 mm"),
            "wing_water_line": up("300 mm"),
            "fin_top": up("1250 mm"),
            "wheel": f("350 mm"),
        },
        "/craft/lowest_attitude": f("3°", "estimated"),
        "/craft/gear_drop": f("70 mm", "estimated"),
        "/craft/highest_attitude": f("8°"),
        "/craft/airspeed": f("260 km/h", "estimated"),
        "/craft/ballast_station": aft("250 mm"),
        "/craft/stand": aft("2200 mm"),
        "/old_installations/main": OLD,
        "/loadings/light": _loading("Light pilot alone", 1.0, "65 kg", "0 kg", "30 L"),
        "/loadings/solo": _loading("Heavy pilot alone", 2.0, "105 kg", "0 kg", "80 L"),
        "/loadings/two": _loading("Two up", 3.0, "88 kg", "74 kg", "60 L"),
        "/fits/a": {
            "name": "A  larger flat-four",
            "rank": 1.0,
            "fuel": "kept",
            "installations": {"main": FIT_A},
            "ledger": _FIT_A,
        },
        "/fits/b": {
            "name": "B  twin rotor, blown",
            "rank": 2.0,
            "fuel": "kept",
            "installations": {"main": FIT_B},
            "ledger": _FIT_B,
        },
        **choices.PLOVER,
        **twists.PLOVER,
        "/fits/a/installations/main/systems": PUSHER_FOUR,
        "/fits/b/installations/main/systems": PUSHER_ROTORS,
    }
    edits = [{"op": "add", "path": path, "value": value} for path, value in values.items()]
    edits += [{"op": "add", "path": f"/ledger/{key}", "value": row} for key, row in _LEDGER.items()]
    return edits


NAME = "Plover"
