"""What a bench says of itself: its worst verdict, the rules that were silent, and what no rule looks at."""

from __future__ import annotations

from collections import Counter

import pytest

from crooked_keel.core.benches import BUILT, RULES_OF, TABLE
from crooked_keel.core.document import Project
from crooked_keel.core.judging.register import RULES
from crooked_keel.core.reference.kinds import KINDS
from crooked_keel.exchange.report import lines
from tests.conftest import DEMO_OF, KIND_IDS, put
from tests.core.cases.cases import cases
from tests.kept import assess


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_rule_of_a_craft_spoke_or_is_named_as_silent(kind: str) -> None:
    made = assess(DEMO_OF[kind], "a")
    for state in (b for b in made.benches if b.bench in BUILT):
        spoke = {f.rule for f in made.findings if f.bench == state.bench}
        own = [a.rule for a in RULES_OF[state.bench] if a.rule.form in (None, *KINDS[kind].forms)]
        assert len(own) == len(spoke) + len(state.silent)
        assert not {r.title for r in own if r.id in spoke} & set(state.silent)
        assert state.unchecked


def test_what_a_rule_has_just_judged_is_not_called_unchecked() -> None:
    """A matter of a bench goes from the list once a verdict was about it, and comes back when that cannot be said."""
    for rule in RULES.values():
        assert rule.looks_at is None or rule.looks_at in TABLE[rule.bench].matters, rule.id
    matters = [(bench, m) for bench in BUILT for m in TABLE[bench].matters]
    assert len(matters) == len(set(matters))
    told, judged = Counter[str](), set()
    for project in DEMO_OF.values():
        for fit in (None, *project.fits):
            made = assess(project, fit)
            sure = {RULES[f.rule].looks_at for f in made.findings if f.level != "unknown"} - {None}
            judged |= sure
            told.update(what for b in made.benches for what in b.unchecked)
            assert not {m.what for m in sure if m} & {what for b in made.benches for what in b.unchecked}
    shown = {c.rule for c in cases() if c.level == "ok"}
    assert {m for id, r in RULES.items() if (m := r.looks_at) and id in shown} >= judged and len(judged) >= 8
    assert {m.what for _, m in matters} == set(told)


def test_what_no_rule_looks_at_is_told_by_the_form_of_the_craft() -> None:
    told = {k: next(b for b in assess(p, "a").benches if b.bench == "mount").unchecked for k, p in DEMO_OF.items()}
    strikes = "a propeller that strikes or an engine that seizes"
    assert [k for k, what in told.items() if strikes in what] == ["aeroplane"]
    assert all("welds, bolts and their locking, fatigue" in what for what in told.values())


@pytest.mark.parametrize("kind", KIND_IDS)
def test_a_project_with_nothing_in_it_cannot_say_anything_on_any_bench(kind: str) -> None:
    bare = Project.model_validate({"name": "bare", "kind": kind, "craft": {"layout": KINDS[kind].layouts[0]}})
    fitted = put(bare, {"/fits/a": {"name": "a", "installations": {"main": {"name": "main"}}}})
    for project, fit in ((bare, None), (fitted, "a")):
        states = {b.bench: b.level for b in assess(project, fit).benches if b.built}
        assert {k: v for k, v in states.items() if v != "unknown"} == {}


def test_paper_says_what_was_not_checked() -> None:
    text = "\n".join(lines(assess(DEMO_OF["boat"], "a"), "mm-kg"))
    assert "Not checked: how hard twisting shakes" in text and "Found nothing to judge: " in text
