"""First figures: what is measured in the first evening, in the order of a walk round the craft, by kind and layout.

A pointer with `~` is asked of the unit that goes out and of the one that comes in; `*` of every item of a collection;
braces of the supports of a role, or of the first of them.
"""

from __future__ import annotations

from typing import Literal, NamedTuple

Way = Literal["at", "along", "up", "across", "size"]
Spot = tuple[float, float]
Source = Literal["measured", "maker", "estimated"]
Whose = Literal["both", "old", "new"]
OLD: Whose = "old"


class AskedLine(NamedTuple):
    """One figure: label, pointer, how it is measured on the sketch and from which spots of it. whose: of which unit it
    is asked; source: where it is from, unless it is that of its group. A spot in braces is that of the item."""

    label: str
    pointer: str
    way: Way = "at"
    spots: tuple[str, ...] = ()
    kind: Literal["figure", "choice"] = "figure"
    whose: Whose = "both"
    source: Source | None = None


class Group(NamedTuple):
    """Figures that are found with one tool at one place, and so from one source."""

    title: str
    hint: str
    source: Source
    lines: tuple[AskedLine, ...]


class First(NamedTuple):
    """groups in the order of the walk; answers: rules whose verdict is wanted of it, the first ones first; spots:
    where things are on the sketch, m; feet: role and place of each wheel on it, and its radius; measures: those of its
    outline that are not the usual ones."""

    groups: tuple[Group, ...]
    answers: tuple[str, ...]
    spots: dict[str, Spot]
    feet: tuple[tuple[str, float, float, float], ...]
    measures: dict[str, float] = {}


def _tape(label: str, pointer: str, way: Way, spots: tuple[str, ...], whose: Whose = "both") -> AskedLine:
    return AskedLine(label, pointer, way, spots, whose=whose, source="measured")


def _units(*lines: AskedLine) -> Group:
    return Group(
        "The unit that goes out, and the one that comes in",
        "From their sheets, or better on scales. Say in which condition each mass was taken.",
        "maker",
        (
            AskedLine("Mass", "~/unit/mass", "at", ("unit",)),
            AskedLine("Weighed", "~/unit/condition", kind="choice"),
            AskedLine("Length from its flange", "~/unit/length", "size", ("flange", "far end")),
            AskedLine("Power", "~/unit/power"),
            AskedLine("at its rated speed", "~/unit/rated_speed"),
            *lines,
        ),
    )


_PEOPLE = Group(
    "People, load and fuel",
    "The loading that is flown, sailed or ridden most.",
    "estimated",
    (
        AskedLine("{item}", "/loadings/*/loads/{seats}", "at", ("seat",)),
        AskedLine("Fuel: {item}", "/loadings/*/fuel/{tanks}", "at", ("tank",)),
    ),
)

_FLANGE = (
    _tape("Its flange, station", "~/placement/flange_station", "along", ("flange",)),
    _tape("Its flange, height", "~/placement/flange_water_line", "up", ("flange",)),
)


_CANARD = {
    "nose": -0.4,
    "firewall": 4.5,
    "tail": 5.2,
    "wing": 3.0,
    "wing_chord": 1.3,
    "wing_water_line": -0.05,
    "fin_top": 1.1,
}


