"""Findings of the craft bench."""

from __future__ import annotations

from collections.abc import Iterable

from ...document.fields import signed
from ...errors import CannotSay, Gap, InputError
from ...judging.band import beyond, told, within
from ...judging.finding import STATION, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import measure
from ...judging.values import said_of
from ...resolved.craft import Resolved
from ...resolved.floating import Floating
from ...resolved.loads import Loads
from ...resolved.references import got
from ...resolved.remarkable import MOST_TRIED, Remarkable
from ..weighing.quantities import Weighing
from .quantities import Found

_KNOWN_BY = {
    "weighing": "Measured on {n} supports.",
    "freeboards": "By {n} freeboards and {by}.",
    "report": "From an old report: weigh it before you cut metal.",
}
_HULL_BY = {
    "form estimate": "a form estimate of her canoe body",
    "sections": "her sections",
    "designer's table": "the designer's table",
}


@rule(
    "craft.as-found",
    "Mass and CG as found",
    limit="all readings, tares and places known",
    source="statics; FAA-H-8083-1B ch. 3 (from memory)",
    mark="statics",
)
def as_found(found: Found, weighing: Weighing, floating: Floating | None, resolved: Resolved) -> Iterable[Verdict]:
    bodies = found.as_found
    method, afloat = resolved.project.craft.as_found.method, resolved.has("afloat")
    for body in bodies:
        for maybe in (body.mass, body.x, body.y):
            got(maybe)
    yield verdict(
        "ok",
        "As found: {m} at {x}",
        _KNOWN_BY["freeboards" if afloat and method == "weighing" else method],
        m=q(got(bodies[0].mass).value, "mass"),
        x=q(got(bodies[0].x).value, "length", STATION),
        n=q(len(floating.marks if floating else weighing.supports), "count"),
        by=word(_HULL_BY[floating.by] if floating else ""),
    )


