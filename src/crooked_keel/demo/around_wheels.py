"""What surrounds the units of the demonstration projects on wheels."""

from __future__ import annotations

from typing import Any

from .figures import f
from .lanes import corners, load, piece, pieces, reach, starter, wire

# Harrow's motor on 124 V: a leak to the frame that must be found before it is energised.
BIKE_MOTOR: dict[str, Any] = {
    "cooling": {"by": "fins in the open"},
    "electric": {
        "earth": "cable back, insulated",
        "voltage": f("12 V"),
        "senders": "new with new gauges",
        "loads": {
            "lamp": load("headlamp", 0.0, "25 W", "100 %"),
            "control": load("controller and dash", 1.0, "15 W", "100 %"),
        },
        "wires": {"lamp": wire("headlamp", 0.0, "2.1 A", "3.2 m", "AWG 18", "5 A", lies="outside it")},
    },
    "high_voltage": {
        "resistor": f("120 Ω", "maker"),
        "resistor_rating": f("300 W", "maker"),
        "capacitance": f("1500 µF", "maker"),
        "bleeder": f("4.7 kΩ", "maker"),
        "discharge": "passive",
        "inside": f("24 mΩ", "maker"),
        "first_pole": f("78 V"),
        "other_pole": f("46 V"),
        "first_pole_after": f("52 V"),
        "test_resistor": f("47 kΩ"),
        "barriers": "no",
        "fuse": f("430 A", "maker"),
        "fuse_volts": f("160 V", "maker"),
        "fuse_for": "direct current",
        "fuse_breaks": f("10 kA", "maker"),
        "cable": "AWG 4/0",
        "interlock": "yes",
        "moving": "cuts off",
    },
    "access": reach(
        service_plug="by hand", main_fuse="with a tool", cooling_pump="by hand", plugs_of_the_controller="by hand"
    ),
}

# Tiller's vee-twin: a fuse that its wire does not outlast, and a filter of the wrong place.
VAN_TWIN: dict[str, Any] = {
    "cooling": {
        "by": "air over fins",
        "sealed": "yes",
        "fan": f("0.24 m³/s", "maker"),
    },
    "exhaust": {
        "leaves": "dry",
        "limit": f("12 kPa", "maker"),
        "gas": f("620 °C", "estimated"),
        "mixture": f("13", "estimated"),
        "shielded": "yes",
        "hot_length": f("300 mm"),
        "material": "mild steel",
        "slip": f("0 mm"),
        "path": pieces(
            piece("port", "flange", "unit", "", "28 mm", "420 mm"),
            piece("bend", "bend", "short bend of 90°", "90 mm", "28 mm", "380 mm", joint="flange"),
            piece("pipe", "pipe to the silencer", "straight", "860 mm", "32 mm", "330 mm", joint="clamp"),
        ),
    },
    "induction": {
        "by": "float carburettor",
        "mixture": f("13", "estimated"),
        "bore": f("34 mm"),
        "filter": "paper",
        "filter_area": f("240 cm²", "maker"),
        "tilt_limit": f("20°", "maker"),
    },
    "fuel": {
        "fed": "by pump",
        "primed": "by hand",
        "lift": f("120 mm"),
        "returns": "no return",
        "measured": f("26 L/h ±1 L/h"),
        "pump_head": f("24 kPa", "maker"),
        "wants": f("15 kPa", "maker"),
        "plan": f("70 min", "estimated"),
        "reserve": f("20 min", "estimated"),
        "unusable": f("0.5 L", "estimated"),
        "path": pieces(
            piece("tank", "tank", "tank", "", "6 mm", "380 mm"),
            {
                **piece("screen", "screen in the tank", "filter", "", "6 mm", "300 mm"),
                "fineness": f("150 µm", "maker"),
                "passes": f("90 L/h", "maker"),
            },
            piece("line", "line to the pump", "straight", "1450 mm", "6 mm", "420 mm", joint="clamp"),
            piece("pump", "pump on the case", "pump", "", "6 mm", "420 mm"),
            {
                **piece("fine", "fine filter", "filter", "", "6 mm", "470 mm"),
                "fineness": f("30 µm", "maker"),
                "passes": f("80 L/h", "maker"),
            },
        ),
    },
    "oil": {
        "kept_in": "wet sump",
        "least": f("1.2 L", "maker"),
        "run": f("1.7 L", "maker"),
        "most": f("1.9 L", "maker"),
        "filled": f("1.7 L ±0.05 L"),
        "outline": corners(("0 mm", "0 mm"), ("240 mm", "0 mm"), ("240 mm", "90 mm"), ("0 mm", "90 mm")),
        "width": f("130 mm"),
        "pickup_aft": f("120 mm"),
        "pickup_up": f("8 mm"),
        "pickup_across": f("10 mm"),
        "nose_up": f("9°", "estimated"),
        "nose_down": f("9°", "estimated"),
        "side": f("30°", "estimated"),
        "gear": "no gear",
    },
    "electric": {
        "earth": "strap from the unit to the frame",
        "voltage": f("12 V"),
        "source_idle": f("120 W", "maker"),
        "source_cruise": f("230 W", "maker"),
        "ignition": "makes its own",
        "senders": "kept with their gauges",
        "loads": {
            "lights": load("lights", 0.0, "110 W", "50 %"),
            "wiper": load("wiper", 1.0, "40 W", "20 %"),
            "fan": load("heater fan", 2.0, "60 W", "30 %"),
        },
        "wires": {
            "starter": starter("130 A", "3.6 m", "25 mm²"),
            "lights": wire("lights", 1.0, "9.2 A", "7.4 m", "1.5 mm²", "30 A", lies="outside it"),
        },
    },
    "access": reach(
        oil_filter="with a tool",
        dipstick="by hand",
        plugs_or_injectors=("after something else is out", "the shroud of the fan"),
        air_filter="by hand",
        fuel_filter="by hand",
        drain="with a tool",
    ),
}

