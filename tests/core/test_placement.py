"""Placing everything at once: worked cases of station and mount, the program against a search by brute force, and every
solution proved."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.asked.placement import Solution, Wish, place_together
from crooked_keel.core.asked.placement.along import (
    HeldFlange,
    cg_with_mount,
    engine_station_for_cg,
    longest_mount,
    mount_spacer_split,
)
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.demo.seed import SECOND, made
from tests.conftest import DEMO_OF, finding, put, value
from tests.kept import assess

W14 = HeldFlange(262, 0.70, 92, 0.22, 0.40, -0.35, -1.30, 9, 9, 14)
LIMITS = ("balance.cg-forward", "balance.cg-aft", "balance.mass-max", "balance.worst-loading")


def test_w13_station_of_the_unit() -> None:
    assert engine_station_for_cg(270, 0.52, 95, 0.30) == pytest.approx(-0.325263, abs=1e-6)


def test_w14_mount_and_spacer() -> None:
    found = mount_spacer_split(W14, 0.25)
    assert found == pytest.approx((0.225657, 0.324343, -0.795657, 369.5717), abs=1e-4)
    assert found.mount_m + 0.40 + found.spacer_m == pytest.approx(0.95)


def test_w14_what_no_mount_can_reach_is_said_with_what_one_can() -> None:
    assert longest_mount(W14) == pytest.approx(0.55)
    assert [round(cg_with_mount(W14, m)[0] * 1000) for m in (0.0, 0.55)] == [300, 178]
    with pytest.raises(InputError, match="no mount"):
        mount_spacer_split(W14, 0.32)
    with pytest.raises(InputError, match="longer than the space"):
        mount_spacer_split(W14._replace(flange_from_face_m=1.2), 0.25)


@given(st.floats(0.0, 0.55))
def test_a_mount_is_found_again_from_its_cg_pusher_and_tractor(mount: float) -> None:
    for held in (W14, W14._replace(direction=1, firewall_m=0.35, propeller_m=1.30, rest_x_m=-0.70)):
        assert mount_spacer_split(held, cg_with_mount(held, mount)[0]).mount_m == pytest.approx(mount, abs=1e-9)


def margins(s: Solution) -> tuple[float, float]:
    """The margins forward and aft that a solution says."""
    forward, aft = (s.answers.params[k].si for k in ("v0", "v1"))
    assert forward is not None and aft is not None
    return forward, aft


CRAFT = {"engine": DEMO_OF["aeroplane"], "motor and packs": made(*SECOND[0])}


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
@pytest.mark.parametrize("stays", [False, True])
@pytest.mark.parametrize("fit", ["a", "b"])
@pytest.mark.parametrize("craft", sorted(CRAFT))
def test_every_solution_is_what_it_says(craft: str, fit: str, stays: bool, units: str) -> None:
    document = put(CRAFT[craft], {"/units": units})
    placed = place_together(document, fit, Wish(propeller_stays=stays))
    assert placed.solutions and not placed.needs
    for s in placed.solutions:
        after = assess(apply_operations(document, [o.model_dump() for o in s.operations]), fit)
        worst = min((finding(after, k).level for k in LIMITS), key=("stop", "watch", "unknown", "ok").index)
        assert worst == s.reaches
        assert value(after, "balance.forward-margin") == pytest.approx(margins(s)[0])
        assert value(after, "balance.aft-margin") == pytest.approx(margins(s)[1])
    assert any(s.reaches == "ok" for s in placed.solutions)


def test_targets_do_what_they_are_called(project: Project) -> None:
    found = {t: s for s in place_together(project, "a", Wish()).solutions for t in s.targets}
    assert set(found) <= {"least change", "least lead", "middle of the band", "shortest overhang"}
    assert found["least lead"].lead_si <= min(s.lead_si for s in found.values())
    middle = found["middle of the band"]
    gap = lambda s: abs(margins(s)[0] - margins(s)[1])
    assert gap(middle) == min(map(gap, found.values()))


def test_no_place_of_unit_and_lead_does_better_than_the_middle_found(project: Project) -> None:
    """A grid of flange and lead within the same bounds, assessed in full: none has a larger worst margin (2 mm
    aside)."""
    wish = Wish(battery_m=0.0, lead_kg=4.0)
    middle = next(s for s in place_together(project, "b", wish).solutions if "middle of the band" in s.targets)
    best = min(margins(middle))
    flange = project.fits["b"].installations["main"].placement.flange_station
    assert flange is not None
    place = project.craft.ballast_station
    assert place is not None
    for shift in np.linspace(-0.3, 0.3, 7):
        for lead in (0.0, 2.0, 4.0):
            edits: dict[str, Any] = {
                "/fits/b/installations/main/placement/flange_station": {
                    "entered": f"{-(flange.along_m + shift) * 1000:.3f} mm",
                    "dir": "forward",
                }
            }
            if lead:
                edits["/fits/b/ledger/lead-tried"] = {
                    "name": "lead tried",
                    "kind": "installed",
                    "mass": f"{lead} kg",
                    "station": {"entered": place.entered, "from": place.origin, "dir": place.dir},
                    "butt_line": "0 mm",
                    "water_line": "0 mm",
                }
            tried = assess(put(project, edits), "b")
            assert min(value(tried, "balance.forward-margin"), value(tried, "balance.aft-margin")) < best + 0.0035


def test_lead_that_is_there_comes_out_first(project: Project) -> None:
    heavy = put(
        project,
        {
            "/fits/b/ledger/old-lead": {
                "name": "Lead in the tail",
                "kind": "installed",
                "mass": "9 kg",
                "station": "4880 mm",
                "butt_line": "0 mm",
                "water_line": "0 mm",
            }
        },
    )
    found = {t: s for s in place_together(heavy, "b", Wish()).solutions for t in s.targets}
    assert found["least lead"].lead_si < -5


def test_bounds_are_kept(project: Project) -> None:
    wish = Wish(forward_m=0.02, aft_m=0.03, battery_m=0.05, lead_kg=1.0)
    for s in place_together(project, "a", wish).solutions:
        for name, param in s.message.params.items():
            if name.startswith("d"):
                assert param.si is not None and param.si <= 0.05 + 1e-9
            if name.startswith("m"):
                assert param.si is not None and param.si <= 1.0 + 0.1


def test_what_is_missing_is_named(project: Project) -> None:
    held_up = place_together(put(project, {"/craft/limits/gross": None}), "a", Wish())
    assert not held_up.solutions and [n.pointer for n in held_up.needs] == ["/craft/limits/gross"]
    with pytest.raises(InputError, match="only a fit"):
        place_together(project, None, Wish())


def test_the_split_that_is_said_puts_the_cg_in_the_middle(project: Project) -> None:
    """Unit, reduction and all moved so that the mount is as long as is said: the empty CG then lies in the middle, the
    propeller held."""
    project = put(
        project, {"/craft/limits/envelope": None, "/craft/limits/forward": "580 mm", "/craft/limits/aft": "760 mm"}
    )
    placed = place_together(project, "b", Wish())
    assert placed.split is not None and placed.split.mount_si is not None and placed.split.spacer_si is not None
    before = assess(project, "b")
    clear = value(before, "align.rear-clearance")
    shift = clear - placed.split.mount_si
    flange = project.fits["b"].installations["main"].placement.flange_station
    spacer = project.fits["b"].installations["main"].propeller.spacer
    assert flange is not None and spacer is not None
    moved = put(
        project,
        {
            "/fits/b/installations/main/placement/flange_station": {
                "entered": f"{-(flange.along_m + shift) * 1000:.4f} mm",
                "dir": "forward",
            },
            "/fits/b/installations/main/propeller/spacer": f"{(spacer.si + shift) * 1000:.4f} mm",
        },
    )
    # The mount's own CG goes half as far as the unit: 4.4 kg of it against 66 kg.
    assert value(assess(moved, "b"), "balance.empty-cg") == pytest.approx(placed.split.middle_si, abs=0.002)


# The other kinds: what is offered, held against the assessment, and against a search by brute force.

OTHERS = [
    ("boat", "a"),
    ("boat", "b"),
    ("motorcycle", "a"),
    ("scooter", "b"),
    ("road-vehicle", "a"),
    ("road-vehicle", "b"),
]
HELD = {
    "boat": ("balance.trim", "balance.heel", "balance.gm", "balance.freeboard"),
    "motorcycle": (
        "balance.axle-load:front",
        "balance.axle-load:rear",
        "balance.axle-split",
        "balance.wheelie",
        "balance.lean",
    ),
    "scooter": (
        "balance.axle-load:front",
        "balance.axle-load:rear",
        "balance.axle-split",
        "balance.wheelie",
        "balance.lean",
    ),
    "road-vehicle": ("balance.axle-load:front", "balance.axle-load:rear", "balance.axle-shift", "balance.rollover"),
}
ORDER = ("stop", "watch", "unknown", "ok")


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
@pytest.mark.parametrize(("kind", "fit"), OTHERS)
def test_every_kind_is_placed_and_every_solution_is_what_it_says(kind: str, fit: str, units: str) -> None:
    document = put(DEMO_OF[kind], {"/units": units})
    before = assess(document, fit)
    placed = place_together(document, fit, Wish())
    assert placed.solutions and placed.keeps and not placed.needs and placed.best_margin_si is None
    for s in placed.solutions:
        after = assess(apply_operations(document, [o.model_dump() for o in s.operations]), fit)
        for key in HELD[kind]:
            assert ORDER.index(finding(after, key).level) >= ORDER.index(finding(before, key).level), (s.targets, key)
        for f in after.findings:
            if f.rule in ("balance.pack-space", "balance.packs-apart"):
                assert f.level == "ok", (s.targets, f.key)


PACK = "/fits/a/installations/main/packs"


def test_a_bike_that_leans_is_brought_upright_within_its_spaces() -> None:
    """By hand: 18.4 mm × 227.4 kg to starboard; 38.5 kg may go 19 mm to port (its space and the tape), the rest is 31.0
    kg's."""
    bike = DEMO_OF["motorcycle"]
    leans = assess(bike, "a")
    assert finding(leans, "balance.lean").level == "watch"
    found = {t: s for s in place_together(bike, "a", Wish()).solutions for t in s.targets}
    after = assess(apply_operations(bike, [o.model_dump() for o in found["upright"].operations]), "a")
    assert finding(after, "balance.lean").level == "ok" and abs(value(after, "balance.cg-butt-line")) < 2e-4
    moved = {o.path.rsplit("/", 2)[1]: o.value for o in found["upright"].operations}
    moment = value(leans, "balance.cg-butt-line") * value(leans, "balance.empty-mass")
    far = (moment - 38.5 * 0.019) / 31.0
    assert moved["low"]["entered"] == "19 mm" and moved["low"]["dir"] == "port"
    assert abs(-(0.080 - far) * 1000 - float(moved["side"]["entered"].split()[0])) <= 1


