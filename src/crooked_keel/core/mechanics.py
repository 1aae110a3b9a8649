"""Small mechanics that several benches share."""

from __future__ import annotations

from dataclasses import dataclass

from .document import Drive, Stage
from .errors import CannotSay, InputError, Need, all_or_cannot_say
from .formula import formula
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


def torque_factor(kind: str, cylinders: int | None) -> float:
    """Limit torque over mean torque. Raises CannotSay where the codes give none (electric: needs its peak torque)."""
    if kind == "turbine":
        return 1.25
    if kind == "electric" or cylinders is None:
        raise CannotSay(Need("", "number of cylinders"))
    if kind == "four-stroke":
        return _FOUR_STROKE.get(cylinders, 1.33)
    return _TWO_STROKE.get(cylinders, 2.0)


@dataclass(frozen=True, slots=True)
class Output:
    """What the drive hands to the mount: torque at the output flange and which way it turns (clockwise seen from aft
    looking forward = +1), speed of the propeller, and inertia of what it turns."""

    mean_torque_n_m: float
    rotation: int
    propeller_speed_rad_s: float


TURN_SIGN = {"clockwise": 1, "anticlockwise": -1}
