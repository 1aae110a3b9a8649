"""What surrounds one unit: its topics, headline values and lanes."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import or_none
from ..formula import Out, record
from ..topic.reading import Topic
from ..topic.tables import Tables
from .cooling.quantities import Cooled
from .cooling.says import cooling_values
from .current.quantities import CurrentLane
from .current.says import WireOut, current_values, drawn_wire
from .exhaust.quantities import Exhausted
from .exhaust.says import exhaust_values
from .fuel.quantities import Fuelled
from .fuel.says import fuel_values
from .induction.quantities import Breathing
from .induction.says import charge_values, induction_values
from .joints.quantities import JointLane
from .joints.says import DecidedOut, joint_table
from .lane import WalkPoint
from .oil.quantities import Oiled
from .oil.says import TankOut, oil_values, tank_table
from .reach.quantities import Reached
from .reach.says import needed_table
from .voltage.quantities import VoltageLane
from .voltage.says import pack_table, voltage_values


@record
class LevelOut:
    """A height that a lane is seen against: the water, upright or heeled, or the header."""

    name: str
    height_si: float


class SystemsOut(Out):
    """What the systems bench draws of one unit. lanes: those that this unit has, in order."""

    lanes: list[str]
    begun: list[str]
    cooling: list[WalkPoint]
    water: list[WalkPoint]
    oil: list[WalkPoint]
    exhaust: list[WalkPoint]
    fuel: list[WalkPoint]
    header: LevelOut | None
    waters: list[LevelOut]
    injection_si: float | None
    clearance_si: float | None
    tanks: list[TankOut]
    wires: list[WireOut]
    joints: list[DecidedOut]
    needed: list[str]
    pack_si: float | None


class SystemsTopics(NamedTuple):
    """The topics of what surrounds one unit; high voltage only where it runs on a battery."""

    cooled: Cooled
    oiled: Oiled
    exhausted: Exhausted
    breathing: Breathing
    fuelled: Fuelled
    current: CurrentLane
    voltage: VoltageLane | None
    reached: Reached
    joined: JointLane

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


VALUES = (
    cooling_values,
    oil_values,
    exhaust_values,
    induction_values,
    charge_values,
    fuel_values,
    current_values,
    voltage_values,
)


def lane_table(
    cooled: Cooled, oiled: Oiled, exhausted: Exhausted, breathing: Breathing, fuelled: Fuelled, current: CurrentLane
) -> SystemsOut:
    """Lanes with their walks; tanks, joints, reach and high voltage are added."""
    motor, afloat = cooled.electric, cooled.resolved.has("afloat")
    named = [("cooling", cooled), *([] if motor else [("oil", oiled), ("exhaust", exhausted)])]
    named += [] if motor else [("induction", breathing), ("fuel", fuelled)]
    named += [("current", current)]
    lanes = [n for n, _ in named]
    sea = afloat and cooled.c.by in ("liquid to sea water", "keel cooler")
    if sea:
        lanes.insert(1, "water")
    begun = [n for n, lane in named if lane.begun] + (["water"] if sea else [])
    header = or_none(lambda: cooled.header_height)
    at = or_none(lambda: exhausted.injection) if afloat and not motor and exhausted.e.leaves != "dry" else None
    waters = []
    if at is not None:
        waters = [
            LevelOut(name=f"water, {at.state.lower()}", height_si=at.water_m),
            LevelOut(name="heeled", height_si=at.height_m - at.clearance_m),
        ]
    return SystemsOut(
        lanes=lanes,
        begun=begun,
        cooling=cooled.walk("loop", cooled.c.loop),
        water=cooled.walk("water", cooled.c.water),
        oil=oiled.walk("path", oiled.o.path),
        exhaust=exhausted.walk("path", exhausted.e.path),
        fuel=fuelled.walk("path", fuelled.f.path),
        header=LevelOut(name="header", height_si=header) if header is not None else None,
        waters=waters,
        injection_si=at.height_m if at is not None else None,
        clearance_si=at.clearance_m if at is not None else None,
        tanks=[],
        wires=[drawn_wire(current, k) for k, _ in current.wires],
        joints=[],
        needed=[],
        pack_si=None,
    )


def listed(ask: Tables) -> SystemsOut | None:
    """What surrounds one unit, as drawn; nothing of an old one."""
    lanes = ask(lane_table)
    if lanes is None:
        return None
    more = {"tanks": ask(tank_table) or [], "joints": ask(joint_table) or [], "needed": ask(needed_table) or []}
    return lanes.model_copy(update={**more, "pack_si": ask(pack_table)})
