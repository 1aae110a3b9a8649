"""What the invented units of the demonstration are made of."""

from __future__ import annotations

import math
from typing import Any

from ..figures import box, cg, f, local

Points = tuple[tuple[float, float], ...]


def power(curve: Points, rpm: float) -> str:
    """Power of a point of the curve: sheets of one unit agree with themselves."""
    return f"{dict(curve)[rpm] * rpm * math.pi / 30e3:.1f} kW"


def rated(
    curve: Points, lasting: float, short: tuple[float, str] | None = None, name: str = "take-off"
) -> dict[str, Any]:
    """Ratings: one that lasts, and perhaps one for so long."""
    rows = [("lasting", lasting, None), *([(name, short[0], short[1])] if short else [])]
    return {
        f"rating-{i}": {
            "name": n,
            "rank": float(i),
            "power": f(power(curve, rpm), "maker"),
            "speed": f(f"{rpm:g} rpm", "maker"),
            "limit": "for so long" if t else "without a limit",
            **({"lasts": f(t, "maker")} if t else {}),
        }
        for i, (n, rpm, t) in enumerate(rows, 1)
    }


def hangs(*rows: tuple[str, str, str]) -> dict[str, Any]:
    """What hangs on it: name, mass, and whether that is in (the quoted mass), on (top of it) or not said."""
    said = {"in": {"counted": "in its mass"}, "on": {"counted": "on top of it"}, "?": {}}
    return {
        f"accessory-{i}": {"name": n, "rank": float(i), "mass": f(m, "maker"), **said[how]}
        for i, (n, m, how) in enumerate(rows, 1)
    }


def points(*places: tuple[str, str, str], strength: str = "12 kN") -> dict[str, Any]:
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


def four(front: str, rear: str, out: str, height: str, strength: str = "12 kN") -> dict[str, Any]:
    """Four points in two pairs."""
    return points(*((x, y, height) for x in (front, rear) for y in (f"-{out}", out)), strength=strength)


def stage(
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


def by_ratio(key: str, name: str, kind: str, ratio: str, turning: str) -> dict[str, Any]:
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


CHOSEN = {"turns", "kind", "returns", "stop", "earth", "side", "bypass", "pump", "opens", "end", "bus"}


def ports(**ports: dict[str, Any]) -> dict[str, Any]:
    return {p: {k: v if k in CHOSEN else f(v, "maker") for k, v in values.items()} for p, values in ports.items()}


PETROL = {
    "fuel": {"kind": "petrol", "hose": "8 mm", "returns": "yes"},
    "instruments": {"pulses": "2", "bus": "single wires"},
}
TWELVE = {"electrical": {"voltage": "12 V", "charging": "30 A", "stop": "energised to run", "earth": "negative"}}
CABLE = {"controls": {"travel": "40 mm", "opens": "pull", "end": "barrel"}}
WIRE = {"controls": {"opens": "by wire", "end": "plug"}}
COOLED = {"coolant": {"hose": "28 mm", "side": "starboard", "bypass": "yes"}}
WET = {"oil": {"pump": "wet sump", "hose": "12 mm"}}
AT_SEA = {
    "fuel": {"kind": "diesel", "hose": "10 mm", "returns": "yes"},
    "electrical": {"voltage": "12 V", "charging": "90 A", "stop": "energised to stop", "earth": "negative"},
    "controls": {"travel": "76 mm", "opens": "push", "end": "fork"},
    "instruments": {"bus": "digital bus"},
}
POWERED = {"fuel": {"kind": "electricity"}, "instruments": {"bus": "digital bus"}, **WIRE}


def unit(
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
    meets: dict[str, Any],
    points: dict[str, Any],
    drive: dict[str, Any] | None = None,
    packs: dict[str, Any] | None = None,
    **more: Any,
) -> dict[str, Any]:
    """A unit from its sheet. at: rated speed, rpm; mass with its condition; size: length, width, height; middle: of its
    envelope, aft and up of its flange; price: cost, wait, supply of parts."""
    cost, wait, parts = price
    length, width, height = size
    unit = {
        "name": name,
        "kind": kind,
        **({"layout": layout} if layout else {}),
        **({"cylinders": f(cylinders, "maker")} if cylinders else {}),
        "breathing": breathing,
        "curve": [{"speed": f(f"{n:g} rpm", "maker"), "torque": f(f"{t:g} N·m", "maker")} for n, t in curve],
        "power": f(power(curve, at), "maker"),
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
        "ports": ports(**meets),
        **more,
    }
    return {"unit": unit, "drive": drive or {}, "mount": {"points": points}, "packs": packs or {}}


RADIAL = ((1400, 585), (1700, 640), (2000, 664), (2200, 660), (2300, 655))
AIR_FOUR = ((1800, 292), (2200, 304), (2500, 301), (2700, 292), (2800, 286))
BOOSTED = ((3500, 138), (4500, 152), (5200, 154), (5500, 150), (5800, 146))
UPRIGHT = ((3500, 78), (4500, 86), (5500, 91), (6500, 90), (7200, 84), (7600, 77))
STROKE = ((4000, 58), (5200, 69), (6000, 74), (6400, 73), (6800, 68))
CAR_FLAT = ((2000, 196), (3200, 222), (4400, 226), (5200, 215), (5800, 198))
CAR_VEE = ((2000, 290), (3200, 334), (4400, 345), (5000, 338), (5600, 320))
ROTORS = ((3000, 168), (4500, 196), (5500, 205), (6500, 201), (7200, 190))
SMALL_TURBINE = ((1800, 640), (2000, 632), (2150, 598))
TURBINE = ((1700, 1680), (1900, 1640), (2000, 1560))
DIESEL_NINE = ((1500, 25), (2200, 27.5), (3000, 26.6), (3600, 23.9))
DIESEL_SIX = ((1000, 560), (1500, 735), (1900, 790), (2300, 752), (2500, 690))
DIESEL_FOUR = ((1200, 198), (1800, 236), (2400, 240), (3200, 220), (3600, 196))
VEE_EIGHT = ((1500, 372), (2400, 405), (3200, 409), (4000, 380), (4600, 336))
LONG_SIX = ((1200, 220), (2000, 252), (2800, 256), (3600, 236), (4200, 205))
VEE_TWIN = ((2000, 74), (3500, 88), (5000, 91), (6500, 82), (7200, 72))
TRIPLE = ((3000, 68), (5000, 80), (7000, 86), (9000, 80), (10200, 71))
SINGLE = ((3500, 27), (5000, 33), (6500, 36), (8000, 34.5), (9200, 30))
SWING = ((3000, 15), (4500, 21), (6000, 23), (7250, 22), (8250, 18.5))
FLIGHT = ((600, 260), (1400, 260), (2200, 260), (2500, 230))
AXIAL = ((500, 150), (2500, 150), (4500, 148), (6000, 112), (7500, 89))
HUB = ((100, 62), (450, 60), (700, 41), (900, 22))
POD = ((200, 66), (900, 66), (1400, 65), (1800, 50))
TINY_CAR = ((1500, 128), (2500, 148), (4000, 150), (5200, 136), (6000, 118))

AERO_FOUR = four("330 mm", "330 mm", "165 mm", "-110 mm")
