"""Force at the road of one installation, gear by gear, and how it pulls away."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np

from ....errors import CannotSay, Gap, ask_all, or_none
from ....figure.trace import above_zero
from ....figure.units import G0_M_S2
from ....formula import record
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ....topic.supply import Replaced
from ...handed import OnWheels, Ridden, Sheet
from ...train.quantities import Train
from ..road.functions import road_load
from ..road.quantities import OnRoad
from .functions import Array, most_acceleration, time_to

# Places along a gear, and along the road's speeds.
_PLACES, _SPEEDS = 25, 121
# Beyond the fastest gear the road is looked at so much further.
_FURTHER = 1.05


@record
class ToothOut:
    """One gear: force at the road over road speed; where the next one takes over at rated speed, by the speed that the
    unit then has."""

    name: str
    speeds_si: list[float]
    forces_si: list[float]
    lands_si: float | None


@record
class SawOut:
    """Force at the road over road speed: every gear, of a variator between its ends too; the road's load on the level
    and on the steepest hill; what grip and tipping allow."""

    gears: list[ToothOut]
    speeds_si: list[float]
    held_si: list[float]
    level_si: list[float]
    hill_si: list[float]
    most_si: float | None
    until_si: float | None
    by_curve: bool


class Gearing(NamedTuple):
    """One gear as it drives: its name and overall ratio."""

    name: str
    total: float


class Going(Topic):
    """How a road craft pulls away, in its heaviest loading. standing: that loading on its wheels, from balance."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        road: OnRoad,
        standing: Ridden,
        sheet: Sheet,
        old: Replaced[Going],
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.road = road
        self.sheet = sheet
        self.old = old
        self.unit = placed.installation.unit
        self.said = resolved.project.craft.road
        self._standing = standing

    @property
    def by_curve(self) -> bool:
        """Whether the curve of the unit is known; else an even power, not above its peak torque."""
        return or_none(lambda: self.sheet.curve) is not None

    @lazy
    def standing(self) -> OnWheels:
        """The heaviest loading on its wheels. Raises CannotSay."""
        if isinstance(self._standing, CannotSay):
            raise CannotSay(*self._standing.needs)
        return self._standing

    @lazy
    def driven(self) -> str:
        """Which end drives: the rear one of a two-wheeler. Raises CannotSay."""
        if self.resolved.has("wheels in line"):
            return "rear"
        if self.said.driven is None:
            raise CannotSay(Gap("/craft/road/driven", "which end is driven, front or rear"))
        return self.said.driven

    @lazy
    def shortest(self) -> list[Gearing]:
        """Gears as they drive, the lowest first; of a variator what lies between its ends too. Raises CannotSay."""
        _, gears = ask_all(lambda: self.train.ratio, lambda: self.road.gears)
        return [Gearing(name, self.road.total(ratio)) for _, name, ratio in gears]

    @lazy
    def curve(self) -> tuple[Array, Array]:
        """Speeds and torques of the unit at full throttle, rad/s, N·m. Without a curve its peak torque, and above that
        its peak or rated power, up to its rated speed; a motor gives its peak above its curve too. Raises CannotSay."""
        if self.by_curve:
            curve = self.sheet.curve
            speeds = np.linspace(curve.slowest_rad_s, curve.fastest_rad_s, _PLACES)
            by_sheet = np.array([curve.torque_at(float(s)) for s in speeds])
            peak, peak_power = self.unit.peak_torque, self.unit.peak_power
            if not self.train.electric or peak is None or peak_power is None:
                return speeds, by_sheet
            return speeds, np.maximum(by_sheet, np.minimum(peak.si, peak_power.si / np.maximum(speeds, 1.0)))
        torque, rated, power = ask_all(
            lambda: self.road.torque, lambda: self.train.rated_speed, lambda: self.train.power
        )
        most = self.unit.peak_power
        power = max(power, most.si) if most is not None else power
        speeds = np.linspace(rated * 0.05, rated, _PLACES)
        return speeds, np.minimum(torque, power / speeds)

    def tooth(self, gear: Gearing) -> tuple[Array, Array]:
        """Road speeds and forces in a gear, m/s, N. Raises CannotSay."""
        (speeds, torques), radius, passed = ask_all(
            lambda: self.curve, lambda: self.road.radius, lambda: self.train.efficiency
        )
        return speeds * radius / gear.total, torques * gear.total * passed / radius

    @lazy
    def speeds(self) -> Array:
        """Road speeds that are looked at, from rest to beyond the fastest gear, m/s. Raises CannotSay."""
        fastest = max(float(self.tooth(g)[0][-1]) for g in self.shortest)
        return np.linspace(0.0, fastest * _FURTHER, _SPEEDS)

    @lazy
    def best(self) -> Array:
        """Force of the best gear at those speeds, N: a clutch slips below the slowest of a gear; of a variator what its
        power gives between its ends. Raises CannotSay."""
        made = np.zeros(_SPEEDS)
        for place, gear in enumerate(self.shortest):
            v, force = self.tooth(gear)
            there = np.where(self.speeds <= v[-1], np.interp(self.speeds, v, force), 0.0)
            if place:  # only the lowest gear pulls from rest
                there = np.where(self.speeds < v[0], 0.0, there)
            made = np.maximum(made, there)
        if self.road.variator is not None:
            low, high = self.tooth(self.shortest[0])[0][-1], self.tooth(self.shortest[-1])[0][-1]
            speeds, torques = self.curve
            power = float(np.max(speeds * torques)) * self.train.efficiency
            between = (self.speeds > low) & (self.speeds <= high)
            made = np.where(between, power / np.maximum(self.speeds, 0.1), made)
        return made

    @lazy
    def level(self) -> Array:
        """Road load on the level, N. Raises CannotSay."""
        terms = self.road.load_terms
        return np.array([road_load(float(v), *terms) for v in self.speeds])

    @lazy
    def allowed(self) -> float:
        """Most force that grip and tipping allow, N. Raises CannotSay."""
        grip, standing, driven = ask_all(
            lambda: above_zero(self.said.grip, "/craft/road/grip", "grip of the driven tyre"),
            lambda: self.standing,
            lambda: self.driven,
        )
        return most_acceleration(grip, standing, driven) * standing.mass_kg

    @lazy
    def until(self) -> float:
        """Speed until which it is timed, m/s. Raises CannotSay."""
        return above_zero(self.said.until, "/craft/road/until", "speed until which pulling away is timed")

    @lazy
    def time(self) -> float | None:
        """Time from rest until it, s; None where it never gets there. Raises CannotSay."""
        until, most, best, level = ask_all(
            lambda: self.until, lambda: self.allowed, lambda: self.best, lambda: self.level
        )
        if until > self.speeds[-1]:
            return None
        return time_to(until, np.minimum(best, most), level, self.speeds, self.standing.mass_kg)

    @lazy
    def hardest(self) -> float:
        """Most acceleration from rest, m/s²: force of the lowest gear, within grip and tipping. Raises CannotSay."""
        most, best = ask_all(lambda: self.allowed, lambda: self.best)
        return min(float(best[0]), most) / self.standing.mass_kg

    def _lands(self, place: int) -> float | None:
        """Speed of the unit in the next gear, shifted up at the fastest that it turns, rad/s; a variator shifts not."""
        gears = self.shortest
        if self.road.variator is not None or place + 1 >= len(gears):
            return None
        return float(self.curve[0][-1]) * gears[place + 1].total / gears[place].total

    def drawn(self) -> SawOut:
        """The saw-tooth diagram. Raises CannotSay."""
        speeds, level = ask_all(lambda: self.speeds, lambda: self.level)
        steepest = self.said.steepest
        hill = float(steepest.si) * self.road.heaviest() * G0_M_S2 / np.hypot(1.0, steepest.si) if steepest else None
        gears = []
        for place, gear in enumerate(self.shortest):
            v, force = self.tooth(gear)
            gears.append(
                ToothOut(name=gear.name, speeds_si=v.tolist(), forces_si=force.tolist(), lands_si=self._lands(place))
            )
        return SawOut(
            gears=gears,
            speeds_si=speeds.tolist(),
            held_si=self.best.tolist() if self.road.variator is not None else [],
            level_si=level.tolist(),
            hill_si=(level + hill).tolist() if hill is not None else [],
            most_si=or_none(lambda: self.allowed),
            until_si=or_none(lambda: self.until),
            by_curve=self.by_curve,
        )

    def values(self, out: ValueList) -> None:
        """Headline values."""
        old = self.old
        out.add(
            "pulls-away",
            "From rest to the speed it is timed to",
            "short_time",
            self._timed,
            before=old._timed if old is not None else None,
            source="force at the road less road load; mechanics",
        )

    def _timed(self) -> float:
        time = self.time
        if time is None:
            raise CannotSay(Gap("/craft/road/until", "a speed that it reaches", allowed="less"))
        return time
