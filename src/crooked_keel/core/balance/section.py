"""Weight and balance of a fit: its topics, its headline values and its tables."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import CannotSay, Gap, or_none
from ..figure.trace import Traced
from ..formula import Out, record
from ..judging.finding import Value, Ways
from ..judging.values import ValueList
from ..resolved.craft import Resolved
from ..resolved.loads import Loads
from ..resolved.references import Body
from ..resolved.remarkable import Remarkable
from ..resolved.rows import Rows
from ..topic.reading import Topic
from .afloat import says as afloat_says
from .afloat.quantities import AfloatOut, AfloatStates
from .fuel.quantities import Fuel
from .ledger.functions import (
    ballast_mass,
    cg_butt_line,
    cg_station,
    cg_water_line,
    chance_inside,
    empty_mass,
    loaded_mass,
    percent_mac,
)
from .ledger.quantities import Ledger, Stripped
from .limits.quantities import Limits
from .loadings.every import CasePoint, EveryLoading, FrontierOut
from .loadings.quantities import LoadedCase, Loadings, LoadingsBefore
from .standing.quantities import Standing, StepOut
from .standing.supports import OnSupports
from .wheels import says as axle_says
from .wheels.quantities import Axles
from .wheels.stance import AxlesOut


@record
class LedgerLine:
    """A row of the ledger as drawn on the steelyard; blanks are unknown."""

    id: str
    name: str
    kind: str
    sign: int
    pointer: str
    derived: bool
    mass_si: float | None
    x_si: float | None
    y_si: float | None
    z_si: float | None
    mass_source: str | None


@record
class LoadingOut:
    """A loading, assessed."""

    id: str
    name: str
    mass_si: float | None
    x_si: float | None
    forward_margin_si: float | None
    aft_margin_si: float | None
    trail: list[CasePoint]
    needs: list[Gap]


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
    limits: Limits
    fuel: Fuel
    loadings_before: LoadingsBefore
    loadings: Loadings
    every: EveryLoading
    supports: OnSupports
    standing: Standing
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


# --- headline values, those first that the trade looks at first


def afloat_values(afloat: AfloatStates) -> list[Value]:
    """Trim, heel, GM and freeboard."""
    out = ValueList("balance")
    afloat_says.values(afloat, out)
    return out.values


def axle_values(axles: Axles) -> list[Value]:
    """Axle loads, pitch limits and lean."""
    out = ValueList("balance")
    axle_says.values(axles, out)
    return out.values


def cross_values(supports: OnSupports) -> list[Value]:
    """Cross weight of four wheels."""
    out = ValueList("balance")
    if supports.warp:
        out.add(
            "cross",
            "Cross: starboard front with port rear, empty",
            "percent",
            lambda: supports.cross(True),
            before=lambda: supports.cross(False),
            source="corners as weighed, and statics",
        )
    return out.values


def empty_values(ledger: Ledger) -> list[Value]:
    """Mass and CG of the empty craft."""
    out = ValueList("balance")
    out.add(
        "empty-mass",
        "Empty mass",
        "mass",
        lambda: ledger.empty.mass,
        before=lambda: ledger.before.mass,
        working=lambda: empty_mass.working(ledger.before.mass_kg, *ledger.in_and_out_kg),
    )
    out.add(
        "empty-cg",
        "Empty CG, from the datum",
        "length",
        lambda: ledger.empty.station,
        before=lambda: ledger.before.station_m,
        working=lambda: cg_station.working(ledger.empty.moment_kg_m, ledger.empty.mass_kg),
        ways=Ways("aft", "forward"),
    )
    return out.values


def loading_values(ledger: Ledger, limits: Limits, loadings: Loadings, before: LoadingsBefore) -> list[Value]:
    """Margins to the limits, the chance, the heaviest loading, and lead."""
    out = ValueList("balance")
    if loadings.limited:
        _margins(out, ledger, limits, loadings, before)
        return out.values
    out.add(
        "heaviest",
        "Heaviest loading",
        "mass",
        lambda: loadings.heaviest_mass,
        before=lambda: before.heaviest_mass,
        working=lambda: loaded_mass.working(ledger.empty.mass_kg, loadings.heaviest_mass - ledger.empty.mass_kg),
    )
    return out.values


def _margins(out: ValueList, ledger: Ledger, limits: Limits, loadings: Loadings, before: LoadingsBefore) -> None:
    if limits.limits.mac is not None:
        out.add(
            "percent-mac",
            "Empty CG, part of the MAC",
            "percent",
            lambda: percent_mac(ledger.empty.station_m, *limits.mac),
            before=lambda: percent_mac(ledger.before.station_m, *limits.mac),
            working=lambda: percent_mac.working(ledger.empty.station_m, *limits.mac),
        )
    for side, label in (("forward", "Worst forward margin, all loadings"), ("aft", "Worst aft margin, all loadings")):
        out.add(
            f"{side}-margin",
            label,
            "length",
            lambda s=side: loadings.worst(s)[1].margin(s),
            before=lambda s=side: min(c.worst(s).margin(s) for c in before.cases),
            working=lambda s=side: loadings.worst(s)[1].margin_working(s),
            ways=Ways("inside", "beyond"),
        )
    out.add(
        "chance-inside",
        "Chance inside the limits",
        "percent",
        lambda: chance_inside(*loadings.chance_terms),
        working=lambda: chance_inside.working(*loadings.chance_terms),
    )
    out.add(
        "heaviest",
        "Heaviest loading",
        "mass",
        lambda: loadings.heaviest[1].mass_kg,
        before=lambda: max(c.trail[-1].mass_kg for c in before.cases),
        working=lambda: loaded_mass.working(ledger.empty.mass_kg, loadings.heaviest[1].mass_kg - ledger.empty.mass_kg),
    )
    for id, side, label in (
        ("ballast", "forward", "Lead to just touch the forward limit"),
        ("ballast-aft", "aft", "Lead until the aft limit is touched"),
    ):
        out.add(
            id,
            label,
            "mass",
            lambda s=side: ballast_mass(*loadings.ballast_terms(s)),
            working=lambda s=side: ballast_mass.working(*loadings.ballast_terms(s)),
        )


def side_values(ledger: Ledger) -> list[Value]:
    """CG across and upwards."""
    out = ValueList("balance")
    out.add(
        "cg-butt-line",
        "Empty CG across",
        "length",
        lambda: ledger.empty_y.station,
        before=lambda: ledger.before_y.station_m,
        working=lambda: cg_butt_line.working(ledger.empty_y.moment_kg_m, ledger.empty_y.mass_kg),
        ways=Ways("to starboard", "to port"),
    )
    out.add(
        "cg-water-line",
        "Empty CG above the level line",
        "length",
        lambda: ledger.empty_z.station,
        before=lambda: ledger.before_z.station_m,
        working=lambda: cg_water_line.working(ledger.empty_z.moment_kg_m, ledger.empty_z.mass_kg),
    )
    return out.values


VALUES = (afloat_values, axle_values, cross_values, empty_values, loading_values, side_values)


# --- tables, each asked by itself


def derived_lines(resolved: Resolved) -> list[LedgerLine]:
    """Rows of the ledger that follow from the installations."""
    return [_line(b) for b in resolved.derived_rows]


def typed_lines(rows: Rows) -> list[LedgerLine]:
    """Rows that people typed."""
    return [_line(b) for b in rows.bodies]


def loading_table(loadings: Loadings) -> list[LoadingOut]:
    """Loadings after the work."""
    if loadings.limited:
        return or_none(lambda: _cases_out(loadings, *loadings.cases_and_gaps)) or []
    return or_none(lambda: _plain_out(loadings)) or []


def before_table(before: LoadingsBefore) -> list[LoadingOut]:
    """Loadings of the craft as found."""
    return (or_none(lambda: _cases_out(before, before.cases, {})) or []) if before.limited else []


def envelope_table(limits: Limits, loadings: Loadings) -> list[CasePoint]:
    """The CG limits as drawn."""
    outline = (or_none(lambda: limits.outline) or []) if loadings.limited else []
    return [CasePoint(mass_si=m, x_si=x) for m, x in outline]


def frontier_table(every: EveryLoading) -> list[FrontierOut]:
    """The edges of every loading that can be."""
    return (or_none(every.edges) or []) if every.loadings.limited and every.ranges_given else []


def afloat_table(afloat: AfloatStates) -> list[AfloatOut]:
    """States afloat."""
    return afloat_says.tables(afloat)


def axle_table(axles: Axles) -> list[AxlesOut]:
    """States on the wheels."""
    return axle_says.tables(axles)


def step_table(standing: Standing, resolved: Resolved) -> list[StepOut]:
    """Steps of the work on the supports."""
    return (or_none(standing.tables) or []) if resolved.has("scales") else []


def gross_table(limits: Limits) -> float | None:
    """Gross mass as entered."""
    return limits.limits.gross.si if limits.limits.gross else None


def _line(b: Body) -> LedgerLine:
    """A body as a row of the ledger."""
    mass, x, y, z = (m.value if isinstance(m, Traced) else None for m in (b.mass, b.x, b.y, b.z))
    source = next((o.source for o in b.mass.slopes), None) if isinstance(b.mass, Traced) else None
    return LedgerLine(b.id, b.name, b.kind, b.sign, b.pointer, b.derived, mass, x, y, z, source)


def _plain_out(loadings: Loadings) -> list[LoadingOut]:
    made, gaps = loadings.loads_and_gaps
    known = [LoadingOut(k, loadings.loads.name(k), c.mass_kg, c.station_m, None, None, [], []) for k, c in made.items()]
    return known + [_gap_out(loadings, k, list(g.needs)) for k, g in gaps.items()]


def _cases_out(loadings: Loadings, cases: list[LoadedCase], gaps: dict[str, CannotSay]) -> list[LoadingOut]:
    made = [
        LoadingOut(
            id=c.key,
            name=c.name,
            mass_si=c.trail[-1].mass_kg,
            x_si=c.trail[-1].x_m,
            forward_margin_si=c.worst("forward").forward_margin_m,
            aft_margin_si=c.worst("aft").aft_margin_m,
            trail=[CasePoint(mass_si=m, x_si=x) for m, x in c.curve()],
            needs=[],
        )
        for c in cases
    ]
    return made + [_gap_out(loadings, k, list(g.needs)) for k, g in gaps.items()]


def _gap_out(loadings: Loadings, key: str, needs: list[Gap]) -> LoadingOut:
    return LoadingOut(key, loadings.loads.name(key), None, None, None, None, [], needs)
