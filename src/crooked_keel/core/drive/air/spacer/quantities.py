"""A spacer ahead of one flange, with its propeller."""

from __future__ import annotations

import math

from ....errors import CannotSay, Gap, ask_all, fields
from ....figure.reads import Read, combined, read
from ....figure.trace import Uncertain
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ...train.quantities import Train
from .functions import FACTOR, MODULUS, YAW_RAD_S, bending, end_stiffness, sways

# Inertia of a propeller by its mass and diameter where it was not measured: between tapered and even blades.
_BY_SHAPE = (0.045, 0.0833)


class Spacer(Topic):
    """What a propeller bends at its flange, and how it sways on its spacer."""

    only_of = "air propeller"

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train) -> None:
        self.propeller = placed.installation.propeller
        self.train = train
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def begun(self) -> bool:
        """Whether there is a spacer, or somebody said what the flange bears."""
        return self.there or self.propeller.bending_limit is not None

    @property
    def there(self) -> bool:
        """Whether there is a spacer, or somebody said what one is like."""
        p = self.propeller
        if p.spacer is None:
            return any(x is not None for x in (p.spacer_of, p.spacer_outside, p.spacer_inside))
        return p.spacer.si > 0

    def _read(self, name: str, what: str, zero: bool = False) -> Read:
        figure = getattr(self.propeller, name)
        return read(figure, self.train.p(f"propeller/{name}"), f"{what} ({self.train.name})", self.school, zero)

    @lazy
    def length(self) -> Read:
        """Length of the spacer, m."""
        return self._read("spacer", "spacer between flange and propeller", zero=True)

    @lazy
    def arm(self) -> Read:
        """From the flange to the middle of the propeller, m. Raises CannotSay."""
        spacer, middle = ask_all(
            lambda: self.length, lambda: self._read("middle", "the propeller from its back to its middle")
        )
        return Read(spacer.si + middle.si, math.hypot(spacer.u, middle.u))

    @lazy
    def mass(self) -> Read:
        """Mass of the propeller, kg."""
        return self._read("mass", "mass of the propeller")

    @lazy
    def blades(self) -> int:
        """Number of blades. Raises CannotSay."""
        count = self.propeller.blades
        if count is None:
            raise CannotSay(Gap(self.train.p("propeller/blades"), f"number of blades ({self.train.name})"))
        return int(count.si)

    @lazy
    def inertia(self) -> Read:
        """Polar inertia of the propeller, kg·m²: as it was read, else by its mass and diameter, at the most."""
        if self.propeller.inertia is not None:
            return self._read("inertia", "polar inertia of the propeller")
        mass, diameter = ask_all(lambda: self.mass, lambda: self._read("diameter", "diameter of the propeller"))
        low, high = (k * mass.si * diameter.si**2 for k in _BY_SHAPE)
        return Read((low + high) / 2, (high - low) / 4)

    @lazy
    def gyroscopic_terms(self) -> tuple[float, float, float, float]:
        """Terms of the gyroscopic moment. Raises CannotSay."""
        inertia, speed, blades = ask_all(lambda: self.inertia, lambda: self.train.fastest, lambda: self.blades)
        return 2.0 if blades == 2 else 1.0, inertia.si, speed, YAW_RAD_S

    @lazy
    def moment(self) -> Uncertain:
        """Bending at the flange, turned about and loaded at once, N·m. Raises CannotSay."""
        _, arm, mass, inertia = ask_all(
            lambda: self.gyroscopic_terms, lambda: self.arm, lambda: self.mass, lambda: self.inertia
        )
        peak, _, speed, turn = self.gyroscopic_terms
        return combined(lambda j, m, at: bending(peak, j, speed, turn, m, FACTOR, at), inertia, mass, arm)

    @lazy
    def moment_terms(self) -> tuple[float, ...]:
        """Terms of the bending. Raises CannotSay."""
        terms, mass, arm = ask_all(lambda: self.gyroscopic_terms, lambda: self.mass, lambda: self.arm)
        return *terms, mass.si, FACTOR, arm.si

    @lazy
    def limit(self) -> Read:
        """Bending that the flange bears, N·m. Raises CannotSay."""
        return self._read("bending_limit", "bending that the flange bears, by its maker")

    @lazy
    def _tube(self) -> tuple[float, Read, Read]:
        """Modulus, Pa, outside and inside, m. Raises CannotSay."""
        return ask_all(
            lambda: MODULUS[self._of],
            lambda: self._read("spacer_outside", "outside of the spacer"),
            lambda: self._read("spacer_inside", "inside of the spacer, 0 where it is solid", zero=True),
        )

    @property
    def _of(self) -> str:
        if self.propeller.spacer_of is None:
            raise CannotSay(Gap(self.train.p("propeller/spacer_of"), "what the spacer is made of"))
        return self.propeller.spacer_of

    @lazy
    def sway_terms(self) -> tuple[float, float]:
        """Terms of how it sways. Raises CannotSay, InputError."""
        (modulus, outside, inside), mass, arm = ask_all(lambda: self._tube, lambda: self.mass, lambda: self.arm)
        with fields(inside=self.train.p("propeller/spacer_inside")):
            return end_stiffness(modulus, outside.si, inside.si, arm.si), mass.si

    @lazy
    def sway(self) -> Uncertain:
        """How the propeller sways, rad/s. Raises CannotSay, InputError."""
        _, (modulus, outside, inside) = self.sway_terms, self._tube
        whole = lambda a, b, m, at: sways(end_stiffness(modulus, a, b, at), m)
        return combined(whole, outside, inside, self.mass, self.arm)

    @lazy
    def passes(self) -> float:
        """How often a blade passes at the fastest, rad/s. Raises CannotSay."""
        speed, blades = ask_all(lambda: self.train.fastest, lambda: self.blades)
        return blades * speed

    def values(self, out: ValueList) -> None:
        """Bending at the flange, once there is a spacer or a limit."""
        if not self.begun:
            return
        out.add(
            "bending",
            "Bending at the flange, turned about at 2.5 rad/s",
            "torque",
            lambda: self.moment,
            working=lambda: bending.working(*self.moment_terms),
        )
        if self.there:
            out.add(
                "sways",
                "Propeller sways on its spacer at",
                "frequency",
                lambda: self.sway,
                working=lambda: sways.working(*self.sway_terms),
            )
