"""Ports of old and new, as listed."""

from __future__ import annotations

from ...errors import or_none
from ...formula import record
from ..money.quantities import Spending
from .functions import PortLine
from .quantities import PortPair


@record
class PortOut:
    """A port of old and new: what comes of it, the attributes that differ and those not measured, in words; what to
    buy, to do and to mind; the name of its
    line, and where that stands already: among the money, in the ledger, among the tasks."""

    kind: str
    name: str
    status: str
    differs: list[str]
    blank: list[str]
    buy: str
    task: str
    caution: str
    line: str
    money: bool
    ledger: bool
    kept: bool


def port_table(ports: PortPair, spending: Spending) -> list[PortOut]:
    """Every port of old and new, and where what it asks for stands already."""
    fit = spending.fit
    lists = (fit.money, fit.ledger, fit.tasks) if fit else ({}, {}, {})
    money, ledger, tasks = ({i.name for i in part.values()} for part in lists)
    return [
        PortOut(
            kind=r.kind.key,
            name=r.kind.name,
            status=r.status,
            differs=[a.words for a in r.differs],
            blank=[a.words for a in r.blank],
            buy=r.kind.buy,
            task=port_task(r),
            caution=r.kind.caution,
            line=port_line(r),
            money=port_line(r) in money,
            ledger=port_line(r) in ledger,
            kept=port_task(r) in tasks,
        )
        for r in or_none(lambda: ports.ports) or []
    ]


def port_line(row: PortLine) -> str:
    """The name of the line of money that a port asks for."""
    return f"{row.kind.name[0].upper()}{row.kind.name[1:]}: {row.kind.buy}"


def port_task(row: PortLine) -> str:
    """The name of the task that a port asks for."""
    return f"{row.kind.name[0].upper()}{row.kind.name[1:]}: {row.kind.task}"
