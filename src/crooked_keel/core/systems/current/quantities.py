"""Current of one unit and its craft: what is given and taken, wires, batteries."""

from __future__ import annotations

import math
from typing import NamedTuple

from ...document.systems import Bank, Electric, Load, Wire
from ...errors import CannotSay, Gap, InputError, ask_all, or_none
from ...figure.reads import Read, combined
from ...figure.trace import Uncertain
from ...judging.subjects import Known, Subject, known_of
from ...topic.lazy import lazy
from ..lane import Lane
from .functions import CELLS, FIRST, FIRST_METRIC, Feeds, ampacity, drop, is_thin, peukert, wanted_size, wire_area

# What a larger wire is given in room. Proposed.
_ROOM = 1.06


class Wired(NamedTuple):
    """A wire judged: voltage lost, most that may be, and what it carries, V, V, A."""

    lost: Uncertain
    most_v: float
    carries_a: float
    current: Read
    run: Read
    area_m2: float

    @property
    def used(self) -> float:
        """The larger share of what it may lose, or carries, that is used."""
        return max(self.lost.value / self.most_v, self.current.si / self.carries_a)

    @property
    def used_u(self) -> float:
        """Standard uncertainty of that share."""
        return max(self.lost.u / self.most_v, self.current.u / self.carries_a)


