"""Mount loads of one installation: a rigid unit on points whose stiffness is stated."""

from __future__ import annotations

import numpy as np

from ..bench import ValueList, or_none
from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..finding import Value
from ..formula import Out, Working, record
from ..geometry import Matrix, Vector
from ..mechanics import Output, torque_factor
from ..reference.load_cases import AEROPLANE, LoadCase
from ..resolve import Local, Resolved, ResolvedInstallation, got
from ..trace import lazy, need
from .loads import (
    LOAD_FACTOR_SOURCE,
    MountSpring,
    Shared,
    carried_mass,
    engine_mount_wrench,
    gyroscopic_moment,
    limit_engine_torque,
    manoeuvre_load_factor,
    mount_reactions,
    point_load,
    reserve_factor,
    sums_close,
    two_blade_moments,
)

ULTIMATE_FACTOR = 1.5
FITTING_FACTOR = 1.15
PITCH_RATE_RAD_S = 1.0
YAW_RATE_RAD_S = 2.5


@record
class PointLoad:
    """Load of the engine on one point in one case, N: aft, starboard, up; along the tubes' side pull is forward."""

    point: str
    x_si: float
    y_si: float
    z_si: float
    size_si: float


@record
class CaseOut:
    """One load case with the load on every point; None where it cannot be said."""

    id: str
    name: str
    kind: str
    source: str
    n_x: float
    n_y: float
    n_z: float | None
    points: list[PointLoad]
    worst_si: float | None
    closure: float | None


@record
class PointOut:
    """One point: worst load of all cases, its case, the least reserve factor and the same of the old unit."""

    id: str
    name: str
    worst_si: float | None
    worst_case: str | None
    pull_si: float | None
    push_si: float | None
    shear_si: float | None
    reserve: float | None


class MountOut(Out):
    """What the mount bench lists."""

    cases: list[CaseOut]
    points: list[PointOut]
    old_worst_si: float | None


