"""The work on paper: tasks of the week, torque list, strip list, hold points, tags; and all of it as one book to sign.

PDF by reportlab. The same project on the same day gives the same bytes."""

from __future__ import annotations

import io
from collections.abc import Callable, Iterator
from typing import Any

from reportlab.graphics.shapes import Circle, Drawing, String
from reportlab.lib.units import mm
from reportlab.platypus import Image, KeepTogether, PageBreak, Spacer, Table, TableStyle

from ..core.assess import Assessment
from ..core.build.torque.functions import tightening_sequence
from ..core.document import Project, plain
from ..core.facts import Facts, kind_of
from ..core.facts.records import Filled, Joined, Pictured, Removed, Squawked, Tightened
from ..core.figure.units import between
from ..core.judging.finding import BENCHES
from .cells import cell_of
from .papers import Paper
from .pdf import INK, MUTED, RULE, WIDTH, _build, _fonts, _heading, _p, _Page, _table
from .present import directed, number
from .records_table import _said
from .sheets_pdf import _answers, _findings, _workings, rough_figures

_TITLES: dict[str, str] = {
    "book": "build book",
    "tasks": "tasks of the week",
    "torque": "torque list",
    "strip": "strip list",
    "holds": "hold points",
    "tags": "tags for both ends",
}


def paper(
    which: Paper,
    project: Project,
    made: Assessment,
    facts: Facts,
    units: str,
    day: str,
    photo: Callable[[str], bytes] | None = None,
) -> bytes:
    """One paper of the work on a fit. photo: the small picture by what it contains."""
    _fonts()
    fit = made.fit or ""
    page = _Page(f"{_TITLES[which]} · {project.fits[fit].name}", project.name, day)
    parts: dict[str, Callable[[], list[Any]]] = {
        "tasks": lambda: _tasks(project, made, fit),
        "torque": lambda: _torque(facts, fit),
        "strip": lambda: _strip(facts, fit),
        "holds": lambda: _holds(project, made, fit),
        "tags": lambda: _tags(facts, fit),
        "book": lambda: _book(project, made, facts, fit, units, photo),
    }
    return _build(page, parts[which]())


def _small(text: str) -> Any:
    return _p(text, size=7.5, colour=MUTED)


def _heads(*names: str) -> list[Any]:
    return [_p(n, colour=MUTED) for n in names]


def _tasks(project: Project, made: Assessment, fit: str) -> list[Any]:
    """What may be worked on, and what comes next, with room to write."""
    build = made.build
    if build is None or not build.tasks:
        return [_p("There is no plan yet.")]
    tasks = {t.id: t for t in build.tasks}
    coming = [t for t in build.tasks if t.standing != "done" and t.id not in build.now][:8]
    story: list[Any] = [_p(f"Today {build.today or 'not said'}. {len(build.now)} tasks may be worked on.")]
    for title, listed in (("May be worked on", [tasks[i] for i in build.now]), ("Comes next", coming)):
        rows = [_heads("task", "planned", "seen by", "done by, on")]
        for t in listed:
            own = project.fits[fit].tasks[t.id]
            said = [_p(t.name, font="KeelBold"), *([_small(own.caution)] if own.caution else [])]
            said += [_small(f"waits for: {t.shut[0]}")] if t.shut else []
            rows.append([said, _p(f"{t.begins or ''}\n{t.ends or ''}"), _p(f"{t.role or ''}\n{own.evidence}"), ""])
        story += [*_heading(title), _table(rows, [82 * mm, 22 * mm, 34 * mm, WIDTH - 138 * mm])]
    return story


