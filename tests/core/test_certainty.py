"""What to measure next: a worked re-engining case, and numpy, `uncertainties` and simulation as outside references."""

from __future__ import annotations

import math
from collections.abc import Callable
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from crooked_keel.core.balance.ledger.functions import Centre
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.trace import Origin, Traced
from crooked_keel.core.judging.certainty import (
    Reading,
    ToMeasure,
    accuracy_needed,
    break_even,
    chance_at_most,
    chance_to_settle,
    least_left,
    plan,
    rank,
    sigma,
    sigma_after,
)

LB, IN = 0.45359237, 0.0254
LIMIT = 11.0 * IN  # forward limit of the empty CG


def origin(name: str, u: float) -> Origin:
    return Origin.of(f"/{name}", u, name, "estimated")


def rectangular(half: float) -> float:
    return half / math.sqrt(3)


# 789 lb ±2 at 12.0 in ±0.10, two standard deviations; all else even chance within its bound: old engine 220 ±15 lb at
# −40 ±1.0 in, new
# 180 ±9 at −43 ±1.5, lead taken out 12.5 ±2.5 at 168 ±1.0.
BODIES = {
    "base": (1, 789, 2 / 2, 12.0, 0.10 / 2),
    "old": (-1, 220, rectangular(15), -40.0, rectangular(1.0)),
    "new": (1, 180, rectangular(9), -43.0, rectangular(1.5)),
    "lead": (-1, 12.5, rectangular(2.5), 168.0, rectangular(1.0)),
}
MASS = {k: origin(f"{k} mass", u * LB) for k, (_, _, u, _, _) in BODIES.items()}
PLACE = {k: origin(f"{k} x", u * IN) for k, (_, _, _, _, u) in BODIES.items()}


def centre() -> Centre:
    made = Centre()
    for key, (sign, mass, _, at, _) in BODIES.items():
        made.add(sign, Traced(mass * LB, {MASS[key]: 1.0}), Traced(at * IN, {PLACE[key]: 1.0}))
    return made


CENTRE = centre()
X = CENTRE.slopes()
M = {MASS[k]: float(sign) for k, (sign, *_) in BODIES.items()}
MARGIN = CENTRE.station_m - LIMIT


def one(name: str, where: Origin, r: float, minutes: float) -> ToMeasure:
    return ToMeasure(name, name, (Reading({where: 1.0}, r),), minutes, str(where))


BASE_X = {MASS["base"]: 0.0, PLACE["base"]: 1.0}
SINGLE = [
    one("old engine", MASS["old"], 0.25, 20),
    one("new engine", MASS["new"], 0.25, 20),
    one("lead", MASS["lead"], 0.05, 10),
    one("new x", PLACE["new"], 2.5e-3, 30),
    one("old x", PLACE["old"], 2.5e-3, 30),
    one("lead x", PLACE["lead"], 2.5e-3, 10),
]
BASE = ToMeasure("base", "base", (Reading({MASS["base"]: 1.0}, 0.3), Reading(BASE_X, 0.8e-3)), 120)
FINISHED = ToMeasure("finished", "finished craft", (Reading(M, 0.45), Reading(X, 1.3e-3)), 120)


def test_the_case_itself() -> None:
    assert CENTRE.mass_kg == pytest.approx(334.0708, abs=1e-4)
    assert CENTRE.station_m == pytest.approx(0.290660, abs=1e-6)
    assert sigma(M) == pytest.approx(4.64978, abs=1e-5)
    assert sigma(X) == pytest.approx(21.0236e-3, abs=1e-7)
    assert pytest.approx(11.26e-3, abs=5e-6) == MARGIN and MARGIN / sigma(X) == pytest.approx(0.536, abs=5e-4)


@pytest.mark.parametrize(
    ("where", "slope", "share"),
    [
        (MASS["old"], 0.003911, 53.4),
        (MASS["new"], -0.004139, 21.5),
        (MASS["lead"], -0.011903, 13.7),
        (PLACE["new"], 0.244399, 6.5),
        (PLACE["old"], -0.298710, 4.3),
        (PLACE["base"], 1.071283, 0.4),
    ],
    ids=str,
)
def test_slopes_and_shares(where: Origin, slope: float, share: float) -> None:
    assert X[where] == pytest.approx(slope, abs=6e-7)
    assert 100 * (X[where] * where.u / sigma(X)) ** 2 == pytest.approx(share, abs=0.05)


