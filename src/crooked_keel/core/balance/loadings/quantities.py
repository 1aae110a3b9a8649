"""Every loading on an empty craft, along its burn, against the limits."""

from __future__ import annotations

import math
from contextlib import suppress
from dataclasses import dataclass, replace
from itertools import pairwise

from ...errors import CannotSay, Gap, InputError, ask_all, or_gap
from ...formula import Working
from ...judging.finding import LeftOut
from ...resolved.loads import Loads
from ...resolved.references import Body, got
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..fuel.quantities import Fuel
from ..handed import EmptyAfter, EmptyBefore, EmptyMeasured, Limited
from ..ledger.functions import Centre, aft_margin, apply_ledger, ballast_mass, chance_inside, forward_margin
from ..limits.quantities import CraftLimits


@dataclass
class TrailPoint:
    """One point along the burn: its sums, CG, margins and their standard uncertainty."""

    centre: Centre
    fuel_share: float
    forward_margin_m: float
    aft_margin_m: float
    forward_limit_m: float
    aft_limit_m: float
    forward_slope_m_kg: float
    aft_slope_m_kg: float

    @property
    def mass_kg(self) -> float:
        """Mass at this point."""
        return self.centre.mass_kg

    @property
    def x_m(self) -> float:
        """CG at this point."""
        return self.centre.station_m

    def u(self, side: str) -> float:
        """Standard uncertainty of the margin on one side, m."""
        return self.centre.margin_u(self.forward_slope_m_kg if side == "forward" else self.aft_slope_m_kg)

    def margin(self, side: str) -> float:
        """Margin on one side, m; negative is outside."""
        return self.forward_margin_m if side == "forward" else self.aft_margin_m

    def margin_working(self, side: str) -> Working:
        """The working of the margin on one side."""
        moment, mass = self.centre.moment_kg_m, self.mass_kg
        if side == "forward":
            return forward_margin.working(moment, mass, self.forward_limit_m)
        return aft_margin.working(self.aft_limit_m, moment, mass)

    def limit(self, side: str) -> float:
        """Limit on one side, m."""
        return self.forward_limit_m if side == "forward" else self.aft_limit_m


