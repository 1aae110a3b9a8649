"""The train: ratio and turning of every kind of stage, its losses, and a one-way clutch in it."""

from __future__ import annotations

import math
from typing import Any

import pytest

from crooked_keel.core.document import Project
from crooked_keel.core.document.drive import Stage
from crooked_keel.core.errors import CannotSay, InputError
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.resolved.ratios import own_turning, stage_ratio, stage_turning
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.core.cases.cases import demonstrations
from tests.kept import assess

PLOVER = demonstrations()["plover"]
PLANE = DEMO_OF["aeroplane"]
A, B = "/fits/a/installations/main", "/fits/b/installations/main"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def stage(**more: Any) -> Stage:
    return Stage.model_validate({"name": "stage", **more})


# Stage, ratio, and what becomes of the turning. Kinematics of machine-design handbooks, gear trains; Willis.
KINDS: list[tuple[dict[str, Any], float, str | None]] = [
    ({"type": "gear", "driver_teeth": m("28"), "driven_teeth": m("87"), "idlers": m("0")}, 87 / 28, "flips"),
    ({"type": "gear", "driver_teeth": m("28"), "driven_teeth": m("58"), "idlers": m("1")}, 58 / 28, "keeps"),
    ({"type": "gear", "driver_teeth": m("28"), "driven_teeth": m("58"), "idlers": m("2")}, 58 / 28, "flips"),
    ({"type": "gear", "ratio": m("2.6:1")}, 2.6, None),
    ({"type": "internal gear", "driver_teeth": m("24"), "driven_teeth": m("72")}, 3.0, "keeps"),
    ({"type": "belt", "ratio": m("1.8")}, 1.8, "keeps"),
    ({"type": "crossed belt", "ratio": m("1.8")}, 1.8, "flips"),
    ({"type": "chain", "driver_teeth": m("14"), "driven_teeth": m("42")}, 3.0, "keeps"),
    ({"type": "planetary", "driver_teeth": m("36"), "driven_teeth": m("72"), "held": "ring"}, 3.0, "keeps"),
    ({"type": "planetary", "driver_teeth": m("36"), "driven_teeth": m("72"), "held": "carrier"}, 2.0, "flips"),
    ({"type": "planetary", "driver_teeth": m("72"), "driven_teeth": m("36"), "held": "sun"}, 1.5, "keeps"),
    ({"type": "V-drive", "ratio": m("1.5:1")}, 1.5, None),
    ({"type": "down-angle gear", "ratio": m("2.6:1")}, 2.6, None),
    ({"type": "variator", "ratio": m("0.9")}, 0.9, "keeps"),
    ({"type": "bevel", "driver_teeth": m("19"), "driven_teeth": m("38")}, 2.0, None),
]


@pytest.mark.parametrize(("made", "ratio", "turning"), KINDS)
def test_every_kind_of_stage(made: dict[str, Any], ratio: float, turning: str | None) -> None:
    one = stage(**made)
    assert stage_ratio(one, "/s") == pytest.approx(ratio)
    assert own_turning(one) == turning
    if turning is None:
        with pytest.raises(CannotSay):
            stage_turning(one, "/s")
        assert stage_turning(stage(**made, turning="flips"), "/s") == "flips"
        return
    assert stage_turning(one, "/s") == turning
    assert stage_turning(stage(**made, turning=turning), "/s") == turning
    other = "flips" if turning == "keeps" else "keeps"
    with pytest.raises(InputError, match=f"such a stage {turning}") as bad:
        stage_turning(stage(**made, turning=other), "/s")
    assert bad.value.field == "/s/turning"


def test_the_output_lies_off_the_crank_where_its_stages_set_it() -> None:
    """Two stages, 90 mm up and 120 mm to starboard: 150 mm off, at 53.13° from above, clockwise seen from aft (a
    triangle of 3, 4 and 5); mirrored it is as far on the other side."""
    offset = lambda t, way, of="driving shaft": {"entered": t, "source": "measured", "from": of, "dir": way}
    stages = {
        "gear": {"name": "gear", "rank": 1.0, "type": "gear", "ratio": m("2"), "turning": "flips"},
        "belt": {"name": "belt", "rank": 2.0, "type": "belt", "ratio": m("1.2")},
    }
    stages["gear"] |= {"offset_up": offset("90 mm", "up"), "offset_starboard": offset("0 mm", "starboard")}
    for way, clock in (("starboard", 53.1301), ("port", 306.8699)):
        stages["belt"] |= {"offset_up": offset("0 mm", "up"), "offset_starboard": offset("120 mm", way)}
        made = assess(put(PLOVER, {f"{B}/drive/stages": stages}), "b")
        value = {v.id: v.si for v in made.values}
        assert value["drive.offset"] == pytest.approx(0.150)
        assert math.degrees(value["drive.offset-clock"] or 0.0) == pytest.approx(clock, abs=1e-3)