@pytest.mark.parametrize(
    ("candidate", "left_mm", "settle"),
    [
        (FINISHED, 1.293, 0.915),
        (SINGLE[0], 14.383, 0.131),
        (SINGLE[1], 18.651, 0.004),
        (SINGLE[2], 19.535, 0.000),
        (SINGLE[3], 20.334, 0.0),
        (SINGLE[4], 20.575, 0.0),
        (BASE, 20.992, 0.0),
        (SINGLE[5], 21.022, 0.0),
    ],
    ids=lambda c: c.name if isinstance(c, ToMeasure) else None,
)
def test_each_candidate(candidate: ToMeasure, left_mm: float, settle: float) -> None:
    found = rank(X, MARGIN, [candidate])[0]
    assert found.sigma_after * 1000 == pytest.approx(left_mm, abs=1e-3)
    assert found.settles == pytest.approx(settle, abs=6e-4)


def test_order_per_minute_and_plan() -> None:
    ranked = rank(X, MARGIN, [*reversed(SINGLE), BASE, FINISHED])
    assert [r.candidate.name for r in ranked[:4]] == ["finished craft", "old engine", "new engine", "lead"]
    best = max(ranked, key=lambda r: r.drop_per_minute)
    assert best.candidate.name == "old engine" and best.drop_per_minute * 1000 == pytest.approx(0.332, abs=5e-4)
    assert (ranked[0].kept, ranked[0].passed) == (pytest.approx(0.660, abs=6e-4), pytest.approx(0.255, abs=6e-4))
    steps = plan([(MARGIN, X)], SINGLE)
    assert [c.name for c in steps[:4]] == ["old engine", "new engine", "lead", "new x"]
    left = [sigma_after(X, [r for c in steps[:n] for r in c.readings]) * 1000 for n in range(1, 5)]
    assert left == pytest.approx([14.383, 10.618, 7.237, 4.882], abs=1e-3)


def test_a_plan_ends_when_every_margin_is_settled() -> None:
    assert plan([(MARGIN, X)], [FINISHED, *SINGLE]) == [FINISHED]  # 11.26 mm in hand at 1.29 mm of doubt
    assert plan([(10 * sigma(X), X)], SINGLE) == []
    assert plan([], SINGLE) == []


def test_accuracy_that_is_needed() -> None:
    old, u = X[MASS["old"]], MASS["old"].u
    assert accuracy_needed(old, u, sigma(X), 16.0e-3) == pytest.approx(2.038, abs=1e-3)
    assert least_left(old, u, sigma(X)) * 1000 == pytest.approx(14.350, abs=1e-3)
    assert accuracy_needed(old, u, sigma(X), 14.0e-3) is None
    with pytest.raises(InputError, match="already"):
        accuracy_needed(old, u, sigma(X), sigma(X))


def test_break_even() -> None:
    """The new unit may be 2.7426 kg heavier before the CG touches 11.0 in; or the old one must have been 96.886 kg at
    least. In closed form for a flat limit: sign·m·(limit − CG)/(station − limit)."""
    m, x = CENTRE.mass_kg, CENTRE.station_m

    def margin_at(sign: int, at: float) -> Callable[[float], float]:
        return lambda change: (CENTRE.moment_kg_m + sign * change * at) / (m + sign * change) - LIMIT

    heavier = break_even(margin_at(1, -43.0 * IN), -180 * LB, 360 * LB)
    assert heavier == pytest.approx(2.7426, abs=1e-4)
    assert heavier == pytest.approx(m * (LIMIT - x) / (-43.0 * IN - LIMIT), rel=1e-9)
    old = break_even(margin_at(-1, -40.0 * IN), -220 * LB, 440 * LB)
    assert old is not None and 220 * LB + old == pytest.approx(96.886, abs=1e-3)
    assert break_even(margin_at(1, LIMIT), -50, 500) is None  # at the limit's own station no mass can do it


