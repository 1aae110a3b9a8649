"""Findings of a craft afloat: trim, heel, stability, freeboard."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Need, all_or_cannot_say
from ...figure.trace import need
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
from ...physics.hydrostatics import heel_angle, metacentric_height, trim_change
from ...physics.stability import (
    bottom_loading,
    fluid_gm,
    lcg_fraction,
    loll,
    offset_load_limit,
    wall_sided_heel,
    wall_sided_limit,
)
from ...resolved.craft import Resolved
from ...resolved.loads import Loads
from ...resolved.references import got
from ..afloat.quantities import AfloatStates
from ..fuel.quantities import OFF_CENTRE_M, Fuel
from ..ledger.quantities import Ledger
from .quantities import OK_TRIM, STOP_TRIM

GM_LEAST_M = 0.15
GM_WATCH_M = 0.35
HEEL_OK, HEEL_STOP = math.radians(1), math.radians(3)


@rule(
    "balance.displacement-change",
    "Change of displacement",
    limit="5 % or less ok, 10 % or less watch, more stop",
    source="validity of the small-change method; ship stability texts (from memory)",
    mark="from memory",
    form="afloat",
)
def displacement_change(afloat: AfloatStates) -> Iterable[Finding]:
    s = afloat.worst("change")
    share = (s.after.displacement_kg - s.before.displacement_kg) / s.before.displacement_kg
    level: Level = "ok" if abs(share) <= 0.05 else "watch" if abs(share) <= 0.10 else "stop"
    words = {
        "ok": "",
        "watch": " The small-change method begins to miss.",
        "stop": " Beyond the small-change method: trim, heel and freeboards below are not good enough to act on.",
    }
    yield verdict(
        "balance.displacement-change",
        level,
        "Displacement changes by {p}",
        "{s}: {a} → {b}." + words[level],
        compared=Compared(value=share, dimension="percent", lo=-0.05, hi=0.05),
        p=q(share, "percent"),
        s=word(s.name),
        a=q(s.before.displacement_kg, "mass"),
        b=q(s.after.displacement_kg, "mass"),
    )


@rule(
    "balance.trim",
    "Trim",
    limit="change of 0.5 % of the waterline or less ok, 1.5 % or less watch, more stop",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
)
def trim(afloat: AfloatStates) -> Iterable[Finding]:
    s = afloat.worst("trim")
    change, length = s.after.trim_m - s.before.trim_m, afloat.floating.length
    share = abs(change) / length
    level: Level = "ok" if share <= OK_TRIM else "watch" if share <= STOP_TRIM else "stop"
    end = "stern" if change >= 0 else "bow"
    yield verdict(
        "balance.trim",
        level,
        "Trims {d} by the {end}",
        "{s}, over her waterline, stern down: {a} → {b}. Small-change method, waterplane held as found.",
        compared=Compared(value=change, dimension="length", lo=-OK_TRIM * length, hi=OK_TRIM * length),
        margin=q(STOP_TRIM * length - abs(change), "length"),
        working=trim_change.working(s.after.trim_moment_kg_m - s.before.trim_moment_kg_m, s.after.mct_kg),
        can_suggest=level != "ok",
        d=q(abs(change), "length"),
        end=word(end),
        s=word(s.name),
        a=q(afloat.trim(s.before), "length"),
        b=q(afloat.trim(s.after), "length"),
    )


@rule(
    "balance.heel",
    "Heel",
    limit="1° or less ok, 3° or less watch, more stop; in every loading, with the list she has now",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
)
def heel(afloat: AfloatStates) -> Iterable[Finding]:
    s = afloat.worst("heel")
    angle = s.after.heel_rad
    if angle is None:
        return
    level: Level = "ok" if abs(angle) <= HEEL_OK else "watch" if abs(angle) <= HEEL_STOP else "stop"
    yield verdict(
        "balance.heel",
        level,
        "Lists {d} to {side}",
        "{s}: {a} → {b}, starboard down. Linear, good for small angles.",
        compared=Compared(value=angle, dimension="angle", lo=-HEEL_OK, hi=HEEL_OK),
        working=heel_angle.working(s.after.heel_moment_kg_m, s.after.displacement_kg, s.after.gm_m),
        can_suggest=level != "ok",
        d=q(abs(angle), "angle"),
        side=word("starboard" if angle >= 0 else "port"),
        s=word(s.name),
        a=q(s.before.heel_rad or 0.0, "angle"),
        b=q(angle, "angle"),
    )


@rule(
    "balance.gm",
    "Metacentric height",
    limit="0.15 m or more, else stop; and 0.35 m, else watch; not inclined: never better than watch",
    source="IMO 2008 IS Code, 0.15 m general (from memory); nothing applies straight to small pleasure craft",
    mark="from memory",
    form="afloat",
)
def gm(afloat: AfloatStates) -> Iterable[Finding]:
    s = afloat.worst("gm")
    value = s.after.gm_m
    if value <= 0:
        hydro = afloat.floating.hydro
        angle = loll(value, hydro.bm_m) if hydro.kb_m > 0 else None
        yield verdict(
            "balance.gm",
            "stop",
            "GM is lost: {a} → {b}",
            "{s}. She will not stay upright."
            + (" By a wall-sided hull she lolls to {l}." if angle is not None else "")
            + " Take weight off high up or put weight low; fill slack low tanks, the low side first. Never move "
            "weight to the high side: she flops over to a greater angle.",
            compared=Compared(value=value, dimension="length", lo=GM_LEAST_M),
            working=metacentric_height.working(afloat.floating.hydro.km_m, s.after.kg_m),
            a=q(s.before.gm_m, "length"),
            b=q(value, "length"),
            s=word(s.name),
            l=q(angle if angle is not None else 0.0, "angle"),
        )
        return
    by, floating = afloat.floating.gm_by, afloat.floating
    drop = 1 - value / s.before.gm_m if s.before.gm_m > 0 else 1.0
    settled = by == "inclined"
    level: Level = (
        "stop" if value < GM_LEAST_M else "watch" if value < GM_WATCH_M or drop > 0.15 or not settled else "ok"
    )
    words = {
        "form estimate": "An estimate is not settled: incline her or time ten rolls.",
        "timed roll": "By the lowest roll coefficient: incline her to be sure.",
        "inclined": "By the inclining test, as found.",
    }
    said = words.get(by, "The height of her CG is an entry: incline her to be sure.")
    slack, unknown = afloat.slack(s.id, True)
    yield verdict(
        "balance.gm",
        level,
        "GM {a} → {b}, {by}",
        f"{{s}}. {said}"
        + (
            " Free surface of slack tanks is taken off."
            if not unknown
            else " Free surface of slack tanks is not all taken off."
        )
        + (" Less than {w} is little." if value < GM_WATCH_M else ""),
        compared=Compared(value=value, dimension="length", lo=GM_LEAST_M),
        margin=q(value - GM_LEAST_M, "length"),
        working=metacentric_height.working(floating.hydro.km_m, s.after.kg_m)
        if not slack
        else fluid_gm.working(floating.hydro.km_m, s.after.kg_m, floating.hydro.km_m - s.after.kg_m - s.after.gm_m),
        a=q(s.before.gm_m, "length"),
        b=q(value, "length"),
        s=word(s.name),
        w=q(GM_WATCH_M, "length"),
        by=word(by),
    )


@rule(
    "balance.free-surface",
    "Free surface of slack tanks",
    limit="10 % of GM or less ok, 50 % or less watch, more stop",
    source="common practice, no source; ship stability texts (from memory)",
    mark="common practice",
    form="afloat",
)
def free_surface(afloat: AfloatStates, loads: Loads) -> Iterable[Finding]:
    found = [(s, afloat.free_surface(s.id, True, s.after.displacement_kg)) for s in afloat.states()]
    needs = {n.pointer: n for s in afloat.states() for n in afloat.slack(s.id, True)[1]}
    if needs:
        raise CannotSay(*needs.values())
    if not any(fsc for _, fsc in found):
        return
    state, fsc = max(found, key=lambda f: f[1] / (f[0].after.gm_m + f[1]) if f[0].after.gm_m + f[1] > 0 else math.inf)
    solid = state.after.gm_m + fsc
    share = fsc / solid if solid > 0 else 1.0
    open_across = any(t.joined == "pipe across, open" for _, _, t in loads.tanks(True))
    level: Level = "stop" if share > 0.5 else "watch" if share > 0.1 else "ok"
    yield verdict(
        "balance.free-surface",
        level,
        "Slack tanks take {d} off GM",
        "{s}: {p} of it."
        + (
            " The pipe across is open: what is in the tanks runs from side to side. Shut it."
            if open_across
            else " A tight baffle along a tank divides it by the square of its parts."
            if level != "ok"
            else ""
        ),
        compared=Compared(value=share, dimension="percent", hi=0.1),
        d=q(fsc, "length"),
        s=word(state.name),
        p=q(share, "percent"),
    )


@rule(
    "balance.one-side-tank",
    "One tank of a pair empty",
    limit="2° or less ok, 5° or less watch, more stop",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
)
def one_side_tank(fuel: Fuel, afloat: AfloatStates) -> Iterable[Finding]:
    if not fuel.on_sides:
        return
    afloat, found = afloat, []
    for s in afloat.states():
        if s.id == "empty":
            continue
        for body in fuel.bodies(s.id):
            if abs(got(body.y).value) > OFF_CENTRE_M and got(body.mass).value > 0:
                mass = s.after.displacement_kg - got(body.mass).value
                moment = s.after.heel_moment_kg_m - got(body.mass).value * got(body.y).value
                found.append((heel_angle(moment, mass, s.after.gm_m), s, body))
    if not found:
        return
    angle, state, body = max(found, key=lambda f: abs(f[0]))
    level: Level = "ok" if abs(angle) <= math.radians(2) else "watch" if abs(angle) <= math.radians(5) else "stop"
    yield verdict(
        "balance.one-side-tank",
        level,
        "With the {t} empty she lists {a}",
        "{s}, the others as they are. Linear, GM as it is then."
        + ("" if level == "ok" else " Draw from both, or shut one off in good time."),
        compared=Compared(value=angle, dimension="angle", lo=-math.radians(2), hi=math.radians(2)),
        working=heel_angle.working(
            state.after.heel_moment_kg_m - got(body.mass).value * got(body.y).value,
            state.after.displacement_kg - got(body.mass).value,
            state.after.gm_m,
        ),
        t=word(body.name),
        a=q(abs(angle), "angle"),
        s=word(state.name),
    )


@rule(
    "balance.dock-scale",
    "Her waterline against the ledger",
    limit="mass within twice its doubt, and 10 % of the moment of all that moved",
    source="hydrostatics, small change; the limits: common practice, no source",
    mark="common practice",
    form="afloat",
)
def dock(afloat: AfloatStates, resolved: Resolved) -> Iterable[Finding]:
    found = afloat.docked
    if found is None:
        return
    read, mass, moment = found
    moved = sum(
        abs(b.sign * got(b.mass).value * (got(b.x).value - afloat.floating.lcf)) for b in resolved.ledger if b.sign
    )
    off, off_moment = read.mass_kg - mass, read.moment_kg_m - moment
    agrees = abs(off) <= 2 * read.u_kg and abs(off_moment) <= 0.1 * moved
    # What is off has a mass and a station of its own: the line of the ledger that lies nearest is the first to look at.
    at = afloat.floating.lcf + off_moment / off if abs(off) > 2 * read.u_kg else None
    lines = [b for b in resolved.ledger if b.sign]
    near = sorted(lines, key=lambda b: abs(got(b.x).value - at))[:3] if at is not None else []
    yield verdict(
        "balance.dock-scale",
        "ok" if agrees else "watch",
        "Her waterline says {r}, the ledger {m}" + ("" if agrees else ": {d} apart"),
        "Moment about the centre of flotation {a}, by the ledger {b}. Read to ±{u}; the same water both times."
        + ("" if agrees else " Find what was left off the list, or read again.")
        + (" What is off sits at {x} or so; the lines nearest there: {n}." if near and not agrees else ""),
        compared=Compared(value=off, dimension="mass", lo=-2 * read.u_kg, hi=2 * read.u_kg),
        r=q(read.mass_kg, "mass"),
        m=q(mass, "mass"),
        d=q(abs(off), "mass"),
        a=q(read.moment_kg_m, "mass_moment"),
        b=q(moment, "mass_moment"),
        u=q(2 * read.u_kg, "mass"),
        x=q(at or 0.0, "length"),
        n=word(", ".join(b.name for b in near)),
    )


@rule(
    "balance.offset-load",
    "Everybody on one side",
    limit="half of 10° + (24 − L)³/600 ok, all of it watch, more stop; from 6 to 24 m",
    source="ISO 12217-1 offset-load test (from memory); wall-sided heel",
    mark="from memory",
    form="afloat",
)
def offset_load(afloat: AfloatStates, loads: Loads, resolved: Resolved) -> Iterable[Finding]:
    crowd = resolved.project.craft.flotation.crowd
    if crowd is None:
        return
    afloat, place, outline = afloat, resolved.references.place, resolved.project.craft.outline
    ends = [
        lambda: place(outline.nose, "/craft/outline/nose", "station of the bow", "x"),
        lambda: place(outline.tail, "/craft/outline/tail", "station of the stern", "x"),
    ]
    all_or_cannot_say(*ends)
    limit = offset_load_limit(ends[1]().value - ends[0]().value)
    hydro = afloat.floating.hydro
    found = []
    for s in afloat.states():
        if s.id == "empty":
            continue
        people = sum(got(b.mass).value for b in loads.people(s.id))
        tcg = people * crowd.si / s.after.displacement_kg
        angle = (
            wall_sided_heel(s.after.gm_m, hydro.bm_m, tcg)
            if hydro.kb_m > 0
            else heel_angle(people * crowd.si, s.after.displacement_kg, s.after.gm_m)
        )
        found.append((angle, s, people))
    if not found:
        raise CannotSay(Need("/loadings", "a loading: who is aboard"))
    angle, state, people = max(found, key=lambda f: f[0])
    marks = afloat.marks(state)
    if not marks:
        raise CannotSay(Need("/craft/flotation/marks", "marks where freeboards are read"))
    freeboard = min(m.after_si for m in marks)
    if afloat.floating.by == "sections":
        beam = afloat.floating.hull.beam_m
    else:
        beam = need(resolved.project.craft.flotation.beam, "/craft/flotation/beam", "beam at the waterline").si
    valid = wall_sided_limit(freeboard, afloat.floating.draft.value, beam)
    under = angle > math.atan(2 * freeboard / beam)
    level: Level = "stop" if angle > limit or under else "watch" if angle > limit / 2 or angle > valid else "ok"
    yield verdict(
        "balance.offset-load",
        level,
        "With everybody on one side she heels {a}",
        "{s}: {m} of people and load {y} out. {l} is allowed."
        + (
            " Her deck edge goes under."
            if under
            else " Beyond {v} the estimate is not good: bilge or deck edge is at the water."
            if angle > valid
            else ""
        ),
        compared=Compared(value=angle, dimension="angle", hi=limit / 2),
        margin=q(limit - angle, "angle"),
        a=q(angle, "angle"),
        s=word(state.name),
        m=q(people, "mass"),
        y=q(crowd.si, "length"),
        l=q(limit, "angle"),
        v=q(valid, "angle"),
    )


@rule(
    "balance.bottom-loading",
    "Bottom loading of a planing hull",
    limit="planing area 5.5 times the volume to two thirds or more ok, less watch",
    source="series planing-hull tests (from memory)",
    mark="from memory",
    form="afloat",
)
def bottom_load(afloat: AfloatStates, resolved: Resolved) -> Iterable[Finding]:
    area = resolved.project.craft.flotation.planing_area
    if resolved.project.craft.trial.regime != "planing" or area is None:
        return
    state = max(afloat.states(), key=lambda s: s.after.displacement_kg)
    density = afloat.floating.density.value
    before, after = (bottom_loading(area.si, f.displacement_kg, density) for f in (state.before, state.after))
    yield verdict(
        "balance.bottom-loading",
        "ok" if after >= 5.5 else "watch",
        "Bottom loading {a} → {b}",
        "{s}, {m}." + ("" if after >= 5.5 else " Heavy for her bottom: slow onto the plane, if at all."),
        compared=Compared(value=after, dimension="number", lo=5.5),
        a=q(before, "number"),
        b=q(after, "number"),
        s=word(state.name),
        m=q(state.after.displacement_kg, "mass"),
    )


@rule(
    "balance.lcg-planing",
    "LCG of a planing hull",
    limit="0.33 to 0.45 of the waterline from the transom, else watch",
    source="planing-hull practice (from memory); schools differ",
    mark="from memory",
    form="afloat",
)
def lcg_planing(afloat: AfloatStates, ledger: Ledger, resolved: Resolved) -> Iterable[Finding]:
    craft = resolved.project.craft
    if craft.trial.regime != "planing":
        return
    tail = resolved.references.place(craft.outline.tail, "/craft/outline/tail", "station of the transom", "x").value
    share = {
        when: lcg_fraction(tail - x, afloat.floating.length)
        for when, x in (("before", ledger.before.station_m), ("after", ledger.empty.station_m))
    }
    value = share["after"]
    yield verdict(
        "balance.lcg-planing",
        "ok" if 0.33 <= value <= 0.45 else "watch",
        "LCG {a} → {b} of the waterline from the transom",
        "Empty. By the series tests, 0 to 12 % of the planing length aft of its centroid: 36 to 48 %."
        + (
            ""
            if 0.33 <= value <= 0.45
            else " Far aft she porpoises and is slow onto the plane."
            if value < 0.33
            else " Far forward she is wet and steers by the bow."
        ),
        compared=Compared(value=value, dimension="percent", lo=0.33, hi=0.45),
        a=q(share["before"], "percent"),
        b=q(value, "percent"),
    )


@rule(
    "balance.freeboard",
    "Freeboard left",
    limit="10 % lost or less ok, 25 % or less watch; more, or less than 200 mm left, stop",
    source="common practice, no source; ISO 12217-1 downflooding heights by category are better (from memory)",
    mark="common practice",
    form="afloat",
)
def freeboard(afloat: AfloatStates) -> Iterable[Finding]:
    state, mark = afloat.least()
    lost = 1 - mark.after_si / mark.before_si if mark.before_si > 0 else 1.0
    level: Level = "stop" if lost > 0.25 or mark.after_si < 0.20 else "watch" if lost > 0.10 else "ok"
    yield verdict(
        "balance.freeboard",
        level,
        "Least freeboard {b}, {m}",
        "{s}: {a} → {b}, {p} lost. Openings lower than the marks were not entered and not checked.",
        compared=Compared(value=mark.after_si, dimension="length", lo=0.20),
        margin=q(mark.after_si - 0.20, "length"),
        a=q(mark.before_si, "length"),
        b=q(mark.after_si, "length"),
        m=word(mark.name),
        s=word(state.name),
        p=q(max(lost, 0.0), "percent"),
    )


@rule(
    "balance.states-afloat",
    "Every state afloat",
    limit="every figure of every state",
    source="naval architecture (from memory)",
    mark="statics",
    form="afloat",
)
def states_afloat(afloat: AfloatStates) -> Iterable[Finding]:
    needs = afloat.gaps()
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "balance.states-afloat",
        "ok",
        "{n} states followed afloat",
        "Empty and every loading. Small-change method: KM and the waterplane are held at the draft found.",
        n=q(len(afloat.keys), "count"),
    )
