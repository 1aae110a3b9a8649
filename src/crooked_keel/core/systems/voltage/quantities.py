"""The high-voltage circuit of one unit."""

from __future__ import annotations

from ...document.systems import HighVoltage as Entered
from ...errors import InputError, ask_all, or_none
from ...figure.reads import Read
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ..handed import Battery, UnitPower
from ..lane import Lane
from .functions import HAZARD_V, discharge_time, isolation, precharge_time


class VoltageLane(Lane):
    """A circuit of more than 60 V; there only where a unit runs on a battery."""

    part = "high_voltage"

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, lasting: UnitPower, battery: Battery) -> None:
        super().__init__(resolved, placed, lasting)
        self.battery = battery

    @property
    def h(self) -> Entered:
        """What is entered."""
        return self.systems.high_voltage

    @lazy
    def pack(self) -> float:
        """The pack, fully charged, V."""
        return self.battery.full_voltage

    @property
    def low(self) -> bool:
        """Whether it is known to stay at 60 V or less: then none of this lane is asked."""
        volts = or_none(lambda: self.pack)
        return volts is not None and volts <= HAZARD_V

    @lazy
    def resistor(self) -> Read:
        """Pre-charge resistor, Ω."""
        return self.read(self.h.resistor, self.p("resistor"), "pre-charge resistor")

    @lazy
    def capacitance(self) -> Read:
        """Capacitance of the link, F."""
        return self.read(self.h.capacitance, self.p("capacitance"), "capacitance of controller and link")

    @lazy
    def t95(self) -> float:
        """Time to 95 %, s."""
        ask_all(lambda: self.resistor, lambda: self.capacitance)
        return precharge_time(self.resistor.si, self.capacitance.si)

    @lazy
    def discharge(self) -> float:
        """Time to 60 V at the longest, s."""
        bleeder, c, volts = ask_all(
            lambda: self.read(self.h.bleeder, self.p("bleeder"), "resistor that empties the link"),
            lambda: self.capacitance,
            lambda: self.pack,
        )
        return discharge_time(bleeder.si + 2 * bleeder.u, c.si + 2 * c.u, volts)

    @lazy
    def isolation_per_volt(self) -> float:
        """Isolation of the weaker pole for each volt of the pack, Ω/V. Raises InputError for readings that cannot
        be."""
        h = self.h
        test, first, other, after, volts = ask_all(
            lambda: self.read(h.test_resistor, self.p("test_resistor"), "test resistor"),
            lambda: self.read(h.first_pole, self.p("first_pole"), "voltage of the larger pole to the frame", zero=True),
            lambda: self.read(h.other_pole, self.p("other_pole"), "voltage of the other pole to the frame", zero=True),
            lambda: self.read(
                h.first_pole_after, self.p("first_pole_after"), "the larger pole with the test resistor", zero=True
            ),
            lambda: self.pack,
        )
        if first.si < 0.05 * volts and other.si < 0.05 * volts:
            raise InputError(
                self.p("first_pole"),
                "both poles read nearly nothing: that measured the meter, not the craft",
                given=h.first_pole.entered if h.first_pole else None,
                allowed="readings with a meter of 10 MΩ or more, pack connected",
            )
        if other.si > first.si:
            raise InputError(
                self.p("other_pole"),
                "the other pole reads more: that one is the larger",
                given=h.other_pole.entered if h.other_pole else None,
                allowed="the two exchanged, the test resistor at the larger",
            )
        there = first.si + other.si
        if not 0.6 * volts <= there <= 1.05 * volts:
            raise InputError(
                self.p("first_pole"),
                "the two poles do not add up to the pack",
                given=h.first_pole.entered if h.first_pole else None,
                allowed="readings of both poles one after the other, the pack connected and at rest",
            )
        try:
            found = isolation(test.si, there, after.si + 2 * after.u, first.si)
        except InputError as bad:
            raise InputError(
                self.p("first_pole_after" if bad.field == "after" else "first_pole"),
                bad.message,
                given=h.first_pole_after.entered if h.first_pole_after else None,
                allowed=bad.allowed,
            ) from None
        return found / volts
