"""The sheet of what to measure, to take to the craft."""

from __future__ import annotations

import re
from collections.abc import Iterable
from typing import Any

from reportlab.lib.units import mm
from reportlab.platypus import (
    Table,
    TableStyle,
)

from ..core.asked.studies import answer
from ..core.assess import Assessment
from ..core.balance import measure_next
from ..core.document import Figure, Project, value_at
from ..core.document.fields import figure_pointers
from ..core.errors import InputError
from ..core.reference.kinds import KINDS
from ..core.sheets import sheet
from .pdf import GREY, MUTED, WIDTH, _build, _fonts, _heading, _p, _Page, _table
from .present import number
from .sheets_pdf import _fields

# Lines of each table: ten pages of them are as much as one measures in a day.
MOST_LINES = 300
GUESSED = ("hearsay", "template", "estimated")
# What nobody takes a tape or a scale to.
NOT_MEASURED = re.compile(
    r"^/(loadings|need|assumptions)/|/(money|tasks|plan|ratings)/|/(cost|wait|parts|price|lead|hours)$|/systems/(access|electric/loads)"
)


def measure_sheet(project: Project, made: Assessment, day: str, units: str) -> bytes:
    """What settles the least sure margin of the balance, then every figure that is missing or guessed, with a blank to
    fill in: those that hold up the most answers at the top. What nobody measures (loadings, prices, waits, plans) is
    left out.

    The fit of the assessment and the craft itself are gone through; the other fits are left out."""
    _fonts()
    fit = project.fits[made.fit].name if made.fit else "as found"
    story: list[Any] = [
        _p(
            f"For {fit}. Write value, unit and ±, and what you measured with. A blank left blank stays unknown.",
            size=9,
            colour=MUTED,
        ),
    ]
    blank = lambda: ""
    head = [
        _p("what", colour=MUTED),
        _p("now", colour=MUTED),
        _p("measured, with unit and ±", colour=MUTED),
        _p("with", colour=MUTED),
    ]
    widths = [74 * mm, 36 * mm, 44 * mm, WIDTH - 154 * mm]
    story += _settles(project, made, head, widths, units)
    missing = [n for n in made.missing if not NOT_MEASURED.search(n.pointer)]
    story += _heading(f"Missing: {len(missing)}")
    if missing:
        first = missing[:MOST_LINES]
        rows = [[_p(n.what), _p("—", colour=MUTED), blank(), blank()] for n in first]
        story += [
            _write_in([head, *rows], widths),
            *_left_out(len(missing), "those that hold up the most answers"),
        ]
    else:
        story.append(_p("Nothing is missing.", colour=MUTED))
    guessed = list(_guessed(project, made.fit))
    story += _heading(f"Guessed: {len(guessed)}")
    if guessed:
        rows = [
            [
                _p(f"{group}: {label}" if group else label),
                _p(f"{figure.entered} · {figure.source}", size=7.5),
                blank(),
                blank(),
            ]
            for group, label, figure in guessed[:MOST_LINES]
        ]
        story += [_write_in([head, *rows], widths), *_left_out(len(guessed), "the worst guesses")]
    else:
        story.append(_p("Nothing rests on a guess.", colour=MUTED))
    return _build(_Page(f"measure these · {fit}", project.name, day), story)


def _settles(project: Project, made: Assessment, head: list[Any], widths: list[float], units: str) -> list[Any]:
    """What takes most off the doubt of the margin that is least sure, rough and guessed figures alike."""
    try:
        told = answer(measure_next.STUDY, project, made.fit)
    except InputError:
        return []
    if not told.rows:
        return []
    drop = lambda r: number(r.drop_si, told.dimension, units)
    rows = [
        [_p(r.name), _p(f"takes {drop(r)} off, {number(r.minutes * 60, 'time', units)}", size=7.5), "", ""]
        for r in told.rows
    ]
    return [*_heading(f"Settles most, for the {told.margin}"), _write_in([head, *rows], widths)]


def _left_out(lines: int, first: str) -> list[Any]:
    """What is said under a table that would be longer than anybody takes to the craft."""
    if lines <= MOST_LINES:
        return []
    return [_p(f"{lines - MOST_LINES} more are not printed: {first} came first.", colour=MUTED)]


def _write_in(rows: list[list[Any]], widths: list[float]) -> Table:
    made = _table(rows, widths)
    made.setStyle(
        TableStyle(
            [
                ("BOTTOMPADDING", (0, 1), (-1, -1), 7),
                ("TOPPADDING", (0, 1), (-1, -1), 5),
                ("BOX", (2, 1), (2, -1), 0.5, GREY),
                ("INNERGRID", (2, 1), (3, -1), 0.5, GREY),
                ("BOX", (3, 1), (3, -1), 0.5, GREY),
            ]
        )
    )
    return made


def _guessed(project: Project, fit: str | None) -> Iterable[tuple[str, str, Figure]]:
    """Figures whose source is a guess, worst kind of guess first, with group and label from the sheets where they
    stand."""
    pointers = [f"/old_installations/{k}" for k in project.old_installations]
    if fit:
        pointers += [f"/fits/{fit}/installations/{k}" for k in project.fits[fit].installations]
    labels: dict[str, tuple[str, str]] = {}
    for base in [*pointers, None]:
        for group, label, at in _fields(project, sheet(KINDS[project.kind]), base, fit):
            owner = value_at(project, base) if base else None
            labels.setdefault(at, (owner.name if owner is not None and at.startswith(base or "") else group, label))
    found = []
    for at in figure_pointers(project):
        if at.startswith("/fits/") and not at.startswith(f"/fits/{fit}/"):
            continue
        if NOT_MEASURED.search(at):
            continue
        figure = value_at(project, at)
        if isinstance(figure, Figure) and figure.source in GUESSED:
            found.append((at, figure))
    for at, figure in sorted(found, key=lambda f: GUESSED.index(f[1].source)):
        group, label = labels.get(at) or _plain_label(project, at)
        yield group, label, figure


def _plain_label(project: Project, at: str) -> tuple[str, str]:
    """A label from the names along the way: for rows of ledgers and loadings."""
    head, _, last = at.rpartition("/")
    owner = value_at(project, head)
    while not hasattr(owner, "name") and head:
        head = head.rpartition("/")[0]
        owner = value_at(project, head)
    words = re.sub(r"[_/-]+", " ", at[len(head) :]).strip() or last
    return str(getattr(owner, "name", "")), words
