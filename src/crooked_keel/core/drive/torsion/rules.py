"""Findings of the torsion: crossings in the working band, at idle and below it; a swing test against what was typed."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ...judging.band import Band, at_least, at_most, band
from ...judging.finding import LEVELS, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, measure
from ...physics.torsion import inertia_by_swing
from ..matters import TWISTING
from .quantities import CLOSE, NEAR, Meeting, Torsion

_NOT = "Damping, gear mesh, joints and a slack belt were not looked at; listen and feel for it at the first run."


def level_of(off: float, doubted: float, meeting: Meeting) -> Band:
    """How near a crossing may lie: a major one stops within 10 %, a minor one is watched there; with its doubt, or
    within 20 %, a major one is watched."""
    if meeting.crossing.order.weight == "minor":
        return band(off, "percent", ok=at_least(NEAR))
    return band(off, "percent", ok=at_least(CLOSE), watch=at_least(NEAR), doubt=max(off - doubted, 0.0))


def _worst(torsion: Torsion, off: str) -> tuple[Band, Meeting] | None:
    judged = [
        (level_of(getattr(m, off), getattr(m, f"{off}_doubted"), m), getattr(m, off), m) for m in torsion.all_meetings
    ]
    if not judged:
        return None
    level, _, meeting = min(judged, key=lambda j: (LEVELS.index(j[0].level), j[1]))
    return level, meeting


def _params(torsion: Torsion, meeting: Meeting) -> dict[str, Any]:
    idle, low, high = torsion.speeds
    c = meeting.crossing
    return {
        "o": q(c.order.per_turn, "number"),
        "k": word(c.order.name),
        "n": q(c.at, "rotation"),
        "d": q((c.high - c.low) / 2, "rotation"),
        "s": word(meeting.shape),
        "i": q(idle, "rotation"),
        "a": q(low, "rotation"),
        "b": q(high, "rotation"),
        "f": q(c.at * c.order.per_turn, "frequency"),
    }


@rule(
    "drive.torsion-working",
    "Torsion where the unit works",
    limit="firing, and the blades of a pusher: 20 % off with its doubt ok, 10 % watch, nearer stop; a misfire, and "
    "other blades, nearer than 10 % watch",
    source="common practice, no source; class rules bar such speeds (from memory)",
    mark="common practice",
    settles=buy(
        "Another coupling, by its stiffness, or another propeller; a speed that is not dwelt at is marked on the "
        "tachometer."
    ),
    looks_at=TWISTING,
)
def working(torsion: Torsion) -> Iterable[Verdict]:
    if not torsion.fired:
        return
    worst = _worst(torsion, "off_working")
    if worst is None:
        yield _none()
        return
    (judged, meeting), level = worst, worst[0].level
    yield verdict(
        judged,
        "Order {o}, of {k}, is critical at {n} ±{d}; it works from {a} to {b}"
        if level != "ok"
        else "No order is critical near where it works, {a} to {b}; the nearest at {n} ±{d}",
        "Twisting at {f}; propeller {s}. " + _NOT,
        can_suggest=level == "stop",
        **_params(torsion, meeting),
    )


def _none() -> Verdict:
    return verdict("ok", "No order meets a natural frequency up to a fifth over its fastest speed", _NOT)


@rule(
    "drive.torsion-idle",
    "Torsion at idle and on the way up",
    limit="at idle 20 % off with its doubt ok, 10 % watch, nearer stop; crossed below it or on the way up watch",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Idle higher, and go through the rest briskly; or a softer coupling."),
    looks_at=TWISTING,
)
def idling(torsion: Torsion) -> Iterable[Verdict]:
    if not torsion.fired:
        return
    worst = _worst(torsion, "off_idle")
    if worst is None:
        yield _none()
        return
    (judged, meeting), level = worst, worst[0].level
    passed = [
        m for m in torsion.all_meetings if m.zone in ("below idle", "between") and m.crossing.order.weight == "major"
    ]
    if level == "ok" and passed:
        meeting = max(passed, key=lambda m: m.crossing.at)
        passes = level_of(meeting.off_idle, meeting.off_idle_doubted, meeting)
        yield verdict(
            passes.or_by("watch", "it is passed on the way up"),
            "It passes {n} ±{d} on its way up, critical by order {o}, of {k}",
            "Go through briskly, never idle or taxi there; it idles at {i}. Propeller {s}. " + _NOT,
            **_params(torsion, meeting),
        )
        return
    yield verdict(
        judged,
        "Order {o}, of {k}, is critical at {n} ±{d}; it idles at {i}"
        if level != "ok"
        else "No order is critical at idle, {i}, or before it works",
        "Twisting at {f}; propeller {s}. " + _NOT,
        can_suggest=level == "stop",
        **_params(torsion, meeting),
    )


@rule(
    "drive.swing",
    "Inertia by its swing against what was typed",
    limit="within 5 % with both doubts ok, 10 % watch, more stop",
    source="two-string suspension; shares proposed",
    mark="proposed",
    settles=measure("Swing it again, indoors, and look whether its mass has the hub in it."),
)
def swing(torsion: Torsion) -> Iterable[Verdict]:
    if not torsion.swing_begun:
        return
    swung = torsion.swung
    typed = torsion.propeller.inertia
    if typed is None or typed.si <= 0:
        return
    off = abs(swung.si / typed.si - 1)
    judged = band(off, "percent", ok=at_most(0.05), watch=at_most(0.10), doubt=2 * swung.u / typed.si)
    yield verdict(
        judged,
        "It swings as {j} ±{d}, {t} is typed",
        "Strings plumb and alike, swings of less than 10°; a draught or a knot spoils it. Mount and torsion take what "
        "is typed.",
        working=inertia_by_swing.working(*(r.si for r in torsion.swing_terms)),
        j=q(swung.si, "inertia"),
        d=q(2 * swung.u, "inertia"),
        t=q(typed.si, "inertia"),
    )
