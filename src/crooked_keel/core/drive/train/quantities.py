"""The train from the crank to what it turns."""

from __future__ import annotations

import math

from ...document import Figure
from ...errors import CannotSay, Gap, InputError, ask_all
from ...figure.reads import Read, read
from ...figure.trace import above_zero, need
from ...physics.mechanics import TURN_SIGN, mean_torque
from ...resolved.craft import Resolved
from ...resolved.handed import Output
from ...resolved.installation import ResolvedInstallation
from ...resolved.ratios import along_the_train, stage_ratio, stage_turning
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from .functions import output_rotation, propeller_speed

TURN_WORDS = {1: "clockwise", -1: "anticlockwise"}


class Train(Topic):
    """Reduction of one installation, from the crank to what it turns. old: that of the unit that it replaces."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, old: Replaced[Train]) -> None:
        self.resolved = resolved
        self.placed = placed
        self.unit = placed.installation.unit
        self.drive = placed.installation.drive
        self.pointer = placed.pointer
        self.name = placed.name
        self.old = old

    def p(self, path: str) -> str:
        """Pointer of a part of the installation."""
        return f"{self.pointer}/{path}"

    @property
    def electric(self) -> bool:
        """Whether this unit is an electric one."""
        return self.unit.kind == "electric"

    @lazy
    def efficiency(self) -> float:
        """Efficiency of the drive behind the unit: as a whole, or of every stage."""
        stages = self.drive.stages.values()
        if self.drive.efficiency is None and stages and all(s.efficiency is not None for s in stages):
            return math.prod(s.efficiency.si for s in stages if s.efficiency is not None)
        return above_zero(self.drive.efficiency, self.p("drive/efficiency"), f"efficiency of the drive ({self.name})")

    @lazy
    def ratio(self) -> float:
        """Unit speed over propeller speed."""
        return self.placed.ratio

    @lazy
    def rated_speed(self) -> float:
        """Rated speed of the unit, rad/s. Raises InputError if it stands still."""
        pointer = self.p("unit/rated_speed")
        speed = need(self.unit.rated_speed, pointer, f"rated speed of the {self.name}").si
        if speed == 0:
            raise InputError(pointer, f"the rated speed of the {self.name} must be above zero", allowed="above zero")
        return speed

    @lazy
    def power(self) -> float:
        """Rated power, W."""
        return above_zero(self.unit.power, self.p("unit/power"), f"rated power of the {self.name}")

    @lazy
    def propeller_speed(self) -> float:
        """Propeller speed at rated speed, rad/s."""
        ask_all(lambda: self.ratio, lambda: self.rated_speed)
        return propeller_speed(self.rated_speed, self.ratio)

    @property
    def offset_begun(self) -> bool:
        """Whether somebody said how far a stage sets its shaft off."""
        return any(s.offset_up is not None or s.offset_starboard is not None for s in self.drive.stages.values())

    @lazy
    def offset(self) -> tuple[float, float]:
        """Output shaft off the crank's line: how far, m, and where, rad from above, clockwise seen from aft looking
        forward. Raises CannotSay."""
        asks = []
        for key, stage in along_the_train(self.drive):
            at, of = self.p(f"drive/stages/{key}"), f"the shaft behind the {stage.name} off its driving shaft"
            asks.append(lambda s=stage, a=at, w=of: need(s.offset_up, f"{a}/offset_up", f"{w}, up or down").along_m)
            asks.append(
                lambda s=stage, a=at, w=of: need(s.offset_starboard, f"{a}/offset_starboard", f"{w}, sideways").along_m
            )
        found = ask_all(*asks)
        up, starboard = sum(found[::2]), sum(found[1::2])
        return math.hypot(up, starboard), math.atan2(starboard, up) % (2 * math.pi)

    @lazy
    def unit_turns(self) -> int:
        """Turning direction of the unit, +1 clockwise seen from aft looking forward."""
        turns = self.unit.turns
        if turns is None:
            raise CannotSay(
                Gap(self.p("unit/turns"), f"which way the {self.name} turns, seen from aft looking forward")
            )
        return TURN_SIGN[turns]

    @lazy
    def output_turns(self) -> int:
        """Turning direction at the output flange."""
        at = [(self.p(f"drive/stages/{k}"), s) for k, s in along_the_train(self.drive)]
        turnings = ask_all(*(lambda p=p, s=s: stage_turning(s, p) for p, s in at))
        return output_rotation(self.unit_turns, turnings, [f"{p}/turning" for p, _ in at])

    @lazy
    def wheel_turns(self) -> int:
        """Turning of the wheel behind a crank that lies across: +1 as the craft rolls forward. Raises CannotSay."""
        sign = {"keeps": 1, "flips": -1}
        at = [(self.p(f"drive/stages/{k}"), s) for k, s in along_the_train(self.drive)]
        box = [self._box_turning] if self.drive.gears else []
        turnings = ask_all(*(lambda p=p, s=s: stage_turning(s, p) for p, s in at), *box)
        return math.prod(sign[t] for t in turnings) * (1 if self.unit.rolls == "as the wheels roll" else -1)

    def _box_turning(self) -> str:
        if self.drive.box_turning is None:
            what = f"whether the output of the box with gears turns as its input ({self.name})"
            raise CannotSay(Gap(self.p("drive/box_turning"), what))
        return self.drive.box_turning

    @lazy
    def mean_torque(self) -> float:
        """Mean torque at the output flange at rated power, no loss taken, N·m."""
        ask_all(lambda: self.power, lambda: self.rated_speed, lambda: self.ratio)
        return mean_torque(self.power, self.propeller_speed)

    @lazy
    def claims(self) -> list[tuple[float, float]]:
        """Power and speed of the rated power and of every rating, whether it lasts or not: W, rad/s."""
        asks = [lambda: (self.power, self.rated_speed)]
        for key, rating in self.unit.ratings.items():
            base, what = self.p(f"unit/ratings/{key}"), f"of the rating {rating.name} ({self.name})"
            asks.append(
                lambda r=rating, b=base, w=what: (
                    need(r.power, f"{b}/power", f"power {w}").si,
                    above_zero(r.speed, f"{b}/speed", f"speed {w}"),
                )
            )
        return list(ask_all(*asks))

    @lazy
    def hardest(self) -> tuple[float, float]:
        """Power and speed of the claim with the greatest torque."""
        return max(self.claims, key=lambda c: c[0] / c[1])

    @lazy
    def fastest(self) -> float:
        """Greatest speed of the propeller at any rating, rad/s."""
        what = lambda r: f"speed of the rating {r.name} ({self.name})"
        asks = [
            lambda k=k, r=r: above_zero(r.speed, self.p(f"unit/ratings/{k}/speed"), what(r))
            for k, r in self.unit.ratings.items()
        ]
        ratio, *speeds = ask_all(lambda: self.ratio, lambda: self.rated_speed, *asks)
        return propeller_speed(max(speeds), ratio)

    @lazy
    def output(self) -> Output:
        """What the mount needs to know: the greatest mean torque of all ratings, and how fast the propeller turns."""
        ask_all(lambda: self.hardest, lambda: self.output_turns, lambda: self.fastest)
        power, speed = self.hardest
        return Output(mean_torque(power, speed) * self.ratio, self.output_turns, self.fastest)

    def read(self, figure: Figure | None, pointer: str, what: str) -> Read:
        """A figure with its doubt. Raises CannotSay, InputError."""
        school = self.resolved.project.assumptions.tolerance_school or "two standard deviations"
        return read(figure, pointer, what, school)

    def ratio_before(self, count: float) -> float:
        """Speed of the crank over the speed behind so many stages. Raises CannotSay, InputError."""
        stages = along_the_train(self.drive)[: int(count)]
        return math.prod(ask_all(*(lambda k=k, s=s: stage_ratio(s, self.p(f"drive/stages/{k}")) for k, s in stages)))

    @property
    def box_begun(self) -> bool:
        """Whether somebody spoke of what the input of a box may be given."""
        return self.drive.box_takes is not None or self.drive.box_turns is not None

    @lazy
    def box_given(self) -> tuple[Read, Read]:
        """Greatest torque and speed at the input of the box: peak or rated torque of the unit, and its fastest rating,
        through the stages before it, N·m and rad/s. Raises CannotSay, InputError."""
        at, what = self.p("drive/box_behind"), "how many stages lie before the box that stays"
        behind = need(self.drive.box_behind, at, what).si
        if behind > len(self.drive.stages):
            raise InputError(
                at,
                "there are not so many stages before the box",
                given=str(int(behind)),
                allowed=f"0 to {len(self.drive.stages)}",
            )
        ratio, (power, speed), peak = ask_all(
            lambda: self.ratio_before(behind),
            lambda: self.hardest,
            lambda: self.read(self.unit.peak_torque, self.p("unit/peak_torque"), f"peak torque of the {self.name}"),
        )
        fastest = max(speed for _, speed in self.claims)
        torque = max(peak.si, power / speed)
        return Read(torque * ratio, peak.u * ratio), Read(fastest / ratio)

    @property
    def turned(self) -> str:
        """What the drive turns, in the words of the trade."""
        return self.resolved.word("turns")
