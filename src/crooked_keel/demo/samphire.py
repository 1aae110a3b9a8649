"""Samphire: an invented 9.4 m wooden launch, 36 hp twin-cylinder diesel out; a small four with a down-angle gear, a
motor, or a motor on her old gear, in."""

from __future__ import annotations

from typing import Any

from . import choices, twists
from .around import LAUNCH_DIESEL
from .around_second import LAUNCH_MOTOR
from .figures import aft, at, f, rows, side, space, up
from .samphire_units import FIT_A, FIT_B, FIT_C, OLD

NAME = "Samphire"

_LEDGER = rows(
    ("old-tank", "removed", "Old day tank, empty", f("16 kg ±0.5 kg"), at("3600 mm", "430 mm", "350 mm")),
    ("old-exhaust", "removed", "Dry exhaust and lagging", f("34 kg ±1 kg"), at("6400 mm", "380 mm", "250 mm")),
)
_FIT_A_LEDGER = rows(
    (
        "exhaust",
        "installed",
        "Wet exhaust, lift box, hose",
        f("19 kg ±2 kg", "estimated"),
        at("7000 mm", "350 mm", "150 mm", "estimated"),
    ),
    ("battery", "installed", "Start and house batteries", f("58 kg ±1 kg"), at("4700 mm", "-420 mm", "-50 mm")),
    (
        "panel",
        "installed",
        "Panel and loom",
        f("6 kg ±1 kg", "estimated"),
        at("3500 mm", "0 mm", "700 mm", "estimated"),
    ),
)
_SPACES = {
    "port": space("port bilge", 1.0, ("3300 mm", "5050 mm"), ("-780 mm", "-280 mm"), ("-210 mm", "180 mm")),
    "starboard": space("starboard bilge", 2.0, ("3300 mm", "5050 mm"), ("280 mm", "780 mm"), ("-210 mm", "180 mm")),
}
_FIT_B_LEDGER = rows(
    ("tank", "removed", "Main fuel tank and fuel", f("112 kg ±4 kg"), at("4300 mm", "0 mm", "-60 mm")),
    ("charger", "installed", "Charger and switchgear", f("24 kg ±0.5 kg"), at("3900 mm", "300 mm", "420 mm")),
)


def _section(station: str, *points: str) -> dict[str, Any]:
    """A half section as taken off the slipway: out and height of each point, mm."""
    pairs = [p.split(", ") for p in points]
    return {"station": aft(station), "half": [{"out": f(f"{y} mm"), "height": up(f"{z} mm")} for y, z in pairs]}


# Taken off with a plumb line and a batten, keel to sheer.
_SECTIONS = (
    ("400 mm", "0, 25", "95, 665", "150, 1300"),
    ("1270 mm", "0, -230", "190, -190", "390, -80", "490, 30", "530, 635", "530, 1240"),
    ("2140 mm", "0, -390", "305, -320", "625, -145", "785, 30", "845, 605", "865, 1185"),
    ("3010 mm", "0, -440", "385, -365", "790, -165", "995, 30", "1055, 585", "1080, 1135"),
    ("3880 mm", "0, -440", "435, -365", "895, -165", "1130, 30", "1180, 565", "1190, 1095"),
    ("4750 mm", "0, -440", "455, -365", "935, -165", "1180, 30", "1225, 545", "1230, 1065"),
    ("5620 mm", "0, -440", "445, -365", "910, -165", "1150, 30", "1210, 535", "1230, 1035"),
    ("6490 mm", "0, -410", "400, -340", "825, -155", "1040, 30", "1145, 525", "1210, 1015"),
    ("7360 mm", "0, -325", "330, -265", "675, -120", "850, 30", "1030, 515", "1170, 1005"),
    ("8230 mm", "0, -195", "225, -160", "460, -65", "580, 30", "865, 515", "1110, 1000"),
    ("9100 mm", "0, -35", "75, -25", "150, 5", "190, 30", "630, 515", "1030, 1000"),
)


def _mark(name: str, rank: float, x: str, y: str, sheer: str, freeboard: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "station": aft(x),
        "butt_line": side(y),
        "sheer": up(sheer),
        "freeboard": f(freeboard),
    }


