"""What to measure next, of a whole document: the ranking does what it promises when the figure is then measured."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.balance import measure_next
from crooked_keel.core.balance.measure_next import _of_axles, _of_trim
from crooked_keel.core.document import Figure, Project, value_at
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.place import Place
from crooked_keel.core.judging.certainty import SETTLED
from crooked_keel.core.resolved.references import got
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, bare, put

A = "/fits/a/installations/main"
# Fit a pulled back until its margin is smaller than its doubt.
CLOSE = {f"{A}/placement/flange_station": {"entered": "655 mm", "dir": "forward", "source": "estimated"}}


@pytest.fixture(scope="module")
def close() -> Project:
    return put(DEMO_OF["aeroplane"], CLOSE)


def measured(project: Project, pointer: str) -> Project:
    """The same figure, now measured to the default of its kind."""
    figure = value_at(project, pointer)
    assert isinstance(figure, Figure)
    whole: dict[str, Any] = figure.model_dump(
        mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True
    )
    return put(project, {pointer: {**whole, "source": "measured"}})


def test_the_margin_is_the_least_sure_and_not_settled(close: Project) -> None:
    found = answer(measure_next.STUDY, close, "a")
    assert found.margin_si is not None and found.sigma_si is not None
    assert not found.settled and abs(found.margin_si) < SETTLED * found.sigma_si
    assert "limit" in found.margin


def test_each_promise_is_kept(close: Project) -> None:
    """Measured as it stands, a figure leaves the very doubt that was foretold."""
    found = answer(measure_next.STUDY, close, "a")
    single = [r for r in found.rows if r.pointer]
    assert len(single) >= 4
    for row in single:
        after = answer(measure_next.STUDY, measured(close, row.pointer or ""), "a")
        assert after.margin == found.margin
        assert after.sigma_si == pytest.approx(row.left_si, rel=1e-9)
        assert row.drop_si == pytest.approx((found.sigma_si or 0) - row.left_si)


def test_rows_by_the_doubt_they_take_off(close: Project) -> None:
    rows = answer(measure_next.STUDY, close, "a").rows
    drops = [r.drop_si for r in rows]
    assert drops == sorted(drops, reverse=True) and all(d > 0 for d in drops)
    assert all(0 <= r.settles <= 1 for r in rows)
    assert {r.id for r in rows if r.pointer is None} == {"finished", "lift:main", "one scale"}


def test_what_is_measured_is_not_asked_for_again(close: Project) -> None:
    first = next(r for r in answer(measure_next.STUDY, close, "a").rows if r.pointer)
    again = answer(measure_next.STUDY, measured(close, first.pointer or ""), "a")
    assert first.pointer not in {r.pointer for r in again.rows}


def test_accuracy_wanted_settles_if_the_estimate_stands(close: Project) -> None:
    found = answer(measure_next.STUDY, close, "a")
    row = next((r for r in found.rows if r.plus_minus_wanted_si), None)
    if row is None:
        # No figure alone is enough here: then none may claim to be.
        assert all(r.left_si * SETTLED > abs(found.margin_si or 0) for r in found.rows if r.pointer)
        return
    figure = value_at(close, row.pointer or "")
    whole = figure.model_dump(mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True)
    unit = {"mass": ("kg", 1.0), "length": ("mm", 1e-3)}[str(row.dimension)]
    plus_minus = {"entered": f"{row.plus_minus_wanted_si / unit[1]:.9f} {unit[0]}"}
    done = put(close, {row.pointer or "": {**whole, "source": "measured", "plus_minus": plus_minus}})
    after = answer(measure_next.STUDY, done, "a")
    assert abs(after.margin_si or 0) == pytest.approx(SETTLED * (after.sigma_si or 0), rel=1e-6)


def test_a_settled_verdict_wants_nothing(project: Project) -> None:
    found = answer(measure_next.STUDY, project, "a")  # 15 mm past the limit at 4.5 mm of doubt
    assert found.settled and found.plan == [] and found.plan_settles


def test_missing_figures_are_named() -> None:
    found = answer(measure_next.STUDY, bare("aeroplane"), "a")
    assert found.rows == [] and found.margin_si is None and len(found.needs) > 3


def test_no_such_fit(project: Project) -> None:
    with pytest.raises(InputError, match="no such fit"):
        answer(measure_next.STUDY, project, "zz")


def test_what_each_unit_may_weigh(close: Project) -> None:
    """Put in as said, the margin is gone; the old unit the other way round."""
    found = answer(measure_next.STUDY, close, "a")
    new = next(b for b in found.break_even if b.installed)
    old = next(b for b in found.break_even if not b.installed)
    assert new.at_si > new.mass_si and old.at_si < old.mass_si  # ahead of the forward limit, with something in hand
    for pointer, kilograms in ((f"{A}/unit/mass", new.at_si), ("/old_installations/main/unit/mass", old.at_si)):
        after = answer(measure_next.STUDY, put(close, {pointer: f"{kilograms:.6f} kg"}), "a")
        margins = [after.margin_si] if after.margin == found.margin else []
        assert margins == [pytest.approx(0.0, abs=2e-6)]


def test_one_scale_under_the_light_wheel_competes_with_the_rest(project: Project) -> None:
    """R = (m·x_main − S)/(x_main − x_light): what a tail scale of the finished craft leaves of the doubt, against
    numpy's update."""
    made = answer(measure_next.STUDY, project, "a")
    row = next(r for r in made.rows if r.id == "one scale")
    whole = next(r for r in made.rows if r.id == "finished")
    assert whole.left_si <= row.left_si < (made.sigma_si or 0)
    assert "tail wheel" in row.name and row.minutes < whole.minutes
    assert made.quickest in {r.name for r in made.rows}
    best = max(made.rows, key=lambda r: r.drop_si / r.minutes)
    assert made.quickest == best.name


