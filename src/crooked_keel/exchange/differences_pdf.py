"""What changed between two states, side by side, to print."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from reportlab.lib.units import mm

from ..core.changes import Change
from ..core.differences import Difference
from .pdf import LEVEL_WORD, MUTED, WIDTH, _build, _fonts, _heading, _p, _Page, _table
from .present import number, sentence


def differences_sheet(
    name: str,
    sides: tuple[str, str],
    figures: Sequence[Difference],
    changes: Sequence[Change],
    units: str,
    day: str,
) -> bytes:
    """Two columns: what was typed, then what follows from it."""
    _fonts()
    widths = [74 * mm, (WIDTH - 74 * mm) / 2, (WIDTH - 74 * mm) / 2]
    head = [_p(t, colour=MUTED) for t in ("what", *sides)]
    story: list[Any] = [*_heading(f"Figures: {len(figures)} differ")]
    if figures:
        rows = [[_p(f.label), _p(f.before or "—"), _p(f.after or "—")] for f in figures]
        story.append(_table([head, *rows], widths))
    story += _heading(f"What follows: {len(changes)} differ")
    if changes:

        def said(c: Change, level: str | None, si: float | None) -> str:
            if c.kind == "finding":
                return LEVEL_WORD[level] if level else "—"
            return "—" if si is None else number(si, c.dimension or "number", units)

        rows = [
            [
                _p(sentence(c.label, units)),
                _p(said(c, c.before_level, c.before_si)),
                _p(said(c, c.after_level, c.after_si)),
            ]
            for c in changes
        ]
        story.append(_table([head, *rows], widths))
    return _build(_Page(f"{sides[0]} beside {sides[1]}", name, day), story)
