"""Lines of one installation: its topics, headline values and tables."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import or_none
from ..formula import Out, record
from ..judging.finding import Value
from ..judging.values import ValueList, said_by
from ..physics.geometry import Vector
from ..topic.reading import Topic
from ..topic.tables import Tables
from .chain.quantities import RoadLine
from .coupling.quantities import CouplingLine, CouplingOut
from .shaft.quantities import ShaftLine
from .thrust.functions import TurnedThrust
from .thrust.quantities import ThrustLine, vector


@record
class TubeOut:
    """One mount point: where it sits straight and turned, and the tube to its firewall point."""

    id: str
    name: str
    x_si: float | None
    y_si: float | None
    z_si: float | None
    up_si: float | None
    starboard_si: float | None
    aft_si: float | None
    firewall_y_si: float | None
    firewall_z_si: float | None
    length_si: float | None
    straight_length_si: float | None


class AlignOut(Out):
    """What the align bench lists and draws. side: +1 where the unit lies aft of its flange, −1 ahead of it; far_*: how
    its far end moves when it is turned about the flange."""

    tubes: list[TubeOut]
    side: int | None
    far_up_si: float | None
    far_port_si: float | None
    coupling: CouplingOut | None
    sprocket_angle: float | None
    sprocket_offset_si: float | None


NO_TUBES = AlignOut(
    tubes=[],
    side=None,
    far_up_si=None,
    far_port_si=None,
    coupling=None,
    sprocket_angle=None,
    sprocket_offset_si=None,
)


class AlignTopics(NamedTuple):
    """The topics of the lines of one installation, each only where the craft has the form for it."""

    thrust: ThrustLine | None
    coupling: CouplingLine | None
    shaft: ShaftLine | None
    chain: RoadLine

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


def coupling_values(coupling: CouplingLine) -> list[Value]:
    """The coupling and the feet."""
    out = ValueList("align")
    if coupling.asks("coupling"):
        coupling.values(out)
    return out.values


VALUES = (said_by("align", ThrustLine), coupling_values, said_by("align", ShaftLine), said_by("align", RoadLine))


def tube_table(thrust: ThrustLine) -> AlignOut:
    """The tubes of the mount, straight and turned."""
    turned = or_none(lambda: thrust.turned) or TurnedThrust({}, {}, {})
    straight = or_none(lambda: thrust.straight) or TurnedThrust({}, {}, {})
    rows = []
    for key in thrust.placed.mount_keys:
        at, square = turned.moved.get(key), straight.moved.get(key)
        wall = vector(thrust.placed.structure_points[key]) if at is not None else None
        shift = at - square if at is not None and square is not None else None
        rows.append(
            TubeOut(
                id=key,
                name=thrust.mount.points[key].name,
                x_si=_at(at, 0),
                y_si=_at(at, 1),
                z_si=_at(at, 2),
                aft_si=_at(shift, 0),
                starboard_si=_at(shift, 1),
                up_si=_at(shift, 2),
                firewall_y_si=_at(wall, 1),
                firewall_z_si=_at(wall, 2),
                length_si=turned.tube_length_m.get(key),
                straight_length_si=straight.tube_length_m.get(key),
            )
        )
    return AlignOut(
        tubes=rows,
        side=or_none(lambda: thrust.placed.side),
        far_up_si=or_none(lambda: thrust.rear_shift[0] * thrust.placed.side),
        far_port_si=or_none(lambda: thrust.rear_shift[1] * thrust.placed.side),
        coupling=None,
        sprocket_angle=None,
        sprocket_offset_si=None,
    )


def coupling_table(coupling: CouplingLine) -> CouplingOut | None:
    """The coupling as drawn."""
    return coupling.coupling_out()


def sprocket_table(chain: RoadLine) -> tuple[float, float] | None:
    """Angle and offset of the sprockets: rad, m."""
    return or_none(lambda: chain.sprocket_line) if chain.resolved.has("sprockets") else None


def _at(v: Vector | None, i: int) -> float | None:
    return None if v is None else float(v[i])


def listed(ask: Tables) -> AlignOut:
    """What the bench lists and draws of one installation."""
    angle, offset = ask(sprocket_table) or (None, None)
    more = {"coupling": ask(coupling_table), "sprocket_angle": angle, "sprocket_offset_si": offset}
    return (ask(tube_table) or NO_TUBES).model_copy(update=more)
