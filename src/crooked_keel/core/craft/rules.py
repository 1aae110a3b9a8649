"""Findings of the craft bench."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ..errors import CannotSay, InputError, Need
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..resolve import got
from .section import CraftBench, repeats
from .weighing import level_shift, mean_of_repeats

_KNOWN_BY = {
    "weighing": "Measured on {n} supports.",
    "freeboards": "By {n} freeboards and a form estimate of her canoe body.",
    "report": "From an old report: weigh it before you cut metal.",
}


@rule(
    "craft.as-found",
    "Mass and CG as found",
    limit="all readings, tares and places known",
    source="statics; FAA-H-8083-1B ch. 3 (from memory)",
    mark="statics",
)
def as_found(bench: CraftBench) -> Iterable[Finding]:
    bodies = bench.as_found
    method, afloat = bench.craft.as_found.method, bench.resolved.has("afloat")
    for body in bodies:
        for maybe in (body.mass, body.x, body.y):
            got(maybe)
    yield verdict(
        "craft.as-found", "ok", "As found: {m} at {x}", _KNOWN_BY["freeboards" if afloat and method == "weighing" else method],
        m=q(got(bodies[0].mass).value, "mass"), x=q(got(bodies[0].x).value, "length"), n=q(len(bench.floating.marks if afloat else bench.supports), "count"),
    )  # fmt: skip


@rule(
    "craft.empty-scale",
    "A wheel that carries nothing",
    limit="net reading above zero",
    source="common practice, no source",
    mark="common practice",
    form="scales",
)
def empty_scale(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.method != "weighing":
        return
    for key, support in bench.supports:
        if support.reading is not None and support.tare is not None and support.reading.si == support.tare.si:
            yield verdict(
                "craft.empty-scale",
                "watch",
                "{s} carries nothing",
                "Net reading is zero. Is the wheel on the scale?",
                subject=key,
                s=word(support.name),
            )


@rule(
    "craft.repeats", "Repeats agree", limit="readings of one scale within 0.5 %", source="common practice, no source", mark="common practice", form="scales",
)  # fmt: skip
def repeated(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.method != "weighing":
        return
    for key, support in bench.supports:
        readings = repeats(support)
        if len(readings) < 2 or support.reading is None:
            continue
        mean = mean_of_repeats(readings)[0]
        spread = max(readings) - min(readings)
        wide = spread > 0.005 * mean
        yield verdict(
            "craft.repeats", "watch" if wide else "ok", "{s}: {n} readings {d} apart", "Mean {m}." + (" Scale on grass, brakes on, or tyres pushed sideways: roll it off and on again." if wide else ""),
            subject=key, s=word(support.name), n=q(len(readings), "count"), d=q(spread, "mass"), m=q(mean, "mass"), compared=Compared(value=spread, dimension="mass", hi=0.005 * mean),
        )  # fmt: skip


@rule(
    "craft.report",
    "Weighed or reported",
    limit="weighed",
    source="AC 43.13-1B ch. 10 (from memory)",
    mark="from memory",
)
def report(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.method == "report":
        yield verdict(
            "craft.report",
            "watch",
            "The old report is taken at its word",
            "Old sheets drift: paint, repairs and radios are often missing. Weigh the craft as it stands.",
        )


@rule(
    "craft.limits",
    "Limits given",
    limit="forward, aft and gross, or an envelope",
    source="maker or designer of the craft",
    mark="statics",
    form="cg limits",
)
def limits(bench: CraftBench) -> Iterable[Finding]:
    given = bench.craft.limits
    needs: list[Need] = []
    if not given.envelope:
        if given.forward is None:
            needs.append(Need("/craft/limits/forward", "forward CG limit"))
        if given.aft is None:
            needs.append(Need("/craft/limits/aft", "aft CG limit"))
    if given.gross is None:
        needs.append(Need("/craft/limits/gross", "gross mass"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "craft.limits", "ok", "Limits are given", "CG limits and gross mass as entered, from the designer's papers."
    )


@rule(
    "craft.levelling",
    "Datum and levelling",
    limit="both written down",
    source="AC 43.13-1B ch. 10 (from memory)",
    mark="from memory",
)
def levelling(bench: CraftBench) -> Iterable[Finding]:
    needs = []
    if not bench.craft.datum_note:
        needs.append(Need("/craft/datum_note", "what the datum is"))
    if not bench.craft.levelling_note:
        needs.append(Need("/craft/levelling_note", "how the craft is levelled"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "craft.levelling",
        "ok",
        "Datum and levelling are written down",
        "{d}. {v}.",
        d=word(bench.craft.datum_note.rstrip(".")),
        v=word(bench.craft.levelling_note.rstrip(".")),
    )


@rule("craft.outline", "Profile drawn to scale", limit="the measures of the outline", source="drawing", mark="statics")
def outline(bench: CraftBench) -> Iterable[Finding]:
    o, words = bench.craft.outline, bench.resolved.references.kind.outline
    needs = [Need(f"/craft/outline/{k}", w) for k, w in words.items() if getattr(o, k) is None]
    needs += [
        Need(f"/craft/supports/{k}/water_line", f"ground line under the {s.name}")
        for k, s in bench.supports
        if s.water_line is None
    ]
    across = bench.resolved.has("across")
    for placed in [*bench.resolved.old, *bench.resolved.installations]:
        unit = placed.installation.unit
        parts = [("length", "length"), ("height", "height"), ("box_up", "middle over its shaft")]
        if across:
            parts.append(("box_aft", "middle, aft of its shaft"))
        for part, what in parts:
            if getattr(unit, part) is None:
                needs.append(Need(f"{placed.pointer}/unit/{part}", f"{what} of the {placed.name}"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "craft.outline",
        "ok",
        "The profile is drawn to scale",
        "Every measure of the outline and of the units is entered.",
    )


@rule(
    "craft.fuel",
    "Tanks and places known",
    limit="usable volume of each tank, and where everything sits",
    source="maker or designer of the craft",
    mark="statics",
)
def fuel(bench: CraftBench) -> Iterable[Finding]:
    craft = bench.craft
    needs = [
        Need(f"{p}/capacity", f"usable volume of the {t.name}")
        for _, p, t in bench.resolved.tanks
        if t.capacity is None
    ]
    needs += [
        Need(f"/craft/{kind}/{k}/{part}", f"{words} of the {item.name}")
        for kind, items in (("tanks", craft.tanks), ("seats", craft.seats))
        for k, item in items.items()
        for part, words in (("butt_line", "butt line"), ("water_line", "water line"))
        if getattr(item, part) is None
    ]
    if needs:
        raise CannotSay(*needs)
    tanks = {k: t for k, _, t in bench.resolved.tanks}
    for _, pointer, t in bench.resolved.tanks:
        if t.density is not None and not 600 <= t.density.si <= 1100:
            raise InputError(
                f"{pointer}/density",
                f"no fuel has the density given for the {t.name}",
                given=t.density.entered,
                allowed="600 to 1100 kg/m³",
            )
    for loading_id, loading in bench.resolved.project.loadings.items():
        for tank_id, volume in loading.fuel.items():
            tank = tanks.get(tank_id)  # one of another fit is not looked at here
            if tank is not None and tank.capacity is not None and volume.si > tank.capacity.si * (1 + 1e-9):
                raise InputError(
                    f"/loadings/{loading_id}/fuel/{tank_id}",
                    f"{loading.name}: more fuel than the {tank.name} holds",
                    given=volume.entered,
                    allowed=f"up to {tank.capacity.entered}",
                )
    yield verdict(
        "craft.fuel",
        "ok",
        "Tanks and places are known",
        "Tanks: {n}. Seats and baggage places: {s}.",
        n=q(len(tanks), "count"),
        s=q(len(craft.seats), "count"),
    )


@rule("craft.references", "References placed", limit="each reference has a station", source="drawing", mark="statics")
def references(bench: CraftBench) -> Iterable[Finding]:
    refs = bench.craft.references
    needs = [
        Need(f"/craft/references/{k}/station", f"station of the {r.name}") for k, r in refs.items() if r.station is None
    ]
    if bench.resolved.has("firewall") and "firewall" not in refs:
        needs.append(Need("/craft/references/firewall", "the firewall as a reference"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "craft.references", "ok", "References are placed", "{n} places to measure from.", n=q(len(refs), "count")
    )


@rule(
    "craft.freeboards",
    "Freeboards lie in one plane",
    limit="misfit 3 mm or less, else watch",
    source="least squares; with four corners a reading wrong by e shows as e/4; 3 mm: common practice, no source",
    mark="common practice",
    form="afloat",
)
def freeboards(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.method == "report":
        return
    plane = bench.floating.waterplane
    worst = max(plane.residuals_m, key=abs)
    level: Level = "ok" if abs(worst) <= 0.003 else "watch"
    yield verdict(
        "craft.freeboards", level, "Freeboards lie in one plane" if level == "ok" else "Freeboards misfit by {d}",
        "{n} readings, misfit {d}. Lines slack, nobody aboard, all within one minute." if level == "ok" else
        "{n} readings do not lie in one plane. With four corners one reading may be wrong by four times that, or she is twisted: read again, and two more amidships.",
        compared=Compared(value=abs(worst), dimension="fine_length", hi=0.003),
        n=q(len(plane.residuals_m), "count"), d=q(abs(worst), "fine_length"),
    )  # fmt: skip


@rule(
    "craft.form-estimate",
    "Her hydrostatics",
    limit="a designer's table or sections ok, a form estimate watch",
    source="naval architecture texts (from memory): canoe body of a monohull only",
    mark="from memory",
    form="afloat",
)
def form_estimate(bench: CraftBench) -> Iterable[Finding]:
    if bench.floating.by != "form estimate":
        row = bench.floating.row
        yield verdict(
            "craft.form-estimate", "ok", "Her hydrostatics are by the {by}", "At a draft of {t} she displaces {m}, centre of flotation {x}. Even keel; small trim and heel are held to it.",
            by=word(bench.floating.by), t=q(row.draft_m, "length"), m=q(row.displacement_kg, "mass"), x=q(row.lcf_m, "length"),
        )  # fmt: skip
        return
    h = bench.floating.hydro
    yield verdict(
        "craft.form-estimate", "watch", "Her hydrostatics are an estimate by form",
        "Canoe body of a monohull, keel and skeg left out. GM by two published factors: {a} or {b} over the centre of buoyancy; the smaller is used. Time her roll or incline her before you trust it.",
        a=q(h.bm_m, "length"), b=q(h.bm_other_m, "length"),
    )  # fmt: skip


@rule(
    "craft.freeboards-read", "How freeboards were read", limit="afloat, nobody aboard, lines slack; with people aboard watch, ashore stop", source="common practice, no source", mark="common practice", form="afloat",
)  # fmt: skip
def freeboards_read(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.method != "freeboards":
        return
    how = bench.craft.flotation.read
    if how is None:
        raise CannotSay(Need("/craft/flotation/read", "how the freeboards were read"))
    level: Level = "ok" if how.startswith("afloat") else "watch" if how == "with people aboard" else "stop"
    words = {
        "ok": "All within a minute, and again after changing sides.", "watch": "People weigh, and never sit still: read again with nobody aboard.",
        "stop": "Ashore they say nothing of how she floats: read them afloat.",
    }  # fmt: skip
    yield verdict("craft.freeboards-read", level, "Freeboards read {h}", words[level], h=word(how))


@rule(
    "craft.inclining", "Inclining test", limit="every reading within 5 % of the largest moment of its line", source="ASTM F1321 (from memory); 5 %: common practice", mark="from memory", form="afloat",
)  # fmt: skip
def inclining(bench: CraftBench) -> Iterable[Finding]:
    found = bench.floating.inclined
    if found is None:
        return
    worst = max(abs(r) for r in found.residuals_kg_m)
    largest = max(
        abs(r.weight.si * r.moved.si) for r in bench.craft.flotation.inclining.readings.values() if r.weight and r.moved
    )
    level: Level = "ok" if worst <= 0.05 * largest else "watch"
    yield verdict(
        "craft.inclining", level, "GM {g} by inclining, {n} readings", "Furthest off the line by {d} of {m}. As found, with the free surface that she then had." + ("" if level == "ok" else " Wind, a taut line or somebody moving: do it again."),
        g=q(found.gm_m, "length"), n=q(len(found.residuals_kg_m), "count"), d=q(worst, "mass_moment"), m=q(largest, "mass_moment"), compared=Compared(value=worst, dimension="mass_moment", hi=0.05 * largest),
    )  # fmt: skip


@rule(
    "craft.level",
    "Level on the scales",
    limit="0.5° or less ok; more watch; more than 2° with the height of the CG unknown stop; 5° refused",
    source="statics; the limits: common practice, no source",
    mark="common practice",
    form="scales",
)
def off_level(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.method != "weighing" or bench.craft.as_found.pitch is None:
        return
    pitch, shift = bench.pitch, bench.level_shift
    off = abs(pitch)
    compared = Compared(value=off, dimension="angle", hi=math.radians(0.5))
    if not bench.height_known:
        level: Level = "stop" if off > math.radians(2) else "watch" if off > math.radians(0.5) else "ok"
        yield verdict(
            "craft.level", level, "Weighed {p} off level, height of the CG not known", "Not corrected; the CG is in doubt by ±{u} more. Level it and weigh again, or give the height.",
            compared=compared, p=q(off, "angle"), u=q(2 * shift.u, "length"),
        )  # fmt: skip
        return
    yield verdict(
        "craft.level", "ok" if off <= math.radians(0.5) else "watch", "Weighed {p} off level, CG corrected by {d}", "The scales put the CG {d} too far {way}; it is taken out. A CG {z} over the {base}.",
        working=level_shift.working(bench.height_over_axles.value, pitch), compared=compared,
        p=q(off, "angle"), d=q(abs(shift.value), "length"), way=word("aft" if shift.value > 0 else "forward"), z=q(bench.height_over_axles.value, "length"), base=word("axles" if bench.radii_known else "ground, the cautious side"),
    )  # fmt: skip


@rule(
    "craft.tilt",
    "Height by lifting one end",
    limit="tilt 8° or more ok, 3° to 8° watch, less refused",
    source="statics; ISO 9130 and ISO 10392 (scope, from memory)",
    mark="from memory",
    form="stands on wheels",
)
def tilt(bench: CraftBench) -> Iterable[Finding]:
    if bench.craft.as_found.raised.reading is None:
        return
    t = bench.tilted
    level: Level = "ok" if t.tilt_rad >= math.radians(8) else "watch"
    yield verdict(
        "craft.tilt", level, "CG {z} over the ground, tilt {t}",
        "One kilogram on the scale is worth {k} of height. Suspension blocked, brakes off, the lifted end in a cradle, a second person by it.",
        compared=Compared(value=t.tilt_rad, dimension="angle", lo=math.radians(8)),
        z=q(t.height_m, "length"), t=q(t.tilt_rad, "angle"), k=q(t.height_per_kg, "length"),
    )  # fmt: skip


@rule(
    "craft.cross",
    "Cross weight",
    limit="49 to 51 % ok, else watch",
    source="common practice, no source",
    mark="common practice",
    form="corners",
)
def cross(bench: CraftBench) -> Iterable[Finding]:
    if len(bench.supports) != 4:
        return
    c = bench.corners
    level: Level = "ok" if abs(c.cross - 0.5) <= 0.01 else "watch"
    yield verdict(
        "craft.cross", level, "Cross weight {c}", "Starboard front with port rear. Only the spring perches change it; front {f} and port {p} change by moving mass.",
        compared=Compared(value=c.cross, dimension="percent", lo=0.49, hi=0.51), c=q(c.cross, "percent"), f=q(c.front, "percent"), p=q(c.port, "percent"),
    )  # fmt: skip
