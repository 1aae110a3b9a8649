"""Units of the library as a table, both ways: a line for each unit, a column for each field that any of them has.

A heading is the path of a field with points between (`mass`, `ratings.take-off.power`, `drive.stages.belt.ratio`); it
may say the unit of bare numbers (`mass (kg)`). A curve is one cell: points with bars between them, each `speed; torque;
power`.
"""

from __future__ import annotations

import csv
import io
import re
from typing import Any, NamedTuple, get_args, get_origin
from urllib.parse import unquote

from pydantic import BaseModel

from ..core.choose.library import check_unit, slug
from ..core.document import CurvePoint, LibraryUnit, PowerUnit, check_id, load_unit
from ..core.document.fields import inner
from ..core.errors import InputError
from ..core.figure.base import Figure
from .cells import MOST_HEADING, cell_of, figure_of, safe, unquoted
from .columns import mark_of

MOST_UNITS = 2_000
_WANTED = ("name", "kind")
_POINT = " | "
_BARE = re.compile(r"[-+−–]?\d[\d.,\s/]*")
_HEAD = re.compile(r"(?P<path>[^(\[]+?)\s*(?:[(\[]\s*(?P<unit>[^)\]]*?)\s*[)\]])?\s*")


class _Field(NamedTuple):
    """A column: its heading, the path of its field, what stands there, and the unit of bare numbers."""

    heading: str
    path: tuple[str, ...]
    leaf: Any
    unit: str


def library_to_csv(units: dict[str, LibraryUnit]) -> str:
    """A line for each unit; text as typed with ±, place, source and note."""
    lines = {key: dict(_cells(unit)) for key, unit in units.items()}
    columns: dict[str, None] = {}
    for cells in lines.values():
        columns.update(dict.fromkeys(cells))
    heads = sorted(columns, key=_order)
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(["id", *(h.removeprefix("unit.") for h in heads)])
    for key, cells in lines.items():
        writer.writerow([key, *(safe(cells.get(h, "")) for h in heads)])
    return out.getvalue()


def _order(path: str) -> tuple[Any, ...]:
    """Columns in the order of the document; ids of a collection in the order of the alphabet."""
    model: Any = LibraryUnit
    made: list[tuple[int, str]] = []
    for token in path.split("."):
        made.append((list(model.model_fields).index(token), "") if _is_part(model) else (0, token))
        model = _next(model, token)
    return tuple(made)


def _cells(value: Any, path: str = "") -> list[tuple[str, str]]:
    """Path and cell of every field that is filled in."""
    if value is None or value == "":
        return []
    if isinstance(value, Figure):
        return [(path, cell_of(value, noted=True))]
    if isinstance(value, BaseModel):
        below = [(n, getattr(value, n)) for n in type(value).model_fields]
    elif isinstance(value, dict):
        below = list(value.items())
    elif isinstance(value, list):
        return [(path, _POINT.join(_point(p) for p in value))]
    else:
        return [(path, repr(value) if isinstance(value, float) else str(value))]
    return [cell for name, v in below for cell in _cells(v, f"{path}.{name}" if path else name)]


def _point(point: CurvePoint) -> str:
    """A point of a curve; what separates points and cells is written otherwise in its notes."""
    cells = [
        cell_of(f, noted=True).replace("%", "%25").replace(";", "%3B").replace("|", "%7C")
        for f in (point.speed, point.torque, point.power)
    ]
    return "; ".join(cells).rstrip("; ")


def library_from_csv(text: str, there: dict[str, LibraryUnit]) -> dict[str, LibraryUnit]:
    """Units of a table by their id; one without an id is given one that is not there yet.

    Raises InputError with row and column: no column for name or kind, a column that is not known or stands twice, a
    cell that is no such figure, an id or a name that stands twice, a unit that does not say what it must."""
    rows = _rows(text)
    if not rows:
        raise InputError("/text", "the file is empty")
    head = _heading(rows[0][1])
    made: dict[str, LibraryUnit] = {}
    at: dict[str, int] = {}
    for number, cells in rows[1:]:
        given = {f.heading: unquoted(c) for f, c in zip(head, cells, strict=False) if c.strip()}
        for wanted in _WANTED:
            if wanted not in given:
                raise InputError(
                    "/text", f"row {number}: column '{wanted}': nothing stands there", given=", ".join(cells)[:80]
                )
        key = given.get("id") or slug(given["name"], [*there, *made])
        try:
            check_id(key, "/text")
        except InputError as bad:
            raise InputError("/text", f"row {number}: column 'id': {bad.message}", given=bad.given) from None
        if key in made:
            raise InputError("/text", f"row {number}: the id '{key}' stands twice", given=key)
        unit = _unit(head, given, number)
        folded = unit.unit.name.casefold()
        if folded in at:
            raise InputError(
                "/text",
                f"row {number}: the name '{unit.unit.name}' stands in row {at[folded]} already",
                given=unit.unit.name,
            )
        at[folded] = number
        made[key] = unit
    if not made:
        raise InputError("/text", "no unit was found below the heading")
    return made


