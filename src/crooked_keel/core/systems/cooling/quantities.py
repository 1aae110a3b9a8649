"""What carries the heat away: the core with its air or water, the coolant, the loop."""

from __future__ import annotations

from functools import partial
from typing import NamedTuple

from ...document.systems import Cooler, Cooling
from ...errors import CannotSay, Gap, InputError, ask_all
from ...figure.reads import Read, combined
from ...figure.trace import Uncertain
from ...physics.atmosphere import R_AIR_J_KG_K, isa
from ...physics.heat import (
    COOLANTS,
    CP_AIR_J_KG_K,
    FIN_RATIO,
    HEAT_RATIOS,
    SEA_WATER_J_M3_K,
    Coolant,
    HeatRatio,
    boils_at,
    effectiveness,
    exchanged,
    settles,
)
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ..handed import UnitPower
from ..induction.functions import charge_out, compressed
from ..induction.quantities import Breathing
from ..lane import Lane

# Speed of the air in an inlet beside that of the craft. Common practice, no source.
INLET_SHARE = 0.45
# What a diffuser gives back of the dynamic pressure: sealed to the core, and not. Common practice, no source.
SEALED, LEAKING = 0.75, 0.30


class Stream(NamedTuple):
    """What cools a core: temperature as it comes, K; flow times specific heat, W/K."""

    temperature: Read
    stream: Read


