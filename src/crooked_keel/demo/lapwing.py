"""Lapwing: an invented tandem parasol tailwheel aeroplane, 65 hp flat-four out; two candidates in."""

from __future__ import annotations

from typing import Any

from . import choices, twists
from .around import PLANE_THREE
from .around_second import PLANE_TWIN
from .figures import aft, ahead, at, f, rows, side, up


def four_points(x: str, y: str, low: str, high: str, source: str, strength: str) -> dict[str, Any]:
    """Four mount points round a shaft, from the unit's flange, with the firewall of an aeroplane behind them."""
    made: dict[str, Any] = {}
    corners = (
        ("top-port", "top port", -1, 1),
        ("top-starboard", "top starboard", 1, 1),
        ("low-starboard", "low starboard", 1, -1),
        ("low-port", "low port", -1, -1),
    )
    for rank, (key, name, way, height) in enumerate(corners):
        made[key] = {
            "name": name,
            "rank": float(rank),
            "unit_aft": aft(x, source, "unit flange"),
            "unit_starboard": side(y if way > 0 else f"-{y}", source),
            "unit_up": up(high if height > 0 else low, source),
            "structure_butt_line": side("260 mm" if way > 0 else "-260 mm"),
            "structure_water_line": up("215 mm" if height > 0 else "-235 mm"),
            "stiffness_axial": f("420 N/mm", "maker"),
            "stiffness_radial": f("300 N/mm", "maker"),
            "strength": f(strength, "estimated"),
        }
        for part in ("unit_starboard", "unit_up", "unit_aft"):
            made[key][part]["from"] = "unit flange"
    return made


def installation(
    name: str,
    unit: dict[str, Any],
    placement: dict[str, Any],
    drive: dict[str, Any],
    propeller: dict[str, Any],
    mount: dict[str, Any],
) -> dict[str, Any]:
    """An installation of an aeroplane, the unit's measures from its flange."""
    for part in ("cg_aft", "cg_starboard", "cg_up", "box_up"):
        unit[part]["from"] = "unit flange"
    return {
        "name": name,
        "unit": {"name": name, **unit},
        "lies": "aft of its flange",
        "placement": placement,
        "drive": drive,
        "propeller": propeller,
        "mount": mount,
    }


