"""What one marine propeller takes of its unit, and pushes, at a speed of the boat."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple

import numpy as np

from ....errors import CannotSay, Gap, ask_all, fields
from ....figure.trace import above_zero, need
from ....physics.screws import Array, Screw, turned, within
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...handed import Sheet, TorqueCurve
from ...train.functions import last_fall
from ...train.quantities import Train
from ..marine.quantities import AtSea
from .functions import wake

State = Literal["full", "governed", "held down"]
# Sea water. Proposed.
SEA_KG_M3 = 1025.0
# Of a displacement hull the thrust lost to the suction on her stern, beside the wake; none of one that planes.
# Common practice, no source.
SUCTION = 0.8
_PLACES = 33


class HeldSpeed(NamedTuple):
    """Where unit and propeller agree at a speed of the boat: speed of the unit, rad/s, thrust, N. state: whether the
    unit runs into its governor, or is held down below its curve."""

    state: State
    speed: float
    thrust: float


class Pushing(Topic):
    """One unit with its marine propeller in the water that comes to it, full throttle."""

    def __init__(
        self, resolved: Resolved, placed: ResolvedInstallation, train: Train, sea: AtSea, sheet: Sheet
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.sea = sea
        self.sheet = sheet
        self.propeller = placed.installation.propeller
        self.trial = resolved.project.craft.trial

    def p(self, path: str) -> str:
        """Pointer of a part of the installation."""
        return f"{self.train.pointer}/{path}"

    @property
    def count(self) -> int:
        """Propellers of this fit, or of the old installations."""
        return max(len(self.resolved.old if self.placed.old else self.resolved.installations), 1)

    @property
    def planes(self) -> bool:
        """Whether she planes. Raises CannotSay."""
        if self.trial.regime is None:
            raise CannotSay(Gap("/craft/trial/regime", "whether she planes"))
        return self.trial.regime == "planing"

    @lazy
    def screw(self) -> Screw:
        """The propeller, as the series has it. Raises CannotSay, InputError."""
        name, said = self.train.name, self.propeller
        size, pitch, area, blades = ask_all(
            lambda: self.sea.diameter,
            lambda: self.sea.pitch,
            lambda: above_zero(said.area, self.p("propeller/area"), f"area of the blades over the disc ({name})"),
            lambda: need(said.blades, self.p("propeller/blades"), f"number of blades ({name})").si,
        )
        at = {k: self.p(f"propeller/{k}") for k in ("blades", "area", "pitch")}
        with fields(**at):
            return within(Screw(size, pitch / size, area, int(blades)))

    @lazy
    def wake(self) -> float:
        """How much slower the water at the propeller is than the boat, as a share. Raises CannotSay, InputError."""
        if self.trial.wake is not None:
            return self.trial.wake.si
        planes, speed = ask_all(lambda: self.planes, lambda: self.before_m_s)
        block = self.resolved.project.craft.flotation.block
        if not planes:
            need(block, "/craft/flotation/block", "block coefficient, for the wake")
        return wake(planes, block.si if block is not None else None, self.count > 1, speed)

    @lazy
    def comes(self) -> float:
        """Speed of the water along the shaft over that of the boat: the wake, and the slope of the shaft of a boat that
        runs level. Raises CannotSay, InputError."""
        wake, shaft = ask_all(lambda: self.wake, lambda: self.placed.shaft)
        return (1 - wake) * math.cos(shaft[0])

    @property
    def suction(self) -> float:
        """Thrust lost to the suction on the stern, as a share."""
        return 0.0 if self.planes else SUCTION * self.wake

    @lazy
    def before_m_s(self) -> float:
        """Her speed at full power before, m/s. Raises CannotSay."""
        return above_zero(self.trial.speed, "/craft/trial/speed", "speed at full power before the work")

    @lazy
    def curve(self) -> TorqueCurve:
        """Full throttle by its sheet. Raises CannotSay, InputError."""
        return self.sheet.curve

    @lazy
    def speeds(self) -> Array:
        """Speeds of the unit at which both are looked at, rad/s."""
        return np.linspace(self.curve.slowest_rad_s, self.curve.fastest_rad_s, _PLACES)

    @lazy
    def given(self) -> Array:
        """Torque at the propeller, N·m, at every speed, losses taken."""
        _, ratio, passed = ask_all(lambda: self.curve, lambda: self.train.ratio, lambda: self.train.efficiency)
        return np.array([self.curve.torque_at(float(s)) for s in self.speeds]) * ratio * passed

    def held(self, boat_m_s: float, screw: Screw) -> HeldSpeed:
        """Where unit and propeller agree at a speed of the boat. Raises CannotSay, InputError."""
        given, ratio, inflow = self.given, self.train.ratio, boat_m_s * self.comes
        made = turned(screw, self.speeds / ratio, inflow, SEA_KG_M3)
        spare = given - made.torque
        i = last_fall(spare)
        if spare[-1] > 0 or i is None:
            state: State = "governed" if spare[-1] > 0 else "held down"
            end = -1 if state == "governed" else 0
            return HeldSpeed(state, float(self.speeds[end]), float(made.thrust[end]))
        # Both between two of the speeds: so near each other that a straight line will do.
        share = float(spare[i] / (spare[i] - spare[i + 1]))
        between = lambda a: float(a[i] + share * (a[i + 1] - a[i]))
        return HeldSpeed("full", between(self.speeds), between(made.thrust))

    def like(self, other: Pushing) -> bool:
        """Whether another unit and propeller give the same. Raises CannotSay, InputError."""
        mine, yours = ask_all(
            lambda: (self.screw, self.train.ratio, self.given),
            lambda: (other.screw, other.train.ratio, other.given),
        )
        return mine[:2] == yours[:2] and bool(np.allclose(mine[2], yours[2])) and self.comes == other.comes
