"""What is asked of an assessment: all of it, or what is in view while a hand moves."""

from __future__ import annotations

from collections.abc import Collection
from typing import NamedTuple

from .judging.finding import BENCHES, Bench, Finding
from .reference.kinds import Form
from .states import BenchOut, bench_states


class Wanted(NamedTuple):
    """drawn: tables and drawings too, or verdicts and values alone; sections: which benches, or all."""

    drawn: bool
    sections: frozenset[Bench] | None

    @classmethod
    def of(cls, drawn: bool, sections: Collection[Bench] | None) -> Wanted:
        """What prove has to prove all benches say: with it all are asked."""
        return cls(drawn, None if sections is None or "prove" in sections else frozenset(sections))

    def has(self, bench: Bench) -> bool:
        """Whether a bench is asked."""
        return self.sections is None or bench in self.sections

    def undrawn(self) -> Wanted:
        """The same without tables and drawings."""
        return self._replace(drawn=False)

    def states(self, findings: list[Finding], failed: set[Bench], forms: frozenset[Form]) -> list[BenchOut]:
        """The benches that were asked, by their findings: one that was not says nothing of itself."""
        return bench_states(findings, failed, forms, filter(self.has, BENCHES))
