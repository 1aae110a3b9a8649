"""Findings of a craft on its wheels: axles, pitch, steering, lean, rollover."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap, or_none
from ...judging.band import at_least, band, within
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
from ...judging.subjects import Subject, one_by_one
from ...resolved.craft import Resolved
from ..limits.quantities import Limits
from .functions import lean_to_balance, static_stability, traction_limit, wheelie_limit
from .quantities import Axles, End
from .steering import ground_trail

WHEELIE_OK, WHEELIE_STOP = 0.6, 0.35
LEAN_OK, LEAN_STOP = math.radians(0.5), math.radians(2)
SHIFT_OK, SHIFT_STOP = 0.03, 0.08
STABILITY_OK, STABILITY_STOP = 1.10, 0.90


def split_band(resolved: Resolved) -> tuple[float, float]:
    """Least and most on the front, ridden, that are usual. A unit that swings with its wheel sits further aft. Common
    practice, no source."""
    return (0.35, 0.48) if resolved.has("swing unit") else (0.40, 0.55)


def axle_cap(axles: Axles, caps: Limits, end: str) -> tuple[float, str]:
    """The most that an axle may carry, kg, and who says so: its plate or its tyres, the lower of what is given."""
    plate = caps.limits.front_axle if end == "front" else caps.limits.rear_axle
    tyres = axles.tyres_kg(end)
    known = [
        (kg, by) for kg, by in ((plate.si if plate else None, "its plate"), (tyres, "its tyres")) if kg is not None
    ]
    if not known:
        raise CannotSay(
            Gap(
                f"/craft/limits/{end}_axle",
                f"largest load on the {end} axle, from the plate, or the load index of its tyres",
            )
        )
    return min(known)


@rule(
    "balance.wheelbase",
    "CG between the axles",
    limit="stop outside the wheelbase",
    source="statics",
    mark="statics",
    form="stands on wheels",
)
def wheelbase(axles: Axles) -> Iterable[Finding]:
    worst = min(axles.stances(), key=lambda s: min(s.x_m, s.base_m - s.x_m))
    inside = 0 < worst.x_m < worst.base_m
    lifts = "front" if worst.x_m >= worst.base_m else "rear"
    yield verdict(
        "balance.wheelbase",
        "ok" if inside else "stop",
        "CG between the axles in every loading" if inside else "CG outside the wheelbase: the {e} lifts",
        "{s}: {x} behind the front axle, wheelbase {l}." + ("" if inside else " It falls over its own wheel."),
        left_out=axles.unsaid,
        compared=Compared(value=worst.x_m, dimension="length", lo=0.0, hi=worst.base_m),
        s=word(worst.name),
        x=q(worst.x_m, "length"),
        l=q(worst.base_m, "length"),
        e=word(lifts),
    )


@rule(
    "balance.axle-split",
    "Load on the front",
    limit="40 to 55 % ridden, 35 to 48 % with a swinging unit, else watch",
    source="common practice, no source",
    mark="common practice",
    form="pitch limits",
)
def axle_split(axles: Axles, resolved: Resolved) -> Iterable[Finding]:
    lo, hi = split_band(resolved)
    s = max(axles.ridden(), key=lambda s: max(lo - s.front_share, s.front_share - hi))
    before = axles.stance(s.id, False)
    level: Level = "ok" if lo <= s.front_share <= hi else "watch"
    yield verdict(
        "balance.axle-split",
        level,
        "{b} on the front, {s}",
        "{a} → {b}."
        + (
            " A light front wanders and lifts."
            if s.front_share < lo
            else " A heavy front steers slowly."
            if level == "watch"
            else ""
        ),
        left_out=axles.unsaid,
        compared=Compared(value=s.front_share, dimension="percent", lo=lo, hi=hi),
        a=q(before.front_share, "percent"),
        b=q(s.front_share, "percent"),
        s=word(s.name.lower()),
    )


@rule(
    "balance.wheelie",
    "Front lifts",
    limit="0.6 g or more ok, 0.35 g or more watch, less stop",
    source="common practice, no source; statics",
    mark="common practice",
    form="pitch limits",
)
def wheelie(axles: Axles) -> Iterable[Finding]:
    s = min(axles.heights(), key=lambda s: wheelie_limit(s.base_m, s.x_m, s.height()))
    limit = wheelie_limit(s.base_m, s.x_m, s.height())
    grip = traction_limit(s.base_m, s.x_m, s.height(), axles.grip)
    slips = grip is not None and grip < limit
    judged = band(limit, "number", ok=at_least(WHEELIE_OK), watch=at_least(WHEELIE_STOP))
    yield verdict(
        "balance.wheelie",
        judged.level,
        "Front lifts at {a} g" if not slips else "The tyre slips at {g} g, before the front lifts",
        "{s}. Wheelie limit {a} g"
        + (", grip {g} g." if grip is not None else "; grip is never the limit.")
        + " Uphill it comes sooner. Air drag left out.",
        left_out=axles.unsaid_heights,
        compared=judged.compared,
        working=wheelie_limit.working(s.base_m, s.x_m, s.height()),
        a=q(limit, "number"),
        g=q(grip or 0.0, "number"),
        s=word(s.name),
    )


@rule(
    "balance.trail",
    "Trail",
    limit="70 to 130 mm and within 10 % of before ok, 40 mm or more watch, less stop",
    source="common practice, no source; two-wheeler geometry (from memory)",
    mark="common practice",
    form="pitch limits",
)
def trail(axles: Axles) -> Iterable[Finding]:
    if not axles.steers:
        return
    before, after = ground_trail(*axles.steering_terms(False)), ground_trail(*axles.steering_terms())
    changed = abs(after / before - 1) if before else 1.0
    level: Level = "stop" if after < 0.040 else "watch" if changed > 0.10 or not 0.070 <= after <= 0.130 else "ok"
    yield verdict(
        "balance.trail",
        level,
        "Trail {a} → {b}",
        "Rake {r} after, from the vertical."
        + (
            " So little trail and it may not run straight."
            if after < 0.040
            else " Little trail is nervous, much is slow to turn: ride it with care first."
            if level == "watch"
            else ""
        ),
        compared=Compared(value=after, dimension="length", lo=0.070, hi=0.130),
        working=ground_trail.working(*axles.steering_terms()),
        a=q(before, "length"),
        b=q(after, "length"),
        r=q(axles.steering_terms()[1], "angle"),
    )


@rule(
    "balance.anti-squat",
    "Anti-squat",
    limit="80 to 140 %, else watch",
    source="common practice; schools differ from 100 % to 130 %; textbook of motorcycle dynamics (from memory)",
    mark="common practice",
    form="pitch limits",
)
def squat(axles: Axles) -> Iterable[Finding]:
    if not axles.squats:
        return
    share, was = axles.squat(), or_none(lambda: axles.squat(False))
    yield verdict(
        "balance.anti-squat",
        "ok" if 0.8 <= share <= 1.4 else "watch",
        "Anti-squat {a} → {b}" if was is not None else "Anti-squat {b}",
        "First loading, by where the pull of the drive acts. The shock and its springs are not modelled."
        + (" Under 80 % it squats on power; over 140 % it stands up and hops." if not 0.8 <= share <= 1.4 else ""),
        compared=Compared(value=share, dimension="percent", lo=0.8, hi=1.4),
        b=q(share, "percent"),
        a=q(was if was is not None else share, "percent"),
    )


@rule(
    "balance.lean",
    "CG off the centreline",
    limit="0.5° or less ok, 2° or less watch, more stop; without rider",
    source="common practice, no source",
    mark="common practice",
    form="pitch limits",
)
def lean(axles: Axles) -> Iterable[Finding]:
    y, z = axles.lean()
    angle = lean_to_balance(y, z)
    level: Level = "ok" if abs(angle) <= LEAN_OK else "watch" if abs(angle) <= LEAN_STOP else "stop"
    yield verdict(
        "balance.lean",
        level,
        "Leans {d} to balance",
        "CG {y} to {side}, {z} over the ground. The rider would have to sit to the other side.",
        compared=Compared(value=angle, dimension="angle", lo=-LEAN_STOP, hi=LEAN_STOP),
        working=lean_to_balance.working(y, z),
        can_suggest=level != "ok",
        d=q(abs(angle), "angle"),
        y=q(abs(y), "length"),
        side=word("starboard" if y >= 0 else "port"),
        z=q(z, "length"),
    )


@rule(
    "balance.axle-load",
    "Axle loads against plate and tyres",
    limit="stop above the lower of the two, watch within 5 % or two standard deviations of it",
    source="vehicle plate; tyre load index, ISO 4000-1 (from memory)",
    mark="statics",
    form="stands on wheels",
)
def axle_load(axles: Axles, limits: Limits) -> Iterable[Finding]:
    both: tuple[End, ...] = ("front", "rear")
    ends = [Subject[End](e, f"{e} axle", e) for e in both]
    return one_by_one("balance.axle-load", ends, lambda end: _loaded(axles, limits, end.of))


def _loaded(axles: Axles, limits: Limits, end: End) -> Iterable[Finding]:
    cap_kg, by = axle_cap(axles, limits, end)
    worst = max(axles.stances(), key=lambda s: s.front_kg if end == "front" else s.rear_kg)
    load = worst.front_kg if end == "front" else worst.rear_kg
    doubt = axles.load_doubt(worst, end)
    level: Level = "stop" if load > cap_kg else "watch" if load > 0.95 * cap_kg or load + doubt > cap_kg else "ok"
    yield verdict(
        "balance.axle-load",
        level,
        "{e} axle {d} over what {by} may carry" if load > cap_kg else "{e} axle has {d} left",
        "{s}: {m} ±{u} of {cap}, by {by}."
        + (" At the pressure and up to the speed that the maker of the tyre gives." if by == "its tyres" else ""),
        subject=end,
        left_out=axles.unsaid,
        compared=Compared(value=load, dimension="mass", hi=cap_kg, doubt=doubt or None),
        u=q(doubt, "mass"),
        e=word(end.capitalize()),
        d=q(abs(cap_kg - load), "mass"),
        s=word(worst.name),
        m=q(load, "mass"),
        cap=q(cap_kg, "mass"),
        by=word(by),
    )


@rule(
    "balance.axle-shift",
    "Shift between the axles",
    limit="3 points or less ok, 8 points or less watch, more stop until the brakes are checked",
    source="caution, no source",
    mark="proposed",
    form="corners",
)
def axle_shift(axles: Axles) -> Iterable[Finding]:
    pairs = [(s, axles.stance(s.id, False)) for s in axles.stances()]
    after, before = max(pairs, key=lambda p: abs(p[0].front_share - p[1].front_share))
    shift = after.front_share - before.front_share
    judged = band(shift, "percent", ok=within(-SHIFT_OK, SHIFT_OK), watch=within(-SHIFT_STOP, SHIFT_STOP))
    yield verdict(
        "balance.axle-shift",
        judged.level,
        "Front axle {a} → {b}",
        "{s}. "
        + (
            "Nothing to do to brakes or springs for this."
            if judged.level == "ok"
            else "Have brake balance and springs checked for the new split before it is driven."
        ),
        left_out=axles.unsaid,
        compared=judged.compared,
        a=q(before.front_share, "percent"),
        b=q(after.front_share, "percent"),
        s=word(after.name),
    )


@rule(
    "balance.rollover",
    "Static stability",
    limit="1.10 or more and not 5 % down ok, 0.90 or more watch, less stop",
    source="road-vehicle rollover measure (from memory); 0.90: caution",
    mark="from memory",
    form="corners",
)
def rollover(axles: Axles) -> Iterable[Finding]:
    worst = min(axles.heights(), key=lambda s: static_stability(*axles.stability_terms(s.id)))
    value, before = (
        static_stability(*axles.stability_terms(worst.id)),
        static_stability(*axles.stability_terms(worst.id, False)),
    )
    level: Level = (
        "stop" if value < STABILITY_STOP else "watch" if value < STABILITY_OK or value < 0.95 * before else "ok"
    )
    yield verdict(
        "balance.rollover",
        level,
        "Static stability factor {a} → {b}",
        "{s}. Half track over height; on three wheels the track at the CG's station, so load nearer the single "
        "wheel tips it sooner.",
        left_out=axles.unsaid_heights,
        compared=Compared(value=value, dimension="number", lo=STABILITY_OK),
        working=static_stability.working(*axles.stability_terms(worst.id)),
        a=q(before, "number"),
        b=q(value, "number"),
        s=word(worst.name),
    )
