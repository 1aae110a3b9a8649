"""What is wanted of any unit, and what it costs."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import StringConstraints

from ..figure.kinds import (
    Altitude,
    Mass,
    Money,
    Power,
    Wait,
)
from ..figure.narrow import (
    Grade,
    Warmth,
    Weight,
)
from .base import Item, Note, Part

Week = Annotated[str, StringConstraints(pattern=r"^(\d{4}-W(0[1-9]|[1-4]\d|5[0-3]))?$")]


class MoneyLine(Item):
    """Something to pay for: what it was to cost, what was ordered, what was paid; how long it takes to come, what it
    holds up, and the week in which it falls, as 2026-W48."""

    planned: Money | None = None
    committed: Money | None = None
    spent: Money | None = None
    state: Literal["open", "closed"] | None = None
    wait: Wait | None = None
    week: Week = ""
    holds_up: Note = ""


class Weights(Part):
    """How much each thing counts when candidates are scored; blank is not counted."""

    power: Weight | None = None
    mass: Weight | None = None
    cost: Weight | None = None
    wait: Weight | None = None
    parts: Weight | None = None


class Need(Part):
    """What is wanted of any unit: power where it is used, the height and warmth there, hard limits, and what counts how
    much. Balance and drive are judged on their own benches."""

    power: Power | None = None
    altitude: Altitude | None = None
    hot: Warmth | None = None
    least_power: Power | None = None
    most_mass: Mass | None = None
    most_cost: Money | None = None
    longest_wait: Wait | None = None
    least_parts: Grade | None = None
    currency: Note = ""
    weights: Weights = Weights()
