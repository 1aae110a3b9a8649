"""Drive of one installation: its topics, headline values and what is drawn."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import or_none
from ..formula import Out
from ..judging.values import said_by
from ..resolved.craft import Resolved
from ..topic.reading import Topic
from ..topic.tables import Tables
from .air.climb.quantities import Climbing
from .air.cruise.quantities import Cruise
from .air.match.quantities import AirMatch
from .air.propeller.quantities import AirPropeller
from .air.spacer.quantities import Spacer
from .electric.battery.quantities import OnBattery
from .electric.duty.quantities import DutyCycle
from .electric.envelope.quantities import EnvelopeOut, MotorEnvelope
from .electric.helper.quantities import HelperMotor
from .heat.quantities import GearOil
from .matched import MatchOut
from .torsion.quantities import Torsion, TorsionOut
from .torsion.says import torsion_table, torsion_values
from .train.quantities import Train
from .train.says import ShaftOut, ratio_values, shaft_table, torque_values
from .water.marine.quantities import AtSea, AtSeaOut
from .water.screw.quantities import ScrewMatch
from .water.screw.says import screw_table
from .water.shafting.quantities import Shafting
from .wheels.cross.quantities import CrossShafts
from .wheels.going.quantities import Going, SawOut
from .wheels.hub.quantities import HubMotor
from .wheels.road.quantities import OnRoad, OnRoadOut
from .wheels.road.runs import Runs
from .wheels.road.says import chain_values, road_table, road_values


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
    flown: Climbing | None
    cruise: Cruise | None
    spacer: Spacer | None
    screw: ScrewMatch | None
    shafting: Shafting | None
    cross: CrossShafts | None
    going: Going | None
    helper: HelperMotor
    duty: DutyCycle | None
    envelope: MotorEnvelope | None
    hub: HubMotor | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


def envelope_table(envelope: MotorEnvelope) -> EnvelopeOut | None:
    """The envelope, where it can be drawn."""
    return or_none(envelope.drawn) if envelope.begun else None


def saw_table(going: Going) -> SawOut | None:
    """The saw-tooth diagram, where it can be drawn."""
    return or_none(going.drawn)


def match_table(match: AirMatch) -> MatchOut | None:
    """The match as drawn, where it can be."""
    return None if match.governed else or_none(lambda: match.table())


VALUES = (
    ratio_values,
    said_by("drive", AirPropeller),
    torque_values,
    said_by("drive", AtSea),
    road_values,
    chain_values,
    said_by("drive", OnBattery),
    said_by("drive", AirMatch),
    said_by("drive", Climbing),
    said_by("drive", Cruise),
    said_by("drive", Spacer),
    said_by("drive", ScrewMatch),
    said_by("drive", Shafting),
    said_by("drive", Going),
    said_by("drive", CrossShafts),
    said_by("drive", HelperMotor),
    said_by("drive", DutyCycle),
    said_by("drive", MotorEnvelope),
    said_by("drive", HubMotor),
    torsion_values,
    said_by("drive", GearOil),
)


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


def listed(ask: Tables) -> DriveOut | None:
    """What the bench lists and draws of one installation."""
    propeller = ask(propeller_table)
    if propeller is None:
        return None
    more = {
        "shafts": ask(shaft_table) or [],
        "on_road": ask(road_table),
        "torsion": ask(torsion_table),
        "match": ask(match_table) or ask(screw_table),
        "saw": ask(saw_table),
        "envelope": ask(envelope_table),
    }
    return propeller.model_copy(update=more)
