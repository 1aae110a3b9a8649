"""The best orders of burning the tanks of one loading."""

from __future__ import annotations

from ...errors import InputError
from ...formula import Out
from ...judging.study import Answer, Study
from ..limits.quantities import CraftLimits
from ..loadings.quantities import Loadings
from .functions import Aim, along_limits, best_burn_orders
from .quantities import Fuel


class BurnOrderOut(Out):
    """An order of tanks by name, how far the CG travels (m) and the least margin on the way (m)."""

    tanks: list[str]
    travel_si: float
    margin_si: float


class BurnOrders(Answer):
    """The best orders of one loading, best first, and the order as it stands."""

    loading: str = ""
    orders: list[BurnOrderOut] = []
    as_it_is: BurnOrderOut | None = None


def burn_order(fuel: Fuel, loadings: Loadings, limits: CraftLimits, *, loading: str, aim: Aim) -> BurnOrders:
    """The best five orders of burning the tanks of a loading, one after another.

    Raises InputError where there is no such loading."""
    known = {k: each.name for k, each in fuel.loads.loadings.items()}
    if loading not in known:
        raise InputError("/loadings", "no such loading", given=loading, allowed=", ".join(known) or "none yet")
    dry, _ = loadings.loaded(loading)
    names = {k: t.name for k, _, t in fuel.loads.tanks(True)}
    wing = frozenset(k for k in names if fuel.is_wing_tank(k))
    margin = along_limits(limits.envelope)
    tanks = fuel.tankfuls(loading)
    found = best_burn_orders(dry.mass_kg, dry.station_m, tanks, aim, margin, wing)
    travel = lambda path: max(p.x_m for p in path) - min(p.x_m for p in path)
    case = loadings.case(loading)
    now = BurnOrderOut(
        tanks=[" with ".join(names[b.id] for b in turn) for turn in fuel.legs(loading)],
        travel_si=max(p.x_m for p in case.trail) - min(p.x_m for p in case.trail),
        margin_si=min(min(p.forward_margin_m, p.aft_margin_m) for p in case.trail),
    )
    return BurnOrders(
        loading=known[loading],
        as_it_is=now,
        orders=[
            BurnOrderOut(tanks=[names[t] for t in o.tanks], travel_si=travel(o.path), margin_si=margin(o.path))
            for o in found
        ],
    )


STUDY = Study(
    "burn-order",
    "balance",
    "The best orders of burning the tanks of a loading",
    burn_order,
    BurnOrders,
    "cg limits",
    "this kind of craft has no CG limits to keep",
)
