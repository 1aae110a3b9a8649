"""A table of readings as text: its separator, its decimal mark, its heads with their units, its times."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Callable
from datetime import UTC, datetime
from typing import NamedTuple

from ...core.errors import InputError
from ...core.figure.grammar import NumberStyle, parse_figure

_HEAD = re.compile(r"^\s*(.*?)\s*[\(\[]\s*([^\)\]]*?)\s*[\)\]]\s*$")
# Dimensions that a unit may be of, in the order in which they are tried.
DIMENSIONS = (
    "rotation",
    "temperature",
    "pressure",
    "speed",
    "voltage",
    "current",
    "flow",
    "fuel_flow",
    "time",
    "power",
    "length",
    "energy",
)


class Scale(NamedTuple):
    """How a column is brought to SI: factor and what is added."""

    dimension: str
    factor: float
    add: float


def unit_scale(unit: str) -> Scale | None:
    """What a unit is of; None where it is none that is known."""
    for dimension in DIMENSIONS:
        try:
            nought, one = parse_figure(f"0 {unit}", dimension).si, parse_figure(f"1 {unit}", dimension).si
        except InputError:
            continue
        return Scale(dimension, one - nought, nought)
    return None


def split_head(head: str) -> tuple[str, str]:
    """A head's name and its unit in brackets; no unit where there are none."""
    found = _HEAD.match(head)
    return (found[1], found[2]) if found else (head.strip(), "")


class Table(NamedTuple):
    """A table read: its separator and decimal mark, whether that was certain, its heads and its rows as text."""

    separator: str
    decimal: NumberStyle
    certain: bool
    heads: list[str]
    rows: list[list[str]]


def read_table(text: str, decimal: NumberStyle | None = None) -> Table:
    """A table. Raises InputError: empty, heads alone, no separator, a head that stands twice."""
    lines = [line for line in text.lstrip("\ufeff").splitlines() if line.strip()]
    if len(lines) < 2:
        raise InputError("/text", "there are no rows below the heads", allowed="a line of heads, then rows")
    separator = next(
        (
            s
            for s in (";", "\t", ",")
            if lines[0].count(s) and all(n.count(s) >= lines[0].count(s) for n in lines[1:20])
        ),
        None,
    )
    if separator is None:
        raise InputError("/text", "no separator stands in every row", allowed="commas, semicolons or tabs")
    body = "\n".join(lines[1:400])
    commas = len(re.findall(r"\d,\d", body)) if separator != "," else 0
    points = len(re.findall(r"\d\.\d", body))
    # Only groups of three behind every comma could be thousands as well.
    groups = commas and len(re.findall(r"\d,\d{3}(?!\d)", body)) == commas
    found: NumberStyle = "comma" if commas and not points else "point"
    certain = decimal is not None or not (commas and (points or groups))
    table = list(csv.reader(io.StringIO("\n".join(lines)), delimiter=separator))
    heads = [h.strip() for h in table[0]]
    if len(set(heads)) < len(heads):
        twice = next(h for h in heads if heads.count(h) > 1)
        raise InputError("/text", f"the head '{twice}' stands twice", given=twice)
    return Table(separator, decimal or found, certain, heads, table[1:])


def numbers(column: list[str], style: NumberStyle) -> tuple[list[float | None], list[int]]:
    """A column as numbers, None where a cell is blank; and the rows that do not read."""
    made: list[float | None] = []
    bad: list[int] = []
    for i, cell in enumerate(column):
        said = cell.strip()
        if not said:
            made.append(None)
            continue
        if style == "comma":
            said = said.replace(".", "").replace(",", ".") if "," in said else said
        try:
            value = float(said)
        except ValueError:
            value = float("nan")
        if value != value or value in (float("inf"), float("-inf")):
            made.append(None)
            bad.append(i)
        else:
            made.append(value)
    return made, bad


_CLOCK = re.compile(r"^(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$")


def times(column: list[str], style: NumberStyle, factor: float) -> tuple[list[float | None], list[int]]:
    """Times of the rows in seconds, None where one does not read; and those rows. Numbers, clock times, or ISO 8601."""
    first = next((c.strip() for c in column if c.strip()), "")
    if _CLOCK.match(first):
        return _each(column, _clock)
    try:
        datetime.fromisoformat(first)
    except ValueError:
        made, bad = numbers(column, style)
        return [v * factor if v is not None else None for v in made], bad
    return _each(column, _stamp)


def _each(column: list[str], read: Callable[[str], float]) -> tuple[list[float | None], list[int]]:
    made: list[float | None] = []
    bad: list[int] = []
    for i, cell in enumerate(column):
        try:
            made.append(read(cell.strip()))
        except ValueError:
            made.append(None)
            bad.append(i)
    return made, bad


def _clock(said: str) -> float:
    found = _CLOCK.match(said)
    if found is None:
        raise ValueError
    return int(found[1]) * 3600.0 + int(found[2]) * 60.0 + float((found[3] or "0").replace(",", "."))


def _stamp(said: str) -> float:
    at = datetime.fromisoformat(said)
    return (at if at.tzinfo else at.replace(tzinfo=UTC)).timestamp()
