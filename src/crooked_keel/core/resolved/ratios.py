"""Ratios of a train of stages."""

from __future__ import annotations

import math

from ..document import Drive, Stage
from ..errors import CannotSay, Gap, InputError, ask_all
from ..figure.trace import need
from ..formula import formula


def stage_ratio(stage: Stage, pointer: str) -> float:
    """Driver speed over driven speed of one stage. Teeth give it exactly; a typed ratio must then agree. Of a planetary
    stage they are those of the driving wheel and of the other; which member is held must be said.

    Source: kinematics, Willis' equation of planetary trains."""
    teeth = stage.driver_teeth, stage.driven_teeth
    if teeth[0] is not None or teeth[1] is not None:
        driver, driven = teeth
        ask_all(
            lambda: need(driver, f"{pointer}/driver_teeth", f"driving teeth of the {stage.name}"),
            lambda: need(driven, f"{pointer}/driven_teeth", f"driven teeth of the {stage.name}"),
        )
        assert driver is not None and driven is not None
        ratio = driven.si / driver.si
        if stage.type == "planetary":
            # Willis: with the carrier held the teeth alone; with ring or sun held the carrier is driven, one turn more.
            if stage.held is None:
                raise CannotSay(Gap(f"{pointer}/held", f"which member of the {stage.name} is held"))
            ratio += 0.0 if stage.held == "carrier" else 1.0
        if stage.ratio is not None and abs(stage.ratio.si - ratio) > 0.005 * ratio:
            raise InputError(
                f"{pointer}/ratio",
                f"the {stage.name}: the ratio typed and its teeth do not agree",
                given=stage.ratio.entered,
                allowed="what its teeth give, or no ratio",
            )
        return ratio
    return need(stage.ratio, f"{pointer}/ratio", f"ratio of the {stage.name}").si


# Stages within the unit or its box; the others run outside it, to what it drives. The belt of a variator pulls within
# its own case.
WITHIN = ("gear", "internal gear", "planetary", "bevel", "V-drive", "down-angle gear", "variator")
OUTSIDE = ("chain", "belt", "crossed belt")
# Whether a stage turns as its driver does, where its kind says so.
_TURNS = {"internal gear": "keeps", "belt": "keeps", "chain": "keeps", "crossed belt": "flips", "variator": "keeps"}


def own_turning(stage: Stage) -> str | None:
    """Whether a stage keeps or flips the turning by its kind: a planetary by what is held, a gear by its idlers; None
    where only looking tells. Source: kinematics."""
    if stage.type == "planetary":
        return None if stage.held is None else "flips" if stage.held == "carrier" else "keeps"
    if stage.type == "gear" and stage.idlers is not None:
        return "keeps" if int(stage.idlers.si) % 2 else "flips"
    return _TURNS.get(stage.type)


def stage_turning(stage: Stage, pointer: str) -> str:
    """The same, or as it was said. Raises CannotSay where neither is known, InputError where both differ."""
    own, said = own_turning(stage), stage.turning
    if said is not None and own is not None and said != own:
        raise InputError(
            f"{pointer}/turning",
            f"the {stage.name}: such a stage {own} the turning direction",
            given=said,
            allowed=f"{own}, or another kind of stage",
        )
    if own is None and said is None:
        raise CannotSay(Gap(f"{pointer}/turning", f"whether the {stage.name} keeps or flips the turning direction"))
    return own or said or ""


def along_the_train(drive: Drive) -> list[tuple[str, Stage]]:
    """The stages from the unit on: by the order that was given; those without one as they stand on the list, what runs
    outside the unit (chains, belts) after what is within it."""
    place = lambda s: (s.order.si, 0, s.rank) if s.order is not None else (math.inf, s.type not in WITHIN, s.rank)
    return sorted(drive.stages.items(), key=lambda s: place(s[1]))


def order_open(drive: Drive) -> list[tuple[str, Stage]]:
    """Stages of which the order was not given and that stand on the list after one which runs outside the unit: where
    they belong must be said. None where the list leaves no doubt."""
    listed = sorted(drive.stages.items(), key=lambda s: s[1].rank)
    outside = False
    made = []
    for key, stage in listed:
        if stage.type not in WITHIN:
            outside = True
        elif outside and stage.order is None:
            made.append((key, stage))
    return made


def overall_ratio(drive: Drive, pointer: str, name: str) -> float:
    """Π of the stage ratios; 1 without stages. Source: kinematics."""
    total = 1.0
    ask_all(*[lambda k=k, s=s: stage_ratio(s, f"{pointer}/stages/{k}") for k, s in drive.stages.items()])
    for key, stage in drive.stages.items():
        total *= stage_ratio(stage, f"{pointer}/stages/{key}")
    return total


@formula(
    "mechanics.ratio",
    "i = Πdriven / Πdriving",
    result=("number", "overall ratio"),
    Πdriven=("number", "driven teeth, or ratios, multiplied"),
    Πdriving=("number", "driving teeth multiplied"),
    source="kinematics",
    example=(
        (
            62.0,
            28.0,
        ),
        2.2143,
    ),
)
def ratio_of_products(driven: float, driving: float) -> float:
    """Overall ratio from the products of driven and driving teeth; a stage known by its ratio counts as driven."""
    return driven / driving


def ratio_products(drive: Drive) -> tuple[float, float]:
    """Products of driven and of driving teeth over the stages that are known."""
    driven = driving = 1.0
    for stage in drive.stages.values():
        if stage.driver_teeth is not None and stage.driven_teeth is not None:
            # A planetary that drives its carrier turns once more: both wheels count as driven.
            more = stage.driver_teeth.si if stage.type == "planetary" and stage.held != "carrier" else 0.0
            driven, driving = driven * (stage.driven_teeth.si + more), driving * stage.driver_teeth.si
        elif stage.ratio is not None:
            driven *= stage.ratio.si
    return driven, driving
