"""What surrounds the units of the second fits: judged whole, and nothing that stops."""

from __future__ import annotations

from typing import Any

from .figures import f, up
from .lanes import corners, load, piece, pieces, reach, starter, wire

_REACH = reach(
    oil_filter="by hand",
    dipstick="by hand",
    plugs_or_injectors="with a tool",
    air_filter="by hand",
    fuel_filter="by hand",
    drain="with a tool",
)
_MOTOR = {
    "service_plug": "by hand",
    "main_fuse": "with a tool",
    "cooling_pump": "by hand",
    "plugs_of_the_controller": "with a tool",
}


def _low_voltage(**more: Any) -> dict[str, Any]:
    return {
        "earth": "cable back, insulated",
        "voltage": f("12 V"),
        "senders": "new with new gauges",
        "loads": {
            "lamps": load("lamps", 0.0, "60 W", "50 %"),
            "control": load("controller and dash", 1.0, "20 W", "100 %"),
        },
        "wires": {"lamps": wire("lamps", 0.0, "5 A", "4.0 m", "AWG 14", "10 A", lies="outside it")},
        **more,
    }


def _high_voltage(pack: tuple[str, str, str], fuse: tuple[str, str, str], cable: str) -> dict[str, Any]:
    return {
        "resistor": f("180 Ω", "maker"),
        "resistor_rating": f("200 W", "maker"),
        "capacitance": f("1200 µF", "maker"),
        "bleeder": f("3.3 kΩ", "maker"),
        "discharge": "passive",
        "inside": f("22 mΩ", "maker"),
        "first_pole": f(pack[0]),
        "other_pole": f(pack[1]),
        "first_pole_after": f(pack[2]),
        "test_resistor": f("47 kΩ"),
        "barriers": "no",
        "fuse": f(fuse[0], "maker"),
        "fuse_volts": f(fuse[1], "maker"),
        "fuse_for": "direct current",
        "fuse_breaks": f(fuse[2], "maker"),
        "cable": cable,
        "interlock": "yes",
        "moving": "cuts off",
    }


# Tiller's axle and Pannier's swing arm, each on more than 60 V.
VAN_AXLE: dict[str, Any] = {
    "cooling": {"by": "fins in the open"},
    "electric": _low_voltage(),
    "high_voltage": _high_voltage(("61 V", "57 V", "24 V"), ("405 A", "160 V", "10 kA"), "AWG 4/0"),
    "access": reach(**_MOTOR),
}
SCOOTER_ARM: dict[str, Any] = {
    "cooling": {"by": "fins in the open"},
    "electric": _low_voltage(),
    "high_voltage": _high_voltage(("43 V", "41 V", "17 V"), ("130 A", "100 V", "6 kA"), "AWG 4"),
    "access": reach(**_MOTOR),
}
# Samphire's motor stays below 60 V; its heat goes into a keel cooler.
LAUNCH_MOTOR: dict[str, Any] = {
    "cooling": {
        "by": "keel cooler",
        "coolant": "half propylene glycol",
        "others": "nothing else",
        "limit": f("60 °C", "maker"),
        "coolant_flow": f("14 L/min", "maker"),
        "volume": f("3.0 L"),
        "header_air": f("0.4 L"),
        "header_height": up("420 mm"),
        "sea": f("24 °C", "estimated"),
        "keel_area": f("0.9 m²"),
        "loop": pieces(
            piece("out", "motor outlet", "unit", "", "19 mm", "260 mm"),
            piece("top", "hose to the header", "straight", "320 mm", "19 mm", "400 mm", bleed="yes", joint="two clips"),
            piece("down", "hose to the skin", "straight", "900 mm", "19 mm", "-180 mm", joint="two clips"),
            piece("skin", "keel cooler", "cooler", "", "19 mm", "-260 mm"),
            piece("back", "hose back", "straight", "850 mm", "19 mm", "120 mm", joint="two clips"),
        ),
    },
    "electric": _low_voltage(),
    "access": reach(**_MOTOR, bilge_pump="by hand", stuffing_box="with a tool"),
}