def test_no_corner_of_the_spaces_lies_lower_or_nearer_the_old_split() -> None:
    """Both packs tried at all corners and in the middle of the room that they have: none of the crafts that lean no
    more than is ok, and keep their split, has a lower CG than the lowest, or comes nearer the split before than the one
    aimed at it."""
    bike = DEMO_OF["motorcycle"]
    found = {t: s for s in place_together(bike, "a", Wish(forward_m=0.0, aft_m=0.0)).solutions for t in s.targets}
    made = {t: assess(apply_operations(bike, [o.model_dump() for o in s.operations]), "a") for t, s in found.items()}
    lowest = value(made["lowest"], "balance.cg-water-line")
    before = next(v for v in made["lowest"].values if v.id == "balance.front-share").before_si
    assert before is not None
    split = abs(value(made["split as before"], "balance.front-share") - before)
    grid = [(x, y, z) for x in (-0.019, 0.03, 0.079) for y in (-0.159, -0.07, -0.001) for z in (-0.012, 0.0, 0.014)]
    seen = kept = 0
    for x, y, z in grid:
        for low_y in (-0.019, 0.019):
            tried = assess(
                put(
                    bike,
                    {
                        f"{PACK}/side/station": f"{690 + x * 1000:.1f} mm",
                        f"{PACK}/side/butt_line": f"{80 + y * 1000:.1f} mm",
                        f"{PACK}/side/water_line": f"{700 + z * 1000:.1f} mm",
                        f"{PACK}/low/butt_line": f"{low_y * 1000:.1f} mm",
                        f"{PACK}/low/water_line": "396 mm",
                    },
                ),
                "a",
            )
            upright = finding(tried, "balance.lean").level == finding(tried, "balance.packs-apart").level == "ok"
            seen += upright
            if upright and finding(tried, "balance.axle-split").level == "ok":
                kept += 1
                assert value(tried, "balance.cg-water-line") > lowest - 5e-4
                assert abs(value(tried, "balance.front-share") - before) > split - 5e-4
    assert seen >= 6 and kept >= 2


