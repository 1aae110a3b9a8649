"""What the craft will climb and fly, by what it did with its old unit and propeller."""

from __future__ import annotations

import math

from ....errors import CannotSay, Gap, InputError, ask_all
from ....figure.reads import Read, read
from ....figure.trace import Uncertain
from ....figure.units import G0_M_S2
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.handed import HeaviestKg
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ..match.functions import told_thrust
from ..match.quantities import AirMatch
from .functions import INDUCED, INDUCED_HIGH, INDUCED_LOW, climb_rate, power_asked, top_speed

# How far the useful power of one propeller may be off against that of another by the same blade elements. Proposed.
_BETWEEN = 0.04


class Climbing(Topic):
    """Climb and level speed of one fit. match: unit against propeller, and the old one's; heaviest: of all loadings."""

    def __init__(self, resolved: Resolved, match: AirMatch, heaviest_kg: HeaviestKg) -> None:
        self.flown = resolved.project.craft.flown
        self.match = match
        self._heaviest = heaviest_kg
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def begun(self) -> bool:
        """Whether anything that was flown before, or is wanted, was said."""
        f = self.flown
        return self.match.old is not None and any(x is not None for x in (f.climb, f.top, f.wanted))

    def _read(self, name: str, what: str) -> Read:
        return read(getattr(self.flown, name), f"/craft/flown/{name}", what, self.school)

    @property
    def old(self) -> AirMatch:
        """The unit and propeller that go out; only where there are some."""
        assert self.match.old is not None
        return self.match.old

    @lazy
    def heaviest_kg(self) -> float:
        """Mass of the heaviest loading. Raises CannotSay."""
        if isinstance(self._heaviest, CannotSay):
            raise CannotSay(*self._heaviest.needs)
        return self._heaviest

    @lazy
    def climb_terms(self) -> tuple[float, float, float, float, float]:
        """Useful power now and before, W; mass now and before, kg; rate of climb before, m/s. Raises CannotSay."""
        now, before, heavy, mass, climb = ask_all(
            lambda: told_thrust(self.match.climb.thrust) * self.match.climb_airspeed,
            lambda: told_thrust(self.old.climb.thrust) * self.old.climb_airspeed,
            lambda: self.heaviest_kg,
            lambda: self._read("mass", "mass at which that climb was flown"),
            lambda: self._read("climb", "rate of climb before, at the airspeed of the best climb"),
        )
        return now, before, heavy, mass.si, climb.si

    @lazy
    def asked(self) -> float:
        """Power that level flight asked for, W. Raises CannotSay, InputError where what was flown cannot be."""
        _, before, _, mass, climb = self.climb_terms
        made = power_asked(before, mass, climb)
        if made <= 0:
            raise InputError(
                "/craft/flown/climb",
                "it climbed better than its propeller could have driven it: climb, mass or pitch before is not right",
                given=self.flown.climb.entered if self.flown.climb is not None else "",
                allowed="a climb that leaves power for level flight",
            )
        return made

    def _rate(self, induced: float) -> float:
        now, _, heavy, mass, _ = self.climb_terms
        return climb_rate(now, self.asked, heavy, mass, induced)

    @lazy
    def rate(self) -> Uncertain:
        """Rate of climb in the heaviest loading, m/s. Raises CannotSay."""
        made = self._rate(INDUCED)
        spread = max(abs(self._rate(f) - made) for f in (INDUCED_LOW, INDUCED_HIGH))
        now, _, heavy, _, _ = self.climb_terms
        read_off = 2 * self._read("climb", "").u
        return Uncertain(made, math.hypot(spread, _BETWEEN * now / (G0_M_S2 * heavy), read_off) / 2)

    @property
    def wanted(self) -> float:
        """Rate of climb wanted, m/s. Raises CannotSay."""
        if self.flown.wanted is None:
            raise CannotSay(Gap("/craft/flown/wanted", "rate of climb wanted in the heaviest loading"))
        return self.flown.wanted.si

    @lazy
    def top_terms(self) -> tuple[float, float, float]:
        """Top speed before, m/s, and useful power there now and before, W. Raises CannotSay, InputError."""
        v, now, before = ask_all(
            lambda: self.match.top_airspeed,
            lambda: told_thrust(self.match.top.thrust) * self.match.top_airspeed,
            lambda: told_thrust(self.old.top.thrust) * self.match.top_airspeed,
        )
        if min(now, before) <= 0:
            raise InputError(
                "/craft/flown/top",
                "at that speed one of the propellers brakes: speed, pitch or curve is not right",
                given=self.flown.top.entered if self.flown.top is not None else "",
                allowed="a speed at which both still pull",
            )
        return v, now, before

    def values(self, out: ValueList) -> None:
        """Headline values, once something was flown."""
        if not self.begun:
            return
        out.add(
            "climb-rate",
            "Rate of climb, heaviest loading",
            "climb",
            lambda: self.rate,
            before=lambda: self._read("climb", "rate of climb before").si,
            working=lambda: climb_rate.working(
                self.climb_terms[0], self.asked, self.climb_terms[2], self.climb_terms[3], INDUCED
            ),
        )
        out.add(
            "top-speed",
            "Level speed, full throttle",
            "road_speed",
            lambda: top_speed(*self.top_terms),
            before=lambda: self.top_terms[0],
            working=lambda: top_speed.working(*self.top_terms),
        )
