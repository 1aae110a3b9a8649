"""The line of masses and springs between the unit and its propeller, all at the speed of the crank."""

from __future__ import annotations

import math
from collections.abc import Callable
from itertools import pairwise
from typing import Literal, NamedTuple

from ...document.drive import Twisting
from ...errors import CannotSay, Gap, InputError, ask_all
from ...figure.reads import Read, combined, read
from ...figure.trace import above_zero, need
from ...formula import record
from ...judging.finding import Level
from ...physics.torsion import (
    Crossing,
    Order,
    Weight,
    crossings,
    firing_orders,
    frequencies,
    inertia_by_swing,
    swing_period,
)
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...resolved.ratios import along_the_train
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..train.quantities import Train

# Share of m·D² that a propeller's inertia is taken for: tapered blades, and a plain bar. From memory.
_SHAPES = ((0.045, "of tapered blades"), (1 / 12, "of blades as a plain bar"))
# What water adds to a propeller that turns in it. Common practice, no source.
_ENTRAINED = ((0.20, "a fifth"), (0.35, "a third"))
# Shares of a speed within which a crossing stops, and is watched. Common practice, no source.
NEAR, CLOSE = 0.10, 0.20
# Beyond the fastest speed by so much a crossing is not drawn. Proposed.
_DRAWN = 1.2
# What a thumb on a stopwatch is off, s; how well the inertia is wanted.
_THUMB_S, _WITHIN = 0.2, 0.01

Zone = Literal["below idle", "idle", "between", "working", "above"]


class Rotor(NamedTuple):
    """A propeller's inertia and how it is known."""

    read: Read
    words: str


class Meeting(NamedTuple):
    """A crossing with the zone of the tachometer that it lies in, and how far from idle and from the working band, as
    it stands and with its doubt, as shares of the speed."""

    crossing: Crossing
    zone: Zone
    off_idle: float
    off_working: float
    off_idle_doubted: float
    off_working_doubted: float
    shape: str


@record
class CrossingOut:
    """A crossing as drawn."""

    order: float
    name: str
    weight: Weight
    mode: int
    at_si: float
    low_si: float
    high_si: float
    zone: Zone
    level: Level


@record
class ModeOut:
    """A natural frequency, at least and at most by its doubt, rad/s."""

    low_si: float
    high_si: float


@record
class OrderOut:
    """An order as drawn."""

    per_turn: float
    weight: Weight


@record
class TorsionOut:
    """The crossing plot: modes with their doubt, orders, the zones of the tachometer, rad/s."""

    modes: list[ModeOut]
    orders: list[OrderOut]
    idle_si: float
    from_si: float
    to_si: float
    top_si: float
    crossings: list[CrossingOut]


