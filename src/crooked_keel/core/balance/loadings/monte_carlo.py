"""Many crafts drawn, each figure within its doubt, and how many keep every limit in every loading."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import numpy as np
from numpy.typing import NDArray

from ...errors import or_none
from ...figure.trace import Origin, Traced
from ...formula import Out
from ...judging.study import Answer, Study
from ...resolved.references import Axis, Body, got
from ..ledger.functions import chance_inside
from ..limits.functions import CgEnvelope, limits_of
from ..section import Balance

DRAWS = 20_000


# Two answers that differ by more are said to differ.
DIFFERS = 0.02


Numbers = NDArray[np.float64]


class Drawn(Out):
    """How many of the crafts drawn keep every limit; the same by the closed form; each loading apart."""

    id: str
    name: str
    inside: float


class MonteCarlo(Answer):
    """draws; share that keeps every limit in every loading along its burn; the closed form, which takes the worst point
    alone; whether they differ by more than two hundredths; loadings."""

    draws: int = DRAWS
    inside: float | None = None
    closed: float | None = None
    differs: bool = False
    loadings: list[Drawn] = []


class Draw:
    """Figures drawn within their doubt: measured ones by the bell curve (evenly, where ± is the largest error), others
    evenly between their bounds; the same figure the same everywhere. Source: JCGM 101:2008 (from memory)."""

    def __init__(self, draws: int, seed: int, largest_error: bool = False) -> None:
        self.draws = draws
        self._rng = np.random.default_rng(seed)
        self._largest = largest_error
        self._kept: dict[Origin, Numbers] = {}

    def off(self, origin: Origin) -> Numbers:
        """How far off a figure is, in SI, one number for each craft."""
        if origin not in self._kept:
            if origin.source == "measured" and not self._largest:
                self._kept[origin] = self._rng.normal(0.0, origin.u, self.draws)
            else:
                bound = origin.u * np.sqrt(3.0)
                self._kept[origin] = self._rng.uniform(-bound, bound, self.draws)
        return self._kept[origin]

    def of(self, number: Traced) -> Numbers:
        """A number with its figures as drawn."""
        made = np.full(self.draws, number.value)
        for origin, slope in number.slopes.items():
            if origin.u:
                made += slope * self.off(origin)
        return made

    def sums(self, bodies: Sequence[Body], axis: Axis = "x") -> tuple[Numbers, Numbers]:
        """Mass and moment of bodies, kg and kg·m; mass times place of each, not its linear form."""
        mass, moment = np.zeros(self.draws), np.zeros(self.draws)
        for body in bodies:
            if body.sign:
                m = body.sign * self.of(got(body.mass))
                mass += m
                moment += m * self.of(got(body.axis(axis)))
        return mass, moment


def monte_carlo(bench: Balance, *, draws: int = DRAWS, seed: int = 1) -> MonteCarlo:
    """Crafts drawn at random, each limit tested along every burn and the gross mass with it.

    Source: JCGM 101:2008 (from memory)."""
    draw = Draw(draws, seed, bench.resolved.project.assumptions.tolerance_school == "largest error")
    envelope, gross = bench.limits.envelope, or_none(lambda: bench.limits.gross)
    empty = draw.sums([*bench.ledger.changed_bodies, *bench.resolved.typed_rows])
    all_inside = np.ones(draws, dtype=bool)
    rows = []
    for case in bench.loadings.cases:
        people = draw.sums(bench.loads.people(case.key))
        mass, moment = empty[0] + people[0], empty[1] + people[1]
        inside = _kept(envelope, gross, mass, moment)
        for leg in reversed(bench.fuel.legs(case.key)):
            fuel = draw.sums(leg)
            for share in (0.25, 0.5, 0.75, 1.0):
                inside &= _kept(envelope, gross, mass + share * fuel[0], moment + share * fuel[1])
            mass, moment = mass + fuel[0], moment + fuel[1]
        rows.append(Drawn(id=case.key, name=case.name, inside=float(inside.mean())))
        all_inside &= inside
    share = float(all_inside.mean())
    closed = or_none(lambda: chance_inside(*bench.loadings.chance_terms))
    return MonteCarlo(
        draws=draws,
        inside=share,
        closed=closed,
        differs=closed is not None and abs(closed - share) > DIFFERS,
        loadings=rows,
    )


def _kept(envelope: CgEnvelope, gross: float | None, mass: Numbers, moment: Numbers) -> Any:
    forward, aft = limits_of(envelope, mass)
    x = moment / mass
    kept = (x >= forward) & (x <= aft)
    return kept if gross is None else kept & (mass <= gross)


STUDY = Study(
    "monte-carlo",
    "balance",
    "How many of many crafts keep every limit",
    monte_carlo,
    MonteCarlo,
    "cg limits",
    "this kind of craft has no CG limits to keep",
)
