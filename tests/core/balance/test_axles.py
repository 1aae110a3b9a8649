"""Wheels: worked cases W15, W26-W30, and invariants of reactions."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.balance.ledger.functions import support_reactions
from crooked_keel.core.balance.wheels.functions import (
    lean_to_balance,
    rear_axle,
    stand_load,
    static_stability,
)
from crooked_keel.core.craft.weighing.functions import warp_of
from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.pitching import stop_limit, traction_limit, wheelie_limit
from tests.conftest import DEMO_OF, bare, finding, put, value
from tests.kept import assess

# W27: bike z 0.52, rider 80 kg at 0.82, 0.95; passenger 70 kg at 1.12, 1.00; wheelbase 1.345 before, 1.405 after the
# stretch.
SOLO_BEFORE = (1.345, 0.813502, 0.674955)
SOLO_AFTER = (1.405, 0.826475, 0.674955)


def test_w26_axle_and_stretch() -> None:
    """142 kg, 85.5 kg on the rear of a 1.345 m wheelbase; the frame stretched by 60 mm with 48 kg that moves."""
    x = 85.5 * 1.345 / 142
    assert x == pytest.approx(0.809842, abs=1e-6)
    assert rear_axle(142, x, 1.345) == pytest.approx(85.5)
    moved = x + 48 * 0.060 / 142
    assert moved == pytest.approx(0.830123, abs=1e-6)
    assert rear_axle(142, moved, 1.405) == pytest.approx(83.8986, abs=1e-4)


def test_w27_pitch_limits() -> None:
    """Wheelie 0.787457, stop 1.205269, traction 0.808413 g before: the front lifts first."""
    base, x, z = SOLO_BEFORE
    assert wheelie_limit(base, x, z) == pytest.approx(0.787457, abs=2e-6)
    assert stop_limit(x, z) == pytest.approx(1.205269, abs=2e-6)
    grip = traction_limit(base, x, z, 0.8)
    assert grip == pytest.approx(0.808413, abs=2e-6) and grip > wheelie_limit(base, x, z)


def test_w27_after_the_stretch_the_tyre_slips_first() -> None:
    base, x, z = SOLO_AFTER
    assert wheelie_limit(base, x, z) == pytest.approx(0.857131, abs=3e-6)
    assert stop_limit(x, z) == pytest.approx(1.224489, abs=3e-6)
    grip = traction_limit(base, x, z, 0.8)
    assert grip == pytest.approx(0.764338, abs=3e-6) and grip < wheelie_limit(base, x, z)


def test_grip_is_never_the_limit_on_a_tall_short_craft() -> None:
    assert traction_limit(1.0, 0.5, 1.5, 0.8) is None


def test_w29_lean_and_jack() -> None:
    """CG 18.408 mm off at 471.592 mm: 2.2353°. Engine out, jack at 0.60 and rear wheel at 1.36: 92.316 and 19.684
    kg."""
    assert math.degrees(lean_to_balance(0.018408, 0.471592)) == pytest.approx(2.2353, abs=1e-4)
    rear = stand_load(112, 0.733571, 0.60, 1.36)
    assert rear == pytest.approx(19.684, abs=1e-3)
    assert 112 - rear == pytest.approx(92.316, abs=1e-3)


def test_w30_static_stability() -> None:
    assert static_stability(1.295, 0.0, 0.47) == pytest.approx(1.37766, abs=1e-5)


def test_w15_reactions_before_and_with_the_engine_out() -> None:
    """Nose wheel craft: 77.551 / 151.224 / 151.224 kg; with 118 kg out it tips, the nose at −56.503."""
    wheels = [(-0.75, 0.0), (0.72, -1.0), (0.72, 1.0)]
    assert support_reactions(380, 0.42, 0.0, wheels) == pytest.approx([77.551, 151.224, 151.224], abs=1e-3)
    out = support_reactions(262, 1.037023, 0.0, wheels)
    assert out == pytest.approx([-56.503, 159.252, 159.252], abs=1e-3)


@given(st.floats(50, 2000), st.floats(0.1, 2.2), st.floats(-0.5, 0.5), st.sampled_from([2, 3, 4, 5]))
def test_reactions_sum_to_the_load_on_any_number_of_wheels(mass: float, x: float, y: float, n: int) -> None:
    """Total and both moments close for two wheels in line, three, four and five supports."""
    places = {
        2: [(0.0, 0.0), (1.4, 0.0)],
        3: [(0.0, 0.0), (1.9, -0.6), (1.9, 0.6)],
        4: [(0.0, -0.6), (0.0, 0.6), (2.2, -0.65), (2.2, 0.65)],
        5: [(0.0, -0.6), (0.0, 0.6), (2.2, -0.65), (2.2, 0.65), (1.1, 0.0)],
    }[n]
    loads = support_reactions(mass, x, y, places)
    assert sum(loads) == pytest.approx(mass)
    assert sum(r * p[0] for r, p in zip(loads, places, strict=True)) == pytest.approx(mass * x, abs=1e-6)
    if n > 2:
        assert sum(r * p[1] for r, p in zip(loads, places, strict=True)) == pytest.approx(mass * y, abs=1e-6)


def test_four_wheels_carry_as_equal_springs_under_a_stiff_frame() -> None:
    """CG off both middles, tracks unlike: the least squares of the splits that balance, by numpy's pseudo-inverse."""
    places = [(0.0, -0.62), (0.0, 0.62), (2.2, -0.70), (2.2, 0.66)]
    balance = np.array([[1.0] * 4, [p[0] for p in places], [p[1] for p in places]])
    least = np.linalg.pinv(balance) @ np.array([800.0, 800.0 * 0.9, 800.0 * 0.08])
    assert support_reactions(800, 0.9, 0.08, places) == pytest.approx(list(least))
    assert max(least) - min(least) > 50


