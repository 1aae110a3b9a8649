"""An air propeller on one installation."""

from __future__ import annotations

import math

from ....errors import CannotSay, ask_all
from ....figure.reads import Read, read
from ....figure.trace import above_zero, need
from ....judging.values import ValueList
from ....physics.atmosphere import isa
from ....resolved.craft import Resolved
from ....resolved.handed import Ground
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ....topic.supply import Replaced
from ...train.quantities import Train
from .functions import ground_clearance, helical_mach, max_diameter_ground, max_diameter_tip, tip_mach, tip_speed

TIP_MACH_DEFAULT = 0.85
CLEARANCE_DEFAULT_M = {"tailwheel": 0.2286, "tricycle": 0.1778, "canard": 0.1778}
# Where nobody said how fast the craft flies, tips are judged as if no faster than this, m/s. Proposed.
FAST_M_S = 90.0
# How much nearer to sound tips come at 3000 m than at sea level, ISA: where nobody said how high it flies. Proposed.
AT_HEIGHT = isa(0.0).sound_m_s / isa(3000.0).sound_m_s


class AirPropeller(Topic):
    """An air propeller: tips and clearance. ground: station and water line under the main wheels, from the craft
    bench."""

    only_of = "air propeller"

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        ground: Ground,
        old: Replaced[AirPropeller],
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.propeller = placed.installation.propeller
        self._ground = ground
        self.old = old

    @lazy
    def diameter(self) -> float:
        """Propeller diameter, m."""
        return above_zero(
            self.propeller.diameter,
            self.train.p("propeller/diameter"),
            f"diameter of the propeller ({self.train.name})",
        )

    @property
    def height_m(self) -> float:
        """Height at which the power is wanted, m; sea level where nobody said."""
        height = self.resolved.project.need.altitude
        return max(height.si, 0.0) if height is not None else 0.0

    @property
    def sound(self) -> float:
        """Speed of sound at the height where the power is wanted, ISA, m/s: the lower, the sooner the tips reach it."""
        return isa(self.height_m).sound_m_s

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
        """Static tip Mach at the fastest that a rating turns it."""
        ask_all(lambda: self.diameter, lambda: self.train.fastest)
        return tip_mach(self.diameter, self.train.fastest, self.sound)

    @property
    def airspeed(self) -> float | None:
        """Fastest airspeed at full power, m/s, where it was said."""
        given = self.resolved.project.craft.airspeed
        return given.si if given is not None else None

    def mach_at(self, airspeed_m_s: float) -> float:
        """Tip Mach in flight: the tips go round and ahead."""
        return helical_mach(self.mach, airspeed_m_s, self.sound)

    @property
    def airspeed_allowed(self) -> float:
        """Airspeed at which the tips reach the Mach number allowed, m/s; 0 where they do standing."""
        left = self.mach_limit**2 - self.mach**2
        return self.sound * math.sqrt(left) if left > 0 else 0.0

    @lazy
    def hub(self) -> tuple[float, float]:
        """Hub over the ground, and ahead of the main wheels' contact, level, m."""
        if isinstance(self._ground, CannotSay):
            ask_all(lambda: self.placed.propeller_centre, self._raise_ground)
        x, _, z = self.placed.propeller_centre
        wheel_x, ground_z = self._ground
        return z.value - ground_z, wheel_x - x.value

    def _raise_ground(self) -> None:
        if isinstance(self._ground, CannotSay):
            raise CannotSay(*self._ground.needs)

    def clearance(self, attitude_rad: float) -> float:
        """Tip clearance in an attitude, m."""
        ask_all(lambda: self.hub, lambda: self.diameter)
        return ground_clearance(*self.hub, attitude_rad, self.diameter)

    @lazy
    def gear_drop(self) -> Read:
        """How far the propeller comes down on a flat tyre and a strut on its stop, m. Raises CannotSay."""
        what = "how far the propeller comes down, tyre flat and strut on its stop"
        school = self.resolved.project.assumptions.tolerance_school or "two standard deviations"
        return read(self.resolved.project.craft.gear_drop, "/craft/gear_drop", what, school, zero=True)

    @lazy
    def lowest_attitude(self) -> float:
        """Steepest nose-down attitude on the ground, rad, as a nose-up angle."""
        return -need(
            self.resolved.project.craft.lowest_attitude,
            "/craft/lowest_attitude",
            "steepest nose-down attitude on the take-off run",
        ).si

    @lazy
    def attitudes(self) -> tuple[float, ...]:
        """Attitudes on the ground in which the tips are judged, nose-up angles, rad: level and nose down; of a pusher
        tail down too, where a propeller behind the wheels comes lowest."""
        ask_all(lambda: self.lowest_attitude, lambda: self.placed.pushes)
        highest = self.resolved.project.craft.highest_attitude
        if self.placed.pushes:
            highest = need(highest, "/craft/highest_attitude", "steepest nose-up attitude, tail down")
        return (0.0, self.lowest_attitude, *([highest.si] if highest is not None else []))

    @lazy
    def worst_clearance(self) -> tuple[float, float]:
        """Least clearance of every attitude, and that attitude."""
        ask_all(lambda: self.attitudes, lambda: self.clearance(0.0))
        return min((self.clearance(a), a) for a in self.attitudes)

    @property
    def diameter_in_flight(self) -> float:
        """Largest diameter by tip Mach in flight, m: at the airspeed that was said, else as fast as is judged without
        one."""
        v = self.airspeed if self.airspeed is not None else FAST_M_S
        standing = math.sqrt(max(self.mach_limit**2 - (v / self.sound) ** 2, 0.0))
        return max_diameter_tip(standing, self.sound, self.train.fastest)

    @lazy
    def diameter_for_mach(self) -> float:
        """Largest diameter by tip Mach, m."""
        return max_diameter_tip(self.mach_limit, self.sound, self.train.fastest)

    @lazy
    def diameter_for_ground(self) -> float:
        """Largest diameter by clearance in every attitude, m."""
        ask_all(lambda: self.hub, lambda: self.attitudes)
        return max_diameter_ground(*self.ground_terms())

    def ground_terms(self) -> tuple[float, float, float, float]:
        """Hub, attitude and clearance of the attitude that allows least."""
        terms = [(*self.hub, a, self.clearance_wanted) for a in self.attitudes]
        return min(terms, key=lambda t: max_diameter_ground(*t))

    def values(self, out: ValueList) -> None:
        """Tips and clearance of an air propeller."""
        old = self.old
        out.add(
            "tip-speed",
            "Tip speed, standing",
            "speed",
            lambda: tip_speed(self.diameter, self.train.propeller_speed),
            before=(lambda: tip_speed(old.diameter, old.train.propeller_speed)) if old else None,
            working=lambda: tip_speed.working(self.diameter, self.train.propeller_speed),
        )
        out.add(
            "tip-mach",
            "Tip Mach, standing",
            "number",
            lambda: self.mach,
            before=(lambda: old.mach) if old else None,
            working=lambda: tip_mach.working(self.diameter, self.train.fastest, self.sound),
        )
        out.add(
            "diameter-for-mach",
            "Largest diameter, tip Mach",
            "length",
            lambda: self.diameter_for_mach,
            working=lambda: max_diameter_tip.working(self.mach_limit, self.sound, self.train.fastest),
        )
        out.add(
            "diameter-for-ground",
            "Largest diameter, ground clearance",
            "length",
            lambda: self.diameter_for_ground,
            working=lambda: max_diameter_ground.working(*self.ground_terms()),
        )
        out.add(
            "clearance",
            "Tip clearance, worst attitude",
            "length",
            lambda: self.worst_clearance[0],
            before=(lambda: old.worst_clearance[0]) if old else None,
            working=lambda: ground_clearance.working(*self.hub, self.worst_clearance[1], self.diameter),
        )
