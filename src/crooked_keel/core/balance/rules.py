"""Findings of the balance bench."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable
from typing import Any

from ..bench import needs_out, or_none
from ..certainty import chance_at_most
from ..document import Hung, TwoScales
from ..document.fields import disputed
from ..errors import CannotSay, Need, all_or_cannot_say
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..hydrostatics import heel_angle, metacentric_height, trim_change
from ..resolve import Body, got
from ..stability import (
    bottom_loading,
    fluid_gm,
    lcg_fraction,
    loll,
    offset_load_limit,
    wall_sided_heel,
    wall_sided_limit,
)
from ..trace import need, standard_uncertainty
from .afloat import OK_TRIM
from .axles import lean_to_balance, stand_load, static_stability, traction_limit, wheelie_limit
from .frontier import Side
from .ledger import apply_ledger, is_lead
from .section import BalanceBench, LoadedCase, TrailPoint
from .standing import HAND_KG, LEAST_SHARE, hung_weight, stand_required, tipping_margins
from .steering import ground_trail


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
    if not bench.resolved.tanks:
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
)
def cg_forward(bench: BalanceBench) -> Iterable[Finding]:
    return _side(bench, "balance.cg-forward", "forward", "Forward")


@rule(
    "balance.cg-aft",
    "Aft CG limit",
    limit="stop outside, watch within two standard deviations or 5 % of the range",
    source="designer's limit; FAA-H-8083-1B ch. 2 (from memory)",
    mark="from memory",
    form="cg limits",
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
    limited = bench.resolved.has("cg limits")
    cases, gaps = bench.cases_and_gaps if limited else bench.loads_and_gaps
    for key, gap in gaps.items():
        yield verdict(
            "balance.loadings", "unknown", "Cannot say yet: {l}", "This loading is left out of the verdicts above.",
            subject=key, l=word(bench.resolved.project.loadings[key].name), needs=needs_out(gap.needs),
        )  # fmt: skip
    if not gaps and cases:
        yield verdict(
            "balance.loadings",
            "ok",
            "{n} loadings followed to empty tanks" if limited else "{n} loadings checked",
            ("Both ends of each burn, and every corner of the envelope between. " if limited else "As loaded. ")
            + "Loadings not listed here were not checked.",
            n=q(len(cases), "count"),
        )


@rule(
    "balance.worst-loading",
    "Every loading that can be",
    limit="stop outside, watch within two standard deviations; once it is said what each place may carry",
    source="statics; adverse loading of FAA-H-8083-1 and AC 43.13-1B chapter 10 (from memory)",
    mark="from memory",
    form="cg limits",
)
def worst_loading(bench: BalanceBench) -> Iterable[Finding]:
    every = bench.every_loading
    if not every.ranges_given:
        return
    sides: tuple[Side, Side] = ("forward", "aft")
    found = [(s, *every.worst_of_all(s)) for s in sides]
    side, worst, u = min(found, key=lambda f: f[1].margin_m / (f[2] or 1e-12))
    level: Level = "stop" if worst.margin_m < 0 else "watch" if worst.margin_m < 2 * u else "ok"
    loads = [(i, worst.at.loads_kg[i.id]) for i, _ in every.items]
    listed = ", ".join(f"{{n{k}}} {{m{k}}}" for k in range(len(loads)))
    message = f"Worst of all with {listed}: CG at {{x}} ±{{u}}, limit {{limit}}, at {{m}}."
    params: dict[str, Any] = {f"n{k}": word(i.name) for k, (i, _) in enumerate(loads)} | {
        f"m{k}": q(kg, "mass") for k, (_, kg) in enumerate(loads)
    }
    if level == "stop":
        for k, (item, _) in enumerate(loads):
            most = every.most_of(item, side)
            if most is not None and most < item.hi_kg:
                message += f" With no more than {{most{k}}} in {{n{k}}} it is kept."
                params[f"most{k}"] = q(most, "mass")
    if worst.over_kg > 0:
        message += " Everything full would be {over} over gross."
        params["over"] = q(worst.over_kg, "mass")
    if worst.below_envelope:
        message += " That is lighter than the envelope reaches: its lowest limits are held."
    yield verdict(
        "balance.worst-loading", level, "Some loading passes the {side} limit by {d}" if level == "stop" else "Every loading keeps the {side} limit by {d}", message,
        margin=q(worst.margin_m, "length"), side=word(side), d=q(abs(worst.margin_m), "length"), x=q(worst.at.x_m, "length"), u=q(2 * u, "length"),
        limit=q(worst.limit_m, "length"), m=q(worst.at.mass_kg, "mass"), **params,
    )  # fmt: skip


@rule(
    "balance.mass-max",
    "Gross mass",
    limit="stop above, watch if the doubt reaches above",
    source="designer's limit",
    mark="statics",
)
def mass_max(bench: BalanceBench) -> Iterable[Finding]:
    name, centre = bench.heaviest_loading
    m, u, cap = centre.mass_kg, centre.mass.u, bench.gross
    level: Level = "stop" if m > cap else "watch" if m + 2 * u > cap else "ok"
    chance: dict[str, Any] = {"p": q(chance_at_most(cap, m, u), "percent")} if level == "watch" else {}
    yield verdict(
        "balance.mass-max", level, "Gross mass passed by {d}" if m > cap else "{d} of gross mass left", "{loading}: {m} ±{u} of {cap}." + (" The chance to keep it is {p}." if level == "watch" else ""),
        compared=Compared(value=m, dimension="mass", hi=cap), margin=q(cap - m, "mass"),
        d=q(abs(cap - m), "mass"), loading=word(name), m=q(m, "mass"), u=q(2 * u, "mass"), cap=q(cap, "mass"),
        **chance,
    )  # fmt: skip


@rule(
    "balance.envelope-range",
    "Mass inside the envelope",
    limit="between the lowest and highest corner",
    source="designer's limit",
    mark="statics",
    form="cg limits",
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


@rule(
    "balance.cg-lateral",
    "Lateral CG",
    limit="designer's limits; none given: watch beyond 25 mm",
    source="designer's limit; 25 mm: common practice, no source",
    mark="common practice",
    form="cg limits",
)
def cg_lateral(bench: BalanceBench) -> Iterable[Finding]:
    y = bench.empty_y.station
    lo, hi, given = bench.lateral_limits
    margin = min(y.value - lo, hi - y.value)
    level: Level = ("stop" if given else "watch") if margin < 0 else "watch" if margin < 2 * y.u else "ok"
    yield verdict(
        "balance.cg-lateral", level, "CG {d} off the centreline", "Empty: {y} to starboard ±{u}" + ("." if given else "; no lateral limit given, 25 mm taken."),
        compared=Compared(value=y.value, dimension="length", lo=lo, hi=hi), margin=q(margin, "length"),
        d=q(abs(y.value), "length"), y=q(y.value, "length"), u=q(2 * y.u, "length"),
    )  # fmt: skip


@rule(
    "balance.lateral-left-out",
    "Blank butt lines",
    limit="less than 1 mm in all",
    source="statics",
    mark="statics",
    form="cg limits",
)
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
    form="cg limits",
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
    "balance.wide-tolerance", "Masses that are hardly known", limit="± smaller than the mass itself", source="common practice, no source", mark="common practice",
)  # fmt: skip
def wide_tolerance(bench: BalanceBench) -> Iterable[Finding]:
    for body in bench.resolved.ledger:
        if body.sign and not isinstance(body.mass, CannotSay) and 2 * body.mass.u > body.mass.value > 0:
            yield verdict(
                "balance.wide-tolerance", "watch", "{n}: ± larger than the mass", "{m} ±{u}. As far as is known it may not be there at all.",
                subject=body.id, n=word(body.name), m=q(body.mass.value, "mass"), u=q(2 * body.mass.u, "mass"),
            )  # fmt: skip


@rule(
    "balance.supports",
    "Every wheel keeps its load",
    limit="stop below zero, watch below 5 % of the mass",
    source="statics; 5 %: common practice, no source",
    mark="common practice",
    form="scales",
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


# What a unit that is ready to run has on it already.
_ON_THE_UNIT = (
    "starter",
    "alternator",
    "generator",
    "oil",
    "coolant",
    "carburettor",
    "exhaust",
    "silencer",
    "ignition",
)


def _plain(name: str) -> str:
    return re.sub(r"[^0-9a-z]+", " ", name.casefold()).strip()


@rule(
    "balance.double-count",
    "Nothing counted twice",
    limit="each thing once; nothing listed that a unit ready to run has on it; stations within a metre of the craft",
    source="common practice, no source",
    mark="common practice",
)
def double_count(bench: BalanceBench) -> Iterable[Finding]:
    rows = [b for b in bench.resolved.typed_rows if not b.id.endswith("-to")]
    seen: dict[tuple[str, bool], Body] = {}
    troubled = False
    for body in rows:
        here = (_plain(body.name), body.kind == "removed")
        if here[0] and here in seen:
            troubled = True
            yield verdict(
                "balance.double-count", "watch", "{n} is listed twice", "Once as {a}, once as {b}. If it is one thing, take one row out; if it is two, name them apart.",
                subject=body.pointer, n=word(body.name), a=word(seen[here].kind), b=word(body.kind),
            )  # fmt: skip
        seen[here] = body
    for placed in bench.resolved.installations:
        if placed.installation.unit.condition != "ready to run":
            continue
        for body in rows:
            if body.kind == "installed" and any(w in _plain(body.name).split() for w in _ON_THE_UNIT):
                troubled = True
                yield verdict(
                    "balance.double-count", "watch", "{n}: counted in the unit already?", "{u} was weighed ready to run. If it had this on, take the row out.",
                    subject=f"{placed.id} {body.pointer}", n=word(body.name), u=word(placed.name),
                )  # fmt: skip
    outline = bench.craft.outline
    if outline.tail is not None:
        first = outline.nose.along_m if outline.nose is not None else 0.0
        lo, hi = min(first, outline.tail.along_m) - 1.0, max(first, outline.tail.along_m) + 1.0
        for body in rows:
            if not isinstance(body.x, CannotSay) and not lo <= body.x.value <= hi:
                troubled = True
                yield verdict(
                    "balance.double-count", "watch", "{n} sits {x} aft of the datum: off the craft", "Is the station measured from the reference that it says, and the right way?",
                    subject=f"place {body.pointer}", n=word(body.name), x=q(body.x.value, "length"),
                )  # fmt: skip
    if rows and not troubled:
        yield verdict(
            "balance.double-count",
            "ok",
            "Nothing looks counted twice",
            "By names, by the state in which the units were weighed, and by the places of the rows.",
        )


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


@rule(
    "balance.displacement-change", "Change of displacement", limit="5 % or less ok, 10 % or less watch, more stop",
    source="validity of the small-change method; ship stability texts (from memory)", mark="from memory", form="afloat",
)  # fmt: skip
def displacement_change(bench: BalanceBench) -> Iterable[Finding]:
    s = bench.afloat.worst("change")
    share = (s.after.displacement_kg - s.before.displacement_kg) / s.before.displacement_kg
    level: Level = "ok" if abs(share) <= 0.05 else "watch" if abs(share) <= 0.10 else "stop"
    words = {
        "ok": "",
        "watch": " The small-change method begins to miss.",
        "stop": " Beyond the small-change method: trim, heel and freeboards below are not good enough to act on.",
    }
    yield verdict(
        "balance.displacement-change", level, "Displacement changes by {p}", "{s}: {a} → {b}." + words[level],
        compared=Compared(value=share, dimension="percent", lo=-0.05, hi=0.05),
        p=q(share, "percent"), s=word(s.name), a=q(s.before.displacement_kg, "mass"), b=q(s.after.displacement_kg, "mass"),
    )  # fmt: skip


@rule(
    "balance.trim", "Trim", limit="change of 0.5 % of the waterline or less ok, 1.5 % or less watch, more stop",
    source="common practice, no source", mark="common practice", form="afloat",
)  # fmt: skip
def trim(bench: BalanceBench) -> Iterable[Finding]:
    afloat = bench.afloat
    s = afloat.worst("trim")
    change, length = s.after.trim_m - s.before.trim_m, afloat.floating.length
    share = abs(change) / length
    level: Level = "ok" if share <= OK_TRIM else "watch" if share <= 0.015 else "stop"
    end = "stern" if change >= 0 else "bow"
    yield verdict(
        "balance.trim", level, "Trims {d} by the {end}", "{s}, over her waterline, stern down: {a} → {b}. Small-change method, waterplane held as found.",
        compared=Compared(value=change, dimension="length", lo=-OK_TRIM * length, hi=OK_TRIM * length), margin=q(0.015 * length - abs(change), "length"),
        working=trim_change.working(s.after.trim_moment_kg_m - s.before.trim_moment_kg_m, s.after.mct_kg), can_suggest=level != "ok",
        d=q(abs(change), "length"), end=word(end), s=word(s.name), a=q(afloat.trim(s.before), "length"), b=q(afloat.trim(s.after), "length"),
    )  # fmt: skip


@rule(
    "balance.heel", "Heel", limit="1° or less ok, 3° or less watch, more stop; in every loading, with the list she has now",
    source="common practice, no source", mark="common practice", form="afloat",
)  # fmt: skip
def heel(bench: BalanceBench) -> Iterable[Finding]:
    s = bench.afloat.worst("heel")
    angle = s.after.heel_rad
    if angle is None:
        return
    level: Level = "ok" if abs(angle) <= math.radians(1) else "watch" if abs(angle) <= math.radians(3) else "stop"
    yield verdict(
        "balance.heel", level, "Lists {d} to {side}", "{s}: {a} → {b}, starboard down. Linear, good for small angles.",
        compared=Compared(value=angle, dimension="angle", lo=-math.radians(1), hi=math.radians(1)),
        working=heel_angle.working(s.after.heel_moment_kg_m, s.after.displacement_kg, s.after.gm_m), can_suggest=level != "ok",
        d=q(abs(angle), "angle"), side=word("starboard" if angle >= 0 else "port"), s=word(s.name), a=q(s.before.heel_rad or 0.0, "angle"), b=q(angle, "angle"),
    )  # fmt: skip


GM_LEAST_M = 0.15
GM_WATCH_M = 0.35


@rule(
    "balance.gm", "Metacentric height", limit="0.15 m or more, else stop; and 0.35 m, else watch; not inclined: never better than watch",
    source="IMO 2008 IS Code, 0.15 m general (from memory); nothing applies straight to small pleasure craft", mark="from memory", form="afloat",
)  # fmt: skip
def gm(bench: BalanceBench) -> Iterable[Finding]:
    s = bench.afloat.worst("gm")
    value = s.after.gm_m
    if value <= 0:
        hydro = bench.afloat.floating.hydro
        angle = loll(value, hydro.bm_m) if hydro.kb_m > 0 else None
        yield verdict(
            "balance.gm", "stop", "GM is lost: {a} → {b}", "{s}. She will not stay upright." + (" By a wall-sided hull she lolls to {l}." if angle is not None else "") + " Take weight off high up or put weight low; fill slack low tanks, the low side first. Never move weight to the high side: she flops over to a greater angle.",
            compared=Compared(value=value, dimension="length", lo=GM_LEAST_M), working=metacentric_height.working(bench.afloat.floating.hydro.km_m, s.after.kg_m),
            a=q(s.before.gm_m, "length"), b=q(value, "length"), s=word(s.name), l=q(angle if angle is not None else 0.0, "angle"),
        )  # fmt: skip
        return
    by, floating = bench.afloat.floating.gm_by, bench.afloat.floating
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
    _, unknown = bench.afloat.slack(s.id, True)
    yield verdict(
        "balance.gm", level, "GM {a} → {b}, {by}", f"{{s}}. {said}" + (" Free surface of slack tanks is taken off." if not unknown else " Free surface of slack tanks is not all taken off.")
        + (" Less than {w} is little." if value < GM_WATCH_M else ""),
        compared=Compared(value=value, dimension="length", lo=GM_LEAST_M), margin=q(value - GM_LEAST_M, "length"),
        working=metacentric_height.working(floating.hydro.km_m, s.after.kg_m) if s.after.gm_m == floating.hydro.km_m - s.after.kg_m else fluid_gm.working(floating.hydro.km_m, s.after.kg_m, floating.hydro.km_m - s.after.kg_m - s.after.gm_m),
        a=q(s.before.gm_m, "length"), b=q(value, "length"), s=word(s.name), w=q(GM_WATCH_M, "length"), by=word(by),
    )  # fmt: skip


@rule(
    "balance.free-surface", "Free surface of slack tanks", limit="10 % of GM or less ok, 50 % or less watch, more stop", source="common practice, no source; ship stability texts (from memory)", mark="common practice", form="afloat",
)  # fmt: skip
def free_surface(bench: BalanceBench) -> Iterable[Finding]:
    afloat = bench.afloat
    found = [(s, afloat.free_surface(s.id, True, s.after.displacement_kg)) for s in afloat.states()]
    needs = {n.pointer: n for s in afloat.states() for n in afloat.slack(s.id, True)[1]}
    if needs:
        raise CannotSay(*needs.values())
    if not any(fsc for _, fsc in found):
        return
    state, fsc = max(found, key=lambda f: f[1] / (f[0].after.gm_m + f[1]) if f[0].after.gm_m + f[1] > 0 else math.inf)
    solid = state.after.gm_m + fsc
    share = fsc / solid if solid > 0 else 1.0
    open_across = any(t.joined == "pipe across, open" for _, _, t in bench.resolved.tanks)
    level: Level = "stop" if share > 0.5 else "watch" if share > 0.1 else "ok"
    yield verdict(
        "balance.free-surface", level, "Slack tanks take {d} off GM", "{s}: {p} of it." + (" The pipe across is open: what is in the tanks runs from side to side. Shut it." if open_across else " A tight baffle along a tank divides it by the square of its parts." if level != "ok" else ""),
        compared=Compared(value=share, dimension="percent", hi=0.1), d=q(fsc, "length"), s=word(state.name), p=q(share, "percent"),
    )  # fmt: skip


@rule(
    "balance.one-side-tank", "One tank of a pair empty", limit="2° or less ok, 5° or less watch, more stop", source="common practice, no source", mark="common practice", form="afloat",
)  # fmt: skip
def one_side_tank(bench: BalanceBench) -> Iterable[Finding]:
    if not bench.fuel.on_sides:
        return
    afloat, found = bench.afloat, []
    for s in afloat.states():
        if s.id == "empty":
            continue
        for body in bench.fuel.bodies(s.id):
            if abs(got(body.y).value) > 0.05 and got(body.mass).value > 0:
                mass = s.after.displacement_kg - got(body.mass).value
                moment = s.after.heel_moment_kg_m - got(body.mass).value * got(body.y).value
                found.append((heel_angle(moment, mass, s.after.gm_m), s, body))
    if not found:
        return
    angle, state, body = max(found, key=lambda f: abs(f[0]))
    level: Level = "ok" if abs(angle) <= math.radians(2) else "watch" if abs(angle) <= math.radians(5) else "stop"
    yield verdict(
        "balance.one-side-tank", level, "With the {t} empty she lists {a}", "{s}, the others as they are. Linear, GM as it is then." + ("" if level == "ok" else " Draw from both, or shut one off in good time."),
        compared=Compared(value=angle, dimension="angle", lo=-math.radians(2), hi=math.radians(2)), working=heel_angle.working(state.after.heel_moment_kg_m - got(body.mass).value * got(body.y).value, state.after.displacement_kg - got(body.mass).value, state.after.gm_m),
        t=word(body.name), a=q(abs(angle), "angle"), s=word(state.name),
    )  # fmt: skip


@rule(
    "balance.dock-scale", "Her waterline against the ledger", limit="mass within twice its doubt, and 10 % of the moment of all that moved", source="hydrostatics, small change; the limits: common practice, no source", mark="common practice", form="afloat",
)  # fmt: skip
def dock(bench: BalanceBench) -> Iterable[Finding]:
    found = bench.afloat.docked
    if found is None:
        return
    read, mass, moment = found
    moved = sum(
        abs(b.sign * got(b.mass).value * (got(b.x).value - bench.afloat.floating.lcf))
        for b in bench.resolved.ledger
        if b.sign
    )
    off, off_moment = read.mass_kg - mass, read.moment_kg_m - moment
    agrees = abs(off) <= 2 * read.u_kg and abs(off_moment) <= 0.1 * moved
    yield verdict(
        "balance.dock-scale", "ok" if agrees else "watch", "Her waterline says {r}, the ledger {m}" + ("" if agrees else ": {d} apart"), "Moment about the centre of flotation {a}, by the ledger {b}. Read to ±{u}; the same water both times."
        + ("" if agrees else " Find what was left off the list, or read again."),
        compared=Compared(value=off, dimension="mass", lo=-2 * read.u_kg, hi=2 * read.u_kg), r=q(read.mass_kg, "mass"), m=q(mass, "mass"), d=q(abs(off), "mass"), a=q(read.moment_kg_m, "mass_moment"), b=q(moment, "mass_moment"), u=q(2 * read.u_kg, "mass"),
    )  # fmt: skip


@rule(
    "balance.offset-load", "Everybody on one side", limit="half of 10° + (24 − L)³/600 ok, all of it watch, more stop; from 6 to 24 m", source="ISO 12217-1 offset-load test (from memory); wall-sided heel", mark="from memory", form="afloat",
)  # fmt: skip
def offset_load(bench: BalanceBench) -> Iterable[Finding]:
    crowd = bench.craft.flotation.crowd
    if crowd is None:
        return
    afloat, place, outline = bench.afloat, bench.resolved.references.place, bench.craft.outline
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
        loading = bench.resolved.project.loadings[s.id]
        people = sum(got(b.mass).value for b in bench.resolved.load_bodies(s.id, loading, fuel=False))
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
    freeboard = min((m.after_si for m in afloat.marks(state)), default=0.0)
    beam = (
        afloat.floating.form["beam"].value
        if afloat.floating.by == "form estimate"
        else afloat.floating.hull.beam_m
        if afloat.floating.by == "sections"
        else 2 * crowd.si
    )
    valid = wall_sided_limit(freeboard, afloat.floating.draft.value, beam)
    under = angle > math.atan(2 * freeboard / beam)
    level: Level = "stop" if angle > limit or under else "watch" if angle > limit / 2 or angle > valid else "ok"
    yield verdict(
        "balance.offset-load", level, "With everybody on one side she heels {a}", "{s}: {m} of people and load {y} out. {l} is allowed." + (" Her deck edge goes under." if under else " Beyond {v} the estimate is not good: bilge or deck edge is at the water." if angle > valid else ""),
        compared=Compared(value=angle, dimension="angle", hi=limit / 2), margin=q(limit - angle, "angle"), a=q(angle, "angle"), s=word(state.name), m=q(people, "mass"), y=q(crowd.si, "length"), l=q(limit, "angle"), v=q(valid, "angle"),
    )  # fmt: skip


@rule(
    "balance.bottom-loading", "Bottom loading of a planing hull", limit="planing area 5.5 times the volume to two thirds or more ok, less watch", source="series planing-hull tests (from memory)", mark="from memory", form="afloat",
)  # fmt: skip
def bottom_load(bench: BalanceBench) -> Iterable[Finding]:
    area = bench.craft.flotation.planing_area
    if bench.craft.trial.regime != "planing" or area is None:
        return
    state = max(bench.afloat.states(), key=lambda s: s.after.displacement_kg)
    density = bench.afloat.floating.density.value
    before, after = (bottom_loading(area.si, f.displacement_kg, density) for f in (state.before, state.after))
    yield verdict(
        "balance.bottom-loading", "ok" if after >= 5.5 else "watch", "Bottom loading {a} → {b}", "{s}, {m}." + ("" if after >= 5.5 else " Heavy for her bottom: slow onto the plane, if at all."),
        compared=Compared(value=after, dimension="number", lo=5.5), a=q(before, "number"), b=q(after, "number"), s=word(state.name), m=q(state.after.displacement_kg, "mass"),
    )  # fmt: skip


@rule(
    "balance.lcg-planing", "LCG of a planing hull", limit="0.33 to 0.45 of the waterline from the transom, else watch", source="planing-hull practice (from memory); schools differ", mark="from memory", form="afloat",
)  # fmt: skip
def lcg_planing(bench: BalanceBench) -> Iterable[Finding]:
    craft = bench.craft
    if craft.trial.regime != "planing":
        return
    tail = bench.resolved.references.place(
        craft.outline.tail, "/craft/outline/tail", "station of the transom", "x"
    ).value
    share = {
        when: lcg_fraction(tail - x, bench.afloat.floating.length)
        for when, x in (("before", bench.before.station_m), ("after", bench.empty.station_m))
    }
    value = share["after"]
    yield verdict(
        "balance.lcg-planing", "ok" if 0.33 <= value <= 0.45 else "watch", "LCG {a} → {b} of the waterline from the transom", "Empty." + ("" if 0.33 <= value <= 0.45 else " Far aft she porpoises and is slow onto the plane." if value < 0.33 else " Far forward she is wet and steers by the bow."),
        compared=Compared(value=value, dimension="percent", lo=0.33, hi=0.45), a=q(share["before"], "percent"), b=q(value, "percent"),
    )  # fmt: skip


@rule(
    "balance.freeboard", "Freeboard left", limit="10 % lost or less ok, 25 % or less watch; more, or less than 200 mm left, stop",
    source="common practice, no source; ISO 12217-1 downflooding heights by category are better (from memory)", mark="common practice", form="afloat",
)  # fmt: skip
def freeboard(bench: BalanceBench) -> Iterable[Finding]:
    state, mark = bench.afloat.least()
    lost = 1 - mark.after_si / mark.before_si if mark.before_si > 0 else 1.0
    level: Level = "stop" if lost > 0.25 or mark.after_si < 0.20 else "watch" if lost > 0.10 else "ok"
    yield verdict(
        "balance.freeboard", level, "Least freeboard {b}, {m}", "{s}: {a} → {b}, {p} lost. Openings lower than the marks were not entered and not checked.",
        compared=Compared(value=mark.after_si, dimension="length", lo=0.20), margin=q(mark.after_si - 0.20, "length"),
        a=q(mark.before_si, "length"), b=q(mark.after_si, "length"), m=word(mark.name), s=word(state.name), p=q(max(lost, 0.0), "percent"),
    )  # fmt: skip


@rule(
    "balance.states-afloat", "Every state afloat", limit="every figure of every state", source="naval architecture (from memory)", mark="statics", form="afloat",
)  # fmt: skip
def states_afloat(bench: BalanceBench) -> Iterable[Finding]:
    needs = bench.afloat.gaps()
    if needs:
        raise CannotSay(*needs)
    yield verdict(
        "balance.states-afloat", "ok", "{n} states followed afloat", "Empty and every loading. Small-change method: KM and the waterplane are held at the draft found.",
        n=q(len(bench.afloat.keys), "count"),
    )  # fmt: skip


@rule(
    "balance.wheelbase",
    "CG between the axles",
    limit="stop outside the wheelbase",
    source="statics",
    mark="statics",
    form="stands on wheels",
)
def wheelbase(bench: BalanceBench) -> Iterable[Finding]:
    worst = min(bench.axles.stances(), key=lambda s: min(s.x_m, s.base_m - s.x_m))
    inside = 0 < worst.x_m < worst.base_m
    lifts = "front" if worst.x_m >= worst.base_m else "rear"
    yield verdict(
        "balance.wheelbase", "ok" if inside else "stop", "CG between the axles in every loading" if inside else "CG outside the wheelbase: the {e} lifts",
        "{s}: {x} behind the front axle, wheelbase {l}." + ("" if inside else " It falls over its own wheel."),
        compared=Compared(value=worst.x_m, dimension="length", lo=0.0, hi=worst.base_m), margin=q(min(worst.x_m, worst.base_m - worst.x_m), "length"),
        s=word(worst.name), x=q(worst.x_m, "length"), l=q(worst.base_m, "length"), e=word(lifts),
    )  # fmt: skip


@rule(
    "balance.axle-split", "Load on the front", limit="35 to 55 % ridden, else watch", source="common practice, no source", mark="common practice", form="pitch limits",
)  # fmt: skip
def axle_split(bench: BalanceBench) -> Iterable[Finding]:
    s = min(bench.axles.ridden(), key=lambda s: s.front_share)
    before = bench.axles.stance(s.id, False)
    level: Level = "ok" if 0.35 <= s.front_share <= 0.55 else "watch"
    yield verdict(
        "balance.axle-split", level, "{b} on the front, {s}", "{a} → {b}." + (" A light front wanders and lifts." if s.front_share < 0.35 else " A heavy front steers slowly." if level == "watch" else ""),
        compared=Compared(value=s.front_share, dimension="percent", lo=0.35, hi=0.55),
        a=q(before.front_share, "percent"), b=q(s.front_share, "percent"), s=word(s.name.lower()),
    )  # fmt: skip


@rule(
    "balance.wheelie", "Front lifts", limit="0.6 g or more ok, 0.35 g or more watch, less stop", source="common practice, no source; statics", mark="common practice", form="pitch limits",
)  # fmt: skip
def wheelie(bench: BalanceBench) -> Iterable[Finding]:
    s = min(bench.axles.heights(), key=lambda s: wheelie_limit(s.base_m, s.x_m, s.height()))
    limit = wheelie_limit(s.base_m, s.x_m, s.height())
    grip = traction_limit(s.base_m, s.x_m, s.height(), bench.axles.grip)
    slips = grip is not None and grip < limit
    level: Level = "ok" if limit >= 0.6 else "watch" if limit >= 0.35 else "stop"
    yield verdict(
        "balance.wheelie", level, "Front lifts at {a} g" if not slips else "The tyre slips at {g} g, before the front lifts",
        "{s}. Wheelie limit {a} g" + (", grip {g} g." if grip is not None else "; grip is never the limit.") + " Uphill it comes sooner. Air drag left out.",
        compared=Compared(value=limit, dimension="number", lo=0.6), margin=q(limit - 0.35, "number"), working=wheelie_limit.working(s.base_m, s.x_m, s.height()),
        a=q(limit, "number"), g=q(grip or 0.0, "number"), s=word(s.name),
    )  # fmt: skip


@rule(
    "balance.trail", "Trail", limit="70 to 130 mm and within 10 % of before ok, 40 mm or more watch, less stop", source="common practice, no source; two-wheeler geometry (from memory)", mark="common practice", form="pitch limits",
)  # fmt: skip
def trail(bench: BalanceBench) -> Iterable[Finding]:
    axles = bench.axles
    if not axles.steers:
        return
    before, after = ground_trail(*axles.steering_terms(False)), ground_trail(*axles.steering_terms())
    changed = abs(after / before - 1) if before else 1.0
    level: Level = "stop" if after < 0.040 else "watch" if changed > 0.10 or not 0.070 <= after <= 0.130 else "ok"
    yield verdict(
        "balance.trail", level, "Trail {a} → {b}", "Rake {r} after, from the vertical." + (" So little trail and it may not run straight." if after < 0.040 else " Little trail is nervous, much is slow to turn: ride it with care first." if level == "watch" else ""),
        compared=Compared(value=after, dimension="length", lo=0.070, hi=0.130), working=ground_trail.working(*axles.steering_terms()), a=q(before, "length"), b=q(after, "length"), r=q(axles.steering_terms()[1], "angle"),
    )  # fmt: skip


@rule(
    "balance.anti-squat", "Anti-squat", limit="80 to 140 %, else watch", source="common practice; schools differ from 100 % to 130 %; textbook of motorcycle dynamics (from memory)", mark="common practice", form="pitch limits",
)  # fmt: skip
def squat(bench: BalanceBench) -> Iterable[Finding]:
    axles = bench.axles
    if not axles.squats:
        return
    share, was = axles.squat(), or_none(lambda: axles.squat(False))
    yield verdict(
        "balance.anti-squat", "ok" if 0.8 <= share <= 1.4 else "watch", "Anti-squat {a} → {b}" if was is not None else "Anti-squat {b}", "First loading, by where the pull of the drive acts. The shock and its springs are not modelled."
        + (" Under 80 % it squats on power; over 140 % it stands up and hops." if not 0.8 <= share <= 1.4 else ""),
        compared=Compared(value=share, dimension="percent", lo=0.8, hi=1.4), b=q(share, "percent"), a=q(was if was is not None else share, "percent"),
    )  # fmt: skip


@rule(
    "balance.lean", "CG off the centreline", limit="0.5° or less ok, 2° or less watch, more stop; without rider", source="common practice, no source", mark="common practice", form="pitch limits",
)  # fmt: skip
def lean(bench: BalanceBench) -> Iterable[Finding]:
    y, z = bench.axles.lean()
    angle = lean_to_balance(y, z)
    level: Level = "ok" if abs(angle) <= math.radians(0.5) else "watch" if abs(angle) <= math.radians(2) else "stop"
    yield verdict(
        "balance.lean", level, "Leans {d} to balance", "CG {y} to {side}, {z} over the ground. The rider would have to sit to the other side.",
        compared=Compared(value=angle, dimension="angle", lo=-math.radians(2), hi=math.radians(2)), working=lean_to_balance.working(y, z), can_suggest=level != "ok",
        d=q(abs(angle), "angle"), y=q(abs(y), "length"), side=word("starboard" if y >= 0 else "port"), z=q(z, "length"),
    )  # fmt: skip


@rule(
    "balance.axle-load",
    "Axle loads against the plate",
    limit="stop above",
    source="vehicle plate and tyre load index",
    mark="statics",
    form="stands on wheels",
)
def axle_load(bench: BalanceBench) -> Iterable[Finding]:
    limits = bench.craft.limits
    for end, cap in (("front", limits.front_axle), ("rear", limits.rear_axle)):
        cap_kg = need(cap, f"/craft/limits/{end}_axle", f"largest load on the {end} axle, from the plate").si
        worst = max(bench.axles.stances(), key=lambda s: s.front_kg if end == "front" else s.rear_kg)
        load = worst.front_kg if end == "front" else worst.rear_kg
        level: Level = "stop" if load > cap_kg else "watch" if load > 0.95 * cap_kg else "ok"
        yield verdict(
            "balance.axle-load", level, "{e} axle {d} over its plate" if load > cap_kg else "{e} axle has {d} left", "{s}: {m} of {cap}.", subject=end,
            compared=Compared(value=load, dimension="mass", hi=cap_kg), margin=q(cap_kg - load, "mass"),
            e=word(end.capitalize()), d=q(abs(cap_kg - load), "mass"), s=word(worst.name), m=q(load, "mass"), cap=q(cap_kg, "mass"),
        )  # fmt: skip


@rule(
    "balance.axle-shift", "Shift between the axles", limit="3 points or less ok, 8 points or less watch, more stop until the brakes are checked",
    source="caution, no source", mark="proposed", form="corners",
)  # fmt: skip
def axle_shift(bench: BalanceBench) -> Iterable[Finding]:
    pairs = [(s, bench.axles.stance(s.id, False)) for s in bench.axles.stances()]
    after, before = max(pairs, key=lambda p: abs(p[0].front_share - p[1].front_share))
    shift = after.front_share - before.front_share
    level: Level = "ok" if abs(shift) <= 0.03 else "watch" if abs(shift) <= 0.08 else "stop"
    yield verdict(
        "balance.axle-shift", level, "Front axle {a} → {b}", "{s}. " + ("Nothing to do to brakes or springs for this." if level == "ok" else "Have brake balance and springs checked for the new split before it is driven."),
        compared=Compared(value=shift, dimension="percent", lo=-0.03, hi=0.03), a=q(before.front_share, "percent"), b=q(after.front_share, "percent"), s=word(after.name),
    )  # fmt: skip


@rule(
    "balance.rollover", "Static stability", limit="1.10 or more and not 5 % down ok, 0.90 or more watch, less stop",
    source="road-vehicle rollover measure (from memory); 0.90: caution", mark="from memory", form="corners",
)  # fmt: skip
def rollover(bench: BalanceBench) -> Iterable[Finding]:
    axles = bench.axles
    worst = min(axles.heights(), key=lambda s: static_stability(*axles.stability_terms(s.id)))
    value, before = (
        static_stability(*axles.stability_terms(worst.id)),
        static_stability(*axles.stability_terms(worst.id, False)),
    )
    level: Level = "stop" if value < 0.90 else "watch" if value < 1.10 or value < 0.95 * before else "ok"
    yield verdict(
        "balance.rollover", level, "Static stability factor {a} → {b}", "{s}. Half track over height; on three wheels the track at the CG's station, so load nearer the single wheel tips it sooner.",
        compared=Compared(value=value, dimension="number", lo=1.10), margin=q(value - 0.90, "number"), working=static_stability.working(*axles.stability_terms(worst.id)),
        a=q(before, "number"), b=q(value, "number"), s=word(worst.name),
    )  # fmt: skip


def _every_step(bench: BalanceBench) -> Iterable[Finding]:
    """The step of the work that leaves least on a wheel, with what keeps it down."""
    standing = bench.standing
    step = min(standing.steps, key=lambda s: s.loads[s.light] / s.mass_kg)
    light = step.light
    load, least = step.loads[light], LEAST_SHARE * step.mass_kg
    leaning = step.hand_kg is not None and step.hand_kg < 0
    level: Level = "stop" if load < 0 else "watch" if load < least or leaning else "ok"
    params: dict[str, Any] = {}
    message = "{s}: {m}, in the attitude in which it stands. "
    mains = [p[0] for p, s in zip(step.places, standing.stands, strict=True) if s.role == "main"]
    third = standing.stands[light].role in ("nose", "tail")
    working = None
    if level == "ok":
        message += "It stands by itself at every step."
    elif leaning and load >= least:
        message += "A hand of {h} on the far end lifts it. Put a stand there while you work."
        params["h"] = q(HAND_KG, "mass")
    elif mains and third:
        main_m = sum(mains) / len(mains)
        terms = (step.mass_kg, step.x_m, main_m, step.places[light][0], least)
        working = hung_weight.working(*terms)
        params["w"] = q(max(hung_weight(*terms), 0.0), "mass")
        message += "{w} hung at {n} leaves 5 % of the mass on it"
        stand = or_none(lambda: bench.resolved.references.place(bench.craft.stand, "/craft/stand", "stand", "x").value)
        carried = (
            or_none(lambda: stand_required(step.mass_kg, step.x_m, main_m, step.places[light][0], stand))
            if stand is not None
            else None
        )
        if stand is not None and carried is not None:
            message += "; or a stand at {x}, which then carries {r}"
            params |= {"x": q(stand, "length"), "r": q(carried, "mass")}
        else:
            message += "; or a stand beyond the CG"
        message += ". Set it before the last bolt comes out."
    else:
        message += "A stand beyond the CG keeps it down. Set it before the last bolt comes out."
    yield verdict(
        "balance.engine-out", level, "It tips: {n} lifts" if load < 0 else "{n} keeps {l} at every step" if level == "ok" else "{n} is down to {l}", message,
        n=word(standing.stands[light].name), l=q(load, "mass"), s=word(step.name), m=q(load, "mass"), compared=Compared(value=load, dimension="mass", lo=0.0), working=working, **params,
    )  # fmt: skip


@rule(
    "balance.tipping", "Near to tipping", limit="stop within two standard deviations of an edge between wheels, watch within 50 mm or 10°",
    source="statics; 50 mm and 10°: common practice, no source", mark="common practice", form="scales",
)  # fmt: skip
def tipping(bench: BalanceBench) -> Iterable[Finding]:
    if bench.resolved.in_line or bench.resolved.fit_id is None:
        return
    found = []
    for step in bench.standing.steps:
        nearest = tipping_margins(step.x_m, step.y_m, step.height_m if step.height_m is not None else 0.0, step.places)[
            0
        ]
        found.append((nearest.inside_m, step, nearest))
    inside, step, edge = min(found, key=lambda f: f[0])
    shallow = step.height_m is not None and edge.angle_rad < math.radians(10)
    level: Level = "stop" if inside < 2 * step.u_m else "watch" if inside < 0.05 or shallow else "ok"
    a, b = (bench.standing.stands[i].name for i in edge.between)
    yield verdict(
        "balance.tipping", level, "CG {d} inside its wheels" if inside >= 0 else "CG {d} outside its wheels", "{s}: nearest to the line between {a} and {b}, doubt ±{u}" + (", tips over at {t}." if step.height_m is not None else "; its height is not known, no angle said."),
        d=q(abs(inside), "length"), s=word(step.name), a=word(a), b=word(b), u=q(2 * step.u_m, "length"), t=q(edge.angle_rad, "angle"), margin=q(inside, "length"),
        compared=Compared(value=inside, dimension="length", lo=0.05),
    )  # fmt: skip


@rule(
    "balance.engine-out", "With the engine out", limit="stop where a wheel lifts at any step, CG within two standard deviations; watch under 5 % of the mass, or where a hand of 20 kg lifts it", source="statics; 5 % and 20 kg: common practice, no source", mark="statics", form="scales",
)  # fmt: skip
def engine_out(bench: BalanceBench) -> Iterable[Finding]:
    if not bench.resolved.has("wheels in line"):
        yield from _every_step(bench)
        return
    out = bench.engine_out
    axles, before = bench.axles, bench.before
    was, now = axles.on_stand(before), axles.on_stand(out)
    margin = abs(out.station_m - axles.stand)
    level: Level = "watch" if was[0] != now[0] or margin < 0.03 else "ok"
    yield verdict(
        "balance.engine-out", level, "With the engine out the {w} wheel stays down, {m}" if was[0] == now[0] else "With the engine out it tips from the {o} wheel to the {w} wheel",
        "On the stand the CG is {d} " + ("ahead of" if out.station_m < axles.stand else "behind") + " it. Strap the wheel that is down, and stand under the frame before the last bolt comes out.",
        working=stand_load.working(out.mass_kg, out.station_m, axles.stand, now[2]), w=word(now[0]), o=word(was[0]), m=q(now[1], "mass"), d=q(margin, "length"),
    )  # fmt: skip


@rule(
    "balance.unit-on-scales", "Bare unit on two scales", limit="agrees with the mass and CG entered within 2 % and 5 mm", source="statics; the tolerance: common practice, no source", mark="common practice",
)  # fmt: skip
def unit_on_scales(bench: BalanceBench) -> Iterable[Finding]:
    for placed in [*bench.resolved.old, *bench.resolved.installations]:
        if placed.installation.unit.on_scales == TwoScales():
            continue
        mass, at = placed.on_scales
        unit = placed.installation.unit
        agrees = (
            unit.mass is not None
            and unit.cg_aft is not None
            and abs(unit.mass.si - mass) <= 0.02 * mass
            and abs(unit.cg_aft.along_m - at) <= 0.005
        )
        yield verdict(
            "balance.unit-on-scales", "ok" if agrees else "watch", "{n}: {m}, CG {x} aft of {f}", "By two scales and a plank." + ("" if agrees else " The mass and CG entered for it are blank or differ: take these over."),
            subject=placed.id if not placed.old else f"old-{placed.id}", can_suggest=not agrees and not placed.old, n=word(placed.name), m=q(mass, "mass"), x=q(at, "length"), f=word(bench.resolved.word("unit flange")),
        )  # fmt: skip


@rule(
    "balance.unit-hung", "Bare unit hung twice", limit="agrees with the CG entered within 10 mm", source="statics; the tolerance: common practice, no source", mark="common practice",
)  # fmt: skip
def unit_hung(bench: BalanceBench) -> Iterable[Finding]:
    for placed in [*bench.resolved.old, *bench.resolved.installations]:
        unit = placed.installation.unit
        if unit.hung == Hung():
            continue
        x, z = placed.hung
        agrees = (
            unit.cg_aft is not None
            and unit.cg_up is not None
            and math.hypot(unit.cg_aft.along_m - x, unit.cg_up.along_m - z) <= 0.010
        )
        yield verdict(
            "balance.unit-hung", "ok" if agrees else "watch", "{n}: CG {x} aft of {f}, {z} up", "Where its two plumb lines cross." + ("" if agrees else " The CG entered for it is blank or differs: take this over."),
            subject=placed.id if not placed.old else f"old-{placed.id}", can_suggest=not agrees and not placed.old, n=word(placed.name), x=q(x, "length"), z=q(z, "length"), f=word(bench.resolved.word("unit flange")),
        )  # fmt: skip


@rule(
    "balance.surprise", "A measurement that surprises", limit="within three standard deviations of the figure that it replaces", source="JCGM 100:2008 (from memory)", mark="from memory",
)  # fmt: skip
def surprise(bench: BalanceBench) -> Iterable[Finding]:
    for pointer, figure in disputed(bench.resolved.project):
        earlier = figure.earlier
        assert earlier is not None
        yield verdict(
            "balance.surprise", "watch", "{p}: {a} {s} was {b}", "They differ by more than three standard deviations of both together. Was the same thing measured, in the same condition? Keep one.",
            subject=pointer.strip("/").replace("/", "."), can_suggest=True, p=word(_plain(pointer.split("/")[-1]) + " of " + _plain(pointer.split("/")[-2])), a=q(figure.si, figure.dimension), s=word(figure.source), b=q(earlier.si, figure.dimension),
        )  # fmt: skip


# Lead beyond this share of the empty mass: something that is aboard anyway should move instead. Common practice, no source.
_MUCH_LEAD = 0.03


@rule(
    "balance.ballast-security", "Fixed ballast", limit="none; 3 % of the empty mass at most", source="AC 43.13-1B chapter 10 (from memory); 3 %: common practice", mark="from memory", form="cg limits",
)  # fmt: skip
def ballast_security(bench: BalanceBench) -> Iterable[Finding]:
    lead = [b for b in bench.resolved.typed_rows if b.sign >= 0 and b.kind != "removed" and is_lead(b.name)]
    if not lead or bench.resolved.fit_id is None:
        return
    mass = sum(got(b.mass).value for b in lead)
    much = mass > _MUCH_LEAD * bench.empty.mass_kg
    yield verdict(
        "balance.ballast-security", "watch", "{m} of lead aboard", "It must hold the loads of flight, landing and a crash, be marked, and stand in the log." + (" That is more than 3 % of the empty mass: move something that is aboard anyway." if much else ""),
        m=q(mass, "mass"), compared=Compared(value=mass, dimension="mass", hi=_MUCH_LEAD * bench.empty.mass_kg),
    )  # fmt: skip
