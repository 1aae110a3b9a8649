"""Findings about caps of mass, fuel and the wing: what may be aboard, what burns when, what hangs in the wing."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ..certainty import chance_at_most
from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..trace import need
from ..units import HP_W, LB_KG
from .section import BalanceBench
from .story import Story, empty_mass_interval
from .wing import root_bending

# 170 lb, FAA (from memory); heavy with winter clothing 190 lb.
SEAT_KG = 77.0
HEAVY_KG = 86.0
# Half an hour at full power on paper: half a pound for each horsepower. AC 43.13-1B chapter 10 (from memory).
_LEAST_FUEL_KG_W = 0.5 * LB_KG / HP_W


def min_fuel_for_check(power_w: float) -> float:
    """Fuel of a paper check of the extremes, kg. Source: AC 43.13-1B chapter 10, 1/12 US gallon for each horsepower (from memory)."""
    return _LEAST_FUEL_KG_W * power_w


@rule(
    "balance.mass-landing", "Landing mass", limit="stop where empty tanks are still above it, watch where fuel must be burnt first", source="designer's limit", mark="statics", form="cg limits",
)  # fmt: skip
def mass_landing(bench: BalanceBench) -> Iterable[Finding]:
    cap = bench.craft.limits.landing
    if cap is None:
        return
    case = max(bench.cases, key=lambda c: c.trail[0].mass_kg)
    heavy = max(bench.cases, key=lambda c: c.trail[-1].mass_kg)
    dry, full = case.trail[0].centre.mass, heavy.trail[-1].mass_kg
    level: Level = (
        "stop" if dry.value > cap.si else "watch" if full > cap.si or dry.value + 2 * dry.u > cap.si else "ok"
    )
    if dry.value > cap.si:
        title, message = "Landing mass passed by {d}", "{l} with empty tanks: {m} of {cap}."
    elif full > cap.si:
        title, message = "Burn {b} before landing", "{h} takes off at {f}; landing mass {cap}."
    else:
        title, message = "{d} of landing mass left", "{l} with empty tanks: {m} ±{u} of {cap}."
    yield verdict(
        "balance.mass-landing", level, title, message, compared=Compared(value=dry.value, dimension="mass", hi=cap.si), margin=q(cap.si - dry.value, "mass"),
        d=q(abs(cap.si - dry.value), "mass"), b=q(max(full - cap.si, 0.0), "mass"), l=word(case.name), h=word(heavy.name), m=q(dry.value, "mass"), f=q(full, "mass"), u=q(2 * dry.u, "mass"), cap=q(cap.si, "mass"),
    )  # fmt: skip


@rule(
    "balance.mass-zero-fuel", "Mass without fuel", limit="stop above, watch if the doubt reaches above", source="designer's limit", mark="statics", form="cg limits",
)  # fmt: skip
def mass_zero_fuel(bench: BalanceBench) -> Iterable[Finding]:
    cap = bench.craft.limits.zero_fuel
    if cap is None:
        return
    case = max(bench.cases, key=lambda c: c.trail[0].mass_kg)
    dry = case.trail[0].centre.mass
    level: Level = "stop" if dry.value > cap.si else "watch" if dry.value + 2 * dry.u > cap.si else "ok"
    yield verdict(
        "balance.mass-zero-fuel", level, "Mass without fuel passed by {d}" if dry.value > cap.si else "{d} of mass without fuel left", "{l}: {m} ±{u} of {cap}.",
        compared=Compared(value=dry.value, dimension="mass", hi=cap.si), margin=q(cap.si - dry.value, "mass"),
        d=q(abs(cap.si - dry.value), "mass"), l=word(case.name), m=q(dry.value, "mass"), u=q(2 * dry.u, "mass"), cap=q(cap.si, "mass"),
    )  # fmt: skip


@rule(
    "balance.place-cap", "What each place may carry", limit="stop above the heaviest of a place", source="designer's limit", mark="statics",
)  # fmt: skip
def place_cap(bench: BalanceBench) -> Iterable[Finding]:
    capped = {k: s for k, s in bench.craft.seats.items() if s.heaviest is not None}
    over = False
    for key, loading in bench.resolved.project.loadings.items():
        for place, seat in capped.items():
            load, cap = loading.loads.get(place), seat.heaviest
            if load is not None and cap is not None and load.si > cap.si + 1e-9:
                over = True
                yield verdict(
                    "balance.place-cap", "stop", "{l}: {d} too much in {s}", "{m} of {cap}.", subject=f"{key} {place}",
                    compared=Compared(value=load.si, dimension="mass", hi=cap.si), l=word(loading.name), d=q(load.si - cap.si, "mass"), s=word(seat.name), m=q(load.si, "mass"), cap=q(cap.si, "mass"),
                )  # fmt: skip
    if capped and not over:
        yield verdict(
            "balance.place-cap",
            "ok",
            "No place carries more than it may",
            "Every loading against what each place may carry.",
        )


@rule(
    "balance.useful-load", "Useful load", limit="watch where full tanks leave room for fewer people than places, stop where one heavy person and least fuel do not fit",
    source="170 and 190 lb for a person, FAA; least fuel AC 43.13-1B chapter 10 (from memory)", mark="from memory", form="cg limits",
)  # fmt: skip
def useful_load(bench: BalanceBench) -> Iterable[Finding]:
    tanks = bench.resolved.tanks
    asks = [lambda: bench.gross, lambda: bench.empty]
    holds = [
        lambda t=t, p=p: need(t.capacity, f"{p}/capacity", f"usable volume of the {t.name}").si * need(t.density, f"{p}/density", f"density of the fuel in the {t.name}").si
        for _, p, t in tanks
    ]  # fmt: skip
    all_or_cannot_say(*asks, *holds)
    seat = bench.resolved.project.assumptions.seat_mass
    person = seat.si if seat else SEAT_KG
    useful, full = bench.gross - bench.empty.mass_kg, sum(ask() for ask in holds)
    left = useful - full
    people = max(int(left // person), 0)
    powers = [
        p.installation.unit.power.si
        for p in bench.resolved.installations
        if p.installation.unit.power and p.installation.unit.kind != "electric"
    ]
    least = min_fuel_for_check(sum(powers))
    places = sum(1 for s in bench.craft.seats.values() if s.heaviest is None or s.heaviest.si >= person)
    level: Level = "stop" if useful < HEAVY_KG + least else "watch" if people < min(places, 2) else "ok"
    message = "Empty {e}, gross {g}. Full tanks, {f}, leave {l}, room for {n} of {p}."
    if level == "stop":
        message += " Not even one heavy person with {h} of fuel fits."
    yield verdict(
        "balance.useful-load", level, "Useful load {u}", message, compared=Compared(value=useful, dimension="mass", lo=HEAVY_KG + least),
        u=q(useful, "mass"), e=q(bench.empty.mass_kg, "mass"), g=q(bench.gross, "mass"), f=q(full, "mass"), l=q(left, "mass"), n=q(people, "count"), p=q(person, "mass"), h=q(least, "mass"),
    )  # fmt: skip


@rule(
    "balance.mass-target", "Empty mass wanted", limit="ok where the chance to keep it is above 90 %, stop below 50 %", source="owner's wish; JCGM 100:2008 (from memory)", mark="from memory",
)  # fmt: skip
def mass_target(bench: BalanceBench) -> Iterable[Finding]:
    wanted = bench.craft.limits.empty_wanted
    if wanted is None:
        return
    mass = bench.empty.mass
    chance = chance_at_most(wanted.si, mass.value, mass.u)
    level: Level = "ok" if chance > 0.9 else "watch" if chance >= 0.5 else "stop"
    over = mass.value > wanted.si
    yield verdict(
        "balance.mass-target", level, "Still {d} to find" if over else "{d} under the empty mass wanted", "Empty {m} ±{u}, wanted {w}. The chance to keep it is {p}.",
        compared=Compared(value=mass.value, dimension="mass", hi=wanted.si), margin=q(wanted.si - mass.value, "mass"),
        d=q(abs(wanted.si - mass.value), "mass"), m=q(mass.value, "mass"), u=q(2 * mass.u, "mass"), w=q(wanted.si, "mass"), p=q(chance, "percent"),
    )  # fmt: skip


@rule(
    "balance.one-side-fuel", "One side will not feed", limit="the lateral limits; none given: watch beyond 25 mm", source="designer's limit; 25 mm: common practice, no source", mark="common practice", form="cg limits",
)  # fmt: skip
def one_side_fuel(bench: BalanceBench) -> Iterable[Finding]:
    if not bench.fuel.on_sides:
        return
    lo, hi, given = bench.lateral_limits
    stuck = [s for key in bench.resolved.project.loadings for s in bench.fuel.one_side(key, bench.empty_y)]
    if not stuck:
        raise CannotSay(Need("/loadings", "a loading: who and what is aboard"))
    worst = min(stuck, key=lambda s: min(s.centre_y.station_m - lo, hi - s.centre_y.station_m))
    y, u = worst.centre_y.station_m, worst.centre_y.station.u
    margin = min(y - lo, hi - y)
    level: Level = ("stop" if given else "watch") if margin < 0 else "watch" if margin < 2 * u else "ok"
    yield verdict(
        "balance.one-side-fuel", level, "With the {s} tanks stuck full the CG is {d} off the centreline", "{l}, all else burnt: {y} to starboard ±{u}" + ("." if given else "; no lateral limit given, 25 mm taken. Roll control is not checked here."),
        compared=Compared(value=y, dimension="length", lo=lo, hi=hi), margin=q(margin, "length"), s=word(worst.side), d=q(abs(y), "length"), l=word(worst.loading), y=q(y, "length"), u=q(2 * u, "length"),
    )  # fmt: skip


@rule(
    "balance.burn-order", "Order of burning", limit="stop where the order leaves the limits, watch within two standard deviations", source="statics", mark="statics", form="cg limits",
)  # fmt: skip
def burn_order(bench: BalanceBench) -> Iterable[Finding]:
    cases = [c for c in bench.cases if len(bench.fuel.legs(c.key)) > 1]
    if not cases:
        return
    worst: tuple[float, float, Any, Any, str] | None = None
    for case in cases:
        for point in case.trail[1:-1]:
            for side in ("forward", "aft"):
                found = (point.margin(side) / (point.u(side) or 1e-12), point.margin(side), case, point, side)
                if worst is None or found[0] < worst[0]:
                    worst = found
    if worst is None:
        return
    sure, margin, case, point, side = worst
    level: Level = "stop" if margin < 0 else "watch" if sure < 2 else "ok"
    yield verdict(
        "balance.burn-order", level, "On the way the {s} limit is passed by {d}" if margin < 0 else "On the way the {s} limit is kept by {d}", "{l}, burning turn by turn: CG at {x}, limit {k}, at {m}.",
        margin=q(margin, "length"), working=point.margin_working(side), can_suggest=level != "ok", s=word(side), d=q(abs(margin), "length"), l=word(case.name), x=q(point.x_m, "length"), k=q(point.limit(side), "length"), m=q(point.mass_kg, "mass"),
    )  # fmt: skip


@rule(
    "balance.wing-bending", "Bending at the root of the wing", limit="not above the highest before, up to 5 % above watch, more stop", source="common practice, no source: a comparison, not an approval", mark="common practice", form="cg limits",
)  # fmt: skip
def wing_bending(bench: BalanceBench) -> Iterable[Finding]:
    added = bool(bench.resolved.fit and bench.resolved.fit.tanks)
    if bench.resolved.fit_id is None or not (bench.fuel.has_wing_figures or added):
        return
    keys = list(bench.resolved.project.loadings)
    if not keys:
        raise CannotSay(Need("/loadings", "a loading: who and what is aboard"))
    after = max((b for k in keys for b in bench.fuel.bending(k, bench.empty, True)), key=lambda b: b.moment_n_m)
    before = max((b for k in keys for b in bench.fuel.bending(k, bench.before, False)), key=lambda b: b.moment_n_m)
    share = after.moment_n_m / before.moment_n_m
    level: Level = "stop" if share > 1.05 else "watch" if share > 1.0 else "ok"
    yield verdict(
        "balance.wing-bending", level, "Root bending {p} of the highest before", "{w}: {a}, before {b} ({v}), at the same load factor. It compares; whoever designed the wing must say yes.",
        compared=Compared(value=share, dimension="percent", hi=1.0), working=root_bending.working(*after.terms), p=q(share, "percent"), w=word(after.words), v=word(before.words), a=q(after.moment_n_m, "torque"), b=q(before.moment_n_m, "torque"),
    )  # fmt: skip


@rule(
    "balance.zero-wing-fuel", "Mass with empty wings", limit="the designer's limit, watch if the doubt reaches above; none given: watch above the mass before, stop with tanks added in the fuselage", source="designer's limit; statics", mark="statics", form="cg limits",
)  # fmt: skip
def zero_wing_fuel(bench: BalanceBench) -> Iterable[Finding]:
    fit, cap = bench.resolved.fit, bench.craft.limits.no_wing_fuel
    wings = any(bench.fuel.is_wing_tank(k) for k, _, _ in [*bench.resolved.tanks_of(False), *bench.resolved.tanks])
    if fit is None or not (wings or cap):
        return
    keys = list(bench.resolved.project.loadings)
    after = max(bench.fuel.no_wing_fuel(k, bench.empty, True) for k in keys) if keys else bench.empty.mass_kg
    before = max(bench.fuel.no_wing_fuel(k, bench.before, False) for k in keys) if keys else bench.before.mass_kg
    inside = any(t.where not in ("wing", "wing tip") for t in fit.tanks.values())
    if cap is not None:
        near = after + 2 * bench.empty.mass.u > cap.si
        level: Level = "stop" if after > cap.si else "watch" if near else "ok"
        words = "Known to ±{u}. Limit {cap}."
    else:
        level = "stop" if inside else "watch" if after > before else "ok"
        words = "No limit is given. " + (
            "Tanks are added in the fuselage: full there with empty wings is the hard case; the designer must give one."
            if inside
            else "Before: {b}."
        )
    yield verdict(
        "balance.zero-wing-fuel", level, "{a} with empty wings", words, compared=Compared(value=after, dimension="mass", hi=cap.si if cap else None),
        a=q(after, "mass"), b=q(before, "mass"), cap=q(cap.si if cap else 0.0, "mass"), u=q(2 * bench.empty.mass.u, "mass"),
    )  # fmt: skip


@rule(
    "balance.tip-fuel", "Mass at the wing tips", limit="stop beyond four fifths of the half span until a qualified person has looked", source="flutter guidance, FAA (from memory)", mark="from memory", form="cg limits",
)  # fmt: skip
def tip_fuel(bench: BalanceBench) -> Iterable[Finding]:
    names = bench.fuel.at_the_tips()
    if names:
        yield verdict(
            "balance.tip-fuel", "stop", "{n} at the wing tips", "It changes flutter, landing loads, roll and spin. Nothing here can check that: a designer must, before it flies.",
            n=word(", ".join(names)),
        )  # fmt: skip


@rule(
    "balance.story", "A tale, tested", limit="ok where all it allows is half to twice the empty mass, stop where nothing of it is", source="moments; JCGM 100:2008 bounds (from memory)", mark="from memory", form="cg limits",
)  # fmt: skip
def story(bench: BalanceBench) -> Iterable[Finding]:
    told = bench.craft.story
    if all(getattr(told, name) is None for name in type(told).model_fields):
        return
    base = "/craft/story"
    words = {
        "old_mass": "mass of its old unit", "new_mass": "mass of its new unit", "lever": "how far ahead of the CG its old unit sat",
        "moved_aft": "how far aft its new unit went", "cg_forward": "how far forward its CG came",
    }  # fmt: skip
    asks = [lambda n=n, w=w: need(getattr(told, n), f"{base}/{n}", w) for n, w in words.items()]
    all_or_cannot_say(*asks, lambda: bench.before)
    figures = [ask() for ask in asks]
    bounds = [f.plus_minus.si if f.plus_minus else 0.0 for f in figures]
    if not any(bounds):
        raise InputError(f"{base}/cg_forward", "a tale is rounded: give each figure its ±")
    lo, hi = empty_mass_interval(Story(*[f.si for f in figures]), Story(*bounds))
    own = bench.before.mass_kg
    level: Level = (
        "stop" if hi <= 0.5 * own or lo >= 2 * own else "ok" if lo >= 0.5 * own and hi <= 2 * own else "watch"
    )
    if hi <= 0:
        yield verdict(
            "balance.story", "stop", "The tale contradicts itself", "With the unit where it is said to be, the CG cannot have gone that way.",
        )  # fmt: skip
        return
    yield verdict(
        "balance.story", level, "The tale fits a craft of {a} to {b} empty", "This one weighs {m}." + (" So wide a range proves little: ask for better figures." if level == "watch" else " It is about another craft, or its figures are wrong." if level == "stop" else ""),
        a=q(max(lo, 0.0), "mass"), b=q(hi, "mass"), m=q(own, "mass"), compared=Compared(value=own, dimension="mass", lo=lo, hi=hi),
    )  # fmt: skip
