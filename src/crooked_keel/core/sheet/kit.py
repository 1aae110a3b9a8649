"""What a sheet is made of: fields in blocks.

`~` is the installation, `^` the fit; braces take the words of the kind's trade.
"""

from __future__ import annotations

from typing import Literal, NamedTuple

from ..judging.finding import Bench
from ..reference.kinds import Form


class Entry(NamedTuple):
    """One field: pointer, label, how it is filled in, and the choices a kind leaves of those the document knows (all,
    where none). A key names one of the collection whose pointer is its only choice. drag: it may be rolled to try other
    values."""

    pointer: str
    label: str
    kind: Literal["figure", "choice", "text", "key"] = "figure"
    choices: tuple[str, ...] = ()
    drag: bool = False


class Block(NamedTuple):
    """A group of fields, or a table of a collection when `table` names it: then pointers are keys of a row.
    folded: shown when asked for, or when something in it is filled in."""

    bench: Bench
    title: str
    entries: tuple[Entry, ...]
    form: Form | None = None
    without: Form | None = None
    hint: str = ""
    table: str = ""
    one: str = ""
    fresh: tuple[tuple[str, str], ...] = ()
    electric: bool = False
    folded: bool = False


def field(pointer: str, label: str, kind: Literal["figure", "choice", "text"] = "figure") -> Entry:
    """One field."""
    return Entry(pointer, label, kind)


def rolled(pointer: str, label: str) -> Entry:
    """A figure that may be rolled to try other values."""
    return Entry(pointer, label, drag=True)


PLACE = (field("station", "station"), field("butt_line", "butt line"), field("water_line", "water line"))
GROUND = (field("station", "station"), field("butt_line", "butt line"), field("water_line", "ground"))
