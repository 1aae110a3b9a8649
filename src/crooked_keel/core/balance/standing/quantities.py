"""The craft on its wheels at each step of the work: what each carries, how near it is to tipping, and where a stand
must go.

In the attitude in which it stands: a craft on a tail wheel is turned nose up about its mains first, for what sits high
then lies further aft.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import replace
from typing import NamedTuple

from ...errors import CannotSay, Gap, ask_all, or_gap
from ...formula import record
from ...judging.finding import LeftOut
from ...judging.subjects import Known, Subject, known_of
from ...resolved.craft import Resolved
from ...resolved.references import Axis, Body
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import Stands
from ..ledger.functions import Centre, apply_ledger
from ..ledger.quantities import Ledger
from .functions import HAND_KG, TouchPoint, outline_round, settled_reactions, turned

ALL_OUT, FINISHED = "All that goes is out", "Finished"


@record
class StepLoad:
    """What a wheel carries."""

    name: str
    mass_si: float


@record
class StepOut:
    """A step of the work: mass and CG, and what each wheel carries."""

    name: str
    mass_si: float
    x_si: float
    loads: list[StepLoad]


def _height(stand: TouchPoint) -> float:
    if isinstance(stand.z_m, CannotSay):
        raise CannotSay(*stand.z_m.needs)
    return stand.z_m


class WorkStep(NamedTuple):
    """A step: mass in kg, CG as it stands and its standard uncertainty in m, what its height over the ground wants,
    loads by support, and places as it stands."""

    name: str
    mass_kg: float
    x_level_m: float
    x_m: float
    u_m: float
    y_m: float
    height_m: float | None
    height_needs: list[Gap]
    loads: list[float]
    places: list[tuple[float, float]]
    hand_kg: float | None

    @property
    def light(self) -> int:
        """The support that carries least."""
        return min(range(len(self.loads)), key=lambda i: self.loads[i])


def _known(sums: Centre | CannotSay) -> Centre:
    if isinstance(sums, CannotSay):
        raise CannotSay(*sums.needs)
    return sums


class StandingSteps(Topic):
    """Steps of the work on the wheels. stands: where its supports touch, from the craft bench."""

    def __init__(self, resolved: Resolved, ledger: Ledger, stands: Stands) -> None:
        self.resolved = resolved
        self.ledger = ledger
        self._stands = stands

    @lazy
    def stands(self) -> list[TouchPoint]:
        """Supports in order."""
        if isinstance(self._stands, CannotSay):
            raise CannotSay(*self._stands.needs)
        return self._stands

    @property
    def in_one_line(self) -> bool:
        """Whether three supports or more stand in one line. Raises CannotSay."""
        return len(self.stands) > 2 and len(outline_round([(s.x_m, s.y_m) for s in self.stands])) < 3

    @lazy
    def nose_up(self) -> float:
        """How far the craft stands nose up of level, rad; none on a nose wheel that was not held up."""
        mains = [s for s in self.stands if s.role == "main"]
        third = [s for s in self.stands if s.role in ("nose", "tail")]
        held = any(s.raised is not None for s in self.resolved.project.craft.supports.values())
        if not mains or len(third) != 1 or (third[0].role == "nose" and not held):
            return 0.0
        ask_all(*[lambda s=s: _height(s) for s in [*mains, *third]])
        x, z = sum(s.x_m for s in mains) / len(mains), sum(_height(s) for s in mains) / len(mains)
        return math.atan((_height(third[0]) - z) / (third[0].x_m - x))

    def _sequence(self) -> list[tuple[str, list[Body]]]:
        """Names of the steps, and what changes with each."""
        made = [("As it stands", list(self.ledger.as_found))]
        rest = list(self.resolved.ledger)
        fitted = self.resolved.fit_id is not None
        if not fitted:
            # The engine comes out all the same, before anybody has said what goes in.
            rest += [b for placed in self.resolved.old for b in placed.taken_out]
        for placed, sign, word in [
            *((p, -1, "out") for p in self.resolved.old),
            (None, -1, ""),
            *((p, 1, "in") for p in self.resolved.installations),
        ]:
            if placed is None:
                name, taken = ALL_OUT, [b for b in rest if b.sign < 0]
            else:
                base = f"{placed.pointer}/"
                name, taken = (
                    f"{placed.name} {word}",
                    [b for b in rest if b.derived and b.sign == sign and b.pointer.startswith(base)],
                )
            if taken:
                ids = {id(b) for b in taken}
                rest = [b for b in rest if id(b) not in ids]
                made.append((name, taken))
        if fitted and any(b.sign for b in rest):
            made.append((FINISHED, rest))
        return made

    @property
    def steps(self) -> list[WorkStep]:
        """Every step that can be said, from as it stands to finished; raises what they need when none can."""
        return [step for _, step in self._walked.answers]

    @property
    def unsaid(self) -> LeftOut:
        """The steps that cannot be said."""
        return self._walked.left_out

    @lazy
    def _walked(self) -> Known[Callable[[], WorkStep], WorkStep]:
        made: list[Subject[Callable[[], WorkStep]]] = []
        sums: dict[Axis, Centre | CannotSay] = {"x": Centre(), "y": Centre(), "z": Centre()}
        for name, change in self._sequence():
            for axis in ("x", "y", "z"):
                if axis != "y" or not self.resolved.in_line:
                    sums[axis] = self._further(name, change, axis, sums[axis])
            then = dict(sums)
            step = lambda name=name, s=then: self._step(name, _known(s["x"]), s["y"], s["z"])
            made.append(Subject(name, name, step))
        return known_of(made, lambda step: step())

    def _further(self, name: str, change: list[Body], axis: Axis, start: Centre | CannotSay) -> Centre | CannotSay:
        """Sums with more put on or taken off, or what they need. The finished craft is known already, and so, going
        back from it over what is put in, is the craft with all out: whichever is the shorter way."""
        if isinstance(start, CannotSay):
            return start
        try:
            if name == FINISHED:
                return self._finished(axis)
            if name == ALL_OUT and self.resolved.fit_id is not None:
                put_in = [b for b in self.resolved.ledger if b.sign > 0]
                if len(put_in) < len(change):
                    return apply_ledger(
                        [replace(b, sign=-1) for b in self._counted(put_in, axis)], axis, self._finished(axis)
                    )
            return apply_ledger(self._counted(change, axis), axis, start)
        except CannotSay as gap:
            return gap

    def _finished(self, axis: Axis) -> Centre:
        """Sums of the empty craft after the work."""
        return {"x": lambda: self.ledger.empty, "y": lambda: self.ledger.empty_y, "z": lambda: self.ledger.empty_z}[
            axis
        ]()

    def _counted(self, bodies: list[Body], axis: Axis) -> list[Body]:
        """Bodies without those whose blank butt line cannot matter."""
        if axis != "y":
            return bodies
        out = {id(b) for b in self.ledger.lateral_left_out}
        return [b for b in bodies if id(b) not in out] if out else bodies

    def _step(self, name: str, x: Centre, across: Centre | CannotSay, height_of: Centre | CannotSay) -> WorkStep:
        y = 0.0 if self.resolved.in_line else _known(across).station_m
        angle = self.nose_up
        z = None if isinstance(height_of, CannotSay) and not angle else _known(height_of).station_m
        heights = or_gap(lambda: ask_all(*[lambda s=s: _height(s) for s in self.stands]))
        needs = [n for g in (height_of, heights) if isinstance(g, CannotSay) for n in g.needs]
        height: float | None = None
        if z is not None and not isinstance(heights, CannotSay):
            at, up = turned(x.station_m, z, angle)
            points = [turned(s.x_m, h, angle) for s, h in zip(self.stands, heights, strict=True)]
            height = up - sum(p[1] for p in points) / len(points)
            places = [(p[0], s.y_m) for p, s in zip(points, self.stands, strict=True)]
        else:
            at, places = x.station_m, [(s.x_m, s.y_m) for s in self.stands]
        worst = [settled_reactions(x.mass_kg, at + k * x.station.u, y, places) for k in (0.0, 2.0, -2.0)]
        light = min(range(len(places)), key=lambda i: min(w[i] for w in worst))
        loads = min(worst, key=lambda w: w[light]) if min(w[light] for w in worst) < 0 <= worst[0][light] else worst[0]
        return WorkStep(
            name,
            x.mass_kg,
            x.station_m,
            at,
            x.station.u,
            y,
            height,
            needs,
            loads,
            places,
            self._with_hand(x.mass_kg, at, y, places, light),
        )

    def _with_hand(
        self, mass_kg: float, x_m: float, y_m: float, places: list[tuple[float, float]], light: int
    ) -> float | None:
        """What the light wheel keeps when somebody leans on the far end, kg."""
        outline = self.resolved.project.craft.outline
        ends = [f.along_m for f in (outline.nose, outline.tail) if f is not None and f.origin == "datum"]
        if len(ends) < 2:
            return None
        middle = sum(p[0] for i, p in enumerate(places) if i != light) / (len(places) - 1)
        end = max(ends) if places[light][0] < middle else min(ends)
        total = mass_kg + HAND_KG
        x, y = (mass_kg * x_m + HAND_KG * end) / total, mass_kg * y_m / total
        return settled_reactions(total, x, y, places)[light]

    def tables(self) -> list[StepOut]:
        """Steps to list."""
        return [
            StepOut(
                name=s.name,
                mass_si=s.mass_kg,
                x_si=s.x_level_m,
                loads=[StepLoad(name=w.name, mass_si=kg) for w, kg in zip(self.stands, s.loads, strict=True)],
            )
            for s in self.steps
        ]
