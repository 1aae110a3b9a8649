"""Numbers at the edge: one golden table for this formatter and the front end's."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

import pytest

from crooked_keel.core.errors import Gap
from crooked_keel.core.figure.units import VIEWS
from crooked_keel.core.formula import FORMULAS, FUNCTIONS
from crooked_keel.core.judging.finding import Message, Param, Value, Ways
from crooked_keel.exchange.present import answer, needed, number, sentence, working

GOLDEN = json.loads((Path(__file__).parents[1] / "golden" / "format.json").read_text())


@pytest.mark.parametrize("case", GOLDEN["numbers"], ids=lambda c: f"{c['units']}-{c['dimension']}-{c['si']}")
def test_number(case: dict[str, object]) -> None:
    assert number(float(str(case["si"])), str(case["dimension"]), str(case["units"])) == case["shown"]


def test_golden_table_is_of_the_views_in_force() -> None:
    assert set(GOLDEN["views"]) == set(VIEWS)
    for units, dimensions in GOLDEN["views"].items():
        assert (
            set(dimensions) == set(VIEWS[units]) == {c["dimension"] for c in GOLDEN["numbers"] if c["units"] == units}
        )
        for dimension, spec in dimensions.items():
            here = VIEWS[units][dimension]
            said = {"unit": here.unit, "factor": here.factor, "decimals": here.decimals, "offset": here.offset}
            assert spec == said


def test_golden_sentence_and_working() -> None:
    case = GOLDEN["sentence"]
    message = Message(template=case["template"], params={k: Param(**v) for k, v in case["params"].items()})
    assert sentence(message, "mm-kg") == case["shown"]["mm-kg"]
    assert sentence(message, "in-lb") == case["shown"]["in-lb"]
    for case in GOLDEN["workings"]:
        of = case["working"]
        made = FORMULAS[of["formula"]].working(*(t["si"] for t in of["terms"]))
        assert working(made, "mm-kg") == case["shown"]


@pytest.mark.parametrize("id", sorted(FORMULAS))
def test_a_working_puts_numbers_for_symbols_and_for_nothing_else(id: str) -> None:
    """Without its numbers and the functions that it calls nothing is left of the line but signs: `cos` stays `cos`
    where a symbol is called c."""
    of = FORMULAS[id]
    made = of.working(*of.example[0])
    said, filled, _ = working(made, "mm-kg")
    assert re.findall(r"[a-z]{2,}(?=\()", filled) == re.findall(r"[a-z]{2,}(?=\()", said.split("=", 1)[1])
    left = filled
    for told in sorted((number(t.si, t.dimension, "mm-kg") for t in made.terms), key=len, reverse=True):
        left = left.replace(told, "")
    left = re.sub(rf"({'|'.join(FUNCTIONS)}|Φ|π|(?<=\d)e(?=-\d))", "", left)
    assert [sign for sign in left if sign.isalpha()] == []


def test_an_unknown_dimension_is_a_fault() -> None:
    with pytest.raises(KeyError):
        number(1.0, "warmth", "mm-kg")


def test_a_figure_that_cannot_be_used_is_said_with_what_was_given_and_what_is_accepted() -> None:
    assert needed(Gap(**g) for g in GOLDEN["needed"]["gaps"]) == GOLDEN["needed"]["shown"]


@pytest.mark.parametrize("case", GOLDEN["answers"])
def test_a_value_whose_sign_is_a_direction_says_it_in_words(case: dict[str, Any]) -> None:
    given = case["value"]
    value = Value(
        "x",
        "align",
        "x",
        given["dimension"],
        given["si"],
        given["before_si"],
        ways=given["ways"] and Ways(**given["ways"]),
    )
    assert list(answer(value, "mm-kg")) == case["shown"]
