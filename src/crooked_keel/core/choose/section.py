"""Choice of one unit: its topics, headline values and tables."""

from __future__ import annotations

from typing import NamedTuple

from ..errors import or_none
from ..formula import Out, record
from ..judging.finding import Value
from ..judging.values import ValueList
from ..topic.reading import Topic
from .money.functions import by_week, longest_wait
from .money.quantities import Spending
from .ports.functions import Row
from .ports.quantities import PortPair
from .power.curve import power_of
from .power.quantities import Lasting, built_up, fuel_flow, power_left


@record
class CurveOut:
    """Speed, torque and power along the curve, SI."""

    speed_si: float
    torque_si: float
    power_si: float


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


@record
class WeekOut:
    """Money of a week: planned, forecast and paid."""

    week: str
    planned_si: float
    forecast_si: float
    spent_si: float


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


def lasting_values(unit: Lasting) -> list[Value]:
    """Power, fuel, heat and mass of the unit."""
    out = ValueList("choose")
    old = unit.old
    known = lambda ask: (lambda: ask(old)) if old is not None else None
    if unit.need.altitude is not None:
        out.add(
            "power-there",
            "Lasting power where it is used",
            "power",
            lambda: unit.power_there,
            before=known(lambda o: o.power_there),
            working=lambda: power_left.working(unit.continuous[0], unit.share_left),
        )
    out.add(
        "lasting",
        "Power that lasts",
        "power",
        lambda: unit.continuous[0],
        before=known(lambda o: o.continuous[0]),
        source="its ratings, or as rated",
    )
    if unit.unit.curve:
        peak = lambda: unit.curve.peak()
        out.add(
            "peak",
            "Greatest power of its curve",
            "power",
            lambda: peak()[1],
            working=lambda: power_of.working(unit.curve.torque_at(peak()[0]), peak()[0]),
        )
        out.add("peak-at", "Speed of its greatest power", "rotation", lambda: peak()[0], source="its curve")
    burning = [u for u in (unit.unit, old.unit if old else None) if u is not None and u.kind != "electric"]
    if any(u.consumption is not None for u in burning) and unit.unit.kind != "electric":
        out.add(
            "burns",
            "Fuel at the power that lasts",
            "fuel_flow",
            lambda: unit.burns,
            before=known(lambda o: o.burns) if len(burning) > 1 else None,
            working=lambda: fuel_flow.working(unit.consumption, unit.continuous[0]),
        )
    if unit.unit.heat is not None or (old is not None and old.unit.heat is not None):
        label, by = "Heat into its coolant at its rated power", "its sheet, or the bench"
        out.add("heat", label, "power", lambda: unit.heat, before=known(lambda o: o.heat), source=by)
    if unit.unit.accessories:
        out.add(
            "installed-mass",
            "Mass with all that hangs on it",
            "mass",
            lambda: unit.installed_doubt,
            working=lambda: built_up.working(unit.installed_mass - unit.extra_mass, unit.extra_mass),
        )
    return out.values


def spending_values(spending: Spending) -> list[Value]:
    """What the fit will have cost."""
    out = ValueList("choose")
    if spending.fit is not None and spending.fit.money:
        by = "each line: paid if closed, else the largest of planned, ordered, paid"
        out.add("forecast", "It will have cost", "money", lambda: spending.spending.forecast, source=by)
    return out.values


VALUES = (lasting_values, spending_values)


def curve_table(unit: Lasting) -> list[CurveOut]:
    """The curve as drawn."""
    at = lambda s, t: CurveOut(speed_si=s, torque_si=t, power_si=s * t)
    return or_none(lambda: [at(s, t) for s, t in unit.curve.drawn()]) or []


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


def port_line(row: Row) -> str:
    """The name of the line of money that a port asks for."""
    return f"{row.kind.name[0].upper()}{row.kind.name[1:]}: {row.kind.buy}"


def port_task(row: Row) -> str:
    """The name of the task that a port asks for."""
    return f"{row.kind.name[0].upper()}{row.kind.name[1:]}: {row.kind.task}"
