"""Findings about what may be aboard: places, useful load, wishes, a tale."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import Gap, InputError, ask_all
from ...figure.trace import need
from ...figure.units import HP_W, LB_KG
from ...judging.band import at_least, at_most, band, beyond, kept, told
from ...judging.certainty import chance_at_most
from ...judging.finding import LeftOut, Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import decide, measure
from ...resolved.craft import Resolved
from ...resolved.loads import Loads
from ..ledger.quantities import Ledger
from ..ledger.story import Tale, empty_mass_interval
from .quantities import CraftLimits

# 170 lb, FAA (from memory); heavy with winter clothing 190 lb.
SEAT_KG = 77.0


HEAVY_KG = 86.0


# Half an hour at full power on paper: half a pound for each horsepower. AC 43.13-1B chapter 10 (from memory).
_LEAST_FUEL_KG_W = 0.5 * LB_KG / HP_W


def min_fuel_for_check(power_w: float) -> float:
    """Fuel of a paper check of the extremes, kg. Source: AC 43.13-1B chapter 10, 1/12 US gallon for each horsepower
    (from memory)."""
    return _LEAST_FUEL_KG_W * power_w


@rule(
    "balance.place-cap",
    "What each place may carry",
    limit="stop above the heaviest of a place",
    source="designer's limit",
    mark="statics",
    settles=decide("Carry less there."),
)
def place_cap(loads: Loads, resolved: Resolved) -> Iterable[Verdict]:
    capped = {k: s for k, s in resolved.project.craft.seats.items() if s.heaviest is not None}
    over = False
    blank = {
        f"{loading.name}, {seat.name}": Gap(f"/loadings/{key}/loads/{place}", f"{seat.name} in {loading.name}")
        for key, loading in loads.loadings.items()
        for place, seat in capped.items()
        if place not in loading.loads
    }
    for key, loading in loads.loadings.items():
        for place, seat in capped.items():
            load, cap = loading.loads.get(place), seat.heaviest
            if load is not None and cap is not None and load.si > cap.si + 1e-9:
                over = True
                yield verdict(
                    beyond(load.si, "mass", at_most(cap.si), "stop"),
                    "{l}: {d} too much in {s}",
                    "{m} of {cap}.",
                    subject=f"{key} {place}",
                    l=word(loading.name),
                    d=q(load.si - cap.si, "mass"),
                    s=word(seat.name),
                    m=q(load.si, "mass"),
                    cap=q(cap.si, "mass"),
                )
    if capped and not over:
        yield verdict(
            "ok",
            "No place carries more than it may",
            "Every loading against what each place may carry.",
            left_out=LeftOut(list(blank), list(blank.values())),
        )


@rule(
    "balance.limit-twice",
    "A limit given twice",
    limit="a station and a part of the MAC within 3 mm, else unknown",
    source="one limit has one place",
    mark="statics",
    form="cg limits",
)
def limit_twice(limits: CraftLimits) -> Iterable[Verdict]:
    for side, station, chord in limits.twice:
        yield verdict(
            "unknown",
            "The {s} limit is given twice, {d} apart: which?",
            "By its station {a}, by its part of the MAC {b}. The narrower of the two is judged meanwhile.",
            subject=side,
            needs=[Gap(f"/craft/limits/{side}", f"{side} CG limit, one of the two")],
            s=word(side),
            d=q(abs(station - chord), "length"),
            a=q(station, "length"),
            b=q(chord, "length"),
        )


@rule(
    "balance.useful-load",
    "Useful load",
    limit="watch where full tanks leave room for fewer people than places, stop where one heavy person and least fuel "
    "do not fit",
    source="170 and 190 lb for a person, FAA; least fuel AC 43.13-1B chapter 10 (from memory)",
    mark="from memory",
    form="cg limits",
    settles=decide("A lighter unit, less fuel, or fewer people; the plate is not to be argued with."),
)
def useful_load(limits: CraftLimits, ledger: Ledger, loads: Loads, resolved: Resolved) -> Iterable[Verdict]:
    tanks = loads.tanks(True)
    holds = [
        lambda t=t, p=p: (
            need(t.capacity, f"{p}/capacity", f"usable volume of the {t.name}").si
            * need(t.density, f"{p}/density", f"density of the fuel in the {t.name}").si
        )
        for _, p, t in tanks
    ]
    gross, empty, held = ask_all(lambda: limits.gross, lambda: ledger.empty, lambda: ask_all(*holds))
    seat = resolved.project.assumptions.seat_mass
    person = seat.si if seat else SEAT_KG
    useful, full = gross - empty.mass_kg, sum(held)
    left = useful - full
    people = max(int(left // person), 0)
    powers = [
        p.installation.unit.power.si
        for p in resolved.installations
        if p.installation.unit.power and p.installation.unit.kind != "electric"
    ]
    least = min_fuel_for_check(sum(powers))
    places = sum(1 for s in resolved.project.craft.seats.values() if s.heaviest is None or s.heaviest.si >= person)
    judged = kept(useful, "mass", at_least(HEAVY_KG + least)).or_by(
        "watch", "full tanks leave room for fewer people than places", people < places
    )
    message = "Empty {e}, gross {g}. Full tanks, {f}, leave {l}, room for {n} of {p}."
    if judged.level == "stop":
        message += " Not even one heavy person with {h} of fuel fits."
    yield verdict(
        judged,
        "Useful load {u}",
        message,
        u=q(useful, "mass"),
        e=q(ledger.empty.mass_kg, "mass"),
        g=q(limits.gross, "mass"),
        f=q(full, "mass"),
        l=q(left, "mass"),
        n=q(people, "count"),
        p=q(person, "mass"),
        h=q(least, "mass"),
    )


@rule(
    "balance.mass-target",
    "Empty mass wanted",
    limit="ok where the chance to keep it is above 90 %, stop below 50 %",
    source="owner's wish; JCGM 100:2008 (from memory)",
    mark="from memory",
    settles=decide("Find the mass elsewhere, or give up the wish."),
)
def mass_target(limits: CraftLimits, ledger: Ledger) -> Iterable[Verdict]:
    wanted = limits.limits.empty_wanted
    if wanted is None:
        return
    mass = ledger.empty.mass
    chance = chance_at_most(wanted.si, mass.value, mass.u)
    judged = band(chance, "percent", ok=at_least(0.9), watch=at_least(0.5))
    over = mass.value > wanted.si
    yield verdict(
        judged,
        "Still {d} to find" if over else "{d} under the empty mass wanted",
        "Empty {m} ±{u}, wanted {w}. The chance to keep it is {p}.",
        d=q(abs(wanted.si - mass.value), "mass"),
        m=q(mass.value, "mass"),
        u=q(2 * mass.u, "mass"),
        w=q(wanted.si, "mass"),
        p=q(chance, "percent"),
    )


@rule(
    "balance.story",
    "A tale, tested",
    limit="ok where all it allows is half to twice the empty mass, stop where nothing of it is",
    source="moments; JCGM 100:2008 bounds (from memory)",
    mark="from memory",
    form="cg limits",
    settles=measure("Ask for that craft's weighing sheets, before and after."),
)
def story(ledger: Ledger, resolved: Resolved) -> Iterable[Verdict]:
    tale = resolved.project.craft.story
    if all(getattr(tale, name) is None for name in type(tale).model_fields):
        return
    base = "/craft/story"
    words = {
        "old_mass": "mass of its old unit",
        "new_mass": "mass of its new unit",
        "lever": "how far ahead of the CG its old unit sat",
        "moved_aft": "how far aft its new unit went",
        "cg_forward": "how far forward its CG came",
    }
    asks = [lambda n=n, w=w: need(getattr(tale, n), f"{base}/{n}", w) for n, w in words.items()]
    figures, _ = ask_all(lambda: ask_all(*asks), lambda: ledger.before)
    bounds = [f.plus_minus.si if f.plus_minus else 0.0 for f in figures]
    if not any(bounds):
        raise InputError(f"{base}/cg_forward", "a tale is rounded: give each figure its ±")
    lo, hi = empty_mass_interval(Tale(*[f.si for f in figures]), Tale(*bounds))
    own = ledger.before.mass_kg
    level: Level = (
        "stop" if hi <= 0.5 * own or lo >= 2 * own else "ok" if lo >= 0.5 * own and hi <= 2 * own else "watch"
    )
    if hi <= 0:
        yield verdict(
            "stop",
            "The tale contradicts itself",
            "With the unit where it is said to be, the CG cannot have gone that way.",
        )
        return
    yield verdict(
        told(own, "mass", level, "what the tale allows: half to twice this mass"),
        "The tale fits a craft of {a} to {b} empty",
        "This one weighs {m}."
        + (
            " So wide a range proves little: ask for better figures."
            if level == "watch"
            else " It is about another craft, or its figures are wrong."
            if level == "stop"
            else ""
        ),
        a=q(max(lo, 0.0), "mass"),
        b=q(hi, "mass"),
        m=q(own, "mass"),
    )
