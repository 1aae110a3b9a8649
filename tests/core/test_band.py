"""How a number is judged: bounds from both sides, doubt to the unsafe side, one margin."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.judging.band import Bounds, at_least, at_most, band, beyond, within
from crooked_keel.core.judging.finding import LEVELS, Compared
from tests.conftest import DEMO_OF, KIND_IDS, put
from tests.kept import assess

SIZE = st.floats(-1e3, 1e3)
ORDER = ("ok", "watch", "stop")


@pytest.mark.parametrize(
    ("value", "doubt", "level"),
    [(10.0, 0.0, "ok"), (9.999, 0.0, "watch"), (10.0, 0.1, "watch"), (8.0, 0.0, "watch"), (7.999, 0.0, "stop")],
)
def test_at_the_bounds_and_just_beyond_them(value: float, doubt: float, level: str) -> None:
    assert band(value, "length", ok=at_least(10), watch=at_least(8), doubt=doubt).level == level
    assert band(-value, "length", ok=at_most(-10), watch=at_most(-8), doubt=doubt).level == level


@given(SIZE, st.floats(0, 100), st.floats(0, 100))
def test_more_doubt_never_betters_a_level(value: float, doubt: float, more: float) -> None:
    levels = [
        band(value, "mass", ok=within(-50, 50), watch=within(-90, 90), doubt=d).level for d in (doubt, doubt + more)
    ]
    assert ORDER.index(levels[0]) <= ORDER.index(levels[1])


def test_without_bounds_of_a_watch_nothing_stops() -> None:
    assert band(1e9, "number", ok=at_most(1.0)).level == "watch"
    assert band(1e9, "number", ok=Bounds()).level == "ok" and band(1.0, "number", ok=Bounds()).compared.margin() is None


@given(SIZE, SIZE)
def test_what_is_known_to_lie_beyond_stands_even_where_a_rounding_puts_it_at_its_bound(value: float, hi: float) -> None:
    judged = beyond(value, "mass", at_most(hi), "stop")
    assert judged.level == "stop" and judged.compared is not None
    margin = judged.compared.margin()
    assert (margin is None) == (value <= hi) and (margin is None or margin.si < 0)


def test_an_unusual_place_ahead_of_its_origin_is_asked_about() -> None:
    """Its distance may be usual in the other direction: it is what lies along the axis that is compared."""
    at = "/fits/a/installations/main/placement/flange_station"
    far = put(DEMO_OF["aeroplane"], {at: {"entered": "70 m", "dir": "forward"}})
    made = assess(far, "a")
    assert not made.failures
    (found,) = [f for f in made.findings if f.rule == "craft.unusual"]
    assert found.compared is not None and found.margin is not None
    assert found.compared.value == pytest.approx(-70) and found.margin.si == pytest.approx(-10)


@given(SIZE, SIZE, st.floats(0, 1e3))
def test_the_margin_is_to_the_nearer_bound_in_its_unit_and_in_its_doubts(value: float, lo: float, width: float) -> None:
    margin = Compared(value, "length", lo, lo + width, 0.5).margin()
    assert margin is not None and margin.dimension == "length"
    assert margin.si == pytest.approx(min(value - lo, lo + width - value))
    assert margin.doubts == pytest.approx(margin.si / 0.5)
    assert (margin.si >= 0) == (lo <= value <= lo + width) or abs(margin.si) < 1e-9


@pytest.mark.parametrize("kind", KIND_IDS)
def test_findings_stand_worst_first_and_then_by_their_margin_in_doubts(kind: str) -> None:
    for fit in DEMO_OF[kind].fits:
        made = assess(DEMO_OF[kind], fit)
        key = lambda f: (
            LEVELS.index(f.level),
            f.margin.doubts if f.margin is not None and f.margin.doubts is not None else math.inf,
        )
        assert [key(f) for f in made.findings] == sorted(key(f) for f in made.findings)
        for bench in made.benches:
            known = [
                f.margin.doubts
                for f in made.findings
                if f.bench == bench.bench and f.margin and f.margin.doubts is not None
            ]
            assert (bench.margin.doubts if bench.margin else None) == min(known, default=None)
