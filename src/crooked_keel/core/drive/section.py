"""Drive of one installation: its topics, headline values and what is drawn."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any, NamedTuple

from ..document.drive import StageType
from ..errors import ask_all, or_none
from ..formula import Out, record
from ..judging.finding import Value
from ..judging.values import ValueList
from ..physics.mechanics import mean_torque
from ..resolved.craft import Resolved
from ..resolved.ratios import along_the_train, ratio_of_products, ratio_products, stage_ratio, stage_turning
from ..topic.reading import Topic
from .air.functions import propeller_speed
from .air.quantities import AirPropeller
from .battery.quantities import OnBattery
from .climb.quantities import Flown
from .cross.quantities import CrossShafts
from .cruise.quantities import Cruise
from .duty.quantities import Duty
from .envelope.quantities import Envelope, EnvelopeOut
from .going.quantities import Going, SawOut
from .heat.quantities import GearOil
from .helper.quantities import HelperMotor
from .hub.quantities import HubMotor
from .marine.quantities import AtSea, AtSeaOut
from .match.quantities import AirMatch, MatchOut
from .road import says as road_says
from .road.quantities import OnRoad, OnRoadOut
from .road.runs import Runs
from .screw.quantities import FAST_M_S, ScrewMatch
from .screw.rules import HIGH, LOW
from .shafting.quantities import Shafting
from .spacer.quantities import Spacer
from .torsion import says
from .torsion.quantities import Torsion, TorsionOut
from .train.quantities import TURN_WORDS, Train


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


class DriveOut(Out):
    """What the drive bench draws; what is of an air propeller only where there is one."""

    shafts: list[ShaftOut]
    diameter_si: float | None
    before_diameter_si: float | None
    blades: int | None
    tip_mach: float | None
    tip_mach_limit: float | None
    clearance_si: float | None
    clearance_wanted_si: float | None
    hub_height_si: float | None
    diameter_for_mach_si: float | None
    diameter_for_ground_si: float | None
    at_sea: AtSeaOut | None
    on_road: OnRoadOut | None
    torsion: TorsionOut | None
    match: MatchOut | None
    saw: SawOut | None
    envelope: EnvelopeOut | None


class DriveTopics(NamedTuple):
    """The topics of the drive of one installation, each only where the craft has the form for it."""

    train: Train
    air: AirPropeller | None
    sea: AtSea | None
    road: OnRoad | None
    battery: OnBattery | None
    runs: Runs | None
    torsion: Torsion
    oil: GearOil
    match: AirMatch | None
    flown: Flown | None
    cruise: Cruise | None
    spacer: Spacer | None
    screw: ScrewMatch | None
    shafting: Shafting | None
    cross: CrossShafts | None
    going: Going | None
    helper: HelperMotor
    duty: Duty | None
    envelope: Envelope | None
    hub: HubMotor | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


def _said_by(kind: type[Any]) -> Callable[..., list[Value]]:
    """The headline values that a topic of a kind says by itself."""

    def said(topic: Any) -> list[Value]:
        out = ValueList("drive")
        topic.values(out)
        return out.values

    # Asked by what it takes, as every other function of a bench is.
    said.__annotations__ = {"topic": kind, "return": list[Value]}
    said.__name__ = f"values of {kind.__name__}"
    return said


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


def road_values(road: OnRoad) -> list[Value]:
    """The driven wheel."""
    out = ValueList("drive")
    road_says.values(road, out)
    return out.values


def chain_values(runs: Runs) -> list[Value]:
    """The last chain."""
    out = ValueList("drive")
    road_says.chain_values(runs, out)
    return out.values


def torsion_values(torsion: Torsion) -> list[Value]:
    """Twisting of the line, once something of it was said."""
    out = ValueList("drive")
    if torsion.fired and (torsion.drive.line or torsion.swing_begun):
        says.values(torsion, out)
    return out.values


def envelope_table(envelope: Envelope) -> EnvelopeOut | None:
    """The envelope, where it can be drawn."""
    return or_none(envelope.drawn) if envelope.begun else None


def saw_table(going: Going) -> SawOut | None:
    """The saw-tooth diagram, where it can be drawn."""
    return or_none(going.drawn)


def match_table(match: AirMatch) -> MatchOut | None:
    """The match as drawn, where it can be."""
    return None if match.governed else or_none(lambda: match.table())


def screw_table(screw: ScrewMatch) -> MatchOut | None:
    """The same of a marine propeller: made fast, and at her speed."""
    found = or_none(lambda: screw.drawn())
    if found is None:
        return None
    held, made, rated = found.fast, found.made, found.rated
    return MatchOut(
        speeds_si=screw.speeds.tolist(),
        unit_si=screw.given.tolist(),
        standing_si=screw.asks(FAST_M_S),
        climbing_si=screw.asks(made.boat_m_s),
        static_si=held.speed if held.state != "held down" else None,
        climb_si=made.held.speed if made.held.state != "held down" else None,
        allowed_si=rated,
        slow_si=LOW * rated,
        fast_si=HIGH * rated,
        blade=[],
    )


VALUES = (
    ratio_values,
    _said_by(AirPropeller),
    torque_values,
    _said_by(AtSea),
    road_values,
    chain_values,
    _said_by(OnBattery),
    _said_by(AirMatch),
    _said_by(Flown),
    _said_by(Cruise),
    _said_by(Spacer),
    _said_by(ScrewMatch),
    _said_by(Shafting),
    _said_by(Going),
    _said_by(CrossShafts),
    _said_by(HelperMotor),
    _said_by(Duty),
    _said_by(Envelope),
    _said_by(HubMotor),
    torsion_values,
    _said_by(GearOil),
)


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


def propeller_table(train: Train, air: AirPropeller | None, sea: AtSea | None, resolved: Resolved) -> DriveOut:
    """The propeller as drawn, without shafts and wheel."""
    turned = air or sea
    old = turned.old if turned else None
    blades = train.placed.installation.propeller.blades
    hub = or_none(lambda: air.hub) if air else None
    return DriveOut(
        shafts=[],
        diameter_si=or_none(lambda: turned.diameter) if turned else None,
        before_diameter_si=or_none(lambda: old.diameter) if old else None,
        blades=int(blades.si) if blades else None,
        tip_mach=or_none(lambda: air.mach) if air else None,
        tip_mach_limit=air.mach_limit if air else None,
        clearance_si=or_none(lambda: air.worst_clearance[0]) if air else None,
        clearance_wanted_si=air.clearance_wanted if air else None,
        hub_height_si=hub[0] if hub else None,
        diameter_for_mach_si=or_none(lambda: air.diameter_for_mach) if air else None,
        diameter_for_ground_si=or_none(lambda: air.diameter_for_ground) if air else None,
        at_sea=sea.tables() if sea else None,
        on_road=None,
        torsion=None,
        match=None,
        saw=None,
        envelope=None,
    )


def torsion_table(torsion: Torsion) -> TorsionOut | None:
    """The crossing plot, where it can be drawn."""
    return or_none(lambda: says.tables(torsion)) if torsion.fired and torsion.drive.line else None


def road_table(road: OnRoad, runs: Runs) -> OnRoadOut:
    """The driven wheel as drawn."""
    return road_says.tables(road, runs)
