"""Findings of an electric unit: pack, voltage, what lasts, range."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import ask_all
from ...figure.trace import need
from ...judging.band import at_least, band
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
from ...resolved.craft import Resolved
from ..train.quantities import Train
from .functions import electric_range, pack_power, sea_range
from .quantities import OnBattery


@rule(
    "drive.pack",
    "Pack against the motor",
    limit="pack power above the peak ok, above the continuous power watch, less stop",
    source="definition of power",
    mark="statics",
)
def pack(battery: OnBattery, train: Train) -> Iterable[Finding]:
    if not train.electric:
        return
    ask_all(lambda: battery.pack_terms, lambda: train.power)
    given, peak = pack_power(*battery.pack_terms) * battery.motor_efficiency, train.unit.peak_power
    wanted = peak.si if peak else train.power
    judged = band(given, "power", ok=at_least(wanted), watch=at_least(train.power))
    yield verdict(
        "drive.pack",
        judged.level,
        "The pack gives {g} at the shaft",
        "{v} and {i}, motor and controller taken as {e}. Motor: {c} continuous"
        + (", {p} peak." if peak else ". Peak not entered.")
        + " Sag of the pack is not taken off.",
        compared=judged.compared,
        working=pack_power.working(*battery.pack_terms),
        g=q(given, "power"),
        v=q(battery.voltage, "voltage"),
        i=q(battery.current, "current"),
        e=q(battery.motor_efficiency, "percent"),
        c=q(train.power, "power"),
        p=q(wanted, "power"),
    )


@rule(
    "drive.voltage",
    "Pack voltage against the controller",
    limit="fully charged 0.95 of its limit or less ok, to the limit watch, above stop",
    source="maker of the controller; 0.95: common practice",
    mark="common practice",
)
def voltage(battery: OnBattery, train: Train) -> Iterable[Finding]:
    if not train.electric:
        return
    limit = lambda: (
        need(
            train.unit.voltage_limit,
            train.p("unit/voltage_limit"),
            f"highest voltage of the controller ({train.name})",
        ).si
    )
    most, volts = ask_all(limit, lambda: battery.full_voltage)
    level: Level = "ok" if volts <= 0.95 * most else "watch" if volts <= most else "stop"
    yield verdict(
        "drive.voltage",
        level,
        "Fully charged {v}, controller stands {l}",
        "{n}, {j}. High voltage kills: isolate, lock, test dead, and leave it to people licensed for it.",
        compared=Compared(value=volts, dimension="voltage", hi=most),
        v=q(volts, "voltage"),
        l=q(most, "voltage"),
        n=word("One pack" if len(battery.packs) == 1 else f"{len(battery.packs)} packs"),
        j=word("alone" if len(battery.packs) == 1 else battery.joined),
    )


@rule(
    "drive.continuous",
    "Cruise against continuous power",
    limit="the continuous power or less ok, more stop",
    source="maker of the motor: a peak rating is for its time only",
    mark="statics",
)
def continuous(battery: OnBattery, train: Train, resolved: Resolved) -> Iterable[Finding]:
    if not train.electric or resolved.has("air propeller"):
        return
    ask_all(lambda: train.power, battery.cruise_power)
    asked, given = battery.cruise_power(), train.power
    share = asked / given if given > 0 else math.inf
    level: Level = "ok" if share <= 1.0 else "stop"
    time = train.unit.peak_time
    yield verdict(
        "drive.continuous",
        level,
        "Cruise asks {a}, the motor gives {g} all day",
        ("Its peak is good for {t} only." if time else "How long its peak lasts is not entered.")
        + " Heat goes with torque: a slow steep hill burns a motor that cruises cool.",
        compared=Compared(value=asked, dimension="power", hi=given),
        a=q(asked, "power"),
        g=q(given, "power"),
        t=q(time.si if time else 0.0, "time"),
    )


@rule(
    "drive.range",
    "Range, with its assumptions",
    limit="shown, not judged",
    source="mechanics",
    mark="statics",
)
def range_rule(battery: OnBattery, train: Train, resolved: Resolved) -> Iterable[Finding]:
    if not train.electric or resolved.has("air propeller"):
        return
    if resolved.has("driven wheel"):
        terms = battery.range_terms
        yield verdict(
            "drive.range",
            "ok",
            "Range {r} at cruise",
            "Of {e} aboard {k} is used; motor and controller {m}, drive {d}; level, no wind, steady; road load as "
            "entered. Cold, hills and starts take more.",
            working=electric_range.working(*terms),
            r=q(electric_range(*terms), "distance"),
            e=q(battery.energy, "energy"),
            k=q(battery.depth, "percent"),
            m=q(battery.motor_efficiency, "percent"),
            d=q(train.efficiency, "percent"),
        )
        return
    sea = battery.sea_terms
    yield verdict(
        "drive.range",
        "ok",
        "Range {r} at {v}",
        "Of {e} aboard {k} is used; motor and controller {m}; power as the cube of speed from the speed expected "
        "at full power; still water, clean hull.",
        working=sea_range.working(*sea),
        r=q(sea_range(*sea), "sea_distance"),
        v=q(sea[0], "sea_speed"),
        e=q(battery.energy, "energy"),
        k=q(battery.depth, "percent"),
        m=q(battery.motor_efficiency, "percent"),
    )
