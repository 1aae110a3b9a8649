"""A figure in a cell of a spreadsheet, both ways: as typed, with its ±, its place, its source and its note."""

from __future__ import annotations

import re
from typing import Any

from ..core.figure.base import Figure
from ..core.figure.grammar import SOURCES, NumberStyle, in_style
from ..core.figure.place import DIRECTIONS, Place

# A spreadsheet runs what begins so; what was quoted once may be quoted again.
_RUNS = re.compile(r"'*[=+\-@\t\r\n＝＋－＠]")
_UNPRINTABLE = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f\ufffe\uffff]")
_NOTE = " // "
# No heading is longer, and no line: patterns are asked of no more than that.
MOST_HEADING, MOST_LINE = 200, 4_000


def cell_of(figure: Figure | None, noted: bool = False, style: NumberStyle = "point") -> str:
    """`71.5 kg ±0.4 kg measured`, `190 mm forward of unit flange maker`; noted: its note after two strokes."""
    if figure is None:
        return ""
    text = in_style(figure.entered, figure.dimension, style)
    if figure.plus_minus is not None:
        text += f" ±{in_style(figure.plus_minus.entered, figure.dimension, style)}"
    if isinstance(figure, Place):
        text += f" {figure.dir} of {figure.origin}"
    return f"{text} {figure.source}" + (f"{_NOTE}{figure.note}" if noted and figure.note else "")


def figure_of(cell: str) -> dict[str, Any]:
    """What a cell says, as the document takes it; the figure itself is read by the document."""
    text, _, note = cell.partition(_NOTE)
    words = text.split()
    made: dict[str, Any] = {"note": note.strip()} if note.strip() else {}
    if words and words[-1].lower() in SOURCES:
        made["source"] = words.pop().lower()
    if "of" in words and words[words.index("of") - 1] in DIRECTIONS:
        at = words.index("of")
        made["from"], made["dir"] = " ".join(words[at + 1 :]), words[at - 1]
        words = words[: at - 1]
    return {"entered": " ".join(words), **made}


def safe(text: str) -> str:
    """A cell that a spreadsheet would run is quoted with an apostrophe."""
    return f"'{text}" if _RUNS.match(text) else text


def printable(text: str) -> str:
    """Without the characters that a workbook cannot hold."""
    return _UNPRINTABLE.sub("", text)


def unquoted(cell: str) -> str:
    """A cell without the apostrophe that kept it from being run."""
    cell = cell.strip()
    return cell[1:] if cell.startswith("'") and _RUNS.match(cell) else cell
