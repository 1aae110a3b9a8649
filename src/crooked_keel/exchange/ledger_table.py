"""The ledger as CSV or workbook, both ways. Text as typed goes out; text comes in and is read like any other figure."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterator
from typing import Any, Literal, NamedTuple

from ..core.document import LedgerRow, Project
from ..core.errors import InputError
from ..core.figure.grammar import NumberStyle
from .cells import MOST_HEADING, cell_of, figure_of, printable, safe, unquoted

COLUMNS = (
    "id",
    "kind",
    "name",
    "group",
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
    "mass": "mass",
    "station": "station",
    "butt line": "butt_line",
    "water line": "water_line",
    "to station": "to_station",
    "to butt line": "to_butt_line",
    "to water line": "to_water_line",
}
MOST_ROWS = 10_000
MOST_UNPACKED = 80_000_000
MOST_HEADING_ROWS = 20
MOST_COLUMNS = 100
# What a heading may say for each column; common practice, no source.
_SAID = {
    "id": (),
    "kind": ("action", "change", "what"),
    "name": ("item", "description", "part", "component"),
    "group": ("system", "section"),
    "mass": ("weight", "wt", "m"),
    "station": ("arm", "x", "moment arm", "position station", "position x", "cg", "cg station"),
    "butt line": ("lateral", "y", "buttock line", "position butt line", "position y", "cg butt line"),
    "water line": ("height", "z", "vertical", "position water line", "position z", "cg water line"),
    "to station": ("new station", "to x"),
    "to butt line": ("new butt line", "to y"),
    "to water line": ("new water line", "to z"),
    "note": ("notes", "remark", "remarks", "comment", "comments"),
}
_IGNORED = re.compile(r"(?i)(moment|moments|mass moment|index|no\.?|#|total)\b")
_TOTAL = re.compile(r"(?i)\s*(sub)?(total|sum)s?\b")
_HEAD_UNITS = ("kg", "lbs?", "g", "mm", "cm", "m", "in", "inch(?:es)?", "ft")


def _lines(rows: dict[str, LedgerRow], style: NumberStyle) -> Iterator[list[str]]:
    """Rows in order, figures as typed with ±, place and source."""
    for key, row in sorted(rows.items(), key=lambda r: (r[1].rank, r[0])):
        figures = [cell_of(getattr(row, f), style=style) for f in _FIELDS.values()]
        yield [key, row.kind, row.name, row.group, *figures, row.note]


def ledger_to_csv(rows: dict[str, LedgerRow], style: NumberStyle = "point") -> str:
    """Rows in order, one line each. style: the decimal mark of the project, with which they are read again."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(COLUMNS)
    for line in _lines(rows, style):
        writer.writerow([safe(c) for c in line])
    return out.getvalue()


def ledger_to_xlsx(rows: dict[str, LedgerRow], style: NumberStyle = "point") -> bytes:
    """The same rows as a workbook of one sheet; every cell is text, none can run."""
    from openpyxl import Workbook
    from openpyxl.styles import Font

    book = Workbook()
    page = book.active
    page.title = "Ledger"
    page.append(COLUMNS)
    for cell in page[1]:
        cell.font = Font(bold=True)
    for line in _lines(rows, style):
        page.append([printable(safe(c)) for c in line])
    for row in page.iter_rows(min_row=2):
        for cell in row:
            cell.data_type = "s"
    page.freeze_panes = "A2"
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


class Table(NamedTuple):
    """Cells as text, each with the name by which people find it; which of them are numbers without a unit of their
    own."""

    rows: list[list[str]]
    kind: Literal["csv", "xlsx"]

    def at(self, row: int, column: int) -> str:
        """What people call a cell: `row 7, cell C7` in a workbook, `row 7` in a text."""
        return f"row {row + 1}, cell {_letters(column)}{row + 1}" if self.kind == "xlsx" else f"row {row + 1}"


def read_csv(text: str) -> Table:
    """Rows of a text with commas, semicolons or tabs. Raises InputError for what is not such a text.

    With semicolons or tabs a comma between digits is a decimal mark."""
    text = text.lstrip("\ufeff")
    first = next((line for line in text.splitlines() if line.strip()), "")
    mark = max("\t;,", key=lambda m: (first.count(m), m == ","))
    try:
        lines = list(csv.reader(io.StringIO(text), delimiter=mark, strict=True))
    except csv.Error as bad:
        raise InputError("/csv", f"not a CSV file: {bad}") from None
    if mark != ",":
        lines = [[re.sub(r"(?<=\d),(?=\d)", ".", cell) for cell in line] for line in lines]
    return Table(lines, "csv")


