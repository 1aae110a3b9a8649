"""What must be reached, as listed."""

from __future__ import annotations

from .quantities import Reached


def needed_table(reached: Reached) -> list[str]:
    """What must be reached and nobody spoke of."""
    return reached.not_said
