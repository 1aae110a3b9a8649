"""Findings of the drive bench."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ..bench import or_none
from ..errors import CannotSay, Need, all_or_cannot_say
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..mechanics import TURN_SIGN
from ..trace import need
from .electric import electric_range, pack_power, sea_range
from .marine import hull_clearance_share, propeller_pitch, speed_by_before, tip_clearance_share
from .propeller import ground_clearance, tip_mach
from .road import chain_links, chain_pull, chain_ripple, chain_wrap, even_links, road_speed, sprocket_pitch_diameter
from .section import TURN_WORDS, DriveBench


@rule(
    "drive.tip-mach",
    "Tip Mach",
    limit="the school chosen (0.80, 0.85 or 0.90); 0.03 over is watch",
    source="common practice: schools 0.80, 0.85, 0.90; kinematics",
    mark="common practice",
    form="air propeller",
)
def tip_mach_rule(bench: DriveBench) -> Iterable[Finding]:
    mach, limit = bench.mach, bench.mach_limit
    level: Level = "ok" if mach <= limit else "watch" if mach <= limit + 0.03 else "stop"
    yield verdict(
        "drive.tip-mach", level, "Tips run at Mach {m}", "{d} at {n}, standing. The chosen school allows {limit}; flight adds to it.",
        compared=Compared(value=mach, dimension="number", lo=0.0, hi=limit), margin=q(limit - mach, "number"),
        working=tip_mach.working(bench.diameter, bench.propeller_speed, bench.sound), can_suggest=level != "ok",
        m=q(mach, "number"), d=q(bench.diameter, "length"), n=q(bench.propeller_speed, "rotation"), limit=q(limit, "number"),
    )  # fmt: skip


@rule(
    "drive.ground-clearance",
    "Propeller over the ground",
    limit="229 mm tailwheel, 178 mm nose wheel, level; 25 mm in hand or watch; the same in the lowest attitude",
    source="14 CFR 23.925 before amendment 64 (from memory)",
    mark="from memory",
    form="air propeller",
)
def ground_clearance_rule(bench: DriveBench) -> Iterable[Finding]:
    clearance, attitude = bench.worst_clearance
    wanted = bench.clearance_wanted
    level: Level = "stop" if clearance < wanted else "watch" if clearance < wanted + 0.025 else "ok"
    yield verdict(
        "drive.ground-clearance", level, "{c} under the tips", "{a}. {w} is asked, wheels and struts as they stand loaded; a soft tyre takes more.",
        compared=Compared(value=clearance, dimension="length", lo=wanted), margin=q(clearance - wanted, "length"),
        working=ground_clearance.working(*bench.hub, attitude, bench.diameter), can_suggest=level != "ok",
        c=q(clearance, "length"), w=q(wanted, "length"), a=word("Level" if attitude == 0 else "In the steepest nose-down attitude"),
    )  # fmt: skip


@rule("drive.rotation", "Turning direction and propeller", limit="same", source="kinematics", mark="statics")
def rotation(bench: DriveBench) -> Iterable[Finding]:
    if bench.resolved.has("across"):
        return
    hand = bench.installation.propeller.turns
    if hand is None:
        raise CannotSay(Need(bench._p("propeller/turns"), f"hand of the propeller ({bench.name})"))
    turns = bench.output_turns
    same = TURN_SIGN[hand] == turns
    yield verdict(
        "drive.rotation", "ok" if same else "stop", "Train and propeller turn the same way" if same else "The propeller is of the other hand",
        "The {f} turns {t} seen from aft looking forward; the propeller wants {h}.", f=word(bench.resolved.word("flange")), t=word(TURN_WORDS[turns]), h=word(hand),
    )  # fmt: skip


@rule(
    "drive.blades",
    "Blades given",
    limit="number of blades",
    source="maker of the propeller",
    mark="statics",
    form="air propeller",
)
def blades(bench: DriveBench) -> Iterable[Finding]:
    count = bench.installation.propeller.blades
    if count is None:
        raise CannotSay(Need(bench._p("propeller/blades"), f"number of blades ({bench.name})"))
    if count.si < 2:
        yield verdict("drive.blades", "watch", "A one-bladed propeller", "Was one blade meant?")
    else:
        yield verdict(
            "drive.blades",
            "ok",
            "{n} blades",
            "Power absorbed and thrust are not judged here yet.",
            n=q(count.si, "count"),
        )


@rule(
    "drive.hunting-tooth",
    "Tooth pairs",
    limit="greatest common divisor 1",
    source="common practice, no source",
    mark="common practice",
)
def hunting_tooth(bench: DriveBench) -> Iterable[Finding]:
    from math import gcd

    for key, stage in bench.installation.drive.stages.items():
        if stage.driver_teeth and stage.driven_teeth:
            a, b = int(stage.driver_teeth.si), int(stage.driven_teeth.si)
            if gcd(a, b) > 1 and stage.type == "gear":
                yield verdict(
                    "drive.hunting-tooth",
                    "watch",
                    "Teeth {a}/{b} share a divisor",
                    "The same teeth meet every {n} turns and wear prints in.",
                    subject=key,
                    a=q(a, "count"),
                    b=q(b, "count"),
                    n=q(b // gcd(a, b), "count"),
                )


@rule(
    "drive.pair", "Hands of a pair", limit="opposite, each outward; inward is watch, the same hand stop", source="common practice, no source", mark="common practice", form="marine propeller",
)  # fmt: skip
def pair(bench: DriveBench) -> Iterable[Finding]:
    others = [
        p for p in (bench.resolved.old if bench.placed.old else bench.resolved.installations) if p.id != bench.placed.id
    ]
    for other in others:
        mine, theirs = bench.installation.propeller.turns, other.installation.propeller.turns
        if mine is None or theirs is None:
            lacking = bench.placed if mine is None else other
            raise CannotSay(Need(f"{lacking.pointer}/propeller/turns", f"hand of the propeller ({lacking.name})"))
        starboard = bench.placed.flange[1].value > other.flange[1].value
        outward = (mine == "clockwise") == starboard
        level: Level = "stop" if mine == theirs else "ok" if outward else "watch"
        titles = {
            "ok": "A handed pair, turning outward",
            "watch": "A handed pair, turning inward",
            "stop": "Both propellers turn the same way",
        }
        yield verdict(
            "drive.pair", level, titles[level], "{a} turns {t}, {b} turns {u}, seen from aft. If one gear runs in reverse all day to do it: is it rated for that?", subject=other.id,
            a=word(bench.name), t=word(mine), b=word(other.name), u=word(theirs),
        )  # fmt: skip


@rule(
    "drive.pitch", "Pitch for the speed wanted", limit="within 5 % ok, 10 % watch, more stop", source="propeller handbook, slip by speed (from memory); the band: proposed", mark="from memory", form="marine propeller",
)  # fmt: skip
def pitch(bench: DriveBench) -> Iterable[Finding]:
    if bench.placed.old:
        return
    sea = bench.at_sea
    all_or_cannot_say(lambda: sea.pitch, lambda: sea.pitch_terms)
    wanted = propeller_pitch(*sea.pitch_terms)
    share = sea.pitch / wanted - 1
    level: Level = "ok" if abs(share) <= 0.05 else "watch" if abs(share) <= 0.10 else "stop"
    way = "coarse: the unit will not reach its speed" if share > 0 else "fine: the unit runs into its governor"
    yield verdict(
        "drive.pitch", level, "Pitch {p}, {w} is wanted", "For {v} at {n} with a slip of {s}." + ("" if level == "ok" else f" Too {way}.") + " The sea trial decides: full throttle, loaded, clean hull.",
        compared=Compared(value=sea.pitch, dimension="length", lo=0.95 * wanted, hi=1.05 * wanted), margin=q(0.10 * wanted - abs(sea.pitch - wanted), "length"),
        working=propeller_pitch.working(*sea.pitch_terms), can_suggest=level != "ok",
        p=q(sea.pitch, "length"), w=q(wanted, "length"), v=q(sea.wanted, "sea_speed"), n=q(bench.propeller_speed, "rotation"), s=q(sea.pitch_terms[2], "percent"),
    )  # fmt: skip


@rule(
    "drive.speed", "Speed wanted against speed expected", limit="expected at least 0.97 of wanted ok, 0.90 watch, less stop", source="the known speed scaled; propeller handbook (from memory); the band: proposed", mark="from memory", form="marine propeller",
)  # fmt: skip
def speed(bench: DriveBench) -> Iterable[Finding]:
    if bench.placed.old:
        return
    sea = bench.at_sea
    all_or_cannot_say(lambda: sea.speed, lambda: sea.wanted)
    share = sea.speed / sea.wanted
    level: Level = "ok" if share >= 0.97 else "watch" if share >= 0.90 else "stop"
    yield verdict(
        "drive.speed", level, "{v} expected, {w} wanted", "She made {b} before. Scaled by power and displacement, {r} hull. An estimate, not a promise.",
        compared=Compared(value=sea.speed, dimension="sea_speed", lo=0.97 * sea.wanted), margin=q(sea.speed - 0.90 * sea.wanted, "sea_speed"), working=speed_by_before.working(*sea.speed_terms),
        v=q(sea.speed, "sea_speed"), w=q(sea.wanted, "sea_speed"), b=q(sea.speed_terms[0], "sea_speed"), r=word(sea.trial.regime or ""),
    )  # fmt: skip


@rule(
    "drive.hull-clearance", "Propeller under the hull", limit="0.15 of the diameter to 1800 rpm, 0.20 above, ok; down to 0.10 watch; less stop", source="common practice, no source", mark="common practice", form="marine propeller",
)  # fmt: skip
def hull_clearance(bench: DriveBench) -> Iterable[Finding]:
    terms = bench.at_sea.clearance_terms
    share, asked = hull_clearance_share(*terms), tip_clearance_share(bench.propeller_speed)
    level: Level = "ok" if share >= asked else "watch" if share >= 0.10 else "stop"
    yield verdict(
        "drive.hull-clearance", level, "{c} under the hull, {p} of the diameter", "{a} is asked at {n}. Less shakes the hull.",
        compared=Compared(value=share, dimension="percent", lo=asked), margin=q(terms[0] - (0.5 + asked) * terms[1], "length"), working=hull_clearance_share.working(*terms), can_suggest=level != "ok",
        c=q(terms[0] - terms[1] / 2, "length"), p=q(share, "percent"), a=q(asked, "percent"), n=q(bench.propeller_speed, "rotation"),
    )  # fmt: skip


@rule(
    "drive.top-gear", "Top gear against power", limit="gearing 1.0 to 1.15 of the power's speed ok, else watch: short or tall is a choice, not a danger", source="common practice, no source", mark="common practice", form="driven wheel",
)  # fmt: skip
def top_gear(bench: DriveBench) -> Iterable[Finding]:
    road = bench.on_road
    all_or_cannot_say(lambda: road.power_speed, lambda: road.geared_terms)
    geared = road_speed(*road.geared_terms)
    share = geared / road.power_speed
    level: Level = "ok" if 1.0 <= share <= 1.15 else "watch"
    words = (
        ""
        if level == "ok"
        else " Top gear is short: it runs out of speed."
        if share < 1
        else " Top gear is tall: it never gets there, and pulls away slowly."
    )
    yield verdict(
        "drive.top-gear", level, "Geared for {g}, power for {p}", "Level road, heaviest loading." + words, compared=Compared(value=share, dimension="number", lo=1.0, hi=1.15),
        working=road_speed.working(*road.geared_terms), can_suggest=level != "ok", g=q(geared, "road_speed"), p=q(road.power_speed, "road_speed"),
    )  # fmt: skip


@rule(
    "drive.grip", "Force at the road against grip", limit="below the tyre's grip ok, above watch", source="mechanics", mark="statics", form="driven wheel",
)  # fmt: skip
def grip(bench: DriveBench) -> Iterable[Finding]:
    road = bench.on_road
    all_or_cannot_say(lambda: road.wheel_force, lambda: road.grip_force)
    level: Level = "ok" if road.wheel_force <= road.grip_force else "watch"
    yield verdict(
        "drive.grip", level, "Lowest gear pushes {f}" + ("" if level == "ok" else ", more than the tyre holds"), "Grip at most {g}, with all of the mass on the driven wheels.",
        compared=Compared(value=road.wheel_force, dimension="force", hi=road.grip_force), f=q(road.wheel_force, "force"), g=q(road.grip_force, "force"),
    )  # fmt: skip


@rule(
    "drive.chain-closes", "Final chain closes", limit="an even number of links at a centre distance there is", source="machine-design handbook, roller chains (from memory)", mark="from memory", form="sprockets",
)  # fmt: skip
def chain_closes(bench: DriveBench) -> Iterable[Finding]:
    road = bench.on_road
    if not road.has_chain:
        return
    even = even_links(road.links)
    yield verdict(
        "drive.chain-closes", "ok", "Chain of {n} links, centres {c}", "{x} links at {d}; the next even number sets the wheel {m} further. The adjuster must reach it, and wear beyond.",
        working=chain_links.working(*road.links_terms), n=q(even, "count"), c=q(road.fitted_centres, "length"), x=q(road.links, "number"), d=q(road.centres, "length"), m=q(road.fitted_centres - road.centres, "length"),
    )  # fmt: skip


@rule(
    "drive.chain-strength", "Strength of the final chain", limit="8 times the pull with shock ok, 6 watch, less stop; not less than the old chain had: watch", source="common practice, no source; tensile by its maker", mark="common practice", form="sprockets",
)  # fmt: skip
def chain_strength(bench: DriveBench) -> Iterable[Finding]:
    road = bench.on_road
    if not road.has_chain:
        return
    factor, strength, pull = road.chain_factor, road.chain_strength, chain_pull(*road.pull_terms)
    before = bench if bench.placed.old else bench.old
    proven = or_none(lambda: before.on_road.chain_factor) if before else None
    level: Level = (
        "ok" if factor >= 8 else "watch" if factor >= 6 or (proven is not None and factor >= proven) else "stop"
    )
    yield verdict(
        "drive.chain-strength", level, "Chain stands {f} times its pull", "Pull {p} in the lowest gear with shock {k}, not above the tyre's grip; chain {s}." + (" Not less than the old chain had." if level == "watch" and factor < 6 else ""),
        compared=Compared(value=factor, dimension="number", lo=8.0), margin=q(factor - 6, "number"), working=chain_pull.working(*road.pull_terms),
        f=q(factor, "number"), p=q(pull, "force"), k=q(road.shock, "number"), s=q(strength, "force"),
    )  # fmt: skip


@rule(
    "drive.small-sprocket", "Small sprocket", limit="15 teeth or more ok, 11 to 14 watch, less stop; wrap 120° or more ok, 100° watch", source="common practice, no source; wrap: handbook (from memory)", mark="common practice", form="sprockets",
)  # fmt: skip
def small_sprocket(bench: DriveBench) -> Iterable[Finding]:
    road = bench.on_road
    if not road.has_chain:
        return
    all_or_cannot_say(lambda: road.chain_terms, lambda: road.centres)
    pitch_m, a, b = road.chain_terms
    teeth = min(a, b)
    wrap = chain_wrap(sprocket_pitch_diameter(pitch_m, a), sprocket_pitch_diameter(pitch_m, b), road.centres)
    level: Level = (
        "stop"
        if teeth < 11 or wrap < math.radians(100)
        else "watch"
        if teeth < 15 or wrap < math.radians(120)
        else "ok"
    )
    yield verdict(
        "drive.small-sprocket", level, "{n} teeth, wrap {w}", "Speed of the chain rises and falls by {r}." + ("" if level == "ok" else " Few teeth or little wrap wear the chain fast."),
        compared=Compared(value=teeth, dimension="count", lo=15.0), n=q(teeth, "count"), w=q(wrap, "angle"), r=q(chain_ripple(teeth), "percent"),
    )  # fmt: skip


@rule(
    "drive.reverse",
    "Reverse",
    limit="a reverse, or none where no law asks",
    source="local code",
    mark="common practice",
    form="corners",
)
def reverse(bench: DriveBench) -> Iterable[Finding]:
    kind = bench.installation.drive.reverse
    if kind is None:
        raise CannotSay(Need(bench._p("drive/reverse"), f"how the {bench.name} reverses"))
    level: Level = "watch" if kind == "none" else "ok"
    yield verdict(
        "drive.reverse",
        level,
        "No reverse" if kind == "none" else "Reverse: {k}",
        "Check what your local rules ask of a vehicle of this class.",
        k=word(kind),
    )


@rule(
    "drive.pack", "Pack against the motor", limit="pack power above the peak ok, above the continuous power watch, less stop", source="definition of power", mark="statics",
)  # fmt: skip
def pack(bench: DriveBench) -> Iterable[Finding]:
    if not bench.electric:
        return
    battery = bench.on_battery
    all_or_cannot_say(lambda: battery.pack_terms, lambda: bench.power)
    given, peak = pack_power(*battery.pack_terms) * battery.motor_efficiency, bench.installation.unit.peak_power
    wanted = peak.si if peak else bench.power
    level: Level = "ok" if given >= wanted else "watch" if given >= bench.power else "stop"
    yield verdict(
        "drive.pack", level, "The pack gives {g} at the shaft", "{v} and {i}, motor and controller taken as {e}. Motor: {c} continuous" + (", {p} peak." if peak else ". Peak not entered.") + " Sag of the pack is not taken off.",
        compared=Compared(value=given, dimension="power", lo=wanted), margin=q(given - bench.power, "power"), working=pack_power.working(*battery.pack_terms),
        g=q(given, "power"), v=q(battery.voltage, "voltage"), i=q(battery.current, "current"), e=q(battery.motor_efficiency, "percent"), c=q(bench.power, "power"), p=q(wanted, "power"),
    )  # fmt: skip


@rule(
    "drive.voltage", "Pack voltage against the controller", limit="0.95 of its limit or less ok, to the limit watch, above stop", source="maker of the controller; 0.95: common practice", mark="common practice",
)  # fmt: skip
def voltage(bench: DriveBench) -> Iterable[Finding]:
    if not bench.electric:
        return
    limit = lambda: (
        need(
            bench.installation.unit.voltage_limit,
            bench._p("unit/voltage_limit"),
            f"highest voltage of the controller ({bench.name})",
        ).si
    )
    all_or_cannot_say(limit, lambda: bench.on_battery.voltage)
    volts = bench.on_battery.voltage
    level: Level = "ok" if volts <= 0.95 * limit() else "watch" if volts <= limit() else "stop"
    yield verdict(
        "drive.voltage", level, "Pack {v}, controller stands {l}", "Take the voltage of the pack fully charged. High voltage kills: isolate, lock, test dead, and leave it to people licensed for it.",
        compared=Compared(value=volts, dimension="voltage", hi=limit()), margin=q(limit() - volts, "voltage"), v=q(volts, "voltage"), l=q(limit(), "voltage"),
    )  # fmt: skip


@rule(
    "drive.continuous", "Cruise against continuous power", limit="1.0 of the continuous power or less ok, 1.2 watch, more stop", source="maker of the motor: a peak rating is for its time only", mark="statics",
)  # fmt: skip
def continuous(bench: DriveBench) -> Iterable[Finding]:
    if not bench.electric or bench.resolved.has("air propeller"):
        return
    all_or_cannot_say(lambda: bench.power, bench.on_battery.cruise_power)
    asked, given = bench.on_battery.cruise_power(), bench.power
    share = asked / given if given > 0 else math.inf
    level: Level = "ok" if share <= 1.0 else "watch" if share <= 1.2 else "stop"
    time = bench.installation.unit.peak_time
    yield verdict(
        "drive.continuous", level, "Cruise asks {a}, the motor gives {g} all day", ("Its peak is good for {t} only." if time else "How long its peak lasts is not entered.") + " Heat goes with torque: a slow steep hill burns a motor that cruises cool.",
        compared=Compared(value=asked, dimension="power", hi=given), margin=q(given - asked, "power"), a=q(asked, "power"), g=q(given, "power"), t=q(time.si if time else 0.0, "time"),
    )  # fmt: skip


@rule(
    "drive.range", "Range, with its assumptions", limit="shown, not judged", source="mechanics", mark="statics",
)  # fmt: skip
def range_rule(bench: DriveBench) -> Iterable[Finding]:
    if not bench.electric or bench.resolved.has("air propeller"):
        return
    battery = bench.on_battery
    if bench.resolved.has("driven wheel"):
        terms = battery.range_terms
        yield verdict(
            "drive.range", "ok", "Range {r} at cruise", "Of {e} aboard {k} is used; motor and controller {m}, drive {d}; level, no wind, steady; road load as entered. Cold, hills and starts take more.",
            working=electric_range.working(*terms), r=q(electric_range(*terms), "distance"), e=q(battery.energy, "energy"), k=q(battery.depth, "percent"), m=q(battery.motor_efficiency, "percent"), d=q(bench.efficiency, "percent"),
        )  # fmt: skip
        return
    sea = battery.sea_terms
    yield verdict(
        "drive.range", "ok", "Range {r} at {v}", "Of {e} aboard {k} is used; motor and controller {m}; power as the cube of speed from the speed expected at full power; still water, clean hull.",
        working=sea_range.working(*sea), r=q(sea_range(*sea), "sea_distance"), v=q(sea[0], "sea_speed"), e=q(battery.energy, "energy"), k=q(battery.depth, "percent"), m=q(battery.motor_efficiency, "percent"),
    )  # fmt: skip
