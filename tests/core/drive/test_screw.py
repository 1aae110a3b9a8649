"""A marine propeller by the open-water series: against printed points and bounds, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import brentq

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.water.screw.functions import area_wanted, loading, resistance, ten_per_cent, wake
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.core.physics.screws import (
    AREAS,
    PITCHES,
    Screw,
    efficiency,
    thrust_coefficient,
    torque_coefficient,
    turned,
    within,
)
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

SAMPHIRE = DEMO_OF["boat"]
A = "/fits/a/installations/main"
KNOT = 1852 / 3600


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def at(*advance: float) -> Any:
    return np.array(advance)


def test_the_series_meets_its_printed_points() -> None:
    """KT and KQ at J 0 and 0.6632 of three blades, area 0.718, pitch ratio 1.0, as the comments of an openly published
    vehicle simulation print them (from memory): to the last printed digit."""
    one = Screw(1.0, 1.0, 0.718, 3)
    assert thrust_coefficient(at(0.0, 0.6632), one) == pytest.approx([0.4566, 0.1798], abs=5e-5)
    assert torque_coefficient(at(0.0, 0.6632), one) == pytest.approx([0.0700, 0.0312], abs=5e-5)


CORNERS = [(z, a, p) for z, areas in AREAS.items() for a in (*areas, sum(areas) / 2) for p in (0.5, 0.8, 1.1, 1.4)]


@pytest.mark.parametrize(("blades", "area", "pitch"), CORNERS)
def test_every_corner_of_the_series_is_physics(blades: int, area: float, pitch: float) -> None:
    """Thrust and torque fall with advance until there is no thrust; no efficiency passes the actuator disc's,
    2/(1 + √(1 + 8·KT/(π·J²))) (momentum theory)."""
    one = Screw(1.0, pitch, area, blades)
    advance = np.linspace(0.02, 1.6, 80)
    kt, kq = thrust_coefficient(advance, one), torque_coefficient(advance, one)
    until = int(np.argmax(kt <= 0)) if (kt <= 0).any() else len(kt)
    assert until > 15
    assert (np.diff(kt[:until]) < 0).all() and (np.diff(kq[:until]) < 0).all() and (kq[:until] > 0).all()
    for j, k in zip(advance[:until], kt[:until], strict=True):
        assert efficiency(float(j), one) <= 2 / (1 + math.sqrt(1 + 8 * k / (math.pi * j**2)))


def test_a_worked_case_of_a_flybridge_boat() -> None:
    """325 498 W at 1500 rpm, 26 knots less 3 %, four blades, area 0.75: 0.64493 m at a pitch ratio of 1.055 takes it
    and pulls 17 082.7 N at an efficiency of 0.68091 (worked apart, from the same coefficients)."""
    inflow, shaft = 26 * KNOT * 0.97, 1500 * 2 * math.pi / 60
    one = Screw(0.64493, 1.055, 0.75, 4)
    made = turned(one, at(shaft), inflow, 1025.9)
    assert float(made.torque[0]) * shaft == pytest.approx(325_498, rel=3e-3)
    assert float(made.thrust[0]) == pytest.approx(17_082.7, rel=3e-3)
    assert efficiency(float(made.advance[0]), one) == pytest.approx(0.68091, rel=1e-3)
    # Of 24 inches and 1.17269, pulling 16 949.9 N 0.6 m under: 0.14638 at 0.15949, a tenth of the back at 0.09820.
    load, number = loading(16_949.9, 0.6096, shaft, inflow, 1.17269, 0.75, 0.6, 1025.9)
    assert (load, number) == pytest.approx((0.14638, 0.15949), rel=5e-3)
    assert ten_per_cent(number) == pytest.approx(0.09820, rel=5e-3)


def test_no_propeller_beyond_the_series_is_reckoned() -> None:
    for screw, field in (
        (Screw(0.5, 0.8, 0.5, 2), "blades"),
        (Screw(0.5, 0.8, 0.3, 3), "area"),
        (Screw(0.5, 1.6, 0.5, 3), "pitch"),
    ):
        with pytest.raises(InputError) as bad:
            within(screw)
        assert bad.value.field == field and bad.value.allowed


def test_wake_by_the_handbook() -> None:
    """1 − w = 1.11 − 0.6·Cb of one, 1.06 − 0.4·Cb of a pair, 0.83·V^0.047 planing, V in knots (from memory)."""
    assert wake(False, 0.45, False, 3.0) == pytest.approx(0.16)
    assert wake(False, 0.45, True, 3.0) == pytest.approx(0.12)
    assert wake(True, None, False, 26 * KNOT) == pytest.approx(1 - 0.83 * 26**0.047)
    with pytest.raises(InputError, match="block"):
        wake(False, None, False, 3.0)


@given(st.floats(0.5, 1.5), st.floats(0.6, 1.4))
def test_resistance_grows_with_speed_and_weight(speed: float, heavier: float) -> None:
    base = resistance(4000.0, 5000.0, 5000.0, 3.0, 3.0, 2.0)
    made = resistance(4000.0, 5000.0 * heavier, 5000.0, 3.0 * speed, 3.0, 2.0)
    assert base == 4000.0 and made == pytest.approx(4000.0 * heavier * speed**2)
    assert area_wanted(3, made, 1025, 0.5, 0.5, 0.2) > 0.2


def found(project: Project, rule: str, fit: str = "a") -> Finding:
    (one,) = (f for f in assess(project, fit).findings if f.rule == rule)
    return one


def value(project: Project, name: str) -> tuple[float, float | None]:
    one = next(v for v in assess(project, "a").values if v.id == f"drive.{name}")
    assert one.si is not None, one.needs
    return one.si, one.before_si


def test_she_goes_where_thrust_is_resistance() -> None:
    """Solved apart by scipy on the same series: with a coarse propeller that holds the unit on its curve."""
    coarse = put(SAMPHIRE, {f"{A}/propeller/pitch": m("17 in")})
    screw = Screw(20 * 0.0254, 17 / 20, 0.62, 3)
    w, ratio = wake(False, 0.41, False, 0.0), 2.6
    boat, full = value(coarse, "screw-boat")[0], value(coarse, "screw-speed")[0]
    benches = set_up(coarse, "a")
    slopes = (benches.installations[0].placed.shaft[0], benches.old[0].shaft[0])
    inflow = boat * (1 - w) * math.cos(slopes[0])
    taken = float(turned(screw, at(full / ratio), inflow, 1025.0).torque[0])
    fit = coarse.fits["a"].installations["main"]
    curve = [(c.speed.si, c.torque.si) for c in fit.unit.curve or [] if c.torque]
    speeds, torques = zip(*curve, strict=True)
    from scipy.interpolate import PchipInterpolator

    assert fit.drive.efficiency is not None
    given_ = float(PchipInterpolator(speeds, torques)(full)) * ratio * fit.drive.efficiency.si
    assert taken == pytest.approx(given_, rel=2e-3)
    # And there thrust, less what the stern sucks, is the resistance, scaled from what drove her before.
    old = coarse.old_installations["main"]
    before = Screw(20 * 0.0254, 14 / 20, 0.52, 3)
    v0 = 3.3953333
    assert old.drive.efficiency is not None
    was = [(c.speed.si, c.torque.si) for c in old.unit.curve or [] if c.torque]
    torque = PchipInterpolator(*zip(*was, strict=True))
    r0 = 2.0
    spare = lambda n: (
        float(torque(n)) * r0 * old.drive.efficiency.si
        - float(  # type: ignore[union-attr]
            turned(before, at(n / r0), v0 * (1 - w) * math.cos(slopes[1]), 1025.0).torque[0]
        )
    )
    low, high = was[0][0], was[-1][0]
    n0 = brentq(spare, low, high) if spare(high) < 0 else high
    assert value(coarse, "screw-speed")[1] == pytest.approx(n0, rel=2e-3)


ABSORBS, AREA, CAVITATES, REACHES = "drive.absorbs", "drive.blade-area", "drive.cavitation", "drive.reaches"
P = f"{A}/propeller"
JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    (ABSORBS, {}, "watch", "at its governor, and nobody read it afloat"),
    (ABSORBS, {f"{P}/trial_speed": m("3045 rpm ±10 rpm")}, "ok", "read afloat, loaded"),
    (ABSORBS, {f"{P}/trial_speed": m("3045 rpm ±200 rpm")}, "watch", "read on a needle that swings"),
    (ABSORBS, {f"{P}/trial_speed": m("2700 rpm")}, "stop", "over-propped, as read"),
    (ABSORBS, {f"{P}/trial_speed": m("3300 rpm")}, "stop", "under-propped, as read"),
    (ABSORBS, {f"{P}/pitch": m("22 in")}, "stop", "nine inches too coarse"),
    (ABSORBS, {f"{P}/area": None}, "unknown", "area of the blades"),
    (ABSORBS, {f"{P}/blades": m("2")}, "unknown", "two blades: the series has none"),
    (ABSORBS, {f"{P}/pitch": m("40 in")}, "unknown", "no such pitch in the series"),
    (ABSORBS, {"/craft/trial/speed": None}, "unknown", "what she made before"),
    (ABSORBS, {"/craft/trial/speed": m("18 kn")}, "unknown", "the old propeller cannot have driven her so"),
    (ABSORBS, {"/craft/trial/regime": None}, "unknown", "whether she planes"),
    (ABSORBS, {"/old_installations/main/propeller/area": None}, "unknown", "what drove her before"),
    (ABSORBS, {f"{A}/unit/curve": []}, "unknown", "no curve"),
    (ABSORBS, {f"{P}/diameter": m("10 in"), f"{P}/area": None}, "stop", "so small that nothing more need be known"),
    (REACHES, {}, "ok", "faster than is wanted"),
    (REACHES, {"/craft/trial/wanted": m("7.6 kn")}, "watch", "just not"),
    (REACHES, {"/craft/trial/wanted": m("9 kn")}, "stop", "out of reach"),
    (REACHES, {"/craft/trial/wanted": None}, "unknown", "what is wanted"),
    (REACHES, {"/craft/flotation/block": None}, "unknown", "how full she is: no wake"),
    (REACHES, {f"{P}/pitch": m("13 in ±9 in")}, "watch", "a pitch that nobody read"),
    (AREA, {f"{P}/area": m("0.62 ±0.4")}, "watch", "an area that nobody measured"),
    (CAVITATES, {f"{P}/area": m("0.62 ±0.5")}, "watch", "nor of this"),
    (AREA, {}, "ok", "more than Keller asks"),
    (AREA, {f"{P}/area": m("0.5")}, "watch", "a little less"),
    (AREA, {f"{P}/area": m("0.38")}, "stop", "far too little"),
    (AREA, {f"{P}/depth": None}, "unknown", "how deep it turns"),
    (CAVITATES, {}, "ok", "slow and large"),
    (CAVITATES, {f"{P}/area": m("0.36")}, "watch", "little blade"),
    (
        CAVITATES,
        {
            f"{P}/diameter": m("14 in"),
            f"{P}/pitch": m("12 in"),
            f"{P}/area": m("0.36"),
            f"{A}/drive/stages/gear/ratio": m("1.6"),
        },
        "stop",
        "a toy propeller",
    ),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[f"{r}: {w}" for r, _, _, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(SAMPHIRE, changes), rule).level == level, why


def test_a_motor_is_not_hurt_by_turning_slower() -> None:
    made = found(SAMPHIRE, ABSORBS, "b")
    assert made.level == "watch" and made.title.template.startswith("Over-propped")


def test_heavier_she_is_slower_and_her_unit_turns_slower() -> None:
    coarse = {f"{P}/pitch": m("17 in")}
    light, heavy = put(SAMPHIRE, coarse), put(SAMPHIRE, {**coarse, f"{A}/mount/mass": m("600 kg")})
    assert value(heavy, "screw-boat")[0] < value(light, "screw-boat")[0]
    assert value(heavy, "screw-speed")[0] < value(light, "screw-speed")[0]


def test_another_pitch_lets_it_come_to_its_speed() -> None:
    bad = put(SAMPHIRE, {f"{P}/pitch": m("22 in")})
    (offered,) = [s for s in suggest(bad, "a", ABSORBS).suggestions if s.id == "pitch"]
    after = apply_operations(bad, [o.model_dump() for o in offered.operations])
    assert LEVELS.index(found(after, ABSORBS).level) > LEVELS.index("stop")
    full = value(after, "screw-speed")[0] / (2 * math.pi / 60)
    assert 2990 < full < 3100
    stops = lambda p: {f.key for f in assess(p, "a").findings if f.level == "stop"}
    assert stops(after) <= stops(bad)
    assert PITCHES[0] * 0.508 < after.fits["a"].installations["main"].propeller.pitch.si < 22 * 0.0254  # type: ignore[union-attr]


def test_at_idle_she_makes_what_holds_her_thrust() -> None:
    """With resistance as the square of speed thrust and drag keep their ratio: she goes as her shaft turns, from the
    turns at which she made her speed before (similarity)."""
    made = set_up(SAMPHIRE, "a").installations[0].drive.screw
    unit = SAMPHIRE.fits["a"].installations["main"].unit
    assert made is not None and unit.idle_speed is not None
    inflow, drag = made.before_m_s * made.comes, resistance(*made.drag_terms(made.before_m_s))
    left = lambda w: (
        made.count * (1 - made.suction) * float(turned(made.screw, np.array([w]), inflow, 1025.0).thrust[0])
    )
    there = brentq(lambda w: left(w) - drag, 40.0, 400.0)
    assert made.idles() == pytest.approx(made.before_m_s * unit.idle_speed.si / made.train.ratio / there, rel=1e-3)


SEMI = {"/craft/trial/regime": "semi-displacement"}


def test_a_hull_between_lies_between() -> None:
    """More power, in tenths: speed grows by less than planing and more than displacing lets it (cube root, square root:
    propeller handbook, from memory; between: proposed)."""
    made = {}
    for regime in ("displacement", "semi-displacement", "planing"):
        hull = put(SAMPHIRE, {"/craft/trial/regime": regime, f"{A}/unit/power": "70 hp"})
        made[regime] = value(hull, "speed")[0]
    was = value(SAMPHIRE, "speed")[1]
    assert was is not None
    assert was < made["semi-displacement"] < made["planing"]
    # Long enough, nothing but the power holds a displacement hull: then the order is whole.
    assert made["displacement"] < made["semi-displacement"]


def test_between_resistance_grows_with_the_power_of_one_and_a_half() -> None:
    (screw,) = (i.drive.screw for i in set_up(put(SAMPHIRE, SEMI), "a").installations)
    assert screw is not None
    half, full = (resistance(*screw.drag_terms(v)) for v in (2.0, 4.0))
    assert full / half == pytest.approx(2**1.5)
    # And the thrust lost to the suction on the stern is that of a hull that does not plane.
    assert screw.suction > 0


def test_between_an_electric_boat_asks_for_the_two_and_a_half_th_power() -> None:
    still = put(SAMPHIRE, {"/craft/auxiliary": m("0 W"), **SEMI})
    cruise, full = still.craft.trial.cruise, next(v for v in assess(still, "b").values if v.id == "drive.speed").si
    assert cruise is not None and full is not None
    battery = set_up(still, "b").installations[0].drive.battery
    assert battery is not None
    assert battery.sea_terms[4] == pytest.approx(battery.train.power * (cruise.si / full) ** 2.5)
    said = next(f for f in assess(still, "b").findings if f.rule == "drive.range")
    assert said.message.params["p"].text == "to the 2.5th"
