"""Cards of the first runs, in the order of the work, and the channels that are read on them, each with its limit.
Common practice, no source, but where a source is named."""

from __future__ import annotations

from typing import NamedTuple

# What a craft or its fit has, for cards and lines that need it.
ENGINE, ELECTRIC, AFLOAT, WINGS, ROAD, SPARK = "engine", "motor", "afloat", "wings", "road", "spark"


class CardLine(NamedTuple):
    """A line of a card: what is seen to."""

    key: str
    words: str
    needs: str


class Card(NamedTuple):
    """A card: what it proves, its lines, what is read on it, what is said of the danger."""

    id: str
    title: str
    purpose: str
    needs: str
    reads: tuple[str, ...]
    lines: tuple[CardLine, ...]
    caution: str


def _card(id: str, title: str, purpose: str, text: str, needs: str = "", reads: str = "", caution: str = "") -> Card:
    """A card from its text: a line each, its key before the colon, what it needs in brackets."""
    lines = []
    for row in text.strip().splitlines():
        key, _, words = row.strip().partition(": ")
        need = ""
        if words.startswith("["):
            need, _, words = words[1:].partition("] ")
        lines.append(CardLine(key, words, need))
    return Card(id, title, purpose, needs, tuple(reads.split()), tuple(lines), caution)


