"""What an installation weighs, part by part: bodies with their places, and what hangs on the unit beside its mass."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Protocol

from ..document import Accessory, Installation
from ..errors import ask_all, or_gap
from ..figure.kinds import Mass
from ..figure.trace import Origin, Traced
from .references import Body, References

Local = tuple[Traced, Traced, Traced]


class HasPlace(Protocol):
    """What is read here of an installation placed in the craft."""

    installation: Installation
    references: References

    @property
    def name(self) -> str:
        """What people call the unit."""
        ...

    @property
    def unit_cg(self) -> Local:
        """CG of the unit."""
        ...

    @property
    def drive_cg(self) -> Local:
        """CG of the reduction."""
        ...

    @property
    def propeller_centre(self) -> Local:
        """Hub of the propeller."""
        ...

    @property
    def mount_cg(self) -> Local:
        """CG of the mount."""
        ...

    @property
    def accessories_on_top(self) -> list[tuple[str, Accessory]]:
        """What comes on top of the quoted mass."""
        ...

    def p(self, path: str) -> str:
        """Pointer of a part of the installation."""
        ...


def bodies_of(placed: HasPlace) -> list[Body]:
    """Unit, reduction if there is one, propeller, mount and packs as bodies, present."""
    i, has = placed.installation, placed.references.has
    asks: list[tuple[str, str, Mass | None, Callable[[], Local]]] = [
        ("unit", placed.name, i.unit.mass, lambda: placed.unit_cg)
    ]
    if has("air propeller") or has("marine propeller"):
        if i.drive.stages or i.drive.mass is not None:
            asks.append(("drive", "Reduction", i.drive.mass, lambda: placed.drive_cg))
        asks.append(("propeller", "Propeller", i.propeller.mass, lambda: placed.propeller_centre))
    if has("spring points"):
        asks.append(("mount", "Mount", i.mount.mass, lambda: placed.mount_cg))
    made = []
    for part, name, mass, at in asks:
        what = f"mass of the {name}" if part == "unit" else f"mass of the {name.lower()} ({placed.name})"
        x, y, z = (or_gap(lambda k=k, at=at: at()[k]) for k in range(3))
        kilograms = or_gap(lambda m=mass, p=part, w=what: placed.references.measured(m, placed.p(f"{p}/mass"), w))
        made.append(Body(part, name, "installed", 1, placed.p(part), kilograms, x, y, z, derived=True))
    for key, pack in sorted(i.packs.items(), key=lambda p: (p[1].rank, p[0])):
        base, what = placed.p(f"packs/{key}"), f"mass of the {pack.name} ({placed.name})"
        mass_of = or_gap(lambda p=pack, b=base, w=what: placed.references.measured(p.mass, f"{b}/mass", w))
        at_ = placed.references.position(pack, base, pack.name)
        made.append(Body(f"pack-{key}", pack.name, "installed", 1, base, mass_of, *at_, derived=True))
    return made


def hung_bodies(placed: HasPlace) -> list[Body]:
    """What comes on top of the mass of the unit: somewhere on it, within half its length of its CG along the craft."""
    made = []
    for key, accessory in placed.accessories_on_top:
        base, what = placed.p(f"unit/accessories/{key}"), f"mass of the {accessory.name} ({placed.name})"
        mass = or_gap(lambda a=accessory, b=base, w=what: placed.references.measured(a.mass, f"{b}/mass", w))
        x = or_gap(lambda b=base, n=accessory.name: _somewhere(placed, b, n))
        y, z = (or_gap(lambda k=k: placed.unit_cg[k]) for k in (1, 2))
        made.append(Body(f"on-top-{key}", accessory.name, "installed", 1, base, mass, x, y, z, derived=True))
    return made


def _somewhere(placed: HasPlace, pointer: str, name: str) -> Traced:
    """Station of the unit's CG, within half the unit's length, an even chance of each place."""
    what = f"length of the {placed.name} from its flange"
    length = lambda: placed.references.measured(placed.installation.unit.length, placed.p("unit/length"), what)
    ask_all(lambda: placed.unit_cg, length)
    u = length().value / math.sqrt(12)
    where = Origin.of(pointer, u, f"where on the {placed.name} the {name} sits", "estimated")
    return placed.unit_cg[0] + Traced(0.0, {where: 1.0})
