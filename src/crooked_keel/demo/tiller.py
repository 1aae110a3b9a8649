"""Tiller: an invented three-wheeled cargo microvan, 547 cc twin out; an industrial vee-twin with a variator and a
chain, or an axle with its own motor, in."""

from __future__ import annotations

from typing import Any

from . import choices
from .around_second import VAN_AXLE
from .around_wheels import VAN_TWIN
from .figures import aft, at, box, cg, f, gears, local, rows, side, size, space, up
from .tiller_ways import OPTIONS, OPTIONS_NEED

NAME = "Tiller"


def _mount(
    name: str, rank: float, x: str, y: str, z: str, axis: str, along: str, across: str, strength: str
) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "unit_aft": local(x, "aft"),
        "unit_starboard": local(y, "starboard"),
        "unit_up": local(z, "up"),
        "axis": axis,
        "stiffness_axial": f(along, "estimated"),
        "stiffness_radial": f(across, "estimated"),
        "strength": f(strength, "estimated"),
    }


def _three(x: str, strength: str) -> dict[str, Any]:
    return {
        "port": _mount("port", 1.0, x, "-260 mm", "120 mm", "up and down", "250 N/mm", "900 N/mm", strength),
        "starboard": _mount("starboard", 2.0, x, "300 mm", "100 mm", "up and down", "250 N/mm", "900 N/mm", strength),
        "rod": _mount("torque rod", 3.0, "180 mm", "20 mm", "-150 mm", "fore and aft", "3 kN/mm", "150 N/mm", strength),
    }


def _shaft(
    name: str, rank: float, behind: str, torque: str, across: str, length: str, yields: str, made: str = "in one piece"
) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "behind": f(behind),
        "torque": torque,
        "diameter": f(f"{across} ±0.05 mm"),
        "inside": f("0 mm"),
        "length": f(length),
        "yields": f(yields, "maker"),
        "made": made,
    }


_HALF = "half, by an open differential"
_PLACED = {"flange_station": aft("1900 mm"), "flange_butt_line": side("0 mm"), "flange_water_line": up("262 mm")}
_WHEEL = {"width": f("135 mm", "maker"), "aspect": f("80", "maker"), "rim": f("12 in", "maker")}
_FINAL = {
    "final": {"name": "final drive", "rank": 9.0, "type": "bevel", "ratio": f("4.9", "maker"), "turning": "flips"}
}

OLD: dict[str, Any] = {
    "name": "twin, 547 cc, with its box",
    "unit": {
        "name": "twin, 547 cc, with its box",
        "kind": "four-stroke",
        "cylinders": f("2", "maker"),
        "power": f("20 kW", "maker"),
        "rated_speed": f("5500 rpm", "maker"),
        "peak_torque": f("42 N·m", "maker"),
        "condition": "ready to run",
        "mass": f("98 kg ±0.5 kg"),
        **cg("-70 mm", "-60 mm", "60 mm"),
        **box("520 mm", "520 mm", "-70 mm", "90 mm"),
    },
    "placement": _PLACED,
    "drive": {
        "stages": _FINAL,
        "gears": gears("3.6", "2.2", "1.45", "1.0"),
        "efficiency": f("88 %", "estimated"),
        "reverse": "box",
    },
    "wheel": _WHEEL,
    "mount": {
        "mass": f("6 kg ±0.5 kg"),
        "points": _three("0 mm", "30 kN"),
        "face": {"overhang": f("160 mm"), "bolts": f("6"), "bolt_circle": f("300 mm"), "support_behind": f("100 mm")},
    },
}

