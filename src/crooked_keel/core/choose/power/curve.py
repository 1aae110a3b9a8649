"""A unit's curve: torque by speed, checked against the power typed beside it, and read between its points."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

import numpy as np

from ...errors import InputError
from ...formula import formula


class OnTheCurve(NamedTuple):
    """One line of a maker's sheet: speed rad/s, torque N·m, power W; either of the two may be missing."""

    speed_rad_s: float
    torque_n_m: float | None
    power_w: float | None

    @property
    def torque(self) -> float:
        """Torque, as typed or from the power; the torque is used where both stand."""
        if self.torque_n_m is not None:
            return self.torque_n_m
        if self.power_w is None:
            raise InputError("", "a point of a curve wants its torque or its power")
        return torque_from_power(self.power_w, self.speed_rad_s)


@formula(
    "choose.torque",
    "Q = P / ω",
    result=("torque", "torque"),
    P=("power", "power"),
    ω=("rotation", "speed"),
    source="definition of power",
    example=(
        (
            60000.0,
            300.0,
        ),
        200.0,
    ),
)
def torque_from_power(power_w: float, speed_rad_s: float) -> float:
    """Torque of a power at a speed, N·m."""
    if speed_rad_s <= 0:
        raise InputError("", "a power at no speed is no torque", given=str(speed_rad_s))
    return power_w / speed_rad_s


@formula(
    "choose.power",
    "P = Q·ω",
    result=("power", "power"),
    Q=("torque", "torque"),
    ω=("rotation", "speed"),
    source="definition of power",
    example=(
        (
            200.0,
            300.0,
        ),
        60000.0,
    ),
)
def power_of(torque_n_m: float, speed_rad_s: float) -> float:
    """Power of a torque at a speed, W."""
    return torque_n_m * speed_rad_s


@formula(
    "choose.disagree",
    "d = (Q·ω − P) / P",
    result=("percent", "how far torque and power disagree"),
    Q=("torque", "torque"),
    ω=("rotation", "speed"),
    P=("power", "power typed"),
    source="definition of power",
    example=(
        (
            200.0,
            300.0,
            50000.0,
        ),
        0.2,
    ),
)
def disagreement(torque_n_m: float, speed_rad_s: float, power_w: float) -> float:
    """How much more power torque and speed make than was typed, as a share of what was typed."""
    return (torque_n_m * speed_rad_s - power_w) / power_w


class Offender(NamedTuple):
    """A point whose typed torque and power disagree: its place in the curve, and by what share."""

    place: int
    share: float


def check_curve(points: Sequence[OnTheCurve]) -> list[Offender]:
    """Points with both torque and power, with how far these disagree.

    Raises InputError: fewer than three points, speeds that do not rise, a torque that is not above zero but at the last
    point."""
    if len(points) < 3:
        raise InputError("curve", "three points or more make a curve", given=f"{len(points)} points")
    for i, (a, b) in enumerate(pairwise(points)):
        if b.speed_rad_s <= a.speed_rad_s:
            raise InputError(
                f"curve/{i + 1}/speed", f"the speed of point {i + 2} is not above that of the one before it"
            )
    if points[0].speed_rad_s <= 0:
        raise InputError("curve/0/speed", "a curve begins above standstill")
    for i, p in enumerate(points):
        if p.torque < 0 or (p.torque == 0 and i < len(points) - 1):
            raise InputError(f"curve/{i}/torque", f"the torque of point {i + 1} is not above zero")
    return [
        Offender(i, disagreement(p.torque_n_m, p.speed_rad_s, p.power_w))
        for i, p in enumerate(points)
        if p.torque_n_m is not None and p.power_w
    ]


class Curve:
    """Torque between the points: a cubic that does not swing past them. Source: Fritsch and Carlson's method, scipy."""

    def __init__(self, points: Sequence[OnTheCurve]) -> None:
        from scipy.interpolate import PchipInterpolator

        check_curve(points)
        self.points = list(points)
        self.slowest_rad_s, self.fastest_rad_s = points[0].speed_rad_s, points[-1].speed_rad_s
        self._torque = PchipInterpolator([p.speed_rad_s for p in points], [p.torque for p in points])

    def torque_at(self, speed_rad_s: float) -> float:
        """Torque at a speed, N·m. Raises InputError outside the points: nothing is read beyond them."""
        if not self.slowest_rad_s - 1e-9 <= speed_rad_s <= self.fastest_rad_s + 1e-9:
            raise InputError("curve", "the curve does not reach that speed: it is not read beyond its points")
        return float(self._torque(speed_rad_s))

    def power_at(self, speed_rad_s: float) -> float:
        """Power at a speed, W."""
        return power_of(self.torque_at(speed_rad_s), speed_rad_s)

    def drawn(self, places: int = 33) -> list[tuple[float, float]]:
        """Speeds and torques to draw."""
        speeds = np.linspace(self.slowest_rad_s, self.fastest_rad_s, places)
        return [(float(s), float(t)) for s, t in zip(speeds, self._torque(speeds), strict=True)]

    def peak(self) -> tuple[float, float]:
        """Speed and size of the greatest power, rad/s and W, to a thousandth of the range of speeds."""
        speeds = np.linspace(self.slowest_rad_s, self.fastest_rad_s, 1001)
        powers = speeds * self._torque(speeds)
        best = int(np.argmax(powers))
        return float(speeds[best]), float(powers[best])