@pytest.mark.parametrize("places", [[(1.0, 0.0), (1.0, 0.0)], [(0, 0), (1, 0), (2, 0)], [(0.0, 0.0)]])
def test_wheels_in_one_place_or_line(places: list[tuple[float, float]]) -> None:
    with pytest.raises(InputError):
        support_reactions(100, 0.5, 0.0, places)


WHEELS = {
    "/craft/supports/front/station": "0 mm",
    "/craft/supports/front/water_line": "0 mm",
    "/craft/supports/front/radius": "260 mm",
    "/craft/supports/rear/station": "1345 mm",
    "/craft/supports/rear/water_line": "0 mm",
    "/craft/supports/rear/radius": "245 mm",
    "/craft/supports/front/tare": "0 kg",
    "/craft/supports/rear/tare": "0 kg",
    "/craft/supports/front/reading": "56.5 kg",
    "/craft/supports/rear/reading": "85.5 kg",
}


def test_w26_through_the_whole_chain_with_the_height_by_lifting() -> None:
    """Front raised 350 mm, 91.6 kg on the rear: 464.4 mm, one kilogram worth 35 mm."""
    lifted = {"/craft/as_found/raised/lift": "350 mm", "/craft/as_found/raised/reading": "91.6 kg"}
    made = assess(bare("motorcycle", {**WHEELS, **lifted}), None)
    assert not made.failures
    assert value(made, "craft.station-found") == pytest.approx(0.809842, abs=1e-6)
    assert value(made, "craft.height-found") == pytest.approx(0.46437, abs=1e-5)
    assert finding(made, "craft.tilt").level == "ok"


def test_axles_in_one_place_are_said() -> None:
    made = assess(bare("motorcycle", {**WHEELS, "/craft/supports/rear/station": "0 mm"}), None)
    assert not made.failures
    said = finding(made, "craft.as-found")
    assert said.level == "unknown" and "same" in said.message.params["why"].text  # type: ignore[operator]


def test_cg_outside_the_wheelbase_is_a_stop_and_is_drawn() -> None:
    """A pack hung far behind the rear axle lifts the front wheel."""
    from tests.conftest import DEMO_OF

    demo = put(DEMO_OF["motorcycle"], {"/fits/a/installations/main/packs/side/station": {"entered": "9 m"}})
    made = assess(demo, "a")
    assert finding(made, "balance.wheelbase").level == "stop"
    assert finding(made, "balance.supports").level == "stop"
    assert made.shapes.cg_after is not None and made.shapes.cg_after.x > 1.435