class CurrentLane(Lane):
    """Current of one unit."""

    part = "electric"
    begins = "earth"
    begins_words = "its earth: a strap to the frame, or a cable back"

    @property
    def e(self) -> Electric:
        """What is entered."""
        return self.systems.electric

    @lazy
    def voltage(self) -> float:
        """Voltage of the system, V."""
        return self.read(self.e.voltage, self.p("voltage"), "voltage of the system").si

    @lazy
    def taken(self) -> Known[tuple[str, Load], Uncertain]:
        """What each thing takes, for its share of the time, W; and what is not known. Raises CannotSay without any."""
        loads = sorted(self.e.loads.items(), key=lambda i: (i[1].rank, i[0]))
        if not loads:
            raise CannotSay(Gap(self.p("loads"), "what takes current, all of it"))
        return known_of([Subject(k, item.name, (k, item)) for k, item in loads], lambda of: self._load(*of))

    def _load(self, key: str, item: Load) -> Uncertain:
        """What one thing takes, for its share of the time, W."""
        at = self.p(f"loads/{key}")
        power, duty = ask_all(
            lambda: self.read(item.power, f"{at}/power", f"power of {item.name}", zero=True),
            lambda: self.read(item.duty, f"{at}/duty", f"how much of the time {item.name} runs", zero=True),
        )
        return combined(lambda w, d: w * d, power, duty)

    @property
    def demand(self) -> Read:
        """What everything takes together, W. Raises CannotSay where one thing is not known."""
        if self.taken.left_out.needs:
            raise CannotSay(*self.taken.left_out.needs)
        return self.known_demand

    @lazy
    def known_demand(self) -> Read:
        """What everything that is known takes together, W."""
        parts = [part for _, part in self.taken.answers]
        return Read(sum(p.value for p in parts), sum(p.u**2 for p in parts) ** 0.5)

    @lazy
    def everything(self) -> float:
        """What everything takes at once, W."""
        return sum(item.power.si for item in self.e.loads.values() if item.power is not None)

    def source(self, at: str) -> Read:
        """What the generator gives at idle or at cruise, W."""
        figure = self.e.source_idle if at == "idle" else self.e.source_cruise
        return self.read(figure, self.p(f"source_{at}"), f"what the generator gives at {at}", zero=True)

    def carries(self, key: str, wire: Wire) -> float:
        """What a wire carries where it lies, A: without end where it carries for seconds."""
        if wire.runs == "for seconds, to start":
            return math.inf
        at = self.p(f"wires/{key}")
        size, insulation = ask_all(
            lambda: self.chosen(wire.size, f"wires/{key}/size", f"size of {wire.name}"),
            lambda: self.chosen(wire.insulation, f"wires/{key}/insulation", f"insulation of {wire.name}"),
        )
        if insulation == "other":
            return self.read(wire.carries, f"{at}/carries", f"current that {wire.name} carries by its maker").si
        lies, bundle = ask_all(
            lambda: self.chosen(wire.lies, f"wires/{key}/lies", f"whether {wire.name} lies in the engine space"),
            lambda: self.read(wire.bundle, f"{at}/bundle", f"how many wires run with {wire.name}, itself counted"),
        )
        try:
            return ampacity(size, lies == "in the engine space", bundle.si)
        except InputError as bad:
            raise bad.at(f"{at}/size") from None

    def over_thin(self, key: str, wire: Wire) -> tuple[Read, float] | None:
        """Current of a wire thinner than the table begins with, and what the table's first carries there, A, where that
        is less; None of any other wire, and where it cannot be said."""
        if (
            wire.size is None
            or not is_thin(wire.size)
            or wire.insulation == "other"
            or wire.runs == "for seconds, to start"
        ):
            return None
        flows = or_none(lambda: self.read(wire.current, self.p(f"wires/{key}/current"), f"current in {wire.name}"))
        if flows is None:
            return None
        # What is blank is taken as the best that it could be: a wire by itself, outside the engine space.
        wires = wire.bundle.si if wire.bundle is not None else 1.0
        most = ampacity(FIRST, wire.lies == "in the engine space", wires)
        return (flows, most) if flows.si > most else None

    def in_the_table(self, wire: Wire) -> Wire:
        """A wire thinner than the table begins with as the first one of its sort there; any other as it is."""
        if wire.size is None or not is_thin(wire.size):
            return wire
        return wire.model_copy(update={"size": FIRST_METRIC if wire.size.endswith("mm²") else FIRST})

    def wired(self, key: str, wire: Wire) -> Wired:
        """A wire judged. Raises CannotSay."""
        at = self.p(f"wires/{key}")
        current, run, school, volts, carries = ask_all(
            lambda: self.read(wire.current, f"{at}/current", f"current in {wire.name}"),
            lambda: self.read(wire.run, f"{at}/run", f"length of {wire.name}, out and back"),
            lambda: self.chosen(
                wire.drop, f"wires/{key}/drop", f"voltage that {wire.name} may lose: 3 %, 4 % to start, or 10 %"
            ),
            lambda: self.voltage,
            lambda: self.carries(key, wire),
        )
        assert wire.size is not None
        area = wire_area(wire.size)
        lost = combined(lambda i, length: drop(i, length, area), current, run)
        return Wired(lost, volts * {"3 %": 0.03, "4 %": 0.04, "10 %": 0.10}[school], carries, current, run, area)

    def better(self, key: str, wire: Wire) -> str | None:
        """The smallest size with room to spare, in the same sort of sizes; None where no single wire does."""
        made = self.wired(key, wire)
        assert wire.size is not None
        amps = 0.0 if math.isinf(made.carries_a) else (made.current.si + 2 * made.current.u) * _ROOM
        return wanted_size(
            (made.current.si + 2 * made.current.u) * _ROOM,
            made.run.si + 2 * made.run.u,
            made.most_v / _ROOM,
            amps,
            wire.lies == "in the engine space",
            wire.bundle.si if wire.bundle is not None else 1.0,
            wire.size.endswith("mm²"),
        )

    @property
    def wires(self) -> list[tuple[str, Wire]]:
        """Wires in order."""
        return sorted(self.e.wires.items(), key=lambda i: (i[1].rank, i[0]))

    @property
    def banks(self) -> list[tuple[str, Bank]]:
        """Batteries in order."""
        return sorted(self.e.banks.items(), key=lambda i: (i[1].rank, i[0]))

    def lasting_bank(self, key: str, bank: Bank) -> Uncertain:
        """How long a bank gives its current, of what may be used of it, s."""
        at = self.p(f"banks/{key}")
        capacity, current, cells = ask_all(
            lambda: self.read(bank.capacity, f"{at}/capacity", f"capacity of {bank.name}"),
            lambda: self.read(bank.current, f"{at}/current", f"current drawn of {bank.name}"),
            lambda: self.chosen(bank.cells, f"banks/{key}/cells", f"cells of {bank.name}"),
        )
        k, used = CELLS[cells]
        return combined(lambda c, i: peukert(72000.0, c * used, i, k), capacity, current)

    def under_load(self, key: str, bank: Bank) -> Uncertain:
        """Voltage of a bank at its current, V."""
        at = self.p(f"banks/{key}")
        current, inside, cable, volts = ask_all(
            lambda: self.read(bank.current, f"{at}/current", f"current drawn of {bank.name}"),
            lambda: self.read(bank.resistance, f"{at}/resistance", f"resistance inside {bank.name}", zero=True),
            lambda: self.read(bank.cable, f"{at}/cable", f"resistance of the cables of {bank.name}", zero=True),
            lambda: self.voltage,
        )
        # A full lead battery at rest stands 5 % over its name. From memory.
        return combined(lambda i, r, c: 1.05 * volts - i * (r + c), current, inside, cable)

    @lazy
    def circuit(self) -> Feeds:
        """Role and feeders of every part. Raises CannotSay without any, InputError at a feeder that is not there."""
        parts = self.e.circuit
        if not parts:
            raise CannotSay(Gap(self.p("circuit"), "the circuit, part by part, with what feeds each"))
        made = {}
        for key, part in sorted(parts.items(), key=lambda i: (i[1].rank, i[0])):
            role = self.chosen(part.role, f"circuit/{key}/role", f"whether {part.name} is a source, a part or a load")
            by = tuple(k for k in (part.fed_by, part.or_by) if k is not None)
            if role != "source" and not by:
                raise CannotSay(Gap(self.p(f"circuit/{key}/fed_by"), f"what feeds {part.name}"))
            for k in by:
                if k not in parts:
                    raise InputError(
                        self.p(f"circuit/{key}/fed_by"),
                        f"{part.name} is fed by a part that is not there",
                        given=k,
                        allowed=", ".join(parts),
                    )
            made[key] = (role, by)
        return made
