"""Batteries of one unit as they are charged."""

from __future__ import annotations

from typing import NamedTuple

from ...document.systems import Bank
from ...errors import CannotSay, Gap, ask_all
from ...figure.reads import Read, combined
from ...figure.trace import Uncertain
from ..current.quantities import CurrentLane
from .functions import DIODE_DOUBT_V, DIODE_V, WANTS, Wants, time_to_fill

# What the generator puts into, by itself or through another bank.
_DRIVEN = ("generator of the unit", "converter from another bank")


class Filling(NamedTuple):
    """A bank as it fills: until it is full again and how long there is, s; what is left for it, A."""

    time: Uncertain
    within: Read
    left_a: Uncertain


class Charging:
    """The banks of a current that a generator charges."""

    def __init__(self, current: CurrentLane) -> None:
        self.current = current

    def said(self, key: str, bank: Bank) -> str:
        """What charges a bank. Raises CannotSay."""
        return self.current.chosen(bank.charged_by, f"banks/{key}/charged_by", f"what charges {bank.name}")

    @property
    def driven(self) -> list[tuple[str, Bank]]:
        """Banks that the generator fills, by itself or through another bank. Raises CannotSay where one is not said."""
        said = ask_all(*(lambda k=k, b=b: (self.said(k, b), k, b) for k, b in self.current.banks))
        return [(k, b) for by, k, b in said if by in _DRIVEN]

    @property
    def emptied(self) -> list[tuple[str, Bank]]:
        """Those of them that are drawn on each time: an ignition's is only when charging fails."""
        return [(k, b) for k, b in self.driven if b.purpose != "ignition"]

    def wants(self, key: str, bank: Bank) -> Wants:
        """What its cells want. Raises CannotSay."""
        return WANTS[self.current.chosen(bank.cells, f"banks/{key}/cells", f"cells of {bank.name}")]

    def regulated(self) -> Read:
        """Voltage that the generator is regulated to, V."""
        c = self.current
        return c.read(c.e.charge_voltage, c.p("charge_voltage"), "voltage that the generator is regulated to")

    def at_bank(self, key: str, bank: Bank) -> Uncertain:
        """Voltage that reaches a bank, of 12 V for any system, V."""
        through, volts, system = ask_all(
            lambda: self.through(key, bank),
            self.regulated,
            lambda: self.current.voltage,
        )
        lost = (DIODE_V, DIODE_DOUBT_V / 2) if through == "diodes" else (0.0, 0.0)
        return combined(lambda v, d: (v - d) * 12 / system, volts, Read(*lost))

    def through(self, key: str, bank: Bank) -> str:
        """Through what it is charged. Raises CannotSay."""
        return self.current.chosen(bank.through, f"banks/{key}/through", f"through what {bank.name} is charged")

    def taken(self, key: str, bank: Bank) -> Uncertain:
        """What is to be put into a bank for what was taken out of it, C; no more than it holds."""
        c, at = self.current, self.current.p(f"banks/{key}")
        wants, amps, lasts, holds = ask_all(
            lambda: self.wants(key, bank),
            lambda: c.read(bank.current, f"{at}/current", f"current drawn of {bank.name}"),
            lambda: c.read(bank.lasts, f"{at}/lasts", f"how long {bank.name} gives it"),
            lambda: c.read(bank.capacity, f"{at}/capacity", f"capacity of {bank.name}"),
        )
        return combined(lambda i, t, most: min(i * t, most) * wants.put_in, amps, lasts, holds)

    def spare(self) -> Uncertain:
        """What the generator has left at cruise beside all that runs, A. Raises CannotSay."""
        demand, gives, volts = ask_all(
            lambda: self.current.demand, lambda: self.current.source("cruise"), self.regulated
        )
        return combined(lambda g, d, v: (g - d) / v, gives, demand, volts)

    def filling(self, key: str, bank: Bank) -> Filling:
        """How long until a bank is full again: by what the generator has left for all banks together, and by what its
        maker lets into this one. Raises CannotSay where the generator has nothing left."""
        c, at = self.current, self.current.p(f"banks/{key}")
        spare, most, within, own, all_of_them = ask_all(
            self.spare,
            lambda: c.read(
                bank.most_current, f"{at}/most_current", f"charging current {bank.name} bears, by its maker"
            ),
            lambda: c.read(bank.full_again, f"{at}/full_again", f"how long the unit runs to fill {bank.name}"),
            lambda: self.taken(key, bank),
            lambda: ask_all(*(lambda k=k, b=b: self.taken(k, b) for k, b in self.emptied)),
        )
        if spare.value <= 0:
            raise CannotSay(Gap(c.p("source_cruise"), "a generator with something left for the batteries at cruise"))
        together = Uncertain(sum(t.value for t in all_of_them), sum(t.u**2 for t in all_of_them) ** 0.5)
        time = combined(
            lambda i, everything, mine, limit: max(
                time_to_fill(everything, 1.0, max(i, 1e-3)), time_to_fill(mine, 1.0, limit)
            ),
            *(Read(*spare), Read(*together), Read(*own), most),
        )
        return Filling(time, within, spare)
