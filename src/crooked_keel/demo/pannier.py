"""Pannier: an invented 90 cc step-through delivery scooter; a 170 cc swing unit in a stretched frame, or a 4 kW
swing-arm motor, in."""

from __future__ import annotations

from typing import Any

from . import choices
from .around_second import SCOOTER_ARM
from .around_wheels import SCOOTER_UNIT
from .figures import aft, at, box, cg, f, rows, side, size, space, up

NAME = "Pannier"


def _swing(
    pivot: tuple[str, str],
    lower: tuple[str, str],
    upper: tuple[str, str],
    mass: str,
    at_cg: tuple[str, str],
    **more: Any,
) -> dict[str, Any]:
    made: dict[str, Any] = {
        "mass": f(mass),
        "pivot_strength": f("9.5 kN", "estimated"),
        "shock_strength": f("12 kN", "estimated"),
        **more,
    }
    for name, (x, z) in (("pivot", pivot), ("shock_lower", lower), ("shock_upper", upper), ("cg", at_cg)):
        made[f"{name}_station"], made[f"{name}_water_line"] = aft(x), up(z)
    return made


def _stages(low: str, fast: str, final: str, home: str | None = None) -> dict[str, Any]:
    return {
        "variator": {
            "name": "variator",
            "rank": 1.0,
            "type": "variator",
            "ratio": f(fast, "maker"),
            "low": f(low, "maker"),
            **({"home": f(home, "maker")} if home else {}),
        },
        "final": {
            "name": "final gear",
            "rank": 9.0,
            "type": "gear",
            "ratio": f(final, "maker"),
            "turning": "keeps",
        },
    }


_PLANETS = {
    "final": {
        "name": "planetary reduction",
        "rank": 9.0,
        "type": "planetary",
        "held": "ring",
        "driver_teeth": f("15", "maker"),
        "driven_teeth": f("93", "maker"),
    }
}


_TYRE = {"width": f("90 mm", "maker"), "aspect": f("90", "maker"), "rim": f("12 in", "maker")}

OLD = {
    "name": "single, 90 cc",
    "unit": {
        "name": "single, 90 cc",
        "kind": "four-stroke",
        "cylinders": f("1", "maker"),
        "power": f("4.9 kW", "maker"),
        "rated_speed": f("7500 rpm", "maker"),
        "peak_torque": f("7.0 N·m", "maker"),
        "condition": "ready to run",
        "mass": f("23.4 kg ±0.1 kg"),
        **cg("-180 mm", "-22 mm", "35 mm"),
        **box("470 mm", "260 mm", "-170 mm", "40 mm"),
    },
    "placement": {
        "flange_station": aft("1185 mm"),
        "flange_butt_line": side("-30 mm"),
        "flange_water_line": up("238 mm"),
    },
    "drive": {"stages": _stages("2.5", "0.86", "9.6"), "efficiency": f("82 %", "estimated")},
    "wheel": {**_TYRE, "mass": f("5.6 kg ±0.1 kg")},
    "mount": {
        "swing": _swing(
            ("835 mm", "290 mm"), ("1150 mm", "300 mm"), ("1090 mm", "610 mm"), "32.4 kg ±0.3 kg", ("1060 mm", "265 mm")
        )
    },
}

