"""A hull by its sections: volume, centres and waterplane at any draft, trim and heel, and how she floats with a given
mass and CG.

Craft axes: station positive aft, butt line positive to starboard, height positive up. The water is the plane z = T +
a·(x − x0) + b·y: a is the tangent of the trim (stern down), b that of the heel (starboard down). Source: naval
architecture, hydrostatics by integration.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from ..errors import InputError

FIELD = "/craft/flotation/sections"
# From so many sections on the trapezoid rule is as good as the parabolic one.
_MANY = 41
_MOST_HEEL = math.radians(30)
Numbers = NDArray[np.float64]


class Section(NamedTuple):
    """One section: its station and its outline in order, (butt line, height) in m, both sides, closed at the deck."""

    x_m: float
    outline: tuple[tuple[float, float], ...]


class Immersed(NamedTuple):
    """What is under water: m³, m; the waterplane: m², its centre of flotation, second moments about axes through it,
    m⁴; and the station of the first deck edge under water, or None."""

    volume_m3: float
    x_m: float
    y_m: float
    z_m: float
    area_m2: float
    lcf_m: float
    inertia_m4: float
    inertia_long_m4: float
    deck_under_m: float | None


class Floats(NamedTuple):
    """How she floats: height of the water at the reference, tangents of trim and heel, GM, and what is under water."""

    draft_m: float
    trim: float
    heel: float
    gm_m: float
    immersed: Immersed


def both_sides(half: Sequence[tuple[float, float]]) -> tuple[tuple[float, float], ...]:
    """A half section from keel to deck edge, starboard, as a whole closed outline.

    Raises InputError for one that goes on over the crown of the deck: its highest point would be taken for the edge
    where water comes aboard."""
    widest = max((y for y, _ in half), default=0.0)
    if len(half) > 2 and widest > 0 and half[-1][0] < 0.25 * widest and half[-1][1] > 0.5 * max(z for _, z in half):
        at_widest = max(half, key=lambda p: p[0])
        if half[-1][1] > at_widest[1]:
            raise InputError(
                FIELD,
                "a section ends at the deck edge, where water comes aboard; this one goes on to the middle of the deck",
                given=f"last point {round(half[-1][0], 3)} m out, {round(half[-1][1], 3)} m up",
                allowed="points from the keel to the deck edge",
            )
    port = [(-y, z) for y, z in reversed(half) if y > 1e-9]
    return (*half, *port)


@dataclass(frozen=True)
class Hull:
    """Sections checked and ready to be cut by a plane."""

    stations: Numbers
    y: Numbers
    z: Numbers
    weights: Numbers

    @classmethod
    def of(cls, sections: Sequence[Section]) -> Hull:
        """Raises InputError: fewer than seven, out of order, a section not closed or without area, or fewer than 41
        that are neither odd in number nor evenly spaced (the parabolic rule wants both)."""
        if len(sections) < 7:
            raise InputError(FIELD, "seven sections or more are wanted", given=f"{len(sections)} sections")
        x = np.array([s.x_m for s in sections])
        steps = np.diff(x)
        if np.any(steps <= 0):
            first = int(np.argmax(steps <= 0)) + 2
            raise InputError(FIELD, f"section {first} is not aft of the one before it: give them in order from the bow")
        if len(sections) < _MANY:
            gap = steps.max() > 1.02 * steps.min()
            if gap or len(sections) % 2 == 0:
                why = "they are not evenly spaced: is one left out?" if gap else "their number is even"
                raise InputError(
                    FIELD,
                    f"fewer than {_MANY} sections want the parabolic rule, odd in number and even in spacing; {why}",
                )
        most = max(len(s.outline) for s in sections)
        y, z = np.zeros((len(sections), most)), np.zeros((len(sections), most))
        for i, section in enumerate(sections):
            points = _counter_clockwise(section, i + 1)
            padded = [*points, *[points[-1]] * (most - len(points))]
            y[i], z[i] = [p[0] for p in padded], [p[1] for p in padded]
        return cls(x, y, z, _weights(x))

    @property
    def length_m(self) -> float:
        """From the first section to the last."""
        return float(self.stations[-1] - self.stations[0])

    @property
    def beam_m(self) -> float:
        """Greatest breadth."""
        return float((self.y.max(axis=1) - self.y.min(axis=1)).max())

    @property
    def lowest_m(self) -> float:
        """Lowest point."""
        return float(self.z.min())

    @property
    def highest_m(self) -> float:
        """Highest point of a deck."""
        return float(self.z.max())

    def cut(self, draft_m: float, trim: float = 0.0, heel: float = 0.0, reference_m: float = 0.0) -> Immersed:
        """What is under a plane of water. Raises InputError when nothing is.

        Each section is cut with the origin on the water, so that the cut itself adds nothing to the sums round its
        outline."""
        water = draft_m + trim * (self.stations - reference_m)
        y, z = self.y, self.z - water[:, None]
        under = heel * y - z
        y2, z2, under2 = np.roll(y, -1, 1), np.roll(z, -1, 1), np.roll(under, -1, 1)
        wet, wet2 = under >= 0, under2 >= 0
        span = under - under2
        at = np.where(np.abs(span) > 1e-300, under / np.where(span == 0, 1.0, span), 0.0)
        start, end = np.where(wet, 0.0, at), np.where(wet2, 1.0, at)
        ay, az = y + start * (y2 - y), z + start * (z2 - z)
        by, bz = y + end * (y2 - y), z + end * (z2 - z)
        cross = np.where(wet | wet2, ay * bz - by * az, 0.0)
        area = cross.sum(1) / 2
        across = ((ay + by) * cross).sum(1) / 6
        high = ((az + bz) * cross).sum(1) / 6 + water * area
        crossing = wet != wet2
        edge = y + at * (y2 - y)
        low_y = np.where(crossing, edge, np.inf).min(1)
        high_y = np.where(crossing, edge, -np.inf).max(1)
        dry = ~crossing.any(1)
        low_y, high_y = np.where(dry, 0.0, low_y), np.where(dry, 0.0, high_y)
        w, x = self.weights, self.stations
        volume = float(w @ area)
        if volume <= 0:
            raise InputError(FIELD, "no part of the hull is under water at this draft")
        breadth = high_y - low_y
        plane = float(w @ breadth)
        lcf = float(w @ (breadth * x)) / plane if plane else float(x.mean())
        first_y = float(w @ ((high_y**2 - low_y**2) / 2)) / plane if plane else 0.0
        inertia = float(w @ ((high_y**3 - low_y**3) / 3)) - plane * first_y**2
        deck = self.z >= self.z.max(1)[:, None] - 1e-9
        drowned = (deck & (under > 1e-9)).any(1)
        return Immersed(
            volume,
            float(w @ (area * x)) / volume,
            float(w @ across) / volume,
            float(w @ high) / volume,
            plane,
            lcf,
            inertia,
            float(w @ (breadth * (x - lcf) ** 2)),
            float(x[int(np.argmax(drowned))]) if drowned.any() else None,
        )


def _counter_clockwise(section: Section, number: int) -> list[tuple[float, float]]:
    points = list(section.outline)
    if len(points) > 1 and points[0] == points[-1]:
        points.pop()
    if len(points) < 3:
        raise InputError(FIELD, f"section {number} has fewer than three points")
    area = sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(points, points[1:] + points[:1], strict=True)) / 2
    if abs(area) < 1e-9:
        raise InputError(FIELD, f"section {number} is not closed: give both sides, from keel to deck edge and back")
    return points if area > 0 else points[::-1]


def _weights(x: Numbers) -> Numbers:
    """Of the sections in an integral along her length: parabolic rule, or trapezoid where there are many."""
    n = len(x)
    if n < _MANY:
        made: Numbers = np.ones(n)
        made[1:-1:2], made[2:-1:2] = 4.0, 2.0
        made *= (x[1] - x[0]) / 3
        return made
    made = np.zeros(n)
    steps = np.diff(x)
    made[:-1] += steps / 2
    made[1:] += steps / 2
    return made


def level_draft(hull: Hull, mass_kg: float, density: float) -> float:
    """Height of the water at which she carries a mass on an even keel, m. Raises InputError when she would have to be
    under."""
    if mass_kg <= 0 or density <= 0:
        raise InputError(FIELD, "a mass and a density above zero are wanted")
    volume = mass_kg / density
    lo, hi = hull.lowest_m + 1e-9, hull.highest_m
    if hull.cut(hi).volume_m3 < volume:
        raise InputError(FIELD, "the whole hull under water would not carry that mass")
    for _ in range(60):
        middle = (lo + hi) / 2
        try:
            low = hull.cut(middle).volume_m3 < volume
        except InputError:
            low = True
        lo, hi = (middle, hi) if low else (lo, middle)
        if hi - lo < 1e-9:
            break
    return (lo + hi) / 2


def float_equilibrium(
    hull: Hull, mass_kg: float, cg: tuple[float, float, float], density: float, reference_m: float, heel: float = 0.0
) -> Floats:
    """Draft, trim and heel at which weight and buoyancy balance, from level (or from a heel to start with). cg: (x, y,
    z) in m, z that of the fluid CG (free surface counted in).

    Raises InputError: no upright equilibrium, not stable there (with GM), the deck edge under water. Source: three
    equations of balance, damped Newton with a numeric derivative."""
    xg, yg, zg = cg
    length, beam = hull.length_m, hull.beam_m
    at = np.array([level_draft(hull, mass_kg, density), 0.0, heel])

    def residual(v: Numbers) -> Numbers:
        i = hull.cut(float(v[0]), float(v[1]), float(v[2]), reference_m)
        return np.array(
            [
                density * i.volume_m3 / mass_kg - 1,
                (xg - i.x_m + v[1] * (zg - i.z_m)) / length,
                (yg - i.y_m + v[2] * (zg - i.z_m)) / beam,
            ]
        )

    for _ in range(60):
        f = residual(at)
        if float(np.abs(f).max()) < 1e-11:
            break
        slope: Any = np.empty((3, 3))
        for k in range(3):
            step = np.zeros(3)
            step[k] = 1e-6
            slope[:, k] = (residual(at + step) - residual(at - step)) / 2e-6
        try:
            move = np.linalg.solve(slope, -f)
        except np.linalg.LinAlgError:
            raise InputError(FIELD, "no upright equilibrium was found") from None
        largest = float(np.abs(move).max())
        at = at + move * min(1.0, 0.2 / largest)
    else:
        raise InputError(FIELD, "no upright equilibrium was found")
    if abs(math.atan(float(at[2]))) > _MOST_HEEL:
        raise InputError(FIELD, "no upright equilibrium was found within 30° of heel")
    i = hull.cut(float(at[0]), float(at[1]), float(at[2]), reference_m)
    gm = i.inertia_m4 / i.volume_m3 - (zg - i.z_m)
    if i.deck_under_m is not None:
        raise InputError(
            FIELD, "the deck edge is under water: no result", given=f"first at station {round(i.deck_under_m, 2)} m"
        )
    return Floats(float(at[0]), float(at[1]), float(at[2]), gm, i)


class Arm(NamedTuple):
    """Her righting arm at a heel, starboard down: GZ in m, above nought where it brings her back; whether the deck edge
    is under."""

    heel_rad: float
    gz_m: float
    deck_under: bool


def righting_arm(
    hull: Hull, mass_kg: float, cg: tuple[float, float, float], density: float, reference_m: float, heel_rad: float
) -> Arm:
    """The arm at one heel, draft and trim free so that weight and buoyancy balance but for the heel. cg: (x, y, z) in
    m, z that of the fluid CG. The deck is taken as tight.

    Raises InputError where no draft and trim are found. Source: GZ = (B - G) along the water, by integration of the
    sections; Newton on volume and trim."""
    xg, yg, zg = cg
    slope_y = math.tan(heel_rad)
    at = np.array([level_draft(hull, mass_kg, density), 0.0])

    def residual(v: Numbers) -> Numbers:
        i = hull.cut(float(v[0]), float(v[1]), slope_y, reference_m)
        return np.array(
            [density * i.volume_m3 / mass_kg - 1, (xg - i.x_m + v[1] * (zg - i.z_m)) / hull.length_m],
        )

    for _ in range(60):
        f = residual(at)
        if float(np.abs(f).max()) < 1e-9:
            break
        slope: Any = np.empty((2, 2))
        for k in range(2):
            step = np.zeros(2)
            step[k] = 1e-6
            slope[:, k] = (residual(at + step) - residual(at - step)) / 2e-6
        try:
            move = np.linalg.solve(slope, -f)
        except np.linalg.LinAlgError:
            raise InputError(FIELD, "no balance was found at this heel") from None
        at = at + move * min(1.0, 0.2 / max(float(np.abs(move).max()), 1e-12))
    else:
        raise InputError(FIELD, "no balance was found at this heel")
    i = hull.cut(float(at[0]), float(at[1]), slope_y, reference_m)
    gz = (i.y_m - yg) * math.cos(heel_rad) + (i.z_m - zg) * math.sin(heel_rad)
    return Arm(heel_rad, gz, i.deck_under_m is not None)
