"""What the drive bench says of the train, and its shafts as drawn."""

from __future__ import annotations

import math

from ...document.drive import StageType
from ...errors import ask_all, or_none
from ...formula import record
from ...judging.finding import Value
from ...judging.values import ValueList
from ...physics.mechanics import mean_torque
from ...resolved.ratios import along_the_train, ratio_of_products, ratio_products, stage_ratio, stage_turning
from .functions import propeller_speed
from .quantities import TURN_WORDS, Train


@record
class ShaftOut:
    """One shaft of the train, from the crank to the propeller. stage: what drives it, by which ratio of its own,
    whether it turns as its driver does, by how many idlers, and what that stage loses, W."""

    name: str
    speed_si: float | None
    torque_si: float | None
    power_si: float | None
    turns: str | None
    teeth: float | None
    offset_up_si: float | None
    offset_starboard_si: float | None
    stage: StageType | None
    step: float | None
    keeps: bool | None
    idlers: int
    loss_si: float | None


def ratio_values(train: Train) -> list[Value]:
    """Ratio and speed."""
    out = ValueList("drive")
    old, turned = train.old, train.turned
    out.add(
        "ratio",
        f"Overall ratio, unit to {turned}" + (", without the gears" if train.drive.gears else ""),
        "number",
        lambda: train.ratio,
        before=(lambda: old.ratio) if old else None,
        working=lambda: ratio_of_products.working(*ratio_products(train.drive)),
    )
    out.add(
        "propeller-speed",
        f"{turned.capitalize()} at rated speed",
        "rotation",
        lambda: train.propeller_speed,
        before=(lambda: old.propeller_speed) if old else None,
        working=lambda: propeller_speed.working(train.rated_speed, train.ratio),
    )
    if train.offset_begun and not train.resolved.has("across"):
        out.add(
            "offset",
            "Output shaft off the crank",
            "length",
            lambda: train.offset[0],
            source="sum of the stages' offsets",
        )
        label = "Where it lies, from straight up, clockwise seen from aft"
        out.add("offset-clock", label, "angle", lambda: train.offset[1], source="its direction")
    return out.values


def torque_values(train: Train) -> list[Value]:
    """Torque and turning direction."""
    out = ValueList("drive")
    old = train.old
    out.add(
        "torque",
        f"Mean torque at the {train.turned}, no loss taken",
        "torque",
        lambda: train.mean_torque,
        before=(lambda: old.mean_torque) if old else None,
        working=lambda: mean_torque.working(*ask_all(lambda: train.power, lambda: train.propeller_speed)),
    )
    if not train.resolved.has("across"):
        label = "Turns, seen from aft looking forward"
        out.add("turns", label, "text", lambda: TURN_WORDS[train.output_turns], source="kinematics")
    return out.values


def shaft_table(train: Train) -> list[ShaftOut]:
    """Every shaft from the crank on; blanks where it cannot be said."""
    stages = along_the_train(train.drive)
    ratio: float | None = 1.0
    turns = or_none(lambda: train.unit_turns)
    speed, power = or_none(lambda: train.rated_speed), or_none(lambda: train.power)
    up: float | None = 0.0
    starboard: float | None = 0.0
    first = stages[0][1] if stages else None
    made: list[ShaftOut] = []
    step: float | None = None
    turning: str | None = None
    for i in range(len(stages) + 1):
        lost: float | None = None
        between = stages[i - 1][1].idlers if i else None
        teeth = first.driver_teeth if i == 0 and first else stages[i - 1][1].driven_teeth if i else None
        if i:
            key, stage = stages[i - 1]
            step = or_none(lambda s=stage, k=key: stage_ratio(s, train.p(f"drive/stages/{k}")))
            ratio = None if ratio is None or step is None else ratio * step
            turning = or_none(lambda s=stage, k=key: stage_turning(s, train.p(f"drive/stages/{k}")))
            turns = None if turns is None or turning is None else turns * (-1 if turning == "flips" else 1)
            if power is not None and stage.efficiency is not None:
                lost = power * (1 - stage.efficiency.si)
                power -= lost
            up = None if up is None or stage.offset_up is None else up + stage.offset_up.along_m
            across = stage.offset_starboard
            starboard = None if starboard is None or across is None else starboard + across.along_m
        here = speed / ratio if speed is not None and ratio else None
        made.append(
            ShaftOut(
                name="crank" if i == 0 and stages else train.turned if i == len(stages) else stages[i - 1][1].name,
                speed_si=here,
                torque_si=power / here if power is not None and here else None,
                power_si=power,
                turns=TURN_WORDS[turns] if turns else None,
                teeth=teeth.si if teeth else None,
                offset_up_si=up,
                offset_starboard_si=starboard,
                stage=stages[i - 1][1].type if i else None,
                step=step if i and step is not None and math.isfinite(step) else None,
                keeps=turning == "keeps" if i and turning else None,
                idlers=int(between.si) if between is not None else 0,
                loss_si=lost,
            )
        )
    return made
