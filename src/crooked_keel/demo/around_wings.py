"""What surrounds the motor of the glider and the two units of the canard."""

from __future__ import annotations

from typing import Any

from .figures import f, up
from .lanes import corners, load, piece, pieces, reach, starter, wire

# Curlew's motor on 403 V: everything judged, nothing that stops.
GLIDER_MOTOR: dict[str, Any] = {
    "cooling": {
        "by": "air over fins",
        "hot_day": f("30 °C", "estimated"),
        "speed": f("100 km/h", "estimated"),
        "sealed": "yes",
        "core_drop": f("150 Pa", "estimated"),
    },
    "electric": {
        "earth": "cable back, insulated",
        "voltage": f("12 V"),
        "senders": "new with new gauges",
        "loads": {
            "radio": load("radio", 0.0, "30 W", "20 %"),
            "control": load("controller and instruments", 1.0, "25 W", "100 %"),
        },
        "wires": {"radio": wire("radio", 0.0, "3 A", "2.8 m", "AWG 16", "5 A", lies="outside it")},
    },
    "high_voltage": {
        "resistor": f("330 Ω", "maker"),
        "resistor_rating": f("1200 W", "maker"),
        "capacitance": f("600 µF", "maker"),
        "bleeder": f("22 kΩ", "maker"),
        "discharge": "passive",
        "inside": f("95 mΩ", "maker"),
        "first_pole": f("204 V"),
        "other_pole": f("198 V"),
        "first_pole_after": f("120 V"),
        "test_resistor": f("200 kΩ"),
        "barriers": "yes",
        "fuse": f("250 A", "maker"),
        "fuse_volts": f("500 V", "maker"),
        "fuse_for": "direct current",
        "fuse_breaks": f("20 kA", "maker"),
        "cable": "AWG 1/0",
        "interlock": "yes",
        "moving": "keeps driving, with an alarm",
    },
    "access": reach(
        service_plug="by hand", main_fuse="with a tool", cooling_pump="by hand", plugs_of_the_controller="with a tool"
    ),
}

_FUEL: dict[str, Any] = {
    "fed": "by pump",
    "primed": "by an electric pump",
    "lift": f("150 mm"),
    "returns": "no return",
    "measured": f("70 L/h ±2 L/h"),
    "pump_head": f("45 kPa", "maker"),
    "wants": f("25 kPa", "maker"),
    "plan": f("1.5 h", "estimated"),
    "reserve": f("30 min"),
    "unusable": f("3 L", "estimated"),
    "path": pieces(
        piece("tank", "strake", "tank", "", "10 mm", "60 mm"),
        {
            **piece("screen", "finger screen", "filter", "", "10 mm", "60 mm"),
            "fineness": f("200 µm", "maker"),
            "passes": f("200 L/h", "maker"),
        },
        piece("line", "line to the pump", "straight", "1100 mm", "10 mm", "180 mm", joint="flared"),
        piece("pump", "electric pump", "pump", "", "10 mm", "200 mm"),
        {
            **piece("fine", "fine filter", "filter", "", "10 mm", "220 mm"),
            "fineness": f("40 µm", "maker"),
            "passes": f("150 L/h", "maker"),
        },
    ),
}
_REACH = reach(
    oil_filter="by hand",
    dipstick="by hand",
    plugs_or_injectors="with a tool",
    air_filter="by hand",
    fuel_filter="by hand",
    drain="with a tool",
)


def _exhaust(gas: str, mixture: str) -> dict[str, Any]:
    return {
        "leaves": "dry",
        "limit": f("12 kPa", "maker"),
        "gas": f(gas, "estimated"),
        "mixture": f(mixture, "estimated"),
        "shielded": "yes",
        "hot_length": f("320 mm"),
        "material": "nickel alloy",
        "slip": f("14 mm"),
        "path": pieces(
            piece("port", "collector", "unit", "", "50 mm", "-80 mm"),
            piece("bend", "bend", "long bend of 90°", "140 mm", "50 mm", "-140 mm", joint="slip joint"),
            piece("pipe", "pipe", "straight", "420 mm", "50 mm", "-190 mm", joint="clamp"),
        ),
    }


def _oil(least: str, run: str, most: str, filled: str, height: str) -> dict[str, Any]:
    return {
        "kept_in": "wet sump",
        "least": f(least, "maker"),
        "run": f(run, "maker"),
        "most": f(most, "maker"),
        "filled": f(filled),
        "outline": corners(("0 mm", "0 mm"), ("320 mm", "0 mm"), ("320 mm", height), ("0 mm", height)),
        "width": f("210 mm"),
        "pickup_aft": f("160 mm"),
        "pickup_up": f("10 mm"),
        "nose_up": f("14°", "estimated"),
        "nose_down": f("8°", "estimated"),
    }


