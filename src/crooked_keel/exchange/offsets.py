"""Sections of a hull as text, both ways: a line for each section, or a table with a line for each point (station, out,
height).

A line for a section is its station, then `out, height` for each point from keel to deck edge, by semicolons or tabs. A
table may say its units in the heading, use other words (x, half-breadth, waterline), and leave the station blank while
it stays the same.
"""

from __future__ import annotations

import csv
import io
import re
from typing import Any

from ..core.document import HullSection
from ..core.errors import InputError
from ..core.figure.grammar import NumberStyle, parse_figure
from .columns import Column, entered, heading, lines_of, mark_of, split

_UNITS = {"mm-kg": "mm", "in-lb": "in"}
_MOST_POINTS = 20_000
# What a heading may say; common practice, no source.
_SAID = {
    "station": r"section|x|frame|position",
    "out": r"half.?breadth|y|offset|half.?beam|breadth from centre",
    "height": r"z|water ?line|up|height above.*",
}
_PAIR = re.compile(r"\s*,\s+|\s*,(?=\s*[-−–])|\s{2,}|\s*/\s+")


def read_offsets(text: str, units: str, style: NumberStyle = "point") -> list[dict[str, Any]]:
    """Sections, as the document takes them. units: of bare numbers, unless the heading names others.

    Raises InputError with the line: nothing to read, a station without points, a cell that is no length, stations out
    of order."""
    lines = lines_of(text)
    columns = {name: Column(name, "length", _UNITS[units], said) for name, said in _SAID.items()}
    if not lines:
        raise InputError("/text", "no section was found", allowed="station; out, height; out, height; …")
    head = _heading(lines[0][1], columns)
    points = _table(lines, head, columns, style) if head or _is_table(lines) else _lines(lines, columns, style)
    if len(points) > _MOST_POINTS:
        raise InputError("/text", f"more than {_MOST_POINTS} points")
    sections: list[dict[str, Any]] = []
    at: list[tuple[float, int]] = []
    for line, station, out, height in points:
        here = parse_figure(station, "length", style).si
        if not at or abs(here - at[-1][0]) > 1e-9:
            if at and here < at[-1][0]:
                raise InputError(
                    "/text",
                    f"line {line}: station {station} lies ahead of the one before it, of line {at[-1][1]}",
                    given=station,
                    allowed="sections in order, bow first, each point of one together",
                )
            at.append((here, line))
            sections.append({"station": _figure(station), "half": []})
        sections[-1]["half"].append({"out": _figure(out), "height": _figure(height)})
    return sections


def _figure(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def _heading(line: str, columns: dict[str, Column]) -> dict[str, tuple[int, str]]:
    """Columns and their units; empty where the line is none."""
    if re.search(r"\d", line):
        return {}
    found = heading(line, list(columns.values())).at
    missing = [n for n in columns if n not in found]
    if missing:
        raise InputError(
            "/text",
            f"no column '{missing[0]}' in the heading",
            given=line.strip()[:120],
            allowed="station, out, height",
        )
    return found


def _is_table(lines: list[tuple[int, str]]) -> bool:
    """Whether every line is three cells alone: then each is a point."""
    return len(lines) > 2 and all(
        len(split(text, mark_of(text), "point")) == 3 and ";" not in text for _, text in lines
    )


def _table(
    lines: list[tuple[int, str]], head: dict[str, tuple[int, str]], columns: dict[str, Column], style: NumberStyle
) -> list[tuple[int, str, str, str]]:
    mark = mark_of(lines[0][1])
    places = head or {name: (i, "") for i, name in enumerate(columns)}
    made, station = [], ""
    for n, text in lines[1:] if head else lines:
        cells = split(text, mark, style)
        found = {}
        for name, (c, unit) in places.items():
            cell = cells[c] if c < len(cells) else ""
            if name == "station" and not cell:
                if not station:
                    raise InputError("/text", f"line {n}: the first point has no station", given=text.strip()[:80])
                found[name] = station
                continue
            if not cell:
                raise InputError(
                    "/text", f"line {n}: no {name}", given=text.strip()[:80], allowed="station, out, height"
                )
            found[name] = entered(cell, columns[name], unit, style, n)
        station = found["station"]
        made.append((n, found["station"], found["out"], found["height"]))
    return made


def _lines(
    lines: list[tuple[int, str]], columns: dict[str, Column], style: NumberStyle
) -> list[tuple[int, str, str, str]]:
    made = []
    for n, text in lines:
        station, *points = re.split(r"\s*[;\t]\s*", text.strip().rstrip(";"))
        if not points:
            raise InputError(
                "/text",
                f"line {n}: a station without points",
                given=text.strip()[:80],
                allowed="station; out, height; out, height; …",
            )
        first = entered(station, columns["station"], "", style, n)
        for point in points:
            cells = _PAIR.split(point.strip())
            if len(cells) != 2:
                raise InputError(
                    "/text", f"line {n}: a point is its out and its height", given=point, allowed="out, height"
                )
            out, height = (entered(c, columns[w], "", style, n) for c, w in zip(cells, ("out", "height"), strict=True))
            made.append((n, first, out, height))
    return made


def offsets_to_csv(sections: list[HullSection]) -> str:
    """A line for each point, heights upwards; text as typed."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(["station", "out", "height"])
    for section in sections:
        for point in section.half:
            sign = "-" if point.height.dir == "down" and not point.height.entered.startswith("-") else ""
            writer.writerow([section.station.entered, point.out.entered, f"{sign}{point.height.entered}"])
    return out.getvalue()
