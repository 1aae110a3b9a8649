"""Placing everything at once: worked cases of station and mount, the program against a search by brute force, and every solution proved."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.assess import assess
from crooked_keel.core.balance.placing import (
    Held,
    cg_with_mount,
    engine_station_for_cg,
    longest_mount,
    mount_spacer_split,
)
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.core.placement import TARGETS, Wish, place_together
from crooked_keel.demo.seed import SECOND, made
from tests.conftest import DEMO_OF, finding, put, value

W14 = Held(262, 0.70, 92, 0.22, 0.40, -0.35, -1.30, 9, 9, 14)
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
        assert value(after, "balance.forward-margin") == pytest.approx(s.forward_margin_si)
        assert value(after, "balance.aft-margin") == pytest.approx(s.aft_margin_si)
    assert any(s.reaches == "ok" for s in placed.solutions)


def test_targets_do_what_they_are_called(project: Project) -> None:
    found = {t: s for s in place_together(project, "a", Wish()).solutions for t in s.targets}
    assert set(found) <= set(TARGETS)
    assert found["least lead"].lead_si <= min(s.lead_si for s in found.values())
    middle = found["middle of the band"]
    gap = lambda s: abs(s.forward_margin_si - s.aft_margin_si)
    assert gap(middle) == min(map(gap, found.values()))


def test_no_place_of_unit_and_lead_does_better_than_the_middle_found(project: Project) -> None:
    """A grid of flange and lead within the same bounds, assessed in full: none has a larger worst margin (2 mm aside)."""
    wish = Wish(battery_m=0.0, lead_kg=4.0)
    middle = next(s for s in place_together(project, "b", wish).solutions if "middle of the band" in s.targets)
    best = min(middle.forward_margin_si, middle.aft_margin_si)
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
                    "name": "lead tried", "kind": "installed", "mass": f"{lead} kg", "station": {"entered": place.entered, "from": place.origin, "dir": place.dir}, "butt_line": "0 mm", "water_line": "0 mm",
                }  # fmt: skip
            tried = assess(put(project, edits), "b")
            assert min(value(tried, "balance.forward-margin"), value(tried, "balance.aft-margin")) < best + 0.0035


def test_lead_that_is_there_comes_out_first(project: Project) -> None:
    heavy = put(project, {"/fits/b/ledger/old-lead": {
        "name": "Lead in the tail", "kind": "installed", "mass": "9 kg", "station": "4880 mm", "butt_line": "0 mm", "water_line": "0 mm",
    }})  # fmt: skip
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
    """Unit, reduction and all moved so that the mount is as long as is said: the empty CG then lies in the middle, the propeller held."""
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
    moved = put(project, {
        "/fits/b/installations/main/placement/flange_station": {"entered": f"{-(flange.along_m + shift) * 1000:.4f} mm", "dir": "forward"},
        "/fits/b/installations/main/propeller/spacer": f"{(spacer.si + shift) * 1000:.4f} mm",
    })  # fmt: skip
    # The mount's own CG goes half as far as the unit: 4.4 kg of it against 66 kg.
    assert value(assess(moved, "b"), "balance.empty-cg") == pytest.approx(placed.split.middle_si, abs=0.002)
