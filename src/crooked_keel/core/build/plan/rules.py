"""Findings of the plan: whether it can be done in its order, what would be sealed in, what must be ordered."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from ...errors import CannotSay, Gap, or_gap
from ...figure.trace import need
from ...judging.band import at_least, band
from ...judging.finding import LeftOut, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy, decide
from ...judging.subjects import Subject, one_by_one
from ..holds.quantities import Holds
from .functions import latest_order_date, sealed_in
from .quantities import DAY_S, Planned

# How long before its last day an order is said to be near, days. Common practice, no source.
NEAR_DAYS = 14


@rule(
    "build.plan",
    "The plan can be done in its order",
    limit="every task placed, with its hours, ok; one without watch; tasks that wait for one another, or for one that "
    "is not there, stop",
    source="critical path method",
    mark="statics",
    settles=decide("Say what each task waits for and how many hours it takes."),
)
def plan(planned: Planned) -> Iterable[Verdict]:
    loop = or_gap(lambda: planned.order)
    if isinstance(loop, CannotSay) and loop.needs[0].pointer.endswith("/after"):
        yield verdict(
            "stop",
            "The plan cannot be done: {w}",
            "Take one of these waits out; nothing behind it has a day until then.",
            needs=list(loop.needs),
            w=word(loop.needs[0].what),
        )
        return
    tasks = planned.tasks
    loose = [k for k, t in tasks.items() if not t.after and not any(k in planned.after[o] for o in tasks)]
    loose = [k for k in loose if planned.done[k].standing != "done"] if len(tasks) > 1 else []
    out = planned.blank + LeftOut(
        [tasks[k].name for k in loose],
        [Gap(planned.at(k, "after"), f"what '{tasks[k].name}' waits for") for k in loose],
    )
    left = len(planned.left)
    ends, helped = planned.day(planned.alone.total), planned.day(planned.helped.total)
    yield verdict(
        "watch" if out.names else "ok",
        ("One task left" if left == 1 else "{n} tasks left") + ": one pair of hands is done on {d}"
        if left
        else "All {a} tasks are done",
        ("With help for all that can go on at once on {h}. Every day of the week counts alike. " if left else "")
        + "Hours and waits of a plan that was taken over are guesses until they are changed.",
        left_out=out if out.names else None,
        n=q(left, "count"),
        a=q(len(tasks), "count"),
        d=word(ends.isoformat()),
        h=word(helped.isoformat()),
    )


@rule(
    "build.sealed-in",
    "Nothing would be sealed in",
    limit="what is shut in by another task stands before it, else stop",
    source="common practice, no source",
    mark="common practice",
    settles=decide("Put what would be shut in before what shuts it in."),
)
def sealed(planned: Planned) -> Iterable[Verdict]:
    if not planned.fit.tasks:
        return
    tasks = planned.tasks
    seals = {k: tuple(t.seals) for k, t in tasks.items() if t.seals}
    if not seals:
        return
    planned.order  # noqa: B018  says what is wrong with it
    late = [(a, b) for a, b in sealed_in(planned.after, seals) if planned.done[a].standing != "done"]
    for key, shut in late:
        yield verdict(
            "stop",
            "Would be sealed in: '{a}' must come before '{b}'",
            "Once the other is done this cannot be reached, or only by undoing it.",
            subject=key,
            can_suggest=True,
            a=word(tasks[key].name),
            b=word(tasks[shut].name),
        )
    shut_already = [
        (k, s)
        for k, named in seals.items()
        for s in named
        if s in tasks and planned.done[s].standing != "open" and planned.done[k].standing != "done"
    ]
    for key, shut in shut_already:
        yield verdict(
            "stop",
            "'{b}' was begun before '{a}' was done",
            "What it shuts in is not there yet. Stop, and look whether it can still be reached.",
            subject=f"{key}-begun",
            a=word(tasks[key].name),
            b=word(tasks[shut].name),
        )
    if not late and not shut_already:
        yield verdict(
            "ok",
            "Nothing would be sealed in",
            counted(
                len(seals),
                "One task stands before what would shut it in",
                "{n} tasks stand before what would shut them in",
            )
            + ": {w}. Only what the plan says is looked at.",
            n=q(len(seals), "count"),
            w=word("; ".join(tasks[k].name for k in seals)),
        )


@rule(
    "build.done-by",
    "Done by the day that is wanted",
    limit="one pair of hands is done by then ok; only with help for all that can go on at once watch; not even so stop",
    source="critical path method",
    mark="statics",
    settles=decide("Begin earlier, give it more hours a week, order first, or move the day."),
)
def done_by(planned: Planned) -> Iterable[Verdict]:
    if not planned.fit.tasks or planned.wanted is None or not planned.left:
        return
    alone, helped = planned.day(planned.alone.total), planned.day(planned.helped.total)
    judged = band((planned.wanted - alone).days * DAY_S, "wait", ok=at_least(0.0)).or_by(
        "stop", "not even with help for all that can go on at once", helped > planned.wanted
    )
    level = judged.level
    yield verdict(
        judged,
        "Wanted by {w}: one pair of hands is done on {a}",
        "With help for all that can go on at once on {h}. "
        + ("What cannot be hurried are the waits: order first. " if level == "stop" else "")
        + "A day missed anywhere on the longest way moves the end by a day.",
        left_out=planned.blank,
        w=word(planned.wanted.isoformat()),
        a=word(alone.isoformat()),
        h=word(helped.isoformat()),
    )


@rule(
    "build.order-by",
    "When to order",
    limit="14 days or more until the last day on which it may be ordered ok, less, or hands that wait for it, watch; "
    "past the last day for the day wanted stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("Order it, and write down that the task was begun; or find another supplier."),
)
def order_by(planned: Planned) -> Iterable[Verdict]:
    if not planned.fit.tasks:
        return
    open_ = [
        k
        for k, t in planned.tasks.items()
        if (t.work == "order" or (t.lead is not None and t.lead.si > 0)) and planned.done[k].standing == "open"
    ]

    def judge(s: Subject[str]) -> Iterator[Verdict]:
        task = planned.tasks[s.key]
        lead_s = need(task.lead, planned.at(s.key, "lead"), f"how long '{task.name}' takes to come").si
        needed = [planned.if_all_were_here.start[k] for k in planned.left if s.key in planned.left[k].after]
        start = planned.day(min(needed, default=planned.if_all_were_here.total))
        last = latest_order_date(start, lead_s / DAY_S)
        wanted = planned.wanted
        if wanted is not None:
            # The last day on which it may be ordered, with help for everything that follows.
            spare = (wanted - planned.from_day).days - planned.helped.total
            last = min(last, planned.day(planned.helped.latest[s.key] + spare))
        days = (last - planned.today).days
        over = wanted is not None and planned.helped.total > (wanted - planned.from_day).days and days < 0
        judged = band(days * DAY_S, "wait", ok=at_least(NEAR_DAYS * DAY_S)).or_by(
            "stop", "the day that is wanted cannot be met", over
        )
        yield verdict(
            judged,
            "Too late for {w}: {n}" if over else "Hands will wait for it: {n}" if days < 0 else "Order by {d}: {n}",
            "It takes {l} to come; what waits for it would begin on {s}, were all here: to be ordered by {d}."
            + (" Order it now: every day moves the end by a day, if it stands on the longest way." if days < 0 else "")
            + " How sure the supplier's word is, is not looked at.",
            subject=s.key,
            d=word(last.isoformat()),
            n=word(task.name),
            w=word(wanted.isoformat() if wanted else ""),
            l=q(lead_s, "wait"),
            s=word(start.isoformat()),
        )

    if open_:
        yield from one_by_one([Subject(k, planned.tasks[k].name, k) for k in open_], judge)


@rule(
    "build.purchases",
    "What is waited for stands in the plan",
    limit="every line of the money that takes time to come has its task, else watch",
    source="common practice, no source",
    mark="common practice",
    settles=decide("Put an order of that name into the plan."),
)
def purchases(planned: Planned) -> Iterable[Verdict]:
    if not planned.fit.tasks:
        return
    lines = {k: m for k, m in planned.fit.money.items() if m.wait is not None and m.wait.si > 0 and m.state != "closed"}
    if not lines:
        return
    held = {t.name.casefold() for t in planned.tasks.values()}
    loose = [m.name for m in lines.values() if f"order {m.name}".casefold() not in held]
    yield verdict(
        "watch" if loose else "ok",
        "Not in the plan: {n}" if loose else "All that takes time to come stands in the plan",
        "Lines of the money with a wait, and no task 'Order …' of that name." if loose else "By the name of its line.",
        can_suggest=bool(loose),
        n=word(", ".join(loose)),
    )


@rule(
    "build.gate",
    "What must be done before a gate",
    limit="a gate begun with all before it done and seen ok, else stop; one not begun is not judged",
    source="common practice, no source",
    mark="common practice",
    settles=decide("Stop; do and have seen what stands open before it, then look again at what was done."),
)
def gate(planned: Planned, holds: Holds) -> Iterable[Verdict]:
    if not planned.fit.tasks:
        return
    for key, task in planned.tasks.items():
        if task.gate is None or planned.done[key].standing == "open":
            continue
        missing = [k for k in planned.order if k in planned.before[key] and not holds.is_over(k)]
        yield verdict(
            "stop" if missing else "ok",
            "'{g}' was passed with {n} tasks open before it" if missing else "'{g}': all before it was done and seen",
            "Open or not seen by another: {w}." if missing else "By the plan; what it does not name is not looked at.",
            subject=key,
            g=word(task.gate[0].upper() + task.gate[1:]),
            n=q(len(missing), "count"),
            w=word("; ".join(planned.tasks[k].name for k in missing[:6])),
        )