def _rows(text: str) -> list[tuple[int, list[str]]]:
    text = text.lstrip("\ufeff")
    first = next((line for line in text.splitlines() if line.strip()), "")
    try:
        lines = list(csv.reader(io.StringIO(text), delimiter=mark_of(first), strict=True))
    except csv.Error as bad:
        raise InputError("/text", f"not a CSV file: {bad}") from None
    rows = [(n, line) for n, line in enumerate(lines, 1) if any(c.strip() for c in line)]
    if len(rows) > MOST_UNITS:
        raise InputError("/text", f"more than {MOST_UNITS} rows")
    return rows


def _heading(cells: list[str]) -> list[_Field]:
    made: list[_Field] = []
    for c, cell in enumerate(cells):
        field = _field(cell, c)
        if any(f.path == field.path for f in made):
            raise InputError("/text", f"column {c + 1}: '{field.heading}' stands twice", given=cell)
        made.append(field)
    for wanted in _WANTED:
        if ("unit", wanted) not in {f.path for f in made}:
            raise InputError(
                "/text",
                f"no column '{wanted}' in the heading",
                given=", ".join(cells)[:120],
                allowed="id, name, kind, mass, condition, …",
            )
    return made


def _field(cell: str, column: int) -> _Field:
    found = _HEAD.fullmatch(cell.strip()) if len(cell) <= MOST_HEADING else None
    words = found["path"].strip().casefold() if found else ""
    unit = (found["unit"] or "") if found else ""
    if words == "id":
        return _Field("id", ("id",), str, "")
    path = [t.replace(" ", "_") for t in words.split(".")]
    if path[0] not in LibraryUnit.model_fields or path == ["unit"]:
        path = ["unit", *path]
    leaf: Any = LibraryUnit
    for token in path:
        leaf = _next(leaf, token)
    if leaf is None or _is_part(leaf) or get_origin(leaf) is dict:
        raise InputError(
            "/text",
            f"column {column + 1}: '{cell.strip()}' is not known",
            given=cell.strip(),
            allowed=", ".join(_known()),
        )
    return _Field(".".join(path).removeprefix("unit."), tuple(path), leaf, unit)


def _next(model: Any, token: str) -> Any:
    """What stands below a part or a collection under a token; None where nothing does."""
    if _is_part(model):
        return _below(model, token) if token in model.model_fields else None
    return inner(get_args(model)[1]) if get_origin(model) is dict else None


def _is_part(model: Any) -> bool:
    return isinstance(model, type) and issubclass(model, BaseModel) and not issubclass(model, Figure)


def _known() -> list[str]:
    """Fields of a unit that are no collection, for messages."""
    below = {n: _below(PowerUnit, n) for n in PowerUnit.model_fields}
    return [n for n, a in below.items() if not _is_part(a) and get_origin(a) is not dict]


def _below(model: type[BaseModel], token: str) -> Any:
    return inner(model.model_fields[token].annotation)


def _unit(head: list[_Field], given: dict[str, str], number: int) -> LibraryUnit:
    raw: dict[str, Any] = {}
    for field in head:
        cell = given.get(field.heading, "")
        if field.path == ("id",) or not cell:
            continue
        here = raw
        for token in field.path[:-1]:
            here = here.setdefault(token, {})
        here[field.path[-1]] = _value(field, cell, number)
    try:
        unit = load_unit(raw)
        check_unit(unit)
    except InputError as bad:
        column = bad.field.strip("/").replace("/", ".").removeprefix("unit.")
        words = f"column '{column}': {bad.message}" if column else bad.message
        raise InputError("/text", f"row {number}: {words}", given=bad.given, allowed=bad.allowed) from None
    return unit


def _value(field: _Field, cell: str, number: int) -> Any:
    """What a cell says: a figure, a curve, a rank, or words."""
    if isinstance(field.leaf, type) and issubclass(field.leaf, Figure):
        return _figure(cell, field.unit)
    if get_origin(field.leaf) is list:
        names = ("speed", "torque", "power")
        points = [p.split(";") for p in cell.split(_POINT.strip())]
        return [
            {n: _figure(unquote(c.strip()), "") for n, c in zip(names, p, strict=False) if c.strip()} for p in points
        ]
    if field.leaf is float:
        try:
            return float(cell)
        except ValueError:
            raise InputError("/text", f"row {number}: column '{field.heading}': not a number", given=cell) from None
    return cell


def _figure(cell: str, unit: str) -> dict[str, Any]:
    made = figure_of(cell)
    return {**made, "entered": f"{made['entered']} {unit}"} if unit and _BARE.fullmatch(made["entered"]) else made
