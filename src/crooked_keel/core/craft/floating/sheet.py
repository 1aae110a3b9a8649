"""Fields of a craft that floats."""

from __future__ import annotations

from ...sheet.kit import Block, field

BLOCKS: tuple[Block, ...] = (
    Block(
        "craft",
        "How she floats",
        (
            field("/craft/flotation/length", "Length on the waterline"),
            field("/craft/flotation/beam", "Beam on the waterline"),
            field("/craft/flotation/block", "Block coefficient"),
            field("/craft/flotation/waterplane", "Waterplane coefficient"),
            field("/craft/flotation/keel", "Underside of the canoe body"),
            field("/craft/flotation/lcf", "Centre of flotation"),
            field("/craft/flotation/lcb", "Centre of buoyancy, level"),
            field("/craft/flotation/density", "Water"),
            field("/craft/flotation/table_density", "Water that the hydrostatic table was made for"),
            field("/craft/flotation/read", "Freeboards were read", "choice"),
            field("/craft/flotation/crowd", "How far out people can stand"),
            field("/craft/flotation/planing_area", "Planing area of the bottom"),
        ),
        form="afloat",
        hint="Canoe body of a monohull; keel and skeg left out.",
    ),
    Block(
        "craft",
        "Freeboards, from the sheer down to the water",
        (
            field("freeboard", "freeboard"),
            field("after", "work done"),
            field("station", "station"),
            field("butt_line", "butt line"),
            field("sheer", "sheer"),
        ),
        form="afloat",
        table="/craft/flotation/marks",
        one="mark",
    ),
    Block(
        "craft",
        "Inclining test, or a timed roll",
        (
            field("/craft/flotation/inclining/pendulum", "Length of the pendulum"),
            field("/craft/flotation/inclining/roll", "Time of a full roll, port to port"),
        ),
        form="afloat",
        hint="Calm water, slack lines, nobody moving. Time ten full rolls.",
        folded=True,
    ),
    Block(
        "craft",
        "Inclining: weights moved across",
        (field("weight", "weight"), field("moved", "moved to starboard"), field("pendulum", "pendulum then")),
        form="afloat",
        table="/craft/flotation/inclining/readings",
        one="reading",
        folded=True,
        hint="From where it began; to port is negative. Zero first, then both sides.",
    ),
    Block(
        "craft",
        "Free surface of tanks",
        (
            field("surface_length", "long"),
            field("surface_breadth", "broad"),
            field("baffles", "parts"),
            field("joined", "across", "choice"),
            field("filling", "filled", "choice"),
        ),
        form="afloat",
        table="/craft/tanks",
        one="tank",
        hint="A tank that holds something is slack unless you say that it is pressed full.",
    ),
    Block(
        "craft",
        "Before the work",
        (
            field("/craft/trial/regime", "Hull", "choice"),
            field("/craft/trial/speed", "Speed at full power, measured"),
            field("/craft/trial/wanted", "Speed wanted at full power"),
            field("/craft/trial/cruise", "Cruising speed"),
            field("/craft/trial/wake", "Water at the propeller slower by (blank: by her block)"),
        ),
        form="afloat",
    ),
)
