"""The wheels that a craft stands on: axles, wheelbase, tracks. Made by the craft bench, read by the others."""

from __future__ import annotations

from typing import Protocol

from ..document import Support
from ..errors import CannotSay, Gap, InputError, ask_all
from ..figure.trace import Traced, need
from ..topic.lazy import lazy
from ..topic.reading import Topic


class Places(Protocol):
    """What the craft bench knows of its supports."""

    @property
    def supports(self) -> list[tuple[str, Support]]:
        """Supports in order."""
        ...

    def support_place(self, key: str, support: Support, axis: str) -> Traced:
        """Station, butt line or water line of a support."""
        ...


class Wheels(Topic):
    """Axles from the supports of the craft bench."""

    only_of = "stands on wheels"

    def __init__(self, craft: Places) -> None:
        self.supports = craft.supports
        self._place = craft.support_place

    def _axle(self, role: str) -> list[tuple[str, Support]]:
        found = [(k, s) for k, s in self.supports if s.role == role]
        if not found:
            raise CannotSay(Gap("/craft/supports", f"a {role} wheel"))
        return found

    def _mean(self, role: str, axis: str) -> float:
        wheels = self._axle(role)
        asks = [lambda k=k, s=s: self._place(k, s, axis) for k, s in wheels]
        return sum(a.value for a in ask_all(*asks)) / len(asks)

    def axle(self, role: str) -> Traced:
        """Station of an axle, with what it was read from."""
        wheels = self._axle(role)
        ask_all(*[lambda k=k, s=s: self._place(k, s, "x") for k, s in wheels])
        total = Traced(0.0)
        for key, wheel in wheels:
            total = total + self._place(key, wheel, "x").times(1 / len(wheels))
        return total

    @lazy
    def front_m(self) -> float:
        """Station of the front axle."""
        return self._mean("front", "x")

    @lazy
    def rear_m(self) -> float:
        """Station of the rear axle."""
        return self._mean("rear", "x")

    @lazy
    def base_m(self) -> float:
        """Wheelbase. Raises InputError when both axles are in one place or the wrong way round."""
        ask_all(lambda: self.front_m, lambda: self.rear_m)
        if self.rear_m - self.front_m < 1e-3:
            raise InputError("/craft/supports", "the rear axle is not aft of the front one: no wheelbase")
        return self.rear_m - self.front_m

    @lazy
    def ground_m(self) -> float:
        """Water line of the ground."""
        asks = [lambda k=k, s=s: self._place(k, s, "z") for k, s in self.supports]
        if not asks:
            raise CannotSay(Gap("/craft/supports", "wheels"))
        return min(a.value for a in ask_all(*asks))

    @lazy
    def rear_axle_z_m(self) -> float:
        """Water line of the rear axle's centre."""
        key, wheel = self._axle("rear")[0]
        radius = lambda: need(wheel.radius, f"/craft/supports/{key}/radius", f"radius of the {wheel.name}, loaded")
        ask_all(radius, lambda: self._place(key, wheel, "z"))
        return self._place(key, wheel, "z").value + radius().si

    def middle_m(self, role: str) -> float:
        """Butt line of the middle of an axle's wheels, m."""
        return self._mean(role, "y")

    def across_m(self, key: str, support: Support) -> float:
        """Butt line of a wheel, m."""
        return self._place(key, support, "y").value

    def track_m(self, role: str) -> float | None:
        """Track of an axle; None when it has one wheel."""
        wheels = self._axle(role)
        if len(wheels) < 2:
            return None
        asks = [lambda k=k, s=s: self._place(k, s, "y") for k, s in wheels]
        values = [a.value for a in ask_all(*asks)]
        return max(values) - min(values)
