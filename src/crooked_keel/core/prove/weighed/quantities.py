"""The craft weighed again, beside what the ledger says it weighs."""

from __future__ import annotations

from ...errors import CannotSay, Gap
from ...facts import Facts
from ...facts.records import Stood
from ...resolved.handed import FitId
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import Guesses, Margins, Measured, Predicted, Sums, Supports


def stood(facts: Facts, fit_id: str) -> dict[str, Stood]:
    """The last reading under each support at the second weighing; none that is simulated."""
    return {r.support: r for _, r in facts.of(Stood, fit_id) if not r.simulated}


class Weighed(Topic):
    """The second weighing. predicted: the empty craft by the ledger; measured: by the scales; margins: of the loadings
    on it; guesses: rows that nobody weighed."""

    only_of = "scales"

    def __init__(
        self,
        fit_id: FitId,
        facts: Facts,
        supports: Supports,
        predicted: Predicted,
        measured: Measured,
        margins: Margins | None,
        guesses: Guesses,
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
