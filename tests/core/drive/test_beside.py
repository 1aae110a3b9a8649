"""Propellers side by side: the same as when each is entered; the numbers of a generic blade by definition."""

from __future__ import annotations

import math

import numpy as np
import pytest

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.air.match.beside import STUDY, Beside
from crooked_keel.core.physics.atmosphere import isa
from crooked_keel.core.physics.blades import ACTIVITY, SOLIDITY
from tests.conftest import DEMO_OF, put
from tests.kept import assess

LAPWING = DEMO_OF["aeroplane"]
A = "/fits/a/installations/main"


def m(text: str) -> dict[str, str]:
    return {"entered": text, "source": "measured"}


@pytest.fixture(scope="module")
def beside() -> Beside:
    return answer(STUDY, LAPWING, "a")


def value(project: Project, name: str) -> float:
    found = next(v.si for v in assess(project, "a").values if v.id == f"drive.{name}")
    assert found is not None
    return found


def test_solidity_and_activity_factor_of_the_generic_blade() -> None:
    """Definitions: B·c/(π·R) at three quarters; (100000/16)·∫(c/D)·x³·dx from 0.15 to 1, by a finer rule than ours.
    Light-aircraft blades lie between 80 and 140 (common practice, from memory)."""
    x = np.linspace(0.15, 1, 4001)
    at = (0.15, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.75, 0.8, 0.9, 1.0)
    chord = np.interp(x, at, (0.115, 0.125, 0.145, 0.155, 0.155, 0.148, 0.135, 0.127, 0.117, 0.092, 0.055))
    theirs = 1e5 / 16 * np.trapezoid(chord / 2 * x**3, x)
    assert pytest.approx(theirs, rel=2e-3) == ACTIVITY and 80 < ACTIVITY < 140
    assert pytest.approx(float(np.interp(0.75, x, chord)) / math.pi, rel=1e-4) == SOLIDITY


def test_the_own_propeller_is_told_as_on_the_bench(beside: Beside) -> None:
    own = beside.propellers[0]
    assert own.of == "as entered" and own.operations == []
    assert own.standing_si == pytest.approx(value(LAPWING, "static-speed"))
    assert own.climbing_thrust_si == pytest.approx(value(LAPWING, "climb-thrust"))
    assert own.clearance_si == pytest.approx(value(LAPWING, "clearance"))


def test_each_that_is_taken_does_what_was_said(beside: Beside) -> None:
    """Written down, the bench says of it what the list said: speeds, thrust, clearance; and what was read of the old
    propeller is gone."""
    read = put(LAPWING, {f"{A}/propeller/static_speed": m("5350 rpm"), f"{A}/propeller/inertia": m("1.1 kg·m²")})
    tried = 0
    for row in answer(STUDY, read, "a").propellers[1:]:
        if row.standing_si is None or row.climbing_si is None:
            continue
        tried += 1
        after = apply_operations(read, [o.model_dump() for o in row.operations])
        propeller = after.fits["a"].installations["main"].propeller
        assert propeller.static_speed is None and propeller.inertia is None
        assert value(after, "static-speed") == pytest.approx(row.standing_si, rel=1e-3)
        assert value(after, "climb-speed") == pytest.approx(row.climbing_si, rel=1e-3)
        assert value(after, "static-thrust") == pytest.approx(row.standing_thrust_si, rel=2e-3)
        assert value(after, "clearance") == pytest.approx(row.clearance_si, abs=1e-3)
        found = next(f for f in assess(after, "a").findings if f.rule == "drive.static-speed")
        assert (found.level == "stop") == bool({"over-propped", "under-propped"} & set(row.against))
    assert tried >= 5


def test_more_blades_want_less_pitch_and_a_larger_disc_pulls_more(beside: Beside) -> None:
    """Momentum theory: at one power the larger disc pulls more, standing; and blades that share the work are finer."""
    counts = [r for r in beside.propellers if r.of == "as many blades" and r.pitch_si is not None]
    pitches = [r.pitch_si for r in counts]
    assert len(pitches) >= 4 and pitches == sorted(pitches, reverse=True)  # type: ignore[type-var]
    long, short = (next(r for r in beside.propellers if r.id == k) for k in ("long-three", "light-three"))
    assert long.diameter_si > short.diameter_si
    assert long.standing_thrust_si is not None and short.standing_thrust_si is not None
    assert long.standing_thrust_si > short.standing_thrust_si


def test_the_schools_of_tip_mach_lie_side_by_side(beside: Beside) -> None:
    """Worked case: standing 2 Mach·a/ω; in flight the tips go round and ahead, √((πDn)² + V²) = M·a."""
    speed = value(LAPWING, "propeller-speed") * 5900 / 5600
    for s in beside.schools:
        assert s.standing_si == pytest.approx(2 * s.mach * isa(1828.8).sound_m_s / speed, rel=1e-4)
        assert s.flying_si is not None
        ahead = LAPWING.craft.airspeed
        assert ahead is not None
        assert math.hypot(s.flying_si / 2 * speed, ahead.si) == pytest.approx(s.mach * isa(1828.8).sound_m_s, rel=1e-4)
    assert [(s.mach, s.chosen) for s in beside.schools] == [(0.80, False), (0.85, True), (0.90, False)]


def test_what_speaks_against_one_is_its_level() -> None:
    """A craft that stands low: what is long strikes. One that nobody measured: its clearance cannot be said."""
    low = put(LAPWING, {"/assumptions/ground_clearance": m("300 mm")})
    rows = {r.id: r for r in answer(STUDY, low, "a").propellers}
    assert "tips too near the ground" in rows["beech-two"].against and rows["beech-two"].level == "stop"
    assert "tips too near the ground" not in rows["short-four"].against
    unknown = put(LAPWING, {"/craft/lowest_attitude": None})
    rows = {r.id: r for r in answer(STUDY, unknown, "a").propellers}
    assert all("clearance cannot be said" in r.against and r.level != "ok" for r in rows.values())
    assert rows["beech-fine"].level == "stop"  # the failing one stands


def test_it_needs_what_the_match_needs() -> None:
    blank = put(LAPWING, {f"{A}/unit/curve": [], "/craft/climb_speed": None})
    needs = {n.pointer for n in answer(STUDY, blank, "a").needs}
    assert "/craft/climb_speed" in needs and any(p.startswith(f"{A}/unit/curve") for p in needs)
