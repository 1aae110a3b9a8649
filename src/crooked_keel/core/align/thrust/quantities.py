"""The thrust line of one installation."""

from __future__ import annotations

import numpy as np

from ...errors import ask_all, or_none
from ...figure.trace import need
from ...judging.finding import BUTT_LINE, WATER_LINE, Ways
from ...judging.values import ValueList
from ...physics.geometry import Vector
from ...resolved.installation import Local, ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from .functions import (
    TurnedThrust,
    firewall_distance,
    rear_clearance,
    rear_disc_reach,
    rear_port,
    rear_up,
    rotate_about_flange,
    tube_length,
)


class ThrustLine(Topic):
    """The thrust line, turned about a flange that is held."""

    only_of = "thrust line"

    def __init__(self, placed: ResolvedInstallation, old: Replaced[ThrustLine]) -> None:
        self.placed = placed
        self.unit = placed.installation.unit
        self.mount = placed.installation.mount
        self.name = placed.name
        self.old = old

    @lazy
    def turned(self) -> TurnedThrust:
        """Mount points and tubes with the thrust line as set."""
        return self._turn(*(a.value for a in self.placed.angles))

    @lazy
    def straight(self) -> TurnedThrust:
        """The same with no down or right thrust."""
        return self._turn(0.0, 0.0)

    def _turn(self, down: float, right: float) -> TurnedThrust:
        p = self.placed
        ask_all(lambda: p.mount_points, lambda: p.structure_points)
        flange, back = vector(p.flange), p.rotation.T
        square = {k: flange + back @ (vector(v) - flange) for k, v in p.mount_points.items()}
        return rotate_about_flange(
            flange, down, right, 0.0, square, {k: vector(v) for k, v in p.structure_points.items()}
        )

    @lazy
    def length(self) -> float:
        """From the output flange to the far end of the unit, along the shaft, m."""
        unit = self.unit
        ask_all(
            lambda: self.placed.unit_flange_local,
            lambda: need(unit.length, self.placed.p("unit/length"), f"length of the {self.name} from its flange"),
        )
        assert unit.length is not None
        return abs(self.placed.unit_flange_local[0].value) + unit.length.si

    @lazy
    def firewall_distance(self) -> float:
        """From the output flange to the firewall, along the craft, m."""
        ask_all(lambda: self.placed.flange, self.placed.references.firewall_x, lambda: self.placed.side)
        return firewall_distance(*self._stations())

    def _stations(self) -> tuple[float, float, float]:
        """Side on which the unit lies; stations of firewall and flange, m."""
        return float(self.placed.side), self.placed.references.firewall_x().value, self.placed.flange[0].value

    @lazy
    def reach(self) -> float:
        """Nearest rim of the far end of the unit, from the flange, m."""
        unit = self.unit
        ask_all(
            lambda: self.length,
            lambda: self.placed.rotation,
            lambda: need(
                unit.rear_radius, self.placed.p("unit/rear_radius"), f"radius of the far end of the {self.name}"
            ),
        )
        assert unit.rear_radius is not None and unit.length is not None
        side = self.placed.side
        base = vector(self.placed.unit_flange_local) + np.array([side * unit.length.si, 0.0, 0.0])
        return rear_disc_reach(self.placed.rotation, base, unit.rear_radius.si, side)

    @lazy
    def rear_clearance(self) -> float:
        """From the nearest rim of the far end of the unit to the firewall, m."""
        ask_all(lambda: self.firewall_distance, lambda: self.reach)
        return rear_clearance(self.firewall_distance, self.reach)

    def _tube(self, key: str) -> tuple[float, float, float]:
        """From a mount point to its firewall point, m."""
        x, y, z = (float(v) for v in vector(self.placed.structure_points[key]) - self.turned.moved[key])
        return x, y, z

    def values(self, out: ValueList) -> None:
        """Headline values."""
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
            "Far end of the unit, height",
            "length",
            lambda: self.rear_shift[0],
            working=lambda: rear_up.working(self.length, angles()[0]),
            ways=self.up_or_down,
        )
        out.add(
            "rear-port",
            "Far end of the unit, sideways",
            "length",
            lambda: self.rear_shift[1],
            working=lambda: rear_port.working(self.length, *angles()),
            ways=self.port_or_starboard,
        )
        out.add(
            "rear-clearance",
            "Unit to firewall",
            "length",
            lambda: self.rear_clearance,
            before=(lambda: old.rear_clearance) if old else None,
            working=lambda: rear_clearance.working(self.firewall_distance, self.reach),
        )
        for key in self.placed.mount_keys:
            point = self.mount.points[key]
            out.add(
                f"tube-{key}",
                f"Tube length, {point.name}",
                "length",
                lambda k=key: self.turned.tube_length_m[k],
                before=lambda k=key: self.straight.tube_length_m[k],
                working=lambda k=key: tube_length.working(*self._tube(k)),
            )

    @property
    def pushes(self) -> bool:
        """Whether the unit lies ahead of its flange; not where nothing says so."""
        return or_none(lambda: self.placed.pushes) is True

    @property
    def up_or_down(self) -> Ways:
        """What the sign of the far end's height is called: the end of a pusher sinks with down thrust."""
        return Ways("down", "up") if self.pushes else WATER_LINE

    @property
    def port_or_starboard(self) -> Ways:
        """What the sign of its way sideways is called."""
        return BUTT_LINE if self.pushes else Ways("to port", "to starboard")

    @lazy
    def rear_shift(self) -> tuple[float, float]:
        """How far the far end of the unit goes up and to port of a tractor, down and to starboard of a pusher, m."""
        ask_all(lambda: self.length, lambda: self.placed.angles, lambda: self.placed.side)
        down, right = (a.value for a in self.placed.angles)
        return rear_up(self.length, down), rear_port(self.length, down, right)


def vector(local: Local) -> Vector:
    """Values of three traced numbers."""
    return np.array([t.value for t in local])
