"""Harrow 750: an invented parallel-twin roadster; a 35 kW mid motor with two battery boxes, or an 850 twin, in."""

from __future__ import annotations

from typing import Any

from . import choices
from .around_second import BIKE_TWIN
from .around_wheels import BIKE_MOTOR
from .figures import aft, at, box, cg, f, gears, local, rows, side, size, space, up

NAME = "Harrow 750"


def _mounts(*places: tuple[str, str, str, str, str], strength: str) -> dict[str, Any]:
    return {
        key: {
            "name": name,
            "rank": float(rank),
            "unit_aft": local(x, "aft"),
            "unit_starboard": local(y, "starboard"),
            "unit_up": local(z, "up"),
            "stiffness_axial": f("9 kN/mm", "estimated"),
            "stiffness_radial": f("14 kN/mm", "estimated"),
            "strength": f(strength, "estimated"),
        }
        for rank, (key, name, x, y, z) in enumerate(places)
    }


def _chain(driver: str, driven: str, strength: str, reach: str | None = "32 mm ±1 mm") -> dict[str, Any]:
    return {
        "name": "final chain",
        "rank": 9.0,
        "type": "chain",
        "turning": "keeps",
        "driver_teeth": f(driver),
        "driven_teeth": f(driven),
        "pitch": f("15.875 mm", "maker"),
        "strength": f(strength, "maker"),
        **({"reach": f(reach)} if reach else {}),
    }


_PLACED = {"flange_station": aft("800 mm"), "flange_butt_line": side("-82 mm"), "flange_water_line": up("395 mm")}
_WHEEL = {"width": f("150 mm", "maker"), "aspect": f("70", "maker"), "rim": f("17 in", "maker")}

OLD = {
    "name": "parallel twin, 744 cc",
    "unit": {
        "name": "parallel twin, 744 cc",
        "kind": "four-stroke",
        "cylinders": f("2", "maker"),
        "power": f("38 kW", "maker"),
        "rated_speed": f("7200 rpm", "maker"),
        "peak_torque": f("60 N·m", "maker"),
        "condition": "ready to run",
        "mass": f("71.5 kg ±0.4 kg"),
        **cg("-190 mm", "72 mm", "40 mm"),
        **box("520 mm", "480 mm", "-190 mm", "75 mm"),
    },
    "placement": _PLACED,
    "drive": {
        "stages": {
            "primary": {
                "name": "primary gear",
                "rank": 1.0,
                "type": "gear",
                "ratio": f("1.93", "maker"),
                "turning": "flips",
            },
            "chain": _chain("16", "42", "38 kN", None),
        },
        "gears": gears("2.60", "1.80", "1.40", "1.16", "1.00"),
        "efficiency": f("91 %", "estimated"),
    },
    "wheel": _WHEEL,
    "mount": {
        "mass": f("2.4 kg ±0.1 kg"),
        "points": _mounts(
            ("top", "top", "-210 mm", "82 mm", "300 mm"),
            ("front-port", "front port", "-390 mm", "-40 mm", "-60 mm"),
            ("front-starboard", "front starboard", "-390 mm", "200 mm", "-60 mm"),
            ("rear-port", "rear port", "40 mm", "-40 mm", "20 mm"),
            ("rear-starboard", "rear starboard", "40 mm", "200 mm", "20 mm"),
            strength="42 kN",
        ),
    },
}

