"""What the systems bench says of the fuel."""

from __future__ import annotations

from ...judging.finding import Value
from ...judging.values import ValueList
from .quantities import Fuelled, endurance


def fuel_values(fuelled: Fuelled) -> list[Value]:
    """How long the fuel lasts."""
    out = ValueList("systems")
    if not fuelled.begun or fuelled.electric:
        return out.values
    working = lambda: endurance.working(*[r.si for r in fuelled.time_terms])
    out.add("fuel-lasts", "Fuel lasts, the reserve left", "hours", lambda: fuelled.time, working=working)
    return out.values
