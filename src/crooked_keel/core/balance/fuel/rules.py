"""Findings about caps of mass, fuel and the wing: what may be aboard, what burns when, what hangs in the wing."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ...errors import CannotSay, Gap
from ...figure.trace import Traced
from ...judging.band import at_most, band, kept, within
from ...judging.finding import BUTT_LINE, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, decide
from ...resolved.loads import Loads
from ..ledger.quantities import Ledger
from ..limits.quantities import CraftLimits
from ..loadings.quantities import LoadedCase, Loadings
from ..loadings.rules import against
from .quantities import Fuel


def _heaviest(loadings: Loadings, when: int, cap_kg: float) -> tuple[LoadedCase, Traced]:
    """The loading that decides: the heaviest beyond the limit, else the one whose doubt reaches furthest. when: 0 with
    empty tanks, -1 as loaded."""
    mass = lambda c: c.trail[when].centre.mass
    case = max(loadings.cases, key=lambda c: (max(mass(c).value - cap_kg, 0.0), mass(c).value + 2 * mass(c).u))
    return case, mass(case)


@rule(
    "balance.mass-landing",
    "Landing mass",
    limit="stop where empty tanks are still above it, watch where fuel must be burnt first",
    source="designer's limit",
    mark="statics",
    form="cg limits",
    settles=decide("Carry less, or burn down before landing."),
)
def mass_landing(loadings: Loadings, limits: CraftLimits) -> Iterable[Verdict]:
    cap = limits.limits.landing
    if cap is None:
        return
    case, dry = _heaviest(loadings, 0, cap.si)
    heavy, laden = _heaviest(loadings, -1, cap.si)
    full = laden.value
    judged = kept(dry.value, "mass", at_most(cap.si), 2 * dry.u).or_by(
        "watch", "fuel is to be burnt before landing", full + 2 * laden.u > cap.si
    )
    if dry.value > cap.si:
        title, message = "Landing mass passed by {d}", "{l} with empty tanks: {m} of {cap}."
    elif full > cap.si:
        title, message = "Burn {b} before landing", "{h} takes off at {f}; landing mass {cap}."
    else:
        title, message = "{d} of landing mass left", "{l} with empty tanks: {m} ±{u} of {cap}."
    yield verdict(
        judged,
        title,
        message,
        left_out=loadings.unsaid,
        d=q(abs(cap.si - dry.value), "mass"),
        b=q(max(full - cap.si, 0.0), "mass"),
        l=word(case.name),
        h=word(heavy.name),
        m=q(dry.value, "mass"),
        f=q(full, "mass"),
        u=q(2 * dry.u, "mass"),
        cap=q(cap.si, "mass"),
    )


@rule(
    "balance.mass-zero-fuel",
    "Mass without fuel",
    limit="stop above, watch if the doubt reaches above",
    source="designer's limit",
    mark="statics",
    form="cg limits",
    settles=decide("Carry less in the cabin."),
)
def mass_zero_fuel(loadings: Loadings, limits: CraftLimits) -> Iterable[Verdict]:
    cap = limits.limits.zero_fuel
    if cap is None:
        return
    case, dry = _heaviest(loadings, 0, cap.si)
    judged = kept(dry.value, "mass", at_most(cap.si), 2 * dry.u)
    yield verdict(
        judged,
        "Mass without fuel passed by {d}" if dry.value > cap.si else "{d} of mass without fuel left",
        "{l}: {m} ±{u} of {cap}.",
        left_out=loadings.unsaid,
        d=q(abs(cap.si - dry.value), "mass"),
        l=word(case.name),
        m=q(dry.value, "mass"),
        u=q(2 * dry.u, "mass"),
        cap=q(cap.si, "mass"),
    )


@rule(
    "balance.one-side-fuel",
    "One side will not feed",
    limit="the lateral limits; none given: watch beyond 25 mm",
    source="designer's limit; 25 mm: common practice, no source",
    mark="common practice",
    form="cg limits",
    settles=adjust("A cross-feed, or a limit on what may differ between the sides."),
)
def one_side_fuel(fuel: Fuel, limits: CraftLimits, ledger: Ledger, loads: Loads) -> Iterable[Verdict]:
    if not fuel.on_sides:
        fuel.every_side  # noqa: B018  a tank of which nobody said where it lies is not on the centreline
        return
    lo, hi, given = limits.lateral
    stuck = [s for key in loads.loadings for s in fuel.one_side(key, ledger.empty_y)]
    if not stuck:
        raise CannotSay(Gap("/loadings", "a loading: who and what is aboard"))
    worst = min(stuck, key=lambda s: min(s.centre_y.station_m - lo, hi - s.centre_y.station_m))
    y, u = worst.centre_y.station_m, worst.centre_y.station.u
    judged = band(y, "length", ok=within(lo, hi), watch=within(lo, hi) if given else None, doubt=2 * u)
    yield verdict(
        judged,
        "With the {s} tanks stuck full the CG is {d} off the centreline",
        "{l}, all else burnt: {y} ±{u}"
        + ("." if given else "; no lateral limit given, 25 mm taken. Roll control is not checked here."),
        s=word(worst.side),
        d=q(abs(y), "length"),
        l=word(worst.loading),
        y=q(y, "length", BUTT_LINE),
        u=q(2 * u, "length"),
    )


@rule(
    "balance.burn-order",
    "Order of burning",
    limit="stop where the order leaves the limits, watch within two standard deviations",
    source="statics",
    mark="statics",
    form="cg limits",
    settles=adjust("Burn the tanks in another order, as far as the pipes allow."),
)
def burn_order(loadings: Loadings, fuel: Fuel) -> Iterable[Verdict]:
    unturned = fuel.unturned([c.key for c in loadings.cases])
    cases = [c for c in loadings.cases if len(fuel.legs(c.key)) > 1]
    if not cases:
        if unturned.names:
            raise CannotSay(*unturned.needs)
        return
    unsaid = loadings.unsaid
    worst: tuple[float, float, Any, Any, str] | None = None
    for case in cases:
        for point in case.trail[1:-1]:
            for side in ("forward", "aft"):
                found = (point.margin(side) / (point.u(side) or 1e-12), point.margin(side), case, point, side)
                if worst is None or found[0] < worst[0]:
                    worst = found
    if worst is None:
        return
    _, margin, case, point, side = worst
    judged = against(point.x_m, point.limit(side), side, 2 * point.u(side))
    yield verdict(
        judged,
        "On the way the {s} limit is passed by {d}" if margin < 0 else "On the way the {s} limit is kept by {d}",
        "{l}, burning turn by turn: CG at {x}, limit {k}, at {m}.",
        working=point.margin_working(side),
        can_suggest=judged.level != "ok",
        left_out=unsaid + unturned,
        s=word(side),
        d=q(abs(margin), "length"),
        l=word(case.name),
        x=q(point.x_m, "length"),
        k=q(point.limit(side), "length"),
        m=q(point.mass_kg, "mass"),
    )