def _loading(name: str, rank: float, helm: str, cockpit: str, fuel: str) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        "loads": {"helm": f(helm, "estimated"), "cockpit": f(cockpit, "estimated")},
        "fuel": {"main": f(fuel, "estimated")},
    }


def operations() -> list[dict[str, Any]]:
    """The edits that make the project from an empty document of its kind."""
    values: dict[str, Any] = {
        "/craft/description": "Wooden launch, 9.4 m",
        "/craft/layout": "single screw",
        "/craft/datum_note": "Datum: fore side of the stem head",
        "/craft/levelling_note": "Level line: her designed waterline, marked in the engine room",
        "/craft/references/bulkhead": {"name": "engine room bulkhead", "rank": 1.0, "station": aft("3950 mm")},
        "/craft/as_found/method": "freeboards",
        "/craft/as_found/water_line": up("310 mm", "estimated"),
        "/craft/flotation": {
            "length": f("8.72 m"),
            "beam": f("2.36 m"),
            "block": f("0.41 ±0.02", "estimated"),
            "waterplane": f("0.71", "estimated"),
            "keel": up("-0.44 m"),
            "lcf": aft("4.86 m", "estimated"),
            "lcb": aft("4.74 m", "estimated"),
            "density": f("1025 kg/m³", "maker"),
            "read": "afloat, nobody aboard, lines slack",
            "sections": [_section(*row) for row in _SECTIONS],
            "inclining": {"roll": f("2.1 s")},
            "crowd": f("650 mm"),
            "marks": {
                "bow-port": _mark("bow, port", 1, "1.40 m", "-0.82 m", "1.16 m", "1.152 m"),
                "bow-starboard": _mark("bow, starboard", 2, "1.40 m", "0.82 m", "1.16 m", "1.146 m"),
                "stern-port": _mark("quarter, port", 3, "8.40 m", "-1.02 m", "0.90 m", "0.861 m"),
                "stern-starboard": _mark("quarter, starboard", 4, "8.40 m", "1.02 m", "0.90 m", "0.853 m"),
            },
        },
        "/craft/trial": {"regime": "displacement", "speed": f("6.6 kn"), "wanted": f("6.0 kn"), "cruise": f("5.0 kn")},
        "/craft/limits/gross": f("5200 kg", "maker"),
        "/craft/outline": {"nose": aft("0 m"), "tail": aft("9.40 m"), "top": up("1.72 m"), "belly": up("-0.82 m")},
        "/craft/tanks/main": {
            "name": "main tank",
            "rank": 1.0,
            "capacity": f("110 L", "maker"),
            "density": f("840 kg/m³", "maker"),
            "surface_length": f("900 mm"),
            "surface_breadth": f("480 mm"),
            **at("4300 mm", "0 mm", "-60 mm"),
        },
        "/craft/seats/helm": {"name": "helm", "rank": 1.0, **at("3900 mm", "0 mm", "650 mm")},
        "/craft/seats/cockpit": {"name": "cockpit", "rank": 2.0, **at("7100 mm", "0 mm", "550 mm")},
        "/loadings/alone": _loading("One aboard", 1, "82 kg", "0 kg", "40 L"),
        "/loadings/day": _loading("Six aboard", 2, "82 kg", "390 kg", "40 L"),
        "/old_installations/main": OLD,
        "/ledger": _LEDGER,
        "/fits/a": {"name": "Four-cylinder", "rank": 1.0, "installations": {"main": FIT_A}, "ledger": _FIT_A_LEDGER},
        "/fits/b": {
            "name": "Electric",
            "rank": 2.0,
            "installations": {"main": FIT_B},
            "ledger": _FIT_B_LEDGER,
            "spaces": _SPACES,
        },
        "/fits/c": {
            "name": "Motor on her gear",
            "rank": 3.0,
            "installations": {"main": FIT_C},
            "ledger": _FIT_B_LEDGER,
            "spaces": _SPACES,
        },
        **choices.SAMPHIRE,
        **twists.SAMPHIRE,
        "/fits/a/installations/main/systems": LAUNCH_DIESEL,
        "/fits/b/installations/main/systems": LAUNCH_MOTOR,
        "/fits/c/installations/main/systems": LAUNCH_MOTOR,
    }
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
