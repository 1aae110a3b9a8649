"""The printed sheets: a bench with its answers, findings and workings; and what is still to measure, with blanks to
fill in.

PDF by reportlab. The same document gives the same bytes: the day is handed in, nothing else changes.
"""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from reportlab.graphics.shapes import Circle as Round
from reportlab.graphics.shapes import Drawing, Line, PolyLine, String
from reportlab.lib.units import mm
from reportlab.platypus import (
    CondPageBreak,
    KeepTogether,
    Spacer,
    Table,
)

from ..core.assess import Assessment
from ..core.document import Figure, Project, value_at
from ..core.figure.place import Place
from ..core.figure.units import between
from ..core.judging.finding import Bench, Finding, Value
from ..core.profile import Shapes
from ..core.reference.kinds import KINDS
from ..core.sheet.kit import Block
from ..core.sheets import sheet
from .drive_drawings import drive_drawings
from .pdf import (
    ACT,
    GREY,
    INK,
    LEVEL_COLOUR,
    LEVEL_WORD,
    MUTED,
    WIDTH,
    _build,
    _fonts,
    _heading,
    _p,
    _Page,
    _Stroke,
    _table,
)
from .present import answer, needed, number, sentence, working
from .side_by_side import side_by_side

# Under a heading at least so much is printed on its page.
_ROOM = 32 * mm


def bench_sheet(
    project: Project, made: Assessment, bench: Bench, units: str, day: str, unit: str | None = None
) -> bytes:
    """One bench on paper: profile, answers, findings, workings, the figures entered, cautions, and room for two names.

    unit: the installation, where there are several. Raises KeyError for a way of printing that is not known."""
    _fonts()
    fit = project.fits[made.fit].name if made.fit else "as found"
    several = len(made.installations) > 1
    chosen = next(
        (i for i in made.installations if i.id == unit), made.installations[0] if made.installations else None
    )
    mine = lambda key: not several or "@" not in key or (chosen is not None and key.endswith(f"@{chosen.id}"))
    findings = [f for f in made.findings if f.bench == bench and mine(f.key)]
    values = [v for v in made.values if v.bench == bench and mine(v.id)]
    story: list[Any] = [
        _p(f"{fit}" + (f", {chosen.name}" if chosen else ""), size=9, colour=MUTED),
        Spacer(1, 2 * mm),
        _profile(made.shapes),
    ]
    if bench == "drive" and chosen is not None and chosen.drive is not None:
        for title, plot in drive_drawings(chosen.drive, units):
            story.append(KeepTogether([*_heading(title), plot]))
    story += [*_section("Answers, before → after"), _answers(values, units)]
    story += [*_section("Findings"), *_findings(findings, units), *rough_figures(made, units)]
    if bench == "drive" and chosen is not None and made.fit is not None:
        story += [KeepTogether(t) for t in side_by_side(project, made.fit, chosen.id, units)]
    story += [*_section("Workings"), *_workings(values, findings, units)]
    story += [
        *_section("Figures entered"),
        *_figures(project, bench, chosen.pointer if chosen else None, made.fit),
    ]
    state = next(b for b in made.benches if b.bench == bench)
    story += [*_section("Not checked"), _p(f"{'; '.join(state.unchecked)}.", size=8)]
    if state.silent:
        story.append(_p(f"Found nothing to judge: {'; '.join(state.silent)}.", size=8, colour=MUTED))
    caution = KINDS[project.kind].cautions.get(bench)
    if caution:
        story += [Spacer(1, 4 * mm), _p(caution, size=8, colour=MUTED)]
    story.append(
        KeepTogether(
            [
                Spacer(1, 8 * mm),
                _table(
                    [
                        [
                            _p("worked by", colour=MUTED),
                            "",
                            _p("checked by", colour=MUTED),
                            "",
                            _p("date", colour=MUTED),
                            "",
                        ]
                    ],
                    [18 * mm, 46 * mm, 20 * mm, 46 * mm, 11 * mm, WIDTH - 141 * mm],
                    head=False,
                ),
            ]
        )
    )
    return _build(_Page(f"{bench} · {fit}", project.name, day), story)


def _section(text: str) -> list[Any]:
    """A heading that does not stay alone at the foot of a page."""
    return [CondPageBreak(_ROOM), *_heading(text)]


