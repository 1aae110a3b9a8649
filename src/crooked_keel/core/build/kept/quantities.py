"""Records of a fit as the build bench reads them."""

from __future__ import annotations

from collections import defaultdict
from datetime import date

from ...document import Fit
from ...errors import CannotSay, Gap
from ...facts import Facts, Kept
from ...facts.records import Filled, Joined, Paid, Placed, Removed, Squawked, Tightened, Worked
from ...judging.subjects import Subject
from ...resolved.handed import FitId
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import CommonRows


class Records(Topic):
    """What is recorded of the work on a fit. removed: rows of the project's ledger by what goes with the work."""

    def __init__(self, fit: Fit, fit_id: FitId, facts: Facts, ledger: CommonRows) -> None:
        self.fit = fit
        self.fit_id = fit_id
        self.facts = facts
        self.ledger = ledger

    @staticmethod
    def p(number: int) -> str:
        """Where a record is found: records have numbers."""
        return f"/records/{number}"

    @lazy
    def kept(self) -> dict[int, Kept]:
        """Records by their number."""
        return {k.number: k for k in self.facts.standing}

    @lazy
    def today(self) -> date:
        """Today. Raises CannotSay where nobody said which day it is."""
        if self.facts.today is None:
            raise CannotSay(Gap("/records", "today's date"))
        return self.facts.today

    @lazy
    def tightened(self) -> list[Subject[tuple[int, Tightened]]]:
        """The last word on each fastener, by its name and place."""
        last: dict[tuple[str, str], tuple[int, Tightened]] = {}
        for kept, r in self.facts.of(Tightened, self.fit_id):
            last[(r.fastener, r.place)] = (kept.number, r)
        return [Subject(f"{n}", f"{r.fastener} {r.place}".strip(), (n, r)) for n, r in last.values() if not r.simulated]

    @lazy
    def sets(self) -> dict[str, list[Placed]]:
        """Holes by what they belong to, the last word on each."""
        last: dict[tuple[str, str], Placed] = {}
        for _, r in self.facts.of(Placed, self.fit_id):
            last[(r.of, r.hole)] = r
        made: dict[str, list[Placed]] = defaultdict(list)
        for (of, _), r in last.items():
            made[of].append(r)
        return dict(made)

    @lazy
    def connections(self) -> dict[str, tuple[Kept, Joined]]:
        """The last word on each connection."""
        return self.facts.connections(self.fit_id)

    @lazy
    def labels(self) -> dict[str, tuple[str, str]]:
        """The labels at the two ends of each connection, by whoever last said them."""
        made: dict[str, tuple[str, str]] = {}
        for _, r in self.facts.of(Joined, self.fit_id):
            a, b = made.get(r.label, ("", ""))
            made[r.label] = (r.end_a or a, r.end_b or b)
        return made

    @lazy
    def fluids(self) -> dict[str, tuple[Kept, Filled]]:
        """The last word on each fluid that was filled."""
        return {r.system: (k, r) for k, r in self.facts.of(Filled, self.fit_id)}

    @lazy
    def squawks(self) -> list[tuple[Kept, Squawked]]:
        """Those that are open."""
        return self.facts.squawks(self.fit_id)

    @lazy
    def removed(self) -> list[tuple[Kept, Removed]]:
        """Parts that came off."""
        return self.facts.of(Removed, self.fit_id)

    @lazy
    def paid(self) -> list[tuple[Kept, Paid]]:
        """Money that went out."""
        return self.facts.of(Paid, self.fit_id)

    @lazy
    def hours_s(self) -> float:
        """Hours that were worked, s."""
        return sum(r.hours.si for _, r in self.facts.of(Worked, self.fit_id))

    @lazy
    def spent(self) -> float:
        """Money that went out, all records."""
        return sum(r.amount.si for _, r in self.paid)

    @lazy
    def not_in_ledger(self) -> list[tuple[Kept, Removed]]:
        """Parts that were weighed as they came off, and that no row of the ledger takes out."""
        rows = [*self.ledger.values(), *self.fit.ledger.values()]
        gone = {r.name.casefold() for r in rows if r.kind == "removed"}
        return [(k, r) for k, r in self.removed if r.mass is not None and r.part.casefold() not in gone]
