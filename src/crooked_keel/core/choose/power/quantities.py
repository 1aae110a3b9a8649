"""What a unit gives, for how long, and what its mass leaves out."""

from __future__ import annotations

import math

from ...document import Accessory, Fit, PowerUnit
from ...errors import CannotSay, Gap, InputError, ask_all, fields
from ...figure.doubt import figure_uncertainty
from ...figure.trace import Uncertain, above_zero, need
from ...formula import formula
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from .altitude import density_ratio, lapse_na, lapse_turbine, lapse_turbo
from .curve import Curve, OnTheCurve


@formula(
    "choose.power-there",
    "P = Po·k",
    result=("power", "lasting power there"),
    Po=("power", "lasting power"),
    k=("number", "share that is left"),
    source="rating, and the air there",
    example=(
        (
            60000.0,
            0.75,
        ),
        45000.0,
    ),
    valid="same air at the intake as outside",
)
def power_left(power_w: float, share: float) -> float:
    """What is left of a power, W."""
    return power_w * share


@formula(
    "choose.installed-mass",
    "m = mo + Δm",
    result=("mass", "mass with all that hangs on it"),
    mo=("mass", "quoted mass"),
    Δm=("mass", "on top of it"),
    source="definition",
    example=(
        (
            60.0,
            12.0,
        ),
        72.0,
    ),
)
def built_up(quoted_kg: float, on_top_kg: float) -> float:
    """Quoted mass with what comes on top, kg."""
    return quoted_kg + on_top_kg


@formula(
    "choose.fuel-flow",
    "ṁ = b·P",
    result=("fuel_flow", "fuel at the power that lasts"),
    b=("consumption", "consumption"),
    P=("power", "power"),
    source="definition of consumption",
    example=(
        (
            7.9167e-08,
            36000.0,
        ),
        0.00285,
    ),
)
def fuel_flow(consumption_kg_j: float, power_w: float) -> float:
    """Fuel burnt, kg/s."""
    return consumption_kg_j * power_w