CARDS: tuple[Card, ...] = (
    _card(
        "pre-start",
        "Before the first start",
        "Nothing is forgotten, nobody stands in the way, and it can be stopped.",
        """
fluids: Every fluid at its mark
mated: Every connection that was parted is mated, capped or left off on purpose
tools: Tools counted back; nothing loose near what turns
controls: Controls full and free; springs shut the throttle
stop: The stop works from where one sits and at the unit
fuel: [engine] Fuel shut-off works; no vapour, no drip
extinguisher: Extinguisher in a hand that does nothing else
arc: Arc of propeller, wheel or belt roped off; bystanders placed
word: The word for stop agreed aloud
seacocks: [afloat] Seacocks, gland and bilge pump looked at; blower run
chocks: [wings] Chocks, tail rope; ignition grounds on both sides
wheel: [road] Driven wheel clear of the ground or chocked; neutral proved
isolation: [motor] Isolation read; interlock opened and it dropped out
estop: [motor] Emergency stop pressed and proved
""",
        caution="A propeller is live as soon as it is on its shaft. Nobody stands in its arc, today or ever.",
    ),
    _card(
        "oil-pressure",
        "Oil pressure, ignition and fuel off",
        "Oil is at the bearings before anything fires.",
        """
off: Ignition grounded and fuel off; plugs out where they can be
cranks: Cranks of 15 s at most, a minute's rest between
shows: Pressure or flow seen, at which crank
dry: [afloat] Sea water shut while cranking, its tag on the key; the lock drained after
""",
        needs=ENGINE,
        reads="oil_pressure cranks",
        caution="No movement after four cranks: stop. Find the air lock or the dead gauge.",
    ),
    _card(
        "first-start",
        "First start",
        "It runs half a minute, and nothing leaks.",
        """
fires: Idle, half a minute at most
oil: Oil pressure within 10 s, or stop
water: [afloat] Sea water at the outlet within 30 s, or stop
leaks: Fuel, oil, coolant and exhaust looked at, then stopped
stops: It stopped from the switch
""",
        needs=ENGINE,
        reads="oil_pressure_idle volts",
        caution="Two people, one at the stop. The craft is tied, the extinguisher manned.",
    ),
    _card(
        "first-power",
        "First energised",
        "It turns the right way, slowly, and stops when told.",
        """
clear: Wheel or propeller clear; current limited low
precharge: Link charged before the contactor closed
sense: It turns the way that is wanted
stop: Emergency stop and interlock each dropped it out
hot: Cables, links and contactor felt, dead, after
""",
        needs=ELECTRIC,
        reads="pack_volts motor controller",
        caution="Isolate, wait, and prove dead at the meter. Two people. Nobody works alone on the pack.",
    ),
    _card(
        "warm-up",
        "Warm, cool, bleed: three times",
        "Air is out, joints have moved, levels are read again.",
        """
one: First warm-up; cooled, topped up cold, bled
two: Second warm-up; cooled, topped up cold, bled
three: Third warm-up; levels did not fall
joints: Hot joints of the exhaust tightened cold
""",
        needs=ENGINE,
        reads="coolant oil_temp oil_pressure_idle volts",
    ),
    _card(
        "full-power",
        "Full power, held back",
        "It gives what was promised, and cools itself while it does.",
        """
held: Chocks, ropes or lines that hold its full pull; a helper
steps: Up in steps, each until temperatures settle
wot: Full power held; speed of the unit read
soak: Stopped hot; the highest temperature after stopping read
drop: [spark] Each ignition alone: drop read on both sides
co: Gas in the cabin read
""",
        reads="rpm coolant oil_temp oil_pressure outlet hose gas volts fuel_pressure drop_left drop_right co air sea "
        "motor controller",
        caution="Will what holds it hold? If not, the run is made slower, or elsewhere.",
    ),
    _card(
        "second-weighing",
        "Weighed again",
        "Nothing flies, sails or rolls on a predicted weight.",
        """
level: Level, fluids stated, everything aboard that stays aboard
scales: [road] Every wheel on its scale
scales-air: [wings] Every support on its scale
marks: [afloat] Trim marks and freeboards read afloat
papers: New balance papers from the measured figures
""",
    ),
    _card(
        "hot-retorque",
        "Tightened again after the run",
        "What settled when it was hot is tight again.",
        """
exhaust: [engine] Exhaust and hose clips
mount: Mount and feet
turns: Propeller, sprockets or wheel
links: [motor] High-current links, dead
squawks: Squawks of the run written down
""",
    ),
    _card(
        "taxi",
        "Taxi",
        "Brakes, steering and cooling on the ground, at 20, 40 and 60 % of lift-off speed.",
        """
brakes: Brakes hold against power and stop it straight
fifth: 20 % of lift-off speed, both ways
fourth: 40 %
third: 60 %, shut down and looked at
""",
        needs=WINGS,
        reads="rpm coolant oil_temp oil_pressure speed",
        caution="Flying is for papers, permitted area and a licensed hand to decide; this card ends on the ground.",
    ),
    _card(
        "sea-ladder",
        "Ladder of speeds at sea",
        "Speed and temperatures at each speed of the unit, both ways.",
        """
ladder: Every 400 to 500 rpm, both ways, until settled
wot: Full throttle; speed of the unit read
marks: Trim and riser watched as she squats
""",
        needs=AFLOAT,
        reads="rpm speed speed_back sea air coolant outlet hose oil_pressure oil_temp volts fuel_flow motor controller",
        caution="Somebody ashore knows where you are. A boat afloat can sink through any open hole.",
    ),
    _card(
        "crash-stop",
        "Crash stop and astern",
        "She stops, and goes astern when told.",
        """
stop: From full ahead to stopped, length or time read
astern: Astern, both helm ways
alarm: Alarms proved
""",
        needs=AFLOAT,
        reads="time co",
    ),
    _card(
        "road",
        "On the road",
        "Brakes first, then gears, temperatures and top speed.",
        """
brakes: Stopping distance beside the old one
slow: 30 km/h both ways, wobble and noise
half: 50 km/h both ways
top: Top speed where it may be driven, both ways
hill: A long hill, temperatures settled
""",
        needs=ROAD,
        reads="rpm speed speed_back air coolant oil_temp volts motor controller distance",
        caution="Closed or legal road, helmet, papers first.",
    ),
    _card(
        "range-loop",
        "Range, measured",
        "Energy for the way, and what is left.",
        """
loop: A known way at cruise, energy before and after
reserve: What is left at the end
charge: A whole charge watched; every cut-off proved
""",
        needs=ELECTRIC,
        reads="energy distance cell_spread motor controller",
    ),
    _card(
        "first-hours",
        "After the first hours",
        "Tight again, oil read, papers written.",
        """
torque: Everything on the list tightened again
oil: [engine] Oil and filter looked at
isolation: [motor] Isolation read again
papers: Papers, plates and insurance
""",
    ),
)


class Channel(NamedTuple):
    """Something that is read on a run: its words, its dimension, what it must keep, and what no sensor can read.

    low_field, high_field: of the unit's run limits, by which its maker says otherwise; hot: how much of the difference
    to the hottest day goes on top; jump: the fastest that it can change, a second; needs: what
    the craft or its fit must have."""

    key: str
    words: str
    dimension: str
    low: float | None = None
    high: float | None = None
    low_field: str = ""
    high_field: str = ""
    hot: float | None = None
    least: float = float("-inf")
    most: float = float("inf")
    jump: float | None = None
    source: str = "common practice, no source"
    needs: str = ""


# As what a figure is read that is printed in a dimension of its own.
_PARSED_AS = {
    "fine_voltage": "voltage",
    "short_time": "time",
    "hours": "time",
    "distance": "length",
    "sea_distance": "length",
    "fine_length": "length",
    "sea_speed": "speed",
    "road_speed": "speed",
    "hourly_flow": "flow",
    "percent": "number",
    "fine_angle": "angle",
}


