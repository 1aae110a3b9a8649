"""Findings of a two-wheeler that pitches and leans: split between the axles, front and rear lifting, steering, lean."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import or_none
from ...judging.band import at_least, band, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust
from ...physics.pitching import stop_limit, traction_limit, wheelie_limit
from ...resolved.craft import Resolved
from ..matters import STEERING
from ..wheels.functions import lean_to_balance
from ..wheels.quantities import Axles
from ..wheels.stance import EMPTY
from ..wheels.steering import ground_trail

WHEELIE_OK, WHEELIE_STOP = 0.6, 0.35
BRAKE_OK, BRAKE_STOP = 0.8, 0.5
LEAN_OK, LEAN_STOP = math.radians(1), math.radians(2)


def split_band(resolved: Resolved) -> tuple[float, float]:
    """Least and most on the front, ridden, that are usual. A unit that swings with its wheel sits further aft. Common
    practice, no source."""
    return (0.35, 0.48) if resolved.has("swing unit") else (0.40, 0.55)


@rule(
    "balance.axle-split",
    "Load on the front",
    limit="40 to 55 % ridden, 35 to 48 % with a swinging unit, else watch",
    source="common practice, no source",
    mark="common practice",
    form="pitch limits",
    settles=adjust("Move the unit or packs along the frame."),
)
def axle_split(axles: Axles, resolved: Resolved) -> Iterable[Verdict]:
    lo, hi = split_band(resolved)
    s = max(axles.ridden(), key=lambda s: max(lo - s.front_share, s.front_share - hi))
    before = axles.stance(s.id, False)
    doubt = axles.doubt(s.id, {"x": 1 / s.base_m})
    judged = band(s.front_share, "percent", ok=within(lo, hi), watch=within(0.0, 1.0), doubt=doubt)
    level = judged.level
    yield verdict(
        judged,
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
    settles=adjust("Move mass forward and down, or limit the torque of the lowest gear."),
)
def wheelie(axles: Axles) -> Iterable[Verdict]:
    doubts = {s.id: axles.pitch_doubt(s, True) for s in axles.heights()}
    s = min(axles.heights(), key=lambda s: wheelie_limit(s.base_m, s.x_m, s.height()) - doubts[s.id])
    limit = wheelie_limit(s.base_m, s.x_m, s.height())
    grip = traction_limit(s.base_m, s.x_m, s.height(), axles.grip)
    slips = grip is not None and grip < limit
    judged = band(limit, "number", ok=at_least(WHEELIE_OK), watch=at_least(WHEELIE_STOP), doubt=doubts[s.id])
    yield verdict(
        judged,
        "Front lifts at {a} g" if not slips else "The tyre slips at {g} g, before the front lifts",
        "{s}. Wheelie limit {a} g ±{u}, 0.6 g is asked"
        + (", grip {g} g." if grip is not None else "; grip is never the limit.")
        + " Uphill it comes sooner. Air drag left out.",
        left_out=axles.unsaid_heights,
        working=wheelie_limit.working(s.base_m, s.x_m, s.height()),
        a=q(limit, "number"),
        u=q(doubts[s.id], "number"),
        g=q(grip or 0.0, "number"),
        s=word(s.name),
    )


@rule(
    "balance.rear-lifts",
    "Rear lifts under braking",
    limit="0.8 g or more ok, 0.5 g or more watch, less stop",
    source="statics; the limits: proposed",
    mark="proposed",
    form="pitch limits",
    settles=adjust("Move mass aft and down, or soften the front brake."),
)
def rear_lifts(axles: Axles) -> Iterable[Verdict]:
    doubts = {s.id: axles.pitch_doubt(s, False) for s in axles.heights()}
    s = min(axles.heights(), key=lambda s: stop_limit(s.x_m, s.height()) - doubts[s.id])
    limit = stop_limit(s.x_m, s.height())
    judged = band(limit, "number", ok=at_least(BRAKE_OK), watch=at_least(BRAKE_STOP), doubt=doubts[s.id])
    yield verdict(
        judged,
        "Rear lifts at {a} g of braking",
        "{s}, ±{u}; 0.8 g is asked, below 0.5 g it stops. Downhill it comes sooner. A front tyre that slips "
        "first was not "
        "looked at.",
        left_out=axles.unsaid_heights,
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
    settles=adjust("Move mass forward and down; or do not take it up such a hill."),
)
def hill(axles: Axles) -> Iterable[Verdict]:
    steepest = axles.road.steepest
    if steepest is None or steepest.si <= 0:
        return
    share = lambda s: wheelie_limit(s.base_m, s.x_m, s.height()) / steepest.si
    doubts = {s.id: axles.pitch_doubt(s, True) / steepest.si for s in axles.heights()}
    s = min(axles.heights(), key=lambda s: share(s) - doubts[s.id])
    judged = band(share(s), "number", ok=at_least(2.0), watch=at_least(1.2), doubt=doubts[s.id])
    yield verdict(
        judged,
        "Front lifts on a hill of {a}, {b} must be climbed",
        "{s}, at steady speed; starting on the hill lifts it sooner. Twice as steep is asked.",
        left_out=axles.unsaid_heights,
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
    settles=adjust("Set front and rear height back until the trail is as it was."),
    looks_at=STEERING,
)
def trail(axles: Axles) -> Iterable[Verdict]:
    if not axles.steers:
        return
    before, after = ground_trail(*axles.steering_terms(False)), ground_trail(*axles.steering_terms())
    changed = abs(after / before - 1) if before else 1.0
    judged = band(after, "length", ok=within(0.070, 0.130), watch=at_least(0.040)).or_by(
        "watch", "it changes by more than a tenth", changed > 0.10
    )
    level = judged.level
    yield verdict(
        judged,
        "Trail {a} → {b}",
        "Rake {r} after, from the vertical."
        + (
            " So little trail and it may not run straight."
            if after < 0.040
            else " Little trail is nervous, much is slow to turn: ride it with care first."
            if level == "watch"
            else ""
        ),
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
    settles=adjust("Another sprocket, or the pivot or output at another height."),
)
def squat(axles: Axles) -> Iterable[Verdict]:
    if not axles.squats:
        return
    share, was = axles.squat(), or_none(lambda: axles.squat(False))
    yield verdict(
        band(share, "percent", ok=within(0.8, 1.4)),
        "Anti-squat {a} → {b}" if was is not None else "Anti-squat {b}",
        "First loading, by where the pull of the drive acts. The shock and its springs are not modelled."
        + (" Under 80 % it squats on power; over 140 % it stands up and hops." if not 0.8 <= share <= 1.4 else ""),
        b=q(share, "percent"),
        a=q(was if was is not None else share, "percent"),
    )


@rule(
    "balance.lean",
    "CG off the centreline",
    limit="1° or less ok, 2° or less watch, more stop; without rider",
    source="common practice, no source",
    mark="common practice",
    form="pitch limits",
    settles=adjust("Move a part across; none can be moved far enough by itself."),
)
def lean(axles: Axles) -> Iterable[Verdict]:
    y, z = axles.lean()
    angle = lean_to_balance(y, z)
    far = y * y + z * z
    doubt = axles.doubt(EMPTY, {"y": z / far, "z": -y / far})
    judged = band(angle, "angle", ok=within(-LEAN_OK, LEAN_OK), watch=within(-LEAN_STOP, LEAN_STOP), doubt=doubt)
    level = judged.level
    yield verdict(
        judged,
        "Leans {d} to balance",
        "CG {y} to {side}, {z} over the ground, ±{u}; 1° is allowed, above 2° it stops. The rider would have "
        "to sit to "
        "the other side.",
        u=q(doubt, "angle"),
        working=lean_to_balance.working(y, z),
        can_suggest=level != "ok",
        d=q(abs(angle), "angle"),
        y=q(abs(y), "length"),
        side=word("starboard" if y >= 0 else "port"),
        z=q(z, "length"),
    )
