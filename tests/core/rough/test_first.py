"""The page of first figures: numbered in one row, every line a field of the sheets, few enough for an evening."""

from __future__ import annotations

import pytest

from crooked_keel.core.benches import RULES_OF
from crooked_keel.core.document import Project, value_at
from crooked_keel.core.errors import InputError
from crooked_keel.core.first import first_page
from crooked_keel.core.reference.kinds import KINDS
from tests.conftest import DEMO_OF, KIND_IDS
from tests.kept import assess

from .evening import EVENINGS, evening

RULES = {a.rule.id for rules in RULES_OF.values() for a in rules}


@pytest.mark.parametrize(("kind", "layout"), EVENINGS)
def test_forty_figures_say_what_is_wanted(kind: str, layout: str) -> None:
    project = evening(kind, layout)
    page = first_page(project, "a")
    lines = [line for g in page.groups for line in g.lines]
    assert [line.number for line in lines] == list(range(1, len(lines) + 1))
    figures = [p for line in lines if line.kind == "figure" for p in (line.pointer, line.out, line.into) if p]
    assert len(figures) == len(set(figures)) <= 40
    assert all(value_at(project, p) is not None for p in figures)
    said = {f.rule: f.level for f in assess(project, "a").findings if f.level != "unknown"}
    assert set(page.answers) <= RULES
    assert [a for a in page.answers if a not in said] == []


@pytest.mark.parametrize("kind", KIND_IDS)
def test_it_opens_on_any_project(kind: str) -> None:
    """A demonstration, its craft as found and one with nothing in its collections."""
    project = DEMO_OF[kind]
    for fit in (None, *project.fits):
        page = first_page(project, fit)
        assert page.groups and all((line.into is None) or fit for g in page.groups for line in g.lines)
    assert first_page(Project(name="bare", kind=kind), None).paths


def test_a_kind_without_first_figures_says_so(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setitem(KINDS, "boat", KINDS["boat"]._replace(first=None))
    with pytest.raises(InputError, match="no page of first figures"):
        first_page(DEMO_OF["boat"], None)
