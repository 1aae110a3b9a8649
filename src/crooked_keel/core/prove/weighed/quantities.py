"""The craft weighed again, beside what the ledger says it weighs."""

from __future__ import annotations

from typing import NamedTuple

from ...errors import CannotSay, Gap
from ...facts import Facts
from ...facts.records import Stood
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import Margins, Sums


class Guess(NamedTuple):
    """A row of the ledger that nobody weighed: its mass and how far that may be off (two standard deviations), kg."""

    name: str
    mass_kg: float
    doubt_kg: float


class Under(NamedTuple):
    """A support: its key, its name and where it stands aft of the datum, m; None where that was not measured."""

    key: str
    name: str
    station_m: float | None


def stood(facts: Facts, fit_id: str) -> dict[str, Stood]:
    """The last reading under each support at the second weighing; none that is simulated."""
    return {r.support: r for _, r in facts.of(Stood, fit_id) if not r.simulated}


class Weighed(Topic):
    """The second weighing. predicted: the empty craft by the ledger; measured: by the scales; margins: of the loadings
    on it; guesses: rows that nobody weighed."""

    def __init__(
        self,
        fit_id: str,
        facts: Facts,
        supports: list[Under],
        predicted: Sums | CannotSay,
        measured: Sums | CannotSay,
        margins: Margins | None,
        guesses: list[Guess],
    ) -> None:
        self.fit_id = fit_id
        self.facts = facts
        self.supports = supports
        self._predicted = predicted
        self._measured = measured
        self.margins = margins
        self.guesses = guesses

    @property
    def begun(self) -> bool:
        """Whether any support was read."""
        return bool(stood(self.facts, self.fit_id))

    @lazy
    def predicted(self) -> Sums:
        """By the ledger. Raises CannotSay."""
        if isinstance(self._predicted, CannotSay):
            raise CannotSay(*self._predicted.needs)
        return self._predicted

    @property
    def reading_doubt_kg(self) -> float:
        """What the ± of all readings together may hide, kg; nothing where none was written down."""
        return sum(self._plus_minus.values())

    @property
    def reading_doubt_along_m(self) -> float:
        """The same of the CG, all ± at their worst: Σ ±·|x − CG| / mass."""
        here, by = self.measured, self._plus_minus
        moved = [
            by.get(s.key, 0.0) * abs(s.station_m - here.station_m) for s in self.supports if s.station_m is not None
        ]
        return sum(moved) / here.mass_kg

    @lazy
    def _plus_minus(self) -> dict[str, float]:
        read = stood(self.facts, self.fit_id)
        return {k: r.reading.plus_minus.si for k, r in read.items() if r.reading.plus_minus is not None}

    @lazy
    def measured(self) -> Sums:
        """By the scales. Raises CannotSay with the supports that were not read."""
        read = stood(self.facts, self.fit_id)
        gaps = [
            Gap(f"/records/second-weighing/{k}", f"scale under the {n} at the second weighing")
            for k, n, _ in self.supports
            if k not in read
        ]
        if gaps:
            raise CannotSay(*gaps)
        if isinstance(self._measured, CannotSay):
            raise CannotSay(*self._measured.needs)
        return self._measured