@dataclass
class LoadedCase:
    """A loading with its trail from full to empty tanks."""

    key: str
    name: str
    trail: list[TrailPoint]

    def worst(self, side: str) -> TrailPoint:
        """The point of least margin on one side."""
        return min(self.trail, key=lambda p: p.margin(side))

    def curve(self) -> list[tuple[float, float]]:
        """The trail as drawn, mass and station, empty tanks first: each straight piece in mass and moment is a curve in
        mass and station."""
        first = self.trail[0]
        made = [(first.mass_kg, first.x_m)]
        cuts = max(1, 8 // max(1, len(self.trail) - 1))
        for a, b in pairwise(self.trail):
            for i in range(1, cuts + 1):
                s = i / cuts
                m = a.mass_kg + s * (b.mass_kg - a.mass_kg)
                moment = a.centre.moment_kg_m + s * (b.centre.moment_kg_m - a.centre.moment_kg_m)
                made.append((m, moment / m))
        return made


class Loadings(Topic):
    """Loadings after the work. base: the empty craft, along x; limited: whether the craft has CG limits."""

    after = True

    def __init__(self, loads: Loads, base: EmptyAfter, limits: CraftLimits, fuel: Fuel, limited: Limited) -> None:
        self.loads = loads
        self._base = base
        self.limits = limits
        self.fuel = fuel
        self.limited = limited

    @lazy
    def base(self) -> Centre:
        """Sums of the empty craft, along x."""
        if isinstance(self._base, CannotSay):
            raise CannotSay(*self._base.needs)
        return self._base

    def loaded(self, key: str) -> tuple[Centre, Centre]:
        """A loading along x, with empty tanks and as loaded."""
        if key not in self._loaded:
            self._loaded[key] = self._load(key)
        return self._loaded[key]

    @lazy
    def _loaded(self) -> dict[str, tuple[Centre, Centre]]:
        return {}

    def _load(self, key: str) -> tuple[Centre, Centre]:
        fuel, people = self.loads.fuel(key, self.after), self.loads.people(key)
        gaps: list[Gap] = []
        try:
            dry = apply_ledger(people, start=self.base)
        except CannotSay as gap:
            gaps += gap.needs
        for b in fuel:
            gaps += [n for part in (b.mass, b.x) if isinstance(part, CannotSay) for n in part.needs]
        if gaps:
            raise CannotSay(*{n.pointer: n for n in gaps}.values())
        return dry, apply_ledger(fuel, start=dry)

    @lazy
    def heaviest_mass(self) -> float:
        """Mass of the heaviest loading, kg. Every loading must be known."""
        if not self.loads.keys:
            raise CannotSay(Gap("/loadings", "a loading: who and what is aboard"))
        known = ask_all(*[lambda k=k: self.loaded(k) for k in self.loads.keys])
        return max(full.mass_kg for _, full in known)

    def case(self, key: str) -> LoadedCase:
        """One loading, with its burn trail from empty to full: tanks of one turn run down together.

        Each leg is a straight line in mass and moment; margins are checked at its ends, at the masses of the envelope's
        corners and where CG − limit is stationary. Source: statics; FAA-H-8083-1 adverse loading (from memory)."""
        (dry, full), envelope = ask_all(lambda: self.loaded(key), lambda: self.limits.envelope)
        burn = full.mass_kg - dry.mass_kg
        trail = [self.at(dry, 0.0 if burn > 0 else 1.0)]
        floor = dry
        for leg in reversed(self.fuel.legs(key, self.after)):
            ceiling = apply_ledger(leg, start=floor)
            piece = ceiling.mass_kg - floor.mass_kg
            if piece <= 0:
                continue
            shares = {(corner - floor.mass_kg) / piece for corner in envelope.masses_kg}
            shares |= self._stationary_shares(floor, ceiling, piece)
            for share in sorted(s for s in shares if 0 < s < 1):
                at = apply_ledger([_part(b, share) for b in leg], start=floor)
                trail.append(self.at(at, (at.mass_kg - dry.mass_kg) / burn))
            floor = ceiling
            done = floor.mass_kg >= full.mass_kg - 1e-9
            trail.append(self.at(floor, 1.0 if done else (floor.mass_kg - dry.mass_kg) / burn))
        return LoadedCase(key, self.loads.name(key), trail)

    def at(self, at: Centre, share: float = 1.0) -> TrailPoint:
        """A point along the burn with the limits at its mass; outside the envelope those of its nearest corner are
        held."""
        envelope = self.limits.envelope
        cut = envelope.cut(at.mass_kg)
        if cut is None:
            masses = envelope.masses_kg
            held = envelope.cut(min(max(at.mass_kg, masses[0]), masses[-1]))
            assert held is not None
            cut = held._replace(forward_slope_m_kg=0.0, aft_slope_m_kg=0.0)
        x = at.station_m
        return TrailPoint(
            at,
            share,
            x - cut.forward_m,
            cut.aft_m - x,
            cut.forward_m,
            cut.aft_m,
            cut.forward_slope_m_kg,
            cut.aft_slope_m_kg,
        )

    def _stationary_shares(self, dry: Centre, full: Centre, burn: float) -> set[float]:
        """Where X(m) = xk + C/m touches a sloping edge a + b·m closest: m* = √(−C/b)."""
        xk = (full.moment_kg_m - dry.moment_kg_m) / burn
        c = dry.moment_kg_m - xk * dry.mass_kg
        slopes = [b for b in self.limits.envelope.slopes_m_kg if b and -c / b > 0]
        return {(math.sqrt(-c / b) - dry.mass_kg) / burn for b in slopes}

    @lazy
    def cases_and_gaps(self) -> tuple[list[LoadedCase], dict[str, CannotSay]]:
        """Loadings that can be said, and those that cannot."""
        cases: list[LoadedCase] = []
        gaps: dict[str, CannotSay] = {}
        with suppress(CannotSay):  # each loading says that it needs them; limits that cannot be are refused once
            self.limits.envelope  # noqa: B018
        for key in self.loads.keys:
            found = or_gap(lambda k=key: self.case(k))
            if isinstance(found, CannotSay):
                gaps[key] = found
            else:
                cases.append(found)
        return cases, gaps

    @lazy
    def cases(self) -> list[LoadedCase]:
        """Loadings that can be said. Raises CannotSay if there is none."""
        cases, gaps = self.cases_and_gaps
        if not cases:
            if gaps or not self.after:
                raise CannotSay(*{n.pointer: n for g in gaps.values() for n in g.needs}.values())
            raise CannotSay(Gap("/loadings", "a loading: who and what flies"))
        return cases

    def worst(self, side: str) -> tuple[LoadedCase, TrailPoint]:
        """The loading and point of least margin on one side."""
        case = min(self.cases, key=lambda c: c.worst(side).margin(side))
        return case, case.worst(side)

    def least_sure(self, side: str) -> tuple[LoadedCase, TrailPoint]:
        """The loading and point that decide the verdict on one side: the furthest beyond the limit, else the one whose
        doubt leaves least of its margin."""
        points = [(c, p) for c in self.cases for p in c.trail]
        return min(points, key=lambda f: least_first(f[1].margin(side), f[1].u(side)))

    @property
    def unsaid(self) -> LeftOut:
        """Loadings that cannot be said."""
        gaps = self.cases_and_gaps[1] if self.limited else self.loads_and_gaps[1]
        needs = {n.pointer: n for g in gaps.values() for n in g.needs}
        return LeftOut([self.loads.name(k) for k in gaps], list(needs.values()))

    @lazy
    def heaviest(self) -> tuple[LoadedCase, TrailPoint]:
        """The loading of greatest mass, its doubt counted."""
        most = lambda c: c.trail[-1].mass_kg + 2 * c.trail[-1].centre.mass.u
        over = [c for c in self.cases if self.limits.limits.gross and c.trail[-1].mass_kg > self.limits.limits.gross.si]
        case = max(over, key=lambda c: c.trail[-1].mass_kg) if over else max(self.cases, key=most)
        return case, case.trail[-1]

    @lazy
    def loads_and_gaps(self) -> tuple[dict[str, Centre], dict[str, CannotSay]]:
        """Loadings as loaded, and those that cannot be said; for craft without CG limits."""
        made: dict[str, Centre] = {}
        gaps: dict[str, CannotSay] = {}
        for key in self.loads.keys:
            found = or_gap(lambda k=key: self.loaded(k)[1])
            if isinstance(found, CannotSay):
                gaps[key] = found
            else:
                made[key] = found
        return made, gaps

    @lazy
    def heaviest_loading(self) -> tuple[str, Centre]:
        """Name and sums of the heaviest loading; of a craft without CG limits every loading must be known."""
        if self.limited:
            case, point = self.heaviest
            return case.name, point.centre
        self.heaviest_mass  # noqa: B018  says what is missing
        made, _ = self.loads_and_gaps
        key = max(made, key=lambda k: made[k].mass_kg)
        return self.loads.name(key), made[key]

    def ballast_terms(self, side: str) -> tuple[float, float, float, float]:
        """Mass, CG, limit and station for the lead that brings the worst loading of a side to its limit, at the mass
        that it then has; negative lead is what could come out. Raises InputError where lead there makes it worse."""
        _, point = self.worst(side)
        station, limit, lead = self.limits.ballast_station, point.limit(side), 0.0
        for _ in range(30):  # a limit that slopes with mass moves as the lead goes in
            lead = ballast_mass(point.mass_kg, point.x_m, limit, station)
            cut = self.limits.envelope.cut(point.mass_kg + lead)
            if cut is None:
                break
            limit = cut.forward_m if side == "forward" else cut.aft_m
        if point.margin(side) < 0 and lead < 0:
            raise InputError(
                "/craft/ballast_station",
                f"lead there makes the {side} margin worse: it lies on the wrong side of the CG",
                allowed="a station aft of the CG" if side == "forward" else "a station ahead of the CG",
            )
        return point.mass_kg, point.x_m, limit, station

    @lazy
    def chance_terms(self) -> tuple[float, float, float, float, float, float]:
        """Margins and their standard uncertainties at the point that is least likely inside, and what the heaviest
        loading leaves of the gross mass."""
        ask_all(lambda: self.cases, lambda: self.limits.gross)
        points = [self.worst("forward")[1], self.worst("aft")[1]]
        heavy = self.heaviest[1].centre.mass
        left = self.limits.gross - heavy.value
        terms = [(p.forward_margin_m, p.u("forward"), p.aft_margin_m, p.u("aft"), left, heavy.u) for p in points]
        return min(terms, key=lambda t: chance_inside(*t))


def least_first(margin: float, u: float) -> tuple[int, float]:
    """Order of margins, worst first: those beyond a limit by how far, then those inside by what their doubt leaves of
    them."""
    return (0, margin) if margin < 0 else (1, margin - 2 * u)


class LoadingsBefore(Loadings):
    """Loadings of the craft as found; the same for every edit of a fit."""

    after = False

    def __init__(self, loads: Loads, base: EmptyBefore, limits: CraftLimits, fuel: Fuel, limited: Limited) -> None:
        super().__init__(loads, base, limits, fuel, limited)


class LoadingsMeasured(Loadings):
    """Loadings after the work on what the scales said when the craft was weighed again."""

    only_of = "cg limits"

    def __init__(self, loads: Loads, base: EmptyMeasured, limits: CraftLimits, fuel: Fuel, limited: Limited) -> None:
        super().__init__(loads, base, limits, fuel, limited)


def _part(body: Body, share: float) -> Body:
    """A share of a body: fuel that is left."""
    return replace(body, mass=got(body.mass).times(share))
