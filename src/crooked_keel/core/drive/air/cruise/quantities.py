"""Cruise, climb at height and a dive of one fit with an air propeller, by what was flown before."""

from __future__ import annotations

import math
from functools import partial
from typing import NamedTuple

import numpy as np

from ....document import Tank
from ....errors import CannotSay, Gap, InputError, ask_all, fields, or_none
from ....figure.reads import Read, read
from ....figure.trace import Uncertain, above_zero, need
from ....figure.units import G0_M_S2
from ....judging.values import ValueList
from ....physics.atmosphere import isa
from ....physics.blades import AirThrough, BladeSet
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....resolved.loads import Loads
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...electric.battery.quantities import OnBattery
from ..climb.functions import INDUCED
from ..climb.quantities import Climbing
from ..match.functions import FIT, crossing, told_thrust
from ..match.quantities import AirMatch
from .functions import climb_there, cruise_power, cruise_time, drag_terms, level_power

# How far what is burnt at cruise may be off, as a share: blade elements of a generic blade. Proposed.
BURN_DOUBT = 0.10
# What the masses, which are known no better than by a hundredth, make of the time beside that before. Proposed.
MASS_DOUBT = 0.005
# How far a rate of climb at height may be off beside the useful power. Proposed.
THERE_DOUBT = 0.08
# Torque that a unit takes to be turned with its throttle shut, of its greatest: at the least. Common practice.
DRAGS = 0.08


def _capacity(pointer: str, tank: Tank) -> float:
    return above_zero(tank.capacity, f"{pointer}/capacity", f"capacity of the {tank.name}")


class HeldLevel(NamedTuple):
    """Where level flight is held: speed of the unit, rad/s, and its power, W."""

    speed: float
    power: float


