"""Findings of the craft bench."""

from __future__ import annotations

from collections.abc import Iterable

from ..errors import CannotSay, InputError, Need
from ..finding import Finding, q, rule, verdict, word
from ..resolve import got
from .section import CraftBench


@rule(
    "craft.as-found",
    "Mass and CG as found",
    limit="all readings, tares and places known",
    source="statics; FAA-H-8083-1B ch. 3 (from memory)",
    mark="statics",
)
def as_found(bench: CraftBench) -> Iterable[Finding]:
    bodies = bench.as_found
    for body in bodies:
        for maybe in (body.mass, body.x, body.y):
            got(maybe)
    yield verdict(
        "craft.as-found", "ok", "As found: {m} at {x}", "Measured on {n} supports." if bench.craft.as_found.method == "weighing" else "From an old report: weigh it before you cut metal.",
        m=q(got(bodies[0].mass).value, "mass"), x=q(got(bodies[0].x).value, "length"), n=q(len(bench.supports), "count"),
    )  # fmt: skip


@rule(
    "craft.empty-scale",
    "A wheel that carries nothing",
    limit="net reading above zero",
    source="common practice, no source",
    mark="common practice",
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
    o = bench.craft.outline
    words = {
        "nose": "station of the nose", "tail": "station of the tail end", "top": "water line of the top of the fuselage",
        "belly": "water line of the belly", "wing": "station of the wing's leading edge", "wing_chord": "chord of the wing",
        "wing_water_line": "water line of the wing", "fin_top": "water line of the top of the fin", "wheel": "diameter of the main wheel",
    }  # fmt: skip
    needs = [Need(f"/craft/outline/{k}", w) for k, w in words.items() if getattr(o, k) is None]
    needs += [
        Need(f"/craft/supports/{k}/water_line", f"ground line under the {s.name}")
        for k, s in bench.supports
        if s.water_line is None
    ]
    for placed in [*([bench.resolved.old] if bench.resolved.old else []), *bench.resolved.installations]:
        unit = placed.installation.unit
        for part, what in (("length", "length"), ("height", "height"), ("box_up", "middle over its shaft")):
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
        Need(f"/craft/tanks/{k}/capacity", f"usable volume of the {t.name}")
        for k, t in craft.tanks.items()
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
    for loading_id, loading in bench.resolved.project.loadings.items():
        for tank_id, volume in loading.fuel.items():
            tank = craft.tanks[tank_id]
            if tank.capacity is not None and volume.si > tank.capacity.si * (1 + 1e-9):
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
        n=q(len(craft.tanks), "count"),
        s=q(len(craft.seats), "count"),
    )


@rule("craft.references", "References placed", limit="each reference has a station", source="drawing", mark="statics")
def references(bench: CraftBench) -> Iterable[Finding]:
    refs = bench.craft.references
    needs = [
        Need(f"/craft/references/{k}/station", f"station of the {r.name}") for k, r in refs.items() if r.station is None
    ]
    if "firewall" not in refs:
        needs.append(Need("/craft/references/firewall", "the firewall as a reference"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "craft.references", "ok", "References are placed", "{n} places to measure from.", n=q(len(refs), "count")
    )
