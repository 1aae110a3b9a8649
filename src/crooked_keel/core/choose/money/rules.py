"""Findings of money and wait."""

from __future__ import annotations

from collections.abc import Iterable

from ...figure.trace import need
from ...judging.band import at_least, at_most, band, beyond, kept
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import decide, measure
from ...resolved.craft import Resolved
from ..power.quantities import Lasting
from .functions import longest_wait
from .quantities import Spending


@rule(
    "choose.money",
    "Money of this fit",
    limit="not above what was planned ok, a tenth above watch; above the most you want to pay, stop",
    source="project accounting; the tenth: common practice, no source",
    mark="common practice",
    settles=decide("Raise the most that you want to pay, drop a line, or look at another candidate."),
)
def money(unit: Lasting, spending: Spending) -> Iterable[Verdict]:
    most = unit.need.most_cost
    if not spending.money:
        if spending.fit is not None and most is not None and unit.unit.cost is not None:
            yield from _unit_alone(unit.unit.cost.si, most.si)
        return
    s, whole = spending.spending, spending.cost()
    over = most is not None and whole > most.si
    judged = (
        kept(whole, "money", at_most(most.si))
        if most is not None
        else band(whole, "money", ok=at_most(1.1 * s.planned))
    )
    judged = judged.or_by("watch", "a tenth more than was planned", whole - s.planned > 0.1 * s.planned)
    yield verdict(
        judged,
        "It will cost {f}, planned {p}" if not over else "It will cost {f}, more than the {m} you want to pay",
        "{s} paid, {e} ordered and not paid yet."
        + (" No line is for the unit itself: its price is counted on top." if spending.not_in_lines else ""),
        f=q(whole, "money"),
        p=q(s.planned, "money"),
        m=q(most.si if most else 0.0, "money"),
        s=q(s.spent, "money"),
        e=q(s.exposure, "money"),
    )


def _unit_alone(price: float, most: float) -> Iterable[Verdict]:
    """Only the unit's price is known: enough to say that it is too much, never that the whole is not."""
    if price <= most:
        return
    yield verdict(
        beyond(price, "money", at_most(most), "stop"),
        "The unit alone costs {f}, more than the {m} you want to pay",
        "Nothing else of this fit is priced yet.",
        f=q(price, "money"),
        m=q(most, "money"),
    )


@rule(
    "choose.complete",
    "What it drags in is priced",
    limit="money of the fit at least a fifth above the price of its units ok, less watch",
    source="complete, often 1.5 to 2 times the bare unit; common practice, no source",
    mark="common practice",
    settles=measure("Ask prices of mount, cooling, exhaust, gearing, wiring and papers, a line for each."),
)
def complete(unit: Lasting, spending: Spending, resolved: Resolved) -> Iterable[Verdict]:
    if spending.fit is None or unit.unit.cost is None:
        return
    base = f"/fits/{resolved.fit_id}/installations"
    bare = sum(
        need(i.unit.cost, f"{base}/{k}/unit/cost", f"price of the {i.unit.name}").si
        for k, i in spending.fit.installations.items()
    )
    whole = spending.cost() if spending.money else bare
    short = whole < 1.2 * bare
    yield verdict(
        band(whole, "money", ok=at_least(1.2 * bare)),
        "Little is priced beside the unit: {w} in all, {b} the unit" if short else "{w} in all, {b} the unit",
        "Mount, cooling, exhaust, gearing and what it turns, wiring, gauges, papers: complete, it often costs 1.5 "
        "to 2 times the bare unit.",
        w=q(whole, "money"),
        b=q(bare, "money"),
    )


@rule(
    "choose.wait",
    "What is waited for",
    limit="not longer than you want to wait, else watch",
    source="the suppliers' word",
    mark="proposed",
    settles=decide("Order it first, find another supplier, or plan what it holds up round it."),
)
def wait(unit: Lasting, spending: Spending) -> Iterable[Verdict]:
    if spending.fit is None or not spending.fit.money:
        return
    longest, most, blank = longest_wait(spending.money), unit.need.longest_wait, spending.without_wait
    if longest is None:
        return
    holds = next((m.holds_up for m in spending.fit.money.values() if m.name == longest.name), "")
    late = most is not None and longest.wait_s > most.si
    yield verdict(
        band(longest.wait_s, "wait", ok=at_most(most.si)) if most is not None else "ok",
        "{n} takes longest: {w}" if not blank.names else "Of those known {n} takes longest: {w}",
        ("Longer than the {m} you want to wait. " if late else "")
        + ("It holds up: {h}." if holds else "What it holds up was not said."),
        left_out=blank if most is not None else None,
        n=word(longest.name),
        w=q(longest.wait_s, "wait"),
        m=q(most.si if most else 0.0, "wait"),
        h=word(holds),
    )
