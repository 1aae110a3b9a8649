"""The plan of a fit as it stands: each task with how far it is, and the days that follow."""

from __future__ import annotations

from datetime import date, timedelta
from typing import NamedTuple

from ...document import Fit
from ...document.build import Task
from ...errors import CannotSay, Gap, InputError
from ...facts import Facts, Kept, Standing
from ...facts.records import Happened, Step
from ...judging.finding import LeftOut
from ...resolved.handed import FitId
from ...topic.lazy import lazy
from ...topic.reading import Topic
from .functions import Handled, OnePair, Schedule, Timed, ancestors, in_order, schedule_cpm, schedule_single_worker

DAY_S = 86400.0
MOST_DAYS = 36500.0


class Done(NamedTuple):
    """What the records say of a task: how far it is, when it was begun and finished, and by whom."""

    standing: Standing
    begun: date | None
    finished: date | None
    by: str


class Planned(Topic):
    """Tasks of a fit, what is recorded of them, and when they can be done."""

    def __init__(self, fit: Fit, fit_id: FitId, facts: Facts) -> None:
        self.fit = fit
        self.fit_id = fit_id
        self.facts = facts
        self.plan = fit.plan

    def p(self, path: str) -> str:
        """Pointer of a part of the fit."""
        return f"/fits/{self.fit_id}/{path}"

    def at(self, key: str, part: str) -> str:
        """Pointer of a part of a task."""
        return self.p(f"tasks/{key}/{part}")

    @lazy
    def tasks(self) -> dict[str, Task]:
        """Tasks in the order of their rank. Raises CannotSay without any."""
        if not self.fit.tasks:
            raise CannotSay(Gap(self.p("tasks"), "a plan: take one of those offered, or enter tasks"))
        return dict(sorted(self.fit.tasks.items(), key=lambda t: (t[1].rank, t[0])))

    @lazy
    def after(self) -> dict[str, tuple[str, ...]]:
        """What each task waits for."""
        return {k: tuple(t.after) for k, t in self.tasks.items()}

    @lazy
    def order(self) -> list[str]:
        """Tasks so that each stands behind those that it waits for. Raises InputError at a task that waits for itself
        or for one that is not there."""
        try:
            return in_order(self.after)
        except InputError as bad:
            waiting = (bad.given or "").split()
            first = next((k for k in self.tasks if bad.given in self.after[k] or k in waiting), next(iter(self.tasks)))
            raise InputError(self.at(first, "after"), self._named(bad.message), given=bad.given) from None

    def _named(self, said: str) -> str:
        """A sentence with the names of tasks in the place of their keys."""
        words = [self.tasks[w].name if w in self.tasks else w for w in said.split(" ")]
        return " ".join(words)

    @lazy
    def before(self) -> dict[str, frozenset[str]]:
        """All that each task waits for, at once or through others."""
        return ancestors(self.after, self.order)

    @lazy
    def done(self) -> dict[str, Done]:
        """How far each task is."""
        steps = self.facts.steps(self.fit_id)
        first: dict[str, tuple[Kept, Step]] = {}
        last: dict[str, tuple[Kept, Step]] = {}
        for kept, step in self.facts.of(Step, self.fit_id):
            if step.step == "opened again":
                last.pop(step.task, None)
                continue
            first.setdefault(step.task, (kept, step))
            if step.step == "done":
                last[step.task] = (kept, step)
        made = {}
        for key, task in self.tasks.items():
            standing: Standing = steps.get(key, "done" if task.state == "done" else "open")
            begun = first.get(key) if standing != "open" else None
            finished = last.get(key) if standing == "done" else None
            by = finished or begun
            made[key] = Done(
                standing,
                day_of(*begun) if begun else None,
                day_of(*finished) if finished else None,
                by[1].by if by else "",
            )
        return made

    @lazy
    def blank(self) -> LeftOut:
        """Tasks that are not done and of which nobody said how long they take."""
        lack = [k for k, t in self.tasks.items() if t.hours is None and self.done[k].standing != "done"]
        return LeftOut(
            [self.tasks[k].name for k in lack],
            [Gap(self.at(k, "hours"), f"hours of '{self.tasks[k].name}'") for k in lack],
        )

    @lazy
    def begins(self) -> date:
        """The day on which work begins. Raises CannotSay without."""
        if not self.plan.begins:
            raise CannotSay(Gap(self.p("plan/begins"), "the day on which work begins"))
        return date.fromisoformat(self.plan.begins)

    @lazy
    def today(self) -> date:
        """Today. Raises CannotSay where nobody said which day it is."""
        if self.facts.today is None:
            raise CannotSay(Gap(self.p("plan/begins"), "today's date"))
        return self.facts.today

    @lazy
    def week_hours(self) -> float:
        """Hours of work in a week. Raises CannotSay without, InputError where there are none."""
        made = self.plan.hours_a_week
        at = self.p("plan/hours_a_week")
        if made is None:
            raise CannotSay(Gap(at, "hours of work in a week"))
        if not 0 < made.si <= 168 * 3600:
            raise InputError(at, "a week must hold some work", given=made.entered, allowed="above 0 h, up to 168 h")
        return made.si / 3600.0

    @lazy
    def from_day(self) -> date:
        """The day from which what is left can be done: today, or the day on which work begins."""
        return max(self.begins, self.facts.today or self.begins)

    @lazy
    def left(self) -> dict[str, Handled]:
        """What is left of each task that is not done: hours, days that run, what of the rest it waits for, and the
        first day, counted from that on which work can go on."""
        self.order  # noqa: B018  says what is wrong with it
        made = {}
        for key, task in self.tasks.items():
            now = self.done[key]
            if now.standing == "done":
                continue
            hours = task.hours.si / 3600.0 if task.hours is not None else 0.0
            lead = task.lead.si / DAY_S if task.lead is not None else 0.0
            if now.standing == "begun" and lead > 0 and now.begun is not None:
                # Its hands' work is behind it: what is left is the wait.
                hours, lead = 0.0, max(0.0, lead - (self.from_day - now.begun).days)
            first = (date.fromisoformat(task.not_before) - self.from_day).days if task.not_before else 0
            waits = [a for a in self.after[key] if self.done[a].standing != "done"]
            made[key] = Handled(hours, lead, waits, float(max(0, first)))
        return made

    @lazy
    def helped(self) -> Schedule:
        """What is left, with as many hands as there is work."""
        k = 7.0 / self.week_hours
        return schedule_cpm({n: Timed(t.hours * k + t.lead_days, t.after, t.not_before) for n, t in self.left.items()})

    @lazy
    def alone(self) -> OnePair:
        """What is left, by one pair of hands."""
        return schedule_single_worker(self.left, self.week_hours)

    @property
    def dated(self) -> OnePair:
        """What is left, by one pair of hands, where days can be said of it."""
        self.day(self.alone.total)
        return self.alone

    @lazy
    def wanted(self) -> date | None:
        """The day by which it is to be done; None where nobody said."""
        return date.fromisoformat(self.plan.done_by) if self.plan.done_by else None

    @lazy
    def if_all_were_here(self) -> OnePair:
        """What is left, by one pair of hands, were nothing to be waited for."""
        bare = {n: t._replace(lead_days=0.0) for n, t in self.left.items()}
        return schedule_single_worker(bare, self.week_hours)

    def day(self, days: float) -> date:
        """The day on which so many days from where work goes on are over. Raises InputError beyond a hundred years."""
        if days > MOST_DAYS:
            at = self.p("plan/hours_a_week")
            given = self.plan.hours_a_week.entered if self.plan.hours_a_week else None
            raise InputError(at, "at so few hours it is not done in a hundred years", given=given, allowed="more hours")
        return self.from_day + timedelta(days=int(days + 1e-9))


def day_of(kept: Kept, record: Happened) -> date:
    """The day on which something happened: as said, else as entered."""
    return date.fromisoformat(record.on) if record.on else kept.day
