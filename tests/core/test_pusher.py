"""A pusher is a tractor seen from behind: the same unit turned end for end, its propeller behind it."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import Project, plain, turned
from crooked_keel.core.document.migrations import lift
from crooked_keel.core.judging.finding import Finding, Value
from crooked_keel.demo import curlew
from crooked_keel.demo.seed import made
from tests.conftest import put
from tests.kept import assess

AT = "/fits/b/installations/main"
TRACTOR = made("aeroplane", curlew)


def found(assessment: Assessment, rule: str) -> Finding:
    """The one finding of a rule."""
    (finding,) = [f for f in assessment.findings if f.rule == rule]
    return finding


def value_of(assessment: Assessment, id: str) -> Value:
    """A headline value by its id, of the one installation."""
    return next(v for v in assessment.values if v.id.split(":")[0] == id)


def _station(mm: float) -> dict[str, Any]:
    return {"entered": f"{abs(mm):g} mm", "from": "datum", "dir": "aft" if mm >= 0 else "forward"}


def pusher(**more: Any) -> Project:
    """The motor glider with its motor turned end for end behind a second wall: flange 720 mm aft of it, as it was ahead
    of the firewall."""
    raw = plain(TRACTOR)
    here = raw["fits"]["b"]["installations"]["main"]
    new = {**here, "unit": turned(here["unit"]), "mount": turned(here["mount"]), "lies": "ahead of its flange"}
    for point, was in new["mount"]["points"].items():
        for part in ("structure_butt_line", "structure_water_line"):
            was[part] = here["mount"]["points"][point][part]
        was["structure_butt_line"] = turned(was["structure_butt_line"])
    new["placement"] = {**here["placement"], "flange_station": _station(1920)}
    document = put(TRACTOR, {AT: new, "/craft/references/firewall/station": _station(1200)})
    return put(document, {"/craft/highest_attitude": {"entered": "8°"}, **more})


@pytest.fixture(scope="module")
def both() -> tuple[Assessment, Assessment]:
    """The tractor and the pusher, assessed."""
    return assess(TRACTOR, "b"), assess(pusher(), "b")


def test_r01_a_pusher_keeps_the_clearance_of_the_tractor_it_mirrors() -> None:
    """Turned end for end about the vertical, what was 1° down is 1° up: R_z(π)·R_y(θ)·R_z(π) = R_y(−θ)."""
    tractor, behind = assess(TRACTOR, "b"), assess(pusher(**{f"{AT}/placement/down": {"entered": "-1°"}}), "b")
    for id in ("align.firewall-distance", "align.rear-clearance", "align.tube-top-port", "align.tube-low-starboard"):
        was, now = value_of(tractor, id), value_of(behind, id)
        assert now.si == pytest.approx(was.si, abs=2e-4), id


def test_r01_spacer_and_propeller_are_behind_the_flange(both: tuple[Assessment, Assessment]) -> None:
    """The spacer of 60 mm puts the disc 60 mm aft of the flange, less what 1° down takes: trigonometry."""
    _, behind = both
    disc = behind.shapes.installations[-1].propeller
    assert sum(p.x for p in disc) / 2 == pytest.approx(1.920 + 0.060, abs=2e-4)


def test_r01_the_thrust_of_a_pusher_goes_to_the_other_side() -> None:
    """A clockwise propeller swings the nose to port. Behind the CG thrust to the left swings it back: the moment of a
    force about a point, statics."""
    assert found(assess(TRACTOR, "b"), "align.thrust-side").level == "ok"
    clockwise = {f"{AT}/propeller/turns": "clockwise"}
    right = found(assess(pusher(**clockwise), "b"), "align.thrust-side")
    left = found(assess(pusher(**clockwise, **{f"{AT}/placement/right": {"entered": "-1°"}}), "b"), "align.thrust-side")
    assert (right.level, left.level) == ("watch", "ok")
    assert right.message.params["want"].text == "left"


def test_r01_clearance_of_a_pusher_is_judged_with_the_tail_down() -> None:
    """Hub over the ground 1.18 m, 1.81 m behind the main wheel, disc 1.66 m: with the nose 8° up it comes down by
    1.81·sin 8° = 0.25 m (statics)."""
    finding = found(assess(pusher(), "b"), "drive.ground-clearance")
    assert finding.message.params["a"].text == "With the tail down, as far as it goes"
    assert finding.compared is not None and finding.level == "stop"
    level = found(assess(pusher(**{"/craft/highest_attitude": {"entered": "0°"}}), "b"), "drive.ground-clearance")
    assert level.compared is not None
    assert level.compared.value - finding.compared.value == pytest.approx(0.25, abs=0.01)
    blank = found(assess(pusher(**{"/craft/highest_attitude": None}), "b"), "drive.ground-clearance")
    assert blank.level == "unknown" and blank.needs[0].pointer == "/craft/highest_attitude"


def test_r01_a_unit_behind_the_cabin_is_held_against_18_g(both: tuple[Assessment, Assessment]) -> None:
    """14 CFR 23.561(b)(2), (b)(3) and (e) before amendment 64 (from memory): 9 g ahead of the cabin, 18 g behind it."""
    felt = [next(c for c in a.installations[0].mount.cases if c.id == "emergency-forward").n_x for a in both]
    assert felt == [9.0, 18.0]


def test_r01_a_canard_asks_which_way_its_unit_faces() -> None:
    canard = put(TRACTOR, {"/craft/layout": "canard", f"{AT}/lies": None})
    asked = [f for f in assess(canard, "b").findings if any(n.pointer == f"{AT}/lies" for n in f.needs)]
    assert {f.rule for f in asked} >= {"align.rear-clearance", "drive.ground-clearance", "align.thrust-side"}
    assert {f.level for f in asked} == {"unknown"}


def test_r01_a_unit_whose_cg_lies_on_the_other_side_is_asked_about() -> None:
    """Said to lie aft of its flange, with its CG ahead of it: one of the two is wrong."""
    wrong = put(TRACTOR, {f"{AT}/unit/cg_aft": {"entered": "118 mm", "dir": "forward", "from": "unit flange"}})
    assert found(assess(wrong, "b"), "align.lies").level == "unknown"
    assert not [f for f in assess(TRACTOR, "b").findings if f.rule == "align.lies"]


def test_r01_a_version_5_canard_is_not_taken_for_a_tractor() -> None:
    raw = plain(TRACTOR) | {"schema_version": 5}
    for part in (raw["fits"]["b"], raw["fits"]["a"]):
        part["installations"]["main"].pop("lies")
    assert lift(raw)["fits"]["b"]["installations"]["main"]["lies"] == "aft of its flange"
    raw["craft"] = {**raw["craft"], "layout": "canard"}
    assert "lies" not in lift(raw)["fits"]["b"]["installations"]["main"]
