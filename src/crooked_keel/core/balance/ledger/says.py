"""What the balance bench says of the empty craft, and the ledger as drawn."""

from __future__ import annotations

from ...figure.trace import Traced
from ...formula import record
from ...judging.finding import BUTT_LINE, STATION, WATER_LINE, Value
from ...judging.values import ValueList
from ...resolved.craft import Resolved
from ...resolved.references import Body
from ...resolved.rows import Rows
from .functions import cg_butt_line, cg_station, cg_water_line, empty_mass
from .quantities import Ledger


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
        ways=STATION,
    )
    return out.values


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
        ways=BUTT_LINE,
    )
    out.add(
        "cg-water-line",
        "Empty CG, from the level line",
        "length",
        lambda: ledger.empty_z.station,
        before=lambda: ledger.before_z.station_m,
        working=lambda: cg_water_line.working(ledger.empty_z.moment_kg_m, ledger.empty_z.mass_kg),
        ways=WATER_LINE,
    )
    return out.values


def derived_lines(resolved: Resolved) -> list[LedgerLine]:
    """Rows of the ledger that follow from the installations."""
    return [_line(b) for b in resolved.derived_rows]


def typed_lines(rows: Rows) -> list[LedgerLine]:
    """Rows that people typed."""
    return [_line(b) for b in rows.bodies]


def _line(b: Body) -> LedgerLine:
    """A body as a row of the ledger."""
    mass, x, y, z = (m.value if isinstance(m, Traced) else None for m in (b.mass, b.x, b.y, b.z))
    source = next((o.source for o in b.mass.slopes), None) if isinstance(b.mass, Traced) else None
    return LedgerLine(b.id, b.name, b.kind, b.sign, b.pointer, b.derived, mass, x, y, z, source)
