"""Findings of fuel in the wing and at its tips."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.band import at_most, band, kept
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import decide
from ...resolved.craft import Resolved
from ...resolved.loads import Loads
from ..fuel.quantities import Fuel
from ..ledger.quantities import Ledger
from ..limits.quantities import CraftLimits
from ..matters import WING_ROOT
from .functions import root_bending


@rule(
    "balance.wing-bending",
    "Bending at the root of the wing",
    limit="not above the highest before, up to 5 % above watch, more stop",
    source="common practice, no source: a comparison, not an approval",
    mark="common practice",
    form="cg limits",
    settles=decide("The designer of the wing must say yes; or less outside the wing."),
    looks_at=WING_ROOT,
)
def wing_bending(fuel: Fuel, ledger: Ledger, loads: Loads, resolved: Resolved) -> Iterable[Verdict]:
    added = bool(resolved.fit and resolved.fit.tanks)
    if resolved.fit_id is None or not (fuel.has_wing_figures or added):
        return
    keys = list(loads.loadings)
    if not keys:
        raise CannotSay(Gap("/loadings", "a loading: who and what is aboard"))
    after = max((b for k in keys for b in fuel.bending(k, ledger.empty, True)), key=lambda b: b.moment_n_m)
    before = max((b for k in keys for b in fuel.bending(k, ledger.before, False)), key=lambda b: b.moment_n_m)
    share = after.moment_n_m / before.moment_n_m
    judged = band(share, "percent", ok=at_most(1.0), watch=at_most(1.05))
    yield verdict(
        judged,
        "Root bending {p} of the highest before",
        "{w}: {a}, before {b} ({v}), at the same load factor. It compares; whoever designed the wing must say yes.",
        working=root_bending.working(*after.terms),
        p=q(share, "percent"),
        w=word(after.words),
        v=word(before.words),
        a=q(after.moment_n_m, "torque"),
        b=q(before.moment_n_m, "torque"),
    )


@rule(
    "balance.zero-wing-fuel",
    "Mass with empty wings",
    limit="the designer's limit, watch if the doubt reaches above; none given: watch above the mass before, stop with "
    "tanks added in the fuselage",
    source="designer's limit; statics",
    mark="statics",
    form="cg limits",
    settles=decide("The designer must give a limit, or the tanks go elsewhere."),
)
def zero_wing_fuel(
    fuel: Fuel, limits: CraftLimits, ledger: Ledger, loads: Loads, resolved: Resolved
) -> Iterable[Verdict]:
    fit, cap = resolved.fit, limits.limits.no_wing_fuel
    wings = any(fuel.is_wing_tank(k) for k, _, _ in [*loads.tanks(False), *loads.tanks(True)])
    if fit is None or not (wings or cap):
        return
    keys = list(loads.loadings)
    after = max(fuel.no_wing_fuel(k, ledger.empty, True) for k in keys) if keys else ledger.empty.mass_kg
    before = max(fuel.no_wing_fuel(k, ledger.before, False) for k in keys) if keys else ledger.before.mass_kg
    inside = any(t.where not in ("wing", "wing tip") for t in fit.tanks.values())
    if cap is not None:
        judged = kept(after, "mass", at_most(cap.si), 2 * ledger.empty.mass.u)
        words = "Known to ±{u}. Limit {cap}."
    else:
        judged = band(after, "mass", ok=at_most(before)).or_by(
            "stop", "tanks are added in the fuselage and no limit is given", inside
        )
        words = "No limit is given. " + (
            "Tanks are added in the fuselage: full there with empty wings is the hard case; the designer must give one."
            if inside
            else "Before: {b}."
        )
    yield verdict(
        judged,
        "{a} with empty wings",
        words,
        a=q(after, "mass"),
        b=q(before, "mass"),
        cap=q(cap.si if cap else 0.0, "mass"),
        u=q(2 * ledger.empty.mass.u, "mass"),
    )


@rule(
    "balance.tip-fuel",
    "Mass at the wing tips",
    limit="stop beyond four fifths of the half span until a qualified person has looked",
    source="flutter guidance, FAA (from memory)",
    mark="from memory",
    form="cg limits",
    settles=decide("A qualified person must look at flutter and loads before it flies; or move it inboard."),
)
def tip_fuel(fuel: Fuel, resolved: Resolved) -> Iterable[Verdict]:
    names = fuel.at_the_tips(resolved.ledger)
    if names:
        yield verdict(
            "stop",
            "{n} at the wing tips",
            "It changes flutter, landing loads, roll and spin. Nothing here can check that: a designer must, "
            "before it flies.",
            n=word(", ".join(names)),
        )
