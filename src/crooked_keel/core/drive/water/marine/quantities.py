"""What the drive bench knows of a marine propeller."""

from __future__ import annotations

from ....errors import CannotSay, Gap, ask_all, or_none
from ....figure.trace import above_zero, need
from ....formula import record
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.handed import HeaviestKg
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ....topic.supply import Drove, Replaced
from ...train.quantities import Train
from .functions import (
    apparent_slip,
    between_speed,
    crouch_factor,
    crouch_speed,
    diameter_quick,
    displacement_speed,
    hull_clearance_share,
    propeller_pitch,
    slip_estimate,
    speed_by_before,
)


@record
class AtSeaOut:
    """What the drive bench draws of a boat."""

    shaft_angle_si: float | None
    pitch_si: float | None
    pitch_wanted_si: float | None
    speed_si: float | None
    speed_before_si: float | None
    slip: float | None


class AtSea(Topic):
    """A marine propeller on one installation. heaviest_kg: mass of the heaviest loading, from the balance bench;
    drove: what drove her before, one of several."""

    only_of = "marine propeller"

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        heaviest_kg: HeaviestKg,
        old: Replaced[AtSea],
        drove: Drove[AtSea],
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.propeller = placed.installation.propeller
        self.trial = resolved.project.craft.trial
        self._heaviest_kg = heaviest_kg
        self.old = old
        self.drove = drove

    def heaviest(self) -> float:
        """Mass of the heaviest loading, kg."""
        if isinstance(self._heaviest_kg, CannotSay):
            raise CannotSay(*self._heaviest_kg.needs)
        return self._heaviest_kg

    @lazy
    def diameter(self) -> float:
        """Propeller diameter, m."""
        what = f"diameter of the propeller ({self.train.name})"
        return above_zero(self.propeller.diameter, self.train.p("propeller/diameter"), what)

    @lazy
    def efficiency(self) -> float:
        """Efficiency of gear and shaft."""
        return self.train.efficiency

    @lazy
    def shaft_power(self) -> float:
        """Power at the propeller of this installation, W."""
        ask_all(lambda: self.train.power, lambda: self.efficiency)
        return self.train.power * self.efficiency

    @lazy
    def all_power(self) -> float:
        """Power at all propellers of this fit, or of the old installations, W."""
        placed = self.resolved.old if self.placed.old else self.resolved.installations
        total, gaps = 0.0, []
        for p in placed:
            if p.id == self.placed.id:
                total += self.shaft_power
                continue
            unit, drive = p.installation.unit, p.installation.drive
            if unit.power is None or drive.efficiency is None:
                gaps.append(Gap(f"{p.pointer}/unit/power", f"rated power and efficiency of the {p.name}"))
            else:
                total += unit.power.si * drive.efficiency.si
        if gaps:
            raise CannotSay(*gaps)
        return total

    @lazy
    def length(self) -> float:
        """Length on the waterline, m."""
        return above_zero(
            self.resolved.project.craft.flotation.length, "/craft/flotation/length", "length on the waterline"
        )

    def by_method(self, sea: AtSea, factor: float | None) -> float:
        """Speed by the method of her regime, m/s. factor: C of a planing hull."""
        ask_all(lambda: sea.all_power, sea.heaviest)
        power, mass = sea.all_power, sea.heaviest()
        if self.trial.regime == "semi-displacement":
            return between_speed(mass, power)
        if factor is not None:
            return crouch_speed(factor, mass, power)
        return displacement_speed(self.length, mass, power)

    @lazy
    def speed_terms(self) -> tuple[float, float, float]:
        """Speed before, and what the method says after and before, m/s."""
        known = lambda: above_zero(self.trial.speed, "/craft/trial/speed", "speed at full power before the work")
        old = self.drove or (self if self.placed.old else None)
        if old is None:
            raise CannotSay(Gap("/old_installations", "the old installation"))
        if self.trial.regime is None:
            raise CannotSay(Gap("/craft/trial/regime", "whether she planes"))
        ask_all(known, lambda: old.all_power, old.heaviest, lambda: self.all_power, self.heaviest)
        factor = crouch_factor(known(), old.heaviest(), old.all_power) if self.trial.regime == "planing" else None
        return known(), self.by_method(self, factor), self.by_method(old, factor)

    @lazy
    def speed(self) -> float:
        """Speed expected at full power: the known speed scaled by the method, m/s."""
        return speed_by_before(*self.speed_terms)

    @lazy
    def wanted(self) -> float:
        """Speed for which the pitch is chosen, m/s."""
        return above_zero(self.trial.wanted, "/craft/trial/wanted", "speed wanted at full power")

    @lazy
    def pitch_terms(self) -> tuple[float, float, float]:
        """Speed wanted, shaft speed and slip expected."""
        ask_all(lambda: self.wanted, lambda: self.train.propeller_speed)
        return self.wanted, self.train.propeller_speed, slip_estimate(self.wanted)

    @lazy
    def pitch(self) -> float:
        """Pitch of the propeller, m."""
        return above_zero(
            self.propeller.pitch,
            self.train.p("propeller/pitch"),
            f"pitch of the propeller ({self.train.name})",
        )

    @lazy
    def clearance_terms(self) -> tuple[float, float]:
        """Shaft centre to hull, and diameter, m."""
        height = lambda: above_zero(
            self.propeller.hull_above,
            self.train.p("propeller/hull_above"),
            f"from the shaft centre up to the hull over the propeller ({self.train.name})",
        )
        ask_all(height, lambda: self.diameter)
        return height(), self.diameter

    def values(self, out: ValueList) -> None:
        """Headline values."""
        old = self.old
        out.add(
            "speed",
            "Speed at full power, scaled from before",
            "sea_speed",
            lambda: self.speed,
            before=(lambda: old.speed_terms[0]) if old else None,
            working=lambda: speed_by_before.working(*self.speed_terms),
        )
        out.add(
            "pitch-wanted",
            "Pitch for the speed wanted",
            "length",
            lambda: propeller_pitch(*self.pitch_terms),
            before=(lambda: old.pitch) if old else None,
            working=lambda: propeller_pitch.working(*self.pitch_terms),
        )
        out.add(
            "slip",
            "Apparent slip of this pitch at the speed wanted",
            "percent",
            lambda: self.slip()[0],
            working=lambda: apparent_slip.working(self.wanted, self.pitch, self.train.propeller_speed),
        )
        out.add(
            "diameter-quick",
            "Starting diameter for this power and speed",
            "length",
            lambda: self.quick,
            source="propeller handbook, 632.7·SHP^0.2/rpm^0.6 (from memory)",
        )
        out.add(
            "hull-clearance",
            "Tip clearance over the diameter",
            "percent",
            lambda: hull_clearance_share(*self.clearance_terms),
            working=lambda: hull_clearance_share.working(*self.clearance_terms),
        )

    def slip(self) -> tuple[float, float]:
        """Apparent slip at the speed wanted, and the slip expected."""
        ask_all(lambda: self.pitch_terms, lambda: self.pitch)
        return apparent_slip(self.wanted, self.pitch, self.train.propeller_speed), self.pitch_terms[2]

    @lazy
    def quick(self) -> float:
        """Diameter at which a handbook starts for this power and speed, m."""
        blades = lambda: (
            need(self.propeller.blades, self.train.p("propeller/blades"), f"number of blades ({self.train.name})").si
        )
        ask_all(lambda: self.shaft_power, lambda: self.train.propeller_speed, blades)
        return diameter_quick(self.shaft_power, self.train.propeller_speed, int(blades()))

    def tables(self) -> AtSeaOut:
        """For the drawing."""
        return AtSeaOut(
            shaft_angle_si=or_none(lambda: self.placed.shaft[0]),
            pitch_si=or_none(lambda: self.pitch),
            pitch_wanted_si=or_none(lambda: propeller_pitch(*self.pitch_terms)),
            speed_si=or_none(lambda: self.speed),
            speed_before_si=or_none(lambda: self.speed_terms[0]),
            slip=or_none(lambda: self.slip()[0]),
        )
