"""Schedules: with as many hands as there is work, and with one pair; what would be sealed in; when to order."""

from __future__ import annotations

import heapq
from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from datetime import date, timedelta
from typing import NamedTuple

from ...errors import InputError
from ...formula import formula

WEEK_DAYS = 7.0
WEEK_S = WEEK_DAYS * 86400.0


class Timed(NamedTuple):
    """A task for a schedule, in calendar days: how long, after which, and not before which day."""

    days: float
    after: Sequence[str] = ()
    not_before: float = 0.0


class Handled(NamedTuple):
    """A task for one pair of hands: hours, then days that run by themselves; after which; not before which day."""

    hours: float
    lead_days: float
    after: Sequence[str] = ()
    not_before: float = 0.0


class Schedule(NamedTuple):
    """Earliest and latest start of each task, its slack, and the whole, in days."""

    total: float
    earliest: dict[str, float]
    latest: dict[str, float]
    slack: dict[str, float]

    @property
    def critical(self) -> list[str]:
        """Tasks without slack, in their order."""
        return sorted((k for k, s in self.slack.items() if s < 1e-9), key=lambda k: (self.earliest[k], k))


@formula(
    "build.task-days",
    "d = l + 604800·h / w",
    result=("wait", "how long it takes"),
    l=("wait", "what runs by itself"),
    h=("hours", "work of one pair of hands"),
    w=("hours", "hours in a week"),
    source="definition",
    example=((5 * 86400.0, 28800.0, 201600.0), 6 * 86400.0),
    valid="every day of the week alike",
)
def task_duration(lead_s: float, hours_s: float, week_s: float) -> float:
    """How long a task takes on the calendar, s. Raises InputError where a week holds no work."""
    if week_s <= 0:
        raise InputError("hours_a_week", "a week must hold some work", allowed="above 0 h")
    return lead_s + WEEK_S * hours_s / week_s


def in_order(after: Mapping[str, Sequence[str]]) -> list[str]:
    """Tasks so that each stands behind those it waits for; among equals as they were given.

    Raises InputError at `after`: naming one that is not there, or those that wait for one another."""
    place = {k: i for i, k in enumerate(after)}
    waits: dict[str, int] = {}
    follow: dict[str, list[str]] = defaultdict(list)
    for key, named in after.items():
        for other in named:
            if other not in after:
                raise InputError("after", f"{key} waits for {other}, which is not in the plan", given=other)
            follow[other].append(key)
        waits[key] = len(named)
    ready = [place[k] for k, n in waits.items() if n == 0]
    heapq.heapify(ready)
    keys, made = list(after), []
    while ready:
        key = keys[heapq.heappop(ready)]
        made.append(key)
        for other in follow[key]:
            waits[other] -= 1
            if waits[other] == 0:
                heapq.heappush(ready, place[other])
    if len(made) < len(after):
        loop = _loop(after, {k for k, n in waits.items() if n > 0})
        raise InputError("after", "these wait for one another: " + " → ".join(loop), given=" ".join(loop))
    return made


def _loop(after: Mapping[str, Sequence[str]], among: set[str]) -> list[str]:
    """One ring of tasks that wait for one another, from its first round to it again."""
    path: list[str] = []
    here = min(among)
    while here not in path:
        path.append(here)
        here = next(k for k in after[here] if k in among)
    ring = path[path.index(here) :]
    return [*reversed([*ring, here])]


def schedule_cpm(tasks: Mapping[str, Timed]) -> Schedule:
    """Earliest and latest days, with as many hands as there is work. Source: critical path method, finish to start.

    Raises InputError as `in_order` does, and for a time below zero."""
    for key, task in tasks.items():
        if task.days < 0:
            raise InputError("days", f"{key} takes less than no time", allowed="0 or more")
    order = in_order({k: t.after for k, t in tasks.items()})
    earliest: dict[str, float] = {}
    for key in order:
        task = tasks[key]
        earliest[key] = max([task.not_before, *(earliest[a] + tasks[a].days for a in task.after)])
    total = max((earliest[k] + tasks[k].days for k in order), default=0.0)
    ends = dict.fromkeys(order, total)
    latest: dict[str, float] = {}
    for key in reversed(order):
        latest[key] = ends[key] - tasks[key].days
        for a in tasks[key].after:
            ends[a] = min(ends[a], latest[key])
    return Schedule(total, earliest, latest, {k: latest[k] - earliest[k] for k in order})


class OnePair(NamedTuple):
    """When one pair of hands begins and ends each task, and the whole, in days."""

    total: float
    start: dict[str, float]
    end: dict[str, float]


def schedule_single_worker(tasks: Mapping[str, Handled], hours_per_week: float) -> OnePair:
    """One task in hand at a time: of those that may begin the one that may wait least; what is delivered or cures runs
    meanwhile. Source: list scheduling by latest start (common practice).

    Raises InputError as `in_order` does, and where a week holds no work."""
    if hours_per_week <= 0:
        raise InputError("hours_a_week", "a week must hold some work", allowed="above 0 h")
    k = WEEK_DAYS / hours_per_week
    calm = schedule_cpm({n: Timed(t.lead_days + t.hours * k, t.after, t.not_before) for n, t in tasks.items()})
    follow: dict[str, list[str]] = defaultdict(list)
    waits = {n: len(t.after) for n, t in tasks.items()}
    for name, task in tasks.items():
        for a in task.after:
            follow[a].append(name)
    urgent = {n: round(calm.latest[n], 9) for n in tasks}
    # What may not begin yet, by the day on which it may; what may, by how long it can wait.
    later = [(t.not_before, n) for n, t in tasks.items() if waits[n] == 0]
    heapq.heapify(later)
    ready: list[tuple[float, str]] = []
    free: dict[str, float] = {n: t.not_before for n, t in tasks.items()}
    now, start, end = 0.0, {}, {}
    while later or ready:
        while later and later[0][0] <= now + 1e-9:
            name = heapq.heappop(later)[1]
            heapq.heappush(ready, (urgent[name], name))
        if not ready:
            now = later[0][0]
            continue
        name = heapq.heappop(ready)[1]
        task = tasks[name]
        start[name] = now
        now += task.hours * k
        end[name] = now + task.lead_days
        for other in follow[name]:
            free[other] = max(free[other], end[name])
            waits[other] -= 1
            if waits[other] == 0:
                heapq.heappush(later, (free[other], other))
    return OnePair(max(end.values(), default=0.0), start, end)


def ancestors(after: Mapping[str, Sequence[str]], order: Sequence[str]) -> dict[str, frozenset[str]]:
    """All that each task waits for, at once or through others. order: as `in_order` gives it."""
    made: dict[str, frozenset[str]] = {}
    for key in order:
        made[key] = frozenset(after[key]).union(*(made[a] for a in after[key]))
    return made


def sealed_in(after: Mapping[str, Sequence[str]], seals: Mapping[str, Sequence[str]]) -> Iterator[tuple[str, str]]:
    """Tasks that would be shut in: each with the one that would shut it in without waiting for it."""
    behind = ancestors(after, in_order(after))
    for key, named in seals.items():
        for shut in named:
            if shut in behind and key not in behind[shut]:
                yield key, shut


def latest_order_date(need: date, lead_days: float, buffer_days: float = 0.0) -> date:
    """The last day on which something may be ordered that takes so many days to come. Calendar days."""
    return need - timedelta(days=-int(-(lead_days + buffer_days) // 1))


def week_of(day: date) -> str:
    """The week of a day, as 2026-W48. Source: ISO 8601: from Monday, of the year that has its Thursday."""
    return day.strftime("%G-W%V")
