"""An old weight sheet, typed or pasted as it stands → the report of the craft as found.

Each line is a name, a weight, an arm and perhaps a moment, by tabs, semicolons, bars or wide gaps. Units stand with the
figures, in the heading, or are those of the project. A moment that disagrees with weight times arm is refused, with its
line.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any

from ..core.errors import InputError
from ..core.figure.grammar import NumberStyle, parse_figure, read_number
from .columns import lines_of

_SPLIT = re.compile(r"\t+|\s*[;|]\s*|\s{2,}")
_TOTAL = re.compile(r"(?i)^\s*(total|sum|empty weight|empty mass|as weighed)\b")
_UNIT = {"mm-kg": ("kg", "mm"), "in-lb": ("lb", "in")}
_MOST_LINES = 400


@dataclass(frozen=True)
class WeightSheet:
    """Total mass in kg and CG in m aft of the datum, with how many rows made it and what was left out."""

    mass_kg: float
    station_m: float
    rows: int
    totals_left_out: int


def _words(line: str) -> list[str]:
    cells = [c.strip() for c in _SPLIT.split(line.strip()) if c.strip()]
    if len(cells) > 1:
        return cells
    # One space between everything: the name is what stands before the first number.
    found = re.match(r"^(.*?[^\d\s.,+\-−–])\s+(?=[+\-−–]?\d)(.*)$", line.strip())
    if not found:
        return cells
    rest = re.findall(r"[+\-−–]?[\d.,]+(?:\s*[^\d\s.,+\-−–]+)?", found.group(2))
    return [found.group(1), *[r.strip() for r in rest]]


def _plain(cell: str) -> str:
    """Brackets around a figure are how book-keepers write a minus."""
    return f"-{cell[1:-1].strip()}" if cell.startswith("(") and cell.endswith(")") else cell


def _number(cell: str, dimension: str, unit: str, style: NumberStyle, where: str) -> float:
    written = _plain(cell)
    text = written if re.search(r"[^\d\s.,+\-−–/]", written) else f"{written} {unit}"
    try:
        return parse_figure(text, dimension, style).si
    except InputError as bad:
        raise InputError("/text", f"{where}: {bad.message}", given=cell, allowed=bad.allowed) from None


def read_weight_sheet(text: str, units: str, style: NumberStyle = "point") -> WeightSheet:
    """Read the sheet. units: of bare numbers, unless the heading names others.

    Raises InputError with the line: nothing to read, a row without weight and arm, a moment that does not agree."""
    mass_unit, arm_unit = _UNIT[units]
    lines = [line for _, line in lines_of(text)]
    if len(lines) > _MOST_LINES:
        raise InputError("/text", f"more than {_MOST_LINES} lines", given=f"{len(lines)} lines")
    mass = moment = 0.0
    rows = totals = 0
    for i, line in enumerate(lines, 1):
        cells = _words(line)
        if not re.search(r"\d", line):
            heading = line.lower()
            if re.search(r"\b(lb|lbs|pounds?)\b", heading):
                mass_unit = "lb"
            elif re.search(r"\bkg\b", heading):
                mass_unit = "kg"
            for unit in ("mm", "cm", "in", "inch", "inches", "m"):
                if re.search(rf"\b{unit}\b", heading):
                    arm_unit = "in" if unit.startswith("in") else unit
                    break
            continue
        if _TOTAL.match(line):
            totals += 1
            continue
        where = f"line {i}, '{cells[0]}'"
        if len(cells) < 3:
            raise InputError(
                "/text",
                f"{where}: a name, a weight and an arm are wanted",
                given=line.strip()[:80],
                allowed="name, weight, arm and perhaps moment, two spaces or a tab apart",
            )
        kg = _number(cells[1], "mass", mass_unit, style, where)
        m = _number(cells[2], "length", arm_unit, style, where)
        if len(cells) > 3 and not re.search(r"[^\d\s.,+\-−–()]", cells[3]):
            _agrees(cells, kg, m, mass_unit, arm_unit, style, where)
        mass += kg
        moment += kg * m
        rows += 1
    if rows == 0:
        raise InputError(
            "/text", "no row with a weight and an arm was found", allowed="name, weight, arm and perhaps moment"
        )
    if mass <= 0:
        raise InputError("/text", "the weights add up to nothing")
    return WeightSheet(mass, moment / mass, rows, totals)


def _half_digit(cell: str, style: NumberStyle) -> float:
    """Half of the last place that a cell was written to."""
    over = re.search(r"/\s*(\d+)", cell)
    if over:
        return 0.5 / max(int(over.group(1)), 1)
    decimals = re.search(r"[.](\d+)" if style == "point" else r"[,](\d+)", cell)
    return float(0.5 * 10.0 ** -(len(decimals.group(1)) if decimals else 0))


def _agrees(
    cells: list[str], kg: float, m: float, mass_unit: str, arm_unit: str, style: NumberStyle, where: str
) -> None:
    stated = read_number(_plain(cells[3]), style)
    weight, arm = kg / parse_figure(f"1 {mass_unit}", "mass").si, m / parse_figure(f"1 {arm_unit}", "length").si
    # Weight and arm were rounded as they are written; sheets print moments whole, or over 100 or 1000.
    rounding = _half_digit(cells[1], style) * abs(arm) + _half_digit(cells[2], style) * abs(weight)
    if not any(
        abs(stated * k - weight * arm) <= rounding + k * _half_digit(cells[3], style) for k in (1.0, 100.0, 1000.0)
    ):
        raise InputError(
            "/text", f"{where}: the moment is not weight times arm", given=cells[3], allowed=f"{weight * arm:.6g}"
        )


def to_operations(sheet: WeightSheet, has_mass: bool, has_station: bool) -> list[dict[str, Any]]:
    """The edit that takes the sheet as the report of the craft as found."""
    values = {
        "report_mass": (
            has_mass,
            {"entered": f"{sheet.mass_kg:.3f} kg", "source": "estimated", "note": "sum of an old weight sheet"},
        ),
        "report_station": (
            has_station,
            {
                "entered": f"{abs(sheet.station_m) * 1000:.1f} mm",
                "source": "estimated",
                "note": "sum of an old weight sheet",
                "from": "datum",
                "dir": "aft" if sheet.station_m >= 0 else "forward",
            },
        ),
    }
    made: list[dict[str, Any]] = [{"op": "replace", "path": "/craft/as_found/method", "value": "report"}]
    for part, (there, value) in values.items():
        made.append({"op": "replace" if there else "add", "path": f"/craft/as_found/{part}", "value": value})
    return made
