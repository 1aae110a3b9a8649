"""Silhouettes of power units: within their box, told apart by sort, and turned with the unit in the craft."""

from __future__ import annotations

import itertools

import pytest

from crooked_keel.core.reference.silhouettes import silhouette
from tests.conftest import DEMO_OF, KIND_IDS, put
from tests.kept import assess

LAYOUTS = ("single", "in line", "vee", "flat", "radial", "rotor", "swing unit")
SORTS = [("four-stroke", layout, n) for layout in LAYOUTS for n in (None, 1, 2, 3, 4, 6, 9, 18, 40)]
SORTS += [("electric", None, None), ("turbine", None, None), (None, None, None), ("diesel", "in line", 3)]


@pytest.mark.parametrize(("kind", "layout", "cylinders"), SORTS)
def test_it_lies_within_its_box(kind: str | None, layout: str | None, cylinders: int | None) -> None:
    lines = silhouette(kind, layout, cylinders)
    points = list(itertools.chain(*lines))
    assert all(len(line) > 1 for line in lines)
    assert all(-1e-9 <= a <= 1 + 1e-9 and -1e-9 <= u <= 1 + 1e-9 for a, u in points)
    # It reaches both ends of the unit: what is drawn is as long as what was measured.
    assert min(a for a, _ in points) < 0.12 and max(a for a, _ in points) > 0.93


def test_sorts_are_told_apart() -> None:
    drawn = [silhouette("four-stroke", layout, 4) for layout in LAYOUTS]
    drawn += [silhouette("electric", None, None), silhouette("turbine", None, None), silhouette(None, None, None)]
    assert all(a != b for a, b in itertools.combinations(drawn, 2))
    # A motor is one whatever layout stands beside it; more cylinders are more lines.
    assert silhouette("electric", "flat", 4) == silhouette("electric", None, None)
    assert len(silhouette("diesel", "in line", 6)) > len(silhouette("diesel", "in line", 3))


def within(point: tuple[float, float], corners: list[tuple[float, float]]) -> bool:
    """Whether a point lies in a convex polygon, its edge counted in."""
    turns = [
        (b[0] - a[0]) * (point[1] - a[1]) - (b[1] - a[1]) * (point[0] - a[0])
        for a, b in zip(corners, corners[1:] + corners[:1], strict=True)
    ]
    return all(t >= -1e-9 for t in turns) or all(t <= 1e-9 for t in turns)


@pytest.mark.parametrize("kind", KIND_IDS)
def test_in_the_craft_it_lies_in_the_box_of_the_unit_as_that_is_turned(kind: str) -> None:
    project = DEMO_OF[kind]
    seen = 0
    for fit in project.fits:
        for i in assess(project, fit).shapes.installations:
            corners = [(p.x, p.z) for p in i.box]
            assert bool(corners) == bool(i.silhouette)
            for line in i.silhouette:
                assert all(within((p.x, p.z), corners) for p in line), (fit, i.id)
                seen += 1
    assert seen


def test_its_front_is_at_its_flange() -> None:
    """Turned end for end with the unit: of a tractor the flange is ahead, of a pusher behind."""
    unit = "/fits/a/installations/main"
    ends = {}
    for lies, cg in (("aft of its flange", "aft"), ("ahead of its flange", "forward")):
        at = {"entered": "200 mm", "dir": cg}
        project = put(
            DEMO_OF["aeroplane"], {f"{unit}/lies": lies, f"{unit}/unit/cg_aft": at, f"{unit}/drive/stages": {}}
        )
        shape = next(i for i in assess(project, "a").shapes.installations if not i.old)
        assert shape.flange is not None
        ends[lies] = [p.x - shape.flange.x for line in shape.silhouette for p in line]
    tractor, pusher = ends.values()
    assert min(tractor) > -0.3 and max(tractor) > 0.3 and max(pusher) < 0.3 and min(pusher) < -0.3
