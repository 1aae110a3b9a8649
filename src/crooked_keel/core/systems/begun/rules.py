"""Lanes that nobody began: one unknown each."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import Gap
from ...judging.finding import word
from ...judging.register import Verdict, rule, verdict
from ..cooling.quantities import Cooled
from ..current.quantities import CurrentLane
from ..exhaust.quantities import Exhausted
from ..fuel.quantities import Fuelled
from ..induction.quantities import Breathing
from ..lane import Lane
from ..oil.quantities import Oiled


def lanes_of(*lanes: Lane) -> list[tuple[str, Lane]]:
    """Lanes that this unit has, by their names."""
    names = ("cooling", "oil", "exhaust", "induction", "fuel", "current")
    motor = ("cooling", "current")
    return [(n, lane) for n, lane in zip(names, lanes, strict=True) if not lane.electric or n in motor]


@rule(
    "systems.begun",
    "Lanes that were looked at",
    limit="each begun by saying how it is; else unknown",
    source="proposed",
    mark="proposed",
)
def begun(
    cooled: Cooled, oiled: Oiled, exhausted: Exhausted, breathing: Breathing, fuelled: Fuelled, current: CurrentLane
) -> Iterable[Verdict]:
    for name, lane in lanes_of(cooled, oiled, exhausted, breathing, fuelled, current):
        if not lane.begun:
            yield verdict(
                "unknown",
                "{n} was not looked at",
                "Nothing of it is judged until it is said {w}.",
                subject=name,
                needs=[Gap(lane.p(lane.begins), f"of the {lane.placed.name}: {lane.begins_words}")],
                n=word(name.capitalize()),
                w=word(lane.begins_words),
            )
