"""What the drive bench knows of a driven wheel: gears, chain, top speed, and what the final drive does to the unit."""

from __future__ import annotations

import math

from ....document import Stage
from ....errors import CannotSay, Gap, InputError, ask_all
from ....figure.trace import above_zero, need
from ....figure.units import G0_M_S2
from ....formula import record
from ....resolved.craft import Resolved
from ....resolved.handed import DrivenKg, HeaviestKg
from ....resolved.installation import ResolvedInstallation
from ....resolved.ratios import along_the_train, stage_ratio
from ....resolved.wheels import Wheels
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ....topic.supply import Replaced
from ...train.quantities import Train
from .functions import (
    power_limited_speed,
    road_load,
    road_speed,
    tyre_radius,
    wheel_torque,
)

SHOCK_DEFAULT = 2.0
SHOCK_ELECTRIC = 1.2


@record
class GearOut:
    """One gear: overall ratio, speed on the road at rated speed, torque at the wheel."""

    id: str
    name: str
    total: float | None
    speed_si: float | None
    torque_si: float | None


@record
class OnRoadOut:
    """What the drive bench draws of a road craft. Of its final chain: by how much the next even number of links moves
    the axle, and how far the adjuster reaches."""

    wheel_radius_si: float | None
    gears: list[GearOut]
    chain_links: float | None
    chain_even: int | None
    chain_centres_si: float | None
    chain_moved_si: float | None
    chain_reach_si: float | None


