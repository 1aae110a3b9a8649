"""Findings of a craft that floats, as found."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...figure.trace import above_zero
from ...judging.band import at_most, band
from ...judging.finding import STATION, Level, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import measure
from ...resolved.craft import Resolved
from ...resolved.floating import Floating


@rule(
    "craft.freeboards",
    "Freeboards lie in one plane",
    limit="misfit 3 mm or less, else watch",
    source="least squares; with four corners a reading wrong by e shows as e/4; 3 mm: common practice, no source",
    mark="common practice",
    form="afloat",
    settles=measure("Read all freeboards again within a minute, and two more amidships."),
)
def freeboards(floating: Floating, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method == "report":
        return
    plane = floating.waterplane
    if len(plane.residuals_m) < 4:
        yield verdict(
            "watch",
            counted(len(plane.residuals_m), "One freeboard", "{n} freeboards") + " only: nothing checks them",
            "A plane lies through any three. Read a fourth, off the line of the others.",
            n=q(len(plane.residuals_m), "count"),
        )
        return
    worst = max(plane.residuals_m, key=abs)
    judged = band(abs(worst), "fine_length", ok=at_most(0.003))
    yield verdict(
        judged,
        "Freeboards lie in one plane" if judged.level == "ok" else "Freeboards misfit by {d}",
        "{n} readings, misfit {d}. Lines slack, nobody aboard, all within one minute."
        if judged.level == "ok"
        else "{n} readings do not lie in one plane. With four corners one reading may be wrong by four times that, or "
        "she is twisted: read again, and two more amidships.",
        n=q(len(plane.residuals_m), "count"),
        d=q(abs(worst), "fine_length"),
    )


@rule(
    "craft.form-estimate",
    "Her hydrostatics",
    limit="a designer's table or sections ok, a form estimate watch",
    source="naval architecture texts (from memory): canoe body of a monohull only",
    mark="from memory",
    form="afloat",
    settles=measure("Enter a designer's table or her sections; failing them time ten rolls."),
)
def form_estimate(floating: Floating) -> Iterable[Verdict]:
    if floating.by != "form estimate":
        row = floating.row
        yield verdict(
            "ok",
            "Her hydrostatics are by the {by}",
            "At a draft of {t} she displaces {m}, centre of flotation {x}. Even keel; small trim and heel are "
            "held to it.",
            by=word(floating.by),
            t=q(row.draft_m, "length"),
            m=q(row.displacement_kg, "mass"),
            x=q(row.lcf_m, "length", STATION),
        )
        return
    h = floating.hydro
    yield verdict(
        "watch",
        "Her hydrostatics are an estimate by form",
        "Canoe body of a monohull, keel and skeg left out. GM by two published factors: {a} or {b} over the "
        "centre of buoyancy; the smaller is used. Time her roll or incline her before you trust it.",
        a=q(h.bm_m, "length"),
        b=q(h.bm_other_m, "length"),
    )


@rule(
    "craft.freeboards-read",
    "How freeboards were read",
    limit="afloat, nobody aboard, lines slack; with people aboard watch, ashore stop",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
    settles=measure("Read them afloat, lines slack, nobody aboard."),
)
def freeboards_read(resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method != "freeboards":
        return
    how = resolved.project.craft.flotation.read
    if how is None:
        raise CannotSay(Gap("/craft/flotation/read", "how the freeboards were read"))
    level: Level = "ok" if how.startswith("afloat") else "watch" if how == "with people aboard" else "stop"
    words = {
        "ok": "All within a minute, and again after changing sides.",
        "watch": "People weigh, and never sit still: read again with nobody aboard.",
        "stop": "Ashore they say nothing of how she floats: read them afloat.",
    }
    yield verdict(level, "Freeboards read {h}", words[level], h=word(how))


# Heel of an inclining test: enough to read, small enough to be straight. ASTM F1321 (from memory).
_LEAST_INCLINED, _MOST_INCLINED = math.radians(1), math.radians(4)


@rule(
    "craft.inclining",
    "Inclining test",
    limit="every reading within 5 % of its line, heeled 1 to 4°, to both sides, four readings, known to a tenth; else "
    "watch",
    source="ASTM F1321 (from memory); 5 % and a tenth: common practice",
    mark="from memory",
    form="afloat",
    settles=measure("Incline her again as its sentence says: both sides, 1 to 4°, in still water."),
)
def inclining(floating: Floating, resolved: Resolved) -> Iterable[Verdict]:
    found = floating.inclined
    if found is None:
        return
    test = resolved.project.craft.flotation.inclining
    worst = max(abs(r) for r in found.residuals_kg_m)
    largest = max(abs(r.weight.si * r.moved.si) for r in test.readings.values() if r.weight and r.moved)
    judged = band(worst, "mass_moment", ok=at_most(0.05 * largest))
    length = above_zero(test.pendulum, "/craft/flotation/inclining/pendulum", "length of the pendulum")
    heels = [abs(math.atan(r.pendulum.si / length)) for r in test.readings.values() if r.pendulum]
    moved = [r.moved.si for r in test.readings.values() if r.moved]
    most = max(heels)
    faults = [
        words
        for fault, words in (
            (judged.level != "ok", "wind, a taut line or somebody moving"),
            (most > _MOST_INCLINED, "heeled beyond 4°, where the line bends: move less"),
            (most < _LEAST_INCLINED, "heeled under 1°: move more"),
            (min(moved) >= 0 or max(moved) <= 0, "moved to one side only: move to the other too"),
            (len(moved) < 4, "fewer than four readings"),
            (2 * found.u_m > 0.1 * abs(found.gm_m), "scattered by more than a tenth of GM"),
        )
        if fault
    ]
    yield verdict(
        judged.or_by("watch", "; ".join(faults), bool(faults)),
        "GM {g} ±{u} by inclining, {n} readings",
        "Furthest off the line by {d} of {m}, heeled to {h}. As found, with the free surface that she then had."
        + (" Do it again: {f}." if faults else ""),
        g=q(found.gm_m, "length"),
        u=q(2 * found.u_m, "length"),
        n=q(len(found.residuals_kg_m), "count"),
        d=q(worst, "mass_moment"),
        m=q(largest, "mass_moment"),
        h=q(most, "angle"),
        f=word("; ".join(faults)),
    )


@rule(
    "craft.gm-twice",
    "GM by two tests",
    limit="inclined within what the rolling test leaves open, else unknown",
    source="one boat has one GM",
    mark="statics",
    form="afloat",
)
def gm_twice(floating: Floating) -> Iterable[Verdict]:
    inclined, rolled = floating.inclined, floating.gm_rolled
    if inclined is None or rolled is None or not floating.gm_disagrees:
        return
    yield verdict(
        "unknown",
        "GM {a} by inclining, {b} or more by rolling: which?",
        "They cannot both be right. The lower is judged meanwhile. Was the full roll timed, port to port, over "
        "ten? Was "
        "nothing taut while she was inclined?",
        needs=[Gap("/craft/flotation/inclining/roll", "time of a full roll, again, or the inclining test")],
        a=q(inclined.gm_m, "length"),
        b=q(rolled.gm_m, "length"),
    )


@rule(
    "craft.table-against-sections",
    "Her table against her sections",
    limit="displacement within 5 %, else unknown",
    source="one hull; 5 %: common practice, no source",
    mark="common practice",
    form="afloat",
)
def table_against_sections(floating: Floating) -> Iterable[Verdict]:
    both = floating.table_against_sections
    if both is None or abs(both[0] - both[1]) <= 0.05 * both[0]:
        return
    yield verdict(
        "unknown",
        "Her table carries {a}, her sections {b}, at the same draft: which?",
        "The table is taken meanwhile. Is its draft over the same keel, is it for this boat, are the sections to the "
        "outside of the planking?",
        needs=[Gap("/craft/flotation/table", "hydrostatic table, or sections, checked")],
        a=q(both[0], "mass"),
        b=q(both[1], "mass"),
    )
