"""Candidates against each other: hard limits first, then a score by weights that a person sets, and how firmly it
stands."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Literal, NamedTuple

from ..errors import InputError


class Criterion(NamedTuple):
    """Something that is judged: its weight, whether more or less of it is better, and what is not to be undercut or
    exceeded, SI."""

    name: str
    weight: float
    better: Literal["more", "less"]
    least: float | None = None
    most: float | None = None


class Scored(NamedTuple):
    """Scores of those that pass, 0 to 100; every reason against those that do not; and the parts that each score is
    made of."""

    scores: dict[str, float]
    excluded: dict[str, list[str]]
    parts: dict[str, dict[str, float]]

    @property
    def best(self) -> str | None:
        """The highest score; of equals the first."""
        return max(self.scores, key=lambda k: self.scores[k]) if self.scores else None


def reasons_against(values: Mapping[str, float], criteria: Sequence[Criterion]) -> list[str]:
    """Names of the criteria whose hard limit a candidate does not keep."""
    made = []
    for c in criteria:
        value = values.get(c.name)
        if value is None:
            continue
        if (c.least is not None and value < c.least) or (c.most is not None and value > c.most):
            made.append(c.name)
    return made


def score_options(options: Mapping[str, Mapping[str, float]], criteria: Sequence[Criterion]) -> Scored:
    """Those that keep the hard limits, scored: u = (v − lo)/(hi − lo) over the survivors, turned round where less is
    better, 1 where all are equal; score = 100·Σw·u/Σw. It depends on the field: another candidate may turn two others
    round.

    Raises InputError for weights below zero or all zero, and for a value that is missing."""
    if any(c.weight < 0 for c in criteria):
        raise InputError("weights", "a weight is zero or more")
    total = sum(c.weight for c in criteria)
    if total <= 0:
        raise InputError("weights", "all weights are zero: nothing is to be preferred")
    excluded = {k: why for k, v in options.items() if (why := reasons_against(v, criteria))}
    left = {k: v for k, v in options.items() if k not in excluded}
    parts: dict[str, dict[str, float]] = {k: {} for k in left}
    for c in (c for c in criteria if c.weight > 0):
        for k, v in left.items():
            if c.name not in v:
                raise InputError(c.name, f"{k}: no figure to judge it by")
        seen = [v[c.name] for v in left.values()]
        lo, hi = min(seen, default=0.0), max(seen, default=0.0)
        for k, v in left.items():
            u = 1.0 if hi == lo else (v[c.name] - lo) / (hi - lo)
            parts[k][c.name] = 100 * c.weight / total * (u if c.better == "more" or hi == lo else 1 - u)
    return Scored({k: sum(p.values()) for k, p in parts.items()}, excluded, parts)


class Turn(NamedTuple):
    """The weight of a criterion, as a share of all, at which another candidate comes first; and which one."""

    criterion: str
    share: float
    winner: str


def turning_points(options: Mapping[str, Mapping[str, float]], criteria: Sequence[Criterion]) -> list[Turn]:
    """For each criterion the nearest share of the weight, up or down, at which the first place changes, the others
    keeping their proportions. Scores are linear in that share, so the crossing is exact."""
    scored = score_options(options, criteria)
    first = scored.best
    if first is None or len(scored.scores) < 2:
        return []
    total = sum(c.weight for c in criteria)
    made = []
    for c in (c for c in criteria if c.weight > 0):
        now = c.weight / total
        alone = _alone(options, criteria, c.name, scored)
        rest = {k: (s / 100 - now * alone[k]) / (1 - now) if now < 1 else 0.0 for k, s in scored.scores.items()}
        crossings = []
        for other in scored.scores:
            if other == first:
                continue
            # w·a + (1 − w)·r of both are equal
            slope = (alone[first] - rest[first]) - (alone[other] - rest[other])
            if abs(slope) > 1e-12:
                w = (rest[other] - rest[first]) / slope
                # All of the weight on one thing is no weighing.
                if 0 <= w < 0.995 and abs(w - now) > 1e-9:
                    crossings.append((abs(w - now), w, other))
        if crossings:
            _, share, winner = min(crossings)
            made.append(Turn(c.name, share, winner))
    return made


def _alone(
    options: Mapping[str, Mapping[str, float]], criteria: Sequence[Criterion], name: str, scored: Scored
) -> dict[str, float]:
    """Scores by one criterion alone, 0 to 1."""
    only = [c._replace(weight=1.0 if c.name == name else 0.0) for c in criteria]
    left = {k: v for k, v in options.items() if k in scored.scores}
    return {k: s / 100 for k, s in score_options(left, only).scores.items()}


def not_beaten(options: Mapping[str, Mapping[str, float]], criteria: Sequence[Criterion]) -> list[str]:
    """Candidates that no other equals or betters in every criterion and betters in one."""
    sign = {c.name: 1.0 if c.better == "more" else -1.0 for c in criteria}

    def beats(a: Mapping[str, float], b: Mapping[str, float]) -> bool:
        gains = [sign[n] * (a[n] - b[n]) for n in sign if n in a and n in b]
        return bool(gains) and min(gains) >= 0 and max(gains) > 0

    return [k for k, v in options.items() if not any(beats(o, v) for j, o in options.items() if j != k)]