def test_packs_keep_out_of_each_other_and_go_into_the_space_they_are_outside_of() -> None:
    bike = put(DEMO_OF["motorcycle"], {f"{PACK}/side/butt_line": "150 mm", f"{PACK}/side/water_line": "690 mm"})
    assert finding(assess(bike, "a"), "balance.pack-space:side").level == "stop"
    assert finding(assess(bike, "a"), "balance.packs-apart").level == "stop"
    best = place_together(bike, "a", Wish()).solutions[0]
    after = assess(apply_operations(bike, [o.model_dump() for o in best.operations]), "a")
    assert finding(after, "balance.pack-space:side").level == finding(after, "balance.packs-apart").level == "ok"


def test_what_a_pack_needs_before_it_may_move_is_named() -> None:
    bike = put(DEMO_OF["motorcycle"], {f"{PACK}/side/width": None})
    placed = place_together(bike, "a", Wish())
    assert [n.pointer for n in placed.needs] == [f"{PACK}/side/width"]
    bare = put(DEMO_OF["scooter"], {"/fits/b/installations/main/packs/floor/space": None})
    assert [n.pointer for n in place_together(bare, "b", Wish()).needs] == ["/fits/b/spaces"]


def test_a_boats_unit_goes_along_its_shaft_and_the_shaft_keeps_its_angle() -> None:
    boat = DEMO_OF["boat"]
    angle = value(assess(boat, "a"), "align.shaft-angle")
    moved = next(s for s in place_together(boat, "a", Wish(battery_m=0.0)).solutions if "lowest" in s.targets)
    assert {o.path.rsplit("/", 1)[1] for o in moved.operations} == {"flange_station", "flange_water_line"}
    after = assess(apply_operations(boat, [o.model_dump() for o in moved.operations]), "a")
    assert value(after, "align.shaft-angle") == pytest.approx(angle, abs=4e-4)


def test_nothing_within_the_bounds_is_said_as_such() -> None:
    """Front plate below what the rider alone puts there: no place of a pack mends that."""
    bike = put(DEMO_OF["motorcycle"], {"/craft/limits/front_axle": "60 kg"})
    placed = place_together(bike, "a", Wish(forward_m=0.0, aft_m=0.0))
    assert not placed.keeps and placed.solutions == []
