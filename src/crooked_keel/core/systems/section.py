"""What surrounds one unit: its topics, headline values and lanes."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any, NamedTuple

from ..errors import fields, or_none
from ..figure.trace import Uncertain
from ..formula import Out, Working, record
from ..judging.finding import Value, Ways
from ..judging.values import ValueList
from ..physics.heat import settles
from ..topic.reading import Topic
from .cooling.quantities import Cooled
from .current.quantities import Current
from .exhaust.functions import injection_clearance
from .exhaust.quantities import Exhausted
from .fuel.quantities import Fuelled, endurance
from .induction.functions import charge_out
from .induction.quantities import Breathing, air_flow
from .joints.quantities import Joined, bought
from .lane import WalkPoint
from .oil.functions import Corner, depth, depth_aside, surface, tilted
from .oil.quantities import Oiled
from .reach.quantities import Reached
from .voltage.functions import precharge_time
from .voltage.quantities import HighVoltage


@record
class LevelOut:
    """A height that a lane is seen against: the water, upright or heeled, or the header."""

    name: str
    height_si: float


@record
class PointOut:
    """A corner: aft and up, m."""

    aft_si: float
    up_si: float


@record
class TankOut:
    """An oil tank as it lies, from the side or from behind: outline, oil in it, pickup, and how deep that is under the
    oil (negative bare)."""

    words: str
    nose_up: float
    outline: list[PointOut]
    level_si: float | None
    pickup: PointOut | None
    depth_si: float | None


@record
class WireOut:
    """A wire as drawn: what it loses of what it may, and what it carries of what it can; seconds: it carries for
    seconds only, to start."""

    id: str
    name: str
    size: str | None
    lost_share: float | None
    carried_share: float | None
    seconds: bool


@record
class DecidedOut:
    """A joint that does not fit, with what becomes of it; pieces: lengths to buy."""

    kind: str
    name: str
    status: str
    differs: list[str]
    pieces: int | None
    left_si: float | None


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
    current: Current
    voltage: HighVoltage | None
    reached: Reached
    joined: Joined

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


def cooling_values(cooled: Cooled) -> list[Value]:
    """Where the coolant settles."""
    out = ValueList("systems")
    if not cooled.begun or cooled.c.by not in ("liquid to air", "liquid to sea water"):
        return out.values
    out.add(
        "settles",
        "Coolant settles on a hot day at",
        "temperature",
        lambda: cooled.settled(*cooled.core),
        working=lambda: settles.working(*cooled.settle_terms(*cooled.core)),
    )
    return out.values


def oil_values(oiled: Oiled) -> list[Value]:
    """How deep the pickup is."""
    out = ValueList("systems")
    if not oiled.begun or oiled.o.kept_in == "in the fuel" or oiled.electric:
        return out.values
    ways, level = Ways("under the oil", "bare"), "level surface in the tank's outline: statics"
    out.add(
        "pickup",
        "Oil pickup at the lower mark, steepest",
        "length",
        lambda: worst_depth(oiled)[1],
        ways=ways,
        source=level,
    )
    return out.values


def worst_depth(oiled: Oiled) -> tuple[str, float]:
    """The attitude in which the pickup is least deep, and how deep, m."""
    volume = oiled.volume("least", "oil at the lower mark").si
    with fields(volume=oiled.p("least"), outline=oiled.p("outline")):
        found = [(w, depth(oiled.outline, oiled.width.si, volume, oiled.pickup, angle)) for w, angle in oiled.attitudes]
    return min(found, key=lambda f: f[1])


def exhaust_values(exhausted: Exhausted) -> list[Value]:
    """Back pressure, and the injection over the water."""
    out = ValueList("systems")
    if not exhausted.begun or exhausted.electric:
        return out.values
    out.add(
        "back-pressure",
        "Back pressure of dry gas",
        "pressure",
        lambda: exhausted.whole_back,
        source="sum over the pipe's parts",
    )
    if exhausted.e.leaves != "dry" and exhausted.afloat is not None:
        ways = Ways("over", "under")
        out.add(
            "injection",
            "Water goes in, from the water outside",
            "length",
            lambda: exhausted.injection.clearance_m,
            ways=ways,
            working=lambda: injection_clearance.working(*exhausted.injection[2:]),
        )
    return out.values


def induction_values(breathing: Breathing) -> list[Value]:
    """Air that it breathes."""
    out = ValueList("systems")
    if not breathing.begun or breathing.electric:
        return out.values

    def working() -> Working:
        power, b, r, density = breathing.terms
        return air_flow.working(power, b.si, r.si, density)

    out.add("air", "Air that it breathes", "air_flow", lambda: breathing.air, working=working)
    return out.values


def charge_values(breathing: Breathing, cooled: Cooled) -> list[Value]:
    """The charge behind its cooler."""
    out = ValueList("systems")
    if breathing.begun and breathing.blown and breathing.i.charge_cooler == "yes" and cooled.c.by != "keel cooler":
        out.add(
            "charge",
            "Charge goes in on a hot day at",
            "temperature",
            lambda: cooled.charge(*cooled.charge_core),
            working=lambda: charge_out.working(*cooled.charge_terms(*cooled.charge_core)),
        )
    return out.values


def fuel_values(fuelled: Fuelled) -> list[Value]:
    """How long the fuel lasts."""
    out = ValueList("systems")
    if not fuelled.begun or fuelled.electric:
        return out.values
    working = lambda: endurance.working(*[r.si for r in fuelled.time_terms])
    out.add("fuel-lasts", "Fuel lasts, the reserve left", "hours", lambda: fuelled.time, working=working)
    return out.values


def current_values(current: Current) -> list[Value]:
    """What is taken."""
    out = ValueList("systems")
    if current.begun and current.e.loads:
        out.add(
            "demand",
            "Current taken, in power",
            "small_power",
            lambda: Uncertain(*current.demand),
            source="sum of the loads",
        )
    return out.values


def voltage_values(voltage: HighVoltage) -> list[Value]:
    """Isolation, pre-charge, discharge."""
    out = ValueList("systems")
    if voltage.low:
        return out.values
    by = "method of UN R100 (from memory)"
    out.add(
        "isolation",
        "Isolation of the weaker pole",
        "resistance_per_volt",
        lambda: voltage.isolation_per_volt,
        source=by,
    )
    c = lambda: voltage.capacitance.si
    out.add(
        "precharge",
        "Pre-charge to 95 %",
        "short_time",
        lambda: voltage.t95,
        working=lambda: precharge_time.working(voltage.resistor.si, c()),
    )
    by = "first-order discharge"
    out.add("discharge", "Link below 60 V after", "short_time", lambda: voltage.discharge, source=by)
    return out.values


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
    cooled: Cooled, oiled: Oiled, exhausted: Exhausted, breathing: Breathing, fuelled: Fuelled, current: Current
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
        wires=[_wire(current, k) for k, _ in current.wires],
        joints=[],
        needed=[],
        pack_si=None,
    )


def tank_table(oiled: Oiled) -> list[TankOut]:
    """The tank level and in the steepest attitudes, at the lower mark; nothing where there is none."""
    return or_none(lambda: _tanks(oiled)) or []


def _tanks(oiled: Oiled) -> list[TankOut]:
    outline, width = oiled.outline, oiled.width.si
    volume, pickup = or_none(lambda: oiled.volume("least", "").si), or_none(lambda: oiled.pickup)
    made = []
    for words, angle in or_none(lambda: oiled.attitudes) or [("level", 0.0)]:
        lying = [tilted(p, angle) for p in outline]
        level = or_none(lambda at=lying: surface(at, width, volume)) if volume is not None else None
        at = tilted(pickup, angle) if pickup is not None else None
        made.append(
            TankOut(
                words=words,
                nose_up=angle,
                outline=[_corner(p) for p in lying],
                level_si=level,
                pickup=_corner(at) if at is not None else None,
                depth_si=level - at[1] if level is not None and at is not None else None,
            )
        )
    aside = or_none(lambda: _aside(oiled)) if oiled.feels_side else None
    return [*made, aside] if aside is not None else made


def _aside(oiled: Oiled) -> TankOut:
    """The tank over to a side, seen from astern, its low side to the right: as wide and as high as it is."""
    side, half, up = oiled.side, oiled.width.si / 2, oiled.pickup[1]
    volume, high = oiled.volume("least", "").si, max(z for _, z in oiled.outline)
    box = [tilted(p, side) for p in ((-half, 0.0), (half, 0.0), (half, high), (-half, high))]
    at = tilted((-oiled.across, up), side)
    deep = depth_aside(oiled.outline, oiled.width.si, volume, (oiled.across, up), side)
    return TankOut(
        words="heeled, from astern" if oiled.resolved.has("afloat") else "in a long bend, from behind",
        nose_up=side,
        outline=[_corner(p) for p in box],
        level_si=at[1] + deep,
        pickup=_corner(at),
        depth_si=deep,
    )


def _corner(point: Corner) -> PointOut:
    return PointOut(aft_si=point[0], up_si=point[1])


def _wire(current: Current, key: str) -> WireOut:
    wire = current.e.wires[key]
    made = or_none(lambda: current.wired(key, wire))
    return WireOut(
        id=key,
        name=wire.name,
        size=wire.size,
        lost_share=made.lost.value / made.most_v if made is not None else None,
        carried_share=made.current.si / made.carries_a if made is not None and math.isfinite(made.carries_a) else None,
        seconds=wire.runs == "for seconds, to start",
    )


def joint_table(joined: Joined) -> list[DecidedOut]:
    """Joints that do not fit."""
    made = []
    for row in joined.unlike:
        cut = bought(joined.decision(row))
        made.append(
            DecidedOut(
                kind=row.kind.key,
                name=row.kind.name,
                status=row.status,
                differs=[a.words for a in row.differs],
                pieces=cut.pieces if cut else None,
                left_si=cut.left_m if cut else None,
            )
        )
    return made


def needed_table(reached: Reached) -> list[str]:
    """What must be reached and nobody spoke of."""
    return reached.not_said


def pack_table(voltage: HighVoltage) -> float | None:
    """Voltage of the pack, fully charged, where it is more than can be touched."""
    return None if voltage.low else or_none(lambda: voltage.pack)


def surrounded(ask: Callable[[Callable[..., Any]], Any]) -> SystemsOut | None:
    """What surrounds one unit, as drawn; nothing of an old one. ask: what a table says of the topics that it takes."""
    lanes: SystemsOut | None = ask(lane_table)
    if lanes is None:
        return None
    more = {"tanks": ask(tank_table) or [], "joints": ask(joint_table) or [], "needed": ask(needed_table) or []}
    return lanes.model_copy(update={**more, "pack_si": ask(pack_table)})
