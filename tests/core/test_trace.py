"""Numbers that remember their figures, against the uncertainties library; the memo."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor

import pytest
from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from crooked_keel.core.balance.ledger.functions import Centre
from crooked_keel.core.errors import CannotSay, Gap, ask_all
from crooked_keel.core.figure.kinds import Mass
from crooked_keel.core.figure.place import Station
from crooked_keel.core.figure.trace import Origin, Traced, need, standard_uncertainty, traced
from crooked_keel.core.topic.lazy import lazy
from crooked_keel.core.topic.memo import Memo

VALUES = st.floats(0.5, 50)
DOUBTS = st.floats(0, 2)


def one(value: float, name: str, u: float) -> Traced:
    return Traced(value, {Origin.of(name, u, name, "measured"): 1.0})


@given(VALUES, DOUBTS, VALUES, DOUBTS, VALUES, DOUBTS)
def test_sums_products_and_quotients_against_uncertainties(
    a: float, ua: float, b: float, ub: float, c: float, uc: float
) -> None:
    x, y, z = one(a, "a", ua), one(b, "b", ub), one(c, "c", uc)
    p, q, r = ufloat(a, ua or 1e-300), ufloat(b, ub or 1e-300), ufloat(c, uc or 1e-300)
    ours = (x.by(y) + z.times(3.0) - x).over(y + z)
    theirs = (p * q + r * 3.0 - p) / (q + r)
    assert ours.value == pytest.approx(theirs.nominal_value, rel=1e-12)
    assert ours.u == pytest.approx(theirs.std_dev, rel=1e-9, abs=1e-12)


def test_the_same_figure_twice_counts_once() -> None:
    x = one(10.0, "a", 1.0)
    assert (x - x).u == 0.0
    assert (x + x).u == pytest.approx(2.0)
    assert (one(10.0, "a", 1.0) + one(10.0, "b", 1.0)).u == pytest.approx(2**0.5)


@given(st.lists(st.tuples(VALUES, DOUBTS, VALUES, DOUBTS, st.booleans()), min_size=2, max_size=8), st.integers(1, 7))
def test_a_centre_built_on_a_base_is_the_same_as_one_built_in_one_go(
    rows: list[tuple[float, float, float, float, bool]], cut: int
) -> None:
    """Rows that share the station figure of the first row among them: covariance must not be lost at the seam."""
    shared = one(1.5, "shared", 0.3)

    def put(centre: Centre, i: int, row: tuple[float, float, float, float, bool]) -> None:
        m, um, x, ux, together = row
        at = one(x, f"x{i}", ux)
        centre.add(1, one(m, f"m{i}", um), at + shared if together else at)

    whole, base = Centre(), Centre()
    for i, row in enumerate(rows):
        put(whole, i, row)
    for i, row in enumerate(rows[:cut]):
        put(base, i, row)
    top = Centre(base)
    for i, row in list(enumerate(rows))[cut:]:
        put(top, i, row)
    for slope in (0.0, 0.002):
        assert top.margin_u(slope) == pytest.approx(whole.margin_u(slope), rel=1e-7, abs=1e-6)
    assert top.mass.u == pytest.approx(whole.mass.u, rel=1e-7, abs=1e-6)
    assert standard_uncertainty(whole.slopes()) == pytest.approx(whole.margin_u(0.0), rel=1e-6, abs=1e-6)
    assert top.slopes() == pytest.approx(whole.slopes())


def test_a_place_is_signed_by_its_direction() -> None:
    ahead = Station.model_validate({"entered": "500 mm ±6 mm", "dir": "forward", "source": "measured"})
    made = traced(ahead, "/x", "station")
    assert made.value == pytest.approx(-0.5)
    assert made.u == pytest.approx(0.003)
    assert next(iter(made.slopes)).source == "measured"


def test_a_changed_figure_is_read_anew_and_a_changed_name_too() -> None:
    light, heavy = Mass.model_validate("5 kg"), Mass.model_validate("6 kg")
    assert traced(light, "/m", "mass").value == 5.0
    assert traced(heavy, "/m", "mass").value == 6.0
    assert next(iter(traced(heavy, "/m", "new name").slopes)).what == "new name"
    with pytest.raises(CannotSay):
        traced(None, "/m", "mass")


def test_needs_are_collected() -> None:
    with pytest.raises(CannotSay) as said:
        ask_all(lambda: need(None, "/a", "a"), lambda: 1, lambda: need(None, "/b", "b"), lambda: need(None, "/a", "a"))
    assert [n.pointer for n in said.value.needs] == ["/a", "/b"]
    assert str(said.value) == "needs a, b"


def test_lazy_is_computed_once_and_remembers_a_gap() -> None:
    calls: list[str] = []

    class Bench:
        @lazy
        def good(self) -> int:
            """Kept."""
            calls.append("good")
            return 7

        @lazy
        def gap(self) -> int:
            calls.append("gap")
            raise CannotSay(Gap("/x", "x"))

    bench = Bench()
    assert (bench.good, bench.good) == (7, 7)
    for _ in range(2):
        with pytest.raises(CannotSay):
            _ = bench.gap
    assert calls == ["good", "gap"]
    assert Bench.good.__doc__ == "Kept."


def test_memo_keeps_by_identity_and_stays_small() -> None:
    memo, calls = Memo(3), []

    def make(word: str) -> str:
        calls.append(word)
        return word

    parts = [[i] for i in range(5)]
    assert memo((parts[0],), lambda: make("a")) == "a"
    assert memo((parts[0],), lambda: make("b")) == "a"
    assert memo(([0],), lambda: make("equal, not the same")) == "equal, not the same"
    assert memo((parts[0],), lambda: make("other name"), "y") == "other name"
    for part in parts:
        memo((part,), lambda: make("more"))
    assert len(memo.kept) <= 3
    with pytest.raises(ZeroDivisionError):
        memo((calls,), lambda: 1 // 0)
    assert memo((calls,), lambda: 5) == 5  # what raised was not kept


def test_memo_lets_the_oldest_go_by_weight() -> None:
    memo = Memo(100, len, 10)
    parts = [[i] for i in range(4)]
    for part in parts:
        memo((part,), lambda: "four")
    assert [key[0] for key in memo.kept] == [id(parts[2]), id(parts[3])]
    assert len(memo(([9],), lambda: "longer than all of them")) > 10
    assert len(memo.kept) == 1  # what is asked for last is kept, whatever it weighs


def test_memo_holds_under_many_threads() -> None:
    memo, parts = Memo(8), [[i] for i in range(64)]

    def ask(i: int) -> bool:
        part = parts[i % 64]
        return memo((part,), lambda: part[0]) == part[0]

    with ThreadPoolExecutor(8) as pool:
        assert all(pool.map(ask, range(4000)))
    assert len(memo.kept) <= 8