def aeroplane(layout: str) -> First:
    """What is measured first."""
    pushes = layout == "canard"
    third = {"tricycle": "nose", "canard": "nose"}.get(layout, "tail")
    at = {
        "tailwheel": {"main": 0.34, "tail": 5.1},
        "tricycle": {"main": 1.35, "nose": -0.35},
        "canard": {"main": 3.3, "nose": 0.2},
        "monowheel": {"main": 0.5, "tail": 5.1},
    }[layout]
    flange = 5.45 if pushes else -1.0
    far = 4.6 if pushes else -0.25
    main = "/craft/supports/{first main}"
    sides = (
        () if layout == "monowheel" else (AskedLine("Port main, butt line", f"{main}/butt_line", "across", ("main",)),)
    )
    return First(
        (
            Group(
                "On the scales, levelled",
                "Unit as found, fuel noted, brakes off. A scale set to nought needs no tare.",
                "measured",
                (AskedLine("{item}", "/craft/supports/*/reading", "at", ("{role}",)),),
            ),
            Group(
                "With the tape, from the datum",
                "Drop a plumb line from each axle to the floor. The starboard main stands abreast of the port one.",
                "measured",
                (
                    AskedLine("Main wheel" if not sides else "Port main", f"{main}/station", "along", ("main",)),
                    *sides,
                    AskedLine(
                        f"{third.title()} wheel", "/craft/supports/{first " + third + "}/station", "along", (third,)
                    ),
                    AskedLine("{item}", "/craft/seats/*/station", "along", ("seat",)),
                    AskedLine("{item}", "/craft/tanks/*/station", "along", ("tank",)),
                ),
            ),
            Group(
                "From her papers",
                "Empty limits are not these: take those for flight.",
                "maker",
                (
                    AskedLine("Forward CG limit", "/craft/limits/forward", "along", ("limits",)),
                    AskedLine("Aft CG limit", "/craft/limits/aft", "along", ("limits",)),
                    AskedLine("Gross mass", "/craft/limits/gross"),
                ),
            ),
            _units(
                AskedLine("Propeller, diameter", "~/propeller/diameter", "size", ("tip high", "tip low")),
                *_FLANGE,
                *((AskedLine("The unit lies", "~/lies", kind="choice"),) if pushes else ()),
            ),
            _PEOPLE,
        ),
        (
            "craft.as-found",
            "balance.cg-forward",
            "balance.cg-aft",
            "balance.mass-max",
            "balance.supports",
            "drive.tip-mach",
        ),
        {
            "main": (at["main"], -0.95),
            third: (at[third], -0.95 if third == "nose" else -0.3),
            "seat": (1.5, 0.0) if not pushes else (1.6, 0.0),
            "tank": (0.45, 0.1) if not pushes else (2.6, 0.0),
            "limits": (1.0, 0.42) if not pushes else (2.4, 0.42),
            "unit": ((flange + far) / 2, 0.0),
            "flange": (flange, 0.0),
            "far end": (far, 0.0),
            "tip high": (flange, 0.85),
            "tip low": (flange, -0.85),
        },
        tuple((role, x, -0.95 if role != "tail" else -0.3, 0.22 if role != "tail" else 0.1) for role, x in at.items()),
        _CANARD if pushes else {},
    )


def boat(layout: str) -> First:
    """What is measured first."""
    first = "" if layout == "single screw" else " of the port unit; the other is taken for its mirror"
    shaft = (
        _tape(f"Coupling, station{first}", "~/placement/flange_station", "along", ("flange",), OLD),
        _tape("Coupling, height", "~/placement/flange_water_line", "up", ("flange",), OLD),
        _tape("Propeller, station", "~/placement/propeller_station", "along", ("propeller",), OLD),
        _tape("Propeller, height", "~/placement/propeller_water_line", "up", ("propeller",), OLD),
    )
    across = (
        ()
        if layout == "single screw"
        else (_tape("Coupling, butt line", "~/placement/flange_butt_line", "across", ("flange",), OLD),)
    )
    return First(
        (
            Group(
                "Afloat, at four marks on the sheer",
                "Calm water, lines slack, nobody aboard.",
                "measured",
                (
                    AskedLine("{item}", "/craft/flotation/marks/*/freeboard", "up", ("{mark}",)),
                    AskedLine("Read", "/craft/flotation/read", kind="choice"),
                ),
            ),
            Group(
                "With the tape",
                "Waterline length and beam as she floats.",
                "measured",
                (
                    AskedLine("Length on the waterline", "/craft/flotation/length", "size", ("bow", "stern")),
                    AskedLine("Beam on the waterline", "/craft/flotation/beam", "across", ("midships",)),
                    AskedLine("Underside of her canoe body, height", "/craft/flotation/keel", "up", ("bottom",)),
                    AskedLine("{item}", "/craft/tanks/*/station", "along", ("tank",)),
                ),
            ),
            Group(
                "What she did, and what is wanted",
                "At full power, over a measured distance, both ways.",
                "measured",
                (
                    AskedLine("Speed before", "/craft/trial/speed"),
                    AskedLine("Speed wanted", "/craft/trial/wanted"),
                ),
            ),
            _units(
                AskedLine("Reduction", "~/drive/stages/*/ratio"),
                AskedLine("Propeller, diameter", "~/propeller/diameter", "size", ("tip high", "tip low")),
                AskedLine("Propeller, pitch", "~/propeller/pitch", whose="new"),
                AskedLine("Propeller, blades", "~/propeller/blades", whose="new"),
                *shaft,
                *across,
            ),
            _PEOPLE,
        ),
        (
            "craft.as-found",
            "balance.displacement-change",
            "balance.trim",
            "balance.heel",
            "balance.gm",
            "balance.freeboard",
            "drive.pitch",
            "drive.speed",
        ),
        {
            "bow": (0.9, 0.1),
            "stern": (7.2, 0.1),
            "midships": (4.0, 0.1),
            "bottom": (3.4, -0.45),
            "tank": (5.9, 0.25),
            "seat": (6.4, 0.75),
            "unit": (4.75, 0.05),
            "flange": (5.2, -0.05),
            "far end": (4.3, 0.1),
            "propeller": (6.75, -0.4),
            "tip high": (6.75, -0.2),
            "tip low": (6.75, -0.6),
        },
        (),
    )


