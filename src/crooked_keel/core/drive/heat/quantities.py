"""The oil of a reduction, from a trial."""

from __future__ import annotations

from ...errors import InputError, ask_all, fields
from ...figure.flows import Temperature
from ...figure.reads import Read, combined, read
from ...figure.trace import Uncertain
from ...judging.values import ValueList
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..train.quantities import Train
from .functions import OIL_J_KG_K, conductance, cooled_beside, levels_off, time_constant


class GearOil(Topic):
    """Oil of one reduction."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train) -> None:
        self.train = train
        self.heat = placed.installation.drive.heat
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    def p(self, name: str) -> str:
        """Pointer of a figure."""
        return self.train.p(f"drive/heat/{name}")

    @property
    def begun(self) -> bool:
        """Whether a reading was written down."""
        h = self.heat
        return any(f is not None for f in (h.first, h.second, h.third))

    def _read(self, name: str, what: str) -> Read:
        return read(getattr(self.heat, name), self.p(name), what, self.school)

    @lazy
    def readings(self) -> tuple[Read, Read, Read]:
        """Three readings of the trial, K. Raises CannotSay."""
        return ask_all(
            lambda: self._read("first", "first reading of the reduction's oil, same power throughout"),
            lambda: self._read("second", "second reading, a step later"),
            lambda: self._read("third", "third reading, another step later"),
        )

    @property
    def seen(self) -> Temperature:
        """The hottest reading that was written down; only once one was."""
        written = [f for f in (self.heat.first, self.heat.second, self.heat.third) if f is not None]
        return max(written, key=lambda f: f.si)

    @property
    def runs_away(self) -> bool:
        """Whether three readings rise, and the last step no less than the one before it."""
        first, second, third = self.heat.first, self.heat.second, self.heat.third
        if first is None or second is None or third is None:
            return False
        return 0 < second.si - first.si <= third.si - second.si

    @lazy
    def steady(self) -> Uncertain:
        """Where the oil was heading at that trial, K. Raises CannotSay, InputError where it does not level off."""
        try:
            return combined(levels_off, *self.readings)
        except InputError as bad:
            given = self.heat.third.entered if self.heat.third is not None else ""
            raise InputError(self.p("third"), bad.message, given=given, allowed=bad.allowed) from None

    @lazy
    def hottest(self) -> Uncertain:
        """Where it is heading on the hottest day, K. Raises CannotSay."""
        steady, air, hot = ask_all(
            lambda: self.steady,
            lambda: self._read("air", "temperature of the air at that trial"),
            lambda: self._read("hottest", "temperature of the air on the hottest day"),
        )
        return combined(lambda t, a, h: t - a + h, Read(*steady), air, hot)

    @property
    def steps_ahead(self) -> float:
        """What of a step's rise the next one still had: over 0.8 the figure is drawn far ahead."""
        first, second, third = (r.si for r in self.readings)
        return (third - second) / (second - first)

    @lazy
    def constant(self) -> float:
        """Time constant, s. Raises CannotSay."""
        _, apart, readings = ask_all(
            lambda: self.steady, lambda: self._read("apart", "time between the readings"), lambda: self.readings
        )
        first, second, third = readings
        return time_constant(first.si, second.si, third.si, apart.si)

    @lazy
    def passes(self) -> float:
        """What its case passes to the air, W/K. Raises CannotSay."""
        steady, air, power, efficiency = ask_all(
            lambda: self.steady,
            lambda: self._read("air", "temperature of the air at that trial"),
            lambda: self.train.power,
            lambda: self.train.efficiency,
        )
        return conductance(power, efficiency, steady.value, air.si)

    @lazy
    def beside_terms(self) -> tuple[Read, Read, Read, Read]:
        """Oil and air of the earlier trial and of this one, K. Raises CannotSay."""
        steady, air, earlier, then = ask_all(
            lambda: self.steady,
            lambda: self._read("air", "temperature of the air at that trial"),
            lambda: self._read("earlier", "where the oil levelled off in the earlier trial"),
            lambda: self._read("earlier_air", "temperature of the air at the earlier trial"),
        )
        return earlier, then, Read(*steady), air

    @lazy
    def cooled_beside(self) -> Uncertain:
        """What its case passes beside the earlier trial. Raises CannotSay, InputError."""
        terms = self.beside_terms
        with fields(earlier=self.p("earlier")):
            cooled_beside(*(t.si for t in terms))
        return combined(cooled_beside, *terms)

    @lazy
    def with_twice_the_oil(self) -> float:
        """Time constant with twice the oil, s; where it levels off is the same. Raises CannotSay."""
        constant, passes, oil = ask_all(
            lambda: self.constant, lambda: self.passes, lambda: self._read("oil", "mass of the reduction's oil")
        )
        return constant + oil.si * OIL_J_KG_K / passes

    def values(self, out: ValueList) -> None:
        """Headline values, once a reading is there."""
        if not self.begun:
            return
        out.add(
            "gear-oil",
            "Oil of the reduction levels off, that day",
            "temperature",
            lambda: self.steady,
            working=lambda: levels_off.working(*(r.si for r in self.readings)),
        )
        out.add("gear-constant", "Time constant of its oil", "time", lambda: self.constant, source="three readings")
        out.add(
            "gear-passes",
            "Its case passes to the air",
            "conductance",
            lambda: self.passes,
            working=lambda: conductance.working(
                self.train.power, self.train.efficiency, self.steady.value, self._read("air", "").si
            ),
        )
        if self.heat.earlier is not None or self.heat.earlier_air is not None:
            out.add(
                "gear-beside",
                "Cools so many times as well as in the earlier trial",
                "number",
                lambda: self.cooled_beside,
                working=lambda: cooled_beside.working(*(t.si for t in self.beside_terms)),
            )
        out.add(
            "gear-twice",
            "Time constant with twice the oil; it levels off as hot",
            "time",
            lambda: self.with_twice_the_oil,
            source="heat balance",
        )
