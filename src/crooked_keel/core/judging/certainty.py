"""How sure a margin is, and what to measure next.

The figures are independent, each with a standard uncertainty u; whatever they share is one figure, so their covariance
is diagonal. A margin g has a gradient a by the figures. A measurement gives readings, each with a gradient h and the
standard uncertainty r of the instrument. What all readings together leave of the doubt follows in closed form, whatever
their order:

    σ'² = σ² − cᵀ·K⁻¹·c,   c_j = aᵀ·P·h_j,   K_ij = h_iᵀ·P·h_j + r_j²·δ_ij

Source: normal-linear (Kalman) update; JCGM 100:2008, 5.2.2 (from memory).
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Mapping, Sequence
from typing import NamedTuple

import numpy as np

from ..errors import InputError
from ..figure.trace import Origin

Gradient = Mapping[Origin, float]
# A margin this many standard deviations from zero is settled, either way.
SETTLED = 2.0
# A measurement that takes less than this share off the doubt is not worth a walk to the shed.
_WORTH = 0.01


class Reading(NamedTuple):
    """One number that a measurement gives: its derivative by each figure, and the instrument's standard uncertainty in
    SI."""

    gradient: Gradient
    r: float


class ToMeasure(NamedTuple):
    """Something that could be measured. pointer: the figure that it gives, None where it gives several; minutes of
    work."""

    id: str
    name: str
    readings: tuple[Reading, ...]
    minutes: float
    pointer: str | None = None


class Ranked(NamedTuple):
    """What a candidate would do for a margin: doubt left, how much that is less, and the chances that the margin is
    then settled as kept or as passed."""

    candidate: ToMeasure
    sigma_after: float
    drop: float
    kept: float
    passed: float

    @property
    def settles(self) -> float:
        """Chance that the question is answered, either way."""
        return self.kept + self.passed

    @property
    def drop_per_minute(self) -> float:
        """Doubt taken off for each minute of work."""
        return self.drop / self.candidate.minutes


def _shared(a: Gradient, b: Gradient) -> float:
    """aᵀ·P·b."""
    if len(b) < len(a):
        a, b = b, a
    return sum(s * b[o] * o.u * o.u for o, s in a.items() if o in b)


def sigma(a: Gradient) -> float:
    """Standard uncertainty of a result with a gradient. Source: JCGM 100:2008, 5.1.2 (from memory)."""
    return math.sqrt(_shared(a, a))


def sigma_after(a: Gradient, readings: Sequence[Reading]) -> float:
    """What is left of the doubt after readings. Raises InputError where an instrument is claimed to be exact.

    Source: normal-linear update, all readings at once."""
    if any(not reading.r > 0 for reading in readings):
        raise InputError("/r", "an instrument without any uncertainty is not known here", allowed="above zero")
    before = _shared(a, a)
    if not readings:
        return math.sqrt(before)
    c = np.array([_shared(a, reading.gradient) for reading in readings])
    k = np.array([[_shared(i.gradient, j.gradient) for j in readings] for i in readings])
    k += np.diag([reading.r**2 for reading in readings])
    return math.sqrt(max(before - float(c @ np.linalg.solve(k, c)), 0.0))


def _below(z: float) -> float:
    """Normal distribution, Φ(z)."""
    return 0.5 * math.erfc(-z / math.sqrt(2))


def chance_to_settle(margin: float, before: float, after: float, settled: float = SETTLED) -> tuple[float, float]:
    """Chances that a measurement which takes the doubt from `before` to `after` shows the margin kept, and passed, by
    `settled` standard deviations. The estimate to come is N(g, σ² − σ'²). Source: preposterior analysis,
    normal-linear."""
    spread = math.sqrt(max(before * before - after * after, 0.0))
    if spread < 1e-9 * max(before, abs(margin), 1e-12):
        return (
            (1.0, 0.0)
            if margin >= settled * after > 0
            else (0.0, 1.0)
            if -margin >= settled * after > 0
            else (0.0, 0.0)
        )
    return _below((margin - settled * after) / spread), _below((-settled * after - margin) / spread)


def rank(a: Gradient, margin: float, candidates: Iterable[ToMeasure], known: Sequence[Reading] = ()) -> list[Ranked]:
    """Candidates by the doubt that they take off a margin, ties by time. known: readings already counted on."""
    before = sigma_after(a, known)
    made = []
    for candidate in candidates:
        left = sigma_after(a, (*known, *candidate.readings))
        made.append(Ranked(candidate, left, before - left, *chance_to_settle(margin, before, left)))
    return sorted(made, key=lambda r: (-r.drop, r.candidate.minutes))


def all_settled(margins: Sequence[tuple[float, Gradient]], known: Sequence[Reading]) -> bool:
    """Whether every margin would stand at least `SETTLED` standard deviations off zero with readings counted on."""
    return all(abs(g) >= SETTLED * sigma_after(a, known) for g, a in margins)


def plan(margins: Sequence[tuple[float, Gradient]], candidates: Sequence[ToMeasure]) -> list[ToMeasure]:
    """What to measure, in order, until every margin would be settled on the figures as they stand: each time what takes
    most off the margin that is least sure; the end is also where nothing takes off a hundredth of its doubt. Source:
    greedy choice."""
    known: list[Reading] = []
    left = list(candidates)
    made: list[ToMeasure] = []
    while left:
        doubts = [(abs(g) / max(sigma_after(a, known), 1e-300), g, a) for g, a in margins]
        sure, g, a = min(doubts, key=lambda d: d[0], default=(math.inf, 0.0, {}))
        if sure >= SETTLED:
            break
        best = rank(a, g, left, known)[0]
        if best.drop < _WORTH * (best.drop + best.sigma_after):
            break
        made.append(best.candidate)
        known += best.candidate.readings
        left.remove(best.candidate)
    return made


def accuracy_needed(slope: float, u: float, before: float, wanted: float) -> float | None:
    """Standard uncertainty of the instrument that brings the doubt from `before` to `wanted` by measuring one figure
    again; None when even an exact one would not. Raises InputError when it is there already. Source: the single-figure
    update solved for r."""
    if wanted >= before:
        raise InputError("/wanted", "the doubt is that small already")
    r2 = (slope * u * u) ** 2 / (before * before - wanted * wanted) - u * u
    return math.sqrt(r2) if r2 >= 0 else None


def least_left(slope: float, u: float, before: float) -> float:
    """Doubt left when one figure is known exactly."""
    return math.sqrt(max(before * before - (slope * u) ** 2, 0.0))


def break_even(margin_at: Callable[[float], float], lo: float, hi: float) -> float | None:
    """The change of a figure between lo and hi, in its unit, at which a margin is just gone; None when it is not gone
    in there.

    margin_at: the margin with the change made, running one way. Source: bisection."""
    low, high = margin_at(lo), margin_at(hi)
    if (low > 0) == (high > 0):
        return None
    for _ in range(60):
        middle = (lo + hi) / 2
        if (margin_at(middle) > 0) == (low > 0):
            lo = middle
        else:
            hi = middle
    return (lo + hi) / 2


def chance_at_most(target: float, value: float, u: float) -> float:
    """Chance that a value does not exceed a target. Raises InputError without an uncertainty."""
    if not u > 0:
        raise InputError("/u", "tolerance missing: a chance wants one", allowed="above zero")
    return _below((target - value) / u)
