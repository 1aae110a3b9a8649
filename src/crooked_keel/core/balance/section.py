"""Weight and balance of a fit: its topics, its headline values and its tables."""

from __future__ import annotations

from typing import NamedTuple

from ..formula import Out
from ..resolved.craft import Resolved
from ..resolved.loads import Loads
from ..resolved.remarkable import Remarkable
from ..resolved.rows import Rows
from ..topic.reading import Topic
from ..topic.tables import Tables
from .afloat.quantities import AfloatOut, AfloatStates
from .afloat.says import afloat_table, afloat_values
from .fuel.quantities import Fuel
from .ledger.quantities import Ledger, Stripped
from .ledger.says import LedgerLine, derived_lines, empty_values, side_values, typed_lines
from .limits.quantities import CraftLimits
from .loadings.every import CasePoint, EveryLoading, FrontierOut
from .loadings.quantities import Loadings, LoadingsBefore
from .loadings.says import (
    LoadingOut,
    before_table,
    envelope_table,
    frontier_table,
    gross_table,
    loading_table,
    loading_values,
)
from .standing.quantities import StandingSteps, StepOut
from .standing.says import cross_values, step_table
from .standing.supports import OnSupports
from .wheels.quantities import Axles
from .wheels.says import axle_table, axle_values
from .wheels.stance import AxlesOut


class BalanceOut(Out):
    """What the balance bench shows beside its values and findings."""

    ledger: list[LedgerLine]
    loadings: list[LoadingOut]
    before_loadings: list[LoadingOut]
    envelope: list[CasePoint]
    gross_si: float | None
    frontier: list[FrontierOut]
    afloat: list[AfloatOut]
    axles: list[AxlesOut]
    steps: list[StepOut]


class Balance(NamedTuple):
    """The topics of the balance bench. afloat, axles: only of a craft that floats, that stands on wheels."""

    resolved: Resolved
    rows: Rows
    loads: Loads
    remarkable: Remarkable
    stripped: Stripped
    ledger: Ledger
    limits: CraftLimits
    fuel: Fuel
    loadings_before: LoadingsBefore
    loadings: Loadings
    every: EveryLoading
    supports: OnSupports
    standing: StandingSteps
    afloat: AfloatStates | None
    axles: Axles | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]

    @property
    def floats(self) -> AfloatStates:
        """Its states afloat; only where it floats."""
        assert self.afloat is not None
        return self.afloat

    @property
    def rolls(self) -> Axles:
        """Its axles; only where it stands on wheels."""
        assert self.axles is not None
        return self.axles


VALUES = (afloat_values, axle_values, cross_values, empty_values, loading_values, side_values)


def listed(ask: Tables) -> BalanceOut:
    """What the bench lists and draws."""
    return BalanceOut(
        ledger=[*(ask(derived_lines) or []), *(ask(typed_lines) or [])],
        loadings=ask(loading_table) or [],
        before_loadings=ask(before_table) or [],
        envelope=ask(envelope_table) or [],
        gross_si=ask(gross_table),
        frontier=ask(frontier_table) or [],
        afloat=ask(afloat_table) or [],
        axles=ask(axle_table) or [],
        steps=ask(step_table) or [],
    )
