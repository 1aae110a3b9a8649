"""Two propellers on one hull: alike, unlike, and with one of which something is not known."""

from __future__ import annotations

import json
import math
from typing import Any

import pytest

from crooked_keel.core.document import Project, apply_operations, dump, value_at
from crooked_keel.core.drive.water.screw.quantities import ScrewMatch
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

A, TWO = "/fits/a/installations/main", "/fits/a/installations/two"


def screws(project: Project) -> list[ScrewMatch]:
    """The matches of both."""
    found = [i.drive.screw for i in set_up(project, "a").installations]
    return [s for s in found if s is not None]


def pair(**changes: Any) -> Project:
    """Samphire with her unit twice, the second to starboard; changes are to that one."""
    boat = DEMO_OF["boat"]
    copied = json.loads(dump(boat))["fits"]["a"]["installations"]["main"] | {"name": "starboard unit", "rank": 2.0}
    made = apply_operations(boat, [{"op": "add", "path": TWO, "value": copied}])
    return put(made, {f"{TWO}/{k.replace('__', '/')}": v for k, v in changes.items()})


def test_two_that_are_alike_push_twice_as_hard() -> None:
    port, starboard = screws(pair())
    own = (1 - port.suction) * port.held(3.0, port.screw).thrust
    assert port.pushed(3.0, port.screw) == pytest.approx(2 * own)
    assert port.made.boat_m_s == starboard.made.boat_m_s
    assert len(port.alike) == 1 and port.unlike == []
    # Two in the place of one: what holds her back is still known by the one that drove her.
    (alone,) = screws(DEMO_OF["boat"])
    assert port.drag_before == alone.drag_before and port.made.boat_m_s > alone.made.boat_m_s


def test_without_what_drove_her_her_speed_is_not_said() -> None:
    new = apply_operations(DEMO_OF["boat"], [{"op": "remove", "path": "/old_installations/main"}])
    said = next(f for f in assess(new, "a").findings if f.rule == "drive.reaches")
    assert said.level == "unknown" and "/old_installations" in {n.pointer for n in said.needs}


def test_two_that_are_not_agree_on_one_speed_of_the_boat() -> None:
    # One hull: whichever side is asked, thrust of both is its resistance at one speed.
    port, starboard = screws(pair(propeller__pitch="17 in"))
    assert len(port.unlike) == 1 and port.alike == []
    assert port.made.boat_m_s == pytest.approx(starboard.made.boat_m_s, rel=1e-4)
    # The coarser pitch turns no faster in the same water; and the pair lies between two alike of each.
    assert starboard.made.held.speed <= port.made.held.speed
    fine = screws(pair())[0].made.boat_m_s
    coarse = screws(put(pair(), {f"{p}/propeller/pitch": "17 in" for p in (A, TWO)}))[0].made.boat_m_s
    assert min(coarse, fine) <= port.made.boat_m_s <= max(coarse, fine) and coarse != fine


def test_what_is_not_known_of_one_is_named_and_keeps_it_from_ok() -> None:
    """One subject's gap never hides another's stop, and never lets a verdict be ok."""
    blank = pair(propeller__pitch=None)
    made = assess(blank, "a")
    for rule in ("drive.reaches", "drive.cavitation", "drive.blade-area"):
        of_port = next(f for f in made.findings if f.rule == rule and f.key.endswith("@main"))
        assert of_port.level in ("unknown", "watch", "stop"), rule
        assert "taken as this one" in str(of_port.message.params["left_out"].text)
        assert f"{TWO}/propeller/pitch" in {n.pointer for n in of_port.needs}
    # What follows for the boat is not said of one alone.
    boat = next(v for v in made.values if v.id == "drive.screw-boat@main")
    assert boat.si is None and f"{TWO}/propeller/pitch" in {n.pointer for n in boat.needs}
    # The one that is far too coarse stops all the same.
    coarse = put(blank, {f"{A}/propeller/pitch": "24 in"})
    worst = next(f for f in assess(coarse, "a").findings if f.key == "drive.absorbs@main")
    assert worst.level == "stop"


def test_whichever_side_lacks_a_figure_the_other_says_the_same() -> None:
    port = assess(put(pair(), {f"{A}/propeller/pitch": None}), "a").findings
    starboard = assess(pair(propeller__pitch=None), "a").findings
    for rule in ("drive.reaches", "drive.absorbs", "drive.cavitation"):
        of_two = next(f for f in port if f.rule == rule and f.key.endswith("@two"))
        of_one = next(f for f in starboard if f.rule == rule and f.key.endswith("@main"))
        assert of_two.level == of_one.level


def test_a_way_out_pitches_both_that_are_alike() -> None:
    # Far too coarse on both: whichever is asked, both are changed, and the document keeps its pair.
    coarse = put(pair(), {f"{p}/propeller/pitch": "22 in" for p in (A, TWO)})
    key = next(f.key for f in assess(coarse, "a").findings if f.rule == "drive.absorbs" and f.level == "stop")
    way = next(s for s in suggest(coarse, "a", key).suggestions if s.id == "pitch")
    after = apply_operations(coarse, [o.model_dump() for o in way.operations])
    pitches = [value_at(after, f"{p}/propeller/pitch").si for p in (A, TWO)]
    assert pitches[0] == pitches[1] < 22 * 0.0254


def test_a_sloping_shaft_meets_slower_water() -> None:
    """Water along the shaft: (1 − w)·cos ε (trigonometry)."""
    boat = DEMO_OF["boat"]
    (level,) = screws(boat)
    slope = level.placed.shaft[0]
    assert math.radians(5) < slope < math.radians(20)
    assert level.comes == pytest.approx((1 - level.wake) * math.cos(slope))
    # So a steeper one pushes harder at one speed of its shaft: it works in slower water.
    steep = put(boat, {f"{A}/placement/propeller_water_line": {"entered": "600 mm", "dir": "down"}})
    assert screws(steep)[0].held(3.0, level.screw).thrust > level.held(3.0, level.screw).thrust
    assert screws(steep)[0].placed.shaft[0] > slope
