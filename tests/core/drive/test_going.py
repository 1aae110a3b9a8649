"""How a road craft pulls away: by worked cases, against an integrator, and where it is said to watch out."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from crooked_keel.core.document import Project
from crooked_keel.core.drive.wheels.going.functions import (
    ROTATING,
    OnWheels,
    force_of_power,
    most_acceleration,
    time_to,
)
from crooked_keel.core.drive.wheels.going.quantities import Going
from crooked_keel.core.drive.wheels.road.functions import road_load
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.kept import assess

HARROW, TILLER, PANNIER = DEMO_OF["motorcycle"], DEMO_OF["road-vehicle"], DEMO_OF["scooter"]
RULE = "drive.pulls-away"
KMH = 1 / 3.6


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def test_grip_and_tipping_by_the_worked_case() -> None:
    """μ 0.9, CG 1.2 m behind the front axle of 2.3 m, 0.45 m up: 5.589 and 23.97 m/s² (by hand, statics)."""
    assert most_acceleration(0.9, OnWheels(700.0, 2.3, 1.2, 0.45), "rear") == pytest.approx(5.589, abs=0.001)
    assert most_acceleration(9.0, OnWheels(700.0, 2.3, 1.2, 0.45), "rear") == pytest.approx(23.97, abs=0.01)


def test_a_launch_by_the_worked_case_and_by_an_integrator() -> None:
    """90 kW at 0.9, 700 kg, 0.75 m², 0.013: to 100 km/h in 5.86 s by steps of 0.005 s (by hand); and by scipy."""
    standing = OnWheels(700.0, 2.3, 1.2, 0.45)
    v = np.linspace(0.0, 30.0, 400)
    load = np.array([road_load(float(s), 700.0, 0.75, 0.013) for s in v])
    force = force_of_power(81_000.0, v, most_acceleration(0.9, standing, "rear") * 700.0)
    ours = time_to(100 * KMH, force, load, v, 700.0)
    assert ours == pytest.approx(5.86, rel=0.01)

    def rate(_: float, state: np.ndarray) -> list[float]:
        s = float(state[0])
        pull = min(81_000.0 / max(s, 0.1), 5.589 * 700.0)
        return [(pull - road_load(s, 700.0, 0.75, 0.013)) / (700.0 * ROTATING)]

    there = lambda _, state: state[0] - 100 * KMH
    there.terminal = True  # type: ignore[attr-defined]
    by_steps = solve_ivp(rate, (0.0, 60.0), [0.0], events=there, max_step=0.01)
    assert ours == pytest.approx(float(by_steps.t_events[0][0]), rel=0.005)


@given(st.floats(1e3, 2e5), st.floats(100.0, 2000.0), st.floats(5.0, 30.0))
def test_no_more_work_is_done_than_the_power_gives(power: float, mass: float, until: float) -> None:
    """What it has moving at the end came from its power over the time (work and energy)."""
    v = np.linspace(0.0, 31.0, 500)
    load = np.array([road_load(float(s), mass, 0.5, 0.015) for s in v])
    took = time_to(until, force_of_power(power, v, 1e9), load, v, mass)
    if took is not None:
        assert 0.5 * mass * ROTATING * until**2 <= power * took * 1.02


@given(st.floats(0.3, 1.4), st.floats(0.2, 1.0), st.floats(0.2, 0.9))
def test_neither_wheel_is_asked_for_more_than_it_has(grip: float, share: float, height: float) -> None:
    """At that acceleration no axle pulls the road up, and the driven tyre pushes no more than it holds (statics)."""
    base, mass = 1.5, 250.0
    standing = OnWheels(mass, base, share * base, height)
    for driven in ("rear", "front"):
        a = most_acceleration(grip, standing, driven)
        rear = mass * (9.80665 * share * base + a * height) / base
        front = mass * 9.80665 - rear
        assert front >= -1e-6 and rear >= -1e-6
        assert mass * a <= grip * (rear if driven == "rear" else front) + 1e-6


def going(project: Project, fit: str) -> Going:
    made = set_up(project, fit).installations[0].drive.going
    assert made is not None
    return made


def found(project: Project, fit: str) -> Finding:
    (one,) = (f for f in assess(project, fit).findings if f.rule == RULE)
    return one


ROAD = "/craft/road"
JUDGED: list[tuple[Project, str, dict[str, Any], str, str]] = [
    (HARROW, "b", {}, "watch", "full throttle lifts the front"),
    (HARROW, "a", {}, "ok", "a motor that cannot"),
    (HARROW, "a", {f"{ROAD}/until": m("240 km/h")}, "watch", "a speed that it never sees"),
    (HARROW, "a", {f"{ROAD}/until": None}, "unknown", "until which speed"),
    (HARROW, "a", {f"{ROAD}/grip": None}, "unknown", "how much it holds"),
    (HARROW, "a", {f"{ROAD}/drag_area": None}, "unknown", "what holds it back"),
    (TILLER, "a", {}, "ok", "four wheels, nearly"),
    (TILLER, "a", {f"{ROAD}/driven": None}, "unknown", "which end pulls"),
    (TILLER, "a", {f"{ROAD}/driven": "front"}, "ok", "a driven front cannot lift"),
    (TILLER, "a", {"/fits/a/installations/main/unit/peak_torque": None}, "unknown", "its torque"),
    (PANNIER, "a", {}, "ok", "through a variator"),
    (PANNIER, "a", {"/fits/a/installations/main/drive/stages/variator/low": None}, "unknown", "one end is not known"),
    (PANNIER, "a", {"/fits/a/installations/main/drive/stages/variator/low": m("0.5")}, "unknown", "ends turned round"),
]


@pytest.mark.parametrize(("project", "fit", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(
    project: Project, fit: str, changes: dict[str, Any], level: str, why: str
) -> None:
    assert found(put(project, changes), fit).level == level, why


def test_a_variator_holds_the_power_between_its_ends_and_gears_do_not() -> None:
    """Midway between the ends the force is that of full power; a box of two gears falls off its first."""
    held = going(PANNIER, "a")
    at = float(held.tooth(held.shortest[0])[0][-1]) * 1.5
    power = float(np.max(np.prod(held.curve, axis=0))) * held.train.efficiency
    assert float(np.interp(at, held.speeds, held.best)) == pytest.approx(power / at, rel=0.02)


def test_the_teeth_of_the_saw_lie_as_the_gears_do() -> None:
    """Each gear's force times its speed is the same power at the same speed of the unit; each lands where its ratio
    says."""
    saw = going(HARROW, "b").drawn()
    powers = [np.array(g.speeds_si) * np.array(g.forces_si) for g in saw.gears]
    assert all(p == pytest.approx(powers[0]) for p in powers)
    first, second = going(HARROW, "b").shortest[:2]
    fastest = going(HARROW, "b").curve[0][-1]
    assert saw.gears[0].lands_si == pytest.approx(fastest * second.total / first.total)
    assert saw.gears[-1].lands_si is None and all(g.lands_si is None for g in going(PANNIER, "a").drawn().gears)
