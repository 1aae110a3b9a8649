"""What no craft may care about: where its datum lies, which line is called level, in which units a figure was written,
and in which order its rows stand. Every demonstration is rewritten that way, and must be judged as before."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from typing import Any

import pytest

from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import Figure, Project, apply_operations, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.figure.place import Place, Station, WaterLine
from crooked_keel.core.figure.units import VIEWS
from crooked_keel.exchange.present import answer, sentence
from tests.conftest import DEMO_OF, KIND_IDS
from tests.kept import assess, suggest

SHIFT_M = 0.25
Rewrite = Callable[[Figure], dict[str, Any] | None]


def figures(project: Project) -> Iterator[tuple[str, Figure]]:
    for pointer in figure_pointers(project):
        figure = value_at(project, pointer)
        assert isinstance(figure, Figure)
        yield pointer, figure


def rewritten(project: Project, rewrite: Rewrite) -> Project:
    """The document with some of its figures written another way."""
    operations = []
    for pointer, figure in figures(project):
        new = rewrite(figure)
        if new is not None and "/envelope/" not in pointer and "/sections/" not in pointer:
            whole = {
                **figure.model_dump(mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True),
                **new,
            }
            if figure.plus_minus is not None and "plus_minus" not in new:
                whole["plus_minus"] = {"entered": figure.plus_minus.entered}
            operations.append({"op": "replace", "path": pointer, "value": whole})
    # The envelope and the sections are one figure of many points each: they are put in whole.
    corners = [
        {
            part: {
                **getattr(c, part).model_dump(mode="json", by_alias=True, exclude={"si"}, exclude_none=True),
                **(rewrite(getattr(c, part)) or {}),
            }
            for part in ("station", "mass")
        }
        for c in project.craft.limits.envelope or []
    ]
    again = lambda f: {
        **f.model_dump(mode="json", by_alias=True, exclude={"si"}, exclude_none=True),
        **(rewrite(f) or {}),
    }
    cut = [
        {"station": again(s.station), "half": [{"out": again(p.out), "height": again(p.height)} for p in s.half]}
        for s in project.craft.flotation.sections or []
    ]
    if cut:
        operations.append({"op": "replace", "path": "/craft/flotation/sections", "value": cut})
    if corners:
        operations.append({"op": "replace", "path": "/craft/limits/envelope", "value": corners})
    assert operations
    return apply_operations(project, operations)


def moved(origin: str, of: type[Place], ahead: str, behind: str, by_m: float = SHIFT_M) -> Rewrite:
    """Every place measured from one reference, measured from one that lies so far the other way."""

    def rewrite(figure: Figure) -> dict[str, Any] | None:
        if not isinstance(figure, of) or figure.origin != origin:
            return None
        along = figure.along_m + by_m
        return {"entered": f"{abs(along) * 1000:.9f} mm", "dir": ahead if along >= 0 else behind}

    return rewrite


def in_units(view: str) -> Rewrite:
    """Every figure in the units of a view."""

    def rewrite(figure: Figure) -> dict[str, Any] | None:
        shown = VIEWS[view].get(figure.dimension)
        if shown is None or not shown.unit:
            return None
        new: dict[str, Any] = {"entered": f"{(figure.si - shown.offset) / shown.factor!r} {shown.unit}"}
        if figure.plus_minus is not None:
            new["plus_minus"] = {"entered": f"{figure.plus_minus.si / shown.factor!r} {shown.unit}"}
        return new

    return rewrite


def judged(made: Assessment) -> dict[str, str]:
    return {f.key: f.level for f in made.findings}


def differs(before: Assessment, after: Assessment, shift_m: float) -> list[str]:
    """Values that are neither as they were nor, being a place, moved by the shift."""
    odd = []
    for a, b in zip(before.values, after.values, strict=True):
        assert a.id == b.id and a.needs == b.needs
        if a.si is None or b.si is None:
            odd += [] if a.si == b.si else [a.id]
        elif b.si != pytest.approx(a.si, rel=1e-6, abs=1e-9) and not (
            a.dimension == "length" and b.si == pytest.approx(a.si + shift_m, rel=1e-6, abs=1e-9)
        ):
            odd.append(f"{a.id}: {a.si} → {b.si}")
    return odd


FITS = ("a", "b", None)


@pytest.mark.parametrize("fit", FITS)
@pytest.mark.parametrize("kind", KIND_IDS)
def test_the_datum_may_lie_anywhere(kind: str, fit: str | None) -> None:
    project = DEMO_OF[kind]
    elsewhere = rewritten(project, moved("datum", Station, "aft", "forward"))
    before, after = assess(project, fit), assess(elsewhere, fit)
    assert judged(after) == judged(before)
    assert differs(before, after, SHIFT_M) == []


@pytest.mark.parametrize("fit", FITS)
@pytest.mark.parametrize("kind", KIND_IDS)
def test_any_line_may_be_called_level(kind: str, fit: str | None) -> None:
    project = DEMO_OF[kind]
    elsewhere = rewritten(project, moved("level line", WaterLine, "up", "down"))
    before, after = assess(project, fit), assess(elsewhere, fit)
    assert judged(after) == judged(before)
    assert differs(before, after, SHIFT_M) == []


@pytest.mark.parametrize("kind", KIND_IDS)
@pytest.mark.parametrize(
    ("origin", "of", "way", "other", "by_m"),
    [("datum", Station, "aft", "forward", -6.0), ("level line", WaterLine, "up", "down", -3.0)],
)
def test_a_place_ahead_of_the_datum_or_below_the_level_line_is_said_in_words(
    kind: str, origin: str, of: type[Place], way: str, other: str, by_m: float
) -> None:
    """Where everything lies on the far side of the reference, no sentence, answer or way out tells a place by a bare
    minus. A load factor downwards is one by its definition."""
    project = rewritten(DEMO_OF[kind], moved(origin, of, way, other, by_m))
    told: dict[str, str] = {}
    for fit in (None, *project.fits):
        made = assess(project, fit)
        for f in made.findings:
            told |= {f"{f.key} {n}": sentence(m, "mm-kg") for n, m in enumerate((f.title, f.message))}
            if fit and f.rule in ("balance.cg-forward", "balance.worst-loading") and f.can_suggest:
                ways = suggest(project, fit, f.key).suggestions
                told |= {f"way out of {f.key}, {s.id}": sentence(s.message, "mm-kg") for s in ways}
        told |= {v.id: said for v in made.values for said in answer(v, "mm-kg") if said is not None}
    assert len(told) > 150
    bare = {k: text for k, text in told.items() if re.search(r"(?<!\d)[−-]\d", text)}
    assert {k.partition("@")[0] for k in bare} <= {"mount.load-factor-down"}, bare


@pytest.mark.parametrize("view", sorted(VIEWS))
@pytest.mark.parametrize("kind", KIND_IDS)
def test_units_of_entry_change_nothing(kind: str, view: str) -> None:
    project = DEMO_OF[kind]
    other = rewritten(project, in_units(view))
    for fit in FITS:
        before, after = assess(project, fit), assess(other, fit)
        assert judged(after) == judged(before)
        assert differs(before, after, 0.0) == []


IN_ORDER = ("/stages", "/loadings", "/loop", "/water", "/path", "/outline")


def backwards(project: Project) -> Project:
    """The document with every list of rows turned round."""
    operations: list[dict[str, Any]] = []

    def walk(part: Any, at: str) -> None:
        if not isinstance(part, dict):
            return
        for key, item in part.items():
            if isinstance(item, dict) and "rank" in item and not at.endswith(IN_ORDER):
                operations.append({"op": "replace", "path": f"{at}/{key}/rank", "value": -item["rank"]})
            walk(item, f"{at}/{key}")

    walk(project.model_dump(mode="json", by_alias=True), "")
    assert operations
    return apply_operations(project, operations)


@pytest.mark.parametrize("kind", KIND_IDS)
def test_order_of_rows_changes_no_figure(kind: str) -> None:
    """Stages stand in the order of the shafts, parts of a lane in that of the flow, corners round their tank, and the
    first loading is the one that single answers are given for: those are left."""
    project = DEMO_OF[kind]
    turned = backwards(project)
    for fit in FITS:
        before, after = assess(project, fit), assess(turned, fit)
        assert judged(after) == judged(before)
        found = {v.id: v for v in after.values}
        for v in before.values:
            other = found[v.id].si
            assert (v.si is None) == (other is None), v.id
            assert v.si is None or other == pytest.approx(v.si, rel=1e-9, abs=1e-12), v.id
