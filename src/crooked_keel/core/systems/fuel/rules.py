"""Findings of the fuel: how long it lasts, filters, return, flow, suction, vent, priming, tanks."""

from __future__ import annotations

from collections.abc import Iterable

from ...document import Tank
from ...document.systems import Piece
from ...errors import CannotSay, Gap, ask_all
from ...judging.band import at_least, at_most, band, kept
from ...judging.finding import Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, decide, measure
from ...judging.subjects import Subject, one_by_one
from .quantities import SHAPES, SUCTION_PA, Fuelled, endurance


@rule(
    "systems.fuel-lasts",
    "How long the fuel lasts",
    limit="1.1 times the plan with the reserve left ok, the plan watch, less stop",
    source="consumption at the power that lasts; 1.1: common practice",
    mark="common practice",
    settles=decide("Plan a shorter run, or more tank: balance judges where."),
)
def lasts(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    what = "how long one wants to run"
    time, plan = ask_all(lambda: fuelled.time, lambda: fuelled.read(fuelled.f.plan, fuelled.p("plan"), what))
    judged = band(
        time.value, "hours", ok=at_least(1.1 * plan.si), watch=at_least(plan.si), doubt=2 * time.u + 2 * plan.u
    )
    yield verdict(
        judged,
        "{t} with the reserve left, {p} wanted" if time.value > 0 else "The reserve is larger than the tanks",
        "At the power that lasts, all tanks full, {n}. Climb, wind and tide are not in it; a gauge is not a dipstick.",
        working=endurance.working(*[r.si for r in fuelled.time_terms]),
        t=q(max(time.value, 0.0), "hours"),
        p=q(plan.si, "hours"),
        n=word("one unit" if fuelled.units == 1 else f"{fuelled.units} units"),
    )


@rule(
    "systems.fuel-filters",
    "Filters in their order",
    limit="each not coarser than the one before it, each passing all that flows, ok; else stop; none watch",
    source="a coarse filter behind a fine one never fills: common practice",
    mark="common practice",
    settles=buy("Filters in order, coarse first, each passing what flows with the return."),
)
def filters(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    pieces = fuelled.pieces(fuelled.f.path)
    if not pieces:
        raise CannotSay(Gap(fuelled.p("path"), "the way of the fuel from its tank, part by part"))
    chain = [(k, p) for k, p in pieces if p.kind == "filter"]
    if not chain:
        yield verdict(
            "watch",
            "No filter between tank and unit",
            "One with a bowl that shows water, before the pump, is the least.",
        )
        return
    fineness = lambda k, p: fuelled.read(p.fineness, fuelled.p(f"path/{k}/fineness"), f"fineness of {p.name}")
    passes = lambda k, p: fuelled.read(p.passes, fuelled.p(f"path/{k}/passes"), f"what {p.name} passes")

    def one(s: Subject[tuple[int, Piece]]) -> Iterable[Verdict]:
        i, piece = s.of
        own, through, flow = ask_all(
            lambda: fineness(s.key, piece), lambda: passes(s.key, piece), lambda: fuelled.through
        )
        before = fineness(*chain[i - 1]) if i else None
        coarse = before is not None and own.si > before.si * (1 + 1e-9)
        small = through.si - 2 * through.u < flow.si + 2 * flow.u
        yield verdict(
            kept(through.si, "hourly_flow", at_least(flow.si))
            .or_by("stop", "a finer one lies ahead of it", coarse)
            .or_by("stop", "it may pass less than flows", small),
            "{n}: {f}, passes {p}" + (" behind a finer one" if coarse else " of {q}" if small else ""),
            "{q} flows, what returns with it. "
            + ("The finer one ahead clogs first: change their places. " if coarse else "")
            + ("A larger one, or two side by side. " if small else "")
            + "A dirty one passes less; carry the next.",
            subject=s.key,
            n=word(s.name),
            f=q(own.si, "fineness"),
            p=q(through.si, "hourly_flow"),
            q=q(flow.si, "hourly_flow"),
        )

    yield from one_by_one([Subject(k, p.name, (i, p)) for i, (k, p) in enumerate(chain)], one)


@rule(
    "systems.fuel-return",
    "Where fuel returns to",
    limit="to the tank that it came from, or no return, ok; to another stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Return and supply on one lever, to one tank."),
)
def returns(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    said = fuelled.chosen(fuelled.f.returns, "returns", "whether fuel returns, and to which tank")
    other = said == "to another tank"
    yield verdict(
        "stop" if other else "ok",
        "Fuel returns to another tank"
        if other
        else "Fuel returns where it came from"
        if "came" in said
        else "No return",
        "That one overflows at its vent while the other runs dry. One lever for supply and return."
        if other
        else "One lever for supply and return, where there is more than one tank.",
        can_suggest=other,
    )


@rule(
    "systems.fuel-flow",
    "Flow test",
    limit="150 % of what it burns at full power by gravity, 125 % by pump, or more ok; less stop",
    source="former 14 CFR 23.955 (from memory)",
    mark="from memory",
    settles=measure("Look for what chokes it: vent, screen, cock, a hump; measure again."),
)
def flow(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    gravity = fuelled.way == "by gravity"
    wanted = 1.5 if gravity else 1.25
    what = "fuel that runs at the unit, measured into a can, the craft at its worst attitude"
    measured, burn = ask_all(
        lambda: fuelled.read(fuelled.f.measured, fuelled.p("measured"), what), lambda: fuelled.burn
    )
    ratio = measured.si / burn.si
    doubt = 2 * ratio * ((measured.u / measured.si) ** 2 + (burn.u / burn.si) ** 2) ** 0.5
    judged = kept(ratio, "percent", at_least(wanted), doubt)
    yield verdict(
        judged,
        "{m} runs, {s} of what it burns",
        "{w} is asked {g}. Burnt at the power that lasts: {b}; a rich climb burns more. Do it outside, no spark, a "
        "person with an extinguisher.",
        m=q(measured.si, "hourly_flow"),
        s=q(ratio, "percent"),
        w=q(wanted, "percent"),
        g=word(fuelled.way),
        b=q(burn.si, "hourly_flow"),
    )


@rule(
    "systems.fuel-suction",
    "What the pump must draw through",
    limit="10 kPa petrol, 20 kPa diesel and kerosene or less ok, half more watch, more stop",
    source="pipe loss and lift; 10 and 20 kPa: common practice",
    mark="common practice",
    settles=adjust("A wider line, or a pump at the tank."),
)
def suction(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    if fuelled.way != "by pump":
        return
    most = SUCTION_PA[fuelled.kind]
    lost = fuelled.suction
    judged = band(lost.value, "pressure", ok=at_most(most), watch=at_most(1.5 * most), doubt=2 * lost.u)
    yield verdict(
        judged,
        "The pump draws through {p}, {l} is asked",
        "Pipe and lift at {q}, burnt and returned, cold. Filters add theirs. Hot petrol boils in a line that is "
        "sucked: a pump at the tank pushes it.",
        can_suggest=judged.level != "ok",
        p=q(lost.value, "pressure"),
        l=q(most, "pressure"),
        q=q(fuelled.through.si, "hourly_flow"),
    )


@rule(
    "systems.fuel-head",
    "Head of the fuel pump",
    limit="1.2 times of what line, lift and unit want or more ok, as much watch, less stop",
    source="sum of the pressures; 1.2: common practice",
    mark="common practice",
    settles=buy("A pump that gives more at that flow; or a wider line, or the pump at the tank."),
)
def head(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun or fuelled.way != "by pump":
        return
    lost, gives, wants = ask_all(
        lambda: fuelled.suction,
        lambda: fuelled.read(fuelled.f.pump_head, fuelled.p("pump_head"), "what the fuel pump gives at that flow"),
        lambda: fuelled.read(fuelled.f.wants, fuelled.p("wants"), "fuel pressure that the unit wants", zero=True),
    )
    asked = lost.value + wants.si
    ratio = gives.si / asked if asked > 0 else float("inf")
    doubt = 2 * ratio * ((gives.u / gives.si) ** 2 + (lost.u**2 + wants.u**2) / max(asked, 1.0) ** 2) ** 0.5
    judged = band(ratio, "number", ok=at_least(1.2), watch=at_least(1.0), doubt=doubt)
    yield verdict(
        judged,
        "The pump gives {g}, {w} is wanted",
        "{l} for line and lift, {u} at the unit. Filters take theirs; a weak battery slows an electric pump.",
        g=q(gives.si, "pressure"),
        w=q(asked, "pressure"),
        l=q(lost.value, "pressure"),
        u=q(wants.si, "pressure"),
    )


@rule(
    "systems.fuel-vent",
    "Vent of the tank",
    limit="14.3 mm or more ok, 11 mm or more watch, less stop",
    source="14.3 mm: ABYC H-24; 11 mm: ISO 10088 (from memory, unsure)",
    mark="from memory",
    form="afloat",
    settles=buy("A wider vent."),
)
def vent(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    bore = fuelled.read(fuelled.f.vent, fuelled.p("vent"), "bore of the tank's vent")
    judged = band(bore.si, "bore", ok=at_least(0.0143), watch=at_least(0.011), doubt=2 * bore.u)
    yield verdict(
        judged,
        "The vent is {d}",
        "Outboard, looped above the filler, away from openings, and nowhere a low spot in it.",
        d=q(bore.si, "bore"),
    )


@rule(
    "systems.fuel-primed",
    "How air is got out of the fuel line",
    limit="said, ok; by gravity where a pump feeds it watch",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A bulb or a small electric pump in the line."),
)
def primed(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    if fuelled.way != "by pump":
        return
    said = fuelled.chosen(fuelled.f.primed, "primed", "how the line is primed")
    level: Level = "watch" if said == "by gravity" else "ok"
    yield verdict(
        level,
        "Primed {s}",
        "A suction line does not fill itself over a hump: a bulb or a pump saves a flat battery. A cracked line draws "
        "air and drips nothing: test it by vacuum.",
        s=word(said),
    )


@rule(
    "systems.fuel-across",
    "Fuel of one tank when another fails",
    limit="one tank, a cross-feed or a transfer pump ok, nothing watch",
    source="common practice, no source",
    mark="common practice",
    settles=decide("A cross-feed or a transfer pump; or plan as if one tank were not there."),
)
def across(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return
    if len(fuelled.tanks) < 2:
        return
    said = fuelled.chosen(fuelled.f.across, "across", "how fuel of one tank reaches the unit when another fails")
    if said == "one tank":
        said = "nothing"
    level: Level = "watch" if said == "nothing" else "ok"
    yield verdict(
        level,
        "{n} tanks, {s} between them",
        "What is left in a tank that cannot be drawn is weight on one side. Balance has that loading.",
        n=q(len(fuelled.tanks), "count"),
        s=word(said),
    )


@rule(
    "systems.fuel-tank",
    "What a tank can hold by its shape",
    limit="0.95 of its shape or less ok, its shape watch, more stop",
    source="volume of the shape; 0.05 for expansion: common practice",
    mark="common practice",
    settles=measure("Fill it from a measured can, to the last litre, and drain it again."),
)
def tank(fuelled: Fuelled) -> Iterable[Verdict]:
    if not fuelled.begun:
        return

    def one(s: Subject[tuple[str, Tank]]) -> Iterable[Verdict]:
        at, t = s.of
        said = lambda f, path, what: fuelled.read(f, f"{at}/{path}", f"{what} of the {t.name}")
        shape, size = (
            t.shape,
            (
                (t.surface_length, "surface_length", "length"),
                (t.surface_breadth, "surface_breadth", "breadth"),
                (t.depth, "depth", "depth"),
            ),
        )
        holds, *sides = ask_all(lambda: said(t.capacity, "capacity", "capacity"), *[lambda f=f: said(*f) for f in size])
        if shape is None:
            raise CannotSay(Gap(f"{at}/shape", f"shape of the {t.name}"))
        whole = SHAPES[shape] * sides[0].si * sides[1].si * sides[2].si
        share = holds.si / whole
        doubt = 2 * share * (sum((r.u / r.si) ** 2 for r in (holds, *sides))) ** 0.5
        judged = band(share, "percent", ok=at_most(0.95), watch=at_most(1.0), doubt=doubt)
        yield verdict(
            judged,
            "{n}: {c} said, its shape holds {v}",
            "A {s} by its length, breadth and depth. Radii, baffles and what no pickup reaches are not taken off.",
            subject=s.key,
            n=word(t.name),
            c=q(holds.si, "volume"),
            v=q(whole, "volume"),
            s=word(shape),
        )

    shaped = [Subject(k, t.name, (p, t)) for k, p, t in fuelled.loads.tanks(True) if t.depth is not None]
    yield from one_by_one(shaped, one)
