"""What the systems bench says of the current, and its wires as drawn."""

from __future__ import annotations

import math

from ...errors import or_none
from ...figure.trace import Uncertain
from ...formula import record
from ...judging.finding import Value
from ...judging.values import ValueList
from .quantities import CurrentLane


@record
class WireOut:
    """A wire as drawn: what it loses of what it may, and what it carries of what it can; seconds: it carries for
    seconds only, to start."""

    id: str
    name: str
    size: str | None
    lost_share: float | None
    carried_share: float | None
    seconds: bool


def current_values(current: CurrentLane) -> list[Value]:
    """What is taken."""
    out = ValueList("systems")
    if current.begun and current.e.loads:
        out.add(
            "demand",
            "Current taken, in power",
            "small_power",
            lambda: Uncertain(*current.demand),
            source="sum of the loads",
        )
    return out.values


def drawn_wire(current: CurrentLane, key: str) -> WireOut:
    """A wire as drawn; blanks where it cannot be said."""
    wire = current.e.wires[key]
    made = or_none(lambda: current.wired(key, wire))
    return WireOut(
        id=key,
        name=wire.name,
        size=wire.size,
        lost_share=made.lost.value / made.most_v if made is not None else None,
        carried_share=made.current.si / made.carries_a if made is not None and math.isfinite(made.carries_a) else None,
        seconds=wire.runs == "for seconds, to start",
    )
