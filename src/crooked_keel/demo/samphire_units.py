"""The units of Samphire: the diesel that goes out, and the three that may come in."""

from __future__ import annotations

from typing import Any

from .figures import aft, at, box, cg, f, local, side, size, up


def _feet(front: str, rear: str, half: str, low: str, stiff: str, strength: str) -> dict[str, Any]:
    made = {}
    corners = (
        ("front-port", "front port", front, -1),
        ("front-starboard", "front starboard", front, 1),
        ("rear-starboard", "rear starboard", rear, 1),
        ("rear-port", "rear port", rear, -1),
    )
    for rank, (key, name, x, way) in enumerate(corners):
        made[key] = {
            "name": name,
            "rank": float(rank),
            "unit_aft": local(x, "forward"),
            "unit_starboard": local(half if way > 0 else f"-{half}", "starboard"),
            "unit_up": local(low, "up"),
            "stiffness_axial": f(stiff, "maker"),
            "stiffness_radial": f("600 N/mm", "maker"),
            "stiffness_across": f("180 N/mm", "maker"),
            "strength": f(strength, "estimated"),
            "structure_water_line": up("0 mm"),
        }
    return made


def _stringers(points: dict[str, Any], front: str, rear: str) -> dict[str, Any]:
    for key, point in points.items():
        point["structure_water_line"] = up(front if key.startswith("front") else rear)
    return points


def _propeller(diameter: str, pitch: str, blades: str, mass: str, area: str = "0.52", **more: Any) -> dict[str, Any]:
    return {
        "diameter": f(diameter),
        "pitch": f(pitch),
        "blades": f(blades),
        "mass": f(mass),
        "hull_above": f("345 mm"),
        "area": f(area, "maker"),
        "turns": "clockwise",
        **more,
    }


