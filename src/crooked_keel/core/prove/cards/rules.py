"""Findings of the cards."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import Gap
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust
from .quantities import Cards


@rule(
    "prove.cards",
    "Cards of the first runs, in their order",
    limit="all passed ok; one failed, aborted, or run before what must come first stop; one to go unknown",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Run the card that its sentence names, when what keeps it shut is done."),
)
def cards(cards: Cards) -> Iterable[Verdict]:
    made = cards.all
    for key, at in made.items():
        if at.early:
            yield verdict(
                "stop",
                "'{c}' was run before what must come first",
                "Still open: {w}. Stop, put it right, and run it again.",
                subject=f"{key}-early",
                c=word(at.card.title),
                w=word("; ".join(at.early[:4])),
            )
        if at.word in ("failed", "aborted"):
            yield verdict(
                "stop",
                "'{c}' " + ("failed" if at.word == "failed" else "was aborted"),
                "{w}. Nothing behind it is run until it is passed.",
                subject=key,
                c=word(at.card.title),
                w=word("; ".join(at.why[:4]) or "why was not said"),
            )
    left = [a for a in made.values() if a.word != "passed"]
    passed = sum(a.word == "passed" for a in made.values())
    if left:
        first = left[0]
        shut = "; ".join(first.why[:4])
        yield verdict(
            "unknown",
            "{n} of {a} cards passed; next: {c}",
            "Put right what ended it, and run it again."
            if first.word in ("failed", "aborted")
            else "It is shut: {w}."
            if shut and first.word == "shut"
            else "Open: {w}."
            if shut
            else "It may be run.",
            subject="next",
            needs=[Gap(f"/records/cards/{first.card.id}", f"the card '{first.card.title}'")],
            n=q(passed, "count"),
            a=q(len(made), "count"),
            c=word(first.card.title),
            w=word(shut),
        )
    elif passed == len(made):
        yield verdict(
            "ok",
            "All {n} cards passed",
            "As recorded. What no card asks for is not looked at; papers and licensed people decide what may follow.",
            subject="next",
            n=q(passed, "count"),
        )
