"""What one bench hands another: typed values."""

from __future__ import annotations

from dataclasses import dataclass

from ..errors import CannotSay
from ..physics.geometry import Vector


@dataclass(frozen=True, slots=True)
class Output:
    """What the drive hands to the mount: torque at the output flange and which way it turns (clockwise seen from aft
    looking forward = +1), speed of the propeller, and inertia of what it turns."""

    mean_torque_n_m: float
    rotation: int
    propeller_speed_rad_s: float


@dataclass(frozen=True, slots=True)
class FinalDrive:
    """What the final drive does to the unit in its lowest gear: force (3,) at a point (3,), a moment (3,), and the
    force at the road that goes with it; N, m, N·m. other_run_m: where a chain pulls, the same way, when the wheel
    drives the unit: its other run is tight then; None where nothing pulls."""

    force_n: Vector
    at_m: Vector
    moment_n_m: Vector
    road_n: float
    other_run_m: Vector | None = None


@dataclass(frozen=True, slots=True)
class Masses:
    """Empty mass, the heaviest loading and the most on the rear axle, kg, as the balance bench hands them on; or what
    they need."""

    empty_kg: float | CannotSay
    heaviest_kg: float | CannotSay
    rear_kg: float | CannotSay

    def rear(self) -> float:
        """Most on the rear axle in any loading, or raise what it needs."""
        if isinstance(self.rear_kg, CannotSay):
            raise CannotSay(*self.rear_kg.needs)
        return self.rear_kg

    def heaviest(self) -> float:
        """Mass of the heaviest loading, or raise what it needs."""
        if isinstance(self.heaviest_kg, CannotSay):
            raise CannotSay(*self.heaviest_kg.needs)
        return self.heaviest_kg

    def empty(self) -> float:
        """Empty mass, or raise what it needs."""
        if isinstance(self.empty_kg, CannotSay):
            raise CannotSay(*self.empty_kg.needs)
        return self.empty_kg
