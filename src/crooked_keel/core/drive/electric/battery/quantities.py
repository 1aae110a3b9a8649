"""What the drive bench knows of an electric unit: pack, limits, range. Every assumption of the range is named."""

from __future__ import annotations

from typing import Literal

from ....errors import CannotSay, Gap, InputError, ask_all
from ....figure.trace import above_zero, need
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...train.quantities import Train
from ...water.marine.functions import POWERS
from ...water.marine.quantities import AtSea
from ...wheels.road.quantities import OnRoad
from .functions import consumption, electric_range, endurance, pack_power, sea_range

# Packs side by side are of one voltage within so much. Common practice, no source.
APART = 0.02
DEPTH_DEFAULT = 0.85
MOTOR_EFFICIENCY_DEFAULT = 0.88


def _differ(volts: list[float]) -> bool:
    return max(volts) - min(volts) > APART * max(volts)


class OnBattery(Topic):
    """An electric unit: its `power` is the continuous one. road, sea: what it drives."""

    @staticmethod
    def only_if(train: Train) -> bool:
        """Packs drive a motor alone."""
        return train.electric

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        road: OnRoad | None,
        sea: AtSea | None,
    ) -> None:
        self.resolved = resolved
        self.train = train
        self.road = road
        self.sea = sea
        self.unit = placed.installation.unit
        self.packs_joined = placed.installation.packs_joined
        self.packs = sorted(placed.installation.packs.items(), key=lambda p: (p[1].rank, p[0]))
        self.assumptions = resolved.project.assumptions

    @property
    def on_road(self) -> OnRoad:
        """The driven wheel; only where there is one."""
        assert self.road is not None
        return self.road

    @property
    def at_sea(self) -> AtSea:
        """The marine propeller; only where there is one."""
        assert self.sea is not None
        return self.sea

    def _pack(self, part: str, words: str) -> list[float]:
        if not self.packs:
            raise CannotSay(Gap(self.train.p("packs"), f"a battery pack for the {self.train.name}"))
        asks = [
            lambda k=k, p=p: need(getattr(p, part), self.train.p(f"packs/{k}/{part}"), f"{words} of {p.name}").si
            for k, p in self.packs
        ]
        return list(ask_all(*asks))

    @lazy
    def joined(self) -> Literal["side by side", "in a row"]:
        """How the packs are joined; one alone is joined to nothing."""
        if len(self.packs) < 2:
            return "side by side"
        said = self.packs_joined
        if said is None:
            what = f"how the packs of the {self.train.name} are joined, side by side or in a row"
            raise CannotSay(Gap(self.train.p("packs_joined"), what))
        return said

    @property
    def at_odds(self) -> tuple[float, float] | None:
        """The lowest and the highest voltage of packs side by side that differ, V; None where none do, as far as is
        known. Raises CannotSay where it is not said how they are joined."""
        for part in ("full_voltage", "voltage"):
            volts = [f.si for _, p in self.packs if (f := getattr(p, part)) is not None]
            if len(volts) > 1 and self.joined == "side by side" and _differ(volts):
                return min(volts), max(volts)
        return None

    def _volts(self, part: str, words: str) -> float:
        """Voltage of all packs together, V. Raises InputError where packs side by side differ."""
        volts, joined = ask_all(lambda: self._pack(part, words), lambda: self.joined)
        if joined == "in a row":
            return sum(volts)
        if _differ(volts):
            key = self.packs[1][0]
            raise InputError(
                self.train.p(f"packs/{key}/{part}"),
                "packs side by side must have one voltage: they would charge each other",
                allowed="the voltage of the other packs",
            )
        return max(volts)

    @lazy
    def voltage(self) -> float:
        """Voltage of the packs as they are joined, V."""
        return self._volts("voltage", "voltage")

    @lazy
    def full_voltage(self) -> float:
        """The same, fully charged."""
        return self._volts("full_voltage", "voltage, fully charged,")

    @lazy
    def energy(self) -> float:
        """Energy of all packs, J."""
        return sum(self._pack("energy", "energy"))

    @lazy
    def current(self) -> float:
        """Smaller of the controller's battery current and what the packs may give, A."""
        limit = above_zero(
            self.unit.battery_current,
            self.train.p("unit/battery_current"),
            f"battery current limit of the controller ({self.train.name})",
        )
        amperes, joined = ask_all(lambda: self._pack("current", "largest current"), lambda: self.joined)
        return min(limit, min(amperes) if joined == "in a row" else sum(amperes))

    @lazy
    def pack_terms(self) -> tuple[float, float]:
        """Voltage and current limit."""
        ask_all(lambda: self.voltage, lambda: self.current)
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

    @property
    def other_loads(self) -> float:
        """What else the packs feed, W; nothing where nobody said, and then that is said."""
        given = self.resolved.project.craft.auxiliary
        return given.si if given is not None else 0.0

    @property
    def others_said(self) -> bool:
        """Whether somebody said what else the packs feed."""
        return self.resolved.project.craft.auxiliary is not None

    @lazy
    def road_terms(self) -> tuple[float, float, float, float]:
        """Road load at cruise, efficiency from pack to road, other loads and cruising speed."""
        cruise = lambda: above_zero(self.on_road.road.cruise, "/craft/road/cruise", "cruising speed")
        ask_all(self.on_road.cruise_load, lambda: self.train.efficiency, cruise)
        through = self.motor_efficiency * self.train.efficiency
        return self.on_road.cruise_load(), through, self.other_loads, cruise()

    @lazy
    def range_terms(self) -> tuple[float, float, float]:
        """Energy, share used, energy for each metre."""
        ask_all(lambda: self.energy, lambda: self.road_terms)
        return self.energy, self.depth, consumption(*self.road_terms)

    @lazy
    def sea_terms(self) -> tuple[float, float, float, float, float, float]:
        """Cruising speed, energy, share used, efficiency, power at that speed by the method of her regime, and other
        loads."""
        trial = self.resolved.project.craft.trial
        cruise = lambda: above_zero(trial.cruise, "/craft/trial/cruise", "cruising speed")
        ask_all(cruise, lambda: self.energy, lambda: self.at_sea.speed, lambda: self.train.power)
        power = self.train.power * (cruise() / self.at_sea.speed) ** POWERS[trial.regime or "displacement"]
        return cruise(), self.energy, self.depth, self.motor_efficiency, power, self.other_loads

    def cruise_power(self) -> float:
        """Mechanical power asked of the unit at cruise, W."""
        if self.resolved.has("driven wheel"):
            road = self.resolved.project.craft.road
            cruise = lambda: above_zero(road.cruise, "/craft/road/cruise", "cruising speed")
            ask_all(cruise, lambda: self.road_terms)
            return self.road_terms[0] * cruise() / self.train.efficiency
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
        if self.resolved.has("driven wheel"):
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
        elif self.resolved.has("marine propeller"):
            out.add(
                "range",
                "Range at cruise, still water",
                "sea_distance",
                lambda: sea_range(*self.sea_terms),
                working=lambda: sea_range.working(*self.sea_terms),
            )
        else:
            terms = lambda: (self.energy, self.depth, self.motor_efficiency, self.train.power, self.other_loads)
            out.add(
                "endurance",
                "Time at continuous power, no reserve",
                "time",
                lambda: endurance(*terms()),
                working=lambda: endurance.working(*terms()),
            )
