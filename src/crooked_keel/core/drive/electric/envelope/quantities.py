"""The envelope of one electric unit."""

from __future__ import annotations

import numpy as np

from ....errors import CannotSay, Gap, InputError, ask_all
from ....figure.reads import Read, read
from ....figure.trace import above_zero, need
from ....formula import record
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...train.quantities import Train
from ..battery.quantities import OnBattery
from .functions import Ends, Gives, MotorFigures, gives, torque_of

_PLACES = 61
# Volts are given to about so much where nobody says otherwise; a peak torque may differ from its ampere's. Proposed.
AGREE = 0.15


@record
class EnvelopeOut:
    """Torque by speed, full and as the packs stand at their named voltage, rad/s, N·m, with what ends it at each speed
    of the full ones; the torque that its sheet promises, and what is asked of it steadily."""

    speeds_si: list[float]
    full_si: list[float]
    named_si: list[float]
    ends: list[Ends]
    lasting_si: float | None
    rated_si: float | None


class MotorEnvelope(Topic):
    """Torque at every speed by phase current, battery current and voltage."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train, battery: OnBattery) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.battery = battery
        self.unit = placed.installation.unit
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def begun(self) -> bool:
        """Whether somebody spoke of its winding, of what it takes at no load, or of how far its packs sag."""
        spoken = (self.unit.winding, self.unit.idle_current, *(p.resistance for _, p in self.battery.packs))
        return any(f is not None for f in spoken)

    def _of(self, part: str, what: str, zero: bool = False) -> float:
        at, words = self.train.p(f"unit/{part}"), f"{what} of the {self.train.name}"
        figure = getattr(self.unit, part)
        return need(figure, at, words).si if zero else above_zero(figure, at, words)

    @lazy
    def packs_ohm(self) -> float:
        """Resistance of the packs as they are joined, Ω. Raises CannotSay."""
        packs = self.battery.packs
        if not packs:
            raise CannotSay(Gap(self.train.p("packs"), f"a battery pack for the {self.train.name}"))
        each = ask_all(
            *(
                lambda k=k, p=p: need(p.resistance, self.train.p(f"packs/{k}/resistance"), f"resistance of {p.name}").si
                for k, p in packs
            )
        )
        if self.battery.joined == "in a row" or len(each) == 1:
            return float(sum(each))
        return 0.0 if min(each) <= 0 else float(1 / sum(1 / r for r in each))

    def motor(self, open_v: float) -> MotorFigures:
        """It with its packs at a voltage. Raises CannotSay."""
        one, winding, idle, phase, battery, packs = ask_all(
            lambda: self._of("unloaded", "speed of one volt, no load,"),
            lambda: self._of("winding", "resistance of the winding", zero=True),
            lambda: self._of("idle_current", "current at no load", zero=True),
            lambda: self._of("phase_current", "greatest phase current"),
            lambda: self.battery.current,
            lambda: self.packs_ohm,
        )
        return MotorFigures(one, winding, idle, phase, battery, open_v, packs)

    @lazy
    def full(self) -> MotorFigures:
        """With its packs full. Raises CannotSay."""
        return self.motor(self._open(self.battery.full_voltage, "full_voltage"))

    def _open(self, volts: float, part: str) -> float:
        """A voltage of the packs. Raises InputError where there is none."""
        if volts <= 0:
            key = self.battery.packs[0][0]
            raise InputError(
                self.train.p(f"packs/{key}/{part}"),
                "packs without a voltage turn nothing",
                given="0",
                allowed="above 0",
            )
        return volts

    @lazy
    def named(self) -> MotorFigures:
        """With its packs at their named voltage. Raises CannotSay."""
        return self.motor(self._open(self.battery.voltage, "voltage"))

    @lazy
    def at_rest(self) -> Gives:
        """What it gives standing, packs full. Raises CannotSay."""
        made = gives(self.full, 0.0)
        assert made is not None
        return made

    def at_rated(self, motor: MotorFigures) -> float:
        """Torque at rated speed, N·m; none where it does not come to that speed."""
        made = gives(motor, self.train.rated_speed)
        return made.torque if made is not None else 0.0

    @lazy
    def lasting(self) -> float:
        """Torque that lasts: of its rated power at its rated speed, N·m. Raises CannotSay."""
        power, speed = ask_all(lambda: self.train.power, lambda: self.train.rated_speed)
        return power / speed

    @lazy
    def claimed(self) -> Read:
        """Its peak torque by its sheet. Raises CannotSay."""
        what = f"peak torque of the {self.train.name}"
        return read(self.unit.peak_torque, self.train.p("unit/peak_torque"), what, self.school)

    def drawn(self) -> EnvelopeOut:
        """The envelope as drawn, to the speed at which full packs end it. Raises CannotSay."""
        full, named = ask_all(lambda: self.full, lambda: self.named)
        speeds = np.linspace(0.0, full.of_one_volt * full.open_v, _PLACES)[:-1]
        made = [gives(full, float(s)) for s in speeds]
        lower = [gives(named, float(s)) for s in speeds]
        torque = lambda g: max(g.torque, 0.0) if g is not None else 0.0
        return EnvelopeOut(
            speeds_si=speeds.tolist(),
            full_si=[torque(g) for g in made],
            named_si=[torque(g) for g in lower],
            ends=[g.ends if g is not None else "voltage" for g in made],
            lasting_si=self.lasting,
            rated_si=self.train.rated_speed,
        )

    def values(self, out: ValueList) -> None:
        """Headline values, once its winding was spoken of."""
        if not self.begun:
            return
        source = "volts, amperes and watts of motor, controller and packs; an even current stands for three phases"
        out.add("stall-torque", "Torque at rest, packs full", "torque", lambda: self.at_rest.torque, source=source)
        out.add(
            "named-torque",
            "Torque at rated speed, packs as they are named",
            "torque",
            lambda: self.at_rated(self.named),
            source=source,
        )
        out.add(
            "stall-heat",
            "Heat in the winding at rest, full throttle",
            "power",
            lambda: self.at_rest.phase_a**2 * self.full.winding_ohm,
            source="square of the phase current times the winding's resistance",
        )
        out.add(
            "torque-of-current",
            "Torque of a hundred amperes",
            "torque",
            lambda: torque_of(100.0, self.full.of_one_volt),
            working=lambda: torque_of.working(100.0, self.full.of_one_volt),
        )
