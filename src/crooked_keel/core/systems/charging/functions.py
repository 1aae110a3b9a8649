"""What batteries want of what charges them."""

from __future__ import annotations

from typing import NamedTuple

from ...formula import formula


class Wants(NamedTuple):
    """What cells want, of a 12 V battery at 20 °C: least at which it comes full, most it bears, V; what must be put in
    for each part taken out."""

    fills_v: float
    most_v: float
    put_in: float


# Common practice, no source: makers' sheets differ by 0.1 to 0.2 V, and theirs govern. What is put in for what was
# taken: losses, and the slow last fifth of lead.
WANTS = {"flooded": Wants(14.1, 14.8, 1.4), "mat": Wants(14.1, 14.7, 1.3), "lithium": Wants(13.8, 14.6, 1.05)}
# Beyond the most by so much it gasses, dries or swells; under this a 12 V battery takes nothing, V.
OVER_V, NOTHING_V = 0.2, 13.2
# What diodes take of the voltage, and how much that differs from one to another, V.
DIODE_V, DIODE_DOUBT_V = 0.7, 0.2


@formula(
    "systems.time-to-fill",
    "t = C·k / I",
    result=("hours", "until it is full again"),
    C=("charge", "taken out"),
    k=("number", "to be put in for it"),
    I=("current", "current that is left for it"),
    source="charge; what is put in for what was taken: common practice",
    example=((180000.0, 1.4, 25.0), 10080.0),
    valid="at a voltage at which the battery takes it",
)
def time_to_fill(taken_c: float, put_in: float, current_a: float) -> float:
    """How long a battery is charged for what was taken out, s."""
    return taken_c * put_in / current_a
