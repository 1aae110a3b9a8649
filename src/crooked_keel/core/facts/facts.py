"""What the records say together, for a fit: tasks, holds, what is open."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from typing import Literal, NamedTuple, TypeVar

from .records import Closed, Happened, Joined, Ran, Squawked, Step, Withdrawn, Witnessed

H = TypeVar("H", bound=Happened)
Standing = Literal["open", "begun", "done"]


class Kept(NamedTuple):
    """A record with its number, the day on which it was entered and its moment in words."""

    number: int
    day: date
    at: str
    of: Happened


class Hold(NamedTuple):
    """What a hold has: doers by name, who saw it, when."""

    doers: frozenset[str]
    witness: Witnessed | None
    number: int


@dataclass(frozen=True, eq=False)
class Facts:
    """All records of a project in their order, and today; None: nobody said which day it is."""

    records: tuple[Kept, ...] = ()
    today: date | None = None

    @cached_property
    def standing(self) -> tuple[Kept, ...]:
        """Records that no later one took the place of."""
        gone = {k.of.corrects for k in self.records if k.of.corrects is not None}
        return tuple(k for k in self.records if k.number not in gone and not isinstance(k.of, Withdrawn))

    @cached_property
    def _by_kind(self) -> dict[type[Happened], list[Kept]]:
        made: dict[type[Happened], list[Kept]] = defaultdict(list)
        for k in self.standing:
            made[type(k.of)].append(k)
        return made

    def of(self, kind: type[H], fit: str, unit: str | None = None) -> list[tuple[Kept, H]]:
        """Standing records of a kind for a fit, and for a unit where one is named, in their order."""
        return [
            (k, k.of)
            for k in self._by_kind.get(kind, ())
            if isinstance(k.of, kind) and k.of.fit == fit and (unit is None or k.of.unit in (None, unit))
        ]

    def steps(self, fit: str) -> dict[str, Standing]:
        """How far each task is, by its last step; one that was opened again is open."""
        made: dict[str, Standing] = {}
        for _, step in self.of(Step, fit):
            made[step.task] = "open" if step.step == "opened again" else step.step
        return made

    def holds(self, fit: str) -> dict[str, Hold]:
        """Of each task who did it, and who saw it since it was last opened again. What is simulated sees nothing."""
        doers: dict[str, set[str]] = defaultdict(set)
        seen: dict[str, tuple[Witnessed, int]] = {}
        for k in self.standing:
            r = k.of
            if r.fit != fit or r.task is None:
                continue
            if isinstance(r, Witnessed):
                if not r.simulated:
                    seen[r.task] = (r, k.number)
            elif isinstance(r, Step) and r.step == "opened again":
                seen.pop(r.task, None)
                doers[r.task].add(person(r.by))
            else:
                doers[r.task].add(person(r.by))
        named = doers.keys() | seen.keys()
        return {t: Hold(frozenset(doers[t]), *(seen.get(t) or (None, 0))) for t in named}

    def connections(self, fit: str) -> dict[str, tuple[Kept, Joined]]:
        """The last word on each connection, by its label."""
        return {r.label: (k, r) for k, r in self.of(Joined, fit)}

    def squawks(self, fit: str) -> list[tuple[Kept, Squawked]]:
        """Those that are open: none closes by what is simulated."""
        shut = {c.squawk for _, c in self.of(Closed, fit) if not c.simulated}
        return [(k, r) for k, r in self.of(Squawked, fit) if k.number not in shut]

    def cards(self, fit: str, unit: str | None) -> dict[str, tuple[Kept, Ran]]:
        """The last word on each card; a simulated one says nothing."""
        return {r.card: (k, r) for k, r in self.of(Ran, fit, unit) if not r.simulated}


NOTHING = Facts()


def person(name: str) -> str:
    """A person by name: however it is written, the same."""
    return " ".join(name.casefold().split())