OLD: dict[str, Any] = {
    "name": "twin-cylinder diesel, 36 hp",
    "unit": {
        "name": "twin-cylinder diesel, 36 hp",
        "kind": "diesel",
        "cylinders": f("2", "maker"),
        "power": f("36 hp", "maker"),
        "rated_speed": f("1800 rpm", "maker"),
        "turns": "clockwise",
        "condition": "ready to run",
        "mass": f("412 kg ±2 kg"),
        **cg("-520 mm", "0 mm", "110 mm"),
        **box("1080 mm", "720 mm", None, "120 mm"),
        "angle_limit": f("12°", "maker"),
    },
    "lies": "ahead of its flange",
    "placement": {
        "flange_station": aft("5210 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("-60 mm"),
        "propeller_station": aft("8260 mm"),
        "propeller_water_line": up("-520 mm"),
    },
    "drive": {
        "stages": {
            "gear": {
                "name": "gearbox",
                "rank": 1.0,
                "type": "gear",
                "ratio": f("2:1", "maker"),
                "turning": "keeps",
                "offset_up": local("0 mm", "up", origin="driving shaft"),
                "offset_starboard": local("0 mm", "starboard", origin="driving shaft"),
            }
        },
        "mass": f("0 kg", "maker", note="weighed with the engine"),
        "cg_aft": local("100 mm", "forward", origin="output flange"),
        "length": f("0 mm"),
        "down_angle": f("0°"),
        "efficiency": f("96 %", "estimated"),
    },
    "propeller": _propeller("20 in", "14 in", "3", "9.5 kg ±0.2 kg"),
    "mount": {
        "mass": f("18 kg ±1 kg"),
        "seating": "hard",
        "thrust_taken": "mount",
        "thrust": f("3.6 kN", "estimated"),
        "height": f("40 mm"),
        "points": _stringers(_feet("820 mm", "180 mm", "260 mm", "-90 mm", "2000 N/mm", "22 kN"), "-140 mm", "-210 mm"),
    },
}

FIT_A = {
    "name": "four-cylinder diesel, 57 hp",
    "unit": {
        "name": "four-cylinder diesel, 57 hp",
        "kind": "diesel",
        "cylinders": f("4", "maker"),
        "power": f("57 hp", "maker"),
        "rated_speed": f("3000 rpm", "maker"),
        "turns": "anticlockwise",
        "condition": "wet",
        "mass": f("228 kg ±4 kg", "maker"),
        **cg("-470 mm ±20 mm", "8 mm ±5 mm", "130 mm ±15 mm", "maker"),
        **box("900 mm", "640 mm", None, "140 mm"),
        "angle_limit": f("10°", "maker"),
    },
    "lies": "ahead of its flange",
    "placement": {
        "flange_station": aft("5240 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("-64 mm"),
        "propeller_station": aft("8260 mm"),
        "propeller_water_line": up("-520 mm"),
    },
    "drive": {
        "stages": {
            "gear": {
                "name": "down-angle gear",
                "rank": 1.0,
                "type": "down-angle gear",
                "ratio": f("2.6:1", "maker"),
                "turning": "flips",
                "offset_up": local("-72 mm", "up", "maker", "driving shaft"),
                "offset_starboard": local("0 mm", "starboard", "maker", "driving shaft"),
            }
        },
        "mass": f("31 kg ±1 kg", "maker"),
        "cg_aft": local("110 mm", "forward", "maker", "output flange"),
        "length": f("215 mm", "maker"),
        "efficiency": f("96 %", "estimated"),
        "down_angle": f("8°", "maker"),
    },
    "propeller": _propeller("20 in", "13 in", "3", "10.2 kg ±0.5 kg", "0.62", depth=f("560 mm")),
    "mount": {
        "mass": f("9.6 kg ±0.4 kg", "maker"),
        "seating": "rubber",
        "thrust_taken": "mount",
        "thrust": f("4.6 kN", "estimated"),
        "height": f("95 mm"),
        "points": _stringers(_feet("690 mm", "60 mm", "235 mm", "-60 mm", "220 N/mm", "12 kN"), "-156 mm", "-168 mm"),
    },
    "align": {
        "coupling": {
            "facing": "forward",
            "diameter": f("102 mm"),
            "gap_12": f("0.305 mm"),
            "gap_3": f("0.205 mm"),
            "gap_6": f("0.125 mm"),
            "gap_9": f("0.225 mm"),
            "front_feet": f("690 mm"),
            "rear_feet": f("60 mm"),
            "thread_pitch": f("1.5 mm"),
            "thread_up": f("14 mm"),
            "thread_down": f("9 mm"),
            "step_12": f("0.08 mm"),
            "step_3": f("-0.03 mm"),
            "step_6": f("-0.06 mm"),
            "step_9": f("0.05 mm"),
            "under_front_port": f("0.05 mm"),
            "under_front_starboard": f("0 mm"),
            "under_rear_port": f("0 mm"),
            "under_rear_starboard": f("0.05 mm"),
            "afloat": "ashore",
        },
    },
}

_BANK = size("620 mm", "340 mm", "290 mm")

FIT_B: dict[str, Any] = {
    "name": "electric motor, 20 kW",
    "unit": {
        "name": "electric motor, 20 kW",
        "kind": "electric",
        "power": f("20 kW", "maker"),
        "rated_speed": f("1100 rpm", "maker"),
        "peak_power": f("28 kW", "maker"),
        "peak_torque": f("243 N·m", "maker"),
        "peak_time": f("2 min", "maker"),
        "battery_current": f("560 A", "maker"),
        "voltage_limit": f("62 V", "maker"),
        "turns": "clockwise",
        "condition": "ready to run",
        "mass": f("86 kg ±1 kg"),
        **cg("-260 mm", "0 mm", "0 mm"),
        **box("420 mm", "380 mm", None, "0 mm"),
        "angle_limit": f("30°", "maker"),
    },
    "lies": "ahead of its flange",
    "placement": {
        "flange_station": aft("5240 mm"),
        "flange_butt_line": side("0 mm"),
        "flange_water_line": up("-64 mm"),
        "propeller_station": aft("8260 mm"),
        "propeller_water_line": up("-520 mm"),
    },
    "drive": {"efficiency": f("98 %", "maker")},
    "propeller": _propeller("20 in", "13 in", "3", "9.5 kg ±0.2 kg", depth=f("560 mm")),
    "packs_joined": "side by side",
    "packs": {
        "port": {
            "name": "Bank, port",
            "rank": 1.0,
            "mass": f("118 kg ±1 kg"),
            **at("4100 mm", "-520 mm", "-40 mm"),
            **_BANK,
            "space": "port",
            "energy": f("15.4 kWh", "maker"),
            "voltage": f("51.2 V", "maker"),
            "full_voltage": f("58.4 V", "maker"),
            "current": f("300 A", "maker"),
        },
        "starboard": {
            "name": "Bank, starboard",
            "rank": 2.0,
            "mass": f("118 kg ±1 kg"),
            **at("4100 mm", "520 mm", "-40 mm"),
            **_BANK,
            "space": "starboard",
            "energy": f("15.4 kWh", "maker"),
            "voltage": f("51.2 V", "maker"),
            "full_voltage": f("58.4 V", "maker"),
            "current": f("300 A", "maker"),
        },
    },
    "mount": {
        "mass": f("12 kg ±0.5 kg"),
        "seating": "rubber",
        "thrust_taken": "hull",
        "thrust": f("2.6 kN", "estimated"),
        "height": f("60 mm"),
        "points": _stringers(_feet("380 mm", "120 mm", "235 mm", "-120 mm", "220 N/mm", "12 kN"), "-205 mm", "-236 mm"),
    },
    "align": {
        "coupling": {
            "facing": "forward",
            "diameter": f("100 mm"),
            "gap_12": f("0.10 mm"),
            "gap_3": f("0.12 mm"),
            "gap_6": f("0.14 mm"),
            "gap_9": f("0.12 mm"),
            "front_feet": f("380 mm"),
            "rear_feet": f("120 mm"),
            "thread_pitch": f("1.5 mm"),
            "thread_up": f("14 mm"),
            "thread_down": f("9 mm"),
            "step_12": f("0.02 mm"),
            "step_3": f("0 mm"),
            "step_6": f("-0.02 mm"),
            "step_9": f("0 mm"),
            "under_front_port": f("0 mm"),
            "under_front_starboard": f("0 mm"),
            "under_rear_port": f("0 mm"),
            "under_rear_starboard": f("0 mm"),
            "afloat": "afloat, loaded, coupling apart",
        },
    },
}

# A faster motor behind a plate on the gear that she has: the gear stands on its own lugs, the motor's tail on the front
# feet.
FIT_C = {
    **FIT_B,
    "name": "electric motor, 20 kW, on her gear",
    "unit": {
        **FIT_B["unit"],
        "name": "electric motor, 20 kW, on her gear",
        "rated_speed": f("2200 rpm", "maker"),
        "peak_torque": f("122 N·m", "maker"),
        "mass": f("54 kg ±1 kg"),
        **cg("-470 mm", "0 mm", "20 mm"),
        **box("640 mm", "340 mm", None, "20 mm"),
    },
    "drive": {
        "stages": {"gear": OLD["drive"]["stages"]["gear"]},
        "mass": f("46 kg ±1 kg", note="the gear off its engine, drained, with the plate"),
        "cg_aft": local("150 mm", "forward", origin="output flange"),
        "length": f("0 mm"),
        "down_angle": f("0°"),
        "efficiency": f("96 %", "estimated"),
    },
    "mount": {
        **FIT_B["mount"],
        "points": _stringers(_feet("600 mm", "170 mm", "235 mm", "-120 mm", "220 N/mm", "12 kN"), "-186 mm", "-230 mm"),
        "face": {
            "overhang": f("165 mm"),
            "bolts": f("8"),
            "bolt_circle": f("330 mm"),
            "support_behind": f("135 mm"),
            "third_at": f("295 mm"),
            "third_strength": f("12 kN", "maker"),
        },
    },
    "align": {
        "coupling": {**FIT_B["align"]["coupling"], "front_feet": f("600 mm"), "rear_feet": f("170 mm")},
        "runout": {
            f"at_{angle}": f(f"{read} mm")
            for angle, read in zip(
                range(0, 360, 45), ("0.03", "0.05", "0.06", "0.05", "0.03", "0.01", "0", "0.01"), strict=True
            )
        },
    },
}
