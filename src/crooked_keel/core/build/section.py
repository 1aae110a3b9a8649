"""The work on a fit: headline values, and what the bench draws: tasks on a calendar, and what is in hand."""

from __future__ import annotations

from datetime import date
from typing import NamedTuple

from ..errors import or_none
from ..formula import Out
from ..topic.reading import Topic
from ..topic.tables import Tables
from .holds.quantities import Holds
from .holds.says import TaskOut, plan_values, tasks_drawn
from .kept.quantities import Records
from .kept.says import record_values, spent_in_week, worked_in_week
from .plan.functions import week_of
from .plan.quantities import Planned
from .ready import Ready


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


VALUES = (plan_values, record_values)


def slip(planned: Planned, holds: Holds, records: Records, ready: Ready) -> BuildOut:
    """Everything that the bench draws."""
    # What no day can be said of has none: a plan of a hundred years.
    alone, helped = or_none(lambda: planned.dated), or_none(lambda: planned.helped)
    tasks, made = or_none(lambda: planned.tasks) or {}, tasks_drawn(planned, holds)
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
        week_worked=worked_in_week(records, today),
        week_spent=spent_in_week(records, today),
        shut=[s.words for s in ready.shut],
    )


def listed(ask: Tables) -> BuildOut | None:
    """What the bench lists and draws."""
    return ask(slip)