FIT_A = {
    "name": "mid motor, 35 kW",
    "unit": {
        "name": "mid motor, 35 kW",
        "rolls": "as the wheels roll",
        "kind": "electric",
        "power": f("21 kW", "maker"),
        "rated_speed": f("4800 rpm", "maker"),
        "peak_power": f("35 kW", "maker"),
        "peak_torque": f("88 N·m", "maker"),
        "peak_time": f("60 s", "maker"),
        "battery_current": f("340 A", "maker"),
        "phase_current": f("550 A", "maker"),
        "unloaded": f("54 rpm ±1 rpm", "maker"),
        "brakes_with": f("60 A", "maker"),
        "winding": f("9 mΩ", "maker"),
        "idle_current": f("4 A", "maker"),
        "voltage_limit": f("126 V", "maker"),
        "condition": "ready to run",
        "mass": f("31.0 kg ±0.2 kg"),
        **cg("-20 mm", "110 mm", "10 mm"),
        **box("300 mm", "290 mm", "-20 mm", "10 mm"),
    },
    "placement": _PLACED,
    "drive": {"stages": {"chain": _chain("13", "58", "38 kN")}, "efficiency": f("96 %", "estimated")},
    "wheel": _WHEEL,
    "packs_joined": "side by side",
    "charger": f("2.2 kW", "maker"),
    "packs": {
        "low": {
            "name": "Box, low",
            "rank": 1.0,
            "mass": f("38.5 kg ±0.2 kg"),
            **at("505 mm", "0 mm", "400 mm"),
            **size("230 mm", "260 mm", "320 mm"),
            "space": "cradle",
            "energy": f("5.4 kWh", "maker"),
            "voltage": f("108 V", "maker"),
            "full_voltage": f("124 V", "maker"),
            "current": f("200 A", "maker"),
            "charge_current": f("60 A", "maker"),
            "resistance": f("38 mΩ"),
        },
        "side": {
            "name": "Box, starboard side",
            "rank": 2.0,
            "mass": f("31.0 kg ±0.2 kg"),
            **at("690 mm", "80 mm", "700 mm", "estimated"),
            **size("260 mm", "220 mm", "270 mm"),
            "space": "spine",
            "energy": f("4.3 kWh", "maker"),
            "voltage": f("108 V", "maker"),
            "full_voltage": f("124 V", "maker"),
            "current": f("160 A", "maker"),
            "charge_current": f("48 A", "maker"),
            "resistance": f("38 mΩ"),
        },
    },
    "mount": {
        "mass": f("5.2 kg ±0.4 kg", "estimated"),
        "points": _mounts(
            ("front-port", "front port", "-170 mm", "-10 mm", "60 mm"),
            ("front-starboard", "front starboard", "-170 mm", "200 mm", "60 mm"),
            ("rear-port", "rear port", "60 mm", "-10 mm", "90 mm"),
            ("rear-starboard", "rear starboard", "60 mm", "200 mm", "90 mm"),
            ("low", "low", "-30 mm", "82 mm", "-150 mm"),
            strength="45 kN",
        ),
    },
    "align": {
        "sprockets": {"first": f("0.6 mm"), "second": f("1.0 mm"), "span": f("100 mm"), "distance": f("560 mm")},
        "wheel": {"inside": f("248 mm"), "hub": f("172 mm"), "rim_offset": f("3 mm"), "target": f("0 mm")},
    },
}

FIT_B = {
    "name": "parallel twin, 850 cc",
    "unit": {
        "name": "parallel twin, 850 cc",
        "rolls": "as the wheels roll",
        "kind": "four-stroke",
        "cylinders": f("2", "maker"),
        "power": f("58 kW", "maker"),
        "rated_speed": f("8000 rpm", "maker"),
        "peak_torque": f("78 N·m", "maker"),
        "condition": "wet",
        "mass": f("68.5 kg ±1.5 kg", "maker"),
        **cg("-185 mm", "76 mm", "48 mm", "maker"),
        **box("500 mm", "470 mm", "-185 mm", "80 mm"),
    },
    "placement": _PLACED,
    "drive": {
        "stages": {
            "primary": {
                "name": "primary gear",
                "rank": 1.0,
                "type": "gear",
                "ratio": f("1.78", "maker"),
                "turning": "flips",
            },
            "chain": _chain("16", "43", "42 kN"),
        },
        "gears": gears("2.77", "2.00", "1.55", "1.28", "1.12", "1.00"),
        "box_turning": "flips",
        "efficiency": f("91 %", "estimated"),
    },
    "wheel": _WHEEL,
    "mount": {
        "mass": f("3.6 kg ±0.2 kg"),
        "points": _mounts(
            ("top", "top", "-200 mm", "82 mm", "310 mm"),
            ("front-port", "front port", "-400 mm", "-40 mm", "-70 mm"),
            ("front-starboard", "front starboard", "-400 mm", "200 mm", "-70 mm"),
            ("rear-port", "rear port", "40 mm", "-40 mm", "30 mm"),
            ("rear-starboard", "rear starboard", "40 mm", "200 mm", "30 mm"),
            strength="44 kN",
        ),
    },
    "align": {
        "sprockets": {"first": f("0.2 mm"), "second": f("0.3 mm"), "span": f("100 mm"), "distance": f("580 mm")},
        "wheel": {"inside": f("248 mm"), "hub": f("172 mm"), "rim_offset": f("3 mm"), "target": f("0 mm")},
    },
}

