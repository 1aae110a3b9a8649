"""What goes over the wire of fields, kinds and rules."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ..core.judging.finding import Bench
from ..core.reference.kinds import Form
from .models import In, Reply, Text


class ParseIn(In):
    """A text as typed."""

    text: Annotated[str, Field(max_length=400)]
    dimension: Text
    shown: Text | None = None
    number_style: Literal["point", "comma"] = "point"


class ParseOut(Reply):
    """What was understood: SI, and the same in both unit systems."""

    si: float
    plus_minus_si: float | None
    source: str | None
    metric: str
    inch: str
    remark: str | None


class PrintSpec(Reply):
    """How a view prints a dimension."""

    unit: str
    factor: float
    decimals: int
    offset: float


class FieldSpec(Reply):
    """A figure of the document by its pointer pattern (`*` for an id): dimension, kind of place, choices."""

    pattern: str
    dimension: str | None
    shown: str | None
    place: Literal["station", "butt line", "water line"] | None
    origin: str | None
    choices: list[str] | None


class KindOut(Reply):
    """A kind of craft: its layouts, forms and words."""

    id: str
    name: str
    layouts: list[str]
    forms: list[Form]
    words: dict[str, str]
    unit_side: int
    cautions: dict[str, str]


class EntryOut(Reply):
    """A field of a sheet; `~` stands for the installation. In a table the pointer is a key of a row."""

    pointer: str
    label: str
    kind: Literal["figure", "choice", "text", "key"]
    choices: list[str]
    drag: bool


class BlockOut(Reply):
    """A group of fields, or a table of a collection."""

    bench: Bench
    title: str
    hint: str
    entries: list[EntryOut]
    table: str | None
    one: str
    fresh: dict[str, str]
    electric: bool
    folded: bool


class Reference(Reply):
    """What the front end needs once: units of each view, fields, kinds of craft and the sheets of each."""

    views: dict[str, dict[str, PrintSpec]]
    fields: list[FieldSpec]
    kinds: list[KindOut]
    sheets: dict[str, list[BlockOut]]
    library_sheet: list[BlockOut]


class RuleOut(Reply):
    """One rule of the catalogue."""

    id: str
    bench: Bench
    title: str
    limit: str
    source: str
    mark: str
