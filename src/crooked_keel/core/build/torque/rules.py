"""Findings of fasteners: tightened to what was wanted, with what was on them, and again when due."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from datetime import date

from ...errors import Gap, InputError
from ...facts.records import Tightened
from ...judging.band import at_least, at_most, band, within
from ...judging.finding import LeftOut, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, measure
from ...judging.subjects import Subject, but_ok, one_by_one
from ..kept.quantities import Records
from ..plan.quantities import day_of
from .functions import NUT_FACTOR, read_grade, read_thread, torque_target

_OK, _WATCH = 0.05, 0.10
# In parts of what three quarters of the proof stress ask: past the tensile strength of steel. From memory.
_BREAKS = 1.85
# A wrench is to be tried once a year. Common practice, no source.
CALIBRATED_DAYS = 366


@rule(
    "build.torque",
    "Fasteners tightened to what was wanted",
    limit="within 5 % of the target with the doubt of both ok, 10 % watch, beyond stop; without lubricant, target or "
    "reading unknown",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Tighten it anew with a tried wrench, see the mark, and write it down again."),
)
def torque(records: Records) -> Iterable[Verdict]:
    def judge(s: Subject[tuple[int, Tightened]]) -> Iterator[Verdict]:
        number, r = s.of
        at = records.p(number)
        needs = [
            Gap(f"{at}/{part}", f"{what} of {s.name}")
            for part, what, there in (
                ("target", "target", r.target),
                ("actual", "torque as read", r.actual),
                ("lubricant", "what was on the thread", r.lubricant),
            )
            if there is None
        ]
        off = None
        if r.target is not None and r.actual is not None and r.target.si > 0:
            off = (r.actual.si - r.target.si) / r.target.si
        far = off is not None and abs(off) > _WATCH + 1e-9
        if needs and not far:
            yield verdict(
                "unknown",
                "Cannot say yet: {n}",
                "A dry value onto an oiled thread overstretches it by a third.",
                subject=s.key,
                needs=needs,
                n=word(s.name),
            )
            return
        assert off is not None and r.target is not None and r.actual is not None
        doubt = sum(f.plus_minus.si for f in (r.actual, r.target) if f.plus_minus is not None) / r.target.si
        tool = day_of(records.kept[number], r) - date.fromisoformat(r.calibrated) if r.calibrated else None
        old = tool is None or tool.days > CALIBRATED_DAYS
        unmarked = r.marked != "yes"
        round_it = lambda part: within((1 - part - 1e-9) * r.target.si, (1 + part + 1e-9) * r.target.si)
        judged = band(r.actual.si, "torque", ok=round_it(_OK), watch=round_it(_WATCH), doubt=doubt * r.target.si)
        judged = judged.or_by("watch", "its wrench was not tried within a year", old)
        judged = judged.or_by("watch", "no mark was seen on it", unmarked)
        yield verdict(
            judged,
            "{n}: {a} of {t}",
            ("Loosen it and tighten it anew; one that was overtightened is thrown away. " if far and off > 0 else "")
            + ("Tighten it again. " if far and off < 0 else "")
            + ("No mark was seen on it. " if unmarked else "")
            + ("When its wrench was last tried is not said, or over a year ago. " if old else "")
            + "What the joint holds by it is not looked at.",
            subject=s.key,
            n=word(s.name),
            a=q(r.actual.si, "torque"),
            t=q(r.target.si, "torque"),
        )

    if records.tightened:
        yield from but_ok(
            one_by_one(records.tightened, judge),
            lambda n: verdict(
                "ok",
                "{n} fasteners within 5 % of what was wanted, marked",
                "As recorded. What a joint holds by it is not looked at.",
                subject="ok",
                n=q(n, "count"),
            ),
        )


@rule(
    "build.torque-target",
    "Targets that a fastener can take",
    limit="up to what three quarters of its proof stress ask by thread, marking and lubricant ok; over it watch; over "
    "the proof stress stop, the maker's figure watch until the fastener would break",
    source="nut factors: common practice, no source; proof stresses: ISO 898-1, SAE J429 (from memory)",
    mark="from memory",
    settles=measure("Read its maker's figure again, with what is on the thread."),
)
def target(records: Records) -> Iterable[Verdict]:
    def judge(s: Subject[tuple[int, Tightened]]) -> Iterator[Verdict]:
        number, r = s.of
        if r.target is None or not r.thread:
            return
        at = records.p(number)
        missing = [
            Gap(f"{at}/{part}", f"{what} of {s.name}")
            for part, what, there in (("grade", "marking", r.grade), ("lubricant", "what was on it", r.lubricant))
            if not there
        ]
        try:
            thread = read_thread(r.thread)
            proof = read_grade(r.grade, thread.diameter_m) if r.grade else 0.0
        except InputError as bad:
            missing.append(Gap(f"{at}/{bad.field}", bad.message, bad.given, bad.allowed))
        if missing:
            yield verdict(
                "unknown",
                "Cannot say yet: what {n} can take",
                "Its maker's figure, a table, or thread, marking and lubricant.",
                subject=s.key,
                needs=missing,
                n=word(s.name),
            )
            return
        assert r.lubricant is not None
        terms = NUT_FACTOR[r.lubricant], thread.diameter_m, 0.75, proof, thread.area_m2
        most = torque_target(*terms)
        over = r.target.si / most
        most_over = over + (r.target.plus_minus.si / most if r.target.plus_minus is not None else 0.0)
        judged = band(
            r.target.si,
            "torque",
            ok=at_most(1.02 * most),
            watch=at_most((_BREAKS if r.target_from == "maker" else 1 / 0.75) * most),
            doubt=(most_over - over) * most,
        )
        level = judged.level
        yield verdict(
            judged,
            "{n}: {t} asked, {m} by its thread" if level != "ok" else "{n}: {t} is within {m} by its thread",
            ("It would break. " if over > _BREAKS else "That passes its proof stress. " if over > 1 / 0.75 else "")
            + ("Its maker's figure wins; read it again. " if r.target_from == "maker" and level != "ok" else "")
            + "Castings, studs in light metal, wood and aircraft hardware go by their own figures; the nut and the "
            "thread in it are not looked at.",
            subject=s.key,
            working=torque_target.working(*terms),
            n=word(s.name),
            t=q(r.target.si, "torque"),
            m=q(most, "torque"),
        )

    if records.tightened:
        yield from but_ok(
            one_by_one(records.tightened, judge),
            lambda n: verdict(
                "ok",
                "{n} targets within what their threads take",
                "By thread, marking and lubricant; the nut and the thread in it are not looked at.",
                subject="ok",
                n=q(n, "count"),
            ),
        )


@rule(
    "build.retorque",
    "Fasteners due again",
    limit="7 days or more until due ok, less watch, past stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Tighten it again, and write down when it is due next."),
)
def retorque(records: Records) -> Iterable[Verdict]:
    due = [(s, date.fromisoformat(s.of[1].again)) for s in records.tightened if s.of[1].again]
    if not due:
        return
    today = records.today
    made = []
    for s, day in due:
        days = (day - today).days
        judged = band(days * 86400.0, "wait", ok=at_least(7 * 86400.0), watch=at_least(0.0))
        made.append(
            verdict(
                judged,
                "{n}: to be tightened again " + ("since {d}" if days < 0 else "by {d}"),
                "Hot joints, wood, rubber and paint settle: what was right once is loose later. By the calendar only; "
                "hours of running are not counted.",
                subject=s.key,
                n=word(s.name),
                d=word(day.isoformat()),
            )
        )
    next_day = min(day for _, day in due)
    yield from but_ok(
        made,
        lambda n: verdict(
            "ok",
            "{n} fasteners to be tightened again, the first on {d}",
            "By the calendar only; hours of running are not counted.",
            subject="ok",
            n=q(n, "count"),
            d=word(next_day.isoformat()),
        ),
    )


@rule(
    "build.fasteners",
    "Long and short fasteners told apart",
    limit="every hole of a set of several lengths with its length ok, one without watch",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Measure what sits in each hole before it is tightened."),
)
def fasteners(records: Records) -> Iterable[Verdict]:
    for name, holes in records.sets.items():
        lengths = {round(h.length.si, 5) for h in holes if h.length is not None}
        blank = [h.hole for h in holes if h.length is None]
        if len(lengths) < 2 and not blank:
            continue
        mixed = len(lengths) > 1
        yield verdict(
            "watch" if blank else "ok",
            "{n}: {k} holes without a length" if blank else "{n}: lengths written down, hole by hole",
            "A long one in a short hole bottoms and feels tight."
            + (" Without: {b}." if blank else "")
            + (" There are {l} lengths." if mixed else ""),
            subject=name,
            left_out=LeftOut(blank, []) if blank else None,
            n=word(name),
            k=q(len(blank), "count"),
            b=word(", ".join(blank)),
            l=q(len(lengths), "count"),
        )