def test_a_stretched_frame_moves_wheel_and_split() -> None:
    """60 mm of stretch: wheelbase longer by it, the driven wheel's mass with it; by plain sums."""
    from tests.conftest import DEMO_OF

    long = assess(DEMO_OF["scooter"], "a")
    short = assess(put(DEMO_OF["scooter"], {"/fits/a/installations/main/mount/swing/stretch": "0 mm"}), "a")
    a, b = long.balance.axles[0], short.balance.axles[0]  # type: ignore[union-attr]
    assert a.rear_si is not None and b.rear_si is not None
    assert a.rear_si * 1.305 == pytest.approx(b.rear_si * 1.245 + 5.6 * 0.060, rel=1e-6)
    assert a.mass_si == pytest.approx(b.mass_si)


def test_port_share_is_that_of_the_corners_as_weighed() -> None:
    """W30's corners: 188 + 152 of 680 kg to port, 50.000 %; and on three wheels the pair's own readings, 152.0 of 308.5
    kg."""
    wheels = {"lf": (0, -0.645, 188), "rf": (0, 0.645, 176), "lr": (2.31, -0.65, 152), "rr": (2.31, 0.65, 164)}
    four = put(
        DEMO_OF["road-vehicle"],
        {
            "/craft/layout": "four wheels",
            "/craft/supports": {
                k: {
                    "name": k,
                    "role": "front" if k.endswith("f") else "rear",
                    "station": f"{x} m",
                    "butt_line": f"{y} m",
                    "water_line": "0 m",
                    "radius": "290 mm",
                    "reading": f"{r} kg",
                    "tare": "0 kg",
                }
                for k, (x, y, r) in wheels.items()
            },
        },
    )
    assert value(assess(four, None), "balance.port-share") == pytest.approx(0.5, abs=1e-4)
    # Cross as weighed, 48.235 %; a swap moves mass and leaves the warp that the springs hold: loads by statics and
    # that.
    found = assess(four, "b")
    cross = next(v for v in found.values if v.id == "balance.cross")
    assert cross.before_si == pytest.approx(0.48235, abs=1e-5)
    loads = {s.id: (s.before_si, s.after_si) for s in found.shapes.supports}
    assert {k: pytest.approx(b) for k, (b, _) in loads.items()} == {k: r for k, (_, _, r) in wheels.items()}
    places = [(x, y) for x, y, _ in wheels.values()]
    after = [loads[k][1] for k in wheels]
    assert sum(after) == pytest.approx(value(found, "balance.empty-mass"))
    assert sum(load * x for load, (x, _) in zip(after, places, strict=True)) == pytest.approx(
        value(found, "balance.empty-mass") * value(found, "balance.empty-cg")
    )
    assert warp_of(places, after) == pytest.approx(warp_of(places, [r for _, _, r in wheels.values()]), abs=1e-9)
    assert value(assess(DEMO_OF["road-vehicle"], None), "balance.port-share") == pytest.approx(152.0 / 308.5, abs=1e-4)


def test_a_shaft_or_a_hub_motor_pulls_at_the_pivot() -> None:
    """Anti-squat by hand with the pivot as the centre of the pull: (0.40 / (1.435 − 0.905)) / (h / 1.435)."""
    shaft = put(DEMO_OF["motorcycle"], {"/fits/b/installations/main/drive/stages/chain/type": "gear"})
    made = assess(shaft, "b")
    assert made.balance is not None
    solo = next(s for s in made.balance.axles if s.id == "solo")
    assert solo.wheelie is not None and solo.rear_si is not None and solo.mass_si is not None
    height = 1.435 * (1 - solo.rear_si / solo.mass_si) / solo.wheelie
    assert value(made, "balance.anti-squat") == pytest.approx((0.40 / (1.435 - 0.905)) / (height / 1.435), rel=1e-6)
    assert value(made, "balance.anti-squat") != pytest.approx(
        value(assess(DEMO_OF["motorcycle"], "b"), "balance.anti-squat"), rel=0.02
    )
