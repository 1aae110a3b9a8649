"""Small mechanics that several benches share."""

from __future__ import annotations

import math
from dataclasses import dataclass

from .document import Drive, Stage
from .errors import CannotSay, InputError, Need, all_or_cannot_say
from .formula import formula
from .geometry import Vector
from .trace import need


def stage_ratio(stage: Stage, pointer: str) -> float:
    """Driver speed over driven speed of one stage. Teeth give it exactly; a typed ratio must then agree."""
    teeth = stage.driver_teeth, stage.driven_teeth
    if teeth[0] is not None or teeth[1] is not None:
        driver, driven = teeth
        all_or_cannot_say(
            lambda: need(driver, f"{pointer}/driver_teeth", f"driving teeth of the {stage.name}"),
            lambda: need(driven, f"{pointer}/driven_teeth", f"driven teeth of the {stage.name}"),
        )
        assert driver is not None and driven is not None
        ratio = driven.si / driver.si
        if stage.ratio is not None and abs(stage.ratio.si - ratio) > 0.005 * ratio:
            raise InputError(
                f"{pointer}/ratio",
                f"the {stage.name}: the ratio typed and its teeth do not agree",
                given=stage.ratio.entered,
            )
        return ratio
    return need(stage.ratio, f"{pointer}/ratio", f"ratio of the {stage.name}").si


def overall_ratio(drive: Drive, pointer: str, name: str) -> float:
    """Π of the stage ratios; 1 without stages. Source: kinematics."""
    total = 1.0
    all_or_cannot_say(*[lambda k=k, s=s: stage_ratio(s, f"{pointer}/stages/{k}") for k, s in drive.stages.items()])
    for key, stage in drive.stages.items():
        total *= stage_ratio(stage, f"{pointer}/stages/{key}")
    return total


@formula(
    "mechanics.mean-torque", "Q = P / ω",
    result=("torque", "mean torque"), P=("power", "power"), ω=("rotation", "speed"),
    source="definition of power",
)  # fmt: skip
def mean_torque(power_w: float, speed_rad_s: float) -> float:
    """Mean torque of a power at a speed, N·m."""
    if speed_rad_s <= 0:
        raise InputError("rated_speed", "the speed must be above zero")
    return power_w / speed_rad_s


@formula(
    "mechanics.ratio", "i = Πdriven / Πdriving", result=("number", "overall ratio"), Πdriven=("number", "driven teeth, or ratios, multiplied"),
    Πdriving=("number", "driving teeth multiplied"), source="kinematics",
)  # fmt: skip
def ratio_of_products(driven: float, driving: float) -> float:
    """Overall ratio from the products of driven and driving teeth; a stage known by its ratio counts as driven."""
    return driven / driving


def ratio_products(drive: Drive) -> tuple[float, float]:
    """Products of driven and of driving teeth over the stages that are known."""
    driven = driving = 1.0
    for stage in drive.stages.values():
        if stage.driver_teeth is not None and stage.driven_teeth is not None:
            driven, driving = driven * stage.driven_teeth.si, driving * stage.driver_teeth.si
        elif stage.ratio is not None:
            driven *= stage.ratio.si
    return driven, driving


# Mean-torque factor by kind and cylinders: 14 CFR 23.361(c) before amendment 64 and CS-VLA 361 (from memory).
TORQUE_FACTOR_SOURCE = "14 CFR 23.361(c) before amendment 64; CS-VLA 361 (from memory)"
_FOUR_STROKE = {1: 8.0, 2: 4.0, 3: 3.0, 4: 2.0}
_TWO_STROKE = {1: 6.0, 2: 3.0}
# No row in the codes for compression ignition: twice the four-stroke row (proposed default, the person must confirm).
_DIESEL = 2.0


def torque_factor(kind: str, cylinders: int | None) -> float:
    """Limit torque over mean torque. Raises CannotSay where the codes give none (electric: needs its peak torque)."""
    if kind == "turbine":
        return 1.25
    if kind == "electric" or cylinders is None:
        raise CannotSay(Need("", "number of cylinders"))
    if kind in ("four-stroke", "diesel"):
        return _FOUR_STROKE.get(cylinders, 1.33) * (_DIESEL if kind == "diesel" else 1.0)
    return _TWO_STROKE.get(cylinders, 2.0)


@dataclass(frozen=True, slots=True)
class Output:
    """What the drive hands to the mount: torque at the output flange and which way it turns (clockwise seen from aft
    looking forward = +1), speed of the propeller, and inertia of what it turns."""

    mean_torque_n_m: float
    rotation: int
    propeller_speed_rad_s: float


@dataclass(frozen=True, slots=True)
class FinalDrive:
    """What the final drive does to the unit in its lowest gear: force (3,) at a point (3,), a moment (3,), and the force at the
    road that goes with it; N, m, N·m."""

    force_n: Vector
    at_m: Vector
    moment_n_m: Vector
    road_n: float


@dataclass(frozen=True, slots=True)
class Masses:
    """Empty mass, the heaviest loading and the most on the rear axle, kg, as the balance bench hands them on; or what they need."""

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


TURN_SIGN = {"clockwise": 1, "anticlockwise": -1}


def cg_from_suspension(
    first: tuple[float, float],
    first_mark: tuple[float, float],
    second: tuple[float, float],
    second_mark: tuple[float, float],
) -> tuple[float, float]:
    """CG of a bare unit hung by two points in turn: where the two plumb lines, each through its point and a mark under it, cross.
    Places (along, up) in m, in the unit's own frame.

    Raises InputError for a mark at its point and for lines less than 20° apart. Source: statics."""
    ux, uz = first_mark[0] - first[0], first_mark[1] - first[1]
    vx, vz = second_mark[0] - second[0], second_mark[1] - second[1]
    if math.hypot(ux, uz) < 1e-3 or math.hypot(vx, vz) < 1e-3:
        raise InputError(
            "/unit/hung/first_mark_aft", "the mark is at the point it hangs from: set it further down the line"
        )
    cross = ux * vz - uz * vx
    if abs(cross) < math.sin(math.radians(20)) * math.hypot(ux, uz) * math.hypot(vx, vz):
        raise InputError(
            "/unit/hung/second_aft", "the two plumb lines are less than 20° apart: hang it from further off"
        )
    t = ((second[0] - first[0]) * vz - (second[1] - first[1]) * vx) / cross
    return first[0] + t * ux, first[1] + t * uz


@formula(
    "mechanics.two-scales", "x = (Ra·xa + Rb·xb) / (Ra + Rb)", result=("length", "CG of the bare unit"), Ra=("mass", "net, first edge"), xa=("length", "first edge"),
    Rb=("mass", "net, second edge"), xb=("length", "second edge"), source="statics",
)  # fmt: skip
def two_scale_cg(first_kg: float, first_m: float, second_kg: float, second_m: float) -> float:
    """CG of a bare unit on two edges, m. Raises InputError when both edges are in one place or nothing is weighed."""
    if abs(first_m - second_m) < 1e-6:
        raise InputError("/unit/on_scales/second_at", "both edges are in one place: the CG cannot be found")
    if first_kg + second_kg <= 0:
        raise InputError("/unit/on_scales/first_reading", "the scales carry nothing")
    return (first_kg * first_m + second_kg * second_m) / (first_kg + second_kg)