class Cooled(Lane):
    """Cooling of one unit."""

    part = "cooling"
    begins = "by"
    begins_words = "how it is cooled"

    def __init__(
        self, resolved: Resolved, placed: ResolvedInstallation, lasting: UnitPower, breathing: Breathing
    ) -> None:
        super().__init__(resolved, placed, lasting)
        self.breathing = breathing

    @property
    def c(self) -> Cooling:
        """What is entered."""
        return self.systems.cooling

    @property
    def liquid(self) -> bool:
        """Whether a liquid carries the heat."""
        return self.c.by in ("liquid to air", "liquid to sea water", "keel cooler")

    @property
    def by_air(self) -> bool:
        """Whether air takes it at last."""
        return self.c.by in ("air over fins", "liquid to air")

    @lazy
    def way(self) -> str:
        """How it is cooled."""
        return self.chosen(self.c.by, "by", f"how the {self.placed.name} is cooled")

    @lazy
    def coolant(self) -> Coolant:
        """The coolant."""
        return COOLANTS[self.chosen(self.c.coolant, "coolant", f"coolant of the {self.placed.name}")]

    @lazy
    def heat(self) -> Read:
        """Heat to be carried away, W: into fins by a share of the power, into coolant as its sheet has it, with what
        else gives heat into it."""
        if self.way in ("air over fins", "fins in the open"):
            power = self.lasting.continuous[0]
            return Read(power * FIN_RATIO.usual, power * (FIN_RATIO.most - FIN_RATIO.least) / 4)
        ask_all(lambda: self.lasting.heat, lambda: self._others)
        figure = self.read(
            self.unit.heat, self.placed.p("unit/heat"), f"heat of the {self.placed.name} into its coolant"
        )
        return Read(figure.si + self._others.si, (figure.u**2 + self._others.u**2) ** 0.5)

    @lazy
    def _others(self) -> Read:
        what = f"what else gives heat into the coolant of the {self.placed.name}: wet manifold, oil, gear"
        if self.chosen(self.c.others, "others", what) == "nothing else":
            return Read(0.0)
        if not self.c.also:
            raise CannotSay(Gap(self.p("also"), what))
        reads = ask_all(
            *[
                partial(self.read, a.heat, self.p(f"also/{k}/heat"), f"heat of {a.name} into the coolant", True)
                for k, a in sorted(self.c.also.items())
            ]
        )
        return Read(sum(r.si for r in reads), sum(r.u**2 for r in reads) ** 0.5)

    @lazy
    def hot_day(self) -> Read:
        """Air outside on a hot day, K."""
        return self.read(self.c.hot_day, self.p("hot_day"), "air outside on the hottest day of use")

    @lazy
    def altitude(self) -> float:
        """Height at which it is used, m: its own, or that at which the power is wanted."""
        said = self.c.height if self.c.height is not None else self.resolved.project.need.altitude
        if said is None:
            raise CannotSay(Gap(self.p("height"), "height at which it is cooled (0 m at the sea)"))
        return said.si

    @lazy
    def air_density(self) -> Read:
        """Air where the power is wanted, on a hot day, kg/m³."""
        height, hot = ask_all(lambda: self.altitude, lambda: self.hot_day)
        density = isa(height).pressure_pa / (R_AIR_J_KG_K * hot.si)
        return Read(density, density * hot.u / hot.si)

    @lazy
    def speed(self) -> Read:
        """The slowest at which full power is given for long, m/s."""
        return self.read(self.c.speed, self.p("speed"), "slowest speed at full power for long, a climb say")

    @lazy
    def inlet(self) -> Read:
        """Area of the inlet, m²."""
        return self.read(self.c.inlet, self.p("inlet"), "area of the cooling inlet")

    @lazy
    def inlet_share(self) -> Read:
        """Speed of the air in the inlet beside that of the craft."""
        if self.c.inlet_share is None:
            return Read(INLET_SHARE, 0.05)
        return self.read(self.c.inlet_share, self.p("inlet_share"), "speed in the inlet beside that of the craft")

    @lazy
    def air(self) -> Read:
        """Air through the duct, kg/s: by the fan where there is one, else by the inlet."""
        if self.c.fan is not None:
            fan, density = ask_all(
                lambda: self.read(self.c.fan, self.p("fan"), "air that the fan moves"), lambda: self.air_density
            )
            return Read(*combined(lambda q, r: q * r, fan, density))
        parts = ask_all(lambda: self.inlet, lambda: self.speed, lambda: self.inlet_share, lambda: self.air_density)
        return Read(*combined(lambda a, v, s, r: a * v * s * r, *parts))

    @lazy
    def coolers(self) -> list[tuple[str, Cooler]]:
        """Cores in order. Raises CannotSay without any."""
        made = sorted(self.c.coolers.items(), key=lambda i: (i[1].rank, i[0]))
        if not made:
            raise CannotSay(Gap(self.p("coolers"), f"the cooler of the {self.placed.name}"))
        return made

    @lazy
    def core(self) -> tuple[str, Cooler]:
        """The core of the coolant."""
        found = [(k, c) for k, c in self.coolers if c.carries == "coolant"]
        if not found:
            key, _ = self.coolers[0]
            raise CannotSay(Gap(self.p(f"coolers/{key}/carries"), "which cooler carries the coolant"))
        return found[0]

    def cooler_heat(self, key: str, cooler: Cooler) -> Read:
        """Heat that a core must give away, W: that of the coolant is the unit's."""
        if cooler.carries == "coolant" and cooler.heat is None:
            return self.heat
        if cooler.carries == "charge air" and cooler.heat is None and self.breathing.blown:
            return self._charge_heat(key, cooler)
        return self.read(cooler.heat, self.p(f"coolers/{key}/heat"), f"heat through the {cooler.name}")

    def conductance(self, key: str, cooler: Cooler) -> Read:
        """What a core passes for each kelvin, W/K."""
        at, what = self.p(f"coolers/{key}/conductance"), f"what the {cooler.name} passes for each kelvin"
        return self.read(cooler.conductance, at, what)

    @lazy
    def coolant_stream(self) -> Read:
        """Flow of the coolant times its specific heat, W/K."""
        flow, _ = ask_all(
            lambda: self.read(self.c.coolant_flow, self.p("coolant_flow"), "flow of the coolant"), lambda: self.coolant
        )
        per = self.coolant.hot_kg_m3 * self.coolant.specific_j_kg_k
        return Read(flow.si * per, flow.u * per)

    def cold(self, key: str, cooler: Cooler) -> Stream:
        """What cools a core as it comes to it."""
        if self.way == "liquid to sea water":
            pump, sea, before = ask_all(lambda: self.pump, lambda: self.sea, lambda: self._warmed_before(key, cooler))
            come = Read(sea.si + before.si, (sea.u**2 + before.u**2) ** 0.5)
            return Stream(come, Read(pump.si * SEA_WATER_J_M3_K, pump.u * SEA_WATER_J_M3_K))
        share, before, air, day = ask_all(
            lambda: self._share_of_air(key, cooler),
            lambda: self._warmed_before(key, cooler),
            lambda: self.air,
            lambda: self.hot_day,
        )
        warmed = Read(day.si + before.si, (day.u**2 + before.u**2) ** 0.5)
        return Stream(warmed, Read(air.si * share * CP_AIR_J_KG_K, air.u * share * CP_AIR_J_KG_K))

    def _stands(self, key: str, cooler: Cooler) -> str:
        if len(self.coolers) == 1:
            return "first in the air"
        what = f"where the {cooler.name} stands in the air: first, behind or beside another"
        return self.chosen(cooler.stands, f"coolers/{key}/stands", what)

    def _share_of_air(self, key: str, cooler: Cooler) -> float:
        """Of the air in the duct: cores side by side share it by their faces, for like cores lose alike."""
        side = [(k, c) for k, c in self.coolers if self._stands(k, c) != "behind the first"]
        if self._stands(key, cooler) == "behind the first" or len(side) == 1:
            return 1.0
        faces = ask_all(
            *[partial(self.read, c.face, self.p(f"coolers/{k}/face"), f"face of the {c.name}") for k, c in side]
        )
        own = [k for k, _ in side].index(key)
        return faces[own].si / sum(f.si for f in faces)

    def _warmed_before(self, key: str, cooler: Cooler) -> Read:
        """How much warmer the air is that comes to a core behind others, K; sea water goes through them in their
        order."""
        if self.way == "liquid to sea water":
            return self._by_sea([k for k, _ in self.coolers].index(key))
        if self._stands(key, cooler) != "behind the first":
            return Read(0.0)
        ahead = [(k, c) for k, c in self.coolers if self._stands(k, c) != "behind the first"]
        if not ahead:
            raise InputError(
                self.p(f"coolers/{key}/stands"),
                f"the {cooler.name} is behind the first, and none is first",
                given="behind the first",
                allowed="one of them first in the air",
            )
        heats = ask_all(*[partial(self.cooler_heat, k, c) for k, c in ahead])
        total = Read(sum(h.si for h in heats), sum(h.u**2 for h in heats) ** 0.5)
        return Read(*combined(lambda q, m: q / (m * CP_AIR_J_KG_K), total, self.air))

    def _by_sea(self, passed: int) -> Read:
        """How much the sea water is warmed by so many coolers, K."""
        heats = ask_all(*[partial(self.cooler_heat, k, c) for k, c in self.coolers[:passed]])
        total = Read(sum(h.si for h in heats), sum(h.u**2 for h in heats) ** 0.5)
        return Read(*combined(lambda q, v: q / (v * SEA_WATER_J_M3_K), total, self.pump))

    @lazy
    def into_sea(self) -> Read:
        """Heat into the sea water, W: of the coolant, and of every other core that it goes through."""
        others = [partial(self.cooler_heat, k, c) for k, c in self.c.coolers.items() if c.carries != "coolant"]
        heats = ask_all(lambda: self.heat, *others)
        return Read(sum(h.si for h in heats), sum(h.u**2 for h in heats) ** 0.5)

    @lazy
    def blown(self) -> Uncertain:
        """Charge behind the blower on a hot day, K."""
        terms, _ = ask_all(lambda: self._blower_terms, lambda: self.altitude)
        return combined(self._compressed, *terms)

    @lazy
    def charge_core(self) -> tuple[str, Cooler]:
        """The core of the charge air. Raises CannotSay."""
        for key, cooler in sorted(self.c.coolers.items(), key=lambda i: (i[1].rank, i[0])):
            if cooler.carries == "charge air":
                return key, cooler
        raise CannotSay(Gap(self.p("coolers"), f"the core that cools the charge of the {self.placed.name}"))

    @lazy
    def _blower_terms(self) -> tuple[Read, Read, Read]:
        return ask_all(lambda: self.hot_day, lambda: self.breathing.boost, lambda: self.breathing.blower)

    def _compressed(self, air_k: float, boost_pa: float, share: float) -> float:
        return compressed(air_k, isa(self.altitude).pressure_pa, boost_pa, share)

    def charge(self, key: str, cooler: Cooler) -> Uncertain:
        """Charge into the unit, K, behind the core that cools it."""
        blower, conductance, cold, mass, _ = ask_all(
            lambda: self._blower_terms,
            lambda: self.conductance(key, cooler),
            lambda: self.cold(key, cooler),
            lambda: self.breathing.mass,
            lambda: self.altitude,
        )

        def at(air: float, boost: float, share: float, ua: float, come: float, stream: float, kg_s: float) -> float:
            hot = kg_s * CP_AIR_J_KG_K
            passed = effectiveness(ua / min(hot, stream), min(hot, stream) / max(hot, stream), "crossflow")
            return charge_out(self._compressed(air, boost, share), passed, min(hot, stream), hot, come)

        return combined(at, *blower, conductance, cold.temperature, cold.stream, mass)

    def charge_terms(self, key: str, cooler: Cooler) -> tuple[float, float, float, float, float]:
        """Terms of the charge into the unit."""
        cold, hot = self.cold(key, cooler), self.breathing.mass.si * CP_AIR_J_KG_K
        least, most = min(hot, cold.stream.si), max(hot, cold.stream.si)
        passed = effectiveness(self.conductance(key, cooler).si / least, least / most, "crossflow")
        return self.blown.value, passed, least, hot, cold.temperature.si

    def _charge_heat(self, key: str, cooler: Cooler) -> Read:
        into, blown, mass = ask_all(lambda: self.charge(key, cooler), lambda: self.blown, lambda: self.breathing.mass)
        per = mass.si * CP_AIR_J_KG_K
        taken = blown.value - into.value
        return Read(max(per * taken, 0.0), per * (blown.u**2 + into.u**2 + (taken * mass.u / mass.si) ** 2) ** 0.5)

    def settle_terms(self, key: str, cooler: Cooler) -> tuple[float, float, float, float]:
        """Terms of where a core's hot side settles: cold, heat, effectiveness, smaller stream."""
        heat, conductance, hot, cold = ask_all(
            lambda: self.cooler_heat(key, cooler),
            lambda: self.conductance(key, cooler),
            lambda: self.hot_stream(key, cooler),
            lambda: self.cold(key, cooler),
        )
        made = exchanged(conductance.si, hot.si, cold.stream.si, cold.temperature.si + 50.0, cold.temperature.si)
        return cold.temperature.si, heat.si, made.effectiveness, min(hot.si, cold.stream.si)

    def hot_stream(self, key: str, cooler: Cooler) -> Read:
        """Flow times specific heat of what a core carries, W/K."""
        if cooler.carries == "coolant" and cooler.flow is None:
            return self.coolant_stream
        flow = self.read(cooler.flow, self.p(f"coolers/{key}/flow"), f"flow through the {cooler.name}")
        per = self.coolant.hot_kg_m3 * self.coolant.specific_j_kg_k if cooler.carries == "coolant" else OIL_J_M3_K
        return Read(flow.si * per, flow.u * per)

    def settled(self, key: str, cooler: Cooler) -> Uncertain:
        """Temperature at which what a core carries settles, K."""
        heat, conductance, hot, cold = ask_all(
            lambda: self.cooler_heat(key, cooler),
            lambda: self.conductance(key, cooler),
            lambda: self.hot_stream(key, cooler),
            lambda: self.cold(key, cooler),
        )

        def at(t: float, q: float, ua: float, ch: float, cc: float) -> float:
            share = exchanged(ua, ch, cc, t + 50.0, t).effectiveness
            return settles(t, q, share, min(ch, cc))

        return combined(at, cold.temperature, heat, conductance, hot, cold.stream)

    @lazy
    def limit(self) -> float:
        """What the unit's coolant may come to, K."""
        figure = self.read(self.c.limit, self.p("limit"), f"hottest coolant that the {self.placed.name} may have")
        return figure.si

    @lazy
    def boiling(self) -> Uncertain:
        """Where the coolant boils where the power is wanted, K. Raises CannotSay for one that does not boil by its
        water."""
        cap, _, _ = ask_all(
            lambda: self.read(self.c.cap, self.p("cap"), "pressure of the cap", zero=True),
            lambda: self.coolant,
            lambda: self.altitude,
        )
        height, later = self.altitude, self.coolant.later_k
        assert later is not None
        made = combined(lambda p: boils_at(p, height) + later, cap)
        return Uncertain(made.value, (made.u**2 + (1.0 if later else 0.0) ** 2) ** 0.5)

    @lazy
    def pump(self) -> Read:
        """Sea water that its pump moves, m³/s."""
        return self.read(self.c.pump, self.p("pump"), "sea water that the pump moves at full power")

    @lazy
    def sea(self) -> Read:
        """The warmest water that she is used in, K."""
        return self.read(self.c.sea, self.p("sea"), "warmest water that she is used in")

    @lazy
    def header_height(self) -> float:
        """Lowest point of the header, m."""
        at, what = self.p("header_height"), "height of the header's lowest point"
        return self.resolved.references.place(self.c.header_height, at, what, "z").value

    @lazy
    def port(self) -> Read:
        """Bore of the unit's coolant port, m: as its ports have it, or the part of the loop that is the unit."""
        said = self.unit.ports.coolant.hose
        own = next(((k, p) for k, p in self.pieces(self.c.loop) if p.kind == "unit" and p.bore is not None), None)
        if said is None and own is not None:
            return self.bore("loop", *own)
        return self.read(said, self.placed.p("unit/ports/coolant/hose"), f"coolant port of the {self.placed.name}")

    @lazy
    def expansion(self) -> Uncertain:
        """How much the coolant grows from cold to hot, m³."""
        volume, c = ask_all(
            lambda: self.read(self.c.volume, self.p("volume"), "coolant in all: unit, coolers and hoses"),
            lambda: self.coolant,
        )
        return combined(lambda v: v * (c.cold_kg_m3 / c.hot_kg_m3 - 1), volume)

    @property
    def donor_ratio(self) -> HeatRatio:
        """Heat beside power of the unit that a core served."""
        _, core = self.core
        kind = core.served_kind
        return HEAT_RATIOS[kind] if kind is not None else HEAT_RATIOS["four-stroke"]


# Oil: density times specific heat, hot. From memory.
OIL_J_M3_K = 840.0 * 2200.0
