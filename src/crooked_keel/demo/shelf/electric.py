"""Units of the library, electric."""

from __future__ import annotations

from typing import Any

from ..figures import f
from .kit import AXIAL, FLIGHT, HUB, POD, POWERED, four, hangs, power, unit

UNITS: tuple[dict[str, Any], ...] = (
    unit(
        "flight motor, 60 kW, direct",
        "electric",
        None,
        None,
        FLIGHT,
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
            **POWERED,
            "coolant": {"hose": "19 mm", "side": "below", "bypass": "no"},
            "output": {"flange": "150 mm", "circle": "101.6 mm", "bolts": "6", "turns": "clockwise", "ratio": "1"},
        },
        four("190 mm", "190 mm", "120 mm", "90 mm", "20 kN"),
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
                "power": f(power(FLIGHT, 2200), "maker"),
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
        accessories=hangs(
            ("Controller", "8.9 kg", "on"),
            ("Cooler, pump, coolant", "4.5 kg", "on"),
            ("Cables and fuses", "5.2 kg", "on"),
        ),
    ),
    unit(
        "axial motor, 70 kW",
        "electric",
        None,
        None,
        AXIAL,
        4500,
        ("34 kg ±0.5 kg", "ready to run"),
        ("-70 mm", "0 mm", "0 mm"),
        ("160 mm", "310 mm", "310 mm"),
        ("-75 mm", "0 mm"),
        "electric",
        "0.04 kg·m²",
        ("7400", "6 weeks", "3"),
        "clockwise",
        {**POWERED, "coolant": {"hose": "16 mm", "side": "top", "bypass": "no"}},
        four("-20 mm", "-130 mm", "140 mm", "-100 mm", "20 kN"),
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
                "power": f(power(AXIAL, 4500), "maker"),
                "speed": f("4500 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        accessories=hangs(("Controller", "11.5 kg", "on"), ("Cooler, pump, coolant", "5.8 kg", "on")),
    ),
    unit(
        "hub motor, 2.8 kW, 12 in wheel",
        "electric",
        None,
        None,
        HUB,
        450,
        ("12.6 kg ±0.2 kg", "ready to run"),
        ("0 mm", "0 mm", "0 mm"),
        ("310 mm", "150 mm", "310 mm"),
        ("0 mm", "0 mm"),
        "electric",
        "0.12 kg·m²",
        ("520", "3 weeks", "4"),
        "clockwise",
        {**POWERED},
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
                "power": f(power(HUB, 450), "maker"),
                "speed": f("450 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        accessories=hangs(("Controller", "2.4 kg", "on"), ("Tyre", "3.1 kg", "?")),
    ),
    unit(
        "shaft motor for boats, 9.5 kW",
        "electric",
        None,
        None,
        POD,
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
            **POWERED,
            "sea_water": {"hose": "13 mm", "side": "port"},
            "output": {"flange": "102 mm", "circle": "82.5 mm", "bolts": "4", "turns": "clockwise", "ratio": "1"},
        },
        four("-60 mm", "-310 mm", "150 mm", "-40 mm", "9 kN"),
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
                "power": f(power(POD, 1400), "maker"),
                "speed": f("1400 rpm", "maker"),
                "limit": "without a limit",
            }
        },
        accessories=hangs(("Charger", "6.2 kg", "on"), ("Display and lever", "1.6 kg", "on")),
    ),
)
