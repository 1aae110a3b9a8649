"""Findings of the induction: bore, filter, tilt of its carburettor, charge cooler."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...figure.reads import Read, combined
from ...judging.band import at_most, band, kept
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, decide
from ...physics.atmosphere import isa
from ...physics.pipes import pipe_speed
from ..cooling.quantities import Cooled
from .functions import charge_out, compressed
from .quantities import Breathing, air_flow

# Speed of the air into a filter that is easy on it, and that is still had, m/s. Common practice, no source.
# Kelvin that a hot day must leave under the hottest charge. Proposed.
CHARGE_MARGIN_K = 5.0
FACE = {"paper": (1.5, 2.5), "oiled gauze": (3.0, 4.4)}


@rule(
    "systems.induction-bore",
    "Bore of the intake",
    limit="25 m/s or less ok, 40 m/s or less watch, faster stop",
    source="25 m/s ahead of the filter: common practice; 40 m/s proposed",
    mark="common practice",
    settles=buy("A wider intake, with a bell at its mouth."),
)
def bore(breathing: Breathing) -> Iterable[Verdict]:
    if not breathing.begun:
        return
    air, own = ask_all(lambda: breathing.air, lambda: breathing.intake)
    speed = combined(pipe_speed, Read(*air), own)
    judged = band(speed.value, "speed", ok=at_most(25.0), watch=at_most(40.0), doubt=2 * speed.u)
    power, b, r, density = breathing.terms
    yield verdict(
        judged,
        "Air goes in at {v} in {d}",
        "{a} at the power that lasts. {w} brings it to 25 m/s. Hot air from round the engine costs power besides.",
        working=air_flow.working(power, b.si, r.si, density),
        can_suggest=judged.level != "ok",
        v=q(speed.value, "speed"),
        d=q(own.si, "bore"),
        a=q(air.value, "air_flow"),
        w=q(breathing.bore_wanted, "bore"),
    )


@rule(
    "systems.induction-filter",
    "Area of the filter",
    limit="paper 1.5 m/s, gauze 3.0 m/s or less ok; more, or none at all, watch; over 2.5 and 4.4 m/s stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A larger filter, or two side by side."),
)
def filter_(breathing: Breathing) -> Iterable[Verdict]:
    if not breathing.begun:
        return
    sort = breathing.chosen(breathing.i.filter, "filter", "what its air filter is made of")
    if sort == "none":
        yield verdict(
            "watch",
            "No air filter",
            "Dust wears it out and a loose nut ends it; a screen at the least, and an eye on the strip.",
        )
        return
    easy, most = FACE[sort]
    speed = breathing.face_speed
    judged = band(speed.value, "speed", ok=at_most(easy), watch=at_most(most), doubt=2 * speed.u)
    yield verdict(
        judged,
        "Air goes into the filter at {v}",
        "{a} through {s}. A dirty one takes more; how much it may is the maker's to say.",
        v=q(speed.value, "speed"),
        a=q(breathing.air.value, "air_flow"),
        s=word(sort),
    )


@rule(
    "systems.induction-tilt",
    "How far the carburettor lies over",
    limit="its limit or less ok, more stop; a membrane carburettor and injection do not mind",
    source="geometry; the limit is its maker's",
    mark="statics",
    settles=adjust("Turn the carburettor on its stub so that its bowl stands level; or another kind of it."),
)
def tilt(breathing: Breathing) -> Iterable[Verdict]:
    if not breathing.begun:
        return
    if breathing.way != "float carburettor":
        return
    what = "how far the carburettor may lie over, by its maker"
    limit, (angle, words) = ask_all(
        lambda: breathing.read(breathing.i.tilt_limit, breathing.p("tilt_limit"), what), lambda: breathing.tilt
    )
    judged = kept(angle, "angle", at_most(limit.si - 2 * limit.u))
    yield verdict(
        judged,
        "The carburettor lies over by {a} {w}",
        "It may by {l}. Turns and braking tilt the fuel in its bowl as well: they are not in it.",
        a=q(angle, "angle"),
        w=word(words),
        l=q(limit.si, "angle"),
    )


@rule(
    "systems.induction-charge",
    "Charge cooler",
    limit="there, or nothing to cool, ok; none behind a blower watch",
    source="common practice, no source",
    mark="common practice",
    settles=decide("Fit a charge cooler, or keep the boost where the maker allows none."),
)
def charge(breathing: Breathing) -> Iterable[Verdict]:
    if not breathing.begun:
        return
    if breathing.unit.breathing != "turbocharged":
        return
    said = breathing.chosen(breathing.i.charge_cooler, "charge_cooler", "whether its charge air is cooled")
    yield verdict(
        "ok" if said == "yes" else "watch",
        "The charge is cooled" if said == "yes" else "A blower without a charge cooler",
        "Where the coolant cools it, its heat goes into the coolant and is listed there."
        if said == "yes"
        else "Hot charge knocks, and gives less power than its sheet says.",
    )


@rule(
    "systems.induction-hot",
    "Charge into a unit with a blower, on a hot day",
    limit="5 K below its maker's limit or cooler ok, to the limit watch, hotter stop",
    source="isentropic compression; effectiveness and NTU: Fundamentals of Heat and Mass Transfer, ch. 11 (from "
    "memory); the limit is its maker's, 5 K proposed",
    mark="from memory",
    settles=buy("A larger charge cooler, first in its air; or less boost, and less power with it."),
)
def hot(breathing: Breathing, cooled: Cooled) -> Iterable[Verdict]:
    if not breathing.begun or not breathing.blown:
        return
    said = breathing.chosen(breathing.i.charge_cooler, "charge_cooler", "whether its charge air is cooled")
    if said == "yes" and cooled.begun and cooled.way == "keel cooler":
        yield verdict(
            "watch",
            "How hot the charge goes in is not worked out",
            "A keel cooler takes its heat by way of the coolant. Read a thermometer behind the charge cooler at full "
            "power, and list its heat with what goes into the coolant.",
        )
        return
    core = cooled.charge_core if said == "yes" else None
    what = f"hottest charge that the {breathing.placed.name} may have"
    limit, charge = ask_all(
        lambda: breathing.read(breathing.i.charge_limit, breathing.p("charge_limit"), what),
        lambda: cooled.charge(*core) if core else cooled.blown,
    )
    judged = band(
        charge.value,
        "temperature",
        ok=at_most(limit.si - CHARGE_MARGIN_K),
        watch=at_most(limit.si),
        doubt=2 * (charge.u**2 + limit.u**2) ** 0.5,
    )
    terms = (cooled.hot_day.si, isa(cooled.altitude).pressure_pa, breathing.boost.si, breathing.blower.si)
    yield verdict(
        judged,
        "The charge goes in at {t}, may come to {l}",
        "{b} behind the blower at {p} of boost"
        + (", {c} at the core that cools it. " if core else ", and nothing cools it. ")
        + ("Of an ideal blower {e} is taken. " if breathing.i.blower is None else "")
        + "What the filter and the core lose of its pressure is not in it, nor heat from round the unit. A hot charge "
        "knocks before a gauge shows it.",
        working=charge_out.working(*cooled.charge_terms(*core)) if core else compressed.working(*terms),
        can_suggest=judged.level in ("watch", "stop"),
        t=q(charge.value, "temperature"),
        l=q(limit.si, "temperature"),
        b=q(cooled.blown.value, "temperature"),
        p=q(breathing.boost.si, "pressure"),
        c=q(cooled.cold(*core).temperature.si if core else 0.0, "temperature"),
        e=q(breathing.blower.si, "percent"),
    )
