"""Oil of one unit: its marks, its tank, where it is drawn from."""

from __future__ import annotations

import math
from functools import partial
from typing import NamedTuple

from ...document.systems import Oil
from ...errors import CannotSay, Gap, InputError, ask_all
from ...figure.reads import Read
from ...topic.lazy import lazy
from ..lane import Lane
from .functions import Corner, area

# More is no heel and no bend, rad.
STEEPEST = math.radians(80)


class Marks(NamedTuple):
    """Oil at the lower mark, to run with, and at the most, m³."""

    least: Read
    run: Read
    most: Read


class Oiled(Lane):
    """Oil of one unit."""

    part = "oil"
    begins = "kept_in"
    begins_words = "where its oil is kept"

    @property
    def o(self) -> Oil:
        """What is entered."""
        return self.systems.oil

    @lazy
    def kept_in(self) -> str:
        """Where the oil is kept."""
        return self.chosen(self.o.kept_in, "kept_in", f"where the oil of the {self.placed.name} is kept")

    def volume(self, part: str, what: str) -> Read:
        """A volume."""
        return self.read(getattr(self.o, part), self.p(part), what)

    @lazy
    def marks(self) -> Marks:
        """The three marks. Raises InputError where they are not in their order."""
        words = (("least", "oil at the lower mark"), ("run", "oil to run with"), ("most", "most oil, by its maker"))
        least, run, most = ask_all(*[partial(self.volume, part, what) for part, what in words])
        if not least.si <= run.si <= most.si:
            raise InputError(
                self.p("run"),
                "lower mark, what to run with and the most are not in that order",
                given=", ".join(f.entered for f in (self.o.least, self.o.run, self.o.most) if f is not None),
                allowed="each not below the one before it",
            )
        return Marks(least, run, most)

    @lazy
    def outline(self) -> list[Corner]:
        """Corners of the tank: aft, up. Raises CannotSay, InputError."""
        points = sorted(self.o.outline.items(), key=lambda i: (i[1].rank, i[0]))
        if len(points) < 3:
            raise CannotSay(Gap(self.p("outline"), "outline of the tank or sump from the side, three corners or more"))
        asks = []
        for key, corner in points:
            at, of = self.p(f"outline/{key}"), f"{corner.name} of the tank"
            asks.append(partial(self.read, corner.aft, f"{at}/aft", f"{of}, aft of its front", True))
            asks.append(partial(self.read, corner.up, f"{at}/up", f"{of}, over its bottom", True))
        reads = ask_all(*asks)
        corners = [(x.si, z.si) for x, z in zip(reads[::2], reads[1::2], strict=True)]
        if area(corners) < 1e-6:
            raise InputError(
                self.p("outline"), "the corners lie in one line", allowed="corners in their order round the tank"
            )
        return corners

    @lazy
    def width(self) -> Read:
        """Width of the tank, m."""
        return self.read(self.o.width, self.p("width"), "width of the tank or sump")

    @lazy
    def pickup(self) -> Corner:
        """Where it is drawn from: aft, up."""
        aft, up = ask_all(
            lambda: self.read(
                self.o.pickup_aft, self.p("pickup_aft"), "the pickup, aft of the tank's front", zero=True
            ),
            lambda: self.read(self.o.pickup_up, self.p("pickup_up"), "the pickup, over the tank's bottom", zero=True),
        )
        return aft.si, up.si

    @property
    def feels_side(self) -> bool:
        """Whether the oil goes to a side: a boat heels, a car goes round a bend; what banks into its turn does not."""
        return self.resolved.has("afloat") or self.resolved.has("corners")

    @lazy
    def side(self) -> float:
        """The furthest that the oil lies over to a side while the unit runs, rad. Raises InputError."""
        what = (
            "heel to reckon with while it runs" if self.resolved.has("afloat") else "how far a bend lays the oil over"
        )
        side = self.read(self.o.side, self.p("side"), what, zero=True)
        if side.si + 2 * side.u > STEEPEST:
            raise InputError(self.p("side"), "with its ± it may lie on its side", allowed="80° with its ± at the most")
        return side.si + 2 * side.u

    @lazy
    def across(self) -> float:
        """The furthest that the pickup may be off the middle of the tank's width, m. Raises InputError."""
        what = "the pickup, off the middle of the tank's width"
        at = self.p("pickup_across")
        off, width = ask_all(lambda: self.read(self.o.pickup_across, at, what, zero=True), lambda: self.width)
        if off.si > width.si / 2:
            raise InputError(at, "the pickup would be outside the tank", allowed="half of the tank's width or less")
        return off.si + 2 * off.u

    @lazy
    def attitudes(self) -> list[tuple[str, float]]:
        """The steepest that the craft goes while the unit runs: words, and nose up, rad."""
        up, down = ask_all(
            lambda: self.read(self.o.nose_up, self.p("nose_up"), "steepest nose up while it runs", zero=True),
            lambda: self.read(self.o.nose_down, self.p("nose_down"), "steepest nose down while it runs", zero=True),
        )
        return [("nose up", up.si + 2 * up.u), ("level", 0.0), ("nose down", -down.si - 2 * down.u)]
