"""One unit as its sheet has it: what its curve gives, what is left where it is used, what its mass leaves out, and what will not match the old."""

from __future__ import annotations

import math
from typing import Any

from ..document import Accessory, Fit, PowerUnit
from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..figure.doubt import figure_uncertainty
from ..figure.trace import Uncertain, above_zero, need
from ..judging.finding import Value
from ..judging.formula import Out, formula
from ..judging.gap import or_none
from ..judging.values import ValueList
from ..topic.memo import Memo
from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation
from ..topic.lazy import lazy
from .money.functions import Line, Status, by_week, ledger_status, longest_wait
from .ports.functions import Row, compare_interfaces
from .ports.functions import Value as PortValue
from .power.altitude import density_ratio, lapse_na, lapse_turbine, lapse_turbo
from .power.curve import Curve, Point, power_of

_CURVES = Memo(64)


@formula(
    "choose.power-there", "P = Po·k", result=("power", "lasting power there"), Po=("power", "lasting power"), k=("number", "share that is left"), source="rating, and the air there",
)  # fmt: skip
def power_left(power_w: float, share: float) -> float:
    """What is left of a power, W."""
    return power_w * share


@formula(
    "choose.installed-mass", "m = mo + Δm", result=("mass", "mass with all that hangs on it"), mo=("mass", "quoted mass"), Δm=("mass", "on top of it"), source="definition",
)  # fmt: skip
def built_up(quoted_kg: float, on_top_kg: float) -> float:
    """Quoted mass with what comes on top, kg."""
    return quoted_kg + on_top_kg


@formula(
    "choose.fuel-flow", "ṁ = b·P", result=("fuel_flow", "fuel at the power that lasts"), b=("consumption", "consumption"), P=("power", "power"), source="definition of consumption",
)  # fmt: skip
def fuel_flow(consumption_kg_j: float, power_w: float) -> float:
    """Fuel burnt, kg/s."""
    return consumption_kg_j * power_w


class CurveOut(Out):
    """Speed, torque and power along the curve, SI."""

    speed_si: float
    torque_si: float
    power_si: float


