"""The units of the demonstration library, all invented: those of the demonstration projects, and more over the
field."""

from __future__ import annotations

import math
from typing import Any

from ..core.choose.library import kept, slug
from ..core.document import LibraryUnit, Project, load_unit
from .figures import box, cg, f, local

Points = tuple[tuple[float, float], ...]


def _power(curve: Points, rpm: float) -> str:
    """Power of a point of the curve: sheets of one unit agree with themselves."""
    return f"{dict(curve)[rpm] * rpm * math.pi / 30e3:.1f} kW"


def _rated(
    curve: Points, lasting: float, short: tuple[float, str] | None = None, name: str = "take-off"
) -> dict[str, Any]:
    """Ratings: one that lasts, and perhaps one for so long."""
    rows = [("lasting", lasting, None), *([(name, short[0], short[1])] if short else [])]
    return {
        f"rating-{i}": {
            "name": n,
            "rank": float(i),
            "power": f(_power(curve, rpm), "maker"),
            "speed": f(f"{rpm:g} rpm", "maker"),
            "limit": "for so long" if t else "without a limit",
            **({"lasts": f(t, "maker")} if t else {}),
        }
        for i, (n, rpm, t) in enumerate(rows, 1)
    }


def _hangs(*rows: tuple[str, str, str]) -> dict[str, Any]:
    """What hangs on it: name, mass, and whether that is in (the quoted mass), on (top of it) or not said."""
    said = {"in": {"counted": "in its mass"}, "on": {"counted": "on top of it"}, "?": {}}
    return {
        f"accessory-{i}": {"name": n, "rank": float(i), "mass": f(m, "maker"), **said[how]}
        for i, (n, m, how) in enumerate(rows, 1)
    }


def _points(*places: tuple[str, str, str], strength: str = "12 kN") -> dict[str, Any]:
    return {
        f"point-{i}": {
            "name": f"{i}",
            "rank": float(i),
            "unit_aft": local(x, "aft", "maker"),
            "unit_starboard": local(y, "starboard", "maker"),
            "unit_up": local(z, "up", "maker"),
            "strength": f(strength, "estimated"),
        }
        for i, (x, y, z) in enumerate(places, 1)
    }


def _four(front: str, rear: str, out: str, height: str, strength: str = "12 kN") -> dict[str, Any]:
    """Four points in two pairs."""
    return _points(*((x, y, height) for x in (front, rear) for y in (f"-{out}", out)), strength=strength)


def _stage(
    key: str, name: str, kind: str, driver: str, driven: str, turning: str, offset: str = "0 mm"
) -> dict[str, Any]:
    """An internal stage by its teeth."""
    off = lambda t, way: local(t, way, "maker", "driving shaft")
    return {
        key: {
            "name": name,
            "rank": 1.0,
            "type": kind,
            "driver_teeth": f(driver, "maker"),
            "driven_teeth": f(driven, "maker"),
            "turning": turning,
            "offset_up": off(offset, "up"),
            "offset_starboard": off("0 mm", "starboard"),
        }
    }


def _by_ratio(key: str, name: str, kind: str, ratio: str, turning: str) -> dict[str, Any]:
    off = lambda way: local("0 mm", way, "maker", "driving shaft")
    return {
        key: {
            "name": name,
            "rank": 1.0,
            "type": kind,
            "ratio": f(ratio, "maker"),
            "turning": turning,
            "offset_up": off("up"),
            "offset_starboard": off("starboard"),
        }
    }


_CHOSEN = {"turns", "kind", "returns", "stop", "earth", "side", "bypass", "pump", "opens", "end", "bus"}


def _ports(**ports: dict[str, Any]) -> dict[str, Any]:
    return {p: {k: v if k in _CHOSEN else f(v, "maker") for k, v in values.items()} for p, values in ports.items()}


_PETROL = {
    "fuel": {"kind": "petrol", "hose": "8 mm", "returns": "yes"},
    "instruments": {"pulses": "2", "bus": "single wires"},
}
_TWELVE = {"electrical": {"voltage": "12 V", "charging": "30 A", "stop": "energised to run", "earth": "negative"}}
_CABLE = {"controls": {"travel": "40 mm", "opens": "pull", "end": "barrel"}}
_WIRE = {"controls": {"opens": "by wire", "end": "plug"}}
_COOLED = {"coolant": {"hose": "28 mm", "side": "starboard", "bypass": "yes"}}
_WET = {"oil": {"pump": "wet sump", "hose": "12 mm"}}
_AT_SEA = {
    "fuel": {"kind": "diesel", "hose": "10 mm", "returns": "yes"},
    "electrical": {"voltage": "12 V", "charging": "90 A", "stop": "energised to stop", "earth": "negative"},
    "controls": {"travel": "76 mm", "opens": "push", "end": "fork"},
    "instruments": {"bus": "digital bus"},
}
_POWERED = {"fuel": {"kind": "electricity"}, "instruments": {"bus": "digital bus"}, **_WIRE}


