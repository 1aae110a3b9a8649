"""What becomes of joints that do not fit."""

from __future__ import annotations

import math
from typing import NamedTuple

from ...document.systems import Decision
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ..handed import PortRow, PortRows, UnitPower
from ..lane import Lane


class Bought(NamedTuple):
    """What is bought of something sold in lengths: how many, and what is left over, m."""

    pieces: int
    left_m: float


class JointLane(Lane):
    """Decisions on the joints of one unit."""

    part = "joints"

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, lasting: UnitPower, ports: PortRows) -> None:
        super().__init__(resolved, placed, lasting)
        self.ports = ports

    @property
    def unlike(self) -> list[PortRow]:
        """Ports that do not fit as they are."""
        return [r for r in self.ports.ports if r.status != "same"]

    def decision(self, row: PortRow) -> Decision:
        """What was decided of a port."""
        made: Decision = getattr(self.systems.joints, row.kind.key)
        return made


def bought(decision: Decision) -> Bought | None:
    """How many lengths cover what is needed; None where it is not sold in lengths."""
    if decision.needed is None or decision.sold_in is None or decision.sold_in.si <= 0:
        return None
    pieces = math.ceil(decision.needed.si / decision.sold_in.si - 1e-9)
    return Bought(pieces, pieces * decision.sold_in.si - decision.needed.si)
