"""Readings of one unit's runs, typed and logged, and the limits that they must keep."""

from __future__ import annotations

from typing import NamedTuple

from ...errors import CannotSay, Gap, or_gap
from ...facts import Facts
from ...facts.records import Column, Logged, Measured
from ...figure.base import Figure
from ...reference.cards import CHANNELS, WINGS, Channel
from ...resolved.handed import FitId
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import CardForms
from .functions import hot_day_correction

_C = 273.15
# Coolant of an aircraft, whose air thins as it climbs; gas of a diesel before its turbine. Common practice, no source.
COOLANT_IN_THE_AIR_K, GAS_OF_A_DIESEL_K = 95.0 + _C, 700.0 + _C


class RunRead(NamedTuple):
    """A figure read on a card: typed, or the extreme of a log; its doubt (two standard deviations) if known."""

    card: str
    channel: str
    si: float
    doubt: float
    number: int


class Limit(NamedTuple):
    """What a channel must keep, and whose word it is."""

    low: float | None
    high: float | None
    whose: str


class Readings(Topic):
    """What was read of one unit, on which card."""

    def __init__(
        self,
        fit_id: FitId,
        placed: ResolvedInstallation,
        facts: Facts,
        has: CardForms,
    ) -> None:
        self.fit_id = fit_id
        self.unit_id = placed.id
        self.pointer = placed.pointer
        self.facts = facts
        self.limits = placed.installation.run_limits
        self.cooling = placed.installation.systems.cooling
        self.kind = placed.installation.unit.kind
        self.has = has

    @lazy
    def typed(self) -> list[tuple[int, Measured]]:
        """Typed readings that nothing simulated."""
        records = self.facts.of(Measured, self.fit_id, self.unit_id)
        return [(k.number, r) for k, r in records if not r.simulated]

    @lazy
    def logs(self) -> list[tuple[int, Logged]]:
        """Logs that nothing simulated."""
        records = self.facts.of(Logged, self.fit_id, self.unit_id)
        return [(k.number, r) for k, r in records if not r.simulated and r.source != "simulated"]

    @property
    def every_log(self) -> list[tuple[Logged, bool]]:
        """All logs, each with whether it is simulated."""
        return [
            (r, r.simulated or r.source == "simulated") for _, r in self.facts.of(Logged, self.fit_id, self.unit_id)
        ]

    @lazy
    def simulated(self) -> tuple[int, int]:
        """How many readings and logs are simulated, and how many there are."""
        all_ = [r for _, r in self.facts.of(Measured, self.fit_id, self.unit_id)]
        logs = [r for _, r in self.facts.of(Logged, self.fit_id, self.unit_id)]
        fake = sum(r.simulated for r in all_) + sum(r.simulated or r.source == "simulated" for r in logs)
        return fake, len(all_) + len(logs)

    @lazy
    def reads(self) -> list[RunRead]:
        """Every figure that a limit may be put to, in the order in which it was read."""
        made = [RunRead(r.card or "", r.what, r.si, r.doubt_si or 0.0, n) for n, r in self.typed if r.what in CHANNELS]
        for number, log in self.logs:
            for column in log.columns:
                channel = CHANNELS.get(column.channel)
                good = [v for v in column.values if v is not None and channel and channel.least <= v <= channel.most]
                if channel is None or not good:
                    continue
                limit = self.limit(channel)
                if limit.low is not None:
                    made.append(RunRead(log.card or "", channel.key, min(good), 0.0, number))
                if limit.high is not None or limit.low is None:
                    made.append(RunRead(log.card or "", channel.key, max(good), 0.0, number))
        return made

    def limit(self, channel: Channel) -> Limit:
        """What a channel must keep: as entered for the unit, by its cooling, or as usual."""
        low, high, whose = channel.low, channel.high, channel.source
        said = "as entered"
        if channel.key == "coolant":
            if self.cooling.limit is not None:
                high, whose = self.cooling.limit.si, said
            elif WINGS in self.has:
                high = COOLANT_IN_THE_AIR_K
        if channel.key == "gas" and self.kind == "diesel":
            high = GAS_OF_A_DIESEL_K
        for field, end in ((channel.low_field, "low"), (channel.high_field, "high")):
            figure: Figure | None = getattr(self.limits, field) if field else None
            if figure is not None:
                whose = said
                low, high = (figure.si, high) if end == "low" else (low, figure.si)
        return Limit(low, high, whose)

    def crossed(self, card: str) -> list[str]:
        """Limits that were crossed on a card, in words: those whose crossing ends a run."""
        made = []
        for r in self.reads:
            channel = CHANNELS[r.channel]
            if r.card != card or channel.key in ("volts", "drop_left", "drop_right", "cell_spread"):
                continue
            limit = self.limit(channel)
            if limit.high is not None and r.si > limit.high + 1e-9:
                made.append(f"{channel.words} above its limit")
            if limit.low is not None and r.si < limit.low - 1e-9:
                made.append(f"{channel.words} below its limit")
        return list(dict.fromkeys(made))

    def last(self, channel: str, card: str | None = None) -> RunRead | None:
        """The last reading of a channel, on a card where one is named."""
        found = [r for r in self.reads if r.channel == channel and card in (None, r.card)]
        return found[-1] if found else None

    @property
    def by_sea(self) -> bool:
        """Whether the water outside cools it, not the air."""
        return self.cooling.by in ("liquid to sea water", "keel cooler")

    @lazy
    def hot_day(self) -> float:
        """What cools it, on the hottest day, K: the air, or the water. Raises CannotSay."""
        part, what = ("sea", "warmest water") if self.by_sea else ("hot_day", "air outside on the hottest day")
        figure = self.cooling.sea if self.by_sea else self.cooling.hot_day
        if figure is None:
            raise CannotSay(Gap(f"{self.pointer}/systems/cooling/{part}", what))
        return figure.si

    def outside(self, card: str) -> RunRead | None:
        """What cooled it when a card was run, as read on it."""
        return self.last("sea" if self.by_sea else "air", card)

    def on_hottest(self, read: RunRead) -> float:
        """A temperature as it would be on the hottest day, K. Raises CannotSay where it was not read what cooled it."""
        share, there = CHANNELS[read.channel].hot, self.outside(read.card)
        what = "water outside" if self.by_sea else "air outside"
        hot = or_gap(lambda: self.hot_day)
        needs = [] if there is not None else [Gap("/records/outside", f"{what}, read on the same card")]
        if isinstance(hot, CannotSay):
            raise CannotSay(*needs, *hot.needs)
        if there is None or share is None:
            raise CannotSay(*needs)
        return hot_day_correction(read.si, share, hot, there.si)

    def columns(self, channel: str) -> list[tuple[Logged, Column]]:
        """Logged columns of a channel."""
        return [(log, c) for _, log in self.logs for c in log.columns if c.channel == channel]