def read_xlsx(body: bytes) -> Table:
    """Rows of the first sheet of a workbook; a merged cell says the same in each of its places.

    Raises InputError for what is no workbook, one that unpacks to far more than a ledger, a formula that was never
    worked out."""
    import zipfile

    from openpyxl import load_workbook

    try:
        with zipfile.ZipFile(io.BytesIO(body)) as packed:
            if sum(f.file_size for f in packed.infolist()) > MOST_UNPACKED:
                raise InputError("/xlsx", "the workbook unpacks to far more than a ledger holds")
            for name in packed.namelist():
                if name.startswith("xl/worksheets/") and name.endswith(".xml"):
                    _check_merged(packed.read(name))
        values = load_workbook(io.BytesIO(body), data_only=True)
        page = values.worksheets[0]
    except InputError:
        raise
    except Exception:
        raise InputError("/xlsx", "not a workbook that can be read: save it as .xlsx, or as CSV") from None
    if page.max_row > MOST_ROWS + 100:
        raise InputError("/xlsx", f"more than {MOST_ROWS} rows")
    if page.max_column > MOST_COLUMNS:
        raise _too_far(_letters(page.max_column - 1))
    rows = [["" if v is None else _cell_text(v) for v in row] for row in page.iter_rows(values_only=True)]
    for merged in page.merged_cells.ranges:
        said = rows[merged.min_row - 1][merged.min_col - 1]
        for r in range(merged.min_row - 1, min(merged.max_row, len(rows))):
            for c in range(merged.min_col - 1, min(merged.max_col, len(rows[r]))):
                rows[r][c] = said
    _check_formulas(body, rows)
    return Table(rows, "xlsx")


def _check_merged(sheet: bytes) -> None:
    """Refuse a merge over far more than a ledger before it is unfolded. Raises InputError."""
    from openpyxl.utils import column_index_from_string

    for last in re.findall(rb'<mergeCell ref="[A-Z]+\d+:([A-Z]+)\d+"', sheet):
        if column_index_from_string(last.decode()) > MOST_COLUMNS:
            raise _too_far(last.decode())


def _too_far(column: str) -> InputError:
    return InputError(
        "/xlsx",
        f"a cell stands in column {column}, far right of any ledger, or is merged as far: clear it",
        allowed=f"up to {MOST_COLUMNS} columns",
    )


def _check_formulas(body: bytes, rows: list[list[str]]) -> None:
    from openpyxl import load_workbook

    page = load_workbook(io.BytesIO(body)).worksheets[0]
    for r, row in enumerate(page.iter_rows(values_only=True)):
        for c, value in enumerate(row):
            if isinstance(value, str) and value.startswith("=") and not rows[r][c]:
                where = f"row {r + 1}, cell {_letters(c)}{r + 1}"
                raise InputError(
                    "/xlsx", f"{where}: a formula that was never worked out: open it, save it, and try again"
                )


def _cell_text(value: Any) -> str:
    if isinstance(value, bool):
        return "yes" if value else "no"
    return repr(float(value)) if isinstance(value, float) else str(value).strip()


def _letters(column: int) -> str:
    name = ""
    column += 1
    while column:
        column, rest = divmod(column - 1, 26)
        name = chr(65 + rest) + name
    return name


def csv_to_operations(text: str, base: str, project: Project) -> list[dict[str, Any]]:
    """CSV → operations that put its rows into the ledger at `base`, all or nothing. Raises InputError naming row and
    column."""
    return to_operations(read_csv(text), base, project)


def xlsx_to_operations(body: bytes, base: str, project: Project) -> list[dict[str, Any]]:
    """A workbook → operations, as `csv_to_operations`. Raises InputError naming row and cell."""
    return to_operations(read_xlsx(body), base, project)


def to_operations(table: Table, base: str, project: Project) -> list[dict[str, Any]]:
    """A table → operations that put its rows into the ledger at `base`, all or nothing.

    The heading is looked for in the first rows; it may say units, which bare numbers then take. A row with an id that
    is there replaces it; others are added; lines of totals are left out. Raises InputError naming row and column."""
    field = f"/{table.kind}"
    if not any(any(c.strip() for c in row) for row in table.rows):
        raise InputError(field, "the file is empty")
    top, head, units = _heading(table)
    there = _rows_at(project, base)
    taken = set(there)
    operations: list[dict[str, Any]] = []
    paths: set[str] = set()
    body = [(n, row) for n, row in enumerate(table.rows[top + 1 :], start=top + 1) if any(c.strip() for c in row)]
    if len(body) > MOST_ROWS:
        raise InputError(field, f"more than {MOST_ROWS} rows")
    for number, line in body:
        cells = {h: unquoted(c) for h, c in zip(head, line, strict=False) if h and c.strip()}
        if not cells.get("kind") and _TOTAL.match(cells.get("name", "total")):
            continue
        key = cells.get("id") or _free_key(cells.get("name", ""), taken)
        where = table.at(number, head.index("id") if "id" in head else head.index("name"))
        if f"{base}/{key}" in paths:
            raise InputError(field, f"{where}: the id '{key}' stands twice", given=key)
        taken.add(key)
        paths.add(f"{base}/{key}")
        value: dict[str, Any] = {
            "kind": cells.get("kind", "").lower(),
            "name": cells.get("name", ""),
            "group": cells.get("group", ""),
            "rank": float(number + 1),
            "note": cells.get("note", ""),
        }
        for column, of in _FIELDS.items():
            if cells.get(column):
                value[of] = figure_of(_with_unit(cells[column], units.get(column), project.number_style))
        try:
            LedgerRow.model_validate(value, context={"number_style": project.number_style})
        except ValueError as bad:
            column, reason = _first(bad)
            raise InputError(
                field, f"{table.at(number, head.index(column) if column in head else 0)}: column '{column}': {reason}"
            ) from None
        operations.append({"op": "replace" if key in there else "add", "path": f"{base}/{key}", "value": value})
    return operations