FIT_A = {
    "name": "industrial vee-twin, 690 cc",
    "unit": {
        "name": "industrial vee-twin, 690 cc",
        "rolls": "against them",
        "kind": "four-stroke",
        "cylinders": f("2", "maker"),
        "power": f("15.6 kW", "maker"),
        "rated_speed": f("3600 rpm", "maker"),
        "peak_torque": f("48 N·m", "maker"),
        "condition": "dry",
        "mass": f("46 kg ±1 kg", "maker"),
        **cg("-190 mm", "40 mm", "60 mm", "maker"),
        **box("400 mm", "430 mm", "-190 mm", "80 mm"),
    },
    "placement": {
        "flange_station": aft("1420 mm"),
        "flange_butt_line": side("-70 mm"),
        "flange_water_line": up("330 mm"),
    },
    "drive": {
        "stages": {
            "variator": {
                "name": "variator",
                "rank": 1.0,
                "type": "variator",
                "ratio": f("0.8", "maker"),
                "low": f("3.0", "maker"),
                "home": f("2600 rpm", "maker"),
            },
            "primary": {
                "name": "jackshaft gear",
                "rank": 2.0,
                "type": "gear",
                "ratio": f("1.6", "maker"),
                "turning": "flips",
            },
            "chain": {
                "name": "chain to the differential",
                "rank": 9.0,
                "type": "chain",
                "turning": "keeps",
                "reach": f("18 mm ±1 mm"),
                "driver_teeth": f("15"),
                "driven_teeth": f("45"),
                "pitch": f("15.875 mm", "maker"),
                "strength": f("42 kN", "maker"),
            },
        },
        "cross": {
            "jackshaft": _shaft("jackshaft", 1.0, "2", "all of it", "25 mm", "620 mm", "400 MPa"),
            "port": {
                **_shaft(
                    "port half shaft",
                    2.0,
                    "3",
                    "half, by an open differential",
                    "22 mm",
                    "480 mm",
                    "420 MPa",
                    "spliced",
                ),
                "weld_radius": f("13 mm"),
                "weld_leg": f("6 mm"),
                "plugs": f("4"),
                "plug": f("8 mm"),
                "plug_radius": f("11 mm"),
                "answered": "by nobody yet",
            },
        },
        "options": OPTIONS,
        "options_need": OPTIONS_NEED,
        "efficiency": f("82 %", "estimated"),
        "reverse": "electric",
    },
    "wheel": _WHEEL,
    "mount": {"mass": f("9 kg ±1 kg", "estimated"), "points": _three("-210 mm", "26 kN")},
    "align": {"sprockets": {"first": f("0.4 mm"), "second": f("0.5 mm"), "span": f("100 mm"), "distance": f("480 mm")}},
}

FIT_B = {
    "name": "axle with its own motor, 22 kW",
    "unit": {
        "name": "axle with its own motor, 22 kW",
        "rolls": "against them",
        "kind": "electric",
        "power": f("13 kW", "maker"),
        "rated_speed": f("4800 rpm", "maker"),
        "peak_power": f("22 kW", "maker"),
        "peak_torque": f("58 N·m", "maker"),
        "peak_time": f("90 s", "maker"),
        "battery_current": f("320 A", "maker"),
        "voltage_limit": f("120 V", "maker"),
        "unloaded": f("48 rpm ±1 rpm", "maker"),
        "brakes_with": f("70 A", "maker"),
        "condition": "ready to run",
        "mass": f("54 kg ±0.4 kg", note="motor, reduction and carrier"),
        **cg("-30 mm", "-30 mm", "15 mm"),
        **box("360 mm", "340 mm", "-30 mm", "30 mm"),
    },
    "placement": _PLACED,
    "drive": {
        "stages": {
            "final": {
                "name": "reduction in the axle",
                "rank": 9.0,
                "type": "gear",
                "ratio": f("5.4", "maker"),
                "turning": "flips",
            }
        },
        "cross": {
            side: _shaft(f"{side} half shaft", float(i), "1", _HALF, "26 mm", "510 mm", "420 MPa")
            for i, side in enumerate(("port", "starboard"))
        },
        "efficiency": f("92 %", "estimated"),
        "reverse": "electric",
    },
    "wheel": _WHEEL,
    "packs_joined": "side by side",
    "charger": f("1.8 kW", "maker"),
    "packs": {
        "port": {
            "name": "Pack, port sill",
            "rank": 1.0,
            "mass": f("46 kg ±0.3 kg"),
            **at("980 mm", "-420 mm", "250 mm"),
            **size("520 mm", "250 mm", "170 mm"),
            "space": "port",
            "energy": f("6.2 kWh", "maker"),
            "voltage": f("102 V", "maker"),
            "full_voltage": f("118 V", "maker"),
            "current": f("180 A", "maker"),
            "charge_current": f("54 A", "maker"),
        },
        "starboard": {
            "name": "Pack, starboard sill",
            "rank": 2.0,
            "mass": f("46 kg ±0.3 kg"),
            **at("980 mm", "420 mm", "250 mm"),
            **size("520 mm", "250 mm", "170 mm"),
            "space": "starboard",
            "energy": f("6.2 kWh", "maker"),
            "voltage": f("102 V", "maker"),
            "full_voltage": f("118 V", "maker"),
            "current": f("180 A", "maker"),
            "charge_current": f("54 A", "maker"),
        },
    },
    "mount": {
        "mass": f("7 kg ±0.5 kg"),
        "points": _three("0 mm", "30 kN"),
    },
    "align": {
        "joints_phased": "each on a shaft of its own",
        "joints": {
            "port": {"name": "half-shaft, port", "rank": 1.0, "side": f("4°"), "plan": f("2°"), "speed": f("900 rpm")},
            "starboard": {
                "name": "half-shaft, starboard",
                "rank": 2.0,
                "side": f("4°"),
                "plan": f("2.5°"),
                "speed": f("900 rpm"),
            },
        },
    },
}

