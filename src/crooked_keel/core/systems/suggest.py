"""Ways out of what surrounds the unit: a larger bore, core, wire or inlet, a bleed, a loop, a shield."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator

from ..document.systems import Piece
from ..errors import or_none
from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal, computed, on_the_tape, said_place, tape_text, to_buy
from ..physics.heat import exchanged, required_conductance, settles
from ..physics.pipes import exhaust_bore, high_points, pipe_speed
from .charging import suggest as charging
from .cooling.quantities import Cooled
from .cooling.rules import MARGIN_K
from .current.functions import fuse_for
from .current.quantities import CurrentLane
from .exhaust.functions import drain_back, gas_density
from .exhaust.quantities import Exhausted
from .fuel.quantities import SUCTION_PA, Fuelled
from .induction import suggest as charged
from .induction.quantities import Breathing
from .lane import Lane
from .oil.quantities import Oiled

# Bought things are taken a little better than wanted. Proposed.
_MORE = 1.05


def _put(path: str, value: object, there: bool = True) -> Operation:
    return Operation(op="replace" if there else "add", path=path, value=value)


def cooler_or_inlet(cooled: Cooled) -> Iterator[Proposal]:
    """A core that passes more, or a larger inlet."""
    key, core = cooled.core
    heat, hot, cold = cooled.cooler_heat(key, core), cooled.hot_stream(key, core), cooled.cold(key, core)
    top = cooled.settled(key, core)
    most = cooled.limit - MARGIN_K - 2 * top.u - 0.5
    wanted = or_none(lambda: required_conductance(heat.si, hot.si, cold.stream.si, most, cold.temperature.si))
    if wanted is not None:
        passes = math.ceil(wanted * _MORE / 10) * 10.0
        yield Proposal(
            "core",
            Message(
                template="Buy: a core of {u} at that flow of coolant and air, by its maker's curve",
                params={"u": q(passes, "conductance")},
            ),
            [_put(cooled.p(f"coolers/{key}/conductance"), to_buy(f"{passes:g} W/K"))],
        )
    if cooled.c.inlet is None or cooled.c.fan is not None or cooled.way != "liquid to air":
        return
    from scipy.optimize import brentq  # asked when somebody looks, and slow to load

    conductance = cooled.conductance(key, core).si

    def over(times: float) -> float:
        stream = cold.stream.si * times
        share = exchanged(conductance, hot.si, stream, cold.temperature.si + 50, cold.temperature.si).effectiveness
        return settles(cold.temperature.si, heat.si, share, min(hot.si, stream)) - most

    if over(4.0) < 0 < over(1.0):
        cm2 = math.ceil(cooled.c.inlet.si * float(brentq(over, 1.0, 4.0)) * 1e4)
        yield Proposal(
            "inlet",
            Message(template="Inlet of {a}, its duct and its exit with it", params={"a": q(cm2 * 1e-4, "duct_area")}),
            [_put(cooled.p("inlet"), computed(cooled.c.inlet, f"{cm2} cm²"))],
        )


def bleeds(cooled: Cooled) -> Iterator[Proposal]:
    """A bleed at every high point."""
    pieces = cooled.pieces(cooled.c.loop)
    heights, header = [cooled.height("loop", k, p) for k, p in pieces], cooled.header_height
    n = len(pieces)
    high = {i % n for i in high_points([(0.0, z) for z in heights * 3]) if n <= i < 2 * n}
    high |= {i for i, z in enumerate(heights) if z > header}
    dry = [pieces[i] for i in sorted(high) if pieces[i][1].bleed != "yes"]
    yield Proposal(
        "bleed",
        Message(template="A bleed at the top of {n}", params={"n": word(", ".join(p.name for _, p in dry))}),
        [_put(cooled.p(f"loop/{k}/bleed"), "yes", p.bleed is not None) for k, p in dry],
    )


def fill(oiled: Oiled) -> Iterator[Proposal]:
    """Oil to the running mark."""
    run, filled = oiled.o.run, oiled.o.filled
    if run is None or filled is None:
        return
    yield Proposal(
        "fill",
        Message(
            template="{w} to the running mark, {r}",
            params={"w": word("Fill" if filled.si < run.si else "Drain"), "r": q(run.si, "fine_volume")},
        ),
        [_put(oiled.p("filled"), {"entered": run.entered, "source": "computed"})],
    )


def middle(oiled: Oiled) -> Iterator[Proposal]:
    """The pickup in the middle of its tank."""
    across = oiled.o.pickup_across
    if across is None or across.si == 0:
        return
    yield Proposal(
        "middle",
        Message(template="Pickup in the middle of the tank's width"),
        [_put(oiled.p("pickup_across"), computed(across, "0 mm"))],
    )


def _wider(lane: Lane, name: str, pieces: Iterable[tuple[str, Piece]], bore_m: float) -> list[Operation]:
    """Bores of a path that are smaller brought to one."""
    units = lane.resolved.project.units
    size = on_the_tape(bore_m, units, up=True)
    return [
        _put(lane.p(f"{name}/{k}/bore"), computed(p.bore, tape_text(size, units)))
        for k, p in pieces
        if p.bore is not None and p.bore.si < size
    ]


def pipe(exhausted: Exhausted) -> Iterator[Proposal]:
    """A larger pipe throughout."""
    limit, gas, flow = exhausted.limit[0], exhausted.gas, exhausted.gas_flow
    density = gas_density(gas.si)
    length = sum(p.length.si for p in exhausted.pipe)
    bends = sum(p.diameters for p in exhausted.pipe)
    # Room for what is not sure of gas and flow: pressure goes with the square of the flow.
    most = 0.7 * limit * max(0.3, 1 - 2 * exhausted.back.u / exhausted.back.value)
    bore = exhaust_bore(flow.si / density, density, length, bends, most, 75.0)
    pieces = [(k, p) for k, p in exhausted.pieces(exhausted.e.path) if p.kind not in ("unit", "tank")]
    operations = _wider(exhausted, "path", pieces, bore)
    if operations:
        size = on_the_tape(bore, exhausted.resolved.project.units, up=True)
        yield Proposal(
            "pipe",
            Message(template="Pipe of {d} throughout", params={"d": q(size, "bore")}),
            operations,
        )


def shield(exhausted: Exhausted) -> Iterator[Proposal]:
    """A sheet between."""
    yield Proposal(
        "shield",
        Message(template="A bright sheet between pipe and hose, air behind it"),
        [_put(exhausted.p("shielded"), "yes")],
    )


def loop_or_riser(exhausted: Exhausted) -> Iterator[Proposal]:
    """A vented loop; or the injection higher."""
    at, tape, height = exhausted.injection, exhausted.tape, exhausted.e.injection_height
    if exhausted.e.loop != "yes":
        yield Proposal(
            "loop",
            Message(template="A vented loop between cooler and injection, its top 0.30 m over the heeled water"),
            [_put(exhausted.p("loop"), "yes", exhausted.e.loop is not None)],
        )
    if height is None:
        return
    rise = (0.30 - (at.clearance_m - tape)) / math.cos(at.heel_rad) + 1e-3
    value, rounded, way, far = said_place(height, rise, exhausted.resolved.project.units)
    yield Proposal(
        "riser",
        Message(
            template="Riser {d} higher: the water goes in {x} {w} of the {o}",
            params={
                "d": q(far, "length"),
                "x": q(rounded, "length"),
                "w": word(way),
                "o": word(height.origin),
            },
        ),
        [_put(exhausted.p("injection_height"), value)],
    )


def lock(exhausted: Exhausted) -> Iterator[Proposal]:
    """A larger lock."""
    e = exhausted.e
    if e.lift_bore is None or e.lift_length is None:
        return
    litres = math.ceil(drain_back(e.lift_bore.si * 1.05, e.lift_length.si * 1.05) * 1.5 * 1e4) / 10
    yield Proposal(
        "lock",
        Message(
            template="Buy: a lock that holds {v} below its inlet, heeled", params={"v": q(litres * 1e-3, "volume")}
        ),
        [_put(exhausted.p("lock"), to_buy(f"{litres:g} L"))],
    )


def intake(breathing: Breathing) -> Iterator[Proposal]:
    """A wider intake."""
    bore = breathing.i.bore
    if bore is None:
        return
    units = breathing.resolved.project.units
    size = on_the_tape(breathing.bore_wanted * (1 + breathing.air.u / breathing.air.value) * _MORE, units, up=True)
    yield Proposal(
        "intake",
        Message(template="Intake of {d}", params={"d": q(size, "bore")}),
        [_put(breathing.p("bore"), computed(bore, tape_text(size, units)))],
    )


def same_tank(fuelled: Fuelled) -> Iterator[Proposal]:
    """The return to where the fuel came from."""
    yield Proposal(
        "return",
        Message(template="Return to the tank that feeds, both on one lever"),
        [_put(fuelled.p("returns"), "to the tank it came from")],
    )


def wider_line(fuelled: Fuelled) -> Iterator[Proposal]:
    """A wider line ahead of the pump."""
    pieces = fuelled.pieces(fuelled.f.path)
    pump = next((i for i, (_, p) in enumerate(pieces) if p.kind == "pump"), len(pieces))
    lines = [(k, p) for k, p in pieces[:pump] if p.kind not in ("tank", "filter", "unit") and p.bore is not None]
    if not lines:
        return
    lost, most = fuelled.suction.value, SUCTION_PA[fuelled.kind]
    smallest = min(p.bore.si for _, p in lines if p.bore is not None)
    bore = smallest * (max(lost / most, 1.0) * 1.5) ** 0.25
    if pipe_speed(fuelled.through.si, bore) > 0:
        size = on_the_tape(bore, fuelled.resolved.project.units, up=True)
        yield Proposal(
            "line",
            Message(template="Fuel line of {d} ahead of the pump", params={"d": q(size, "bore")}),
            _wider(fuelled, "path", lines, bore),
        )


def wires(current: CurrentLane) -> Iterator[Proposal]:
    """Larger wires where they lose or carry too much."""
    for key, wire in current.wires:
        listed = current.in_the_table(wire)
        made = or_none(lambda k=key, w=listed: current.wired(k, w))
        if made is None or wire.size is None or wire.insulation == "other":
            continue
        if listed is wire and made.used + 2 * made.used_u <= 0.95:
            continue
        size = current.better(key, listed)
        if size is not None:
            yield Proposal(
                f"wire-{key}",
                Message(template="{n}: {s}", params={"n": word(wire.name), "s": word(size)}),
                [_put(current.p(f"wires/{key}/size"), size)],
            )


def fuses(current: CurrentLane) -> Iterator[Proposal]:
    """Fuses that guard their wires and let their current pass."""
    for key, wire in current.wires:
        if wire.fuse is None or wire.current is None or wire.size is None or wire.runs != "all the time":
            continue
        carries = or_none(lambda k=key, w=wire: current.carries(k, w))
        if carries is None or 1.25 * wire.current.si <= wire.fuse.si <= carries:
            continue
        rated = fuse_for(wire.current.si, carries)
        if rated is not None:
            yield Proposal(
                f"fuse-{key}",
                Message(template="{n}: a fuse of {f}", params={"n": word(wire.name), "f": q(rated, "current")}),
                [_put(current.p(f"wires/{key}/fuse"), computed(wire.fuse, f"{rated:g} A"))],
            )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "systems.cooling-settles": cooler_or_inlet,
    "systems.cooling-traps": bleeds,
    "systems.oil-fill": fill,
    "systems.oil-aside": middle,
    "systems.exhaust-back": pipe,
    "systems.exhaust-shine": shield,
    "systems.exhaust-injection": loop_or_riser,
    "systems.exhaust-lock": lock,
    "systems.induction-bore": intake,
    "systems.fuel-return": same_tank,
    "systems.fuel-suction": wider_line,
    "systems.current-wire": wires,
    "systems.current-fuse": fuses,
    **charging.PROPOSERS,
    **charged.PROPOSERS,
}
