"""Fields of the mount bench."""

from __future__ import annotations

from ..sheet.kit import Block, field

BLOCKS: tuple[Block, ...] = (
    Block(
        "mount",
        "Points on the unit, from {unit flange}",
        (
            field("unit_aft", "aft"),
            field("unit_starboard", "sideways"),
            field("unit_up", "height"),
            field("stiffness_axial", "stiff, axial"),
            field("stiffness_radial", "across"),
        ),
        form="firewall",
        table="~/mount/points",
        one="point",
    ),
    Block(
        "mount",
        "Points on the firewall",
        (
            field("structure_butt_line", "butt line"),
            field("structure_water_line", "water line"),
            field("strength", "strength, ultimate"),
        ),
        form="firewall",
        table="~/mount/points",
        one="point",
    ),
    Block(
        "mount",
        "Feet, from the coupling",
        (field("unit_aft", "along"), field("unit_starboard", "sideways"), field("unit_up", "height")),
        form="bed",
        table="~/mount/points",
        one="foot",
    ),
    Block(
        "mount",
        "Stiffness and strength of the feet",
        (
            field("stiffness_axial", "up and down"),
            field("stiffness_radial", "fore and aft"),
            field("stiffness_across", "sideways"),
            field("strength", "strength"),
        ),
        form="bed",
        table="~/mount/points",
        one="foot",
    ),
    Block(
        "mount",
        "Seating",
        (
            field("~/mount/seating", "Unit sits on", "choice"),
            field("~/mount/thrust_taken", "Thrust is taken by", "choice"),
            field("~/mount/thrust", "Greatest thrust"),
            field("~/mount/mass", "Mass of mounts and packers"),
        ),
        form="bed",
    ),
    Block(
        "mount",
        "Mount",
        (
            field("~/mount/mass", "Mass"),
            field("~/mount/thrust", "Greatest thrust of the propeller"),
            field("~/mount/torque_factor", "Torque factor, if not by the table"),
        ),
        form="firewall",
    ),
    Block(
        "mount",
        "Mounts, from {unit flange}",
        (
            field("unit_aft", "aft"),
            field("unit_starboard", "sideways"),
            field("unit_up", "height"),
            field("axis", "axis", "choice"),
        ),
        form="frame points",
        table="~/mount/points",
        one="mount",
    ),
    Block(
        "mount",
        "Stiffness and strength of the mounts",
        (
            field("stiffness_axial", "along the axis"),
            field("stiffness_radial", "across"),
            field("strength", "strength"),
        ),
        form="frame points",
        table="~/mount/points",
        one="mount",
    ),
    Block(
        "mount",
        "CG of the mount, from {unit flange}",
        (
            field("~/mount/cg_aft", "CG aft"),
            field("~/mount/cg_starboard", "CG sideways"),
            field("~/mount/cg_up", "CG height"),
        ),
        form="spring points",
        hint="As it was hung or weighed. Blank: half way between its points.",
        folded=True,
    ),
    Block("mount", "Mounts as a whole", (field("~/mount/mass", "Mass of brackets and rubbers"),), form="frame points"),
    Block(
        "mount",
        "Swinging unit, side view",
        (
            field("~/mount/swing/pivot_station", "Pivot, station"),
            field("~/mount/swing/pivot_water_line", "Pivot, height"),
            field("~/mount/swing/shock_lower_station", "Shock, lower end, station"),
            field("~/mount/swing/shock_lower_water_line", "Shock, lower end, height"),
            field("~/mount/swing/shock_upper_station", "Shock, upper end, station"),
            field("~/mount/swing/shock_upper_water_line", "Shock, upper end, height"),
        ),
        form="swing unit",
    ),
    Block(
        "mount",
        "What swings",
        (
            field("~/mount/swing/mass", "Mass: unit, wheel, silencer"),
            field("~/mount/swing/cg_station", "CG, station"),
            field("~/mount/swing/cg_water_line", "CG, height"),
            field("~/mount/swing/pivot_strength", "Strength of the pivot, ultimate"),
            field("~/mount/swing/shock_strength", "Strength of the shock, ultimate"),
        ),
        form="swing unit",
    ),
    Block(
        "mount",
        "Motor on the face of a gearbox",
        (
            field("~/mount/face/overhang", "Face to CG, plate and all"),
            field("~/mount/face/bolts", "Bolts"),
            field("~/mount/face/bolt_circle", "Bolt circle"),
            field("~/mount/face/third_strength", "Third point, strength"),
            field("~/mount/face/support_behind", "Gearbox supports to the face"),
            field("~/mount/face/third_at", "Face to the third point"),
        ),
        form="gearbox face",
        hint="Leave blank where nothing hangs on a gearbox.",
    ),
    Block(
        "mount",
        "Turning rates",
        (field("/assumptions/pitch_rate", "Pitch rate"), field("/assumptions/yaw_rate", "Yaw rate")),
        form="firewall",
        hint="Blank takes 1.0 and 2.5 rad/s, 14 CFR 23.371 (from memory).",
    ),
)
