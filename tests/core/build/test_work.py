"""The rules of the build bench tried where somebody would say stop, with blanks, and with two of whom one fails."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from crooked_keel.core.admitted import admit
from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.core.facts import Facts, read_record
from crooked_keel.core.judging.finding import Finding
from crooked_keel.demo.seed import DEMOS, made, records
from tests.conftest import DEMO_OF
from tests.core.told import TODAY, done, facts_of, m, seen
from tests.kept import assess, suggest

BOAT = DEMO_OF["boat"]
F = "/fits/a"
BEFORE = [*done("t01", "t02", "t03", "t04", "t05", "t06", "t07", "t08", "t09", "t10", "t11", "t12")]
SEEN = [seen("t01"), seen("t03"), seen("t09", "yard"), seen("t11", "yard")]


def put(project: Project, *edits: tuple[str, str, Any]) -> Project:
    return apply_operations(project, [{"op": op, "path": F + path, "value": value} for op, path, value in edits])


def work(project: Project = BOAT, *told: dict[str, Any], today: date | None = TODAY) -> Assessment:
    return assess(project, "a", facts=facts_of(*told, today=today))


def of(made: Assessment, rule: str) -> list[Finding]:
    return [f for f in made.findings if f.rule == rule]


def levels(made: Assessment, rule: str) -> list[str]:
    return [f.level for f in of(made, rule)]


def test_a_fit_without_a_plan_cannot_say_and_nothing_else_is_said_of_it() -> None:
    bare = put(BOAT, *[("remove", f"/tasks/{k}", None) for k in BOAT.fits["a"].tasks])
    found = [f for f in work(bare).findings if f.bench == "build"]
    assert [(f.rule, f.level) for f in found] == [("build.plan", "unknown")]
    assert found[0].needs[0].pointer == f"{F}/tasks"


def test_tasks_that_wait_for_one_another_stop_and_nothing_behind_has_a_day() -> None:
    ring = put(BOAT, ("add", "/tasks/t01/after", ["t03"]))
    made = work(ring)
    assert levels(made, "build.plan") == ["stop"]
    assert next(v for v in made.values if v.id == "build.ends").text is None
    assert "Survey old set" in of(made, "build.plan")[0].title.params["w"].text  # type: ignore[operator]


def test_a_task_without_hours_is_left_out_and_the_plan_is_not_ok_for_it() -> None:
    blank = put(BOAT, ("remove", "/tasks/t10/hours", None))
    (found,) = of(work(blank), "build.plan")
    assert found.level == "unknown" or found.level == "watch"
    assert f"{F}/tasks/t10/hours" in {n.pointer for n in found.needs}


@pytest.mark.parametrize(("day", "level"), [("2027-12-31", "ok"), ("2027-02-10", "watch"), ("2026-12-15", "stop")])
def test_the_day_that_is_wanted(day: str, level: str) -> None:
    assert levels(work(put(BOAT, ("add", "/plan/done_by", day))), "build.done-by") == [level]


def test_what_must_be_ordered_counts_from_the_day_it_is_looked_at() -> None:
    early = levels(work(DEMO_OF["scooter"], today=date(2026, 11, 1)), "build.order-by")
    late = levels(work(DEMO_OF["scooter"], today=date(2027, 1, 14)), "build.order-by")
    assert (early, late) == (["ok"], ["watch"])
    assert levels(work(DEMO_OF["scooter"], today=None), "build.order-by") == ["unknown"]


def test_what_would_be_sealed_in_has_a_way_out_that_clears_it() -> None:
    shut = put(BOAT, ("replace", "/tasks/t13/after", ["t06", "t10"]))
    made = work(shut)
    (stop,) = of(made, "build.sealed-in")
    assert stop.level == "stop" and "cutlass" in (stop.title.params["a"].text or "")
    answer = suggest(shut, "a", stop.key, facts_of())
    assert [s.reaches for s in answer.suggestions] == ["ok"]


def test_what_shuts_it_in_was_begun_already() -> None:
    told = [*done("t01", "t06", "t10"), {"kind": "step", "task": "t13", "step": "begun"}]
    found = [f for f in of(work(BOAT, *told), "build.sealed-in") if f.level == "stop"]
    assert [f.key.split(":")[1] for f in found] == ["t11-begun"]


class TestHolds:
    def test_nobody_sees_their_own_work_however_the_name_is_written(self) -> None:
        for by in ("Owner", " owner", "OWNER "):
            (found,) = [f for f in of(work(BOAT, *done("t01"), seen("t01", by=by)), "build.hold") if f.level != "ok"]
            assert found.level == "watch" and "cannot be its witness" in (found.message.params["y"].text or "")

    def test_any_doer_of_the_task_is_no_witness(self) -> None:
        hose = {"kind": "torque", "fastener": "bolt", "task": "t01", "by": "Helper"}
        assert levels(work(BOAT, *done("t01"), hose, seen("t01", by="Helper")), "build.hold") == ["watch"]

    def test_the_role_is_the_one_that_is_named_but_who_may_more_may_less(self) -> None:
        told = [*done("t01", "t02", "t07", "t08", "t09"), seen("t01", "surveyor")]
        waits = [f.key for f in of(work(BOAT, *told, seen("t09", "second person")), "build.hold") if f.level != "ok"]
        assert waits == ["build.hold:t09"]

    def test_what_is_simulated_releases_nothing(self) -> None:
        assert levels(work(BOAT, *done("t01"), {**seen("t01"), "simulated": True}), "build.hold") == ["watch"]

    def test_work_behind_a_hold_that_is_not_released_stops(self) -> None:
        found = of(work(BOAT, *done("t01", "t02", "t03")), "build.hold")
        assert {f.level for f in found if f.key.endswith("-early")} == {"stop"}

    def test_opening_again_shuts_it_and_every_hold_that_followed(self) -> None:
        told = [*done("t01", "t02"), seen("t01"), *done("t03"), seen("t03")]
        assert levels(work(BOAT, *told), "build.hold") == ["ok"]
        again = [*told, {"kind": "step", "task": "t01", "step": "opened again"}, *done("t01")]
        found = [f for f in of(work(BOAT, *again), "build.hold") if f.level != "ok"]
        assert {f.key.split(":")[1] for f in found} >= {"t01", "t03"}
        whole = [*again, seen("t01"), seen("t03")]
        assert levels(work(BOAT, *whole), "build.hold") == ["ok"]

    def test_a_part_of_it_loosened_again_shuts_it_too(self) -> None:
        loose = {"kind": "connection", "label": "C1", "step": "parted", "task": "t01"}
        told = [*done("t01"), seen("t01"), loose]
        (found,) = [f for f in of(work(BOAT, *told), "build.hold") if f.level != "ok"]
        assert found.level == "watch"


def test_the_gate_is_passed_with_all_before_it_done_and_seen() -> None:
    assert levels(work(BOAT, *BEFORE, *SEEN, *done("t13")), "build.gate") == ["ok"]
    (found,) = of(work(BOAT, *BEFORE, *SEEN[:3], *done("t13")), "build.gate")
    assert found.level == "stop" and "Shaft" in (found.message.params["w"].text or "")


def torque(actual: str | None = "66 N·m", **more: Any) -> dict[str, Any]:
    said = {
        "kind": "torque",
        "fastener": "bolt",
        "thread": "M12",
        "grade": "8.8",
        "lubricant": "oiled",
        "target": m("66 N·m"),
        "target_from": "computed",
        "tool": "wrench",
        "calibrated": "2026-03-02",
        "marked": "yes",
        **({"actual": m(actual)} if actual else {}),
        **more,
    }
    return {k: v for k, v in said.items() if v is not None}


@pytest.mark.parametrize(
    ("said", "level"),
    [
        (torque(), "ok"),
        (torque("70 N·m"), "watch"),
        (torque("60 N·m"), "watch"),
        (torque("74 N·m"), "stop"),
        (torque("66 N·m ±9 N·m"), "watch"),
        (torque(target={"entered": "66 N·m ±30 N·m", "source": "maker"}), "watch"),
        (torque("50 N·m"), "stop"),
        (torque(marked="no"), "watch"),
        (torque(calibrated="2024-01-01"), "watch"),
        (torque(calibrated=None), "watch"),
        (torque(lubricant=None), "unknown"),
        (torque(None), "unknown"),
        (torque("80 N·m", lubricant=None), "stop"),
    ],
)
def test_fasteners_by_what_was_read(said: dict[str, Any], level: str) -> None:
    assert levels(work(BOAT, said), "build.torque") == [level]


def test_one_fastener_that_fails_stands_beside_one_that_is_not_known() -> None:
    found = work(BOAT, torque(None, place="1"), torque("80 N·m", place="2"), torque(place="3"))
    assert sorted(levels(found, "build.torque")) == ["ok", "stop", "unknown"]


@pytest.mark.parametrize(
    ("said", "level"),
    [
        (torque("75 N·m", target=m("75 N·m")), "watch"),
        (torque("95 N·m", target=m("95 N·m")), "stop"),
        (torque("95 N·m", target=m("95 N·m"), target_from="maker"), "watch"),
        (torque("180 N·m", target=m("180 N·m"), target_from="maker"), "stop"),
        (torque(target={"entered": "66 N·m ±30 N·m", "source": "maker"}), "watch"),
        (torque(grade=""), "unknown"),
        (torque(grade="9.9"), "unknown"),
        (torque(thread="M13"), "unknown"),
    ],
)
def test_targets_by_what_a_thread_can_take(said: dict[str, Any], level: str) -> None:
    assert levels(work(BOAT, said), "build.torque-target") == [level]


@pytest.mark.parametrize(("day", "level"), [("2027-02-01", "ok"), ("2026-12-01", "watch"), ("2026-11-28", "stop")])
def test_what_is_due_again(day: str, level: str) -> None:
    assert levels(work(BOAT, torque(again=day)), "build.retorque") == [level]


def test_long_and_short_ones_are_told_apart() -> None:
    hole = lambda n, length: {"kind": "fastener", "hole": n, "of": "sump", **({"length": m(length)} if length else {})}
    assert levels(work(BOAT, hole("1", "40 mm"), hole("2", "60 mm")), "build.fasteners") == ["ok"]
    assert levels(work(BOAT, hole("1", "40 mm"), hole("2", "")), "build.fasteners") in (["watch"], ["unknown"])
    assert levels(work(BOAT, hole("1", "40 mm"), hole("2", "40 mm")), "build.fasteners") == []


def test_what_was_parted_keeps_the_start_shut_and_stops_once_it_was_started() -> None:
    parted = {"kind": "connection", "label": "F1", "step": "parted"}
    assert levels(work(BOAT, parted), "build.remate") == ["watch"]
    assert levels(work(BOAT, parted, *done("t23")), "build.remate") == ["stop"]
    made = work(BOAT, parted)
    assert made.build is not None and any("F1" in s for s in made.build.shut)


@pytest.mark.parametrize(("severity", "level"), [(1, "stop"), (2, "stop"), (3, "watch"), (4, "watch")])
def test_squawks_by_their_severity(severity: int, level: str) -> None:
    squawk = {"kind": "squawk", "text": "clip", "severity": severity}
    assert levels(work(BOAT, squawk), "build.squawk") == [level]
    assert levels(work(BOAT, squawk, {"kind": "closure", "squawk": 1, "evidence": "x"}), "build.squawk") == ["ok"]


def test_a_tag_at_one_end_alone_is_watched() -> None:
    parted = {"kind": "connection", "label": "F1", "end_a": "F1-A", "step": "parted"}
    assert levels(work(BOAT, parted), "build.labels") == ["watch"]
    assert levels(work(BOAT, {**parted, "end_b": "F1-B"}), "build.labels") == ["ok"]


@pytest.mark.parametrize(
    ("level", "said"), [("at the mark", "ok"), ("not read", "watch"), ("below it", "stop"), ("above it", "stop")]
)
def test_fluids_by_their_level(level: str, said: str) -> None:
    oil = {"kind": "fluid", "system": "oil", "filled": m("4 L"), "grade": "15W-40", "read_how": "dipstick"}
    assert levels(work(BOAT, {**oil, "level": level}), "build.fluid") == [said]


def test_a_weighed_part_offers_itself_to_the_ledger_where_it_sat() -> None:
    place = {
        "station": {**m("5100 mm"), "from": "datum", "dir": "aft"},
        "butt_line": {**m("0 mm"), "dir": "starboard"},
        "water_line": {**m("100 mm"), "dir": "up"},
    }
    part = {"kind": "removed", "part": "old hose", "mass": m("3.5 kg"), **place}
    made = work(BOAT, part)
    (found,) = of(made, "build.weighed-parts")
    (way,) = suggest(BOAT, "a", found.key, facts_of(part)).suggestions
    after = apply_operations(BOAT, [o.model_dump() for o in way.operations])
    mass = lambda a: next(v.si for v in a.values if v.id == "balance.empty-mass")
    assert mass(work(after, part)) == pytest.approx(mass(made) - 3.5)
    assert levels(work(after, part), "build.weighed-parts") == ["ok"]


def test_purchases_that_are_not_planned_are_put_into_the_plan() -> None:
    made = work(BOAT)
    (found,) = of(made, "build.purchases")
    (way,) = suggest(BOAT, "a", found.key, facts_of()).suggestions
    after = apply_operations(BOAT, [o.model_dump() for o in way.operations])
    assert levels(work(after), "build.purchases") == ["ok"]


@pytest.mark.parametrize(("amount", "level"), [("9000", "ok"), ("14000", "watch"), ("16000", "stop")])
def test_money_beside_the_plan(amount: str, level: str) -> None:
    assert levels(work(BOAT, {"kind": "spend", "what": "all", "amount": m(amount)}), "build.spend") == [level]


@pytest.mark.parametrize(
    ("told", "said", "field"),
    [
        ([], {"kind": "step", "task": "t02", "step": "begun", "fit": "z"}, "/fit"),
        ([], {"kind": "step", "task": "t99", "step": "begun"}, "/task"),
        ([], {"kind": "step", "task": "t02", "step": "done"}, "/task"),
        (done("t01"), {**seen("t01"), "by": "owner"}, "/by"),
        (done("t01"), {**seen("t01"), "simulated": True}, "/simulated"),
        ([], seen("t01"), "/task"),
        (done("t01"), seen("t02"), "/task"),
        ([*done("t01", "t02"), seen("t01"), *done("t07", "t08", "t09")], seen("t09", "second person"), "/role"),
        ([], {"kind": "closure", "squawk": 1, "evidence": "x"}, "/squawk"),
        ([], {"kind": "photo", "file": "0" * 64, "of": "bed"}, "/file"),
        ([], torque("9000 N·m", thread="M8", grade="8.8"), "/actual"),
        ([], torque("9 N·m", thread="M8x9"), "/thread"),
        ([], {"kind": "spend", "what": "x", "amount": m("1"), "line": "none-such"}, "/line"),
        ([], {"kind": "withdrawn", "corrects": 7}, "/corrects"),
        ([], {"kind": "step", "task": "t01", "step": "begun", "unit": "port"}, "/unit"),
    ],
)
def test_what_may_not_be_recorded_is_refused_at_its_field(
    told: list[dict[str, Any]], said: dict[str, Any], field: str
) -> None:
    with pytest.raises(InputError) as bad:
        admit(BOAT, facts_of(*told), read_record({"by": "Owner", "fit": "a", **said}))
    assert bad.value.field == field


@pytest.mark.parametrize("name", ["Samphire", "Lapwing"])
def test_every_record_of_the_demonstrations_could_have_been_made_when_it_was(name: str) -> None:
    kind, demo = next((k, d) for k, d in DEMOS if name == d.NAME)
    project, kept = made(kind, demo), Facts()
    from crooked_keel.core.facts import Kept

    for number, (_, at, said) in enumerate(records(name), 1):
        record = read_record(said)
        admit(project, Facts(kept.records, at.date()), record)
        kept = Facts((*kept.records, Kept(number, at.date(), at.isoformat(), record)))
    assert len(kept.records) > 60


def test_undo_of_the_document_does_not_touch_what_happened() -> None:
    """A task that is taken out of the plan leaves its records: they speak of what is no longer planned."""
    told = [*done("t01"), seen("t01")]
    less = put(
        BOAT, ("replace", "/tasks/t02/after", []), ("replace", "/tasks/t03/after", []), ("remove", "/tasks/t01", None)
    )
    assert not work(less, *told).failures


@pytest.mark.parametrize("kind", ["boat", "aeroplane"])
def test_no_blank_of_a_task_betters_a_verdict(kind: str) -> None:
    project = DEMO_OF[kind]
    order = ("ok", "watch", "unknown", "stop")
    bench = lambda made: [f for f in made.findings if f.bench == "build"]
    worst = lambda made: max(order.index(f.level) for f in bench(made))
    was = worst(assess(project, "a", facts=facts_of()))
    for key, task in project.fits["a"].tasks.items():
        for part in ("hours", "lead"):
            if getattr(task, part) is not None:
                edit = {"op": "remove", "path": f"/fits/a/tasks/{key}/{part}"}
                made = assess(apply_operations(project, [edit]), "a", facts=facts_of())
                assert not made.failures
                if part == "hours":
                    assert worst(made) >= was
