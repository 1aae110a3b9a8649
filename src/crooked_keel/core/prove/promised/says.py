"""Promises as the prove bench lists them."""

from __future__ import annotations

from ...formula import record
from ...judging.finding import Ways
from .quantities import Promises
from .rules import judged_of


@record
class PromiseOut:
    """A promise: promised and measured in SI, their difference, and that in doubts."""

    id: str
    bench: str
    label: str
    dimension: str
    ways: Ways | None
    promised_si: float | None
    promised_doubt_si: float | None
    measured_si: float | None
    measured_doubt_si: float | None
    off_si: float | None
    in_doubts: float | None
    level: str | None
    needs: list[str]
    how: str


def promise_table(promises: Promises) -> list[PromiseOut]:
    """Promises beside what was measured."""
    made = []
    for r in promises.rows:
        both = r.promised is not None and r.measured is not None
        made.append(
            PromiseOut(
                id=r.id,
                bench=r.bench,
                label=r.label,
                dimension=r.dimension,
                ways=r.ways,
                promised_si=r.promised,
                promised_doubt_si=r.promised_doubt or None,
                measured_si=r.measured,
                measured_doubt_si=r.measured_doubt or None,
                off_si=r.off if both else None,
                in_doubts=abs(r.off) / r.doubt if both and r.doubt else None,
                level=judged_of(r).level if both else None,
                needs=list(r.needs),
                how=r.how,
            )
        )
    return made
