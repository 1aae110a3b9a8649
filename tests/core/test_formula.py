"""Text and function of every registered formula agree; workings carry what they need."""

from __future__ import annotations

import random
import re

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
def test_example_worked_by_hand_comes_out_of_function_and_text(id: str) -> None:
    formula = FORMULAS[id]
    given, result = formula.example
    assert formula(*given) == pytest.approx(result, rel=2e-4)
    assert evaluate_text(formula.text, dict(zip(formula.symbols, given, strict=True))) == pytest.approx(
        result, rel=2e-4
    )


# What these say holds by definition or by geometry, whatever the numbers.
EXACT = re.compile(
    r"statics|kinematics|geometry|rigid-body geometry|trigonometry|definition( of [\w ]+)?|mechanics"
    r"|designer's limit; statics|.*FAA-H-8083-1.*|lever about .*|rating, .*"
)


@pytest.mark.parametrize("id", sorted(FORMULAS))
def test_what_is_not_exact_says_within_what_it_holds(id: str) -> None:
    assert FORMULAS[id].valid or EXACT.fullmatch(FORMULAS[id].source)


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


ZERO_C_K = 273.15
IN_DEGREES = sorted(k for k, f in FORMULAS.items() if "temperature" in {d for d, _ in f.symbols.values()})


@pytest.mark.parametrize("id", IN_DEGREES)
def test_a_working_in_degrees_comes_out_in_degrees(id: str) -> None:
    """Whoever puts the degrees that are shown into the formula gets what is shown: where only temperatures from
    absolute nought will do, those are shown."""
    of = FORMULAS[id]
    numbers = dict(zip(of.symbols, of.example[0], strict=True))
    shown = {s: v - ZERO_C_K if of.symbols[s][0] == "temperature" else v for s, v in numbers.items()}
    by_hand = evaluate_text(of.text, shown) + (ZERO_C_K if of.result[1] == "temperature" else 0.0)
    assert by_hand == pytest.approx(of(*of.example[0]), rel=1e-9)
