"""Findings of the balance bench."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable

from ...document import Hung, TwoScales
from ...errors import CannotSay
from ...judging.band import told
from ...judging.finding import STATION, WATER_LINE, counted, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, decide, measure
from ...judging.subjects import one_by_one
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...resolved.references import Body, got
from ...resolved.remarkable import Remarkable
from ...resolved.weighed import hung, on_scales
from .functions import MUCH_LEAD, apply_ledger, is_lead
from .quantities import Ledger


@rule(
    "balance.lateral-left-out",
    "Blank butt lines",
    limit="less than 1 mm in all",
    source="statics",
    mark="statics",
    form="cg limits",
)
def lateral_left_out(ledger: Ledger) -> Iterable[Verdict]:
    blank = ledger.lateral_left_out
    if blank:
        needs = [n for b in blank if not hasattr(b.y, "value") for n in b.y.needs]
        yield verdict(
            "unknown",
            "Left out of the lateral CG: " + counted(len(blank), "one row", "{n} rows"),
            counted(len(blank), "Its butt line is blank; it moves", "Their butt lines are blank; together they move")
            + " the CG less than 1 mm.",
            n=q(len(blank), "count"),
            needs=needs,
        )


@rule("balance.cg-height", "Height of the CG", limit="known for every row", source="statics", mark="statics")
def cg_height(ledger: Ledger) -> Iterable[Verdict]:
    z, before = ledger.empty_z.station, apply_ledger(ledger.as_found, "z").station_m
    yield verdict(
        "ok",
        "CG height moves {d}",
        "Empty, from the level line: {a} → {b}.",
        d=q(z.value - before, "length", WATER_LINE),
        a=q(before, "length", WATER_LINE),
        b=q(z.value, "length", WATER_LINE),
    )


@rule(
    "balance.wide-tolerance",
    "Masses that are hardly known",
    limit="± smaller than the mass itself",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Weigh it."),
    about="figures",
)
def wide_tolerance(resolved: Resolved) -> Iterable[Verdict]:
    for body in resolved.ledger:
        if body.sign and not isinstance(body.mass, CannotSay) and 2 * body.mass.u > body.mass.value > 0:
            yield verdict(
                "watch",
                "{n}: ± larger than the mass",
                "{m} ±{u}. As far as is known it may not be there at all.",
                subject=body.id,
                n=word(body.name),
                m=q(body.mass.value, "mass"),
                u=q(2 * body.mass.u, "mass"),
            )


# What a piston engine or turbine that is ready to run has on it already; a motor has none of it.
_ON_THE_UNIT = frozenset(
    {
        "starter",
        "alternator",
        "generator",
        "oil",
        "coolant",
        "carburettor",
        "exhaust",
        "silencer",
        "ignition",
    }
)
# What of it is often unbolted before the unit is weighed, and then goes out by itself.
_OFTEN_APART = frozenset({"exhaust", "silencer"})


def _plain(name: str) -> str:
    return re.sub(r"[^0-9a-z]+", " ", name.casefold()).strip()


@rule(
    "balance.double-count",
    "Nothing counted twice",
    limit="each thing once; nothing listed that a unit ready to run has on it; stations within a metre of the craft",
    source="common practice, no source",
    mark="common practice",
    settles=decide("If it is one thing, take one of the two out; if two, name them apart."),
)
def double_count(resolved: Resolved) -> Iterable[Verdict]:
    rows = [b for b in resolved.typed_rows if not b.id.endswith("-to")]
    seen: dict[tuple[str, bool], Body] = {}
    troubled = False
    for body in rows:
        here = (_plain(body.name), body.kind == "removed")
        if here[0] and here in seen:
            troubled = True
            yield verdict(
                "watch",
                "{n} is listed twice",
                "Once as {a}, once as {b}. If it is one thing, take one row out; if it is two, name them apart.",
                subject=body.pointer,
                n=word(body.name),
                a=word(seen[here].kind),
                b=word(body.kind),
            )
        seen[here] = body
    for said in (*_twice_with_units(resolved, rows), *_packs_typed(resolved, rows)):
        troubled = True
        yield said
    outline = resolved.project.craft.outline
    if outline.tail is not None:
        first = outline.nose.along_m if outline.nose is not None else 0.0
        lo, hi = min(first, outline.tail.along_m) - 1.0, max(first, outline.tail.along_m) + 1.0
        for body in rows:
            if not isinstance(body.x, CannotSay) and not lo <= body.x.value <= hi:
                troubled = True
                yield verdict(
                    "watch",
                    "{n} sits {x} of the datum: off the craft",
                    "Is the station measured from the reference that it says, and the right way?",
                    subject=f"place {body.pointer}",
                    n=word(body.name),
                    x=q(body.x.value, "length", STATION),
                )
    if rows and not troubled:
        yield verdict(
            "ok",
            "Nothing looks counted twice",
            "By names, by the state in which the units were weighed, and by the places of the rows.",
        )


def _twice_with_units(resolved: Resolved, rows: list[Body]) -> Iterable[Verdict]:
    """Rows that put on, or take off, what a unit weighed ready to run has in its own mass already."""
    of = [(p, "installed") for p in resolved.installations] + [(p, "removed") for p in resolved.old]
    for placed, kind in of:
        unit = placed.installation.unit
        if unit.condition != "ready to run" or unit.kind == "electric":
            continue
        for body in rows:
            names = _ON_THE_UNIT if kind == "installed" else _ON_THE_UNIT - _OFTEN_APART
            if body.kind == kind and names & set(_plain(body.name).split()):
                yield verdict(
                    "watch",
                    "{n}: counted in the unit already?",
                    "{u} was weighed ready to run. If it had this on, take the row out.",
                    subject=f"{'old-' if placed.old else ''}{placed.id} {body.pointer}",
                    n=word(body.name),
                    u=word(placed.name),
                )


def _packs_typed(resolved: Resolved, rows: list[Body]) -> Iterable[Verdict]:
    """Rows that put on what stands among the packs of a fit already."""
    packs = {_plain(k.name) for p in resolved.installations for k in p.installation.packs.values()}
    for body in rows:
        name = _plain(body.name)
        if body.kind == "installed" and packs and (name in packs or {"pack", "packs"} & set(name.split())):
            yield verdict(
                "watch",
                "{n}: is that one of the packs?",
                "The packs of this fit are in the sums by themselves. If this is one of them, take the row out.",
                subject=f"pack {body.pointer}",
                n=word(body.name),
            )


@rule(
    "balance.condition",
    "State in which the unit was weighed",
    limit="dry, wet or ready to run, said",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Weigh the unit ready to run, or list what its mass leaves out."),
)
def condition(resolved: Resolved) -> Iterable[Verdict]:
    for unit in resolved.units:
        placed = unit.of
        if placed.installation.unit.mass is None or (placed.old and resolved.fit_id is None):
            continue
        if placed.installation.unit.condition != "ready to run":
            yield verdict(
                "watch",
                "{n}: its mass is {c}",
                "Oil, coolant, exhaust, starter and hoses went out with it and may be missing from that mass: list "
                "them as removed, or weigh it ready to run."
                if placed.old
                else "Oil, coolant, exhaust, starter and hoses may be missing from it. List them in the ledger or "
                "weigh it ready to run.",
                subject=unit.key,
                n=word(unit.name),
                c=word(placed.installation.unit.condition or "of an unstated condition"),
            )
        else:
            yield verdict(
                "ok",
                "{n} was weighed ready to run",
                "Its mass is taken with oil, coolant, exhaust and starter. Rows that name them again are asked about "
                "under what is counted twice.",
                subject=unit.key,
                n=word(unit.name),
            )


@rule(
    "balance.unit-on-scales",
    "Bare unit on two scales",
    limit="agrees with the mass and CG entered within 2 % and 5 mm",
    source="statics; the tolerance: common practice, no source",
    mark="common practice",
    settles=measure("Weigh it again, both edges level."),
)
def unit_on_scales(resolved: Resolved) -> Iterable[Verdict]:
    units = [u for u in resolved.units if u.of.installation.unit.on_scales != TwoScales()]
    return one_by_one(units, lambda unit: _on_scales(unit.of, resolved))


def _on_scales(placed: ResolvedInstallation, resolved: Resolved) -> Iterable[Verdict]:
    mass, at = on_scales(placed)
    unit = placed.installation.unit
    agrees = (
        unit.mass is not None
        and unit.cg_aft is not None
        and abs(unit.mass.si - mass) <= 0.02 * mass
        and abs(unit.cg_aft.along_m - at) <= 0.005
    )
    yield verdict(
        "ok" if agrees else "watch",
        "{n}: {m}, CG {x} aft of {f}",
        "By two scales and a plank."
        + ("" if agrees else " The mass and CG entered for it are blank or differ: take these over."),
        subject=placed.id if not placed.old else f"old-{placed.id}",
        can_suggest=not agrees and not placed.old,
        n=word(placed.name),
        m=q(mass, "mass"),
        x=q(at, "length"),
        f=word(resolved.word("unit flange")),
    )


@rule(
    "balance.unit-hung",
    "Bare unit hung twice",
    limit="agrees with the CG entered within 10 mm",
    source="statics; the tolerance: common practice, no source",
    mark="common practice",
    settles=measure("Hang it again from two points further apart."),
)
def unit_hung(resolved: Resolved) -> Iterable[Verdict]:
    units = [u for u in resolved.units if u.of.installation.unit.hung != Hung()]
    return one_by_one(units, lambda unit: _hung(unit.of, resolved))


def _hung(placed: ResolvedInstallation, resolved: Resolved) -> Iterable[Verdict]:
    unit = placed.installation.unit
    x, z = hung(placed)
    agrees = (
        unit.cg_aft is not None
        and unit.cg_up is not None
        and math.hypot(unit.cg_aft.along_m - x, unit.cg_up.along_m - z) <= 0.010
    )
    yield verdict(
        "ok" if agrees else "watch",
        "{n}: CG {x} aft of {f}, {z} up",
        "Where its two plumb lines cross."
        + ("" if agrees else " The CG entered for it is blank or differs: take this over."),
        subject=placed.id if not placed.old else f"old-{placed.id}",
        can_suggest=not agrees and not placed.old,
        n=word(placed.name),
        x=q(x, "length"),
        z=q(z, "length"),
        f=word(resolved.word("unit flange")),
    )


@rule(
    "balance.surprise",
    "A measurement that surprises",
    limit="within three standard deviations of the figure that it replaces",
    source="JCGM 100:2008 (from memory)",
    mark="from memory",
    settles=measure("Measure it a third time: two that agree stand."),
)
def surprise(remarkable: Remarkable) -> Iterable[Verdict]:
    for pointer, figure in remarkable.disputed:
        earlier = figure.earlier
        assert earlier is not None
        yield verdict(
            "watch",
            "{p}: {a} {s} was {b}",
            "They differ by more than three standard deviations of both together. Was the same thing measured, in "
            "the same condition? Keep one.",
            subject=pointer.strip("/").replace("/", "."),
            can_suggest=True,
            p=word(_plain(pointer.split("/")[-1]) + " of " + _plain(pointer.split("/")[-2])),
            a=q(figure.si, figure.dimension),
            s=word(figure.source),
            b=q(earlier.si, figure.dimension),
        )


@rule(
    "balance.ballast-security",
    "Fixed ballast",
    limit="none; 3 % of the empty mass at most",
    source="AC 43.13-1B chapter 10 (from memory); 3 %: common practice",
    mark="from memory",
    form="cg limits",
    settles=adjust("Bolt it for the loads of a crash, mark it, log it; or move something aboard instead."),
)
def ballast_security(ledger: Ledger, resolved: Resolved) -> Iterable[Verdict]:
    lead = [b for b in resolved.typed_rows if b.sign >= 0 and b.kind != "removed" and is_lead(b.name)]
    if not lead or resolved.fit_id is None:
        return
    mass = sum(got(b.mass).value for b in lead)
    much = mass > MUCH_LEAD * ledger.empty.mass_kg
    yield verdict(
        told(mass, "mass", "watch", "lead must hold in a crash, whatever its mass"),
        "{m} of lead aboard",
        "It must hold the loads of flight, landing and a crash, be marked, and stand in the log."
        + (" That is more than 3 % of the empty mass: move something that is aboard anyway." if much else ""),
        m=q(mass, "mass"),
    )
