"""Fields of the drive bench."""

from __future__ import annotations

from ..sheet.kit import Block, field

BLOCKS: tuple[Block, ...] = (
    Block(
        "drive",
        "Power unit",
        (
            field("~/unit/name", "Name", "text"),
            field("~/unit/kind", "Kind", "choice"),
            field("~/unit/cylinders", "Cylinders"),
            field("~/unit/power", "Rated power"),
            field("~/unit/rated_speed", "Rated speed"),
            field("~/unit/peak_torque", "Peak torque"),
        ),
    ),
    Block(
        "drive",
        "Turning",
        (
            field("~/unit/turns", "Unit turns, seen from aft looking forward", "choice"),
            field("~/propeller/turns", "Propeller made to turn, seen from aft", "choice"),
        ),
        without="across",
    ),
    Block(
        "drive",
        "Electric unit",
        (
            field("~/unit/peak_power", "Peak power (rated is continuous)"),
            field("~/unit/peak_time", "Peak lasts"),
            field("~/unit/battery_current", "Battery current limit"),
            field("~/unit/phase_current", "Phase current limit"),
            field("~/unit/voltage_limit", "Highest voltage of the controller"),
            field("~/packs_joined", "Packs are joined", "choice"),
        ),
        electric=True,
    ),
    Block(
        "drive",
        "Packs",
        (
            field("voltage", "voltage"),
            field("full_voltage", "fully charged"),
            field("current", "largest current"),
            field("energy", "energy"),
        ),
        table="~/packs",
        one="pack",
        electric=True,
    ),
    Block(
        "drive",
        "Propeller",
        (
            field("~/propeller/diameter", "Diameter"),
            field("~/propeller/blades", "Blades"),
            field("~/propeller/mass", "Mass"),
            field("~/propeller/inertia", "Polar inertia"),
            field("~/propeller/spacer", "Spacer ahead of the flange"),
        ),
        form="air propeller",
    ),
    Block(
        "drive",
        "Propeller",
        (
            field("~/propeller/diameter", "Diameter"),
            field("~/propeller/pitch", "Pitch"),
            field("~/propeller/blades", "Blades"),
            field("~/propeller/hull_above", "Shaft centre up to the hull"),
            field("~/propeller/mass", "Mass"),
        ),
        form="marine propeller",
    ),
    Block(
        "drive",
        "Driven wheel",
        (
            field("~/wheel/radius", "Rolling radius, measured"),
            field("~/wheel/width", "or tyre: width"),
            field("~/wheel/aspect", "aspect"),
            field("~/wheel/rim", "rim"),
        ),
        form="driven wheel",
    ),
    Block(
        "drive",
        "Stages, from the crank",
        (
            field("type", "type", "choice"),
            field("driver_teeth", "driving"),
            field("driven_teeth", "driven"),
            field("ratio", "or ratio"),
            field("turning", "turning", "choice"),
            field("offset_up", "offset up"),
            field("offset_starboard", "sideways"),
        ),
        without="across",
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "gear"),),
    ),
    Block(
        "drive",
        "Stages, from the crank; the final one last",
        (
            field("type", "type", "choice"),
            field("driver_teeth", "driving"),
            field("driven_teeth", "driven"),
            field("ratio", "or ratio"),
        ),
        form="across",
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "chain"),),
    ),
    Block(
        "drive",
        "Held member of a planetary stage",
        (field("held", "held", "choice"),),
        table="~/drive/stages",
        one="stage",
    ),
    Block(
        "drive",
        "Chain of a stage",
        (field("pitch", "pitch"), field("centres", "centres"), field("strength", "strength")),
        form="across",
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "chain"),),
    ),
    Block(
        "drive",
        "Gears, or the two ends of a variator",
        (field("ratio", "ratio"),),
        form="driven wheel",
        table="~/drive/gears",
        one="gear",
    ),
    Block(
        "drive",
        "Drive as a whole",
        (
            field("~/drive/mass", "Mass"),
            field("~/drive/cg_aft", "CG from the {flange}"),
            field("~/drive/length", "Unit flange to {flange}"),
        ),
        without="across",
    ),
    Block("drive", "Losses", (field("~/drive/efficiency", "Efficiency behind the unit"),), without="air propeller"),
    Block("drive", "Reverse", (field("~/drive/reverse", "Reverses by", "choice"),), form="corners"),
    Block(
        "drive",
        "Limits you choose",
        (
            field("/assumptions/tip_mach", "Tip Mach allowed (0.80, 0.85, 0.90)"),
            field("/assumptions/ground_clearance", "Ground clearance wanted"),
        ),
        form="air propeller",
        hint="Blank takes the default that the finding names.",
    ),
    Block(
        "drive",
        "Assumptions",
        (field("/assumptions/shock", "Shock on the final drive (2; electric 1.2)"),),
        form="driven wheel",
        hint="Blank takes the default in brackets.",
    ),
    Block(
        "drive",
        "Assumptions of the range",
        (
            field("/assumptions/depth_of_discharge", "Share of the energy used (85 %)"),
            field("/assumptions/motor_efficiency", "Motor and controller (88 %)"),
        ),
        electric=True,
        hint="Blank takes the default in brackets.",
    ),
)
