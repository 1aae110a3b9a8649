"""What must hold wherever things are placed, for each kind of craft: lines in the mass and the moments of what changes.

With masses as they are every limit below is one: of CG by moments; of axles, pitch and lean by moments about the front
axle, the ground and the centreline; of trim, heel and GM by moments about the waterline. What the assessment judges
afterwards is the same, and more.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import NamedTuple

from ...balance.afloat.quantities import EMPTY as EMPTY_BOAT
from ...balance.afloat.quantities import OK_TRIM, STOP_TRIM, State
from ...balance.afloat.rules import HEEL_OK, HEEL_STOP
from ...balance.loadings.frontier import Side
from ...balance.loadings.quantities import TrailPoint
from ...balance.pitch.rules import LEAN_OK, LEAN_STOP, WHEELIE_OK, WHEELIE_STOP, split_band
from ...balance.section import Balance
from ...balance.stability.rules import GM_LEAST_M, GM_WATCH_M
from ...balance.wheels.quantities import End
from ...balance.wheels.rules import SHIFT_OK, SHIFT_STOP, STABILITY_OK, STABILITY_STOP, axle_cap
from ...balance.wheels.stance import EMPTY

# Change of mass (kg) and of its moments along x, y and z (kg·m).
Effect = tuple[float, float, float, float]
# Left over what the program aims at, m: what the tape rounds away.
_TAPE_M = 0.0005


class Bound(NamedTuple):
    """has + effect·change ≥ ease keeps it ok. has + stop_effect·change ≥ 0 keeps it from being a stop, where the slope
    of that line is another. mass_kg divides what is left of a CG limit into a margin, m; 0 for what is not one."""

    effect: Effect
    has: float
    ease: float
    mass_kg: float = 0.0
    stop_effect: Effect | None = None

    def line(self, ease: bool) -> tuple[Effect, float]:
        """Effect and what is left of the line that is wanted: ok, or no stop."""
        return (self.effect, self.has - self.ease) if ease else (self.stop_effect or self.effect, self.has)


class Aim(NamedTuple):
    """Something to bring to nothing: |has + effect·change|, kg·m; mass_kg makes metres of it."""

    effect: Effect
    has: float
    mass_kg: float


class _Point(NamedTuple):
    """A loading: its mass (kg), moment (kg·m), limits (m), their slopes (m/kg), and the doubt of either margin (m) and
    of the mass (kg)."""

    mass_kg: float
    moment_kg_m: float
    limits_m: tuple[float, float]
    slopes_m_kg: tuple[float, float]
    u_m: tuple[float, float]
    u_kg: float

    @classmethod
    def of(cls, p: TrailPoint) -> _Point:
        """A point along a burn."""
        return cls(
            p.mass_kg,
            p.centre.moment_kg_m,
            (p.forward_limit_m, p.aft_limit_m),
            (p.forward_slope_m_kg, p.aft_slope_m_kg),
            (p.u("forward"), p.u("aft")),
            p.centre.mass.u,
        )


def _extremes(bench: Balance) -> list[_Point]:
    """The worst of every loading that places and tanks allow, on either side; none where nobody said what they may
    carry."""
    every = bench.every
    if not every.ranges_given:
        return []
    made = []
    sides: tuple[Side, Side] = ("forward", "aft")
    for side in sides:
        worst, u = every.worst_of_all(side)
        cut = bench.limits.envelope.cut(worst.at.mass_kg)
        if cut is not None:
            made.append(
                _Point(
                    worst.at.mass_kg,
                    worst.at.mass_kg * worst.at.x_m,
                    (cut.forward_m, cut.aft_m),
                    (cut.forward_slope_m_kg, cut.aft_slope_m_kg),
                    (u, u),
                    0.0,
                )
            )
    return made


def _cg_limits(bench: Balance) -> Iterator[Bound]:
    gross = bench.limits.gross
    points = [_Point.of(p) for case in bench.loadings.cases for p in case.trail] + _extremes(bench)
    for p in points:
        m, moment = p.mass_kg, p.moment_kg_m
        for side, sign in ((0, 1.0), (1, -1.0)):
            limit, slope = p.limits_m[side], p.slopes_m_kg[side]
            # sign·(moment + Δmoment − limit·(m + Δm) − slope·m·Δm) ≥ margin·m
            effect = (-sign * (limit + slope * m), sign, 0.0, 0.0)
            yield Bound(effect, sign * (moment - limit * m), (2 * p.u_m[side] + _TAPE_M) * m, m)
    heaviest = max(p.mass_kg + 2 * p.u_kg for p in points)
    yield Bound((-1.0, 0.0, 0.0, 0.0), max(gross - heaviest - 0.1, 0.0), 0.0, 0.0)


def _axles(bench: Balance) -> Iterator[Bound]:
    """Loads on the axles against plate and tyres, in every loading."""
    axles = bench.rolls
    front_m = axles.wheels.front_m
    for s in axles.stances():
        per = 1 / s.base_m
        both: tuple[tuple[End, float, Effect], ...] = (
            ("front", s.front_kg, (-(1 + front_m * per), per, 0.0, 0.0)),
            ("rear", s.rear_kg, (front_m * per, -per, 0.0, 0.0)),
        )
        for end, load, effect in both:
            cap = axle_cap(bench.rolls, bench.limits, end)[0]
            yield Bound(effect, cap - load, max(0.05 * cap, axles.load_doubt(s, end)))


def _pitch_limits(bench: Balance) -> Iterator[Bound]:
    """Split between the axles, wheelie and lean, ridden; without rider for the lean."""
    axles = bench.rolls
    lo, hi = split_band(bench.resolved)
    for s in axles.ridden():
        # Masses change by lead alone, which two-wheelers do not carry: moments along x are all there is. No split is
        # a stop.
        whole = s.base_m * s.mass_kg
        for way, left in ((-1.0, s.front_share - lo), (1.0, hi - s.front_share)):
            yield Bound(
                (0.0, way, 0.0, 0.0), (left + 1.0) * whole, (1.0 + axles.doubt(s.id, {"x": 1 / s.base_m})) * whole
            )
    for s in axles.heights():
        moment, height = (s.base_m - s.x_m) * s.mass_kg, s.height() * s.mass_kg
        yield Bound(
            (0.0, -1.0, 0.0, -WHEELIE_OK),
            moment - WHEELIE_STOP * height,
            (WHEELIE_OK + axles.pitch_doubt(s, True) - WHEELIE_STOP) * height,
            stop_effect=(0.0, -1.0, 0.0, -WHEELIE_STOP),
        )
    y, z = axles.lean()
    mass = axles.sums(EMPTY, True, "y").mass_kg
    far = y * y + z * z
    stop, ok, doubt = math.tan(LEAN_STOP), math.tan(LEAN_OK), axles.doubt(EMPTY, {"y": z / far, "z": -y / far})
    for sign in (1.0, -1.0):
        yield Bound(
            (0.0, 0.0, -sign, ok),
            mass * (stop * z - sign * y),
            mass * z * (stop - ok + doubt),
            stop_effect=(0.0, 0.0, -sign, stop),
        )


def _corners(bench: Balance) -> Iterator[Bound]:
    """Shift between the axles, and the static stability, in every loading."""
    axles = bench.rolls
    for s in axles.stances():
        was = axles.stance(s.id, False).front_share
        whole = s.base_m * s.mass_kg
        for way, left in ((-1.0, SHIFT_STOP + s.front_share - was), (1.0, SHIFT_STOP - s.front_share + was)):
            yield Bound((0.0, way, 0.0, 0.0), left * whole, (SHIFT_STOP - SHIFT_OK) * whole)
    for s in axles.heights():
        track, _, height = axles.stability_terms(s.id)
        stop = s.mass_kg * (track / 2 - STABILITY_STOP * height)
        doubt = axles.stability(s.id)[1]
        by_x, off = axles.half_track_by_station(s), axles.sums(s.id, True, "y").station_m - axles.middle
        for sign in (1.0, -1.0):
            yield Bound(
                (0.0, by_x, -sign, -STABILITY_OK),
                stop - sign * s.mass_kg * off,
                s.mass_kg * height * (STABILITY_OK + doubt - STABILITY_STOP),
                stop_effect=(0.0, by_x, -sign, -STABILITY_STOP),
            )


def _afloat(bench: Balance) -> Iterator[Bound]:
    """Change of trim, list and GM of every state, with the waterplane held."""
    length = bench.floats.floating.length
    for s in bench.floats.states():
        after, was = s.after, s.before.trim_m
        mct, mass = after.mct_kg, after.displacement_kg
        of_trim, of_heel, of_gm = bench.floats.doubts(s.id)
        # trim·MCT is the moment, and MCT falls by a kilogram-metre for each of height: MCT = m·(KM − KG)/L.
        for sign in (1.0, -1.0):
            stop, ok = STOP_TRIM * length + sign * was, OK_TRIM * length + sign * was
            yield Bound(
                (0.0, -sign, 0.0, -ok / length),
                stop * mct - sign * after.trim_moment_kg_m,
                (stop - ok + of_trim) * mct,
                stop_effect=(0.0, -sign, 0.0, -stop / length),
            )
        stiff = mass * after.gm_m
        stop, ok = math.tan(HEEL_STOP), math.tan(HEEL_OK)
        for sign in (1.0, -1.0):
            yield Bound(
                (0.0, 0.0, -sign, -ok),
                stop * stiff - sign * after.heel_moment_kg_m,
                (stop - ok + of_heel) * stiff,
                stop_effect=(0.0, 0.0, -sign, -stop),
            )
        yield Bound((0.0, 0.0, 0.0, -1.0), stiff - GM_LEAST_M * mass, (GM_WATCH_M + of_gm - GM_LEAST_M) * mass)


def bounds(bench: Balance) -> list[Bound]:
    """Every line that must hold in this kind of craft. Raises CannotSay or InputError where a limit cannot be said."""
    has = bench.resolved.has
    made: list[Bound] = []
    if has("cg limits"):
        made += _cg_limits(bench)
    if has("afloat"):
        made += _afloat(bench)
    if has("stands on wheels"):
        made += _axles(bench)
    if has("pitch limits"):
        made += _pitch_limits(bench)
    if has("corners"):
        made += _corners(bench)
    return made


def split_as_before(bench: Balance) -> Aim:
    """The first ridden state back to the split that it had."""
    s = bench.rolls.ridden()[0]
    was = bench.rolls.stance(s.id, False).front_share
    return Aim((0.0, -1.0, 0.0, 0.0), (s.front_share - was) * s.base_m * s.mass_kg, s.mass_kg)


def trim_as_before(bench: Balance) -> Aim:
    """The empty boat back to the trim that she had."""
    s: State = bench.floats.state(EMPTY_BOAT)
    return Aim(
        (0.0, 1.0, 0.0, 0.0), s.after.trim_moment_kg_m - s.before.trim_m * s.after.mct_kg, s.after.displacement_kg
    )


def upright(bench: Balance) -> Aim:
    """The empty craft with its CG over the centreline, or a boat without a list."""
    if bench.resolved.has("afloat"):
        s = bench.floats.state(EMPTY_BOAT)
        return Aim((0.0, 0.0, 1.0, 0.0), s.after.heel_moment_kg_m, s.after.displacement_kg)
    centre = bench.rolls.sums(EMPTY, True, "y")
    return Aim((0.0, 0.0, 1.0, 0.0), centre.moment_kg_m, centre.mass_kg)
