"""Packs in their spaces, and what tyres carry."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.balance.stowage.functions import PLACES, gaps, stowed
from crooked_keel.core.document import Project
from crooked_keel.core.errors import InputError
from crooked_keel.core.reference.tyres import LOADS_KG, tyre_load
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put

BIKE = DEMO_OF["motorcycle"]
PACKS = "/fits/a/installations/main/packs"
SPINE = "/fits/a/spaces/spine"


def of(project: Project) -> dict[str, Any]:
    return {p.pointer.rsplit("/", 1)[1]: p for p in stowed(set_up(project, "a").resolved)}


def test_room_is_what_the_space_leaves_round_the_middle() -> None:
    """By hand: space 540 to 900, pack 260 long with its middle at 690: 20 mm forward, 80 aft; 380 wide, 220 across at
    80: 160 to port."""
    side = of(BIKE)["side"]
    assert side.room("x") == pytest.approx((-0.020, 0.080))
    assert side.room("y") == pytest.approx((-0.160, 0.0))
    assert side.room("z") == pytest.approx((-0.013, 0.015))
    assert side.outside() == []


def test_a_side_that_is_left_blank_is_open() -> None:
    side = of(put(BIKE, {f"{SPINE}/starboard": None, f"{PACKS}/side/butt_line": "2 m"}))["side"]
    assert side.room("y") is None and side.outside() == []
    assert of(put(BIKE, {f"{PACKS}/side/space": None}))["side"].needs == []


def test_what_it_lacks_is_named_and_nothing_else() -> None:
    side = of(put(BIKE, {f"{PACKS}/side/width": None, f"{PACKS}/side/water_line": None}))["side"]
    assert {n.pointer for n in side.needs} == {f"{PACKS}/side/width", f"{PACKS}/side/water_line"}
    open_up = of(put(BIKE, {f"{PACKS}/side/width": None, f"{SPINE}/port": None, f"{SPINE}/starboard": None}))["side"]
    assert open_up.needs == []


def test_a_space_turned_inside_out_is_refused_at_its_second_side() -> None:
    with pytest.raises(InputError) as bad:
        of(put(BIKE, {f"{SPINE}/high": "500 mm"}))
    assert bad.value.field == f"{SPINE}/high" and "does not lie beyond" in bad.value.message


def test_a_space_that_is_not_there_is_refused_and_one_that_is_used_cannot_go() -> None:
    for edits in ({f"{PACKS}/side/space": "attic"}, {SPINE: None}):
        with pytest.raises(InputError) as bad:
            put(BIKE, edits)
        assert bad.value.field == f"{PACKS}/side/space" and "cradle" in str(bad.value.allowed)


@given(st.tuples(*[st.floats(-0.5, 0.5)] * 3), st.tuples(*[st.floats(0.05, 0.6)] * 3))
def test_two_packs_overlap_as_points_tried_at_random_say(shift: tuple[float, ...], size: tuple[float, ...]) -> None:
    """Two boxes meet exactly where, on every axis, the distance of their middles is less than half of both sizes
    together."""
    low = of(BIKE)["low"]
    at = {a: low.middle[a] + d for a, d in zip("xyz", shift, strict=True)}
    moved = put(
        BIKE,
        {
            **{f"{PACKS}/side/{PLACES[a][0]}": f"{v:.9f} m" for a, v in at.items()},  # type: ignore[index]
            **{f"{PACKS}/side/{PLACES[a][1]}": f"{s:.9f} m" for a, s in zip("xyz", size, strict=True)},  # type: ignore[index]
        },
    )
    (gap,) = gaps(stowed(set_up(moved, "a").resolved))
    meet = all(abs(d) < (s + low.size[a]) / 2 for a, d, s in zip("xyz", shift, size, strict=True))  # type: ignore[index]
    assert (gap.gap_m < 0) == meet or abs(gap.gap_m) < 1e-6


def test_load_indices_are_eighty_steps_to_the_tenfold() -> None:
    """ISO 3 preferred numbers, on which the table of load indices is built: 45 kg times ten to the power of index over
    eighty. The table is rounded; no value is further off than two hundredths."""
    assert len(LOADS_KG) == 121 and list(LOADS_KG) == sorted(LOADS_KG)
    for index, kg in enumerate(LOADS_KG):
        assert kg == pytest.approx(45 * 10 ** (index / 80), rel=0.02)
    for index in range(41):
        assert LOADS_KG[index + 80] == pytest.approx(10 * LOADS_KG[index], rel=0.012)
    # Marks that every tyre shop knows; common practice, no source.
    assert [tyre_load(i, "/x") for i in (69, 75, 91, 100)] == [325, 387, 615, 800]


@pytest.mark.parametrize("index", [-1, 121, math.inf])
def test_an_index_outside_the_table_is_refused(index: float) -> None:
    with pytest.raises(InputError, match="table of load indices"):
        tyre_load(index, "/craft/supports/rear/load_index")
