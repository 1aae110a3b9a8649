"""Every rule has a document at each level that it can give: what no document shows, nobody has tried."""

from __future__ import annotations

import ast
import inspect
import sys
from collections import defaultdict
from collections.abc import Callable
from dataclasses import replace
from functools import cache
from typing import Any

import pytest

from crooked_keel.core.benches import RULES_OF
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.judging.register import RULES, Rule, says_its_limit
from crooked_keel.core.topic.workspace import Workspace
from crooked_keel.exchange.present import sentence
from tests.core.test_words_of_the_trade import strangers
from tests.kept import judged, suggest

from .cases import Case, cases, demonstrations, found
from .page import FILE, page

LEVELS = {"ok", "watch", "stop"}
# Written, but no document can bring the rule there.
NOT_REACHED = {
    ("mount.cases", "stop"): "the sums of a linear solution close; it watches the arithmetic",
}


def can_give(rule: Rule) -> set[str]:
    """The levels that stand in the source of a rule and of what it calls in rules, comparisons left out."""
    seen: set[tuple[str, str]] = set()
    todo, found = [(rule.check.__module__, rule.check.__name__)], set()
    while todo:
        module, name = at = todo.pop()
        if at in seen:
            continue
        seen.add(at)
        body = _functions(module).get(name)
        if body is None:
            shared = getattr(getattr(sys.modules[module], name, None), "__module__", "")
            todo += [(shared, name)] if shared.endswith(".rules") and shared != module else []
            continue
        own = {a.arg for a in ast.walk(body.args) if isinstance(a, ast.arg)}
        compared = {id(c) for n in ast.walk(body) if isinstance(n, ast.Compare) for c in ast.walk(n)}
        for node in ast.walk(body):
            if isinstance(node, ast.Constant) and node.value in LEVELS and id(node) not in compared:
                found.add(str(node.value))
            elif isinstance(node, ast.Call):
                found |= _given(node)
                todo += [(module, node.func.id)] if isinstance(node.func, ast.Name) else []
            elif isinstance(node, ast.Name) and node.id not in own:
                todo.append((module, node.id))
    return found


def _given(call: ast.Call) -> set[str]:
    """The levels that a band can come to: without bounds of a watch it never stops; what is kept or not is watched by
    its doubt alone."""
    name = getattr(call.func, "id", "")
    if name == "band":
        return {"ok", "watch"} | ({"stop"} if any(k.arg == "watch" for k in call.keywords) else set())
    if name == "kept":
        return {"ok", "stop"} | ({"watch"} if len(call.args) + len(call.keywords) > 3 else set())
    return {"watch", "stop"} if name == "never_ok" else set()


@cache
def _functions(module: str) -> dict[str, ast.FunctionDef]:
    tree = ast.parse(inspect.getsource(sys.modules[module]))
    return {n.name: n for n in tree.body if isinstance(n, ast.FunctionDef)}


def wanted() -> set[tuple[str, str]]:
    """Each rule with each level that it can give."""
    assert RULES_OF
    return {(id, level) for id, rule in RULES.items() for level in can_give(rule)} - set(NOT_REACHED)


def test_every_level_that_a_rule_can_give_has_a_case() -> None:
    known = [(c.rule, c.level) for c in cases()]
    assert len(known) == len(set(known))
    assert wanted() - set(known) == set()
    assert {k for k in known if k[1] != "unknown"} - wanted() == set()


WORK: dict[tuple[str, str | None], Workspace] = defaultdict(Workspace)
BY_DOCUMENT: dict[str, list[Case]] = defaultdict(list)
for _case in cases():
    BY_DOCUMENT[f"{_case.of} {_case.fit} {_case.edits} {_case.told} {_case.today}"].append(_case)


@pytest.mark.parametrize("same", list(BY_DOCUMENT.values()), ids=lambda c: f"{c[0].rule}-{c[0].level}")
def test_a_case_is_at_its_level(same: list[Case]) -> None:
    """And every stop there says its limit in its sentence, not in the catalogue alone."""
    # Warm and cold say the same: that is tested by itself.
    findings = found(same[0], WORK[same[0].of, same[0].fit])
    assert {(c.rule, c.level) for c in same} - {(f.rule, f.level) for f in findings} == set()
    for f in findings:
        assert f.level != "stop" or says_its_limit(f"{f.title.template} {f.message.template}"), f.key
        assert not at_odds(f), f.key


def at_odds(f: Finding) -> bool:
    """Whether level, what was compared and margin are not one statement: ok that is nearer its bound than its doubt,
    a stop that lies inside, a watch that lies far inside, a margin to a bound that decided nothing."""
    c, m = f.compared, f.margin
    if c is None or m is None:
        bounded = c is not None and (c.lo is not None or c.hi is not None)
        return (m is not None) or (bounded and c is not None and not c.ground)
    sure = m.si >= 0 and (m.doubts is None or m.doubts >= 1)
    return bool(c.ground) or {"ok": not sure, "watch": sure, "stop": m.si >= 0, "unknown": True}[f.level]


def test_statements_that_are_at_odds_are_seen() -> None:
    one = found(next(c for c in cases() if (c.rule, c.level) == ("systems.oil-fill", "ok")))
    fill = next(f for f in one if f.rule == "systems.oil-fill")
    assert fill.compared is not None and fill.margin is not None and not at_odds(fill)
    for level in ("watch", "stop", "unknown"):
        assert at_odds(replace(fill, level=level))  # type: ignore[arg-type]
    near = replace(fill, margin=replace(fill.margin, doubts=0.9))
    assert at_odds(near) and not at_odds(replace(near, level="watch"))
    assert at_odds(replace(fill, margin=None)) and not at_odds(fill.at("watch", "a second ground"))


def test_a_sentence_without_a_limit_is_seen() -> None:
    assert not says_its_limit("Top and bottom together should equal port and starboard together.")
    assert says_its_limit("1° is allowed, above 3° it stops.")


def test_the_page_of_rules_is_what_register_and_cases_say() -> None:
    assert FILE.read_text() == page()


def test_every_rule_that_can_trouble_says_what_settles_it() -> None:
    for id, rule in RULES.items():
        assert not can_give(rule) & {"stop", "watch"} or rule.settles is not None, id


@pytest.mark.parametrize("of", demonstrations())
def test_every_stop_and_watch_has_a_way_out_or_says_what_settles_it(of: str, some: Callable[..., Any]) -> None:
    """And every way out is said in the words of its trade. Every other one, all with --long."""
    project, asked = demonstrations()[of], 0
    for fit in project.fits:
        for trouble in some((f for f in judged(project, fit).findings if f.level in ("stop", "watch")), 2):
            answer = suggest(project, fit, trouble.key)
            asked += 1
            assert answer.suggestions or len(answer.none.split()) > 4, trouble.key
            assert all(s.reaches in ("ok", "watch") for s in answer.suggestions)
            offers = ((trouble.key, sentence(s.message, "mm-kg")) for s in answer.suggestions)
            assert strangers(project.kind, offers) == []
    assert asked >= 5
