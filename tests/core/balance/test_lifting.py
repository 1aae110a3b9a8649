"""How a unit hangs and what carries it: worked cases, equilibrium from scratch, refusals, findings."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.balance.lifting.functions import Pick, leveller_share, line_height, pick_tilt, two_leg_sling
from crooked_keel.core.document import Project
from crooked_keel.core.errors import InputError
from tests.conftest import DEMO_OF, bare, finding, put
from tests.kept import assess

G0 = 9.80665
UNIT = "/fits/a/installations/main/unit"


def test_a_pick_off_the_cg() -> None:
    """0.04 m off and 0.35 m above: 6.5198°; aft of the CG the front goes down."""
    assert math.degrees(pick_tilt(Pick(0, 0), Pick(0.04, 0.35))) == pytest.approx(6.5198, abs=1e-4)
    assert pick_tilt(Pick(0, 0), Pick(-0.04, 0.35)) < 0
    with pytest.raises(InputError, match="not above the CG"):
        pick_tilt(Pick(0, 0.2), Pick(0, 0.2))


def test_a_leveller() -> None:
    """120 kgf between 0 and 0.52 with the CG at 0.21: 71.538 and 48.462 kgf."""
    a, b = leveller_share(120, 0.0, 0.52, 0.21)
    assert (a / G0, b / G0) == (pytest.approx(71.538, abs=1e-3), pytest.approx(48.462, abs=1e-3))
    with pytest.raises(InputError, match="slack"):
        leveller_share(120, 0.0, 0.52, 0.6)


def test_slings() -> None:
    """150 kg on equal legs at 60° from the horizontal: 849.281 N each. Picks −0.3 and 0.5, hook 0.6 up: 1027.891 and
    718.054 N."""
    high = math.tan(math.radians(60)) * 0.4
    even = two_leg_sling(150, Pick(-0.4, 0), Pick(0.4, 0), Pick(0, high))
    assert even[:2] == (pytest.approx(849.281, abs=1e-3), pytest.approx(849.281, abs=1e-3))
    assert math.degrees(even.first_rad) == pytest.approx(60)
    odd = two_leg_sling(150, Pick(-0.3, 0), Pick(0.5, 0), Pick(0, 0.6))
    assert odd[:2] == (pytest.approx(1027.891, abs=1e-3), pytest.approx(718.054, abs=1e-3))
    assert math.degrees(math.pi / 2 - odd.first_rad) == pytest.approx(26.565, abs=1e-3)
    assert math.degrees(math.pi / 2 - odd.second_rad) == pytest.approx(39.806, abs=1e-3)
    swapped = two_leg_sling(150, Pick(0.5, 0), Pick(-0.3, 0), Pick(0, 0.6))
    assert swapped[:2] == (pytest.approx(odd.second_n), pytest.approx(odd.first_n))


@given(
    st.floats(10, 900),
    st.floats(-1, -0.05),
    st.floats(0.05, 1),
    st.floats(-0.3, 0.3),
    st.floats(-0.3, 0.3),
    st.floats(0.35, 3),
)
def test_the_hook_is_in_equilibrium(mass: float, x1: float, x2: float, z1: float, z2: float, hook: float) -> None:
    """Forces at the hook by numpy: two tensions along the legs, one weight."""
    found = two_leg_sling(mass, Pick(x1, z1), Pick(x2, z2), Pick(0, hook))
    legs = np.array([[x1, z1 - hook], [x2, z2 - hook]])
    legs /= np.linalg.norm(legs, axis=1)[:, None]
    tensions = np.linalg.solve(legs.T, np.array([0.0, -mass * G0]))
    assert found[:2] == (pytest.approx(tensions[0], rel=1e-9), pytest.approx(tensions[1], rel=1e-9))
    assert found.first_n > 0 and found.second_n > 0


@pytest.mark.parametrize(
    ("first", "second", "hook", "said"),
    [
        (Pick(-0.3, 0), Pick(0.5, 0), Pick(0, -0.1), "hook is not above"),
        (Pick(0.1, 0), Pick(0.5, 0), Pick(0, 0.6), "not between the picks"),
    ],
)
def test_slings_that_cannot_be(first: Pick, second: Pick, hook: Pick, said: str) -> None:
    with pytest.raises(InputError, match=said):
        two_leg_sling(100, first, second, hook)


def test_line_between_picks() -> None:
    assert line_height(Pick(0, 0.1), Pick(1, 0.3), 0.5) == pytest.approx(0.2)
    with pytest.raises(InputError, match="one station"):
        line_height(Pick(0.5, 0.1), Pick(0.5, 0.3), 0.5)


def lifted(project: Project, **figures: str) -> Project:
    ways = {"aft": "aft", "up": "up"}
    return put(
        project,
        {
            f"{UNIT}/lifting/{k}": {"entered": v, "dir": ways[k.rsplit("_", 1)[1]]}
            if k not in ("rating", "legs")
            else v
            for k, v in figures.items()
        },
    )


ONE = {"first_aft": "250 mm", "first_up": "300 mm", "rating": "500 kg"}  # CG 245 mm aft, 35 mm up
TWO = {**ONE, "first_aft": "50 mm", "second_aft": "450 mm", "second_up": "300 mm"}


@pytest.mark.parametrize(
    ("key", "figures", "level"),
    [
        ("balance.pick-tilt:main", ONE, "watch"),  # 1° off, but its CG is in doubt by more than 5°
        ("balance.pick-tilt:main", {**ONE, "first_aft": "290 mm"}, "watch"),
        ("balance.pick-tilt:main", {**ONE, "first_aft": "400 mm"}, "stop"),
        ("balance.pick-tilt:main", {**ONE, "first_up": "20 mm"}, "stop"),
        ("balance.pick-tilt:main", TWO, "ok"),
        ("balance.pick-tilt:main", {**TWO, "second_aft": "200 mm"}, "stop"),
        ("balance.pick-tilt:main", {**TWO, "first_up": "10 mm", "second_up": "20 mm"}, "stop"),
        ("balance.sling-angle:main", {**TWO, "legs": "hang plumb"}, "ok"),
        ("balance.sling-angle:main", {**TWO, "hook_up": "700 mm"}, "ok"),
        ("balance.sling-angle:main", {**TWO, "hook_up": "460 mm"}, "watch"),
        ("balance.sling-angle:main", {**TWO, "hook_up": "380 mm"}, "stop"),
        ("balance.sling-angle:main", {**TWO, "hook_up": "250 mm"}, "stop"),
        ("balance.hoist:main", ONE, "ok"),
        ("balance.hoist:main", {**ONE, "rating": "80 kg"}, "stop"),
        ("balance.hoist:main", {k: v for k, v in ONE.items() if k != "rating"}, "unknown"),
    ],
)
def test_findings(key: str, figures: dict[str, Any], level: str) -> None:
    made = assess(lifted(DEMO_OF["aeroplane"], **figures), "a")
    assert finding(made, key).level == level


def test_nothing_is_said_where_nobody_lifts(project: Project) -> None:
    rules = {f.rule for f in assess(project, "a").findings}
    assert not rules & {"balance.pick-tilt", "balance.sling-angle", "balance.hoist"}


def test_it_works_with_nothing_else_entered() -> None:
    """Mass, CG and one pick of a bare unit."""
    alone = bare(
        "boat",
        {
            f"{UNIT}/mass": "210 kg",
            f"{UNIT}/cg_aft": {"entered": "300 mm ±2 mm", "dir": "forward"},
            f"{UNIT}/cg_up": {"entered": "100 mm ±2 mm", "dir": "up"},
            f"{UNIT}/lifting/first_aft": {"entered": "320 mm ±2 mm", "dir": "forward"},
            f"{UNIT}/lifting/first_up": {"entered": "450 mm ±2 mm", "dir": "up"},
        },
    )
    found = finding(assess(alone, "a"), "balance.pick-tilt:main")
    assert found.level == "ok" and found.compared is not None
    assert math.degrees(found.compared.value) == pytest.approx(math.degrees(math.atan(20 / 350)))
    assert finding(assess(alone, "a"), "balance.hoist:main").needs[0].pointer == f"{UNIT}/lifting/rating"
