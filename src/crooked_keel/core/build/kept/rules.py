"""Findings of what is recorded: connections, fluids, squawks, parts and money."""

from __future__ import annotations

from collections.abc import Iterable

from ...judging.band import at_most, band
from ...judging.finding import Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, decide, measure
from ...judging.subjects import but_ok
from ..plan.quantities import Planned
from .quantities import Records


def started(planned: Planned) -> bool:
    """Whether the first start, or what stands for it, was begun."""
    return any(t.gate == "first start" and planned.done[k].standing != "open" for k, t in planned.tasks.items())


@rule(
    "build.remate",
    "What was parted is mated again",
    limit="mated again and tried, capped or left off ok; parted, or mated and not tried, watch; parted with the first "
    "start begun stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Mate it and try it, cap it, or write down that it is left off."),
)
def remate(records: Records, planned: Planned) -> Iterable[Verdict]:
    if not records.connections:
        return
    parted = [r for _, r in records.connections.values() if r.step == "parted"]
    untried = [r for _, r in records.connections.values() if r.step == "mated again" and r.tried in (None, "not tried")]
    late = started(planned)
    for r in parted:
        yield verdict(
            "stop" if late else "watch",
            "{n} was parted and not mated again" + (", and it was started" if late else ""),
            "Mate it and try it, cap it, or write down that it is left off. The first start waits for it.",
            subject=r.label,
            n=word(r.label),
        )
    for r in untried:
        yield verdict(
            "watch",
            "{n} was mated again, not tried",
            "Tug it, or press it and look for leaks.",
            subject=r.label,
            n=word(r.label),
        )
    if not parted and not untried:
        yield verdict(
            "ok",
            "All {n} connections are mated again, capped or left off",
            "As recorded; what nobody wrote down when it was parted is not known here.",
            n=q(len(records.connections), "count"),
        )


@rule(
    "build.labels",
    "Connections labelled at both ends",
    limit="a label at either end ok, one missing watch",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Tag both ends before it is parted."),
)
def labels(records: Records) -> Iterable[Verdict]:
    if not records.labels:
        return
    bare = [n for n, (a, b) in records.labels.items() if not a or not b]
    whole = len(records.labels) - len(bare)
    yield verdict(
        "watch" if bare else "ok",
        "{n} connections, {w} labelled at both ends",
        "Without: {b}." if bare else "A tag that falls off is not known here: photograph them.",
        n=q(len(records.labels), "count"),
        w=q(whole, "count"),
        b=word(", ".join(bare[:8])),
    )


@rule(
    "build.fluid",
    "Fluids filled, and their level read",
    limit="at the mark ok; not read, or no grade noted, watch; below or above the mark stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Fill it to its mark, level and cold, and write down how it was read."),
)
def fluid(records: Records) -> Iterable[Verdict]:
    made = []
    for name, (_, r) in records.fluids.items():
        if r.filled is None:
            made.append(
                verdict(
                    "watch",
                    "{n}: drained, not filled again",
                    "Write down what is filled in, how much, and how its level was read.",
                    subject=name,
                    n=word(name),
                )
            )
            continue
        wrong = r.level in ("below it", "above it")
        unread = r.level in (None, "not read")
        level: Level = "stop" if wrong else "watch" if unread or not r.grade or not r.read_how else "ok"
        said = {"at the mark": "at the mark", "below it": "below its mark", "above it": "above its mark"}
        made.append(
            verdict(
                level,
                "{n}: {f} filled, level {l}",
                ("" if r.grade else "Its grade is not noted. ")
                + ("" if r.read_how or unread else "How the level was read is not said. ")
                + ("Read the level, craft level and cold. " if unread else "")
                + ("Bring it to its mark before anything turns. " if wrong else "")
                + "The level is read again after the first run: coolers and lines take some.",
                subject=name,
                n=word(name),
                f=q(r.filled.si, "volume"),
                l=word(said.get(r.level or "", "not read")),
            )
        )
    yield from but_ok(
        made,
        lambda n: verdict(
            "ok",
            "{n} fluids at their marks: {w}",
            "Read again after the first run: coolers and lines take some.",
            subject="ok",
            n=q(n, "count"),
            w=word(", ".join(f.params["n"].text or "" for f in made if f.level == "ok")),
        ),
    )


@rule(
    "build.squawk",
    "Squawks",
    limit="none open ok; severity 3 or 4 watch; 1 or 2 stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Put it right, and close it with what shows it."),
)
def squawk(records: Records) -> Iterable[Verdict]:
    for kept, r in records.squawks:
        yield verdict(
            "stop" if r.severity <= 2 else "watch",
            "Squawk {k} open: {t}",
            "Severity {s}. "
            + ("It keeps the first start shut. " if r.severity <= 2 else "")
            + "Closed by a record that says what was done and what shows it.",
            subject=str(kept.number),
            k=q(kept.number, "count"),
            t=word(r.text),
            s=q(r.severity, "count"),
        )
    if not records.squawks and records.facts.standing:
        yield verdict("ok", "No squawk is open", "What nobody wrote down is not known here.")


@rule(
    "build.weighed-parts",
    "Parts that came off stand in the ledger",
    limit="every part weighed as it came off has its row, else watch",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Enter each in the ledger as removed, with its place; weigh what was not."),
)
def weighed_parts(records: Records) -> Iterable[Verdict]:
    if not records.removed:
        return
    loose = records.not_in_ledger
    unweighed = [r.part for _, r in records.removed if r.mass is None]
    kg = sum(r.mass.si for _, r in loose if r.mass is not None)
    yield verdict(
        "watch" if loose or unweighed else "ok",
        ("{w}, {m}, is not in the ledger" if len(loose) == 1 else "{n} weighed parts, {m}, are not in the ledger")
        if loose
        else "Came off unweighed: {x}"
        if unweighed
        else "Every part that came off stands in the ledger",
        ("Not there: {w}. " if loose else "")
        + ("Not weighed: {x}. " if unweighed else "")
        + "By the name of the row; the balance knows only what stands there.",
        can_suggest=bool(loose),
        n=q(len(loose), "count"),
        m=q(kg, "mass"),
        u=q(len(unweighed), "count"),
        w=word(", ".join(r.part for _, r in loose[:8])),
        x=word(", ".join(unweighed[:8])),
    )


@rule(
    "build.spend",
    "Money beside the plan",
    limit="not above what was planned ok, a tenth above watch, more stop",
    source="project accounting; the tenth: common practice, no source",
    mark="common practice",
    settles=decide("Drop a line, or plan for more."),
)
def spend(records: Records) -> Iterable[Verdict]:
    if not records.paid:
        return
    lines = records.fit.money
    planned = sum(m.planned.si for m in lines.values() if m.planned is not None)
    blank = [m.name for m in lines.values() if m.planned is None]
    if not planned:
        return
    judged = band(records.spent, "money", ok=at_most(planned), watch=at_most(1.1 * planned)).or_by(
        "watch", "lines have no planned amount", bool(blank)
    )
    yield verdict(
        judged,
        "{s} of {p} spent",
        ("Lines without a planned amount: {b}. " if blank else "")
        + "By the records; what is ordered and not paid stands on the choose bench.",
        s=q(records.spent, "money"),
        p=q(planned, "money"),
        b=word(", ".join(blank)),
    )
