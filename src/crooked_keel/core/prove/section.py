"""The first runs of one unit: what the bench lists and draws."""

from __future__ import annotations

from typing import NamedTuple

from ..formula import Out
from ..topic.reading import Topic
from ..topic.tables import Tables
from .cards.quantities import Cards
from .cards.says import CardOut, card_table, run_values
from .promised.says import PromiseOut, promise_table
from .runs.quantities import Readings
from .runs.says import ChannelOut, StripOut, channel_table, strip_table
from .weighed.quantities import Weighed
from .weighed.says import DecisionOut, taken, weighed_values


class ProveOut(Out):
    """What the prove bench draws of one unit. take: what may be decided of a second weighing."""

    cards: list[CardOut]
    channels: list[ChannelOut]
    strips: list[StripOut]
    promises: list[PromiseOut]
    take: DecisionOut | None


class ProveTopics(NamedTuple):
    """The topics of the first runs of one unit, but for what is promised."""

    runs: Readings
    cards: Cards
    weighed: Weighed | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


VALUES = (run_values, weighed_values)


def listed(ask: Tables) -> ProveOut:
    """What the bench lists and draws of one unit."""
    return ProveOut(
        cards=ask(card_table) or [],
        channels=ask(channel_table) or [],
        strips=ask(strip_table) or [],
        promises=ask(promise_table) or [],
        take=ask(taken),
    )
