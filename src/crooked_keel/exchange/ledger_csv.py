"""The ledger as CSV, both ways. Text as typed goes out; text comes in and is read like any other figure."""

from __future__ import annotations

import csv
import io
from typing import Any

from ..core.document import LedgerRow, Project
from ..core.errors import InputError
from ..core.figure import Figure, Place

COLUMNS = (
    "id",
    "kind",
    "name",
    "mass",
    "station",
    "butt line",
    "water line",
    "to station",
    "to butt line",
    "to water line",
    "note",
)
_FIELDS = {
    "mass": "mass", "station": "station", "butt line": "butt_line", "water line": "water_line",
    "to station": "to_station", "to butt line": "to_butt_line", "to water line": "to_water_line",
}  # fmt: skip
_FORMULA = ("=", "+", "-", "@", "\t", "\r")
MOST_ROWS = 10_000


def _cell(figure: Figure | None) -> str:
    if figure is None:
        return ""
    text = figure.entered
    if figure.plus_minus is not None:
        text += f" ±{figure.plus_minus.entered}"
    if isinstance(figure, Place):
        text += f" {figure.dir} of {figure.origin}"
    return f"{text} {figure.source}"


def _safe(text: str) -> str:
    """A cell that a spreadsheet would run is quoted with an apostrophe."""
    return f"'{text}" if text.startswith(_FORMULA) else text


def ledger_to_csv(rows: dict[str, LedgerRow]) -> str:
    """Rows in order, one line each, figures as typed with ±, place and source."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(COLUMNS)
    for key, row in sorted(rows.items(), key=lambda r: (r[1].rank, r[0])):
        cells = [key, row.kind, row.name, *[_cell(getattr(row, f)) for f in _FIELDS.values()], row.note]
        writer.writerow([_safe(c) for c in cells])
    return out.getvalue()


def csv_to_operations(text: str, base: str, project: Project) -> list[dict[str, Any]]:
    """CSV → operations that put its rows into the ledger at `base`, all or nothing.

    A row with an id that is there replaces it; others are added. Raises InputError naming row and column."""
    try:
        lines = list(csv.reader(io.StringIO(text.lstrip("\ufeff")), strict=True))
    except csv.Error as bad:
        raise InputError("/csv", f"not a CSV file: {bad}") from None
    lines = [line for line in lines if any(cell.strip() for cell in line)]
    if not lines:
        raise InputError("/csv", "the file is empty")
    if len(lines) > MOST_ROWS + 1:
        raise InputError("/csv", f"more than {MOST_ROWS} rows")
    head = [h.strip().lower() for h in lines[0]]
    for wanted in ("kind", "name", "mass"):
        if wanted not in head:
            raise InputError(
                "/csv",
                f"no column '{wanted}' in the first row",
                given=", ".join(head)[:120],
                allowed=", ".join(COLUMNS),
            )
    unknown = [h for h in head if h and h not in COLUMNS]
    if unknown:
        raise InputError("/csv", f"column '{unknown[0]}' is not known", given=unknown[0], allowed=", ".join(COLUMNS))
    there = _rows_at(project, base)
    taken = set(there)
    operations: list[dict[str, Any]] = []
    for number, line in enumerate(lines[1:], start=2):
        cells = {h: _plain(c) for h, c in zip(head, line, strict=False) if h}
        key = cells.get("id") or _free_key(cells.get("name", ""), taken)
        if any(o["path"] == f"{base}/{key}" for o in operations):
            raise InputError("/csv", f"row {number}: the id '{key}' stands twice", given=key)
        taken.add(key)
        value: dict[str, Any] = {
            "kind": cells.get("kind", "").lower(),
            "name": cells.get("name", ""),
            "rank": float(number),
            "note": cells.get("note", ""),
        }
        for column, field in _FIELDS.items():
            if cells.get(column):
                value[field] = _figure(cells[column], column)
        try:
            LedgerRow.model_validate(value, context={"number_style": project.number_style})
        except ValueError as bad:
            raise InputError("/csv", f"row {number}: {_first(bad)}") from None
        operations.append({"op": "replace" if key in there else "add", "path": f"{base}/{key}", "value": value})
    return operations


def _rows_at(project: Project, base: str) -> dict[str, LedgerRow]:
    if base == "/ledger":
        return project.ledger
    fit = project.fits.get(base.split("/")[2]) if base.startswith("/fits/") and base.endswith("/ledger") else None
    if fit is None:
        raise InputError("/csv", "no such ledger", given=base)
    return fit.ledger


def _plain(cell: str) -> str:
    cell = cell.strip()
    return cell[1:] if cell.startswith("'") and cell[1:].startswith(_FORMULA) else cell


def _figure(text: str, column: str) -> dict[str, Any]:
    words = text.split()
    made: dict[str, Any] = {}
    if words[-1].lower() in ("measured", "maker", "estimated", "hearsay", "template", "computed"):
        made["source"] = words.pop().lower()
    if column != "mass" and "of" in words:
        at = words.index("of")
        made["from"] = " ".join(words[at + 1 :])
        made["dir"] = words[at - 1]
        words = words[: at - 1]
    return {"entered": " ".join(words), **made}


def _free_key(name: str, taken: set[str]) -> str:
    stem = "".join(c if c.isalnum() and c.isascii() else "-" for c in name.lower()).strip("-")[:30].strip("-") or "row"
    key, n = stem, 2
    while key in taken:
        key, n = f"{stem}-{n}", n + 1
    return key


def _first(error: ValueError) -> str:
    errors = getattr(error, "errors", None)
    if errors is None:
        return str(error)
    first = errors(include_url=False)[0]
    column = str(first["loc"][0]).replace("_", " ") if first["loc"] else "row"
    reason = (first.get("ctx") or {}).get("reason", first["msg"])
    return f"column '{column}': {reason}"
