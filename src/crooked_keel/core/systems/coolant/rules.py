"""Findings of the coolant and its loop."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...document.systems import Piece
from ...errors import CannotSay, Gap, ask_all, or_gap, or_none
from ...figure.reads import combined
from ...figure.trace import Uncertain
from ...judging.band import at_least, at_most, band, kept, never_ok
from ...judging.finding import LeftOut, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, decide
from ...judging.subjects import Subject, known_of, one_by_one
from ...physics.heat import COOLANTS
from ...physics.pipes import high_points, hose_step, pipe_speed
from ..cooling.quantities import Cooled


@rule(
    "systems.cooling-traps",
    "High points of the loop without a bleed",
    limit="none ok; one that is flushed at 0.6 m/s or more watch; two, one that is not, or one over the header stop",
    source="0.6 m/s: hydronic practice, ASHRAE Handbook (from memory)",
    mark="from memory",
    settles=adjust("A bleed at its top, or the hose led so that it rises to the header."),
)
def traps(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if not cooled.liquid:
        return
    pieces = cooled.pieces(cooled.c.loop)
    if len(pieces) < 3:
        raise CannotSay(Gap(cooled.p("loop"), "the coolant's loop, part by part with the height of each end"))
    left = known_of([Subject(k, p.name, k) for k, p in pieces], lambda k: cooled.height("loop", k, cooled.c.loop[k]))
    known, unsaid = dict(left.answers), left.left_out
    top = or_gap(lambda: cooled.header_height)
    if isinstance(top, CannotSay):
        unsaid += LeftOut(["the header"], list(top.needs))
    # Beside a height that nobody said nothing is known to be high. The loop is closed: its end leads to its beginning.
    path = [(0.0, known.get(k, math.inf)) for k, _ in pieces]
    n = len(path)
    high = sorted({i % n for i in high_points(path * 3) if n <= i < 2 * n and path[i % n][1] < math.inf})
    dry = [pieces[i] for i in high if pieces[i][1].bleed != "yes"]
    over = [
        p for k, p in pieces if k in known and isinstance(top, float) and known[k] > top + 1e-9 and p.bleed != "yes"
    ]
    slow = [p for k, p in dry if p.kind == "side loop" or not _flushed(cooled, k, p)]
    named = [p.name for _, p in dry] + [p.name for p in over if p not in [d for _, d in dry]]
    judged = band(float(len(named)), "count", ok=at_most(0.0)).or_by(
        "stop", "air there stops the flow", bool(over or slow or len(dry) > 1)
    )
    level = judged.level
    yield verdict(
        judged,
        "No high point without a bleed" if level == "ok" else "Air stays in the loop: {n}",
        "Heights as entered, {k} parts."
        if level == "ok"
        else "Nothing lets it out there, and air that stays stops the flow. A bleed at its top; fill slowly, nose up.",
        left_out=unsaid,
        can_suggest=level != "ok",
        n=word(", ".join(named)),
        k=q(len(pieces), "count"),
    )


def _flushed(cooled: Cooled, key: str, piece: Piece) -> bool:
    """Whether the coolant goes so fast there that it takes the air along: not where that is not known."""
    speed = or_none(
        lambda: pipe_speed(
            cooled.read(cooled.c.coolant_flow, cooled.p("coolant_flow"), "flow of the coolant").si,
            cooled.bore("loop", key, piece).si,
        )
    )
    return speed is not None and speed >= 0.6


@rule(
    "systems.cooling-header",
    "Room for the coolant to grow",
    limit="air in the header 1.5 times what it grows or more ok, once or more watch, less stop",
    source="densities; 1.5: common practice",
    mark="common practice",
    settles=buy("A larger header, or one that is filled less."),
)
def header(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if not cooled.liquid:
        return
    grows, air = ask_all(
        lambda: cooled.expansion,
        lambda: cooled.read(cooled.c.header_air, cooled.p("header_air"), "air left in the header, cold", zero=True),
    )
    ratio = Uncertain(air.si / grows.value, (air.u**2 + (air.si / grows.value * grows.u) ** 2) ** 0.5 / grows.value)
    judged = band(ratio.value, "number", ok=at_least(1.5), watch=at_least(1.0), doubt=2 * ratio.u)
    yield verdict(
        judged,
        "The coolant grows {g}, the header has {a} of air",
        "From 20 to 100 °C. What does not fit is blown out, and comes back as air.",
        g=q(grows.value, "fine_volume"),
        a=q(air.si, "fine_volume"),
    )


@rule(
    "systems.cooling-bore",
    "Bores of the coolant's hoses",
    limit="not below the unit's own port ok; smaller but below 3 m/s watch; faster stop",
    source="3 m/s: common practice, no source",
    mark="common practice",
    settles=buy("Hose of the unit's own bore, without the step."),
)
def bore(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if not cooled.liquid or not cooled.c.loop:
        return
    port = cooled.port
    flow = cooled.read(cooled.c.coolant_flow, cooled.p("coolant_flow"), "flow of the coolant")

    def one(s: Subject[Piece]) -> Iterable[Verdict]:
        own = cooled.bore("loop", s.key, s.of)
        speed = combined(pipe_speed, flow, own)
        step = hose_step(port.si, own.si)
        judged = kept(speed.value, "speed", at_most(3.0), 2 * speed.u)
        judged = judged.or_by("stop", "its doubt reaches over 3 m/s", speed.value + 2 * speed.u > 3.0)
        judged = judged.or_by("watch", "narrower than its port", own.si < port.si * 0.999)
        yield verdict(
            judged,
            "{n}: {d} at a port of {p}",
            "{v} in it, {a} of the port's area, friction {f} times.",
            subject=s.key,
            working=pipe_speed.working(flow.si, own.si),
            n=word(s.name),
            d=q(own.si, "bore"),
            p=q(port.si, "bore"),
            v=q(speed.value, "speed"),
            a=q(step.area, "percent"),
            f=q(step.friction, "number"),
        )

    hoses = [(k, p) for k, p in cooled.pieces(cooled.c.loop) if p.kind not in ("unit", "cooler", "tank", "side loop")]
    yield from one_by_one([Subject(k, p.name, p) for k, p in hoses], one)


@rule(
    "systems.cooling-waterless",
    "Waterless coolant",
    limit="3 % of water or less watch, always; more stop",
    source="common practice, no source",
    mark="common practice",
    settles=decide("Go back to a mix with water; or drain, dry and fill again until the refractometer says less."),
)
def waterless(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if not cooled.liquid or cooled.c.coolant != "waterless":
        return
    left = cooled.read(
        cooled.c.water_left, cooled.p("water_left"), "water left in the coolant, by a strip or refractometer"
    )
    judged = never_ok(
        left.si,
        "percent",
        watch=at_most(0.03),
        ground="waterless coolant runs hotter, whatever is in it",
        doubt=2 * left.u,
    )
    judged = judged.or_by("stop", "its doubt reaches over the limit", left.si + 2 * left.u > 0.03)
    yield verdict(
        judged,
        "Waterless coolant with {w} of water in it",
        "It carries {c} of the heat that half glycol does at one flow: the metal runs hotter, and the gauge's limit is "
        "the metal's. Never topped up with water. What is spilt on hot metal burns.",
        w=q(left.si, "percent"),
        c=q(COOLANTS["waterless"].specific_j_kg_k / COOLANTS["half ethylene glycol"].specific_j_kg_k, "percent"),
    )
