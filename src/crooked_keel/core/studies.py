"""Studies: what is too slow for every edit, or wanted only when somebody asks. The same question gives the same answer.

monte_carlo: many crafts drawn, each figure within its doubt, and how many keep every limit in every loading.
burn_order: the best orders of burning the tanks of one loading.
at_rest: every state of a boat brought to rest on her sections.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import numpy as np
from numpy.typing import NDArray

from .balance.afloat import AfloatStates
from .balance.burn import Aim, along_limits, best_burn_orders
from .balance.envelope import Envelope, limits_of
from .balance.ledger import apply_ledger, chance_inside
from .balance.section import BalanceBench
from .bench import needs_out, or_none
from .document import Project
from .errors import CannotSay, InputError, Need
from .finding import NeedOut
from .formula import Out
from .hull import float_equilibrium
from .resolve import Axis, Body, got
from .trace import Origin, Traced
from .wiring import Benches, set_up

DRAWS = 20_000
# Two answers that differ by more are said to differ.
DIFFERS = 0.02
Numbers = NDArray[np.float64]


class Drawn(Out):
    """How many of the crafts drawn keep every limit; the same by the closed form; each loading apart."""

    id: str
    name: str
    inside: float


class MonteCarlo(Out):
    """draws; share that keeps every limit in every loading along its burn; the closed form, which takes the worst point alone; whether
    they differ by more than two hundredths; loadings; needs: what must be known first."""

    draws: int
    inside: float | None
    closed: float | None
    differs: bool
    loadings: list[Drawn]
    needs: list[NeedOut]


class OrderOut(Out):
    """An order of tanks by name, how far the CG travels (m) and the least margin on the way (m)."""

    tanks: list[str]
    travel_si: float
    margin_si: float


class BurnOrders(Out):
    """The best orders of one loading, best first, and the order as it stands; needs: what must be known first."""

    loading: str
    orders: list[OrderOut]
    as_it_is: OrderOut | None
    needs: list[NeedOut]


def _benches(project: Project, fit_id: str | None) -> Benches:
    if fit_id is not None and fit_id not in project.fits:
        raise InputError("/fits", "no such fit", given=fit_id, allowed=", ".join(project.fits) or "none yet")
    benches = set_up(project, fit_id)
    if not benches.resolved.has("cg limits"):
        raise InputError("/kind", "this kind of craft has no CG limits to keep", given=project.kind)
    return benches


class Draw:
    """Figures drawn within their doubt: measured ones by the bell curve (evenly, where ± is the largest error), others evenly between
    their bounds; the same figure the same everywhere. Source: JCGM 101:2008 (from memory)."""

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


def monte_carlo(project: Project, fit_id: str | None, draws: int = DRAWS, seed: int = 1) -> MonteCarlo:
    """Crafts drawn at random, each limit tested along every burn and the gross mass with it.

    Raises InputError where there is no such fit, or no CG limits in this kind of craft. Source: JCGM 101:2008 (from memory)."""
    bench = _benches(project, fit_id).balance
    try:
        return _drawn(project, bench, draws, seed)
    except CannotSay as gap:
        return MonteCarlo(draws=draws, inside=None, closed=None, differs=False, loadings=[], needs=needs_out(gap.needs))


def _drawn(project: Project, bench: BalanceBench, draws: int, seed: int) -> MonteCarlo:
    draw = Draw(draws, seed, project.assumptions.tolerance_school == "largest error")
    envelope, gross = bench.envelope, or_none(lambda: bench.gross)
    empty = draw.sums([*bench.changed_bodies, *bench.resolved.typed_rows])
    all_inside = np.ones(draws, dtype=bool)
    rows = []
    for case in bench.cases:
        loading = project.loadings[case.key]
        people = draw.sums(bench.resolved.load_bodies(case.key, loading, fuel=False))
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
    closed = or_none(lambda: chance_inside(*bench.chance_terms))
    return MonteCarlo(
        draws=draws, inside=share, closed=closed, differs=closed is not None and abs(closed - share) > DIFFERS, loadings=rows, needs=[]
    )  # fmt: skip


def _kept(envelope: Envelope, gross: float | None, mass: Numbers, moment: Numbers) -> Any:
    forward, aft = limits_of(envelope, mass)
    x = moment / mass
    kept = (x >= forward) & (x <= aft)
    return kept if gross is None else kept & (mass <= gross)


def burn_order(project: Project, fit_id: str | None, loading: str, aim: Aim) -> BurnOrders:
    """The best five orders of burning the tanks of a loading, one after another.

    Raises InputError where there is no such fit or loading, or no CG limits in this kind of craft."""
    bench = _benches(project, fit_id).balance
    if loading not in project.loadings:
        raise InputError(
            "/loadings", "no such loading", given=loading, allowed=", ".join(project.loadings) or "none yet"
        )
    name = project.loadings[loading].name
    try:
        return _orders(bench, loading, name, aim)
    except CannotSay as gap:
        return BurnOrders(loading=name, orders=[], as_it_is=None, needs=needs_out(gap.needs))


def _orders(bench: BalanceBench, key: str, name: str, aim: Aim) -> BurnOrders:
    dry, _ = bench.loaded(key, bench.empty)
    names = {k: t.name for k, _, t in bench.resolved.tanks}
    wing = frozenset(k for k in names if bench.fuel.is_wing_tank(k))
    margin = along_limits(bench.envelope)
    tanks = bench.fuel.tankfuls(key)
    found = best_burn_orders(dry.mass_kg, dry.station_m, tanks, aim, margin, wing)
    travel = lambda path: max(p.x_m for p in path) - min(p.x_m for p in path)
    case = bench.case(key, bench.empty)
    now = OrderOut(
        tanks=[" with ".join(names[b.id] for b in turn) for turn in bench.fuel.legs(key)],
        travel_si=max(p.x_m for p in case.trail) - min(p.x_m for p in case.trail),
        margin_si=min(min(p.forward_margin_m, p.aft_margin_m) for p in case.trail),
    )
    return BurnOrders(
        loading=name, as_it_is=now, needs=[],
        orders=[OrderOut(tanks=[names[t] for t in o.tanks], travel_si=travel(o.path), margin_si=margin(o.path)) for o in found],
    )  # fmt: skip


class AtRestOut(Out):
    """A state brought to rest by her sections: trim over the waterline stern down and heel starboard down, beside the small-change answer;
    GM; least freeboard and where; refused: why there is none."""

    id: str
    name: str
    trim_si: float | None
    small_trim_si: float
    heel_si: float | None
    small_heel_si: float | None
    gm_si: float | None
    draft_si: float | None
    freeboard_si: float | None
    freeboard_at: str
    refused: str


class HalfBreadth(Out):
    """A point of a section as drawn: half breadth and height, m."""

    y: float
    z: float


class AtRest(Out):
    """Every state of a fit by her sections; her sections as drawn, bow first, the widest among them named; needs: what must be known."""

    states: list[AtRestOut]
    sections: list[list[HalfBreadth]]
    widest: int
    needs: list[NeedOut]


def at_rest(project: Project, fit_id: str | None) -> AtRest:
    """Draft, trim and heel of every state at which weight and buoyancy balance on her sections.

    Raises InputError where there is no such fit, or this kind of craft does not float."""
    if fit_id is not None and fit_id not in project.fits:
        raise InputError("/fits", "no such fit", given=fit_id, allowed=", ".join(project.fits) or "none yet")
    benches = set_up(project, fit_id)
    if not benches.resolved.has("afloat"):
        raise InputError("/kind", "this kind of craft does not float", given=project.kind)
    try:
        return _at_rest(benches.balance.afloat)
    except CannotSay as gap:
        return AtRest(states=[], sections=[], widest=0, needs=needs_out(gap.needs))


def _at_rest(afloat: AfloatStates) -> AtRest:
    floating = afloat.floating
    if not floating.flotation.sections:
        raise CannotSay(Need("/craft/flotation/sections", "sections of her hull"))
    hull, lcf, length = floating.hull, floating.lcf, floating.length
    made = []
    for state in afloat.states():
        sums = {axis: apply_ledger(afloat.bodies(state.id), axis) for axis in ("x", "y", "z")}
        mass = sums["x"].mass_kg
        fsc = afloat.free_surface(state.id, True, mass)
        cg = (sums["x"].station_m, sums["y"].station_m, sums["z"].station_m + fsc)
        rest, refused = None, ""
        try:
            rest = float_equilibrium(hull, mass, cg, floating.density.value, lcf)
            if rest.gm_m <= 0:
                refused = "she does not stay upright"
        except InputError as bad:
            refused = bad.message
        least: tuple[float, str] | None = None
        for key, mark in floating.marks if rest else ():
            x, y, sheer = floating.mark_at(key, mark)
            water = rest.draft_m + rest.trim * (x.value - lcf) + rest.heel * y.value if rest else 0.0
            if least is None or sheer.value - water < least[0]:
                least = (sheer.value - water, mark.name)
        made.append(AtRestOut(
            id=state.id, name=state.name, trim_si=rest.trim * length if rest else None, small_trim_si=afloat.trim(state.after),
            heel_si=float(np.arctan(rest.heel)) if rest else None, small_heel_si=state.after.heel_rad, gm_si=rest.gm_m if rest else None,
            draft_si=rest.draft_m if rest else None, freeboard_si=least[0] if least else None, freeboard_at=least[1] if least else "", refused=refused,
        ))  # fmt: skip
    drawn = [
        [HalfBreadth(y=float(y), z=float(z)) for y, z in zip(hull.y[i], hull.z[i], strict=True)] for i in range(len(hull.stations))
    ]  # fmt: skip
    return AtRest(states=made, sections=drawn, widest=int((hull.y.max(1) - hull.y.min(1)).argmax()), needs=[])
