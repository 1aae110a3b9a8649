"""Limits of mass and CG, and where lead may go."""

from __future__ import annotations

from ...document import Craft
from ...errors import InputError, ask_all, or_none
from ...figure.trace import above_zero, need
from ...resolved.references import References
from ...topic.lazy import lazy
from ...topic.reading import Topic
from .functions import CgEnvelope, check_polygon

# Where no lateral limit is given. Common practice, no source.
LATERAL_DEFAULT_M = 0.025
_CORNERS = "/craft/limits/envelope"


class CraftLimits(Topic):
    """CG limits along and across the craft, and caps of mass."""

    def __init__(self, craft: Craft, references: References) -> None:
        self.craft = craft
        self.limits = craft.limits
        self.references = references

    @lazy
    def envelope(self) -> CgEnvelope:
        """CG limits against mass."""
        if self.limits.envelope is None:
            forward, aft = ask_all(lambda: self._limit("forward"), lambda: self._limit("aft"))
            if forward >= aft:
                raise InputError(
                    "/craft/limits/forward",
                    "the forward limit is not ahead of the aft limit",
                    allowed="a station ahead of the aft limit",
                )
            return CgEnvelope(None, forward, aft)
        in_moments = any(p.moment is not None for p in self.limits.envelope)
        at = self._moment if in_moments else self._station
        corners = tuple((at(i), p.mass.si) for i, p in enumerate(self.limits.envelope))
        if in_moments and any(m <= 0 for _, m in corners):
            raise InputError(_CORNERS, "a corner in moments needs a mass above zero")
        check_polygon(corners, _CORNERS)
        return CgEnvelope(corners, in_moments=in_moments)

    def _moment(self, i: int) -> float:
        assert self.limits.envelope is not None
        figure = self.limits.envelope[i].moment
        return need(figure, f"{_CORNERS}/{i}/moment", f"moment of corner {i + 1} of the envelope").si

    def _station(self, i: int) -> float:
        assert self.limits.envelope is not None
        figure, what = self.limits.envelope[i].station, f"station of corner {i + 1} of the envelope"
        return self.references.place(figure, f"{_CORNERS}/{i}/station", what, "x").value

    def _limit(self, side: str) -> float:
        """A limit by its station, or by its part of the MAC, m."""
        station, part = getattr(self.limits, side), getattr(self.limits, f"{side}_mac")
        if part is None:
            return self.references.place(station, f"/craft/limits/{side}", f"{side} CG limit", "x").value
        by_chord = self.by_chord(side)
        if station is None:
            return by_chord
        typed = self.references.place(station, f"/craft/limits/{side}", f"{side} CG limit", "x").value
        return max(typed, by_chord) if side == "forward" else min(typed, by_chord)  # the narrower

    def by_chord(self, side: str) -> float:
        """A limit by its part of the MAC, m."""
        lemac, mac = self.mac
        return lemac + float(getattr(self.limits, f"{side}_mac").si) * mac

    @property
    def twice(self) -> list[tuple[str, float, float]]:
        """Limits given by a station and by their part of the MAC that lie further apart than 3 mm: side, both
        stations."""
        made = []
        for side in ("forward", "aft"):
            station, part = getattr(self.limits, side), getattr(self.limits, f"{side}_mac")
            if station is None or part is None:
                continue
            both = or_none(
                lambda d=side, s=station: (
                    self.references.place(s, f"/craft/limits/{d}", f"{d} CG limit", "x").value,
                    self.by_chord(d),
                )
            )
            if both is not None and abs(both[0] - both[1]) > 0.003:
                made.append((side, *both))
        return made

    @lazy
    def lateral(self) -> tuple[float, float, bool]:
        """Limits to port and starboard, m, and whether they were given. Raises InputError when they are crossed."""
        limits, place = self.limits, self.references.place
        if limits.port is None and limits.starboard is None:
            return -LATERAL_DEFAULT_M, LATERAL_DEFAULT_M, False
        lo, hi = ask_all(
            lambda: place(limits.port, "/craft/limits/port", "lateral limit to port", "y").value,
            lambda: place(limits.starboard, "/craft/limits/starboard", "lateral limit to starboard", "y").value,
        )
        if lo >= hi:
            raise InputError(
                "/craft/limits/port",
                "the limit to port does not lie to port of the limit to starboard",
                allowed="a place to port of the limit to starboard",
            )
        return lo, hi, True

    @lazy
    def mac(self) -> tuple[float, float]:
        """Leading edge and length of the mean aerodynamic chord, m."""
        limits, place = self.limits, self.references.place
        return ask_all(
            lambda: place(limits.lemac, "/craft/limits/lemac", "leading edge of the MAC", "x").value,
            lambda: above_zero(limits.mac, "/craft/limits/mac", "mean aerodynamic chord"),
        )

    @lazy
    def gross(self) -> float:
        """Largest mass allowed, kg."""
        return need(self.limits.gross, "/craft/limits/gross", "gross mass").si

    @lazy
    def ballast_station(self) -> float:
        """Station where lead may be put, m."""
        figure, what = self.craft.ballast_station, "station where ballast may go"
        return self.references.place(figure, "/craft/ballast_station", what, "x").value

    @lazy
    def outline(self) -> list[tuple[float, float]]:
        """The limits as an outline to draw: mass and station; forward, aft and gross alone make a box from no mass
        up."""
        if self.envelope.corners:
            return [(m, x) for x, m in self.envelope.outline()]
        cut = self.envelope.cut(0.0)
        assert cut is not None
        return [(0.0, cut.forward_m), (self.gross, cut.forward_m), (self.gross, cut.aft_m), (0.0, cut.aft_m)]
