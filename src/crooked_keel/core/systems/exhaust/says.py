"""What the systems bench says of the exhaust."""

from __future__ import annotations

from ...judging.finding import Value, Ways
from ...judging.values import ValueList
from .functions import injection_clearance
from .quantities import Exhausted


def exhaust_values(exhausted: Exhausted) -> list[Value]:
    """Back pressure, and the injection over the water."""
    out = ValueList("systems")
    if not exhausted.begun or exhausted.electric:
        return out.values
    out.add(
        "back-pressure",
        "Back pressure of dry gas",
        "pressure",
        lambda: exhausted.whole_back,
        source="sum over the pipe's parts",
    )
    if exhausted.e.leaves != "dry" and exhausted.afloat is not None:
        ways = Ways("over", "under")
        out.add(
            "injection",
            "Water goes in, from the water outside",
            "length",
            lambda: exhausted.injection.clearance_m,
            ways=ways,
            working=lambda: injection_clearance.working(*exhausted.injection[2:]),
        )
    return out.values