class PortOut(Out):
    """A port of old and new: what comes of it, the attributes that differ and those not measured, in words; what to buy, to do and to mind; the name of its
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


class WeekOut(Out):
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


class ChooseBench:
    """Quantities of the choose bench, for one installation; old: the one that it replaces."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, old: ChooseBench | None = None) -> None:
        self.resolved = resolved
        self.placed = placed
        self.old = old
        self.unit: PowerUnit = placed.installation.unit
        self.name = placed.name
        self.need = resolved.project.need

    def _p(self, path: str) -> str:
        return f"{self.placed.pointer}/unit/{path}"

    @property
    def fit(self) -> Fit | None:
        """The fit, or None for a unit of the craft as found: what is known of that is the same for every fit."""
        return None if self.placed.old else self.resolved.fit

    @lazy
    def points(self) -> list[Point]:
        """The curve as typed. Raises CannotSay where there is none."""
        if not self.unit.curve:
            raise CannotSay(Need(self._p("curve"), f"curve of the {self.name}"))
        return [Point(c.speed.si, c.torque.si if c.torque else None, c.power.si if c.power else None) for c in self.unit.curve]  # fmt: skip

    @lazy
    def curve(self) -> Curve:
        """The curve. Raises InputError at the point that is wrong."""
        points = self.points
        try:
            return _CURVES((self.unit.curve,), lambda: Curve(points))
        except InputError as bad:
            raise InputError(self._p(bad.field), bad.message, given=bad.given, allowed=bad.allowed) from None

    @lazy
    def ratings(self) -> list[tuple[str, float, float | None]]:
        """Name, power (W) and time (s, None where it lasts) of every rating. A blank is never for ever."""
        asks = []
        for key, r in sorted(self.unit.ratings.items(), key=lambda i: i[1].rank):
            base, words = self._p(f"ratings/{key}"), f"{r.name} ({self.name})"
            power = lambda r=r, b=base, w=words: need(r.power, f"{b}/power", f"power of the rating {w}").si
            time = lambda r=r, b=base, w=words: need(r.lasts, f"{b}/lasts", f"how long the rating {w} lasts").si
            asks.append((r.name, power, None if r.limit == "without a limit" else time))
        all_or_cannot_say(*[ask for _, p, t in asks for ask in (p, t) if ask is not None])
        return [(n, p(), t() if t is not None else None) for n, p, t in asks]

    @lazy
    def continuous(self) -> tuple[float, str]:
        """Power that lasts, W, and whose word it is: the rating without a limit, else the rated power."""
        lasting = [r for r in self.ratings if r[2] is None]
        if lasting:
            name, power, _ = max(lasting, key=lambda r: r[1])
            return power, name
        if self.ratings:
            raise CannotSay(Need(self._p("ratings"), f"a rating of the {self.name} without a limit"))
        return above_zero(self.unit.power, self._p("power"), f"rated power of the {self.name}"), "rated"

    @lazy
    def there(self) -> tuple[float, float]:
        """Height and how much hotter than standard, where it is used: m, K."""
        height = need(self.need.altitude, "/need/altitude", "height at which the power is wanted").si
        return height, self.need.hot.si if self.need.hot else 0.0

    @lazy
    def share_left(self) -> float:
        """Share of the lasting power that is left where it is used."""
        all_or_cannot_say(lambda: self.there, lambda: self.continuous)
        (height, hot), breathing = self.there, self.unit.breathing
        if breathing is None:
            raise CannotSay(Need(self._p("breathing"), f"how the {self.name} breathes"))
        if breathing == "electric":
            return 1.0
        if breathing == "turbocharged":
            critical = need(self.unit.critical_altitude, self._p("critical_altitude"), f"critical altitude of the {self.name}").si  # fmt: skip
            return lapse_turbo(height, critical, hot)
        if breathing == "flat rated":
            flat = self.continuous[0]
            gas = above_zero(self.unit.gas_path, self._p("gas_path"), f"power of the gas path of the {self.name} low down")  # fmt: skip
            return lapse_turbine(flat, gas, height, hot) / flat
        return lapse_na(min(density_ratio(height, hot), 1.0))  # no credit for dense air

    @lazy
    def power_there(self) -> float:
        """Lasting power where it is used, W."""
        all_or_cannot_say(lambda: self.continuous, lambda: self.share_left)
        return power_left(self.continuous[0], self.share_left)

    @lazy
    def burns(self) -> float:
        """Fuel at the power that lasts, kg/s. Raises CannotSay."""
        all_or_cannot_say(lambda: self.consumption, lambda: self.continuous)
        return fuel_flow(self.consumption, self.continuous[0])

    @lazy
    def consumption(self) -> float:
        """Fuel for its work, kg/J."""
        return need(self.unit.consumption, self._p("consumption"), f"consumption of the {self.name}").si

    @lazy
    def heat(self) -> float:
        """Heat into its coolant at its rated power, W."""
        return need(self.unit.heat, self._p("heat"), f"heat of the {self.name} into its coolant (0 kW if air cools it)").si  # fmt: skip

    @property
    def on_top(self) -> list[tuple[str, Accessory]]:
        """What comes on top of the quoted mass; what was not said does."""
        return [(k, a) for k, a in self.unit.accessories.items() if a.counted != "in its mass"]

    @property
    def not_listed(self) -> list[tuple[str, Accessory]]:
        """What comes on top and is in no ledger, by its name."""
        rows = [*self.resolved.project.ledger.values(), *(self.fit.ledger.values() if self.fit else ())]
        names = {r.name.casefold() for r in rows}
        return [(k, a) for k, a in self.on_top if a.name.casefold() not in names]

    @lazy
    def extra_mass(self) -> float:
        """Mass of what comes on top of the quoted mass, kg."""
        on_top = self.on_top
        asks = [
            lambda k=k, a=a: need(a.mass, self._p(f"accessories/{k}/mass"), f"mass of the {a.name} ({self.name})").si
            for k, a in on_top
        ]
        all_or_cannot_say(*asks)
        return float(sum(ask() for ask in asks))

    @lazy
    def installed_mass(self) -> float:
        """Quoted mass with all that comes on top, kg."""
        all_or_cannot_say(
            lambda: need(self.unit.mass, self._p("mass"), f"mass of the {self.name}"), lambda: self.extra_mass
        )
        assert self.unit.mass is not None
        return built_up(self.unit.mass.si, self.extra_mass)

    @lazy
    def installed_doubt(self) -> Uncertain:
        """Quoted mass with all that comes on top, kg, and how sure that is: each mass by its ± or its source; what was not said may as well be
        in the quoted mass, so that half of it is doubt (two equal chances)."""
        mass, school = self.installed_mass, self.resolved.project.assumptions.tolerance_school or "two standard deviations"  # fmt: skip
        assert self.unit.mass is not None
        parts = [figure_uncertainty(self.unit.mass, school)]
        for _, a in self.on_top:
            if a.mass is not None:
                parts += [figure_uncertainty(a.mass, school), a.mass.si / 2 if a.counted is None else 0.0]
        return Uncertain(mass, math.hypot(*parts))

    @lazy
    def short(self) -> tuple[float, float]:
        """The greatest power that does not last, W, and how long it may be used, s. Raises CannotSay where there is none."""
        ratings = [(p, t) for _, p, t in self.ratings if t is not None]
        u = self.unit
        if not ratings and u.peak_power is not None and u.peak_time is not None:
            ratings = [(u.peak_power.si, u.peak_time.si)]
        if not ratings:
            raise CannotSay(Need(self._p("ratings"), f"a rating of the {self.name} for a short time"))
        return max(ratings)

    @property
    def port_values(self) -> dict[str, dict[str, PortValue]]:
        """What is entered of each port."""
        made: dict[str, dict[str, PortValue]] = {}
        for key in type(self.unit.ports).model_fields:
            port: Any = getattr(self.unit.ports, key)
            values = {f: getattr(port, f) for f in type(port).model_fields}
            if any(v is not None for v in values.values()):
                made[key] = {f: v if v is None or isinstance(v, str) else v.si for f, v in values.items()}
        return made

    @lazy
    def ports(self) -> list[Row]:
        """Every port of old and new; none where one side has nothing entered at all."""
        if self.old is None or self.old is self:
            return []
        old, new = self.old.port_values, self.port_values
        return compare_interfaces(old, new) if old and new else []

    @lazy
    def money(self) -> list[Line]:
        """Lines of money of the fit. Raises CannotSay for a line without any amount."""
        lines = []
        if self.fit is None:
            return []
        rows = sorted(self.fit.money.items(), key=lambda m: (m[1].rank, m[0]))
        blank = [
            Need(f"/fits/{self.resolved.fit_id}/money/{k}/planned", f"what {m.name} is to cost")
            for k, m in rows
            if m.planned is None and m.committed is None and m.spent is None
        ]
        if blank:
            raise CannotSay(*blank)
        for _, line in rows:
            amount = lambda f: f.si if f is not None else 0.0
            lines.append(Line(
                line.name, amount(line.planned), amount(line.committed), amount(line.spent), line.state == "closed", line.wait.si if line.wait else 0.0, line.week
            ))  # fmt: skip
        return lines

    @lazy
    def spending(self) -> Status:
        """Sums of the money of the fit."""
        if not self.money:
            raise CannotSay(Need(f"/fits/{self.resolved.fit_id}/money", "lines of money of this fit"))
        return ledger_status(self.money)

    def cost(self) -> float:
        """What the fit will have cost: its lines of money, else the price of the unit."""
        if self.money:
            return self.spending.forecast
        return need(self.unit.cost, self._p("cost"), f"price of the {self.name}, or lines of money").si

    def wait_s(self) -> float:
        """The longest wait of the fit, s: of its open lines, else of the unit."""
        longest = longest_wait(self.money)
        if longest is not None:
            return longest.wait_s
        return need(self.unit.wait, self._p("wait"), f"how long the {self.name} takes to come").si

    def values(self) -> list[Value]:
        """Headline values."""
        out = ValueList("choose")
        old = self.old
        known = lambda ask: (lambda: ask(old)) if old is not None and old is not self else None
        if self.need.altitude is not None:
            out.add("power-there", "Lasting power where it is used", "power", lambda: self.power_there, before=known(lambda o: o.power_there), working=lambda: power_left.working(self.continuous[0], self.share_left))  # fmt: skip
        out.add("lasting", "Power that lasts", "power", lambda: self.continuous[0], before=known(lambda o: o.continuous[0]), source="its ratings, or as rated")  # fmt: skip
        if self.unit.curve:
            out.add("peak", "Greatest power of its curve", "power", lambda: self.curve.peak()[1], working=lambda: power_of.working(self.curve.torque_at(self.curve.peak()[0]), self.curve.peak()[0]))  # fmt: skip
            out.add(
                "peak-at", "Speed of its greatest power", "rotation", lambda: self.curve.peak()[0], source="its curve"
            )
        burning = [u for u in (self.unit, old.unit if old else None) if u is not None and u.kind != "electric"]
        if any(u.consumption is not None for u in burning) and self.unit in burning:
            out.add("burns", "Fuel at the power that lasts", "fuel_flow", lambda: self.burns, before=known(lambda o: o.burns) if len(burning) > 1 else None, working=lambda: fuel_flow.working(self.consumption, self.continuous[0]))  # fmt: skip
        if self.unit.heat is not None or (old is not None and old.unit.heat is not None):
            out.add("heat", "Heat into its coolant at its rated power", "power", lambda: self.heat, before=known(lambda o: o.heat), source="its sheet, or the bench")  # fmt: skip
        if self.unit.accessories:
            out.add("installed-mass", "Mass with all that hangs on it", "mass", lambda: self.installed_doubt, working=lambda: built_up.working(self.installed_mass - self.extra_mass, self.extra_mass))  # fmt: skip
        if self.fit is not None and self.fit.money:
            out.add("forecast", "It will have cost", "money", lambda: self.spending.forecast, source="each line: paid if closed, else the largest of planned, ordered, paid")  # fmt: skip
        return out.values

    def tables(self) -> ChooseOut:
        """Curve, ports and money for the screen."""
        at = lambda s, t: CurveOut(speed_si=s, torque_si=t, power_si=s * t)
        drawn = or_none(lambda: [at(s, t) for s, t in self.curve.drawn()]) or []
        lines = or_none(lambda: self.money) or []
        fit = self.fit
        money, ledger, tasks = ({i.name for i in part.values()} for part in ((fit.money, fit.ledger, fit.tasks) if fit else ({}, {}, {})))  # fmt: skip
        rows = or_none(lambda: self.ports) or []
        longest = longest_wait(lines)
        holds = next((m.holds_up for m in self.fit.money.values() if longest and m.name == longest.name), "") if self.fit else ""  # fmt: skip
        return ChooseOut(
            curve=drawn,
            ports=[
                PortOut(kind=r.kind.key, name=r.kind.name, status=r.status, differs=[a.words for a in r.differs], blank=[a.words for a in r.blank],
                        buy=r.kind.buy, task=port_task(r), caution=r.kind.caution, line=port_line(r), money=port_line(r) in money, ledger=port_line(r) in ledger, kept=port_task(r) in tasks)
                for r in rows
            ],
            weeks=[WeekOut(week=w, planned_si=p, forecast_si=f, spent_si=s) for w, (p, f, s) in by_week(lines).items()],
            longest=longest.name if longest else "", longest_holds=holds,
        )  # fmt: skip


def port_line(row: Row) -> str:
    """The name of the line of money that a port asks for."""
    return f"{row.kind.name[0].upper()}{row.kind.name[1:]}: {row.kind.buy}"


def port_task(row: Row) -> str:
    """The name of the task that a port asks for."""
    return f"{row.kind.name[0].upper()}{row.kind.name[1:]}: {row.kind.task}"