# Harrow's twin: a radiator in the stream behind the front wheel.
BIKE_TWIN: dict[str, Any] = {
    "cooling": {
        "by": "liquid to air",
        "coolant": "half ethylene glycol",
        "others": "nothing else",
        "hot_day": f("36 °C", "estimated"),
        "height": f("600 m", "estimated"),
        "limit": f("112 °C", "maker"),
        "coolant_flow": f("70 L/min", "maker"),
        "coolers": {
            "radiator": {
                "name": "radiator",
                "rank": 0.0,
                "carries": "coolant",
                "conductance": f("2100 W/K", "maker"),
            }
        },
        "fan": f("1.3 m³/s", "maker"),
        "sealed": "yes",
        "cap": f("110 kPa", "maker"),
        "volume": f("2.4 L"),
        "header_air": f("0.35 L"),
        "header_height": up("640 mm"),
        "loop": pieces(
            piece("out", "head outlet", "unit", "", "25 mm", "560 mm"),
            piece("top", "hose to the core", "straight", "240 mm", "25 mm", "620 mm", bleed="yes", joint="two clips"),
            piece("core", "radiator", "cooler", "", "25 mm", "330 mm"),
            piece("back", "hose back", "straight", "260 mm", "25 mm", "300 mm", joint="two clips"),
            piece("in", "water pump", "pump", "", "25 mm", "380 mm"),
        ),
    },
    "oil": {
        "kept_in": "wet sump",
        "least": f("2.4 L", "maker"),
        "run": f("3.0 L", "maker"),
        "most": f("3.3 L", "maker"),
        "filled": f("3.0 L ±0.05 L"),
        "outline": corners(("0 mm", "0 mm"), ("240 mm", "0 mm"), ("240 mm", "110 mm"), ("0 mm", "110 mm")),
        "width": f("160 mm"),
        "pickup_aft": f("120 mm"),
        "pickup_up": f("8 mm"),
        "nose_up": f("15°", "estimated"),
        "nose_down": f("12°", "estimated"),
        "gear": "the unit's oil",
        "gear_cooler": "yes",
    },
    "exhaust": {
        "leaves": "dry",
        "limit": f("12 kPa", "maker"),
        "gas": f("780 °C", "estimated"),
        "mixture": f("13", "estimated"),
        "shielded": "yes",
        "hot_length": f("420 mm"),
        "material": "stainless steel",
        "slip": f("16 mm"),
        "path": pieces(
            piece("port", "collector", "unit", "", "48 mm", "420 mm"),
            piece("bend", "bend", "long bend of 90°", "150 mm", "48 mm", "320 mm", joint="slip joint"),
            piece("pipe", "pipe to the silencer", "straight", "720 mm", "48 mm", "340 mm", joint="clamp"),
        ),
    },
    "induction": {
        "by": "injection",
        "mixture": f("13", "estimated"),
        "bore": f("64 mm"),
        "filter": "paper",
        "filter_area": f("620 cm²", "maker"),
    },
    "fuel": {
        "fed": "by pump",
        "primed": "by an electric pump",
        "lift": f("0 mm"),
        "returns": "no return",
        "measured": f("70 L/h ±2 L/h"),
        "pump_head": f("420 kPa", "maker"),
        "wants": f("300 kPa", "maker"),
        "plan": f("20 min", "estimated"),
        "reserve": f("6 min", "estimated"),
        "unusable": f("0.4 L", "estimated"),
        "path": pieces(
            piece("tank", "tank", "tank", "", "8 mm", "720 mm"),
            {
                **piece("screen", "screen in the tank", "filter", "", "8 mm", "700 mm"),
                "fineness": f("100 µm", "maker"),
                "passes": f("160 L/h", "maker"),
            },
            piece("pump", "pump in the tank", "pump", "", "8 mm", "700 mm"),
            {
                **piece("fine", "fine filter", "filter", "", "8 mm", "680 mm"),
                "fineness": f("10 µm", "maker"),
                "passes": f("140 L/h", "maker"),
            },
        ),
    },
    "electric": _low_voltage(
        earth="strap from the unit to the frame",
        source_idle=f("160 W", "maker"),
        source_cruise=f("340 W", "maker"),
        ignition="needs current",
    ),
    "access": _REACH,
}

# Lapwing's flat-twin: air over its fins, fuel by gravity.
PLANE_TWIN: dict[str, Any] = {
    "cooling": {
        "by": "air over fins",
        "hot_day": f("34 °C", "estimated"),
        "speed": f("95 km/h", "estimated"),
        "sealed": "yes",
        "core_drop": f("150 Pa", "estimated"),
    },
    "oil": {
        "kept_in": "wet sump",
        "least": f("2.6 L", "maker"),
        "run": f("3.4 L", "maker"),
        "most": f("3.8 L", "maker"),
        "filled": f("3.4 L ±0.05 L"),
        "outline": corners(("0 mm", "0 mm"), ("280 mm", "0 mm"), ("280 mm", "110 mm"), ("0 mm", "110 mm")),
        "width": f("170 mm"),
        "pickup_aft": f("140 mm"),
        "pickup_up": f("10 mm"),
        "nose_up": f("16°", "estimated"),
        "nose_down": f("10°", "estimated"),
        "gear": "no gear",
    },
    "exhaust": {
        "leaves": "dry",
        "limit": f("12 kPa", "maker"),
        "gas": f("700 °C", "estimated"),
        "mixture": f("12.5", "estimated"),
        "shielded": "yes",
        "hot_length": f("300 mm"),
        "material": "stainless steel",
        "slip": f("14 mm"),
        "path": pieces(
            piece("port", "stack", "unit", "", "40 mm", "-80 mm"),
            piece("bend", "bend", "long bend of 90°", "120 mm", "40 mm", "-150 mm", joint="slip joint"),
            piece("pipe", "pipe below the cowl", "straight", "480 mm", "40 mm", "-240 mm", joint="clamp"),
        ),
    },
    "induction": {
        "by": "float carburettor",
        "mixture": f("12.5", "estimated"),
        "bore": f("56 mm"),
        "filter": "oiled gauze",
        "filter_area": f("240 cm²", "maker"),
        "tilt_limit": f("30°", "maker"),
    },
    "fuel": {
        "fed": "by gravity",
        "returns": "no return",
        "measured": f("46 L/h ±1 L/h"),
        "plan": f("66 min", "estimated"),
        "reserve": f("30 min"),
        "unusable": f("2 L", "estimated"),
        "path": pieces(
            piece("tank", "header tank", "tank", "", "8 mm", "480 mm"),
            {
                **piece("finger", "finger screen", "filter", "", "8 mm", "470 mm"),
                "fineness": f("200 µm", "maker"),
                "passes": f("120 L/h", "maker"),
            },
            piece("line", "line to the bowl", "straight", "700 mm", "8 mm", "60 mm", joint="flared"),
        ),
    },
    "electric": _low_voltage(
        earth="strap from the unit to the frame",
        source_idle=f("120 W", "maker"),
        source_cruise=f("260 W", "maker"),
        ignition="makes its own",
        wires={"starter": starter("120 A", "3.4 m", "AWG 4")},
    ),
    "access": _REACH,
}
