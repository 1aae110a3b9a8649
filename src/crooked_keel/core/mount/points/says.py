"""Load cases and points as the mount bench lists them."""

from __future__ import annotations

import numpy as np

from ...errors import or_none
from ...formula import record
from ...resolved.craft import Resolved
from .quantities import Points


@record
class PointLoad:
    """Load of the engine on one point in one case, N: aft, starboard, up; along the tubes' side pull is forward."""

    point: str
    x_si: float
    y_si: float
    z_si: float
    size_si: float


@record
class CaseOut:
    """One load case with the load on every point; None where it cannot be said."""

    id: str
    name: str
    kind: str
    source: str
    n_x: float | None
    n_y: float | None
    n_z: float | None
    points: list[PointLoad]
    worst_si: float | None
    closure: float | None


@record
class PointOut:
    """One point: worst load of all cases, its case, the least reserve factor and the same of the old unit."""

    id: str
    name: str
    worst_si: float | None
    worst_case: str | None
    pull_si: float | None
    push_si: float | None
    shear_si: float | None
    reserve: float | None
    x_si: float | None
    y_si: float | None
    z_si: float | None
    structure_y_si: float | None
    structure_z_si: float | None


def case_table(points: Points) -> list[CaseOut]:
    """Every load case with the load on each point; blanks where it cannot be said."""
    shared = or_none(lambda: points.shared)
    columns = shared[0] if shared else {}
    loads = shared[2].load_n.tolist() if shared else []
    sizes = points.sizes.tolist() if shared else []
    made = []
    for case in points.acting.table:
        pick = columns.get(case.id, [])
        listed = []
        for row, key in enumerate(points.placed.mount_keys if pick else []):
            column = max(pick, key=sizes[row].__getitem__)
            x, y, z = (axis[column] for axis in loads[row])
            listed.append(PointLoad(key, x, y, z, sizes[row][column]))
        worst = max((p.size_si for p in listed), default=None)
        closure = points.closure(case.id) if pick else None
        acting = points.acting
        x, y, z = (or_none(lambda c=case, n=n: n(c)) for n in (acting.n_x, acting.n_y, acting.n_z))
        made.append(CaseOut(case.id, case.name, case.kind, case.source, x, y, z, listed, worst, closure))
    return made


def point_table(points: Points, resolved: Resolved) -> list[PointOut]:
    """Every point with its worst load and least reserve."""
    shared = or_none(lambda: points.shared)
    tied = resolved.has("firewall") or resolved.has("bed")
    made = []
    for row, key in enumerate(points.placed.mount_keys):
        pull = push = shear = size = reserve = None
        at = or_none(lambda k=key: points.placed.mount_point(k))
        held = or_none(lambda k=key: points.placed.structure_point(k)) if tied else None
        name = None
        if shared and shared[0]:
            loads = shared[2].load_n[row]
            pull, push = max(0.0, float(-loads[0].min())), max(0.0, float(loads[0].max()))
            shear = float(np.hypot(loads[1], loads[2]).max())
            column = int(np.argmax(points.sizes[row]))
            size = float(points.sizes[row, column])
            name = next(c.name for c in points.acting.table if c.id in shared[0] and column in shared[0][c.id])
            reserve = points.reserves[key][0] if key in points.reserves else None
        made.append(
            PointOut(
                id=key,
                name=points.mount.points[key].name,
                worst_si=size,
                worst_case=name,
                pull_si=pull,
                push_si=push,
                shear_si=shear,
                reserve=reserve,
                x_si=at[0].value if at else None,
                y_si=at[1].value if at else None,
                z_si=at[2].value if at else None,
                structure_y_si=held[1].value if held else None,
                structure_z_si=held[2].value if held else None,
            )
        )
    return made


def old_table(points: Points) -> float | None:
    """The worst load of the old unit on a point, N."""
    old = points.old
    return or_none(lambda: old.worst[2]) if old else None
