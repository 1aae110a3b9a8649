"""A craft on its wheels, in one state."""

from __future__ import annotations

from dataclasses import dataclass

from ...errors import CannotSay, Gap, InputError
from ...formula import record
from .functions import rear_axle


@record
class AxlesOut:
    """One loading: loads on the axles and pitch limits, before and after."""

    id: str
    name: str
    mass_before_si: float | None
    mass_si: float | None
    front_before_si: float | None
    front_si: float | None
    rear_before_si: float | None
    rear_si: float | None
    wheelie_before: float | None
    wheelie: float | None
    stop_before: float | None
    stop: float | None
    needs: list[Gap]


@dataclass(frozen=True)
class Stance:
    """A craft on its wheels: kg, m from the front axle and over the ground. height_m is None where it cannot be
    said."""

    id: str
    name: str
    mass_kg: float
    x_m: float
    base_m: float
    height_m: float | None

    @property
    def rear_kg(self) -> float:
        """On the rear axle."""
        return rear_axle(self.mass_kg, self.x_m, self.base_m)

    @property
    def front_kg(self) -> float:
        """On the front axle."""
        return self.mass_kg - self.rear_kg

    @property
    def front_share(self) -> float:
        """Share of the mass on the front axle."""
        return self.front_kg / self.mass_kg

    def height(self) -> float:
        """CG over the ground, or raise what it needs."""
        if self.height_m is None:
            raise CannotSay(Gap("/craft/as_found/water_line", "height of the CG as found"))
        return _over_ground(self.height_m)


def _over_ground(height_m: float) -> float:
    """The height, or InputError when it is not over the ground."""
    if height_m <= 0:
        raise InputError(
            "/craft/as_found/water_line",
            "the CG does not lie over the ground: check its height",
            allowed="a height above the ground line",
        )
    return height_m


EMPTY = "empty"
