"""Findings of what must be reached."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.finding import Level, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust
from .quantities import Reached

_LEVELS: dict[str, Level] = {
    "by hand": "ok",
    "with a tool": "ok",
    "after something else is out": "watch",
    "not at all": "stop",
}


@rule(
    "systems.reach",
    "What must be reached with the unit in place",
    limit="by hand or with a tool ok, after something else is out watch, not at all stop; not said unknown",
    source="facts of the trade: common practice, no source",
    mark="common practice",
    settles=adjust("A hatch, a longer neck, a remote filter; tried with cardboard before the unit is in."),
)
def reach(reached: Reached) -> Iterable[Verdict]:
    for key, item in reached.said:
        if item.reached is None:
            continue
        yield verdict(
            _LEVELS[item.reached],
            "{n}: {r}",
            ("First out: {b}. " if item.behind else "")
            + "Tried with the hands that will do it, the unit in place or its cardboard.",
            subject=key,
            n=word(item.name[0].upper() + item.name[1:]),
            r=word("not reached at all" if item.reached == "not at all" else f"reached {item.reached}"),
            b=word(item.behind),
        )
    left = reached.not_said
    if left and not reached.said:
        raise CannotSay(Gap(reached.placed.p("systems/access"), f"whether these can be reached: {', '.join(left)}"))
    if left:
        yield verdict(
            "unknown",
            "Not said whether it is reached: {n}",
            "What is not reached is not looked at, until it fails.",
            subject="left",
            needs=[Gap(reached.placed.p("systems/access"), f"whether these can be reached: {', '.join(left)}")],
            n=word(", ".join(left)),
        )
