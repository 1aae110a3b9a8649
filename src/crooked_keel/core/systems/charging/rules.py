"""Findings of the charging: voltage, time, what a lithium bank takes, and banks that empty one another."""

from __future__ import annotations

from collections.abc import Callable, Iterable

from ...document.systems import Bank
from ...errors import ask_all
from ...judging.band import at_most, band, never_ok, within
from ...judging.finding import Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, one_by_one
from ..current.quantities import CurrentLane
from ..matters import CHARGING
from .functions import NOTHING_V, OVER_V, time_to_fill
from .quantities import Charging

_GENERATOR = "generator of the unit"


def _each(current: CurrentLane, judge: Callable[[Charging, Subject[Bank]], Iterable[Verdict]]) -> list[Verdict]:
    """Every battery judged; none of a lane that is not begun, nor of a motor, whose pack feeds them."""
    if not current.begun or current.electric:
        return []
    charging = Charging(current)
    return one_by_one([Subject(k, b.name, b) for k, b in current.banks], lambda s: judge(charging, s))


@rule(
    "systems.charge-voltage",
    "Charging voltage of each battery",
    limit="of 12 V, with its ±: lead 14.1 to 14.8, mat to 14.7, lithium 13.8 to 14.6 ok; 0.2 over, or down to 13.2, "
    "watch; beyond stop",
    source="common practice, no source: the battery's maker governs",
    mark="common practice",
    settles=adjust("Set the regulator by its battery's maker, and read it at the battery."),
    looks_at=CHARGING,
)
def voltage(current: CurrentLane) -> Iterable[Verdict]:
    yield from _each(current, _voltage)


def _voltage(charging: Charging, s: Subject[Bank]) -> Iterable[Verdict]:
    if charging.said(s.key, s.of) != _GENERATOR:
        return
    wants, volts = ask_all(lambda: charging.wants(s.key, s.of), lambda: charging.at_bank(s.key, s.of))
    v, doubt = volts.value, 2 * volts.u
    scale = charging.current.voltage / 12
    fills, most = wants.fills_v * scale, wants.most_v * scale
    judged = band(
        v * scale,
        "fine_voltage",
        ok=within(fills, most),
        watch=within(NOTHING_V * scale, most + OVER_V * scale),
        doubt=doubt * scale,
    )
    level = judged.level
    yield verdict(
        judged,
        "{n} is charged at {v}; its cells want {a} to {b}",
        (
            ""
            if level == "ok"
            else "More dries it or swells it. "
            if v + doubt > wants.most_v
            else "It never comes full. "
        )
        + "At 20 °C; a hot battery wants less. By its maker where that differs.",
        subject=s.key,
        can_suggest=level != "ok",
        n=word(s.name),
        v=q(v * scale, "fine_voltage"),
        a=q(wants.fills_v * scale, "fine_voltage"),
        b=q(wants.most_v * scale, "fine_voltage"),
    )


@rule(
    "systems.charge-time",
    "Batteries full again",
    limit="within the time the unit runs, with its ±, ok; half as long again watch; longer, or never, stop",
    source="charge; 1.4 put in for 1 taken of lead, 1.05 of lithium: common practice",
    mark="common practice",
    settles=buy("A larger generator, a charger ashore, or less drawn between two runs."),
    looks_at=CHARGING,
)
def time(current: CurrentLane) -> Iterable[Verdict]:
    yield from _each(current, _time)


def _time(charging: Charging, s: Subject[Bank]) -> Iterable[Verdict]:
    by = charging.said(s.key, s.of)
    if by == "charger ashore":
        return
    if by == "nothing yet":
        yield verdict(
            "stop",
            "Nothing charges {n}",
            "It goes flat, and what hangs on it with it: fit a generator, a converter or a charger ashore.",
            subject=s.key,
            n=word(s.name),
        )
        return
    if s.of.purpose == "ignition":  # drawn on when charging fails, not each time
        return
    spare = charging.spare()
    if spare.value <= 0:
        yield verdict(
            "stop",
            "At cruise the generator has nothing left for {n}",
            "What runs takes {d} more than it gives.",
            subject=s.key,
            can_suggest=True,
            n=word(s.name),
            d=q(-spare.value, "fine_current"),
        )
        return
    made = charging.filling(s.key, s.of)
    doubt = 2 * (made.time.u**2 + made.within.u**2) ** 0.5
    judged = band(
        made.time.value, "hours", ok=at_most(made.within.si), watch=at_most(1.5 * made.within.si), doubt=doubt
    )
    taken = charging.taken(s.key, s.of)
    yield verdict(
        judged,
        "{n} is full again after {t}, {w} are had",
        "{i} are left at cruise, for all batteries together, an ignition's own not counted. A cold one takes longer; "
        "what stands for weeks empties by itself.",
        subject=s.key,
        working=time_to_fill.working(taken.value, 1.0, taken.value / made.time.value),
        can_suggest=judged.level != "ok",
        n=word(s.name),
        t=q(made.time.value, "hours"),
        w=q(made.within.si, "hours"),
        i=q(made.left_a.value, "fine_current"),
    )


