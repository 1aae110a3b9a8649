"""Findings of a motor on the face of a gearbox."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...figure.trace import above_zero
from ...judging.finding import Level, q
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust
from ..acting import FITTING_FACTOR, ULTIMATE_FACTOR
from ..points.functions import reserve_factor
from .functions import face_moment, holds_nothing, third_point
from .quantities import OnFace


@rule(
    "mount.face",
    "Motor on the gearbox's face",
    limit="moment below the old unit's ok, 1.5 times watch, more or unknown stop; with a third point by its reserve: "
    "1.15 or more watch, less or a point that holds nothing stop",
    source="proposed; factors as on other mounts",
    mark="proposed",
    form="gearbox face",
    settles=adjust("A third point at the tail, its strength entered; or a lighter, shorter motor."),
)
def face(face: OnFace) -> Iterable[Verdict]:
    if not face.on_face or face.placed.old:
        return
    moment = face_moment(*face.face_terms)
    known = face.old is not None and face.old.on_face
    old = face_moment(*face.old.face_terms) if known and face.old else None
    third = face.mount.face.third_at is not None
    share = moment / old if old else None
    held = share is not None and share <= 1.0
    idle = third and not held and holds_nothing(*face.third_terms[3:])
    reserve = _third_reserve(face) if third and not held and not idle else None
    level: Level
    if held:
        level = "ok"
    elif idle:
        level = "stop"
    elif reserve is not None:
        level = "watch" if reserve >= 1.15 else "stop"
    else:
        level = "watch" if share is not None and share <= 1.5 else "stop"
    tail = (
        " Its third point, on rubber and set after the gearbox is bolted tight, takes {l} then and has reserve {r}; "
        "1.15 is asked."
        if reserve is not None
        else " Its third point is at the gearbox's own supports, or ahead of them: it holds nothing. Further aft it "
        "does."
        if idle
        else " Add a third point at its tail, on rubber: 1.5 times the old is the most without one."
    )
    yield verdict(
        level,
        "{m} on the gearbox's face in a bump",
        ("The old unit put {o} on it." if old is not None else "What the old unit put on it is not known.")
        + ("" if level == "ok" else tail)
        + " Whether the case stands it is not known from this sum.",
        working=face_moment.working(*face.face_terms),
        m=q(moment, "moment"),
        o=q(old or 0.0, "moment"),
        l=q(third_point(*face.third_terms) if reserve is not None else 0.0, "force"),
        r=q(reserve or 0.0, "number"),
    )


def _third_reserve(face: OnFace) -> float:
    """Reserve of the third point in a bump. Raises CannotSay where its strength or its place is not known."""
    what = f"strength of the third point of the {face.name}, with its bracket"
    strength = lambda: above_zero(face.mount.face.third_strength, face._p("mount/face/third_strength"), what)
    ask_all(strength, lambda: face.third_terms)
    return reserve_factor(strength(), ULTIMATE_FACTOR, FITTING_FACTOR, third_point(*face.third_terms))
