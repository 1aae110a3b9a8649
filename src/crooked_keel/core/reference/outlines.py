"""Outlines of the kinds of craft: a few measures → the lines of the side view, in craft axes, m.

What is not measured is sketched from what is; `Measures` notes that, and the drawing is then called a sketch.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import NamedTuple

from ..formula import record
from .fair import fair


@record
class Point:
    """A point of the side view: station and water line, m."""

    x: float
    z: float


@record
class Path:
    """An outline of the side view; closed if it is filled."""

    id: str
    points: list[Point]
    closed: bool
    smooth: bool


@record
class Circle:
    """A wheel."""

    id: str
    x: float
    z: float
    radius: float


class Foot(NamedTuple):
    """A support: id, role, place of its ground contact and radius of its tyre (None: not measured)."""

    id: str
    role: str
    x: float
    z: float
    radius: float | None


class Measures:
    """The measures that were entered; asking for one that was not gives the sketch and notes it."""

    def __init__(self, known: Mapping[str, float | None], feet: list[Foot], sheer: list[tuple[float, float]]) -> None:
        self.known = known
        self.feet = feet
        self.sheer = sorted(sheer)
        self.complete = True

    def __call__(self, part: str, sketch: float) -> float:
        """A measure, m."""
        value = self.known.get(part)
        if value is None:
            self.complete = False
            return sketch
        return value

    def foot(self, role: str, x: float) -> Foot:
        """The first support of a role, or a sketched one at x."""
        found = next((f for f in self.feet if f.role == role), None)
        if found is None:
            self.complete = False
            return Foot(role, role, x, 0.0, None)
        return found


class OutlineDrawn(NamedTuple):
    """Lines and wheels."""

    paths: list[Path]
    wheels: list[Circle]


Draw = Callable[[Measures], OutlineDrawn]


def _path(id: str, points: list[tuple[float, float]], closed: bool = True, smooth: bool = False) -> Path:
    return Path(id=id, points=[Point(x=x, z=z) for x, z in points], closed=closed, smooth=smooth)


def _tractor(
    nose: float,
    tail: float,
    firewall: float,
    top: float,
    belly: float,
    lens: list[tuple[float, float]],
    fin: float,
) -> list[Path]:
    """Fuselage behind its engine, wing on struts, tail at the end."""
    (wing, wing_z), chord = lens[0], lens[3][0] - lens[0][0]
    length, depth, mid = tail - nose, top - belly, (top + belly) / 2
    fuselage = _path(
        "fuselage",
        [
            (nose, mid),
            (nose + 0.02 * length, mid + 0.30 * depth),
            (firewall, top - 0.08 * depth),
            (wing + 0.1 * chord, top),
            (wing + 1.3 * chord, top),
            (nose + 0.75 * length, mid + 0.25 * depth),
            (tail, mid + 0.18 * depth),
            (tail, mid + 0.02 * depth),
            (nose + 0.6 * length, belly + 0.18 * depth),
            (wing + chord, belly),
            (firewall, belly),
            (nose + 0.03 * length, belly + 0.25 * depth),
        ],
        smooth=True,
    )
    return [
        _path("wing", lens, smooth=True),
        fuselage,
        _path(
            "fin",
            [
                (tail - 0.13 * length, mid + 0.2 * depth),
                (tail - 0.05 * length, fin),
                (tail, fin - 0.06 * depth),
                (tail + 0.03 * length, mid + 0.1 * depth),
            ],
        ),
        _path(
            "tailplane",
            [(tail - 0.12 * length, mid + 0.23 * depth), (tail + 0.02 * length, mid + 0.23 * depth)],
            closed=False,
        ),
        _path("strut-front", [(wing + 0.15 * chord, wing_z), (wing + 0.05 * chord, top)], closed=False),
        _path("strut-rear", [(wing + 0.7 * chord, wing_z), (wing + 0.75 * chord, top)], closed=False),
    ]


def _canard(
    nose: float, firewall: float, top: float, belly: float, lens: list[tuple[float, float]], fin: float
) -> list[Path]:
    """A cabin that ends at its firewall, the wing at its rear with a fin on it, a foreplane at the nose."""
    (wing, wing_z), chord = lens[0], lens[3][0] - lens[0][0]
    length, depth, mid = firewall - nose, top - belly, (top + belly) / 2
    at = lambda share, z: (wing + share * chord, z)
    fore = [(nose + 0.08 * length + 0.3 * (x - wing), mid + 0.12 * depth + 0.3 * (z - wing_z)) for x, z in lens]
    return [
        _path(
            "fuselage",
            [
                (nose, mid - 0.1 * depth),
                (nose + 0.06 * length, mid + 0.12 * depth),
                (nose + 0.3 * length, top - 0.12 * depth),
                (nose + 0.5 * length, top),
                (nose + 0.85 * length, top - 0.1 * depth),
                (firewall, mid + 0.3 * depth),
                (firewall, mid - 0.3 * depth),
                (nose + 0.8 * length, belly + 0.03 * depth),
                (nose + 0.35 * length, belly),
                (nose + 0.06 * length, mid - 0.32 * depth),
            ],
            smooth=True,
        ),
        _path("wing", lens, smooth=True),
        _path("foreplane", fore, smooth=True),
        _path("fin", [at(0.5, wing_z + 0.05 * chord), at(0.85, fin), at(1.15, fin), at(1.05, wing_z)]),
    ]


def aeroplane(m: Measures) -> OutlineDrawn:
    """Fuselage, wing and gear; a tail behind, or a foreplane where the firewall lies behind the cabin."""
    firewall = m.known.get("firewall") or 0.0
    nose = m("nose", firewall - 1.0)
    tail = m("tail", nose + 6.3)
    length = tail - nose
    top, belly = m("top", 0.42), m("belly", -0.42)
    depth = top - belly
    wing = m("wing", nose + 0.22 * length)
    chord = m("wing_chord", 0.23 * length)
    wing_z = m("wing_water_line", top + 0.5 * depth)
    fin = m("fin_top", top + 0.35 * depth)
    wheel = m("wheel", 0.45) / 2
    mid = (top + belly) / 2
    lens = [
        (wing, wing_z),
        (wing + 0.12 * chord, wing_z + 0.085 * chord),
        (wing + 0.4 * chord, wing_z + 0.1 * chord),
        (wing + chord, wing_z),
        (wing + 0.5 * chord, wing_z - 0.02 * chord),
    ]
    if firewall - nose > 0.6 * length:
        paths = _canard(nose, firewall, top, belly, lens, fin)
    else:
        paths = _tractor(nose, tail, firewall, top, belly, lens, fin)
    wheels = []
    for f in m.feet:
        if f.role == "tail":
            # Weighed level, the tail stands on a trestle: the wheel itself hangs under the fuselage.
            wheels.append(Circle(id=f.id, x=f.x, z=mid - 0.28 * depth, radius=wheel / 3))
            continue
        wheels.append(Circle(id=f.id, x=f.x, z=f.z + wheel, radius=wheel))
        paths.append(_path(f"leg-{f.id}", [(f.x - 0.15, belly), (f.x, f.z + wheel), (f.x + 0.3, belly)], closed=False))
    return OutlineDrawn(paths, wheels)


def boat(m: Measures) -> OutlineDrawn:
    """Hull in profile with a low coachroof; the sheer runs through the marks where freeboards are read."""
    nose = m("nose", 0.0)
    tail = m("tail", nose + 8.0)
    length = tail - nose
    keel = m("belly", -0.7)
    top = m("top", 1.5)
    sheer = m.sheer
    if len(sheer) < 2:
        m.complete = False
        sheer = [(nose + 0.1 * length, 1.05), (tail - 0.1 * length, 0.8)]
    (xa, za), (xb, zb) = sheer[0], sheer[-1]
    slope = (zb - za) / (xb - xa) if xb - xa > 1e-6 else 0.0
    bow, stern = za + slope * (nose - xa) + 0.02 * length, zb + slope * (tail - xb)
    canoe = m.known.get("keel")
    canoe = 0.35 * keel if canoe is None else canoe
    hull = _path(
        "hull",
        [
            *fair([(nose, bow), *sheer, (tail, stern)]),
            (tail - 0.012 * length, canoe + 0.5 * (stern - canoe)),
            (tail - 0.10 * length, canoe + 0.08),
            (tail - 0.16 * length, canoe + 0.02),
            (tail - 0.165 * length, keel),
            *fair(
                [
                    (nose + 0.36 * length, keel * 0.85 + canoe * 0.15),
                    (nose + 0.2 * length, canoe),
                    (nose + 0.10 * length, canoe + 0.15 * (bow - canoe)),
                    (nose + 0.025 * length, canoe + 0.6 * (bow - canoe)),
                    (nose, bow),
                ]
            ),
        ],
    )
    roof = _path(
        "roof",
        [
            (nose + 0.24 * length, za + slope * (nose + 0.24 * length - xa)),
            (nose + 0.29 * length, top),
            (nose + 0.52 * length, top),
            (nose + 0.56 * length, za + slope * (nose + 0.56 * length - xa)),
        ],
        closed=False,
    )
    rudder = _path(
        "rudder",
        [
            (tail - 0.085 * length, canoe + 0.05),
            (tail - 0.085 * length, keel),
            (tail - 0.035 * length, keel),
            (tail - 0.03 * length, canoe + 0.2),
        ],
    )
    return OutlineDrawn([roof, rudder, hull], [])


def _wheels(m: Measures) -> list[Circle]:
    made = []
    for f in m.feet:
        radius = f.radius
        if radius is None:
            m.complete = False
            radius = 0.3
        made.append(Circle(id=f.id, x=f.x, z=f.z + radius, radius=radius))
    return made


def motorcycle(m: Measures) -> OutlineDrawn:
    """Two wheels, fork, frame, tank and seat."""
    front, rear = m.foot("front", 0.0), m.foot("rear", 1.4)
    wheels = _wheels(m)
    ground = min(f.z for f in (front, rear))
    base = rear.x - front.x
    rf, rr = front.radius or 0.3, rear.radius or 0.3
    seat = m("seat", front.x + 0.62 * base)
    seat_z = m("seat_top", ground + 0.78)
    top = m("top", ground + 1.02)
    belly = m("belly", ground + 0.2)
    tail = m("tail", rear.x + 0.8 * rr)
    head = (front.x + 0.24 * base, seat_z + 0.05)
    pivot = (front.x + 0.60 * base, belly + 0.32 * (seat_z - belly))
    paths = [
        _path(
            "tank",
            [
                (head[0] + 0.02, head[1]),
                (head[0] + 0.12 * base, top - 0.02),
                (seat - 0.08, seat_z + 0.03),
                (seat - 0.06, seat_z - 0.06),
                (head[0] + 0.04, head[1] - 0.1),
            ],
            smooth=True,
        ),
        _path(
            "seat",
            [
                (seat - 0.1, seat_z - 0.05),
                (seat - 0.05, seat_z),
                (tail - 0.1, seat_z + 0.04),
                (tail, seat_z + 0.03),
                (tail - 0.2, seat_z - 0.05),
            ],
        ),
        _path("fork", [(front.x, front.z + rf), head, (head[0] + 0.03, top)], closed=False),
        _path("bars", [(head[0] + 0.03, top), (head[0] + 0.17, top + 0.02)], closed=False),
        _path(
            "cradle",
            [head, (front.x + 0.33 * base, belly), (pivot[0], belly), pivot, (seat, seat_z - 0.05)],
            closed=False,
        ),
        _path("backbone", [head, (pivot[0], seat_z - 0.1), pivot], closed=False),
        _path("arm", [pivot, (rear.x, rear.z + rr)], closed=False),
        _path(
            "shock",
            [(pivot[0] + 0.45 * (rear.x - pivot[0]), pivot[1] + 0.02), (seat + 0.12, seat_z - 0.06)],
            closed=False,
        ),
    ]
    return OutlineDrawn(paths, wheels)


def scooter(m: Measures) -> OutlineDrawn:
    """Leg shield, floor, seat over the rear wheel."""
    front, rear = m.foot("front", 0.0), m.foot("rear", 1.25)
    wheels = _wheels(m)
    ground = min(front.z, rear.z)
    base = rear.x - front.x
    rf, rr = front.radius or 0.22, rear.radius or 0.22
    seat = m("seat", front.x + 0.66 * base)
    seat_z = m("seat_top", ground + 0.76)
    top = m("top", ground + 1.05)
    floor = m("belly", ground + 0.24)
    tail = m("tail", rear.x + 1.1 * rr)
    shield = front.x + 0.22 * base
    paths = [
        _path(
            "body",
            [
                (shield - 0.03, top - 0.12),
                (shield + 0.03, top - 0.1),
                (shield + 0.1, floor + 0.08),
                (seat - 0.16, floor + 0.08),
                (seat - 0.12, seat_z - 0.1),
                (seat - 0.1, seat_z - 0.06),
                (tail, seat_z - 0.04),
                (tail + 0.02, seat_z - 0.16),
                (rear.x, rear.z + 2 * rr + 0.03),
                (seat - 0.02, floor + 0.16),
                (seat - 0.12, floor),
                (shield + 0.06, floor),
                (shield - 0.01, floor + 0.2),
            ],
        ),
        _path(
            "seat",
            [
                (seat - 0.12, seat_z - 0.06),
                (seat - 0.05, seat_z),
                (tail - 0.12, seat_z + 0.02),
                (tail - 0.02, seat_z - 0.04),
            ],
        ),
        _path("fork", [(front.x, front.z + rf), (shield - 0.02, floor + 0.34), (shield + 0.02, top)], closed=False),
        _path("bars", [(shield + 0.02, top), (shield + 0.14, top - 0.01)], closed=False),
        _path(
            "mudguard",
            [
                (front.x - 0.8 * rf, front.z + 1.5 * rf),
                (front.x, front.z + 2.15 * rf),
                (front.x + 0.9 * rf, front.z + 1.5 * rf),
            ],
            closed=False,
        ),
    ]
    return OutlineDrawn(paths, wheels)


def road_vehicle(m: Measures) -> OutlineDrawn:
    """A small van: cab ahead, load box behind."""
    front, rear = m.foot("front", 0.0), m.foot("rear", 1.9)
    wheels = _wheels(m)
    nose = m("nose", front.x - 0.45)
    tail = m("tail", rear.x + 0.5)
    ground = min(front.z, rear.z)
    top = m("top", ground + 1.65)
    belly = m("belly", ground + 0.2)
    length = tail - nose
    waist = belly + 0.55 * (top - belly)
    paths = [
        _path(
            "body",
            [
                (nose, belly + 0.08),
                (nose + 0.01 * length, waist - 0.1),
                (nose + 0.05 * length, waist),
                (nose + 0.14 * length, top - 0.08),
                (nose + 0.18 * length, top),
                (tail - 0.03 * length, top),
                (tail, top - 0.05),
                (tail, belly),
                (nose + 0.02 * length, belly),
            ],
        ),
        _path("cab", [(nose + 0.42 * length, top - 0.02), (nose + 0.42 * length, belly)], closed=False),
        _path(
            "window",
            [
                (nose + 0.11 * length, waist),
                (nose + 0.19 * length, top - 0.12),
                (nose + 0.38 * length, top - 0.12),
                (nose + 0.38 * length, waist),
            ],
        ),
    ]
    return OutlineDrawn(paths, wheels)