def rough_figures(made: Assessment, units: str) -> list[Any]:
    """The rough figures that stand in for blanks, each with its doubt and what it was made of."""
    if not made.rough:
        return []
    by = lambda r: number(r.plus_minus_si, between(r.dimension), units)
    rows = [[_p(r.what), _p(f"{number(r.si, r.dimension, units)} ±{by(r)}"), _p(r.how)] for r in made.rough]
    head = [_p(t, colour=MUTED) for t in ("rough, not measured", "taken as", "from")]
    widths = [84 * mm, 40 * mm, WIDTH - 124 * mm]
    return [*_heading(f"Rough figures stand in: {len(rows)}"), _table([head, *rows], widths)]


def _answers(values: list[Value], units: str) -> Table:
    rows: list[list[Any]] = [
        [
            _p("", font="KeelBold"),
            _p("before", colour=MUTED),
            _p("after", colour=MUTED),
            _p("±", colour=MUTED),
            _p("by", colour=MUTED),
        ]
    ]
    for v in values:
        was, now = answer(v, units)
        said = now if now is not None else "cannot say yet"
        rows.append(
            [
                _p(v.label),
                _p(
                    was or "",
                    font="KeelFigures",
                    size=8,
                    colour=MUTED,
                ),
                _p(said, font="KeelFigures" if v.needs == [] else "Keel", size=8),
                _p(
                    number(v.plus_minus_si, between(v.dimension), units) if v.plus_minus_si else "",
                    font="KeelFigures",
                    size=7.5,
                    colour=MUTED,
                ),
                _p(f"needs {needed(v.needs[:3])}" if v.needs else v.source, size=7, colour=MUTED),
            ]
        )
    return _table(rows, [58 * mm, 24 * mm, 26 * mm, 20 * mm, WIDTH - 128 * mm])


def _findings(findings: list[Finding], units: str) -> list[Any]:
    if not findings:
        return [_p("Nothing was judged on this bench.", colour=MUTED)]
    rows: list[list[Any]] = []
    for f in findings:
        needs = f"\nNeeds: {needed(f.needs[:6])}." if f.needs else ""
        source = f.source if f.mark == "statics" or f.mark in f.source else f"{f.source} · {f.mark}"
        rows.append(
            [
                [_Stroke(f.level), _p(LEVEL_WORD[f.level], size=7, colour=LEVEL_COLOUR[f.level])],
                [
                    _p(sentence(f.title, units), font="KeelBold", size=9),
                    _p(sentence(f.message, units) + needs),
                    *([_p(said, size=7, colour=MUTED)] if (said := _margin(f, units)) else []),
                ],
                _p(source, size=7, colour=MUTED),
            ]
        )
    return [_table(rows, [16 * mm, WIDTH - 61 * mm, 45 * mm], head=False)]


def _margin(finding: Finding, units: str) -> str:
    """How far inside what is ok, or beyond it, and how many times its doubt that is; or what decided in its place."""
    margin = finding.margin
    if margin is None:
        return f"what decides: {finding.compared.ground}" if finding.compared and finding.compared.ground else ""
    size = number(abs(margin.si), between(margin.dimension), units)
    said = f"{size} inside what is ok" if margin.si >= 0 else f"{size} beyond what is ok"
    return said if margin.doubts is None else f"{said}, {number(abs(margin.doubts), 'number', units)} times its doubt"


def _workings(values: list[Value], findings: list[Finding], units: str) -> list[Any]:
    made: list[Any] = []
    seen: set[tuple[str, ...]] = set()
    named = [(v.label, v.working) for v in values] + [(sentence(f.title, units), f.working) for f in findings]
    for label, w in named:
        if w is None:
            continue
        lines = tuple(working(w, units))
        if lines in seen:
            continue
        seen.add(lines)
        made.append(
            [
                [_p(label), _p(f"{w.source}\nholds for: {w.valid}" if w.valid else w.source, size=7, colour=MUTED)],
                _p("\n".join(lines), font="KeelFigures", size=7.5),
            ]
        )
    return [_table(made, [58 * mm, WIDTH - 58 * mm], head=False)] if made else [_p("None on this bench.", colour=MUTED)]


def _fields(
    project: Project, blocks: list[Block], pointer: str | None, fit: str | None
) -> Iterable[tuple[str, str, str]]:
    """Group, label and pointer of every field of blocks that stands in the document."""
    for block in blocks:
        if block.table:
            table = block.table.replace("~", pointer or "").replace("^", f"/fits/{fit}")
            items = value_at(project, table) or {}
            for key, item in sorted(items.items(), key=lambda i: i[1].rank):
                for e in block.entries:
                    yield block.title, f"{item.name}, {e.label}", f"{table}/{key}/{e.pointer}"
        else:
            for e in block.entries:
                yield block.title, e.label, e.pointer.replace("~", pointer or "").replace("^", f"/fits/{fit}")


