"""The full-throttle torque of a unit through its train, against what its air propeller asks for."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Annotated, Literal, NamedTuple

import numpy as np

from ....errors import CannotSay, Gap, InputError, ask_all, or_none
from ....figure.trace import Uncertain, above_zero
from ....judging.values import ValueList
from ....physics.atmosphere import isa
from ....physics.blades import AirThrough, Array, BladeSet, Chart, chart, outline, pull
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.memo import Memo
from ....topic.reading import Topic
from ....topic.supply import Remembers, Replaced
from ...handed import Sheet, TorqueCurve
from ...matched import AnnulusOut, MatchOut
from ...train.functions import last_fall
from ...train.quantities import Train
from ..propeller.quantities import AirPropeller
from .functions import THREE_QUARTERS, blade_angle, crossing, told_thrust

State = Literal["full", "runs away", "held down"]

# Places along the curve at which both are looked at.
_PLACES = 21
# Blades are turned within these from what the pitch says to meet a static speed that was read.
_TURNED = (math.radians(-8), math.radians(12))
_NEAR = 1e-5
# Pitch and blade angle that are both given may differ by so much. Proposed.
_AGREE_RAD = math.radians(0.5)
# Of a diameter: pitches among which a way out is looked for.
_PITCHES = (0.25, 1.6)
# How far a speed may be off: of the generic blade, and once one static speed was read. Proposed.
DOUBT, READ_DOUBT = 0.05, 0.01
# Of the outer blade so much stalled, or the blade so steep, and what is reckoned standing is not to be used.
STALLED, STEEP_RAD = 0.6, math.radians(20)
# Standing, of the fastest speed allowed: between these all is well, in the middle a way out aims.
SLOW, FAST, AIM = 0.88, 0.95, 0.92


class Matched(NamedTuple):
    """Where unit and propeller agree: speed of the unit, rad/s, and thrust, N; share of the outer blade that stalls,
    and which annuli do. state: whether it runs past the end of the curve, or is held down below its beginning."""

    state: State
    speed: float
    thrust: float
    stalled: float
    over: tuple[bool, ...] = ()


class AirMatch(Topic):
    """Unit against air propeller, at sea level on a standard day."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        air: AirPropeller,
        sheet: Sheet,
        old: Replaced[AirMatch],
        charts: Annotated[Memo, Remembers("charts", 64)],
    ) -> None:
        self.resolved = resolved
        self.train = train
        self.air_propeller = air
        self.sheet = sheet
        self.old = old
        self.charts = charts
        self.drive = placed.installation.drive
        self.propeller = placed.installation.propeller

    def p(self, path: str) -> str:
        """Pointer of a part of the installation."""
        return f"{self.train.pointer}/{path}"

    @property
    def governed(self) -> bool:
        """Whether a governor turns the blades: then the speed is what it is set to."""
        return self.propeller.blades_set == "by a governor"

    @property
    def said(self) -> bool:
        """Whether its pitch, or its blade angle, is a figure that stands."""
        return not self.governed and (self.propeller.pitch is not None or self.propeller.blade_angle is not None)

    @property
    def air(self) -> AirThrough:
        """Sea level, standard day."""
        day = isa(0.0)
        return AirThrough(day.density_kg_m3, day.sound_m_s)

    @lazy
    def efficiency(self) -> float:
        """Efficiency of the train; 1 where there is none. Raises CannotSay."""
        if not self.drive.stages and self.drive.efficiency is None:
            return 1.0
        return self.train.efficiency

    @lazy
    def drawn(self) -> BladeSet:
        """The propeller by its pitch, or by its blade angle. Raises CannotSay."""
        name, said = self.train.name, self.propeller
        across, count = ask_all(lambda: self.air_propeller.diameter, lambda: self._count())
        if said.blade_angle is not None:
            if said.pitch is not None and abs(self.angle_at(said.pitch.si) - said.blade_angle.si) > _AGREE_RAD:
                raise InputError(
                    self.p("propeller/blade_angle"),
                    "pitch and blade angle do not agree: which?",
                    given=said.blade_angle.entered,
                    allowed="the angle that its pitch has at three quarters, or one of the two left blank",
                )
            return BladeSet(across, self.pitch_at(said.blade_angle.si), count)
        return BladeSet(
            across, above_zero(said.pitch, self.p("propeller/pitch"), f"pitch of the propeller ({name})"), count
        )

    def _count(self) -> int:
        blades = self.propeller.blades
        if blades is None:
            raise CannotSay(Gap(self.p("propeller/blades"), f"number of blades ({self.train.name})"))
        return int(blades.si)

    @property
    def blade_angle(self) -> float:
        """Angle of the blade at three quarters of its radius, as drawn, rad."""
        return self.angle_at(self.drawn.pitch_m)

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
        _, ratio, efficiency = ask_all(lambda: self.curve, lambda: self.train.ratio, lambda: self.efficiency)
        return np.array([self.curve.torque_at(float(s)) for s in self.speeds]) * ratio * efficiency

    def match(self, airspeed_m_s: float, blades: BladeSet, air: AirThrough | None = None, left: float = 1.0) -> Matched:
        """Where they agree at an airspeed with such blades; in another air with the share of the torque that is left
        there. Raises CannotSay."""
        ratio, air = self.train.ratio, air or self.air
        try:
            state, speed = self._agreed(airspeed_m_s, blades, air, left)
            there = pull(blades, np.array([speed / ratio]), airspeed_m_s, air)
        except InputError:  # so flat that the air drives it
            return Matched("runs away", float(self.speeds[-1]), 0.0, 0.0)
        over = tuple(bool(o) for o in there.over[0])
        return Matched(state, speed, float(there.thrust[0]), float(there.stalled[0]), over)

    def _agreed(self, airspeed_m_s: float, blades: BladeSet, air: AirThrough, left: float) -> tuple[State, float]:
        """How they agree, and the speed of the unit, rad/s. Raises InputError where the model ends."""
        ratio, there = self.train.ratio, self.chart(blades, airspeed_m_s, air)
        spare = self.given * left - there.at(self.speeds / ratio)[1]
        fall = last_fall(spare)
        if spare[-1] > 0:
            return "runs away", float(self.speeds[-1])
        if fall is None:
            return "held down", float(self.speeds[0])
        factor = ratio * self.efficiency * left
        to_spare = lambda s: self.curve.torque_at(s) * factor - there.torque(s / ratio)
        return "full", crossing(lambda s: -to_spare(s), *(float(s) for s in self.speeds[fall : fall + 2]))

    def chart(self, blades: BladeSet, airspeed_m_s: float, air: AirThrough) -> Chart:
        """A propeller at an airspeed: it does not hang on what turns it. Raises InputError where the model ends."""
        return self.charts((), lambda: chart(blades, airspeed_m_s, air), blades, airspeed_m_s, air)

    @lazy
    def turned(self) -> float:
        """By how much the blades are turned so that the static speed that was read comes out, rad; 0 where none was.
        Raises InputError where no turning gives it."""
        read = self.propeller.static_speed
        if read is None:
            return 0.0
        drawn, _ = ask_all(lambda: self.drawn, lambda: self.given)
        if self.propeller.read_angle is not None:
            drawn = drawn._replace(pitch_m=self.pitch_at(self.propeller.read_angle.si))
        made = self._met(0.0, read.si, _TURNED, lambda turned: drawn._replace(turned_rad=turned))
        if made is None:
            raise InputError(
                self.p("propeller/static_speed"),
                "no blade of about this pitch turns so: pitch, curve or reading is not right",
                given=read.entered,
                allowed="a speed between the first and the last point of the curve",
            )
        return made

    def _met(
        self, airspeed_m_s: float, speed: float, within: tuple[float, float], blades: Callable[[float], BladeSet]
    ) -> float | None:
        """What brings the unit to a speed at an airspeed, from fine to coarse; None where nothing within does."""
        from scipy.optimize import brentq  # asked for a way out, and slow to load

        over = lambda x: self.speed(airspeed_m_s, blades(x)) - speed
        fine, coarse = (over(x) for x in within)
        if fine <= 0 or coarse >= 0:
            return None
        return float(brentq(over, *within, xtol=_NEAR))

    def speed(self, airspeed_m_s: float, blades: BladeSet) -> float:
        """Speed of the unit alone where both agree, rad/s; its fastest where they do not. Raises CannotSay."""
        try:
            return self._agreed(airspeed_m_s, blades, self.air, 1.0)[1]
        except InputError:
            return float(self.speeds[-1])

    def thrust(self, airspeed_m_s: float, blades: BladeSet, air: AirThrough, left: float) -> float:
        """Thrust alone where both agree, N; none where the model ends. Raises CannotSay."""
        try:
            speed = self._agreed(airspeed_m_s, blades, air, left)[1]
            return self.chart(blades, airspeed_m_s, air).thrust(speed / self.train.ratio)
        except InputError:
            return 0.0

    def pitch_for(self, airspeed_m_s: float, speed: float, other: BladeSet | None = None) -> float | None:
        """The pitch of the own or of other blades for a speed of the unit at an airspeed, m; None where none of a
        quarter to 1.6 diameters does."""
        blades = other or self.blades
        within = tuple(x * blades.diameter_m for x in _PITCHES)
        return self._met(airspeed_m_s, speed, within, lambda pitch: blades._replace(pitch_m=pitch))  # type: ignore[arg-type]

    def pitch_at(self, angle_rad: float) -> float:
        """Pitch of a blade that stands so at three quarters of its radius, m."""
        return THREE_QUARTERS * math.pi * self.air_propeller.diameter * math.tan(angle_rad)

    def angle_at(self, pitch_m: float) -> float:
        """Angle at three quarters of the radius of a blade of such a pitch, rad."""
        return blade_angle(pitch_m, self.air_propeller.diameter)

    @lazy
    def blades(self) -> BladeSet:
        """The propeller as drawn, turned to what was read. Raises CannotSay."""
        drawn, _, turned = ask_all(lambda: self.drawn, lambda: self.given, lambda: self.turned)
        return drawn._replace(turned_rad=turned)

    @lazy
    def static(self) -> Matched:
        """Standing, full throttle. Raises CannotSay."""
        return self.match(0.0, self.blades)

    @lazy
    def climb_airspeed(self) -> float:
        """Airspeed of the best climb, m/s. Raises CannotSay."""
        figure = self.resolved.project.craft.climb_speed
        return above_zero(figure, "/craft/climb_speed", "airspeed of the best climb")

    @lazy
    def climb(self) -> Matched:
        """At the airspeed of the best climb, full throttle. Raises CannotSay."""
        v, blades = ask_all(lambda: self.climb_airspeed, lambda: self.blades)
        return self.match(v, blades)

    @lazy
    def top_airspeed(self) -> float:
        """Level speed at full throttle that was flown before, m/s. Raises CannotSay."""
        figure = self.resolved.project.craft.flown.top
        return above_zero(figure, "/craft/flown/top", "level speed at full throttle before")

    @lazy
    def top(self) -> Matched:
        """At that speed, full throttle. Raises CannotSay."""
        v, blades = ask_all(lambda: self.top_airspeed, lambda: self.blades)
        return self.match(v, blades)

    @lazy
    def allowed(self) -> float:
        """The fastest that a rating turns the unit, rad/s. Raises CannotSay."""
        return max(speed for _, speed in self.train.claims)

    @property
    def doubt(self) -> float:
        """How far a speed may be off, as a share."""
        if self.propeller.static_speed is None:
            return DOUBT
        return READ_DOUBT if self.propeller.read_angle is None else 2 * READ_DOUBT

    def _doubted(self, speed: float) -> Uncertain:
        return Uncertain(speed, self.doubt * speed / 2)

    @property
    def useless(self) -> bool:
        """Whether standing figures are not to be used: a blade that is stalled, or steep."""
        return self.static.stalled > STALLED or self.blade_angle + self.turned > STEEP_RAD

    @lazy
    def per_degree(self) -> float:
        """By how much a degree coarser lowers the static speed, rad/s. Raises CannotSay."""
        coarser = self.blades._replace(turned_rad=self.turned + math.radians(1))
        return self.static.speed - self.speed(0.0, coarser)

    def values(self, out: ValueList) -> None:
        """Headline values, once a pitch or an angle is there."""
        if not self.said:
            return
        old = self.old if self.old is not None and self.old.said else None
        source = "blade elements, generic blade"
        stalled = or_none(lambda: self.useless)
        out.add(
            "static-speed",
            "Unit, full throttle, standing" + (": stalled or steep, not to be used" if stalled else ""),
            "rotation",
            lambda: self._doubted(self.static.speed),
            before=(lambda: old.static.speed) if old else None,
            source=source,
        )
        out.add(
            "climb-speed",
            "Unit, full throttle, in the climb",
            "rotation",
            lambda: self._doubted(self.climb.speed),
            source=source,
        )
        out.add(
            "static-thrust",
            "Thrust, full throttle, standing",
            "force",
            lambda: told_thrust(self.static.thrust),
            before=(lambda: told_thrust(old.static.thrust)) if old else None,
            working=lambda: told_thrust.working(self.static.thrust),
        )
        out.add(
            "climb-thrust",
            "Thrust in the climb",
            "force",
            lambda: told_thrust(self.climb.thrust),
            working=lambda: told_thrust.working(self.climb.thrust),
        )
        out.add(
            "per-degree", "A degree coarser lowers it, standing, by", "rotation", lambda: self.per_degree, source=source
        )
        out.add(
            "blade-angle",
            "Blade angle at three quarters",
            "angle",
            lambda: self.blade_angle,
            working=lambda: blade_angle.working(self.drawn.pitch_m, self.drawn.diameter_m),
        )

    def table(self) -> MatchOut:
        """The match as drawn. Raises CannotSay."""
        given, blades, allowed = ask_all(lambda: self.given, lambda: self.blades, lambda: self.allowed)
        asks = lambda v: np.maximum(self.chart(blades, v, self.air).at(self.speeds / self.train.ratio)[1], 0.0).tolist()
        figure = self.resolved.project.craft.climb_speed
        climbs = figure is not None and figure.si > 0
        at = lambda m: m.speed if m.state == "full" else None
        return MatchOut(
            speeds_si=self.speeds.tolist(),
            unit_si=given.tolist(),
            standing_si=asks(0.0),
            climbing_si=asks(figure.si) if figure is not None and climbs else [],
            static_si=at(self.static),
            climb_si=at(self.climb) if climbs else None,
            allowed_si=allowed,
            slow_si=SLOW * allowed,
            fast_si=FAST * allowed,
            blade=self._drawn_blade(climbs),
        )

    def _drawn_blade(self, climbs: bool) -> list[AnnulusOut]:
        """The blade from hub to tip, with what of it is stalled."""
        made = outline(self.blades)
        none = (False,) * len(made)
        standing, climbing = self.static.over or none, (self.climb.over or none) if climbs else none
        return [
            AnnulusOut(radius_si=r, chord_si=c, angle_si=a, standing=s, climbing=k)
            for (r, c, a), s, k in zip(made, standing, climbing, strict=True)
        ]
