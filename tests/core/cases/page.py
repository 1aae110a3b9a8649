"""The catalogue of rules as a page, with the document that shows each level: `python -m tests.core.cases.page` writes
`docs/rules.md`."""

from __future__ import annotations

from collections import defaultdict
from pathlib import Path
from typing import Any

from crooked_keel.core.benches import BUILT, RULES_OF
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.reference.kinds import KINDS, new_project
from tests.kept import assess

from .cases import KEPT_BOX, Case, cases, demonstrations

FILE = Path(__file__).parents[3] / "docs" / "rules.md"
HEAD = """# Rules

Every rule that is asked, made from the register and from the cases of `tests/core/cases` by
`python -m tests.core.cases.page`; a test holds this page against both. **Needs** is what the rule asks of a craft of
which nothing is entered yet. Each **level** is shown by a demonstration, by its fit, and by what is changed in it; a
test holds each at its level. The mark of a source: *opened* means that the text was read, *from memory* that it was
not, *proposed* that it is ours.
"""
ORDER = ("ok", "watch", "stop", "unknown")
_MANY = 6


def page() -> str:
    """The page as Markdown."""
    shown: dict[str, list[Case]] = defaultdict(list)
    for case in cases():
        shown[case.rule].append(case)
    needs = _needs()
    parts = [HEAD]
    for bench in BUILT:
        parts.append(f"\n## {bench.capitalize()}\n")
        for asked in RULES_OF[bench]:
            r = asked.rule
            only = f" Asked of craft with: {r.form}." if r.form else ""
            parts.append(f"\n### {r.id}: {r.title}\n\n- limit: {r.limit}.{only}\n- source: {r.source}; {r.mark}\n")
            if needs[r.id]:
                more = f", and {len(needs[r.id]) - _MANY} more" if len(needs[r.id]) > _MANY else ""
                parts.append(f"- needs: {', '.join(needs[r.id][:_MANY])}{more}\n")
            for case in sorted(shown[r.id], key=lambda c: ORDER.index(c.level)):
                parts.append(f"- {case.level}: {_said(case)}\n")
    return "".join(parts)


def _needs() -> dict[str, list[str]]:
    """What each rule asks of a craft of each kind of which nothing is known, in people's words."""
    found: dict[str, dict[str, None]] = defaultdict(dict)
    for kind, made in KINDS.items():
        empty = apply_operations(
            Project(name="new", kind=kind), new_project(kind, "new", made.layouts[0], "unit", "mm-kg")
        )
        for fit in (None, *empty.fits):
            for finding in assess(empty, fit).findings:
                found[finding.rule].update({n.what: None for n in finding.needs})
    return defaultdict(list, {rule: list(words) for rule, words in found.items()})


def _said(case: Case) -> str:
    """Demonstration, fit, and what is changed."""
    name = demonstrations()[case.of].name + (" on a kept gearbox (of the tests)" if case.of == KEPT_BOX else "")
    where = f"{name}, {'as found' if case.fit is None else f'fit {case.fit}'}"
    where += f", {len(case.told)} records ({', '.join(sorted({t['kind'] for t in case.told}))})" if case.told else ""
    if not case.edits:
        return where
    if len(case.edits) > 3:
        return f"{where}, with {len(case.edits)} edits under `{_shared(case.edits)}`"
    return f"{where}, " + "; ".join(_edit(e) for e in case.edits)


def _shared(edits: list[dict[str, Any]]) -> str:
    """The part of the document that all edits have in common."""
    first, *others = (e["path"].split("/") for e in edits)
    same = [a for a, *rest in zip(first, *others, strict=False) if all(a == b for b in rest)]
    return "/".join(same) or "/"


def _edit(edit: dict[str, Any]) -> str:
    if edit["op"] == "remove":
        return f"without `{edit['path']}`"
    value = edit["value"]
    if isinstance(value, dict):
        value = value.get("entered", "as in the case")
    return f"`{edit['path']}` {value}"


if __name__ == "__main__":
    FILE.write_text(page())
