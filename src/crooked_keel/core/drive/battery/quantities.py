"""What the drive bench knows of an electric unit: pack, limits, range. Every assumption of the range is named."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...errors import CannotSay, InputError, Need, all_or_cannot_say
from ...figure.trace import above_zero, need
from ...judging.values import ValueList
from ...topic.lazy import lazy
from .functions import consumption, electric_range, endurance, pack_power, sea_range

if TYPE_CHECKING:
    from ..section import DriveBench

DEPTH_DEFAULT = 0.85
MOTOR_EFFICIENCY_DEFAULT = 0.88


class OnBattery:
    """Quantities of an electric unit. Its `power` is the continuous one."""

    def __init__(self, bench: DriveBench) -> None:
        self.bench = bench
        self.unit = bench.installation.unit
        self.packs = sorted(bench.installation.packs.items(), key=lambda p: (p[1].rank, p[0]))
        self.assumptions = bench.resolved.project.assumptions

    def _pack(self, part: str, words: str) -> list[float]:
        if not self.packs:
            raise CannotSay(Need(self.bench._p("packs"), f"a battery pack for the {self.bench.name}"))
        asks = [
            lambda k=k, p=p: need(getattr(p, part), self.bench._p(f"packs/{k}/{part}"), f"{words} of {p.name}").si
            for k, p in self.packs
        ]
        all_or_cannot_say(*asks)
        return [ask() for ask in asks]

    @lazy
    def voltage(self) -> float:
        """Voltage of the packs, side by side, V. Raises InputError when they differ."""
        volts = self._pack("voltage", "voltage")
        if max(volts) - min(volts) > 0.02 * max(volts):
            key = self.packs[1][0]
            raise InputError(
                self.bench._p(f"packs/{key}/voltage"),
                "packs side by side must have one voltage: they would charge each other",
            )
        return volts[0]

    @lazy
    def energy(self) -> float:
        """Energy of all packs, J."""
        return sum(self._pack("energy", "energy"))

    @lazy
    def current(self) -> float:
        """Smaller of the controller's battery current and what the packs may give, A."""
        limit = above_zero(self.unit.battery_current, self.bench._p("unit/battery_current"), f"battery current limit of the controller ({self.bench.name})")  # fmt: skip
        return min(limit, sum(self._pack("current", "largest current")))

    @lazy
    def pack_terms(self) -> tuple[float, float]:
        """Voltage and current limit."""
        all_or_cannot_say(lambda: self.voltage, lambda: self.current)
        return self.voltage, self.current

    @property
    def depth(self) -> float:
        """Share of the energy that is used."""
        given = self.assumptions.depth_of_discharge
        return given.si if given else DEPTH_DEFAULT

    @property
    def motor_efficiency(self) -> float:
        """Motor and controller together."""
        given = self.assumptions.motor_efficiency
        return given.si if given else MOTOR_EFFICIENCY_DEFAULT

    @lazy
    def road_terms(self) -> tuple[float, float]:
        """Road load at cruise and efficiency from pack to road."""
        all_or_cannot_say(self.bench.on_road.cruise_load, lambda: self.bench.efficiency)
        return self.bench.on_road.cruise_load(), self.motor_efficiency * self.bench.efficiency

    @lazy
    def range_terms(self) -> tuple[float, float, float]:
        """Energy, share used, energy for each metre."""
        all_or_cannot_say(lambda: self.energy, lambda: self.road_terms)
        return self.energy, self.depth, consumption(*self.road_terms)

    @lazy
    def sea_terms(self) -> tuple[float, float, float, float, float]:
        """Cruising speed, energy, share used, efficiency, and power at that speed."""
        trial = self.bench.resolved.project.craft.trial
        cruise = lambda: above_zero(trial.cruise, "/craft/trial/cruise", "cruising speed")
        all_or_cannot_say(cruise, lambda: self.energy, lambda: self.bench.at_sea.speed, lambda: self.bench.power)
        power = self.bench.power * (cruise() / self.bench.at_sea.speed) ** 3
        return cruise(), self.energy, self.depth, self.motor_efficiency, power

    def cruise_power(self) -> float:
        """Mechanical power asked of the unit at cruise, W."""
        if self.bench.resolved.has("driven wheel"):
            road = self.bench.resolved.project.craft.road
            cruise = lambda: above_zero(road.cruise, "/craft/road/cruise", "cruising speed")
            all_or_cannot_say(cruise, lambda: self.road_terms)
            return self.road_terms[0] * cruise() / self.bench.efficiency
        return self.sea_terms[4]

    def values(self, out: ValueList) -> None:
        """Headline values."""
        out.add(
            "pack-power",
            "Power the pack gives at the current limit",
            "power",
            lambda: pack_power(*self.pack_terms),
            working=lambda: pack_power.working(*self.pack_terms),
        )
        out.add("energy", "Energy aboard", "energy", lambda: self.energy, source="sum of the packs")
        if self.bench.resolved.has("driven wheel"):
            out.add(
                "consumption",
                "Energy for the way at cruise",
                "energy_per_length",
                lambda: consumption(*self.road_terms),
                working=lambda: consumption.working(*self.road_terms),
            )
            out.add(
                "range",
                "Range at cruise, level, no wind",
                "distance",
                lambda: electric_range(*self.range_terms),
                working=lambda: electric_range.working(*self.range_terms),
            )
        elif self.bench.resolved.has("marine propeller"):
            out.add(
                "range",
                "Range at cruise, still water",
                "sea_distance",
                lambda: sea_range(*self.sea_terms),
                working=lambda: sea_range.working(*self.sea_terms),
            )
        else:
            terms = lambda: (self.energy, self.depth, self.motor_efficiency, self.bench.power)
            out.add(
                "endurance",
                "Time at continuous power, no reserve",
                "time",
                lambda: endurance(*terms()),
                working=lambda: endurance.working(*terms()),
            )
