"""Units of the library, on wheels."""

from __future__ import annotations

from typing import Any

from ..figures import f
from .kit import (
    CABLE,
    COOLED,
    PETROL,
    SINGLE,
    SWING,
    TINY_CAR,
    TRIPLE,
    TWELVE,
    VEE_TWIN,
    WET,
    WIRE,
    by_ratio,
    four,
    hangs,
    points,
    rated,
    unit,
)

UNITS: tuple[dict[str, Any], ...] = (
    unit(
        "vee-twin roadster engine, 1100 cc",
        "four-stroke",
        "vee",
        "2",
        VEE_TWIN,
        6500,
        ("82 kg ±2 kg", "wet"),
        ("-210 mm", "70 mm", "55 mm"),
        ("540 mm", "430 mm", "560 mm"),
        ("-215 mm", "95 mm"),
        "naturally aspirated",
        "0.12 kg·m²",
        ("2900", "1 week", "4"),
        "anticlockwise",
        {**PETROL, **TWELVE, **WET, **CABLE, "exhaust": {"outlet": "45 mm", "side": "starboard"}},
        four("10 mm", "-390 mm", "110 mm", "-20 mm", "42 kN"),
        {
            "stages": by_ratio("primary", "primary gear", "gear", "1.66", "flips"),
            "gears": {
                k: {"name": k, "rank": float(i), "ratio": f(r, "maker")}
                for i, (k, r) in enumerate(
                    (("first", "2.45"), ("second", "1.66"), ("third", "1.27"), ("fourth", "1.04"), ("fifth", "0.88"))
                )
            },
        },
        ratings=rated(VEE_TWIN, 6500),
        consumption=f("320 g/kWh", "estimated"),
        heat=f("0 kW"),
        accessories=hangs(("Exhaust, complete", "11.8 kg", "on"), ("Intake and throttle bodies", "4.4 kg", "in")),
    ),
    unit(
        "triple, 890 cc, six gears",
        "four-stroke",
        "in line",
        "3",
        TRIPLE,
        9000,
        ("64 kg ±1 kg", "wet"),
        ("-195 mm", "78 mm", "50 mm"),
        ("500 mm", "450 mm", "480 mm"),
        ("-200 mm", "80 mm"),
        "naturally aspirated",
        "0.06 kg·m²",
        ("3800", "2 weeks", "5"),
        "clockwise",
        {**PETROL, **TWELVE, **COOLED, **WET, **WIRE, "exhaust": {"outlet": "51 mm", "side": "below"}},
        four("30 mm", "-400 mm", "120 mm", "10 mm", "44 kN"),
        {
            "stages": by_ratio("primary", "primary gear", "gear", "1.68", "flips"),
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
        ratings=rated(TRIPLE, 9000),
        consumption=f("300 g/kWh", "estimated"),
        heat=f("52 kW", "estimated"),
        accessories=hangs(("Exhaust, complete", "9.1 kg", "on"), ("Radiator, hoses, coolant", "5.2 kg", "on")),
    ),
    unit(
        "liquid-cooled single, 390 cc",
        "four-stroke",
        "single",
        "1",
        SINGLE,
        8000,
        ("36.5 kg ±0.5 kg", "wet"),
        ("-160 mm", "55 mm", "60 mm"),
        ("420 mm", "340 mm", "450 mm"),
        ("-160 mm", "80 mm"),
        "naturally aspirated",
        "0.03 kg·m²",
        ("1500", "1 week", "5"),
        "clockwise",
        {**PETROL, **TWELVE, **COOLED, **WET, **WIRE, "exhaust": {"outlet": "38 mm", "side": "below"}},
        four("20 mm", "-310 mm", "95 mm", "0 mm", "30 kN"),
        {
            "stages": by_ratio("primary", "primary gear", "gear", "2.67", "flips"),
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
        ratings=rated(SINGLE, 8000),
        consumption=f("295 g/kWh", "estimated"),
        heat=f("22 kW", "estimated"),
        accessories=hangs(("Radiator, hoses, coolant", "3.1 kg", "on"), ("Exhaust, complete", "5.0 kg", "on")),
    ),
    unit(
        "swing unit, 278 cc, liquid-cooled",
        "four-stroke",
        "swing unit",
        "1",
        SWING,
        7250,
        ("44 kg ±1 kg", "wet"),
        ("-230 mm", "-30 mm", "50 mm"),
        ("640 mm", "360 mm", "330 mm"),
        ("-220 mm", "50 mm"),
        "naturally aspirated",
        "0.02 kg·m²",
        ("1250", "2 weeks", "4"),
        "clockwise",
        {**PETROL, **TWELVE, **COOLED, **WET, **CABLE, "exhaust": {"outlet": "33 mm", "side": "starboard"}},
        points(("-420 mm", "-90 mm", "40 mm"), ("-420 mm", "90 mm", "40 mm"), strength="14 kN"),
        {
            "stages": by_ratio("final", "final gear", "gear", "7.8", "keeps"),
            "gears": {
                "low": {"name": "variator, low", "rank": 1.0, "ratio": f("2.4", "maker")},
                "high": {"name": "variator, high", "rank": 2.0, "ratio": f("0.80", "maker")},
            },
        },
        ratings=rated(SWING, 7250),
        consumption=f("315 g/kWh", "estimated"),
        heat=f("13 kW", "estimated"),
        accessories=hangs(("Radiator, hoses, coolant", "3.4 kg", "on"), ("Silencer", "4.6 kg", "on")),
    ),
    unit(
        "car triple, 1.0 L, turbocharged",
        "four-stroke",
        "in line",
        "3",
        TINY_CAR,
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
            **PETROL,
            **TWELVE,
            **COOLED,
            **WET,
            **WIRE,
            "exhaust": {"outlet": "45 mm", "side": "rear"},
            "air": {"hose": "50 mm", "side": "front"},
        },
        four("-60 mm", "-390 mm", "190 mm", "20 mm", "20 kN"),
        critical_altitude=f("1800 m", "estimated"),
        ratings=rated(TINY_CAR, 5200),
        consumption=f("290 g/kWh", "estimated"),
        heat=f("48 kW", "estimated"),
        accessories=hangs(
            ("Radiator, hoses, coolant", "8.4 kg", "on"),
            ("Exhaust and catalyst", "10.5 kg", "on"),
            ("Clutch and flywheel", "9.8 kg", "?"),
        ),
    ),
)
