"""Named places to measure from, and bodies placed by them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from ..document import Instrument, Project, Reference
from ..errors import CannotSay, InputError, or_gap
from ..figure.base import Figure
from ..figure.doubt import School, std_uncertainty
from ..figure.place import DIRECTIONS, Place
from ..figure.trace import Origin, Traced, need, traced
from ..reference.kinds import KINDS, Form, Kind
from ..topic.reading import Topic

FIXED_ORIGINS = {"datum", "centreline", "level line"}


Axis = Literal["x", "y", "z"]


Maybe = Traced | CannotSay


def got(maybe: Maybe) -> Traced:
    """The number, or raise what it needs."""
    if isinstance(maybe, CannotSay):
        raise CannotSay(*maybe.needs)
    return maybe


def as_stated(figure: Figure | None, pointer: str, what: str) -> Traced:
    """A load that defines a named case: exact by definition unless it was typed with a ±."""
    number = traced(figure, pointer, what)
    assert figure is not None
    return number if figure.plus_minus is not None else Traced(number.value)


@dataclass(frozen=True, slots=True)
class Body:
    """A mass at a place. sign +1 present, −1 taken out. Each number may still be missing."""

    id: str
    name: str
    kind: Literal["as found", "removed", "installed", "kept", "loaded"]
    sign: int
    pointer: str
    mass: Maybe
    x: Maybe
    y: Maybe
    z: Maybe
    derived: bool = False

    def axis(self, axis: Axis) -> Maybe:
        """The coordinate along an axis."""
        return self.x if axis == "x" else self.y if axis == "y" else self.z


def kind_of(project: Project) -> Kind:
    """The kind of craft, with its forms and its words."""
    return KINDS[project.kind]


class References(Topic):
    """Named places to measure from, resolved to distances from the datum; and the kind of craft with its words."""

    as_a_whole = True

    def __init__(
        self,
        kind: str,
        layout: str,
        named: Mapping[str, Reference],
        instruments: Mapping[str, Instrument],
        school: School,
    ) -> None:
        self.kind: Kind = KINDS[kind]
        self.layout = layout
        self.named = named
        self.instruments = instruments
        self.school = school
        self._kept: dict[str, tuple[Figure, str, Traced]] = {}

    def measured(self, figure: Figure | None, pointer: str, what: str) -> Traced:
        """A figure as a traced number, with what its instrument is off, which every figure read with that instrument
        shares."""
        kept = self._kept.get(pointer)
        if kept is not None and kept[0] is figure and kept[1] == what:
            return kept[2]
        made = traced(figure, pointer, what, self.school)
        assert figure is not None
        if figure.instrument is not None:
            made = made + self._instrument(figure, pointer)
        self._kept[pointer] = figure, what, made
        return made

    def _instrument(self, figure: Figure, pointer: str) -> Traced:
        key = figure.instrument or ""
        found = self.instruments.get(key)
        if found is None:
            raise InputError(
                pointer,
                "this figure names an instrument that is not listed",
                given=key,
                allowed=", ".join(self.instruments) or "none yet",
            )
        slopes: dict[Origin, float] = {}
        if found.gain is not None:
            at = f"/instruments/{key}/gain"
            origin = Origin.of(
                at, std_uncertainty(abs(found.gain.si), "maker"), f"what the {found.name} is off", "maker"
            )
            slopes[origin] = figure.along_m if isinstance(figure, Place) else figure.si
        if found.offset is not None and isinstance(figure, Place):
            at = f"/instruments/{key}/offset"
            origin = Origin.of(at, std_uncertainty(found.offset.si, "maker"), f"where the {found.name} begins", "maker")
            slopes[origin] = float(DIRECTIONS[figure.dir])
        return Traced(0.0, slopes)

    def has(self, form: Form) -> bool:
        """Whether the craft has a form."""
        return form in self.kind.forms

    def word(self, name: str) -> str:
        """What the trade calls it."""
        return self.kind.words[name]

    def place(self, figure: Place | None, pointer: str, what: str, axis: Axis) -> Traced:
        """A position figure → traced coordinate on its axis, through its chain of references."""
        return self._follow(need(figure, pointer, what), pointer, what, axis, ())

    def _follow(self, figure: Place, pointer: str, what: str, axis: Axis, seen: tuple[str, ...]) -> Traced:
        own = self.measured(figure, pointer, what)
        if figure.origin in FIXED_ORIGINS:
            return own
        reference = self.named.get(figure.origin)
        if reference is None:
            raise InputError(
                pointer,
                f"{what} is measured from '{figure.origin}', which is not a reference of this craft",
                given=figure.origin,
                allowed=", ".join(["datum", *self.named]),
            )
        if figure.origin in seen:
            raise InputError(pointer, f"the references {' → '.join((*seen, figure.origin))} go round in a circle")
        base = f"/craft/references/{figure.origin}"
        origin: Place | None
        if axis == "x":
            origin, base, name = reference.station, f"{base}/station", f"station of the {reference.name}"
        elif axis == "z":
            origin, base, name = reference.water_line, f"{base}/water_line", f"water line of the {reference.name}"
        else:
            raise InputError(
                pointer,
                f"{what}: butt lines are measured from the centreline",
                given=figure.origin,
                allowed="from the centreline",
            )
        return own + self._follow(need(origin, base, name), base, name, axis, (*seen, figure.origin))

    def position(self, item: object, pointer: str, name: str, prefix: str = "") -> tuple[Maybe, Maybe, Maybe]:
        """Station, butt line and water line of an item of the document; each may be missing."""

        def one(part: str, axis: Axis, words: str) -> Maybe:
            figure = getattr(item, f"{prefix}{part}")
            what = f"{'new ' if prefix else ''}{words} of {name}"
            return or_gap(lambda: self.place(figure, f"{pointer}/{prefix}{part}", what, axis))

        return one("station", "x", "station"), one("butt_line", "y", "butt line"), one("water_line", "z", "water line")

    def firewall_x(self) -> Traced:
        """Station of the firewall."""
        reference = self.named.get("firewall")
        figure = reference.station if reference else None
        return self.place(figure, "/craft/references/firewall/station", "station of the firewall", "x")
