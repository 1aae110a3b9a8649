"""Mount of one installation: its topics, headline values and tables."""

from __future__ import annotations

from typing import NamedTuple

from ..formula import Out
from ..judging.values import said_by
from ..topic.reading import Topic
from ..topic.tables import Tables
from .acting import Acting
from .face.quantities import OnFace
from .points.quantities import Points
from .points.says import CaseOut, PointOut, case_table, old_table, point_table
from .swing.quantities import ArmOut, SwingArm
from .swing.says import SwingOut, swing_table


class MountOut(Out):
    """What the mount bench lists."""

    cases: list[CaseOut]
    points: list[PointOut]
    old_worst_si: float | None
    swing: list[SwingOut]
    arm: ArmOut | None


class MountTopics(NamedTuple):
    """The topics of the mount of one installation, each only where the craft has the form for it."""

    acting: Acting
    points: Points | None
    swing: SwingArm | None
    face: OnFace | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


VALUES = (said_by("mount", Points), said_by("mount", SwingArm), said_by("mount", OnFace))


def listed(ask: Tables) -> MountOut:
    """What the bench lists and draws of one installation."""
    swing, arm = ask(swing_table) or ([], None)
    return MountOut(
        cases=ask(case_table) or [],
        points=ask(point_table) or [],
        old_worst_si=ask(old_table),
        swing=swing,
        arm=arm,
    )
