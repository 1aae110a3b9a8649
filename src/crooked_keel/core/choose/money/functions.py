"""Money of a fit, planned against ordered against paid; and the longest wait."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple


class Spent(NamedTuple):
    """What a thing was to cost, what was ordered for it, what was paid, in the currency of the project; closed: no more
    will come. wait_s:
    how long it takes to come; week: in which week it falls, as written."""

    name: str
    planned: float
    committed: float = 0.0
    spent: float = 0.0
    closed: bool = False
    wait_s: float = 0.0
    week: str = ""

    @property
    def forecast(self) -> float:
        """What it will have cost: what was paid once it is closed, else the largest of the three."""
        return self.spent if self.closed else max(self.planned, self.committed, self.spent)

    @property
    def exposure(self) -> float:
        """Ordered and not paid yet."""
        return 0.0 if self.closed else max(self.committed - self.spent, 0.0)


class Status(NamedTuple):
    """Sums over the lines: planned, paid, forecast, how far the forecast is above what was planned, and what is ordered
    but not paid."""

    planned: float
    spent: float
    forecast: float
    variance: float
    exposure: float


def ledger_status(lines: Sequence[Spent]) -> Status:
    """Sums of a list of money. A line paid over its order hides no other's debt. Source: project accounting,
    arithmetic."""
    planned, forecast = sum(x.planned for x in lines), sum(x.forecast for x in lines)
    return Status(planned, sum(x.spent for x in lines), forecast, forecast - planned, sum(x.exposure for x in lines))


def by_week(lines: Sequence[Spent]) -> dict[str, tuple[float, float, float]]:
    """Planned, forecast and paid by week, in the order of the weeks as they are written (2026-W48); lines without one
    under nothing."""
    made: dict[str, tuple[float, float, float]] = {}
    for x in sorted(lines, key=lambda x: (x.week == "", x.week)):
        planned, forecast, spent = made.get(x.week, (0.0, 0.0, 0.0))
        made[x.week] = (planned + x.planned, forecast + x.forecast, spent + x.spent)
    return made


def longest_wait(lines: Sequence[Spent]) -> Spent | None:
    """The open line that takes longest to come; None where none is waited for."""
    open_lines = [x for x in lines if not x.closed and x.wait_s > 0]
    return max(open_lines, key=lambda x: x.wait_s, default=None)
