"""The shaft line of a boat: its angle, the unit's angle behind a down-angle gear, and packers under the feet."""

from __future__ import annotations

import math

from ...formula import formula


@formula(
    "align.shaft-angle",
    "ε = atan(h / l)",
    result=("angle", "shaft falls going aft"),
    h=("length", "coupling over the propeller"),
    l=("length", "coupling to propeller, along the craft"),
    source="trigonometry",
    example=(
        (
            0.21256,
            1.0,
        ),
        0.20944,
    ),
)
def shaft_angle(drop_m: float, run_m: float) -> float:
    """Angle by which the shaft falls going aft, rad."""
    return math.atan(drop_m / run_m)


@formula(
    "align.unit-angle",
    "εu = ε − β",
    result=("angle", "unit, nose up"),
    ε=("angle", "shaft angle"),
    β=("angle", "down-angle of the gear"),
    source="geometry",
    example=(
        (
            0.20944,
            0.03491,
        ),
        0.17453,
    ),
)
def unit_angle(shaft_rad: float, down_rad: float) -> float:
    """Angle of the unit, nose up, rad."""
    return shaft_rad - down_rad


@formula(
    "align.height-gain",
    "g = L·(sin(ε) − sin(ε − β))",
    result=("length", "front of the unit lower than with a straight gear"),
    L=("length", "length of the unit"),
    ε=("angle", "shaft angle"),
    β=("angle", "down-angle of the gear"),
    source="trigonometry",
    example=(
        (
            1.0,
            0.5236,
            0.5236,
        ),
        0.5,
    ),
)
def front_height_gain(length_m: float, shaft_rad: float, down_rad: float) -> float:
    """How much lower the front of the unit sits than behind a straight gear, m."""
    return length_m * (math.sin(shaft_rad) - math.sin(shaft_rad - down_rad))


@formula(
    "align.packer",
    "p = zf − zs − h",
    result=("length", "packer under the foot"),
    zf=("length", "foot, over the level line"),
    zs=("length", "stringer under it"),
    h=("length", "mount at mid travel, loaded"),
    source="geometry",
    example=(
        (
            0.45,
            0.3,
            0.11,
        ),
        0.04,
    ),
)
def packer_height(foot_m: float, stringer_m: float, mount_m: float) -> float:
    """Packer between stringer and mount, m; negative: the stringer is too high."""
    return foot_m - stringer_m - mount_m
