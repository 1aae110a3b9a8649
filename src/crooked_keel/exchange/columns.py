"""Tables of figures as people paste them: which column is which by its heading, its unit, and each cell as it will be
entered."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Sequence
from typing import NamedTuple

from ..core.errors import InputError
from ..core.figure.grammar import NumberStyle, parse_figure
from ..core.figure.units import BY_WORD
from .cells import MOST_LINE

_BARE = re.compile(r"[-+−–]?[\d.,\s/]+")
_BRACKET = re.compile(r"[(\[]\s*(.*?)\s*[)\]]")


class Column(NamedTuple):
    """A column: our word for it, its dimension, the unit of bare numbers, what else a heading may say (a pattern), and
    whether each row wants it."""

    name: str
    dimension: str
    unit: str
    said: str
    wanted: bool = True


class Head(NamedTuple):
    """Where each column stands, the unit of its heading, and the headings that nobody knows."""

    at: dict[str, tuple[int, str]]
    unknown: list[str]


def mark_of(line: str) -> str:
    """What separates the cells of a line: a comma only where there is neither tab nor semicolon."""
    return next((m for m in "\t;" if m in line), ",")


def split(line: str, mark: str, style: NumberStyle) -> list[str]:
    """Cells of a line. With tabs or semicolons a comma between digits is a decimal mark."""
    cells = [c.strip() for c in next(csv.reader(io.StringIO(line), delimiter=mark))]
    if mark != "," and style == "point":
        return [re.sub(r"(?<=\d),(?=\d)", ".", c) for c in cells]
    return cells


def lines_of(text: str) -> list[tuple[int, str]]:
    """Lines with something on them, numbered from one. Raises InputError for one that is too long for a line of a
    table."""
    found = [(n, line) for n, line in enumerate(text.lstrip("\ufeff").splitlines(), 1) if line.strip()]
    long = next((n for n, line in found if len(line) > MOST_LINE), None)
    if long is not None:
        raise InputError("/text", f"line {long} is longer than {MOST_LINE} characters", allowed="a row to a line")
    return found


def heading(line: str, columns: Sequence[Column]) -> Head:
    """Columns of a heading; none where the line names none of them."""
    found: dict[str, tuple[int, str]] = {}
    unknown: list[str] = []
    for c, cell in enumerate(split(line, mark_of(line), "point")):
        named = next((k for k in columns if k.name not in found and _says(cell, k)), None)
        if named is not None:
            found[named.name] = (c, _unit(cell, named.dimension))
        elif cell:
            unknown.append(cell)
    return Head(found, unknown)


def _says(cell: str, column: Column) -> bool:
    plain = re.sub(r"[_\s]+", " ", re.sub(r"[(\[].*?[)\]]|,.*$", "", cell.casefold())).strip()
    pattern = rf"(?:{column.said}|{column.name.replace('_', ' ')})"
    if re.fullmatch(pattern, plain):
        return True
    head, _, tail = plain.rpartition(" ")
    return bool(re.fullmatch(pattern, head)) and _unit(tail, column.dimension) != ""


def _unit(cell: str, dimension: str) -> str:
    """The unit that a heading says: in brackets, as its last word, or all it says."""
    bracket = _BRACKET.search(cell)
    for word in (bracket.group(1) if bracket else "", re.split(r"[\s,_]", cell.strip())[-1], cell.strip()):
        for unit in (u for w in (word, word.casefold()) for u in BY_WORD.get(w, ())):
            if unit.dimension == dimension:
                return unit.name
    return ""


def entered(cell: str, column: Column, unit: str, style: NumberStyle, line: int) -> str:
    """A cell as it will be entered, with its unit. Raises InputError with line and column for what is no such
    figure."""
    text = f"{cell.strip()} {unit or column.unit}" if _BARE.fullmatch(cell.strip()) else cell.strip()
    try:
        parse_figure(text, column.dimension, style)
    except InputError as bad:
        raise InputError(
            "/text", f"line {line}, {column.name}: {bad.message}", given=cell, allowed=bad.allowed
        ) from None
    return text


class Row(NamedTuple):
    """A line: its number, and its cells as they will be entered."""

    line: int
    cells: dict[str, str]


def read_columns(text: str, columns: Sequence[Column], style: NumberStyle, example: str) -> tuple[list[Row], list[str]]:
    """Rows of a table, and the headings that were left out. A heading is looked for, what stands above it passed over;
    without one the columns stand in order.

    Raises InputError with line and column: nothing to read, a wanted column that is missing, a cell that is no such
    figure."""
    lines = lines_of(text)
    known = [(i, heading(line, columns)) for i, (_, line) in enumerate(lines[:40])]
    top, head = max(known, key=lambda k: len(k[1].at), default=(0, Head({}, [])))
    if len(head.at) < 2 and not (head.at and not re.search(r"\d", lines[top][1])):
        top, head = -1, Head({c.name: (i, "") for i, c in enumerate(columns)}, [])
    missing = next((c for c in columns if c.wanted and c.name not in head.at), None)
    if missing is not None:
        raise InputError(
            "/text",
            f"line {lines[top][0]}: no column '{missing.name}' in the heading",
            given=lines[top][1].strip()[:120],
            allowed=example,
        )
    made = []
    for n, line in lines[top + 1 :]:
        cells, row = split(line, mark_of(line), style), {}
        for column in columns:
            at, unit = head.at.get(column.name, (len(cells), ""))
            cell = cells[at] if at < len(cells) else ""
            if cell:
                row[column.name] = entered(cell, column, unit, style, n)
            elif column.wanted:
                raise InputError("/text", f"line {n}: no {column.name}", given=line.strip()[:80], allowed=example)
        made.append(Row(n, row))
    if not made:
        raise InputError("/text", "no line with figures was found", allowed=example)
    return made, head.unknown
