"""An electric unit on a drive cycle, charged, and turned by the road."""

from __future__ import annotations

from ...errors import CannotSay, Gap, ask_all
from ...figure.reads import Read, combined, read
from ...figure.trace import Uncertain, above_zero, need
from ...judging.values import ValueList
from ...reference.cycles import CYCLES
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..battery.quantities import OnBattery
from ..helper.functions import back_voltage
from ..road.functions import road_load
from ..road.quantities import OnRoad
from ..train.quantities import Train
from .functions import Driven, charge_time, drive

# Downhill a motor is turned faster than it is rated. Proposed.
DOWNHILL = 1.10


class Duty(Topic):
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
    def cycle(self) -> Driven:
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
        return drive(CYCLES[self.said.cycle], load, terms[0], passed, motor, regains, others)

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
        return min(controller, full)

    def values(self, out: ValueList) -> None:
        """Headline values."""
        source = "elementary urban cycle, UN ECE R83 (from memory); heaviest loading, level, no wind"
        out.add(
            "cycle-consumption",
            "Energy for the way, in town",
            "energy_per_length",
            lambda: self.per_metre,
            source=source,
        )
        out.add("cycle-range", "Range in town", "distance", lambda: self.reach, source=source)
        out.add(
            "charge-time",
            "To charge what was used",
            "hours",
            lambda: charge_time(*self.charge_terms),
            working=lambda: charge_time.working(*self.charge_terms),
        )
