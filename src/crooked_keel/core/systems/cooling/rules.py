"""Findings of the cooling: where it settles, whether it boils, its air, its loop, its sea water."""

from __future__ import annotations

from collections.abc import Iterable

from ...document.systems import Cooler
from ...errors import CannotSay, Gap, ask_all
from ...figure.reads import Read, combined
from ...judging.band import at_least, at_most, band, told
from ...judging.finding import Param, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, one_by_one
from ...physics.heat import BOIL_DOUBT_K, HEAT_RATIOS, air_to_boil, settles
from .quantities import LEAKING, SEALED, Cooled

# Kelvin below the limit that a hot day must leave; oil leaves a core at no more than this, K. Common practice, no
# source.
MARGIN_K = 10.0
OIL_LIMIT_K = 273.15 + 115.0


@rule(
    "systems.cooling-settles",
    "Where the coolant settles on a hot day",
    limit="10 K below the limit or cooler ok, to the limit watch, hotter stop, and so a limit that is not hotter than "
    "what cools it; oil by 115 °C",
    source="effectiveness and NTU: Fundamentals of Heat and Mass Transfer, ch. 11 (from memory); 10 K: common practice",
    mark="from memory",
    settles=buy("A larger core; or more air through it, by inlet, duct and exit."),
)
def settles_at(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if cooled.way not in ("liquid to air", "liquid to sea water"):
        return
    yield from one_by_one(
        [Subject(k, c.name, (k, c)) for k, c in cooled.coolers],
        lambda s: _settles(cooled, *s.of),
    )


def _carried(cooler: Cooler) -> Param:
    return word("Coolant" if cooler.carries == "coolant" else f"The {cooler.carries}")


def _settles(cooled: Cooled, key: str, cooler: Cooler) -> Iterable[Verdict]:
    if cooler.carries == "charge air":
        return
    at = cooled.p(f"coolers/{key}/carries")
    if cooler.carries is None:
        raise CannotSay(Gap(at, f"what the {cooler.name} carries"))
    coolant = cooler.carries == "coolant"
    limit = lambda: cooled.limit if coolant else OIL_LIMIT_K
    top, most = ask_all(lambda: cooled.settled(key, cooler), limit)
    terms = cooled.settle_terms(key, cooler)
    if most <= terms[0]:
        yield verdict(
            told(most, "temperature", "stop", "no core gives off heat so"),
            "{n} may come to {l}, what comes to its core has {a}",
            "It cannot give off any heat and stay within that: no core is large enough. Cooler air or water to it, "
            "ahead of the other cores; a limit that its maker stands by; or look at the two figures again.",
            subject=key,
            n=_carried(cooler),
            l=q(most, "temperature"),
            a=q(terms[0], "temperature"),
        )
        return
    judged = band(top.value, "temperature", ok=at_most(most - MARGIN_K), watch=at_most(most), doubt=2 * top.u)
    by_air = cooled.way == "liquid to air"
    yield verdict(
        judged,
        "{n} settles at {t}, may come to {l}",
        "With {a} at the core and {h} to give away. "
        + ("Of the air, what goes round the core cools nothing. " if by_air else "")
        + "A core grows dirty; an engine that is not run in makes more heat.",
        subject=key,
        working=settles.working(*terms),
        can_suggest=judged.level in ("watch", "stop"),
        n=_carried(cooler),
        t=q(top.value, "temperature"),
        l=q(most, "temperature"),
        a=q(terms[0], "temperature"),
        h=q(terms[1], "power"),
    )


@rule(
    "systems.cooling-boils",
    "Air outside at which the coolant boils",
    limit="50 °C or more ok, 40 °C or more watch, less stop",
    source="air to boil: common practice, no source; boiling point by Antoine's equation (from memory)",
    mark="common practice",
    settles=buy("A larger core, or a cap of more pressure where every hose stands it."),
)
def boils(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if cooled.way != "liquid to air" or cooled.c.coolant == "waterless":
        return
    key, core = cooled.core
    boiling, top, air = ask_all(lambda: cooled.boiling, lambda: cooled.settled(key, core), lambda: cooled.hot_day)
    value = air_to_boil(boiling.value, top.value, air.si)
    doubt = 2 * (boiling.u**2 + top.u**2) ** 0.5
    judged = band(value, "temperature", ok=at_least(323.15), watch=at_least(313.15), doubt=doubt)
    yield verdict(
        judged,
        "It boils when the air outside is at {a}",
        "Under its cap it boils at {b} where the power is wanted, {d} either way for the mix. A steam pocket shows on "
        "no gauge.",
        working=air_to_boil.working(boiling.value, top.value, air.si),
        a=q(value, "temperature"),
        b=q(boiling.value, "temperature"),
        d=q(BOIL_DOUBT_K, "temperature_rise"),
    )


@rule(
    "systems.cooling-donor",
    "A core from another craft",
    limit="1.15 of the heat wanted or more ok, 0.9 or more watch, less stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A core that served more power, with the fan that it had."),
)
def donor(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if cooled.way not in ("liquid to air", "liquid to sea water") or not cooled.c.coolers:
        return
    key, core = cooled.core
    if core.served_power is None and core.served_kind is None:
        return
    at = cooled.p(f"coolers/{key}/served_kind")
    kind = lambda: cooled.chosen(
        core.served_kind, f"coolers/{key}/served_kind", f"kind of engine the {core.name} served"
    )
    power, heat, served = ask_all(
        lambda: cooled.read(core.served_power, at.replace("kind", "power"), f"power that the {core.name} served"),
        lambda: cooled.heat,
        kind,
    )
    share = HEAT_RATIOS[served]
    ratio = combined(lambda p, k, h: p * k / h, power, Read(share.usual, (share.most - share.least) / 4), heat)
    judged = band(ratio.value, "number", ok=at_least(1.15), watch=at_least(0.9), doubt=2 * ratio.u)
    yield verdict(
        judged,
        "The {n} carried {r} of the heat wanted",
        "Behind the engine that it served, {p}, taken to give {s} of its power into its coolant. It says nothing "
        "unless the core sees that craft's air: its fan, its speed, its face.",
        n=word(core.name),
        r=q(ratio.value, "percent"),
        p=q(power.si, "power"),
        s=q(share.usual, "percent"),
    )


@rule(
    "systems.cooling-exit",
    "Pressure left to push the cooling air out",
    limit="more than 0.15 of the dynamic pressure ok, some watch, none stop",
    source="momentum; diffuser 0.75 sealed, 0.30 not: common practice",
    mark="common practice",
    settles=adjust("Open the exit, or carry it to where the craft sucks; a thinner core."),
)
def exit_(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if not cooled.by_air or cooled.c.fan is not None:
        return
    drop, speed, density, sealed = ask_all(
        lambda: cooled.read(cooled.c.core_drop, cooled.p("core_drop"), "pressure that the core takes of its air"),
        lambda: cooled.speed,
        lambda: cooled.air_density,
        lambda: cooled.chosen(cooled.c.sealed, "sealed", "whether the duct is sealed to the core"),
    )
    back = SEALED if sealed == "yes" else LEAKING
    share = combined(lambda d, v, r: back - d / (r * v * v / 2), drop, speed, density)
    judged = band(share.value, "percent", ok=at_least(0.15), watch=at_least(0.0), doubt=2 * share.u)
    level = judged.level
    yield verdict(
        judged,
        "{s} of the dynamic pressure is left behind the core"
        if share.value > 0
        else "No pressure is left behind the core",
        "Of {p} at that speed the duct gives back {b} and the core takes {d}. "
        + ("A bigger inlet, a thinner core, or an exit where the craft sucks. " if level != "ok" else "")
        + "The pressure at the exit itself is taken as that outside; under a cowl it may be more.",
        s=q(max(share.value, 0.0), "percent"),
        p=q(density.si * speed.si**2 / 2, "fine_pressure"),
        b=q(back, "percent"),
        d=q(drop.si, "fine_pressure"),
    )


@rule(
    "systems.cooling-sealed",
    "Duct sealed to the core",
    limit="yes ok, no stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Seal the duct to the core all round: foam, rubber lip, no gap."),
)
def sealed(cooled: Cooled) -> Iterable[Verdict]:
    if not cooled.begun:
        return
    if not cooled.by_air:
        return
    said = cooled.chosen(cooled.c.sealed, "sealed", "whether the duct is sealed to the core")
    yield verdict(
        "ok" if said == "yes" else "stop",
        "The duct is sealed to the core" if said == "yes" else "Air leaks round the core",
        "Looked at by whoever said so; felt for with a strip of paper at the first run."
        if said == "yes"
        else "Air that goes round the core cools nothing, and what is said of the core holds no more.",
    )
