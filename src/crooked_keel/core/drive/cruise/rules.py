"""Findings of level flight, of the climb at height, and of a dive with the throttle shut."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all, or_none
from ...figure.reads import read
from ...judging.band import at_least, at_most, band
from ...judging.finding import Compared, Finding, Level, q
from ...judging.register import rule, verdict
from ...physics.blades import ideal_efficiency
from ..match.quantities import AirMatch
from .functions import climb_there, cruise_time, level_power
from .quantities import BURN_DOUBT, Cruise

# What is left of a climb at a service ceiling, 100 ft/min, m/s: definition, from memory. And what is easy: proposed.
CEILING_M_S, EASY_M_S = 0.508, 1.5
_BEFORE = ("; before it climbed {b} there. ", "; before it sank {b} there. ")
# A dive may turn the unit beyond what it may do for ever by a tenth.
_DIVE = 1.10


@rule(
    "drive.cruise",
    "Power at cruise against what lasts there",
    limit="0.80 of what lasts there or less, with its doubt, ok; all of it watch; more, or not held, stop",
    source="blade elements, polar through what was flown; 0.80: common practice",
    mark="common practice",
    form="air propeller",
)
def cruise(cruise: Cruise) -> Iterable[Finding]:
    if not cruise.begun:
        return
    (now,), given = ask_all(lambda: (cruise.now,), lambda: cruise.gives)
    terms = cruise.asked_terms(True)
    asked = level_power(*terms)
    if now is None:
        yield verdict(
            "drive.cruise",
            "stop",
            "Its propeller does not hold {v} level",
            "{p} of useful power is asked for there, more than it gives at any speed of the curve. Cruise slower, or "
            "carry more pitch.",
            compared=Compared(asked, "power"),
            working=level_power.working(*terms),
            v=q(cruise.airspeed, "road_speed"),
            p=q(asked, "power"),
        )
        return
    share = now.power / given
    doubt = 2 * share * math.hypot(BURN_DOUBT / 2, cruise.flown_doubt)
    judged = band(share, "percent", ok=at_most(0.80), watch=at_most(1.0), doubt=doubt)
    yield verdict(
        "drive.cruise",
        judged.level,
        "Cruise takes {s} of what lasts there",
        "{p} at {n} for {v} at {h}, in the heaviest loading; {g} lasts there. By the climb and the level speed that "
        "were flown before, and a generic blade: wind, a new cowl's drag and cooling are not looked at.",
        compared=judged.compared,
        working=level_power.working(*terms),
        s=q(share, "percent"),
        p=q(now.power, "power"),
        n=q(now.speed, "rotation"),
        v=q(cruise.airspeed, "road_speed"),
        h=q(cruise.height, "altitude"),
        g=q(given, "power"),
    )


@rule(
    "drive.climb-there",
    "Climb where the power is wanted",
    limit="1.5 m/s or more, with its doubt, ok; 0.5 m/s or more watch; less stop",
    source="0.5 m/s (100 ft/min) is a service ceiling: definition, from memory; 1.5 m/s proposed",
    mark="proposed",
    form="air propeller",
)
def there(cruise: Cruise) -> Iterable[Finding]:
    if not cruise.begun:
        return
    rate = cruise.climb(True)
    judged = band(rate.value, "climb", ok=at_least(EASY_M_S), watch=at_least(CEILING_M_S), doubt=2 * rate.u)
    before = or_none(lambda: cruise.climb(False))
    yield verdict(
        "drive.climb-there",
        judged.level,
        "Climbs {r} ±{d} at {h}" if rate.value >= 0 else "Sinks {r} ±{d} at full throttle, at {h}",
        "In the heaviest loading, full throttle, at the airspeed shown of its best climb, on a day as hot as was said"
        + (". " if before is None else _BEFORE[before.value < 0])
        + "Ice, turbulence and a mixture that is not leaned are not looked at.",
        compared=judged.compared,
        working=climb_there.working(*cruise.there_terms(True)),
        r=q(abs(rate.value), "climb"),
        d=q(2 * rate.u, "climb"),
        h=q(cruise.height, "altitude"),
        b=q(abs(before.value) if before is not None else 0.0, "climb"),
    )


@rule(
    "drive.cruise-time",
    "Time at cruise",
    limit="nine tenths of the time before or longer, with the doubt of what both burn, ok; shorter watch; no more than "
    "the reserve stop",
    source="14 CFR 91.151 asks for 30 min by day, 45 by night (from memory); the reserve is yours",
    mark="from memory",
    form="air propeller",
)
def lasts(cruise: Cruise) -> Iterable[Finding]:
    if not cruise.begun:
        return
    time = cruise.time(True)
    before = or_none(lambda: cruise.time(False)) if cruise.battery is None else None
    beside = or_none(lambda: cruise.beside_before) if cruise.battery is None else None
    level: Level = "stop" if time.value - 2 * time.u <= 0 else "watch"
    if level == "watch" and beside is not None and beside[0] - 2 * beside[1] >= 0.9:
        level = "ok"
    yield verdict(
        "drive.cruise-time",
        level,
        "At cruise {t} until the reserve" if level != "stop" else "The reserve is as much as there is",
        ("Before it was {b}. " if before is not None else "How long it was before is not said. ")
        + "{r} in still air at {v}, "
        + ("with {o} kept" if cruise.battery is None else "with what is not used of the packs kept")
        + ". Start, climb, wind and a detour are not taken off.",
        compared=Compared(beside[0], "percent", lo=0.9, doubt=2 * beside[1] or None)
        if beside is not None and level != "stop"
        else Compared(time.value, "hours", lo=2 * time.u),
        working=cruise_time.working(*cruise.time_terms(True)) if cruise.battery is None else None,
        t=q(max(time.value, 0.0), "hours"),
        b=q(before.value if before is not None else 0.0, "hours"),
        r=q(max(cruise.reach(True).value, 0.0), "distance"),
        v=q(cruise.airspeed, "road_speed"),
        o=q(cruise.reserve.si if cruise.battery is None else 0.0, "hours"),
    )


@rule(
    "drive.overspeed",
    "Unit in a dive, its throttle shut",
    limit="what it may turn for ever or less ok, a tenth more watch, beyond stop",
    source="14 CFR 23.33 before amendment 64 (from memory)",
    mark="from memory",
    form="air propeller",
)
def overspeed(cruise: Cruise, match: AirMatch) -> Iterable[Finding]:
    if not cruise.begun or match.train.electric:
        return
    driven, lasting = ask_all(lambda: cruise.driven, lambda: cruise.lasting_speed)
    share = driven / lasting
    judged = band(share, "percent", ok=at_most(1.0), watch=at_most(_DIVE), doubt=match.doubt * share)
    yield verdict(
        "drive.overspeed",
        judged.level,
        "At {v} the air turns it to {n}, throttle shut",
        "{l} is what it may turn for ever. The air drives the propeller; what the unit takes to be turned is taken at "
        "its least. Open the throttle in a dive and it is more.",
        compared=judged.compared,
        v=q(cruise.dives, "road_speed"),
        n=q(driven, "rotation"),
        l=q(lasting, "rotation"),
    )


@rule(
    "drive.claimed-efficiency",
    "Efficiency that a propeller is said to have",
    limit="0.92 of what its disc allows at the cruise or less ok, to that watch, more stop",
    source="actuator disc; 0.92: common practice, no source",
    mark="common practice",
    form="air propeller",
)
def claimed(cruise: Cruise, match: AirMatch) -> Iterable[Finding]:
    figure = match.propeller.claimed
    if figure is None:
        return
    if not cruise.begun:
        raise CannotSay(Gap("/craft/flown/cruise", "airspeed of the cruise, and what was flown before"))
    held, across = ask_all(lambda: cruise.now, lambda: match.drawn.diameter_m)
    if held is None:
        raise CannotSay(Gap("/craft/flown/cruise", "a cruise that its propeller holds"))
    most = ideal_efficiency(held.power * match.efficiency, cruise.airspeed, across, cruise.there.density)
    said = read(figure, match.p("propeller/claimed"), "efficiency that is claimed", cruise.school)
    judged = band(said.si / most, "percent", ok=at_most(0.92), watch=at_most(1.0), doubt=2 * said.u / most)
    yield verdict(
        "drive.claimed-efficiency",
        judged.level,
        "{c} is claimed, the disc allows {m}",
        "At {v} with the power of the cruise. What the disc allows no propeller reaches: drag of the blades and the "
        "swirl behind them come off it."
        + (" A maker's figure above it was taken at another speed, or is not true." if judged.level == "stop" else ""),
        compared=judged.compared,
        c=q(figure.si, "percent"),
        m=q(most, "percent"),
        v=q(cruise.airspeed, "road_speed"),
    )
