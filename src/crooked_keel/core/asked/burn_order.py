"""The best orders of burning the tanks of one loading."""

from __future__ import annotations

from ..balance.fuel.functions import Aim, along_limits, best_burn_orders
from ..balance.section import Balance
from ..document import Project
from ..errors import CannotSay, InputError
from ..formula import Out
from ..judging.finding import NeedOut
from ..judging.gap import needs_out
from .loaded import _benches


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


def _orders(bench: Balance, key: str, name: str, aim: Aim) -> BurnOrders:
    dry, _ = bench.loadings.loaded(key)
    names = {k: t.name for k, _, t in bench.loads.tanks(True)}
    wing = frozenset(k for k in names if bench.fuel.is_wing_tank(k))
    margin = along_limits(bench.limits.envelope)
    tanks = bench.fuel.tankfuls(key)
    found = best_burn_orders(dry.mass_kg, dry.station_m, tanks, aim, margin, wing)
    travel = lambda path: max(p.x_m for p in path) - min(p.x_m for p in path)
    case = bench.loadings.case(key)
    now = OrderOut(
        tanks=[" with ".join(names[b.id] for b in turn) for turn in bench.fuel.legs(key)],
        travel_si=max(p.x_m for p in case.trail) - min(p.x_m for p in case.trail),
        margin_si=min(min(p.forward_margin_m, p.aft_margin_m) for p in case.trail),
    )
    return BurnOrders(
        loading=name,
        as_it_is=now,
        needs=[],
        orders=[
            OrderOut(tanks=[names[t] for t in o.tanks], travel_si=travel(o.path), margin_si=margin(o.path))
            for o in found
        ],
    )
