"""Mount of one installation: its topics, headline values and tables."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ..errors import or_none
from ..formula import Out, record
from ..judging.finding import Value
from ..judging.values import ValueList
from ..resolved.craft import Resolved
from ..topic.reading import Topic
from .acting import Acting
from .face.quantities import OnFace
from .points.quantities import Points
from .swing.quantities import ArmOut, Swing


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


@record
class SwingOut:
    """A swinging unit in one case: compression of the shock, force on the unit at its pivot and its size, N."""

    id: str
    name: str
    source: str
    shock_si: float
    pivot_x_si: float
    pivot_z_si: float
    pivot_si: float


class MountOut(Out):
    """What the mount bench lists."""

    cases: list[CaseOut]
    points: list[PointOut]
    old_worst_si: float | None
    swing: list[SwingOut]
    arm: ArmOut | None


class MountTopics(NamedTuple):
    """The topics of the mount of one installation, each only where the craft has the form for it."""

    acting: Acting
    points: Points | None
    swing: Swing | None
    face: OnFace | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


def point_values(points: Points) -> list[Value]:
    """What hangs on the points, and the worst of them."""
    out = ValueList("mount")
    points.values(out)
    return out.values


def swing_values(swing: Swing) -> list[Value]:
    """Pivot and shock."""
    out = ValueList("mount")
    swing.values(out)
    return out.values


def face_values(face: OnFace) -> list[Value]:
    """The face of the gearbox."""
    out = ValueList("mount")
    face.values(out)
    return out.values


VALUES = (point_values, swing_values, face_values)


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


def swing_table(swing: Swing) -> tuple[list[SwingOut], ArmOut | None]:
    """A swinging unit in each case, and where its parts are."""
    cases = or_none(lambda: swing.swing_cases) or []
    made = [SwingOut(c.id, c.name, c.source, w.shock_n, *w.pivot_n, w.pivot_size_n) for c, w in cases]
    return made, or_none(lambda: swing.arm)
