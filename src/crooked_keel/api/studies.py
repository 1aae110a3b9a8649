"""What is asked for when somebody looks: studies, placing everything at once, candidates side by side."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Request

from ..core.asked.comparison import Comparison, compare
from ..core.asked.placement import PlacedTogether
from ..core.balance import measure_next
from ..core.balance.afloat import at_rest, righting
from ..core.balance.afloat.at_rest import AtRest
from ..core.balance.afloat.righting import RightingArms
from ..core.balance.fuel import burn_order
from ..core.balance.fuel.burn_order import BurnOrders
from ..core.balance.fuel.functions import Aim
from ..core.balance.loadings import monte_carlo
from ..core.balance.loadings.monte_carlo import MonteCarlo
from ..core.balance.measure_next import MeasureNext
from ..core.drive.air.match import beside
from ..core.drive.air.match.beside import Beside
from ..core.drive.train import pairs
from ..core.drive.train.pairs import Pairs
from ..core.drive.water.screw import ratios
from ..core.drive.water.screw.ratios import Ratios
from ..core.drive.ways import options
from ..core.drive.ways.options import DriveWays
from ..core.systems.current import one_lost
from ..core.systems.current.one_lost import OneLost
from ..core.systems.voltage import driven
from ..core.systems.voltage.driven import Driven
from .models import ContactorEvents, PlacementWish
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, service

UnitQuery = Annotated[str | None, Query(max_length=40)]

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)


@router.post("/projects/{project_id}/studies/measure-next")
def study_measure_next(request: Request, project_id: Id, fit: FitQuery = None) -> MeasureNext:
    """What to measure next, so that the least sure margin of the balance is settled soonest."""
    return service(request).ask(measure_next.STUDY, project_id, fit)


@router.post("/projects/{project_id}/studies/monte-carlo")
def study_monte_carlo(request: Request, project_id: Id, fit: FitQuery = None) -> MonteCarlo:
    """How many of many crafts, each figure drawn within its doubt, keep every limit."""
    return service(request).ask(monte_carlo.STUDY, project_id, fit)


@router.post("/projects/{project_id}/studies/righting-arms")
def study_righting_arms(request: Request, project_id: Id, fit: FitQuery = None) -> RightingArms:
    """Righting arms of every state of a boat by her sections, to 60° of heel."""
    return service(request).ask(righting.STUDY, project_id, fit)


@router.post("/projects/{project_id}/studies/at-rest")
def study_at_rest(request: Request, project_id: Id, fit: FitQuery = None) -> AtRest:
    """Every state of a boat brought to rest on her sections, beside the small-change answer."""
    return service(request).ask(at_rest.STUDY, project_id, fit)


@router.post("/projects/{project_id}/studies/burn-order")
def study_burn_order(
    request: Request,
    project_id: Id,
    loading: Annotated[str, Query(max_length=40)],
    aim: Aim = "least travel",
    fit: FitQuery = None,
) -> BurnOrders:
    """The best orders of burning the tanks of a loading, one after another."""
    return service(request).ask(burn_order.STUDY, project_id, fit, loading=loading, aim=aim)


@router.post("/projects/{project_id}/studies/one-lost")
def study_one_lost(request: Request, project_id: Id, fit: FitQuery = None, unit: UnitQuery = None) -> OneLost:
    """Each part of the circuit lost in turn: what still runs."""
    return service(request).ask(one_lost.STUDY, project_id, fit, unit=unit)


@router.post("/projects/{project_id}/studies/propellers")
def study_propellers(request: Request, project_id: Id, fit: FitQuery = None, unit: UnitQuery = None) -> Beside:
    """The propeller beside others: as many blades as there may be, and an invented shelf."""
    return service(request).ask(beside.STUDY, project_id, fit, unit=unit)


@router.post("/projects/{project_id}/studies/gear-ratios")
def study_gear_ratios(request: Request, project_id: Id, fit: FitQuery = None, unit: UnitQuery = None) -> Ratios:
    """Ratios of a boat's gear side by side, each with the propeller that suits it."""
    return service(request).ask(ratios.STUDY, project_id, fit, unit=unit)


@router.post("/projects/{project_id}/studies/teeth")
def study_teeth(
    request: Request,
    project_id: Id,
    fit: FitQuery = None,
    unit: UnitQuery = None,
    stage: Annotated[str | None, Query(max_length=40)] = None,
    wanted: Annotated[str | None, Query(max_length=20, description="a ratio as typed; the own where blank")] = None,
) -> Pairs:
    """Pairs of teeth of one stage for a wanted ratio."""
    made = service(request)
    ratio = made.number(project_id, "wanted", wanted) if wanted else None
    return made.ask(pairs.STUDY, project_id, fit, unit=unit, stage=stage, wanted=ratio)


@router.post("/projects/{project_id}/studies/drive-options")
def study_drive_options(request: Request, project_id: Id, fit: FitQuery = None, unit: UnitQuery = None) -> DriveWays:
    """Ways of driving the wheels side by side, scored openly."""
    return service(request).ask(options.STUDY, project_id, fit, unit=unit)


@router.post("/projects/{project_id}/studies/contactors")
def study_contactors(
    request: Request, project_id: Id, drive: ContactorEvents, fit: FitQuery = None, unit: UnitQuery = None
) -> Driven:
    """The contactors of a high-voltage circuit after some events: a stand-in, no controller."""
    return service(request).ask(driven.STUDY, project_id, fit, unit=unit, events=list(drive.events))


@router.post("/projects/{project_id}/placement")
def place(request: Request, project_id: Id, wish: PlacementWish, fit: FitQuery = None) -> PlacedTogether:
    """Ways to place unit, batteries and lead at once, each proved; nothing is saved here."""
    return service(request).placement(project_id, fit, wish)


@router.get("/projects/{project_id}/comparison")
def read_comparison(request: Request, project_id: Id) -> Comparison:
    """The old unit and every fit side by side, scored by what counts."""
    return compare(service(request).store.head(project_id).document)
