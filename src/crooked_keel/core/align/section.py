"""Lines of one installation: the thrust line with its flange held here; shaft, coupling, sprockets and adapter in `lines`."""

from __future__ import annotations

import numpy as np

from ..errors import all_or_cannot_say
from ..figure.trace import need
from ..judging.finding import Value
from ..judging.formula import Out
from ..judging.gap import or_none
from ..judging.values import ValueList
from ..physics.geometry import Vector
from ..resolved.craft import Resolved
from ..resolved.installation import Local, ResolvedInstallation
from ..topic.lazy import lazy
from .lines import CouplingOut, Lines
from .thrust.functions import (
    Turned,
    firewall_distance,
    rear_clearance,
    rear_disc_reach,
    rear_port,
    rear_up,
    rotate_about_flange,
    tube_length,
)


class TubeOut(Out):
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
    """What the align bench lists and draws."""

    tubes: list[TubeOut]
    rear_up_si: float | None
    rear_port_si: float | None
    coupling: CouplingOut | None
    sprocket_angle: float | None
    sprocket_offset_si: float | None


def vector(local: Local) -> Vector:
    """Values of three traced numbers."""
    return np.array([t.value for t in local])


class AlignBench:
    """Quantities of the align bench. turns: turning direction at the propeller, from the drive bench."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, old: AlignBench | None = None) -> None:
        self.resolved = resolved
        self.placed = placed
        self.installation = placed.installation
        self.name = placed.name
        self.old = old
        self.lines = Lines(resolved, placed)

    @lazy
    def turned(self) -> Turned:
        """Mount points and tubes with the thrust line as set."""
        return self._turn(*(a.value for a in self.placed.angles))

    @lazy
    def straight(self) -> Turned:
        """The same with no down or right thrust."""
        return self._turn(0.0, 0.0)

    def _turn(self, down: float, right: float) -> Turned:
        p = self.placed
        all_or_cannot_say(lambda: p.mount_points, lambda: p.structure_points)
        flange, back = vector(p.flange), p.rotation.T
        square = {k: flange + back @ (vector(v) - flange) for k, v in p.mount_points.items()}
        return rotate_about_flange(
            flange, down, right, 0.0, square, {k: vector(v) for k, v in p.structure_points.items()}
        )

    @lazy
    def length(self) -> float:
        """From the output flange to the rear of the unit, along the shaft, m."""
        unit = self.installation.unit
        all_or_cannot_say(
            lambda: self.placed.unit_flange_local,
            lambda: need(unit.length, self.placed._p("unit/length"), f"length of the {self.name} behind its flange"),
        )
        assert unit.length is not None
        return self.placed.unit_flange_local[0].value + unit.length.si

    @lazy
    def firewall_distance(self) -> float:
        """From the output flange to the firewall, along the craft, m."""
        all_or_cannot_say(lambda: self.placed.flange, self.placed.references.firewall_x)
        return firewall_distance(*self._stations())

    def _stations(self) -> tuple[float, float]:
        """Stations of firewall and flange, m."""
        return self.placed.references.firewall_x().value, self.placed.flange[0].value

    @lazy
    def reach(self) -> float:
        """Nearest rim of the rear of the unit, aft of the flange, m."""
        unit = self.installation.unit
        all_or_cannot_say(
            lambda: self.length,
            lambda: self.placed.rotation,
            lambda: need(
                unit.rear_radius, self.placed._p("unit/rear_radius"), f"radius of the rear of the {self.name}"
            ),
        )
        assert unit.rear_radius is not None and unit.length is not None
        base = vector(self.placed.unit_flange_local) + np.array([unit.length.si, 0.0, 0.0])
        return rear_disc_reach(self.placed.rotation, base, unit.rear_radius.si)

    @lazy
    def rear_clearance(self) -> float:
        """From the nearest rim of the rear of the unit to the firewall, m."""
        all_or_cannot_say(lambda: self.firewall_distance, lambda: self.reach)
        return rear_clearance(self.firewall_distance, self.reach)

    def _tube(self, key: str) -> tuple[float, float, float]:
        """From a mount point to its firewall point, m."""
        x, y, z = (float(v) for v in vector(self.placed.structure_points[key]) - self.turned.moved[key])
        return x, y, z

    def values(self) -> list[Value]:
        """Headline values."""
        out = ValueList("align")
        if self.resolved.has("thrust line"):
            self._thrust_values(out)
        if self.resolved.has("coupling") and self.lines.asks("coupling"):
            self.lines.coupling_values(out)
        if self.resolved.has("shaft line"):
            self.lines.shaft_values(out, self.old.lines if self.old else None)
        self.lines.road_values(out)
        return out.values

    def _thrust_values(self, out: ValueList) -> None:
        old = self.old
        angles = lambda: (self.placed.angles[0].value, self.placed.angles[1].value)
        out.add(
            "firewall-distance",
            "Flange to firewall",
            "length",
            lambda: self.firewall_distance,
            before=(lambda: old.firewall_distance) if old else None,
            working=lambda: firewall_distance.working(*self._stations()),
        )
        out.add(
            "rear-up",
            "Rear of the unit goes up by",
            "length",
            lambda: self.rear_shift[0],
            working=lambda: rear_up.working(self.length, angles()[0]),
        )
        out.add(
            "rear-port",
            "Rear of the unit goes to port by",
            "length",
            lambda: self.rear_shift[1],
            working=lambda: rear_port.working(self.length, *angles()),
        )
        out.add(
            "rear-clearance",
            "Rear of the unit to firewall",
            "length",
            lambda: self.rear_clearance,
            before=(lambda: old.rear_clearance) if old else None,
            working=lambda: rear_clearance.working(self.firewall_distance, self.reach),
        )
        for key in self.placed.mount_keys:
            point = self.installation.mount.points[key]
            out.add(
                f"tube-{key}",
                f"Tube length, {point.name}",
                "length",
                lambda k=key: self.turned.tube_length_m[k],
                before=lambda k=key: self.straight.tube_length_m[k],
                working=lambda k=key: tube_length.working(*self._tube(k)),
            )

    @lazy
    def rear_shift(self) -> tuple[float, float]:
        """How far the rear of the unit goes up and to port, m."""
        all_or_cannot_say(lambda: self.length, lambda: self.placed.angles)
        down, right = (a.value for a in self.placed.angles)
        return rear_up(self.length, down), rear_port(self.length, down, right)

    def tables(self) -> AlignOut:
        """Tube table."""
        thrust, sprockets = self.resolved.has("thrust line"), self.resolved.has("sprockets")
        turned = (or_none(lambda: self.turned) if thrust else None) or Turned({}, {}, {})
        straight = (or_none(lambda: self.straight) if thrust else None) or Turned({}, {}, {})
        rows = []
        for key in self.placed.mount_keys if thrust else ():
            at, square = turned.moved.get(key), straight.moved.get(key)
            wall = vector(self.placed.structure_points[key]) if at is not None else None
            shift = at - square if at is not None and square is not None else None
            rows.append(TubeOut(
                id=key, name=self.installation.mount.points[key].name,
                x_si=_at(at, 0), y_si=_at(at, 1), z_si=_at(at, 2), aft_si=_at(shift, 0), starboard_si=_at(shift, 1), up_si=_at(shift, 2),
                firewall_y_si=_at(wall, 1), firewall_z_si=_at(wall, 2),
                length_si=turned.tube_length_m.get(key), straight_length_si=straight.tube_length_m.get(key),
            ))  # fmt: skip
        return AlignOut(
            tubes=rows,
            rear_up_si=or_none(lambda: self.rear_shift[0]) if thrust else None,
            rear_port_si=or_none(lambda: self.rear_shift[1]) if thrust else None,
            coupling=self.lines.coupling_out() if self.resolved.has("coupling") else None,
            sprocket_angle=or_none(lambda: self.lines.sprocket_line[0]) if sprockets else None,
            sprocket_offset_si=or_none(lambda: self.lines.sprocket_line[1]) if sprockets else None,
        )


def _at(v: Vector | None, i: int) -> float | None:
    return None if v is None else float(v[i])
