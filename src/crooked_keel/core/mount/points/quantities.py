"""Points of the mount and what each takes."""

from __future__ import annotations

import math
from collections import Counter

import numpy as np

from ...errors import CannotSay, Gap, ask_all
from ...figure.doubt import figure_uncertainty
from ...figure.trace import need, standard_uncertainty
from ...formula import Working
from ...judging.finding import LeftOut
from ...judging.values import ValueList
from ...physics.geometry import Matrix, Vector
from ...reference.load_cases import LoadCase
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from ..acting import AXES, FITTING_FACTOR, PEAK_SOURCE, Acting, vector
from .functions import (
    LOAD_FACTOR_SOURCE,
    MountSpring,
    Shared,
    carried_mass,
    may_lie_in_line,
    mount_reactions,
    point_load,
    reserve_factor,
    sums_close,
    weakest_motion,
)


class Points(Topic):
    """Points on which a rigid unit rests, as springs. old: those of the unit that it replaces."""

    only_of = "spring points"

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, acting: Acting, old: Replaced[Points]) -> None:
        self.resolved = resolved
        self.placed = placed
        self.acting = acting
        self.mount = placed.installation.mount
        self.old = old

    def _p(self, path: str) -> str:
        return f"{self.placed.pointer}/{path}"

    @lazy
    def springs(self) -> list[MountSpring]:
        """The points as springs along their axis, the kind's own where none is said."""
        ask_all(
            lambda: self.placed.mount_points,
            *[
                lambda k=k, part=part: need(
                    getattr(self.mount.points[k], f"stiffness_{part}"),
                    self._p(f"mount/points/{k}/stiffness_{part}"),
                    f"{part} stiffness of point {self.mount.points[k].name}",
                )
                for k in self.placed.mount_keys
                for part in ("axial", "radial")
            ],
        )
        made = []
        for k in self.placed.mount_keys:
            point = self.mount.points[k]
            assert point.stiffness_axial is not None and point.stiffness_radial is not None
            made.append(
                MountSpring(
                    point.name,
                    vector(self.placed.mount_points[k]),
                    AXES[point.axis or self.resolved.references.kind.mount_axis],
                    point.stiffness_axial.si,
                    point.stiffness_radial.si,
                    point.stiffness_across.si if point.stiffness_across else None,
                )
            )
        return made

    @lazy
    def shared(self) -> tuple[dict[str, list[int]], Matrix, Shared, dict[str, CannotSay]]:
        """All cases that can be said, solved in one go: columns of each case, wrenches, loads, and the gaps."""
        ask_all(lambda: self.springs, lambda: self.acting.carried)
        columns: dict[str, list[int]] = {}
        gaps: dict[str, CannotSay] = {}
        all_wrenches: list[Vector] = []
        for case in self.acting.table:
            try:
                made = self.acting.wrenches(case)
            except CannotSay as gap:
                gaps[case.id] = gap
                continue
            columns[case.id] = list(range(len(all_wrenches), len(all_wrenches) + len(made)))
            all_wrenches += made
        matrix = np.array(all_wrenches).T
        return columns, matrix, mount_reactions(self.springs, self.acting.carried[1], matrix), gaps

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
        for case in self.acting.table:
            if case.kind == "limit" and case.id in columns:
                part = self.sizes[:, columns[case.id]]
                size = float(part.max())
                if size > best[2]:
                    best = (self.placed.mount_keys[int(np.argmax(part.max(axis=1)))], case.id, size)
        return best

    @lazy
    def _closures(self) -> Vector:
        _, wrenches, shared, _ = self.shared
        return sums_close(self.springs, self.acting.carried[1], wrenches, shared.load_n)

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
        """Least reserve factor of each point over all cases, with its case and load; points without strength left
        out."""
        columns = self.shared[0]
        most = {c: self.sizes[:, pick].max(axis=1) for c, pick in columns.items()}
        made = {}
        for row, key in enumerate(self.placed.mount_keys):
            strength = self.mount.points[key].strength
            loaded = [c for c in self.acting.table if c.id in columns and most[c.id][row] > 0]
            if strength is not None and loaded:
                factors = [
                    (
                        reserve_factor(
                            strength.si, self.acting.ultimate_factor(c), FITTING_FACTOR, float(most[c.id][row])
                        ),
                        c,
                        float(most[c.id][row]),
                    )
                    for c in loaded
                ]
                made[key] = min(factors, key=lambda f: f[0])
        return made

    @property
    def without_strength(self) -> LeftOut:
        """Points whose strength is not known."""
        points = self.mount.points
        blank = [k for k in self.placed.mount_keys if points[k].strength is None]
        where = lambda k: self._p(f"mount/points/{k}/strength")
        needs = [Gap(where(k), f"strength of point {points[k].name}") for k in blank]
        return LeftOut([points[k].name for k in blank], needs)

    def left_out(self, more: LeftOut | None = None) -> LeftOut:
        """Load cases that cannot be said, and what else was left out."""
        gaps = self.shared[3]
        needs = {n.pointer: n for gap in gaps.values() for n in gap.needs}
        names = [f"case {self.acting.case_name(k)}" for k in gaps]
        also = more or LeftOut()
        return LeftOut([*also.names, *names], [*also.needs, *needs.values()])

    def reserve_doubt(self, key: str) -> float:
        """Two standard deviations of the reserve of a point, as a share of it: of its strength, and of the mass that
        hangs on the points."""
        strength = self.mount.points[key].strength
        school = self.resolved.project.assumptions.tolerance_school or "two standard deviations"
        typed = strength is not None and strength.plus_minus is not None and strength.si > 0
        own = 2 * figure_uncertainty(strength, school) / strength.si if typed and strength is not None else 0.0
        return math.hypot(own, self.acting.carried_doubt)

    @lazy
    def weakest(self) -> tuple[float, str]:
        """How softly the weakest motion is held beside the stiffest, and that motion in words."""
        return weakest_motion(self.springs)

    @lazy
    def may_lie_in_line(self) -> bool:
        """Whether the points may lie in one line within the ± of their own places; what moves all of them together does
        not count."""
        places = [self.placed.mount_points[k] for k in self.placed.mount_keys]
        shared = Counter(o for place in places for o in {o for axis in place for o in axis.slopes})
        own = lambda axis: standard_uncertainty({o: s for o, s in axis.slopes.items() if shared[o] == 1})
        doubt_m = [2 * math.hypot(*map(own, place)) for place in places]
        return may_lie_in_line(np.array([vector(place) for place in places]), np.array(doubt_m))

    @lazy
    def least_reserve(self) -> tuple[str, float, LoadCase, float]:
        """Point, reserve factor, case and load where the reserve is least. Every point must have a strength."""
        points = self.mount.points
        ask_all(
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

    def _worst_vector(self) -> tuple[float, float, float]:
        """The greatest load on a point as its three parts, N."""
        key, case, _ = self.worst
        row, pick = self.placed.mount_keys.index(key), self.shared[0][case]
        column = pick[int(np.argmax(self.sizes[row, pick]))]
        x, y, z = (float(v) for v in self.shared[2].load_n[row, :, column])
        return x, y, z

    def values(self, out: ValueList) -> None:
        """Headline values of the points."""
        old = self.old
        out.add(
            "carried",
            "Mass on the mount",
            "mass",
            lambda: self.acting.carried[0],
            before=(lambda: old.acting.carried[0]) if old else None,
            working=lambda: carried_mass.working(*self.acting.masses()),
        )
        if not self.resolved.has("across"):
            out.add(
                "limit-torque",
                "Limit torque at the flange",
                "torque",
                lambda: abs(self.acting.limit_torque),
                before=(lambda: abs(old.acting.limit_torque)) if old else None,
                working=self.acting.torque_working,
                source=PEAK_SOURCE,
            )
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
                "load-factor-up",
                "Pull-up, limit",
                "number",
                lambda: self.acting.load_factors[0],
                source=LOAD_FACTOR_SOURCE,
            )
            out.add(
                "load-factor-down",
                "Push-over, limit",
                "number",
                lambda: self.acting.load_factors[1],
                source=LOAD_FACTOR_SOURCE,
            )

    def _reserve_working(self) -> Working:
        key, _, case, load = self.least_reserve
        strength = self.mount.points[key].strength
        assert strength is not None
        return reserve_factor.working(strength.si, self.acting.ultimate_factor(case), FITTING_FACTOR, load)