def _circle(count: int) -> Drawing:
    """A pattern of fasteners, clockwise from the top, each with its turn in the order of tightening."""
    turn = {place: i + 1 for i, place in enumerate(tightening_sequence(count))}
    size = 38 * mm
    made = Drawing(size, size)
    from math import cos, pi, sin

    for place in range(1, count + 1):
        angle = pi / 2 - 2 * pi * (place - 1) / count
        x, y = size / 2 + 13 * mm * cos(angle), size / 2 + 13 * mm * sin(angle)
        made.add(Circle(x, y, 3.6 * mm, strokeColor=INK, fillColor=None, strokeWidth=0.9))
        made.add(String(x, y - 2.6, str(turn[place]), fontName="KeelBold", fontSize=8, textAnchor="middle"))
        out = 1.42
        made.add(
            String(
                size / 2 + 13 * mm * out * cos(angle),
                size / 2 + 13 * mm * out * sin(angle) - 2,
                str(place),
                fontName="Keel",
                fontSize=6.5,
                textAnchor="middle",
                fillColor=MUTED,
            )
        )
    return made


def _torque(facts: Facts, fit: str) -> list[Any]:
    """Fasteners by their name, in tightening order where they are numbered, drawn on their circle."""
    last: dict[str, dict[str, Tightened]] = {}
    for _, r in facts.of(Tightened, fit):
        last.setdefault(r.fastener, {})[r.place] = r
    if not last:
        return [_p("No fastener is written down yet.")]
    story: list[Any] = [
        _p("Passes at 30, 70 and 100 %, then once round at 100 % (ASME PCC-1, from memory). The maker's figure wins.")
    ]
    for name, places in last.items():
        numbers = sorted(int(p) for p in places if p.isdigit())
        ring = len(numbers) >= 3 and numbers == list(range(1, len(numbers) + 1))
        order = [str(n) for n in tightening_sequence(len(numbers))] if ring else list(places)
        rows = [_heads("which", "thread, marking", "on it", "target", "as read", "mark", "due again", "by")]
        for place in order:
            r = places[place]
            rows.append(
                [
                    _p(place or "the one", font="KeelBold"),
                    _p(f"{r.thread} {r.grade}".strip()),
                    _p(r.lubricant or ""),
                    _p(cell_of(r.target), font="KeelFigures", size=7.5),
                    _p(cell_of(r.actual), font="KeelFigures", size=7.5),
                    _p(r.marked or ""),
                    _p(r.again),
                    _p(r.by),
                ]
            )
        widths = [14 * mm, 26 * mm, 20 * mm, 28 * mm, 28 * mm, 12 * mm, 20 * mm, WIDTH - 148 * mm]
        story.append(KeepTogether([*_heading(name), *([_circle(len(numbers))] if ring else []), _table(rows, widths)]))
    return story


def _strip(facts: Facts, fit: str) -> list[Any]:
    """What came off and what was parted, with what became of it."""
    rows = [_heads("label", "this end", "other end", "is", "tried", "by")]
    labels: dict[str, tuple[str, str]] = {}
    for _, r in facts.of(Joined, fit):
        a, b = labels.get(r.label, ("", ""))
        labels[r.label] = (r.end_a or a, r.end_b or b)
    for label, (_, r) in facts.connections(fit).items():
        a, b = labels[label]
        rows.append([_p(label, font="KeelBold"), _p(a), _p(b), _p(r.step), _p(r.tried or ""), _p(r.by)])
    story: list[Any] = [
        *_heading("Connections"),
        _table(rows, [52 * mm, 24 * mm, 24 * mm, 24 * mm, 28 * mm, WIDTH - 152 * mm]),
    ]
    parts = [_heads("part", "weighs", "what becomes of it", "price", "by")]
    for _, part in facts.of(Removed, fit):
        parts.append(
            [
                _p(part.part, font="KeelBold"),
                _p(cell_of(part.mass), font="KeelFigures", size=7.5),
                _p(part.becomes or ""),
                _p(cell_of(part.price), font="KeelFigures", size=7.5),
                _p(part.by),
            ]
        )
    story += [*_heading("Parts that came off"), _table(parts, [60 * mm, 30 * mm, 34 * mm, 24 * mm, WIDTH - 148 * mm])]
    fluids = [_heads("fluid", "drained", "filled", "grade", "level, how", "by")]
    for _, fluid in facts.of(Filled, fit):
        fluids.append(
            [
                _p(fluid.system, font="KeelBold"),
                _p(cell_of(fluid.drained), font="KeelFigures", size=7.5),
                _p(cell_of(fluid.filled), font="KeelFigures", size=7.5),
                _p(fluid.grade),
                _p(f"{fluid.level or ''} {fluid.read_how}".strip()),
                _p(fluid.by),
            ]
        )
    widths = [28 * mm, 28 * mm, 28 * mm, 26 * mm, 40 * mm, WIDTH - 150 * mm]
    return [*story, *_heading("Fluids"), _table(fluids, widths)]


