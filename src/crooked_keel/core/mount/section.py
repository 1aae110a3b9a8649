"""Mount loads of one installation: a rigid unit on points whose stiffness is stated."""

from __future__ import annotations

import numpy as np

from ..document import Face
from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..figure.trace import need
from ..figure.units import G0_M_S2
from ..judging.finding import Value
from ..judging.formula import Out, Working, record
from ..judging.gap import or_none
from ..judging.values import ValueList
from ..physics.geometry import Matrix, Vector
from ..physics.mechanics import torque_factor
from ..reference.load_cases import LoadCase
from ..reference.outlines import Point
from ..resolved.craft import Resolved
from ..resolved.handed import FinalDrive, Masses, Output
from ..resolved.installation import Local, ResolvedInstallation
from ..resolved.references import got
from ..resolved.wheels import Wheels
from ..topic.lazy import lazy
from .face.functions import FaceBolts, face_moment, overhung_motor_face, third_point
from .points.functions import (
    LOAD_FACTOR_SOURCE,
    MountSpring,
    Shared,
    carried_mass,
    engine_mount_wrench,
    final_drive_wrench,
    gyroscopic_moment,
    limit_engine_torque,
    manoeuvre_load_factor,
    mount_reactions,
    point_load,
    reserve_factor,
    sums_close,
    two_blade_moments,
)
from .swing.functions import Swung, pivot_size, swing_unit_reactions

ULTIMATE_FACTOR = 1.5
FITTING_FACTOR = 1.15
PITCH_RATE_RAD_S = 1.0
YAW_RATE_RAD_S = 2.5
BUMP_G = 3.0
PEAK_SOURCE = "peak torque of the motor, as entered, times the ratio (proposed)"
AXES = {"fore and aft": np.array([1.0, 0, 0]), "sideways": np.array([0, 1.0, 0]), "up and down": np.array([0, 0, 1.0])}


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
    x_si: float | None
    y_si: float | None
    z_si: float | None
    structure_y_si: float | None
    structure_z_si: float | None


@record
class SwingOut:
    """A swinging unit in one case: compression of the shock, force on the unit at its pivot and its size, N."""

    id: str
    name: str
    source: str
    shock_si: float
    pivot_x_si: float
    pivot_z_si: float
    pivot_si: float


@record
class ArmOut:
    """Places of a swinging unit in the side view, m: pivot, ends of the shock, CG, ground contact of the wheel and its axle."""

    pivot: Point
    shock_lower: Point
    shock_upper: Point
    cg: Point
    contact: Point
    axle: Point


class MountOut(Out):
    """What the mount bench lists."""

    cases: list[CaseOut]
    points: list[PointOut]
    old_worst_si: float | None
    swing: list[SwingOut]
    arm: ArmOut | None


