"""Rows of the ledger that people typed, as bodies."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from ..document import LedgerRow
from ..errors import CannotSay, or_gap
from ..topic.lazy import lazy
from ..topic.memo import Memo
from ..topic.reading import Topic
from .references import Axis, Body, References, got


class Rows(Topic):
    """Typed rows, those common to all fits and then the fit's own; a move is two rows. kept: bodies of rows that did
    not change."""

    def __init__(
        self,
        common: Mapping[str, LedgerRow],
        own: Mapping[str, LedgerRow],
        fit_id: str | None,
        references: References,
        kept: Memo,
    ) -> None:
        self.ledgers = (("/ledger", common), (f"/fits/{fit_id}/ledger", own)) if fit_id is not None else ()
        self.references = references
        self._kept = kept

    @lazy
    def bodies(self) -> list[Body]:
        """The rows as bodies, in order."""
        made: list[Body] = []
        for base, rows in self.ledgers:
            for key, row in sorted(rows.items(), key=lambda r: (r[1].rank, r[0])):
                ask = lambda b=base, k=key, r=row: list(self._row(f"{b}/{k}", k, r))
                made += self._kept((row, self.references), ask, base, key)
        return made

    def _row(self, pointer: str, key: str, row: LedgerRow) -> Iterable[Body]:
        mass = or_gap(lambda: self.references.measured(row.mass, f"{pointer}/mass", f"mass of {row.name}"))
        at = self.references.position(row, pointer, row.name)
        if row.kind == "moved":
            there = self.references.position(row, pointer, row.name, "to_")
            yield Body(key, row.name, "removed", -1, pointer, mass, *at)
            yield Body(f"{key}-to", f"{row.name}, new place", "installed", +1, pointer, mass, *there)
        else:
            sign = {"kept": 0, "removed": -1, "installed": 1}[row.kind]
            yield Body(key, row.name, row.kind, sign, pointer, mass, *at)

    def counted(self, axis: Axis) -> list[Body]:
        """Rows that are put on or taken off, each with its mass and coordinate known. Raises CannotSay with all that is
        missing."""
        counted = [b for b in self.bodies if b.sign]
        needs = {
            n.pointer: n for b in counted for m in (b.mass, b.axis(axis)) if isinstance(m, CannotSay) for n in m.needs
        }
        if needs:
            raise CannotSay(*needs.values())
        return counted

    @lazy
    def mass_in_kg(self) -> float:
        """Mass of the rows put on, kg."""
        return sum(got(b.mass).value for b in self.bodies if b.sign > 0)

    @lazy
    def mass_out_kg(self) -> float:
        """Mass of the rows taken off, kg."""
        return sum(got(b.mass).value for b in self.bodies if b.sign < 0)
