"""What readings point to: each cause with what it fired on, what was not looked at, and what to look at next."""

from __future__ import annotations

from typing import NamedTuple

from ...reference.cards import CHANNELS
from ..runs.functions import odd_rows
from .quantities import RATED, Promises, Row

# How far off the speed of the unit, its fuel and its way are said to be low or high. Common practice, no source.
_RPM, _FLOW, _WAY, _HOT_K = 0.03, 0.07, 0.05, 5.0


class Cause(NamedTuple):
    """A cause that fits; evidence and what was not read, in words."""

    key: str
    words: str
    evidence: tuple[str, ...]
    blank: tuple[str, ...]
    next_check: str


class _Seen(NamedTuple):
    """A promise as evidence: how far off, as a share (of a temperature in K), or None where it was not read."""

    words: str
    off: float | None

    def said(self, way: str) -> str:
        """In words, with which way it is off."""
        return f"{self.words} {way}"


def _share(row: Row | None, words: str) -> _Seen:
    if row is None or not row.promised:
        return _Seen(words, None)
    return _Seen(words, row.off if row.dimension == "temperature" else row.off / row.promised)


def diagnose(promises: Promises) -> list[Cause]:
    """Causes in the order of suspicion; of those that would explain the same reading the first."""
    rpm = _share(promises.row(RATED), "speed of the unit at full power")
    way = _share(promises.row("drive.speed") or promises.row("drive.top-speed"), "speed of the craft")
    hot = _share(promises.row("systems.settles"), "coolant, put to the hottest day")
    fuel = _share(promises.row("choose.burns"), "fuel flow")
    made: list[Cause] = []
    low = rpm.off is not None and rpm.off < -_RPM
    high = rpm.off is not None and rpm.off > _RPM
    slow = way.off is not None and way.off < -_WAY
    warm = hot.off is not None and hot.off > _HOT_K
    starved = fuel.off is not None and fuel.off < -_FLOW
    blank = lambda *seen: tuple(s.words for s in seen if s.off is None)
    if low and starved and not warm:
        made.append(
            Cause(
                "no-power",
                "It does not make its power: throttle not fully open, air or fuel held back, timing",
                (rpm.said("low"), fuel.said("low")),
                blank(hot),
                "cable travel at the unit, filter, back pressure",
            )
        )
    elif low:
        made.append(
            Cause(
                "over-propped",
                "It is asked for more than it gives: pitch or gearing too tall, then a foul hull or a dragging brake",
                (
                    rpm.said("low"),
                    *([hot.said("high")] if warm else []),
                    *([fuel.said("as promised")] if fuel.off else []),
                ),
                blank(fuel, hot),
                "pitch an inch less, or a shorter ratio; first the same run clean and with nothing dragging",
            )
        )
    elif high and slow:
        made.append(
            Cause(
                "slips",
                "It turns and does not push: too little pitch, a clutch or hub that slips, air at the propeller",
                (rpm.said("high"), way.said("low")),
                (),
                "mark the hub; read gear and shaft together",
            )
        )
    elif high:
        made.append(
            Cause(
                "under-propped",
                "It is asked for less than it gives: pitch or gearing too short",
                (rpm.said("high"),),
                blank(way),
                "pitch an inch more, or a taller ratio",
            )
        )
    elif slow and rpm.off is not None:
        made.append(
            Cause(
                "heavy",
                "Mass or drag above what was reckoned, or the promise was too fair",
                (rpm.said("as promised"), way.said("low")),
                blank(fuel),
                "second weighing, trim, and the same run clean",
            )
        )
    made += _heat(promises, warm, hot)
    made += _sensors(promises)
    return made


def _heat(promises: Promises, warm: bool, hot: _Seen) -> list[Cause]:
    runs = promises.runs
    most = runs.limit(CHANNELS["coolant"]).high
    idle = [r for r in runs.reads if r.channel == "coolant" and r.card in ("warm-up", "first-start")]
    idle_hot = most is not None and any(r.si > most - 10.0 for r in idle)
    oil, oil_most = runs.last("oil_temp"), runs.limit(CHANNELS["oil_temp"]).high
    oil_hot = oil is not None and oil_most is not None and oil.si > oil_most - 5.0
    outlet = runs.last("outlet")
    made: list[Cause] = []
    if warm and idle_hot:
        weak = "flow of sea water at the outlet" if outlet is not None else "flow"
        made.append(
            Cause(
                "hot-always",
                "Hot always: flow, thermostat, a leak at the head",
                (hot.said("high"), "coolant high at idle"),
                () if outlet is not None else ("water at the outlet",),
                f"{weak} into a bucket, timed; then the thermostat, then the head",
            )
        )
    elif warm and runs.by_sea:
        made.append(
            Cause(
                "sea-water-short",
                "Hot at speed: sea water short (impeller, strainer, a suction hose that collapses), then the core",
                (hot.said("high"),),
                tuple(w for w, r in (("water at the outlet", outlet), ("coolant at idle", idle)) if not r),
                "flow at the outlet into a bucket, timed, at full throttle; open the strainer",
            )
        )
    elif warm:
        made.append(
            Cause(
                "hot-at-speed",
                "Hot at speed: the way out of the air, a duct that leaks, the core",
                (hot.said("high"),),
                () if idle else ("coolant at idle",),
                "pressure before and behind the core; then its size",
            )
        )
    elif idle_hot:
        made.append(
            Cause(
                "hot-at-idle",
                "Hot at idle: no fan or ram air, air trapped, low coolant",
                ("coolant high at idle",),
                () if hot.off is not None else (hot.words,),
                "fan, bleeds, level of the header",
            )
        )
    if oil_hot and not warm and not idle_hot:
        made.append(
            Cause(
                "oil-hot",
                "Oil hot, coolant not: its cooler starved, froth, or the grade",
                ("oil within 5 K of its limit",),
                () if hot.off is not None else (hot.words,),
                "air of coolers side by side; froth in the tank",
            )
        )
    return made


def _sensors(promises: Promises) -> list[Cause]:
    """One channel that jumps while the others stand."""
    made = []
    for _, log in promises.runs.logs:
        odd = []
        for column in log.columns:
            channel = CHANNELS.get(column.channel)
            if channel and odd_rows(log.t, column.values, channel.least, channel.most, channel.jump):
                odd.append(channel.words)
        if len(odd) == 1 and len(log.columns) > 1:
            made.append(
                Cause(
                    f"sensor-{log.name}",
                    f"Sensor or plug of the {odd[0]}",
                    (f"it jumps in '{log.name}', the others do not",),
                    (),
                    "swap the sensor, tug its wires",
                )
            )
    return made
