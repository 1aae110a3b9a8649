"""Candidates scored, ports compared, money summed: worked cases and what must hold whatever is typed."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.choose.money.functions import Spent, by_week, ledger_status, longest_wait
from crooked_keel.core.choose.ports.functions import KINDS, Attribute, PortSort, compare_interfaces
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.scoring import Criterion, not_beaten, score_options, turning_points

W24 = {
    "A": {"power": 60e3, "mass": 95, "cost": 9000, "wait": 30, "parts": 4},
    "B": {"power": 75e3, "mass": 118, "cost": 7000, "wait": 14, "parts": 5},
    "C": {"power": 52e3, "mass": 70, "cost": 12000, "wait": 90, "parts": 2},
    "D": {"power": 80e3, "mass": 150, "cost": 6000, "wait": 7, "parts": 5},
}
WEIGHTS = [
    Criterion("power", 3, "more", least=50e3),
    Criterion("mass", 4, "less", most=130),
    Criterion("cost", 2, "less"),
    Criterion("wait", 1, "less"),
    Criterion("parts", 2, "more"),
]


def test_w24_hard_limits_first_then_the_score() -> None:
    found = score_options(W24, WEIGHTS)
    assert found.excluded == {"D": ["mass"]}
    assert found.scores == pytest.approx({"A": 52.3579, "B": 66.6667, "C": 33.3333}, abs=1e-4)
    assert found.best == "B" and all(sum(p.values()) == pytest.approx(found.scores[k]) for k, p in found.parts.items())


def test_the_turning_point_is_where_the_first_place_really_changes() -> None:
    """At each share said the first two are equal; a little beyond it the other leads, a little short of it the
    first."""
    turns = turning_points(W24, WEIGHTS)
    assert {t.criterion for t in turns} >= {"mass"}
    total = sum(c.weight for c in WEIGHTS)
    for turn in turns:
        now = next(c.weight for c in WEIGHTS if c.name == turn.criterion) / total
        for nudge, leads in ((0.01, True), (-0.01, False)):
            share = turn.share + nudge * (1 if turn.share > now else -1)
            if not 0 < share < 1:
                continue
            others = total - now * total
            moved = [
                c._replace(weight=share if c.name == turn.criterion else c.weight / others * (1 - share))
                for c in WEIGHTS
            ]
            assert (score_options(W24, moved).best == turn.winner) == leads, turn


def test_who_is_beaten_in_everything_is_not_among_those_that_are_not() -> None:
    assert set(not_beaten(W24, WEIGHTS)) == {"A", "B", "C", "D"}
    worse = {**W24, "E": {"power": 59e3, "mass": 96, "cost": 9001, "wait": 31, "parts": 4}}
    assert "E" not in not_beaten(worse, WEIGHTS)


@given(st.lists(st.floats(0.01, 10), min_size=5, max_size=5), st.floats(0.01, 100))
def test_weights_all_multiplied_change_nothing(weights: list[float], factor: float) -> None:
    some = [c._replace(weight=w) for c, w in zip(WEIGHTS, weights, strict=True)]
    many = [c._replace(weight=w * factor) for c, w in zip(WEIGHTS, weights, strict=True)]
    assert score_options(W24, many).scores == pytest.approx(score_options(W24, some).scores)


def test_what_cannot_be_scored_is_refused() -> None:
    with pytest.raises(InputError, match="all weights are zero"):
        score_options(W24, [c._replace(weight=0) for c in WEIGHTS])
    with pytest.raises(InputError, match="zero or more"):
        score_options(W24, [Criterion("power", -1, "more")])
    with pytest.raises(InputError, match="no figure to judge it by"):
        score_options({"A": {}}, [Criterion("power", 1, "more")])
    alike = score_options({"A": {"power": 1}, "B": {"power": 1}}, [Criterion("power", 1, "less")])
    assert alike.scores == {"A": 100.0, "B": 100.0}


def kind(key: str, *attributes: Attribute) -> PortSort:
    return PortSort(key, key, attributes, "", "", "")


def test_w41_ports_by_what_comes_of_them() -> None:
    kinds = (
        kind("raw_water", Attribute("hose", "hose", adaptable=True)),
        kind("rotation", Attribute("turns", "turns")),
        kind("gear_cooler", Attribute("present", "present"), Attribute("hose", "hose")),
        kind("mount", Attribute("bolts", "bolts"), Attribute("along", "spacing", 0.5e-3)),
        kind("vacuum", Attribute("present", "present")),
        kind("nothing", Attribute("x", "x")),
    )
    old = {
        "raw_water": {"hose": 0.03175},
        "rotation": {"turns": "clockwise"},
        "gear_cooler": {"present": "yes", "hose": None},
        "mount": {"bolts": 4, "along": 0.5600},
        "vacuum": {"present": "yes"},
    }
    new = {
        "raw_water": {"hose": 0.0254},
        "rotation": {"turns": "anticlockwise"},
        "gear_cooler": {"present": "yes", "hose": 0.019},
        "mount": {"bolts": 4, "along": 0.5604},
    }
    rows = compare_interfaces(old, new, kinds)
    assert [(r.kind.key, r.status) for r in rows] == [
        ("raw_water", "adapter"),
        ("rotation", "change"),
        ("gear_cooler", "unmeasured"),
        ("mount", "same"),
        ("vacuum", "missing"),
    ]
    assert [r.status for r in compare_interfaces(new, old, kinds)][-1] == "new"


@given(st.sampled_from(KINDS), st.data())
def test_a_blank_is_never_the_same(port: PortSort, data: st.DataObject) -> None:
    values = {a.field: data.draw(st.sampled_from([None, 1.0])) for a in port.attributes}
    side = {port.key: {**values, port.attributes[0].field: values[port.attributes[0].field]}}
    for row in compare_interfaces(side, side):
        assert (row.status == "same") == all(v is not None for v in values.values())


def test_one_attribute_that_cannot_be_adapted_makes_it_a_change() -> None:
    mounting = {"bolts": 4.0, "along": 0.5, "across": 0.3, "hole": 0.01, "foot_height": 0.1}
    adapted = compare_interfaces({"mounting": mounting}, {"mounting": {**mounting, "along": 0.52}})[0]
    changed = compare_interfaces({"mounting": mounting}, {"mounting": {**mounting, "along": 0.52, "bolts": 6.0}})[0]
    assert (adapted.status, changed.status) == ("adapter", "change")
    assert [a.field for a in changed.differs] == ["bolts", "along"]


LINES = [
    Spent("unit", 4000, 4200, 4200, True, 0, "2026-W49"),
    Spent("gear", 900, 1100, 300, False, 6 * 604800, "2026-W50"),
    Spent("hoses", 200, 0, 260, False, 604800),
    Spent("paint", 150, week="2026-W49"),
]


def test_money_by_hand() -> None:
    """Closed: paid. Open: the largest of planned, ordered, paid: 4200 + 1100 + 260 + 150; 800 ordered and not paid."""
    status = ledger_status(LINES)
    assert status == (5250, 4760, 5710, 460, 800)
    assert by_week(LINES) == {"2026-W49": (4150, 4350, 4200), "2026-W50": (900, 1100, 300), "": (200, 260, 260)}
    assert list(by_week(LINES)) == ["2026-W49", "2026-W50", ""]
    waited = longest_wait(LINES)
    assert waited is not None and waited.name == "gear"
    assert longest_wait([LINES[0]]) is None


def test_a_closed_line_counts_once_and_an_overpaid_one_hides_no_debt() -> None:
    assert ledger_status([Spent("a", 100, 120, 90, True)]).forecast == 90
    assert ledger_status([Spent("a", 100, 100, 150), Spent("b", 100, 100, 0)]).exposure == 100
