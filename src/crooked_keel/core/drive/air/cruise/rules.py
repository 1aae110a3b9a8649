"""Findings of level flight, of the climb at height, and of a dive with the throttle shut."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ....errors import CannotSay, Gap, ask_all, or_none
from ....figure.reads import read
from ....judging.band import at_least, at_most, band, kept, told
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust, decide, measure
from ....physics.blades import ideal_efficiency
from ...matters import CLIMB_THERE, CRUISE
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
    settles=decide("Cruise slower or lighter; or more pitch, where it still climbs with it."),
    looks_at=CRUISE,
)
def cruise(cruise: Cruise) -> Iterable[Verdict]:
    if not cruise.begun:
        return
    (now,), given = ask_all(lambda: (cruise.now,), lambda: cruise.gives)
    terms = cruise.asked_terms(True)
    asked = level_power(*terms)
    if now is None:
        yield verdict(
            told(asked, "power", "stop", "its propeller does not hold it at any speed"),
            "Its propeller does not hold {v} level",
            "{p} of useful power is asked for there, more than it gives at any speed of the curve. Cruise slower, or "
            "carry more pitch.",
            working=level_power.working(*terms),
            v=q(cruise.airspeed, "road_speed"),
            p=q(asked, "power"),
        )
        return
    share = now.power / given
    doubt = 2 * share * math.hypot(BURN_DOUBT / 2, cruise.flown_doubt)
    judged = band(share, "percent", ok=at_most(0.80), watch=at_most(1.0), doubt=doubt)
    yield verdict(
        judged,
        "Cruise takes {s} of what lasts there",
        "{p} at {n} for {v} at {h}, in the heaviest loading; {g} lasts there. By the climb and the level speed that "
        "were flown before, and a generic blade: wind, a new cowl's drag and cooling are not looked at.",
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
    settles=decide("Less weight, a lower way, or a unit that keeps its power at height."),
    looks_at=CLIMB_THERE,
)
def there(cruise: Cruise) -> Iterable[Verdict]:
    if not cruise.begun:
        return
    rate = cruise.climb(True)
    judged = band(rate.value, "climb", ok=at_least(EASY_M_S), watch=at_least(CEILING_M_S), doubt=2 * rate.u)
    before = or_none(lambda: cruise.climb(False))
    yield verdict(
        judged,
        "Climbs {r} ±{d} at {h}" if rate.value >= 0 else "Sinks {r} ±{d} at full throttle, at {h}",
        "In the heaviest loading, full throttle, at the airspeed shown of its best climb, on a day as hot as was said"
        + (". " if before is None else _BEFORE[before.value < 0])
        + "Ice, turbulence and a mixture that is not leaned are not looked at.",
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
    settles=decide("A slower cruise, more tank, or shorter legs; never less reserve."),
)
def lasts(cruise: Cruise) -> Iterable[Verdict]:
    if not cruise.begun:
        return
    time = cruise.time(True)
    before = or_none(lambda: cruise.time(False)) if cruise.battery is None else None
    beside = or_none(lambda: cruise.beside_before) if cruise.battery is None else None
    judged = kept(time.value, "hours", at_least(0.0), 2 * time.u)
    judged = judged.or_by("stop", "its doubt reaches to nothing", time.value - 2 * time.u <= 0)
    if judged.level != "stop":
        judged = (
            judged.or_by("watch", "how long it was before is not known")
            if beside is None
            else band(beside[0], "percent", ok=at_least(0.9), doubt=2 * beside[1])
        )
    level = judged.level
    yield verdict(
        judged,
        "At cruise {t} until the reserve" if level != "stop" else "The reserve is as much as there is",
        ("Before it was {b}. " if before is not None else "How long it was before is not said. ")
        + "{r} in still air at {v}, "
        + ("with {o} kept" if cruise.battery is None else "with what is not used of the packs kept")
        + ". Start, climb, wind and a detour are not taken off.",
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
    settles=adjust("Coarser blades, a lower speed never to be passed, or a governor that holds it."),
)
def overspeed(cruise: Cruise, match: AirMatch) -> Iterable[Verdict]:
    if not cruise.begun or match.train.electric:
        return
    driven, lasting = ask_all(lambda: cruise.driven, lambda: cruise.lasting_speed)
    share = driven / lasting
    judged = band(share, "percent", ok=at_most(1.0), watch=at_most(_DIVE), doubt=match.doubt * share)
    yield verdict(
        judged,
        "At {v} the air turns it to {n}, throttle shut",
        "{l} is what it may turn for ever. The air drives the propeller; what the unit takes to be turned is taken at "
        "its least. Open the throttle in a dive and it is more.",
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
    settles=measure("Ask at which speed and power it was measured, and by whom."),
)
def claimed(cruise: Cruise, match: AirMatch) -> Iterable[Verdict]:
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
        judged,
        "{c} is claimed, the disc allows {m}",
        "At {v} with the power of the cruise. What the disc allows no propeller reaches: drag of the blades and the "
        "swirl behind them come off it."
        + (" A maker's figure above it was taken at another speed, or is not true." if judged.level == "stop" else ""),
        c=q(figure.si, "percent"),
        m=q(most, "percent"),
        v=q(cruise.airspeed, "road_speed"),
    )
