"""Candidates side by side on the demonstrations: each figure is what its own bench says, and what is missing leaves a
candidate unscored."""

from __future__ import annotations

import pytest

from crooked_keel.core.asked.comparison import Candidate, compare
from crooked_keel.core.choose.power.altitude import density_ratio, lapse_na
from crooked_keel.core.document import Project
from crooked_keel.core.figure.units import FT_M, HP_W
from tests.conftest import DEMO_OF, KIND_IDS, finding, put, value
from tests.kept import assess

UNIT = "/fits/a/installations/main/unit"


def rows(project: Project) -> dict[str, Candidate]:
    return {c.id: c for c in compare(project).candidates}


def test_figures_are_those_of_the_benches(project: Project) -> None:
    made, found = rows(project), assess(project, "a")
    a = made["a"]
    assert list(made) == ["none", "a", "b"]
    assert a.empty_si == pytest.approx(value(found, "balance.empty-mass")) and a.cg_si == pytest.approx(
        value(found, "balance.empty-cg")
    )
    assert a.power_si == pytest.approx(92 * HP_W * lapse_na(density_ratio(6000 * FT_M)))
    assert a.power_si == pytest.approx(value(found, "choose.power-there"))
    # Unit, belt drive, propeller, mount; its accessories are in its mass.
    assert a.mass_si == pytest.approx(74.0 + 11.4 + 8.1 + 4.1)
    # Money by hand: 9400 + 1900 + 650 + 455 (closed: paid); the longest open wait is the propeller's.
    assert a.cost_si == 12_405 and a.wait_si == 9 * 7 * 86400
    assert {x.bench: x.level for x in a.levels}["balance"] == "stop"
    assert a.hearsay == ["supply of parts of the inline-three, belt"]


def test_the_score_is_the_worked_sum_of_its_parts(project: Project) -> None:
    found = compare(project)
    for c in found.candidates[1:]:
        assert c.score == pytest.approx(sum(p.points for p in c.score_parts))
    # Two candidates: each criterion goes whole to one of them. Power 3, mass 4, cost 2, wait 1, parts 2 of 12: a has
    # power and wait.
    made = rows(project)
    assert made["a"].score == pytest.approx(100 * (3 + 1) / 12) and made["b"].score == pytest.approx(
        100 * (4 + 2 + 2) / 12
    )
    assert found.best == "b" and all(t.winner == made["a"].name for t in found.turns)


def test_a_hard_limit_comes_before_any_score(project: Project) -> None:
    found = compare(put(project, {"/need/most_mass": "90 kg"}))
    made = {c.id: c for c in found.candidates}
    assert made["a"].out == ["installed mass"] and made["a"].score is None
    assert found.best == "b" and found.turns == []


def test_what_is_missing_is_named_and_leaves_the_candidate_unscored(project: Project) -> None:
    made = rows(put(project, {f"{UNIT}/parts": None}))
    assert made["a"].score is None and f"{UNIT}/parts" in {n.pointer for n in made["a"].needs}
    assert made["b"].score == pytest.approx(100.0)
    # What is not weighed is not missed.
    made = rows(put(project, {f"{UNIT}/parts": None, "/need/weights/parts": None}))
    assert made["a"].score is not None and made["a"].needs == []


def test_weights_all_nothing_are_refused_in_words(project: Project) -> None:
    none = {f"/need/weights/{w}": None for w in ("power", "mass", "cost", "wait", "parts")}
    found = compare(put(project, none))
    assert "all weights are zero" in found.refused and all(c.score is None for c in found.candidates)


def test_seven_candidates_are_compared_as_two_are(project: Project) -> None:
    many = project
    for i in range(3, 8):
        copy = many.fits["b"].model_dump(mode="json", by_alias=True, exclude_none=True)
        copy |= {"name": f"copy {i}", "rank": float(i)}
        many = put(many, {f"/fits/c{i}": strip(copy)})
    made = compare(many)
    assert len(made.candidates) == 8 and all(c.score is not None for c in made.candidates[1:])
    alike = [c.score for c in made.candidates[2:]]
    assert alike == pytest.approx([alike[0]] * 6)


def strip(part: object) -> object:
    """What was typed, without what the server works out of it."""
    if isinstance(part, dict):
        return {k: strip(v) for k, v in part.items() if not (k == "si" and "entered" in part)}
    return [strip(x) for x in part] if isinstance(part, list) else part


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_kind_is_compared(kind: str) -> None:
    found = compare(DEMO_OF[kind])
    assert found.refused == "" and found.best in ("a", "b")
    assert all(c.mass_si is not None and c.power_si is not None for c in found.candidates)


def test_a_rating_that_is_short_does_not_count_as_lasting(project: Project) -> None:
    assert rows(project)["a"].power_si == pytest.approx(92 * HP_W * 0.8142, rel=2e-3)
    said = finding(assess(put(project, {f"{UNIT}/power": "100 hp", f"{UNIT}/curve": None}), "a"), "choose.lasting")
    assert said.level == "watch" and said.title.params["p"].si == pytest.approx(92 * HP_W)


def test_ratings_that_are_all_short_leave_nothing_that_lasts(project: Project) -> None:
    """The rated power is not taken for what lasts where its maker gives only minutes."""
    short = put(project, {f"{UNIT}/ratings/rating-1/limit": "for so long", f"{UNIT}/ratings/rating-1/lasts": "10 min"})
    assert finding(assess(short, "a"), "choose.power-there").level == "unknown"
    made = rows(short)["a"]
    assert made.power_si is None and made.score is None and f"{UNIT}/ratings" in {n.pointer for n in made.needs}


def test_an_unknown_figure_keeps_no_hard_limit(project: Project) -> None:
    limited = put(project, {f"{UNIT}/parts": None, "/need/weights/parts": None, "/need/least_parts": "3"})
    assert rows(limited)["a"].score is None and rows(limited)["a"].needs


def test_what_hangs_on_it_weighs_the_same_in_the_ledger_or_not(project: Project) -> None:
    on_top = put(project, {f"{UNIT}/accessories/starter/counted": "on top of it"})
    row = {
        "name": "Starter and alternator",
        "kind": "installed",
        "mass": "5.1 kg",
        "station": "0 mm",
        "butt_line": "0 mm",
        "water_line": "0 mm",
    }
    listed = put(on_top, {"/fits/a/ledger/starter": row})
    masses = [rows(p)["a"].mass_si for p in (project, on_top, listed)]
    assert masses == pytest.approx([97.6, 102.7, 102.7])


def test_a_twin_costs_and_waits_for_both_units() -> None:
    twin = DEMO_OF["scooter"]
    unit = twin.fits["b"].installations["main"].model_dump(mode="json", by_alias=True, exclude_none=True)
    both = put(twin, {"/fits/b/installations/second": strip(unit), "/fits/b/installations/second/unit/wait": "9 weeks"})
    made = rows(both)["b"]
    assert made.cost_si == 2 * 2950 and made.wait_si == 9 * 7 * 86400
