"""Figures that stand out: that contradict an earlier one, lie outside what is usual, or have a wide ±."""

from __future__ import annotations

from typing import NamedTuple

from ..document import Figure, Project
from ..document.fields import is_unusual, is_wide, remarkable
from ..topic.lazy import lazy
from ..topic.memo import Memo
from ..topic.reading import Topic

# With more wide figures than this only the widest are tried. Proposed.
MOST_TRIED = 12


class Whole(NamedTuple):
    """A document read as a whole: any edit is another one."""

    project: Project


class Remarkable(Topic):
    """The figures of a document that stand out, those of other fits left aside. kept: what was found in parts that did
    not change."""

    def __init__(self, document: Whole, fit_id: str | None, kept: Memo) -> None:
        self.document = document
        self.fit_id = fit_id
        self._kept = kept

    @lazy
    def _all(self) -> list[tuple[str, Figure]]:
        found = remarkable(self.document.project, kept=self._kept)
        own = f"/fits/{self.fit_id}/"
        return [(p, f) for p, f in found if not p.startswith("/fits/") or p.startswith(own)]

    @property
    def disputed(self) -> list[tuple[str, Figure]]:
        """Figures that stand beside an earlier one which they contradict, in any fit."""
        found = remarkable(self.document.project, kept=self._kept)
        return [(p, f) for p, f in found if f.earlier is not None]

    @property
    def unusual(self) -> list[tuple[str, Figure]]:
        """Figures outside what is usual."""
        return [(p, f) for p, f in self._all if is_unusual(f)]

    @property
    def _wide(self) -> list[tuple[str, Figure]]:
        """Figures with a wide ±, the widest beside itself first."""
        width = lambda f: f.plus_minus.si / (abs(f.si) or 1e-9) if f.plus_minus is not None else 0.0
        return sorted(((p, f) for p, f in self._all if is_wide(f)), key=lambda w: -width(w[1]))

    @property
    def wide(self) -> list[tuple[str, Figure]]:
        """Figures with a wide ± that are tried at both ends."""
        return self._wide[:MOST_TRIED]

    @property
    def untried(self) -> list[tuple[str, Figure]]:
        """Those that are not, because there are so many."""
        return self._wide[MOST_TRIED:]
