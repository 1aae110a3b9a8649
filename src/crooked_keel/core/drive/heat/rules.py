"""Verdict of the reduction's oil."""

from __future__ import annotations

from collections.abc import Iterable

from ...figure.units import ZERO_C_K
from ...judging.band import at_most, band, beyond, told
from ...judging.finding import q
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy
from .functions import levels_off
from .quantities import GearOil

_OK_K, _WATCH_K = ZERO_C_K + 110, ZERO_C_K + 130
# A step that still rises by so much of the one before it is too early to be drawn on from.
_EARLY = 0.8


@rule(
    "drive.gear-oil",
    "Oil of the reduction on the hottest day",
    limit="levelled off, with its ±, up to 110 °C ok, 130 °C watch, more stop, and so oil that was hotter than that or "
    "does not level off; three readings too early watch",
    source="common practice, no source: the oil's maker governs",
    mark="common practice",
    settles=buy("Fins, a cooler or more flow over the case; then run the trial again."),
)
def gear_oil(oil: GearOil) -> Iterable[Verdict]:
    if not oil.begun:
        return
    runs_away, seen = oil.runs_away, oil.seen
    if runs_away or seen.si > _WATCH_K:
        yield verdict(
            told(seen.si, "temperature", "stop", "it is not levelling off")
            if runs_away
            else beyond(seen.si, "temperature", at_most(_WATCH_K), "stop"),
            "The reduction's oil is not levelling off, {t} at the last reading"
            if runs_away
            else "The reduction's oil was at {t}",
            (
                "Its last step rises as much as the one before it, or more: where it ends is not known, and 130 °C is "
                "the most. "
                if runs_away
                else "130 °C is the most, whatever the day. "
            )
            + "Do not run it longer so. Fins, a cooler or more flow; more oil only makes it later.",
            t=q(seen.si, "temperature"),
        )
        return
    hot = oil.hottest
    judged = band(hot.value, "temperature", ok=at_most(_OK_K), watch=at_most(_WATCH_K), doubt=2 * hot.u)
    early = oil.steps_ahead > _EARLY
    judged = judged.or_by("watch", "the readings are too early to be sure", early)
    yield verdict(
        judged,
        "The reduction's oil is heading for {t} on the hottest day",
        ("The readings are too early to be sure: run on. " if early else "")
        + "That day for {s}. Area, fins or flow lower it; more oil only makes it later: no figure of this sheet is "
        "a way out. Seals, and the oil's own limit, are not looked at.",
        working=levels_off.working(*(r.si for r in oil.readings)),
        t=q(hot.value, "temperature"),
        s=q(oil.steady.value, "temperature"),
    )
