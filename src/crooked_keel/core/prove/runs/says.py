"""Channels and strips as the prove bench draws them."""

from __future__ import annotations

from ...formula import record
from ...reference.cards import AFLOAT, CHANNELS, ROAD, Channel
from .functions import thinned
from .quantities import Readings

# Points of a strip: no screen shows more.
MOST_POINTS = 600


def spoken(channel: Channel, has: frozenset[str]) -> str:
    """The dimension in which a channel is printed on this craft."""
    if channel.dimension == "speed":
        return "sea_speed" if AFLOAT in has else "road_speed" if ROAD in has else "speed"
    return channel.dimension


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
class ChannelOut:
    """A channel that may be read on a card: what it must keep, and whose word that is."""

    key: str
    words: str
    dimension: str
    low_si: float | None
    high_si: float | None
    whose: str


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