_LEDGER = rows(
    ("old-exhaust", "removed", "Old exhaust pipes and silencers", f("13.2 kg ±0.1 kg"), at("900 mm", "0 mm", "330 mm")),
)
_SPACES = {
    "cradle": space("front of the cradle", 1.0, ("385 mm", "625 mm"), ("-150 mm", "150 mm"), ("235 mm", "600 mm")),
    "spine": space("where the tank was", 2.0, ("540 mm", "900 mm"), ("-190 mm", "190 mm"), ("552 mm", "850 mm")),
}
_FIT_A_LEDGER = rows(
    ("old-tank", "removed", "Fuel tank, empty", f("6.4 kg ±0.1 kg"), at("560 mm", "0 mm", "860 mm")),
    (
        "controller",
        "installed",
        "Controller, contactor, converter",
        f("9.8 kg ±0.3 kg"),
        at("760 mm", "-40 mm", "720 mm"),
    ),
    (
        "cover",
        "installed",
        "Dummy tank and charge socket",
        f("3.6 kg ±0.3 kg", "estimated"),
        at("560 mm", "0 mm", "880 mm", "estimated"),
    ),
)
_FIT_B_LEDGER = rows(
    (
        "exhaust",
        "installed",
        "New exhaust, complete",
        f("9.9 kg ±0.3 kg", "maker"),
        at("930 mm", "60 mm", "320 mm", "estimated"),
    ),
)


def _loading(name: str, rank: float, rider: str, passenger: str, fuel: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "loads": {"rider": f(rider, "estimated"), "passenger": f(passenger, "estimated")},
        "fuel": {"main": f(fuel, "estimated")},
    }


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document of its kind."""
    wheel = lambda name, rank, role, x, radius, reading, index: {
        "name": name,
        "rank": rank,
        "role": role,
        "station": aft(x),
        "water_line": up("0 mm"),
        "radius": f(radius),
        "reading": f(reading),
        "tare": f("0 kg"),
        "load_index": f(index),
    }
    values: dict[str, Any] = {
        "/craft/description": "Parallel-twin roadster",
        "/craft/layout": "two wheels",
        "/craft/datum_note": "Datum: front axle",
        "/craft/levelling_note": "Upright, both wheels on one level, suspension held",
        "/craft/supports/front": wheel("front wheel", 1.0, "front", "0 mm", "302 mm", "97.2 kg", "58"),
        "/craft/supports/rear": wheel("rear wheel", 2.0, "rear", "1435 mm", "306 mm", "104.6 kg", "69"),
        "/craft/as_found/butt_line": side("2 mm"),
        "/craft/as_found/raised": {"end": "front", "lift": f("420 mm"), "reading": f("118.6 kg")},
        "/craft/limits/gross": f("390 kg", "maker"),
        "/craft/limits/front_axle": f("165 kg", "maker"),
        "/craft/limits/rear_axle": f("250 kg", "maker"),
        "/craft/road": {
            "drag_area": f("0.46 m²", "estimated"),
            "rolling": f("0.015", "estimated"),
            "grip": f("0.9", "estimated"),
            "cruise": f("80 km/h"),
            "until": f("80 km/h"),
            "cycle": "town, elementary urban cycle",
            "regains": f("50 %", "estimated"),
        },
        "/craft/stand": aft("905 mm"),
        "/craft/steering": {
            "rake": f("25.5°", "maker"),
            "offset": f("35 mm", "maker"),
            "pivot_station": aft("905 mm"),
            "pivot_water_line": up("400 mm"),
        },
        "/craft/outline": {
            "seat": aft("905 mm"),
            "seat_top": up("795 mm"),
            "top": up("1060 mm"),
            "belly": up("185 mm"),
            "tail": aft("1700 mm"),
        },
        "/craft/tanks/main": {
            "name": "tank",
            "rank": 1.0,
            "capacity": f("15 L", "maker"),
            "density": f("745 kg/m³", "maker"),
            **at("560 mm", "0 mm", "870 mm"),
        },
        "/craft/seats/rider": {"name": "rider", "rank": 1.0, **at("870 mm", "0 mm", "1000 mm", "estimated")},
        "/craft/seats/passenger": {"name": "passenger", "rank": 2.0, **at("1180 mm", "0 mm", "1060 mm", "estimated")},
        "/loadings/solo": _loading("Rider alone", 1, "82 kg", "0 kg", "0 L"),
        "/loadings/two-up": _loading("Two up", 2, "82 kg", "70 kg", "0 L"),
        "/old_installations/main": OLD,
        "/ledger": _LEDGER,
        "/fits/a": {
            "name": "Mid motor",
            "rank": 1.0,
            "installations": {"main": FIT_A},
            "ledger": _FIT_A_LEDGER,
            "spaces": _SPACES,
        },
        "/fits/b": {"name": "850 twin", "rank": 2.0, "installations": {"main": FIT_B}, "ledger": _FIT_B_LEDGER},
        **choices.HARROW,
        "/fits/a/installations/main/systems": BIKE_MOTOR,
        "/fits/b/installations/main/systems": BIKE_TWIN,
    }
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
