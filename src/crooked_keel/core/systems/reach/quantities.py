"""What must be reached with the unit in place."""

from __future__ import annotations

from ...document.systems import Access
from ..lane import Lane

# What is reached again and again, by the kind of unit; and of a boat besides. Facts of the trade.
NEEDED = {
    "piston": ("oil filter", "dipstick", "plugs or injectors", "air filter", "fuel filter", "drain"),
    "turbine": ("oil filter", "dipstick", "igniters", "fuel filter", "drain"),
    "electric": ("service plug", "main fuse", "cooling pump", "plugs of the controller"),
}
AFLOAT = ("sea cock", "strainer", "impeller", "bilge pump", "stuffing box")


class Reached(Lane):
    """Access to what surrounds one unit."""

    part = "access"

    @property
    def needed(self) -> list[str]:
        """What must be reached of this unit in this craft."""
        kind = self.unit.kind
        sort = kind if kind in NEEDED else "piston"
        own = list(NEEDED[sort])
        if self.resolved.has("afloat"):
            own += [n for n in AFLOAT if kind != "electric" or n in ("bilge pump", "stuffing box")]
        return own

    @property
    def said(self) -> list[tuple[str, Access]]:
        """What was said of each, in order."""
        return sorted(self.systems.access.items(), key=lambda i: (i[1].rank, i[0]))

    @property
    def not_said(self) -> list[str]:
        """What nobody said anything of."""
        named = {a.name.casefold() for _, a in self.said if a.reached is not None}
        return [n for n in self.needed if n.casefold() not in named]
