"""What the choose bench says of the money."""

from __future__ import annotations

from ...formula import record
from ...judging.finding import Value
from ...judging.values import ValueList
from .quantities import Spending


@record
class WeekOut:
    """Money of a week: planned, forecast and paid."""

    week: str
    planned_si: float
    forecast_si: float
    spent_si: float


def spending_values(spending: Spending) -> list[Value]:
    """What the fit will have cost."""
    out = ValueList("choose")
    if spending.fit is not None and spending.fit.money:
        by = "each line: paid if closed, else the largest of planned, ordered, paid"
        out.add("forecast", "It will have cost", "money", lambda: spending.spending.forecast, source=by)
    return out.values
