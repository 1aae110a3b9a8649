"""What one bench hands another: typed values."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, NewType

from ..errors import CannotSay
from ..physics.geometry import Vector

# The fit that is looked at, by its key; None for the craft as found.
FitId = NewType("FitId", str)


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


# What benches hand each other beside topics, by name; or what it needs.
# Water line of the ground, and how far the nose goes down, m and rad.
Ground = Annotated[tuple[float, float] | CannotSay, "ground"]
# The heaviest loading, the most on the rear axle, and on the axle that drives, kg.
HeaviestKg = Annotated[float | CannotSay, "heaviest"]
RearKg = Annotated[float | CannotSay, "rear"]
DrivenKg = Annotated[float | CannotSay, "driven"]
# What the train hands to the mount; what a final drive does, None where there is none.
OutputOfTrain = Annotated[Output | CannotSay, "output"]
FinalOfRuns = Annotated[FinalDrive | CannotSay | None, "final"]
