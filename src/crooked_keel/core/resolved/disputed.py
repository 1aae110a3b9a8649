"""Figures that stand beside an earlier one which they contradict."""

from __future__ import annotations

from typing import NamedTuple

from ..document import Figure, Project
from ..document.fields import disputed
from ..topic.lazy import lazy
from ..topic.memo import Memo
from ..topic.reading import Topic


class Whole(NamedTuple):
    """A document read as a whole: any edit is another one."""

    project: Project


class Disputed(Topic):
    """The disputed figures of a document. kept: what was found in parts that did not change."""

    def __init__(self, document: Whole, kept: Memo) -> None:
        self.document = document
        self._kept = kept

    @lazy
    def figures(self) -> list[tuple[str, Figure]]:
        """Pointers and figures."""
        return disputed(self.document.project, kept=self._kept)
