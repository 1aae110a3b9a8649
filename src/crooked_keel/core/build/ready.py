"""What keeps the first start shut."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import CannotSay, or_gap
from ..topic.lazy import lazy
from ..topic.reading import Topic
from .holds.quantities import Holds
from .kept.quantities import Records
from .plan.quantities import Planned

GATE = "first start"


class Shut(NamedTuple):
    """One reason, in words, and what it is of: a task, a connection, a squawk; the record that says so, where one
    does."""

    words: str
    of: str
    number: int = 0


class Ready(Topic):
    """Whether the work is far enough for a first start."""

    def __init__(self, planned: Planned, holds: Holds, records: Records) -> None:
        self.planned = planned
        self.holds = holds
        self.records = records

    @lazy
    def shut(self) -> list[Shut]:
        """Why the first start must wait; nothing where it need not. A blank plan is a reason."""
        made = [
            *(Shut(f"{n} was parted and not mated again", "connection", k) for n, k in self._parted),
            *(
                Shut(f"squawk {k.number}, severity {r.severity}: {r.text}", "squawk", k.number)
                for k, r in self.records.squawks
                if r.severity <= 2
            ),
        ]
        order = or_gap(lambda: self.planned.order)
        if isinstance(order, CannotSay):
            return [*made, Shut("there is no plan that can be done in its order", "plan")]
        gates = [k for k in order if self.planned.tasks[k].gate == GATE]
        if not gates:
            return [*made, Shut("no task of the plan is the first start", "plan")]
        before = [k for k in order if any(k in self.planned.before[g] for g in gates)]
        for key in before:
            if not self.holds.is_over(key):
                task, done = self.planned.tasks[key], self.planned.done[key].standing == "done"
                made.append(Shut(f"'{task.name}' is {'not seen by another' if done else 'not done'}", "task"))
        return made

    @property
    def _parted(self) -> list[tuple[str, int]]:
        return [(n, k.number) for n, (k, r) in self.records.connections.items() if r.step == "parted"]