class Cruise(Topic):
    """Level flight of one fit. loads: the tanks; battery: where it flies on one; heaviest: of all loadings."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        match: AirMatch,
        flown: Climbing,
        loads: Loads,
        battery: OnBattery | None,
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.match = match
        self.flown = flown
        self.loads = loads
        self.battery = battery
        self.fuel = placed.installation.systems.fuel
        self.said = resolved.project.craft.flown
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def begun(self) -> bool:
        """Whether anything that was flown before was said; a governor's blades have no pitch that stands."""
        return self.flown.begun and not (self.match.governed or self.flown.old.governed)

    @lazy
    def height(self) -> float:
        """Height at which the power is wanted, m. Raises CannotSay."""
        return need(self.resolved.project.need.altitude, "/need/altitude", "height at which it cruises").si

    @lazy
    def there(self) -> AirThrough:
        """Air at that height, as much hotter as was said."""
        day, hot = isa(self.height), self.resolved.project.need.hot
        warmer = (day.temperature_k + hot.si) / day.temperature_k if hot is not None else 1.0
        return AirThrough(day.density_kg_m3 / warmer, day.sound_m_s * math.sqrt(warmer))

    @lazy
    def sigma(self) -> float:
        """Density there beside that of the standard sea level."""
        return self.there.density / self.match.air.density

    @lazy
    def airspeed(self) -> float:
        """True airspeed of the cruise, m/s."""
        return above_zero(self.said.cruise, "/craft/flown/cruise", "airspeed of the cruise, true")

    @lazy
    def polar(self) -> tuple[float, float]:
        """Drag by the climb and the level speed that were flown. Raises CannotSay, InputError."""
        asked, climbing, top = ask_all(
            lambda: self.flown.asked, lambda: self.flown.old.climb_airspeed, lambda: self.flown.top_terms
        )
        with fields(top="/craft/flown/top"):
            return drag_terms(climbing, asked, top[0], top[2])

    def asked_terms(self, after: bool) -> tuple[float, float, float, float, float, float]:
        """Terms of the power that level flight asks for. Raises CannotSay, InputError."""
        polar, sigma, v, heavy, mass = ask_all(
            lambda: self.polar,
            lambda: self.sigma,
            lambda: self.airspeed,
            lambda: self.flown.heaviest_kg,
            lambda: self.flown.climb_terms[3],
        )
        return *polar, sigma, v, heavy if after else mass, mass

    @lazy
    def flown_doubt(self) -> float:
        """How far the power of the cruise may be off for what was read of climb, mass, level speed and cruise: a
        standard uncertainty, as a share. Where the read figures leave no polar, a half."""
        _, top = ask_all(lambda: self.polar, lambda: self.flown.top_terms)
        useful, climbing = self.flown.climb_terms[1], self.flown.old.climb_airspeed
        sigma, heavy = self.sigma, self.flown.heaviest_kg

        def power(climb: float, mass: float, fastest: float, cruise: float) -> float:
            terms = drag_terms(climbing, useful - G0_M_S2 * mass * climb, fastest, top[2])
            return level_power(*terms, sigma, cruise, heavy, mass)

        names = ("climb", "mass", "top", "cruise")
        reads = [read(getattr(self.said, k), f"/craft/flown/{k}", k, self.school) for k in names]
        stands = [r.si for r in reads]
        value, moved = power(*stands), 0.0
        for i, by in [(i, way * r.u) for i, r in enumerate(reads) for way in (1, -1) if r.u > 0]:
            other = [*stands[:i], stands[i] + by, *stands[i + 1 :]]
            there = or_none(lambda of=other: power(*of))
            if there is None:
                return 0.5
            moved += (there - value) ** 2 / 2
        return math.sqrt(moved) / value

    def _held(self, match: AirMatch, after: bool) -> HeldLevel | None:
        """Where a unit and its propeller hold the cruise; None where they do not."""
        terms, blades, _ = ask_all(lambda: self.asked_terms(after), lambda: match.blades, lambda: match.given)
        v, ratio = self.airspeed, match.train.ratio
        wanted = level_power(*terms) / v
        low, high = match.curve.slowest_rad_s * 0.7, match.curve.fastest_rad_s
        try:
            chart = match.chart(blades, v, self.there)
        except InputError:  # the air drives it deeper than the model goes at every speed
            return None
        spare = lambda n: FIT * chart.thrust(n / ratio) - wanted
        if spare(high) < 0:
            return None
        at = crossing(spare, low, high)
        return HeldLevel(at, chart.torque(at / ratio) / ratio / match.efficiency * at)

    @lazy
    def now(self) -> HeldLevel | None:
        """Where the new unit holds the cruise; None where it does not. Raises CannotSay, InputError."""
        return self._held(self.match, True)

    @lazy
    def before(self) -> HeldLevel | None:
        """Where the old one held it."""
        return self._held(self.flown.old, False)

    @lazy
    def power_terms(self) -> tuple[float, float, float]:
        """Terms of the power of the unit at cruise. Raises CannotSay, InputError."""
        useful, power = level_power(*self.asked_terms(True)), self._power(self.now).value
        return useful, useful / (power * self.match.efficiency), self.match.efficiency

    def _power(self, held: HeldLevel | None) -> Uncertain:
        if held is None:
            raise InputError(
                "/craft/flown/cruise",
                "its propeller does not pull enough for that speed within its curve",
                given=self.said.cruise.entered if self.said.cruise else None,
                allowed="a slower cruise",
            )
        return Uncertain(held.power, held.power * math.hypot(BURN_DOUBT / 2, self.flown_doubt))

    @lazy
    def gives(self) -> float:
        """Power that lasts there, W. Raises CannotSay."""
        return self.match.sheet.power_there

    def _tanks(self, after: bool) -> tuple[float, float]:
        """Fuel that can be used, m³, and its density. Raises CannotSay."""
        tanks = self.loads.tanks(after)
        if not tanks:
            raise CannotSay(Gap("/craft/tanks", "tanks"))
        _, pointer, first = tanks[0]
        held, unusable, density = ask_all(
            lambda: ask_all(*[partial(_capacity, p, t) for _, p, t in tanks]),
            lambda: need(self.fuel.unusable, self.placed.p("systems/fuel/unusable"), "fuel that cannot be used").si,
            lambda: above_zero(first.density, f"{pointer}/density", f"density of the fuel in the {first.name}"),
        )
        return sum(held) - unusable, density

    @lazy
    def reserve(self) -> Read:
        """Reserve that is to be left, s. Raises CannotSay."""
        at = self.placed.p("systems/fuel/reserve")
        return read(self.fuel.reserve, at, "reserve that is to be left", self.school, zero=True)

    def time_terms(self, after: bool) -> tuple[float, float, float, float, float]:
        """Terms of the time at cruise on fuel. Raises CannotSay, InputError."""
        match = self.match if after else self.flown.old
        tanks, burnt, power, reserve = ask_all(
            lambda: self._tanks(after),
            lambda: match.sheet.consumption,
            lambda: self._power(self.now if after else self.before),
            lambda: self.reserve,
        )
        return *tanks, burnt, power.value, reserve.si

    def _battery_time(self) -> Uncertain:
        """On its packs: what of their energy is not used is the reserve."""
        battery = self.battery
        assert battery is not None
        energy, power = ask_all(lambda: battery.energy, lambda: self._power(self.now))
        drawn = power.value / battery.motor_efficiency + battery.other_loads
        whole = energy * battery.depth / drawn
        return Uncertain(whole, whole * power.u / power.value)

    def time(self, after: bool) -> Uncertain:
        """Time at cruise with the reserve left, s. Raises CannotSay, InputError."""
        if after and self.battery is not None:
            return self._battery_time()
        terms = self.time_terms(after)
        whole = cruise_time(*terms[:4], 0.0)
        off = math.hypot(BURN_DOUBT / 2, self.flown_doubt, self._burnt_doubt(after))
        return Uncertain(whole - terms[4], math.hypot(whole * off, self.reserve.u))

    def _burnt_doubt(self, after: bool) -> float:
        """Of what a unit burns for its work: a standard uncertainty, as a share."""
        match = self.match if after else self.flown.old
        figure = match.train.unit.consumption
        made = read(figure, match.p("unit/consumption"), "consumption", self.school)
        return made.u / made.si

    @lazy
    def beside_before(self) -> tuple[float, float]:
        """Time at cruise as a share of that before, and its standard uncertainty: what both have in common, drag and
        blades, is not in it. Raises CannotSay."""
        now, before = ask_all(lambda: self.time(True), lambda: self.time(False))
        if before.value <= 0:
            raise CannotSay(Gap("/old_installations", "a unit before that flew longer than the reserve"))
        share = now.value / before.value
        return share, share * math.hypot(self._burnt_doubt(True), self._burnt_doubt(False), MASS_DOUBT)

    def reach(self, after: bool) -> Uncertain:
        """Way at cruise in still air, m."""
        time, v = ask_all(lambda: self.time(after), lambda: self.airspeed)
        return Uncertain(time.value * v, time.u * v)

    def burns(self, after: bool) -> Uncertain:
        """What is burnt at cruise, m³/s."""
        _, density, burnt, power, _ = self.time_terms(after)
        return Uncertain(burnt * power / density, burnt * power / density * BURN_DOUBT / 2)

    def useful_there(self, match: AirMatch) -> float:
        """Useful power at height at the airspeed shown of the best climb, full throttle, W. Raises CannotSay."""
        v, left, blades = ask_all(lambda: match.climb_airspeed, lambda: match.sheet.share_left, lambda: match.blades)
        faster = v / math.sqrt(self.sigma)
        return told_thrust(match.thrust(faster, blades, self.there, left)) * faster

    @lazy
    def _useful_now(self) -> float:
        return self.useful_there(self.match)

    @lazy
    def _useful_before(self) -> float:
        return self.useful_there(self.flown.old)

    def there_terms(self, after: bool) -> tuple[float, float, float, float]:
        """Terms of the climb at height. Raises CannotSay, InputError."""
        useful, asked, heavy, mass = ask_all(
            lambda: self._useful_now if after else self._useful_before,
            lambda: self.flown.asked,
            lambda: self.flown.heaviest_kg,
            lambda: self.flown.climb_terms[3],
        )
        now = heavy if after else mass
        share = (1 - INDUCED) + INDUCED * (now / mass) ** 2
        return useful, asked * share, self.sigma, now

    def climb(self, after: bool) -> Uncertain:
        """Rate of climb at height, m/s."""
        terms, climb, mass = ask_all(
            lambda: self.there_terms(after),
            lambda: read(self.said.climb, "/craft/flown/climb", "rate of climb before", self.school),
            lambda: read(self.said.mass, "/craft/flown/mass", "mass at which that climb was flown", self.school),
        )
        useful = THERE_DOUBT * terms[0] / (G0_M_S2 * terms[3]) / 2
        flown = math.hypot(climb.u, climb.si * mass.u / mass.si) / math.sqrt(self.sigma)
        return Uncertain(climb_there(*terms), math.hypot(useful, flown))

    @lazy
    def lasting_speed(self) -> float:
        """The fastest that the unit may turn for ever, rad/s: of a rating without a limit, else as it is rated."""
        train, unit = self.match.train, self.match.train.unit
        asks = [
            partial(above_zero, r.speed, train.p(f"unit/ratings/{k}/speed"), f"speed of the rating {r.name}")
            for k, r in unit.ratings.items()
            if r.limit == "without a limit"
        ]
        return max(ask_all(*asks)) if asks else train.rated_speed

    @lazy
    def dives(self) -> float:
        """Speed never to be passed, with its ±, m/s. Raises CannotSay."""
        made = read(self.said.never, "/craft/flown/never", "airspeed never to be passed", self.school)
        return made.si + 2 * made.u

    @lazy
    def driven(self) -> float:
        """Speed of the unit at that airspeed with its throttle shut, rad/s: the air drives the propeller, which drives
        the unit. The dive is taken low down, where the air is densest. Raises CannotSay."""
        blades, _, _ = ask_all(lambda: self.match.blades, lambda: self.dives, lambda: self.match.given)
        return self.driven_by(blades)

    def driven_by(self, blades: BladeSet) -> float:
        """The same with other blades."""
        v, given, ratio = self.dives, self.match.given, self.match.train.ratio
        takes = -DRAGS * float(np.max(given))
        low, high = self.match.curve.slowest_rad_s * 0.7, self.match.curve.fastest_rad_s * 2.0
        try:
            chart = self.match.chart(blades, v, self.match.air)
        except InputError:  # it is driven deeper than the model goes
            return high
        spare = lambda n: chart.torque(n / ratio) - takes
        return high if spare(high) <= 0 else low if spare(low) > 0 else crossing(spare, low, high)

    def values(self, out: ValueList) -> None:
        """Headline values, once a cruise was said."""
        if not self.begun:
            return
        out.add(
            "cruise-power",
            "Power at cruise, heaviest loading",
            "power",
            lambda: self._power(self.now),
            before=lambda: self._power(self.before).value,
            working=lambda: cruise_power.working(*self.power_terms),
        )
        out.add(
            "climb-there",
            "Rate of climb where the power is wanted",
            "climb",
            lambda: self.climb(True),
            before=lambda: self.climb(False).value,
            working=lambda: climb_there.working(*self.there_terms(True)),
        )
        if self.battery is None:
            out.add(
                "cruise-burn",
                "Burns at cruise",
                "hourly_flow",
                lambda: self.burns(True),
                before=lambda: self.burns(False).value,
                source="consumption at its power there",
            )
        out.add(
            "cruise-time",
            "At cruise until the reserve",
            "hours",
            lambda: self.time(True),
            before=None if self.battery is not None else lambda: self.time(False).value,
            working=None if self.battery is not None else lambda: cruise_time.working(*self.time_terms(True)),
            source="energy that is used, at that power" if self.battery is not None else "",
        )
        out.add(
            "cruise-range",
            "Way at cruise, no wind",
            "distance",
            lambda: self.reach(True),
            before=None if self.battery is not None else lambda: self.reach(False).value,
            source="time at that airspeed",
        )