class MountBench:
    """Quantities of the mount bench. output: torque, turning direction and speed at the flange, from the drive bench."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        output: Output | CannotSay,
        old: MountBench | None = None,
        wheels: Wheels | None = None,
        masses: Masses | None = None,
        final: FinalDrive | CannotSay | None = None,
    ) -> None:
        unknown = CannotSay(Need("/loadings", "a loading: who and what is aboard"))
        self.resolved = resolved
        self.wheels = wheels
        self.masses = masses or Masses(unknown, unknown, unknown)
        self._final = final
        self.table = resolved.references.kind.load_cases
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
        if self.resolved.has("bed"):
            if self.mount.seating is None:
                raise CannotSay(Need(self._p("mount/seating"), f"whether the {self.name} sits on rubber"))
            if self.mount.seating == "rubber":
                return 1.0  # rubber does not pass the cycle's peaks (proposed)
        if unit.kind is None:
            raise CannotSay(Need(self._p("unit/kind"), f"what kind of unit the {self.name} is"))
        if unit.kind == "electric":
            raise CannotSay(Need(self._p("mount/torque_factor"), f"peak torque over mean torque of the {self.name}"))
        if unit.kind != "turbine" and unit.cylinders is None:
            raise CannotSay(Need(self._p("unit/cylinders"), f"number of cylinders of the {self.name}"))
        return torque_factor(unit.kind, int(unit.cylinders.si) if unit.cylinders else None)

    @lazy
    def limit_torque(self) -> float:
        """Limit torque at the output flange, signed clockwise from aft, N·m. Of an electric unit: its peak torque there."""
        unit = self.installation.unit
        if unit.kind == "electric" and self.mount.torque_factor is None:
            peak = lambda: need(unit.peak_torque, self._p("unit/peak_torque"), f"peak torque of the {self.name}").si
            all_or_cannot_say(peak, lambda: self.output, lambda: self.placed.ratio)
            return self.output.rotation * peak() * self.placed.ratio
        all_or_cannot_say(lambda: self.factor, lambda: self.output)
        return self.output.rotation * self.factor * self.output.mean_torque_n_m

    @lazy
    def carried(self) -> tuple[float, Vector]:
        """Mass and CG of what hangs on the points: unit, reduction, propeller."""
        bodies = [b for b in self.placed.parts if b.id in self._hung]
        all_or_cannot_say(*[lambda m=m: got(m) for b in bodies for m in (b.mass, b.x, b.y, b.z)])
        masses = np.array([got(b.mass).value for b in bodies])
        if masses.sum() <= 0:
            raise InputError(self._p("unit/mass"), f"the {self.name} has no mass")
        places = np.array([[got(b.x).value, got(b.y).value, got(b.z).value] for b in bodies])
        return float(masses.sum()), np.asarray(masses @ places / masses.sum())

    @property
    def _hung(self) -> tuple[str, ...]:
        """Parts that hang on the points; the propeller of a boat hangs in its bearings."""
        return ("unit", "drive") if self.resolved.has("bed") else ("unit", "drive", "propeller")

    @lazy
    def springs(self) -> list[MountSpring]:
        """The points as springs along their axis, the kind's own where none is said."""
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
                    AXES[point.axis or self.resolved.references.kind.mount_axis],
                    point.stiffness_axial.si,
                    point.stiffness_radial.si,
                    point.stiffness_across.si if point.stiffness_across else None,
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
        """Thrust on the mount, N; none where a bearing on the hull takes it."""
        if self.resolved.has("bed"):
            if self.mount.thrust_taken is None:
                raise CannotSay(
                    Need(
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
            asks += [lambda: self.thrust, lambda: self.thrust_point]
        if case.pull:
            asks.append(lambda: self.final)
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
        at = _vector(self.thrust_point) if case.thrust else cg
        n = np.array([case.n_x, case.n_y, self.n_z(case)])
        torque = case.torque * self.limit_torque if case.torque else 0.0
        made = [
            engine_mount_wrench(mass, cg, n, cg, torque, case.thrust * self.thrust if case.thrust else 0.0, at, axis, g)
            for g in gyros
        ]
        return [w + case.pull * final_drive_wrench(self.final, cg) for w in made] if case.pull else made

    @lazy
    def final(self) -> FinalDrive:
        """What the final drive does to the unit in its lowest gear, from the drive bench."""
        if self._final is None:
            raise CannotSay(Need(self._p("drive/stages"), "the final drive"))
        if isinstance(self._final, CannotSay):
            raise CannotSay(*self._final.needs)
        return self._final

    @property
    def thrust_point(self) -> Local:
        """Where thrust acts on the unit: at the propeller, or at the coupling of a shaft."""
        return self.placed.flange if self.resolved.has("shaft line") else self.placed.propeller_centre

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
        for case in self.table:
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
        for case in self.table:
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
            loaded = [c for c in self.table if c.id in columns and most[c.id][row] > 0]
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

    def case_name(self, case_id: str) -> str:
        """Name of a case of the table, within a sentence."""
        return next(c.name for c in self.table if c.id == case_id).lower()

    @staticmethod
    def ultimate_factor(case: LoadCase) -> float:
        """1.5 on limit cases, 1 on cases that are ultimate already."""
        return ULTIMATE_FACTOR if case.kind == "limit" else 1.0

    def _masses(self) -> tuple[float, float, float]:
        """Masses of unit, reduction and propeller, kg."""
        known = {b.id: got(b.mass).value for b in self.placed.parts if b.id in self._hung}
        return known["unit"], known.get("drive", 0.0), known.get("propeller", 0.0)

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
        if self.resolved.has("spring points"):
            self._point_values(out)
        if self.resolved.has("swing unit"):
            self._swing_values(out)
        if self.resolved.has("gearbox face"):
            self._face_values(out)
        return out.values

    def _torque_working(self) -> Working | None:
        """The working of the limit torque; none where it is the peak torque that was entered."""
        if self.installation.unit.kind == "electric" and self.mount.torque_factor is None:
            return None
        speed = self.output.propeller_speed_rad_s
        return limit_engine_torque.working(self.factor, self.output.mean_torque_n_m * speed, speed)

    @lazy
    def arm(self) -> ArmOut:
        """Where pivot, shock, CG and wheel of a swinging unit are, after the stretch of its frame."""
        s, base = self.mount.swing, self._p("mount/swing")
        place = self.resolved.references.place
        names = {
            "pivot": "pivot",
            "shock_lower": "lower end of the shock",
            "shock_upper": "upper end of the shock",
            "cg": "CG of what swings",
        }
        asks = {
            (k, axis): (lambda k=k, w=w, part=part, axis=axis: place(getattr(s, f"{k}_{part}"), f"{base}/{k}_{part}", f"{'station' if axis == 'x' else 'height'} of the {w}", axis))
            for k, w in names.items() for part, axis in (("station", "x"), ("water_line", "z"))
        }  # fmt: skip
        wheels = self.wheels
        if wheels is None:
            raise CannotSay(Need("/craft/supports", "wheels"))
        all_or_cannot_say(*asks.values(), lambda: wheels.rear_m, lambda: wheels.ground_m, lambda: wheels.rear_axle_z_m)
        at = {k: Point(x=asks[k, "x"]().value, z=asks[k, "z"]().value) for k in names}
        x = wheels.rear_m + (self.resolved.stretch_m if not self.placed.old else 0.0)
        return ArmOut(**at, contact=Point(x=x, z=wheels.ground_m), axle=Point(x=x, z=wheels.rear_axle_z_m))

    @lazy
    def swing_cases(self) -> list[tuple[LoadCase, Swung]]:
        """Shock and pivot in each case. The load of the wheel is that of the heaviest loading on the rear axle."""
        figure = self.mount.swing.mass
        mass = lambda: need(figure, self._p("mount/swing/mass"), "mass of what swings: unit, wheel and silencer").si
        all_or_cannot_say(lambda: self.arm, mass, lambda: self.rear_load, lambda: self.final)
        arm = self.arm
        pivot, lower, upper, contact, cg = (
            np.array([p.x, p.z]) for p in (arm.pivot, arm.shock_lower, arm.shock_upper, arm.contact, arm.cg)
        )
        return [
            (case, swing_unit_reactions(pivot, lower, upper, contact, self.n_z(case) * self.rear_load, case.pull * self.final.road_n, mass(), cg))
            for case in self.table
        ]  # fmt: skip

    @lazy
    def rear_load(self) -> float:
        """Load of the rear wheel on the road in the heaviest loading, N; from the balance bench."""
        return self.masses.rear() * G0_M_S2

    def worst_swing(self, what: str) -> tuple[LoadCase, float]:
        """Case and size of the greatest load on the pivot or the shock, N."""
        size = (lambda w: w.pivot_size_n) if what == "pivot" else (lambda w: abs(w.shock_n))
        case, swung = max(self.swing_cases, key=lambda c: size(c[1]))
        return case, size(swung)

    def _swing_values(self, out: ValueList) -> None:
        old = self.old
        for what, label in (("pivot", "Worst load on the pivot"), ("shock", "Worst load of the shock")):
            out.add(
                what, label, "force", lambda w=what: self.worst_swing(w)[1], before=(lambda w=what: old.worst_swing(w)[1]) if old else None,
                working=(lambda: pivot_size.working(*max((c[1] for c in self.swing_cases), key=lambda w: w.pivot_size_n).pivot_n)) if what == "pivot" else None,
                source="statics of the arm in the side view",
            )  # fmt: skip

    @lazy
    def face_terms(self) -> tuple[float, float, float]:
        """Bump in g, mass and overhang of a motor on the face of a gearbox."""
        face, unit = self.mount.face, self.installation.unit
        asks = (
            lambda: need(unit.mass, self._p("unit/mass"), f"mass of the {self.name}").si,
            lambda: need(face.overhang, self._p("mount/face/overhang"), f"from the gearbox face to the CG of the {self.name}, plate and all").si,
        )  # fmt: skip
        all_or_cannot_say(*asks)
        return BUMP_G, asks[0](), asks[1]()

    @lazy
    def third_terms(self) -> tuple[float, float, float, float, float]:
        """The same with the third point and the gearbox's own supports."""
        face, base = self.mount.face, self._p("mount/face")
        asks = (
            lambda: need(face.support_behind, f"{base}/support_behind", "from the gearbox supports to the face").si,
            lambda: need(face.third_at, f"{base}/third_at", "from the face to the third point").si,
        )
        all_or_cannot_say(lambda: self.face_terms, *asks)
        return *self.face_terms, asks[0](), asks[1]()

    @lazy
    def face_bolts(self) -> FaceBolts:
        """Worst tension and shear of the bolts on the face."""
        face, unit = self.mount.face, self.installation.unit
        asks = (
            lambda: need(unit.peak_torque, self._p("unit/peak_torque"), f"peak torque of the {self.name}").si,
            lambda: need(face.bolts, self._p("mount/face/bolts"), "bolts on the gearbox face").si,
            lambda: need(face.bolt_circle, self._p("mount/face/bolt_circle"), "bolt circle on the gearbox face").si,
        )
        all_or_cannot_say(lambda: self.face_terms, *asks)
        n, mass, overhang = self.face_terms
        return overhung_motor_face(mass, overhang, n, asks[0](), int(asks[1]()), asks[2]())

    @property
    def on_face(self) -> bool:
        """Whether this unit is bolted to a gearbox's face."""
        return self.mount.face != Face()

    def _face_values(self, out: ValueList) -> None:
        old = self.old
        if not self.on_face:
            return
        out.add(
            "face-moment", "Moment on the gearbox face, bump", "moment", lambda: face_moment(*self.face_terms), before=(lambda: face_moment(*old.face_terms)) if old and old.on_face else None,
            working=lambda: face_moment.working(*self.face_terms),
        )  # fmt: skip
        if self.mount.face.third_at is not None:
            out.add(
                "third-point", "Load on the third point, bump", "force", lambda: third_point(*self.third_terms), working=lambda: third_point.working(*self.third_terms)
            )  # fmt: skip
        out.add(
            "face-tension",
            "Worst tension of a face bolt, no preload",
            "force",
            lambda: self.face_bolts.tension_n,
            source="elastic bolt group, statics",
        )
        out.add(
            "face-shear",
            "Worst shear of a face bolt",
            "force",
            lambda: self.face_bolts.shear_n,
            source="elastic bolt group, statics",
        )

    def _point_values(self, out: ValueList) -> None:
        """Headline values of the points."""
        old = self.old
        out.add(
            "carried",
            "Mass on the mount",
            "mass",
            lambda: self.carried[0],
            before=(lambda: old.carried[0]) if old else None,
            working=lambda: carried_mass.working(*self._masses()),
        )
        if not self.resolved.has("across"):
            out.add(
                "limit-torque", "Limit torque at the flange", "torque", lambda: abs(self.limit_torque), before=(lambda: abs(old.limit_torque)) if old else None,
                working=self._torque_working, source=PEAK_SOURCE,
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
        if self.resolved.has("firewall"):
            out.add(
                "load-factor-up", "Pull-up, limit", "number", lambda: self.load_factors[0], source=LOAD_FACTOR_SOURCE
            )
            out.add(
                "load-factor-down",
                "Push-over, limit",
                "number",
                lambda: self.load_factors[1],
                source=LOAD_FACTOR_SOURCE,
            )

    def _reserve_working(self) -> Working:
        key, _, case, load = self.least_reserve
        strength = self.mount.points[key].strength
        assert strength is not None
        return reserve_factor.working(strength.si, self.ultimate_factor(case), FITTING_FACTOR, load)

    def tables(self) -> MountOut:
        """Cases and points."""
        points_here = self.resolved.has("spring points")
        shared, old = or_none(lambda: self.shared) if points_here else None, self.old
        keys = self.placed.mount_keys if points_here else []
        cases = []
        for case in self.table if points_here else ():
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
        tied = self.resolved.has("firewall") or self.resolved.has("bed")
        for row, key in enumerate(keys):
            pull = push = shear = size = reserve = None
            at = or_none(lambda k=key: self.placed.mount_point(k))
            held = or_none(lambda k=key: self.placed.structure_point(k)) if tied else None
            name = None
            if shared and shared[0]:
                loads = shared[2].load_n[row]
                pull, push = max(0.0, float(-loads[0].min())), max(0.0, float(loads[0].max()))
                shear = float(np.hypot(loads[1], loads[2]).max())
                column = int(np.argmax(self.sizes[row]))
                size = float(self.sizes[row, column])
                name = next(c.name for c in self.table if c.id in shared[0] and column in shared[0][c.id])
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
                    x_si=at[0].value if at else None,
                    y_si=at[1].value if at else None,
                    z_si=at[2].value if at else None,
                    structure_y_si=held[1].value if held else None,
                    structure_z_si=held[2].value if held else None,
                )
            )
        swing = (or_none(lambda: self.swing_cases) or []) if self.resolved.has("swing unit") else []
        return MountOut(
            cases=cases, points=rows, old_worst_si=or_none(lambda: old.worst[2]) if old and points_here else None,
            swing=[
                SwingOut(id=c.id, name=c.name, source=c.source, shock_si=w.shock_n, pivot_x_si=w.pivot_n[0], pivot_z_si=w.pivot_n[1], pivot_si=w.pivot_size_n)
                for c, w in swing
            ],
            arm=or_none(lambda: self.arm) if self.resolved.has("swing unit") else None,
        )  # fmt: skip


def _vector(local: Local) -> Vector:
    return np.array([t.value for t in local])
