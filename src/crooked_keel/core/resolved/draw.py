"""One installation in the side view: box of the unit, flange, CG, packs. Shared by the benches that draw on it."""

from __future__ import annotations

from ..document import PowerUnit
from ..errors import or_none
from ..figure.trace import Traced
from ..formula import record
from ..reference.outlines import Point
from ..reference.silhouettes import silhouette
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
    """The unit itself; blanks where it is not known. silhouette: lines by which its sort is told, within its box."""

    box: list[Point]
    silhouette: list[list[Point]]
    flange: Point | None
    cg: Point | None
    packs: list[PackShape]


def side(local: Local) -> Point:
    """A place in the side view."""
    return Point(x=local[0].value, z=local[2].value)


def turned(p: ResolvedInstallation, x: float, y: float, z: float) -> Point:
    """A place given from the output flange, with the unit as it is turned."""
    (ax, ay, az), _, (ux, uy, uz) = p.turn
    return Point(x=p.flange[0].value + ax * x + ay * y + az * z, z=p.flange[2].value + ux * x + uy * y + uz * z)


def unit(placed: ResolvedInstallation) -> UnitShape:
    """The unit of an installation."""
    return UnitShape(
        box=or_none(lambda: _box(placed)) or [],
        silhouette=or_none(lambda: _silhouette(placed)) or [],
        flange=or_none(lambda: side(placed.flange)),
        cg=or_none(lambda: side(placed.unit_cg)),
        packs=_packs(placed),
    )


def local_box(unit: PowerUnit, side: int) -> tuple[float, float, float, float] | None:
    """Ends of a unit from its output flange, along its shaft (the end at the flange first) and up, m; None where they
    are not known. side: on which side of its flange it lies, 0 across."""
    if unit.length is None or unit.height is None or unit.box_up is None:
        return None
    half, up, length = unit.height.si / 2, unit.box_up.along_m, unit.length.si
    if side:
        return 0.0, side * length, up - half, up + half
    if unit.box_aft is None:
        return None
    return unit.box_aft.along_m + length / 2, unit.box_aft.along_m - length / 2, up - half, up + half


def local_silhouette(unit: PowerUnit, side: int) -> list[list[Point]]:
    """The lines of a unit from its output flange, its shaft level, m; none where its box is not known."""
    ends = local_box(unit, side)
    if ends is None:
        return []
    x0, x1, z0, z1 = ends
    lines = silhouette(unit.kind, unit.layout, round(unit.cylinders.si) if unit.cylinders is not None else None)
    return [[Point(x=x0 + (x1 - x0) * a, z=z0 + (z1 - z0) * u) for a, u in line] for line in lines]


def _turned_from_its_flange(p: ResolvedInstallation, points: list[Point]) -> list[Point]:
    base = p.unit_flange_local
    return [turned(p, base[0].value + q.x, base[1].value, base[2].value + q.z) for q in points]


def _box(p: ResolvedInstallation) -> list[Point]:
    ends = local_box(p.installation.unit, p.side)
    if ends is None:
        return []
    x0, x1, z0, z1 = ends
    low, high = min(x0, x1), max(x0, x1)
    if p.side:
        low, high = x0, x1
    corners = [Point(x=low, z=z0), Point(x=high, z=z0), Point(x=high, z=z1), Point(x=low, z=z1)]
    return _turned_from_its_flange(p, corners)


def _silhouette(p: ResolvedInstallation) -> list[list[Point]]:
    return [_turned_from_its_flange(p, line) for line in local_silhouette(p.installation.unit, p.side)]


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
