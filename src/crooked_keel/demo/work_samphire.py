"""What is recorded of the work on Samphire: carried to the sea, a card aborted, squawks open, a hold waiting.

Invented."""

from __future__ import annotations

import math
from typing import Any

from .figures import aft, f, side, up
from .work import Diary, Told

_C = 273.15
_KN = 1852.0 / 3600.0
OWNER, FRIEND, YARD, SURVEYOR = "Owner", "Neighbour", "Yard foreman", "Surveyor"


def told() -> list[Told]:
    """Records of fit a, in their order."""
    d = Diary("a")
    _strip(d)
    _build(d)
    _connect(d)
    _afloat(d)
    return d.told


def _strip(d: Diary) -> None:
    d.day("2026-09-08")
    d.done(OWNER, "t01")
    d.seen(FRIEND, "second person", "t01", "survey sheet, eleven photographs")
    d.done(OWNER, "t02")
    d.add("hours", OWNER, hours=f("9 h"))
    d.day("2026-09-12")
    d.done(OWNER, "t03")
    d.seen(FRIEND, "second person", "t03", "bed drawing, both signed")
    d.done(OWNER, "t04", "t05")
    d.day("2026-09-14")
    d.begun(OWNER, "t06")
    d.add("spend", OWNER, what="deposit for the diesel", amount=f("1900"))
    d.day("2026-09-19")
    d.begun(OWNER, "t07")
    d.parted(OWNER, "t07", "F1 fuel feed", "F2 fuel return", "C1 coolant out", "C2 heater out", "C3 heater back")
    d.parted(OWNER, "t07", "W1 sea water in", "E1 start cable", "E2 engine loom", "T1 throttle cable", "G1 gear cable")
    d.add("fluid", OWNER, task="t07", system="oil", drained=f("4.1 L"))
    d.add("fluid", OWNER, task="t07", system="coolant", drained=f("6.0 L"))
    d.done(OWNER, "t07")
    d.day("2026-09-26")
    d.add("removed", YARD, task="t08", part="old exhaust elbow and hose", mass=f("6.4 kg"),
          station=aft("5100 mm"),
          butt_line=side("250 mm"), water_line=up("150 mm"), becomes="scrapped")  # fmt: skip
    d.add("removed", YARD, task="t08", part="old control panel", mass=f("1.8 kg"),
          station=aft("6150 mm"),
          butt_line=side("600 mm"), water_line=up("700 mm"), becomes="sold", price=f("60"))  # fmt: skip
    d.done(YARD, "t08")
    d.add("squawk", YARD, task="t08", text="Hanger bolt forward, port: plate ends 40 mm short", severity=3)
    d.done(OWNER, "t09")
    d.seen(YARD, "yard", "t09", "moisture and hammer sheet")
    d.add("hours", OWNER, hours=f("11 h"))


def _build(d: Diary) -> None:
    d.day("2026-10-10")
    d.done(OWNER, "t10")
    d.done(OWNER, "t11")
    d.seen(YARD, "yard", "t11", "run-out sheet, cutlass fit")
    d.done(OWNER, "t12")
    d.add("spend", OWNER, what="cutlass bearing and gland packing", amount=f("145"))
    d.day("2026-10-26")
    d.done(OWNER, "t06")
    d.add("spend", OWNER, what="rest of the diesel", amount=f("4300"))
    d.day("2026-10-31")
    d.begun(OWNER, "t13")
    for n in ("1", "2", "3", "4"):
        figure = "66 N·m" if n != "3" else "69 N·m"
        d.torque(OWNER, "foot bolt", n, "t13", figure, target="66 N·m", thread="M12", grade="8.8", again="2027-01-09")
    d.done(OWNER, "t13")
    d.done(OWNER, "t14")
    d.seen(YARD, "yard", "t14", "four gaps, twice round")
    for n in ("1", "2", "3", "4"):
        d.torque(OWNER, "coupling bolt", n, "t14", "42 N·m", thread="M10", grade="10.9", again="2027-01-09")
    d.add("hours", OWNER, hours=f("14 h"))


def _connect(d: Diary) -> None:
    d.day("2026-11-07")
    d.mated(OWNER, "t15", "leak tested", "W1 sea water in")
    d.done(OWNER, "t15", "t16")
    d.seen(YARD, "yard", "t16", "height sheet: injection, loop, lock, gooseneck")
    d.mated(OWNER, "t17", "leak tested", "C1 coolant out", "C2 heater out", "C3 heater back")
    d.done(OWNER, "t17")
    d.mated(OWNER, "t18", "tugged", "E1 start cable", "E2 engine loom")
    d.done(OWNER, "t18")
    d.mated(OWNER, "t19", "tugged", "T1 throttle cable", "G1 gear cable")
    d.done(OWNER, "t19")
    d.seen(FRIEND, "second person", "t19", "travel and neutral, both stations")
    d.add("fluid", OWNER, task="t20", system="oil", filled=f("4.4 L"), grade="15W-40", level="at the mark",
          read_how="dipstick, level")  # fmt: skip
    d.add("fluid", OWNER, task="t20", system="gear oil", filled=f("0.9 L"), grade="ATF", level="at the mark",
          read_how="dipstick, not screwed in")  # fmt: skip
    d.add("fluid", OWNER, task="t20", system="coolant", filled=f("6.6 L"), grade="half glycol", level="at the mark",
          read_how="header, cold")  # fmt: skip
    d.done(OWNER, "t20")
    d.seen(FRIEND, "second person", "t20", "three levels read together")
    d.mated(OWNER, "t21", "leak tested", "F1 fuel feed", "F2 fuel return")
    d.done(OWNER, "t21")
    d.add("spend", OWNER, what="hoses, clips, lock", amount=f("610"))
    d.add("hours", OWNER, hours=f("16 h"))
    d.day("2026-11-14")
    d.card(OWNER, "pre-start", "fluids mated tools controls stop fuel extinguisher arc word seacocks")
    d.card(OWNER, "oil-pressure", "off cranks shows dry")
    d.read(OWNER, "oil-pressure", "cranks", "count", "2", 2.0, 0.0)
    d.done(OWNER, "t22")
    d.seen(FRIEND, "second person", "t22", "pressure on the second crank")


