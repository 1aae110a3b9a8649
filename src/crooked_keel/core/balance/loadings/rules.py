"""Findings of the loadings against the limits."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ...errors import CannotSay, or_gap, or_none
from ...figure.trace import standard_uncertainty
from ...judging.band import Band, at_least, at_most, band, beyond, kept, within
from ...judging.certainty import chance_at_most
from ...judging.finding import BUTT_LINE, STATION, LeftOut, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, decide, measure
from ...judging.subjects import Subject, known_of
from ...resolved.craft import Resolved
from ...resolved.loads import Loads
from ..ledger.functions import apply_ledger
from ..ledger.quantities import Ledger
from ..limits.quantities import CraftLimits
from .every import EveryLoading
from .frontier import Side, Worst
from .quantities import LoadedCase, Loadings, TrailPoint, least_first


def _side(loadings: Loadings, loads: Loads, side: str, end: str) -> Iterable[Verdict]:
    case, point = loadings.least_sure(side)
    margin, u = point.margin(side), point.u(side)
    judged = against(point.x_m, point.limit(side), side, 2 * u).or_by(
        "watch",
        "closer to the aft limit than a twentieth of the range",
        side == "aft" and margin < 0.05 * (point.aft_limit_m - point.forward_limit_m),
    )
    level = judged.level
    title = f"{end} limit passed by {{d}}" if margin < 0 else f"{end} limit kept by {{d}}"
    message = "{loading}, {tanks}. CG at {x} ±{u}, limit {limit}, at {m}."
    if level == "watch" and margin < 2 * u:
        message += " Inside, but the doubt reaches across the limit."
    elif level == "watch":
        message += " Close to the aft limit: less stability, slow or no recovery from a stall or spin."
    yield verdict(
        judged,
        title,
        message,
        working=point.margin_working(side),
        can_suggest=level in ("stop", "watch"),
        left_out=loadings.unsaid,
        d=q(abs(margin), "length"),
        loading=word(case.name),
        tanks=word(_tanks(loads, case, point)),
        x=q(point.x_m, "length", STATION),
        u=q(2 * u, "length"),
        limit=q(point.limit(side), "length", STATION),
        m=q(point.mass_kg, "mass"),
    )


def against(x_m: float, limit_m: float, side: str, doubt_m: float) -> Band:
    """A CG against the limit on one side: it stops outside, and is watched where its doubt reaches across."""
    bound = at_least(limit_m) if side == "forward" else at_most(limit_m)
    return kept(x_m, "length", bound, doubt_m)


def _tanks(loads: Loads, case: LoadedCase, point: TrailPoint) -> str:
    fuel = loads.loadings[case.key].fuel
    if not loads.tanks(True):
        return "no fuel"
    if not any(f.si for f in fuel.values()) or point.fuel_share == 0:
        return "empty tanks"
    return "fuel as loaded" if point.fuel_share == 1 else "part of the fuel burnt"


@rule(
    "balance.cg-forward",
    "Forward CG limit",
    limit="stop outside, watch within two standard deviations",
    source="designer's limit; statics",
    mark="statics",
    form="cg limits",
    settles=adjust("Move something aft, or take weight out ahead of the CG."),
)
def cg_forward(loadings: Loadings, loads: Loads) -> Iterable[Verdict]:
    return _side(loadings, loads, "forward", "Forward")


@rule(
    "balance.cg-aft",
    "Aft CG limit",
    limit="stop outside, watch within two standard deviations or 5 % of the range",
    source="designer's limit; FAA-H-8083-1B ch. 2 (from memory)",
    mark="from memory",
    form="cg limits",
    settles=adjust("Move something forward, or take weight out behind the CG."),
)
def cg_aft(loadings: Loadings, loads: Loads) -> Iterable[Verdict]:
    return _side(loadings, loads, "aft", "Aft")


@rule(
    "balance.loadings",
    "Every loading assessed",
    limit="all figures of each loading",
    source="FAA-H-8083-1 adverse-loading checks (from memory)",
    mark="from memory",
)
def loadings(loadings: Loadings, loads: Loads, resolved: Resolved) -> Iterable[Verdict]:
    limited = resolved.has("cg limits")
    cases, gaps = loadings.cases_and_gaps if limited else loadings.loads_and_gaps
    for key, gap in gaps.items():
        yield verdict(
            "unknown",
            "Cannot say yet: {l}",
            "This loading is left out of the verdicts above.",
            subject=key,
            l=word(loads.loadings[key].name),
            needs=list(gap.needs),
        )
    if not gaps and cases:
        yield verdict(
            "ok",
            counted(len(cases), "One loading ", "{n} loadings ")
            + ("followed to empty tanks" if limited else "checked"),
            ("Both ends of each burn, and every corner of the envelope between. " if limited else "As loaded. ")
            + "Loadings not listed here were not checked.",
            n=q(len(cases), "count"),
        )


def _worst_known(every: EveryLoading) -> tuple[list[tuple[Side, Worst, float]], LeftOut | None]:
    """The worst to either side of all that may be aboard; where figures of it are blank, of what is known if that
    passes a limit already, and what was left out. Raises CannotSay with every figure that is missing."""
    sides: tuple[Side, Side] = ("forward", "aft")
    unsaid = or_gap(lambda: every.items)
    if isinstance(unsaid, CannotSay):
        sure = or_none(lambda: [(s, *every.worst_of_sure(s)) for s in sides])
        if sure is not None and min(worst.margin_m for _, worst, _ in sure) < 0:
            return sure, LeftOut(["places and tanks with a blank"], list(unsaid.needs))
    return [(s, *every.worst_of_all(s)) for s in sides], None


@rule(
    "balance.worst-loading",
    "Every loading that can be",
    limit="stop outside, or where the lightest is over gross; watch within two standard deviations; once it is said "
    "what each place may carry",
    source="statics; adverse loading of FAA-H-8083-1 and AC 43.13-1B chapter 10 (from memory)",
    mark="from memory",
    form="cg limits",
    settles=decide("Limit what a place may carry, as its sentence says, and placard it."),
)
def worst_loading(every: EveryLoading) -> Iterable[Verdict]:
    if not every.ranges_given:
        return
    over = every.over_at_lightest
    if over is not None:
        lightest, gross = over
        yield verdict(
            beyond(lightest, "mass", at_most(gross), "stop"),
            "Even the lightest loading is {d} over gross",
            "With every place at its lightest and the tanks empty: {m} of {cap}. No loading keeps it, and the CG "
            "of none is judged. A lighter unit, or less of what stays aboard; a higher gross mass is its designer's to "
            "give.",
            d=q(lightest - gross, "mass"),
            m=q(lightest, "mass"),
            cap=q(gross, "mass"),
        )
        return
    found, left_out = _worst_known(every)
    side, worst, u = min(found, key=lambda f: f[1].margin_m / (f[2] or 1e-12))
    above = every.above_outline_kg if left_out is None else 0.0
    aboard = every.items if left_out is None else every.sure_items
    judged = against(worst.at.x_m, worst.limit_m, side, 2 * u).or_by(
        "stop", "the outline ends below what may be loaded", above > 0
    )
    level = judged.level
    loads = [(i, worst.at.loads_kg[i.id]) for i, _ in aboard]
    listed = ", ".join(f"{{n{k}}} {{m{k}}}" for k in range(len(loads)))
    which = "Worst of all" if left_out is None else "Worst of what is known"
    message = f"{which} with {listed or 'nothing aboard'}: CG at {{x}} ±{{u}}, limit {{limit}}, at {{m}}."
    params: dict[str, Any] = {f"n{k}": word(i.name) for k, (i, _) in enumerate(loads)} | {
        f"m{k}": q(kg, "mass") for k, (_, kg) in enumerate(loads)
    }
    if level == "stop" and left_out is None:
        for k, (item, _) in enumerate(loads):
            most = every.most_of(item, side)
            if most is not None and most < item.hi_kg:
                message += f" With no more than {{most{k}}} in {{n{k}}} it is kept."
                params[f"most{k}"] = q(most, "mass")
    if above > 0:
        message += " The outline ends {above} below what may be loaded: there is no limit to keep up there."
        params["above"] = q(above, "mass")
    if worst.over_kg > 0:
        message += " Everything full would be {over} over gross."
        params["over"] = q(worst.over_kg, "mass")
    if worst.below_envelope:
        message += " That is lighter than the envelope reaches: its lowest limits are held."
    yield verdict(
        judged,
        "Some loading passes the {side} limit by {d}"
        if worst.margin_m < 0
        else "Some loading is heavier than the outline reaches"
        if above > 0
        else "Every loading keeps the {side} limit by {d}",
        message,
        can_suggest=level != "ok",
        left_out=left_out,
        side=word(side),
        d=q(abs(worst.margin_m), "length"),
        x=q(worst.at.x_m, "length", STATION),
        u=q(2 * u, "length"),
        limit=q(worst.limit_m, "length", STATION),
        m=q(worst.at.mass_kg, "mass"),
        **params,
    )


@rule(
    "balance.seat-slide",
    "Seats slid either way",
    limit="stop outside, watch within two standard deviations; every seat slid to the end that is worst",
    source="statics",
    mark="statics",
    form="cg limits",
    settles=adjust("Stop the slide of the seat, or move the CG of the empty craft."),
)
def seat_slide(every: EveryLoading) -> Iterable[Verdict]:
    if every.ranges_given or not every.slides or not every.loads.keys:
        return
    sides: tuple[Side, Side] = ("forward", "aft")
    found = [(s, *every.slid(s)) for s in sides]
    side, name, x, limit, margin, u = min(found, key=lambda f: least_first(f[4], f[5]))
    judged = against(x, limit, side, 2 * u)
    yield verdict(
        judged,
        "With the seats slid {s} the {s} limit is passed by {d}"
        if margin < 0
        else "With the seats slid {s} the {s} limit is kept by {d}",
        "{l}: CG at {x} ±{u}, limit {k}. With fuel as loaded and without any.",
        s=word("forward" if side == "forward" else "aft"),
        d=q(abs(margin), "length"),
        l=word(name),
        x=q(x, "length"),
        u=q(2 * u, "length"),
        k=q(limit, "length"),
    )


@rule(
    "balance.mass-max",
    "Gross mass",
    limit="stop above, watch if the doubt reaches above",
    source="designer's limit",
    mark="statics",
    settles=decide("Carry less in that loading, or a lighter unit."),
)
def mass_max(loadings: Loadings, limits: CraftLimits) -> Iterable[Verdict]:
    name, centre = loadings.heaviest_loading
    m, u, cap = centre.mass_kg, centre.mass.u, limits.gross
    judged = kept(m, "mass", at_most(cap), 2 * u)
    level = judged.level
    chance: dict[str, Any] = {"p": q(chance_at_most(cap, m, u), "percent")} if level == "watch" else {}
    yield verdict(
        judged,
        "Gross mass passed by {d}" if m > cap else "{d} of gross mass left",
        "{loading}: {m} ±{u} of {cap}." + (" The chance to keep it is {p}." if level == "watch" else ""),
        left_out=loadings.unsaid,
        d=q(abs(cap - m), "mass"),
        loading=word(name),
        m=q(m, "mass"),
        u=q(2 * u, "mass"),
        cap=q(cap, "mass"),
        **chance,
    )


@rule(
    "balance.envelope-range",
    "Mass inside the envelope",
    limit="between the lowest and highest corner",
    source="designer's limit",
    mark="statics",
    form="cg limits",
    settles=decide("Keep the loading inside the masses that the designer gave limits for."),
)
def envelope_range(loadings: Loadings, limits: CraftLimits) -> Iterable[Verdict]:
    masses = limits.envelope.masses_kg
    if not masses:
        return
    for case in loadings.cases:
        light, heavy = case.trail[0].mass_kg, case.trail[-1].mass_kg
        if heavy > masses[-1] + 1e-9 or light < masses[0] - 1e-9:
            over = heavy > masses[-1] + 1e-9
            yield verdict(
                "stop" if over else "watch",
                "{l}: above the envelope" if over else "{l}: below the envelope",
                "{m} is outside the masses that the envelope covers; the limits of its nearest corner were held.",
                subject=case.key,
                l=word(case.name),
                m=q(heavy if over else light, "mass"),
            )


@rule(
    "balance.cg-lateral",
    "Lateral CG",
    limit="designer's limits, empty and in every loading; none given: watch beyond 25 mm",
    source="designer's limit; 25 mm: common practice, no source",
    mark="common practice",
    form="cg limits",
    settles=adjust("Move a part across, or placard which seat is filled first."),
)
def cg_lateral(limits: CraftLimits, ledger: Ledger, loads: Loads) -> Iterable[Verdict]:
    lo, hi, given = limits.lateral
    empty = ledger.empty_y
    left = lambda c: min(c.station_m - lo, hi - c.station_m)
    named = [Subject(k, loads.name(k), k) for k in loads.keys]
    known = known_of(named, lambda k: apply_ledger([*loads.people(k), *loads.fuel(k, True)], "y", start=empty))
    found = [("Empty", empty), *((loads.name(k), c) for k, c in known.answers)]
    name, centre = min(found, key=lambda f: least_first(left(f[1]), f[1].station.u))
    y = centre.station
    judged = band(y.value, "length", ok=within(lo, hi), watch=within(lo, hi) if given else None, doubt=2 * y.u)
    yield verdict(
        judged,
        "CG {d} off the centreline",
        "{l}: {y} ±{u}"
        + ("." if given else "; no lateral limit given, 25 mm taken. Roll control is not checked here."),
        left_out=known.left_out,
        d=q(abs(y.value), "length"),
        l=word(name),
        y=q(y.value, "length", BUTT_LINE),
        u=q(2 * y.u, "length"),
    )


@rule(
    "balance.rests-on-guess",
    "What the verdict rests on",
    limit="guesses make less than half of the doubt, or the doubt does not reach the limit",
    source="JCGM 100:2008 (from memory)",
    mark="from memory",
    form="cg limits",
    settles=measure("Measure the figure that its sentence names."),
    about="guesses",
)
def rests_on_guess(loadings: Loadings) -> Iterable[Verdict]:
    side = min(("forward", "aft"), key=lambda s: loadings.worst(s)[1].margin(s) / (loadings.worst(s)[1].u(s) or 1e-12))
    _, point = loadings.worst(side)
    u = point.u(side)
    slopes = point.centre.slopes()
    guessed = {o: s for o, s in slopes.items() if o.source in ("estimated", "hearsay", "template", "rough")}
    share = (standard_uncertainty(guessed) / u) ** 2 if u > 0 else 0.0
    if share > 0.5 and abs(point.margin(side)) < 2 * u:
        top = max(guessed, key=lambda o: abs(guessed[o]) * o.u)
        yield verdict(
            "watch",
            "The verdict rests on a guess",
            "The {what} is {origin}. It alone moves the CG by ±{d}. Measure it.",
            what=word(top.what),
            origin=word(top.source),
            d=q(2 * abs(guessed[top]) * top.u, "length"),
        )
    else:
        yield verdict(
            "ok",
            "The verdict does not hang on a guess",
            "Guessed figures make {s} of the doubt in the closest margin.",
            s=q(min(share, 1.0), "percent"),
        )