class OnRoad(Topic):
    """The driven wheel of one installation. heaviest_kg, driven_kg: mass of the heaviest loading, and the most on the
    driven axle, from the balance bench."""

    only_of = "driven wheel"

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        wheels: Wheels | None,
        heaviest_kg: HeaviestKg,
        driven_kg: DrivenKg,
        old: Replaced[OnRoad],
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.wheels = wheels
        self.road = resolved.project.craft.road
        self.drive = placed.installation.drive
        self.wheel = placed.installation.wheel
        self.unit = placed.installation.unit
        self._heaviest_kg = heaviest_kg
        self._driven_kg = driven_kg
        self.old = old

    def heaviest(self) -> float:
        """Mass of the heaviest loading, kg."""
        if isinstance(self._heaviest_kg, CannotSay):
            raise CannotSay(*self._heaviest_kg.needs)
        return self._heaviest_kg

    @lazy
    def radius(self) -> float:
        """Rolling radius, m: as measured, or from the marks on the tyre."""
        if self.wheel.radius is not None:
            return above_zero(
                self.wheel.radius,
                self.train.p("wheel/radius"),
                "rolling radius of the driven wheel",
            )
        return tyre_radius(*self.tyre_terms())

    def tyre_terms(self) -> tuple[float, float, float]:
        """Rim, width and aspect of the driven tyre, by its marks."""
        wheel, base = self.wheel, self.train.p("wheel")
        asks = (
            lambda: above_zero(wheel.rim, f"{base}/rim", "rim diameter of the driven wheel, or its rolling radius"),
            lambda: above_zero(wheel.width, f"{base}/width", "width of the driven tyre, or its rolling radius"),
            lambda: need(wheel.aspect, f"{base}/aspect", "aspect of the driven tyre, or its rolling radius").si,
        )
        rim, width, aspect = ask_all(*asks)
        # People read 70 off the tyre, and mean 0.70.
        return rim, width, aspect / 100 if aspect > 3 else aspect

    @lazy
    def gears(self) -> list[tuple[str, str, float]]:
        """Gears, shortest first: id, name, ratio. An electric drive without any has one, direct; a piston engine needs
        them named, or both ends of its variator."""
        if not self.drive.gears:
            if self.variator is not None:
                return self._ends(*self.variator)
            if self.train.electric:
                return [("direct", "one speed", 1.0)]
            what = f"gears of the {self.train.name}, or both ends of its variator"
            raise CannotSay(Gap(self.train.p("drive/gears"), what))
        asks = [
            lambda k=k, g=g: need(g.ratio, self.train.p(f"drive/gears/{k}/ratio"), f"ratio of {g.name}").si
            for k, g in self.drive.gears.items()
        ]
        ask_all(*asks)
        made = [(k, g.name, ask()) for (k, g), ask in zip(self.drive.gears.items(), asks, strict=True)]
        return sorted(made, key=lambda g: -g[2])

    @property
    def variator(self) -> tuple[str, Stage] | None:
        """The variator among the stages: its key and stage; None where there is none, or gears are named."""
        if self.drive.gears:
            return None
        return next(((k, s) for k, s in along_the_train(self.drive) if s.type == "variator"), None)

    def _ends(self, key: str, stage: Stage) -> list[tuple[str, str, float]]:
        """Both ends of a variator as gears: the train has its fast end in it."""
        at = self.train.p(f"drive/stages/{key}")
        fast, low = ask_all(
            lambda: stage_ratio(stage, at),
            lambda: need(stage.low, f"{at}/low", f"ratio of the {stage.name} at its low end").si,
        )
        if low < fast:
            raise InputError(
                f"{at}/low",
                f"the low end of the {stage.name} is its greater ratio",
                given=stage.low.entered if stage.low is not None else None,
                allowed="not less than its ratio at the fast end",
            )
        return [("low", f"{stage.name}, low", low / fast), ("high", f"{stage.name}, fast", 1.0)]

    def total(self, gear: float) -> float:
        """Overall ratio in a gear."""
        return self.train.ratio * gear

    @lazy
    def top_total(self) -> float:
        """Overall ratio in top."""
        ask_all(lambda: self.train.ratio, lambda: self.gears)
        return self.total(self.gears[-1][2])

    @lazy
    def low_total(self) -> float:
        """Overall ratio in the lowest gear."""
        ask_all(lambda: self.train.ratio, lambda: self.gears)
        return self.total(self.gears[0][2])

    @lazy
    def geared_terms(self) -> tuple[float, float, float]:
        """Rated speed, rolling radius and ratio in top."""
        ask_all(lambda: self.train.rated_speed, lambda: self.radius, lambda: self.top_total)
        return self.train.rated_speed, self.radius, self.top_total

    @lazy
    def load_terms(self) -> tuple[float, float, float]:
        """Mass of the heaviest loading, drag area and rolling coefficient."""
        asks = (
            self.heaviest,
            lambda: need(self.road.drag_area, "/craft/road/drag_area", "drag area of the whole craft as it runs").si,
            lambda: need(self.road.rolling, "/craft/road/rolling", "rolling coefficient of the tyres").si,
        )
        return ask_all(*asks)

    @lazy
    def power_speed(self) -> float:
        """Speed at which the rated power is used up on the level, m/s."""
        ask_all(lambda: self.train.power, lambda: self.train.efficiency, lambda: self.load_terms)
        return power_limited_speed(self.train.power * self.train.efficiency, *self.load_terms)

    @lazy
    def torque(self) -> float:
        """Peak torque of the unit, N·m. What lasts is less, and is never taken for it."""
        peak = self.unit.peak_torque
        return above_zero(peak, self.train.p("unit/peak_torque"), f"peak torque of the {self.train.name}")

    @lazy
    def wheel_terms(self) -> tuple[float, float, float]:
        """Torque of the unit, ratio in the lowest gear and efficiency."""
        ask_all(lambda: self.torque, lambda: self.low_total, lambda: self.train.efficiency)
        return self.torque, self.low_total, self.train.efficiency

    @lazy
    def wheel_force(self) -> float:
        """Force at the road in the lowest gear, N."""
        ask_all(lambda: self.wheel_terms, lambda: self.radius)
        return wheel_torque(*self.wheel_terms) / self.radius

    @property
    def shock(self) -> float:
        """Shock factor on the final drive."""
        given = self.resolved.project.assumptions.shock
        if given is not None:
            return given.si
        return SHOCK_ELECTRIC if self.unit.kind == "electric" else SHOCK_DEFAULT

    @lazy
    def grip_force(self) -> float:
        """Most that the driven tyre can push, N: all of the mass on it (cautious)."""
        grip = lambda: above_zero(self.road.grip, "/craft/road/grip", "grip of the driven tyre")
        ask_all(grip, self.heaviest)
        return grip() * self.heaviest() * G0_M_S2

    @lazy
    def driven_load(self) -> float:
        """Most on the driven axle, level and standing, N: the rear one of a two-wheeler, the heavier one where nobody
        says which is driven."""
        if isinstance(self._driven_kg, CannotSay):
            raise CannotSay(*self._driven_kg.needs)
        return self._driven_kg * G0_M_S2

    @lazy
    def axle_grip(self) -> float:
        """Force that the driven axle holds, N."""
        grip = lambda: above_zero(self.road.grip, "/craft/road/grip", "grip of the driven tyre")
        ask_all(grip, lambda: self.driven_load)
        return grip() * self.driven_load

    @lazy
    def limit_force(self) -> float:
        """Force at the road that the mounts are judged for: torque with shock, not above the grip, N."""
        ask_all(lambda: self.wheel_force, lambda: self.grip_force)
        return min(self.wheel_force * self.shock, self.grip_force)

    @lazy
    def top_speed(self) -> float:
        """Best over the gears of what gearing and power allow, m/s."""
        ask_all(lambda: self.power_speed, lambda: self.geared_terms)
        speed, radius, _ = self.geared_terms
        return max(min(road_speed(speed, radius, self.total(r)), self.power_speed) for _, _, r in self.gears)

    @lazy
    def hill_force(self) -> float:
        """Force at the road that the steepest hill asks of the heaviest loading, N, at walking pace."""
        steepest = need(self.road.steepest, "/craft/road/steepest", "steepest hill it must climb").si
        rolling = lambda: need(self.road.rolling, "/craft/road/rolling", "rolling coefficient of the tyres").si
        ask_all(rolling, self.heaviest)
        along = math.atan(steepest)
        return self.heaviest() * G0_M_S2 * (math.sin(along) + rolling() * math.cos(along))

    def cruise_load(self) -> float:
        """Road load at the cruising speed, N."""
        cruise = lambda: above_zero(self.road.cruise, "/craft/road/cruise", "cruising speed")
        ask_all(cruise, lambda: self.load_terms)
        return road_load(cruise(), *self.load_terms)
