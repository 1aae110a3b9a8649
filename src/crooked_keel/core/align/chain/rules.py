"""Findings of sprockets, driven wheel, adapter and joints."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...document import Joint
from ...errors import CannotSay, Gap, ask_all
from ...judging.band import at_least, at_most, band, kept
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, one_by_one
from .functions import (
    CHAIN_ANGLE_RAD,
    RUNOUT_OK_M,
    RUNOUT_WATCH_M,
    chain_offset_limit,
    joint_variation,
    line_offset,
    port_spacer,
)
from .quantities import RoadLine


@rule(
    "align.sprockets",
    "Sprockets in line",
    limit="parallel within 1/300, planes within 1 mm (C/1000 from a metre); twice watch, more stop",
    source="chain makers' guides (from memory)",
    mark="from memory",
    form="sprockets",
    settles=adjust("Wheel to the frame's centreline first, then shim the unit until the straightedge lies flat."),
)
def sprockets(chain: RoadLine) -> Iterable[Verdict]:
    if not chain.asks("sprockets"):
        return
    angle, apart = chain.sprocket_line
    distance = chain.sprocket_terms[3]
    share = max(abs(angle) / CHAIN_ANGLE_RAD, abs(apart) / chain_offset_limit(distance))
    judged = band(share, "number", ok=at_most(1.0), watch=at_most(2.0))
    yield verdict(
        judged,
        "Sprockets {o} apart, {a} out of parallel",
        "{l} and {t} are allowed. Set the wheel on the frame's centreline first, then the motor to the wheel.",
        working=line_offset.working(chain.sprocket_terms[0], angle, distance),
        o=q(abs(apart), "fine_length"),
        a=q(abs(angle), "angle"),
        l=q(chain_offset_limit(distance), "fine_length"),
        t=q(CHAIN_ANGLE_RAD, "angle"),
    )


@rule(
    "align.spacers",
    "Wheel centred by spacers",
    limit="both spacers zero or more",
    source="geometry",
    mark="statics",
    form="wheel centre",
    settles=buy("A narrower hub, or the rim laced over."),
)
def spacers(chain: RoadLine) -> Iterable[Verdict]:
    if not chain.asks("wheel"):
        return
    s, (inside, hub, rim, target) = chain.spacers, chain.wheel_terms
    # A millionth of a millimetre is rounding, not a spacer.
    least = min(s) if min(s) < -1e-9 else max(min(s), 0.0)
    judged = kept(least, "length", at_least(0.0))
    title = (
        "Hub {h} is wider than the space between the arms, {w}"
        if hub > inside
        else "The rim cannot be brought there: one spacer would be under zero"
        if judged.level == "stop"
        else "Spacers {p} to port, {s} to starboard"
    )
    yield verdict(
        judged,
        title,
        "Rim's middle {t} to starboard of the frame's: {p} to port, {s} to starboard. Check that the axle still "
        "has full thread in its nut.",
        working=port_spacer.working(inside, hub, target, rim),
        p=q(s.port_m, "length"),
        s=q(s.starboard_m, "length"),
        t=q(target, "length"),
        h=q(hub, "length"),
        w=q(inside, "length"),
    )


@rule(
    "align.adapter",
    "Adapter bore in line",
    limit="total reading of the eccentricity 0.005 in or less ok, 0.010 in watch, more stop",
    source="transmission-shop practice (from memory)",
    mark="from memory",
    form="adapter",
    settles=adjust("Move the box as its sentence says, half the total reading, and swing the dial again."),
)
def adapter(chain: RoadLine) -> Iterable[Verdict]:
    if not chain.asks("runout"):
        return
    r = chain.runout
    total = 2 * r.eccentricity_m
    judged = band(total, "fine_length", ok=at_most(RUNOUT_OK_M), watch=at_most(RUNOUT_WATCH_M))
    oval = judged.level == "ok" and r.total_m > RUNOUT_WATCH_M
    yield verdict(
        judged.or_by("watch", "it is out of round, or a reading is bad", oval),
        "Bore out of round, or a bad reading" if oval else "Bore {t} out, total reading",
        "The dial turns with the crank: the bore's centre lies {e} off its axis, toward the low reading at {a}. Move "
        "the box {e}, half the total reading, the other way: toward {away}. Angles clockwise from the top. Raw total "
        "reading {raw}, out of round {o}.",
        t=q(total, "fine_length"),
        e=q(r.eccentricity_m, "fine_length"),
        a=q(r.centre_rad, "angle"),
        away=q((r.centre_rad + math.pi) % (2 * math.pi), "angle"),
        raw=q(r.total_m, "fine_length"),
        o=q(r.ovality_m, "fine_length"),
    )


@rule(
    "align.joints",
    "Universal joints",
    limit="angle by speed ok, 1.25 times watch, more stop; under 0.5° watch",
    source="driveline makers' table (from memory)",
    mark="from memory",
    form="joints",
    settles=adjust("Set box or axle so that the shaft runs straighter, not below half a degree."),
)
def joints(chain: RoadLine) -> Iterable[Verdict]:
    return one_by_one(chain.joints(), lambda joint: _joint(chain, joint))


def _joint(chain: RoadLine, joint: Subject[Joint]) -> Iterable[Verdict]:
    key, name, _ = joint
    angle, limit = chain.joint(key, joint.of)
    doubt = math.hypot(*(f.plus_minus.si for f in (joint.of.side, joint.of.plan) if f is not None and f.plus_minus))
    judged = band(angle, "angle", ok=at_most(limit), watch=at_most(1.25 * limit), doubt=doubt).or_by(
        "watch", "it is straight: its needles do not roll", angle < math.radians(0.5)
    )
    yield verdict(
        judged,
        "{n}: {a}",
        "{l} is allowed at its speed; the speed behind it rises and falls by {v}."
        + (" Straight: the needles do not roll." if angle < math.radians(0.5) else ""),
        subject=key,
        working=joint_variation.working(angle),
        n=word(name),
        a=q(angle, "angle"),
        l=q(limit, "angle"),
        v=q(joint_variation(angle), "percent"),
    )


@rule(
    "align.joint-pair",
    "Universal joints as a pair",
    limit="what the pair leaves of one joint 3° or less ok, 5° watch, more stop; forks in line",
    source="driveline texts: equivalent angle of joints in one plane (from memory)",
    mark="from memory",
    form="joints",
    settles=adjust("Forks in line and both joints at one angle."),
)
def joint_pair(chain: RoadLine) -> Iterable[Verdict]:
    joints = chain.joints()
    phased = chain.align.joints_phased
    if len(joints) < 2 or phased == "each on a shaft of its own":
        return
    angles = ask_all(*[lambda j=j: chain.joint(j.key, j.of)[0] for j in joints[:2]])
    if phased is None:
        raise CannotSay(Gap(chain.placed.p("align/joints_phased"), "how the forks at the two ends of the shaft stand"))
    in_line = phased == "in line"
    first, second = angles
    left = math.sqrt(abs(first**2 - second**2)) if in_line else math.hypot(first, second)
    judged = band(left, "angle", ok=at_most(math.radians(3)), watch=at_most(math.radians(5)))
    yield verdict(
        judged,
        "The pair leaves the swing of one joint at {l}",
        "{a} and {b}, forks {p}; 3° is allowed, above 5° it stops. Taken as bent in one plane."
        + ("" if in_line else " Turn one fork by a quarter: in line the two cancel instead of adding.")
        + ("" if judged.level == "ok" or not in_line else " Set both to one angle: shims under the box or the axle."),
        l=q(left, "angle"),
        a=q(first, "angle"),
        b=q(second, "angle"),
        p=word(phased),
    )
