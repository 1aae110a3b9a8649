"""A unit and what it turns, matched, as it is drawn: in the air and on the water alike."""

from __future__ import annotations

from ..formula import record


@record
class AnnulusOut:
    """A piece of a blade as drawn: radius, chord, m, angle, rad; whether it stalls standing, and in the climb."""

    radius_si: float
    chord_si: float
    angle_si: float
    standing: bool
    climbing: bool


@record
class MatchOut:
    """The match as drawn: torques at the propeller by the speed of the unit, N·m and rad/s; standing and climbing, of a
    boat made fast and at her speed."""

    speeds_si: list[float]
    unit_si: list[float]
    standing_si: list[float]
    climbing_si: list[float]
    static_si: float | None
    climb_si: float | None
    allowed_si: float
    slow_si: float
    fast_si: float
    blade: list[AnnulusOut]
