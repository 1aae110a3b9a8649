"""Findings of the balance bench."""

from __future__ import annotations

from collections.abc import Iterable

from ..bench import needs_out
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..trace import standard_uncertainty
from .ledger import apply_ledger
from .section import BalanceBench, LoadedCase, TrailPoint


def _side(bench: BalanceBench, rule_id: str, side: str, end: str) -> Iterable[Finding]:
    case, point = bench.worst(side)
    margin, u = point.margin(side), point.u(side)
    level: Level = "stop" if margin < 0 else "watch" if margin < 2 * u else "ok"
    if side == "aft" and level == "ok" and margin < 0.05 * (point.aft_limit_m - point.forward_limit_m):
        level = "watch"
    title = f"{end} limit passed by {{d}}" if margin < 0 else f"{end} limit kept by {{d}}"
    message = "{loading}, {tanks}. CG at {x} ±{u}, limit {limit}, at {m}."
    if level == "watch" and margin < 2 * u:
        message += " Inside, but the doubt reaches across the limit."
    elif level == "watch":
        message += " Close to the aft limit: less stability, slow or no recovery from a stall or spin."
    yield verdict(
        rule_id, level, title, message,
        compared=Compared(value=point.x_m, dimension="length", lo=point.forward_limit_m, hi=point.aft_limit_m),
        margin=q(margin, "length"),
        working=point.margin_working(side),
        can_suggest=level in ("stop", "watch"),
        d=q(abs(margin), "length"), loading=word(case.name), tanks=word(_tanks(bench, case, point)), x=q(point.x_m, "length"),
        u=q(2 * u, "length"), limit=q(point.limit(side), "length"), m=q(point.mass_kg, "mass"),
    )  # fmt: skip


def _tanks(bench: BalanceBench, case: LoadedCase, point: TrailPoint) -> str:
    fuel = bench.resolved.project.loadings[case.key].fuel
    if not any(f.si for f in fuel.values()) or point.fuel_share == 0:
        return "empty tanks"
    return "fuel as loaded" if point.fuel_share == 1 else "part of the fuel burnt"


@rule(
    "balance.cg-forward",
    "Forward CG limit",
    limit="stop outside, watch within two standard deviations",
    source="designer's limit; statics",
    mark="statics",
)
def cg_forward(bench: BalanceBench) -> Iterable[Finding]:
    return _side(bench, "balance.cg-forward", "forward", "Forward")


@rule(
    "balance.cg-aft",
    "Aft CG limit",
    limit="stop outside, watch within two standard deviations or 5 % of the range",
    source="designer's limit; FAA-H-8083-1B ch. 2 (from memory)",
    mark="from memory",
)
def cg_aft(bench: BalanceBench) -> Iterable[Finding]:
    return _side(bench, "balance.cg-aft", "aft", "Aft")


@rule(
    "balance.loadings",
    "Every loading assessed",
    limit="all figures of each loading",
    source="FAA-H-8083-1 adverse-loading checks (from memory)",
    mark="from memory",
)
def loadings(bench: BalanceBench) -> Iterable[Finding]:
    cases, gaps = bench.cases_and_gaps
    for key, gap in gaps.items():
        yield verdict(
            "balance.loadings", "unknown", "Cannot say yet: {l}", "This loading is left out of the verdicts above.",
            subject=key, l=word(bench.resolved.project.loadings[key].name), needs=needs_out(gap.needs),
        )  # fmt: skip
    if not gaps and cases:
        yield verdict(
            "balance.loadings",
            "ok",
            "{n} loadings followed to empty tanks",
            "Both ends of each burn, and every corner of the envelope between. Loadings not listed here were not checked.",
            n=q(len(cases), "count"),
        )


