"""What the systems bench says of the cooling."""

from __future__ import annotations

from ...judging.finding import Value
from ...judging.values import ValueList
from ...physics.heat import settles
from .quantities import Cooled


def cooling_values(cooled: Cooled) -> list[Value]:
    """Where the coolant settles."""
    out = ValueList("systems")
    if not cooled.begun or cooled.c.by not in ("liquid to air", "liquid to sea water"):
        return out.values
    out.add(
        "settles",
        "Coolant settles on a hot day at",
        "temperature",
        lambda: cooled.settled(*cooled.core),
        working=lambda: settles.working(*cooled.settle_terms(*cooled.core)),
    )
    return out.values
