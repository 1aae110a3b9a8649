"""The motor on the crank of one engine."""

from __future__ import annotations

from ....errors import ask_all
from ....figure.reads import Read, combined, read
from ....figure.trace import Uncertain
from ....judging.finding import Ways
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...train.quantities import Train
from .functions import back_voltage, both_torque, round_energy

# A limiter lets the speed pass it by so much. Common practice, no source.
OVER = 1.03


class HelperMotor(Topic):
    """An engine and a motor on one shaft: what both give, and what the motor makes when it is turned."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.helper = placed.installation.drive.helper
        self.unit = placed.installation.unit
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def fitted(self) -> bool:
        """Whether there is one; an electric unit has no engine to help."""
        return self.helper.fitted == "on the crank" and not self.train.electric

    def p(self, part: str) -> str:
        """Pointer of a part of it."""
        return self.train.p(f"drive/helper/{part}")

    def _read(self, part: str, what: str, zero: bool = False) -> Read:
        return read(getattr(self.helper, part), self.p(part), f"{what} ({self.train.name})", self.school, zero=zero)

    @lazy
    def torques(self) -> tuple[Read, Read]:
        """Greatest torque of engine and motor. Raises CannotSay."""
        return ask_all(
            lambda: read(
                self.unit.peak_torque,
                self.train.p("unit/peak_torque"),
                f"peak torque of the {self.train.name}",
                self.school,
            ),
            lambda: self.greatest,
        )

    @lazy
    def both(self) -> Uncertain:
        """Torque of both, N·m. Raises CannotSay."""
        return combined(both_torque, *self.torques)

    @lazy
    def weakest(self) -> Read:
        """What the weakest part behind both may be given, N·m. Raises CannotSay."""
        return self._read("weakest", "torque that the weakest part behind both may be given: clutch, gears or shaft")

    @lazy
    def fastest(self) -> Read:
        """The fastest that the engine turns it, rad/s. Raises CannotSay."""
        limiter = self._read("limiter", "speed at which the engine's limiter cuts in")
        return Read(OVER * limiter.si, OVER * limiter.u)

    @lazy
    def voltage(self) -> Uncertain:
        """Voltage that it makes there, V. Raises CannotSay."""
        fastest, unloaded = ask_all(
            lambda: self.fastest, lambda: self._read("unloaded", "speed of one volt of the motor, no load")
        )
        return combined(back_voltage, fastest, unloaded)

    @lazy
    def voltage_terms(self) -> tuple[float, float]:
        """Terms of that voltage."""
        fastest, unloaded = ask_all(
            lambda: self.fastest, lambda: self._read("unloaded", "speed of one volt of the motor, no load")
        )
        return fastest.si, unloaded.si

    @lazy
    def stands(self) -> float:
        """The smaller of what the controller stands and what the pack has fully charged, V. Raises CannotSay."""
        controller, pack = ask_all(
            lambda: self._read("stands", "voltage that the controller of the motor stands"),
            lambda: self._read("full", "voltage of its pack, fully charged"),
        )
        # A figure that its ± swallows is none.
        return max(min(controller.si - 2 * controller.u, pack.si - 2 * pack.u), 1e-3)

    @lazy
    def drag(self) -> Read:
        """Torque that it takes to be turned when it is off, N·m. Raises CannotSay."""
        return self._read("drags", "torque that the motor takes to be turned when it is off", zero=True)

    @lazy
    def greatest(self) -> Read:
        """Greatest torque of the motor, N·m. Raises CannotSay."""
        return self._read("torque", "greatest torque of the motor on its crank")

    @lazy
    def lasting(self) -> Read:
        """Torque of the motor that lasts, N·m. Raises CannotSay."""
        return self._read("lasting", "torque of the motor that lasts")

    @lazy
    def wanted(self) -> Read:
        """Laps or trips that are wanted. Raises CannotSay."""
        return self._read("rounds", "laps or trips that are wanted")

    @lazy
    def with_engine(self) -> float:
        """Power of both at the rated speed of the engine: its rated power, and the motor's torque that lasts, W. Raises
        CannotSay."""
        power, speed, lasting = ask_all(
            lambda: self.train.power,
            lambda: self.train.rated_speed,
            lambda: self.lasting,
        )
        return power + lasting.si * speed

    @property
    def round_begun(self) -> bool:
        """Whether somebody spoke of a lap or a trip."""
        h = self.helper
        return any(
            f is not None
            for f in (
                h.helps_for,
                h.helps_with,
                h.helps_at,
                h.charges_for,
                h.charges_with,
                h.charges_at,
                h.energy,
                h.used,
                h.passes,
                h.rounds,
            )
        )

    @lazy
    def round_terms(self) -> tuple[Read, ...]:
        """What it pushes with, at and for; what it charges with, at and for; what comes through. Raises CannotSay."""
        return tuple(
            ask_all(
                lambda: self._read("helps_with", "torque that the motor pushes with, in a round"),
                lambda: self._read("helps_at", "speed at which it pushes"),
                lambda: self._read("helps_for", "how long it pushes in a round"),
                lambda: self._read("charges_with", "torque that it takes to charge, in a round", zero=True),
                lambda: self._read("charges_at", "speed at which it charges", zero=True),
                lambda: self._read("charges_for", "how long it charges in a round", zero=True),
                lambda: self._read("passes", "share that comes through motor and controller"),
            )
        )

    @lazy
    def of_a_round(self) -> Uncertain:
        """Energy out of the pack in a round, J. Raises CannotSay."""
        return combined(round_energy, *self.round_terms)

    @lazy
    def stored(self) -> Uncertain:
        """What of its pack is used, J. Raises CannotSay."""
        energy, used = ask_all(
            lambda: self._read("energy", "energy that its pack holds"),
            lambda: self._read("used", "share of its pack that is used"),
        )
        return combined(lambda e, u: e * u, energy, used)

    def values(self, out: ValueList) -> None:
        """Headline values."""
        if not self.fitted or self.placed.old:
            return
        out.add(
            "both-torque",
            "Engine and motor together, greatest",
            "torque",
            lambda: self.both,
            working=lambda: both_torque.working(self.torques[0].si, self.torques[1].si),
        )
        out.add(
            "both-power",
            "Power of both that lasts, at rated speed",
            "power",
            lambda: self.with_engine,
            source="rated power, and what lasts of the motor at that speed",
        )
        out.add(
            "back-voltage",
            "Motor makes, at the limiter and 3 % over",
            "voltage",
            lambda: self.voltage,
            working=lambda: back_voltage.working(*self.voltage_terms),
        )
        if self.round_begun:
            out.add(
                "round-energy",
                "Out of its pack, a round",
                "energy",
                lambda: self.of_a_round,
                working=lambda: round_energy.working(*(t.si for t in self.round_terms)),
                ways=Ways("taken out", "put in"),
            )
