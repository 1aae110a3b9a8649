"""A change of weight afloat: trim, heel, freeboards and GM before and after, empty and in every loading."""

from __future__ import annotations

import math
from typing import NamedTuple

from ...document import Mark, Tank
from ...errors import CannotSay, Gap, InputError, ask_all, or_none
from ...figure.trace import standard_uncertainty
from ...formula import record
from ...judging.finding import LeftOut
from ...judging.subjects import Subject, known_of
from ...physics.hydrostatics import (
    FloatedAfter,
    WeightChange,
    heel_angle,
    waterplane_from_freeboards,
    weight_change_afloat,
)
from ...physics.stability import Docked, SlackTank, dock_scale, fluid_gm, free_surface_correction
from ...resolved.craft import Resolved
from ...resolved.floating import Floating
from ...resolved.loads import Loads
from ...resolved.references import Body, got
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import AsFound
from ..ledger.functions import Centre, apply_ledger, sums_of


@record
class MarkOut:
    """Freeboard at a mark before and after."""

    id: str
    name: str
    before_si: float
    after_si: float


@record
class AfloatOut:
    """One state: empty, or a loading. Trim stern down, heel starboard down; None where it cannot be said."""

    id: str
    name: str
    displacement_before_si: float | None
    displacement_si: float | None
    sink_si: float | None
    trim_before_si: float | None
    trim_si: float | None
    heel_before_si: float | None
    heel_si: float | None
    gm_before_si: float | None
    gm_si: float | None
    water_slope_before: float | None
    water_slope: float | None
    water_at_lcf_before_si: float | None
    water_at_lcf_si: float | None
    marks: list[MarkOut]
    needs: list[Gap]


class State(NamedTuple):
    """A state before and after the work."""

    id: str
    name: str
    before: FloatedAfter
    after: FloatedAfter


EMPTY = "empty"
# A tank that holds less of its volume than this is not pressed full. Proposed.
_PRESSED = 0.97
# A change of trim that is still ok, and one that is not to be had, in parts of the waterline. Common practice, no
# source.
OK_TRIM = 0.005
STOP_TRIM = 0.015