@rule(
    "balance.mass-max",
    "Gross mass",
    limit="stop above, watch if the doubt reaches above",
    source="designer's limit",
    mark="statics",
)
def mass_max(bench: BalanceBench) -> Iterable[Finding]:
    case, point = bench.heaviest
    m, u, cap = point.mass_kg, point.centre.mass.u, bench.gross
    level: Level = "stop" if m > cap else "watch" if m + 2 * u > cap else "ok"
    yield verdict(
        "balance.mass-max", level, "Gross mass passed by {d}" if m > cap else "{d} of gross mass left", "{loading}: {m} ±{u} of {cap}.",
        compared=Compared(value=m, dimension="mass", hi=cap), margin=q(cap - m, "mass"),
        d=q(abs(cap - m), "mass"), loading=word(case.name), m=q(m, "mass"), u=q(2 * u, "mass"), cap=q(cap, "mass"),
    )  # fmt: skip


@rule(
    "balance.envelope-range",
    "Mass inside the envelope",
    limit="between the lowest and highest corner",
    source="designer's limit",
    mark="statics",
)
def envelope_range(bench: BalanceBench) -> Iterable[Finding]:
    masses = bench.envelope.masses_kg
    if not masses:
        return
    for case in bench.cases:
        light, heavy = case.trail[0].mass_kg, case.trail[-1].mass_kg
        if heavy > masses[-1] + 1e-9 or light < masses[0] - 1e-9:
            over = heavy > masses[-1] + 1e-9
            yield verdict(
                "balance.envelope-range", "stop" if over else "watch",
                "{l}: above the envelope" if over else "{l}: below the envelope",
                "{m} is outside the masses that the envelope covers; the limits of its nearest corner were held.",
                subject=case.key, l=word(case.name), m=q(heavy if over else light, "mass"),
            )  # fmt: skip


LATERAL_DEFAULT_M = 0.025


@rule(
    "balance.cg-lateral",
    "Lateral CG",
    limit="designer's limits; none given: watch beyond 25 mm",
    source="designer's limit; 25 mm: common practice, no source",
    mark="common practice",
)
def cg_lateral(bench: BalanceBench) -> Iterable[Finding]:
    y = bench.empty_y.station
    limits, place = bench.craft.limits, bench.resolved.references.place
    given = limits.port is not None or limits.starboard is not None
    if given:
        lo = place(limits.port, "/craft/limits/port", "lateral limit to port", "y").value
        hi = place(limits.starboard, "/craft/limits/starboard", "lateral limit to starboard", "y").value
    else:
        lo, hi = -LATERAL_DEFAULT_M, LATERAL_DEFAULT_M
    margin = min(y.value - lo, hi - y.value)
    level: Level = ("stop" if given else "watch") if margin < 0 else "watch" if margin < 2 * y.u else "ok"
    yield verdict(
        "balance.cg-lateral", level, "CG {d} off the centreline", "Empty: {y} to starboard ±{u}" + ("." if given else "; no lateral limit given, 25 mm taken."),
        compared=Compared(value=y.value, dimension="length", lo=lo, hi=hi), margin=q(margin, "length"),
        d=q(abs(y.value), "length"), y=q(y.value, "length"), u=q(2 * y.u, "length"),
    )  # fmt: skip


@rule("balance.lateral-left-out", "Blank butt lines", limit="less than 1 mm in all", source="statics", mark="statics")
def lateral_left_out(bench: BalanceBench) -> Iterable[Finding]:
    blank = bench.lateral_left_out
    if blank:
        needs = [n for b in blank if not hasattr(b.y, "value") for n in b.y.needs]
        yield verdict(
            "balance.lateral-left-out", "unknown", "Left out of the lateral CG: {n} rows", "Their butt lines are blank; together they move it less than 1 mm.",
            n=q(len(blank), "count"), needs=needs_out(tuple(needs)),
        )  # fmt: skip


