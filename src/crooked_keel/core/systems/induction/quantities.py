"""Air for one unit."""

from __future__ import annotations

import math

from ...document.systems import Induction
from ...errors import ask_all, or_none
from ...figure.reads import Read, combined
from ...figure.trace import Uncertain
from ...formula import formula
from ...physics.atmosphere import R_AIR_J_KG_K, isa
from ...topic.lazy import lazy
from ..lane import Lane

# Work of an ideal blower beside that of its own. Common practice, no source.
BLOWER = Read(0.65, 0.05)


@formula(
    "systems.induction-air",
    "Q = P·b·r / ρ",
    result=("air_flow", "air that it breathes"),
    P=("power", "power"),
    b=("consumption", "consumption"),
    r=("number", "air to a part of fuel"),
    ρ=("density", "air at the intake"),
    source="air to fuel by mass",
    example=((45e3, 300e-3 / 3.6e6, 13.0, 1.225), 0.0397959),
    valid="steady; the mixture as said",
)
def air_flow(power_w: float, consumption_kg_j: float, mixture: float, density_kg_m3: float) -> float:
    """Air that a unit breathes, m³/s."""
    return power_w * consumption_kg_j * mixture / density_kg_m3


class Breathing(Lane):
    """Air of one unit, at the power that lasts where it is used."""

    part = "induction"
    begins = "by"
    begins_words = "how it mixes its fuel, carburettor or injection"

    @property
    def i(self) -> Induction:
        """What is entered."""
        return self.systems.induction

    @lazy
    def way(self) -> str:
        """How fuel is mixed in."""
        return self.chosen(self.i.by, "by", f"how the {self.placed.name} mixes its fuel, carburettor or injection")

    @lazy
    def terms(self) -> tuple[float, Read, Read, float]:
        """Power, consumption, mixture, density of the air where the power is wanted on a hot day."""
        height, need_ = self.resolved.project.need.altitude, self.resolved.project.need
        at = isa(height.si if height is not None else 0.0)
        hot = at.temperature_k + (need_.hot.si if need_.hot is not None else 0.0)
        consumption = lambda: self.read(
            self.unit.consumption, self.placed.p("unit/consumption"), f"consumption of the {self.placed.name}"
        )
        power, b, r = ask_all(
            lambda: self.lasting.continuous[0],
            consumption,
            lambda: self.read(self.i.mixture, self.p("mixture"), "air to a part of fuel, by mass"),
        )
        if height is not None:
            power = or_none(lambda: self.lasting.power_there) or power
        return power, b, r, at.pressure_pa / (R_AIR_J_KG_K * hot)

    @lazy
    def air(self) -> Uncertain:
        """Air, m³/s."""
        power, b, r, density = self.terms
        return combined(lambda b, r: air_flow(power, b, r, density), b, r)

    @property
    def blown(self) -> bool:
        """Whether a blower fills it."""
        return self.unit.breathing == "turbocharged"

    @lazy
    def mass(self) -> Read:
        """Air, kg/s."""
        density = self.terms[3]
        return Read(self.air.value * density, self.air.u * density)

    @lazy
    def boost(self) -> Read:
        """Boost at the power that lasts, Pa over the pressure outside."""
        what = f"boost of the {self.placed.name} over the pressure outside, at the power that lasts"
        return self.read(self.i.boost, self.p("boost"), what)

    @lazy
    def blower(self) -> Read:
        """Work of an ideal blower beside that of its own."""
        if self.i.blower is None:
            return BLOWER
        return self.read(self.i.blower, self.p("blower"), "share of an ideal blower")

    @lazy
    def intake(self) -> Read:
        """Bore of the intake, m."""
        return self.read(self.i.bore, self.p("bore"), "bore of the intake, where it is narrowest ahead of the filter")

    @lazy
    def tilt(self) -> tuple[float, str]:
        """The steepest that its bowl or pan lies, rad, and what it is made of."""
        placed, oil = self.placed, self.systems.oil
        lies = 0.0
        if placed.references.has("shaft line"):
            lies = placed.nose_up
        elif placed.references.has("thrust line"):
            lies = -placed.angles[0].value
        up, down = ask_all(
            lambda: self.read(
                oil.nose_up, placed.p("systems/oil/nose_up"), "steepest nose up while it runs", zero=True
            ),
            lambda: self.read(
                oil.nose_down, placed.p("systems/oil/nose_down"), "steepest nose down while it runs", zero=True
            ),
        )
        found = {"nose up": lies + up.si + 2 * up.u, "nose down": down.si + 2 * down.u - lies}
        words = max(found, key=lambda k: found[k])
        return max(found[words], 0.0), words

    @lazy
    def face_speed(self) -> Uncertain:
        """Speed of the air into the filter, m/s."""
        area, _ = ask_all(
            lambda: self.read(self.i.filter_area, self.p("filter_area"), "outer area of the filter's folds"),
            lambda: self.air,
        )
        return combined(lambda q, a: q / a, Read(*self.air), area)

    @lazy
    def bore_wanted(self) -> float:
        """Bore in which the air goes at 25 m/s, m."""
        return math.sqrt(4 * self.air.value / (math.pi * 25.0))
