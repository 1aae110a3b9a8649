"""What is recorded of the work on Lapwing: carried to the tied-down run and the second weighing. Invented."""

from __future__ import annotations

import math

from .figures import aft, f, side, up
from .work import Diary, Told

_C = 273.15
_RPM = math.pi / 30
OWNER, FRIEND, INSPECTOR = "Builder", "Club mate", "Inspector"


def told() -> list[Told]:
    """Records of fit a, in their order."""
    d = Diary("a")
    _strip(d)
    _mount(d)
    _connect(d)
    _run(d)
    return d.told


def _strip(d: Diary) -> None:
    d.day("2026-06-02")
    d.done(OWNER, "t01")
    d.seen(INSPECTOR, "inspector", "t01", "route note signed")
    d.done(OWNER, "t02")
    d.seen(FRIEND, "second person", "t02", "weighing sheet")
    d.parted(OWNER, "t03", "F1 fuel feed", "O1 oil breather", "E1 ignition left", "E2 ignition right", "E3 start cable")
    d.parted(OWNER, "t03", "T1 throttle cable", "H1 carburettor heat", "P1 oil pressure line")
    d.done(OWNER, "t03")
    d.day("2026-06-09")
    d.add("fluid", OWNER, task="t04", system="oil", drained=f("5.3 L"))
    d.done(OWNER, "t04")
    d.add("removed", OWNER, task="t05", part="old carburettor heat box", mass=f("1.3 kg"), station=aft("620 mm"),
          butt_line=side("0 mm"), water_line=up("80 mm"),
          becomes="kept")  # fmt: skip
    d.done(OWNER, "t05")
    d.done(OWNER, "t06")
    d.seen(INSPECTOR, "inspector", "t06", "inspection report, no cracks")
    d.done(OWNER, "t07")
    d.seen(FRIEND, "second person", "t07", "signed balance sheet")
    d.begun(OWNER, "t08")
    d.add("hours", OWNER, hours=f("21 h"))


def _mount(d: Diary) -> None:
    d.day("2026-07-28")
    d.done(OWNER, "t08")
    d.add("spend", OWNER, what="tube, isolators, hoses", amount=f("1150"))
    d.day("2026-08-20")
    d.done(OWNER, "t09", "t10")
    d.seen(INSPECTOR, "inspector", "t10", "weld and dimension record")
    d.done(OWNER, "t11", "t12")
    for n in ("1", "2", "3", "4"):
        d.torque(OWNER, "mount to firewall", n, "t13", "24 N·m", lubricant="dry", again="2026-12-12")
    d.done(OWNER, "t13")
    d.seen(FRIEND, "second person", "t13", "torque record, marks seen")
    for n in ("1", "2", "3", "4"):
        figure = "33 N·m" if n == "2" else "30 N·m"
        d.torque(OWNER, "engine to mount", n, "t14", figure, target="30 N·m", lubricant="dry", again="2026-12-12")
    d.done(OWNER, "t14")
    d.seen(FRIEND, "second person", "t14", "torque record, cross pattern")
    d.add("hours", OWNER, hours=f("48 h"))


def _connect(d: Diary) -> None:
    d.day("2026-10-03")
    d.mated(OWNER, "t15", "leak tested", "F1 fuel feed")
    d.add(
        "connection", OWNER, task="t16", label="O1 oil breather", step="left off", note="the new one breathes elsewhere"
    )
    d.mated(OWNER, "t16", "leak tested", "P1 oil pressure line")
    d.add("fluid", OWNER, task="t16", system="oil", filled=f("3.0 L"), grade="semi-synthetic", level="at the mark",
          read_how="dipstick, level, turned over by hand")  # fmt: skip
    d.add("fluid", OWNER, task="t17", system="coolant", filled=f("3.4 L"), grade="half glycol", level="at the mark",
          read_how="header, cold")  # fmt: skip
    d.mated(OWNER, "t18", "tugged", "E1 ignition left", "E2 ignition right", "E3 start cable")
    d.mated(OWNER, "t19", "tugged", "T1 throttle cable")
    d.add("connection", OWNER, task="t19", label="H1 carburettor heat", step="capped")
    d.done(OWNER, "t15", "t16", "t17", "t18", "t19")
    d.seen(FRIEND, "second person", "t19", "travel and springs, both seats")
    d.done(OWNER, "t20", "t21")
    d.seen(FRIEND, "second person", "t21", "two cans, timed")
    d.card(OWNER, "pre-start", "fluids mated tools controls stop fuel extinguisher arc word chocks")
    d.card(OWNER, "oil-pressure", "off cranks shows")
    d.read(OWNER, "oil-pressure", "cranks", "count", "3", 3.0, 0.0)
    d.done(OWNER, "t22")
    d.seen(FRIEND, "second person", "t22", "pressure on the third crank")
    d.done(OWNER, "t23")
    d.seen(FRIEND, "second person", "t23", "torque and track sheet")
    d.add("hours", OWNER, hours=f("62 h"))


def _run(d: Diary) -> None:
    d.day("2026-11-21")
    d.card(OWNER, "first-start", "fires oil leaks stops")
    d.read(OWNER, "first-start", "oil_pressure_idle", "pressure", "180 kPa ±10 kPa", 180e3, 10e3)
    d.done(OWNER, "t24")
    d.seen(FRIEND, "second person", "t24", "leak check signed")
    d.card(OWNER, "warm-up", "one two three joints")
    d.day("2026-11-28")
    d.read(OWNER, "full-power", "air", "temperature", "8 °C ±1 °C", 8 + _C, 1.0)
    d.read(OWNER, "full-power", "coolant", "temperature", "97 °C ±2 °C", 97 + _C, 2.0)
    d.read(OWNER, "full-power", "oil_temp", "temperature", "101 °C ±2 °C", 101 + _C, 2.0)
    d.read(OWNER, "full-power", "oil_pressure", "pressure", "360 kPa ±10 kPa", 360e3, 10e3)
    d.read(OWNER, "full-power", "rpm", "rotation", "5520 rpm ±30 rpm", 5520 * _RPM, 30 * _RPM)
    d.read(OWNER, "full-power", "drop_left", "rotation", "110 rpm ±10 rpm", 110 * _RPM, 10 * _RPM)
    d.read(OWNER, "full-power", "drop_right", "rotation", "95 rpm ±10 rpm", 95 * _RPM, 10 * _RPM)
    d.read(OWNER, "full-power", "co", "count", "6", 6.0, 0.0)
    d.card(
        OWNER,
        "full-power",
        "held steps wot drop co",
        "aborted",
        "coolant 97 °C, still rising, 8 °C outside",
    )
    d.add("squawk", OWNER, text="Duct gap over the radiator, two fingers wide", severity=2)
    d.begun(OWNER, "t25")
