"""CG limits: a polygon of (station, mass) or of (moment, mass), or forward, aft and gross alone."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from ...errors import InputError

Numbers = NDArray[np.float64]

EDGE_M = 1e-9
# How far beside a corner its bands are looked at, kg.
_BESIDE_KG = 1e-7
_MOST_CUTS = 4000


class Cut(NamedTuple):
    """Limits at one mass: stations in m, slopes of the edges in m/kg."""

    forward_m: float
    aft_m: float
    forward_slope_m_kg: float
    aft_slope_m_kg: float


def _cross(o: tuple[float, float], a: tuple[float, float], b: tuple[float, float]) -> float:
    return (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])


def check_polygon(corners: Sequence[tuple[float, float]], field: str) -> None:
    """Raise InputError for fewer than three corners, no area, or an outline that crosses itself."""
    n = len(corners)
    if n < 3:
        raise InputError(field, "an envelope needs three corners or more", given=f"{n} corners")
    for i in range(n):
        a, b = corners[i], corners[(i + 1) % n]
        for j in range(i + 2, n):
            if (j + 1) % n == i:
                continue
            c, d = corners[j], corners[(j + 1) % n]
            if _cross(a, b, c) * _cross(a, b, d) < 0 and _cross(c, d, a) * _cross(c, d, b) < 0:
                raise InputError(
                    field, f"the envelope crosses itself between corners {i + 1} and {j + 1}: check their order"
                )
    area = sum(corners[i][0] * corners[(i + 1) % n][1] - corners[(i + 1) % n][0] * corners[i][1] for i in range(n)) / 2
    if abs(area) < 1e-12:
        raise InputError(field, "the envelope encloses nothing")


@dataclass(frozen=True)
class CgEnvelope:
    """corners: (station m, mass kg) in order round the outline, or (moment kg·m, mass kg) with in_moments; or None with
    constant forward and aft limits. An edge that is straight in one space is curved in the other: it is held in the one
    it was published in."""

    corners: tuple[tuple[float, float], ...] | None
    forward_m: float | None = None
    aft_m: float | None = None
    in_moments: bool = False

    @cached_property
    def masses_kg(self) -> tuple[float, ...]:
        """Masses of the corners, where the limits change slope."""
        return tuple(sorted({m for _, m in self.corners})) if self.corners else ()

    @cached_property
    def slopes_m_kg(self) -> tuple[float, ...]:
        """Slopes of the edges that are straight and not flat in mass, m/kg. A limit given in moments has none: along it
        the margin of a straight burn runs one way."""
        if not self.corners or self.in_moments:
            return ()
        pairs = zip(self.corners, self.corners[1:] + self.corners[:1], strict=True)
        return tuple((x2 - x1) / (m2 - m1) for (x1, m1), (x2, m2) in pairs if m1 != m2)

    @cached_property
    def _cuts(self) -> dict[float, Cut | None]:
        """Cuts that were asked for: the same corners are, again and again."""
        return {}

    def cut(self, mass_kg: float) -> Cut | None:
        """Limits at a mass, or None above or below the envelope.

        On a corner it is the narrower of the bands just below and just above: an outline may step there. Its slope is
        the greater of the two, for the cautious tolerance.
        Raises InputError where an outline has more than one band at one mass."""
        if self.corners is None:
            assert self.forward_m is not None and self.aft_m is not None
            return Cut(self.forward_m, self.aft_m, 0.0, 0.0)
        if mass_kg in self._cuts:
            return self._cuts[mass_kg]
        made = self._cut(self.corners, mass_kg)
        if len(self._cuts) < _MOST_CUTS:
            self._cuts[mass_kg] = made
        return made

    def _cut(self, corners: tuple[tuple[float, float], ...], mass_kg: float) -> Cut | None:
        if not any(abs(mass_kg - m) <= EDGE_M for m in self.masses_kg):
            return self._band(corners, mass_kg)
        beside = [b for step in (-_BESIDE_KG, _BESIDE_KG) if (b := self._band(corners, mass_kg + step)) is not None]
        if not beside:
            return None
        lo, hi = max(b.forward_m for b in beside), min(b.aft_m for b in beside)
        near = 1e-6 + _BESIDE_KG * max(abs(s) for b in beside for s in (b.forward_slope_m_kg, b.aft_slope_m_kg))
        forward = max((b.forward_slope_m_kg for b in beside if abs(b.forward_m - lo) <= near), key=abs)
        aft = max((b.aft_slope_m_kg for b in beside if abs(b.aft_m - hi) <= near), key=abs)
        return Cut(lo, hi, forward, aft)

    def _band(self, corners: tuple[tuple[float, float], ...], mass_kg: float) -> Cut | None:
        """Limits at a mass that is on no corner; None where the outline is not met."""
        hits: list[tuple[float, float]] = []
        for (x1, m1), (x2, m2) in zip(corners, corners[1:] + corners[:1], strict=True):
            if not min(m1, m2) < mass_kg < max(m1, m2):
                continue
            slope = (x2 - x1) / (m2 - m1)
            at = x1 + slope * (mass_kg - m1)
            if self.in_moments:
                at /= mass_kg
                slope = (slope - at) / mass_kg
            hits.append((at, slope))
        if not hits:
            return None
        if len(hits) > 2:
            raise InputError("/craft/limits/envelope", "at one mass the envelope has two bands; give a simple outline")
        (lo, forward), (hi, aft) = sorted(hits)
        return Cut(lo, hi, forward, aft)

    def outline(self) -> list[tuple[float, float]]:
        """Corners as (station m, mass kg) to draw; edges given in moments are curves, cut in eight."""
        if self.corners is None:
            return []
        if not self.in_moments:
            return list(self.corners)
        made = []
        for (s1, m1), (s2, m2) in zip(self.corners, self.corners[1:] + self.corners[:1], strict=True):
            for k in range(8):
                moment, mass = s1 + k / 8 * (s2 - s1), m1 + k / 8 * (m2 - m1)
                made.append((moment / mass, mass))
        return made


def limits_of(envelope: CgEnvelope, mass_kg: Numbers) -> tuple[Numbers, Numbers]:
    """Forward and aft limits at many masses, m; beyond the envelope those of its nearest corner."""
    if envelope.corners is None:
        cut = envelope.cut(0.0)
        assert cut is not None
        return np.full_like(mass_kg, cut.forward_m), np.full_like(mass_kg, cut.aft_m)
    masses = envelope.masses_kg
    held = np.clip(mass_kg, masses[0], masses[-1])
    forward, aft = np.full_like(held, np.inf), np.full_like(held, -np.inf)
    corners = envelope.corners
    for (a, m1), (b, m2) in zip(corners, corners[1:] + corners[:1], strict=True):
        lo, hi = min(m1, m2), max(m1, m2)
        here = (held >= lo - 1e-9) & (held <= hi + 1e-9)
        at = [a + (b - a) * (held - m1) / (m2 - m1)] if m1 != m2 else [np.full_like(held, a), np.full_like(held, b)]
        for x in at:
            x = x / held if envelope.in_moments else x
            forward[here] = np.minimum(forward[here], x[here])
            aft[here] = np.maximum(aft[here], x[here])
    return forward, aft