# Pannier's swing unit: new senders on the old gauges.
SCOOTER_UNIT: dict[str, Any] = {
    "cooling": {
        "by": "air over fins",
        "sealed": "yes",
        "fan": f("90 L/s", "maker"),
    },
    "exhaust": {
        "leaves": "dry",
        "limit": f("12 kPa", "maker"),
        "gas": f("560 °C", "estimated"),
        "mixture": f("13", "estimated"),
        "shielded": "yes",
        "hot_length": f("260 mm"),
        "material": "mild steel",
        "slip": f("8 mm"),
        "path": pieces(
            piece("port", "flange", "unit", "", "26 mm", "260 mm"),
            piece("bend", "bend", "long bend of 90°", "110 mm", "26 mm", "230 mm", joint="flange"),
            piece("pipe", "pipe to the silencer", "straight", "380 mm", "26 mm", "250 mm", joint="clamp"),
        ),
    },
    "induction": {
        "by": "membrane carburettor",
        "mixture": f("13", "estimated"),
        "bore": f("30 mm"),
        "filter": "paper",
        "filter_area": f("180 cm²", "maker"),
    },
    "fuel": {
        "fed": "by gravity",
        "returns": "no return",
        "measured": f("9 L/h ±0.5 L/h"),
        "plan": f("35 min", "estimated"),
        "reserve": f("20 min", "estimated"),
        "unusable": f("0.2 L", "estimated"),
        "path": pieces(
            piece("tank", "tank", "tank", "", "6 mm", "560 mm"),
            {
                **piece("screen", "screen of the tap", "filter", "", "6 mm", "520 mm"),
                "fineness": f("120 µm", "maker"),
                "passes": f("40 L/h", "maker"),
            },
            piece("line", "line to the carburettor", "straight", "420 mm", "6 mm", "350 mm", joint="clamp"),
        ),
    },
    "oil": {
        "kept_in": "wet sump",
        "least": f("0.8 L", "maker"),
        "run": f("1.0 L", "maker"),
        "most": f("1.1 L", "maker"),
        "filled": f("1.0 L ±0.02 L"),
        "outline": corners(("0 mm", "0 mm"), ("180 mm", "0 mm"), ("180 mm", "80 mm"), ("0 mm", "80 mm")),
        "width": f("110 mm"),
        "pickup_aft": f("90 mm"),
        "pickup_up": f("8 mm"),
        "nose_up": f("12°", "estimated"),
        "nose_down": f("12°", "estimated"),
        "gear": "oil of its own",
        "gear_cooler": "no",
    },
    "electric": {
        "earth": "strap from the unit to the frame",
        "voltage": f("12 V"),
        "source_idle": f("45 W", "maker"),
        "source_cruise": f("115 W", "maker"),
        "ignition": "makes its own",
        "senders": "new on old gauges",
        "loads": {
            "lamp": load("headlamp", 0.0, "35 W", "100 %"),
            "tail": load("tail and brake lamps", 1.0, "15 W", "40 %"),
            "horn": load("horn", 2.0, "30 W", "1 %"),
        },
        "wires": {"lamp": wire("headlamp", 0.0, "2.9 A", "2.8 m", "AWG 16", "7.5 A", lies="outside it")},
    },
    "access": reach(
        oil_filter="with a tool",
        dipstick="by hand",
        plugs_or_injectors=("after something else is out", "the left side panel"),
        air_filter="with a tool",
        fuel_filter="by hand",
        drain="with a tool",
    ),
}