def _holds(project: Project, made: Assessment, fit: str) -> list[Any]:
    """Every hold with who must see it, and room to sign."""
    if made.build is None:
        return []
    rows = [_heads("task", "seen by", "what shows it", "stands", "name, signature, date")]
    for t in made.build.tasks:
        if t.role:
            evidence = project.fits[fit].tasks[t.id].evidence
            rows.append([_p(t.name, font="KeelBold"), _p(t.role), _p(evidence), _p(t.hold or ""), ""])
    widths = [62 * mm, 24 * mm, 36 * mm, 22 * mm, WIDTH - 144 * mm]
    said = "Whoever did the work does not see it. Nothing behind a hold begins before it is released."
    return [_p(said), Spacer(1, 2 * mm), _table(rows, widths)]


def _tags(facts: Facts, fit: str) -> list[Any]:
    """Two tags a connection, to be cut out."""
    cells = []
    ends: dict[str, tuple[str, str]] = {}
    for _, r in facts.of(Joined, fit):
        a, b = ends.get(r.label, ("", ""))
        ends[r.label] = (r.end_a or a, r.end_b or b)
    for label, (a, b) in ends.items():
        for end, other in ((a or "A", b or "B"), (b or "B", a or "A")):
            cells.append([_p(end, font="KeelBold", size=15), _p(label, size=9), _small(f"other end {other}")])
    if not cells:
        return [_p("No connection is written down yet.")]
    rows = [cells[i : i + 4] + [""] * (4 - len(cells[i : i + 4])) for i in range(0, len(cells), 4)]
    table = Table(rows, colWidths=[WIDTH / 4] * 4, rowHeights=[26 * mm] * len(rows))
    table.setStyle(TableStyle([("GRID", (0, 0), (-1, -1), 0.5, RULE), ("VALIGN", (0, 0), (-1, -1), "TOP")]))
    return [_p("Cut out, one at each end, before it is parted."), Spacer(1, 2 * mm), table]


def _book(
    project: Project, made: Assessment, facts: Facts, fit: str, units: str, photo: Callable[[str], bytes] | None
) -> list[Any]:
    """Everything, to be signed."""
    story: list[Any] = [
        _p(f"{project.name}: {project.fits[fit].name}", font="KeelBold", size=18),
        Spacer(1, 2 * mm),
        _p(project.craft.description),
        *_heading("What this book is"),
        _p(
            "What was planned, done, seen, measured and found, as it was written down, with what was checked against "
            "what and what was not. It says nothing about what nobody wrote down. Local rules, class societies, "
            "insurers and licensed people outrank it; they release, not this book."
        ),
        *_heading("Standing"),
        _standing(made),
        *_heading("Holds"),
        *_holds(project, made, fit),
        PageBreak(),
        *_heading("Squawks"),
        _squawks(facts, fit),
        *_heading("Fasteners"),
        *_torque(facts, fit),
        PageBreak(),
        *_strip(facts, fit),
        *_heading("First runs"),
        *_runs(made, units),
        PageBreak(),
        *_heading("Verdicts, with their working"),
        *rough_figures(made, units),
    ]
    for bench in BENCHES:
        findings = [f for f in made.findings if f.bench == bench]
        values = [v for v in made.values if v.bench == bench]
        if findings or values:
            story += [*_heading(bench.capitalize()), *_findings(findings, units), Spacer(1, 2 * mm)]
            story += [_answers(values, units), *_workings(values, findings, units)]
            state = next(b for b in made.benches if b.bench == bench)
            story.append(_small(f"Not checked: {'; '.join(state.unchecked)}."))
    story += [PageBreak(), *_heading("Every record, in its order"), _records(facts, fit)]
    story += list(_pictures(facts, fit, photo)) if photo is not None else []
    story.append(KeepTogether([*_heading("Signed"), _signatures()]))
    return story


