"""Curlew: an invented side-by-side motor glider on one wheel, 80 hp flat-four and wing tanks out, a motor and packs in;
all packs in the nose, or fore and aft."""

from __future__ import annotations

from typing import Any

from . import choices, twists
from .around_wings import GLIDER_MOTOR
from .figures import aft, ahead, at, f, rows, side, up
from .lapwing import four_points, installation

OLD = installation(
    "flat-four, 80 hp",
    {
        "kind": "four-stroke",
        "cylinders": f("4", "maker"),
        "power": f("80 hp", "maker"),
        "rated_speed": f("2800 rpm", "maker"),
        "turns": "clockwise",
        "condition": "ready to run",
        "mass": f("78.4 kg ±0.2 kg"),
        "cg_aft": aft("390 mm"),
        "cg_starboard": side("2 mm"),
        "cg_up": up("-15 mm"),
        "length": f("700 mm"),
        "height": f("420 mm"),
        "box_up": up("-20 mm"),
        "rear_radius": f("150 mm"),
    },
    {
        "flange_station": ahead("1960 mm ±2 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("40 mm"),
        "down": f("1°"),
        "right": f("1°"),
    },
    {},
    {
        "diameter": f("1600 mm"),
        "blades": f("2"),
        "mass": f("9.2 kg ±0.1 kg"),
        "inertia": f("0.60 kg·m²", "estimated"),
        "turns": "clockwise",
        "spacer": f("0 mm"),
    },
    {
        "mass": f("4.1 kg ±0.1 kg"),
        "thrust": f("1500 N", "estimated"),
        "points": four_points("660 mm", "120 mm", "-110 mm", "110 mm", "measured", "10 kN"),
    },
)


def _pack(name: str, rank: float, mass: str, x: str, z: str, energy: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "mass": f(mass),
        **at(x, "0 mm", z),
        "length": f("360 mm"),
        "width": f("420 mm"),
        "height": f("240 mm"),
        "energy": f(energy, "maker"),
        "voltage": f("350 V", "maker"),
        "full_voltage": f("403 V", "maker"),
        "current": f("200 A", "maker"),
    }


def _motor(packs: dict[str, Any]) -> dict[str, Any]:
    return installation(
        "outrunner, 45 kW",
        {
            "kind": "electric",
            "power": f("45 kW", "maker"),
            "rated_speed": f("2400 rpm", "maker"),
            "peak_power": f("57 kW", "maker"),
            "peak_torque": f("220 N·m", "maker"),
            "peak_time": f("120 s", "maker"),
            "battery_current": f("190 A", "maker"),
            "voltage_limit": f("450 V", "maker"),
            "turns": "clockwise",
            "condition": "ready to run",
            "mass": f("32.6 kg ±0.1 kg"),
            "cg_aft": aft("118 mm ±2 mm"),
            "cg_starboard": side("0 mm"),
            "cg_up": up("0 mm"),
            "length": f("230 mm"),
            "height": f("300 mm"),
            "box_up": up("0 mm"),
            "rear_radius": f("130 mm"),
        },
        {
            "flange_station": ahead("1900 mm ±2 mm"),
            "flange_butt_line": side("0 mm"),
            "flange_water_line": up("40 mm"),
            "down": f("1°"),
            "right": f("1°"),
        },
        {},
        {
            "diameter": f("1660 mm", "maker"),
            "blades": f("2"),
            "mass": f("7.8 kg ±0.1 kg"),
            "inertia": f("0.48 kg·m²", "maker"),
            "turns": "clockwise",
            "spacer": f("60 mm"),
            "spacer_of": "aluminium",
            "spacer_outside": f("100 mm"),
            "spacer_inside": f("60 mm"),
            "middle": f("45 mm"),
            "bending_limit": f("1400 N·m", "maker"),
        },
        {
            "mass": f("6.2 kg ±0.2 kg"),
            "thrust": f("1800 N", "estimated"),
            "points": four_points("190 mm", "120 mm", "-120 mm", "120 mm", "measured", "16 kN"),
        },
    ) | {"packs": packs, "packs_joined": "side by side"}


FIT_A = _motor({"nose": _pack("Packs in the nose", 1.0, "98.0 kg ±0.2 kg", "-960 mm", "60 mm", "17 kWh")})
FIT_B = _motor(
    {
        "nose": _pack("Pack in the nose", 1.0, "46.0 kg ±0.1 kg", "-860 mm", "60 mm", "8.5 kWh"),
        "rear": _pack("Pack behind the seats", 2.0, "46.0 kg ±0.1 kg", "1040 mm", "140 mm", "8.5 kWh"),
    }
)
_LEDGER = rows(
    ("tanks", "removed", "Wing tanks, pumps and lines, dry", f("6.4 kg ±0.2 kg"), at("430 mm", "0 mm", "250 mm")),
    ("exhaust", "removed", "Tail pipe and heater", f("5.1 kg ±0.1 kg"), at("-1500 mm", "80 mm", "-170 mm")),
)
_ADDED = rows(
    ("controller", "installed", "Controller and contactors", f("9.3 kg ±0.1 kg"), at("-1010 mm", "-60 mm", "180 mm")),
    (
        "cables",
        "installed",
        "Cables and screens",
        f("5.0 kg ±0.3 kg", "estimated"),
        at("-700 mm", "0 mm", "0 mm", "estimated"),
    ),
    ("cowl", "installed", "New cowl", f("4.2 kg ±0.1 kg"), at("-1620 mm", "0 mm", "20 mm")),
)


def _loading(name: str, rank: float, pilot: str, passenger: str, bag: str, each: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "loads": {
            "pilot": f(pilot, "estimated"),
            "passenger": f(passenger, "estimated"),
            "baggage": f(bag, "estimated"),
        },
        "fuel": {"port": f(each, "estimated"), "starboard": f(each, "estimated")},
    }


def _tank(name: str, rank: float, y: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "where": "wing",
        "turn": f("1"),
        "capacity": f("40 L", "maker"),
        "density": f("720 kg/m³", "maker"),
        **at("430 mm", y, "250 mm"),
    }


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document."""
    values: dict[str, Any] = {
        "/craft/description": "Side-by-side motor glider on one wheel",
        "/craft/datum_note": "Datum: leading edge of the wing at its root",
        "/craft/levelling_note": "Level on the canopy sill, tail on a trestle, wing tip held",
        "/craft/layout": "monowheel",
        "/craft/references/firewall": {"name": "firewall", "rank": 1.0, "station": ahead("1180 mm")},
        "/craft/supports/main": {
            "name": "main wheel",
            "rank": 1.0,
            "role": "main",
            "station": aft("170 mm"),
            "butt_line": side("0 mm"),
            "water_line": up("-1140 mm"),
            "reading": f("551.2 kg"),
            "reading_2": f("550.9 kg"),
            "reading_3": f("551.3 kg"),
            "tare": f("2.4 kg"),
        },
        "/craft/supports/tail": {
            "name": "tail wheel",
            "rank": 2.0,
            "role": "tail",
            "station": aft("5080 mm"),
            "butt_line": side("0 mm"),
            "water_line": up("-1140 mm"),
            "reading": f("20.4 kg"),
            "reading_2": f("20.5 kg"),
            "reading_3": f("20.4 kg"),
            "tare": f("4.2 kg", note="trestle"),
            "raised": f("620 mm"),
        },
        "/craft/as_found/butt_line": side("0 mm ±4 mm"),
        "/craft/as_found/water_line": up("60 mm", "estimated"),
        "/craft/limits/forward": aft("240 mm", "maker"),
        "/craft/limits/aft": aft("400 mm", "maker"),
        "/craft/limits/lemac": aft("40 mm", "maker"),
        "/craft/limits/mac": f("980 mm", "maker"),
        "/craft/limits/gross": f("820 kg", "maker"),
        "/craft/limits/no_wing_fuel": f("820 kg", "maker"),
        "/craft/limits/empty_wanted": f("640 kg"),
        "/craft/limits/category": "utility",
        "/craft/wing": {
            "half_span": f("7.6 m", "maker"),
            "load_factor": f("5.3", "maker"),
            "mass": f("190 kg", "maker"),
            "cg_at": f("2.9 m", "maker"),
        },
        "/craft/tanks/port": _tank("port tank", 1.0, "-1200 mm"),
        "/craft/tanks/starboard": _tank("starboard tank", 2.0, "1200 mm"),
        "/craft/seats/pilot": {
            "name": "pilot",
            "rank": 1.0,
            "lightest": f("60 kg", "estimated"),
            "heaviest": f("110 kg", "maker"),
            **at("360 mm", "-290 mm", "80 mm"),
        },
        "/craft/seats/passenger": {
            "name": "passenger",
            "rank": 2.0,
            "lightest": f("0 kg", "estimated"),
            "heaviest": f("110 kg", "maker"),
            **at("360 mm", "290 mm", "80 mm"),
        },
        "/craft/seats/baggage": {
            "name": "baggage",
            "rank": 3.0,
            "lightest": f("0 kg", "estimated"),
            "heaviest": f("12 kg", "maker"),
            **at("960 mm", "0 mm", "100 mm"),
        },
        "/craft/outline": {
            "nose": ahead("1980 mm"),
            "tail": aft("5320 mm"),
            "top": up("520 mm"),
            "belly": up("-420 mm"),
            "wing": aft("0 mm"),
            "wing_chord": f("1100 mm"),
            "wing_water_line": up("-180 mm"),
            "fin_top": up("940 mm"),
            "wheel": f("400 mm"),
        },
        "/craft/lowest_attitude": f("2°", "estimated"),
        "/craft/gear_drop": f("80 mm", "estimated"),
        "/craft/airspeed": f("185 km/h", "estimated"),
        "/craft/ballast_station": aft("4900 mm"),
        "/craft/stand": ahead("1500 mm"),
        "/old_installations/main": OLD,
        "/loadings/light": _loading("Light pilot alone", 1.0, "62 kg", "0 kg", "0 kg", "20 L"),
        "/loadings/solo": _loading("Heavy pilot, baggage", 2.0, "100 kg", "0 kg", "12 kg", "35 L"),
        "/loadings/two": _loading("Two up", 3.0, "82 kg", "74 kg", "0 kg", "30 L"),
        "/fits/a": {
            "name": "A  packs in the nose",
            "rank": 1.0,
            "fuel": "out",
            "installations": {"main": FIT_A},
            "ledger": _ADDED,
        },
        "/fits/b": {
            "name": "B  packs fore and aft",
            "rank": 2.0,
            "fuel": "out",
            "installations": {"main": FIT_B},
            "ledger": _ADDED,
        },
        **choices.CURLEW,
        **twists.CURLEW,
        "/fits/a/installations/main/systems": GLIDER_MOTOR,
        "/fits/b/installations/main/systems": GLIDER_MOTOR,
    }
    edits = [{"op": "add", "path": path, "value": value} for path, value in values.items()]
    edits += [{"op": "add", "path": f"/ledger/{key}", "value": row} for key, row in _LEDGER.items()]
    return edits


NAME = "Curlew"
