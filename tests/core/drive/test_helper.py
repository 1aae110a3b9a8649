"""A motor on the crank of an engine: by the worked case, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import pytest

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.electric.helper.functions import back_voltage, both_torque, round_energy
from crooked_keel.core.judging.finding import Finding
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

TILLER = DEMO_OF["road-vehicle"]
C = "/fits/c/installations/main"
H = f"{C}/drive/helper"
RPM = math.pi / 30
BOTH, BACK, COUPLED = "drive.both-torque", "drive.back-voltage", "drive.coupled"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def test_the_worked_case() -> None:
    """95 and 40 N·m at 7000 rpm are 135 N·m and 98.96 kW; 60 rpm of one volt, turned at 9000, makes 150 V (by hand)."""
    assert both_torque(95, 40) * 7000 * RPM == pytest.approx(98960, rel=1e-4)
    assert back_voltage(9000 * RPM, 60 * RPM) == pytest.approx(150)


def found(project: Project, rule: str) -> Finding:
    (one,) = (f for f in assess(project, "c").findings if f.rule == rule)
    return one


JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    (BOTH, {}, "stop", "68 N·m into a box of 60"),
    (BOTH, {f"{H}/weakest": m("90 N·m ±1 N·m")}, "ok", "a box of 90"),
    (BOTH, {f"{H}/weakest": m("72 N·m ±1 N·m")}, "watch", "little left"),
    (BOTH, {f"{H}/weakest": m("90 N·m ±30 N·m")}, "watch", "hearsay about the box"),
    (BOTH, {f"{H}/weakest": None}, "unknown", "nobody asked what it bears"),
    (BOTH, {f"{H}/torque": None}, "unknown", "what the motor gives"),
    (BOTH, {f"{C}/unit/peak_torque": None}, "unknown", "what the engine gives"),
    (BACK, {}, "stop", "98 V into a pack of 84"),
    (BACK, {f"{H}/unloaded": m("85 rpm ±0.5 rpm")}, "ok", "wound for more speed"),
    (BACK, {f"{H}/unloaded": m("75 rpm ±0.5 rpm")}, "watch", "nearly all of it"),
    (BACK, {f"{H}/unloaded": m("85 rpm ±20 rpm")}, "watch", "a figure from hearsay"),
    (BACK, {f"{H}/stands": m("60 V")}, "stop", "the controller breaks first"),
    (BACK, {f"{H}/limiter": None}, "unknown", "how fast it is turned"),
    (BACK, {f"{H}/unloaded": None}, "unknown", "what it makes"),
    (BACK, {f"{H}/full": None}, "unknown", "what the pack has"),
    (BACK, {f"{H}/stands": None}, "unknown", "what the controller stands"),
    (COUPLED, {}, "watch", "both stop with one"),
    (COUPLED, {f"{H}/apart": "a clutch between"}, "ok", "they turn apart"),
    (COUPLED, {f"{H}/apart": None}, "unknown", "nobody said"),
    (COUPLED, {f"{H}/drags": None}, "unknown", "what it holds back"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(TILLER, changes), rule).level == level, why


@pytest.mark.parametrize("changes", [{f"{H}/fitted": "none"}, {f"{H}/fitted": None}, {f"{C}/unit/kind": "electric"}])
def test_nothing_is_asked_where_no_motor_sits_on_a_crank(changes: dict[str, Any]) -> None:
    assert not {BOTH, BACK, COUPLED} & {f.rule for f in assess(put(TILLER, changes), "c").findings}


@pytest.mark.parametrize("rule", [BOTH, BACK])
def test_a_way_out_leads_out(rule: str) -> None:
    (offered,) = suggest(TILLER, "c", rule).suggestions
    after = apply_operations(TILLER, [o.model_dump() for o in offered.operations])
    assert found(after, rule).level in ("ok", "watch")


BOX, D = "drive.kept-box", f"{C}/drive"
KEPT: list[tuple[dict[str, Any], str, str]] = [
    ({}, "ok", "52.5 N·m of 70 and 4400 rpm of 5600, behind a belt of 1.25 to one"),
    ({f"{D}/box_takes": m("55 N·m")}, "watch", "little left"),
    ({f"{D}/box_takes": m("45 N·m")}, "stop", "it strips its teeth"),
    ({f"{D}/box_turns": m("4000 rpm")}, "stop", "torque in order, turned too fast"),
    ({f"{D}/box_takes": m("70 N·m ±30 N·m")}, "watch", "hearsay"),
    ({f"{D}/box_takes": None}, "unknown", "what it bears"),
    ({f"{D}/box_turns": None}, "unknown", "how fast"),
    ({f"{D}/box_behind": None}, "unknown", "where it sits"),
    ({f"{D}/box_behind": m("9")}, "unknown", "behind more stages than there are"),
    ({f"{C}/unit/peak_torque": None}, "unknown", "what it is given"),
]


@pytest.mark.parametrize(("changes", "level", "why"), KEPT, ids=[w for *_, w in KEPT])
def test_a_box_that_stays_is_judged_at_its_input(changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(TILLER, changes), BOX).level == level, why


ROUNDS = "drive.rounds"
LAPS: list[tuple[str, dict[str, Any], str, str]] = [
    (ROUNDS, {}, "watch", "it lasts, but pushes with twice what the motor bears for long"),
    (ROUNDS, {f"{H}/helps_with": m("11 N·m ±0.2 N·m")}, "ok", "a gentle push"),
    (ROUNDS, {f"{H}/rounds": m("40")}, "stop", "empty before the end"),
    (ROUNDS, {f"{H}/rounds": m("25"), f"{H}/helps_with": m("24 N·m")}, "watch", "just enough"),
    (ROUNDS, {f"{H}/helps_with": m("11 N·m ±8 N·m")}, "watch", "hearsay"),
    (ROUNDS, {f"{H}/energy": m("1.4 kWh ±1.2 kWh")}, "watch", "an old pack"),
    (ROUNDS, {f"{H}/helps_with": m("40 N·m")}, "unknown", "pushes with more than it has"),
    (ROUNDS, {f"{H}/charges_with": m("40 N·m")}, "unknown", "charges with more than it has"),
    (ROUNDS, {f"{H}/torque": None}, "watch", "it still pushes with more than lasts"),
    (ROUNDS, {f"{H}/helps_with": m("11 N·m ±0.2 N·m"), f"{H}/torque": None}, "unknown", "what it has"),
    (ROUNDS, {f"{H}/rounds": m("40"), f"{H}/lasting": None}, "stop", "empty, whatever it bears"),
    (
        ROUNDS,
        {f"{H}/helps_with": m("11 N·m ±0.2 N·m"), f"{H}/rounds": m("40"), f"{H}/used": m("80 % ±70 %")},
        "watch",
        "nobody knows how much",
    ),
    (ROUNDS, {f"{H}/used": None}, "unknown", "how much of it"),
    (ROUNDS, {f"{H}/energy": None}, "unknown", "what it holds"),
    (ROUNDS, {f"{H}/rounds": None}, "unknown", "how many are wanted"),
    (ROUNDS, {f"{H}/helps_for": None}, "unknown", "for how long"),
    (ROUNDS, {f"{H}/charges_with": None}, "unknown", "what is put back"),
    (ROUNDS, {f"{H}/passes": None}, "unknown", "what is lost"),
    (ROUNDS, {f"{H}/lasting": None}, "unknown", "what lasts"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), LAPS, ids=[w for *_, w in LAPS])
def test_laps_are_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(TILLER, changes), rule).level == level, why


def test_a_lap_by_hand() -> None:
    """40 N·m at 6000 rpm for 20 s through 0.85 is 591 kJ out; 15 N·m at 5000 rpm for 30 s through it 200 kJ back: 391
    kJ (by hand). With nothing lost and as much put back nothing goes out."""
    assert round_energy(40, 6000 * RPM, 20, 15, 5000 * RPM, 30, 0.85) == pytest.approx(391.1e3, rel=1e-3)
    assert round_energy(20, 300, 10, 30, 400, 5, 1.0) == pytest.approx(0.0)


def test_more_put_back_than_taken_never_empties_it() -> None:
    made = found(put(TILLER, {f"{H}/charges_for": m("200 s"), f"{H}/helps_with": m("10 N·m ±0.2 N·m")}), ROUNDS)
    assert made.level == "ok" and made.title.template.startswith("Rounds put back")
    # The signs are worded: nothing is said to be taken where it is put in.
    (out,) = (p for k, p in made.message.params.items() if k == "e")
    assert out.si is not None and out.si < 0 and out.ways is not None and out.ways.under == "put in"


def test_nothing_is_asked_of_a_lap_that_nobody_spoke_of() -> None:
    parts = ("helps_for", "helps_with", "helps_at", "charges_for", "charges_with", "charges_at")
    parts += ("energy", "used", "passes", "rounds")
    bare = put(TILLER, {f"{H}/{p}": None for p in parts})
    assert ROUNDS not in {f.rule for f in assess(bare, "c").findings}