class Lasting(Topic):
    """One unit as its sheet has it: curve, what lasts, what is left where it is used, what its mass leaves out. old:
    the one that it replaces; listed: names in the ledgers."""

    def __init__(
        self, resolved: Resolved, fit: Fit | None, placed: ResolvedInstallation, old: Replaced[Lasting]
    ) -> None:
        self.resolved = resolved
        self.fit = fit
        self.placed = placed
        self.old = old
        self.unit: PowerUnit = placed.installation.unit
        self.name = placed.name
        self.need = resolved.project.need

    def p(self, path: str) -> str:
        """Pointer of a part of the unit."""
        return f"{self.placed.pointer}/unit/{path}"

    @lazy
    def points(self) -> list[OnTheCurve]:
        """The curve as typed. Raises CannotSay where there is none."""
        if not self.unit.curve:
            raise CannotSay(Gap(self.p("curve"), f"curve of the {self.name}"))
        return [
            OnTheCurve(c.speed.si, c.torque.si if c.torque else None, c.power.si if c.power else None)
            for c in self.unit.curve
        ]

    @lazy
    def curve(self) -> Curve:
        """The curve. Raises InputError at the point that is wrong."""
        points = self.points
        try:
            return Curve(points)
        except InputError as bad:
            raise InputError(self.p(bad.field), bad.message, given=bad.given, allowed=bad.allowed) from None

    @lazy
    def ratings(self) -> list[tuple[str, float, float | None]]:
        """Name, power (W) and time (s, None where it lasts) of every rating. A blank is never for ever."""
        asks = []
        for key, r in sorted(self.unit.ratings.items(), key=lambda i: i[1].rank):
            base, words = self.p(f"ratings/{key}"), f"{r.name} ({self.name})"
            power = lambda r=r, b=base, w=words: above_zero(r.power, f"{b}/power", f"power of the rating {w}")
            time = lambda r=r, b=base, w=words: need(r.lasts, f"{b}/lasts", f"how long the rating {w} lasts").si
            asks.append((r.name, power, None if r.limit == "without a limit" else time))
        ask_all(*[ask for _, p, t in asks for ask in (p, t) if ask is not None])
        return [(n, p(), t() if t is not None else None) for n, p, t in asks]

    @lazy
    def continuous(self) -> tuple[float, str]:
        """Power that lasts, W, and whose word it is: the rating without a limit, else the rated power."""
        lasting = [r for r in self.ratings if r[2] is None]
        if lasting:
            name, power, _ = max(lasting, key=lambda r: r[1])
            return power, name
        if self.ratings:
            raise CannotSay(Gap(self.p("ratings"), f"a rating of the {self.name} without a limit"))
        return above_zero(self.unit.power, self.p("power"), f"rated power of the {self.name}"), "rated"

    @lazy
    def there(self) -> tuple[float, float]:
        """Height and how much hotter than standard, where it is used: m, K."""
        height = need(self.need.altitude, "/need/altitude", "height at which the power is wanted").si
        return height, self.need.hot.si if self.need.hot else 0.0

    @lazy
    def share_left(self) -> float:
        """Share of the lasting power that is left where it is used."""
        ask_all(lambda: self.there, lambda: self.continuous)
        (height, hot), breathing = self.there, self.unit.breathing
        if breathing is None:
            raise CannotSay(Gap(self.p("breathing"), f"how the {self.name} breathes"))
        electric = self.unit.kind == "electric"
        if self.unit.kind is not None and electric != (breathing == "electric"):
            raise InputError(
                self.p("breathing"),
                f"the {self.name} is said to be {self.unit.kind} and to breathe as '{breathing}': which?",
                given=breathing,
                allowed="electric" if electric else "naturally aspirated, turbocharged, flat rated",
            )
        if breathing == "electric":
            return 1.0
        with fields(altitude="/need/altitude", isa_deviation="/need/hot"):
            return self._share_left(breathing, height, hot)

    def _share_left(self, breathing: str, height: float, hot: float) -> float:
        if breathing == "turbocharged":
            critical = need(
                self.unit.critical_altitude, self.p("critical_altitude"), f"critical altitude of the {self.name}"
            ).si
            return lapse_turbo(height, critical, hot)
        if breathing == "flat rated":
            flat = self.continuous[0]
            gas = above_zero(
                self.unit.gas_path, self.p("gas_path"), f"power of the gas path of the {self.name} low down"
            )
            return lapse_turbine(flat, gas, height, hot) / flat
        return lapse_na(min(density_ratio(height, hot), 1.0))  # no credit for dense air

    @lazy
    def power_there(self) -> float:
        """Lasting power where it is used, W."""
        ask_all(lambda: self.continuous, lambda: self.share_left)
        return power_left(self.continuous[0], self.share_left)

    @lazy
    def burns(self) -> float:
        """Fuel at the power that lasts, kg/s. Raises CannotSay."""
        ask_all(lambda: self.consumption, lambda: self.continuous)
        return fuel_flow(self.consumption, self.continuous[0])

    @lazy
    def consumption(self) -> float:
        """Fuel for its work, kg/J."""
        return need(self.unit.consumption, self.p("consumption"), f"consumption of the {self.name}").si

    @lazy
    def heat(self) -> float:
        """Heat into its coolant at its rated power, W."""
        return need(
            self.unit.heat, self.p("heat"), f"heat of the {self.name} into its coolant (0 kW if air cools it)"
        ).si

    @property
    def on_top(self) -> list[tuple[str, Accessory]]:
        """What comes on top of the quoted mass; what was not said does."""
        return self.placed.accessories_on_top

    @property
    def not_listed(self) -> list[tuple[str, Accessory]]:
        """What comes on top and no ledger puts aboard, by its name."""
        return [(k, a) for k, a in self.on_top if a.name.casefold() not in self.resolved.in_the_ledgers]

    @lazy
    def extra_mass(self) -> float:
        """Mass of what comes on top of the quoted mass, kg."""
        on_top = self.on_top
        asks = [
            lambda k=k, a=a: need(a.mass, self.p(f"accessories/{k}/mass"), f"mass of the {a.name} ({self.name})").si
            for k, a in on_top
        ]
        return float(sum(ask_all(*asks)))

    @lazy
    def installed_mass(self) -> float:
        """Quoted mass with all that comes on top, kg."""
        ask_all(lambda: need(self.unit.mass, self.p("mass"), f"mass of the {self.name}"), lambda: self.extra_mass)
        assert self.unit.mass is not None
        return built_up(self.unit.mass.si, self.extra_mass)

    @lazy
    def installed_doubt(self) -> Uncertain:
        """Quoted mass with all that comes on top, kg, and how sure that is: each mass by its ± or its source; what was
        not said may as well be in the quoted mass, so that half of it is doubt (two equal chances)."""
        mass, school = (
            self.installed_mass,
            self.resolved.project.assumptions.tolerance_school or "two standard deviations",
        )
        assert self.unit.mass is not None
        parts = [figure_uncertainty(self.unit.mass, school)]
        for _, a in self.on_top:
            if a.mass is not None:
                parts += [figure_uncertainty(a.mass, school), a.mass.si / 2 if a.counted is None else 0.0]
        return Uncertain(mass, math.hypot(*parts))

    @lazy
    def short(self) -> tuple[float, float]:
        """The greatest power that does not last, W, and how long it may be used, s. Raises CannotSay where there is
        none."""
        ratings = [(p, t) for _, p, t in self.ratings if t is not None]
        u = self.unit
        if not ratings and u.peak_power is not None and u.peak_time is not None:
            ratings = [(u.peak_power.si, u.peak_time.si)]
        if not ratings:
            raise CannotSay(Gap(self.p("ratings"), f"a rating of the {self.name} for a short time"))
        return max(ratings)