FIT_C = {
    "name": "twin, 547 cc, with a motor on its crank",
    "unit": {
        **OLD["unit"],
        "name": "twin, 547 cc, with a motor on its crank",
        "rolls": "its crank lies along the craft",
        "mass": f("112 kg ±1 kg", "estimated", note="the twin and its box, a motor of 11 kg, its plate and coupling"),
    },
    "placement": _PLACED,
    "drive": {
        "stages": {
            "crossed": {
                "name": "crossed belt to the box",
                "rank": 1.0,
                "type": "crossed belt",
                "order": f("1"),
                "ratio": f("1.25", "maker"),
                "pulley": f("120 mm", "maker"),
                "centres": f("420 mm"),
                "strength": f("24 kN", "maker"),
            },
            "final": {**_FINAL["final"], "order": f("2"), "ratio": f("4.1", "maker")},
        },
        "gears": gears("3.6", "2.2", "1.45", "1.0"),
        "box_turning": "keeps",
        "box_behind": f("1"),
        "box_takes": f("70 N·m", "maker"),
        "box_turns": f("5600 rpm", "maker"),
        "helper": {
            "fitted": "on the crank",
            "torque": f("26 N·m", "maker"),
            "lasting": f("12 N·m", "maker"),
            "unloaded": f("62 rpm ±1 rpm", "maker"),
            "drags": f("0.9 N·m", "maker"),
            "limiter": f("5900 rpm", "maker"),
            "stands": f("120 V", "maker"),
            "full": f("84 V", "maker"),
            "weakest": f("60 N·m", "maker"),
            "apart": "no clutch between",
            "helps_for": f("18 s"),
            "helps_with": f("24 N·m", "estimated"),
            "helps_at": f("4200 rpm", "estimated"),
            "charges_for": f("25 s"),
            "charges_with": f("8 N·m", "estimated"),
            "charges_at": f("3800 rpm", "estimated"),
            "energy": f("1.4 kWh", "maker"),
            "used": f("80 %", "estimated"),
            "passes": f("86 %", "estimated"),
            "rounds": f("12"),
        },
        "efficiency": f("84 %", "estimated"),
        "reverse": "box",
    },
    "wheel": _WHEEL,
    "mount": {"mass": f("7 kg ±0.5 kg"), "points": _three("0 mm", "30 kN")},
}

_LEDGER = rows(
    ("radiator", "removed", "Old radiator and hoses, filled", f("11.5 kg ±0.2 kg"), at("1550 mm", "350 mm", "420 mm")),
    ("exhaust", "removed", "Old exhaust", f("8.8 kg ±0.2 kg"), at("2150 mm", "200 mm", "240 mm")),
)
_FIT_A_LEDGER = rows(
    (
        "differential",
        "installed",
        "Chain differential and carrier",
        f("21 kg ±0.5 kg"),
        at("1900 mm", "0 mm", "262 mm"),
    ),
    (
        "radiator",
        "installed",
        "Oil cooler, fan cowl and duct",
        f("4.2 kg ±0.5 kg", "estimated"),
        at("1200 mm", "250 mm", "420 mm", "estimated"),
    ),
    ("exhaust", "installed", "Exhaust", f("9 kg ±1 kg", "estimated"), at("1750 mm", "250 mm", "260 mm", "estimated")),
    ("reverse", "installed", "Electric reverse", f("6.5 kg ±0.3 kg"), at("1850 mm", "-200 mm", "300 mm")),
)
_SPACES = {
    "port": space("port sill", 1.0, ("420 mm", "1500 mm"), ("-600 mm", "-280 mm"), ("160 mm", "380 mm")),
    "starboard": space("starboard sill", 2.0, ("420 mm", "1500 mm"), ("280 mm", "600 mm"), ("160 mm", "380 mm")),
}
_FIT_B_LEDGER = rows(
    ("tank", "removed", "Fuel tank, drained", f("3.6 kg ±0.2 kg"), at("1500 mm", "-300 mm", "350 mm")),
    ("controller", "installed", "Controller, charger, heater", f("18 kg ±0.5 kg"), at("1650 mm", "0 mm", "520 mm")),
)


