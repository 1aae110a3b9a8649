"""The sheet of first figures, to fill in by hand at the craft: the order of the page on screen, and the sketch."""

from __future__ import annotations

from typing import Any

from reportlab.graphics.shapes import Circle, Drawing, Line, PolyLine, String
from reportlab.lib.colors import white
from reportlab.lib.units import mm
from reportlab.platypus import KeepTogether, Spacer, Table, TableStyle

from ..core.document import Project
from ..core.first import FirstOut, first_page
from ..core.reference.outlines import Point
from .pdf import ACT, GREY, INK, MUTED, RULE, WIDTH, _build, _fonts, _heading, _p, _Page

_HIGH = 50 * mm
# A group of more lines than this may be parted by the end of a page.
_SHORT = 8


def first_sheet(project: Project, fit_id: str | None, day: str) -> bytes:
    """A page with a box for each first figure, numbered as on the sketch. Raises InputError where a kind has none."""
    _fonts()
    page = first_page(project, fit_id)
    story: list[Any] = [
        _p(
            "Write value, unit and ±, and what you measured with. Stations are from the datum: write down where it "
            "is. A blank left blank stays unknown.",
            size=9,
            colour=MUTED,
        ),
        Spacer(1, 2 * mm),
        _sketch(page),
    ]
    for group in page.groups:
        pair = any(line.out or line.into for line in group.lines)
        head = [*_heading(group.title), _p(group.hint, colour=MUTED)]
        heads = (page.out or "goes out", page.into or "comes in") if pair else ("measured", "with")
        rows = [[_p("", colour=MUTED), _p("", colour=MUTED), *(_p(h, colour=MUTED) for h in heads)]]
        for line in group.lines:
            cells = ["" if line.out else "—", "" if line.into else "—"] if pair else ["", ""]
            rows.append([_p(str(line.number), colour=ACT), _p(line.label), *(_p(c, colour=MUTED) for c in cells)])
        parts = [*head, _boxes(rows)]
        story += [KeepTogether(parts)] if len(rows) <= _SHORT else parts
    return _build(_Page("first figures", project.name, day), story)


def _boxes(rows: list[list[Any]]) -> Table:
    made = Table(rows, colWidths=[8 * mm, 72 * mm, (WIDTH - 80 * mm) / 2, (WIDTH - 80 * mm) / 2], repeatRows=1)
    made.setStyle(
        TableStyle(
            [
                ("VALIGN", (0, 0), (-1, -1), "MIDDLE"),
                ("LEFTPADDING", (0, 0), (1, -1), 0),
                ("TOPPADDING", (0, 1), (-1, -1), 1.6),
                ("BOTTOMPADDING", (0, 1), (-1, -1), 2),
                ("LINEBELOW", (0, 1), (1, -1), 0.3, RULE),
                ("GRID", (2, 1), (-1, -1), 0.5, GREY),
            ]
        )
    )
    return made


def _sketch(page: FirstOut) -> Drawing:
    """The craft side on with the numbers of the lines where they are measured."""
    made = Drawing(WIDTH, _HIGH)
    marks = [p for g in page.groups for line in g.lines for p in line.at]
    every = [*(p for path in page.paths for p in path.points), *marks, Point(x=0.0, z=0.0)]
    x0, x1 = min(p.x for p in every), max(p.x for p in every)
    z0, z1 = min(p.z for p in every), max(p.z for p in every)
    scale = min((WIDTH - 24 * mm) / (x1 - x0), (_HIGH - 16 * mm) / (z1 - z0))
    at = lambda p: (12 * mm + (p.x - x0) * scale, 9 * mm + (p.z - z0) * scale)
    for path in page.paths:
        points = [*path.points, *(path.points[:1] if path.closed else [])]
        made.add(PolyLine([c for p in points for c in at(p)], strokeColor=MUTED, strokeWidth=0.7))
    for wheel in page.wheels:
        x, y = at(Point(x=wheel.x, z=wheel.z))
        made.add(Circle(x, y, wheel.radius * scale, strokeColor=MUTED, fillColor=None, strokeWidth=0.7))
    datum = at(Point(x=0.0, z=0.0))
    made.add(Line(datum[0], 2 * mm, datum[0], _HIGH, strokeColor=INK, strokeWidth=0.5, strokeDashArray=[4, 2]))
    made.add(String(datum[0] + 2, 2 * mm, "datum", fontName="Keel", fontSize=7, fillColor=INK))
    taken: list[tuple[float, float]] = []
    for line in (line for g in page.groups for line in g.lines):
        if not line.at:
            continue
        ends = [at(p) for p in line.at]
        x, y = sum(e[0] for e in ends) / len(ends), sum(e[1] for e in ends) / len(ends)
        if line.way == "size" and len(ends) == 2:
            made.add(Line(*ends[0], *ends[1], strokeColor=ACT, strokeWidth=0.8))
        if line.way == "along":
            made.add(Line(datum[0], y, x, y, strokeColor=ACT, strokeWidth=0.4, strokeDashArray=[1, 2]))
        while any(abs(x - a) < 9 and abs(y - b) < 7 for a, b in taken):
            x += 10
        taken.append((x, y))
        made.add(Circle(x, y, 4.4, strokeColor=ACT, fillColor=white, strokeWidth=0.6))
        made.add(String(x, y - 2.2, str(line.number), fontName="KeelFigures", fontSize=6, textAnchor="middle"))
    return made
