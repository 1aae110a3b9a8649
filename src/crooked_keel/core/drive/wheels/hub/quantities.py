"""A motor in the hub of one installation."""

from __future__ import annotations

from ....errors import ask_all
from ....figure.reads import Read, combined, read
from ....figure.trace import Uncertain
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...train.quantities import Train
from ..road.functions import wheel_torque
from ..road.quantities import OnRoad
from .functions import flat_pressure, spoke_pull


class HubMotor(Topic):
    """Its torque, its axle in the dropout, and the arm that holds it."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train, road: OnRoad) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.road = road
        self.hub = placed.installation.wheel.hub
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def fitted(self) -> bool:
        """Whether the motor sits in the hub."""
        return self.hub.motor == "in the hub" and self.train.electric

    def _read(self, part: str, what: str) -> Read:
        at = self.train.p(f"wheel/hub/{part}")
        return read(getattr(self.hub, part), at, f"{what} ({self.train.name})", self.school)

    @lazy
    def torque(self) -> float:
        """Torque of the wheel with shock, either way round, N·m. Raises CannotSay."""
        return wheel_torque(*self.road.wheel_terms) * self.road.shock

    @lazy
    def flats(self) -> tuple[Read, Read, Read]:
        """Thickness of the dropout, length of a flat, and the stress at which the dropout yields. Raises CannotSay."""
        return ask_all(
            lambda: self._read("dropout", "thickness of the dropout"),
            lambda: self._read("flat", "length of a flat of the axle"),
            lambda: self._read("yields", "stress at which the dropout yields"),
        )

    @lazy
    def used(self) -> Uncertain:
        """Pressure on the flats over the stress at which the dropout yields. Raises CannotSay."""
        torque, (thick, flat, yields) = ask_all(lambda: self.torque, lambda: self.flats)
        return combined(lambda t, b, y: flat_pressure(torque, t, b) / y, thick, flat, yields)

    @lazy
    def arm(self) -> Uncertain:
        """Times the torque that the torque arm holds. Raises CannotSay."""
        torque, long, holds = ask_all(
            lambda: self.torque,
            lambda: self._read("arm", "length of the torque arm, axle to where it is held"),
            lambda: self._read("arm_holds", "force that holds the end of the torque arm"),
        )
        return combined(lambda a, f: a * f / torque, long, holds)

    @property
    def laced(self) -> bool:
        """Whether anything was said of its spokes."""
        h = self.hub
        return any(f is not None for f in (h.laced, h.spokes, h.spoke_circle, h.spoke, h.spoke_yields))

    @lazy
    def spokes(self) -> tuple[Read, Read, Read, Read]:
        """How many, their circle in the hub, a spoke at its thinnest, and the stress at which it yields. Raises
        CannotSay."""
        return ask_all(
            lambda: self._read("spokes", "how many spokes the wheel has"),
            lambda: self._read("spoke_circle", "circle of the hub on which the spokes sit"),
            lambda: self._read("spoke", "a spoke across, at its thinnest"),
            lambda: self._read("spoke_yields", "stress at which the spokes yield"),
        )

    @lazy
    def spokes_used(self) -> Uncertain:
        """What the torque adds to a spoke over the stress at which it yields. Raises CannotSay."""
        torque, (count, circle, spoke, yields) = ask_all(lambda: self.torque, lambda: self.spokes)
        return combined(lambda n, c, d, y: spoke_pull(torque, n, c, d) / y, count, circle, spoke, yields)

    def values(self, out: ValueList) -> None:
        """The torque that turns the axle back."""
        if self.fitted and not self.placed.old:
            source = "peak torque through what is in the hub, with shock"
            out.add("hub-torque", "Turns its axle back with", "torque", lambda: self.torque, source=source)
