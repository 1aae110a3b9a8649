"""What each support carries, level and empty, before and after the work."""

from __future__ import annotations

from ...errors import CannotSay
from ...resolved.craft import Resolved
from ...resolved.wheels import Wheels
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import Footprint, Warp
from ..ledger.functions import Centre, support_reactions
from ..ledger.quantities import Ledger


class OnSupports(Topic):
    """Masses on the supports. supports: name, station and butt line of each, from the craft bench. Four wheels keep the
    warp that they were weighed with, which no change of mass takes away."""

    def __init__(
        self,
        resolved: Resolved,
        ledger: Ledger,
        supports: Footprint,
        wheels: Wheels | None,
        warp: Warp,
    ) -> None:
        self.resolved = resolved
        self.ledger = ledger
        self._supports = supports
        self._wheels = wheels
        self.warp = warp

    @lazy
    def before(self) -> list[tuple[str, float]]:
        """Name of each support and kg on it, as found."""
        across = lambda: self.ledger.before_y.station_m
        return self._reactions(self.ledger.before, 0.0 if self.resolved.in_line else across(), {})

    @lazy
    def after(self) -> list[tuple[str, float]]:
        """The same after the work."""
        return self._reactions(self.ledger.empty, self._across_m(), self._stretch)

    @lazy
    def engine_out(self) -> list[tuple[str, float]]:
        """The same with the old unit out and nothing put in."""
        return self._reactions(self.ledger.engine_out, self._across_m(), {})

    def _across_m(self) -> float:
        return 0.0 if self.resolved.in_line else self.ledger.empty_y.station_m

    def _reactions(self, centre: Centre, y_m: float, stretch: dict[str, float]) -> list[tuple[str, float]]:
        if isinstance(self._supports, CannotSay):
            raise CannotSay(*self._supports.needs)
        places = [(x + stretch.get(name, 0.0), y) for name, (x, y) in self._supports]
        loads = support_reactions(centre.mass_kg, centre.station_m, y_m, places)
        return [(name, load + self.warp.get(name, 0.0)) for (name, _), load in zip(self._supports, loads, strict=True)]

    def cross(self, after: bool) -> float:
        """Starboard front with port rear, as a share, empty; of four wheels."""
        loads = dict(self.after if after else self.before)
        places = dict(self._supports) if not isinstance(self._supports, CannotSay) else {}
        middle = sum(x for x, _ in places.values()) / len(places)
        crossed = [loads[n] for n, (x, y) in places.items() if (x < middle) == (y > 0)]
        return sum(crossed) / sum(loads.values())

    @property
    def _stretch(self) -> dict[str, float]:
        """How far wheels move aft in this fit, by their names, m."""
        if self._wheels is None:
            return {}
        return {s.name: self.resolved.stretch_m for _, s in self._wheels.supports if s.role == "rear"}