def _heading(table: Table) -> tuple[int, list[str], dict[str, str]]:
    """Row of the heading, its columns in our words, and the units that it says. A heading of two rows is read from the
    lower one, where that says nothing from the one above it."""
    best: tuple[int, list[str], list[str]] = (0, [], [])
    for n, row in enumerate(table.rows[:MOST_HEADING_ROWS]):
        above = table.rows[n - 1] if n else []
        names, raw = [], []
        for c, cell in enumerate(row):
            upper = above[c] if c < len(above) else ""
            named = (
                _column(cell)
                or _column(f"{upper} {cell}")
                or (_column(upper) if not cell.strip() or _unit(cell) else "")
            )
            names.append(named)
            raw.append(f"{cell} {upper}")
        if sum(map(bool, names)) > sum(map(bool, best[1])) and len({x for x in names if x}) > 1:
            best = (n, names, raw)
    top, head, raw = best
    field = f"/{table.kind}"
    first = next((r for r in table.rows if any(c.strip() for c in r)), [])
    if not head:
        raise InputError(
            field, "no column 'kind' in a heading", given=", ".join(first)[:120], allowed=", ".join(COLUMNS)
        )
    for wanted in ("kind", "name", "mass"):
        if wanted not in head:
            raise InputError(
                field,
                f"no column '{wanted}' in the heading",
                given=", ".join(table.rows[top])[:120],
                allowed=", ".join(COLUMNS),
            )
    for c, (name, cell) in enumerate(zip(head, table.rows[top], strict=True)):
        if not name and cell.strip() and not _IGNORED.match(cell.strip()):
            raise InputError(
                field,
                f"{table.at(top, c)}: column '{cell.strip().lower()}' is not known",
                given=cell.strip(),
                allowed=", ".join(COLUMNS),
            )
        if name and name in head[:c]:
            raise InputError(field, f"{table.at(top, c)}: column '{name}' stands twice", given=cell.strip())
    return top, head, {h: u for h, r in zip(head, raw, strict=True) if h and (u := _unit(r))}


def _column(text: str) -> str:
    """Our word for a heading, or nothing."""
    plain = re.sub(r"[(\[].*?[)\]]|,.*$", " ", text[:MOST_HEADING].casefold())
    plain = re.sub(r"[^a-z ]+", " ", plain).strip()
    plain = re.sub(r"\s+", " ", plain)
    plain = re.sub(rf"\b({'|'.join(_HEAD_UNITS)})$", "", plain).strip()
    return next((name for name, words in _SAID.items() if plain == name or plain in words), "")


def _unit(text: str) -> str:
    pattern = rf"(?i)(?:^|[\s(\[,])({'|'.join(_HEAD_UNITS)})\.?(?:[)\]\s]|$)"
    found = re.search(pattern, text[: 2 * MOST_HEADING])
    return found.group(1).lower() if found else ""


def _with_unit(text: str, unit: str | None, style: str) -> str:
    """A bare number with the unit of its heading, in the number style of the project."""
    if unit is None or not re.fullmatch(r"[+\-−–]?\d[\d.,'  ]*", text.strip()):
        return text
    plain = text.strip()
    if style == "comma" and re.fullmatch(r"[+\-−–]?\d+\.\d+", plain):
        plain = plain.replace(".", ",")
    return f"{plain} {unit}"


def _rows_at(project: Project, base: str) -> dict[str, LedgerRow]:
    if base == "/ledger":
        return project.ledger
    fit = project.fits.get(base.split("/")[2]) if base.startswith("/fits/") and base.endswith("/ledger") else None
    if fit is None:
        raise InputError("/csv", "no such ledger", given=base)
    return fit.ledger


def _free_key(name: str, taken: set[str]) -> str:
    stem = "".join(c if c.isalnum() and c.isascii() else "-" for c in name.lower()).strip("-")[:30].strip("-") or "row"
    key, n = stem, 2
    while key in taken:
        key, n = f"{stem}-{n}", n + 1
    return key


def _first(error: ValueError) -> tuple[str, str]:
    errors = getattr(error, "errors", None)
    if errors is None:
        return "row", str(error)
    first = errors(include_url=False)[0]
    column = str(first["loc"][0]).replace("_", " ") if first["loc"] else "row"
    reason = (first.get("ctx") or {}).get("reason", first["msg"])
    return column, reason
