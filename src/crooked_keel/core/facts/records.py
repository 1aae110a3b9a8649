"""Records: one model a kind. A record is never changed; what is wrong in it is corrected by another that names it."""

from __future__ import annotations

from typing import Annotated, Any, Literal, get_args

from pydantic import Field, StringConstraints, TypeAdapter, ValidationError

from ..document.base import Key, Name, Note, Part
from ..document.build import Day, Role
from ..document.files import validation_to_input_error
from ..document.unit import YesNo
from ..errors import InputError
from ..figure.flows import Hours
from ..figure.grammar import NumberStyle
from ..figure.kinds import Mass, Money, Torque, Volume
from ..figure.place import ButtLine, Station, WaterLine
from ..figure.sizes import Bore, Run

Said = Annotated[str, StringConstraints(min_length=1, max_length=400, strip_whitespace=True)]
Photo = Annotated[str, StringConstraints(pattern=r"^([0-9a-f]{64})?$")]


class Happened(Part):
    """What every record says: who, for which fit and unit (blank: all), on what task; the day where it is not that of
    the entry; corrects: the number of an earlier record that this one takes the place of; simulated: by a stand-in,
    which proves nothing."""

    by: Name
    fit: Key
    unit: Key | None = None
    task: Key | None = None
    on: Day = ""
    note: Note = ""
    corrects: Annotated[int, Field(ge=1)] | None = None
    simulated: bool = False


class Withdrawn(Happened):
    """The record that it corrects did not happen."""

    kind: Literal["withdrawn"]


class Step(Happened):
    """Work on a task: begun, done, or opened again."""

    kind: Literal["step"]
    task: Key
    step: Literal["begun", "done", "opened again"]


class Witnessed(Happened):
    """Somebody else saw a task, in a role, and what shows it."""

    kind: Literal["witness"]
    task: Key
    role: Role
    evidence: Said


class Tightened(Happened):
    """A fastener tightened. place: which of a pattern; again: the day on which it is due again."""

    kind: Literal["torque"]
    fastener: Name
    place: Note = ""
    thread: Note = ""
    grade: Note = ""
    lubricant: Literal["dry", "oiled", "moly or anti-seize", "zinc, dry"] | None = None
    target: Torque | None = None
    target_from: Literal["maker", "computed", "table"] | None = None
    actual: Torque | None = None
    tool: Note = ""
    calibrated: Day = ""
    marked: YesNo | None = None
    again: Day = ""


class Placed(Happened):
    """Which fastener sits in which hole, which way round, on what washer."""

    kind: Literal["fastener"]
    hole: Name
    of: Name
    length: Run | None = None
    way: Note = ""
    washer: Note = ""
    photo: Photo = ""


class Filled(Happened):
    """A fluid drained or filled: how much, of what, and how the level was read."""

    kind: Literal["fluid"]
    system: Name
    drained: Volume | None = None
    filled: Volume | None = None
    grade: Note = ""
    lot: Note = ""
    level: Literal["at the mark", "below it", "above it", "not read"] | None = None
    read_how: Note = ""


class Removed(Happened):
    """A part that came off: what it weighs, where it sat, what becomes of it."""

    kind: Literal["removed"]
    part: Name
    mass: Mass | None = None
    station: Station | None = None
    butt_line: ButtLine | None = None
    water_line: WaterLine | None = None
    becomes: Literal["kept", "sold", "scrapped", "returned"] | None = None
    price: Money | None = None


class Joined(Happened):
    """A connection parted, mated again or given up: the labels at its two ends, and how it was tried."""

    kind: Literal["connection"]
    label: Name
    end_a: Note = ""
    end_b: Note = ""
    step: Literal["parted", "mated again", "capped", "left off"]
    bore: Bore | None = None
    tried: Literal["tugged", "leak tested", "run and looked at", "not tried"] | None = None


