"""Drive cycles: speed by time, from public rules."""

from __future__ import annotations

from typing import NamedTuple

# Seconds and the speed at their end, km/h. Source: the elementary urban cycle of UN ECE Regulation 83, from memory: 195
# s and 1.013 km are its own figures.
_URBAN = (
    "11 0, 4 15, 8 15, 2 10, 3 0, 21 0, 5 15, 2 15, 5 32, 24 32, 8 10, 3 0, "
    "21 0, 5 15, 2 15, 9 35, 2 35, 8 50, 12 50, 8 35, 13 35, 2 32, 7 10, 3 0, 7 0"
)


class CyclePoint(NamedTuple):
    """A moment of a cycle: s, m/s; between two of them the speed changes evenly."""

    at_s: float
    speed_m_s: float


def _points(steps: str) -> tuple[CyclePoint, ...]:
    made, at = [CyclePoint(0.0, 0.0)], 0.0
    for step in steps.split(", "):
        seconds, km_h = step.split()
        at += float(seconds)
        made.append(CyclePoint(at, float(km_h) / 3.6))
    return tuple(made)


CYCLES: dict[str, tuple[CyclePoint, ...]] = {"town, elementary urban cycle": _points(_URBAN)}