OLD = installation(
    "flat-four, 65 hp",
    {
        "kind": "four-stroke",
        "cylinders": f("4", "maker"),
        "power": f("65 hp", "maker"),
        "rated_speed": f("2300 rpm", "maker"),
        "turns": "clockwise",
        "condition": "ready to run",
        "mass": f("77.1 kg ±0.3 kg"),
        "cg_aft": aft("365 mm"),
        "cg_starboard": side("4 mm"),
        "cg_up": up("-20 mm"),
        "length": f("720 mm"),
        "height": f("460 mm"),
        "box_up": up("-40 mm"),
        "rear_radius": f("150 mm"),
    },
    {
        "flange_station": ahead("36 5/8 in ±1/16 in"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("30 mm"),
        "down": f("0°"),
        "right": f("0°"),
    },
    {},
    {
        "diameter": f("72 in"),
        "blades": f("2"),
        "mass": f("5.0 kg ±0.1 kg"),
        "inertia": f("0.55 kg·m²", "estimated"),
        "turns": "clockwise",
        "spacer": f("0 mm"),
    },
    {
        "mass": f("3.2 kg ±0.1 kg"),
        "thrust": f("1450 N", "estimated"),
        "points": four_points("700 mm", "115 mm", "-105 mm", "105 mm", "measured", "9000 N"),
    },
)

FIT_A = installation(
    "inline-three, belt",
    {
        "kind": "four-stroke",
        "cylinders": f("3", "maker"),
        "power": f("92 hp", "maker"),
        "rated_speed": f("5600 rpm", "maker"),
        "turns": "clockwise",
        "condition": "wet",
        "mass": f("74.0 kg ±0.8 kg"),
        "cg_aft": aft("245 mm ±4 mm"),
        "cg_starboard": side("12 mm ±4 mm"),
        "cg_up": up("35 mm ±6 mm"),
        "length": f("520 mm"),
        "height": f("560 mm"),
        "box_up": up("60 mm"),
        "rear_radius": f("150 mm"),
    },
    {
        "flange_station": ahead("795 mm", "estimated"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("85 mm"),
        "down": f("2°"),
        "right": f("1.5°"),
    },
    {
        "stages": {
            "belt": {
                "name": "toothed belt",
                "type": "belt",
                "driver_teeth": f("35"),
                "driven_teeth": f("85"),
                "turning": "keeps",
                "offset_up": f("146 mm", "maker", **{"from": "driving shaft"}),
                "offset_starboard": f("0 mm", "maker", **{"from": "driving shaft"}),
            }
        },
        "mass": f("11.4 kg ±0.2 kg"),
        "cg_aft": aft("45 mm", origin="output flange"),
        "length": f("110 mm"),
    },
    {
        "diameter": f("1980 mm", "maker"),
        "blades": f("3"),
        "mass": f("8.1 kg ±0.4 kg", "maker"),
        "inertia": f("0.85 kg·m²", "maker"),
        "turns": "clockwise",
        "spacer": f("60 mm"),
    },
    {
        "mass": f("4.1 kg ±0.6 kg", "estimated"),
        "thrust": f("1900 N", "estimated"),
        "points": four_points("400 mm", "165 mm", "-95 mm", "150 mm", "measured", "9000 N"),
    },
)

FIT_B = installation(
    "flat-twin, direct",
    {
        "kind": "four-stroke",
        "cylinders": f("2", "maker"),
        "power": f("75 hp", "maker"),
        "rated_speed": f("2700 rpm", "maker"),
        "turns": "clockwise",
        "condition": "wet",
        "mass": f("66.2 kg ±0.3 kg"),
        "cg_aft": aft("290 mm ±3 mm"),
        "cg_starboard": side("-3 mm ±3 mm"),
        "cg_up": up("-15 mm ±4 mm"),
        "length": f("560 mm"),
        "height": f("400 mm"),
        "box_up": up("-10 mm"),
        "rear_radius": f("140 mm"),
    },
    {
        "flange_station": ahead("900 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("40 mm"),
        "down": f("1°"),
        "right": f("1°"),
    },
    {},
    {
        "diameter": f("1680 mm", "maker"),
        "blades": f("3"),
        "mass": f("5.6 kg ±0.1 kg"),
        "inertia": f("0.42 kg·m²", "maker"),
        "turns": "clockwise",
        "spacer": f("50 mm"),
    },
    {
        "mass": f("4.4 kg ±0.1 kg"),
        "thrust": f("1550 N", "estimated"),
        "points": four_points("540 mm", "190 mm", "-150 mm", "150 mm", "measured", "14 kN"),
    },
)


_LEDGER = rows(
    ("old-baffles", "removed", "Cooling baffles and cowl top", f("3.4 kg ±0.1 kg"), at("-420 mm", "0 mm", "190 mm")),
    (
        "old-exhaust",
        "removed",
        "Exhaust stacks and heat muff",
        f("2.9 kg ±0.1 kg"),
        at("-380 mm", "20 mm", "-160 mm"),
    ),
)
_FIT_A_LEDGER = rows(
    (
        "radiator",
        "installed",
        "Radiator and hoses, filled",
        f("4.6 kg ±1.0 kg", "hearsay"),
        at("-300 mm", "0 mm", "-210 mm", "estimated"),
    ),
    (
        "exhaust",
        "installed",
        "Exhaust and silencer",
        f("5.2 kg ±0.4 kg", "estimated"),
        at("-340 mm", "-110 mm", "-150 mm", "estimated"),
    ),
    ("cowl", "installed", "New cowl", f("5.1 kg ±0.5 kg", "estimated"), at("-430 mm", "0 mm", "20 mm", "estimated")),
    ("battery", "installed", "Battery", f("6.2 kg ±0.1 kg"), at("300 mm", "180 mm", "60 mm")),
    ("pump", "installed", "Fuel pumps and filters", f("1.3 kg ±0.1 kg"), at("60 mm", "-120 mm", "-190 mm")),
)
_FIT_B_LEDGER = rows(
    ("exhaust", "installed", "Exhaust", f("3.1 kg ±0.1 kg"), at("-420 mm", "0 mm", "-170 mm")),
    ("cowl", "installed", "New cowl", f("4.4 kg ±0.2 kg"), at("-480 mm", "0 mm", "20 mm")),
    ("battery", "installed", "Battery", f("4.8 kg ±0.1 kg"), at("-90 mm", "170 mm", "80 mm")),
)


def _loading(name: str, rank: float, front: str, rear: str, bag: str, fuel: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "loads": {"front": f(front, "estimated"), "rear": f(rear, "estimated"), "baggage": f(bag, "estimated")},
        "fuel": {"header": f(fuel, "estimated")},
    }


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document."""
    values: dict[str, Any] = {
        "/craft/description": "Tandem parasol, tailwheel",
        "/craft/datum_note": "Datum: firewall face",
        "/craft/levelling_note": "Level on the upper longeron, tail on a trestle",
        "/craft/layout": "tailwheel",
        "/craft/references/firewall": {"name": "firewall", "rank": 1.0, "station": aft("0 mm")},
        "/craft/references/leading-edge": {"name": "wing leading edge", "rank": 2.0, "station": aft("11 in")},
        "/craft/supports/main-port": {
            "name": "port main",
            "rank": 1.0,
            "role": "main",
            "station": aft("340 mm"),
            "butt_line": side("-870 mm"),
            "water_line": up("-1180 mm"),
            "reading": f("163.2 kg"),
            "tare": f("1.1 kg"),
        },
        "/craft/supports/main-starboard": {
            "name": "starboard main",
            "rank": 2.0,
            "role": "main",
            "station": aft("340 mm"),
            "butt_line": side("870 mm"),
            "water_line": up("-1180 mm"),
            "reading": f("162.4 kg"),
            "tare": f("1.1 kg"),
        },
        "/craft/supports/tail": {
            "name": "tail wheel",
            "rank": 3.0,
            "role": "tail",
            "station": aft("5120 mm"),
            "butt_line": side("0 mm"),
            "water_line": up("-1180 mm"),
            "reading": f("24.9 kg"),
            "tare": f("3.4 kg", note="trestle"),
            "raised": f("960 mm"),
        },
        "/craft/as_found/corrections/unusable": {
            "name": "Unusable fuel, drained",
            "rank": 1.0,
            "action": "add",
            "mass": f("1.4 kg", "maker"),
            **at("240 mm", "0 mm", "60 mm", "maker"),
        },
        "/craft/as_found/corrections/tools": {
            "name": "Tool roll, aboard",
            "rank": 2.0,
            "action": "remove",
            "mass": f("2.1 kg"),
            **at("2100 mm", "0 mm", "-50 mm"),
        },
        "/craft/as_found/water_line": up("20 mm", "estimated"),
        "/craft/as_found/empty_includes": "full oil",
        "/craft/limits/envelope": [
            {"station": aft(x, "maker"), "mass": f(m, "maker")}
            for x, m in (
                ("570 mm", "330 kg"),
                ("570 mm", "450 kg"),
                ("600 mm", "550 kg"),
                ("860 mm", "550 kg"),
                ("860 mm", "330 kg"),
            )
        ],
        "/craft/limits/gross": f("550 kg", "maker"),
        "/craft/limits/port": side("-40 mm", "maker"),
        "/craft/limits/starboard": side("40 mm", "maker"),
        "/craft/limits/category": "very light",
        "/craft/tanks/header": {
            "name": "header tank",
            "rank": 1.0,
            "capacity": f("45 L", "maker"),
            "density": f("720 kg/m³", "maker"),
            **at("240 mm", "0 mm", "120 mm"),
        },
        "/craft/seats/front": {
            "name": "front seat",
            "rank": 1.0,
            "lightest": f("55 kg", "estimated"),
            "heaviest": f("110 kg", "estimated"),
            **at("620 mm", "0 mm", "0 mm"),
        },
        "/craft/seats/rear": {
            "name": "rear seat",
            "rank": 2.0,
            "lightest": f("0 kg", "estimated"),
            "heaviest": f("86 kg", "estimated"),
            **at("1420 mm", "0 mm", "20 mm"),
        },
        "/craft/seats/baggage": {
            "name": "baggage",
            "rank": 3.0,
            "lightest": f("0 kg", "estimated"),
            "heaviest": f("10 kg", "maker"),
            **at("2100 mm", "0 mm", "0 mm"),
        },
        "/craft/outline": {
            "nose": ahead("990 mm"),
            "tail": aft("5340 mm"),
            "top": up("300 mm"),
            "belly": up("-420 mm"),
            "wing": aft("0 in", origin="leading-edge"),
            "wing_chord": f("1450 mm"),
            "wing_water_line": up("720 mm"),
            "fin_top": up("700 mm"),
            "wheel": f("480 mm"),
        },
        "/craft/lowest_attitude": f("2°", "estimated"),
        "/craft/gear_drop": f("95 mm", "estimated"),
        "/craft/airspeed": f("165 km/h", "estimated"),
        "/craft/ballast_station": aft("4880 mm"),
        "/old_installations/main": OLD,
        "/loadings/light": _loading("Light pilot alone", 1.0, "62 kg", "0 kg", "0 kg", "45 L"),
        "/loadings/solo": _loading("Pilot alone in front", 2.0, "85 kg", "0 kg", "0 kg", "45 L"),
        "/loadings/two": _loading("Two up, half fuel", 3.0, "77 kg", "72 kg", "0 kg", "20 L"),
        "/loadings/rear": _loading("Two up, light in front, baggage", 4.0, "60 kg", "86 kg", "10 kg", "20 L"),
        "/fits/a": {
            "name": "A  inline-three, belt",
            "rank": 1.0,
            "installations": {"main": FIT_A},
            "ledger": _FIT_A_LEDGER,
        },
        "/fits/b": {
            "name": "B  flat-twin, direct",
            "rank": 2.0,
            "installations": {"main": FIT_B},
            "ledger": _FIT_B_LEDGER,
        },
        **choices.LAPWING,
        **twists.LAPWING,
        "/fits/a/installations/main/systems": PLANE_THREE,
        "/fits/b/installations/main/systems": PLANE_TWIN,
    }
    edits = [{"op": "add", "path": path, "value": value} for path, value in values.items()]
    edits += [{"op": "add", "path": f"/ledger/{key}", "value": row} for key, row in _LEDGER.items()]
    return edits


NAME = "Lapwing"
