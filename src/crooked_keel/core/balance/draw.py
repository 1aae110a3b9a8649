"""What the balance bench draws on the profile: CG, limits, tanks, spaces, waterlines, freeboards, the stand."""

from __future__ import annotations

from ..errors import or_none
from ..formula import record
from ..reference.outlines import Point
from ..resolved.craft import Resolved
from ..resolved.loads import Loads
from .afloat.quantities import EMPTY, AfloatStates
from .afloat.says import state_drawn
from .ledger.functions import Centre
from .ledger.quantities import Ledger
from .limits.quantities import CraftLimits
from .loadings.quantities import Loadings
from .standing.supports import OnSupports
from .stowage.functions import space_sides
from .wheels.quantities import Axles


@record
class SpaceShape:
    """A space for packs that is closed on the side view."""

    id: str
    name: str
    x0: float
    x1: float
    z0: float
    z1: float


@record
class FreeboardShape:
    """Freeboard at a station of the sheer, empty, before and after; port and starboard as one by their mean."""

    x: float
    z: float
    before_si: float
    after_si: float


@record
class CgShape:
    """A CG with two standard deviations along each axis; y is None where it cannot be said."""

    x: float
    y: float | None
    z: float
    plus_minus: float | None
    plus_minus_y: float | None
    plus_minus_z: float | None


def cg_before(ledger: Ledger) -> CgShape | None:
    """CG of the empty craft as found."""
    return or_none(lambda: _cg(ledger.before, or_none(lambda: ledger.before_y), or_none(lambda: ledger.before_z)))


def cg_after(ledger: Ledger, resolved: Resolved) -> CgShape | None:
    """CG of the empty craft after the work."""
    if not resolved.fit_id:
        return None
    return or_none(lambda: _cg(ledger.empty, or_none(lambda: ledger.empty_y), or_none(lambda: ledger.empty_z)))


def _cg(along: Centre, across: Centre | None, up: Centre | None) -> CgShape:
    y, z = across.station if across else None, up.station if up else None
    return CgShape(
        x=along.station_m,
        y=y.value if y else None,
        z=z.value if z else 0.0,
        plus_minus=2 * along.station.u,
        plus_minus_y=2 * y.u if y else None,
        plus_minus_z=2 * z.u if z else None,
    )


def limits_at_empty(limits: CraftLimits, ledger: Ledger, loadings: Loadings) -> list[float]:
    """Forward and aft limit at the mass of the empty craft."""
    if not loadings.limited:
        return []

    def ask() -> list[float]:
        cut = limits.envelope.cut(ledger.empty.mass_kg)
        if cut is None:
            masses = limits.envelope.masses_kg
            cut = limits.envelope.cut(min(max(ledger.empty.mass_kg, masses[0]), masses[-1]))
        return [cut.forward_m, cut.aft_m] if cut else []

    return or_none(ask) or []


def loads_before(supports: OnSupports) -> dict[str, float]:
    """Mass on each support as found, by its name."""
    return or_none(lambda: dict(supports.before)) or {}


def loads_after(supports: OnSupports) -> dict[str, float]:
    """The same after the work."""
    return or_none(lambda: dict(supports.after)) or {}


def tanks(loads: Loads) -> list[Point]:
    """The craft's own tanks, where both places are known."""
    made = []
    place = loads.references.place
    for _, pointer, tank in loads.tanks(False):
        x = or_none(lambda t=tank, p=pointer: place(t.station, f"{p}/station", "tank", "x").value)
        z = or_none(lambda t=tank, p=pointer: place(t.water_line, f"{p}/water_line", "tank", "z").value)
        if x is not None and z is not None:
            made.append(Point(x=x, z=z))
    return made


def spaces(resolved: Resolved) -> list[SpaceShape]:
    """Spaces of the fit that have ends, floor and lid."""
    return or_none(lambda: _spaces(resolved)) or []


def _spaces(resolved: Resolved) -> list[SpaceShape]:
    fit = resolved.fit
    made = []
    for key, space in sorted((fit.spaces if fit else {}).items(), key=lambda s: s[1].rank):
        base = f"/fits/{resolved.fit_id}/spaces/{key}"
        (x0, x1), (z0, z1) = (space_sides(resolved, space, base, axis) for axis in ("x", "z"))
        if x0 is not None and x1 is not None and z0 is not None and z1 is not None:
            made.append(SpaceShape(key, space.name, x0, x1, z0, z1))
    return made


def freeboards(afloat: AfloatStates) -> list[FreeboardShape]:
    """Marks of one station taken together, bow first."""
    return or_none(lambda: _freeboards(afloat)) or []


def _freeboards(afloat: AfloatStates) -> list[FreeboardShape]:
    places = {k: afloat.floating.mark_at(k, m) for k, m in afloat.floating.marks}
    together: dict[float, list[tuple[float, float, float]]] = {}
    for mark in afloat.marks("empty"):
        x, _, sheer = places[mark.id]
        together.setdefault(round(x.value, 2), []).append((sheer.value, mark.before_si, mark.after_si))
    mean = lambda rows, k: sum(r[k] for r in rows) / len(rows)
    return [FreeboardShape(x, mean(rows, 0), mean(rows, 1), mean(rows, 2)) for x, rows in sorted(together.items())]


@record
class Waterline:
    """The waterline of the empty craft: height at the centre of flotation, slope going aft, station of that centre;
    None where unknown."""

    height_m: float
    slope: float
    lcf_m: float

    def over(self, first_m: float, last_m: float) -> list[Point]:
        """Its ends over a span."""
        return [Point(x=x, z=self.height_m + self.slope * (x - self.lcf_m)) for x in (first_m, last_m)]


def waterlines(afloat: AfloatStates) -> tuple[Waterline | None, Waterline | None]:
    """The waterline before and after."""
    state = state_drawn(afloat, EMPTY)
    lcf = or_none(lambda: afloat.floating.lcf)

    def line(height: float | None, slope: float | None) -> Waterline | None:
        return None if height is None or slope is None or lcf is None else Waterline(height, slope, lcf)

    return (
        line(state.water_at_lcf_before_si, state.water_slope_before),
        line(state.water_at_lcf_si, state.water_slope),
    )


def stand(axles: Axles) -> Point | None:
    """The stand of a two-wheeler."""
    if not axles.resolved.has("wheels in line"):
        return None
    return or_none(lambda: Point(x=axles.stand, z=axles.wheels.ground_m))
