"""Fields of the systems bench, lane by lane."""

from __future__ import annotations

from ..sheet.kit import Block, Entry, field
from .current import sheet as current
from .entries import entry

_PIECE = (
    field("kind", "what", "choice"),
    field("length", "length"),
    field("bore", "bore"),
    field("height", "far end, height"),
)


_JOINTS = (
    ("mounting", "Mount pattern"),
    ("output", "Output"),
    ("fuel", "Fuel"),
    ("electrical", "Electrical system"),
    ("coolant", "Coolant"),
    ("exhaust", "Exhaust"),
    ("oil", "Oil"),
    ("gear_cooling", "Gear oil cooling"),
    ("air", "Air intake"),
    ("controls", "Throttle and shift"),
    ("instruments", "Instruments"),
)


_PRICED = {"price": "price", "needed": "needed", "sold_in": "sold in"}


def _joint(key: str, name: str, part: str) -> Entry:
    if part == "done":
        return entry(f"joints/{key}/done", name, "choice")
    return entry(f"joints/{key}/{part}", f"{name}, {_PRICED[part]}")


BLOCKS: tuple[Block, ...] = (
    Block(
        "systems",
        "Cooling",
        (
            entry("cooling/by", "Cooled by", "choice"),
            field("~/unit/heat", "Heat into its coolant at its rated power"),
            entry("cooling/others", "What else gives heat into the coolant", "choice"),
            entry("cooling/hot_day", "Air outside on the hottest day"),
            entry("cooling/height", "at this height"),
            entry("cooling/limit", "Hottest coolant that the unit may have"),
            entry("cooling/coolant", "Coolant", "choice"),
            entry("cooling/water_left", "Water left in a waterless one"),
            entry("cooling/coolant_flow", "Flow of the coolant"),
            entry("cooling/volume", "Coolant in all"),
            entry("cooling/header_air", "Air in the header, cold"),
            entry("cooling/header_height", "Header, lowest point"),
            entry("cooling/cap", "Pressure of the cap"),
        ),
    ),
    Block("systems", "Heat from elsewhere", (field("heat", "heat"),), table="~/systems/cooling/also", one="source"),
    Block(
        "systems",
        "Coolers",
        (
            field("carries", "carries", "choice"),
            field("stands", "stands", "choice"),
            field("conductance", "passes per kelvin"),
            field("heat", "heat"),
            field("flow", "flow"),
            field("face", "face"),
            field("served_power", "served: power"),
            field("served_kind", "served: kind", "choice"),
        ),
        table="~/systems/cooling/coolers",
        one="cooler",
        fresh=(("carries", "coolant"),),
    ),
    Block(
        "systems",
        "Cooling air",
        (
            entry("cooling/speed", "Slowest speed at full power for long"),
            entry("cooling/inlet", "Inlet, area"),
            entry("cooling/inlet_share", "Speed in the inlet beside that of the craft"),
            entry("cooling/fan", "or a fan moves"),
            entry("cooling/sealed", "Duct sealed to the core", "choice"),
            entry("cooling/core_drop", "Pressure that the core takes"),
        ),
    ),
    Block(
        "systems",
        "Coolant's loop, from the unit's outlet round",
        (*_PIECE, field("bleed", "bleed there", "choice"), field("joint", "joint to the next", "text")),
        table="~/systems/cooling/loop",
        one="part",
    ),
    Block(
        "systems",
        "Sea water",
        (
            entry("cooling/pump", "Sea water that the pump moves"),
            entry("cooling/sea", "Warmest water"),
            entry("cooling/keel_area", "Area of a keel cooler"),
        ),
        form="afloat",
    ),
    Block(
        "systems",
        "Sea water, from its cock",
        (*_PIECE, field("joint", "joint to the next", "text")),
        form="afloat",
        table="~/systems/cooling/water",
        one="part",
    ),
    Block(
        "systems",
        "Oil",
        (
            entry("oil/kept_in", "Kept in", "choice"),
            entry("oil/least", "Lower mark"),
            entry("oil/run", "To run with"),
            entry("oil/most", "The most"),
            entry("oil/filled", "Filled in"),
            entry("oil/circulation", "Goes round at full speed"),
            entry("oil/scavenge", "Scavenge pump moves"),
            entry("oil/gear", "Oil of the gear", "choice"),
            entry("oil/gear_cooler", "Cooler of the gear's oil", "choice"),
        ),
    ),
    Block(
        "systems",
        "Tank or sump, and how it lies",
        (
            entry("oil/width", "Tank or sump, width"),
            entry("oil/pickup_aft", "Pickup, aft of its front"),
            entry("oil/pickup_up", "Pickup, over its bottom"),
            entry("oil/nose_up", "Steepest nose up while it runs"),
            entry("oil/nose_down", "Steepest nose down"),
        ),
    ),
    Block(
        "systems",
        "Heeled, while it runs",
        (
            entry("oil/side", "Heel to reckon with"),
            entry("oil/pickup_across", "Pickup, off the middle of the tank's width"),
        ),
        form="afloat",
    ),
    Block(
        "systems",
        "In a long bend",
        (
            entry("oil/side", "Oil lies over by"),
            entry("oil/pickup_across", "Pickup, off the middle of the tank's width"),
        ),
        form="corners",
        hint="A bend taken at half a g lays it over by 27°, at 0.8 g by 39°, at a whole g by 45°.",
    ),
    Block(
        "systems",
        "Outline of the tank or sump, corner by corner",
        (field("aft", "aft of its front"), field("up", "over its bottom")),
        table="~/systems/oil/outline",
        one="corner",
    ),
    Block("systems", "Oil, from its tank", _PIECE, table="~/systems/oil/path", one="part", folded=True),
    Block(
        "systems",
        "Exhaust",
        (
            entry("exhaust/leaves", "Leaves", "choice"),
            entry("exhaust/gas", "Gas at full power"),
            entry("exhaust/mixture", "Air to a part of fuel"),
            entry("exhaust/limit", "Most back pressure, by its maker"),
            entry("exhaust/measured", "Back pressure as measured"),
        ),
    ),
    Block(
        "systems",
        "Hot pipe",
        (
            entry("exhaust/shielded", "A shield between pipe and hoses", "choice"),
            entry("exhaust/surface", "Outside of the pipe"),
            entry("exhaust/sees", "Share of the nearest hose's view"),
            entry("exhaust/hot_length", "Longest straight held at both ends"),
            entry("exhaust/material", "Material", "choice"),
            entry("exhaust/slip", "Travel of its slip joint"),
        ),
    ),
    Block(
        "systems",
        "Wet exhaust",
        (
            entry("exhaust/injection_station", "Water goes in, station"),
            entry("exhaust/injection_butt_line", "Water goes in, butt line"),
            entry("exhaust/injection_height", "Water goes in, height"),
            entry("exhaust/tape", "How far that may be off"),
            entry("exhaust/heel", "Heel to reckon with"),
            entry("exhaust/loop", "Vented loop", "choice"),
            entry("exhaust/lock", "Lock holds below its inlet, heeled"),
            entry("exhaust/lift_length", "Hose up from the lock, length"),
            entry("exhaust/lift_bore", "Hose up from the lock, bore"),
            entry("exhaust/hose_marked", "Hose marked for wet exhaust", "choice"),
        ),
        form="afloat",
    ),
    Block(
        "systems",
        "Exhaust, from the outlet",
        (*_PIECE, field("joint", "joint to the next", "text")),
        table="~/systems/exhaust/path",
        one="part",
    ),
    Block(
        "systems",
        "Induction",
        (
            entry("induction/by", "Mixed by", "choice"),
            entry("induction/mixture", "Air to a part of fuel"),
            entry("induction/bore", "Intake, bore"),
            entry("induction/filter", "Filter", "choice"),
            entry("induction/filter_area", "Filter, outer area"),
            entry("induction/tilt_limit", "Carburettor may lie over by"),
        ),
    ),
    Block(
        "systems",
        "Blower",
        (
            entry("induction/charge_cooler", "Charge cooled", "choice"),
            entry("induction/boost", "Boost over the pressure outside"),
            entry("induction/blower", "Share of an ideal blower"),
            entry("induction/charge_limit", "Hottest charge that the unit may have"),
        ),
        folded=True,
    ),
    Block(
        "systems",
        "Fuel",
        (
            entry("fuel/fed", "Fed", "choice"),
            entry("fuel/primed", "Primed", "choice"),
            entry("fuel/lift", "Drawn up by"),
            entry("fuel/returns", "Returns", "choice"),
            entry("fuel/return_flow", "Returned"),
            entry("fuel/measured", "Runs at the unit, as measured"),
            entry("fuel/pump_head", "Pump gives, at that flow"),
            entry("fuel/wants", "Pressure wanted at the unit"),
            entry("fuel/unusable", "Cannot be used"),
            entry("fuel/plan", "Wanted to run"),
            entry("fuel/reserve", "Reserve"),
            entry("fuel/across", "Between tanks", "choice"),
        ),
    ),
    Block("systems", "Fuel afloat", (entry("fuel/vent", "Vent of the tank, bore"),), form="afloat"),
    Block(
        "systems",
        "Fuel, from its tank",
        (
            field("kind", "what", "choice"),
            field("length", "length"),
            field("bore", "bore"),
            field("height", "far end, height"),
            field("fineness", "filter: fineness"),
            field("passes", "filter: passes"),
        ),
        table="~/systems/fuel/path",
        one="part",
    ),
    Block(
        "systems",
        "Shape of the tanks",
        (
            field("shape", "shape", "choice"),
            field("surface_length", "length"),
            field("surface_breadth", "breadth"),
            field("depth", "depth"),
            field("capacity", "capacity"),
        ),
        table="/craft/tanks",
        one="tank",
        folded=True,
    ),
    Block(
        "systems",
        "Shape of the tanks this fit adds",
        (
            field("shape", "shape", "choice"),
            field("surface_length", "length"),
            field("surface_breadth", "breadth"),
            field("depth", "depth"),
            field("capacity", "capacity"),
        ),
        table="^/tanks",
        one="tank",
        folded=True,
    ),
    *current.BLOCKS,
    Block(
        "systems",
        "High voltage: isolation as measured",
        (
            entry("high_voltage/first_pole", "Larger pole to the frame"),
            entry("high_voltage/other_pole", "Other pole to the frame"),
            entry("high_voltage/test_resistor", "Test resistor, at the larger pole"),
            entry("high_voltage/first_pole_after", "Larger pole with it"),
            entry("high_voltage/barriers", "Barriers of the motor's side recorded", "choice"),
            entry("high_voltage/interlock", "Interlock through every cover", "choice"),
            entry("high_voltage/moving", "A fault while moving", "choice"),
        ),
        electric=True,
        hint="Above 60 V direct current only people licensed for it: isolate, lock, wait, prove dead.",
    ),
    Block(
        "systems",
        "Pre-charge, discharge, main fuse",
        (
            entry("high_voltage/resistor", "Pre-charge resistor"),
            entry("high_voltage/resistor_rating", "Pulse that it may take"),
            entry("high_voltage/capacitance", "Capacitance of the link"),
            entry("high_voltage/discharge", "Link emptied", "choice"),
            entry("high_voltage/bleeder", "By a resistor of"),
            entry("high_voltage/fuse", "Main fuse, rating"),
            entry("high_voltage/fuse_volts", "Main fuse, voltage"),
            entry("high_voltage/fuse_for", "Main fuse, made for", "choice"),
            entry("high_voltage/fuse_breaks", "Main fuse, can break"),
            entry("high_voltage/inside", "Resistance inside the pack"),
            entry("high_voltage/cable", "Cable of the pack", "choice"),
        ),
        electric=True,
    ),
    Block("systems", "Joints: what becomes of each", tuple(_joint(*j, "done") for j in _JOINTS)),
    Block("systems", "Joints afloat", (_joint("sea_water", "Sea water", "done"),), form="afloat"),
    Block(
        "systems",
        "Joints: prices and lengths",
        tuple(_joint(*j, part) for j in _JOINTS for part in _PRICED),
        folded=True,
    ),
    Block(
        "systems",
        "Joints afloat: prices and lengths",
        tuple(_joint("sea_water", "Sea water", part) for part in _PRICED),
        form="afloat",
        folded=True,
    ),
    Block(
        "systems",
        "Reached with the unit in place",
        (field("reached", "reached", "choice"), field("behind", "what is out first", "text")),
        table="~/systems/access",
        one="thing",
    ),
)
