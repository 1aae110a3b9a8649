"""Choice of one unit: its topics, headline values and tables."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import or_none
from ..formula import Out
from ..topic.reading import Topic
from ..topic.tables import Tables
from .money.functions import by_week, longest_wait
from .money.quantities import Spending
from .money.says import WeekOut, spending_values
from .ports.quantities import PortPair
from .ports.says import PortOut, port_table
from .power.quantities import Lasting
from .power.says import CurveOut, curve_table, lasting_values


class ChooseOut(Out):
    """What the choose bench draws of one unit."""

    curve: list[CurveOut]
    ports: list[PortOut]
    weeks: list[WeekOut]
    longest: str
    longest_holds: str


class ChooseTopics(NamedTuple):
    """The topics of the choice of one unit."""

    lasting: Lasting
    ports: PortPair
    spending: Spending

    def topics(self) -> list[Topic]:
        """All of them."""
        return list(self)


VALUES = (lasting_values, spending_values)


def money_table(spending: Spending) -> ChooseOut:
    """Money by week and the longest wait, without curve and ports."""
    lines = or_none(lambda: spending.money) or []
    longest = longest_wait(lines)
    named = spending.fit.money.values() if spending.fit else ()
    return ChooseOut(
        curve=[],
        ports=[],
        weeks=[WeekOut(week=w, planned_si=p, forecast_si=f, spent_si=s) for w, (p, f, s) in by_week(lines).items()],
        longest=longest.name if longest else "",
        longest_holds=next((m.holds_up for m in named if longest and m.name == longest.name), ""),
    )


def listed(ask: Tables) -> ChooseOut | None:
    """What the bench lists and draws of one unit."""
    money = ask(money_table)
    if money is None:
        return None
    return money.model_copy(update={"curve": ask(curve_table) or [], "ports": ask(port_table) or []})
