"""What readings say: a trend that one bad reading does not turn, the hottest day, speeds with wind and stream."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from statistics import median
from typing import NamedTuple

from ...errors import InputError
from ...formula import formula


class Trend(NamedTuple):
    """A straight line through readings, a second, and its value at the last of them."""

    slope: float
    intercept: float
    last: float


def theil_sen_trend(t: Sequence[float], y: Sequence[float]) -> Trend:
    """The median of the slopes of all pairs; the line through the median of what is left.

    Source: Theil and Sen; intercept as the median of y − slope·t. Raises InputError with fewer than two times."""
    slopes = [(y[j] - y[i]) / (t[j] - t[i]) for i in range(len(t)) for j in range(i + 1, len(t)) if t[j] != t[i]]
    if not slopes:
        raise InputError("t", "a trend wants two readings at two times", given=str(len(t)), allowed="2 or more")
    slope = median(slopes)
    intercept = median(b - slope * a for a, b in zip(t, y, strict=True))
    return Trend(slope, intercept, intercept + slope * max(t))


def time_to_limit(trend: Trend, limit: float, above: bool) -> float | None:
    """Seconds from the last reading until a trend reaches a limit above it, or below it; None where it goes the other
    way, nought where it is there."""
    left = limit - trend.last if above else trend.last - limit
    if left <= 0:
        return 0.0
    going = trend.slope if above else -trend.slope
    return left / going if going > 1e-12 else None


@formula(
    "prove.hot-day",
    "T = t + k·(H − a)",
    result=("temperature", "what it would be on the hottest day"),
    t=("temperature", "as read"),
    k=("number", "how much of the difference goes on top"),
    H=("temperature", "hottest day"),
    a=("temperature", "air when it was read"),
    source="14 CFR 23.1043, former text (from memory): 1 for coolant and oil, 0.7 for barrels",
    example=((364.15, 1.0, 311.15, 291.15), 384.15),
    valid="thermostat open, same power and speed",
)
def hot_day_correction(measured_k: float, share: float, hot_k: float, air_k: float) -> float:
    """A temperature as it would be on the hottest day, K."""
    return measured_k + share * (hot_k - air_k)


@formula(
    "prove.both-ways",
    "v = (a + b) / 2",
    result=("speed", "speed through the water, or without wind"),
    a=("speed", "one way"),
    b=("speed", "the other way"),
    source="mean of speeds, not of times",
    example=((3.0, 3.4), 3.2),
    valid="stream or wind the same on both runs",
)
def reciprocal_speed(one_m_s: float, other_m_s: float) -> float:
    """Speed of two runs, there and back, m/s."""
    return (one_m_s + other_m_s) / 2


class AirSpeed(NamedTuple):
    """Speed through the air, the wind, m/s, and where it comes from, rad from north clockwise."""

    true_m_s: float
    wind_m_s: float
    wind_from_rad: float


def gps_tas_three_leg(legs: Sequence[tuple[float, float]]) -> AirSpeed:
    """Speed through the air from three runs over ground: track (rad from north) and ground speed (m/s) each.

    The three lie on a circle whose centre is the wind. Raises InputError for tracks too near one another, or points on
    one line. Source: circumcentre, from plane geometry."""
    if len(legs) != 3:
        raise InputError("legs", "three runs are wanted", given=str(len(legs)), allowed="3")
    for i, (a, _) in enumerate(legs):
        for b, _ in legs[i + 1 :]:
            apart = abs((a - b + math.pi) % (2 * math.pi) - math.pi)
            if apart < math.radians(40):
                raise InputError("legs", "two tracks lie within 40° of one another", allowed="40° or more apart")
    (ax, ay), (bx, by), (cx, cy) = ((v * math.sin(t), v * math.cos(t)) for t, v in legs)
    d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by))
    if abs(d) < 1e-9:
        raise InputError("legs", "the three runs lie on one line: fly one across")
    a2, b2, c2 = ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy
    east = (a2 * (by - cy) + b2 * (cy - ay) + c2 * (ay - by)) / d
    north = (a2 * (cx - bx) + b2 * (ax - cx) + c2 * (bx - ax)) / d
    return AirSpeed(
        math.hypot(ax - east, ay - north), math.hypot(east, north), math.atan2(-east, -north) % (2 * math.pi)
    )


def odd_rows(
    t: Sequence[float], values: Sequence[float | None], least: float, most: float, jump: float | None
) -> list[tuple[int, str]]:
    """Rows of a channel that cannot be right, each with why: out of what is possible, faster than it can change, or a
    clock that runs backwards."""
    made: list[tuple[int, str]] = []
    before: tuple[float, float] | None = None
    for i, (at, value) in enumerate(zip(t, values, strict=True)):
        if value is None:
            continue
        if not math.isfinite(value) or not least <= value <= most:
            made.append((i, "out of what is possible"))
            continue
        if before is not None and jump is not None and abs(value - before[1]) > jump * max(at - before[0], 0.0) + 1e-9:
            made.append((i, "faster than it can change"))
            continue
        before = (at, value)
    return made


def backwards(t: Sequence[float]) -> list[int]:
    """Rows at which the clock runs backwards."""
    return [i + 1 for i, (a, b) in enumerate(pairwise(t)) if b < a]


def stuck(values: Sequence[float | None], proof: Sequence[float | None], changed: float) -> bool:
    """Whether a channel stood quite still while another proved by how much things changed. A quiet sensor repeats
    itself: by itself that proves nothing."""
    both = [(a, b) for a, b in zip(values, proof, strict=True) if a is not None and b is not None]
    if len(both) < 5:
        return False
    still = len({a for a, _ in both}) == 1
    moved = [b for _, b in both]
    return still and max(moved) - min(moved) > changed


def thinned(t: Sequence[float], values: Sequence[float | None], most: int) -> list[int]:
    """Rows to draw, in order: of each stretch the lowest and the highest, so that no peak is lost; all where there are
    few."""
    n = len(t)
    if n <= most:
        return list(range(n))
    stretch = max(1, math.ceil(2 * n / most))
    keep: set[int] = {0, n - 1}
    for start in range(0, n, stretch):
        rows = [i for i in range(start, min(n, start + stretch)) if values[i] is not None]
        if rows:
            keep.add(min(rows, key=lambda i: values[i] or 0.0))
            keep.add(max(rows, key=lambda i: values[i] or 0.0))
    return sorted(keep)


def settled(t: Sequence[float], y: Sequence[float], slope_k_s: float = 0.5 / 60) -> bool:
    """Whether a temperature has settled: its last two minutes rise or fall slower than half a kelvin a minute. Common
    practice, no source."""
    last = [(a, b) for a, b in zip(t, y, strict=True) if a >= t[-1] - 120.0]
    if len(last) < 3:
        return False
    return abs(theil_sen_trend([a for a, _ in last], [b for _, b in last]).slope) < slope_k_s
