"""Text and function of every registered formula agree; workings carry what they need."""

from __future__ import annotations

import random

import pytest

from crooked_keel.core.figure.units import VIEWS
from crooked_keel.core.formula import FORMULAS, evaluate_text
from crooked_keel.core.judging.register import RULES


@pytest.mark.parametrize("id", sorted(FORMULAS))
def test_text_agrees_with_function(id: str) -> None:
    formula = FORMULAS[id]
    chance = random.Random(id)
    for _ in range(20):
        values = {s: chance.uniform(0.2, 3.0) for s in formula.symbols}
        try:
            expected = formula(*values.values())
        except ValueError:
            continue
        assert evaluate_text(formula.text, values) == pytest.approx(expected, rel=1e-12)


@pytest.mark.parametrize("id", sorted(FORMULAS))
def test_formula_names_source_and_printable_dimensions(id: str) -> None:
    formula = FORMULAS[id]
    assert formula.source
    dimensions = [formula.result[1], *[d for d, _ in formula.symbols.values()]]
    assert all(d in VIEWS["mm-kg"] and d in VIEWS["in-lb"] for d in dimensions)


def test_a_text_that_disagrees_is_noticed() -> None:
    assert evaluate_text("x = ½·D·ω", {"D": 2.0, "ω": 3.0}) == 3.0
    assert evaluate_text("x = D·ω", {"D": 2.0, "ω": 3.0}) != 3.0


@pytest.mark.parametrize("id", sorted(RULES))
def test_every_rule_says_limit_and_source(id: str) -> None:
    rule = RULES[id]
    assert rule.limit and rule.source and rule.title
    assert rule.id.split(".")[0] == rule.bench
