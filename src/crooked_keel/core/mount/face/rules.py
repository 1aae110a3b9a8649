"""Findings of a motor on the face of a gearbox."""

from __future__ import annotations

from collections.abc import Iterable

from ...judging.finding import Finding, Level, q
from ...judging.register import rule, verdict
from .functions import face_moment
from .quantities import OnFace


@rule(
    "mount.face",
    "Motor on the gearbox's face",
    limit="moment below the old unit's ok, 1.5 times watch, more or unknown stop without a third point",
    source="proposed",
    mark="proposed",
    form="gearbox face",
)
def face(face: OnFace) -> Iterable[Finding]:
    if not face.on_face or face.placed.old:
        return
    moment = face_moment(*face.face_terms)
    known = face.old is not None and face.old.on_face
    old = face_moment(*face.old.face_terms) if known and face.old else None
    third = face.mount.face.third_at is not None
    share = moment / old if old else None
    level: Level = (
        "ok"
        if share is not None and share <= 1.0
        else "watch"
        if third or (share is not None and share <= 1.5)
        else "stop"
    )
    tail = (
        " A third point at its tail, on rubber, set after the gearbox is bolted tight, takes load off the face."
        if third
        else " Add a third point at its tail, on rubber."
    )
    yield verdict(
        "mount.face",
        level,
        "{m} on the gearbox's face in a bump",
        ("The old unit put {o} on it." if old is not None else "What the old unit put on it is not known.")
        + ("" if level == "ok" else tail)
        + " Whether the case stands it is not known from this sum.",
        working=face_moment.working(*face.face_terms),
        m=q(moment, "moment"),
        o=q(old or 0.0, "moment"),
    )
