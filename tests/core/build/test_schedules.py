"""Schedules against the critical path of networkx, a case worked by hand, and what any schedule must keep."""

from __future__ import annotations

from datetime import date
from itertools import pairwise

import networkx
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.build.plan.functions import (
    Handled,
    Timed,
    ancestors,
    in_order,
    latest_order_date,
    schedule_cpm,
    schedule_single_worker,
    sealed_in,
    task_duration,
    week_of,
)
from crooked_keel.core.errors import InputError
from crooked_keel.core.reference.plans import PACK, TEMPLATES, PlanTemplate, fitted

SMALL = {
    "weigh": Timed(1),
    "design": Timed(5, ["weigh"]),
    "order-mount": Timed(30, ["design"]),
    "order-prop": Timed(45, ["design"]),
    "strip": Timed(4, ["weigh"]),
    "firewall": Timed(6, ["strip", "design"]),
    "mate": Timed(2, ["order-mount", "firewall"]),
    "systems": Timed(12, ["mate"]),
    "prop": Timed(1, ["order-prop", "systems"]),
    "run": Timed(2, ["prop"]),
}


def longest(tasks: dict[str, Timed]) -> float:
    """Length of the longest way by networkx: tasks as edges from their begin to their end."""
    graph = networkx.DiGraph()
    for name, task in tasks.items():
        graph.add_edge(f"{name} begins", f"{name} ends", weight=task.days)
        for a in task.after:
            graph.add_edge(f"{a} ends", f"{name} begins", weight=0.0)
    return float(networkx.dag_longest_path_length(graph, weight="weight"))


def test_w22_critical_path() -> None:
    made = schedule_cpm(SMALL)
    assert made.total == 54 == longest(SMALL)
    assert made.critical == ["weigh", "design", "order-prop", "prop", "run"]
    assert (made.slack["mate"], made.slack["firewall"], made.slack["strip"]) == (1, 25, 26)


@st.composite
def plans(draw: st.DrawFn) -> dict[str, Handled]:
    """Tasks that wait for tasks before them."""
    n = draw(st.integers(1, 14))
    made: dict[str, Handled] = {}
    for i in range(n):
        after = [f"t{j}" for j in range(i) if draw(st.integers(0, 3)) == 0]
        made[f"t{i}"] = Handled(draw(st.integers(0, 40)), draw(st.integers(0, 30)), after, draw(st.integers(0, 9)))
    return made


@given(plans(), st.sampled_from([5.0, 12.0, 56.0, 168.0]))
def test_any_schedule_keeps_its_order_and_one_pair_of_hands_is_one(tasks: dict[str, Handled], week: float) -> None:
    k = 7.0 / week
    timed = {n: Timed(t.lead_days + t.hours * k, t.after, t.not_before) for n, t in tasks.items()}
    calm, alone = schedule_cpm(timed), schedule_single_worker(tasks, week)
    free = {n: t._replace(not_before=0.0) for n, t in timed.items()}
    assert schedule_cpm(free).total == pytest.approx(longest(free))
    assert alone.total >= calm.total - 1e-6
    assert min(calm.slack.values()) >= -1e-9
    for name, task in tasks.items():
        assert alone.start[name] >= task.not_before - 1e-9
        assert all(alone.end[a] <= alone.start[name] + 1e-9 for a in task.after)
    busy = sorted((alone.start[n], alone.start[n] + t.hours * k) for n, t in tasks.items() if t.hours)
    assert all(a[1] <= b[0] + 1e-9 for a, b in pairwise(busy))


def test_w34_one_pair_of_hands_by_hand() -> None:
    tasks = {
        "a": Handled(8, 0),
        "b": Handled(8, 10, ["a"]),
        "c": Handled(16, 0, ["a"]),
        "d": Handled(8, 0, ["b", "c"]),
    }
    made = schedule_single_worker(tasks, 56)
    assert made.total == pytest.approx(13.0)
    assert [made.start[k] for k in "abcd"] == pytest.approx([0, 1, 2, 12])


