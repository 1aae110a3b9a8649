"""Gear ratios side by side: the propeller that suits each, by a worked case and by a search apart."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from scipy.optimize import brentq, minimize_scalar

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.water.screw.ratios import STUDY, RatioOut
from crooked_keel.core.physics.screws import Screw, fitted, thrust_coefficient, torque_coefficient
from tests.conftest import DEMO_OF, put
from tests.kept import assess

SAMPHIRE = DEMO_OF["boat"]
A = "/fits/a/installations/main"
KN = 1852 / 3600
# 450 hp at 0.97 and 1500 rpm, the water comes at 26 kn less 3 %, four blades of 0.75 of the disc.
POWER, SHAFT, INFLOW = 450 * 0.97 * 745.699872, 1500 * math.pi / 30, 26 * 0.97 * KN


def at(diameter: float) -> tuple[float, float]:
    """Pitch ratio and thrust of the worked case at a diameter."""
    made = fitted(diameter, 0.75, 4, SHAFT, POWER / SHAFT, np.array([INFLOW]), 1025.0)
    return float(made.pitch_ratio[0]), float(made.thrust[0])


def test_the_pitch_that_takes_a_torque_by_the_worked_case() -> None:
    """24 in: P/D 1.17269, 16 949.9 N. The best of all: 0.64493 m, P/D 1.055, 17 082.7 N, 0.68091 (by hand, search with
    a grid of 0.005)."""
    pitch, thrust = at(0.6096)
    assert pitch == pytest.approx(1.17269, rel=1e-3) and thrust == pytest.approx(16949.9, rel=1e-3)
    best = minimize_scalar(lambda d: -at(d)[1], bounds=(0.58, 0.72), method="bounded")
    assert best.x == pytest.approx(0.64493, rel=0.01)
    assert at(best.x)[1] == pytest.approx(17082.7, rel=1e-3) and at(best.x)[0] == pytest.approx(1.055, rel=0.02)
    assert at(best.x)[1] * INFLOW / POWER == pytest.approx(0.68091, rel=2e-3)


@pytest.mark.parametrize("diameter", [0.55, 0.62, 0.70])
def test_between_pitches_a_line_is_near_enough(diameter: float) -> None:
    """Against the root of the series itself (scipy)."""
    n = SHAFT / (2 * math.pi)
    j = np.array([INFLOW / (n * diameter)])
    wanted = POWER / SHAFT / (1025.0 * n**2 * diameter**5)
    of = lambda p: Screw(diameter, p, 0.75, 4)
    pitch, thrust = at(diameter)
    if math.isnan(pitch):
        assert float(torque_coefficient(j, of(1.4))[0]) < wanted
        return
    root = brentq(lambda p: float(torque_coefficient(j, of(p))[0]) - wanted, 0.7, 1.4)
    assert pitch == pytest.approx(root, rel=1e-3)
    exact = float(thrust_coefficient(j, of(root))[0]) * 1025.0 * n**2 * diameter**4
    assert thrust == pytest.approx(exact, rel=2e-3)


def rows(project: Project) -> dict[str, RatioOut]:
    found = answer(STUDY, project, "a")
    assert not found.needs
    return {r.id: r for r in found.ratios}


def value(project: Project, id: str) -> float:
    return next(v.si for v in assess(project, "a").values if v.id == id and v.si is not None)


@pytest.mark.parametrize("ratio", ["2.0", "2.6", "3.0"])
def test_what_is_taken_does_as_was_said(ratio: str) -> None:
    """The match, worked out apart, brings the unit to its rated speed and her to the speed that was told."""
    row = rows(SAMPHIRE)[ratio]
    after = apply_operations(SAMPHIRE, [o.model_dump() for o in row.operations])
    assert row.boat_si is not None
    assert value(after, "drive.screw-boat") == pytest.approx(row.boat_si, rel=0.01)
    assert value(after, "drive.screw-speed") == pytest.approx(3000 * math.pi / 30, rel=0.01)


def test_the_own_is_among_them_and_none_is_promised() -> None:
    found = rows(SAMPHIRE)
    assert [r.id for r in found.values() if r.own] == ["2.6"]
    assert {r.level for r in found.values()} <= {"watch", "stop", "unknown"}
    fastest = max(found.values(), key=lambda r: r.boat_si or 0.0)
    # One unit, one hull: the fastest is the most efficient, but for the steps of area and inch.
    best = max(r.efficiency or 0 for r in found.values())
    assert fastest.boat_si is not None and fastest.efficiency == pytest.approx(best, rel=1e-3)


def test_no_larger_than_there_is_room_for() -> None:
    low = put(SAMPHIRE, {f"{A}/propeller/hull_above": {"entered": "270 mm", "source": "measured"}})
    assert all((r.diameter_si or 0) <= r.most_si + 1e-9 for r in rows(low).values())
    assert max(r.diameter_si or 0 for r in rows(low).values()) < max(
        r.diameter_si or 0 for r in rows(SAMPHIRE).values()
    )
    unmeasured = answer(STUDY, put(SAMPHIRE, {f"{A}/propeller/hull_above": None}), "a")
    assert not unmeasured.measured and all((r.diameter_si or 0) <= 0.508 + 1e-9 for r in unmeasured.ratios)


def test_what_is_missing_is_named_and_a_gear_that_stays_is_not_changed() -> None:
    changes: dict[str, Any] = {"/craft/trial/speed": None}
    assert "/craft/trial/speed" in {n.pointer for n in answer(STUDY, put(SAMPHIRE, changes), "a").needs}
    deep = rows(put(SAMPHIRE, {f"{A}/propeller/depth": None}))
    assert {r.level for r in deep.values() if r.boat_si} <= {"unknown", "stop", "watch"}
    assert any("how deep" in a for r in deep.values() for a in r.against)
    kept = answer(STUDY, SAMPHIRE, "c").ratios
    assert all(bool(r.operations) is r.own for r in kept if r.boat_si is not None)