@rule(
    "craft.report",
    "Weighed or reported",
    limit="weighed",
    source="AC 43.13-1B ch. 10 (from memory)",
    mark="from memory",
    settles=measure("Weigh the craft as it stands."),
)
def report(resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method == "report":
        yield verdict(
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
def limits(resolved: Resolved) -> Iterable[Verdict]:
    given = resolved.project.craft.limits
    needs: list[Gap] = []
    if not given.envelope:
        if given.forward is None and given.forward_mac is None:
            needs.append(Gap("/craft/limits/forward", "forward CG limit"))
        if given.aft is None and given.aft_mac is None:
            needs.append(Gap("/craft/limits/aft", "aft CG limit"))
    if given.gross is None:
        needs.append(Gap("/craft/limits/gross", "gross mass"))
    if needs:
        raise CannotSay(*needs)
    yield verdict("ok", "Limits are given", "CG limits and gross mass as entered, from the designer's papers.")


@rule(
    "craft.untried",
    "Wide doubts that were not tried",
    limit="none beyond the twelve widest, else watch",
    source="proposed",
    mark="proposed",
    settles=measure("The figures with the widest ±, until no more than twelve are left."),
    about="figures",
)
def untried(remarkable: Remarkable) -> Iterable[Verdict]:
    left = remarkable.untried
    if not left:
        return
    yield verdict(
        told(float(MOST_TRIED + len(left)), "count", "watch", "only the widest were tried"),
        counted(len(left), "One figure with a wide ± was", "{n} figures with a wide ± were")
        + " not tried at both ends",
        "Only the {most} widest were: what is ok may turn with one of the others. Measure what has the widest ± first.",
        needs=[Gap(pointer, said_of(pointer), figure.entered, "a narrower ±") for pointer, figure in left],
        n=q(len(left), "count"),
        most=q(MOST_TRIED, "count"),
    )


@rule(
    "craft.unusual",
    "Figures outside what is usual",
    limit="none outside the range of its sort, else watch",
    source="ranges of each sort of figure: proposed",
    mark="proposed",
    settles=measure("Look at the figure again, with its unit; if it was meant, nothing is to be done."),
    about="figures",
)
def unusual(remarkable: Remarkable) -> Iterable[Verdict]:
    for pointer, figure in remarkable.unusual:
        lo, hi = figure.usual
        shown = figure.shown or figure.dimension
        yield verdict(
            beyond(signed(figure), shown, within(lo, hi), "watch"),
            "{w}: {a}. Was that meant?",
            ("Up to {hi} either way" if lo == -hi else "{lo} to {hi}")
            + " is usual for such a figure. The other findings take it as it stands.",
            subject=pointer.strip("/").replace("/", "."),
            needs=[
                Gap(
                    pointer,
                    "this figure, looked at again",
                    figure.entered,
                    figure.allowed or "the same, if it was meant",
                )
            ],
            w=word(said_of(pointer)),
            a=q(figure.si, shown),
            lo=q(lo, shown),
            hi=q(hi, shown),
        )


@rule(
    "craft.levelling",
    "Datum and levelling",
    limit="both written down",
    source="AC 43.13-1B ch. 10 (from memory)",
    mark="from memory",
)
def levelling(resolved: Resolved) -> Iterable[Verdict]:
    needs = []
    if not resolved.project.craft.datum_note:
        needs.append(Gap("/craft/datum_note", "what the datum is"))
    if not resolved.project.craft.levelling_note:
        needs.append(Gap("/craft/levelling_note", "how the craft is levelled"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "ok",
        "Datum and levelling are written down",
        "{d}. {v}.",
        d=word(resolved.project.craft.datum_note.rstrip(".")),
        v=word(resolved.project.craft.levelling_note.rstrip(".")),
    )


@rule("craft.outline", "Profile drawn to scale", limit="the measures of the outline", source="drawing", mark="statics")
def outline(weighing: Weighing, resolved: Resolved) -> Iterable[Verdict]:
    o, words = resolved.project.craft.outline, resolved.references.kind.outline
    needs = [Gap(f"/craft/outline/{k}", w) for k, w in words.items() if getattr(o, k) is None]
    needs += [
        Gap(f"/craft/supports/{k}/water_line", f"ground line under the {s.name}")
        for k, s in weighing.supports
        if s.water_line is None
    ]
    across = resolved.has("across")
    for placed in [*resolved.old, *resolved.installations]:
        unit = placed.installation.unit
        parts = [("length", "length"), ("height", "height"), ("box_up", "middle over its shaft")]
        if across:
            parts.append(("box_aft", "middle, aft of its shaft"))
        for part, what in parts:
            if getattr(unit, part) is None:
                needs.append(Gap(f"{placed.pointer}/unit/{part}", f"{what} of the {placed.name}"))
    if needs:
        raise CannotSay(*needs)
    yield verdict(
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
def fuel(loads: Loads, resolved: Resolved) -> Iterable[Verdict]:
    craft = resolved.project.craft
    needs = [
        Gap(f"{p}/capacity", f"usable volume of the {t.name}") for _, p, t in loads.tanks(True) if t.capacity is None
    ]
    needs += [
        Gap(f"/craft/{kind}/{k}/{part}", f"{words} of the {item.name}")
        for kind, items in (("tanks", craft.tanks), ("seats", craft.seats))
        for k, item in items.items()
        for part, words in (("butt_line", "butt line"), ("water_line", "water line"))
        if getattr(item, part) is None
    ]
    if needs:
        raise CannotSay(*needs)
    tanks = {k: t for k, _, t in loads.tanks(True)}
    for _, pointer, t in loads.tanks(True):
        if t.density is not None and not 600 <= t.density.si <= 1100:
            raise InputError(
                f"{pointer}/density",
                f"no fuel has the density given for the {t.name}",
                given=t.density.entered,
                allowed="600 to 1100 kg/m³",
            )
    for loading_id, loading in loads.loadings.items():
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
        "ok",
        "Tanks and places are known",
        "Tanks: {n}. Seats and baggage places: {s}.",
        n=q(len(tanks), "count"),
        s=q(len(craft.seats), "count"),
    )


@rule("craft.references", "References placed", limit="each reference has a station", source="drawing", mark="statics")
def references(resolved: Resolved) -> Iterable[Verdict]:
    refs = resolved.project.craft.references
    needs = [
        Gap(f"/craft/references/{k}/station", f"station of the {r.name}") for k, r in refs.items() if r.station is None
    ]
    if resolved.has("firewall") and "firewall" not in refs:
        needs.append(Gap("/craft/references/firewall", "the firewall as a reference"))
    if needs:
        raise CannotSay(*needs)
    none = "None is named beside the datum: all is measured from there."
    from_where = counted(len(refs), "One place to measure from.", "{n} places to measure from.") if refs else none
    yield verdict("ok", "References are placed", from_where, n=q(len(refs), "count"))
