"""Packs in the spaces drawn for them: how far each may still go, and where one would lie in another."""

from __future__ import annotations

from itertools import combinations
from typing import NamedTuple

from ...document import Pack, Space
from ...errors import CannotSay, Gap, InputError, or_none
from ...figure.trace import above_zero
from ...judging.subjects import Subject
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...resolved.references import Axis

# Along each axis: the field of a pack's place and of its size, and those of a space's sides.
PLACES: dict[Axis, tuple[str, str, str, str]] = {
    "x": ("station", "length", "forward", "aft"),
    "y": ("butt_line", "width", "port", "starboard"),
    "z": ("water_line", "height", "low", "high"),
}
# What a way on and a way back are called along each axis.
WAYS: dict[Axis, tuple[str, str]] = {"x": ("aft", "forward"), "y": ("to starboard", "to port"), "z": ("up", "down")}
# What the tape does not show, m.
_TAPE_M = 0.0005


class Stowed(NamedTuple):
    """A pack with what is known of it along each axis: its middle and its size, m; the sides of its space, m, None
    where open."""

    pointer: str
    name: str
    pack: Pack
    space: Space | None
    middle: dict[Axis, float]
    size: dict[Axis, float]
    sides: dict[Axis, tuple[float | None, float | None]]
    needs: list[Gap]
    space_pointer: str = ""

    def room(self, axis: Axis) -> tuple[float, float] | None:
        """How far its middle may go from where it is, m, back (negative) and on; None where that cannot be said, or
        nothing bounds it. Both of one sign where it lies outside; the first above the second where it is too large for
        its space."""
        low, high = self.sides.get(axis, (None, None))
        if low is None or high is None or axis not in self.middle or axis not in self.size:
            return None
        half = self.size[axis] / 2
        return low + half - self.middle[axis], high - half - self.middle[axis]

    def outside(self) -> list[tuple[Axis, float, bool]]:
        """Axes along which it lies outside: by how much it must move, m, and whether it can be inside at all."""
        found = []
        for axis in PLACES:
            low, high = self.sides.get(axis, (None, None))
            if axis not in self.middle or axis not in self.size:
                continue
            half, at = self.size[axis] / 2, self.middle[axis]
            fits = low is None or high is None or high - low > 2 * half - _TAPE_M
            if low is not None and at - half < low - _TAPE_M:
                found.append((axis, low - at + half, fits))
            elif high is not None and at + half > high + _TAPE_M:
                found.append((axis, high - at - half, fits))
        return found


def space_sides(resolved: Resolved, space: Space, base: str, axis: Axis) -> tuple[float | None, float | None]:
    """The two sides of a space, m. Raises InputError where the second does not lie beyond the first."""
    _, _, first, second = PLACES[axis]
    made: list[float | None] = []
    for part in (first, second):
        figure = getattr(space, part)
        at = f"{base}/{part}"
        what = f"{part} side of {space.name}"
        made.append(None if figure is None else resolved.references.place(figure, at, what, axis).value)
    low, high = made
    if low is not None and high is not None and high <= low:
        raise InputError(
            f"{base}/{second}",
            f"{space.name}: its {second} side does not lie beyond its {first} side",
            allowed="a place beyond the other side",
        )
    return low, high


def packs_of(resolved: Resolved) -> list[Subject[tuple[ResolvedInstallation, Pack]]]:
    """Every pack of the fit with its installation, in order."""
    return [
        Subject(key, pack.name, (placed, pack))
        for placed in resolved.installations
        for key, pack in sorted(placed.installation.packs.items(), key=lambda p: (p[1].rank, p[0]))
    ]


def stowed(resolved: Resolved) -> list[Stowed]:
    """Every pack of the fit as it lies. Raises InputError for a space that is inside out."""
    return [as_it_lies(resolved, placed, key, pack) for key, _, (placed, pack) in packs_of(resolved)]


def as_it_lies(resolved: Resolved, placed: ResolvedInstallation, key: str, pack: Pack) -> Stowed:
    """A pack in its space. Raises InputError where that is inside out."""
    base = f"{placed.pointer}/packs/{key}"
    fit = resolved.fit
    space = fit.spaces.get(pack.space) if fit is not None and pack.space is not None else None
    middle: dict[Axis, float] = {}
    size: dict[Axis, float] = {}
    sides: dict[Axis, tuple[float | None, float | None]] = {}
    needs: list[Gap] = []
    for axis, (part, extent, _, _) in PLACES.items():
        at = or_none(
            lambda a=axis, p=part: (
                resolved.references.place(
                    getattr(pack, p), f"{base}/{p}", f"{p.replace('_', ' ')} of {pack.name}", a
                ).value
            )
        )
        long = or_none(lambda e=extent: above_zero(getattr(pack, e), f"{base}/{e}", f"{e} of {pack.name}"))
        if at is not None:
            middle[axis] = at
        if long is not None:
            size[axis] = long
        if space is None:
            continue
        sides[axis] = space_sides(resolved, space, f"/fits/{resolved.fit_id}/spaces/{pack.space}", axis)
        if sides[axis] != (None, None):
            if at is None:
                needs.append(Gap(f"{base}/{part}", f"{part.replace('_', ' ')} of {pack.name}"))
            if long is None:
                needs.append(Gap(f"{base}/{extent}", f"{extent} of {pack.name}", allowed="above zero"))
    return Stowed(
        base, pack.name, pack, space, middle, size, sides, needs, f"/fits/{resolved.fit_id}/spaces/{pack.space}"
    )


def measured_whole(resolved: Resolved, key: str, placed: ResolvedInstallation, pack: Pack) -> Stowed:
    """A pack with its three places and its three sizes, whatever space it is meant for. Raises CannotSay for each that
    is missing."""
    lies = as_it_lies(resolved, placed, key, pack.model_copy(update={"space": None}))
    missing = []
    for axis, (part, extent, _, _) in PLACES.items():
        if axis not in lies.middle:
            missing.append(Gap(f"{lies.pointer}/{part}", f"{part.replace('_', ' ')} of {pack.name}"))
        if axis not in lies.size:
            missing.append(Gap(f"{lies.pointer}/{extent}", f"{extent} of {pack.name}", allowed="above zero"))
    if missing:
        raise CannotSay(*missing)
    return lies


class Apart(NamedTuple):
    """Two packs, the axis along which they lie furthest apart, first before second, and the gap between them there, m;
    below zero one lies in the other."""

    first: Stowed
    second: Stowed
    axis: Axis
    gap_m: float


def gaps(packs: list[Stowed]) -> list[Apart]:
    """The gap between every two packs whose places and sizes are all known."""
    made = []
    whole = [p for p in packs if len(p.middle) == len(p.size) == len(PLACES)]
    for a, b in combinations(whole, 2):
        apart = lambda axis, a=a, b=b: abs(a.middle[axis] - b.middle[axis]) - (a.size[axis] + b.size[axis]) / 2
        axis = max(PLACES, key=apart)
        first, second = (a, b) if a.middle[axis] <= b.middle[axis] else (b, a)
        made.append(Apart(first, second, axis, apart(axis)))
    return made
