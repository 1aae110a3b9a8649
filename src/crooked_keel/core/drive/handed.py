"""What other benches hand to this one, as far as it is read here."""

from __future__ import annotations

from typing import Protocol


class Curve(Protocol):
    """Full-throttle torque of a unit by its speed, N·m and rad/s."""

    slowest_rad_s: float
    fastest_rad_s: float

    def torque_at(self, speed_rad_s: float) -> float:
        """Torque at a speed."""
        ...


class Sheet(Protocol):
    """A unit as its sheet has it."""

    @property
    def curve(self) -> Curve:
        """The curve. Raises CannotSay, InputError."""
        ...