class MountBench:
    """Quantities of the mount bench. output: torque, turning direction and speed at the flange, from the drive bench."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        output: Output | CannotSay,
        old: MountBench | None = None,
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.installation = placed.installation
        self.mount = placed.installation.mount
        self.name = placed.name
        self._output = output
        self.old = old

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
        unit = self.installation.unit
        if self.mount.torque_factor is not None:
            return self.mount.torque_factor.si
        if unit.kind is None:
            raise CannotSay(Need(self._p("unit/kind"), f"what kind of unit the {self.name} is"))
        if unit.kind == "electric":
            raise CannotSay(Need(self._p("mount/torque_factor"), f"peak torque over mean torque of the {self.name}"))
        if unit.kind != "turbine" and unit.cylinders is None:
            raise CannotSay(Need(self._p("unit/cylinders"), f"number of cylinders of the {self.name}"))
        return torque_factor(unit.kind, int(unit.cylinders.si) if unit.cylinders else None)

    @lazy
    def limit_torque(self) -> float:
        """Limit torque at the output flange, signed clockwise from aft, N·m."""
        all_or_cannot_say(lambda: self.factor, lambda: self.output)
        return self.output.rotation * self.factor * self.output.mean_torque_n_m

    @lazy
    def carried(self) -> tuple[float, Vector]:
        """Mass and CG of what hangs on the points: unit, reduction, propeller."""
        bodies = [b for b in self.placed.parts if b.id != "mount"]
        all_or_cannot_say(*[lambda m=m: got(m) for b in bodies for m in (b.mass, b.x, b.y, b.z)])
        masses = np.array([got(b.mass).value for b in bodies])
        if masses.sum() <= 0:
            raise InputError(self._p("unit/mass"), f"the {self.name} has no mass")
        places = np.array([[got(b.x).value, got(b.y).value, got(b.z).value] for b in bodies])
        return float(masses.sum()), np.asarray(masses @ places / masses.sum())

    @lazy
    def springs(self) -> list[MountSpring]:
        """The points as springs; their axis is fore and aft."""
        all_or_cannot_say(lambda: self.placed.mount_points, *[
            lambda k=k, part=part: need(getattr(self.mount.points[k], f"stiffness_{part}"), self._p(f"mount/points/{k}/stiffness_{part}"), f"{part} stiffness of point {self.mount.points[k].name}")
            for k in self.placed.mount_keys for part in ("axial", "radial")
        ])  # fmt: skip
        made = []
        for k in self.placed.mount_keys:
            point = self.mount.points[k]
            assert point.stiffness_axial is not None and point.stiffness_radial is not None
            made.append(
                MountSpring(
                    point.name,
                    _vector(self.placed.mount_points[k]),
                    np.array([1.0, 0, 0]),
                    point.stiffness_axial.si,
                    point.stiffness_radial.si,
                )
            )
        return made

    @lazy
    def load_factors(self) -> tuple[float, float]:
        """Limit load factors up and down of the craft."""
        limits = self.resolved.project.craft.limits
        if limits.category is None:
            raise CannotSay(Need("/craft/limits/category", "category of the craft"))
        if limits.category == "very light":
            return manoeuvre_load_factor(0.0, limits.category)
        return manoeuvre_load_factor(need(limits.gross, "/craft/limits/gross", "gross mass").si, limits.category)

    @lazy
    def thrust(self) -> float:
        """Thrust on the mount, N."""
        return need(self.mount.thrust, self._p("mount/thrust"), f"greatest thrust of the propeller ({self.name})").si

    @lazy
    def inertia(self) -> float:
        """Polar inertia of the propeller, kg·m²."""
        return need(
            self.installation.propeller.inertia,
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

    def n_z(self, case: LoadCase) -> float:
        """Vertical load factor of a case."""
        if isinstance(case.n_z, str):
            up, down = self.load_factors
            return {"up": up, "0.75 up": 0.75 * up, "down": down}[case.n_z]
        return float(case.n_z)

    def wrenches(self, case: LoadCase) -> list[Vector]:
        """Wrenches of a case about the unit's CG: one, or one for each blade position of a two-bladed propeller."""
        asks = [lambda: self.carried, lambda: self.n_z(case)]
        if case.torque:
            asks.append(lambda: self.limit_torque)
        if case.thrust or case.torque:
            asks.append(lambda: self.placed.rotation)
        if case.thrust:
            asks += [lambda: self.thrust, lambda: self.placed.propeller_centre]
        turning = case.pitch or case.yaw
        if turning:
            asks += [lambda: self.inertia, lambda: self.output, lambda: self._blades]
        all_or_cannot_say(*asks)
        mass, cg = self.carried
        axis = self.placed.thrust_axis if case.torque or case.thrust or turning else np.array([-1.0, 0, 0])
        gyros = [np.zeros(3)]
        if turning:
            pitch, yaw = (r * s for r, s in zip(self.rates, (case.pitch, case.yaw), strict=True))
            args = (self.inertia, self.output.propeller_speed_rad_s, self.output.rotation, axis, pitch, yaw)
            gyros = two_blade_moments(*args) if self._blades <= 2 else [gyroscopic_moment(*args)]
        at = _vector(self.placed.propeller_centre) if case.thrust else cg
        n = np.array([case.n_x, case.n_y, self.n_z(case)])
        torque = case.torque * self.limit_torque if case.torque else 0.0
        return [
            engine_mount_wrench(mass, cg, n, cg, torque, case.thrust * self.thrust if case.thrust else 0.0, at, axis, g)
            for g in gyros
        ]

    @property
    def _blades(self) -> int:
        return int(
            need(self.installation.propeller.blades, self._p("propeller/blades"), f"number of blades ({self.name})").si
        )

    @lazy
    def shared(self) -> tuple[dict[str, list[int]], Matrix, Shared, dict[str, CannotSay]]:
        """All cases that can be said, solved in one go: columns of each case, wrenches, loads, and the gaps."""
        all_or_cannot_say(lambda: self.springs, lambda: self.carried)
        columns: dict[str, list[int]] = {}
        gaps: dict[str, CannotSay] = {}
        all_wrenches: list[Vector] = []
        for case in AEROPLANE:
            try:
                made = self.wrenches(case)
            except CannotSay as gap:
                gaps[case.id] = gap
                continue
            columns[case.id] = list(range(len(all_wrenches), len(all_wrenches) + len(made)))
            all_wrenches += made
        matrix = np.array(all_wrenches).T
        return columns, matrix, mount_reactions(self.springs, self.carried[1], matrix), gaps

    @lazy
    def sizes(self) -> Matrix:
        """Size of the load on each point in each column, (points, columns), N."""
        return np.asarray(np.linalg.norm(self.shared[2].load_n, axis=1))

    @lazy
    def worst(self) -> tuple[str, str, float]:
        """Point, case and size of the greatest load, limit cases only. Every case must be known."""
        self._no_gaps()
        columns = self.shared[0]
        best = ("", "", -1.0)
        for case in AEROPLANE:
            if case.kind == "limit" and case.id in columns:
                part = self.sizes[:, columns[case.id]]
                size = float(part.max())
                if size > best[2]:
                    best = (self.placed.mount_keys[int(np.argmax(part.max(axis=1)))], case.id, size)
        return best

    @lazy
    def _closures(self) -> Vector:
        _, wrenches, shared, _ = self.shared
        return sums_close(self.springs, self.carried[1], wrenches, shared.load_n)

    def _no_gaps(self) -> None:
        """Raise what the missing cases need: the worst of some cases is not the worst."""
        needs = {n.pointer: n for gap in self.shared[3].values() for n in gap.needs}
        if needs:
            raise CannotSay(*needs.values())

    def closure(self, case_id: str) -> float:
        """What the sum of the loads leaves of the wrench of a case, as a share."""
        return float(self._closures[self.shared[0][case_id]].max())

    @lazy
    def reserves(self) -> dict[str, tuple[float, LoadCase, float]]:
        """Least reserve factor of each point over all cases, with its case and load; points without strength left out."""
        columns = self.shared[0]
        most = {c: self.sizes[:, pick].max(axis=1) for c, pick in columns.items()}
        made = {}
        for row, key in enumerate(self.placed.mount_keys):
            strength = self.mount.points[key].strength
            loaded = [c for c in AEROPLANE if c.id in columns and most[c.id][row] > 0]
            if strength is not None and loaded:
                factors = [
                    (
                        reserve_factor(strength.si, self.ultimate_factor(c), FITTING_FACTOR, float(most[c.id][row])),
                        c,
                        float(most[c.id][row]),
                    )
                    for c in loaded
                ]
                made[key] = min(factors, key=lambda f: f[0])
        return made

    @lazy
    def least_reserve(self) -> tuple[str, float, LoadCase, float]:
        """Point, reserve factor, case and load where the reserve is least. Every point must have a strength."""
        points = self.mount.points
        all_or_cannot_say(
            lambda: self.shared,
            *[
                lambda k=k: need(
                    points[k].strength, self._p(f"mount/points/{k}/strength"), f"strength of point {points[k].name}"
                )
                for k in points
            ],
        )
        self._no_gaps()
        key = min(self.reserves, key=lambda k: self.reserves[k][0])
        return key, *self.reserves[key]

    @staticmethod
    def ultimate_factor(case: LoadCase) -> float:
        """1.5 on limit cases, 1 on cases that are ultimate already."""
        return ULTIMATE_FACTOR if case.kind == "limit" else 1.0

    def _masses(self) -> tuple[float, float, float]:
        """Masses of unit, reduction and propeller, kg."""
        known = {b.id: got(b.mass).value for b in self.placed.parts if b.id != "mount"}
        return known["unit"], known.get("drive", 0.0), known["propeller"]

    def _worst_vector(self) -> tuple[float, float, float]:
        """The greatest load on a point as its three parts, N."""
        key, case, _ = self.worst
        row, pick = self.placed.mount_keys.index(key), self.shared[0][case]
        column = pick[int(np.argmax(self.sizes[row, pick]))]
        x, y, z = (float(v) for v in self.shared[2].load_n[row, :, column])
        return x, y, z

    def values(self) -> list[Value]:
        """Headline values."""
        out = ValueList("mount")
        old = self.old
        out.add(
            "carried",
            "Mass on the mount: unit, reduction, propeller",
            "mass",
            lambda: self.carried[0],
            before=(lambda: old.carried[0]) if old else None,
            working=lambda: carried_mass.working(*self._masses()),
        )
        out.add(
            "limit-torque", "Limit torque at the flange", "torque", lambda: abs(self.limit_torque), before=(lambda: abs(old.limit_torque)) if old else None,
            working=lambda: limit_engine_torque.working(self.factor, self.output.mean_torque_n_m * self.output.propeller_speed_rad_s, self.output.propeller_speed_rad_s),
        )  # fmt: skip
        out.add(
            "worst-point",
            "Worst point, limit cases",
            "force",
            lambda: self.worst[2],
            before=(lambda: old.worst[2]) if old else None,
            working=lambda: point_load.working(*self._worst_vector()),
        )
        out.add(
            "least-reserve",
            "Least reserve factor of the points",
            "number",
            lambda: self.least_reserve[1],
            before=(lambda: old.least_reserve[1]) if old else None,
            working=self._reserve_working,
        )
        out.add("load-factor-up", "Pull-up, limit", "number", lambda: self.load_factors[0], source=LOAD_FACTOR_SOURCE)
        out.add(
            "load-factor-down", "Push-over, limit", "number", lambda: self.load_factors[1], source=LOAD_FACTOR_SOURCE
        )
        return out.values

    def _reserve_working(self) -> Working:
        key, _, case, load = self.least_reserve
        strength = self.mount.points[key].strength
        assert strength is not None
        return reserve_factor.working(strength.si, self.ultimate_factor(case), FITTING_FACTOR, load)

    def tables(self) -> MountOut:
        """Cases and points."""
        shared, old = or_none(lambda: self.shared), self.old
        keys = self.placed.mount_keys
        cases = []
        for case in AEROPLANE:
            points: list[PointLoad] = []
            worst = closure = None
            if shared and case.id in shared[0]:
                pick = shared[0][case.id]
                for row, key in enumerate(keys):
                    column = pick[int(np.argmax(self.sizes[row, pick]))]
                    x, y, z = (float(v) for v in shared[2].load_n[row, :, column])
                    points.append(PointLoad(point=key, x_si=x, y_si=y, z_si=z, size_si=float(self.sizes[row, column])))
                worst, closure = max(p.size_si for p in points), self.closure(case.id)
            n_z = or_none(lambda c=case: self.n_z(c))
            cases.append(
                CaseOut(
                    id=case.id,
                    name=case.name,
                    kind=case.kind,
                    source=case.source,
                    n_x=case.n_x,
                    n_y=case.n_y,
                    n_z=n_z,
                    points=points,
                    worst_si=worst,
                    closure=closure,
                )
            )
        rows = []
        for row, key in enumerate(keys):
            pull = push = shear = size = reserve = None
            name = None
            if shared and shared[0]:
                loads = shared[2].load_n[row]
                pull, push = max(0.0, float(-loads[0].min())), max(0.0, float(loads[0].max()))
                shear = float(np.hypot(loads[1], loads[2]).max())
                column = int(np.argmax(self.sizes[row]))
                size = float(self.sizes[row, column])
                name = next(c.name for c in AEROPLANE if c.id in shared[0] and column in shared[0][c.id])
                reserve = self.reserves[key][0] if key in self.reserves else None
            rows.append(
                PointOut(
                    id=key,
                    name=self.mount.points[key].name,
                    worst_si=size,
                    worst_case=name,
                    pull_si=pull,
                    push_si=push,
                    shear_si=shear,
                    reserve=reserve,
                )
            )
        return MountOut(cases=cases, points=rows, old_worst_si=or_none(lambda: old.worst[2]) if old else None)


def _vector(local: Local) -> Vector:
    return np.array([t.value for t in local])