def _electric(ignition: str) -> dict[str, Any]:
    return {
        "earth": "strap from the unit to the frame",
        "voltage": f("12 V"),
        "source_idle": f("210 W", "maker"),
        "source_cruise": f("420 W", "maker"),
        "charge_voltage": f("14.3 V ±0.1 V"),
        "ignition": ignition,
        "senders": "new with new gauges",
        "loads": {
            "pump": load("fuel pump", 0.0, "50 W", "100 %"),
            "radio": load("radio and transponder", 1.0, "60 W", "50 %"),
            "lamp": load("strobes", 2.0, "40 W", "100 %"),
        },
        "wires": {
            "starter": starter("140 A", "2.6 m", "AWG 4"),
            "pump": wire("fuel pump", 1.0, "4.5 A", "5.2 m", "AWG 16", "7.5 A"),
        },
    }


# Plover's flat-four, air over its fins, behind the cabin.
PUSHER_FOUR: dict[str, Any] = {
    "cooling": {
        "by": "air over fins",
        "hot_day": f("32 °C", "estimated"),
        "speed": f("135 km/h", "estimated"),
        "sealed": "yes",
        "core_drop": f("260 Pa", "estimated"),
    },
    "oil": {**_oil("4.2 L", "5.4 L", "6.0 L", "5.4 L ±0.1 L", "140 mm"), "gear": "no gear"},
    "exhaust": _exhaust("720 °C", "12.8"),
    "induction": {
        "by": "injection",
        "mixture": f("12.8", "maker"),
        "bore": f("70 mm"),
        "filter": "oiled gauze",
        "filter_area": f("310 cm²", "maker"),
    },
    "fuel": _FUEL,
    "electric": _electric("makes its own"),
    "access": _REACH,
}

# Plover's rotors: liquid in their housings, hot oil, a gear of its own.
PUSHER_ROTORS: dict[str, Any] = {
    "cooling": {
        "by": "liquid to air",
        "coolant": "half ethylene glycol",
        "others": "as listed",
        "also": {"oil": {"name": "oil to coolant", "heat": f("9 kW", "estimated")}},
        "hot_day": f("32 °C", "estimated"),
        "limit": f("112 °C", "maker"),
        "coolant_flow": f("92 L/min", "maker"),
        "coolers": {
            "radiator": {
                "name": "radiator",
                "rank": 0.0,
                "carries": "coolant",
                "stands": "behind the first",
                "conductance": f("3400 W/K", "maker"),
            },
            "charge": {
                "name": "charge cooler",
                "rank": 1.0,
                "carries": "charge air",
                "stands": "first in the air",
                "conductance": f("110 W/K", "maker"),
            },
        },
        "speed": f("135 km/h", "estimated"),
        "inlet": f("1300 cm²"),
        "sealed": "yes",
        "core_drop": f("220 Pa", "maker"),
        "cap": f("110 kPa", "maker"),
        "volume": f("6.2 L"),
        "header_air": f("0.8 L"),
        "header_height": up("420 mm"),
        "loop": pieces(
            piece("out", "housing outlet", "unit", "", "32 mm", "360 mm"),
            piece("top", "hose to the header", "straight", "260 mm", "32 mm", "410 mm", bleed="yes", joint="two clips"),
            piece("down", "hose to the radiator", "straight", "700 mm", "32 mm", "40 mm", joint="two clips"),
            piece("core", "radiator", "cooler", "", "32 mm", "-60 mm"),
            piece("back", "hose back", "straight", "620 mm", "32 mm", "-40 mm", joint="two clips"),
            piece("in", "water pump", "pump", "", "32 mm", "80 mm"),
        ),
    },
    "oil": {
        **_oil("3.8 L", "4.8 L", "5.4 L", "4.8 L ±0.1 L", "130 mm"),
        "gear": "oil of its own",
        "gear_cooler": "yes",
    },
    "exhaust": _exhaust("880 °C", "12.5"),
    "induction": {
        "by": "injection",
        "mixture": f("12.5", "maker"),
        "bore": f("70 mm"),
        "filter": "oiled gauze",
        "filter_area": f("300 cm²", "maker"),
        "charge_cooler": "yes",
        "boost": f("35 kPa ±2 kPa", "maker"),
        "blower": f("68 %", "maker"),
        "charge_limit": f("65 °C", "maker"),
    },
    "fuel": _FUEL,
    "electric": {
        **_electric("needs current"),
        "banks": {
            "spare": {
                "name": "ignition battery",
                "rank": 0.0,
                "purpose": "ignition",
                "cells": "lithium",
                "capacity": f("36 Ah", "maker"),
                "current": f("10 A", "estimated"),
                "lasts": f("1.5 h", "estimated"),
                "charged_by": "generator of the unit",
                "through": "relay that parts them",
                "most_current": f("40 A", "maker"),
            }
        },
    },
    "access": _REACH,
}