def test_mass_target() -> None:
    """725 lb wanted: chance 0.131 with normal doubts."""
    assert chance_at_most(725 * LB, CENTRE.mass_kg, sigma(M)) == pytest.approx(0.131, abs=5e-4)
    with pytest.raises(InputError, match="tolerance missing"):
        chance_at_most(1.0, 1.0, 0.0)


def test_against_uncertainties() -> None:
    mass = {k: ufloat(b[1] * LB, b[2] * LB) for k, b in BODIES.items()}
    at = {k: ufloat(b[3] * IN, b[4] * IN) for k, b in BODIES.items()}
    m = sum(BODIES[k][0] * mass[k] for k in BODIES)
    x = sum(BODIES[k][0] * mass[k] * at[k] for k in BODIES) / m
    assert sigma(X) == pytest.approx(x.std_dev, rel=1e-12)
    assert sigma(M) == pytest.approx(m.std_dev, rel=1e-12)


def test_chance_to_settle_against_simulation() -> None:
    """Draw the truth and the readings, update, look: 0.661 kept, 0.254 passed within the noise of the draws."""
    rng = np.random.default_rng(7)
    names = list(X)
    u = np.array([o.u for o in names])
    a = np.array([X[o] for o in names])
    h = np.array([[r.gradient.get(o, 0.0) for o in names] for r in FINISHED.readings])
    noise = np.array([r.r for r in FINISHED.readings])
    truth = rng.normal(size=(200_000, len(u))) * u
    read = truth @ h.T + rng.normal(size=(200_000, 2)) * noise
    p = np.diag(u**2)
    k = h @ p @ h.T + np.diag(noise**2)
    estimate = MARGIN + read @ np.linalg.solve(k, h @ p @ a)
    after = sigma_after(X, FINISHED.readings)
    kept, passed = chance_to_settle(MARGIN, sigma(X), after)
    assert kept == pytest.approx(float((estimate >= 2 * after).mean()), abs=0.005)
    assert passed == pytest.approx(float((estimate <= -2 * after).mean()), abs=0.005)


SOME = st.floats(0.01, 3)
GRADIENT = st.lists(st.floats(-2, 2), min_size=5, max_size=5)


@given(st.lists(SOME, min_size=5, max_size=5), GRADIENT, st.lists(st.tuples(GRADIENT, SOME), min_size=1, max_size=4))
def test_all_at_once_is_one_after_another(
    u: list[float], a: list[float], rows: list[tuple[list[float], float]]
) -> None:
    """The closed form against rank-one updates of the full covariance, by numpy; and more readings never leave more
    doubt."""
    names = [origin(f"q{i}", v) for i, v in enumerate(u)]
    gradient = dict(zip(names, a, strict=True))
    readings = [Reading(dict(zip(names, h, strict=True)), r) for h, r in rows]
    p = np.diag(np.array(u) ** 2)
    for h, r in rows:
        ph = p @ np.array(h)
        p = p - np.outer(ph, ph) / (np.array(h) @ ph + r * r)
    left = math.sqrt(max(float(np.array(a) @ p @ np.array(a)), 0.0))
    assert sigma_after(gradient, readings) == pytest.approx(left, rel=1e-6, abs=1e-7)
    steps = [sigma_after(gradient, readings[:n]) for n in range(len(readings) + 1)]
    assert all(b <= a + 1e-9 for a, b in pairwise(steps))


def test_an_exact_instrument_is_refused() -> None:
    with pytest.raises(InputError, match="without any uncertainty"):
        sigma_after(X, [Reading(M, 0.0)])


@given(st.floats(-0.1, 0.1), st.floats(1e-4, 0.1), st.floats(0, 1))
def test_chances_are_chances(margin: float, before: float, part: float) -> None:
    kept, passed = chance_to_settle(margin, before, before * part)
    assert 0 <= kept <= 1 and 0 <= passed <= 1 and kept + passed <= 1 + 1e-9
    mirrored = chance_to_settle(-margin, before, before * part)
    assert mirrored == (pytest.approx(passed, abs=1e-9), pytest.approx(kept, abs=1e-9))
