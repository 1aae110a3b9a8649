"""Findings of holds: what waits to be seen, and what went on without."""

from __future__ import annotations

from collections.abc import Iterable

from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import measure
from .quantities import Holds


@rule(
    "build.hold",
    "Holds: seen by another before work goes on",
    limit="released, or not reached yet, ok; done and not released watch; something behind it begun stop",
    source="independent inspection: common practice, no source",
    mark="common practice",
    settles=measure("Somebody else, in the role that is named, looks at it and writes down what shows it."),
)
def hold(holds: Holds) -> Iterable[Verdict]:
    planned = holds.planned
    if not planned.fit.tasks or not holds.all:
        return
    for key, shut in holds.broken:
        yield verdict(
            "stop",
            "'{k}' was begun before '{h}' was released",
            "{r} must see it first. Stop there, have it seen, and look again at what was done since.{y}",
            subject=f"{key}-early",
            k=word(planned.tasks[key].name),
            h=word(planned.tasks[shut].name),
            r=word(_who(holds.all[shut].role)),
            y=word(f" {holds.all[shut].why[0].upper()}{holds.all[shut].why[1:]}." if holds.all[shut].why else ""),
        )
    waiting = [h for h in holds.all.values() if h.word == "waits for a witness"]
    for h in waiting:
        yield verdict(
            "watch",
            "'{k}' waits for {r}",
            "Wanted: somebody other than who did it, with {e}. Nothing behind it may begin."
            + (" A witness was named, but {y}." if h.why else ""),
            subject=h.key,
            k=word(planned.tasks[h.key].name),
            r=word(_who(h.role).lower()),
            e=word(planned.tasks[h.key].evidence or "what shows it"),
            y=word(h.why),
        )
    if not waiting and not holds.broken:
        released = sum(h.word == "released" for h in holds.all.values())
        yield verdict(
            "ok",
            "{n} of {a} holds released, none waits",
            "Who may sign is for local rules and licensed people to say; that a name is true is not looked at.",
            n=q(released, "count"),
            a=q(len(holds.all), "count"),
        )


def _who(role: str) -> str:
    return {
        "inspector": "A licensed inspector, or whom the approval names,",
        "second person": "A second person",
        "yard": "The yard's foreman or shipwright",
        "surveyor": "A surveyor",
        "electrician": "A person qualified for high voltage",
    }[role]
