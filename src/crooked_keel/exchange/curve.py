"""The curve of a unit as text: from a maker's sheet, or the file of a dynamometer. Speed with torque, power, or
both."""

from __future__ import annotations

from typing import Any

from ..core.document import CurvePoint
from ..core.errors import InputError
from ..core.figure.grammar import NumberStyle, Source, parse_figure
from .columns import Column, Row, read_columns

MOST_POINTS = 400
EXAMPLE = "speed; torque; power"
_UNITS = {"mm-kg": ("N·m", "kW"), "in-lb": ("ft·lb", "hp")}


def read_curve(text: str, units: str, style: NumberStyle, source: Source) -> tuple[list[dict[str, Any]], list[str]]:
    """Points of a curve, as the document takes them, and the columns left out. units: of bare numbers, unless the
    heading names others.

    Raises InputError with the line: no speed, neither torque nor power, speeds that do not rise, a torque that is not
    above zero, too many."""
    torque, power = _UNITS[units]
    columns = (
        Column("speed", "rotation", "rpm", r"rpm|n|revs|(engine|motor|crank) ?(speed|rpm)|rotation|r/min"),
        Column(
            "torque", "torque", torque, r"(corrected |engine |motor )?torque|t|q|m|nm|n·m|n-m|lb-ft|ft-lb|ft·lb", False
        ),
        Column("power", "power", power, r"(corrected |engine |motor )?power|p|kw|b?hp|ps|w", False),
    )
    rows, unknown = read_columns(text, columns, style, EXAMPLE)
    if len(rows) > MOST_POINTS:
        raise InputError(
            "/text", f"more than {MOST_POINTS} points: save every second or tenth line", given=f"{len(rows)} lines"
        )
    before: Row | None = None
    for row in rows:
        _check(row, before, row is rows[-1], style)
        before = row
    figure = lambda entered: {"entered": entered, "source": source}
    return [{k: figure(v) for k, v in row.cells.items()} for row in rows], unknown


def _si(row: Row, name: str, style: NumberStyle) -> float:
    """A cell of a row in SI; every column has the name of its dimension, but speed."""
    return parse_figure(row.cells[name], "rotation" if name == "speed" else name, style).si


def _check(row: Row, before: Row | None, last: bool, style: NumberStyle) -> None:
    speed = _si(row, "speed", style)
    if "torque" not in row.cells and "power" not in row.cells:
        raise InputError(
            "/text", f"line {row.line}: neither torque nor power", given=row.cells["speed"], allowed=EXAMPLE
        )
    if before is not None and speed <= _si(before, "speed", style):
        raise InputError(
            "/text",
            f"line {row.line}: the speed is not above that of line {before.line}",
            given=row.cells["speed"],
            allowed="speeds that rise from line to line",
        )
    if speed <= 0:
        raise InputError("/text", f"line {row.line}: a curve begins above standstill", given=row.cells["speed"])
    for name in ("torque", "power"):
        value = _si(row, name, style) if name in row.cells else 1.0
        if value < 0 or (value == 0 and not last):
            raise InputError("/text", f"line {row.line}: the {name} is not above zero", given=row.cells[name])


def curve_to_text(curve: list[CurvePoint]) -> str:
    """A line for each point, as typed: speed; torque; power."""
    cell = lambda f: f.entered if f is not None else ""
    return "\n".join("; ".join((p.speed.entered, cell(p.torque), cell(p.power))).rstrip("; ") for p in curve)
