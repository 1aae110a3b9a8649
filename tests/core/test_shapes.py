"""What is drawn stands where it is computed; what is not known is left out, never drawn at zero."""

from __future__ import annotations

import pytest

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.reference.kinds import new_project
from tests.kept import assess


def test_supports_carry_the_whole_craft_before_and_after(project: Project) -> None:
    made = assess(project, "a")
    values = {v.id: v for v in made.values}
    supports = made.shapes.supports
    assert sum(s.before_si or 0 for s in supports) == pytest.approx(values["balance.empty-mass"].before_si)
    assert sum(s.after_si or 0 for s in supports) == pytest.approx(values["balance.empty-mass"].si)


def test_cg_limits_and_ellipse_are_those_of_the_values(project: Project) -> None:
    made = assess(project, "a")
    cg = next(v for v in made.values if v.id == "balance.empty-cg")
    shape = made.shapes.cg_after
    assert shape is not None
    assert (shape.x, shape.plus_minus) == (pytest.approx(cg.si), pytest.approx(cg.plus_minus_si))
    assert made.shapes.limits == pytest.approx([0.57, 0.86])
    assert made.shapes.ground_z == pytest.approx(-1.18)


def test_unit_is_drawn_from_its_flange_back_and_the_old_one_hollow(project: Project) -> None:
    made = assess(project, "a")
    old, new = made.shapes.installations
    assert (old.old, new.old) == (True, False)
    assert new.flange is not None and new.flange.x == pytest.approx(-0.795)
    assert min(p.x for p in new.box) > new.flange.x
    top, bottom = new.propeller[1], new.propeller[0]
    assert ((top.x - bottom.x) ** 2 + (top.z - bottom.z) ** 2) ** 0.5 == pytest.approx(1.98, rel=1e-3)
    assert top.x < bottom.x  # down thrust leans the disc forward at the top
    assert len(new.tubes) == 4


def test_a_bare_project_is_a_sketch_and_says_so() -> None:
    bare = apply_operations(Project(name="x"), new_project("aeroplane", "x", "tailwheel", "unit", "mm-kg"))
    shapes = assess(bare, "a").shapes
    assert not shapes.to_scale
    assert shapes.cg_after is None and shapes.limits == [] and shapes.firewall_x is None
    assert shapes.installations[1].box == [] and shapes.installations[1].flange is None
    assert shapes.outline  # something to look at from the first minute


def test_without_a_fit_there_is_one_cg(project: Project) -> None:
    shapes = assess(project, None).shapes
    assert shapes.cg_before is not None and shapes.cg_after is None
    assert [i.old for i in shapes.installations] == [True]


def test_tables_have_blanks_for_what_is_not_known(project: Project) -> None:
    gone = apply_operations(
        project,
        [
            {"op": "remove", "path": "/fits/a/installations/main/placement/flange_station"},
            {"op": "remove", "path": "/craft/tanks/header/density"},
        ],
    )
    made = assess(gone, "a")
    assert made.installations[0].align is not None and all(
        t.length_si is None for t in made.installations[0].align.tubes
    )
    assert made.installations[0].mount is not None and all(
        c.worst_si is None for c in made.installations[0].mount.cases
    )
    assert made.balance is not None
    unit = next(r for r in made.balance.ledger if r.id == "main-unit")
    assert unit.mass_si == 74.0 and unit.x_si is None
    assert [o.mass_si for o in made.balance.loadings] == [None] * 4
    assert all(o.needs for o in made.balance.loadings)
    assert (
        made.installations[0].drive is not None
        and made.installations[0].drive.tip_mach is not None
        and made.installations[0].drive.clearance_si is None
    )