TOTALS = {
    # Calendar days with helpers and alone, at 56 h a week and at 12: plans worked by a second hand.
    "tractor-aircraft": (58.75, 64.75, 109.1667, 137.1667),
    "scooter-swing-unit": (28.0, 30.125, 53.6667, 63.5833),
    "small-car-electric": (87.25, 92.5, 132.1667, 156.6667),
}


@pytest.mark.parametrize("id", TOTALS)
def test_w32_w33_plans_take_as_long_as_a_second_hand_found(id: str) -> None:
    tasks = {t.key: Handled(t.hours, t.lead_days, t.after) for t in TEMPLATES[id].tasks}
    said = []
    for week in (56.0, 12.0):
        k = 7.0 / week
        timed = {n: Timed(t.lead_days + t.hours * k, t.after) for n, t in tasks.items()}
        assert schedule_cpm(timed).total == pytest.approx(longest(timed))
        said += [schedule_cpm(timed).total, schedule_single_worker(tasks, week).total]
    assert said == pytest.approx(TOTALS[id], abs=1e-3)


@pytest.mark.parametrize("template", [*TEMPLATES.values(), PACK], ids=lambda t: t.id)
def test_a_plan_can_be_done_seals_nothing_in_and_is_witnessed(template: PlanTemplate) -> None:
    after = {t.key: t.after for t in template.tasks}
    order = in_order(after)
    assert len(order) == len(template.tasks)
    assert list(sealed_in(after, {t.key: t.seals for t in template.tasks})) == []
    behind = ancestors(after, order)
    gates = {t.gate: t.key for t in template.tasks if t.gate}
    if template is not PACK:
        assert set(gates) == {"the unit goes in", "first start"}
        assert gates["the unit goes in"] in behind[gates["first start"]]
        assert any(t.role for t in template.tasks if t.key in behind[gates["first start"]])
    assert all(t.hours > 0 and len(t.title) <= 120 for t in template.tasks)


def test_what_a_fit_has_no_reason_for_falls_away_and_the_rest_closes_up() -> None:
    kept, gone = fitted(TEMPLATES["tractor-aircraft"], frozenset())
    assert {"t15", "t16", "t17", "t20", "t21", "t22"} <= {t.key for t in gone}
    left = {t.key: t for t in kept}
    # The propeller waited for cranking, which waited for oil and electrics: it waits for electrics now.
    assert "t18" in left["t23"].after and not set(left["t23"].after) & {t.key for t in gone}
    in_order({t.key: t.after for t in kept})


def test_tasks_that_wait_for_one_another_are_named_in_their_ring() -> None:
    with pytest.raises(InputError, match="these wait for one another") as bad:
        in_order({"a": ["c"], "b": ["a"], "c": ["b"], "d": ["a"]})
    assert set((bad.value.given or "").split()) == {"a", "b", "c"}
    with pytest.raises(InputError, match="wait for one another"):
        in_order({"a": ["a"]})
    with pytest.raises(InputError, match="not in the plan"):
        in_order({"a": ["lost"]})
    with pytest.raises(InputError, match="less than no time"):
        schedule_cpm({"a": Timed(-1.0)})
    with pytest.raises(InputError, match="hold some work"):
        schedule_single_worker({"a": Handled(1, 0)}, 0.0)
    with pytest.raises(InputError, match="hold some work"):
        task_duration(0.0, 3600.0, 0.0)


def test_days_and_weeks() -> None:
    """ISO 8601: 1 January 2027 is a Friday, so it lies in the last week of 2026; 4 January is always in week 1."""
    assert week_of(date(2027, 1, 1)) == "2026-W53" and week_of(date(2027, 1, 4)) == "2027-W01"
    assert latest_order_date(date(2027, 1, 20), 12.0) == date(2027, 1, 8)
    assert latest_order_date(date(2027, 1, 20), 11.2, 1.0) == date(2027, 1, 7)