class Squawked(Happened):
    """Something that is not right: 1 keeps it on the ground, 2 must be closed before a start, 3 before it goes out, 4
    when there is time."""

    kind: Literal["squawk"]
    text: Said
    severity: Annotated[int, Field(ge=1, le=4)]


class Closed(Happened):
    """A squawk put right: its record's number, and what shows it."""

    kind: Literal["closure"]
    squawk: Annotated[int, Field(ge=1)]
    evidence: Said


class Paid(Happened):
    """Money that went out, for a line of the fit's money or none."""

    kind: Literal["spend"]
    what: Name
    amount: Money
    line: Key | None = None


class Worked(Happened):
    """Hours worked."""

    kind: Literal["hours"]
    hours: Hours


class Pictured(Happened):
    """A photograph that is kept: by what it contains, and of what it is."""

    kind: Literal["photo"]
    file: Annotated[str, StringConstraints(pattern=r"^[0-9a-f]{64}$")]
    of: Name


class Ran(Happened):
    """A card gone through: which of its lines were seen to, and how it ended."""

    kind: Literal["card"]
    card: Key
    result: Literal["begun", "passed", "failed", "aborted"]
    seen: Annotated[list[Key], Field(max_length=80)] = []
    why: Note = ""


class Measured(Happened):
    """A figure read on a run, as written and in SI: of what (the name of a promise or of a channel)."""

    kind: Literal["reading"]
    card: Key | None = None
    what: Annotated[str, StringConstraints(max_length=80)]
    dimension: Annotated[str, StringConstraints(max_length=40)]
    entered: Annotated[str, StringConstraints(max_length=80)]
    si: float
    doubt_si: Annotated[float, Field(ge=0)] | None = None


class Column(Part):
    """One channel of a log: its unit as headed, its dimension, and its values in SI by row; None: nothing was read."""

    name: Annotated[str, StringConstraints(max_length=80)]
    channel: Key
    dimension: Annotated[str, StringConstraints(max_length=40)]
    values: list[float | None]


class Logged(Happened):
    """A log of a run: seconds from its first row, and a column a channel, thinned without losing a peak; flags: what
    was found wrong with rows."""

    kind: Literal["log"]
    card: Key | None = None
    source: Literal["typed", "csv", "nmea", "gpx", "simulated"]
    name: Name
    rows: Annotated[int, Field(ge=0)]
    t: list[float]
    columns: list[Column]
    flags: list[Note] = []


class Stood(Happened):
    """A support on its scale at the second weighing."""

    kind: Literal["second weighing"]
    support: Key
    reading: Mass
    state: Note = ""


Record = Annotated[
    Withdrawn
    | Step
    | Witnessed
    | Tightened
    | Placed
    | Filled
    | Removed
    | Joined
    | Squawked
    | Closed
    | Paid
    | Worked
    | Pictured
    | Ran
    | Measured
    | Logged
    | Stood,
    Field(discriminator="kind"),
]
_MODELS: tuple[type[Happened], ...] = get_args(get_args(Record)[0])
KINDS: dict[str, type[Happened]] = {get_args(m.model_fields["kind"].annotation)[0]: m for m in _MODELS}
_ADAPTER: TypeAdapter[Any] = TypeAdapter(Record)


def kind_of(record: Happened) -> str:
    """The word of a record's kind."""
    return str(getattr(record, "kind", ""))


def read_record(raw: object, style: NumberStyle = "point", *, trusted: bool = False) -> Happened:
    """A record from what was sent; or trusted, from the application's own store: figures are not parsed again. Raises
    InputError at the field that is wrong."""
    context = {"trusted": True} if trusted else {"number_style": style}
    try:
        made: Happened = _ADAPTER.validate_python(raw, context=context)
    except ValidationError as bad:
        refused = validation_to_input_error(bad)
        kind = raw.get("kind") if isinstance(raw, dict) else None
        # The union puts the kind into the path.
        field = refused.field.removeprefix(f"/{kind}") or "/kind"
        raise InputError(field, refused.message, given=refused.given, allowed=refused.allowed) from None
    return made