def _unit(
    name: str,
    kind: str,
    layout: str | None,
    cylinders: str | None,
    curve: Points,
    at: float,
    mass: tuple[str, str],
    cg_at: tuple[str, str, str],
    size: tuple[str, str, str],
    middle: tuple[str, str],
    breathing: str,
    inertia: str,
    price: tuple[str, str, str],
    turns: str,
    ports: dict[str, Any],
    points: dict[str, Any],
    drive: dict[str, Any] | None = None,
    packs: dict[str, Any] | None = None,
    **more: Any,
) -> dict[str, Any]:
    """A unit from its sheet. at: rated speed, rpm; mass with its condition; size: length, width, height; middle: of its
    envelope, aft and up of
    its flange; price: cost, wait, supply of parts."""
    cost, wait, parts = price
    length, width, height = size
    unit = {
        "name": name,
        "kind": kind,
        **({"layout": layout} if layout else {}),
        **({"cylinders": f(cylinders, "maker")} if cylinders else {}),
        "breathing": breathing,
        "curve": [{"speed": f(f"{n:g} rpm", "maker"), "torque": f(f"{t:g} N·m", "maker")} for n, t in curve],
        "power": f(_power(curve, at), "maker"),
        "rated_speed": f(f"{at:g} rpm", "maker"),
        "condition": mass[1],
        "mass": f(mass[0], "maker"),
        **cg(*cg_at, "maker"),
        **box(length, height, *middle),
        "width": f(width, "maker"),
        "inertia": f(inertia, "estimated"),
        "turns": turns,
        "cost": f(cost, "maker"),
        "wait": f(wait, "maker"),
        "parts": f(parts, "hearsay"),
        "ports": _ports(**ports),
        **more,
    }
    return {"unit": unit, "drive": drive or {}, "mount": {"points": points}, "packs": packs or {}}


_RADIAL = ((1400, 585), (1700, 640), (2000, 664), (2200, 660), (2300, 655))
_AIR_FOUR = ((1800, 292), (2200, 304), (2500, 301), (2700, 292), (2800, 286))
_BOOSTED = ((3500, 138), (4500, 152), (5200, 154), (5500, 150), (5800, 146))
_SLED = ((5000, 96), (6500, 104), (8000, 107), (9000, 104), (10000, 99), (10500, 93))
_STROKE = ((4000, 58), (5200, 69), (6000, 74), (6400, 73), (6800, 68))
_CAR_FLAT = ((2000, 196), (3200, 222), (4400, 226), (5200, 215), (5800, 198))
_CAR_VEE = ((2000, 290), (3200, 334), (4400, 345), (5000, 338), (5600, 320))
_ROTORS = ((3000, 168), (4500, 196), (5500, 205), (6500, 201), (7200, 190))
_SMALL_TURBINE = ((1800, 640), (2000, 632), (2150, 598))
_TURBINE = ((1700, 1680), (1900, 1640), (2000, 1560))
_DIESEL_NINE = ((1500, 25), (2200, 27.5), (3000, 26.6), (3600, 23.9))
_DIESEL_SIX = ((1000, 560), (1500, 735), (1900, 790), (2300, 752), (2500, 690))
_DIESEL_FOUR = ((1200, 198), (1800, 236), (2400, 240), (3200, 220), (3600, 196))
_VEE_EIGHT = ((1500, 372), (2400, 405), (3200, 409), (4000, 380), (4600, 336))
_LONG_SIX = ((1200, 220), (2000, 252), (2800, 256), (3600, 236), (4200, 205))
_VEE_TWIN = ((2000, 74), (3500, 88), (5000, 91), (6500, 82), (7200, 72))
_TRIPLE = ((3000, 68), (5000, 80), (7000, 86), (9000, 80), (10200, 71))
_SINGLE = ((3500, 27), (5000, 33), (6500, 36), (8000, 34.5), (9200, 30))
_SWING = ((3000, 15), (4500, 21), (6000, 23), (7250, 22), (8250, 18.5))
_FLIGHT = ((600, 260), (1400, 260), (2200, 260), (2500, 230))
_AXIAL = ((500, 150), (2500, 150), (4500, 148), (6000, 112), (7500, 89))
_HUB = ((100, 62), (450, 60), (700, 41), (900, 22))
_POD = ((200, 66), (900, 66), (1400, 65), (1800, 50))
_TINY_CAR = ((1500, 128), (2500, 148), (4000, 150), (5200, 136), (6000, 118))

