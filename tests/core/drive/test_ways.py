"""Ways of driving the wheels side by side: what rules one out, the score by hand, and what turns it round."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import Project
from crooked_keel.core.drive.ways.options import STUDY, DriveWays
from tests.conftest import DEMO_OF, put

TILLER = DEMO_OF["road-vehicle"]
D = "/fits/a/installations/main/drive"
OPTIONS, N = f"{D}/options", f"{D}/options_need"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def found(project: Project) -> DriveWays:
    return answer(STUDY, project, "a")


def test_the_score_by_hand() -> None:
    """Two are left: each thing goes whole to the better one. Cost 3, wait 4, mass 1 of 12 to the chain, quiet and
    upkeep 4 of 12 to the box."""
    made = found(TILLER)
    scores = {w.id: w.score for w in made.ways}
    assert scores["chain"] == pytest.approx(100 * 8 / 12) and scores["box"] == pytest.approx(100 * 4 / 12)
    assert (
        made.best == "chain on a differential" and made.costs_more == -2260 and made.weeks_sooner == pytest.approx(28)
    )
    for w in made.ways:
        assert w.score is None or sum(p.points for p in w.parts) == pytest.approx(w.score)


@pytest.mark.parametrize("thing", ["quiet", "upkeep"])
def test_what_is_said_to_turn_it_round_does(thing: str) -> None:
    """With a little more than that share of the weight on it the other comes first, with a little less it does not."""
    made, names = found(TILLER), {"quiet": "quiet", "upkeep": "little upkeep"}
    (turn,) = (t for t in made.turns if t.name == names[thing])
    rest = 12 - 2
    for by, first in ((1.02, turn.winner), (0.98, made.best)):
        share = turn.share * by
        there = put(TILLER, {f"{N}/{thing}_counts": m(f"{rest * share / (1 - share):.6f}")})
        assert found(there).best == first


OUT: list[tuple[str, dict[str, Any], str, str]] = [
    ("spool", {}, "no reverse", "none where one is wanted"),
    ("chain", {f"{OPTIONS}/chain/bears": m("700 N·m")}, "bears less torque than the wheels are given", "too weak"),
    ("box", {f"{N}/longest_wait": m("20 weeks")}, "comes too late", "half a year"),
    ("box", {f"{N}/most_cost": m("2000")}, "costs too much", "no money for it"),
    ("chain", {f"{OPTIONS}/chain/reverse": "none"}, "no reverse", "the first one falls out"),
]


@pytest.mark.parametrize(("way", "changes", "why", "told"), OUT, ids=[t for *_, t in OUT])
def test_what_rules_one_out_is_said(way: str, changes: dict[str, Any], why: str, told: str) -> None:
    made = found(put(TILLER, changes))
    (one,) = (w for w in made.ways if w.id == way)
    assert why in one.out and one.score is None and made.best != one.name


@pytest.mark.parametrize("part", ["cost", "wait", "mass", "quiet", "upkeep", "bears", "reverse"])
def test_a_blank_is_never_scored(part: str) -> None:
    made = found(put(TILLER, {f"{OPTIONS}/chain/{part}": None}))
    (one,) = (w for w in made.ways if w.id == "chain")
    assert one.lacks and one.score is None and made.best == "enclosed box with reverse"


def test_none_left_is_said_and_what_is_missing_is_named() -> None:
    none = found(put(TILLER, {f"{OPTIONS}/{k}/bears": m("10 N·m") for k in ("chain", "box")}))
    assert none.best == "" and not none.turns and all(w.out for w in none.ways)
    assert found(put(TILLER, {OPTIONS: None})).needs[0].pointer == OPTIONS
    bare = found(put(TILLER, {N: None}))
    assert bare.needs and "counts" in bare.needs[0].what
