"""An electric unit on a drive cycle, charged, and turned by the road."""

from __future__ import annotations

from itertools import pairwise

from ....errors import CannotSay, Gap, InputError, ask_all
from ....figure.reads import Read, combined, read
from ....figure.trace import Uncertain, above_zero, need
from ....judging.values import ValueList
from ....reference.cycles import CYCLES, CyclePoint
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...train.quantities import Train
from ...wheels.road.functions import road_load
from ...wheels.road.quantities import OnRoad
from ..battery.quantities import OnBattery
from ..helper.functions import back_voltage
from .functions import DrivenCycle, charge_time, drive

# The drive that somebody wrote down, and the moments that it has at the least.
OWN, _LEAST = "a drive of my own", 3
# What is divided by is no less than this, V or A: a figure that its ± swallows is none.
LEAST = 1e-3
# Downhill a motor is turned faster than it is rated. Proposed.
DOWNHILL = 1.10


class DutyCycle(Topic):
    """What a cycle asks of a motor on a road, how long its packs charge, and the voltage it makes downhill."""

    def __init__(
        self, resolved: Resolved, placed: ResolvedInstallation, train: Train, road: OnRoad, battery: OnBattery
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.road = road
        self.battery = battery
        self.unit = placed.installation.unit
        self.charger = placed.installation.charger
        self.said = resolved.project.craft.road
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @lazy
    def cycle(self) -> DrivenCycle:
        """The cycle driven once in the heaviest loading. Raises CannotSay."""
        if self.said.cycle is None:
            raise CannotSay(Gap("/craft/road/cycle", "the drive cycle that it is judged by"))
        terms, passed, regains = ask_all(
            lambda: self.road.load_terms,
            lambda: self.train.efficiency,
            lambda: need(self.said.regains, "/craft/road/regains", "share of braking that comes back").si,
        )
        load = lambda v: road_load(v, *terms)
        motor, others = self.battery.motor_efficiency, self.battery.other_loads
        points = self.own if self.said.cycle == OWN else CYCLES[self.said.cycle]
        return drive(points, load, terms[0], passed, motor, regains, others)

    @lazy
    def own(self) -> list[CyclePoint]:
        """The drive that was written down, by its moments in their order. Raises CannotSay, InputError where two are at
        one time, or it does not move."""
        moments = self.said.moments
        if len(moments) < _LEAST:
            raise CannotSay(Gap("/craft/road/moments", f"{_LEAST} moments of a drive or more, standing ones with 0"))
        at = lambda k, part: f"/craft/road/moments/{k}/{part}"
        read_off = ask_all(
            *(lambda k=k, m=m: need(m.at, at(k, "at"), f"time of {m.name}").si for k, m in moments.items()),
            *(lambda k=k, m=m: need(m.speed, at(k, "speed"), f"speed at {m.name}").si for k, m in moments.items()),
        )
        rows = zip(read_off[: len(moments)], read_off[len(moments) :], moments, strict=True)
        made = sorted(rows, key=lambda r: r[0])
        for (before, _, _), (now, _, key) in pairwise(made):
            if now <= before:
                raise InputError(
                    at(key, "at"), "two moments are at one time", given=str(now), allowed="a later or an earlier one"
                )
        if max(v for _, v, _ in made) <= 0:
            raise InputError(at(made[0][2], "speed"), "the drive never moves", given="0", allowed="a speed above zero")
        return [CyclePoint(t, v) for t, v, _ in made]

    @lazy
    def per_metre(self) -> float:
        """Energy out of the packs for each metre of the cycle, J/m. Raises CannotSay."""
        return self.cycle.energy_j / self.cycle.way_m

    @lazy
    def reach(self) -> float:
        """Way on the cycle with the share that is used, m. Raises CannotSay."""
        energy, per = ask_all(lambda: self.battery.energy, lambda: self.per_metre)
        return energy * self.battery.depth / per

    @lazy
    def charge_terms(self) -> tuple[float, float, float]:
        """Energy, share used and power out of the wall. Raises CannotSay."""
        what = f"power of the charger, out of the wall ({self.train.name})"
        energy, power = ask_all(
            lambda: self.battery.energy, lambda: above_zero(self.charger, self.train.p("charger"), what)
        )
        return energy, self.battery.depth, power

    @lazy
    def unloaded(self) -> Read:
        """Speed of one volt, rad/s. Raises CannotSay."""
        what = f"speed of one volt of the {self.train.name}, no load"
        return read(self.unit.unloaded, self.train.p("unit/unloaded"), what, self.school)

    @lazy
    def voltage_terms(self) -> tuple[float, float]:
        """Fastest speed, a tenth over the rated one, and speed of one volt. Raises CannotSay."""
        rated, unloaded = ask_all(lambda: self.train.rated_speed, lambda: self.unloaded)
        return DOWNHILL * rated, unloaded.si

    @lazy
    def voltage(self) -> Uncertain:
        """Voltage that it makes there, V. Raises CannotSay."""
        fastest, _ = self.voltage_terms
        return combined(lambda k: back_voltage(fastest, k), self.unloaded)

    @lazy
    def stands(self) -> float:
        """The smaller of the controller's highest voltage and that of the full packs, V. Raises CannotSay."""
        what = f"highest voltage of the controller ({self.train.name})"
        controller, full = ask_all(
            lambda: above_zero(self.unit.voltage_limit, self.train.p("unit/voltage_limit"), what),
            lambda: self.battery.full_voltage,
        )
        return max(min(controller, full), LEAST)

    @property
    def brakes(self) -> bool:
        """Whether braking puts anything back. Raises CannotSay."""
        return need(self.said.regains, "/craft/road/regains", "share of braking that comes back").si > 0

    @lazy
    def put_back(self) -> tuple[Read, float]:
        """The most that the controller puts back, and what the packs may be charged with, their doubt off, A. Raises
        CannotSay."""
        what = f"largest current that the controller of the {self.train.name} puts back"
        asks = [
            lambda k=k, p=p: read(
                p.charge_current,
                self.train.p(f"packs/{k}/charge_current"),
                f"largest current that may charge {p.name}",
                self.school,
            )
            for k, p in self.battery.packs
        ]
        puts, joined, *bears = ask_all(
            lambda: read(self.unit.brakes_with, self.train.p("unit/brakes_with"), what, self.school),
            lambda: self.battery.joined,
            *asks,
        )
        if not bears:
            raise CannotSay(Gap(self.train.p("packs"), f"a battery pack for the {self.train.name}"))
        least = [r.si - 2 * r.u for r in bears]
        return puts, max(min(least) if joined == "in a row" else sum(least), LEAST)

    def values(self, out: ValueList) -> None:
        """Headline values."""
        which = (
            "the drive written down" if self.said.cycle == OWN else "elementary urban cycle, UN ECE R83 (from memory)"
        )
        source = f"{which}; heaviest loading, level, no wind"
        out.add(
            "cycle-consumption",
            "Energy for the way, on its cycle",
            "energy_per_length",
            lambda: self.per_metre,
            source=source,
        )
        out.add("cycle-range", "Range on that cycle", "distance", lambda: self.reach, source=source)
        out.add(
            "charge-time",
            "To charge what was used",
            "hours",
            lambda: charge_time(*self.charge_terms),
            working=lambda: charge_time.working(*self.charge_terms),
        )
