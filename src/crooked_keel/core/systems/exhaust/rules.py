"""Findings of the exhaust: its back pressure, its heat, its growth; of a wet one its height over the water."""

from __future__ import annotations

from collections.abc import Iterable
from itertools import pairwise

from ...errors import Gap, ask_all
from ...figure.reads import Read, combined
from ...figure.units import ZERO_C_K
from ...judging.band import at_least, at_most, band
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, measure
from ...judging.subjects import Subject, one_by_one
from ...physics.heat import mixed, radiant
from ..cooling.quantities import Cooled
from .functions import GROWTH_1_K, drain_back, gas_flow, growth, injection_clearance
from .quantities import Exhausted

# A hose with fuel in it, or wiring, near the pipe: how warm it is by itself, K. Proposed.
NEAR_K = 330.0


@rule(
    "systems.exhaust-back",
    "Back pressure",
    limit="0.7 of the limit or less ok, to the limit watch, more stop; a wet lift that is not measured, and a limit "
    "that is not the maker's, watch at best",
    source="the maker; else 6.7 kPa turbocharged diesel, 8.5 diesel, 14 petrol: common practice, unsure",
    mark="common practice",
    settles=measure("Back pressure at full power, a gauge at the outlet; then larger pipe or fewer bends."),
)
def back(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    way = exhausted.way
    measured = exhausted.e.measured
    if measured is not None:
        most, whose = exhausted.limit
        read = exhausted.read(measured, exhausted.p("measured"), "back pressure as measured")
        value, u, said = read.si, read.u, "As measured at full power. "
    else:
        (most, whose), made = ask_all(lambda: exhausted.limit, lambda: exhausted.back)
        value, u = made.value, made.u
        said = "Of dry gas in this pipe, {m} at {t}. "
    judged = band(value, "pressure", ok=at_most(0.7 * most), watch=at_most(most), doubt=2 * u)
    over = judged.level != "ok"
    lifted, said_by_maker = way == "wet, lifted" and measured is None, exhausted.e.limit is not None
    judged = judged.or_by("watch", "the water that it lifts comes on top", lifted).or_by(
        "watch", "its maker did not say the limit", not said_by_maker
    )
    what = f"most back pressure of the {exhausted.placed.name}, by its maker"
    terms = exhausted.flow_terms if measured is None else None
    yield verdict(
        judged,
        "Back pressure {p}, may be {l}",
        said
        + "The limit is the word of {w}. "
        + ("The water that it lifts adds up to 10 kPa for each metre: measure it. " if lifted else "")
        + "Silencers count by their own figures, which are not here.",
        left_out=exhausted.parts.left_out if measured is None else None,
        working=gas_flow.working(terms[0], terms[1].si, terms[2].si) if terms is not None else None,
        can_suggest=over and measured is None,
        needs=[] if said_by_maker else [Gap(exhausted.p("limit"), what)],
        p=q(value, "pressure"),
        l=q(most, "pressure"),
        w=word(whose),
        m=q(exhausted.gas_flow.si if measured is None else 0.0, "mass_flow"),
        t=q(exhausted.gas.si if measured is None else 0.0, "temperature"),
    )


@rule(
    "systems.exhaust-shine",
    "Heat that shines on hoses and wires",
    limit="2 kW/m² or less, or a shield between, ok; 5 kW/m² or less watch; more stop",
    source="Stefan and Boltzmann; 2 and 5 kW/m²: common practice",
    mark="common practice",
    settles=adjust("A bright sheet between, air behind it; or the hose led elsewhere."),
)
def shine(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way != "dry":
        return
    said = exhausted.chosen(exhausted.e.shielded, "shielded", "whether a shield is between hot pipe and hoses or wires")
    if said == "yes":
        yield verdict(
            "ok",
            "A shield is between the hot pipe and what is near",
            "As said, not measured. Feel the hoses after the first hot run; wrap holds water and hides cracks.",
        )
        return
    surface, sees = ask_all(
        lambda: exhausted.read(exhausted.e.surface, exhausted.p("surface"), "temperature of the pipe's outside"),
        lambda: exhausted.read(
            exhausted.e.sees, exhausted.p("sees"), "how much of the nearest hose's view is hot pipe"
        ),
    )
    heat = combined(lambda f, t: radiant(f, t, NEAR_K), sees, surface)
    judged = band(heat.value, "heat_flux", ok=at_most(2000.0), watch=at_most(5000.0), doubt=2 * heat.u)
    yield verdict(
        judged,
        "{q} shines on the nearest hose or wire",
        "Nothing is between it and a pipe of {t}. A bright sheet with air behind it takes nearly all of it.",
        working=radiant.working(sees.si, surface.si, NEAR_K),
        can_suggest=judged.level != "ok",
        q=q(heat.value, "heat_flux"),
        t=q(surface.si, "temperature"),
    )


@rule(
    "systems.exhaust-growth",
    "Room for the pipe to grow",
    limit="slip twice the growth or more ok, as much watch, less stop",
    source="thermal expansion; twice: common practice",
    mark="common practice",
    settles=adjust("A slip joint or a bellows in it, or hang one end free."),
)
def grows(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way != "dry":
        return
    e = exhausted.e
    length, material, gas, slip = ask_all(
        lambda: exhausted.read(
            e.hot_length, exhausted.p("hot_length"), "longest straight of hot pipe held at both ends"
        ),
        lambda: exhausted.chosen(e.material, "material", "material of the pipe"),
        lambda: exhausted.gas,
        lambda: exhausted.read(
            e.slip, exhausted.p("slip"), "travel of the slip joint in it (0 where there is none)", True
        ),
    )
    alpha = GROWTH_1_K[material]
    grown = combined(lambda size, t: growth(alpha, size, t, ZERO_C_K + 20.0), length, gas)
    ratio = slip.si / grown.value if grown.value > 0 else 0.0
    doubt = 2 * ((slip.u / grown.value) ** 2 + (ratio * grown.u / grown.value) ** 2) ** 0.5
    judged = band(ratio, "number", ok=at_least(2.0), watch=at_least(1.0), doubt=doubt)
    yield verdict(
        judged,
        "The pipe grows {g}, its slip joint gives {s}",
        "Taken as hot as the gas, the most that it can be. What cannot grow cracks, or pulls at the unit's flange.",
        working=growth.working(alpha, length.si, gas.si, ZERO_C_K + 20.0),
        g=q(grown.value, "fine_length"),
        s=q(slip.si, "fine_length"),
    )


@rule(
    "systems.exhaust-injection",
    "Where water goes into the exhaust, over the water outside",
    limit="0.30 m less the tape's doubt or more ok, 0.15 m or more watch, less stop; with a vented loop ok over the "
    "water",
    source="0.15 m: engine installation guides, ABYC P-1 (from memory); heel and loading by statics",
    mark="from memory",
    form="afloat",
    settles=adjust("A vented loop, or a higher riser."),
)
def injection(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way == "dry" or exhausted.afloat is None:
        return
    at, tape = ask_all(lambda: exhausted.injection, lambda: exhausted.tape)
    sure = at.clearance_m - tape
    loop = exhausted.e.loop == "yes"
    judged = (
        band(sure, "length", ok=at_least(0.30), watch=at_least(0.15))
        if not loop
        else band(sure, "length", ok=at_least(0.0))
    )
    level = judged.level
    yield verdict(
        judged,
        "Water goes in {c} {w} the water outside",
        "{s}, heeled {h}, {u} either way by the tape. "
        + (
            "The vented loop is said to be fitted: its top 0.30 m over this water, its valve clean and reached. "
            if loop
            else "Below 0.15 m, or where the tape leaves that open, a vented loop between cooler and injection. "
        )
        + "Waves, and a swell from astern while she lies still, are not in it.",
        left_out=exhausted.afloat.unsaid,
        working=injection_clearance.working(at.height_m, at.water_m, at.heel_rad, at.off_m),
        can_suggest=level != "ok",
        c=q(abs(at.clearance_m), "length"),
        w=word("over" if at.clearance_m >= 0 else "under"),
        s=word(at.state),
        h=q(at.heel_rad, "angle"),
        u=q(tape, "length"),
    )


@rule(
    "systems.exhaust-lock",
    "Water that falls back into the lock",
    limit="the lock holds 1.5 times of it or more ok, once or more watch, less stop",
    source="volume of the hose; 1.5: common practice",
    mark="common practice",
    form="afloat",
    settles=buy("A lock that holds more, set lower; or a shorter hose up from it."),
)
def lock(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way != "wet, lifted":
        return
    e = exhausted.e
    bore, length, holds = ask_all(
        lambda: exhausted.read(e.lift_bore, exhausted.p("lift_bore"), "bore of the hose up from the lock"),
        lambda: exhausted.read(
            e.lift_length, exhausted.p("lift_length"), "length of the hose from the lock to its top"
        ),
        lambda: exhausted.read(e.lock, exhausted.p("lock"), "water that the lock holds below its inlet, heeled"),
    )
    back = combined(drain_back, bore, length)
    ratio = holds.si / back.value
    doubt = 2 * ratio * ((holds.u / holds.si) ** 2 + (back.u / back.value) ** 2) ** 0.5
    judged = band(ratio, "number", ok=at_least(1.5), watch=at_least(1.0), doubt=doubt)
    yield verdict(
        judged,
        "{b} falls back into a lock that holds {l}",
        "What it does not hold runs into the engine. A long crank with the cock open fills it as well: shut it until "
        "she fires.",
        working=drain_back.working(bore.si, length.si),
        can_suggest=judged.level != "ok",
        b=q(back.value, "fine_volume"),
        l=q(holds.si, "fine_volume"),
    )


@rule(
    "systems.exhaust-hose",
    "Hose of the wet exhaust",
    limit="marked for wet exhaust ok, else stop",
    source="SAE J2006, ABYC P-1 (from memory)",
    mark="from memory",
    form="afloat",
    settles=buy("Hose marked for wet exhaust, to SAE J2006 or ISO 13363 (from memory)."),
)
def hose(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way == "dry":
        return
    said = exhausted.chosen(exhausted.e.hose_marked, "hose_marked", "whether its hose is marked for wet exhaust")
    yield verdict(
        "ok" if said == "yes" else "stop",
        "The hose is marked for wet exhaust" if said == "yes" else "The hose is not marked for wet exhaust",
        "Two clips at each end, no low spot, and nothing of aluminium behind the water."
        if said == "yes"
        else "Plain hose burns through in minutes when the water fails, and fills the craft with gas.",
    )


@rule(
    "systems.exhaust-mixed",
    "Exhaust with the water in it",
    limit="75 °C or less ok, 95 °C or less watch, hotter stop",
    source="heat of gas and water, none of it steam; 75 and 95 °C: common practice",
    mark="common practice",
    form="afloat",
    settles=adjust("More water into the elbow: clean strainer and elbow, a new impeller."),
)
def wet_mix(exhausted: Exhausted, cooled: Cooled) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way == "dry":
        return
    flow, gas, pump, sea, heat = ask_all(
        lambda: exhausted.gas_flow, lambda: exhausted.gas, lambda: cooled.pump, lambda: cooled.sea, lambda: cooled.heat
    )
    into = heat if cooled.c.by == "liquid to sea water" else Read(0.0)

    def at(m: float, t: float, v: float, s: float, h: float) -> float:
        water = v * 1025.0
        return mixed(m, t, water, s + h / (water * 3993.0))

    made = combined(at, flow, gas, pump, sea, into)
    judged = band(made.value, "temperature", ok=at_most(ZERO_C_K + 75), watch=at_most(ZERO_C_K + 95), doubt=2 * made.u)
    yield verdict(
        judged,
        "Gas and water mixed: {t} at the most",
        "{v} of sea water into {m} of gas. With half of the water it is much hotter: an alarm on the hose says so "
        "first.",
        t=q(made.value, "temperature"),
        v=q(pump.si, "flow"),
        m=q(flow.si, "mass_flow"),
    )


@rule(
    "systems.exhaust-fall",
    "Fall of the wet exhaust",
    limit="1 in 24 or more ok, any watch, none stop",
    source="half an inch a foot: ABYC P-1 (from memory)",
    mark="from memory",
    form="afloat",
    settles=adjust("Lead the hose so that it falls all the way."),
)
def fall(exhausted: Exhausted) -> Iterable[Verdict]:
    if not exhausted.begun:
        return
    if exhausted.way != "wet, falling":
        return
    pieces = exhausted.pieces(exhausted.e.path)
    pairs = list(pairwise(pieces))

    def one(s: Subject[int]) -> Iterable[Verdict]:
        (before, a), (key, b) = pairs[s.of]
        up, down, length = ask_all(
            lambda: exhausted.height("path", before, a),
            lambda: exhausted.height("path", key, b),
            lambda: exhausted.read(b.length, exhausted.p(f"path/{key}/length"), f"length of {b.name}"),
        )
        slope = (up - down) / length.si
        judged = band(slope, "number", ok=at_least(1 / 24), watch=at_least(1e-9))
        yield verdict(
            judged,
            "{n} falls {f} over {l}" if slope > 0 else "{n} does not fall",
            "Upright, as she lies. Water that stands in it runs forward when she pitches.",
            subject=key,
            n=word(b.name),
            f=q(max(up - down, 0.0), "length"),
            l=q(length.si, "length"),
        )

    yield from one_by_one([Subject(b[0], b[1].name, i) for i, (_, b) in enumerate(pairs)], one)
