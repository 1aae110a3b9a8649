"""Outlines of every kind: closed, finite, drawn to the measures where there are measures, and called a sketch where
not."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.profile import Shapes
from crooked_keel.core.reference.fair import fair
from crooked_keel.core.reference.kinds import KINDS
from crooked_keel.core.reference.outlines import Foot, Measures
from tests.conftest import DEMO_OF, KIND_IDS, bare, put
from tests.kept import assess

WHEELS = [Foot("front", "front", 0.0, -0.3, 0.3), Foot("rear", "rear", 1.4, -0.3, 0.3)]


def shapes(kind: str, figures: dict[str, object] | None = None) -> Shapes:
    return assess(put(DEMO_OF[kind], figures or {}), "a").shapes


@pytest.mark.parametrize("kind", KIND_IDS)
def test_the_demonstration_is_to_scale_and_one_measure_less_makes_it_a_sketch(kind: str) -> None:
    assert shapes(kind).to_scale
    for key in KINDS[kind].outline:
        assert not shapes(kind, {f"/craft/outline/{key}": None}).to_scale, key


@pytest.mark.parametrize("kind", KIND_IDS)
def test_a_new_project_is_drawn_as_a_sketch(kind: str) -> None:
    made = assess(bare(kind), "a").shapes
    assert not made.to_scale
    assert all(math.isfinite(p.x) and math.isfinite(p.z) for path in made.outline for p in path.points)


@pytest.mark.parametrize("kind", [k for k in KIND_IDS if "nose" in KINDS[k].outline])
def test_the_outline_reaches_the_measured_ends_and_no_further(kind: str) -> None:
    made = shapes(kind)
    outline = DEMO_OF[kind].craft.outline
    assert outline.nose is not None and outline.tail is not None and outline.top is not None
    xs = [p.x for path in made.outline for p in path.points] + [
        w.x + s * w.radius for w in made.wheels for s in (-1, 1)
    ]
    nose, tail = outline.nose.along_m, outline.tail.along_m
    assert min(xs) == pytest.approx(nose, abs=0.12 * (tail - nose))
    assert max(xs) == pytest.approx(tail, abs=0.12 * (tail - nose))


@pytest.mark.parametrize("kind", KIND_IDS)
@given(data=st.data())
def test_any_measures_give_finite_lines(kind: str, data: st.DataObject) -> None:
    known = {
        key: data.draw(st.one_of(st.none(), st.floats(0.05, 2) if key == "wheel" else st.floats(-20, 20)), label=key)
        for key in KINDS[kind].outline
    }
    feet = data.draw(st.sampled_from([[], WHEELS[:1], WHEELS]))
    sheer = data.draw(st.lists(st.tuples(st.floats(-5, 15), st.floats(-1, 3)), max_size=4))
    measures = Measures(known, feet, sheer)
    lines, circles = KINDS[kind].draw(measures)
    assert all(math.isfinite(p.x) and math.isfinite(p.z) for line in lines for p in line.points)
    assert all(math.isfinite(c.x) and math.isfinite(c.z) and c.radius > 0 for c in circles)
    assert len({line.id for line in lines}) == len(lines)
    if any(v is None for v in known.values()):
        assert not measures.complete


@pytest.mark.parametrize("kind", ["motorcycle", "scooter", "road-vehicle"])
def test_wheels_stand_where_the_tape_says_and_touch_the_ground(kind: str) -> None:
    made = assess(DEMO_OF[kind], None).shapes  # as found: a stretched frame takes its wheel along
    supports = DEMO_OF[kind].craft.supports
    stations = {round(s.station.along_m, 6) for s in supports.values() if s.station is not None}
    assert {round(w.x, 6) for w in made.wheels} <= stations
    assert made.ground_z is not None
    for wheel in made.wheels:
        assert wheel.z - wheel.radius == pytest.approx(made.ground_z, abs=1e-9)


def test_the_water_lies_at_the_freeboards() -> None:
    """Each mark: sheer less freeboard is where the drawn water line passes."""
    made = shapes("boat")
    marks = DEMO_OF["boat"].craft.flotation.marks
    a, b = made.water_before[0], made.water_before[-1]
    for mark in marks.values():
        assert mark.station is not None and mark.sheer is not None and mark.freeboard is not None
        at = a.z + (b.z - a.z) * (mark.station.along_m - a.x) / (b.x - a.x)
        # Within the misfit of readings port and starboard: she lists a little.
        assert at == pytest.approx(mark.sheer.along_m - mark.freeboard.si, abs=0.03)


def test_ends_that_all_but_meet_give_no_endless_slope() -> None:
    known = {**dict.fromkeys(KINDS["boat"].outline), "tail": 2.2250738585e-313}
    lines, _ = KINDS["boat"].draw(Measures(known, [], []))
    assert all(math.isfinite(p.x) and math.isfinite(p.z) for line in lines for p in line.points)


def test_a_fair_curve_goes_through_its_points_and_makes_no_corner() -> None:
    points = [(0.0, 1.0), (1.0, 0.7), (3.0, 0.4), (6.0, 0.6), (8.0, 0.9)]
    made = fair(points, 7)
    assert len(made) == 4 * 8 + 1
    for i, p in enumerate(points):
        assert made[8 * i] == pytest.approx(p)
    # Nowhere does it turn by more in a step than between the points by a third.
    turn = lambda ps: max(
        abs(math.atan2(c[1] - b[1], c[0] - b[0]) - math.atan2(b[1] - a[1], b[0] - a[0]))
        for a, b, c in zip(ps, ps[1:], ps[2:], strict=False)
    )
    assert turn(made) < turn(points) / 3
    assert fair([(0.0, 0.0), (1.0, 1.0)]) == [(0.0, 0.0), (1.0, 1.0)]
