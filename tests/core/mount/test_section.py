"""The mount of the demonstration, computed again by hand: wrench of the pull-up, torque, turning cases."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest

from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import apply_operations, value_at
from crooked_keel.core.physics.geometry import thrust_rotation
from crooked_keel.core.reference.load_cases import AEROPLANE
from tests.conftest import made_lapwing
from tests.kept import assess

DEMO = made_lapwing()
A = "/fits/a/installations/main"
G0, HP = 9.80665, 745.6998715822702


def made(**figures: Any) -> Assessment:
    document = apply_operations(
        DEMO,
        [
            {"op": "replace" if value_at(DEMO, p) is not None else "add", "path": p, "value": v}
            for p, v in figures.items()
        ],
    )
    return assess(document, "a")


def loads(assessment: Assessment, case: str) -> np.ndarray:
    assert assessment.installations[0].mount is not None
    return np.array(
        [
            [p.x_si, p.y_si, p.z_si]
            for p in next(c for c in assessment.installations[0].mount.cases if c.id == case).points
        ]
    )


def points(assessment: Assessment) -> np.ndarray:
    assert assessment.installations[0].align is not None
    return np.array([[t.x_si, t.y_si, t.z_si] for t in assessment.installations[0].align.tubes], dtype=float)


def test_pull_up_in_force_and_moment_by_hand() -> None:
    """Σ of the loads = inertia + thrust; Σ of moments about the CG = thrust off the CG and the torque's reaction."""
    a = made()
    r = thrust_rotation(math.radians(2), math.radians(1.5))
    flange, axis = np.array([-0.795, 0, 0.085]), r @ np.array([-1.0, 0, 0])
    parts = [
        (74.0, flange + r @ np.array([0.355, 0.012, -0.111])),
        (11.4, flange + r @ np.array([0.045, 0, -0.073])),
        (8.1, flange + r @ np.array([-0.06, 0, 0])),
    ]
    mass = sum(m for m, _ in parts)
    cg = sum((m * p for m, p in parts), np.zeros(3)) / mass
    torque = 3 * 92 * HP / (5600 * math.pi / 30 / (85 / 35))
    force = np.array([0, 0, -3.8 * G0 * mass]) + 1900 * axis
    moment = np.cross(parts[2][1] - cg, 1900 * axis) - torque * axis
    f, p = loads(a, "pull-up"), points(a)
    assert f.sum(axis=0) == pytest.approx(force, abs=1e-6)
    assert np.cross(p - cg, f).sum(axis=0) == pytest.approx(moment, abs=1e-6)


def test_values_are_the_worst_of_the_table() -> None:
    a = made()
    assert a.installations[0].mount is not None
    sizes = {
        c.id: max(math.sqrt(p.x_si**2 + p.y_si**2 + p.z_si**2) for p in c.points)
        for c in a.installations[0].mount.cases
        if c.kind == "limit"
    }
    worst = next(v for v in a.values if v.id == "mount.worst-point")
    assert len(sizes) > 8 and worst.si == pytest.approx(max(sizes.values()))
    assert worst.si > 1.05 * min(sizes.values())


def test_least_reserve_by_hand() -> None:
    """9000 N ultimate over load × 1.5 (limit) or 1.0 (ultimate) × 1.15."""
    a = made()
    assert a.installations[0].mount is not None
    factors = [
        9000 / ((1.5 if c.kind == "limit" else 1.0) * 1.15 * p.size_si)
        for c in a.installations[0].mount.cases
        for p in c.points
    ]
    least = next(v for v in a.values if v.id == "mount.least-reserve")
    assert least.si == pytest.approx(min(factors))


def test_two_blades_are_worse_than_three_of_the_same_inertia() -> None:
    three, two = made(), made(**{f"{A}/propeller/blades": "2"})
    worst = lambda a: next(v.si for v in a.values if v.id == "mount.worst-point")
    assert worst(two) > worst(three)
    assert np.allclose(loads(two, "pull-up"), loads(three, "pull-up"))


def test_the_other_way_round_mirrors_the_roll() -> None:
    level = {f"{A}/placement/down": "0°", f"{A}/placement/right": "0°", f"{A}/unit/cg_starboard": "0 mm"}
    clockwise = loads(made(**level), "pull-up")
    other = loads(made(**level, **{f"{A}/unit/turns": "anticlockwise"}), "pull-up")
    port_starboard = [1, 0, 3, 2]
    assert other[port_starboard][:, 2] == pytest.approx(clockwise[:, 2])
    assert other[port_starboard][:, 1] == pytest.approx(-clockwise[:, 1])


def test_rates_are_the_persons_own() -> None:
    slow = made(**{"/assumptions/pitch_rate": "0.5 rad/s", "/assumptions/yaw_rate": "1.25 rad/s"})
    whole, half, none = (
        loads(a, "gyro-up-right")
        for a in (made(), slow, made(**{"/assumptions/pitch_rate": "0 rad/s", "/assumptions/yaw_rate": "0 rad/s"}))
    )
    assert half - none == pytest.approx((whole - none) / 2, abs=1e-6)


def test_category_changes_the_load_factors() -> None:
    """Normal at 550 kg: 2.1 + 24000/(1212.5 + 10000) lb is above 3.8, so 3.8 and −1.52."""
    values = {v.id: v.si for v in made(**{"/craft/limits/category": "normal"}).values}
    assert values["mount.load-factor-up"] == pytest.approx(3.8)
    assert values["mount.load-factor-down"] == pytest.approx(-1.52)
    assert {v.id: v.si for v in made(**{"/craft/limits/category": "utility"}).values}[
        "mount.load-factor-up"
    ] == pytest.approx(4.4)


def test_every_case_of_the_table_has_its_source() -> None:
    assert all("14 CFR 23" in c.source and "(from memory)" in c.source for c in AEROPLANE)
    assert len({c.id for c in AEROPLANE}) == len(AEROPLANE)
    assert {c.kind for c in AEROPLANE if c.id.startswith("emergency")} == {"ultimate"}


def test_softer_points_take_less() -> None:
    a, b = (
        made(),
        made(
            **{
                f"{A}/mount/points/top-port/stiffness_axial": "210 N/mm",
                f"{A}/mount/points/top-port/stiffness_radial": "150 N/mm",
            }
        ),
    )
    assert np.linalg.norm(loads(b, "emergency-forward")[0]) < np.linalg.norm(loads(a, "emergency-forward")[0])