FIT_A = {
    "name": "swing unit, 170 cc",
    "unit": {
        "name": "swing unit, 170 cc",
        "rolls": "as the wheels roll",
        "kind": "four-stroke",
        "cylinders": f("1", "maker"),
        "power": f("11 kW", "maker"),
        "rated_speed": f("8000 rpm", "maker"),
        "peak_torque": f("14.5 N·m", "maker"),
        "condition": "wet",
        "mass": f("35.6 kg ±0.4 kg"),
        **cg("-205 mm", "-35 mm", "45 mm"),
        **box("560 mm", "300 mm", "-190 mm", "45 mm"),
    },
    "placement": {
        "flange_station": aft("1245 mm"),
        "flange_butt_line": side("-30 mm"),
        "flange_water_line": up("238 mm"),
    },
    "drive": {"stages": _stages("2.45", "0.82", "8.4", "5200 rpm"), "efficiency": f("82 %", "estimated")},
    "wheel": {
        "width": f("110 mm", "maker"),
        "aspect": f("80", "maker"),
        "rim": f("12 in", "maker"),
        "mass": f("5.6 kg ±0.1 kg"),
    },
    "mount": {
        "swing": _swing(
            ("850 mm", "290 mm"),
            ("1205 mm", "300 mm"),
            ("1120 mm", "610 mm"),
            "46.8 kg ±0.5 kg",
            ("1095 mm", "272 mm"),
            stretch=f("60 mm"),
            shock_strength=f("8.9 kN", "estimated"),
        )
    },
    "align": {"wheel": {"inside": f("176 mm"), "hub": f("128 mm"), "rim_offset": f("2 mm"), "target": f("0 mm")}},
}

FIT_B = {
    "name": "swing-arm motor, 4 kW",
    "unit": {
        "name": "swing-arm motor, 4 kW",
        "rolls": "as the wheels roll",
        "kind": "electric",
        "power": f("4 kW", "maker"),
        "rated_speed": f("5600 rpm", "maker"),
        "peak_power": f("7 kW", "maker"),
        "peak_torque": f("16 N·m", "maker"),
        "peak_time": f("90 s", "maker"),
        "battery_current": f("100 A", "maker"),
        "voltage_limit": f("90 V", "maker"),
        "unloaded": f("82 rpm ±1 rpm", "maker"),
        "brakes_with": f("20 A", "maker"),
        "condition": "ready to run",
        "mass": f("14.2 kg ±0.1 kg"),
        **cg("-150 mm", "-48 mm", "10 mm"),
        **box("300 mm", "200 mm", "-150 mm", "10 mm"),
    },
    "placement": {
        "flange_station": aft("1185 mm"),
        "flange_butt_line": side("-30 mm"),
        "flange_water_line": up("238 mm"),
    },
    "charger": f("0.9 kW", "maker"),
    "drive": {"stages": _PLANETS, "efficiency": f("94 %", "estimated")},
    "wheel": {**_TYRE, "mass": f("5.6 kg ±0.1 kg")},
    "packs": {
        "floor": {
            "name": "Pack under the floor",
            "rank": 1.0,
            "mass": f("24.5 kg ±0.1 kg"),
            **at("560 mm", "0 mm", "230 mm"),
            **size("420 mm", "220 mm", "130 mm"),
            "space": "floor",
            "energy": f("3.6 kWh", "maker"),
            "voltage": f("72 V", "maker"),
            "full_voltage": f("84 V", "maker"),
            "current": f("120 A", "maker"),
            "charge_current": f("36 A", "maker"),
        }
    },
    "mount": {
        "swing": _swing(
            ("835 mm", "290 mm"), ("1150 mm", "300 mm"), ("1090 mm", "610 mm"), "23.6 kg ±0.2 kg", ("1075 mm", "255 mm")
        )
    },
    "align": {"wheel": {"inside": f("172 mm"), "hub": f("128 mm"), "rim_offset": f("2 mm"), "target": f("0 mm")}},
}

_LEDGER: dict[str, Any] = {}
_FIT_A_LEDGER = rows(
    (
        "plates",
        "installed",
        "Frame stretch, plates and bolts",
        f("2.4 kg ±0.2 kg", "estimated"),
        at("840 mm", "0 mm", "290 mm", "estimated"),
    ),
    (
        "silencer",
        "installed",
        "Larger silencer, the difference",
        f("1.6 kg ±0.2 kg", "estimated"),
        at("1220 mm", "120 mm", "290 mm", "estimated"),
    ),
)
_FIT_B_LEDGER = rows(
    ("tank", "removed", "Fuel tank, empty", f("2.1 kg ±0.1 kg"), at("1010 mm", "0 mm", "560 mm")),
    ("controller", "installed", "Controller and charger", f("5.4 kg ±0.2 kg"), at("960 mm", "40 mm", "560 mm")),
)