@pytest.mark.parametrize("kind", ["boat", "motorcycle", "road-vehicle", "scooter"])
def test_every_kind_is_told_what_to_measure_next(kind: str) -> None:
    """The margin with its dimension, what takes most off its doubt, never more than there was; freeboards for a boat,
    scales for wheels."""
    found = answer(measure_next.STUDY, DEMO_OF[kind], "a")
    assert found.needs == [] and found.margin and found.sigma_si is not None and found.sigma_si > 0
    assert found.dimension == "mass"
    drops = [r.drop_si for r in found.rows]
    assert drops == sorted(drops, reverse=True) and all(0 < d <= found.sigma_si for d in drops)
    whole = next(r for r in found.rows if r.id == "finished")
    assert ("freeboards" in whole.name) is (kind == "boat")


@pytest.mark.parametrize("kind", ["motorcycle", "scooter", "road-vehicle"])
def test_the_gradient_of_an_axle_is_what_a_small_change_makes_of_it(kind: str) -> None:
    """Each figure nudged by a hundredth of its doubt: the margin moves as foretold. Numerical derivative."""
    document = DEMO_OF[kind]
    margin = next(m for m in _of_axles(set_up(document, "a").balance))
    looked = 0
    for origin, slope in sorted(margin.gradient.items(), key=lambda g: -abs(g[1] * g[0].u))[:4]:
        figure = value_at(document, origin)
        step = origin.u / 100
        value = {
            "entered": f"{figure.si + step:.9f} {'m' if isinstance(figure, Place) else 'kg'}",
            "source": figure.source,
        }
        if isinstance(figure, Place):
            value |= {"from": figure.origin, "dir": figure.dir}
        after = next(
            m for m in _of_axles(set_up(put(document, {str(origin): value}), "a").balance) if m.words == margin.words
        )
        assert (after.value - margin.value) / step == pytest.approx(slope, rel=2e-3)
        looked += 1
    assert looked == 4


def test_a_boat_near_her_trim_is_told_by_how_much_more_a_unit_may_weigh() -> None:
    document = put(
        DEMO_OF["boat"],
        {
            "/craft/limits/gross": None,
            "/fits/a/ledger/battery/station": "2300 mm",
            "/fits/a/ledger/battery/mass": "180 kg ±9 kg estimated",
        },
    )
    found = answer(measure_next.STUDY, document, "a")
    assert found.margin.startswith("trim") and found.dimension == "length"
    margin = _of_trim(set_up(document, "a").balance)
    for unit in found.break_even:
        body = next(
            b
            for b in set_up(document, "a").balance.resolved.ledger
            if b.name == unit.name and (b.sign > 0) is unit.installed
        )
        more = (unit.at_si - unit.mass_si) * body.sign
        assert margin.with_more(more, got(body.x).value) == pytest.approx(0, abs=1e-9)
