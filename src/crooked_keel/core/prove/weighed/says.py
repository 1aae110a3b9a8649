"""What the prove bench says of the second weighing."""

from __future__ import annotations

from ...errors import or_none
from ...formula import Out
from ...judging.finding import Message, Operation, Value
from ...judging.values import ValueList
from ..suggest import unexplained
from .quantities import Weighed


class DecisionOut(Out):
    """The second weighing taken as it is: the sentence, and the edit that does it."""

    message: Message
    operations: list[Operation]


def weighed_values(weighed: Weighed) -> list[Value]:
    """What the scales say the second time."""
    out = ValueList("prove")
    if weighed.begun:
        out.add(
            "mass",
            "Mass, weighed again",
            "mass",
            lambda: weighed.measured.mass,
            before=lambda: weighed.predicted.mass,
            source="second weighing",
        )
        out.add(
            "station",
            "CG, weighed again, from the datum",
            "length",
            lambda: weighed.measured.station,
            before=lambda: weighed.predicted.station,
            source="second weighing",
        )
    return out.values


def taken(weighed: Weighed) -> DecisionOut | None:
    """What the second weighing would make of the ledger."""
    if not weighed.begun:
        return None
    made = or_none(lambda: list(unexplained(weighed)))
    return DecisionOut(message=made[0].message, operations=made[0].operations) if made else None
