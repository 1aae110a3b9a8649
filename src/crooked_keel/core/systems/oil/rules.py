"""Findings of the oil: its level, its pickup in the steepest attitude, its tank, its air, its gear."""

from __future__ import annotations

from collections.abc import Iterable

from ...document.systems import Piece
from ...errors import CannotSay, Gap, ask_all, fields
from ...figure.reads import combined
from ...judging.band import at_least, at_most, band, kept, told, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, one_by_one
from ...physics.pipes import pipe_speed
from .functions import area, depth, depth_aside, dwell, tank_volume
from .quantities import Oiled

# Oil over the pickup that is enough, m. Proposed.
COVER_M = 0.02
ASIDE_M = 0.010


@rule(
    "systems.oil-fill",
    "Oil that was filled in",
    limit="lower mark to what one runs with ok, to the most watch, over it or under the lower mark stop",
    source="makers' marks; what stands over the running mark is blown overboard: common practice",
    mark="common practice",
    settles=adjust("Fill or drain to the running mark."),
)
def fill(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.kept_in == "in the fuel":
        return
    marks, filled = ask_all(lambda: oiled.marks, lambda: oiled.volume("filled", "oil that is in it"))
    v, u = filled.si, 2 * filled.u
    judged = kept(v, "fine_volume", within(marks.least.si, marks.most.si), u)
    # Filled to its running mark is as it should be, whatever the doubt of the can.
    judged = judged.or_by("watch", "over its running mark", v > marks.run.si + 1e-9)
    level = judged.level
    yield verdict(
        judged,
        "{v} of oil, {r} to run with",
        "Lower mark {l}, never more than {m}. What is over the running mark goes out of the breather.",
        can_suggest=level != "ok",
        v=q(v, "fine_volume"),
        r=q(marks.run.si, "fine_volume"),
        l=q(marks.least.si, "fine_volume"),
        m=q(marks.most.si, "fine_volume"),
    )


@rule(
    "systems.oil-pickup",
    "Oil over the pickup in the steepest attitude",
    limit="20 mm or more at the lower mark ok, covered watch, bare stop",
    source="level surface in the tank's outline: statics; 20 mm proposed",
    mark="proposed",
    settles=adjust("Move the pickup to the end that stays deep, or baffle round it; never more oil than its most."),
)
def pickup(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.kept_in == "in the fuel":
        return
    least, outline, width, at, attitudes = ask_all(
        lambda: oiled.volume("least", "oil at the lower mark"),
        lambda: oiled.outline,
        lambda: oiled.width,
        lambda: oiled.pickup,
        lambda: oiled.attitudes,
    )
    volume = least.si - 2 * least.u
    with fields(volume=oiled.p("least"), outline=oiled.p("outline")):
        found = [(words, depth(outline, width.si + 2 * width.u, volume, at, angle)) for words, angle in attitudes]
    words, worst = min(found, key=lambda f: f[1])
    judged = band(worst, "length", ok=at_least(COVER_M), watch=at_least(0.0))
    yield verdict(
        judged,
        "The pickup is {d} under the oil, {w}" if worst >= 0 else "The pickup draws air {w}: bare by {d}",
        "At the lower mark, standing still at {a}. Turns, bumps and braking heap it up further; to a side it "
        "is judged by itself where the craft does not bank.",
        d=q(abs(worst), "length"),
        w=word(words),
        a=q(max(abs(a) for _, a in attitudes), "angle"),
    )


@rule(
    "systems.oil-aside",
    "Oil over the pickup, heeled or in a long bend",
    limit="10 mm or more at the lower mark ok, covered watch, bare stop; what banks into its turn is not asked",
    source="level surface across the tank's width: statics; 10 mm proposed",
    mark="proposed",
    settles=adjust(
        "Baffles that keep the oil round a pickup in the middle, a pickup that swings, or a dry sump; never more oil "
        "than the most."
    ),
)
def aside(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun or oiled.kept_in == "in the fuel" or not oiled.feels_side:
        return
    least, outline, width, at, steep, off = ask_all(
        lambda: oiled.volume("least", "oil at the lower mark"),
        lambda: oiled.outline,
        lambda: oiled.width,
        lambda: oiled.pickup,
        lambda: oiled.side,
        lambda: oiled.across,
    )
    with fields(volume=oiled.p("least"), outline=oiled.p("outline")):
        worst = depth_aside(outline, width.si + 2 * width.u, least.si - 2 * least.u, (off, at[1]), steep)
    judged = band(worst, "length", ok=at_least(ASIDE_M), watch=at_least(0.0))
    words = "heeled" if oiled.resolved.has("afloat") else "in a long bend"
    yield verdict(
        judged,
        "The pickup is {d} under the oil {w}" if worst >= 0 else "The pickup draws air {w}: bare by {d}",
        "At the lower mark, over by {a} to the side away from the pickup, level fore and aft. Baffles and a pickup "
        "that swings are not in it; how oil heaps up as a bend begins is not either.",
        can_suggest=judged.level != "ok",
        d=q(abs(worst), "length"),
        w=word(words),
        a=q(steep, "angle"),
    )


@rule(
    "systems.oil-tank",
    "What the tank holds",
    limit="most oil and 0.10 of it for froth or more ok, the most watch, less stop",
    source="its outline and width; 0.10: common practice, no source",
    mark="common practice",
    settles=buy("A larger tank."),
)
def tank(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.kept_in != "tank of a dry sump":
        return
    outline, width, most = ask_all(
        lambda: oiled.outline, lambda: oiled.width, lambda: oiled.volume("most", "most oil, by its maker")
    )
    whole = area(outline)
    holds = combined(lambda w: tank_volume(whole, w), width)
    ratio = holds.value / most.si
    doubt = 2 * ratio * ((holds.u / holds.value) ** 2 + (most.u / most.si) ** 2) ** 0.5
    judged = band(ratio, "percent", ok=at_least(1.10), watch=at_least(1.0), doubt=doubt)
    yield verdict(
        judged,
        "The tank holds {h}, the most oil is {m}",
        "By its outline and width; baffles, pipes and radii are not taken off. Froth wants room over it.",
        working=tank_volume.working(whole, width.si),
        h=q(holds.value, "fine_volume"),
        m=q(most.si, "fine_volume"),
    )


@rule(
    "systems.oil-dwell",
    "Time for the air to leave the oil",
    limit="10 s or more ok, 6 s or more watch, less stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A larger tank, with a swirl plate; its return high, its draw low."),
)
def dwells(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.kept_in != "tank of a dry sump":
        return
    run, flow = ask_all(
        lambda: oiled.volume("run", "oil to run with"),
        lambda: oiled.read(oiled.o.circulation, oiled.p("circulation"), "oil that goes round at full speed"),
    )
    time = combined(dwell, run, flow)
    judged = band(time.value, "short_time", ok=at_least(10.0), watch=at_least(6.0), doubt=2 * time.u)
    yield verdict(
        judged,
        "Oil stays {t} in the tank",
        "{v} at {f}. Air that does not leave goes to the bearings; where the return enters and a swirl plate count as "
        "well.",
        working=dwell.working(run.si, flow.si),
        t=q(time.value, "short_time"),
        v=q(run.si, "fine_volume"),
        f=q(flow.si, "flow"),
    )


@rule(
    "systems.oil-scavenge",
    "Scavenge pump against pressure pump",
    limit="1.3 times or more ok, 1.1 or more watch, less stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A scavenge pump that moves more, or a second stage."),
)
def scavenge(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.kept_in != "tank of a dry sump":
        return
    back, flow = ask_all(
        lambda: oiled.read(oiled.o.scavenge, oiled.p("scavenge"), "oil that the scavenge pump moves"),
        lambda: oiled.read(oiled.o.circulation, oiled.p("circulation"), "oil that goes round at full speed"),
    )
    ratio = combined(lambda s, c: s / c, back, flow)
    judged = band(ratio.value, "number", ok=at_least(1.3), watch=at_least(1.1), doubt=2 * ratio.u)
    yield verdict(
        judged,
        "The scavenge pump moves {r} times what the pressure pump does",
        "What comes back is half air. A crankcase that fills loses power, then oil, out of its breather.",
        r=q(ratio.value, "number"),
    )


# Heat of a gear beside the power through it: as usual, and at the most; what a still case gives away, W. Common
# practice.
GEAR_SHARE, GEAR_MOST, STILL_CASE_W = 0.025, 0.05, 1000.0


@rule(
    "systems.oil-gear",
    "Heat of the gear in its oil",
    limit="1 kW at the most, or a cooler, ok; 1 kW as usual watch; more without a cooler stop",
    source="0.025 (to 0.05) of the power, 1 kW from a still case: common practice, no source",
    mark="common practice",
    settles=buy("A cooler for the gear's oil, and a thermometer in it."),
)
def gear(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.o.gear == "no gear":
        return
    what = f"oil of the gear of the {oiled.placed.name}"
    said, power = ask_all(lambda: oiled.chosen(oiled.o.gear, "gear", what), lambda: oiled.lasting.continuous[0])
    heat, most = GEAR_SHARE * power, GEAR_MOST * power
    cooler = oiled.o.gear_cooler
    if cooler is None and most > STILL_CASE_W:
        raise CannotSay(Gap(oiled.p("gear_cooler"), "whether the gear's oil has a cooler"))
    judged = (
        told(heat, "power", "ok", "its oil has a cooler")
        if cooler == "yes"
        else band(
            most,
            "power",
            ok=at_most(STILL_CASE_W),
            watch=at_most(max(most, STILL_CASE_W) if heat <= STILL_CASE_W else STILL_CASE_W),
        )
    )
    level = judged.level
    yield verdict(
        judged,
        "The gear makes about {h} of heat",
        "Of {p} through it, up to {m}. "
        + ("It has a cooler; how much that passes is not looked at." if cooler == "yes" else "")
        + ("A still case gives about {s} away: more wants a cooler and a thermometer." if level != "ok" else "")
        + (" The unit's own oil carries it." if said == "the unit's oil" else ""),
        h=q(heat, "small_power"),
        p=q(power, "power"),
        m=q(most, "small_power"),
        s=q(STILL_CASE_W, "small_power"),
    )


@rule(
    "systems.oil-bore",
    "Bores of the oil's hoses",
    limit="1.2 m/s or less ahead of the pump, 3 m/s or less behind it ok; a quarter more watch; more stop",
    source="suction and pressure lines of oil hydraulics: common practice, no source",
    mark="common practice",
    settles=buy("Hose of a larger bore, short on the suction side."),
)
def bore(oiled: Oiled) -> Iterable[Verdict]:
    if not oiled.begun:
        return
    if oiled.kept_in != "tank of a dry sump":
        return
    pieces = oiled.pieces(oiled.o.path)
    if not pieces:
        raise CannotSay(Gap(oiled.p("path"), "the way of the oil from its tank, part by part"))
    pump = next((i for i, (_, p) in enumerate(pieces) if p.kind == "pump"), len(pieces))

    def one(s: Subject[tuple[int, Piece]]) -> Iterable[Verdict]:
        i, piece = s.of
        most = 1.2 if i < pump else 3.0
        flow, own = ask_all(
            lambda: oiled.read(oiled.o.circulation, oiled.p("circulation"), "oil that goes round at full speed"),
            lambda: oiled.bore("path", s.key, piece),
        )
        speed = combined(pipe_speed, flow, own)
        judged = band(speed.value, "speed", ok=at_most(most), watch=at_most(1.25 * most), doubt=2 * speed.u)
        yield verdict(
            judged,
            "{n}: {v} in {d}",
            "{m} is asked {w} the pump. Cold oil is thick: a suction hose that is too small empties the pump.",
            subject=s.key,
            working=pipe_speed.working(flow.si, own.si),
            n=word(s.name),
            v=q(speed.value, "speed"),
            d=q(own.si, "bore"),
            m=q(most, "speed"),
            w=word("ahead of" if i < pump else "behind"),
        )

    hoses = [
        Subject(k, p.name, (i, p))
        for i, (k, p) in enumerate(pieces)
        if p.kind not in ("pump", "cooler", "unit", "filter", "tank")
    ]
    yield from one_by_one(hoses, one)