def parsed_as(dimension: str) -> str:
    """The dimension as which people write a figure that is printed in this one."""
    return _PARSED_AS.get(dimension, dimension)


def _k(celsius: float) -> float:
    return celsius + 273.15


_RPM = 3.141592653589793 / 30
CHANNELS: dict[str, Channel] = {
    c.key: c
    for c in (
        Channel("rpm", "speed of the unit", "rotation", least=0.0, most=30_000 * _RPM, jump=4000 * _RPM),
        Channel("speed", "speed", "speed", least=0.0, most=120.0, jump=15.0),
        Channel("speed_back", "speed, the other way", "speed", least=0.0, most=120.0, jump=15.0),
        Channel(
            "oil_pressure_idle",
            "oil pressure at idle",
            "pressure",
            70e3,
            None,
            "oil_pressure_idle",
            "",
            least=0.0,
            most=2e6,
            needs=ENGINE,
        ),
        Channel(
            "oil_pressure",
            "oil pressure",
            "pressure",
            200e3,
            None,
            "oil_pressure",
            "",
            least=0.0,
            most=2e6,
            needs=ENGINE,
        ),
        Channel(
            "oil_temp", "oil", "temperature", None, _k(120), "", "oil_hottest", 1.0, _k(-40), _k(250), 5.0, needs=ENGINE
        ),
        Channel("coolant", "coolant", "temperature", None, _k(105), "", "", 1.0, _k(-40), _k(200), 5.0),
        Channel(
            "outlet",
            "water at the outlet",
            "temperature",
            None,
            _k(60),
            "",
            "outlet_hottest",
            1.0,
            _k(-5),
            _k(130),
            5.0,
            needs=AFLOAT,
        ),
        Channel("hose", "exhaust hose", "temperature", None, _k(95), "", "", 1.0, _k(-5), _k(300), 20.0, needs=AFLOAT),
        Channel(
            "gas",
            "exhaust gas",
            "temperature",
            None,
            _k(850),
            "",
            "gas_hottest",
            None,
            _k(-40),
            _k(1200),
            200.0,
            needs=ENGINE,
        ),
        Channel("volts", "volts", "fine_voltage", 13.6, 14.6, "charge_least", "charge_most", least=0.0, most=40.0),
        Channel("pack_volts", "volts of the pack", "voltage", least=0.0, most=1000.0, needs=ELECTRIC),
        Channel(
            "motor",
            "winding of the motor",
            "temperature",
            None,
            _k(120),
            "",
            "motor_hottest",
            1.0,
            _k(-40),
            _k(300),
            10.0,
            needs=ELECTRIC,
        ),
        Channel(
            "controller",
            "controller",
            "temperature",
            None,
            _k(80),
            "",
            "controller_hottest",
            1.0,
            _k(-40),
            _k(200),
            10.0,
            needs=ELECTRIC,
        ),
        Channel("cell_spread", "cells apart, at rest", "fine_voltage", None, 0.03, least=0.0, most=2.0, needs=ELECTRIC),
        Channel("fuel_pressure", "fuel pressure", "pressure", least=0.0, most=1e6, needs=ENGINE),
        Channel("fuel_flow", "fuel", "fuel_flow", least=0.0, most=0.1, needs=ENGINE),
        Channel(
            "drop_left",
            "drop, left ignition alone",
            "rotation",
            1.0 * _RPM,
            175 * _RPM,
            least=-500 * _RPM,
            most=3000 * _RPM,
            source="light aircraft, from memory",
            needs=SPARK,
        ),
        Channel(
            "drop_right",
            "drop, right ignition alone",
            "rotation",
            1.0 * _RPM,
            175 * _RPM,
            least=-500 * _RPM,
            most=3000 * _RPM,
            source="light aircraft, from memory",
            needs=SPARK,
        ),
        Channel(
            "co",
            "carbon monoxide in the cabin, ppm",
            "count",
            None,
            35.0,
            least=0.0,
            most=10_000.0,
            source="NIOSH, 35 ppm time average (from memory)",
            needs=ENGINE,
        ),
        Channel("cranks", "cranks until pressure", "count", None, 4.0, least=0.0, most=50.0, needs=ENGINE),
        Channel("time", "time to stop", "short_time", least=0.0, most=600.0),
        Channel("energy", "energy taken", "energy", least=0.0, most=1e9, needs=ELECTRIC),
        Channel("distance", "distance", "distance", least=0.0, most=1e6),
        Channel("air", "air outside", "temperature", least=_k(-50), most=_k(60), jump=2.0),
        Channel("sea", "water outside", "temperature", least=_k(-5), most=_k(45), jump=2.0, needs=AFLOAT),
    )
}
