"""Reduction of one installation and what it turns: an air propeller here; marine propeller, driven wheel and battery beside."""

from __future__ import annotations

import math

from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..figure.trace import above_zero, need
from ..judging.finding import Value
from ..judging.formula import Out
from ..judging.gap import or_none
from ..judging.values import ValueList
from ..physics.atmosphere import isa
from ..physics.mechanics import TURN_SIGN, mean_torque
from ..resolved.craft import Resolved
from ..resolved.handed import Masses, Output
from ..resolved.installation import ResolvedInstallation
from ..resolved.ratios import ratio_of_products, ratio_products, stage_ratio
from ..resolved.wheels import Wheels
from ..topic.lazy import lazy
from .air.functions import (
    ground_clearance,
    max_diameter_ground,
    max_diameter_tip,
    output_rotation,
    propeller_speed,
    tip_mach,
    tip_speed,
)
from .battery.quantities import OnBattery
from .marine.quantities import AtSea, AtSeaOut
from .road.quantities import OnRoad, OnRoadOut

TIP_MACH_DEFAULT = 0.85
CLEARANCE_DEFAULT_M = {"tailwheel": 0.2286, "tricycle": 0.1778}
TURN_WORDS = {1: "clockwise", -1: "anticlockwise"}


class ShaftOut(Out):
    """One shaft of the train, from the crank to the propeller."""

    name: str
    speed_si: float | None
    torque_si: float | None
    power_si: float | None
    turns: str | None
    teeth: float | None
    offset_up_si: float | None
    offset_starboard_si: float | None
    radius_share: float


class DriveOut(Out):
    """What the drive bench draws."""

    shafts: list[ShaftOut]
    diameter_si: float | None
    before_diameter_si: float | None
    blades: int | None
    tip_mach: float | None
    tip_mach_limit: float
    clearance_si: float | None
    clearance_wanted_si: float
    hub_height_si: float | None
    diameter_for_mach_si: float | None
    diameter_for_ground_si: float | None
    at_sea: AtSeaOut | None
    on_road: OnRoadOut | None


