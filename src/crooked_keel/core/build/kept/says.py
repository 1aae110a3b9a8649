"""What the build bench says of the records."""

from __future__ import annotations

from datetime import date, timedelta

from ...facts.records import Paid, Worked
from ...judging.finding import Value
from ...judging.values import ValueList
from ..plan.quantities import day_of
from .quantities import Records


def record_values(records: Records) -> list[Value]:
    """What was worked and spent."""
    out = ValueList("build")
    if records.facts.standing:
        out.add("worked", "Hours worked", "hours", lambda: records.hours_s, source="records")
        out.add("spent", "Spent by the records", "money", lambda: records.spent, source="records")
    return out.values


def _within(day: date, today: date | None) -> bool:
    if today is None:
        return False
    monday = today - timedelta(days=today.weekday())
    return monday <= day < monday + timedelta(days=7)


def worked_in_week(records: Records, today: date | None) -> float:
    """Hours worked in the week of a day."""
    worked = records.facts.of(Worked, records.fit_id)
    return sum(r.hours.si for k, r in worked if _within(day_of(k, r), today)) / 3600.0


def spent_in_week(records: Records, today: date | None) -> float:
    """Money spent in the week of a day."""
    return sum(r.amount.si for k, r in records.facts.of(Paid, records.fit_id) if _within(day_of(k, r), today))
