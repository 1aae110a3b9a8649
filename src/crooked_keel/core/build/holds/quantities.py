"""Holds of a plan: whether each is open, waits for a witness, or is released."""

from __future__ import annotations

from typing import Literal, NamedTuple

from ...errors import InputError
from ...facts import Facts, Hold
from ...facts.facts import person
from ...facts.records import Joined, Step, Witnessed
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..plan.quantities import Planned

Word = Literal["open", "waits for a witness", "released"]
# Roles that may stand for another: who may sign more may sign less. Common practice, no source.
STANDS_FOR: dict[str, frozenset[str]] = {
    "second person": frozenset({"second person", "inspector", "yard", "surveyor", "electrician"}),
}


class HoldAt(NamedTuple):
    """A hold: its task and role, how it stands, and why a witness that was named does not count."""

    key: str
    role: str
    word: Word
    why: str
    by: str


class Holds(Topic):
    """Every hold of a plan, in the plan's order."""

    def __init__(self, planned: Planned, facts: Facts) -> None:
        self.planned = planned
        self.facts = facts

    @lazy
    def seen(self) -> dict[str, Hold]:
        """Who did each task, and who saw it."""
        return self.facts.holds(self.planned.fit_id)

    @lazy
    def _loosened(self) -> dict[str, int]:
        """The number of the last record by which each task was opened again, or something of it parted."""
        made: dict[str, int] = {}
        for kept in self.facts.standing:
            r = kept.of
            if r.fit != self.planned.fit_id or r.task is None:
                continue
            again = isinstance(r, Step) and r.step == "opened again"
            if again or (isinstance(r, Joined) and r.step == "parted"):
                made[r.task] = kept.number
        return made

    @lazy
    def all(self) -> dict[str, HoldAt]:
        """Holds by their task."""
        planned = self.planned
        made: dict[str, HoldAt] = {}
        for key in planned.order:
            task = planned.tasks[key]
            if task.witness is None:
                continue
            hold = self.seen.get(key)
            if planned.done[key].standing != "done":
                made[key] = HoldAt(key, task.witness, "open", "", "")
            elif hold is None or hold.witness is None:
                made[key] = HoldAt(key, task.witness, "waits for a witness", "", "")
            else:
                why = self._void(key, hold, hold.witness, made)
                word: Word = "waits for a witness" if why else "released"
                made[key] = HoldAt(key, task.witness, word, why, hold.witness.by)
        return made

    def _void(self, key: str, hold: Hold, witness: Witnessed, made: dict[str, HoldAt]) -> str:
        """Why a witness does not release a hold; nothing where it does."""
        role = self.planned.tasks[key].witness or ""
        if person(witness.by) in hold.doers:
            return f"{witness.by} did the work and cannot be its witness"
        if witness.role not in STANDS_FOR.get(role, frozenset({role})):
            return f"wanted: {role}; it was seen by: {witness.role}"
        names = self.planned.tasks
        for other in [*self.planned.before[key], key]:
            if self._loosened.get(other, 0) > hold.number:
                return f"'{names[other].name}' was opened again after it"
        shut = [o for o in self.planned.before[key] if o in made and made[o].word != "released"]
        if shut:
            return f"'{names[shut[0]].name}' before it is not released"
        return ""

    def is_over(self, key: str) -> bool:
        """Whether a task is done and, where it is a hold, released."""
        hold = self.all.get(key)
        return self.planned.done[key].standing == "done" and (hold is None or hold.word == "released")

    @lazy
    def broken(self) -> list[tuple[str, str]]:
        """Tasks that were begun though a hold before them is not released, each with the first such hold."""
        made = []
        for key in self.planned.order:
            if self.planned.done[key].standing == "open":
                continue
            shut = [h for h in self.all if h in self.planned.before[key] and self.all[h].word != "released"]
            if shut:
                made.append((key, shut[0]))
        return made


def check_witness(planned: Planned, holds: Holds, record: Witnessed) -> None:
    """Refuse a witness that could not release its hold: raises InputError at the field that is wrong."""
    if record.task not in planned.tasks:
        raise InputError("/task", "no such task in the plan of this fit", given=record.task)
    task = planned.tasks[record.task]
    if task.witness is None:
        raise InputError("/task", f"'{task.name}' is no hold: nobody needs to see it", given=record.task)
    if record.simulated:
        raise InputError("/simulated", "what is simulated releases no hold", given="true", allowed="false")
    hold = holds.seen.get(record.task)
    if planned.done[record.task].standing != "done":
        raise InputError("/task", f"'{task.name}' is not done yet; it is seen when it is", given=record.task)
    if hold is not None and person(record.by) in hold.doers:
        raise InputError("/by", "who did the work cannot be its witness", given=record.by, allowed="another person")
    if record.role not in STANDS_FOR.get(task.witness, frozenset({task.witness})):
        raise InputError("/role", f"this hold wants: {task.witness}", given=record.role, allowed=task.witness)
    shut = [o for o in planned.before[record.task] if o in holds.all and holds.all[o].word != "released"]
    if shut:
        name = planned.tasks[shut[0]].name
        raise InputError("/task", f"'{name}' before it is not released yet", given=record.task)


def check_step(planned: Planned, holds: Holds, record: Step) -> None:
    """Refuse work behind a hold that is not released: raises InputError at the task."""
    if record.task not in planned.tasks:
        raise InputError("/task", "no such task in the plan of this fit", given=record.task)
    if record.step == "opened again":
        return
    shut = [h for h in planned.order if h in planned.before[record.task] and h in holds.all]
    shut = [h for h in shut if holds.all[h].word != "released"]
    if shut:
        hold = planned.tasks[shut[0]]
        raise InputError(
            "/task",
            f"'{planned.tasks[record.task].name}' stands behind '{hold.name}', which is not released: it wants "
            f"{hold.witness}",
            given=record.task,
        )