def _standing(made: Assessment) -> Any:
    rows = [_heads("bench", "stop", "watch", "cannot say")]
    for b in made.benches:
        rows.append([_p(b.bench, font="KeelBold"), *(_p(str(n)) for n in (b.stops, b.watches, b.unknowns))])
    return _table(rows, [40 * mm, 20 * mm, 20 * mm, WIDTH - 80 * mm])


def _squawks(facts: Facts, fit: str) -> Any:
    open_ = {k.number for k, _ in facts.squawks(fit)}
    rows = [_heads("number", "day", "severity", "what", "stands")]
    for k, r in facts.of(Squawked, fit):
        stands = "open" if k.number in open_ else "closed"
        rows.append([_p(str(k.number)), _p(r.on or k.day.isoformat()), _p(str(r.severity)), _p(r.text), _p(stands)])
    return _table(rows, [16 * mm, 22 * mm, 18 * mm, WIDTH - 76 * mm, 20 * mm])


def _runs(made: Assessment, units: str) -> list[Any]:
    story: list[Any] = []
    for i in made.installations:
        if i.prove is None:
            continue
        rows = [_heads("card", "is", "by", "why")]
        for c in i.prove.cards:
            rows.append([_p(c.title, font="KeelBold"), _p(c.word), _p(c.by), _p("; ".join(c.why[:3]))])
        story += [_p(i.name, font="KeelBold"), _table(rows, [58 * mm, 20 * mm, 26 * mm, WIDTH - 104 * mm])]
        promised = [_heads("promised by", "what", "promised", "measured", "difference")]
        for p in i.prove.promises:
            off = ""
            if p.off_si is not None:
                way = "more" if p.off_si >= 0 else "less"
                off = f"{number(abs(p.off_si), between(p.dimension), units)} {way}"
            both = (p.promised_si, p.measured_si)
            said = [directed(v, p.dimension, units, p.ways) if v is not None else "" for v in both]
            promised.append([_p(p.bench), _p(p.label), *(_p(s, font="KeelFigures", size=8) for s in (*said, off))])
        widths = [22 * mm, WIDTH - 106 * mm, 28 * mm, 28 * mm, 28 * mm]
        story += [Spacer(1, 2 * mm), _table(promised, widths), Spacer(1, 3 * mm)]
    return story


def _records(facts: Facts, fit: str) -> Any:
    stands = {k.number for k in facts.standing}
    rows = [_heads("", "day", "kind", "by", "says")]
    for k in facts.records:
        if k.of.fit != fit:
            continue
        said = _said(plain(k.of))
        marks = [
            m for m in ("" if k.number in stands else "corrected since", "simulated" if k.of.simulated else "") if m
        ]
        text = f"{said}{' · ' + k.of.task if k.of.task else ''}{' · ' + ', '.join(marks) if marks else ''}"
        rows.append(
            [
                _small(str(k.number)),
                _small(k.of.on or k.day.isoformat()),
                _p(kind_of(k.of)),
                _p(k.of.by),
                _p(text, size=7.5),
            ]
        )
    return _table(rows, [10 * mm, 19 * mm, 24 * mm, 26 * mm, WIDTH - 79 * mm])


def _pictures(facts: Facts, fit: str, photo: Callable[[str], bytes]) -> Iterator[Any]:
    found = facts.of(Pictured, fit)
    if found:
        yield from _heading("Photographs")
    for k, r in found:
        image = Image(io.BytesIO(photo(r.file)))
        image._restrictSize(80 * mm, 60 * mm)
        yield KeepTogether(
            [image, _small(f"{k.number} · {r.on or k.day.isoformat()} · {r.of} · {r.by}"), Spacer(1, 3 * mm)]
        )


def _signatures() -> Any:
    rows = [
        [_p(w, colour=MUTED), "", _p("date", colour=MUTED), ""] for w in ("worked by", "checked by", "inspected by")
    ]
    return _table(rows, [26 * mm, 80 * mm, 14 * mm, WIDTH - 120 * mm], head=False)
