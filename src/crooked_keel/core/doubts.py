"""Figures with a wide ±, tried at both its ends: a verdict that one end would turn is not ok.

What rules carry of doubt themselves follows the measured, narrow ± to first order; a wide one is tried out, whatever
rule it reaches.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import replace

from .document import Figure, Project
from .document.fields import signed, with_figure
from .figure.place import Place
from .figure.units import between
from .judging.finding import LEVELS, Finding, Level, Message, Param, q, word
from .judging.register import RULES
from .judging.values import said_of


def ends(figure: Figure) -> Iterable[Figure]:
    """A figure at either end of its ±; not below what is possible of its sort, nor above."""
    assert figure.plus_minus is not None
    at, by = signed(figure), figure.plus_minus.si
    for end in (at - by, at + by):
        if isinstance(figure, Place):
            ahead = {"aft": "forward", "starboard": "port", "up": "down"}
            way = (
                figure.dir
                if end * at >= 0 and at
                else next(k if end >= 0 else v for k, v in ahead.items() if figure.dir in (k, v))
            )
            yield figure.model_copy(update={"si": abs(end), "dir": way, "plus_minus": None})
            continue
        low = end if figure.least is None else max(end, figure.least)
        yield figure.model_copy(
            update={"si": low if figure.most is None else min(low, figure.most), "plus_minus": None}
        )


def tried(
    project: Project,
    wide: list[tuple[str, Figure]],
    findings: list[Finding],
    judge: Callable[[Project], Iterable[Finding]],
) -> list[Finding]:
    """The findings, those that are ok at watch where an end of a wide ± turns them; and what is silent as the
    figures stand and speaks at an end, at watch (unknown if it is that there). judge: the findings of a document."""
    turned: dict[str, tuple[str, Figure, Level]] = {}
    heard: dict[str, tuple[Finding, str, Figure]] = {}
    known = {f.key for f in findings}
    for pointer, figure in wide:
        for end in ends(figure):
            for found in judge(with_figure(project, pointer, end)):
                if found.level != "ok" and LEVELS.index(found.level) < LEVELS.index(
                    turned.get(found.key, ("", figure, "ok"))[2]
                ):
                    turned[found.key] = (pointer, figure, found.level)
                    if found.key not in known and RULES[found.rule].about == "craft":
                        heard[found.key] = (found, pointer, figure)
    stand = [_turned(f, *turned[f.key]) if f.level == "ok" and f.key in turned else f for f in findings]
    return stand + [_heard(*h) for h in heard.values()]


def _words(pointer: str, figure: Figure) -> dict[str, Param]:
    """A figure and its ±, for a sentence."""
    pm = figure.plus_minus.si if figure.plus_minus is not None else 0.0
    return {"wide": word(said_of(pointer)), "by": q(pm, between(figure.shown or figure.dimension))}


def _heard(finding: Finding, pointer: str, figure: Figure) -> Finding:
    """A finding that is there at one end of the ± of a figure only: its words are of that end."""
    params = {**finding.message.params, **_words(pointer, figure)}
    template = "As the figures stand this does not arise; at one end of the ±{by} of {wide} it does: measure that. " + (
        f"There: {finding.message.template}"
    )
    level: Level = "unknown" if finding.level == "unknown" else "watch"
    return replace(finding.at(level, "a wide ±"), message=Message(template, params))


def _turned(finding: Finding, pointer: str, figure: Figure, level: Level) -> Finding:
    """A finding that the ± of a figure turns."""
    said = {"stop": "it stops", "watch": "it is to be watched", "unknown": "it cannot be said", "ok": ""}[level]
    params = {**finding.message.params, **_words(pointer, figure)}
    message = Message(
        finding.message.template + f" At one end of the ±{{by}} of {{wide}} {said}: measure that.", params
    )
    return replace(finding.at("watch", "a wide ±"), message=message)
