"""Findings of the high voltage."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...judging.band import at_least, at_most, band, kept, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy, decide, measure
from ..current.functions import ampacity
from .functions import discharge_time, precharge_peak, precharge_time
from .quantities import VoltageLane

CAUTION = "High voltage kills: isolate, lock, wait, prove dead; two people, and only those licensed for it."


@rule(
    "systems.voltage-isolation",
    "Isolation of the pack from the frame",
    limit="500 Ω/V or more ok; 100 Ω/V or more watch where extra barriers of the AC side are recorded; less stop",
    source="ISO 6469-3, UN R100 (from memory)",
    mark="from memory",
    settles=measure(
        "Find the leak: open the circuit part by part, from the service plug on, by a person licensed for it."
    ),
)
def isolated(voltage: VoltageLane) -> Iterable[Verdict]:
    if voltage.low:
        return
    per_volt = voltage.isolation_per_volt
    judged = band(
        per_volt,
        "resistance_per_volt",
        ok=at_least(500.0),
        watch=at_least(100.0 if voltage.h.barriers == "yes" else 500.0),
    )
    level = judged.level
    yield verdict(
        judged,
        "{r} from the frame" if level != "stop" else "{r} from the frame: do not energise",
        "500 Ω/V is asked, 100 where the motor's side has barriers of its own. Wet and warm it is less. " + CAUTION,
        r=q(per_volt, "resistance_per_volt"),
    )


@rule(
    "systems.voltage-precharge",
    "Pre-charge resistor",
    limit="half of its rating at switch-on and with a shorted link ok, its rating watch, more stop",
    source="Ohm's law; half: common practice",
    mark="common practice",
    settles=buy("A resistor that stands the pulse, and a cut-off after two tries."),
)
def precharge(voltage: VoltageLane) -> Iterable[Verdict]:
    if voltage.low:
        return
    resistor, rating, volts, t95 = ask_all(
        lambda: voltage.resistor,
        lambda: voltage.read(
            voltage.h.resistor_rating, voltage.p("resistor_rating"), "pulse that the resistor may take"
        ),
        lambda: voltage.pack,
        lambda: voltage.t95,
    )
    peak = precharge_peak(volts, resistor.si - 2 * resistor.u)
    least = max(rating.si - 2 * rating.u, 0.0)
    judged = band(peak, "small_power", ok=at_most(0.5 * least), watch=at_most(least))
    longest = max(1.0, 3 * t95)
    yield verdict(
        judged,
        "The resistor takes {p} at switch-on, may take {r}",
        "95 % after {t}. With a shorted link it takes that for {l}, {e} in all, unless something cuts it off sooner. "
        "Two tries, then it cools.",
        working=precharge_time.working(resistor.si, voltage.capacitance.si),
        p=q(peak, "small_power"),
        r=q(rating.si, "small_power"),
        t=q(t95, "short_time"),
        l=q(longest, "short_time"),
        e=q(peak * longest, "small_energy"),
    )


@rule(
    "systems.voltage-discharge",
    "Time until the link is below 60 V",
    limit="5 s or less active, 120 s or less passive ok; longer stop",
    source="UN R100 and design practice (from memory)",
    mark="from memory",
    settles=buy("A smaller bleeder resistor, or an active discharge."),
)
def discharges(voltage: VoltageLane) -> Iterable[Verdict]:
    if voltage.low:
        return
    way, time = ask_all(
        lambda: voltage.chosen(
            voltage.h.discharge, "discharge", "whether the link is emptied actively or by a bleeder"
        ),
        lambda: voltage.discharge,
    )
    most = 5.0 if way == "active" else 120.0
    bleeder = voltage.h.bleeder
    yield verdict(
        kept(time, "short_time", at_most(most)),
        "Below 60 V after {t}",
        "{m} is asked, {w}. A magnet motor that turns fills the link again. Wait that long and prove it dead. "
        + CAUTION,
        working=discharge_time.working(bleeder.si if bleeder else 0.0, voltage.capacitance.si, voltage.pack),
        t=q(time, "short_time"),
        m=q(most, "short_time"),
        w=word(way),
    )


@rule(
    "systems.voltage-fuse",
    "Main fuse of the pack",
    limit="for direct current, volts of the full pack, breaking its short circuit, not over the cable, ok; else stop",
    source="common practice, no source; ampacity ABYC E-11 (from memory)",
    mark="common practice",
    settles=buy("A fuse for the pack's direct voltage and its short circuit; one more in its middle."),
)
def fuse(voltage: VoltageLane) -> Iterable[Verdict]:
    if voltage.low:
        return
    h = voltage.h
    (sort, cable), (volts, breaks, rated, inside), (pack, taken) = ask_all(
        lambda: ask_all(
            lambda: voltage.chosen(h.fuse_for, "fuse_for", "whether the main fuse is for direct current"),
            lambda: voltage.chosen(h.cable, "cable", "size of the pack's cable"),
        ),
        lambda: ask_all(
            lambda: voltage.read(h.fuse_volts, voltage.p("fuse_volts"), "voltage of the main fuse"),
            lambda: voltage.read(h.fuse_breaks, voltage.p("fuse_breaks"), "current that the main fuse can break"),
            lambda: voltage.read(h.fuse, voltage.p("fuse"), "rating of the main fuse"),
            lambda: voltage.read(h.inside, voltage.p("inside"), "resistance inside the pack"),
        ),
        lambda: ask_all(lambda: voltage.pack, lambda: voltage.battery.current),
    )
    short = pack / (inside.si - min(2 * inside.u, 0.5 * inside.si))
    carries = ampacity(cable, False, 1.0)
    wrong = [
        words
        for words, there in (
            ("it is made for alternating current: its arc does not go out", sort != "direct current"),
            ("it is made for less than the full pack", volts.si < pack),
            ("it cannot break a short circuit", breaks.si < short),
            ("the cable burns before it does", rated.si > carries),
            ("it blows in use", rated.si < 1.25 * taken),
        )
        if there
    ]
    yield verdict(
        kept(rated.si, "current", within(1.25 * taken, carries)).or_by("stop", wrong[0] if wrong else "", bool(wrong)),
        "The main fuse does not guard the pack" if wrong else "Main fuse {f}, {v}",
        ("{w}. " if wrong else "")
        + "Pack {p} full, up to {s} in a short circuit, {i} drawn; cable {c}. One at the pack, one in its middle "
        "with the service plug.",
        f=q(rated.si, "current"),
        v=q(volts.si, "voltage"),
        w=word("; ".join(w[0].upper() + w[1:] for w in wrong)),
        p=q(pack, "voltage"),
        s=q(short, "current"),
        i=q(taken, "current"),
        c=word(cable),
    )


@rule(
    "systems.voltage-interlock",
    "Interlock loop",
    limit="through every cover and plug ok, none stop",
    source="ISO 6469-3 (from memory)",
    mark="from memory",
    settles=buy("A loop of thin wire through every cover and plug, that holds the contactors."),
)
def interlock(voltage: VoltageLane) -> Iterable[Verdict]:
    if voltage.low:
        return
    what = "whether an interlock goes through every cover and plug"
    said = voltage.chosen(voltage.h.interlock, "interlock", what)
    yield verdict(
        "ok" if said == "yes" else "stop",
        "An interlock goes through every cover and plug" if said == "yes" else "No interlock",
        (
            "As said; opened at each cover in turn before the first run. "
            if said == "yes"
            else "A cover that is opened must open the contactors. "
        )
        + CAUTION,
    )


@rule(
    "systems.voltage-moving",
    "A fault while the craft moves",
    limit="chosen ok; in the air not chosen is stop",
    source="proposed",
    mark="proposed",
    settles=decide("Choose what a fault does in flight, on the ground, and write it down."),
)
def moving(voltage: VoltageLane) -> Iterable[Verdict]:
    if voltage.low:
        return
    said, flies = voltage.h.moving, voltage.resolved.has("cg limits")
    if said is None and not flies:
        return
    yield verdict(
        "stop" if said is None else "ok",
        "What a fault does in flight is not chosen" if said is None else "A fault while moving: it {s}",
        "Power that is cut can be worse than the fault. It is a choice, made on the ground, and written in the "
        "manual. An emergency stop always cuts.",
        s=word(said or ""),
    )
