"""A case at each level of each rule: a demonstration, a fit, and the edits that bring it there.

`python -m tests.core.cases.cases` looks for cases that are missing, one edit away from a demonstration or from a case
that is there, and writes them down.
"""

from __future__ import annotations

import json
from collections.abc import Iterator
from datetime import date
from functools import cache
from itertools import groupby
from pathlib import Path
from typing import Any, NamedTuple

from crooked_keel.core.assess import assess
from crooked_keel.core.document import Figure, Project, apply_operations, value_at
from crooked_keel.core.document.fields import all_fields, figure_pointers
from crooked_keel.core.errors import InputError
from crooked_keel.core.facts import Facts, Kept, read_record
from crooked_keel.core.figure.units import VIEWS
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.judging.register import RULES
from crooked_keel.core.reference.kinds import KINDS
from crooked_keel.core.topic.workspace import Workspace
from crooked_keel.demo.seed import DEMOS, SECOND, made
from tests import kept
from tests.conftest import DEMO_OF

KEPT_BOX = "kept_box"
FILE = Path(__file__).parent / "cases.json"
# What a figure is multiplied by; None takes it away.
SHARES = (None, 0.0, -1.0, 0.01, 0.1, 0.3, 0.5, 0.8, 0.9, 1.1, 1.25, 2.0, 3.0, 10.0, 100.0)


class Case(NamedTuple):
    """One document that brings a rule to a level, with what is recorded and the day on which it is looked at."""

    rule: str
    level: str
    of: str
    fit: str | None
    edits: list[dict[str, Any]]
    told: tuple[dict[str, Any], ...] = ()
    today: str = ""


@cache
def demonstrations() -> dict[str, Project]:
    """Every demonstration by the name of its module; and the one whose gearbox is kept, of the tests alone."""
    shown = {demo.__name__.rsplit(".", 1)[1]: made(kind, demo) for kind, demo in (*DEMOS, *SECOND)}
    return {**shown, KEPT_BOX: DEMO_OF["road-vehicle"]}


def cases() -> list[Case]:
    """All that are written down."""
    return [Case(**{**c, "told": tuple(c.get("told", ()))}) for c in json.loads(FILE.read_text())]


def facts(case: Case) -> Facts:
    """What is recorded in a case, all on the day of its first look."""
    day = date.fromisoformat(case.today) if case.today else None
    on = day or date(2026, 11, 29)
    records = [read_record({"by": "Owner", "fit": case.fit, **said}) for said in case.told]
    return Facts(tuple(Kept(n, on, f"{on}T12:00:00+00:00", r) for n, r in enumerate(records, 1)), day)


def document(case: Case) -> Project:
    """The document of a case."""
    return apply_operations(demonstrations()[case.of], case.edits)


def found(case: Case, work: Workspace | None = None) -> list[Finding]:
    """Everything that is found there."""
    return kept.assess(document(case), case.fit, work, facts(case)).findings


def levels(case: Case) -> set[tuple[str, str]]:
    """Every rule with each level that it gives there."""
    return {(f.rule, f.level) for f in found(case)}


def holds(case: Case) -> bool:
    """Whether a case is still at its level."""
    try:
        return (case.rule, case.level) in levels(case)
    except InputError:
        return False


def spoilt(project: Project) -> Iterator[dict[str, Any]]:
    """Every figure of a document changed in each way, one edit at a time."""
    for pointer in figure_pointers(project):
        figure = value_at(project, pointer)
        assert isinstance(figure, Figure)
        shown = VIEWS["mm-kg"].get(figure.dimension)
        if shown is None or "/sections/" in pointer:
            continue
        kept = figure.model_dump(mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True)
        for share in SHARES:
            if share is None:
                yield {"op": "remove", "path": pointer}
                continue
            text = f"{(figure.si - shown.offset) / shown.factor * share:.6g} {shown.unit}".strip()
            yield {"op": "replace", "path": pointer, "value": {**kept, "entered": text}}
    raw = project.model_dump(mode="json", by_alias=True, exclude_none=True)
    for field in all_fields():
        for pointer in _matching(raw, field.pattern.strip("/").split("/")) if field.choices else ():
            for choice in field.choices or ():
                yield {"op": "replace", "path": pointer, "value": choice}


def _matching(raw: Any, pattern: list[str], at: str = "") -> Iterator[str]:
    """Pointers of a pattern that are there."""
    if not pattern:
        yield at
    elif isinstance(raw, dict):
        for key in raw if pattern[0] == "*" else [pattern[0]]:
            if key in raw:
                yield from _matching(raw[key], pattern[1:], f"{at}/{key}")


def looked_for(wanted: set[tuple[str, str]]) -> list[Case]:
    """Cases of what is wanted, each one edit away from a demonstration or from a case that is there."""
    found: list[Case] = []
    for rule in sorted({rule for rule, _ in wanted}):
        levels = {level for of, level in wanted if of == rule}
        for start in _starts(rule):
            for edit, level in _one_edit_away(rule, start):
                if level in levels:
                    found.append(Case(rule, level, start.of, start.fit, [*start.edits, edit], start.told, start.today))
                    levels.discard(level)
                if not levels:
                    break
            if not levels:
                break
    return found


def _starts(rule: str) -> list[Case]:
    """Where to begin: crafts that have the rule's form and of which it says anything, those that are changed least
    first."""
    form = RULES[rule].form
    shown = [Case(rule, "", of, fit, []) for of, p in demonstrations().items() for fit in (None, *p.fits)]
    starts = [*shown, *(c for c in cases() if c.rule == rule)]
    of_its_form = [s for s in starts if form is None or form in KINDS[demonstrations()[s.of].kind].forms]
    return sorted((s for s in of_its_form if _said(rule, document(s), s, Workspace())), key=lambda s: len(s.edits))


def _said(rule: str, project: Project, start: Case, work: Workspace) -> list[Finding]:
    """What a rule finds: its own bench is asked and no other."""
    made = assess(project, start.fit, work, facts(start), drawn=False, sections=[RULES[rule].bench])
    return [f for f in made.findings if f.rule == rule]


def _one_edit_away(rule: str, start: Case) -> Iterator[tuple[dict[str, Any], str]]:
    """Every edit with each level that the rule then gives. A figure that moves nothing when it is a quarter more, and
    gone, is not tried further."""
    project, work = document(start), Workspace()
    before = _said(rule, project, start, work)
    by_path = groupby(spoilt(project), key=lambda edit: edit["path"])
    for _, edits in by_path:
        tries = sorted(edits, key=lambda e: e["op"] != "remove")
        moves = False
        for edit in [*tries[:1], *tries[11:12], *tries[1:11], *tries[12:]]:
            try:
                found = _said(rule, apply_operations(project, [edit]), start, work)
            except InputError:
                continue
            moves = moves or found != before
            yield from ((edit, f.level) for f in found)
            if not moves and edit is not tries[0]:
                break


def written(all_cases: list[Case]) -> str:
    """The file: a case a line."""
    said = lambda c: {k: v for k, v in c._asdict().items() if k not in ("told", "today") or v}
    lines = [json.dumps(said(c), ensure_ascii=False) for c in sorted(all_cases, key=lambda c: c[:2])]
    return "[\n" + ",\n".join(lines) + "\n]\n"


if __name__ == "__main__":
    from tests.core.cases.test_cases import wanted

    standing = [c for c in cases() if holds(c)]
    missing = wanted() - {(c.rule, c.level) for c in standing}
    more = looked_for(set(missing))
    FILE.write_text(written([*standing, *more]))
    print(f"found {len(more)} of {len(missing)}")