def turns(project: Project, fit: str) -> int:
    return set_up(project, fit).installations[0].drive.train.output_turns


def test_an_idler_turns_the_propeller_the_other_way() -> None:
    gear = f"{B}/drive/stages/gear"
    spur = {f"{gear}/type": "gear", f"{gear}/turning": None, f"{B}/unit/turns": "clockwise"}
    none, one = (put(PLOVER, {**spur, f"{gear}/idlers": m(n)}) for n in ("0", "1"))
    assert turns(none, "b") == -turns(one, "b")
    levels = [next(f.level for f in assess(p, "b").findings if f.rule == "drive.rotation") for p in (none, one)]
    assert levels == ["ok", "stop"]


def test_a_belt_that_is_said_to_flip_is_asked_about_where_it_was_said() -> None:
    pointer = f"{A}/drive/stages/belt/turning"
    (one,) = [f for f in assess(put(PLANE, {pointer: "flips"}), "a").findings if f.rule == "drive.rotation"]
    assert one.level == "unknown" and one.needs[0].pointer == pointer


def test_what_every_stage_loses_is_the_whole_loss() -> None:
    """Power is conserved: what the shafts lose is what the efficiency of all says."""
    both = put(
        PLANE,
        {
            f"{A}/drive/efficiency": None,
            f"{A}/drive/stages/belt/efficiency": m("96 %"),
            f"{A}/drive/stages/hub": {"name": "hub gear", "type": "internal gear", "order": m("2"), "ratio": m("1.2")},
            f"{A}/drive/stages/belt/order": m("1"),
        },
    )
    both = put(both, {f"{A}/drive/stages/hub/efficiency": m("98 %")})
    train = set_up(both, "a").installations[0].drive.train
    assert train.efficiency == pytest.approx(0.96 * 0.98)
    drawn = assess(both, "a").installations[0].drive
    assert drawn is not None
    lost = [s.loss_si for s in drawn.shafts[1:]]
    assert sum(x or 0 for x in lost) == pytest.approx(train.power * (1 - train.efficiency))
    assert drawn.shafts[-1].power_si == pytest.approx(train.power * train.efficiency)
    for s in drawn.shafts:
        assert s.power_si is not None and s.torque_si is not None and s.speed_si is not None
        assert s.torque_si * s.speed_si == pytest.approx(s.power_si)


CLUTCH = {
    "one_way": "fitted",
    "behind": m("0"),
    "holds": m("300 N·m"),
    "free_speed": m("7000 rpm"),
    "acts_through": "nothing",
}


def clutched(**more: Any) -> Project:
    fitted = {k: v for k, v in {**CLUTCH, **more}.items() if v is not None}
    return put(PLANE, {f"{A}/drive/clutch": fitted})


def found(project: Project) -> list[Finding]:
    return [f for f in assess(project, "a").findings if f.rule == "drive.one-way"]


@pytest.mark.parametrize(
    ("more", "said"),
    [
        ({}, "watch"),
        ({"holds": m("170 N·m")}, "stop"),
        ({"holds": m("200 N·m ±150 N·m")}, "watch"),
        ({"free_speed": m("5000 rpm")}, "stop"),
        ({"free_speed": m("6100 rpm ±500 rpm")}, "watch"),
        ({"acts_through": "the starter or engine braking"}, "stop"),
        # Behind the belt it turns slower and carries more.
        ({"behind": m("1")}, "stop"),
        ({"behind": m("1"), "holds": m("700 N·m"), "free_speed": m("2600 rpm")}, "watch"),
        ({"holds": None}, "unknown"),
        ({"free_speed": None}, "unknown"),
        ({"behind": None}, "unknown"),
        ({"acts_through": None}, "unknown"),
    ],
)
def test_a_one_way_clutch(more: dict[str, Any], said: str) -> None:
    """Holding 1.5 to 2.5 times the torque. Common practice, no source."""
    (one,) = found(clutched(**more))
    assert one.level == said


def test_none_is_nothing_to_judge() -> None:
    assert found(PLANE) == [] and found(clutched(one_way="none")) == []
