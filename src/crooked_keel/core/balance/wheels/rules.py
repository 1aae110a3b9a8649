"""Findings of a craft on its wheels: axles, pitch, steering, lean, rollover."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import NamedTuple

from ...errors import CannotSay, Gap, or_gap, or_none
from ...judging.band import at_least, band, within
from ...judging.finding import LEVELS, Compared, Finding, LeftOut, Level, q, word
from ...judging.register import rule, verdict
from ...judging.subjects import Subject, known_of, one_by_one
from ...resolved.craft import Resolved
from ..limits.quantities import Limits
from .functions import lean_to_balance, static_stability, stop_limit, traction_limit, wheelie_limit
from .quantities import Axles, End
from .stance import EMPTY
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
    limit="stop outside the wheelbase, watch within two standard deviations of an axle",
    source="statics",
    mark="statics",
    form="stands on wheels",
)
def wheelbase(axles: Axles) -> Iterable[Finding]:
    doubts = {s.id: axles.doubt(s.id, {"x": 1.0}) for s in axles.stances()}
    worst = min(axles.stances(), key=lambda s: min(s.x_m, s.base_m - s.x_m) - doubts[s.id])
    inside, doubt = 0 < worst.x_m < worst.base_m, doubts[worst.id]
    sure = doubt < worst.x_m < worst.base_m - doubt
    lifts = "front" if worst.x_m >= worst.base_m else "rear"
    yield verdict(
        "balance.wheelbase",
        "ok" if sure else "watch" if inside else "stop",
        "CG between the axles in every loading" if inside else "CG outside the wheelbase: the {e} lifts",
        "{s}: {x} ±{u} behind the front axle, wheelbase {l}." + ("" if inside else " It falls over its own wheel."),
        left_out=axles.unsaid,
        compared=Compared(value=worst.x_m, dimension="length", lo=0.0, hi=worst.base_m, doubt=doubt or None),
        u=q(doubt, "length"),
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
    doubt = axles.doubt(s.id, {"x": 1 / s.base_m})
    level = band(s.front_share, "percent", ok=within(lo, hi), watch=within(0.0, 1.0), soft=True, doubt=doubt).level
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
        compared=Compared(value=s.front_share, dimension="percent", lo=lo, hi=hi, doubt=doubt or None),
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
    doubts = {s.id: axles.pitch_doubt(s, True) for s in axles.heights()}
    s = min(axles.heights(), key=lambda s: wheelie_limit(s.base_m, s.x_m, s.height()) - doubts[s.id])
    limit = wheelie_limit(s.base_m, s.x_m, s.height())
    grip = traction_limit(s.base_m, s.x_m, s.height(), axles.grip)
    slips = grip is not None and grip < limit
    judged = band(limit, "number", ok=at_least(WHEELIE_OK), watch=at_least(WHEELIE_STOP), soft=True, doubt=doubts[s.id])
    yield verdict(
        "balance.wheelie",
        judged.level,
        "Front lifts at {a} g" if not slips else "The tyre slips at {g} g, before the front lifts",
        "{s}. Wheelie limit {a} g ±{u}, 0.6 g is asked"
        + (", grip {g} g." if grip is not None else "; grip is never the limit.")
        + " Uphill it comes sooner. Air drag left out.",
        left_out=axles.unsaid_heights,
        compared=judged.compared,
        working=wheelie_limit.working(s.base_m, s.x_m, s.height()),
        a=q(limit, "number"),
        u=q(doubts[s.id], "number"),
        g=q(grip or 0.0, "number"),
        s=word(s.name),
    )


BRAKE_OK, BRAKE_STOP = 0.8, 0.5


@rule(
    "balance.rear-lifts",
    "Rear lifts under braking",
    limit="0.8 g or more ok, 0.5 g or more watch, less stop",
    source="statics; the limits: proposed",
    mark="proposed",
    form="pitch limits",
)
def rear_lifts(axles: Axles) -> Iterable[Finding]:
    doubts = {s.id: axles.pitch_doubt(s, False) for s in axles.heights()}
    s = min(axles.heights(), key=lambda s: stop_limit(s.x_m, s.height()) - doubts[s.id])
    limit = stop_limit(s.x_m, s.height())
    judged = band(limit, "number", ok=at_least(BRAKE_OK), watch=at_least(BRAKE_STOP), soft=True, doubt=doubts[s.id])
    yield verdict(
        "balance.rear-lifts",
        judged.level,
        "Rear lifts at {a} g of braking",
        "{s}, ±{u}; 0.8 g is asked, below 0.5 g it stops. Downhill it comes sooner. A front tyre that slips "
        "first was not "
        "looked at.",
        left_out=axles.unsaid_heights,
        compared=judged.compared,
        working=stop_limit.working(s.x_m, s.height()),
        a=q(limit, "number"),
        u=q(doubts[s.id], "number"),
        s=word(s.name),
    )


@rule(
    "balance.hill",
    "Front lifts on the steepest hill",
    limit="the hill that lifts it at steady speed 2 times as steep or more ok, 1.2 watch, less stop",
    source="statics; the limits: proposed",
    mark="proposed",
    form="pitch limits",
)
def hill(axles: Axles) -> Iterable[Finding]:
    steepest = axles.road.steepest
    if steepest is None or steepest.si <= 0:
        return
    share = lambda s: wheelie_limit(s.base_m, s.x_m, s.height()) / steepest.si
    doubts = {s.id: axles.pitch_doubt(s, True) / steepest.si for s in axles.heights()}
    s = min(axles.heights(), key=lambda s: share(s) - doubts[s.id])
    judged = band(share(s), "number", ok=at_least(2.0), watch=at_least(1.2), soft=True, doubt=doubts[s.id])
    yield verdict(
        "balance.hill",
        judged.level,
        "Front lifts on a hill of {a}, {b} must be climbed",
        "{s}, at steady speed; starting on the hill lifts it sooner. Twice as steep is asked.",
        left_out=axles.unsaid_heights,
        compared=judged.compared,
        working=wheelie_limit.working(s.base_m, s.x_m, s.height()),
        a=q(share(s) * steepest.si, "percent"),
        b=q(steepest.si, "percent"),
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
    far = y * y + z * z
    doubt = axles.doubt(EMPTY, {"y": z / far, "z": -y / far})
    level = band(
        angle, "angle", ok=within(-LEAN_OK, LEAN_OK), watch=within(-LEAN_STOP, LEAN_STOP), soft=True, doubt=doubt
    ).level
    yield verdict(
        "balance.lean",
        level,
        "Leans {d} to balance",
        "CG {y} to {side}, {z} over the ground, ±{u}; 0.5° is allowed, above 2° it stops. The rider would have "
        "to sit to "
        "the other side.",
        compared=Compared(value=angle, dimension="angle", lo=-LEAN_STOP, hi=LEAN_STOP, doubt=doubt or None),
        u=q(doubt, "angle"),
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


class _Borne(NamedTuple):
    """What something under an axle carries, what it may, by whom, and two standard deviations, kg."""

    load_kg: float
    cap_kg: float
    by: str
    doubt_kg: float
    state: str

    @property
    def left(self) -> float:
        """What is left of it, in doubts where there are any."""
        left = self.cap_kg - self.load_kg
        return left / self.doubt_kg if self.doubt_kg > 0 else left / max(self.cap_kg, 1e-9) * 1e9

    @property
    def level(self) -> Level:
        """Stop above the cap, watch within a twentieth or the doubt of it."""
        if self.load_kg > self.cap_kg:
            return "stop"
        return "watch" if self.load_kg > 0.95 * self.cap_kg or self.load_kg + self.doubt_kg > self.cap_kg else "ok"


def _borne(axles: Axles, limits: Limits, end: End) -> tuple[list[_Borne], LeftOut]:
    """Plate and tyres of an axle in every state; states of which the sides are not known are judged as if even, and
    named."""
    plate = limits.limits.front_axle if end == "front" else limits.limits.rear_axle
    tyres = axles.tyre_caps(end)
    if plate is None and not tyres:
        axle_cap(axles, limits, end)  # says what is missing
    made: list[_Borne] = []
    uneven = LeftOut()
    for s in axles.stances():
        load, doubt = (s.front_kg if end == "front" else s.rear_kg), axles.load_doubt(s, end)
        if plate is not None:
            made.append(_Borne(load, plate.si, "its plate", doubt, s.name))
        if len(tyres) == 1:
            made.append(_Borne(load, tyres[0][2], "its tyre", doubt, s.name))
        elif tyres:
            shares = or_gap(lambda s=s: axles.side_shares(s.id))
            if isinstance(shares, CannotSay):
                uneven = LeftOut([f"which side carries more, {s.name.lower()}"], list(shares.needs))
                shares = (0.5, 0.5)
            port = min(y for _, y, _ in tyres)
            for name, y, cap in tyres:
                share = shares[0] if y == port else shares[1]
                made.append(_Borne(load * share, cap, f"the tyre of the {name}", doubt * share, s.name))
    return made, uneven


def _loaded(axles: Axles, limits: Limits, end: End) -> Iterable[Finding]:
    borne, uneven = _borne(axles, limits, end)
    worst = min(borne, key=lambda b: (LEVELS.index(b.level), b.left))
    unsaid = axles.unsaid
    by = worst.by
    yield verdict(
        "balance.axle-load",
        worst.level,
        "{e} axle {d} over what {by} may carry" if worst.level == "stop" else "{e} axle has {d} left",
        "{s}: {m} ±{u} of {cap}, by {by}."
        + (" At the pressure and up to the speed that the maker of the tyre gives." if by != "its plate" else ""),
        subject=end,
        left_out=LeftOut([*unsaid.names, *uneven.names], [*unsaid.needs, *uneven.needs]),
        compared=Compared(value=worst.load_kg, dimension="mass", hi=worst.cap_kg, doubt=worst.doubt_kg or None),
        u=q(worst.doubt_kg, "mass"),
        e=word(end.capitalize()),
        d=q(abs(worst.cap_kg - worst.load_kg), "mass"),
        s=word(worst.state),
        m=q(worst.load_kg, "mass"),
        cap=q(worst.cap_kg, "mass"),
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
    known = known_of([Subject(s.id, s.name, s) for s in axles.heights()], lambda s: axles.stability(s.id))
    worst, (value, doubt) = min(known.answers, key=lambda k: k[1][0] - k[1][1])
    before = static_stability(*axles.stability_terms(worst.id, False))
    judged = band(value, "number", ok=at_least(STABILITY_OK), watch=at_least(STABILITY_STOP), soft=True, doubt=doubt)
    level = "watch" if judged.level == "ok" and value < 0.95 * before else judged.level
    left, unsaid = known.left_out, axles.unsaid_heights
    yield verdict(
        "balance.rollover",
        level,
        "Static stability factor {a} → {b}",
        "{s}, ±{u}, toward the side that carries more. 1.10 is asked, below 0.90 it stops. Half track less what "
        "the CG is "
        "off its middle, over height; on three wheels the track at the CG's station, so load nearer the single "
        "wheel tips "
        "it sooner.",
        left_out=LeftOut([*unsaid.names, *left.names], [*unsaid.needs, *left.needs]),
        compared=judged.compared,
        working=static_stability.working(*axles.stability_terms(worst.id)),
        a=q(before, "number"),
        b=q(value, "number"),
        u=q(doubt, "number"),
        s=word(worst.name),
    )
