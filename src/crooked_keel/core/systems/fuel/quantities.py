"""Fuel of one unit: what is aboard, what it burns, the line to it."""

from __future__ import annotations

from functools import partial

from ...document import Tank
from ...document.systems import FuelSystem
from ...errors import CannotSay, Gap, ask_all
from ...figure.reads import Read, combined
from ...figure.trace import Uncertain
from ...formula import formula
from ...physics.pipes import DIAMETERS, pipe_loss
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...resolved.loads import Loads
from ...topic.lazy import lazy
from ..handed import UnitPower, Units
from ..lane import Lane

# Viscosity, Pa·s, cold; and what a suction line may lose, Pa. From memory; common practice.
VISCOSITY = {"petrol": 0.6e-3, "diesel": 5.0e-3, "kerosene": 2.5e-3}
SUCTION_PA = {"petrol": 10e3, "diesel": 20e3, "kerosene": 20e3}


@formula(
    "systems.endurance",
    "t = (V − Vo) / q − tr",
    result=("hours", "time with the reserve left"),
    V=("volume", "what the tanks hold"),
    Vo=("volume", "what cannot be used"),
    q=("hourly_flow", "what it burns"),
    tr=("hours", "reserve"),
    source="definition",
    example=((0.060, 0.0, 18.75e-3 / 3600, 1800.0), 9720.0),
    valid="at the power that lasts, all the way",
)
def endurance(tanks_m3: float, unusable_m3: float, burn_m3_s: float, reserve_s: float) -> float:
    """Time until only the reserve is left, s."""
    return (tanks_m3 - unusable_m3) / burn_m3_s - reserve_s


class Fuelled(Lane):
    """Fuel of one unit. units: how many burn of the same tanks."""

    part = "fuel"
    begins = "fed"
    begins_words = "how it is fed, by gravity or by pump"

    def __init__(
        self, resolved: Resolved, placed: ResolvedInstallation, lasting: UnitPower, loads: Loads, units: Units
    ) -> None:
        super().__init__(resolved, placed, lasting)
        self.loads = loads
        self.units = units

    @property
    def f(self) -> FuelSystem:
        """What is entered."""
        return self.systems.fuel

    @lazy
    def way(self) -> str:
        """How it is fed."""
        return self.chosen(self.f.fed, "fed", f"how the {self.placed.name} is fed, by gravity or by pump")

    @lazy
    def tanks(self) -> list[tuple[str, str, Tank]]:
        """Key, pointer, tank, after the work. Raises CannotSay without any."""
        made = self.loads.tanks(True)
        if not made:
            raise CannotSay(Gap("/craft/tanks", "tanks"))
        return made

    @lazy
    def density(self) -> Read:
        """Density of the fuel: of the first tank, kg/m³."""
        _, pointer, tank = self.tanks[0]
        return self.read(tank.density, f"{pointer}/density", f"density of the fuel in the {tank.name}")

    @lazy
    def burn(self) -> Read:
        """What one unit burns at the power that lasts, m³/s."""
        at, what = self.placed.p("unit/consumption"), f"consumption of the {self.placed.name}"
        power, b, density = ask_all(
            lambda: self.lasting.continuous[0],
            lambda: self.read(self.unit.consumption, at, what),
            lambda: self.density,
        )
        return Read(*combined(lambda b, r: b * power / r, b, density))

    @lazy
    def capacity(self) -> Read:
        """What all tanks hold, m³."""
        reads = ask_all(
            *[partial(self.read, t.capacity, f"{p}/capacity", f"capacity of the {t.name}") for _, p, t in self.tanks]
        )
        return Read(sum(r.si for r in reads), sum(r.u**2 for r in reads) ** 0.5)

    @lazy
    def time_terms(self) -> tuple[Read, Read, Read, Read]:
        """Tanks, unusable, burn of all units, reserve."""
        held, unusable, burn, reserve = ask_all(
            lambda: self.capacity,
            lambda: self.read(self.f.unusable, self.p("unusable"), "fuel that cannot be used", zero=True),
            lambda: self.burn,
            lambda: self.read(self.f.reserve, self.p("reserve"), "reserve that is to be left", zero=True),
        )
        return held, unusable, Read(burn.si * self.units, burn.u * self.units), reserve

    @lazy
    def time(self) -> Uncertain:
        """Time with the reserve left, s."""
        return combined(endurance, *self.time_terms)

    @lazy
    def kind(self) -> str:
        """What it burns."""
        said = self.unit.ports.fuel.kind
        if said is not None and said != "electricity":
            return said
        sorts = {"four-stroke": "petrol", "two-stroke": "petrol", "diesel": "diesel", "turbine": "kerosene"}
        if self.unit.kind not in sorts:
            raise CannotSay(Gap(self.placed.p("unit/ports/fuel/kind"), f"what the {self.placed.name} burns"))
        return sorts[self.unit.kind]

    @lazy
    def through(self) -> Read:
        """What goes through the line: burnt and returned, m³/s."""
        what = "whether fuel returns, and to which tank"
        returns = self.chosen(self.f.returns, "returns", what)
        if returns == "no return":
            return self.burn
        back, burn = ask_all(
            lambda: self.read(self.f.return_flow, self.p("return_flow"), "fuel that returns"), lambda: self.burn
        )
        return Read(back.si + burn.si, (back.u**2 + burn.u**2) ** 0.5)

    @lazy
    def suction(self) -> Uncertain:
        """What the line loses ahead of the pump at the most, with the lift, Pa. Of filters only their pipe is taken."""
        pieces = self.pieces(self.f.path)
        if not pieces:
            raise CannotSay(Gap(self.p("path"), "the way of the fuel from its tank, part by part"))
        pump = next((i for i, (_, p) in enumerate(pieces) if p.kind == "pump"), len(pieces))
        lines = [(k, p) for k, p in pieces[:pump] if p.kind not in ("tank", "filter", "unit")]
        flow, density, lift, kind = ask_all(
            lambda: self.through,
            lambda: self.density,
            lambda: self.read(self.f.lift, self.p("lift"), "how far up the pump draws it", zero=True),
            lambda: self.kind,
        )
        asks = []
        for k, piece in lines:
            at, what = self.p(f"path/{k}/length"), f"length of {piece.name}"
            asks += [partial(self.read, piece.length, at, what), partial(self.bore, "path", k, piece)]
        sizes = ask_all(*asks) if asks else ()
        bends = [DIAMETERS.get(p.kind or "", 0.0) * 0.02 for _, p in lines]

        def whole(q: float, r: float, h: float, *of: float) -> float:
            lost = r * 9.80665 * h
            for i, minor in enumerate(bends):
                lost += pipe_loss(r, VISCOSITY[kind], q, of[2 * i + 1], of[2 * i], minor=minor).pressure_pa
            return lost

        return combined(whole, flow, density, lift, *sizes)


# What a shape holds of its length, breadth and depth.
SHAPES = {"box": 1.0, "lying cylinder": 0.785398, "wedge": 0.5}
