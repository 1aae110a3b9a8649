"""What one unit drives and what surrounds it, wired from what craft and balance hand on."""

from __future__ import annotations

from typing import NamedTuple

from .balance.afloat.quantities import AfloatStates
from .choose.power.quantities import Lasting
from .choose.section import ChooseTopics
from .craft.section import CraftTopics
from .drive.air.quantities import AirPropeller
from .drive.battery.quantities import OnBattery
from .drive.climb.quantities import Flown
from .drive.cross.quantities import CrossShafts
from .drive.cruise.quantities import Cruise
from .drive.duty.quantities import Duty
from .drive.envelope.quantities import Envelope
from .drive.going.functions import OnWheels
from .drive.going.quantities import Going
from .drive.heat.quantities import GearOil
from .drive.helper.quantities import HelperMotor
from .drive.hub.quantities import HubMotor
from .drive.marine.quantities import AtSea
from .drive.match.quantities import AirMatch
from .drive.road.quantities import OnRoad
from .drive.road.runs import Runs
from .drive.screw.pushing import Pushing
from .drive.screw.quantities import ScrewMatch
from .drive.section import DriveTopics
from .drive.shafting.quantities import Shafting
from .drive.spacer.quantities import Spacer
from .drive.torsion.quantities import Torsion
from .drive.train.quantities import Train
from .errors import CannotSay
from .resolved.craft import Resolved
from .resolved.installation import ResolvedInstallation
from .resolved.loads import Loads
from .systems.cooling.quantities import Cooled
from .systems.current.quantities import Current
from .systems.exhaust.quantities import Exhausted
from .systems.fuel.quantities import Fuelled
from .systems.induction.quantities import Breathing
from .systems.joints.quantities import Joined
from .systems.oil.quantities import Oiled
from .systems.reach.quantities import Reached
from .systems.section import SystemsTopics
from .systems.voltage.quantities import HighVoltage
from .topic.workspace import Workspace


class Handed(NamedTuple):
    """What the benches of an installation are given by craft and balance."""

    ground: tuple[float, float] | CannotSay
    heaviest_kg: float | CannotSay
    rear_kg: float | CannotSay
    driven_kg: float | CannotSay
    afloat: AfloatStates | None
    loads: Loads
    standing: OnWheels | CannotSay
    # What pushes her at sea, of every installation by its pointer.
    pushing: dict[str, Pushing]
    # One of those that drove her before.
    drove: DriveTopics | None


def pushing(
    ws: Workspace,
    resolved: Resolved,
    placed: ResolvedInstallation,
    given: Handed,
    sheet: Lasting,
    old: DriveTopics | None,
    name: str,
) -> Pushing:
    """What one unit pushes a boat with, for those beside it."""
    train = ws.topic(f"train {name}", Train, resolved, placed, old.train if old else None)
    sea = _at_sea(ws, resolved, placed, train, given, old, name)
    return ws.topic(f"pushing {name}", Pushing, resolved, placed, train, sea, sheet)


def _at_sea(
    ws: Workspace,
    resolved: Resolved,
    placed: ResolvedInstallation,
    train: Train,
    given: Handed,
    old: DriveTopics | None,
    name: str,
) -> AtSea:
    was, drove = old.sea if old else None, given.drove.sea if given.drove else None
    return ws.topic(f"sea {name}", AtSea, resolved, placed, train, given.heaviest_kg, was, drove)


