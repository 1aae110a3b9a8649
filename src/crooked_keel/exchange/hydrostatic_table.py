"""The designer's hydrostatic table as text: a line for each draft."""

from __future__ import annotations

from typing import Any

from ..core.figure.grammar import NumberStyle
from .columns import Column, read_columns

EXAMPLE = "draft; displacement; LCB; LCF; KM; longitudinal KM"
_UNITS = {"mm-kg": ("mm", "kg"), "in-lb": ("in", "lb")}


def read_hydrostatics(text: str, units: str, style: NumberStyle) -> list[dict[str, Any]]:
    """Rows of the table, as the document takes them. units: of bare numbers, unless the heading names others.

    Raises InputError with line and column: a cell that is missing or no such figure, a column that is not there."""
    length, mass = _UNITS[units]
    columns = (
        Column("draft", "length", length, r"draft|draught|t"),
        Column("displacement", "mass", mass, r"displacement|disp|mass|weight"),
        Column("lcb", "length", length, r"lcb|centre of buoyancy"),
        Column("lcf", "length", length, r"lcf|centre of flotation"),
        Column("km", "length", length, r"km|kmt|transverse km"),
        Column("km_long", "length", length, r"kml|longitudinal km|km long"),
    )
    rows, _ = read_columns(text, columns, style, EXAMPLE)
    return [{k: {"entered": v, "source": "maker"} for k, v in row.cells.items()} for row in rows]
