"""Readings that somebody took of one installation."""

from __future__ import annotations

from ..document import Face
from ..figure.base import Figure
from ..figure.trace import need
from ..resolved.installation import ResolvedInstallation
from ..topic.reading import Topic


class GapReadings(Topic):
    """Readings of one installation."""

    def __init__(self, placed: ResolvedInstallation) -> None:
        self.placed = placed
        self.align = placed.installation.align

    def _read(self, part: str, name: str, what: str) -> float:
        figure: Figure | None = getattr(getattr(self.align, part), name)
        return need(figure, self.placed.p(f"align/{part}/{name}"), what).si

    def asks(self, part: str) -> bool:
        """Whether the readings of a part are asked for: of a fit that has it, or wherever something was read. Nobody
        reads an old installation before it comes out, unless they did."""
        read = getattr(self.align, part)
        if read != type(read)():
            return True
        if self.placed.old:
            return False
        if part == "sprockets":
            return any(s.type == "chain" for s in self.placed.installation.drive.stages.values())
        return part != "runout" or self.placed.installation.mount.face != Face()
