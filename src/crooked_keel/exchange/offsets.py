"""Sections of a hull as text, both ways: a line for each section, or a table with a line for each point (station, out, height).

A line for a section is its station, then `out, height` for each point from keel to deck edge, by semicolons or tabs. A table may say
its units in the heading, use other words (x, half-breadth, waterline), and leave the station blank while it stays the same.
"""

from __future__ import annotations

import csv
import io
import re
from typing import Any

from ..core.document import HullSection
from ..core.errors import InputError
from ..core.figure import NumberStyle, parse_figure

_UNITS = {"mm-kg": "mm", "in-lb": "in"}
_MOST_POINTS = 20_000
# What a heading may say; common practice, no source.
_SAID = {
    "station": r"station|section|x|frame|position", "out": r"out|half.?breadth|y|offset|half.?beam|breadth from centre", "height": r"height|z|water ?line|up|height above.*",
}  # fmt: skip
_UNIT = re.compile(r"(?i)[\s(\[,](mm|cm|m|in|inch|inches|ft)\b")
_PAIR = re.compile(r"\s*,\s+|\s*,(?=\s*[-−–])|\s{2,}|\s*/\s+")
_BARE = re.compile(r"[-+−–]?[\d.,\s/]+")


def read_offsets(text: str, units: str, style: NumberStyle = "point") -> list[dict[str, Any]]:
    """Sections, as the document takes them. units: of bare numbers, unless the heading names others.

    Raises InputError with the line: nothing to read, a station without points, a cell that is no length, stations out of order."""
    lines = [(n, line) for n, line in enumerate(text.lstrip("\ufeff").splitlines(), 1) if line.strip()]
    if not lines:
        raise InputError("/text", "no section was found", allowed="station; out, height; out, height; …")
    heading = _heading(lines[0][1])
    points = _table(lines, heading, units, style) if heading or _is_table(lines) else _lines(lines, units, style)
    if len(points) > _MOST_POINTS:
        raise InputError("/text", f"more than {_MOST_POINTS} points")
    sections: list[dict[str, Any]] = []
    at: list[tuple[float, int]] = []
    for line, station, out, height in points:
        here = parse_figure(station, "length", style).si
        if not at or abs(here - at[-1][0]) > 1e-9:
            if at and here < at[-1][0]:
                raise InputError("/text", f"line {line}: station {station} lies ahead of the one before it, of line {at[-1][1]}", given=station, allowed="sections in order, bow first, each point of one together")  # fmt: skip
            at.append((here, line))
            sections.append({"station": _figure(station), "half": []})
        sections[-1]["half"].append({"out": _figure(out), "height": _figure(height)})
    return sections


def _figure(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def _length(cell: str, unit: str, style: NumberStyle, line: int, what: str) -> str:
    """A cell as it will be entered: with its unit."""
    cell = cell.strip()
    text = f"{cell} {unit}" if _BARE.fullmatch(cell) else cell
    try:
        parse_figure(text, "length", style)
    except InputError as bad:
        raise InputError("/text", f"line {line}, {what}: {bad.message}", given=cell, allowed=bad.allowed) from None
    return text


def _mark(line: str) -> str:
    return max("\t;,", key=lambda m: (line.count(m), m != ","))


def _split(line: str, mark: str) -> list[str]:
    return [c.strip() for c in next(csv.reader(io.StringIO(line), delimiter=mark))]


def _heading(line: str) -> dict[str, tuple[int, str]]:
    """Columns and their units by our words; empty where the line is none."""
    if re.search(r"\d", line):
        return {}
    found: dict[str, tuple[int, str]] = {}
    for c, cell in enumerate(_split(line, _mark(line))):
        plain = re.sub(r"[(\[].*?[)\]]|,.*$", "", cell.casefold()).strip()
        plain = re.sub(r"\b(mm|cm|m|in|inch|inches|ft)$", "", plain).strip()
        unit = _UNIT.search(f" {cell}")
        for name, words in _SAID.items():
            if name not in found and re.fullmatch(words, plain):
                found[name] = (c, unit.group(1).lower() if unit and cell.casefold() != unit.group(1) else "")
                break
    missing = [n for n in _SAID if n not in found]
    if missing:
        raise InputError("/text", f"no column '{missing[0]}' in the heading", given=line.strip()[:120], allowed="station, out, height")  # fmt: skip
    return found


def _is_table(lines: list[tuple[int, str]]) -> bool:
    """Whether every line is three cells alone: then each is a point."""
    return len(lines) > 2 and all(len(_split(text, _mark(text))) == 3 and ";" not in text for _, text in lines)


def _table(
    lines: list[tuple[int, str]], heading: dict[str, tuple[int, str]], units: str, style: NumberStyle
) -> list[tuple[int, str, str, str]]:
    mark = _mark(lines[0][1])
    columns = heading or {"station": (0, ""), "out": (1, ""), "height": (2, "")}
    made, station = [], ""
    for n, text in lines[1:] if heading else lines:
        cells = _split(text, mark)
        if mark != ",":
            # With tabs or semicolons a comma between digits is a decimal mark.
            cells = [re.sub(r"(?<=\d),(?=\d)", "." if style == "point" else ",", c) for c in cells]
        found = {}
        for name, (c, unit) in columns.items():
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
            found[name] = _length(cell, unit or _UNITS[units], style, n, name)
        station = found["station"]
        made.append((n, found["station"], found["out"], found["height"]))
    return made


def _lines(lines: list[tuple[int, str]], units: str, style: NumberStyle) -> list[tuple[int, str, str, str]]:
    made = []
    for n, text in lines:
        station, *points = re.split(r"\s*[;\t]\s*", text.strip().rstrip(";"))
        if not points:
            raise InputError("/text", f"line {n}: a station without points", given=text.strip()[:80], allowed="station; out, height; out, height; …")  # fmt: skip
        first = _length(station, _UNITS[units], style, n, "station")
        for point in points:
            cells = _PAIR.split(point.strip())
            if len(cells) != 2:
                raise InputError(
                    "/text", f"line {n}: a point is its out and its height", given=point, allowed="out, height"
                )
            out, height = (
                _length(c, _UNITS[units], style, n, w) for c, w in zip(cells, ("out", "height"), strict=True)
            )
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
