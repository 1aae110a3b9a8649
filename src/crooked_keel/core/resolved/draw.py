"""One installation in the side view: box of the unit, flange, CG, packs. Shared by the benches that draw on it."""

from __future__ import annotations

from ..errors import or_none
from ..figure.trace import Traced
from ..formula import record
from ..reference.outlines import Point
from .installation import Local, ResolvedInstallation


@record
class PackShape:
    """A pack: its middle and its size, where they are known; key of the document."""

    id: str
    name: str
    x: float
    y: float | None
    z: float
    length: float | None
    width: float | None
    height: float | None


@record
class UnitShape:
    """The unit itself; blanks where it is not known."""

    box: list[Point]
    flange: Point | None
    cg: Point | None
    packs: list[PackShape]


def side(local: Local) -> Point:
    """A place in the side view."""
    return Point(x=local[0].value, z=local[2].value)


def turned(p: ResolvedInstallation, x: float, y: float, z: float) -> Point:
    """A place given from the output flange, with the unit as it is turned."""
    r = p.rotation
    return Point(x=p.flange[0].value + float(r[0] @ (x, y, z)), z=p.flange[2].value + float(r[2] @ (x, y, z)))


def unit(placed: ResolvedInstallation) -> UnitShape:
    """The unit of an installation."""
    return UnitShape(
        box=or_none(lambda: _box(placed)) or [],
        flange=or_none(lambda: side(placed.flange)),
        cg=or_none(lambda: side(placed.unit_cg)),
        packs=_packs(placed),
    )


def _box(p: ResolvedInstallation) -> list[Point]:
    unit = p.installation.unit
    if unit.length is None or unit.height is None or unit.box_up is None:
        return []
    base = p.unit_flange_local
    flat: list[Point] = []
    half, up, length, side = unit.height.si / 2, unit.box_up.along_m, unit.length.si, p.side
    first, last = 0.0, side * length
    if not side:
        if unit.box_aft is None:
            return []
        first, last = unit.box_aft.along_m - length / 2, unit.box_aft.along_m + length / 2
    for dx, dz in ((first, up - half), (last, up - half), (last, up + half), (first, up + half)):
        flat.append(turned(p, base[0].value + dx, base[1].value, base[2].value + dz))
    return flat


def _packs(p: ResolvedInstallation) -> list[PackShape]:
    size = lambda figure: figure.si if figure is not None else None
    made = []
    for b in p.parts:
        if b.id.startswith("pack-") and isinstance(b.x, Traced) and isinstance(b.z, Traced):
            key = b.id.removeprefix("pack-")
            pack = p.installation.packs[key]
            across = b.y.value if isinstance(b.y, Traced) else None
            made.append(
                PackShape(
                    key,
                    b.name,
                    b.x.value,
                    across,
                    b.z.value,
                    size(pack.length),
                    size(pack.width),
                    size(pack.height),
                )
            )
    return made
