"""What goes over the wire."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from ..core.assess import Assessment
from ..core.changes import Change
from ..core.formula import Working
from ..core.judging.finding import BENCHES, Bench, Level, Message, Suggestion
from ..core.profile import Shapes


class In(BaseModel):
    """Base of inputs: strict, nothing unknown, no NaN."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


class Reply(BaseModel):
    """Base of outputs."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)


class Problem(Reply):
    """RFC 9457. `pointer` is the field that caused it; `allowed` says what would be accepted."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    pointer: str | None = None
    given: str | None = None
    allowed: str | None = None


class Conflict(Problem):
    """Two edits of the same figure: what each of them says."""

    yours: Any = None
    theirs: Any = None
    revision: int | None = None


Text = Annotated[str, Field(max_length=200)]


Pointer = Annotated[str, Field(max_length=400)]


class ContactorEvents(In):
    """What happens to the contactors, in order, from key off."""

    events: Annotated[list[Annotated[str, Field(max_length=60)]], Field(max_length=200)]


class PlacementWish(BaseModel):
    """How far things may go, as people write it; a bare number is refused. What is left out is as the core has it."""

    model_config = ConfigDict(extra="forbid", strict=True)
    forward: Annotated[str, Field(max_length=40)] | None = None
    aft: Annotated[str, Field(max_length=40)] | None = None
    clearance: Annotated[str, Field(max_length=40)] | None = None
    battery: Annotated[str, Field(max_length=40)] | None = None
    lead: Annotated[str, Field(max_length=40)] | None = None
    propeller_stays: bool = False


class Capture(In):
    """A steady scale: the support, which of its readings it is, and the raw readings in kg, oldest first."""

    base: Annotated[int, Field(ge=0, le=2**53)]
    support: Annotated[str, Field(max_length=40)]
    into: Literal["reading", "reading_2", "reading_3"]
    readings_kg: Annotated[list[float], Field(min_length=1, max_length=200)]
    instrument: Annotated[str, Field(max_length=120)] = "simulated scales"


class RecordOut(Reply):
    """A weighing as it was kept."""

    at: datetime
    revision: int
    support: str
    into: str
    instrument: str
    mean_kg: float
    spread_kg: float
    readings_kg: list[float]


class NewProject(In):
    """The short form that starts a project."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    kind: Text = "aeroplane"
    layout: Text | None = None
    unit_name: Annotated[str, Field(min_length=1, max_length=120)] = "new unit"
    units: Literal["mm-kg", "in-lb"] = "mm-kg"


class ImportFile(In):
    """A project file's text."""

    text: Annotated[str, Field(max_length=8_000_000)]


class ImportCsv(In):
    """A ledger's text and where it goes."""

    base: Annotated[int, Field(ge=0, le=2**53)]
    ledger: Pointer
    text: Annotated[str, Field(max_length=4_000_000)]


class OperationIn(In):
    """One JSON Patch operation."""

    op: Literal["add", "replace", "remove"]
    path: Pointer
    value: Any = None


class Edit(In):
    """An edit made on revision `base`. `burst`: edits with the same word in a row are one step of undo."""

    base: Annotated[int, Field(ge=0, le=2**53)]
    summary: Text = ""
    operations: Annotated[list[OperationIn], Field(min_length=1, max_length=2000)]
    burst: Annotated[str, Field(max_length=60)] | None = None


class Preview(In):
    """An edit to look at, not to save. sections: the benches that are asked, while a hand moves; all where left out."""

    operations: Annotated[list[OperationIn], Field(max_length=200)]
    sections: Annotated[list[Bench], Field(min_length=1, max_length=len(BENCHES))] | None = None


class KeelLevel(Reply):
    """One bench of a small keel."""

    bench: Bench
    level: Level | None
    built: bool


class ProjectListItem(Reply):
    """A line of the project list."""

    id: str
    name: str
    kind: str
    description: str
    old_unit: str | None
    new_unit: str | None
    at: datetime | None
    keel: list[KeelLevel]
    worst_level: Level | None
    worst: Message | None
    profile: Shapes | None


class State(Reply):
    """A project with one fit: document, where undo and redo lead, assessment."""

    id: str
    revision: int
    can_undo: bool
    can_redo: bool
    document: dict[str, Any]
    assessment: Assessment
    changed: list[Change] = []


class Fragment(Reply):
    """What now stands at a touched pointer."""

    path: str
    value: Any


class Patched(Reply):
    """After an edit. `document` is whole only if the edit was re-applied on another's."""

    revision: int
    can_undo: bool
    can_redo: bool
    fragments: list[Fragment]
    document: dict[str, Any] | None
    assessment: Assessment
    changed: list[Change]


class PreviewOut(Reply):
    """An assessment without workings, and what would change. Its `benches` are those that were asked."""

    assessment: Assessment
    changed: list[Change]


class Suggestions(Reply):
    """Proved ways to clear a finding; why there is none where there is none."""

    suggestions: list[Suggestion]
    none: str


class RevisionOut(Reply):
    """A line of the history. place: before the state that stands, ahead where redo leads, or aside, where neither
    does."""

    number: int
    at: datetime
    summary: str
    place: Literal["here", "before", "ahead", "aside"]


class WorkingOut(Reply):
    """The working of a value or finding."""

    working: Working | None


class CsvText(Reply):
    """Rows as CSV."""

    text: str


class SheetIn(In):
    """An old weight sheet, or the sections of a hull, as text; `units` are those of bare numbers."""

    text: Annotated[str, Field(max_length=100_000)]
    units: Literal["mm-kg", "in-lb"]


class OffsetsOut(Reply):
    """The edit that puts the sections in, and how many were read."""

    operations: list[dict[str, Any]]
    sections: int


class WeightSheetOut(Reply):
    """The edit that takes the sheet as the report, and what was read."""

    operations: list[dict[str, Any]]
    rows: int
    note: str


class CurveIn(SheetIn):
    """The curve of a unit as text, the decimal mark it is written with, and on whose word it stands."""

    number_style: Literal["point", "comma"] = "point"
    source: Literal["measured", "maker"] = "maker"


class CurveRead(Reply):
    """Points as the document takes them, and the columns that were left out."""

    points: list[dict[str, Any]]
    left_out: list[str]


class HydrostaticsOut(Reply):
    """The edit that puts the table in, and how many drafts were read."""

    operations: list[dict[str, Any]]
    drafts: int
