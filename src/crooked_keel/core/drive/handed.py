"""What other benches hand to this one, as far as it is read here."""

from __future__ import annotations

from typing import Annotated, NamedTuple, Protocol

from ..errors import CannotSay


class OnWheels(NamedTuple):
    """A craft on its wheels: mass, kg, wheelbase, CG aft of the front axle and over the ground, m."""

    mass_kg: float
    base_m: float
    x_m: float
    height_m: float


# The heaviest ridden loading on its wheels.
Ridden = Annotated[OnWheels | CannotSay, "ridden"]


class TorqueCurve(Protocol):
    """Full-throttle torque of a unit by its speed, N·m and rad/s."""

    slowest_rad_s: float
    fastest_rad_s: float

    def torque_at(self, speed_rad_s: float) -> float:
        """Torque at a speed."""
        ...


class Sheet(Protocol):
    """A unit as its sheet has it: its curve, what is left of it at height, what it burns."""

    @property
    def curve(self) -> TorqueCurve:
        """The curve. Raises CannotSay, InputError."""
        ...

    @property
    def share_left(self) -> float:
        """Share of its power that is left where it is used. Raises CannotSay, InputError."""
        ...

    @property
    def power_there(self) -> float:
        """Power that lasts, left where it is used, W. Raises CannotSay, InputError."""
        ...

    @property
    def consumption(self) -> float:
        """Fuel for its work, kg/J. Raises CannotSay."""
        ...