def _loading(name: str, rank: float, driver: str, load: str) -> dict[str, Any]:
    loads = {"driver": f(driver, "estimated"), "load": f(load, "estimated")}
    return {"name": name, "rank": rank, "loads": loads, "fuel": {"main": f("14 L", "estimated")}}


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document of its kind."""
    wheel = lambda name, rank, role, x, y, reading: {
        "name": name,
        "rank": rank,
        "role": role,
        "station": aft(x),
        "butt_line": side(y),
        "water_line": up("0 mm"),
        "radius": f("255 mm"),
        "reading": f(reading),
        "tare": f("0 kg"),
        "load_index": f("73"),
    }
    values: dict[str, Any] = {
        "/craft/description": "Three-wheeled cargo microvan",
        "/craft/layout": "one front wheel",
        "/craft/datum_note": "Datum: front axle",
        "/craft/levelling_note": "On level scales, sill level",
        "/craft/supports/front": wheel("front wheel", 1.0, "front", "0 mm", "0 mm", "131.5 kg"),
        "/craft/supports/port-rear": wheel("port rear wheel", 2.0, "rear", "1910 mm", "-690 mm", "152.0 kg"),
        "/craft/supports/starboard-rear": wheel("starboard rear wheel", 3.0, "rear", "1910 mm", "690 mm", "156.5 kg"),
        "/craft/as_found/water_line": up("385 mm", "estimated"),
        "/craft/limits/gross": f("820 kg", "maker"),
        "/craft/limits/front_axle": f("290 kg", "maker"),
        "/craft/limits/rear_axle": f("640 kg", "maker"),
        "/craft/road": {
            "drag_area": f("0.82 m²", "estimated"),
            "rolling": f("0.015", "estimated"),
            "grip": f("0.8", "estimated"),
            "cruise": f("60 km/h"),
            "until": f("50 km/h"),
            "cycle": "town, elementary urban cycle",
            "regains": f("50 %", "estimated"),
            "driven": "rear",
        },
        "/craft/outline": {"nose": aft("-360 mm"), "tail": aft("2480 mm"), "top": up("1640 mm"), "belly": up("190 mm")},
        "/craft/seats/driver": {"name": "driver", "rank": 1.0, **at("620 mm", "0 mm", "690 mm", "estimated")},
        "/craft/seats/load": {"name": "load bed", "rank": 2.0, **at("1560 mm", "0 mm", "540 mm", "estimated")},
        "/craft/tanks/main": {
            "name": "tank",
            "rank": 1.0,
            "capacity": f("16 L", "maker"),
            "density": f("745 kg/m³", "maker"),
            **at("1500 mm", "-300 mm", "350 mm"),
        },
        "/loadings/driver": _loading("Driver alone", 1, "78 kg", "0 kg"),
        "/loadings/loaded": _loading("Loaded", 2, "78 kg", "220 kg"),
        "/old_installations/main": OLD,
        "/ledger": _LEDGER,
        "/fits/a": {"name": "Industrial twin", "rank": 1.0, "installations": {"main": FIT_A}, "ledger": _FIT_A_LEDGER},
        "/fits/b": {
            "name": "Motor in the axle",
            "rank": 2.0,
            "fuel": "out",
            "installations": {"main": FIT_B},
            "ledger": _FIT_B_LEDGER,
            "spaces": _SPACES,
        },
        "/fits/c": {"name": "Motor on the crank", "rank": 3.0, "installations": {"main": FIT_C}},
        **choices.TILLER,
        "/fits/a/installations/main/systems": VAN_TWIN,
        "/fits/b/installations/main/systems": VAN_AXLE,
    }
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
