"""The first figures of a kind, told of the supports, marks, seats and tanks of one document, each with a number."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from typing import Any, Literal

from ..document import Project
from ..errors import InputError
from ..formula import Out
from ..reference.first import AskedLine, First, Group, Source, Way
from ..reference.outlines import Circle, Foot, Measures, Path, Point
from ..resolved.references import kind_of


class FirstLine(Out):
    """One line of the page: a figure by itself, or one of the unit that goes out and of the one that comes in. at:
    where it is measured on the sketch."""

    number: int
    label: str
    pointer: str | None
    out: str | None
    into: str | None
    kind: Literal["figure", "choice"]
    source: Source
    way: Way
    at: list[Point]


class FirstGroup(Out):
    """Lines that are found with one tool at one place."""

    title: str
    hint: str
    lines: list[FirstLine]


class FirstOut(Out):
    """The page. answers: the rules whose verdict is wanted of it."""

    groups: list[FirstGroup]
    answers: list[str]
    out: str | None
    into: str | None
    paths: list[Path]
    wheels: list[Circle]


def first_page(project: Project, fit_id: str | None) -> FirstOut:
    """The first figures of a document with a fit. Raises InputError for a kind of craft that has none."""
    kind = kind_of(project)
    layout = project.craft.layout or kind.layouts[0]
    if kind.first is None:
        raise InputError("/kind", "this kind of craft has no page of first figures", given=project.kind)
    first = kind.first(layout)
    old = min(project.old_installations.items(), key=lambda i: (i[1].rank, i[0]), default=None)
    fitted = project.fits[fit_id].installations.items() if fit_id is not None else ()
    new = min(fitted, key=lambda i: (i[1].rank, i[0]), default=None)
    bases = {
        "old": f"/old_installations/{old[0]}" if old else None,
        "new": f"/fits/{fit_id}/installations/{new[0]}" if new else None,
    }
    number = 0
    groups = []
    for group in first.groups:
        lines = []
        for line in _lines(project, group, first, bases, old[1] if old else None):
            number += 1
            lines.append(line.model_copy(update={"number": number}))
        groups.append(FirstGroup(title=group.title, hint=group.hint, lines=lines))
    sketch = kind.draw(Measures(first.measures, [Foot(role, role, x, z, r) for role, x, z, r in first.feet], []))
    flange, far = first.spots["flange"], first.spots["far end"]
    half = 0.32 * abs(far[0] - flange[0])
    corners = [(flange[0], -half), (far[0], -half), (far[0], half), (flange[0], half)]
    unit = Path(id="unit", points=[Point(x=x, z=flange[1] + z) for x, z in corners], closed=True, smooth=False)
    return FirstOut(
        groups=groups,
        answers=list(first.answers),
        out=old[1].unit.name if old else None,
        into=new[1].unit.name if new else None,
        paths=[*sketch.paths, unit],
        wheels=sketch.wheels,
    )


def _lines(
    project: Project, group: Group, first: First, bases: Mapping[str, str | None], unit: Any
) -> Iterator[FirstLine]:
    for line in group.lines:
        if line.pointer.startswith("~"):
            for suffix, name in _spread(unit, line.pointer.removeprefix("~")):
                out = bases["old"] + suffix if bases["old"] and line.whose != "new" else None
                into = bases["new"] + suffix if bases["new"] and line.whose != "old" else None
                if out or into:
                    yield _one(line, group, first, name, (None, out, into))
            continue
        for pointer, name in _spread(project, line.pointer):
            yield _one(line, group, first, name, (pointer, None, None), _spot_of(project, pointer))


def _one(
    line: AskedLine,
    group: Group,
    first: First,
    name: str,
    where: tuple[str | None, str | None, str | None],
    own: str = "",
) -> FirstLine:
    pointer, out, into = where
    spots = [own if s.startswith("{") else s for s in line.spots]
    label = line.label.replace("{item}", name)
    return FirstLine(
        number=0,
        label=label[:1].upper() + label[1:],
        pointer=pointer,
        out=out,
        into=into,
        kind=line.kind,
        source=line.source or group.source,
        way=line.way,
        at=[Point(x=first.spots[s][0], z=first.spots[s][1]) for s in spots if s in first.spots],
    )


def _spread(part: Any, pointer: str) -> Iterator[tuple[str, str]]:
    """A pointer told of every item that its `*` stands for, with the name of the last. Loads and fuel are those of the
    first loading."""
    found = re.search(r"/(\*|\{[\w ]+\})", pointer)
    if found is None:
        yield pointer, ""
        return
    head, word, tail = pointer[: found.start()], found.group(1), pointer[found.end() :]
    for key, name in _items(part, head, word):
        for rest, inner in _spread(part, f"{head}/{key}{tail}"):
            yield rest, inner or name


def _items(part: Any, head: str, word: str) -> list[tuple[str, str]]:
    if part is None:
        return []
    if word in ("{seats}", "{tanks}"):
        held: Mapping[str, Any] = getattr(part.craft, word.strip("{}"))
    else:
        held = part
        for token in head.strip("/").split("/"):
            held = held[token] if isinstance(held, Mapping) else getattr(held, token)
    ranked = sorted(held.items(), key=lambda i: (i[1].rank, i[0]))
    if head == "/loadings":
        ranked = ranked[:1]
    if head == "/craft/supports" and word != "*":
        role = word.strip("{}")
        ranked = [i for i in ranked if i[1].role == role.removeprefix("first ")][: 1 if "first" in role else None]
    return [(key, item.name) for key, item in ranked]


def _spot_of(project: Project, pointer: str) -> str:
    """The spot of the sketch at which an item stands: of a support its role, of a mark the end it is nearer to."""
    tokens = pointer.strip("/").split("/")
    if tokens[:2] == ["craft", "supports"]:
        return project.craft.supports[tokens[2]].role
    if tokens[:3] == ["craft", "flotation", "marks"]:
        marks = project.craft.flotation.marks
        at = {k: m.station.along_m for k, m in marks.items() if m.station is not None}
        middle = (min(at.values()) + max(at.values())) / 2 if at else 0.0
        return "bow" if at.get(tokens[3], 0.0) <= middle else "stern"
    return ""