@rule(
    "systems.charge-lithium",
    "What a lithium battery takes of a generator",
    limit="what the generator gives within what the battery bears, with its ±, watch; more stop; by a converter ok",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A regulator that feels the generator's heat, or a converter between."),
)
def lithium(current: CurrentLane) -> Iterable[Verdict]:
    yield from _each(current, _lithium)


def _lithium(charging: Charging, s: Subject[Bank]) -> Iterable[Verdict]:
    if s.of.cells != "lithium":
        return
    by = charging.said(s.key, s.of)
    if by not in (_GENERATOR, "converter from another bank"):
        return
    if by != _GENERATOR:
        yield verdict(
            "ok",
            "A converter limits what {n} takes",
            "Its own limit, and its heat, are its maker's.",
            subject=s.key,
            n=word(s.name),
        )
        return
    c = charging.current
    most, gives, volts = ask_all(
        lambda: c.read(
            s.of.most_current,
            c.p(f"banks/{s.key}/most_current"),
            f"charging current {s.name} bears, by its maker",
        ),
        lambda: c.source("cruise"),
        charging.regulated,
    )
    given, doubt = gives.si / volts.si, 2 * gives.u / volts.si + 2 * most.u
    over = given + doubt > most.si
    yield verdict(
        never_ok(
            given, "fine_current", watch=at_most(most.si), ground="it takes all that the generator gives", doubt=doubt
        ).or_by("stop", "its doubt reaches over what it bears", over),
        "{n} takes all the generator gives, {g}; it bears {m}" if over else "{n} takes all the generator gives, {g}",
        "Lead holds back, lithium does not: the generator runs flat out, hottest at idle, and burns unless its "
        "regulator feels its heat. When the battery cuts itself off, the voltage jumps.",
        subject=s.key,
        can_suggest=True,
        n=word(s.name),
        g=q(given, "fine_current"),
        m=q(most.si, "fine_current"),
    )


@rule(
    "systems.charge-parted",
    "Whether one battery empties another",
    limit="start and ignition parted from the rest by relay, diodes or converter ok; by a switch, or lithium beside "
    "lead on a relay, watch; joined for good stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A relay that parts them, tried with the start battery pulled down."),
)
def parted(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun or current.electric or len(current.banks) < 2:
        return
    charging = Charging(current)
    own = [(k, b) for k, b in charging.driven if b.charged_by == _GENERATOR]
    if len(own) < 2 or not any(b.purpose in ("start", "ignition") for _, b in own):
        return
    through = ask_all(*(lambda k=k, b=b: charging.through(k, b) for k, b in own))
    # One that is joined for good is the generator's own bank; a second one with it is one bank with it.
    joined = [b.name for (_, b), t in zip(own, through, strict=True) if t == "wire, joined for good"]
    by_hand = "switch by hand" in through
    cells = {b.cells for _, b in own}
    mixed = "lithium" in cells and len(cells) > 1 and "relay that parts them" in through
    level: Level = "stop" if len(joined) > 1 else "watch" if by_hand or mixed else "ok"
    yield verdict(
        level,
        "{n} are one battery: what empties one empties all"
        if len(joined) > 1
        else "{n} are parted when nothing charges",
        "A switch is forgotten, and turned while it runs it may burn the diodes of the generator."
        if by_hand and level == "watch"
        else "Lithium stands above lead: the relay joins them at the wrong time. A converter between them."
        if level == "watch"
        else "Relay and diodes were not tried: pull the start battery's voltage down and look.",
        can_suggest=level != "ok",
        n=word(", ".join(joined if len(joined) > 1 else [b.name for _, b in own])),
    )
