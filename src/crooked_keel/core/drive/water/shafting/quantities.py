"""The propeller shaft of one installation."""

from __future__ import annotations

import math

from ....document.drive import Shaft
from ....errors import CannotSay, Gap, ask_all
from ....figure.reads import Read, combined, read
from ....figure.trace import Traced, Uncertain
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ....topic.supply import Replaced
from ...train.quantities import Train
from ..marine.quantities import AtSea
from .functions import (
    FACTOR,
    METALS,
    SHEAR,
    Metal,
    bolt_shear,
    by_class,
    by_torque,
    key_crush,
    key_shear,
    whirls,
)


class Shafting(Topic):
    """How thick the shaft must be, and how it whirls."""

    def __init__(
        self, resolved: Resolved, placed: ResolvedInstallation, train: Train, sea: AtSea, old: Replaced[Shafting]
    ) -> None:
        self.resolved = resolved
        self.train = train
        self.sea = sea
        self.placed = placed
        self.old = old
        self.shaft: Shaft = placed.installation.drive.shaft
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def begun(self) -> bool:
        """Whether somebody said anything of the shaft."""
        return any(x is not None for x in (self.shaft.diameter, self.shaft.metal, self.shaft.span))

    def _read(self, name: str, what: str, zero: bool = False) -> Read:
        at = self.train.p(f"drive/shaft/{name}")
        return read(getattr(self.shaft, name), at, f"{what} ({self.train.name})", self.school, zero=zero)

    @lazy
    def diameter(self) -> Read:
        """Diameter of the shaft, m."""
        return self._read("diameter", "diameter of the propeller shaft, at its thinnest")

    @lazy
    def metal(self) -> Metal:
        """What it is made of. Raises CannotSay."""
        if self.shaft.metal is None:
            what = f"what the propeller shaft is made of ({self.train.name})"
            raise CannotSay(Gap(self.train.p("drive/shaft/metal"), what))
        return METALS[self.shaft.metal]

    @lazy
    def torque_terms(self) -> tuple[float, float, float, float]:
        """Terms of the diameter by torque: of the claim with the greatest torque. Raises CannotSay."""
        metal, (power, speed), ratio, passed = ask_all(
            lambda: self.metal,
            lambda: self.train.hardest,
            lambda: self.train.ratio,
            lambda: self.sea.efficiency,
        )
        return FACTOR, power * passed, speed / ratio, SHEAR * metal.proof_pa

    @lazy
    def by_torque(self) -> float:
        """Diameter that its torque asks for, m."""
        return by_torque(*self.torque_terms)

    @lazy
    def by_class(self) -> float:
        """Diameter by a class rule, m."""
        _, power, speed, _ = self.torque_terms
        return by_class(power, speed, self.metal.tensile_pa)

    @property
    def keyed(self) -> bool:
        """Whether somebody spoke of its key."""
        s = self.shaft
        return any(f is not None for f in (s.key_width, s.key_height, s.key_length, s.key_at))

    @property
    def bolted(self) -> bool:
        """Whether somebody spoke of the bolts of its coupling."""
        s = self.shaft
        return any(f is not None for f in (s.bolts, s.bolt, s.circle, s.bolts_yield))

    @lazy
    def torque(self) -> float:
        """Torque of the shaft at the claim with the greatest, N·m. Raises CannotSay."""
        (power, speed), ratio, passed = ask_all(
            lambda: self.train.hardest, lambda: self.train.ratio, lambda: self.sea.efficiency
        )
        return power * passed / speed * ratio

    @lazy
    def key(self) -> tuple[Read, Read, Read, Read]:
        """Shaft at the key, width, height and length of the key, m. Raises CannotSay."""
        return ask_all(
            lambda: self._read("key_at", "diameter of the propeller shaft at the middle of its key"),
            lambda: self._read("key_width", "width of the key"),
            lambda: self._read("key_height", "height of the key"),
            lambda: self._read("key_length", "length of the key that bears"),
        )

    @lazy
    def key_used(self) -> Uncertain:
        """Times the torque that crushes or shears the key, of the shaft's metal. Raises CannotSay."""
        return self.key_bears(self.key[3])

    def key_bears(self, long: Read) -> Uncertain:
        """The same of a key that bears on such a length. Raises CannotSay."""
        torque, metal, (at, wide, high, _) = ask_all(lambda: self.torque, lambda: self.metal, lambda: self.key)
        bears = metal.proof_pa

        def reserve(d: float, b: float, h: float, length: float) -> float:
            crushed = bears / key_crush(torque, d, h, length)
            return min(crushed, SHEAR * bears / key_shear(torque, d, b, length))

        return combined(reserve, at, wide, high, long)

    @lazy
    def bolt_terms(self) -> tuple[Read, Read, Read, Read]:
        """Bolts, their circle, diameter and the stress at which they yield. Raises CannotSay."""
        return ask_all(
            lambda: self._read("bolts", "bolts of the shaft's coupling"),
            lambda: self._read("circle", "circle of the coupling's bolts"),
            lambda: self._read("bolt", "diameter of the coupling's bolts"),
            lambda: self._read("bolts_yield", "stress at which the coupling's bolts yield"),
        )

    @lazy
    def bolts_used(self) -> Uncertain:
        """Times the torque that shears the bolts. Raises CannotSay."""
        return self.bolts_bear(self.bolt_terms[2])

    def bolts_bear(self, bolt: Read) -> Uncertain:
        """The same of bolts of such a diameter. Raises CannotSay."""
        torque, (count, circle, _, yields) = ask_all(lambda: self.torque, lambda: self.bolt_terms)
        return combined(lambda n, c, d, y: SHEAR * y / bolt_shear(torque, n, c, d), count, circle, bolt, yields)

    @lazy
    def whirl_terms(self) -> tuple[float, float, float, float]:
        """Terms of the speed at which it whirls. Raises CannotSay."""
        metal, diameter, span = ask_all(
            lambda: self.metal,
            lambda: self.diameter,
            lambda: self._read("span", "longest stretch of the shaft between bearings"),
        )
        return span.si, metal.modulus_pa, diameter.si, metal.density_kg_m3

    @lazy
    def whirl(self) -> Uncertain:
        """Speed at which it whirls, rad/s. Raises CannotSay."""
        _, modulus, _, density = self.whirl_terms
        return combined(
            lambda s, d: whirls(s, modulus, d, density), self._read("span", "longest stretch"), self.diameter
        )

    @lazy
    def reaches(self) -> tuple[Read, Uncertain]:
        """Length of the shaft, and the length that is wanted: from coupling to propeller as they now stand, with what
        the old one had beyond; m. Raises CannotSay, InputError."""
        own, old, now, was = ask_all(
            lambda: self.long,
            lambda: self.old_length,
            lambda: self.placed.shaft,
            lambda: self.old_placed.shaft,
        )
        moved = [*self._ends(self.placed), *self._ends(self.old_placed)]
        return own, Uncertain(now[1] + old.si - was[1], math.hypot(old.u, *(t.u for t in moved)))

    @lazy
    def long(self) -> Read:
        """Length of the shaft, coupling's face to its end, m. Raises CannotSay."""
        return self._read("length", "length of the propeller shaft, coupling's face to its end")

    @property
    def old_placed(self) -> ResolvedInstallation:
        """Where the old unit stood. Raises CannotSay."""
        if self.old is None:
            raise CannotSay(Gap("/old_installations", "the old installation"))
        return self.old.placed

    @property
    def old_length(self) -> Read:
        """Length of the old shaft, m. Raises CannotSay."""
        if self.old is None:
            raise CannotSay(Gap("/old_installations", "the old installation"))
        return self.old.long

    @staticmethod
    def _ends(placed: ResolvedInstallation) -> tuple[Traced, Traced]:
        return placed.flange[0], placed.shaft_end[0]

    @lazy
    def overhang(self) -> tuple[Read, Read]:
        """From the last bearing to the propeller's hub, and the shaft across, m. Raises CannotSay."""
        return ask_all(
            lambda: self._read("overhang", "from the last bearing of the shaft to the propeller's hub", zero=True),
            lambda: self.diameter,
        )

    @lazy
    def fastest(self) -> float:
        """The fastest that it turns, rad/s. Raises CannotSay."""
        return self.train.fastest

    def values(self, out: ValueList) -> None:
        """Headline values, once something was said of the shaft."""
        if not self.begun or self.placed.old:
            return
        out.add(
            "shaft-diameter",
            "Shaft wanted, by its torque",
            "bore",
            lambda: self.by_torque,
            working=lambda: by_torque.working(*self.torque_terms),
        )
        out.add(
            "whirl",
            "Shaft whirls at",
            "rotation",
            lambda: self.whirl,
            working=lambda: whirls.working(*self.whirl_terms),
        )
        if self.shaft.length is not None:
            out.add(
                "shaft-length",
                "Shaft wanted, coupling's face to its end",
                "length",
                lambda: self.reaches[1],
                before=(lambda: self.old_length.si) if self.old is not None else None,
                source="distance of coupling and propeller, and what the old shaft had beyond",
            )