def _figures(project: Project, bench: Bench, pointer: str | None, fit: str | None) -> list[Any]:
    blocks = [b for b in sheet(KINDS[project.kind]) if b.bench == bench]
    rows: list[list[Any]] = [[_p(""), _p("as entered", colour=MUTED), _p("known by", colour=MUTED)] * 2]
    cells: list[list[Any]] = []
    for _, label, at in _fields(project, blocks, pointer, fit):
        value = value_at(project, at)
        if isinstance(value, Figure):
            text = f"{value.entered} ±{value.plus_minus.entered}" if value.plus_minus else value.entered
            way = f" {value.dir}" if isinstance(value, Place) else ""
            cells.append(
                [_p(label), _p(text + way, font="KeelFigures", size=7.5), _p(value.source, size=7, colour=MUTED)]
            )
        elif isinstance(value, str) and value:
            cells.append([_p(label), _p(value, size=7.5), _p("")])
    half = (len(cells) + 1) // 2
    blank: list[Any] = ["", "", ""]
    for i in range(half):
        rows.append([*cells[i], *(cells[i + half] if i + half < len(cells) else blank)])
    if not cells:
        return [_p("None on this bench.", colour=MUTED)]
    third = WIDTH / 2
    return [_table(rows, [third * 0.46, third * 0.34, third * 0.20] * 2)]


def _profile(shapes: Shapes) -> Drawing:
    """The craft to scale, side on."""
    height = 46 * mm
    drawing = Drawing(WIDTH, height)
    outline = [p for path in shapes.outline for p in path.points]
    units = [p for i in shapes.installations for p in [*i.box, *i.propeller]]
    wheels = [(w.x + s * w.radius, w.z + t * w.radius) for w in shapes.wheels for s, t in ((-1, -1), (1, 1))]
    xs = [p.x for p in outline + units] + [x for x, _ in wheels]
    zs = [p.z for p in outline + units] + [z for _, z in wheels]
    if not xs:
        return drawing
    scale = min((WIDTH - 20 * mm) / (max(xs) - min(xs)), (height - 8 * mm) / (max(zs) - min(zs)))
    left = (WIDTH - scale * (max(xs) - min(xs))) / 2
    x = lambda v: left + (v - min(xs)) * scale
    z = lambda v: 4 * mm + (v - min(zs)) * scale
    flat = lambda points, closed: [c for p in [*points, *(points[:1] if closed else [])] for c in (x(p.x), z(p.z))]
    line = lambda points, closed, colour, width: (
        drawing.add(PolyLine(flat(points, closed), strokeColor=colour, strokeWidth=width)) if len(points) > 1 else None
    )
    for path in shapes.outline:
        line(path.points, path.closed, INK, 0.7)
    for wheel in shapes.wheels:
        drawing.add(
            Round(x(wheel.x), z(wheel.z), wheel.radius * scale, strokeColor=INK, strokeWidth=0.7, fillColor=None)
        )
    if shapes.ground_z is not None:
        drawing.add(Line(0, z(shapes.ground_z), WIDTH, z(shapes.ground_z), strokeColor=INK, strokeWidth=0.5))
    line(shapes.water_before, False, GREY, 0.5)
    line(shapes.water, False, ACT, 0.9)
    for unit in shapes.installations:
        colour = GREY if unit.old else ACT
        for points, closed in ((unit.box, True), (unit.propeller, False), (unit.thrust_line, False)):
            line(points, closed, colour, 0.6 if unit.old else 1.2)
    for cg, colour in ((shapes.cg_before, GREY), (shapes.cg_after, ACT)):
        if cg is not None:
            drawing.add(Line(x(cg.x) - 5, z(cg.z), x(cg.x) + 5, z(cg.z), strokeColor=colour, strokeWidth=1.2))
            drawing.add(Line(x(cg.x), z(cg.z) - 5, x(cg.x), z(cg.z) + 5, strokeColor=colour, strokeWidth=1.2))
    note = "to scale" if shapes.to_scale else "sketch: outline not measured"
    drawing.add(String(WIDTH, 0, note, fontName="Keel", fontSize=7, fillColor=MUTED, textAnchor="end"))
    return drawing
