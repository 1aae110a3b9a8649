"""Findings of the shafts that carry the torque across to the road."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from ....errors import CannotSay, Gap
from ....judging.band import at_most, band, never_ok
from ....judging.finding import q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy
from ....judging.subjects import Subject, one_by_one
from .functions import TURNING, WELD_PA, stress
from .quantities import CrossShafts

# Of the stress at which it yields. Machine design, from memory.
EASY, MOST = 0.50, 0.75


@rule(
    "drive.cross-shaft",
    "Shafts that carry the torque across",
    limit="0.50 of the stress at which it yields, with its doubt, ok; 0.75 watch; more stop",
    source="torsion, von Mises; shares: machine design (from memory)",
    mark="from memory",
    form="driven wheel",
    settles=buy("A thicker shaft, or one of a stronger metal, in one piece, by who makes them."),
)
def cross_shaft(shafts: CrossShafts) -> Iterable[Verdict]:
    def judge(s: Subject[str]) -> Iterator[Verdict]:
        used, shaft, twist = shafts.used(s.of), shafts.shaft(s.of), shafts.twists(s.of)
        judged = band(used.value, "percent", ok=at_most(EASY), watch=at_most(MOST), doubt=2 * used.u)
        terms = shafts.stress_terms(s.of)
        whole = shaft.torque != "half, by an open differential"
        yield verdict(
            judged,
            "{name} bears {p} of the stress at which it yields",
            "{t} in it: peak torque in the lowest gear with shock {k}, not above what the tyres hold"
            + (
                ". "
                if whole
                else "; half of it, by the differential: with one wheel locked, or a locking differential, all of it. "
            )
            + "0.50 is asked, above 0.75 it stops. Splines, keyways, grooves, bending and fatigue are not looked at."
            + ("" if twist is None else " It twists by {w}."),
            subject=s.key,
            can_suggest=judged.level != "ok",
            working=stress.working(*terms),
            name=word(s.name),
            p=q(used.value, "percent"),
            t=q(terms[0], "torque"),
            k=q(shafts.road.shock, "number"),
            w=q(twist or 0.0, "angle"),
        )

    return () if shafts.placed.old else one_by_one(shafts.subjects(), judge)


@rule(
    "drive.splice",
    "Splices in shafts",
    limit="never ok; weld and plugs each alone below a third of what a weld bears at rest, and answered for, watch; "
    "else stop",
    source="0.3 of a 480 MPa filler at rest (from memory); a third of it where it turns: common practice",
    mark="from memory",
    form="driven wheel",
    settles=buy("A shaft in one piece, by who makes them."),
)
def splice(shafts: CrossShafts) -> Iterable[Verdict]:
    def judge(s: Subject[str]) -> Iterator[Verdict]:
        shaft = shafts.shaft(s.of)
        if shaft.made is None:
            raise CannotSay(Gap(shafts.p(s.of, "made"), f"whether the {shaft.name} is in one piece"))
        found = shafts.splice(s.of)
        what, worst = max(found, key=lambda f: f[1])
        allowed = TURNING * WELD_PA
        answered = shaft.answered == "by somebody qualified"
        judged = never_ok(worst, "stress", watch=at_most(allowed), ground="a splice is never ok").or_by(
            "stop", "nobody qualified answers for it", not answered
        )
        yield verdict(
            judged,
            "{name} is spliced: {w} at {s} alone, {a} is borne"
            if worst > allowed
            else "{name} is spliced: {w} at {s} alone",
            "A splice is where a shaft breaks; weld and plugs do not share a torque, so each must bear all of it. "
            "{r} may be borne at rest, a third of it by what turns and reverses. "
            + ("Somebody qualified answers for it. " if answered else "Nobody qualified answers for it yet. ")
            + "Have it made in one piece.",
            subject=s.key,
            can_suggest=True,
            name=word(s.name),
            w=word(what),
            s=q(worst, "stress"),
            a=q(allowed, "stress"),
            r=q(WELD_PA, "stress"),
        )

    return () if shafts.placed.old else one_by_one(shafts.spliced(), judge)