@rule("balance.cg-height", "Height of the CG", limit="known for every row", source="statics", mark="statics")
def cg_height(bench: BalanceBench) -> Iterable[Finding]:
    z, before = bench.empty_z.station, apply_ledger(bench.as_found, "z").station_m
    yield verdict(
        "balance.cg-height",
        "ok",
        "CG height moves by {d}",
        "Empty, above the level line: {a} → {b}.",
        d=q(z.value - before, "length"),
        a=q(before, "length"),
        b=q(z.value, "length"),
    )


@rule(
    "balance.rests-on-guess",
    "What the verdict rests on",
    limit="guesses make less than half of the doubt, or the doubt does not reach the limit",
    source="JCGM 100:2008 (from memory)",
    mark="from memory",
)
def rests_on_guess(bench: BalanceBench) -> Iterable[Finding]:
    side = min(("forward", "aft"), key=lambda s: bench.worst(s)[1].margin(s) / (bench.worst(s)[1].u(s) or 1e-12))
    _, point = bench.worst(side)
    u = point.u(side)
    slopes = point.centre.slopes()
    guessed = {o: s for o, s in slopes.items() if o.source in ("estimated", "hearsay", "template")}
    share = (standard_uncertainty(guessed) / u) ** 2 if u > 0 else 0.0
    if share > 0.5 and abs(point.margin(side)) < 2 * u:
        top = max(guessed, key=lambda o: abs(guessed[o]) * o.u)
        yield verdict(
            "balance.rests-on-guess", "watch", "The verdict rests on a guess", "The {what} is {origin}. It alone moves the CG by ±{d}. Measure it.",
            what=word(top.what), origin=word(top.source), d=q(2 * abs(guessed[top]) * top.u, "length"),
        )  # fmt: skip
    else:
        yield verdict(
            "balance.rests-on-guess",
            "ok",
            "The verdict does not hang on a guess",
            "Guessed figures make {s} of the doubt in the closest margin.",
            s=q(min(share, 1.0), "percent"),
        )


@rule(
    "balance.supports",
    "Every wheel keeps its load",
    limit="stop below zero, watch below 5 % of the mass",
    source="statics; 5 %: common practice, no source",
    mark="common practice",
)
def supports(bench: BalanceBench) -> Iterable[Finding]:
    after = bench.reactions(bench.empty)
    before = dict(bench.reactions(bench.before))
    name, load = min(after, key=lambda r: r[1])
    share = load / bench.empty.mass_kg
    level: Level = "stop" if load < 0 else "watch" if share < 0.05 else "ok"
    words = {
        "ok": "Empty and level: {a} → {b}, {p} of the mass.",
        "watch": "Empty and level: {a} → {b}, under 5 % of the mass: it steers and stands lightly.",
        "stop": "Empty and level: {a} → {b}. It needs a stand or ballast before anybody leaves it.",
    }
    yield verdict(
        "balance.supports", level, "{s} carries {b}" if load >= 0 else "{s} lifts: the craft tips", words[level],
        compared=Compared(value=load, dimension="mass", lo=0.0), s=word(name), a=q(before[name], "mass"), b=q(load, "mass"), p=q(share, "percent"),
    )  # fmt: skip


@rule(
    "balance.condition",
    "State in which the unit was weighed",
    limit="dry, wet or ready to run, said",
    source="common practice, no source",
    mark="common practice",
)
def condition(bench: BalanceBench) -> Iterable[Finding]:
    for installation in bench.resolved.installations:
        unit = installation.installation.unit
        if unit.mass is None:
            continue
        if unit.condition != "ready to run":
            yield verdict(
                "balance.condition", "watch", "{n}: its mass is {c}", "Oil, coolant, exhaust, starter and hoses may be missing from it. List them in the ledger or weigh it ready to run.",
                subject=installation.id, n=word(installation.name), c=word(unit.condition or "of an unstated condition"),
            )  # fmt: skip
        else:
            yield verdict(
                "balance.condition",
                "ok",
                "{n} was weighed ready to run",
                "Nothing of it is listed again.",
                subject=installation.id,
                n=word(installation.name),
            )
