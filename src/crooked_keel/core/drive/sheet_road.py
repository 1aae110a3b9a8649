"""Fields of the drive bench that only a road craft has: shafts across, and ways of driving its wheels."""

from __future__ import annotations

from ..sheet.kit import Block, field

ACROSS: tuple[Block, ...] = (
    Block(
        "drive",
        "Shafts that carry the torque across",
        (
            field("behind", "stages before it"),
            field("torque", "carries", "choice"),
            field("diameter", "diameter, at its weakest"),
            field("inside", "bore, 0 where solid"),
            field("length", "twists over"),
            field("yields", "its metal yields at"),
        ),
        form="driven wheel",
        table="~/drive/cross",
        one="shaft",
        folded=True,
    ),
    Block(
        "drive",
        "Splices in them",
        (
            field("made", "made", "choice"),
            field("weld_radius", "weld: radius"),
            field("weld_leg", "leg"),
            field("plugs", "plugs"),
            field("plug", "each across"),
            field("plug_radius", "at radius"),
            field("answered", "answered for", "choice"),
        ),
        form="driven wheel",
        table="~/drive/cross",
        one="shaft",
        folded=True,
    ),
)
WAYS: tuple[Block, ...] = (
    Block(
        "drive",
        "Ways of driving the wheels: what they are",
        (
            field("cost", "cost"),
            field("wait", "comes in"),
            field("mass", "mass"),
            field("bears", "bears at the wheels"),
            field("quiet", "quiet, 1 to 5"),
            field("upkeep", "little upkeep, 1 to 5"),
        ),
        form="driven wheel",
        table="~/drive/options",
        one="way",
        folded=True,
    ),
    Block(
        "drive",
        "Ways of driving the wheels: what they have",
        (
            field("reverse", "reverse", "choice"),
            field("differential", "differential", "choice"),
            field("oiled", "oiled", "choice"),
            field("made", "must be made", "text"),
        ),
        form="driven wheel",
        table="~/drive/options",
        one="way",
        folded=True,
    ),
    Block(
        "drive",
        "What counts among them",
        (
            field("~/drive/options_need/reverse", "Reverse", "choice"),
            field("~/drive/options_need/longest_wait", "Longest wait"),
            field("~/drive/options_need/most_cost", "Most to pay"),
            field("~/drive/options_need/cost_counts", "Cost counts"),
            field("~/drive/options_need/wait_counts", "Wait counts"),
            field("~/drive/options_need/mass_counts", "Mass counts"),
            field("~/drive/options_need/quiet_counts", "Quiet counts"),
            field("~/drive/options_need/upkeep_counts", "Little upkeep counts"),
        ),
        form="driven wheel",
        folded=True,
    ),
)
HUB: tuple[Block, ...] = (
    Block(
        "drive",
        "A motor in the hub",
        (
            field("~/wheel/hub/motor", "The motor is", "choice"),
            field("~/wheel/hub/held", "Its axle is held", "choice"),
            field("~/wheel/hub/arm", "Torque arm, axle to where it is held"),
            field("~/wheel/hub/arm_holds", "its end holds"),
            field("~/wheel/hub/flat", "Length of a flat of the axle"),
            field("~/wheel/hub/dropout", "Dropout thick"),
            field("~/wheel/hub/yields", "its metal yields at"),
            field("~/wheel/hub/laced", "Spokes are", "choice"),
            field("~/wheel/hub/spokes", "Spokes"),
            field("~/wheel/hub/spoke_circle", "on a circle of"),
            field("~/wheel/hub/spoke", "each across, at its thinnest"),
            field("~/wheel/hub/spoke_yields", "they yield at"),
        ),
        form="driven wheel",
        electric=True,
        folded=True,
    ),
)