class Torsion(Topic):
    """What twists between one piston unit and its propeller."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.unit = placed.installation.unit
        self.drive = placed.installation.drive
        self.propeller = placed.installation.propeller
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def fired(self) -> bool:
        """Whether it drives a propeller, fired by pistons or rotors: what else turns shakes little."""
        drives = self.resolved.has("air propeller") or self.resolved.has("marine propeller")
        return drives and self.unit.kind not in ("electric", "turbine")

    def p(self, path: str) -> str:
        """Pointer of a part of the installation."""
        return f"{self.train.pointer}/{path}"

    @property
    def line(self) -> list[tuple[str, Twisting]]:
        """What twists, from the unit on. Raises CannotSay where nothing was said."""
        items = self.drive.line
        if not items:
            raise CannotSay(Gap(self.p("drive/line"), f"what twists between the {self.train.name} and its propeller"))
        if len(items) == 1:
            return list(items.items())
        places = ask_all(*(lambda k=k, t=t: self._place(k, t) for k, t in items.items()))
        return [(k, t) for _, k, t in sorted(places, key=lambda p: p[0])]

    def _place(self, key: str, item: Twisting) -> tuple[float, str, Twisting]:
        at = self.p(f"drive/line/{key}/place")
        return need(item.place, at, f"place of {item.name} along the line, 1 at the unit").si, key, item

    def _ratio_behind(self, count: float, key: str) -> float:
        """Speed of the crank over the speed behind so many stages."""
        stages = along_the_train(self.drive)
        if count > len(stages):
            raise InputError(
                self.p(f"drive/line/{key}/behind"),
                "behind more stages than the reduction has",
                given=str(int(count)),
                allowed=f"0 to {len(stages)}",
            )
        return self.train.ratio_before(count)

    def _element(self, key: str, item: Twisting, last: bool) -> tuple[Read, float, Read | None]:
        """Stiffness of what twists, speed of the crank over its own, and the inertia at its far end but the last."""
        at = self.p(f"drive/line/{key}")
        stiffness = lambda: read(item.stiffness, f"{at}/stiffness", f"stiffness in twist of {item.name}", self.school)
        behind = lambda: read(
            item.behind, f"{at}/behind", f"how many stages lie before {item.name}", self.school, zero=True
        )
        end = lambda: read(item.inertia, f"{at}/inertia", f"inertia at the far end of {item.name}", self.school)
        if last:
            k, stages = ask_all(stiffness, behind)
            return k, self._ratio_behind(stages.si, key), None
        k, stages, j = ask_all(stiffness, behind, end)
        return k, self._ratio_behind(stages.si, key), j

    @lazy
    def elements(self) -> list[tuple[Read, float, Read | None]]:
        """Every element of the line. Raises CannotSay, InputError where one lies before a stage that an earlier one
        lies behind."""
        line = self.line
        made = list(
            ask_all(*(lambda k=k, t=t, n=n: self._element(k, t, n == len(line) - 1) for n, (k, t) in enumerate(line)))
        )
        for (_, a), (key, b) in pairwise(line):
            if a.behind is not None and b.behind is not None and b.behind.si < a.behind.si:
                raise InputError(
                    self.p(f"drive/line/{key}/behind"),
                    f"{b.name} comes after {a.name}, which lies behind more stages",
                    given=b.behind.entered,
                    allowed=f"{a.behind.entered} or more, or another place along the line",
                )
        return made

    @lazy
    def crank(self) -> Read:
        """Inertia of crank and flywheel, kg·m²."""
        return read(
            self.unit.inertia, self.p("unit/inertia"), f"inertia of what turns in the {self.train.name}", self.school
        )

    @lazy
    def swing_terms(self) -> tuple[Read, Read, Read, Read]:
        """Mass, strings apart, one swing and strings' length. Raises CannotSay."""
        s, at = self.propeller.swing, self.p("propeller/swing")
        mass, apart, strings, count, took = ask_all(
            self._mass,
            lambda: read(s.apart, f"{at}/apart", "how far apart the two strings hang", self.school),
            lambda: read(s.strings, f"{at}/strings", "length of the two strings", self.school),
            lambda: read(s.swings, f"{at}/swings", "how many swings were timed", self.school),
            lambda: read(s.took, f"{at}/took", "how long the swings took", self.school),
        )
        period = Read(took.si / count.si, math.hypot(took.u, _THUMB_S / 2) / count.si)
        return mass, apart, period, strings

    @lazy
    def swung(self) -> Read:
        """The propeller's inertia by its swing test, kg·m². Raises CannotSay."""
        made = combined(inertia_by_swing, *self.swing_terms)
        return Read(made.value, made.u)

    def _mass(self) -> Read:
        what = f"mass of the propeller ({self.train.name})"
        return read(self.propeller.mass, self.p("propeller/mass"), what, self.school)

    @property
    def swing_begun(self) -> bool:
        """Whether anything of the swing test was written down."""
        s = self.propeller.swing
        return any(f is not None for f in (s.apart, s.strings, s.swings, s.took))

    @lazy
    def inertias(self) -> list[Rotor]:
        """The propeller's inertia: as typed, by its swing, or of two shapes by mass and diameter; in water with what it
        drags along, at least and at most. kg·m². Raises CannotSay."""
        if self.propeller.inertia is not None:
            dry = [self._typed]
        elif self.swing_begun:
            dry = [Rotor(self.swung, "by its swing")]
        else:
            dry = self._shaped
        if not self.resolved.has("marine propeller"):
            return dry
        return [
            Rotor(Read(j.si * (1 + wet), j.u * (1 + wet)), f"{words}, {more} more in the water")
            for j, words in dry
            for wet, more in _ENTRAINED
        ]

    @property
    def _typed(self) -> Rotor:
        what = f"polar inertia of the propeller ({self.train.name})"
        return Rotor(read(self.propeller.inertia, self.p("propeller/inertia"), what, self.school), "as typed")

    @property
    def _shaped(self) -> list[Rotor]:
        what = f"diameter of the propeller ({self.train.name})"
        mass, across = ask_all(
            self._mass, lambda: above_zero(self.propeller.diameter, self.p("propeller/diameter"), what)
        )
        return [
            Rotor(Read(k * mass.si * across**2, k * mass.u * across**2), f"by mass and diameter, {w}")
            for k, w in _SHAPES
        ]

    def modes(
        self, propeller: Read, stiffness: Callable[[int, float], float] = lambda _, k: k
    ) -> list[tuple[float, float]]:
        """Natural frequencies with their doubt (two standard deviations), rad/s. stiffness: another one of an element
        by its place in the line."""
        crank, elements = ask_all(lambda: self.crank, lambda: self.elements)
        reads = [crank, propeller, *(e[0] for e in elements), *(e[2] for e in elements if e[2] is not None)]
        n, overall = len(elements), self.placed.ratio

        def solved(*values: float) -> list[float]:
            first, last, springs, between = values[0], values[1], values[2 : 2 + n], values[2 + n :]
            speed = [e[1] for e in elements]
            # What turns slower weighs, and holds, less by the square of the ratio.
            masses = [first, *(j / r**2 for j, r in zip(between, speed, strict=False)), last / overall**2]
            return frequencies(
                masses, [stiffness(i, k) / r**2 for i, (k, r) in enumerate(zip(springs, speed, strict=True))]
            )

        values = [r.si for r in reads]
        base = solved(*values)
        moved = [0.0] * len(base)
        for i, r in enumerate(reads):
            if r.u > 0:
                there = solved(*values[:i], r.si + min(r.u, 0.9 * r.si), *values[i + 1 :])
                moved = [m + (t - b) ** 2 for m, t, b in zip(moved, there, base, strict=True)]
        return [(w, 2 * math.sqrt(m)) for w, m in zip(base, moved, strict=True)]

    @lazy
    def orders(self) -> list[Order]:
        """What excites, per turn of the crank. Raises CannotSay."""
        unit, name = self.unit, self.train.name
        cylinders, kind, layout = ask_all(
            lambda: above_zero(unit.cylinders, self.p("unit/cylinders"), f"cylinders of the {name}"),
            lambda: self._said(unit.kind, "unit/kind", f"whether the {name} is a two-stroke or a four-stroke"),
            lambda: self._said(unit.layout, "unit/layout", f"layout of the {name}"),
        )
        if cylinders > 1 and layout != "rotor" and unit.fires is None:
            raise CannotSay(Gap(self.p("unit/fires"), f"whether the {name} fires evenly"))
        # A rotor gives one pulse a turn of its shaft, as a cylinder of a two-stroke does.
        strokes: Literal[2, 4] = 2 if kind == "two-stroke" or layout == "rotor" else 4
        made = firing_orders(int(cylinders), strokes, unit.fires != "unevenly")
        blades, ratio = self.propeller.blades, self.placed.ratio
        if blades is None:
            raise CannotSay(Gap(self.p("propeller/blades"), f"number of blades ({name})"))
        # Behind a wing each blade is shaken once a turn, and nothing damps it; behind a hull the water does. Proposed.
        return [*made, Order(blades.si / ratio, "major" if self.placed.pushes else "minor", "blades")]

    def _said(self, value: str | None, path: str, what: str) -> str:
        if value is None:
            raise CannotSay(Gap(self.p(path), what))
        return value

    @lazy
    def speeds(self) -> tuple[float, float, float]:
        """Idle, and the speeds between which it works, rad/s."""
        name = self.train.name
        idle, low, high = ask_all(
            lambda: above_zero(self.unit.idle_speed, self.p("unit/idle_speed"), f"idle speed of the {name}"),
            lambda: above_zero(
                self.drive.works_from, self.p("drive/works_from"), f"slowest speed of the {name} in steady work"
            ),
            lambda: max(speed for _, speed in self.train.claims),
        )
        if not idle < low < high:
            raise InputError(
                self.p("drive/works_from"),
                "it works between its idle and its rated speed",
                given=self.drive.works_from.entered if self.drive.works_from else "",
                allowed="above idle, under the rated speed",
            )
        return idle, low, high

    def meetings(self, stiffness: Callable[[int, float], float] = lambda _, k: k) -> list[Meeting]:
        """Every crossing, of whichever shape of the propeller. Raises CannotSay."""
        inertias, _, _, orders, (idle, low, high) = ask_all(
            lambda: self.inertias,
            lambda: self.crank,
            lambda: self.elements,
            lambda: self.orders,
            lambda: self.speeds,
        )
        return [
            _met(c, idle, low, high, inertia.words)
            for inertia in inertias
            for c in crossings(self.modes(inertia.read, stiffness), orders, _DRAWN * high)
        ]

    @lazy
    def all_meetings(self) -> list[Meeting]:
        """Every crossing as the line stands."""
        return self.meetings()

    @lazy
    def swing_plan(self) -> tuple[float, int]:
        """How long one swing will last, s, and how many are timed for an inertia within 1 %. Raises CannotSay."""
        s, at = self.propeller.swing, self.p("propeller/swing")
        mass, apart, strings, guesses = ask_all(
            self._mass,
            lambda: above_zero(s.apart, f"{at}/apart", "how far apart the two strings hang"),
            lambda: above_zero(s.strings, f"{at}/strings", "length of the two strings"),
            lambda: self._shaped if self.propeller.inertia is None else [self._typed],
        )
        period = swing_period(sum(j.read.si for j in guesses) / len(guesses), mass.si, apart, strings)
        return period, math.ceil(2 * _THUMB_S / (_WITHIN * period))


def _off(low: float, high: float, nearest: float, farthest: float) -> float:
    """How far a stretch of speeds lies from a band, as a share of the edge it is nearest to; 0 where they overlap."""
    if high < nearest:
        return (nearest - high) / nearest
    return (low - farthest) / farthest if low > farthest else 0.0


def _met(c: Crossing, idle: float, low: float, high: float, shape: str) -> Meeting:
    zone: Zone = (
        "working"
        if _off(c.at, c.at, low, high) < CLOSE
        else "idle"
        if _off(c.at, c.at, idle, idle) < CLOSE
        else "below idle"
        if c.at < idle
        else "between"
        if c.at < low
        else "above"
    )
    return Meeting(
        c,
        zone,
        _off(c.at, c.at, idle, idle),
        _off(c.at, c.at, low, high),
        _off(c.low, c.high, idle, idle),
        _off(c.low, c.high, low, high),
        shape,
    )
