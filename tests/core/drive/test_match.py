"""Unit against air propeller: blade elements against momentum theory, a reference case worked by a program of its own,
and what published tests say of propellers; judgements where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.air.match.beside import STUDY as BESIDE
from crooked_keel.core.drive.air.match.functions import FIT
from crooked_keel.core.drive.air.match.quantities import AirMatch
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.core.physics.blades import AirThrough, BladeSet, ideal_efficiency, pull
from crooked_keel.core.setup import set_up
from tests.conftest import put
from tests.core.cases.cases import demonstrations
from tests.kept import assess, suggest

LAPWING, PLOVER = (demonstrations()[n] for n in ("lapwing", "plover"))
A, B = "/fits/a/installations/main", "/fits/b/installations/main"
RPM = math.pi / 30
SEA = AirThrough(1.225, 340.294)
RULE = "drive.static-speed"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def one(blades: BladeSet, rpm: float, airspeed: float) -> tuple[float, float]:
    """Thrust, N, and power, W."""
    made = pull(blades, np.array([rpm * RPM]), airspeed, SEA)
    return float(made.thrust[0]), float(made.torque[0]) * rpm * RPM


class TestBladeElements:
    @pytest.mark.parametrize(
        ("airspeed", "thrust", "power"),
        [(0, 3489.2, 108936), (20, 2775.1, 109929), (35, 1915.5, 92503), (50, 882.7, 54241)],
    )
    def test_reference_case(self, airspeed: float, thrust: float, power: float) -> None:
        """Three blades, 1.75 m, pitch 1.1 m, 2600 rpm, sea level: worked beforehand by a program of its own."""
        assert one(BladeSet(1.75, 1.1, 3), 2600, airspeed) == pytest.approx((thrust, power), rel=0.005)

    @given(
        st.floats(1.0, 2.4), st.floats(0.4, 1.2), st.sampled_from([2, 3, 4, 6]), st.floats(900, 2900), st.floats(1, 60)
    )
    @settings(max_examples=60)
    def test_never_better_than_momentum_theory(
        self, across: float, share: float, count: int, rpm: float, airspeed: float
    ) -> None:
        """No propeller passes the actuator disc: efficiency flying, thrust³ ≤ 2·ρ·A·P² standing."""
        blades = BladeSet(across, share * across, count)
        thrust, power = one(blades, rpm, airspeed)
        if thrust > 0 and power > 0:
            assert thrust * airspeed / power <= ideal_efficiency(power, airspeed, across, SEA.density)
        thrust, power = one(blades, rpm, 0.0)
        assert thrust**3 <= 2 * SEA.density * math.pi * across**2 / 4 * power**2

    def test_figure_of_merit_of_more_blades_is_higher_and_under_one(self) -> None:
        """Standing: 0.70 of two blades, 0.83 of six. Good propellers measure 0.6 to 0.78: the blade is optimistic.
        Common practice, no source."""
        merit = []
        for count in (2, 3, 4, 6):
            thrust, power = one(BladeSet(1.75, 1.1, count), 2600, 0)
            merit.append(thrust**1.5 / math.sqrt(2 * 1.225 * math.pi * 1.75**2 / 4) / power)
        assert merit == pytest.approx([0.702, 0.779, 0.806, 0.826], abs=0.002)

    @pytest.mark.parametrize(("degrees", "measured"), [(15, 0.78), (20, 0.82), (25, 0.85), (30, 0.86)])
    def test_best_efficiency_against_full_scale_tests(self, degrees: float, measured: float) -> None:
        """Two blades by blade angle at three quarters: full-scale wind-tunnel tests of the thirties (from memory). The
        model promises 6 to 7 % more, which is why thrust is told as 0.92 of it."""
        across = 3.0
        blades = BladeSet(across, 0.75 * math.pi * across * math.tan(math.radians(degrees)), 2)
        best = 0.0
        for airspeed in np.linspace(15, 90, 26):
            thrust, power = one(blades, 1000, float(airspeed))
            if thrust > 0:
                best = max(best, thrust * float(airspeed) / power)
        assert 1.0 < best / measured < 1.10
        assert best * FIT == pytest.approx(measured, rel=0.04)

    def test_more_annuli_change_little_and_many_speeds_at_once_are_each_alone(self) -> None:
        speeds = np.linspace(120, 280, 9)
        together = pull(BladeSet(1.75, 1.1, 3), speeds, 15.0, SEA)
        alone = [one(BladeSet(1.75, 1.1, 3), float(s) / RPM, 15.0) for s in speeds]
        assert together.thrust == pytest.approx([t for t, _ in alone])
        assert together.torque * speeds == pytest.approx([p for _, p in alone])

    def test_a_finer_blade_asks_less_and_one_that_windmills_deeply_is_refused(self) -> None:
        powers = [one(BladeSet(1.75, 1.1, 3, math.radians(d)), 2600, 20)[1] for d in (-2, 0, 2)]
        assert powers == sorted(powers)
        thrust, _ = one(BladeSet(1.75, 1.1, 3), 1200, 40)
        assert thrust < 0  # it brakes


def found(project: Project, fit: str = "a") -> Finding:
    (made,) = [f for f in assess(project, fit).findings if f.rule == RULE]
    return made


def match(project: Project, fit: str = "a") -> AirMatch:
    made = set_up(project, fit).installations[0].drive.match
    assert made is not None
    return made


JUDGED: list[tuple[dict[str, Any], str, str]] = [
    ({}, "watch", "by a generic blade nothing is sure"),
    ({"propeller/pitch": m("500 mm")}, "stop", "it runs away"),
    ({"propeller/pitch": m("1400 mm")}, "stop", "it is held far under its power"),
    ({"propeller/static_speed": m("5400 rpm")}, "stop", "it was read, and runs away in the climb"),
    ({"propeller/static_speed": m("4700 rpm")}, "stop", "it was read, and is over-propped"),
    ({"propeller/static_speed": m("5100 rpm")}, "watch", "it was read, a little low"),
    ({"drive/stages/belt/driven_teeth": m("60")}, "stop", "a ratio for another propeller"),
    ({"propeller/diameter": m("1400 mm")}, "stop", "too small a disc"),
    ({"propeller/pitch": None, "propeller/blade_angle": m("10.2°")}, "watch", "the same by its blade angle"),
    ({"propeller/pitch": None, "propeller/blade_angle": m("26°")}, "stop", "a blade set for cruise"),
]


@pytest.mark.parametrize(("changes", "said", "why"), JUDGED, ids=[j[2] for j in JUDGED])
def test_judged(changes: dict[str, Any], said: str, why: str) -> None:
    assert found(put(LAPWING, {f"{A}/{k}": v for k, v in changes.items()})).level == said


def test_read_once_and_suiting_it_is_ok() -> None:
    slow = put(LAPWING, {"/craft/climb_speed": m("75 km/h"), f"{A}/propeller/static_speed": m("5350 rpm")})
    assert found(slow).level == "ok"
    assert found(put(slow, {f"{A}/propeller/static_speed": None})).level == "watch"
    # Turned since: the reading is carried over, with twice its doubt.
    turned = put(slow, {f"{A}/propeller/read_angle": m("10.6°")})
    assert match(turned).doubt == 2 * match(slow).doubt and match(turned).static.speed > match(slow).static.speed


@pytest.mark.parametrize(
    "blank",
    [
        f"{A}/propeller/pitch",
        f"{A}/propeller/blades",
        f"{A}/propeller/diameter",
        f"{A}/drive/efficiency",
        f"{A}/unit/curve",
        "/craft/climb_speed",
    ],
)
def test_a_blank_is_asked_for(blank: str) -> None:
    made = found(put(LAPWING, {blank: None}))
    assert made.level == "unknown" and blank in [n.pointer for n in made.needs]


def test_a_pusher_and_its_mirror_are_matched_alike() -> None:
    other = put(PLOVER, {f"{B}/propeller/turns": "clockwise", f"{B}/unit/turns": "anticlockwise"})
    assert match(other, "b").static == match(PLOVER, "b").static


def test_a_governor_is_not_judged_by_it() -> None:
    governed = put(LAPWING, {f"{A}/propeller/blades_set": "by a governor"})
    assert [f for f in assess(governed, "a").findings if f.rule == RULE] == []


def test_a_motor_that_is_held_down_lacks_power_and_is_not_hurt() -> None:
    # Common practice, no source: at the torque that lasts a slower motor only gives less.
    def said(changes: dict[str, Any]) -> Finding:
        motor = {f"{A}/unit/kind": "electric"}
        return next(f for f in assess(put(LAPWING, {**motor, **changes}), "a").findings if f.rule == RULE)

    coarse, fine = ({f"{A}/propeller/pitch": f"{p} in"} for p in (90, 30))
    for pitch, word in ((coarse, "Over-propped"), (fine, "Under-propped")):
        piston = next(f for f in assess(put(LAPWING, pitch), "a").findings if f.rule == RULE)
        assert (piston.level, said(pitch).level) == ("stop", "watch")
        assert piston.title.template.startswith(word) and said(pitch).title.template.startswith(word)


def test_at_the_match_torque_given_is_torque_asked() -> None:
    made = match(LAPWING)
    for where, airspeed in ((made.static, 0.0), (made.climb, made.climb_airspeed)):
        given_there = made.curve.torque_at(where.speed) * made.train.ratio * made.efficiency
        asked = pull(made.drawn, np.array([where.speed / made.train.ratio]), airspeed, made.air).torque[0]
        assert asked == pytest.approx(given_there, rel=1e-3)
    # Flying unloads it.
    assert made.climb.speed > made.static.speed


def test_a_static_speed_that_was_read_is_met_by_turning_the_blades() -> None:
    made = match(put(LAPWING, {f"{A}/propeller/static_speed": m("5400 rpm")}))
    assert made.static.speed / RPM == pytest.approx(5400, rel=1e-3)
    assert made.turned < 0 and made.per_degree / RPM == pytest.approx(260, rel=0.15)


def test_a_static_speed_that_cannot_be_is_refused_at_its_field() -> None:
    made = found(put(LAPWING, {f"{A}/propeller/static_speed": m("1200 rpm")}))
    assert made.level == "unknown" and made.needs[0].pointer == f"{A}/propeller/static_speed"
    with pytest.raises(InputError, match="no blade of about this pitch"):
        _ = match(put(LAPWING, {f"{A}/propeller/static_speed": m("1200 rpm")})).turned


def test_pitch_and_blade_angle_that_do_not_agree_are_asked_about() -> None:
    made = found(put(LAPWING, {f"{A}/propeller/blade_angle": m("14°")}))
    assert made.level == "unknown" and made.needs[0].pointer == f"{A}/propeller/blade_angle"
    assert made.needs[0].given == "14°" and made.needs[0].allowed
    # 840 mm on 1980 mm stand at 10.2°.
    assert found(put(LAPWING, {f"{A}/propeller/blade_angle": m("10.2°")})).level == found(LAPWING).level


def test_a_stalled_blade_is_never_ok_however_it_turns() -> None:
    stalled = put(LAPWING, {f"{A}/propeller/pitch": None, f"{A}/propeller/blade_angle": m("22°")})
    stalled = put(
        stalled, {f"{A}/drive/stages/belt/driven_teeth": m("112"), f"{A}/propeller/static_speed": m("5400 rpm")}
    )
    assert match(stalled).useless
    made = found(stalled)
    assert made.level == "watch" and "not to be used" in made.message.template
    (value,) = [v for v in assess(stalled, "a").values if v.id == "drive.static-speed"]
    assert "not to be used" in value.label and value.plus_minus_si


def test_a_speed_is_told_with_how_far_it_may_be_off() -> None:
    """5 % by a generic blade, two standard deviations."""
    (value,) = [v for v in assess(LAPWING, "a").values if v.id == "drive.static-speed"]
    assert value.si and value.plus_minus_si and value.plus_minus_si / value.si == pytest.approx(0.05)


@pytest.mark.parametrize(
    ("changes", "way"),
    [
        ({"propeller/pitch": m("500 mm")}, "pitch"),
        ({"propeller/pitch": m("1200 mm")}, "pitch"),
        ({"propeller/pitch": None, "propeller/blade_angle": m("16°")}, "blade_angle"),
        ({"propeller/static_speed": m("4700 rpm")}, "pitch"),
        # Both given, and both wrong: the angle is set, the pitch goes.
        ({"propeller/pitch": m("1340 mm"), "propeller/blade_angle": m("16°")}, "blade_angle"),
    ],
)
def test_a_way_out_leads_out(changes: dict[str, Any], way: str) -> None:
    bad = put(LAPWING, {f"{A}/{k}": v for k, v in changes.items()})
    (offered,) = [s for s in suggest(bad, "a", RULE).suggestions if s.id == way]
    after = apply_operations(bad, [o.model_dump() for o in offered.operations])
    assert LEVELS.index(found(after).level) > LEVELS.index(found(bad).level)
    stops = lambda p: {f.key for f in assess(p, "a").findings if f.level == "stop"}
    assert stops(after) <= stops(bad)


def test_the_blade_is_drawn_as_it_is_reckoned() -> None:
    """From hub to tip as wide as the disc; its angle at three quarters is the one that is told; stalled in all as much
    as the match has it (of the blade beyond a third)."""
    made = assess(LAPWING, "a")
    drawn = made.installations[0].drive
    assert drawn is not None and drawn.match is not None
    blade = drawn.match.blade
    step = blade[1].radius_si - blade[0].radius_si
    assert blade[-1].radius_si + step / 2 == pytest.approx(0.99, abs=1e-6)
    at = min(blade, key=lambda a: abs(a.radius_si - 0.75 * 0.99))
    told = next(v.si for v in made.values if v.id == "drive.blade-angle")
    assert at.angle_si == pytest.approx(told, rel=0.02)
    outer = [a for a in blade if a.radius_si > 0.3 * 0.99]
    own = answer(BESIDE, LAPWING, "a").propellers[0]
    assert sum(a.standing for a in outer) / len(outer) == pytest.approx(own.stalled)
