"""A unit that swings with its wheel."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np

from ...errors import CannotSay, Gap, ask_all
from ...figure.trace import Traced, Uncertain, above_zero, need
from ...figure.units import G0_M_S2
from ...formula import record
from ...judging.values import ValueList
from ...reference.load_cases import LoadCase
from ...reference.outlines import Point
from ...resolved.craft import Resolved
from ...resolved.handed import RearKg
from ...resolved.installation import ResolvedInstallation
from ...resolved.references import Axis
from ...resolved.wheels import Wheels
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from ..acting import Acting
from .functions import NO_LEVER_M, Swung, pivot_size, shock_lever, swing_unit_reactions


@record
class ArmOut:
    """Places of a swinging unit in the side view, m: pivot, ends of the shock, CG, ground contact of the wheel and its
    axle."""

    pivot: Point
    shock_lower: Point
    shock_upper: Point
    cg: Point
    contact: Point
    axle: Point


_NAMES = {
    "pivot": "pivot",
    "shock_lower": "lower end of the shock",
    "shock_upper": "upper end of the shock",
    "cg": "CG of what swings",
}


class SwingArm(Topic):
    """A unit that swings with its wheel: pivot and shock. rear_kg: mass on the rear axle in the heaviest loading, from
    the balance bench."""

    only_of = "swing unit"

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        acting: Acting,
        wheels: Wheels | None,
        rear_kg: RearKg,
        old: Replaced[SwingArm],
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.acting = acting
        self.mount = placed.installation.mount
        self.wheels = wheels
        self._rear_kg = rear_kg
        self.old = old

    def _p(self, path: str) -> str:
        return f"{self.placed.pointer}/{path}"

    def _places(self, names: Iterable[str]) -> dict[tuple[str, Axis], Traced]:
        """Places of a swinging unit in the side view, m, each by its name and axis. Raises CannotSay."""
        s, base = self.mount.swing, self._p("mount/swing")
        place = self.resolved.references.place
        parts: tuple[tuple[str, Axis, str], ...] = (("station", "x", "station"), ("water_line", "z", "height"))
        asks = {
            (k, axis): (
                lambda k=k, part=part, axis=axis, said=said: place(
                    getattr(s, f"{k}_{part}"), f"{base}/{k}_{part}", f"{said} of the {_NAMES[k]}", axis
                )
            )
            for k in names
            for part, axis, said in parts
        }
        return dict(zip(asks, ask_all(*asks.values()), strict=True))

    @lazy
    def arm(self) -> ArmOut:
        """Where pivot, shock, CG and wheel of a swinging unit are, after the stretch of its frame."""
        wheels = self.wheels
        if wheels is None:
            raise CannotSay(Gap("/craft/supports", "wheels"))
        places, rear, ground, axle = ask_all(
            lambda: self._places(_NAMES), lambda: wheels.rear_m, lambda: wheels.ground_m, lambda: wheels.rear_axle_z_m
        )
        at = {k: Point(x=places[k, "x"].value, z=places[k, "z"].value) for k in _NAMES}
        x = rear + (self.resolved.stretch_m if not self.placed.old else 0.0)
        return ArmOut(**at, contact=Point(x=x, z=ground), axle=Point(x=x, z=axle))

    @lazy
    def swing_cases(self) -> list[tuple[LoadCase, Swung]]:
        """Shock and pivot in each case. The load of the wheel is that of the heaviest loading on the rear axle."""
        figure = self.mount.swing.mass
        mass = lambda: need(figure, self._p("mount/swing/mass"), "mass of what swings: unit, wheel and silencer").si
        ask_all(lambda: self.arm, mass, lambda: self.rear_load, lambda: self.acting.final, lambda: self.grip)
        arm = self.arm
        pivot, lower, upper, contact, cg = (
            np.array([p.x, p.z]) for p in (arm.pivot, arm.shock_lower, arm.shock_upper, arm.contact, arm.cg)
        )
        return [
            (
                case,
                swing_unit_reactions(
                    pivot,
                    lower,
                    upper,
                    contact,
                    self.acting.n_z(case) * self.rear_load,
                    case.pull * self.acting.final.road_n - case.brake * self.grip * self.rear_load,
                    mass(),
                    cg,
                ),
            )
            for case in self.acting.table
        ]

    @lazy
    def lever(self) -> Uncertain:
        """How far the line of the shock passes the pivot, m, and its standard uncertainty by the ± of the places.
        Raises CannotSay, InputError where the ends of the shock are in one place."""
        known = list(self._places(("pivot", "shock_lower", "shock_upper")).values())
        at = np.array([p.value for p in known])
        of = lambda v: shock_lever(v[:2], v[2:4], v[4:])
        steps = np.eye(len(at)) * 1e-6
        slopes = [(of(at + d) - of(at - d)) / 2e-6 for d in steps]
        return Uncertain(of(at), float(np.hypot.reduce([k * p.u for k, p in zip(slopes, known, strict=True)])))

    @property
    def hangs_free(self) -> bool:
        """Whether the shock points at the pivot and so holds nothing. Raises as `lever` does."""
        return abs(self.lever.value) < NO_LEVER_M

    @property
    def may_hang_free(self) -> bool:
        """Whether it may, within the ± of the places. Raises as `lever` does."""
        return abs(self.lever.value) < NO_LEVER_M + 2 * self.lever.u

    @lazy
    def grip(self) -> float:
        """Grip of the tyre that is braked."""
        return above_zero(self.resolved.project.craft.road.grip, "/craft/road/grip", "grip of the driven tyre")

    @lazy
    def rear_load(self) -> float:
        """Load of the rear wheel on the road in the heaviest loading, N; from the balance bench."""
        if isinstance(self._rear_kg, CannotSay):
            raise CannotSay(*self._rear_kg.needs)
        return self._rear_kg * G0_M_S2

    def worst_swing(self, what: str) -> tuple[LoadCase, float]:
        """Case and size of the greatest load on the pivot or the shock, N."""
        size = (lambda w: w.pivot_size_n) if what == "pivot" else (lambda w: abs(w.shock_n))
        case, swung = max(self.swing_cases, key=lambda c: size(c[1]))
        return case, size(swung)

    def values(self, out: ValueList) -> None:
        """Headline values."""
        old = self.old
        for what, label in (("pivot", "Worst load on the pivot"), ("shock", "Worst load of the shock")):
            out.add(
                what,
                label,
                "force",
                lambda w=what: self.worst_swing(w)[1],
                before=(lambda w=what: old.worst_swing(w)[1]) if old else None,
                working=(
                    lambda: pivot_size.working(
                        *max((c[1] for c in self.swing_cases), key=lambda w: w.pivot_size_n).pivot_n
                    )
                )
                if what == "pivot"
                else None,
                source="statics of the arm in the side view",
            )
