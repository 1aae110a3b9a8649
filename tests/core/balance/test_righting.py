"""Righting arms by sections, against the closed form of a wall-sided hull and by turning the whole thing round."""

from __future__ import annotations

import math

import pytest

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.balance.afloat import righting
from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.hull import Hull, Section, righting_arm
from tests.conftest import DEMO_OF
from tests.core.test_boat_in_full import BOAT, BY_SECTIONS

RHO, LENGTH, BEAM, DEPTH, DRAFT = 1000.0, 12.0, 4.0, 3.0, 1.2


def box(depth: float) -> Hull:
    side = BEAM / 2
    outline = ((-side, 0.0), (side, 0.0), (side, depth), (-side, depth), (-side, 0.0))
    return Hull.of([Section(LENGTH * i / 8, outline) for i in range(9)])


BOX = box(DEPTH)
MASS = RHO * LENGTH * BEAM * DRAFT


@pytest.mark.parametrize("degrees", [0, 5, 10, 20, 28])
@pytest.mark.parametrize("kg_m", [0.9, 1.4])
def test_a_box_follows_the_wall_sided_formula(degrees: float, kg_m: float) -> None:
    """GZ = sin φ (GM + ½ BM tan² φ), exact while sides stay sides (handbooks of naval architecture, from memory)."""
    heel = math.radians(degrees)
    arm = righting_arm(BOX, MASS, (LENGTH / 2, 0.0, kg_m), RHO, LENGTH / 2, heel)
    bm = BEAM**2 / (12 * DRAFT)
    gm = DRAFT / 2 + bm - kg_m
    assert arm.gz_m == pytest.approx(math.sin(heel) * (gm + 0.5 * bm * math.tan(heel) ** 2), abs=1e-6)
    assert not arm.deck_under


def test_the_deck_goes_under_where_geometry_says() -> None:
    """Freeboard over half the beam, while the bilge is still in the water."""
    low = box(2.0)
    under = math.degrees(math.atan((2.0 - DRAFT) / (BEAM / 2)))
    at = lambda d: righting_arm(low, MASS, (LENGTH / 2, 0.0, 1.0), RHO, LENGTH / 2, math.radians(d))
    assert not at(under - 1).deck_under and at(under + 1).deck_under
    # With the deck under the formula promises more than there is.
    gm, bm = DRAFT / 2 + BEAM**2 / (12 * DRAFT) - 1.0, BEAM**2 / (12 * DRAFT)
    heel = math.radians(30)
    assert at(30).gz_m < math.sin(heel) * (gm + 0.5 * bm * math.tan(heel) ** 2)


def test_weight_to_one_side_takes_its_arm_off() -> None:
    """By y cos φ."""
    for degrees in (0, 15, 30):
        heel = math.radians(degrees)
        middle, aside = (righting_arm(BOX, MASS, (LENGTH / 2, y, 1.0), RHO, LENGTH / 2, heel).gz_m for y in (0.0, 0.1))
        assert middle - aside == pytest.approx(0.1 * math.cos(heel), abs=1e-9)


def test_more_than_she_can_carry_is_refused() -> None:
    with pytest.raises(InputError, match="would not carry"):
        righting_arm(BOX, RHO * LENGTH * BEAM * DEPTH * 1.1, (LENGTH / 2, 0.0, 1.0), RHO, LENGTH / 2, 0.1)


def test_every_state_of_a_boat_has_its_curve() -> None:
    made = answer(righting.STUDY, BY_SECTIONS, "a")
    assert made.curves[0].id.endswith("-before") and len(made.curves) > 2 and made.toward in ("port", "starboard")
    for c in made.curves:
        first, second = c.arms[0], c.arms[1]
        assert first.heel_si == 0 and first.gz_si <= 1e-6 and second.gz_si > first.gz_si
    # The slope at the start is GM of the same state at rest.
    from crooked_keel.core.balance.afloat import at_rest

    rest = {s.id: s for s in answer(at_rest.STUDY, BY_SECTIONS, "a").states}
    for c in made.curves[1:]:
        gm = rest[c.id].gm_si
        slope = (c.arms[1].gz_si - c.arms[0].gz_si) / math.sin(c.arms[1].heel_si)
        assert gm is not None and slope == pytest.approx(gm, rel=0.12)
    assert answer(righting.STUDY, BOAT, "a").needs[0].pointer == "/craft/flotation/sections"
    with pytest.raises(InputError, match="does not float"):
        answer(righting.STUDY, DEMO_OF["aeroplane"], "a")
