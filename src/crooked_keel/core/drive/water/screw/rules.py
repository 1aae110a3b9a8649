"""Findings of a marine propeller against its unit: whether it takes the power, area of its blades, cavitation."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ....errors import ask_all, or_none
from ....judging.band import at_least, at_most, band, beyond, within
from ....judging.finding import q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy, decide, measure
from ...matters import CAVITATION
from .functions import area_wanted, loading, resistance, ten_per_cent
from .pushing import SEA_KG_M3
from .quantities import DOUBT, ScrewMatch

# Full throttle, loaded, over the rated speed: between these it takes its power; and those beside them are watched.
LOW, HIGH, LEAST, MOST = 1.00, 1.03, 0.97, 1.06
# What becomes of a unit that is held down, and of a motor.
_HELD_DOWN = (
    "An engine that is held down smokes, overheats and feels strong: speed hardly falls. ",
    "Its power is not reached: the torque that lasts gives no more. ",
)
# A diameter beside where a handbook starts: beyond these nothing is matched. Proposed.
SMALL, LARGE = 0.65, 1.6
# Above this the area is information alone, m/s; above it over-loaded blades are judged by their cavitation.
SLOW_M_S = 20 * 1852 / 3600


@rule(
    "drive.absorbs",
    "Full throttle, loaded, afloat",
    limit="1.00 to 1.03 of the rated speed, with its doubt, ok; 0.97 to 1.06 watch; beyond stop, of a motor watch; a "
    "diameter beyond 0.65 to 1.6 of where a handbook starts stop",
    source="engine makers' common practice; B-screw series, 1975 (from memory), resistance scaled from before",
    mark="common practice",
    form="marine propeller",
    settles=measure("Read full throttle afloat, loaded, clean; then another pitch, an inch at a time."),
)
def absorbs(screw: ScrewMatch) -> Iterable[Verdict]:
    if screw.placed.old:
        return
    share = or_none(lambda: screw.sea.diameter / screw.sea.quick)
    if share is not None and not SMALL <= share <= LARGE:
        yield from _far_off(screw, share)
        return
    full, rated = ask_all(lambda: screw.full, lambda: screw.train.rated_speed)
    share, doubt = full.si / rated, 2 * full.u / rated
    coarse, fine, motor = share < LEAST, share > MOST, screw.train.electric
    # A motor is not hurt by turning slower than rated at the torque that lasts: it only lacks the power.
    judged = band(share, "percent", ok=within(LOW, HIGH), watch=None if motor else within(LEAST, MOST), doubt=doubt)
    level = judged.level
    governed = not screw.was_read and screw.made.held.state == "governed"
    title = (
        "Over-propped: full throttle holds {n}, {r} is rated"
        if coarse
        else "Under-propped: full throttle runs to {n}, {r} is rated"
        if fine
        else "Full throttle comes to {n} ±{d}, {r} is rated"
    )
    read_ = "As it was read, loaded. "
    reckoned = "With tanks full and a clean hull, by the series and by what she did before. Read it once afloat. "
    yield verdict(
        judged,
        title,
        (read_ if screw.was_read else reckoned)
        + (_HELD_DOWN[motor] if coarse else "")
        + ("There it runs into its governor: more pitch would be taken. " if governed else "")
        + "Weed, a foul hull and a head sea are not in it.",
        working=None if screw.was_read else resistance.working(*screw.drag_terms(screw.made.boat_m_s)),
        can_suggest=level == "stop",
        left_out=None if screw.was_read else screw.unsaid,
        n=q(full.si, "rotation"),
        r=q(rated, "rotation"),
        d=q(2 * full.u, "rotation"),
    )


def _beside(screw: ScrewMatch) -> str:
    """How what pushes beside it was counted."""
    return (
        "The other propellers push by their own figures. "
        if screw.unlike
        else "The other propellers are as this one. "
        if screw.alike
        else ""
    )


def _far_off(screw: ScrewMatch, share: float) -> Iterable[Verdict]:
    """A propeller so far from where a handbook starts that nothing more need be known of it."""
    small = share < 1
    yield verdict(
        beyond(share, "percent", within(SMALL, LARGE), "stop"),
        "A propeller of {d} is {w} for {p}",
        "{q} at {n} is where a handbook starts for that power; between 0.65 and 1.6 of it one is matched. "
        + (
            "So small, it slips and cavitates, and the unit runs away from it."
            if small
            else "So large, it holds the unit below its speed, and overloads it."
        ),
        d=q(screw.sea.diameter, "length"),
        w=word("small" if small else "large"),
        p=q(screw.sea.shaft_power, "power"),
        q=q(screw.sea.quick, "length"),
        n=q(screw.train.propeller_speed, "rotation"),
    )


@rule(
    "drive.reaches",
    "Speed by the series against what is wanted",
    limit="0.97 of what is wanted or more, with its doubt, ok; 0.90 watch; less stop",
    source="B-screw series, 1975 (from memory), resistance scaled from before; the band: proposed",
    mark="from memory",
    form="marine propeller",
    settles=decide("A larger or slower propeller, less weight, or a speed that is content with less."),
)
def reaches(screw: ScrewMatch) -> Iterable[Verdict]:
    if screw.placed.old:
        return
    made, wanted = ask_all(lambda: screw.made, lambda: screw.sea.wanted)
    share = made.boat_m_s / wanted
    judged = band(
        share,
        "percent",
        ok=at_least(0.97),
        watch=at_least(0.90),
        doubt=math.hypot(DOUBT, 2 * screw.spread.boat) * share,
    )
    yield verdict(
        judged,
        "{v} with this propeller, {w} is wanted",
        "Full throttle, heaviest loading, where its thrust is the hull's resistance at that speed; she made {b} "
        "before. " + _beside(screw) + "A hump on the way, wind and weed are not in it.",
        can_suggest=judged.level != "ok",
        working=resistance.working(*screw.drag_terms(made.boat_m_s)),
        left_out=screw.unsaid,
        v=q(made.boat_m_s, "sea_speed"),
        w=q(wanted, "sea_speed"),
        b=q(screw.before_m_s, "sea_speed"),
    )


@rule(
    "drive.blade-area",
    "Area of the blades",
    limit="what Keller asks or more, with its doubt, ok; nine tenths watch; less stop; above 20 knots it is told alone",
    source="Keller 1966 (from memory)",
    mark="from memory",
    form="marine propeller",
    settles=buy("The same propeller with more blade, or another blade more."),
    looks_at=CAVITATION,
)
def blade_area(screw: ScrewMatch) -> Iterable[Verdict]:
    if screw.placed.old:
        return
    made, depth, of = ask_all(lambda: screw.made, lambda: screw.depth, lambda: screw.screw)
    terms = (of.blades, made.held.thrust, SEA_KG_M3, depth, of.diameter_m, 0.2 if screw.count == 1 else 0.1)
    wanted = area_wanted(*terms)
    judged = band(
        of.area_ratio / wanted,
        "percent",
        ok=at_least(1.0),
        watch=at_least(0.9),
        doubt=2 * math.hypot(0.025, screw.spread.thrust, screw.spread.area),
    )
    fast = made.boat_m_s > SLOW_M_S
    yield verdict(
        judged.eased_to("watch", "so fast the cavitation is what counts", fast and judged.level == "stop").eased_to(
            "ok", "so fast the cavitation is what counts", fast and judged.level == "watch"
        ),
        "Blades of {a} of the disc, {w} is asked",
        "For {t} of thrust with the shaft {h} under. Too little blade cavitates: more area before more pitch."
        + (" So fast the cavitation is what counts." if fast else ""),
        can_suggest=judged.level != "ok",
        working=area_wanted.working(*terms),
        left_out=screw.unsaid,
        a=q(of.area_ratio, "percent"),
        w=q(wanted, "percent"),
        t=q(made.held.thrust, "force"),
        h=q(depth, "length"),
    )


@rule(
    "drive.cavitation",
    "Cavitation of the blades' backs",
    limit="up to the line of a tenth of the back ok, to 1.2 of the cavitation number watch, beyond stop",
    source="0.494·σ^0.88, practice of fast hulls (from memory)",
    mark="from memory",
    form="marine propeller",
    settles=buy("More blade area, a larger propeller behind more reduction, or a blade more."),
    looks_at=CAVITATION,
)
def cavitation(screw: ScrewMatch) -> Iterable[Verdict]:
    if screw.placed.old:
        return
    made, depth, of, inflow = ask_all(
        lambda: screw.made, lambda: screw.depth, lambda: screw.screw, lambda: screw.inflow
    )
    shaft = made.held.speed / screw.train.ratio
    load, number = loading(
        made.held.thrust, of.diameter_m, shaft, inflow, of.pitch_ratio, of.area_ratio, depth, SEA_KG_M3
    )
    line = ten_per_cent(number)
    doubt = 2 * load * math.hypot(0.05, screw.spread.thrust, screw.spread.area)
    judged = band(load, "number", ok=at_most(min(line, 1.2 * number)), watch=at_most(1.2 * number), doubt=doubt)
    level = judged.level
    fine = level == "ok"
    yield verdict(
        judged,
        "Little of the blades cavitates" if fine else "The blades' backs cavitate",
        "Loading {l} at a cavitation number of {s}; a tenth of the back goes at {t}. "
        + (
            "The series promises too much there; more area, a larger propeller or a slower shaft. "
            if level != "ok"
            else ""
        )
        + "Nicked edges, a strut ahead of it and a steep shaft bring it on sooner.",
        can_suggest=level != "ok",
        left_out=screw.unsaid,
        l=q(load, "number"),
        s=q(number, "number"),
        t=q(line, "number"),
    )
