"""Findings of the sea water that takes the heat."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all
from ...figure.reads import combined
from ...judging.band import at_least, at_most, band, told
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy
from ...judging.subjects import Subject, one_by_one
from ...physics.heat import SEA_WATER_J_M3_K, keel_area
from ...physics.pipes import pipe_speed
from ..cooling.quantities import Cooled

# Heat through a square metre of keel cooler for each kelvin: at the least (no speed, paint, fouling) and as often
# taken, W/(m²·K). Common practice, unsure.
KEEL_LEAST, KEEL_OFTEN = 150.0, 400.0


@rule(
    "systems.water-outlet",
    "Sea water as it leaves",
    limit="55 °C or less ok, 60 °C or less watch, hotter stop",
    source="scale: common practice, no source",
    mark="common practice",
    form="afloat",
    settles=buy("A pump that moves more, or a new impeller; measure it into a bucket first."),
)
def outlet(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if cooled.way != "liquid to sea water":
        return
    terms = ask_all(lambda: cooled.sea, lambda: cooled.into_sea, lambda: cooled.pump)
    out = combined(lambda t, h, v: t + h / (v * SEA_WATER_J_M3_K), *terms)
    judged = band(out.value, "temperature", ok=at_most(328.15), watch=at_most(333.15), doubt=2 * out.u)
    yield verdict(
        judged,
        "Sea water leaves at {t}",
        "{v} takes {h} from {s}, of every core that it goes through. Hotter it leaves scale, and burns the hose "
        "where the exhaust was to be cooled by it. "
        "A worn impeller moves two thirds of that.",
        t=q(out.value, "temperature"),
        v=q(terms[2].si, "flow"),
        h=q(terms[1].si, "power"),
        s=q(terms[0].si, "temperature"),
    )


@rule(
    "systems.water-bore",
    "Bores of the sea water's hoses",
    limit="1.5 m/s or less ahead of the pump, 3 m/s or less behind it ok; a quarter more watch; more stop",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
    settles=buy("Hose, cock and strainer of a larger bore."),
)
def water_bore(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if cooled.way != "liquid to sea water":
        return
    pieces = cooled.pieces(cooled.c.water)
    if not pieces:
        raise CannotSay(Gap(cooled.p("water"), "the way of the sea water from its cock, part by part"))
    pump = next((i for i, (_, p) in enumerate(pieces) if p.kind == "pump"), len(pieces))

    def one(s: Subject[tuple[int, str]]) -> Iterable[Verdict]:
        i, key = s.of
        most = 1.5 if i < pump else 3.0
        flow, own = ask_all(lambda: cooled.pump, lambda: cooled.bore("water", key, pieces[i][1]))
        speed = combined(pipe_speed, flow, own)
        judged = band(speed.value, "speed", ok=at_most(most), watch=at_most(1.25 * most), doubt=2 * speed.u)
        yield verdict(
            judged,
            "{n}: {v} in {d}",
            "{m} is asked {w} the pump. A pump that sucks too hard moves less than it says.",
            subject=key,
            working=pipe_speed.working(flow.si, own.si),
            n=word(s.name),
            v=q(speed.value, "speed"),
            d=q(own.si, "bore"),
            m=q(most, "speed"),
            w=word("ahead of" if i < pump else "behind"),
        )

    hoses = [Subject(k, p.name, (i, k)) for i, (k, p) in enumerate(pieces) if p.kind not in ("pump", "cooler", "unit")]
    yield from one_by_one(hoses, one)


@rule(
    "systems.cooling-keel",
    "Keel cooler",
    limit="enough with 150 W/(m²·K) ok, with 400 watch, less stop; coolant that would leave colder than the water stop",
    source="log mean temperature difference; 150 to 400: common practice, unsure",
    mark="common practice",
    form="afloat",
    settles=buy("More pipe outside; a second one beside it."),
)
def keel(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if cooled.way != "keel cooler":
        return
    area, heat, hot, stream, sea = ask_all(
        lambda: cooled.read(cooled.c.keel_area, cooled.p("keel_area"), "area of the keel cooler"),
        lambda: cooled.heat,
        lambda: cooled.limit,
        lambda: cooled.coolant_stream,
        lambda: cooled.sea,
    )
    leaves = hot - heat.si / stream.si
    if leaves <= sea.si:
        yield verdict(
            told(leaves, "temperature", "stop", "no area does that"),
            "The coolant would have to leave its keel cooler at {t}, the water outside has {w}",
            "By its flow and its heat: no area does that. More flow, a hotter coolant where the engine stands it, or "
            "another way of cooling; or look at the flow again.",
            t=q(leaves, "temperature"),
            w=q(sea.si, "temperature"),
        )
        return
    wanted = [keel_area(heat.si + 2 * heat.u, u, hot, leaves, sea.si) for u in (KEEL_LEAST, KEEL_OFTEN)]
    judged = band(area.si, "area", ok=at_least(wanted[0]), watch=at_least(wanted[1]), doubt=2 * area.u)
    yield verdict(
        judged,
        "{a} of keel cooler, {l} to {m} wanted",
        "The less with a clean skin and way on, the more at the dock, painted and grown over. Air that gets in stays.",
        a=q(area.si, "area"),
        l=q(wanted[1], "area"),
        m=q(wanted[0], "area"),
    )