def _loading(name: str, rank: float, rider: str, rack: str) -> dict[str, Any]:
    loads = {"rider": f(rider, "estimated"), "rack": f(rack, "estimated")}
    return {"name": name, "rank": rank, "loads": loads, "fuel": {"main": f("6 L", "estimated")}}


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document of its kind."""
    wheel = lambda name, rank, role, x, reading: {
        "name": name,
        "rank": rank,
        "role": role,
        "station": aft(x),
        "water_line": up("0 mm"),
        "radius": f("232 mm"),
        "reading": f(reading),
        "tare": f("0 kg"),
        "load_index": f("51" if role == "front" else "56"),
    }
    values: dict[str, Any] = {
        "/craft/description": "Step-through delivery scooter",
        "/craft/layout": "two wheels",
        "/craft/datum_note": "Datum: front axle",
        "/craft/levelling_note": "Upright, both wheels on one level",
        "/craft/supports/front": wheel("front wheel", 1.0, "front", "0 mm", "37.6 kg"),
        "/craft/supports/rear": wheel("rear wheel", 2.0, "rear", "1245 mm", "58.4 kg"),
        "/craft/as_found/butt_line": side("-4 mm"),
        "/craft/as_found/water_line": up("405 mm", "estimated"),
        "/craft/limits/gross": f("265 kg", "maker"),
        "/craft/limits/front_axle": f("105 kg", "maker"),
        "/craft/limits/rear_axle": f("180 kg", "maker"),
        "/craft/road": {
            "drag_area": f("0.48 m²", "estimated"),
            "rolling": f("0.016", "estimated"),
            "grip": f("0.8", "estimated"),
            "cruise": f("45 km/h"),
            "until": f("40 km/h"),
            "cycle": "town, elementary urban cycle",
            "regains": f("50 %", "estimated"),
        },
        "/craft/stand": aft("895 mm"),
        "/craft/steering": {"rake": f("27°", "maker"), "offset": f("20 mm", "maker")},
        "/craft/outline": {
            "seat": aft("840 mm"),
            "seat_top": up("765 mm"),
            "top": up("1055 mm"),
            "belly": up("245 mm"),
            "tail": aft("1520 mm"),
        },
        "/craft/seats/rider": {"name": "rider", "rank": 1.0, **at("815 mm", "0 mm", "960 mm", "estimated")},
        "/craft/seats/rack": {"name": "rack", "rank": 2.0, **at("1290 mm", "0 mm", "880 mm")},
        "/craft/tanks/main": {
            "name": "tank",
            "rank": 1.0,
            "capacity": f("7 L", "maker"),
            "density": f("745 kg/m³", "maker"),
            **at("1010 mm", "0 mm", "560 mm"),
        },
        "/loadings/empty-rack": _loading("Rider, empty rack", 1, "78 kg", "0 kg"),
        "/loadings/delivery": _loading("Rider, full rack", 2, "78 kg", "30 kg"),
        "/old_installations/main": OLD,
        "/ledger": _LEDGER,
        "/fits/a": {"name": "Swing unit", "rank": 1.0, "installations": {"main": FIT_A}, "ledger": _FIT_A_LEDGER},
        "/fits/b": {
            "name": "Swing-arm motor",
            "rank": 2.0,
            "fuel": "out",
            "installations": {"main": FIT_B},
            "ledger": _FIT_B_LEDGER,
            "spaces": {
                "floor": space(
                    "under the floor", 1.0, ("330 mm", "800 mm"), ("-140 mm", "140 mm"), ("150 mm", "320 mm")
                )
            },
        },
        **choices.PANNIER,
        "/fits/a/installations/main/systems": SCOOTER_UNIT,
        "/fits/b/installations/main/systems": SCOOTER_ARM,
    }
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
