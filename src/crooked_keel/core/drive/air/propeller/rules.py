"""Findings of an air propeller."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import CannotSay, Gap, ask_all
from ....figure.trace import above_zero
from ....judging.band import at_least, at_most, band, beyond, told, within
from ....judging.finding import q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy, measure
from ....resolved.installation import ResolvedInstallation
from ...train.quantities import Train
from .functions import ground_clearance, helical_mach, ideal_thrust, tip_mach
from .quantities import AT_HEIGHT, FAST_M_S, AirPropeller


@rule(
    "drive.tip-mach",
    "Tip Mach",
    limit="the school chosen (0.80, 0.85 or 0.90), with airspeed and height; 0.03 over is watch, more stop",
    source="common practice: schools 0.80, 0.85, 0.90; kinematics",
    mark="common practice",
    form="air propeller",
    settles=buy("A smaller propeller with more blades, or more reduction."),
)
def tip_mach_rule(air: AirPropeller, train: Train) -> Iterable[Verdict]:
    standing, limit, airspeed = air.mach, air.mach_limit, air.airspeed
    mach = standing if airspeed is None else air.mach_at(airspeed)
    judged = band(mach, "number", ok=at_most(limit), watch=at_most(limit + 0.03))
    level = judged.level
    if level == "ok" and air.resolved.project.need.altitude is None and mach * AT_HEIGHT > limit:
        raise CannotSay(Gap("/need/altitude", "height where the power is wanted: at sea level the tips are near it"))
    height = " at {h}" if air.height_m > 0 else " at sea level"
    if airspeed is not None:
        said = "{d} at {n}, flying {v}" + height + ". The chosen school allows {limit}; standing it is {s}."
    else:
        said = "{d} at {n}, standing" + height + ". The chosen school allows {limit}, reached in flight at {most}."
        if level == "ok" and air.airspeed_allowed < FAST_M_S:
            pointer = "/craft/airspeed"
            raise CannotSay(Gap(pointer, "fastest airspeed at full power: standing the tips are near what is allowed"))
    yield verdict(
        judged,
        "Tips run at Mach {m}",
        said,
        working=tip_mach.working(air.diameter, train.fastest, air.sound)
        if airspeed is None
        else helical_mach.working(standing, airspeed, air.sound),
        can_suggest=level != "ok",
        m=q(mach, "number"),
        d=q(air.diameter, "length"),
        n=q(train.fastest, "rotation"),
        limit=q(limit, "number"),
        s=q(standing, "number"),
        v=q(airspeed or 0.0, "road_speed"),
        most=q(air.airspeed_allowed, "road_speed"),
        h=q(air.height_m, "altitude"),
    )


@rule(
    "drive.ground-clearance",
    "Propeller over the ground",
    limit="229 mm tailwheel, 178 mm nose wheel; 25 mm in hand or watch; level, nose down, and tail down of a pusher",
    source="14 CFR 23.925 before amendment 64 (from memory)",
    mark="from memory",
    form="air propeller",
    settles=buy("A smaller propeller with more blades; or taller gear."),
)
def ground_clearance_rule(air: AirPropeller) -> Iterable[Verdict]:
    clearance, attitude = air.worst_clearance
    wanted = air.clearance_wanted
    judged = band(clearance, "length", ok=at_least(wanted + 0.025), watch=at_least(wanted))
    level = judged.level
    yield verdict(
        judged,
        "{c} under the tips",
        "{a}. {w} is asked, wheels and struts as they stand loaded; a flat tyre is judged by itself.",
        working=ground_clearance.working(*air.hub, attitude, air.diameter),
        can_suggest=level != "ok",
        c=q(clearance, "length"),
        w=q(wanted, "length"),
        a=word(
            "Level"
            if attitude == 0
            else "In the steepest nose-down attitude"
            if attitude < 0
            else "With the tail down, as far as it goes"
        ),
    )


# Left under the tips on a flat tyre, m. Proposed.
FLAT_M = 0.025


@rule(
    "drive.flat-tyre",
    "Propeller over the ground, a tyre flat",
    limit="25 mm or more left, with its doubt, level, a tyre flat and its strut on its stop, ok; any watch; none stop",
    source="14 CFR 23.925 before amendment 64 (from memory) asks for positive clearance; 25 mm proposed",
    mark="from memory",
    form="air propeller",
    settles=buy("A smaller propeller with more blades or pitch; or taller gear, as approved."),
)
def flat_tyre(air: AirPropeller) -> Iterable[Verdict]:
    level_, drop = ask_all(lambda: air.clearance(0.0), lambda: air.gear_drop)
    left = level_ - drop.si
    judged = band(left, "length", ok=at_least(FLAT_M), watch=at_least(1e-3), doubt=2 * drop.u)
    yield verdict(
        judged,
        "{c} are left under the tips on a flat tyre" if left > 0 else "The tips strike on a flat tyre",
        "Level, {l} less {d}, with the strut on its stop. Grass, ruts and a nose that dips then are not in it.",
        can_suggest=judged.level != "ok",
        c=q(left, "length"),
        l=q(level_, "length"),
        d=q(drop.si, "length"),
    )


@rule(
    "drive.blades",
    "Blades given",
    limit="number of blades",
    source="maker of the propeller",
    mark="statics",
    form="air propeller",
    settles=measure("Count the blades."),
)
def blades(train: Train, placed: ResolvedInstallation) -> Iterable[Verdict]:
    count = placed.installation.propeller.blades
    if count is None:
        raise CannotSay(Gap(train.p("propeller/blades"), f"number of blades ({train.name})"))
    if count.si < 2:
        yield verdict("watch", "A one-bladed propeller", "Was one blade meant?")
    else:
        yield verdict(
            "ok",
            "{n} blades",
            "Power absorbed and thrust are not judged here yet.",
            n=q(count.si, "count"),
        )


# Densities in which a propeller is asked what it can pull, kg/m³: ISA sea level, sea water.
_AIR, _SEA = 1.225, 1025.0


@rule(
    "drive.thrust-possible",
    "Thrust given against what can be",
    limit="not above the ideal propeller's at the greatest power, else unknown; not under 0.3 of it, else watch",
    source="momentum theory (from memory); 0.3: proposed",
    mark="proposed",
    settles=measure("Pull the craft against a scale at full power, chocked, or ask the maker."),
)
def thrust_possible(train: Train, placed: ResolvedInstallation) -> Iterable[Verdict]:
    given = placed.installation.mount.thrust
    if given is None or not (placed.references.has("air propeller") or placed.references.has("marine propeller")):
        return  # the mount asks for it
    of, what = f"of the propeller ({train.name})", f"greatest thrust of the propeller ({train.name})"
    size = lambda: above_zero(placed.installation.propeller.diameter, train.p("propeller/diameter"), f"diameter {of}")
    diameter, claims = ask_all(size, lambda: train.claims)
    peak = train.unit.peak_power
    power = max([p for p, _ in claims] + ([peak.si] if peak is not None else []))
    density = _AIR if placed.references.has("air propeller") else _SEA
    most = ideal_thrust(density, diameter, power)
    if 0.3 * most <= given.si <= most:
        return
    over = given.si > most
    yield verdict(
        told(given.si, "force", "unknown", "more than the ideal propeller pulls")
        if over
        else beyond(given.si, "force", within(0.3 * most, most), "watch"),
        "Thrust given {t}, a propeller of {d} can pull {m} with {p}"
        if over
        else "Thrust given {t} is little for a propeller of {d} and {p}",
        "The loads on the mount are judged by it. "
        + (
            "No propeller without a duct gives more than the ideal one: thrust, diameter or power is not right."
            if over
            else "An ideal one pulls {m} standing still, a real one half of that or more: is that the greatest thrust?"
        ),
        needs=[Gap(f"{placed.pointer}/mount/thrust", what, allowed="0.3 to 1 of the ideal propeller's")],
        working=ideal_thrust.working(density, diameter, power),
        t=q(given.si, "force"),
        d=q(diameter, "length"),
        m=q(most, "force"),
        p=q(power, "power"),
    )
