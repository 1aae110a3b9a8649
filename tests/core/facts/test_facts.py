"""What records say together: corrections, holds, squawks, connections."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from crooked_keel.core.errors import InputError
from crooked_keel.core.facts import Facts, Kept, read_record
from tests.core.told import facts_of


def record(kind: str, **said: Any) -> dict[str, Any]:
    return {"kind": kind, "by": "Owner", "fit": "a", **said}


def test_a_record_stands_until_another_takes_its_place() -> None:
    facts = facts_of(
        record("spend", what="hoses", amount={"entered": "100", "source": "measured"}),
        record("spend", what="hoses", amount={"entered": "120", "source": "measured"}, corrects=1),
        record("spend", what="clips", amount={"entered": "9", "source": "measured"}),
        record("withdrawn", corrects=3),
    )
    assert [k.number for k in facts.standing] == [2]
    assert len(facts.records) == 4


def test_a_step_is_as_far_as_its_last_word() -> None:
    facts = facts_of(
        record("step", task="t1", step="begun"),
        record("step", task="t1", step="done"),
        record("step", task="t2", step="done"),
        record("step", task="t2", step="opened again"),
    )
    assert facts.steps("a") == {"t1": "done", "t2": "open"} and facts.steps("b") == {}


def test_a_squawk_is_closed_by_its_number_and_never_by_what_is_simulated() -> None:
    squawk = record("squawk", text="clip", severity=2)
    closure = record("closure", squawk=1, evidence="new clip")
    assert len(facts_of(squawk).squawks("a")) == 1
    assert facts_of(squawk, closure).squawks("a") == []
    assert len(facts_of(squawk, {**closure, "simulated": True}).squawks("a")) == 1


def test_a_connection_is_what_was_last_said_of_it() -> None:
    facts = facts_of(record("connection", label="F1", step="parted"), record("connection", label="F1", step="capped"))
    assert facts.connections("a")["F1"][1].step == "capped"


def test_a_card_that_is_simulated_says_nothing() -> None:
    ran = record("card", card="pre-start", result="passed")
    assert facts_of({**ran, "simulated": True}).cards("a", "main") == {}
    assert facts_of({**ran, "unit": "port"}).cards("a", "starboard") == {}
    assert facts_of(ran).cards("a", "starboard")["pre-start"][1].result == "passed"


@pytest.mark.parametrize(
    ("said", "field"),
    [
        ({"kind": "nothing"}, "/kind"),
        ({"fit": "a"}, "/kind"),
        (record("squawk", text="", severity=2), "/text"),
        (record("squawk", text="x", severity=9), "/severity"),
        (record("torque", fastener="bolt", actual={"entered": "tight", "source": "measured"}), "/actual"),
        (record("torque", fastener="bolt", calibrated="2026-02-30"), "/calibrated"),
        (record("step", task="t1", step="finished"), "/step"),
        (record("fluid", system="oil", colour="gold"), "/colour"),
        ({**record("squawk", text="x", severity=2), "by": ""}, "/by"),
        (record("reading", what="rpm", dimension="rotation", entered="x", si=float("nan")), "/si"),
    ],
    ids=lambda v: v if isinstance(v, str) else str(v.get("kind")),
)
def test_a_record_that_cannot_be_is_refused_at_its_field(said: dict[str, Any], field: str) -> None:
    with pytest.raises(InputError) as bad:
        read_record(said)
    assert bad.value.field == field


def test_what_was_kept_is_read_again_as_it_was() -> None:
    from crooked_keel.core.document import plain

    said = record("fluid", system="oil", filled={"entered": "4,4 L", "source": "measured"})
    made = read_record(said, "comma")
    assert read_record(plain(made), trusted=True) == made
    assert Facts((Kept(1, date(2026, 1, 1), "", made),)).standing[0].of is made
