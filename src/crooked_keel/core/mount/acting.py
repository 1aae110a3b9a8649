"""What acts on the unit of one installation."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import numpy as np

from ..errors import CannotSay, Gap, InputError, ask_all
from ..figure.trace import Traced, need
from ..formula import Working
from ..physics.geometry import Vector
from ..physics.mechanics import torque_factor
from ..reference.load_cases import LoadCase
from ..resolved.craft import Resolved
from ..resolved.handed import FinalDrive, FinalOfRuns, Output, OutputOfTrain
from ..resolved.installation import Local, ResolvedInstallation
from ..resolved.references import got
from ..topic.lazy import lazy
from ..topic.reading import Topic
from .points.functions import (
    engine_mount_wrench,
    final_drive_wrench,
    gyroscopic_moment,
    limit_engine_torque,
    manoeuvre_load_factor,
    two_blade_moments,
)

ULTIMATE_FACTOR = 1.5
FITTING_FACTOR = 1.15
PITCH_RATE_RAD_S = 1.0
YAW_RATE_RAD_S = 2.5
BUMP_G = 3.0
# Crash ahead: 14 CFR 23.561(b)(2); behind the cabin (b)(3) and (e), before amendment 64 (from memory).
CRASH_AHEAD_G = 9.0
CRASH_BEHIND_G = 18.0
PEAK_SOURCE = "peak torque of the motor, as entered, times the ratio (proposed)"
AXES = {"fore and aft": np.array([1.0, 0, 0]), "sideways": np.array([0, 1.0, 0]), "up and down": np.array([0, 0, 1.0])}


class Acting(Topic):
    """What acts on the unit of one installation: mass, torque, thrust, load factors. output: torque, turning direction
    and speed at the flange; final: what the final drive does; both from the drive bench."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        output: OutputOfTrain,
        final: FinalOfRuns,
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.unit = placed.installation.unit
        self.propeller = placed.installation.propeller
        self.mount = placed.installation.mount
        self.table = resolved.references.kind.load_cases
        self.name = placed.name
        self._output = output
        self._final = final

    def _p(self, path: str) -> str:
        return f"{self.placed.pointer}/{path}"

    @lazy
    def output(self) -> Output:
        """Torque, direction and speed at the output flange."""
        if isinstance(self._output, CannotSay):
            raise CannotSay(*self._output.needs)
        return self._output

    @lazy
    def factor(self) -> float:
        """Mean-torque factor: the person's own, or by kind and cylinders."""
        unit = self.unit
        if self.mount.torque_factor is not None:
            return self.mount.torque_factor.si
        if self.resolved.has("bed"):
            if self.mount.seating is None:
                raise CannotSay(Gap(self._p("mount/seating"), f"whether the {self.name} sits on rubber"))
            if self.mount.seating == "rubber":
                return 1.0  # rubber does not pass the cycle's peaks (proposed)
        if unit.kind is None:
            raise CannotSay(Gap(self._p("unit/kind"), f"what kind of unit the {self.name} is"))
        if unit.kind == "electric":
            raise CannotSay(Gap(self._p("mount/torque_factor"), f"peak torque over mean torque of the {self.name}"))
        if unit.kind != "turbine" and unit.cylinders is None:
            raise CannotSay(Gap(self._p("unit/cylinders"), f"number of cylinders of the {self.name}"))
        return torque_factor(unit.kind, int(unit.cylinders.si) if unit.cylinders else None)

    @lazy
    def limit_torque(self) -> float:
        """Limit torque at the output flange, signed clockwise from aft, N·m. Of an electric unit: its peak torque
        there."""
        unit = self.unit
        if unit.kind == "electric" and self.mount.torque_factor is None:
            peak = lambda: need(unit.peak_torque, self._p("unit/peak_torque"), f"peak torque of the {self.name}").si
            ask_all(peak, lambda: self.output, lambda: self.placed.ratio)
            return self.output.rotation * peak() * self.placed.ratio
        ask_all(lambda: self.factor, lambda: self.output)
        mean = float(self.factor * self.output.mean_torque_n_m)
        # A motor's peak torque, as entered, is never less than what a factor of its mean says.
        entered = unit.peak_torque if unit.kind == "electric" else None
        return self.output.rotation * max(mean, entered.si * self.placed.ratio if entered is not None else 0.0)

    @lazy
    def carried(self) -> tuple[float, Vector]:
        """Mass and CG of what hangs on the points: unit with all that comes on top of its mass, reduction,
        propeller."""
        bodies = [*(b for b in self.placed.parts if b.id in self.hung), *self.placed.on_top]
        ask_all(*[lambda m=m: got(m) for b in bodies for m in (b.mass, b.x, b.y, b.z)])
        masses = np.array([got(b.mass).value for b in bodies])
        if masses.sum() <= 0:
            raise InputError(self._p("unit/mass"), f"the {self.name} has no mass", allowed="above zero")
        places = np.array([[got(b.x).value, got(b.y).value, got(b.z).value] for b in bodies])
        return float(masses.sum()), np.asarray(masses @ places / masses.sum())

    @lazy
    def carried_doubt(self) -> float:
        """Two standard deviations of the mass on the points, as a share of it."""
        bodies = [*(b for b in self.placed.parts if b.id in self.hung), *self.placed.on_top]
        total = Traced(0.0)
        for body in bodies:
            total = total + got(body.mass)
        return 2 * total.u / self.carried[0]

    @property
    def hung(self) -> tuple[str, ...]:
        """Parts that hang on the points; the propeller of a boat hangs in its bearings."""
        return ("unit", "drive") if self.resolved.has("bed") else ("unit", "drive", "propeller")

    @lazy
    def load_factors(self) -> tuple[float, float]:
        """Limit load factors up and down of the craft."""
        limits = self.resolved.project.craft.limits
        if limits.category is None:
            raise CannotSay(Gap("/craft/limits/category", "category of the craft"))
        if limits.category == "very light":
            return manoeuvre_load_factor(0.0, limits.category)
        return manoeuvre_load_factor(need(limits.gross, "/craft/limits/gross", "gross mass").si, limits.category)

    @lazy
    def thrust(self) -> float:
        """Thrust on the mount, N; none where a bearing on the hull takes it."""
        if self.resolved.has("bed"):
            if self.mount.thrust_taken is None:
                raise CannotSay(
                    Gap(
                        self._p("mount/thrust_taken"),
                        f"where the thrust of the {self.name} is taken: by its mount, or by a bearing on the hull",
                    )
                )
            if self.mount.thrust_taken == "hull":
                return 0.0
        return need(self.mount.thrust, self._p("mount/thrust"), f"greatest thrust of the propeller ({self.name})").si

    @lazy
    def inertia(self) -> float:
        """Polar inertia of the propeller, kg·m²."""
        return need(
            self.propeller.inertia,
            self._p("propeller/inertia"),
            f"polar inertia of the propeller ({self.name})",
        ).si

    @property
    def rates(self) -> tuple[float, float]:
        """Pitch and yaw rates of the turning cases, rad/s."""
        a = self.resolved.project.assumptions
        return (a.pitch_rate.si if a.pitch_rate else PITCH_RATE_RAD_S), (
            a.yaw_rate.si if a.yaw_rate else YAW_RATE_RAD_S
        )

    @lazy
    def behind_cabin(self) -> bool:
        """Whether the unit would come forward into the cabin in a crash: a pusher."""
        return self.placed.pushes

    def n_x(self, case: LoadCase) -> float:
        """Load factor forward of a case."""
        if isinstance(case.n_x, str):
            return CRASH_BEHIND_G if self.behind_cabin else CRASH_AHEAD_G
        return float(case.n_x)

    def thrust_share(self, case: LoadCase) -> float:
        """Share of the thrust in a case: all of it pushes a unit behind the cabin on in a crash."""
        return 1.0 if isinstance(case.n_x, str) and self.behind_cabin else case.thrust

    def n_z(self, case: LoadCase) -> float:
        """Vertical load factor of a case."""
        if isinstance(case.n_z, str):
            up, down = self.load_factors
            return {"up": up, "0.75 up": 0.75 * up, "down": down}[case.n_z]
        return float(case.n_z)

    def n_y(self, case: LoadCase) -> float:
        """Load factor to the side: of the side load at least 1.33, and a third of the pull-up. Source: 14 CFR 23.363
        before amendment 64 (from memory)."""
        if isinstance(case.n_y, str):
            side = max(1.33, self.load_factors[0] / 3)
            return side if case.n_y == "side" else -side
        return float(case.n_y)

    def wrenches(self, case: LoadCase) -> list[Vector]:
        """Wrenches of a case about the unit's CG: one, or one for each blade position of a two-bladed propeller."""
        felt = ask_all(lambda: self.n_x(case), lambda: self.n_y(case), lambda: self.n_z(case))
        asks: list[Callable[[], Any]] = [lambda: self.carried]
        share = self.thrust_share(case)
        if case.torque:
            asks.append(lambda: self.limit_torque)
        if share or case.torque:
            asks.append(lambda: self.placed.rotation)
        if share:
            asks += [lambda: self.thrust, lambda: self.thrust_point]
        if case.pull:
            asks.append(lambda: self.final)
        turning = case.pitch or case.yaw
        if turning:
            asks += [lambda: self.inertia, lambda: self.output, lambda: self._blades]
        ask_all(*asks)
        mass, cg = self.carried
        axis = self.placed.thrust_axis if case.torque or share or turning else np.array([-1.0, 0, 0])
        gyros = [np.zeros(3)]
        if turning:
            pitch, yaw = (r * s for r, s in zip(self.rates, (case.pitch, case.yaw), strict=True))
            args = (self.inertia, self.output.propeller_speed_rad_s, self.output.rotation, axis, pitch, yaw)
            gyros = two_blade_moments(*args) if self._blades <= 2 else [gyroscopic_moment(*args)]
        at = vector(self.thrust_point) if share else cg
        n = np.array(felt)
        torque = case.torque * self.limit_torque if case.torque else 0.0
        made = [
            engine_mount_wrench(mass, cg, n, cg, torque, share * self.thrust if share else 0.0, at, axis, g)
            for g in gyros
        ]
        return [w + final_drive_wrench(self.final, case.pull, cg) for w in made] if case.pull else made

    @lazy
    def final(self) -> FinalDrive:
        """What the final drive does to the unit in its lowest gear, from the drive bench."""
        if self._final is None:
            raise CannotSay(Gap(self._p("drive/stages"), "the final drive"))
        if isinstance(self._final, CannotSay):
            raise CannotSay(*self._final.needs)
        return self._final

    @property
    def thrust_point(self) -> Local:
        """Where thrust acts on the unit: at the propeller, or at the coupling of a shaft."""
        return self.placed.flange if self.resolved.has("shaft line") else self.placed.propeller_centre

    @property
    def _blades(self) -> int:
        return int(need(self.propeller.blades, self._p("propeller/blades"), f"number of blades ({self.name})").si)

    def case_name(self, case_id: str) -> str:
        """Name of a case of the table, within a sentence."""
        return next(c.name for c in self.table if c.id == case_id).lower()

    @staticmethod
    def ultimate_factor(case: LoadCase) -> float:
        """1.5 on limit cases, 1 on cases that are ultimate already."""
        return ULTIMATE_FACTOR if case.kind == "limit" else 1.0

    def masses(self) -> tuple[float, float, float]:
        """Masses of unit, with what comes on top, reduction and propeller, kg."""
        known = {b.id: got(b.mass).value for b in self.placed.parts if b.id in self.hung}
        return (
            known["unit"] + sum(got(b.mass).value for b in self.placed.on_top),
            known.get("drive", 0.0),
            known.get("propeller", 0.0),
        )

    def torque_working(self) -> Working | None:
        """The working of the limit torque; none where it is the peak torque that was entered."""
        if self.unit.kind == "electric" and self.mount.torque_factor is None:
            return None
        speed = self.output.propeller_speed_rad_s
        return limit_engine_torque.working(self.factor, self.output.mean_torque_n_m * speed, speed)


def vector(local: Local) -> Vector:
    """Values of three traced numbers."""
    return np.array([t.value for t in local])
