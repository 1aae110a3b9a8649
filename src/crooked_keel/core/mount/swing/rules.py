"""Findings of a unit that swings with its wheel."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all, or_none
from ...figure.kinds import Force
from ...figure.trace import need
from ...judging.band import at_least, at_most, band, told
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy, decide
from ...judging.subjects import Subject, one_by_one
from ..acting import FITTING_FACTOR
from ..points.functions import reserve_factor
from .quantities import SwingArm


@rule(
    "mount.swing",
    "Pivot and shock",
    limit="reserve 1.15 or more ok, 1.0 watch, less stop, on limit loads times 1.5; a shock that points at the pivot "
    "stop, one that may within its ± watch",
    source="statics; factors as on other mounts, proposed",
    mark="proposed",
    form="swing unit",
    settles=buy("A stronger pivot or shock, proven for the load; a shock that points past the pivot."),
)
def swing(swing: SwingArm) -> Iterable[Verdict]:
    if or_none(lambda: swing.hangs_free):
        yield verdict(
            "stop",
            "The shock points at the pivot: nothing holds the arm",
            "In the side view its line passes the pivot within 0.1 mm: it has no lever, and whatever it gives, arm and "
            "wheel swing free. No strength of pivot or shock is judged so. Move an end of the shock off the line from "
            "pivot to the other end, or look at the places again.",
        )
        return
    yield from _parts(swing)


def _parts(swing: SwingArm) -> Iterable[Verdict]:
    s = swing.mount.swing
    parts = [Subject("pivot", "pivot", s.pivot_strength), Subject("shock", "shock", s.shock_strength)]
    return one_by_one(parts, lambda part: _carries(swing, part))


def _carries(swing: SwingArm, part: Subject[Force | None]) -> Iterable[Verdict]:
    what = part.key
    strength, (case, load) = ask_all(
        lambda: need(part.of, swing._p(f"mount/swing/{what}_strength"), f"strength of the {what}").si,
        lambda: swing.worst_swing(what),
    )
    factor = reserve_factor(strength, 1.5, FITTING_FACTOR, load)
    given = part.of.plus_minus if part.of is not None else None
    doubt = factor * given.si / strength if given is not None else 0.0
    judged = band(factor, "number", ok=at_least(1.15), watch=at_least(1.0), doubt=doubt)
    loose = swing.may_hang_free
    judged = judged.or_by("watch", "the shock may point at the pivot", loose)
    yield verdict(
        judged,
        "{w} has reserve {r}",
        "{c}: {l}. Its strength is taken as {st}, ultimate. Side load on the tyre is not in it."
        + (
            " Within the ± of their places the shock may point at the pivot and hold nothing: measure them."
            if loose
            else ""
        ),
        subject=what,
        working=reserve_factor.working(strength, 1.5, FITTING_FACTOR, load),
        can_suggest=judged.level != "ok",
        source=case.source,
        w=word(what.capitalize()),
        r=q(factor, "number"),
        c=word(case.name),
        l=q(load, "force"),
        st=q(strength, "force"),
    )


@rule(
    "mount.swing-mass",
    "Mass of what swings",
    limit="not below the mass of the unit that swings with it, else unknown",
    source="a part is no heavier than the whole",
    mark="statics",
    form="swing unit",
)
def swing_mass(swing: SwingArm) -> Iterable[Verdict]:
    whole, part = swing.mount.swing.mass, swing.placed.installation.unit.mass
    if whole is None or part is None or whole.si >= part.si:
        return
    yield verdict(
        told(whole.si, "mass", "unknown", "its unit alone is said to weigh more"),
        "What swings is said to weigh {a}, its unit alone {b}: which?",
        "Pivot and shock are judged by what swings: unit, wheel and silencer together.",
        needs=[
            Gap(
                swing._p("mount/swing/mass"),
                "mass of what swings: unit, wheel and silencer",
                allowed="more than the unit alone",
            )
        ],
        a=q(whole.si, "mass"),
        b=q(part.si, "mass"),
    )


@rule(
    "mount.swing-against-old",
    "Pivot load against the old unit",
    limit="not above the old ok, 10 % above watch, more stop",
    source="what the old one carried; 10 % above: proposed",
    mark="proposed",
    form="swing unit",
    settles=decide("Have the frame behind the pivot judged for the new load."),
)
def swing_against_old(swing: SwingArm) -> Iterable[Verdict]:
    if swing.placed.old:
        return
    if swing.old is None:
        raise CannotSay(Gap("/old_installations", "the old installation"))
    new, old = swing.worst_swing("pivot"), swing.old.worst_swing("pivot")
    share = new[1] / old[1]
    judged = band(share, "number", ok=at_most(1.0), watch=at_most(1.1))
    yield verdict(
        judged,
        "Pivot carries {p} of the old",
        "{a} → {b}, in: {c}. The frame behind the pivot is proven for the old load only.",
        p=q(share, "percent"),
        a=q(old[1], "force"),
        b=q(new[1], "force"),
        c=word(new[0].name.lower()),
    )
