"""What the systems bench says of the air that a unit breathes."""

from __future__ import annotations

from ...formula import Working
from ...judging.finding import Value
from ...judging.values import ValueList
from ..cooling.quantities import Cooled
from .functions import charge_out
from .quantities import Breathing, air_flow


def induction_values(breathing: Breathing) -> list[Value]:
    """Air that it breathes."""
    out = ValueList("systems")
    if not breathing.begun or breathing.electric:
        return out.values

    def working() -> Working:
        power, b, r, density = breathing.terms
        return air_flow.working(power, b.si, r.si, density)

    out.add("air", "Air that it breathes", "air_flow", lambda: breathing.air, working=working)
    return out.values


def charge_values(breathing: Breathing, cooled: Cooled) -> list[Value]:
    """The charge behind its cooler."""
    out = ValueList("systems")
    if breathing.begun and breathing.blown and breathing.i.charge_cooler == "yes" and cooled.c.by != "keel cooler":
        out.add(
            "charge",
            "Charge goes in on a hot day at",
            "temperature",
            lambda: cooled.charge(*cooled.charge_core),
            working=lambda: charge_out.working(*cooled.charge_terms(*cooled.charge_core)),
        )
    return out.values
