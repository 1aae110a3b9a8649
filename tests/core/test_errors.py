"""The two ways in which a computation declines to answer, and how what it lacks is handed on."""

from __future__ import annotations

import pytest

from crooked_keel.core.asked.studies import STUDIES, answer
from crooked_keel.core.errors import CannotSay, Gap, InputError, ask_all, fields, or_gap, or_none
from crooked_keel.core.judging.study import Answer, Study
from crooked_keel.core.topic.workspace import takes
from tests.conftest import DEMO_OF, put
from tests.kept import assess

MASS, ARM = Gap("/mass", "mass of it"), Gap("/arm", "arm of it")


def lacks(*gaps: Gap) -> float:
    raise CannotSay(*gaps)


def refuses() -> float:
    raise InputError("/pitch", "the pitch must be above zero", given="0 mm", allowed="above zero")


def test_a_refusal_is_a_gap_with_what_was_given_and_what_is_accepted() -> None:
    with pytest.raises(InputError) as bad:
        refuses()
    assert bad.value.gap == Gap("/pitch", "the pitch must be above zero", "0 mm", "above zero")
    assert bad.value.at("/other").gap == Gap("/other", "the pitch must be above zero", "0 mm", "above zero")


def test_the_answer_or_what_it_needs() -> None:
    assert or_gap(lambda: 4.0) == 4.0
    lacking = or_gap(lambda: lacks(MASS))
    assert isinstance(lacking, CannotSay) and lacking.needs == (MASS,)
    refused = or_gap(refuses)
    assert isinstance(refused, CannotSay) and refused.needs[0].given == "0 mm"
    assert or_none(lambda: 4.0) == 4.0
    assert or_none(lambda: lacks(MASS)) is None and or_none(refuses) is None


def test_each_question_is_asked_once_and_all_gaps_are_listed_once() -> None:
    asked: list[str] = []

    def one(word: str) -> str:
        asked.append(word)
        return word

    assert ask_all(lambda: one("a"), lambda: one("b")) == ("a", "b") and asked == ["a", "b"]
    with pytest.raises(CannotSay) as gap:
        ask_all(lambda: lacks(MASS), lambda: 1.0, lambda: lacks(MASS, ARM))
    assert gap.value.needs == (MASS, ARM)
    assert str(gap.value) == "needs mass of it, arm of it"


def test_what_is_no_argument_of_the_caller_keeps_its_own_field() -> None:
    with pytest.raises(InputError) as bad, fields(diameter="/a"):
        refuses()
    assert bad.value.field == "/pitch"


def test_a_finding_says_what_was_typed_though_the_function_did_not_know_it() -> None:
    """A refusal deep in the core knows a number; the text that it came from is put to it at the end."""
    pointer = "/fits/a/installations/main/unit/rated_speed"
    made = assess(put(DEMO_OF["aeroplane"], {pointer: {"entered": "0 rpm", "source": "maker"}}), "a")
    gaps = [n for f in made.findings for n in f.needs if n.pointer == pointer]
    assert gaps and {n.given for n in gaps} == {"0 rpm"}
    assert {n.allowed for n in gaps} <= {"above zero", "a speed that the curve reaches"}
    assert any(n.given == "0 rpm" for n in made.missing)


# --- studies


def _study(gap: Gap, bad: InputError | None, *, draws: int = 3) -> None:
    """Takes two topics, one of which it can do without."""


def test_what_is_asked_by_keyword_is_no_topic() -> None:
    taken = takes(_study)
    assert taken.kinds == (Gap, InputError) and taken.needed == {Gap}


@pytest.mark.parametrize("id", sorted(STUDIES))
def test_a_study_refuses_a_fit_that_is_not_there_and_a_craft_that_has_nothing_to_study(id: str) -> None:
    study = STUDIES[id]
    with pytest.raises(InputError, match="no such fit"):
        answer(study, DEMO_OF["aeroplane"], "zz")
    if study.form is not None:
        with pytest.raises(InputError) as bad:
            answer(study, DEMO_OF["boat" if study.form == "driven wheel" else "scooter"], "a")
        assert bad.value.field == "/kind" and bad.value.message == study.refused


def test_a_study_that_cannot_say_lists_what_it_needs_and_is_blank_else() -> None:
    class Weighed(Answer):
        """Made for the test."""

        mass_si: float | None = None

    study = Study("weigh", "balance", "Weigh it", lambda: lacks(MASS), Weighed)
    said = answer(study, DEMO_OF["aeroplane"], "a")
    assert said == Weighed(needs=[MASS])