class DriveBench:
    """Quantities of the drive bench. ground: station and water line under the main wheels, from the craft bench."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        ground: tuple[float, float] | CannotSay,
        old: DriveBench | None = None,
        wheels: Wheels | None = None,
        masses: Masses | None = None,
    ) -> None:
        unknown = CannotSay(Need("/loadings", "a loading: who and what is aboard"))
        self.resolved = resolved
        self.placed = placed
        self.wheels = wheels
        self.masses = masses or Masses(unknown, unknown, unknown)
        self.installation = placed.installation
        self.pointer = placed.pointer
        self.name = placed.name
        self._ground = ground
        self.old = old

    def _p(self, path: str) -> str:
        return f"{self.pointer}/{path}"

    @lazy
    def at_sea(self) -> AtSea:
        """The marine propeller."""
        return AtSea(self)

    @lazy
    def on_road(self) -> OnRoad:
        """The driven wheel."""
        return OnRoad(self)

    @lazy
    def on_battery(self) -> OnBattery:
        """The electric unit."""
        return OnBattery(self)

    @property
    def electric(self) -> bool:
        """Whether this unit is an electric one."""
        return self.installation.unit.kind == "electric"

    @lazy
    def efficiency(self) -> float:
        """Efficiency of the drive behind the unit."""
        return above_zero(
            self.installation.drive.efficiency, self._p("drive/efficiency"), f"efficiency of the drive ({self.name})"
        )

    @lazy
    def ratio(self) -> float:
        """Unit speed over propeller speed."""
        return self.placed.ratio

    @lazy
    def rated_speed(self) -> float:
        """Rated speed of the unit, rad/s. Raises InputError if it stands still."""
        pointer = self._p("unit/rated_speed")
        speed = need(self.installation.unit.rated_speed, pointer, f"rated speed of the {self.name}").si
        if speed == 0:
            raise InputError(pointer, f"the rated speed of the {self.name} must be above zero")
        return speed

    @lazy
    def power(self) -> float:
        """Rated power, W."""
        return above_zero(self.installation.unit.power, self._p("unit/power"), f"rated power of the {self.name}")

    @lazy
    def propeller_speed(self) -> float:
        """Propeller speed at rated speed, rad/s."""
        all_or_cannot_say(lambda: self.ratio, lambda: self.rated_speed)
        return propeller_speed(self.rated_speed, self.ratio)

    @lazy
    def diameter(self) -> float:
        """Propeller diameter, m."""
        return above_zero(
            self.installation.propeller.diameter,
            self._p("propeller/diameter"),
            f"diameter of the propeller ({self.name})",
        )

    @property
    def sound(self) -> float:
        """Speed of sound, ISA sea level, m/s."""
        return isa(0).sound_m_s

    @property
    def mach_limit(self) -> float:
        """Tip Mach allowed."""
        given = self.resolved.project.assumptions.tip_mach
        return given.si if given else TIP_MACH_DEFAULT

    @property
    def clearance_wanted(self) -> float:
        """Ground clearance wanted, m."""
        given = self.resolved.project.assumptions.ground_clearance
        return (
            given.si
            if given
            else CLEARANCE_DEFAULT_M.get(self.resolved.project.craft.layout, CLEARANCE_DEFAULT_M["tailwheel"])
        )

    @lazy
    def mach(self) -> float:
        """Static tip Mach at rated speed."""
        all_or_cannot_say(lambda: self.diameter, lambda: self.propeller_speed)
        return tip_mach(self.diameter, self.propeller_speed, self.sound)

    @lazy
    def hub(self) -> tuple[float, float]:
        """Hub over the ground, and ahead of the main wheels' contact, level, m."""
        if isinstance(self._ground, CannotSay):
            all_or_cannot_say(lambda: self.placed.propeller_centre, self._raise_ground)
        x, _, z = self.placed.propeller_centre
        wheel_x, ground_z = self._ground
        return z.value - ground_z, wheel_x - x.value

    def _raise_ground(self) -> None:
        if isinstance(self._ground, CannotSay):
            raise CannotSay(*self._ground.needs)

    def clearance(self, attitude_rad: float) -> float:
        """Tip clearance in an attitude, m."""
        all_or_cannot_say(lambda: self.hub, lambda: self.diameter)
        return ground_clearance(*self.hub, attitude_rad, self.diameter)

    @lazy
    def lowest_attitude(self) -> float:
        """Steepest nose-down attitude on the ground, rad, as a nose-up angle."""
        return -need(
            self.resolved.project.craft.lowest_attitude,
            "/craft/lowest_attitude",
            "steepest nose-down attitude on the take-off run",
        ).si

    @lazy
    def worst_clearance(self) -> tuple[float, float]:
        """Least clearance of the level and the lowest attitude, and that attitude."""
        all_or_cannot_say(lambda: self.lowest_attitude, lambda: self.clearance(0.0))
        return min((self.clearance(a), a) for a in (0.0, self.lowest_attitude))

    @lazy
    def diameter_for_mach(self) -> float:
        """Largest diameter by tip Mach, m."""
        return max_diameter_tip(self.mach_limit, self.sound, self.propeller_speed)

    @lazy
    def diameter_for_ground(self) -> float:
        """Largest diameter by clearance in both attitudes, m."""
        all_or_cannot_say(lambda: self.hub, lambda: self.lowest_attitude)
        return max_diameter_ground(*self._ground_terms())

    def _ground_terms(self) -> tuple[float, float, float, float]:
        """Hub, attitude and clearance of the attitude that allows least."""
        terms = [(*self.hub, a, self.clearance_wanted) for a in (0.0, self.lowest_attitude)]
        return min(terms, key=lambda t: max_diameter_ground(*t))

    @lazy
    def unit_turns(self) -> int:
        """Turning direction of the unit, +1 clockwise seen from aft looking forward."""
        turns = self.installation.unit.turns
        if turns is None:
            raise CannotSay(
                Need(self._p("unit/turns"), f"which way the {self.name} turns, seen from aft looking forward")
            )
        return TURN_SIGN[turns]

    @lazy
    def output_turns(self) -> int:
        """Turning direction at the output flange."""
        stages = sorted(self.installation.drive.stages.items(), key=lambda s: s[1].rank)
        missing = [
            Need(self._p(f"drive/stages/{k}/turning"), f"whether the {s.name} keeps or flips the turning direction")
            for k, s in stages
            if s.turning is None
        ]
        if missing:
            raise CannotSay(*missing)
        return output_rotation(
            self.unit_turns, [s.turning for _, s in stages], [self._p(f"drive/stages/{k}/turning") for k, _ in stages]
        )

    @lazy
    def mean_torque(self) -> float:
        """Mean torque at the output flange at rated power, no loss taken, N·m."""
        all_or_cannot_say(lambda: self.power, lambda: self.rated_speed, lambda: self.ratio)
        return mean_torque(self.power, self.propeller_speed)

    @lazy
    def output(self) -> Output:
        """What the mount needs to know."""
        all_or_cannot_say(lambda: self.mean_torque, lambda: self.output_turns)
        return Output(self.mean_torque, self.output_turns, self.propeller_speed)

    def values(self) -> list[Value]:
        """Headline values."""
        out = ValueList("drive")
        old = self.old
        out.add(
            "ratio",
            f"Overall ratio, unit to {self._turned}" + (", without the gears" if self.installation.drive.gears else ""),
            "number",
            lambda: self.ratio,
            before=(lambda: old.ratio) if old else None,
            working=lambda: ratio_of_products.working(*ratio_products(self.installation.drive)),
        )
        out.add(
            "propeller-speed",
            f"{self._turned.capitalize()} at rated speed",
            "rotation",
            lambda: self.propeller_speed,
            before=(lambda: old.propeller_speed) if old else None,
            working=lambda: propeller_speed.working(self.rated_speed, self.ratio),
        )
        if self.resolved.has("air propeller"):
            self._air_values(out)
        out.add(
            "torque", f"Mean torque at the {self._turned}, no loss taken", "torque", lambda: self.mean_torque, before=(lambda: old.mean_torque) if old else None,
            working=lambda: mean_torque.working(self.power, self.propeller_speed),
        )  # fmt: skip
        if not self.resolved.has("across"):
            out.add(
                "turns",
                "Turns, seen from aft looking forward",
                "text",
                lambda: TURN_WORDS[self.output_turns],
                source="kinematics",
            )
        if self.resolved.has("marine propeller"):
            self.at_sea.values(out)
        if self.resolved.has("driven wheel"):
            self.on_road.values(out)
        if self.electric:
            self.on_battery.values(out)
        return out.values

    @property
    def _turned(self) -> str:
        """What the drive turns, in the words of the trade."""
        return self.resolved.word("turns")

    def _air_values(self, out: ValueList) -> None:
        """Tips and clearance of an air propeller."""
        old = self.old
        out.add(
            "tip-speed", "Tip speed, standing", "speed", lambda: tip_speed(self.diameter, self.propeller_speed),
            before=(lambda: tip_speed(old.diameter, old.propeller_speed)) if old else None,
            working=lambda: tip_speed.working(self.diameter, self.propeller_speed),
        )  # fmt: skip
        out.add(
            "tip-mach", "Tip Mach, standing", "number", lambda: self.mach, before=(lambda: old.mach) if old else None,
            working=lambda: tip_mach.working(self.diameter, self.propeller_speed, self.sound),
        )  # fmt: skip
        out.add(
            "diameter-for-mach", "Largest diameter, tip Mach", "length", lambda: self.diameter_for_mach,
            working=lambda: max_diameter_tip.working(self.mach_limit, self.sound, self.propeller_speed),
        )  # fmt: skip
        out.add(
            "diameter-for-ground", "Largest diameter, ground clearance", "length", lambda: self.diameter_for_ground,
            working=lambda: max_diameter_ground.working(*self._ground_terms()),
        )  # fmt: skip
        out.add(
            "clearance", "Tip clearance, worst attitude", "length", lambda: self.worst_clearance[0],
            before=(lambda: old.worst_clearance[0]) if old else None,
            working=lambda: ground_clearance.working(*self.hub, self.worst_clearance[1], self.diameter),
        )  # fmt: skip

    def tables(self) -> DriveOut:
        """The train as drawn."""
        stages = sorted(self.installation.drive.stages.items(), key=lambda s: s[1].rank)
        ratio = 1.0
        turns = or_none(lambda: self.unit_turns)
        speed, power = or_none(lambda: self.rated_speed), or_none(lambda: self.power)
        shafts: list[ShaftOut] = []
        up: float | None = 0.0
        starboard: float | None = 0.0
        first = stages[0][1] if stages else None
        for i in range(len(stages) + 1):
            teeth = first.driver_teeth if i == 0 and first else stages[i - 1][1].driven_teeth if i else None
            if i:
                key, stage = stages[i - 1]
                step = or_none(lambda s=stage, k=key: stage_ratio(s, self._p(f"drive/stages/{k}")))
                ratio = ratio * step if step is not None and ratio == ratio else math.nan
                turns = (
                    None if turns is None or stage.turning is None else turns * (-1 if stage.turning == "flips" else 1)
                )
                up = None if up is None or stage.offset_up is None else up + stage.offset_up.along_m
                starboard = (
                    None
                    if starboard is None or stage.offset_starboard is None
                    else starboard + stage.offset_starboard.along_m
                )
            here = speed / ratio if speed is not None and ratio == ratio else None
            shafts.append(ShaftOut(
                name="crank" if i == 0 and stages else self._turned if i == len(stages) else stages[i - 1][1].name,
                speed_si=here, torque_si=power / here if power is not None and here else None, power_si=power,
                turns=TURN_WORDS[turns] if turns else None, teeth=teeth.si if teeth else None,
                offset_up_si=up, offset_starboard_si=starboard, radius_share=ratio if ratio == ratio else 1.0,
            ))  # fmt: skip
        blades, old = self.installation.propeller.blades, self.old
        air = self.resolved.has("air propeller")
        hub = or_none(lambda: self.hub) if air else None
        return DriveOut(
            shafts=shafts, diameter_si=or_none(lambda: self.diameter),
            before_diameter_si=or_none(lambda: old.diameter) if old else None,
            blades=int(blades.si) if blades else None, tip_mach=or_none(lambda: self.mach), tip_mach_limit=self.mach_limit,
            clearance_si=or_none(lambda: self.worst_clearance[0]) if air else None, clearance_wanted_si=self.clearance_wanted if air else 0.0,
            hub_height_si=hub[0] if hub else None, diameter_for_mach_si=or_none(lambda: self.diameter_for_mach),
            diameter_for_ground_si=or_none(lambda: self.diameter_for_ground) if air else None,
            at_sea=self.at_sea.tables() if self.resolved.has("marine propeller") else None,
            on_road=self.on_road.tables() if self.resolved.has("driven wheel") else None,
        )  # fmt: skip