def drive_topics(
    ws: Workspace,
    resolved: Resolved,
    placed: ResolvedInstallation,
    craft: CraftTopics,
    given: Handed,
    sheet: Lasting,
    old: DriveTopics | None,
    name: str,
) -> DriveTopics:
    """What one unit drives."""
    has = resolved.has
    train = ws.topic(f"train {name}", Train, resolved, placed, old.train if old else None)
    torsion = ws.topic(f"torsion {name}", Torsion, resolved, placed, train)
    air = sea = road = battery = runs = match = flown = cruise = spacer = screw = shafting = None
    cross = going = duty = envelope = hub = None
    if has("air propeller"):
        before = old.air if old else None
        air = ws.topic(f"air {name}", AirPropeller, resolved, placed, train, given.ground, before)
        was = old.match if old else None
        match = ws.topic(f"match {name}", AirMatch, resolved, placed, train, air, sheet, was, ws.memory("charts", 64))
        flown = ws.topic(f"flown {name}", Flown, resolved, match, given.heaviest_kg)
        spacer = ws.topic(f"spacer {name}", Spacer, resolved, placed, train)
    if has("marine propeller"):
        sea = _at_sea(ws, resolved, placed, train, given, old, name)
        driven, drove = old.screw if old else None, given.drove.screw if given.drove else None
        kept = old.shafting if old else None
        shafting = ws.topic(f"shafting {name}", Shafting, resolved, placed, train, sea, kept)
        others = [o for at, o in given.pushing.items() if at != placed.pointer]
        screw = ws.topic(f"screw {name}", ScrewMatch, resolved, placed, train, sea, sheet, driven, drove, *others)
    if has("driven wheel"):
        road = ws.topic(
            f"road {name}",
            OnRoad,
            resolved,
            placed,
            train,
            craft.wheels,
            given.heaviest_kg,
            given.driven_kg,
            old.road if old else None,
        )
        before_runs = old.runs if old else None
        runs = ws.topic(f"runs {name}", Runs, resolved, placed, train, road, craft.wheels, before_runs)
        cross = ws.topic(f"cross {name}", CrossShafts, resolved, placed, train, road)
        hub = ws.topic(f"hub {name}", HubMotor, resolved, placed, train, road)
        went = old.going if old else None
        going = ws.topic(f"going {name}", Going, resolved, placed, train, road, given.standing, sheet, went)
    if train.electric:
        battery = ws.topic(f"battery {name}", OnBattery, resolved, placed, train, road, sea)
        envelope = ws.topic(f"envelope {name}", Envelope, resolved, placed, train, battery)
        if road is not None:
            duty = ws.topic(f"duty {name}", Duty, resolved, placed, train, road, battery)
    oil = ws.topic(f"gear oil {name}", GearOil, resolved, placed, train)
    if match is not None and flown is not None:
        cruise = ws.topic(f"cruise {name}", Cruise, resolved, placed, match, flown, given.loads, battery)
    helper = ws.topic(f"helper {name}", HelperMotor, resolved, placed, train)
    return DriveTopics(
        train,
        air,
        sea,
        road,
        battery,
        runs,
        torsion,
        oil,
        match,
        flown,
        cruise,
        spacer,
        screw,
        shafting,
        cross,
        going,
        helper,
        duty,
        envelope,
        hub,
    )


def systems_topics(
    ws: Workspace,
    resolved: Resolved,
    placed: ResolvedInstallation,
    choose: ChooseTopics,
    drive: DriveTopics,
    given: Handed,
    name: str,
    units: int,
) -> SystemsTopics:
    """What surrounds one unit. units: how many burn of the same tanks."""
    lasting = choose.lasting
    breathing = ws.topic(f"breathing {name}", Breathing, resolved, placed, lasting)
    voltage = None
    if drive.battery is not None:
        voltage = ws.topic(f"voltage {name}", HighVoltage, resolved, placed, lasting, drive.battery)
    return SystemsTopics(
        ws.topic(f"cooled {name}", Cooled, resolved, placed, lasting, breathing),
        ws.topic(f"oiled {name}", Oiled, resolved, placed, lasting),
        ws.topic(f"exhausted {name}", Exhausted, resolved, placed, lasting, given.afloat),
        breathing,
        ws.topic(f"fuelled {name}", Fuelled, resolved, placed, lasting, given.loads, units),
        ws.topic(f"current {name}", Current, resolved, placed, lasting),
        voltage,
        ws.topic(f"reached {name}", Reached, resolved, placed, lasting),
        ws.topic(f"joined {name}", Joined, resolved, placed, lasting, choose.ports),
    )