class AfloatStates(Topic):
    """States afloat of a fit. as_found: bodies from the craft bench, the floating craft first."""

    def __init__(self, resolved: Resolved, loads: Loads, floating: Floating, as_found: AsFound) -> None:
        self.resolved = resolved
        self.loads = loads
        self.floating = floating
        self._found = as_found
        self._kept: dict[str, State] = {}
        self._marks: dict[str, list[MarkOut]] = {}
        self._doubts: dict[str, tuple[float, float, float]] = {}

    @property
    def found(self) -> list[Body]:
        """Bodies as found."""
        if isinstance(self._found, CannotSay):
            raise CannotSay(*self._found.needs)
        return self._found

    def _changes(self, bodies: list[Body]) -> list[WeightChange]:
        moving = [b for b in bodies if b.sign]
        ask_all(lambda: self.floating.keel, *[lambda m=m: got(m) for b in moving for m in (b.mass, b.x, b.y, b.z)])
        keel = self.floating.keel
        return [
            WeightChange(b.sign * got(b.mass).value, got(b.x).value, got(b.y).value, got(b.z).value - keel)
            for b in moving
        ]

    @lazy
    def _as_found(self) -> list[WeightChange]:
        return self._changes(self.found[1:])

    @lazy
    def _ledger(self) -> list[WeightChange]:
        return self._changes(self.resolved.ledger)

    def _loads(self, key: str, added: bool) -> list[Body]:
        if key == EMPTY:
            return []
        return [*self.loads.people(key), *self.loads.fuel(key, added)]

    def state(self, key: str) -> State:
        """A state before and after: `empty`, or a loading's id. Computed once."""
        if key not in self._kept:
            self._kept[key] = self._state(key)
        return self._kept[key]

    def _state(self, key: str) -> State:
        ask_all(
            lambda: self.floating.afloat(self.found[0]),
            lambda: self._as_found,
            lambda: self._changes(self._loads(key, True)),
            lambda: self._ledger,
        )
        start = self.floating.afloat(self.found[0])
        before = self._as_found + self._changes(self._loads(key, False))
        after = self._as_found + self._changes(self._loads(key, True)) + self._ledger
        name = "Empty" if key == EMPTY else self.loads.name(key)
        return State(
            key,
            name,
            self._fluid(key, False, weight_change_afloat(start, before)),
            self._fluid(key, True, weight_change_afloat(start, after)),
        )

    def bodies(self, key: str, after: bool = True) -> list[Body]:
        """Everything aboard in a state, before or after the work."""
        return [*self.found, *self._loads(key, after), *(self.resolved.ledger if after else ())]

    def slack(self, key: str, after: bool) -> tuple[list[SlackTank], list[Gap]]:
        """Free surfaces of a state: tanks that hold something, with what is missing of those whose surface is not
        known."""
        if key == EMPTY:
            return [], []
        loading, tanks, needs = self.loads.loadings[key], [], []
        for tank_id, pointer, tank in self.loads.tanks(after):
            held = loading.fuel.get(tank_id)
            if held is None or held.si <= 0:
                continue
            if tank.filling == "pressed full or empty":
                capacity = tank.capacity.si if tank.capacity is not None else None
                if capacity is None or held.si >= _PRESSED * capacity:
                    continue
                of = tank.capacity.entered if tank.capacity is not None else ""
                what = f"whether the {tank.name} is pressed full: it holds {held.entered} of {of}"
                needs.append(Gap(f"{pointer}/filling", what))
                # Meanwhile it is taken for slack.
            other = self._other_end(tank_id, tank, after)
            if other is not None:
                needs.append(other)
            parts = [
                (p, w)
                for p, w in (
                    ("surface_length", "length of the surface"),
                    ("surface_breadth", "breadth of the surface"),
                    ("density", "density"),
                )
                if getattr(tank, p) is None
            ]
            if parts:
                needs += [Gap(f"{pointer}/{p}", f"{w} in the {tank.name}") for p, w in parts]
                continue
            assert tank.surface_length and tank.surface_breadth and tank.density
            open_across = tank.joined == "pipe across, open" or other is not None
            joined = abs(tank.butt_line.along_m) if open_across and tank.butt_line else 0.0
            tanks.append(
                SlackTank(
                    tank.density.si,
                    tank.surface_length.si,
                    tank.surface_breadth.si,
                    int(tank.baffles.si) if tank.baffles else 1,
                    joined,
                )
            )
        return tanks, needs

    def _other_end(self, tank_id: str, tank: Tank, after: bool) -> Gap | None:
        """What is asked of a pair of tanks of which one end says that the pipe across is open and the other says
        otherwise, or nothing."""
        here = tank.butt_line.along_m if tank.butt_line is not None else 0.0
        if not here:
            return None
        for other_id, pointer, other in self.loads.tanks(after):
            there = other.butt_line.along_m if other.butt_line is not None else 0.0
            open_ends = [t.joined == "pipe across, open" for t in (tank, other)]
            if other_id != tank_id and here * there < 0 and any(open_ends) and not all(open_ends):
                where = f"{pointer}/joined" if open_ends[0] else f"{self._pointer(tank_id, after)}/joined"
                return Gap(where, f"whether the pipe between {tank.name} and {other.name} is open: its ends disagree")
        return None

    def _pointer(self, tank_id: str, after: bool) -> str:
        return next(p for k, p, _ in self.loads.tanks(after) if k == tank_id)

    def doubts(self, key: str) -> tuple[float, float, float]:
        """Two standard deviations of a state with the work done: of its change of trim (m), its heel (rad) and its GM
        (m). KM, the waterplane and what moves in the tanks are taken as exact. Computed once.

        Figures that mass and place share are counted once. Source: JCGM 100:2008, 5.1.2 (from memory)."""
        if key not in self._doubts:
            self._doubts[key] = self._doubts_of(self.state(key))
        return self._doubts[key]

    @lazy
    def _changed(self) -> tuple[Centre, Centre]:
        """Sums along and across of what was changed, before anything is loaded."""
        changes = [*self.found[1:], *self.resolved.ledger]
        return sums_of(changes, "x"), sums_of(changes, "y")

    @lazy
    def _empty_up(self) -> Centre:
        """Sums of the heights of all that is there, before anything is loaded."""
        return sums_of([*self.found, *self.resolved.ledger], "z")

    def _doubts_of(self, state: State) -> tuple[float, float, float]:
        after, loads, (along, across) = state.after, self._loads(state.id, True), self._changed
        lcf, mct = self.floating.lcf, after.mct_kg
        trim = {o: (ds - lcf * dm) / mct for o, (dm, ds) in sums_of(loads, "x", along).all_slopes().items()}
        high = apply_ledger(loads, "z", self._empty_up).station.u
        aside = sums_of(loads, "y", across).moment_slopes()
        stiff = after.displacement_kg * after.gm_m
        tilt = math.hypot(
            standard_uncertainty(aside) / stiff if stiff > 0 else math.inf,
            (after.heel_rad or 0.0) * high / after.gm_m if after.gm_m > 0 else math.inf,
        )
        return 2 * standard_uncertainty(trim), 2 * tilt, 2 * high

    def free_surface(self, key: str, after: bool, displacement_kg: float) -> float:
        """What slack tanks of a state take off GM, m; tanks whose surface is not known take nothing, and a finding says
        so."""
        return free_surface_correction(displacement_kg, self.slack(key, after)[0])

    def _fluid(self, key: str, after: bool, floated: FloatedAfter) -> FloatedAfter:
        fsc = self.free_surface(key, after, floated.displacement_kg)
        if not fsc:
            return floated
        gm = fluid_gm(floated.gm_m + floated.kg_m, floated.kg_m, fsc)
        heel = heel_angle(floated.heel_moment_kg_m, floated.displacement_kg, gm) if gm > 0 else None
        return floated._replace(gm_m=gm, heel_rad=heel)

    @lazy
    def docked(self) -> tuple[Docked, float, float] | None:
        """What her waterline says changed between the two sets of freeboards, and what the ledger says: mass and moment
        about the centre of flotation; None where no second set was read."""
        marks = [(k, m) for k, m in self.floating.marks if m.after is not None]
        if not marks:
            return None
        ask_all(lambda: self.floating.waterplane, lambda: self.floating.hydro, lambda: self.state(EMPTY))
        missing = [
            Gap(f"/craft/flotation/marks/{k}/after", f"freeboard at {m.name}, work done")
            for k, m in self.floating.marks
            if m.after is None
        ]
        if missing:
            raise CannotSay(*missing)
        points = []
        for key, mark in marks:
            x, y, sheer = self.floating.mark_at(key, mark)
            points.append((x.value, y.value, sheer.value - (mark.after.si if mark.after else 0.0)))
        now = waterplane_from_freeboards(points, self.floating.lcf)
        was, state = self.floating.waterplane, self.state(EMPTY)
        read = dock_scale(
            self.floating.hydro.immersion_kg_m,
            state.after.mct_kg,
            self.floating.lcf,
            now.height_m - was.height_m,
            (now.slope_aft - was.slope_aft) * self.floating.length,
            readings=len(points),
        )
        ledger = self._ledger
        lcf = self.floating.lcf
        return read, sum(c.mass_kg for c in ledger), sum(c.mass_kg * (c.x_m - lcf) for c in ledger)

    @property
    def keys(self) -> list[str]:
        """Ids of the states, empty first."""
        return [EMPTY, *self.loads.keys]

    def states(self) -> list[State]:
        """Every state that can be said; raises what the empty one needs when none can."""
        made = [s for k in self.keys if (s := or_none(lambda k=k: self.state(k))) is not None]
        return made or [self.state(EMPTY)]

    @lazy
    def unsaid(self) -> LeftOut:
        """States that cannot be said."""
        named = [Subject(k, "Empty" if k == EMPTY else self.loads.name(k), k) for k in self.keys]
        return known_of(named, self.state).left_out

    @lazy
    def unsaid_stiff(self) -> LeftOut:
        """States that cannot be said, and those of which a free surface is not known: heel and freeboard follow GM."""
        unsaid = self.unsaid
        slack = {s.name: self.slack(s.id, True)[1] for s in self.states()}
        needs = {n.pointer: n for gaps in slack.values() for n in gaps}
        names = [f"free surface, {name.lower()}" for name, gaps in slack.items() if gaps]
        return LeftOut([*unsaid.names, *names], [*unsaid.needs, *needs.values()])

    def trim_found(self) -> float:
        """Trim over the waterline as found, stern down, m; 0 when she is known by a report."""
        if self.resolved.project.craft.as_found.method == "report":
            return 0.0
        return self.floating.waterplane.slope_aft * self.floating.length

    def _slope_found(self) -> float:
        """Heel as found as a slope, starboard down: by the freeboards, or from the CG of the report."""
        if self.resolved.project.craft.as_found.method != "report":
            return self.floating.waterplane.slope_starboard
        start = self.floating.afloat(self.found[0])
        return start.tcg_m / (start.km_m - start.kg_m)

    def trim(self, state: FloatedAfter) -> float:
        """Trim over the waterline, stern down, m."""
        return self.trim_found() + state.trim_m

    def freeboard(self, key: str, mark: Mark, state: FloatedAfter) -> float:
        """Freeboard at a mark in a state, m: as read, less sinkage, trim and heel there."""
        heel = state.heel_rad
        if heel is None:
            raise InputError("/craft/flotation", "GM is lost: freeboards cannot be given")
        x, y, _ = self.floating.mark_at(key, mark)
        ask_all(lambda: self.floating.freeboard(key, mark), lambda: self.floating.length)
        arm = (x.value - self.floating.lcf) / self.floating.length
        change = state.sink_m + state.trim_m * arm + y.value * (math.tan(heel) - self._slope_found())
        return self.floating.freeboard(key, mark) - change

    def marks(self, key: str) -> list[MarkOut]:
        """Freeboards of a state before and after at every mark. Computed once."""
        if key not in self._marks:
            state = self.state(key)
            self._marks[key] = [
                MarkOut(k, m.name, self.freeboard(k, m, state.before), self.freeboard(k, m, state.after))
                for k, m in self.floating.marks
            ]
        return self._marks[key]

    def freeboards(self) -> list[tuple[State, MarkOut]]:
        """Every mark in every state that stays upright. Raises CannotSay without marks, InputError where no state stays
        upright."""
        upright = [s for s in self.states() if s.after.heel_rad is not None and s.before.heel_rad is not None]
        if not upright:
            self.marks(self.states()[0].id)  # says that GM is lost
        found = [(s, m) for s in upright for m in self.marks(s.id)]
        if not found:
            raise CannotSay(Gap("/craft/flotation/marks", "marks where freeboards are read"))
        return found

    def least(self) -> tuple[State, MarkOut]:
        """State and mark where least freeboard is left."""
        return min(self.freeboards(), key=lambda f: f[1].after_si)

    def most_lost(self) -> tuple[State, MarkOut]:
        """State and mark where the largest part of the freeboard is lost."""
        return max(self.freeboards(), key=lambda f: 1 - f[1].after_si / f[1].before_si if f[1].before_si > 0 else 1.0)

    def worst(self, size: str) -> State:
        """The state where trim change, heel or GM is worst."""
        keys = {
            "trim": lambda s: -abs(s.after.trim_m - s.before.trim_m) - self.doubts(s.id)[0],
            "lies": lambda s: -abs(self.trim(s.after)),
            "heel": lambda s: -math.inf if s.after.heel_rad is None else -abs(s.after.heel_rad) - self.doubts(s.id)[1],
            "gm": lambda s: s.after.gm_m - self.doubts(s.id)[2],
            "change": lambda s: -abs(s.after.displacement_kg - s.before.displacement_kg) / s.before.displacement_kg,
        }
        return min(self.states(), key=keys[size])
