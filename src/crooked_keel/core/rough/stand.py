"""One rough figure: what it stands in for, and what it was made of."""

from __future__ import annotations

import math
from functools import lru_cache
from typing import Any, NamedTuple

from ..document import Figure, Project
from ..document.fields import all_fields
from ..figure.base import Tolerance
from ..figure.place import Place
from ..formula import Out


class Stand(NamedTuple):
    """A rough figure at a blank place. what: as it is called; how: what it was made of; instead: a part of the document
    which is not asked for while this stands in; typed_at: where the real one is said, if elsewhere;
    item: of a collection, that has the figure."""

    pointer: str
    figure: Figure
    what: str
    how: str
    instead: str = ""
    typed_at: str = ""
    item: Any = None

    @property
    def put(self) -> Any:
        """What is put in the blank: the figure, or an item of a collection that has it."""
        return self.figure if self.item is None else self.item


class RoughOut(Out):
    """A rough figure as it is listed. holds: how many answers cannot be said without it."""

    pointer: str
    what: str
    how: str
    dimension: str
    si: float
    plus_minus_si: float
    holds: int


@lru_cache(maxsize=1)
def _classes() -> dict[str, type[Figure]]:
    return {f.pattern: f.figure for f in all_fields(Project) if f.figure is not None}


def class_at(pattern: str) -> type[Figure]:
    """The sort of figure that a pattern of the document holds."""
    return _classes()[pattern]


@lru_cache(maxsize=4096)
def rough(kind: type[Figure], si: float, by_si: float, dir: str = "") -> Figure:
    """A rough figure of a sort, with its ±, to two digits. The same object for the same figure, so that what follows
    from it is not computed again. dir: of a place."""
    made: dict[str, Any] = {"entered": "rough", "si": _two_digits(si), "source": "rough"}
    if issubclass(kind, Place):
        made["dir"] = dir
    by = Tolerance(entered="rough", si=_two_digits(by_si))
    return kind.model_validate({**made, "plus_minus": by}, context={"trusted": True})


def _two_digits(si: float) -> float:
    return round(si, 1 - math.floor(math.log10(abs(si)))) if si else 0.0


@lru_cache(maxsize=1024)
def _copied(figure: _Same, by_si: float, dir: str) -> Figure:
    kept = figure.figure
    more = {"dir": dir} if dir else {}
    tolerance = Tolerance(entered="rough", si=by_si)
    return kept.model_copy(update={"source": "rough", "plus_minus": tolerance, "earlier": None, **more})


class _Same:
    """A figure as a key: by what it is, not by what it says."""

    __slots__ = ("figure",)

    def __init__(self, figure: Figure) -> None:
        self.figure = figure

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Same) and self.figure is other.figure

    def __hash__(self) -> int:
        return id(self.figure)


def copied(figure: Figure, by_si: float, dir: str = "") -> Figure:
    """Another figure taken over as a rough one: never better known than by_si. dir: the other way, of a mirrored
    place."""
    own = figure.plus_minus.si if figure.plus_minus is not None else 0.0
    return _copied(_Same(figure), max(by_si, own), dir)


def middle(pointer: str, pattern: str, what: str, by_m: float) -> Stand:
    """A butt line taken for that of the middle of the craft."""
    return Stand(pointer, rough(class_at(pattern), 0.0, by_m, "starboard"), what, "in the middle of the craft")
