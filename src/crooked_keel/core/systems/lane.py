"""What all lanes share: figures read with their doubt, and the walk along the parts of a lane."""

from __future__ import annotations

from collections.abc import Mapping
from typing import TypeVar

from ..document import Figure
from ..document.systems import Piece
from ..errors import CannotSay, Gap, or_none
from ..figure.reads import Read, read
from ..formula import record
from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation
from ..topic.reading import Topic
from .handed import UnitPower

T = TypeVar("T")


@record
class WalkPoint:
    """The far end of a part of a lane: how far along, how high (None: not said), its bore."""

    id: str
    name: str
    kind: str | None
    along_si: float | None
    height_si: float | None
    bore_si: float | None
    joint: str


class Lane(Topic):
    """One lane of one unit: figures of its part of the document, and what it needs of craft and unit."""

    # Its part of the document, and the choice there by which it is begun, in words.
    part = ""
    begins = ""
    begins_words = ""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, lasting: UnitPower) -> None:
        self.resolved = resolved
        self.placed = placed
        self.lasting = lasting
        self.systems = placed.installation.systems
        self.unit = placed.installation.unit
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def electric(self) -> bool:
        """Whether the unit is a motor."""
        return self.unit.kind == "electric"

    @property
    def begun(self) -> bool:
        """Whether somebody said how this lane is: until then it is one unknown, not many."""
        return getattr(getattr(self.systems, self.part), self.begins) is not None

    def p(self, path: str) -> str:
        """Pointer of a part of the lane."""
        return f"{self.placed.pointer}/systems/{self.part}/{path}"

    def read(self, figure: Figure | None, pointer: str, what: str, zero: bool = False) -> Read:
        """A figure with its doubt; above zero unless zero may be. Raises CannotSay, InputError."""
        return read(figure, pointer, what, self.school, zero)

    def chosen(self, value: T | None, path: str, what: str) -> T:
        """Something chosen from words. Raises CannotSay."""
        if value is None:
            raise CannotSay(Gap(self.p(path), what))
        return value

    def pieces(self, path: Mapping[str, Piece]) -> list[tuple[str, Piece]]:
        """Parts in the order of the flow."""
        return sorted(path.items(), key=lambda i: (i[1].rank, i[0]))

    def bore(self, name: str, key: str, piece: Piece) -> Read:
        """Bore of a part."""
        return self.read(piece.bore, self.p(f"{name}/{key}/bore"), f"bore of {piece.name}")

    def height(self, name: str, key: str, piece: Piece) -> float:
        """Height of the far end of a part, m."""
        at, what = self.p(f"{name}/{key}/height"), f"height of the far end of {piece.name}"
        return self.resolved.references.place(piece.height, at, what, "z").value

    def walk(self, name: str, path: Mapping[str, Piece]) -> list[WalkPoint]:
        """The walk along a lane, for the drawing."""
        along: float | None = 0.0
        made = []
        for key, piece in self.pieces(path):
            along = along + piece.length.si if along is not None and piece.length is not None else None
            made.append(
                WalkPoint(
                    id=key,
                    name=piece.name,
                    kind=piece.kind,
                    along_si=along,
                    height_si=or_none(lambda k=key, p=piece: self.height(name, k, p)),
                    bore_si=piece.bore.si if piece.bore is not None else None,
                    joint=piece.joint,
                )
            )
        return made
