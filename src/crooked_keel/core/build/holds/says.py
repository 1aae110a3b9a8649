"""What the build bench says of the plan and its holds, and the tasks as drawn."""

from __future__ import annotations

from collections.abc import Callable

from ...errors import or_none
from ...formula import record
from ...judging.finding import Value
from ...judging.values import ValueList
from ..plan.quantities import Planned
from .quantities import Holds


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


def tasks_drawn(planned: Planned, holds: Holds) -> list[TaskOut]:
    """Every task on its days."""
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
    return made
