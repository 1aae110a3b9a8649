"""Findings of money and wait."""

from __future__ import annotations

from collections.abc import Iterable

from ...figure.trace import need
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
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
)
def money(unit: Lasting, spending: Spending) -> Iterable[Finding]:
    most = unit.need.most_cost
    if not spending.money:
        if spending.fit is not None and most is not None and unit.unit.cost is not None:
            yield from _unit_alone(unit.unit.cost.si, most.si)
        return
    s, whole = spending.spending, spending.cost()
    over = most is not None and whole > most.si
    level: Level = "stop" if over else "watch" if whole - s.planned > 0.1 * s.planned else "ok"
    yield verdict(
        "choose.money",
        level,
        "It will cost {f}, planned {p}" if not over else "It will cost {f}, more than the {m} you want to pay",
        "{s} paid, {e} ordered and not paid yet."
        + (" No line is for the unit itself: its price is counted on top." if spending.not_in_lines else ""),
        compared=Compared(value=whole, dimension="money", hi=most.si if most else s.planned * 1.1),
        f=q(whole, "money"),
        p=q(s.planned, "money"),
        m=q(most.si if most else 0.0, "money"),
        s=q(s.spent, "money"),
        e=q(s.exposure, "money"),
    )


def _unit_alone(price: float, most: float) -> Iterable[Finding]:
    """Only the unit's price is known: enough to say that it is too much, never that the whole is not."""
    if price <= most:
        return
    yield verdict(
        "choose.money",
        "stop",
        "The unit alone costs {f}, more than the {m} you want to pay",
        "Nothing else of this fit is priced yet.",
        compared=Compared(value=price, dimension="money", hi=most),
        f=q(price, "money"),
        m=q(most, "money"),
    )


@rule(
    "choose.complete",
    "What it drags in is priced",
    limit="money of the fit at least a fifth above the price of its units ok, less watch",
    source="complete, often 1.5 to 2 times the bare unit; common practice, no source",
    mark="common practice",
)
def complete(unit: Lasting, spending: Spending, resolved: Resolved) -> Iterable[Finding]:
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
        "choose.complete",
        "watch" if short else "ok",
        "Little is priced beside the unit: {w} in all, {b} the unit" if short else "{w} in all, {b} the unit",
        "Mount, cooling, exhaust, gearing and what it turns, wiring, gauges, papers: complete, it often costs 1.5 "
        "to 2 times the bare unit.",
        compared=Compared(value=whole, dimension="money", lo=1.2 * bare),
        w=q(whole, "money"),
        b=q(bare, "money"),
    )


@rule(
    "choose.wait",
    "What is waited for",
    limit="not longer than you want to wait, else watch",
    source="the suppliers' word",
    mark="proposed",
)
def wait(unit: Lasting, spending: Spending) -> Iterable[Finding]:
    if spending.fit is None or not spending.fit.money:
        return
    longest, most, blank = longest_wait(spending.money), unit.need.longest_wait, spending.without_wait
    if longest is None:
        return
    holds = next((m.holds_up for m in spending.fit.money.values() if m.name == longest.name), "")
    late = most is not None and longest.wait_s > most.si
    yield verdict(
        "choose.wait",
        "watch" if late else "ok",
        "{n} takes longest: {w}" if not blank.names else "Of those known {n} takes longest: {w}",
        ("Longer than the {m} you want to wait. " if late else "")
        + ("It holds up: {h}." if holds else "What it holds up was not said."),
        compared=Compared(value=longest.wait_s, dimension="wait", hi=most.si) if most else None,
        left_out=blank if most is not None else None,
        n=word(longest.name),
        w=q(longest.wait_s, "wait"),
        m=q(most.si if most else 0.0, "wait"),
        h=word(holds),
    )
