"""The work on a fit: headline values, and what the bench draws: tasks on a calendar, and what is in hand."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, timedelta
from typing import NamedTuple

from ..errors import or_none
from ..facts.records import Paid, Worked
from ..formula import Out, record
from ..judging.finding import Value
from ..judging.values import ValueList
from ..topic.reading import Topic
from .holds.quantities import Holds
from .kept.quantities import Records
from .plan.functions import week_of
from .plan.quantities import Planned, day_of
from .ready import Ready


@record
class TaskOut:
    """A task as drawn. begins and ends: days, as they were or will be by one pair of hands; here: when what is waited
    for has come; free: the first day on which all that it waits for is there; shut: why it may not begin yet."""

    id: str
    name: str
    work: str | None
    standing: str
    begins: str | None
    ends: str | None
    here: str | None
    free: str | None
    slack_days: float | None
    critical: bool
    gate: str | None
    role: str | None
    hold: str | None
    hold_why: str
    by: str
    shut: list[str]


class BuildOut(Out):
    """What the build bench draws. first and last: the days of the calendar; now: tasks that may be worked on, the most
    urgent first; path: the longest way, by name."""

    tasks: list[TaskOut]
    today: str | None
    first: str | None
    last: str | None
    now: list[str]
    path: list[str]
    week: str | None
    week_hours: float | None
    week_worked: float
    week_spent: float
    shut: list[str]


class BuildTopics(NamedTuple):
    """The topics of the work on a fit."""

    planned: Planned
    holds: Holds
    records: Records
    ready: Ready

    def topics(self) -> list[Topic]:
        """All of them."""
        return list(self)


def plan_values(planned: Planned, holds: Holds) -> list[Value]:
    """When it is done, and how much is left."""
    out = ValueList("build")
    if not planned.fit.tasks:
        return out.values
    say: Callable[[Callable[[], float]], Callable[[], str]] = lambda days: lambda: planned.day(days()).isoformat()
    path, held = "list scheduling by latest start", "records"
    out.add("ends", "One pair of hands is done on", "text", say(lambda: planned.alone.total), source=path)
    help_ = "With help for all that can go on at once"
    out.add("ends-helped", help_, "text", say(lambda: planned.helped.total), source="critical path method")
    out.add(
        "hours-left",
        "Work left",
        "hours",
        lambda: sum(t.hours for t in planned.left.values()) * 3600.0,
        source="sum of the tasks left",
    )
    out.add("holds", "Holds released", "text", lambda: _of(holds), source=held)
    return out.values


def _of(holds: Holds) -> str:
    made = holds.all.values()
    return f"{sum(h.word == 'released' for h in made)} of {len(made)}"


def record_values(records: Records) -> list[Value]:
    """What was worked and spent."""
    out = ValueList("build")
    if records.facts.standing:
        out.add("worked", "Hours worked", "hours", lambda: records.hours_s, source="records")
        out.add("spent", "Spent by the records", "money", lambda: records.spent, source="records")
    return out.values


VALUES = (plan_values, record_values)


def slip(planned: Planned, holds: Holds, records: Records, ready: Ready) -> BuildOut:
    """Everything that the bench draws."""
    tasks = or_none(lambda: planned.tasks) or {}
    # What no day can be said of has none: a plan of a hundred years.
    alone = or_none(lambda: planned.dated)
    helped = or_none(lambda: planned.helped)
    order = or_none(lambda: planned.order) or []
    made: list[TaskOut] = []
    for key, task in tasks.items():
        done = planned.done[key]
        begins, ends, here, free = done.begun, done.finished, None, None
        if alone is not None and key in alone.start:
            left = planned.left[key]
            begins = begins or planned.day(alone.start[key])
            ends = planned.day(alone.end[key] - left.lead_days)
            here = planned.day(alone.end[key]) if left.lead_days else None
            free = planned.day(max((alone.end[a] for a in left.after), default=0.0))
        hold = holds.all.get(key) if order else None
        shut = []
        if order and done.standing == "open":
            shut = [k for k in order if k in planned.before[key] and not holds.is_over(k)]
        made.append(
            TaskOut(
                id=key,
                name=task.name,
                work=task.work,
                standing=done.standing,
                begins=begins.isoformat() if begins else None,
                ends=ends.isoformat() if ends else None,
                here=here.isoformat() if here else None,
                free=free.isoformat() if free else None,
                slack_days=helped.slack.get(key) if helped else None,
                critical=bool(helped and helped.slack.get(key, 1.0) < 1e-9),
                gate=task.gate,
                role=task.witness,
                hold=hold.word if hold else None,
                hold_why=hold.why if hold else "",
                by=done.by,
                shut=[tasks[k].name for k in shut],
            )
        )
    days = [date.fromisoformat(d) for t in made for d in (t.begins, t.ends, t.here) if d]
    today = planned.facts.today
    may = [t for t in made if (t.standing != "done" and not t.shut) or t.hold == "waits for a witness"]
    urgent = lambda t: (
        t.hold != "waits for a witness",
        t.standing != "begun",
        alone.start.get(t.id, 0.0) if alone else 0.0,
    )
    return BuildOut(
        tasks=made,
        today=today.isoformat() if today else None,
        first=min([*days, *([today] if today else [])], default=None).isoformat() if days else None,  # type: ignore[union-attr]
        last=max(days).isoformat() if days else None,
        now=[t.id for t in sorted(may, key=urgent)],
        path=[tasks[k].name for k in helped.critical] if helped else [],
        week=week_of(today) if today else None,
        week_hours=or_none(lambda: planned.week_hours),
        week_worked=_this_week(records, today),
        week_spent=_spent_this_week(records, today),
        shut=[s.words for s in ready.shut],
    )


def _within(day: date, today: date | None) -> bool:
    if today is None:
        return False
    monday = today - timedelta(days=today.weekday())
    return monday <= day < monday + timedelta(days=7)


def _this_week(records: Records, today: date | None) -> float:
    worked = records.facts.of(Worked, records.fit_id)
    return sum(r.hours.si for k, r in worked if _within(day_of(k, r), today)) / 3600.0


def _spent_this_week(records: Records, today: date | None) -> float:
    return sum(r.amount.si for k, r in records.facts.of(Paid, records.fit_id) if _within(day_of(k, r), today))