def _afloat(d: Diary) -> None:
    d.day("2026-11-16")
    d.card(OWNER, "first-start", "fires oil water leaks stops")
    d.read(OWNER, "first-start", "oil_pressure_idle", "pressure", "240 kPa ±10 kPa", 240e3, 10e3)
    d.done(OWNER, "t23")
    d.seen(FRIEND, "second person", "t23", "water at the outlet after 9 s, no leak")
    d.card(OWNER, "warm-up", "one two three joints")
    d.day("2026-11-18")
    d.read(OWNER, "full-power", "sea", "temperature", "11 °C ±1 °C", 11 + _C, 1.0)
    d.read(OWNER, "full-power", "coolant", "temperature", "74 °C ±2 °C", 74 + _C, 2.0)
    d.read(OWNER, "full-power", "outlet", "temperature", "38 °C ±2 °C", 38 + _C, 2.0)
    d.read(OWNER, "full-power", "oil_pressure", "pressure", "378 kPa ±10 kPa", 378e3, 10e3)
    d.read(OWNER, "full-power", "co", "count", "4", 4.0, 0.0)
    d.card(OWNER, "full-power", "held steps wot soak co")
    d.add("step", YARD, task="t24", step="done")
    d.seen("Second shipwright", "yard", "t24", "gaps after a day afloat, tanks filled")
    d.read(OWNER, None, "balance.freeboard", "length", "775 mm ±5 mm", 0.775, 0.005)
    d.read(OWNER, None, "systems.injection", "length", "150 mm ±10 mm", 0.150, 0.010)
    d.card(OWNER, "second-weighing", "level marks papers")
    d.card(OWNER, "hot-retorque", "exhaust mount turns squawks")
    d.day("2026-11-22")
    d.told.append((d.told[-1][0].replace(day=22), _ladder()))
    d.read(OWNER, "sea-ladder", "rpm", "rotation", "2790 rpm ±15 rpm", 2790 * math.pi / 30, 15 * math.pi / 30)
    d.read(OWNER, "sea-ladder", "sea", "temperature", "10 °C ±1 °C", 10 + _C, 1.0)
    d.read(OWNER, "sea-ladder", "speed", "speed", "6.2 kn ±0.1 kn", 6.2 * _KN, 0.1 * _KN)
    d.read(OWNER, "sea-ladder", "speed_back", "speed", "5.9 kn ±0.1 kn", 5.9 * _KN, 0.1 * _KN)
    d.read(OWNER, "sea-ladder", "hose", "temperature", "98 °C ±2 °C", 98 + _C, 2.0)
    d.card(OWNER, "sea-ladder", "ladder", "aborted", "exhaust hose at 98 °C, water at the outlet weak")
    d.add("squawk", OWNER, text="Strainer lid draws air at full throttle", severity=3)
    d.done(OWNER, "t25")


def _ladder() -> dict[str, Any]:
    """The ladder at sea as it was logged: five speeds of the unit, two minutes each."""
    steps = ((1000, 2.6), (1400, 3.75), (1800, 4.65), (2200, 5.35), (2600, 5.85), (2790, 6.05))
    t: list[float] = []
    columns: dict[str, list[float | None]] = {
        c: [] for c in ("rpm", "speed", "coolant", "hose", "oil_pressure", "volts")
    }
    for i in range(72):
        rpm, knots = steps[i // 12]
        t.append(i * 10.0)
        wave = 0.02 * math.sin(i * 1.7)
        columns["rpm"].append(rpm * math.pi / 30)
        columns["speed"].append((knots + wave * 3) * _KN)
        columns["coolant"].append(_C + 66 + 9 * (1 - math.exp(-i / 30)) + wave * 10)
        columns["hose"].append(_C + 34 + 0.0145 * i * i * (1 if i > 30 else 0.55))
        columns["oil_pressure"].append(1e3 * (250 + rpm / 22 - 0.4 * i))
        columns["volts"].append(13.9 + wave)
    said = {
        "rpm": ("speed of the unit", "rotation"),
        "speed": ("speed", "speed"),
        "coolant": ("coolant", "temperature"),
        "hose": ("exhaust hose", "temperature"),
        "oil_pressure": ("oil pressure", "pressure"),
        "volts": ("volts", "fine_voltage"),
    }
    return {
        "kind": "log",
        "by": OWNER,
        "fit": "a",
        "card": "sea-ladder",
        "source": "csv",
        "name": "ladder of 22 November",
        "rows": len(t),
        "t": t,
        "columns": [
            {"name": said[c][0], "channel": c, "dimension": said[c][1], "values": [round(v or 0.0, 4) for v in values]}
            for c, values in columns.items()
        ],
        "flags": [],
    }
