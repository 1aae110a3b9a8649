"""A swinging unit as the mount bench lists it."""

from __future__ import annotations

from ...errors import or_none
from ...formula import record
from .quantities import ArmOut, SwingArm


@record
class SwingOut:
    """A swinging unit in one case: compression of the shock, force on the unit at its pivot and its size, N."""

    id: str
    name: str
    source: str
    shock_si: float
    pivot_x_si: float
    pivot_z_si: float
    pivot_si: float


def swing_table(swing: SwingArm) -> tuple[list[SwingOut], ArmOut | None]:
    """A swinging unit in each case, and where its parts are."""
    cases = or_none(lambda: swing.swing_cases) or []
    made = [SwingOut(c.id, c.name, c.source, w.shock_n, *w.pivot_n, w.pivot_size_n) for c, w in cases]
    return made, or_none(lambda: swing.arm)