def _on_wheels(base: float, radius: float, ridden: bool, gears: tuple[str, ...], final: str) -> First:
    ratios = tuple(AskedLine(f"Ratio, {g}", f"~/drive/gears/{g}/ratio") for g in gears) or (
        AskedLine("Variator, ratio at its low end", "~/drive/stages/variator/low"),
        AskedLine("Variator, ratio at its fast end", "~/drive/stages/variator/ratio"),
    )
    chain = (
        (
            AskedLine("Final chain, driving teeth", "~/drive/stages/chain/driver_teeth", "at", ("flange",)),
            AskedLine("Final chain, driven teeth", "~/drive/stages/chain/driven_teeth", "at", ("rear",)),
        )
        if final == "chain"
        else (AskedLine("Final ratio", f"~/drive/stages/{final}/ratio"),)
    )
    unit_x = 0.62 * base if ridden else 0.75 * base
    answers = (
        ("balance.axle-split", "balance.wheelie", "balance.rear-lifts")
        if ridden
        else (
            "balance.axle-shift",
            "balance.tipping",
            "balance.rollover",
        )
    )
    return First(
        (
            Group(
                "On the scales, upright and level",
                "One wheel after another, the others packed up to the same height. Tanks noted.",
                "measured",
                (AskedLine("{item}", "/craft/supports/*/reading", "at", ("{role}",)),),
            ),
            Group(
                "With the tape",
                "Wheelbase between the axles, level; change what the sheet took for granted.",
                "measured",
                (AskedLine("{item}, station of its axle", "/craft/supports/{rear}/station", "along", ("rear",)),),
            ),
            Group(
                "From plate and tyres",
                "The load index is moulded on the wall of each tyre.",
                "maker",
                (
                    AskedLine("Front axle may carry", "/craft/limits/front_axle", "at", ("front",)),
                    AskedLine("Rear axle may carry", "/craft/limits/rear_axle", "at", ("rear",)),
                    AskedLine("Gross mass", "/craft/limits/gross"),
                    AskedLine("{item}: load index", "/craft/supports/*/load_index", "at", ("{role}",)),
                ),
            ),
            _units(
                AskedLine("Peak torque", "~/unit/peak_torque"),
                _tape("CG along, from its output", "~/unit/cg_aft", "size", ("flange", "unit")),
                _tape("CG height, from its output", "~/unit/cg_up", "up", ("unit",)),
                *ratios,
                *chain,
                _tape("Its output, station", "~/placement/flange_station", "along", ("flange",), OLD),
                _tape("Its output, butt line", "~/placement/flange_butt_line", "across", ("flange",), OLD),
                _tape("Its output, height", "~/placement/flange_water_line", "up", ("flange",), OLD),
                _tape("Driven wheel, rolling radius", "~/wheel/radius", "up", ("rear",), OLD),
            ),
        ),
        ("balance.mass-max", *answers, "balance.axle-load", "drive.top-gear", "drive.grip"),
        {
            "front": (0.0, 0.0),
            "rear": (base, 0.0),
            "seat": (0.62 * base, 1.4 * radius + 0.4),
            "tank": (0.4 * base, 0.8),
            "unit": (unit_x - 0.12, 1.15 * radius),
            "flange": (unit_x + 0.08, 1.05 * radius),
            "far end": (unit_x - 0.32, 1.15 * radius),
        },
        (("front", 0.0, 0.0, radius), ("rear", base, 0.0, radius)),
    )


def motorcycle(layout: str) -> First:
    """What is measured first."""
    return _on_wheels(1.4, 0.31, True, ("first", "top"), "chain")


def scooter(layout: str) -> First:
    """What is measured first."""
    return _on_wheels(1.24, 0.215, True, (), "final")


def road_vehicle(layout: str) -> First:
    """What is measured first."""
    return _on_wheels(1.9, 0.25, False, ("first", "top"), "final")
