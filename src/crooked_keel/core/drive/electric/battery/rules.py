"""Findings of an electric unit: pack, voltage, what lasts, range."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import NamedTuple

from ....document import Pack
from ....errors import CannotSay, Gap, ask_all
from ....figure.trace import above_zero, need
from ....judging.band import at_least, at_most, band, beyond, kept
from ....judging.finding import LeftOut, Param, q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy, measure
from ....resolved.craft import Resolved
from ...train.quantities import Train
from .functions import electric_range, pack_power, sea_range
from .quantities import APART, OnBattery

_KILLS = "High voltage kills: isolate, lock, test dead, and leave it to people licensed for it."


@rule(
    "drive.pack",
    "Pack against the motor",
    limit="pack power above the peak ok, above the continuous power watch, less stop",
    source="definition of power",
    mark="statics",
    settles=buy("Packs or a controller that give more current; or ask less of the motor."),
)
def pack(battery: OnBattery, train: Train) -> Iterable[Verdict]:
    if not train.electric:
        return
    ask_all(lambda: battery.pack_terms, lambda: train.power)
    given, peak = pack_power(*battery.pack_terms) * battery.motor_efficiency, train.unit.peak_power
    # A peak below what lasts is a rated figure in the wrong place: it says nothing of the peak.
    stands = peak is not None and peak.si >= train.power
    wanted = peak.si if peak is not None and stands else train.power
    judged = band(given, "power", ok=at_least(wanted), watch=at_least(train.power))
    blank = LeftOut()
    if not stands:
        what = f"peak power of the {train.name}" + (", not below its continuous power" if peak else "")
        blank = LeftOut(["its peak"], [Gap(train.p("unit/peak_power"), what, given=peak.entered if peak else None)])
    yield verdict(
        judged,
        "The pack gives {g} at the shaft",
        "{v} and {i}, motor and controller taken as {e}. Motor: {c} continuous"
        + (", {p} peak." if stands else ".")
        + " Sag of the pack is not taken off.",
        left_out=blank,
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
    limit="fully charged 0.95 of its limit or less ok, to the limit watch, above stop; packs side by side over 2 % "
    "apart stop",
    source="maker of the controller; 0.95 and 2 %: common practice",
    mark="common practice",
    settles=buy("A controller of a higher limit, or fewer cells in a row; side by side packs of one voltage."),
)
def voltage(battery: OnBattery, train: Train) -> Iterable[Verdict]:
    if not train.electric:
        return
    apart = battery.at_odds
    if apart is not None:
        yield verdict(
            beyond(apart[0], "voltage", at_least(apart[1] * (1 - APART)), "stop"),
            "Packs side by side of {a} and {b}",
            "Over 2 % apart: the moment they are joined the higher drives into the lower a current that nothing "
            "limits, and packs burn so. Nothing else of the voltage is judged. Packs of one voltage, one sort and one "
            "age, each charged alike before they are joined. " + _KILLS,
            a=q(apart[0], "voltage"),
            b=q(apart[1], "voltage"),
        )
        return
    limit = lambda: (
        need(
            train.unit.voltage_limit,
            train.p("unit/voltage_limit"),
            f"highest voltage of the controller ({train.name})",
        ).si
    )
    most, volts = ask_all(limit, lambda: battery.full_voltage)
    judged = band(volts, "voltage", ok=at_most(0.95 * most), watch=at_most(most))
    yield verdict(
        judged,
        "Fully charged {v}, controller stands {l}",
        "{n}, {j}. " + _KILLS,
        v=q(volts, "voltage"),
        l=q(most, "voltage"),
        n=word("One pack" if len(battery.packs) == 1 else f"{len(battery.packs)} packs"),
        j=word("alone" if len(battery.packs) == 1 else battery.joined),
    )


@rule(
    "drive.continuous",
    "Power asked against continuous power",
    limit="cruise at the continuous power or less ok, more stop; in the air the power wanted up to the peak watch",
    source="maker of the motor: a peak rating is for its time only",
    mark="statics",
    settles=buy("A motor whose lasting power covers it; or cruise more slowly."),
)
def continuous(battery: OnBattery, train: Train, resolved: Resolved) -> Iterable[Verdict]:
    if not train.electric:
        return
    if resolved.has("air propeller"):
        yield from _in_the_air(train, resolved)
        return
    ask_all(lambda: train.power, battery.cruise_power)
    asked, given = battery.cruise_power(), train.power
    judged = kept(asked, "power", at_most(given))
    level = judged.level
    time = train.unit.peak_time
    yield verdict(
        judged,
        "Cruise asks {a}, the motor gives {g} all day",
        ("Its peak is good for {t} only." if time else "How long its peak lasts is not entered.")
        + " Heat goes with torque: a slow steep hill burns a motor that cruises cool.",
        can_suggest=level == "stop",
        a=q(asked, "power"),
        g=q(given, "power"),
        t=q(time.si if time else 0.0, "time"),
    )


def _in_the_air(train: Train, resolved: Resolved) -> Iterable[Verdict]:
    """An aeroplane wants its power for the climb: what lasts gives it, or the peak for as long as that lasts."""
    unit = train.unit
    wanted = lambda: above_zero(resolved.project.need.power, "/need/power", "power wanted where it is used")
    ask_all(lambda: train.power, wanted)
    asked, given, peak, time = wanted(), train.power, unit.peak_power, unit.peak_time
    judged = band(asked, "power", ok=at_most(given), watch=at_most(max(given, peak.si if peak is not None else 0.0)))
    level = judged.level
    if level == "watch" and time is None:
        raise CannotSay(Gap(train.p("unit/peak_time"), f"how long the peak of the {train.name} lasts"))
    yield verdict(
        judged,
        "{a} is wanted, the motor gives {g} all day",
        {
            "ok": "The climb is flown with what lasts.",
            "watch": "Its peak of {p} gives it, for {t}: the climb must be over by then, and the motor cool again "
            "before the next.",
            "stop": "Not even its peak gives that." if peak is not None else "Its peak is not entered.",
        }[level],
        a=q(asked, "power"),
        g=q(given, "power"),
        p=q(peak.si if peak is not None else 0.0, "power"),
        t=q(time.si if time is not None else 0.0, "time"),
    )


@rule(
    "drive.range",
    "Range, with its assumptions",
    limit="shown, not judged",
    source="mechanics",
    mark="statics",
)
def range_rule(battery: OnBattery, train: Train, resolved: Resolved) -> Iterable[Verdict]:
    if not train.electric or resolved.has("air propeller"):
        return
    if resolved.has("driven wheel"):
        terms = battery.range_terms
        yield verdict(
            "ok",
            "Range {r} at cruise",
            "Of {e} aboard {k} is used; motor and controller {m}, drive {d}; level, no wind, steady; road load as "
            "entered; {o}. Cold, hills and starts take more.",
            working=electric_range.working(*terms),
            r=q(electric_range(*terms), "distance"),
            e=q(battery.energy, "energy"),
            k=q(battery.depth, "percent"),
            m=q(battery.motor_efficiency, "percent"),
            d=q(train.efficiency, "percent"),
            o=_others(battery),
        )
        return
    sea = battery.sea_terms
    yield verdict(
        "ok",
        "Range {r} at {v}",
        "Of {e} aboard {k} is used; motor and controller {m}; power goes with speed {p} from the speed expected at "
        "full power; {o}; still water, clean hull.",
        working=sea_range.working(*sea),
        r=q(sea_range(*sea), "sea_distance"),
        v=q(sea[0], "sea_speed"),
        e=q(battery.energy, "energy"),
        k=q(battery.depth, "percent"),
        m=q(battery.motor_efficiency, "percent"),
        p=word(_GOES[resolved.project.craft.trial.regime or "displacement"]),
        o=_others(battery),
    )


_GOES = {"displacement": "cubed", "semi-displacement": "to the 2.5th", "planing": "squared"}


def _others(battery: OnBattery) -> Param:
    """What is counted beside the motor, in words."""
    said = "other loads as entered"
    return word(said if battery.others_said else "nothing else on the packs, for other loads are not entered")


@rule(
    "drive.phase-current",
    "Phase current of the controller",
    limit="not below its battery current: a controller gives its motor more current than it takes",
    source="power is kept: at less than full voltage the current grows",
    mark="statics",
    settles=measure("Read the controller's sheet again: which current is which."),
)
def phase_current(battery: OnBattery, train: Train) -> Iterable[Verdict]:
    phase, taken = train.unit.phase_current, train.unit.battery_current
    if not train.electric or phase is None:
        return
    if taken is None:
        what = f"battery current limit of the controller ({train.name})"
        raise CannotSay(Gap(train.p("unit/battery_current"), what))
    turned = phase.si < taken.si
    yield verdict(
        band(phase.si, "current", ok=at_least(taken.si)),
        "Phase current {p} below battery current {b}: which is which?" if turned else "Phase current {p}, battery {b}",
        "Whether the motor stands it, and for how long, is its maker's to say.",
        p=q(phase.si, "current"),
        b=q(taken.si, "current"),
    )


class _Bound(NamedTuple):
    """What goes with the energy of a pack: its field, its name, what there is of it, and the most there can be."""

    part: str
    words: str
    has: float | None
    most: float
    allowed: str


def _bounds(item: Pack, energy_j: float) -> list[_Bound]:
    """What packs of today hold to a kilogram and to a litre with their cases, and give. energy_j: above zero."""
    size = [f.si for f in (item.length, item.width, item.height) if f is not None]
    litres = math.prod(size) if len(size) == 3 else 0.0
    mass = item.mass.si if item.mass is not None else 0.0
    watts = item.voltage.si * item.current.si if item.voltage is not None and item.current is not None else None
    return [
        _Bound("mass", "mass", energy_j / mass if mass else None, 0.30 * 3.6e6, "0.30 kWh/kg or less, with its case"),
        _Bound("length", "size", energy_j / litres if litres else None, 0.70 * 3.6e9, "0.70 kWh/L or less"),
        _Bound(
            "current",
            "current",
            None if watts is None else watts / energy_j * 3600,
            15.0,
            "not more than fifteen times what empties it in an hour",
        ),
    ]


@rule(
    "drive.pack-possible",
    "Packs can be what they are said to be",
    limit="0.30 kWh/kg, 0.70 kWh/L and fifteen times its energy in an hour at the most, else unknown",
    source="what cells hold today, with case and cooling: common practice, no source",
    mark="common practice",
)
def pack_possible(battery: OnBattery, train: Train) -> Iterable[Verdict]:
    if not train.electric:
        return
    for key, item in battery.packs:
        energy = item.energy.si if item.energy is not None else 0.0
        bounds = _bounds(item, energy) if energy else []
        beyond = [(b, b.has / b.most) for b in bounds if b.has is not None and b.has > b.most]
        if not beyond:
            continue
        yield verdict(
            "unknown",
            "{n}: {e} does not go with its {w}: which?",
            "That is {s} times what packs of today hold or give: {l}. Range, current and fit are judged by it.",
            subject=key,
            needs=[
                Gap(train.p(f"packs/{key}/{b.part}"), f"{b.words} of {item.name}, or its energy", allowed=b.allowed)
                for b, _ in beyond
            ],
            n=word(item.name),
            e=q(energy, "energy"),
            w=word(" and its ".join(b.words for b, _ in beyond)),
            s=q(max(times for _, times in beyond), "number"),
            l=word("; ".join(b.allowed for b, _ in beyond)),
        )
