"""Findings of a craft afloat: trim, heel, stability, freeboard."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...figure.trace import need
from ...judging.band import Band, at_least, band, kept, within
from ...judging.finding import LEVELS, LeftOut, Ways, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, decide, measure
from ...physics.hydrostatics import trim_change
from ...physics.stability import bottom_loading, lcg_fraction
from ...resolved.craft import Resolved
from ...resolved.references import got
from ..ledger.quantities import Ledger
from .quantities import OK_TRIM, STOP_TRIM, AfloatStates, MarkOut

_BY_END = Ways("by the stern", "by the bow")
_BY_WEIGHT = Ways("more", "less")
HEEL_OK, HEEL_STOP = math.radians(1), math.radians(3)


@rule(
    "balance.displacement-change",
    "Change of displacement",
    limit="5 % or less ok, 10 % or less watch, more stop",
    source="validity of the small-change method; ship stability texts (from memory)",
    mark="from memory",
    form="afloat",
    settles=decide("A lighter unit or less with it; or her hydrostatics worked at the new draft."),
)
def displacement_change(afloat: AfloatStates) -> Iterable[Verdict]:
    s = afloat.worst("change")
    share = (s.after.displacement_kg - s.before.displacement_kg) / s.before.displacement_kg
    judged = band(share, "percent", ok=within(-0.05, 0.05), watch=within(-0.1, 0.1))
    words = {
        "ok": "",
        "watch": " The small-change method begins to miss.",
        "stop": " Beyond the small-change method: trim, heel and freeboards below are not good enough to act on.",
    }
    yield verdict(
        judged,
        "Displacement {p}",
        "{s}: {a} → {b}." + words[judged.level],
        left_out=afloat.unsaid,
        p=q(share, "percent", _BY_WEIGHT),
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
    settles=adjust("Move what is aboard anyway along her; no part can be moved far enough by itself."),
)
def trim(afloat: AfloatStates) -> Iterable[Verdict]:
    s = afloat.worst("trim")
    change, length = s.after.trim_m - s.before.trim_m, afloat.floating.length
    doubt = afloat.doubts(s.id)[0]
    ok, stop = OK_TRIM * length, STOP_TRIM * length
    judged = band(change, "length", ok=within(-ok, ok), watch=within(-stop, stop), doubt=doubt)
    level = judged.level
    end = "stern" if change >= 0 else "bow"
    yield verdict(
        judged,
        "Trims {d} by the {end}",
        "{s}, over her waterline: {a} → {b}, the change known to ±{u}. Small-change method, waterplane held as found.",
        left_out=afloat.unsaid,
        u=q(doubt, "length"),
        working=trim_change.working(s.after.trim_moment_kg_m - s.before.trim_moment_kg_m, s.after.mct_kg),
        can_suggest=level != "ok",
        d=q(abs(change), "length"),
        end=word(end),
        s=word(s.name),
        a=q(afloat.trim(s.before), "length", _BY_END),
        b=q(afloat.trim(s.after), "length", _BY_END),
    )


@rule(
    "balance.trim-at-rest",
    "Trim as she lies",
    limit="1 % of the waterline or less ok, 2.5 % or less watch, more stop; in every state",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
    settles=adjust("Shift stores, batteries or tanks along her; a designer says what she was drawn for."),
)
def trim_at_rest(afloat: AfloatStates, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method == "report":
        return  # a report says nothing of how she lay
    s = afloat.worst("lies")
    lies, length = afloat.trim(s.after), afloat.floating.length
    judged = band(
        lies, "length", ok=within(-0.01 * length, 0.01 * length), watch=within(-0.025 * length, 0.025 * length)
    )
    yield verdict(
        judged,
        "She lies {d}, {p} of her waterline",
        "{s}; it was {a}. 1 % is allowed, above 2.5 % it stops. Against the level line of the sheer as entered.",
        left_out=afloat.unsaid,
        d=q(lies, "length", _BY_END),
        p=q(abs(lies) / length, "percent"),
        s=word(s.name),
        a=q(afloat.trim(s.before), "length", _BY_END),
    )


@rule(
    "balance.dock-scale",
    "Her waterline against the ledger",
    limit="mass within twice its doubt, and 10 % of the moment of all that moved",
    source="hydrostatics, small change; the limits: common practice, no source",
    mark="common practice",
    form="afloat",
    settles=measure("Find what was left off the list, and read both sets of freeboards in one water."),
)
def dock(afloat: AfloatStates, resolved: Resolved) -> Iterable[Verdict]:
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
    judged = band(off, "mass", ok=within(-2 * read.u_kg, 2 * read.u_kg)).or_by(
        "watch", "the moments are apart by more than a tenth of what moved", not agrees
    )
    yield verdict(
        judged,
        "Her waterline says {r}, the ledger {m}" + ("" if agrees else ": {d} apart"),
        "Moment about the centre of flotation {a}, by the ledger {b}. Read to ±{u}; the same water both times."
        + ("" if agrees else " Find what was left off the list, or read again.")
        + (" What is off sits at {x} or so; the lines nearest there: {n}." if near and not agrees else ""),
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
    "balance.bottom-loading",
    "Bottom loading of a planing hull",
    limit="planing area 5.5 times the volume to two thirds or more ok, less watch",
    source="series planing-hull tests (from memory)",
    mark="from memory",
    form="afloat",
    settles=decide("Take weight out of her, or accept that she will not plane."),
)
def bottom_load(afloat: AfloatStates, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.trial.regime != "planing":
        return
    area_m2 = need(
        resolved.project.craft.flotation.planing_area,
        "/craft/flotation/planing_area",
        "planing area of the bottom, without the sides",
    ).si
    state = max(afloat.states(), key=lambda s: s.after.displacement_kg)
    density = afloat.floating.density.value
    before, after = (bottom_loading(area_m2, f.displacement_kg, density) for f in (state.before, state.after))
    yield verdict(
        band(after, "number", ok=at_least(5.5)),
        "Bottom loading {a} → {b}",
        "{s}, {m}." + ("" if after >= 5.5 else " Heavy for her bottom: slow onto the plane, if at all."),
        left_out=afloat.unsaid,
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
    settles=adjust("Move weight along her until the LCG is in the band."),
)
def lcg_planing(afloat: AfloatStates, ledger: Ledger, resolved: Resolved) -> Iterable[Verdict]:
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
        band(value, "percent", ok=within(0.33, 0.45)),
        "LCG {a} → {b} of the waterline from the transom",
        "Empty. By the series tests, 0 to 12 % of the planing length aft of its centroid: 36 to 48 %."
        + (
            ""
            if 0.33 <= value <= 0.45
            else " Far aft she porpoises and is slow onto the plane."
            if value < 0.33
            else " Far forward she is wet and steers by the bow."
        ),
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
    settles=adjust("Take weight out of that end of her; read the freeboard again afloat."),
)
def freeboard(afloat: AfloatStates) -> Iterable[Verdict]:
    lost = lambda m: 1 - m.after_si / m.before_si if m.before_si > 0 else 1.0

    def judge(m: MarkOut) -> Band:
        left = kept(m.after_si, "length", at_least(0.20))
        most = left.or_by("stop", "more than a quarter is lost", lost(m) > 0.25)
        return most.or_by("watch", "more than a tenth is lost", lost(m) > 0.10)

    state, mark = min((afloat.least(), afloat.most_lost()), key=lambda f: LEVELS.index(judge(f[1]).level))
    least, unsaid = afloat.least()[1], afloat.unsaid_stiff
    lolling = [s.name for s in afloat.states() if s.after.heel_rad is None]
    yield verdict(
        judge(mark),
        "Freeboard {b} left at {m}",
        "{s}: {a} → {b}, {p} lost; 10 % is allowed, 25 % lost or less than 200 mm left stops. Least of all {l} at {n}. "
        "Openings lower than the marks were not entered and not checked.",
        left_out=LeftOut([*unsaid.names, *(f"{n} (GM is lost)" for n in lolling)], unsaid.needs),
        a=q(mark.before_si, "length"),
        b=q(mark.after_si, "length"),
        m=word(mark.name),
        s=word(state.name),
        p=q(max(lost(mark), 0.0), "percent"),
        l=q(least.after_si, "length"),
        n=word(least.name),
    )


@rule(
    "balance.states-afloat",
    "Every state afloat",
    limit="every figure of every state",
    source="naval architecture (from memory)",
    mark="statics",
    form="afloat",
)
def states_afloat(afloat: AfloatStates) -> Iterable[Verdict]:
    yield verdict(
        "ok",
        counted(len(afloat.keys), "One state followed afloat", "{n} states followed afloat"),
        "Empty and every loading. Small-change method: KM and the waterplane are held at the draft found.",
        left_out=afloat.unsaid,
        n=q(len(afloat.keys), "count"),
    )
