"""Findings of a craft that floats, as found."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.band import at_most, band
from ...judging.finding import Finding, Level, q, word
from ...judging.register import rule, verdict
from ...resolved.craft import Resolved
from ...resolved.floating import Floating


@rule(
    "craft.freeboards",
    "Freeboards lie in one plane",
    limit="misfit 3 mm or less, else watch",
    source="least squares; with four corners a reading wrong by e shows as e/4; 3 mm: common practice, no source",
    mark="common practice",
    form="afloat",
)
def freeboards(floating: Floating, resolved: Resolved) -> Iterable[Finding]:
    if resolved.project.craft.as_found.method == "report":
        return
    plane = floating.waterplane
    worst = max(plane.residuals_m, key=abs)
    judged = band(abs(worst), "fine_length", ok=at_most(0.003))
    yield verdict(
        "craft.freeboards",
        judged.level,
        "Freeboards lie in one plane" if judged.level == "ok" else "Freeboards misfit by {d}",
        "{n} readings, misfit {d}. Lines slack, nobody aboard, all within one minute."
        if judged.level == "ok"
        else "{n} readings do not lie in one plane. With four corners one reading may be wrong by four times that, or "
        "she is twisted: read again, and two more amidships.",
        compared=judged.compared,
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
)
def form_estimate(floating: Floating) -> Iterable[Finding]:
    if floating.by != "form estimate":
        row = floating.row
        yield verdict(
            "craft.form-estimate",
            "ok",
            "Her hydrostatics are by the {by}",
            "At a draft of {t} she displaces {m}, centre of flotation {x}. Even keel; small trim and heel are "
            "held to it.",
            by=word(floating.by),
            t=q(row.draft_m, "length"),
            m=q(row.displacement_kg, "mass"),
            x=q(row.lcf_m, "length"),
        )
        return
    h = floating.hydro
    yield verdict(
        "craft.form-estimate",
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
)
def freeboards_read(resolved: Resolved) -> Iterable[Finding]:
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
    yield verdict("craft.freeboards-read", level, "Freeboards read {h}", words[level], h=word(how))


@rule(
    "craft.inclining",
    "Inclining test",
    limit="every reading within 5 % of the largest moment of its line",
    source="ASTM F1321 (from memory); 5 %: common practice",
    mark="from memory",
    form="afloat",
)
def inclining(floating: Floating, resolved: Resolved) -> Iterable[Finding]:
    found = floating.inclined
    if found is None:
        return
    worst = max(abs(r) for r in found.residuals_kg_m)
    largest = max(
        abs(r.weight.si * r.moved.si)
        for r in resolved.project.craft.flotation.inclining.readings.values()
        if r.weight and r.moved
    )
    judged = band(worst, "mass_moment", ok=at_most(0.05 * largest))
    yield verdict(
        "craft.inclining",
        judged.level,
        "GM {g} by inclining, {n} readings",
        "Furthest off the line by {d} of {m}. As found, with the free surface that she then had."
        + ("" if judged.level == "ok" else " Wind, a taut line or somebody moving: do it again."),
        g=q(found.gm_m, "length"),
        n=q(len(found.residuals_kg_m), "count"),
        d=q(worst, "mass_moment"),
        m=q(largest, "mass_moment"),
        compared=judged.compared,
    )