_AERO_FOUR = _four("330 mm", "330 mm", "165 mm", "-110 mm")
_MINE: tuple[dict[str, Any], ...] = (
    _unit(
        "seven-cylinder radial, geared",
        "four-stroke",
        "radial",
        "7",
        _RADIAL,
        2200,
        ("214 kg ±6 kg", "dry"),
        ("430 mm", "0 mm", "-15 mm"),
        ("1010 mm", "960 mm", "960 mm"),
        ("480 mm", "0 mm"),
        "naturally aspirated",
        "0.21 kg·m²",
        ("21500", "20 weeks", "2"),
        "clockwise",
        {
            **_PETROL,
            **_CABLE,
            "oil": {"pump": "dry sump", "hose": "19 mm", "volume": "12 L"},
            "exhaust": {"outlet": "63 mm", "side": "below"},
        },
        _points(
            *(
                ("820 mm", y, z)
                for y, z in (
                    ("0 mm", "250 mm"),
                    ("217 mm", "125 mm"),
                    ("217 mm", "-125 mm"),
                    ("0 mm", "-250 mm"),
                    ("-217 mm", "-125 mm"),
                    ("-217 mm", "125 mm"),
                )
            ),
            strength="18 kN",
        ),
        {"stages": _by_ratio("planetary", "planetary nose gear", "planetary", "1.5", "keeps")},
        ratings=_rated(_RADIAL, 2200, (2300, "5 min")),
        consumption=f("318 g/kWh", "maker"),
        heat=f("0 kW"),
        accessories=_hangs(
            ("Starter", "9.4 kg", "on"),
            ("Generator", "6.8 kg", "on"),
            ("Oil tank, full", "14.5 kg", "on"),
            ("Carburettor", "4.2 kg", "in"),
        ),
    ),
    _unit(
        "flat-four, air-cooled, 112 hp",
        "four-stroke",
        "flat",
        "4",
        _AIR_FOUR,
        2700,
        ("110.5 kg ±1.5 kg", "wet"),
        ("372 mm", "3 mm", "-22 mm"),
        ("760 mm", "820 mm", "590 mm"),
        ("380 mm", "-40 mm"),
        "naturally aspirated",
        "0.05 kg·m²",
        ("17800", "14 weeks", "5"),
        "clockwise",
        {
            **_PETROL,
            **_CABLE,
            **_WET,
            "electrical": {"voltage": "14 V", "charging": "60 A", "stop": "cable", "earth": "negative"},
            "exhaust": {"outlet": "45 mm", "side": "below"},
            "output": {"flange": "150 mm", "circle": "120.65 mm", "bolts": "6", "turns": "clockwise", "ratio": "1"},
        },
        _AERO_FOUR,
        ratings=_rated(_AIR_FOUR, 2700),
        consumption=f("300 g/kWh", "maker"),
        heat=f("0 kW"),
        accessories=_hangs(
            ("Starter", "7.6 kg", "in"), ("Alternator", "4.9 kg", "in"), ("Mount rubbers", "0.9 kg", "?")
        ),
    ),
    _unit(
        "flat-four, geared, turbocharged",
        "four-stroke",
        "flat",
        "4",
        _BOOSTED,
        5500,
        ("78.0 kg ±1.0 kg", "dry"),
        ("255 mm", "6 mm", "40 mm"),
        ("660 mm", "580 mm", "530 mm"),
        ("300 mm", "50 mm"),
        "turbocharged",
        "0.03 kg·m²",
        ("26400", "18 weeks", "4"),
        "clockwise",
        {
            **_PETROL,
            **_TWELVE,
            **_COOLED,
            **_CABLE,
            "oil": {"pump": "dry sump", "hose": "12 mm", "volume": "3.2 L"},
            "exhaust": {"outlet": "55 mm", "side": "below"},
            "air": {"hose": "60 mm", "side": "rear"},
        },
        _four("420 mm", "420 mm", "140 mm", "-20 mm"),
        {"stages": _stage("gear", "spur reduction", "gear", "21", "51", "flips", "62 mm")},
        ratings=_rated(_BOOSTED, 5500, (5800, "5 min")),
        critical_altitude=f("15000 ft", "maker"),
        consumption=f("318 g/kWh", "maker"),
        heat=f("38 kW", "maker"),
        accessories=_hangs(
            ("Turbocharger and exhaust", "13.8 kg", "on"),
            ("Radiator, hoses, coolant", "8.2 kg", "on"),
            ("Oil tank and cooler, full", "6.1 kg", "on"),
            ("Airbox", "2.2 kg", "on"),
        ),
    ),
    _unit(
        "inline-four sled engine, 998 cc",
        "four-stroke",
        "in line",
        "4",
        _SLED,
        9000,
        ("66.0 kg ±3.0 kg", "dry"),
        ("240 mm", "8 mm", "70 mm"),
        ("520 mm", "560 mm", "520 mm"),
        ("245 mm", "75 mm"),
        "naturally aspirated",
        "0.02 kg·m²",
        ("4200", "2 weeks", "3"),
        "clockwise",
        {
            **_PETROL,
            **_TWELVE,
            **_COOLED,
            **_CABLE,
            "oil": {"pump": "dry sump", "hose": "12 mm", "volume": "3.6 L"},
            "exhaust": {"outlet": "60 mm", "side": "port"},
        },
        _four("120 mm", "380 mm", "190 mm", "-60 mm"),
        {
            "stages": {
                **_by_ratio("internal", "internal stage", "gear", "1.23", "flips"),
                "reduction": {**_by_ratio("x", "gearbox", "gear", "3.11", "flips")["x"], "rank": 2.0},
            },
            "mass": f("17.5 kg ±1 kg", "estimated"),
            "efficiency": f("96 %", "estimated"),
        },
        ratings=_rated(_SLED, 9000, (10000, "5 min")),
        consumption=f("350 g/kWh", "estimated"),
        heat=f("62 kW", "estimated"),
        accessories=_hangs(
            ("Exhaust and silencer", "7.4 kg", "on"),
            ("Radiator, hoses, coolant", "9.8 kg", "on"),
            ("Oil, first fill", "3.3 kg", "on"),
            ("Wiring and control box", "2.9 kg", "?"),
        ),
    ),
    _unit(
        "two-stroke twin, 570 cc, geared",
        "two-stroke",
        "in line",
        "2",
        _STROKE,
        6000,
        ("42.5 kg ±0.8 kg", "dry"),
        ("205 mm", "0 mm", "60 mm"),
        ("470 mm", "380 mm", "440 mm"),
        ("215 mm", "90 mm"),
        "naturally aspirated",
        "0.03 kg·m²",
        ("3900", "3 weeks", "3"),
        "clockwise",
        {
            **_PETROL,
            **_COOLED,
            **_CABLE,
            "electrical": {"voltage": "12 V", "charging": "14 A", "stop": "cable", "earth": "negative"},
            "oil": {"pump": "total loss"},
            "exhaust": {"outlet": "65 mm", "side": "port"},
        },
        _four("180 mm", "330 mm", "120 mm", "-90 mm"),
        {"stages": _stage("gear", "spur reduction", "gear", "24", "62", "flips", "58 mm")},
        ratings=_rated(_STROKE, 6000, (6400, "10 min")),
        consumption=f("430 g/kWh", "maker"),
        heat=f("27 kW", "maker"),
        accessories=_hangs(
            ("Tuned exhaust", "5.1 kg", "on"),
            ("Radiator, hoses, coolant", "5.6 kg", "on"),
            ("Carburettors", "1.8 kg", "in"),
        ),
    ),
    _unit(
        "flat-four car engine, 2.5 L, belt",
        "four-stroke",
        "flat",
        "4",
        _CAR_FLAT,
        4400,
        ("118 kg ±4 kg", "dry"),
        ("300 mm", "4 mm", "20 mm"),
        ("720 mm", "690 mm", "600 mm"),
        ("340 mm", "30 mm"),
        "naturally aspirated",
        "0.14 kg·m²",
        ("3400", "2 weeks", "4"),
        "clockwise",
        {
            **_PETROL,
            **_TWELVE,
            **_WET,
            **_WIRE,
            "coolant": {"hose": "34 mm", "side": "rear", "bypass": "yes"},
            "exhaust": {"outlet": "51 mm", "side": "below"},
        },
        _four("560 mm", "560 mm", "180 mm", "-70 mm"),
        {
            "stages": _stage("belt", "toothed belt", "belt", "36", "70", "keeps", "152 mm"),
            "mass": f("13.5 kg ±0.5 kg", "estimated"),
            "efficiency": f("97 %", "estimated"),
        },
        ratings=_rated(_CAR_FLAT, 4400, (5200, "5 min")),
        consumption=f("312 g/kWh", "estimated"),
        heat=f("72 kW", "estimated"),
        accessories=_hangs(
            ("Radiators, hoses, coolant", "15.5 kg", "on"),
            ("Exhaust", "7.0 kg", "on"),
            ("Control box and wiring", "3.8 kg", "on"),
        ),
    ),
    _unit(
        "vee-six car engine, 3.5 L, gear",
        "four-stroke",
        "vee",
        "6",
        _CAR_VEE,
        4400,
        ("158 kg ±5 kg", "dry"),
        ("330 mm", "0 mm", "45 mm"),
        ("780 mm", "690 mm", "680 mm"),
        ("370 mm", "60 mm"),
        "naturally aspirated",
        "0.16 kg·m²",
        ("5600", "3 weeks", "4"),
        "anticlockwise",
        {
            **_PETROL,
            **_TWELVE,
            **_WET,
            **_WIRE,
            "coolant": {"hose": "38 mm", "side": "front", "bypass": "yes"},
            "exhaust": {"outlet": "54 mm", "side": "below"},
        },
        _four("600 mm", "600 mm", "190 mm", "-60 mm"),
        {
            "stages": _stage("gear", "spur reduction", "gear", "25", "53", "flips", "98 mm"),
            "mass": f("31 kg ±2 kg", "estimated"),
            "efficiency": f("98 %", "estimated"),
        },
        ratings=_rated(_CAR_VEE, 4400, (5000, "5 min")),
        consumption=f("305 g/kWh", "estimated"),
        heat=f("110 kW", "estimated"),
        accessories=_hangs(
            ("Radiators, hoses, coolant", "22 kg", "on"),
            ("Exhaust", "9.5 kg", "on"),
            ("Flywheel and damper", "6.4 kg", "?"),
        ),
    ),
    _unit(
        "two rotors, 1.3 L, geared",
        "four-stroke",
        "rotor",
        "2",
        _ROTORS,
        6500,
        ("96 kg ±3 kg", "dry"),
        ("260 mm", "0 mm", "25 mm"),
        ("620 mm", "480 mm", "520 mm"),
        ("290 mm", "40 mm"),
        "naturally aspirated",
        "0.11 kg·m²",
        ("4800", "5 weeks", "2"),
        "clockwise",
        {
            **_PETROL,
            **_TWELVE,
            **_COOLED,
            **_CABLE,
            "oil": {"pump": "wet sump", "hose": "16 mm", "volume": "5 L"},
            "exhaust": {"outlet": "51 mm", "side": "port"},
        },
        _four("470 mm", "470 mm", "150 mm", "-120 mm"),
        {
            "stages": _by_ratio("planetary", "planetary reduction", "planetary", "2.85", "keeps"),
            "mass": f("16 kg ±1 kg", "estimated"),
            "efficiency": f("97 %", "estimated"),
        },
        ratings=_rated(_ROTORS, 6500),
        consumption=f("360 g/kWh", "estimated"),
        heat=f("98 kW", "estimated"),
        accessories=_hangs(
            ("Oil cooler, full", "6.8 kg", "on"),
            ("Radiator, hoses, coolant", "11.5 kg", "on"),
            ("Exhaust and silencer", "9.2 kg", "on"),
        ),
    ),
    _unit(
        "small turbine, flat rated 135 kW",
        "turbine",
        None,
        None,
        _SMALL_TURBINE,
        2150,
        ("62 kg ±1 kg", "dry"),
        ("410 mm", "0 mm", "-10 mm"),
        ("980 mm", "420 mm", "470 mm"),
        ("450 mm", "-10 mm"),
        "flat rated",
        "0.02 kg·m²",
        ("58000", "30 weeks", "2"),
        "clockwise",
        {
            "fuel": {"kind": "kerosene", "hose": "10 mm", "returns": "no"},
            "electrical": {"voltage": "24 V", "charging": "100 A", "stop": "energised to run", "earth": "negative"},
            **_WIRE,
            "oil": {"pump": "dry sump", "hose": "12 mm", "volume": "4 L"},
            "exhaust": {"outlet": "180 mm", "side": "starboard"},
            "air": {"hose": "200 mm", "side": "front"},
        },
        _points(("520 mm", "-190 mm", "0 mm"), ("520 mm", "190 mm", "0 mm"), ("300 mm", "0 mm", "-170 mm")),
        gas_path=f("172 kW", "maker"),
        ratings=_rated(_SMALL_TURBINE, 2150),
        consumption=f("520 g/kWh", "maker"),
        heat=f("0 kW"),
        accessories=_hangs(
            ("Starter generator", "11.2 kg", "on"),
            ("Oil tank and cooler, full", "8.4 kg", "on"),
            ("Exhaust stacks", "3.1 kg", "on"),
        ),
    ),
    _unit(
        "free turbine, flat rated 326 kW",
        "turbine",
        None,
        None,
        _TURBINE,
        2000,
        ("129 kg ±2 kg", "dry"),
        ("640 mm", "0 mm", "0 mm"),
        ("1420 mm", "480 mm", "510 mm"),
        ("690 mm", "0 mm"),
        "flat rated",
        "0.03 kg·m²",
        ("165000", "40 weeks", "3"),
        "clockwise",
        {
            "fuel": {"kind": "kerosene", "hose": "12 mm", "returns": "no"},
            "electrical": {"voltage": "24 V", "charging": "200 A", "stop": "energised to run", "earth": "negative"},
            "oil": {"pump": "dry sump", "hose": "16 mm", "volume": "8 L"},
            "exhaust": {"outlet": "220 mm", "side": "port"},
            "controls": {"travel": "60 mm", "opens": "push", "end": "fork"},
        },
        _points(
            ("800 mm", "-230 mm", "90 mm"),
            ("800 mm", "230 mm", "90 mm"),
            ("800 mm", "0 mm", "-240 mm"),
            ("420 mm", "0 mm", "-200 mm"),
            strength="25 kN",
        ),
        gas_path=f("420 kW", "maker"),
        ratings=_rated(_TURBINE, 2000),
        consumption=f("410 g/kWh", "maker"),
        heat=f("0 kW"),
        accessories=_hangs(
            ("Starter generator", "14.5 kg", "on"), ("Oil cooler, full", "7.2 kg", "on"), ("Governor", "4.8 kg", "in")
        ),
    ),
    _unit(
        "single-cylinder diesel, 8 kW",
        "diesel",
        "single",
        "1",
        _DIESEL_NINE,
        3000,
        ("96 kg ±1 kg", "wet"),
        ("-290 mm", "10 mm", "150 mm"),
        ("560 mm", "440 mm", "520 mm"),
        ("-290 mm", "170 mm"),
        "naturally aspirated",
        "0.09 kg·m²",
        ("6900", "4 weeks", "5"),
        "clockwise",
        {
            **_AT_SEA,
            "sea_water": {"hose": "19 mm", "side": "port"},
            "exhaust": {"outlet": "40 mm", "side": "port", "angle": "0°"},
            "gear_cooling": {"hose": "13 mm"},
        },
        _four("-90 mm", "-480 mm", "190 mm", "60 mm", "9 kN"),
        {"stages": _by_ratio("gear", "marine gear", "gear", "2.63", "keeps"), "reverse": "box"},
        ratings=_rated(_DIESEL_NINE, 3000, (3600, "60 min"), "intermittent"),
        consumption=f("268 g/kWh", "maker"),
        heat=f("7.8 kW", "maker"),
        accessories=_hangs(
            ("Gear and its oil", "14 kg", "in"),
            ("Flexible mounts", "3.6 kg", "on"),
            ("Water lock and hose", "4.1 kg", "on"),
        ),
    ),
    _unit(
        "four-cylinder marine diesel, 74 kW",
        "diesel",
        "in line",
        "4",
        _DIESEL_FOUR,
        3200,
        ("248 kg ±3 kg", "dry"),
        ("-520 mm", "0 mm", "170 mm"),
        ("990 mm", "560 mm", "700 mm"),
        ("-520 mm", "210 mm"),
        "turbocharged",
        "0.31 kg·m²",
        ("15200", "8 weeks", "5"),
        "anticlockwise",
        {
            **_AT_SEA,
            **_COOLED,
            "sea_water": {"hose": "32 mm", "side": "port"},
            "exhaust": {"outlet": "76 mm", "side": "port", "angle": "15°"},
            "gear_cooling": {"hose": "19 mm"},
        },
        _four("-190 mm", "-760 mm", "235 mm", "70 mm", "14 kN"),
        {
            "stages": _by_ratio("gear", "marine gear", "gear", "2.0", "flips"),
            "reverse": "box",
            "down_angle": f("8°", "maker"),
        },
        critical_altitude=f("2000 m", "maker"),
        ratings=_rated(_DIESEL_FOUR, 3200, (3600, "60 min"), "intermittent"),
        consumption=f("232 g/kWh", "maker"),
        heat=f("58 kW", "maker"),
        accessories=_hangs(
            ("Flexible mounts", "6.4 kg", "on"), ("Oil, first fill", "7.8 kg", "on"), ("Wet exhaust", "9.5 kg", "on")
        ),
    ),
    _unit(
        "six-cylinder marine diesel, 181 kW",
        "diesel",
        "in line",
        "6",
        _DIESEL_SIX,
        2300,
        ("590 kg ±8 kg", "dry"),
        ("-760 mm", "0 mm", "260 mm"),
        ("1420 mm", "720 mm", "900 mm"),
        ("-760 mm", "290 mm"),
        "turbocharged",
        "1.10 kg·m²",
        ("34500", "16 weeks", "4"),
        "anticlockwise",
        {
            **_AT_SEA,
            **_COOLED,
            "electrical": {"voltage": "24 V", "charging": "80 A", "stop": "energised to run", "earth": "insulated"},
            "sea_water": {"hose": "50 mm", "side": "starboard"},
            "exhaust": {"outlet": "127 mm", "side": "rear", "angle": "0°"},
            "gear_cooling": {"hose": "25 mm"},
        },
        _four("-280 mm", "-1090 mm", "290 mm", "60 mm", "30 kN"),
        {"stages": _by_ratio("gear", "marine gear", "gear", "1.96", "flips"), "reverse": "box"},
        critical_altitude=f("1500 m", "maker"),
        ratings=_rated(_DIESEL_SIX, 2300, (2500, "60 min"), "intermittent"),
        consumption=f("218 g/kWh", "maker"),
        heat=f("128 kW", "maker"),
        accessories=_hangs(
            ("Oil, first fill", "14 kg", "on"), ("Coolant", "28 kg", "on"), ("Wet exhaust", "24 kg", "on")
        ),
    ),
    _unit(
        "classic vee-eight inboard, 5.2 L",
        "four-stroke",
        "vee",
        "8",
        _VEE_EIGHT,
        4000,
        ("386 kg ±10 kg", "wet"),
        ("-470 mm", "0 mm", "190 mm"),
        ("1050 mm", "720 mm", "680 mm"),
        ("-480 mm", "210 mm"),
        "naturally aspirated",
        "0.42 kg·m²",
        ("7800", "6 weeks", "2"),
        "anticlockwise",
        {
            **_PETROL,
            "electrical": {"voltage": "6 V", "charging": "35 A", "stop": "energised to run", "earth": "positive"},
            "sea_water": {"hose": "32 mm", "side": "front"},
            "exhaust": {"outlet": "76 mm", "side": "rear", "angle": "0°"},
            **_CABLE,
        },
        _four("-160 mm", "-820 mm", "285 mm", "40 mm", "16 kN"),
        {"stages": _by_ratio("gear", "marine gear", "gear", "1.5", "keeps"), "reverse": "box"},
        ratings=_rated(_VEE_EIGHT, 3200, (4000, "30 min"), "full throttle"),
        consumption=f("345 g/kWh", "estimated"),
        heat=f("96 kW", "estimated"),
        accessories=_hangs(
            ("Gear and its oil", "62 kg", "in"), ("Exhaust manifolds", "31 kg", "in"), ("Flame arrester", "1.4 kg", "?")
        ),
    ),
    _unit(
        "long-stroke launch six, 3.6 L",
        "four-stroke",
        "in line",
        "6",
        _LONG_SIX,
        2800,
        ("402 kg ±12 kg", "wet"),
        ("-560 mm", "0 mm", "210 mm"),
        ("1210 mm", "560 mm", "740 mm"),
        ("-570 mm", "230 mm"),
        "naturally aspirated",
        "0.55 kg·m²",
        ("5200", "10 weeks", "1"),
        "clockwise",
        {
            **_PETROL,
            "electrical": {"voltage": "6 V", "charging": "20 A", "stop": "energised to run", "earth": "positive"},
            "sea_water": {"hose": "25.4 mm", "side": "port"},
            "exhaust": {"outlet": "63 mm", "side": "port"},
            **_CABLE,
        },
        _four("-200 mm", "-930 mm", "240 mm", "30 mm", "14 kN"),
        {"reverse": "box"},
        ratings=_rated(_LONG_SIX, 2800, (3600, "30 min"), "full throttle"),
        consumption=f("350 g/kWh", "estimated"),
        heat=f("64 kW", "estimated"),
        accessories=_hangs(("Gear and its oil", "58 kg", "in"), ("Hand crank", "2.2 kg", "?")),
    ),
    _unit(
        "vee-twin roadster engine, 1100 cc",
        "four-stroke",
        "vee",
        "2",
        _VEE_TWIN,
        6500,
        ("82 kg ±2 kg", "wet"),
        ("-210 mm", "70 mm", "55 mm"),
        ("540 mm", "430 mm", "560 mm"),
        ("-215 mm", "95 mm"),
        "naturally aspirated",
        "0.12 kg·m²",
        ("2900", "1 week", "4"),
        "anticlockwise",
        {**_PETROL, **_TWELVE, **_WET, **_CABLE, "exhaust": {"outlet": "45 mm", "side": "starboard"}},
        _four("10 mm", "-390 mm", "110 mm", "-20 mm", "42 kN"),
        {
            "stages": _by_ratio("primary", "primary gear", "gear", "1.66", "flips"),
            "gears": {
                k: {"name": k, "rank": float(i), "ratio": f(r, "maker")}
                for i, (k, r) in enumerate(
                    (("first", "2.45"), ("second", "1.66"), ("third", "1.27"), ("fourth", "1.04"), ("fifth", "0.88"))
                )
            },
        },
        ratings=_rated(_VEE_TWIN, 6500),
        consumption=f("320 g/kWh", "estimated"),
        heat=f("0 kW"),
        accessories=_hangs(("Exhaust, complete", "11.8 kg", "on"), ("Intake and throttle bodies", "4.4 kg", "in")),
    ),
    _unit(
        "triple, 890 cc, six gears",
        "four-stroke",
        "in line",
        "3",
        _TRIPLE,
        9000,
        ("64 kg ±1 kg", "wet"),
        ("-195 mm", "78 mm", "50 mm"),
        ("500 mm", "450 mm", "480 mm"),
        ("-200 mm", "80 mm"),
        "naturally aspirated",
        "0.06 kg·m²",
        ("3800", "2 weeks", "5"),
        "clockwise",
        {**_PETROL, **_TWELVE, **_COOLED, **_WET, **_WIRE, "exhaust": {"outlet": "51 mm", "side": "below"}},
        _four("30 mm", "-400 mm", "120 mm", "10 mm", "44 kN"),
        {
            "stages": _by_ratio("primary", "primary gear", "gear", "1.68", "flips"),
            "gears": {
                k: {"name": k, "rank": float(i), "ratio": f(r, "maker")}
                for i, (k, r) in enumerate(
                    (
                        ("first", "2.67"),
                        ("second", "2.0"),
                        ("third", "1.62"),
                        ("fourth", "1.38"),
                        ("fifth", "1.19"),
                        ("sixth", "1.04"),
                    )
                )
            },
        },
        ratings=_rated(_TRIPLE, 9000),
        consumption=f("300 g/kWh", "estimated"),
        heat=f("52 kW", "estimated"),
        accessories=_hangs(("Exhaust, complete", "9.1 kg", "on"), ("Radiator, hoses, coolant", "5.2 kg", "on")),
    ),
    _unit(
        "liquid-cooled single, 390 cc",
        "four-stroke",
        "single",
        "1",
        _SINGLE,
        8000,
        ("36.5 kg ±0.5 kg", "wet"),
        ("-160 mm", "55 mm", "60 mm"),
        ("420 mm", "340 mm", "450 mm"),
        ("-160 mm", "80 mm"),
        "naturally aspirated",
        "0.03 kg·m²",
        ("1500", "1 week", "5"),
        "clockwise",
        {**_PETROL, **_TWELVE, **_COOLED, **_WET, **_WIRE, "exhaust": {"outlet": "38 mm", "side": "below"}},
        _four("20 mm", "-310 mm", "95 mm", "0 mm", "30 kN"),
        {
            "stages": _by_ratio("primary", "primary gear", "gear", "2.67", "flips"),
            "gears": {
                k: {"name": k, "rank": float(i), "ratio": f(r, "maker")}
                for i, (k, r) in enumerate(
                    (
                        ("first", "2.67"),
                        ("second", "1.86"),
                        ("third", "1.42"),
                        ("fourth", "1.14"),
                        ("fifth", "0.96"),
                        ("sixth", "0.84"),
                    )
                )
            },
        },
        ratings=_rated(_SINGLE, 8000),
        consumption=f("295 g/kWh", "estimated"),
        heat=f("22 kW", "estimated"),
        accessories=_hangs(("Radiator, hoses, coolant", "3.1 kg", "on"), ("Exhaust, complete", "5.0 kg", "on")),
    ),
    _unit(
        "swing unit, 278 cc, liquid-cooled",
        "four-stroke",
        "swing unit",
        "1",
        _SWING,
        7250,
        ("44 kg ±1 kg", "wet"),
        ("-230 mm", "-30 mm", "50 mm"),
        ("640 mm", "360 mm", "330 mm"),
        ("-220 mm", "50 mm"),
        "naturally aspirated",
        "0.02 kg·m²",
        ("1250", "2 weeks", "4"),
        "clockwise",
        {**_PETROL, **_TWELVE, **_COOLED, **_WET, **_CABLE, "exhaust": {"outlet": "33 mm", "side": "starboard"}},
        _points(("-420 mm", "-90 mm", "40 mm"), ("-420 mm", "90 mm", "40 mm"), strength="14 kN"),
        {
            "stages": _by_ratio("final", "final gear", "gear", "7.8", "keeps"),
            "gears": {
                "low": {"name": "variator, low", "rank": 1.0, "ratio": f("2.4", "maker")},
                "high": {"name": "variator, high", "rank": 2.0, "ratio": f("0.80", "maker")},
            },
        },
        ratings=_rated(_SWING, 7250),
        consumption=f("315 g/kWh", "estimated"),
        heat=f("13 kW", "estimated"),
        accessories=_hangs(("Radiator, hoses, coolant", "3.4 kg", "on"), ("Silencer", "4.6 kg", "on")),
    ),
    _unit(
        "flight motor, 60 kW, direct",
        "electric",
        None,
        None,
        _FLIGHT,
        2200,
        ("29.5 kg ±0.3 kg", "ready to run"),
        ("95 mm", "0 mm", "0 mm"),
        ("210 mm", "320 mm", "320 mm"),
        ("100 mm", "0 mm"),
        "electric",
        "0.06 kg·m²",
        ("16500", "14 weeks", "3"),
        "clockwise",
        {
            **_POWERED,
            "coolant": {"hose": "19 mm", "side": "below", "bypass": "no"},
            "output": {"flange": "150 mm", "circle": "101.6 mm", "bolts": "6", "turns": "clockwise", "ratio": "1"},
        },
        _four("190 mm", "190 mm", "120 mm", "90 mm", "20 kN"),
        packs={
            "first": {
                "name": "Pack",
                "rank": 1.0,
                "mass": f("52 kg ±0.3 kg", "maker"),
                "length": f("620 mm"),
                "width": f("330 mm"),
                "height": f("230 mm"),
                "energy": f("10 kWh", "maker"),
                "voltage": f("350 V", "maker"),
                "current": f("220 A", "maker"),
            }
        },
        ratings={
            "rating-1": {
                "name": "lasting",
                "rank": 1.0,
                "power": f(_power(_FLIGHT, 2200), "maker"),
                "speed": f("2200 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        peak_power=f("72 kW", "maker"),
        peak_torque=f("290 N·m", "maker"),
        peak_time=f("90 s", "maker"),
        battery_current=f("230 A", "maker"),
        phase_current=f("400 A", "maker"),
        voltage_limit=f("420 V", "maker"),
        heat=f("4.2 kW", "maker"),
        accessories=_hangs(
            ("Controller", "8.9 kg", "on"),
            ("Cooler, pump, coolant", "4.5 kg", "on"),
            ("Cables and fuses", "5.2 kg", "on"),
        ),
    ),
    _unit(
        "axial motor, 70 kW",
        "electric",
        None,
        None,
        _AXIAL,
        4500,
        ("34 kg ±0.5 kg", "ready to run"),
        ("-70 mm", "0 mm", "0 mm"),
        ("160 mm", "310 mm", "310 mm"),
        ("-75 mm", "0 mm"),
        "electric",
        "0.04 kg·m²",
        ("7400", "6 weeks", "3"),
        "clockwise",
        {**_POWERED, "coolant": {"hose": "16 mm", "side": "top", "bypass": "no"}},
        _four("-20 mm", "-130 mm", "140 mm", "-100 mm", "20 kN"),
        peak_power=f("120 kW", "maker"),
        peak_torque=f("240 N·m", "maker"),
        peak_time=f("30 s", "maker"),
        battery_current=f("320 A", "maker"),
        phase_current=f("500 A", "maker"),
        voltage_limit=f("400 V", "maker"),
        heat=f("5 kW", "maker"),
        ratings={
            "rating-1": {
                "name": "lasting",
                "rank": 1.0,
                "power": f(_power(_AXIAL, 4500), "maker"),
                "speed": f("4500 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        accessories=_hangs(("Controller", "11.5 kg", "on"), ("Cooler, pump, coolant", "5.8 kg", "on")),
    ),
    _unit(
        "hub motor, 2.8 kW, 12 in wheel",
        "electric",
        None,
        None,
        _HUB,
        450,
        ("12.6 kg ±0.2 kg", "ready to run"),
        ("0 mm", "0 mm", "0 mm"),
        ("310 mm", "150 mm", "310 mm"),
        ("0 mm", "0 mm"),
        "electric",
        "0.12 kg·m²",
        ("520", "3 weeks", "4"),
        "clockwise",
        {**_POWERED},
        {},
        peak_power=f("5 kW", "maker"),
        peak_torque=f("150 N·m", "maker"),
        peak_time=f("60 s", "maker"),
        battery_current=f("80 A", "maker"),
        voltage_limit=f("84 V", "maker"),
        heat=f("0 kW"),
        packs={
            "first": {
                "name": "Pack",
                "rank": 1.0,
                "mass": f("13.4 kg ±0.1 kg", "maker"),
                "length": f("320 mm"),
                "width": f("180 mm"),
                "height": f("140 mm"),
                "energy": f("2 kWh", "maker"),
                "voltage": f("72 V", "maker"),
                "current": f("90 A", "maker"),
            }
        },
        ratings={
            "rating-1": {
                "name": "lasting",
                "rank": 1.0,
                "power": f(_power(_HUB, 450), "maker"),
                "speed": f("450 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        accessories=_hangs(("Controller", "2.4 kg", "on"), ("Tyre", "3.1 kg", "?")),
    ),
    _unit(
        "shaft motor for boats, 9.5 kW",
        "electric",
        None,
        None,
        _POD,
        1400,
        ("41 kg ±0.4 kg", "ready to run"),
        ("-180 mm", "0 mm", "20 mm"),
        ("400 mm", "280 mm", "300 mm"),
        ("-185 mm", "20 mm"),
        "electric",
        "0.07 kg·m²",
        ("6800", "5 weeks", "4"),
        "clockwise",
        {
            **_POWERED,
            "sea_water": {"hose": "13 mm", "side": "port"},
            "output": {"flange": "102 mm", "circle": "82.5 mm", "bolts": "4", "turns": "clockwise", "ratio": "1"},
        },
        _four("-60 mm", "-310 mm", "150 mm", "-40 mm", "9 kN"),
        peak_power=f("12 kW", "maker"),
        peak_torque=f("82 N·m", "maker"),
        peak_time=f("10 min", "maker"),
        battery_current=f("260 A", "maker"),
        voltage_limit=f("60 V", "maker"),
        heat=f("0.9 kW", "maker"),
        packs={
            k: {
                "name": n,
                "rank": r,
                "mass": f("58 kg ±0.3 kg", "maker"),
                "length": f("520 mm"),
                "width": f("270 mm"),
                "height": f("240 mm"),
                "energy": f("7.2 kWh", "maker"),
                "voltage": f("48 V", "maker"),
                "current": f("150 A", "maker"),
            }
            for k, n, r in (("first", "Pack, port", 1.0), ("second", "Pack, starboard", 2.0))
        },
        ratings={
            "rating-1": {
                "name": "lasting",
                "rank": 1.0,
                "power": f(_power(_POD, 1400), "maker"),
                "speed": f("1400 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        accessories=_hangs(("Charger", "6.2 kg", "on"), ("Display and lever", "1.6 kg", "on")),
    ),
    _unit(
        "car triple, 1.0 L, turbocharged",
        "four-stroke",
        "in line",
        "3",
        _TINY_CAR,
        5200,
        ("79 kg ±3 kg", "dry"),
        ("-210 mm", "0 mm", "60 mm"),
        ("510 mm", "560 mm", "640 mm"),
        ("-220 mm", "90 mm"),
        "turbocharged",
        "0.09 kg·m²",
        ("2100", "1 week", "5"),
        "anticlockwise",
        {
            **_PETROL,
            **_TWELVE,
            **_COOLED,
            **_WET,
            **_WIRE,
            "exhaust": {"outlet": "45 mm", "side": "rear"},
            "air": {"hose": "50 mm", "side": "front"},
        },
        _four("-60 mm", "-390 mm", "190 mm", "20 mm", "20 kN"),
        critical_altitude=f("1800 m", "estimated"),
        ratings=_rated(_TINY_CAR, 5200),
        consumption=f("290 g/kWh", "estimated"),
        heat=f("48 kW", "estimated"),
        accessories=_hangs(
            ("Radiator, hoses, coolant", "8.4 kg", "on"),
            ("Exhaust and catalyst", "10.5 kg", "on"),
            ("Clutch and flywheel", "9.8 kg", "?"),
        ),
    ),
)


def units(projects: list[Project]) -> dict[str, LibraryUnit]:
    """The library by ids: the units of the projects, each once, then the others."""
    made: dict[str, LibraryUnit] = {}
    for project in projects:
        fitted = [i for fit in project.fits.values() for i in fit.installations.values()]
        for installation in (*project.old_installations.values(), *fitted):
            if installation.unit.name not in {u.unit.name for u in made.values()}:
                made[slug(installation.unit.name, made)] = kept(project, installation)
    for raw in _MINE:
        unit = load_unit(raw)
        made[slug(unit.unit.name, made)] = unit
    return made


def origins(project: Project, library: dict[str, LibraryUnit]) -> list[dict[str, Any]]:
    """The edit that names in a project the units that its installations are copies of."""
    ids = {u.unit.name: k for k, u in library.items()}
    places = [(f"/old_installations/{i}", made) for i, made in project.old_installations.items()]
    places += [
        (f"/fits/{k}/installations/{i}", made)
        for k, fit in project.fits.items()
        for i, made in fit.installations.items()
    ]
    return [{"op": "add", "path": f"{base}/unit/origin", "value": ids[i.unit.name]} for base, i in places]
