"""Joints that do not fit, as listed."""

from __future__ import annotations

from ...formula import record
from .quantities import JointLane, bought


@record
class DecidedOut:
    """A joint that does not fit, with what becomes of it; pieces: lengths to buy."""

    kind: str
    name: str
    status: str
    differs: list[str]
    pieces: int | None
    left_si: float | None


def joint_table(joined: JointLane) -> list[DecidedOut]:
    """Joints that do not fit."""
    made = []
    for row in joined.unlike:
        cut = bought(joined.decision(row))
        made.append(
            DecidedOut(
                kind=row.kind.key,
                name=row.kind.name,
                status=row.status,
                differs=[a.words for a in row.differs],
                pieces=cut.pieces if cut else None,
                left_si=cut.left_m if cut else None,
            )
        )
    return made
