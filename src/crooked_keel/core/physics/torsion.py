"""Twisting of a line of masses: its natural frequencies, what excites them, and where on the tachometer they meet."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Literal, NamedTuple

import numpy as np

from ..errors import InputError
from ..figure.units import G0_M_S2
from ..formula import formula

Weight = Literal["major", "minor"]


@formula(
    "physics.two-masses",
    "ω = √(k·(J1 + J2) / (J1·J2))",
    result=("frequency", "natural frequency of two masses"),
    k=("twist", "stiffness between them"),
    J1=("inertia", "of the one"),
    J2=("inertia", "of the other, at the speed of the one: J/i²"),
    source="handbooks of rotating machinery",
    example=((9000.0, 0.06, 0.05686459), 555.2213),
    valid="no damping, both free",
)
def two_masses(stiffness: float, first: float, second: float) -> float:
    """Natural frequency of two masses on a spring, both free to turn, rad/s."""
    return math.sqrt(stiffness * (first + second) / (first * second))


def frequencies(inertias: Sequence[float], stiffness: Sequence[float]) -> list[float]:
    """Natural frequencies of masses in a row, springs between them, free at both ends, the slowest first and without
    the turning of all together, rad/s. inertias: n, kg·m²; stiffness: n−1, N·m/rad, all at one speed. Raises InputError
    where a mass or a spring is not above zero. Source: K·x = ω²·J·x, symmetric form."""
    if len(stiffness) != len(inertias) - 1 or min(*inertias, *stiffness) <= 0:
        raise InputError("", "masses and springs in a row are above zero, one spring fewer than masses")
    root = 1 / np.sqrt(np.asarray(inertias, dtype=float))
    springs = np.asarray(stiffness, dtype=float)
    held = np.diag(np.append(springs, 0.0) + np.append(0.0, springs))
    held -= np.diag(springs, 1) + np.diag(springs, -1)
    squared = np.linalg.eigvalsh(held * np.outer(root, root))
    return [math.sqrt(max(float(w), 0.0)) for w in squared[1:]]


class Order(NamedTuple):
    """What excites so many times in a turn of the crank. major: it shakes hard; minor: only by a fault, or damped."""

    per_turn: float
    weight: Weight
    name: str


# Multiples of the firing order that are looked at.
_MULTIPLES = (1, 2, 3)


def firing_orders(cylinders: int, strokes: Literal[2, 4], evenly: bool) -> list[Order]:
    """Orders of the firing of a piston unit, per turn of its crank: of even firing N/2 (two-stroke N) and its multiples
    are major, every half (whole) order minor, as in a misfire; of uneven firing, and of a single, every half order is
    major. Source: handbooks of rotating machinery (from memory)."""
    fires = cylinders / 2 if strokes == 4 else float(cylinders)
    step = 0.5 if strokes == 4 else 1.0
    even = evenly and cylinders > 1
    uneven = range(1, max(4, int(2 * fires / step)) + 1)
    major = {fires * k for k in _MULTIPLES} if even else {step * k for k in uneven}
    made = [Order(o, "major", "firing") for o in sorted(major)]
    misfires = [step * k for k in range(1, int(fires / step) + 1)]
    return made + [Order(o, "minor", "misfire") for o in misfires if o not in major]


class Crossing(NamedTuple):
    """A speed of the crank at which an order meets a natural frequency, with what it may be by its doubt, rad/s."""

    order: Order
    mode: int
    at: float
    low: float
    high: float


def crossings(modes: Sequence[tuple[float, float]], orders: Sequence[Order], most: float) -> list[Crossing]:
    """Where every order meets every mode up to a speed. modes: natural frequency with its doubt, rad/s."""
    return [
        Crossing(order, i, w / order.per_turn, (w - d) / order.per_turn, (w + d) / order.per_turn)
        for i, (w, d) in enumerate(modes, 1)
        for order in orders
        if (w - d) / order.per_turn <= most
    ]


def stiffness_for(order: float, at: float, first: float, second: float) -> float:
    """Stiffness between two masses with which an order is critical at a speed of the crank, N·m/rad."""
    return (order * at) ** 2 * first * second / (first + second)


@formula(
    "physics.two-strings",
    "J = 9.80665·m·d²·T² / (16·π²·L)",
    result=("inertia", "of what hangs"),
    m=("mass", "of it"),
    d=("length", "between the two strings"),
    T=("short_time", "one swing, to and fro"),
    L=("length", "of the strings"),
    source="two-string suspension, small swings",
    example=((12.0, 1.2, 1.6, 2.0), 1.373582),
    valid="strings plumb and alike, either side of the CG, swings of less than 10°",
)
def inertia_by_swing(mass_kg: float, apart_m: float, period_s: float, strings_m: float) -> float:
    """Polar inertia of what hangs level by two strings and swings about its middle, kg·m²."""
    return mass_kg * G0_M_S2 * apart_m**2 * period_s**2 / (16 * math.pi**2 * strings_m)


def swing_period(inertia: float, mass_kg: float, apart_m: float, strings_m: float) -> float:
    """How long one swing will last, s."""
    return 4 * math.pi / apart_m * math.sqrt(inertia * strings_m / (mass_kg * G0_M_S2))
