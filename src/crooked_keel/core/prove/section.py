"""The first runs of one unit: what the bench lists and draws."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import or_none
from ..formula import Out, record
from ..judging.finding import Message, Operation, Value, Ways
from ..judging.values import ValueList
from ..reference.cards import AFLOAT, CHANNELS, ROAD, Channel
from ..topic.reading import Topic
from .cards.quantities import Cards
from .promised.quantities import Promises
from .promised.rules import level_of
from .runs.functions import thinned
from .runs.quantities import Readings
from .suggest import unexplained
from .weighed.quantities import Weighed

# Points of a strip: no screen shows more.
MOST_POINTS = 600


def spoken(channel: Channel, has: frozenset[str]) -> str:
    """The dimension in which a channel is printed on this craft."""
    if channel.dimension == "speed":
        return "sea_speed" if AFLOAT in has else "road_speed" if ROAD in has else "speed"
    return channel.dimension


@record
class LineOut:
    """A line of a card, and whether it was seen to."""

    key: str
    words: str
    seen: bool


@record
class CardOut:
    """A card as it stands; reads: channels asked for on it."""

    id: str
    title: str
    purpose: str
    caution: str
    word: str
    why: list[str]
    by: str
    lines: list[LineOut]
    reads: list[str]


@record
class StripOut:
    """A logged channel, thinned without losing a peak: seconds and SI, with its limits."""

    channel: str
    words: str
    dimension: str
    log: str
    card: str | None
    source: str
    simulated: bool
    t: list[float]
    values: list[float]
    low_si: float | None
    high_si: float | None


@record
class PromiseOut:
    """A promise: promised and measured in SI, their difference, and that in doubts."""

    id: str
    bench: str
    label: str
    dimension: str
    ways: Ways | None
    promised_si: float | None
    promised_doubt_si: float | None
    measured_si: float | None
    measured_doubt_si: float | None
    off_si: float | None
    in_doubts: float | None
    level: str | None
    needs: list[str]
    how: str


@record
class ChannelOut:
    """A channel that may be read on a card: what it must keep, and whose word that is."""

    key: str
    words: str
    dimension: str
    low_si: float | None
    high_si: float | None
    whose: str


class DecisionOut(Out):
    """The second weighing taken as it is: the sentence, and the edit that does it."""

    message: Message
    operations: list[Operation]


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


def run_values(cards: Cards) -> list[Value]:
    """How far the cards are."""
    out = ValueList("prove")
    out.add("cards", "Cards passed", "text", lambda: _passed(cards), source="records")
    return out.values


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


def _passed(cards: Cards) -> str:
    made = cards.all.values()
    return f"{sum(a.word == 'passed' for a in made)} of {len(made)}"


VALUES = (run_values, weighed_values)


def card_table(cards: Cards) -> list[CardOut]:
    """Cards in their order."""
    return [
        CardOut(
            id=a.card.id,
            title=a.card.title,
            purpose=a.card.purpose,
            caution=a.card.caution,
            word=a.word,
            why=a.why,
            by=a.by,
            lines=[LineOut(key=n.key, words=n.words, seen=n.key in a.seen) for n in a.lines],
            reads=[r for r in a.card.reads if not CHANNELS[r].needs or CHANNELS[r].needs in cards.has],
        )
        for a in cards.all.values()
    ]


def channel_table(runs: Readings) -> list[ChannelOut]:
    """Channels with the limits of this unit."""
    made = []
    for c in CHANNELS.values():
        limit = runs.limit(c)
        made.append(
            ChannelOut(
                key=c.key,
                words=c.words,
                dimension=spoken(c, runs.has),
                low_si=limit.low,
                high_si=limit.high,
                whose=limit.whose if limit.low is not None or limit.high is not None else "",
            )
        )
    return made


def strip_table(runs: Readings) -> list[StripOut]:
    """Logs as strips, those that are simulated among them and marked."""
    made = []
    for log, simulated in runs.every_log:
        for column in log.columns:
            channel = CHANNELS.get(column.channel)
            if channel is None:
                continue
            rows = [i for i in thinned(log.t, column.values, MOST_POINTS) if column.values[i] is not None]
            limit = runs.limit(channel)
            made.append(
                StripOut(
                    channel=channel.key,
                    words=channel.words,
                    dimension=spoken(channel, runs.has),
                    log=log.name,
                    card=log.card,
                    source=log.source,
                    simulated=simulated,
                    t=[log.t[i] for i in rows],
                    values=[v for i in rows if (v := column.values[i]) is not None],
                    low_si=limit.low,
                    high_si=limit.high,
                )
            )
    return made


def taken(weighed: Weighed) -> DecisionOut | None:
    """What the second weighing would make of the ledger."""
    if not weighed.begun:
        return None
    made = or_none(lambda: list(unexplained(weighed)))
    return DecisionOut(message=made[0].message, operations=made[0].operations) if made else None


def promise_table(promises: Promises) -> list[PromiseOut]:
    """Promises beside what was measured."""
    made = []
    for r in promises.rows:
        both = r.promised is not None and r.measured is not None
        made.append(
            PromiseOut(
                id=r.id,
                bench=r.bench,
                label=r.label,
                dimension=r.dimension,
                ways=r.ways,
                promised_si=r.promised,
                promised_doubt_si=r.promised_doubt or None,
                measured_si=r.measured,
                measured_doubt_si=r.measured_doubt or None,
                off_si=r.off if both else None,
                in_doubts=abs(r.off) / r.doubt if both and r.doubt else None,
                level=level_of(r) if both else None,
                needs=list(r.needs),
                how=r.how,
            )
        )
    return made
