"""Findings of what was read: limits, the hottest day, trends, ignition, gas, sensors."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from ...errors import CannotSay, Gap
from ...judging.band import at_least, at_most, band, below, kept
from ...judging.finding import Level, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, measure
from ...judging.subjects import Subject, but_ok, one_by_one
from ...reference.cards import CHANNELS
from .functions import backwards, hot_day_correction, odd_rows, settled, theil_sen_trend, time_to_limit
from .quantities import Limit, Readings, RunRead

# How near a limit is said to be near: of a temperature, K; of all else this share of it. Common practice, no source.
NEAR_K, NEAR = 5.0, 0.05
_APART = ("co", "drop_left", "drop_right", "cranks")
_RPM = 3.141592653589793 / 30


def _near(limit: float, made: Limit, dimension: str) -> float:
    """How near is near: between two limits no more than a tenth of their distance."""
    near = NEAR_K if dimension == "temperature" else abs(NEAR * limit)
    return near if made.low is None or made.high is None else min(near, 0.1 * (made.high - made.low))


def _worst(runs: Readings, channel: str, high: bool) -> RunRead | None:
    """The reading that lies furthest towards a limit; of one channel the worst is what counts, whichever card."""
    found = [r for r in runs.reads if r.channel == channel]
    if not found:
        return None
    return max(found, key=lambda r: r.si + r.doubt) if high else min(found, key=lambda r: r.si - r.doubt)


@rule(
    "prove.limit",
    "Limits of the runs",
    limit="inside its limit by 5 K, or by 5 %, with its doubt, ok; inside watch; crossed stop",
    source="the unit's maker where entered; else common practice, no source",
    mark="common practice",
    settles=adjust("Find out why before it runs again; its maker's limit may be another."),
)
def limit(runs: Readings) -> Iterable[Verdict]:
    for channel in CHANNELS.values():
        made = runs.limit(channel)
        if channel.key in _APART:
            continue
        for end, high in ((made.low, False), (made.high, True)):
            read = _worst(runs, channel.key, high)
            if end is None or read is None:
                continue
            near = _near(end, made, channel.dimension)
            ok = at_most(end - near) if high else at_least(end + near)
            inside = at_most(end) if high else at_least(end)
            judged = band(read.si, channel.dimension, ok=ok, watch=inside, doubt=read.doubt)
            yield verdict(
                judged,
                "{c}: {v}, limit {l}",
                ("Stop the run. " if judged.level == "stop" else "")
                + ("Its doubt reaches the limit. " if judged.level == "watch" and read.doubt > near else "")
                + "Limit: {w}. As read, on the day it was read.",
                subject=f"{channel.key}-{'high' if high else 'low'}",
                source=made.whose,
                c=word(channel.words[0].upper() + channel.words[1:]),
                v=q(read.si, channel.dimension),
                l=q(end, channel.dimension),
                w=word(made.whose),
            )


@rule(
    "prove.hot-day",
    "Temperatures on the hottest day",
    limit="5 K or more below the limit on the hottest day ok, below it watch, above it stop",
    source="14 CFR 23.1043, former text (from memory)",
    mark="from memory",
    settles=buy("More cooling: face, inlet, exit, or flow; prove it on a run with the air read."),
)
def hot_day(runs: Readings) -> Iterable[Verdict]:
    keys = [k for k, c in CHANNELS.items() if c.hot is not None and runs.limit(c).high is not None]
    read = [(k, r) for k in keys if (r := _worst(runs, k, True)) is not None]

    def judge(s: Subject[tuple[str, RunRead]]) -> Iterator[Verdict]:
        key, r = s.of
        channel, most = CHANNELS[key], runs.limit(CHANNELS[key]).high
        assert most is not None and channel.hot is not None
        hot = runs.on_hottest(r)
        air = runs.outside(r.card)
        assert air is not None
        judged = band(hot, "temperature", ok=at_most(most - NEAR_K), watch=at_most(most), doubt=r.doubt + air.doubt)
        yield verdict(
            judged,
            "{c}: {v} read, {h} on the hottest day, limit {l}",
            "With {a} outside when it was read, {d} on the hottest day ({o}). "
            + ("It was not shown to be settled. " if not _is_settled(runs, key) else "")
            + "A climb or a stream from astern is hotter still.",
            subject=key,
            working=hot_day_correction.working(r.si, channel.hot, runs.hot_day, air.si),
            c=word(channel.words[0].upper() + channel.words[1:]),
            v=q(r.si, "temperature"),
            h=q(hot, "temperature"),
            l=q(most, "temperature"),
            a=q(air.si, "temperature"),
            d=q(runs.hot_day, "temperature"),
            o=word("water" if runs.by_sea else "air"),
        )

    if read:
        yield from one_by_one([Subject(k, CHANNELS[k].words, (k, r)) for k, r in read], judge)


def _is_settled(runs: Readings, channel: str) -> bool:
    """Whether a log shows the channel settled."""
    for log, column in runs.columns(channel):
        rows = [(t, v) for t, v in zip(log.t, column.values, strict=False) if v is not None]
        if rows and settled([t for t, _ in rows], [v for _, v in rows]):
            return True
    return False


@rule(
    "prove.trend",
    "Where readings are heading",
    limit="never, or more than 60 min from the limit ok; 20 min or more watch; less, or over it, stop",
    source="Theil and Sen",
    mark="common practice",
    settles=measure("Run it on until it settles, with somebody at the stop."),
)
def trend(runs: Readings) -> Iterable[Verdict]:
    yield from but_ok(
        list(_trends(runs)),
        lambda n: verdict(
            "ok",
            "Nothing that was logged reaches a limit within the hour",
            counted(n, "One limit", "{n} limits") + ", by the last readings; a thermostat that opens turns a trend.",
            subject="ok",
            n=q(n, "count"),
        ),
    )


def _trends(runs: Readings) -> Iterator[Verdict]:
    for key, channel in CHANNELS.items():
        made = runs.limit(channel)
        for log, column in runs.columns(key):
            rows = [(t, v) for t, v in zip(log.t, column.values, strict=False) if v is not None][-120:]
            rows = [(t, v) for t, v in rows if channel.least <= v <= channel.most]
            if len(rows) < 5 or (made.high is None and made.low is None):
                continue
            line = theil_sen_trend([t for t, _ in rows], [v for _, v in rows])
            for end, above in ((made.high, True), (made.low, False)):
                if end is None:
                    continue
                left = time_to_limit(line, end, above)
                over = any((v > end) if above else (v < end) for _, v in rows)
                level: Level = (
                    "stop"
                    if over or (left is not None and left < 1200)
                    else "watch"
                    if left is not None and left <= 3600
                    else "ok"
                )
                yield verdict(
                    level,
                    "{c}: over its limit in '{n}'"
                    if over
                    else "{c} reaches {l} in {t} at this slope"
                    if left is not None
                    else "{c} is not heading for its limit",
                    "By the last {k} readings of '{n}'; one bad one does not turn it. A thermostat that opens does.",
                    subject=f"{key}-{'high' if above else 'low'}",
                    c=word(channel.words[0].upper() + channel.words[1:]),
                    l=q(end, channel.dimension),
                    t=q(left or 0.0, "time"),
                    k=q(len(rows), "count"),
                    n=word(log.name),
                )


@rule(
    "prove.ignition",
    "Each ignition alone",
    limit="a drop of 175 rpm or less on each side, 50 or less apart, ok; more watch; no drop at all stop",
    source="light aircraft, from memory",
    mark="from memory",
    form="air propeller",
    settles=adjust("The switch and its grounding wire, plugs and leads; read both sides again."),
)
def ignition(runs: Readings) -> Iterable[Verdict]:
    left, right = runs.last("drop_left"), runs.last("drop_right")
    if left is None and right is None:
        return
    dead = [w for w, r in (("left", left), ("right", right)) if r is not None and r.si - r.doubt < _RPM]
    if dead:
        yield verdict(
            "stop",
            "No drop on the {s} ignition alone: the other side is not being grounded",
            "The propeller stays live with the switch off. Nobody touches it until that is put right.",
            s=word(" and ".join(dead)),
        )
        return
    if left is None or right is None:
        raise CannotSay(Gap("/records/drop", "the drop of each ignition alone"))
    most, apart = max(left.si + left.doubt, right.si + right.doubt), abs(left.si - right.si)
    judged = band(most, "rotation", ok=at_most(175 * _RPM)).or_by(
        "watch", "the two are more than 50 rpm apart", apart + left.doubt + right.doubt > 50 * _RPM
    )
    level = judged.level
    yield verdict(
        judged,
        "Drops {a} left, {b} right",
        "Plugs, leads or timing of the side that drops more. " if level == "watch" else "As read at run-up speed.",
        a=q(left.si, "rotation"),
        b=q(right.si, "rotation"),
    )


@rule(
    "prove.gas",
    "Carbon monoxide in the cabin",
    limit="below 10 ppm ok, below 35 watch, 35 or more stop",
    source="NIOSH, 35 ppm time average (from memory)",
    mark="from memory",
    settles=adjust("Find the leak, seal it, air the cabin, and read again under way."),
)
def gas(runs: Readings) -> Iterable[Verdict]:
    read = _worst(runs, "co", True)
    if read is None:
        return
    judged = band(read.si, "count", ok=below(10.0), watch=below(35.0), doubt=read.doubt)
    level = judged.level
    yield verdict(
        judged,
        "Carbon monoxide {c} ppm in the cabin",
        ("Stop the unit, air it out, find the leak. " if level == "stop" else "")
        + "Any steady reading is a leak. It kills at rest and with the wind astern; only an alarm tells.",
        c=q(read.si, "count"),
    )


@rule(
    "prove.cranks",
    "Oil pressure while cranking",
    limit="within four cranks of 15 s ok, with the doubt of the count, else watch; more than four stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Prime it, look for the air lock, try another gauge."),
)
def cranks(runs: Readings) -> Iterable[Verdict]:
    read = _worst(runs, "cranks", True)
    if read is None:
        return
    yield verdict(
        kept(read.si, "count", at_most(4.0), read.doubt),
        "Oil pressure after {n} cranks" if read.si <= 4 else "No oil pressure within four cranks",
        "Find the air lock or the dead gauge before it is cranked again."
        if read.si > 4
        else "15 s each, a minute apart.",
        n=q(read.si, "count"),
    )


@rule(
    "prove.sensor",
    "Readings that cannot be right",
    limit="none ok, else watch",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Swap the sensor, tug its wires, and log again."),
)
def sensor(runs: Readings) -> Iterable[Verdict]:
    if not runs.logs:
        return
    said: list[str] = []
    for _, log in runs.logs:
        if backwards(log.t):
            said.append(f"'{log.name}': its clock runs backwards")
        for column in log.columns:
            channel = CHANNELS.get(column.channel)
            if channel is None:
                continue
            odd = odd_rows(log.t, column.values, channel.least, channel.most, channel.jump)
            if odd:
                said.append(f"{channel.words}, row {odd[0][0] + 1} of '{log.name}': {odd[0][1]} ({len(odd)} rows)")
    flags = [f"'{log.name}': {f}" for _, log in runs.logs for f in log.flags]
    both = [*said, *flags]
    yield verdict(
        "watch" if both else "ok",
        counted(len(both), "One thing in the logs cannot be right", "{n} things in the logs cannot be right")
        if both
        else "Nothing in the logs is out of what is possible",
        "{w}. Such rows are kept and flagged; limits do not read what no sensor can read."
        if both
        else "That a quiet sensor repeats itself proves nothing.",
        n=q(len(both), "count"),
        w=word("; ".join(both[:5])),
    )


@rule(
    "prove.simulated",
    "Readings that are simulated",
    limit="none ok, else watch",
    source="this program's rule",
    mark="proposed",
    settles=measure("Read it on a real run."),
)
def simulated(runs: Readings) -> Iterable[Verdict]:
    fake, whole = runs.simulated
    if whole == 0:
        return
    yield verdict(
        "watch" if fake else "ok",
        "{f} of {n} readings are simulated: they prove nothing" if fake else "No reading is simulated",
        "They stand apart, pass no card, release no hold and are compared with nothing." if fake else "As marked.",
        f=q(fake, "count"),
        n=q(whole, "count"),
    )
