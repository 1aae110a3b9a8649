"""What the balance bench says of the loadings, and the loadings as drawn."""

from __future__ import annotations

from ...errors import CannotSay, Gap, or_none
from ...formula import record
from ...judging.finding import Value, Ways
from ...judging.values import ValueList
from ..ledger.functions import ballast_mass, chance_inside, loaded_mass, percent_mac
from ..ledger.quantities import Ledger
from ..limits.quantities import CraftLimits
from .every import CasePoint, EveryLoading, FrontierOut
from .quantities import LoadedCase, Loadings, LoadingsBefore


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


def loading_values(ledger: Ledger, limits: CraftLimits, loadings: Loadings, before: LoadingsBefore) -> list[Value]:
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


def _margins(out: ValueList, ledger: Ledger, limits: CraftLimits, loadings: Loadings, before: LoadingsBefore) -> None:
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
            ways=Ways("in", "out"),
        )


def loading_table(loadings: Loadings) -> list[LoadingOut]:
    """Loadings after the work."""
    if loadings.limited:
        return or_none(lambda: _cases_out(loadings, *loadings.cases_and_gaps)) or []
    return or_none(lambda: _plain_out(loadings)) or []


def before_table(before: LoadingsBefore) -> list[LoadingOut]:
    """Loadings of the craft as found."""
    return (or_none(lambda: _cases_out(before, before.cases, {})) or []) if before.limited else []


def envelope_table(limits: CraftLimits, loadings: Loadings) -> list[CasePoint]:
    """The CG limits as drawn."""
    outline = (or_none(lambda: limits.outline) or []) if loadings.limited else []
    return [CasePoint(mass_si=m, x_si=x) for m, x in outline]


def frontier_table(every: EveryLoading) -> list[FrontierOut]:
    """The edges of every loading that can be."""
    return (or_none(every.edges) or []) if every.loadings.limited and every.ranges_given else []


def gross_table(limits: CraftLimits) -> float | None:
    """Gross mass as entered."""
    return limits.limits.gross.si if limits.limits.gross else None


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
