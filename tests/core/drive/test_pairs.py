"""Teeth for a wanted ratio: by a search of all pairs, and what taking one does."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import apply_operations
from crooked_keel.core.drive.train.pairs import STUDY, Pairs
from crooked_keel.core.errors import InputError
from tests.conftest import DEMO_OF, put
from tests.kept import assess

LAPWING, HARROW, TILLER = DEMO_OF["aeroplane"], DEMO_OF["motorcycle"], DEMO_OF["road-vehicle"]


def found(wanted: float | None = None, stage: str | None = None) -> Pairs:
    return answer(STUDY, HARROW, "b", stage=stage, wanted=wanted)


@given(st.floats(1.2, 5.0))
def test_no_pair_about_it_is_nearer(wanted: float) -> None:
    """Against every driven wheel of every driving one about the own."""
    first = min(found(wanted).pairs, key=lambda p: abs(p.off))
    nearest = min(abs(b / a / wanted - 1) for a in range(11, 22) for b in range(9, 121))
    assert abs(first.off) == pytest.approx(nearest, abs=1e-12)


def test_every_row_says_what_its_teeth_make() -> None:
    """Ratio, speed and hunting tooth: the same teeth meet when both have gone round whole (common multiple)."""
    made = found(2.75)
    assert made.stage == "chain" and any(p.own for p in made.pairs)
    for p in made.pairs:
        assert p.ratio == p.driven / p.driving and p.off == pytest.approx(p.ratio / 2.75 - 1)
        assert p.meets == math.lcm(p.driving, p.driven) // p.driving
        assert p.turned_si == pytest.approx(8000 * math.pi / 30 / (1.78 * p.ratio))


def test_what_is_taken_is_what_was_said() -> None:
    row = next(p for p in found(2.5).pairs if not p.own)
    after = apply_operations(HARROW, [o.model_dump() for o in row.operations])
    turned = next(v.si for v in assess(after, "b").values if v.id == "drive.propeller-speed")
    assert turned == pytest.approx(row.turned_si)


def test_a_stage_without_teeth_is_named_and_one_that_stays_is_not_offered() -> None:
    assert answer(STUDY, TILLER, "b", stage=None, wanted=None).needs[0].pointer.endswith("/drive/stages")
    with pytest.raises(InputError) as refused:
        found(2.0, "primary")
    assert refused.value.field == "/stage"
    with pytest.raises(InputError) as below:
        found(-1.0)
    assert below.value.field == "/wanted"
    old = HARROW.old_installations["main"].drive.stages["chain"].name
    gear = put(HARROW, {"/fits/b/installations/main/drive/stages/chain/type": "gear"})
    gear = put(gear, {"/old_installations/main/drive/stages/chain/type": "gear"})
    kept = answer(STUDY, gear, "b", stage=None, wanted=None)
    assert old and kept.kept and not any(p.operations for p in kept.pairs)
