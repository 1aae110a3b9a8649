"""Weight and balance of a fit: empty, and in every loading along its fuel burn, against the limits."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from itertools import pairwise

from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..figure.trace import Traced, above_zero, need
from ..judging.finding import NeedOut, Value
from ..judging.formula import Out, Working, record
from ..judging.gap import needs_out, or_none
from ..judging.values import ValueList
from ..memo import Memo
from ..resolved.craft import Resolved
from ..resolved.floating import Floating
from ..resolved.references import Axis, Body, got
from ..resolved.wheels import Wheels
from ..topic.lazy import lazy
from .afloat.quantities import AfloatOut, AfloatStates
from .fuel.quantities import Fuel
from .ledger.functions import (
    Centre,
    aft_margin,
    apply_ledger,
    ballast_mass,
    cg_butt_line,
    cg_station,
    cg_water_line,
    chance_inside,
    empty_mass,
    forward_margin,
    loaded_mass,
    percent_mac,
    support_reactions,
)
from .limits.functions import Envelope, check_polygon
from .loadings.every import CasePoint, EveryLoading, FrontierOut
from .standing.functions import Stand
from .standing.quantities import Standing, StepOut
from .wheels.quantities import Axles, AxlesOut

# Where no lateral limit is given. Common practice, no source.
LATERAL_DEFAULT_M = 0.025
_SUMS = Memo(64)
_BEFORE = Memo(16)
_BEFORE_OUT = Memo(16)
_LINES = Memo(32)


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


@record
class LedgerLine:
    """A row of the ledger as drawn on the steelyard; blanks are unknown."""

    id: str
    name: str
    kind: str
    sign: int
    pointer: str
    derived: bool
    mass_si: float | None
    x_si: float | None
    y_si: float | None
    z_si: float | None
    mass_source: str | None


@record
class LoadingOut:
    """A loading, assessed."""

    id: str
    name: str
    mass_si: float | None
    x_si: float | None
    forward_margin_si: float | None
    aft_margin_si: float | None
    trail: list[CasePoint]
    needs: list[NeedOut]


class BalanceOut(Out):
    """What the balance bench shows beside its values and findings."""

    ledger: list[LedgerLine]
    loadings: list[LoadingOut]
    before_loadings: list[LoadingOut]
    envelope: list[CasePoint]
    gross_si: float | None
    frontier: list[FrontierOut]
    afloat: list[AfloatOut]
    axles: list[AxlesOut]
    steps: list[StepOut]


class BalanceBench:
    """Quantities of the balance bench. as_found: the empty craft before the work, from the craft bench."""

    def __init__(
        self,
        resolved: Resolved,
        as_found: list[Body] | CannotSay,
        ground_supports: list[tuple[str, tuple[float, float]]] | CannotSay,
        stands: list[Stand] | CannotSay,
        wheels: Wheels | None = None,
        floating: Floating | None = None,
        warp: dict[str, float] | None = None,
    ) -> None:
        self.resolved = resolved
        self._as_found = as_found
        self._wheels = wheels
        self._floating = floating
        self._warp = warp or {}
        self._supports = ground_supports
        self._stands = stands
        self.craft = resolved.project.craft

    @lazy
    def as_found(self) -> list[Body]:
        """Bodies of the empty craft as found."""
        if isinstance(self._as_found, CannotSay):
            raise CannotSay(*self._as_found.needs)
        return self._as_found

    @lazy
    def changed_bodies(self) -> list[Body]:
        """Bodies of the empty craft after the work, but for the typed rows."""
        return [*self.as_found, *self.resolved.derived_rows]

    def _rows(self, axis: Axis) -> Centre | None:
        """Sums over the typed rows, kept while they do not change."""
        rows = self.resolved.typed_rows
        if not rows:
            return None

        def sums() -> Centre:
            total = Centre()
            _whole(rows, axis)
            for body in rows:
                if body.sign:
                    total.add(body.sign, got(body.mass), got(body.axis(axis)))
            return total

        return _SUMS((rows,), sums, axis)

    def _after(self, axis: Axis, left_out: frozenset[str] = frozenset()) -> Centre:
        """Sums over the empty craft after the work."""
        if left_out:
            return apply_ledger(
                [b for b in [*self.changed_bodies, *self.resolved.typed_rows] if b.id not in left_out], axis
            )
        all_or_cannot_say(lambda: self._rows(axis), lambda: _whole(self.changed_bodies, axis))
        return apply_ledger(self.changed_bodies, axis, self._rows(axis))

    @lazy
    def before(self) -> Centre:
        """Empty craft as found, along x."""
        return apply_ledger(self.as_found)

    @lazy
    def empty(self) -> Centre:
        """Empty craft after the work, along x."""
        return self._after("x")

    @lazy
    def empty_y(self) -> Centre:
        """Empty craft after the work, along y. Rows without a butt line that cannot matter are left out and reported."""
        return self._after("y", frozenset(b.id for b in self.lateral_left_out))

    @lazy
    def empty_z(self) -> Centre:
        """Empty craft after the work, along z."""
        return self._after("z")

    @lazy
    def lateral_left_out(self) -> list[Body]:
        """Rows whose butt line is unknown but whose mass at 0.5 m would, all together, move the CG less than 1 mm."""
        blank = [
            b
            for b in [*self.changed_bodies, *self.resolved.typed_rows]
            if b.sign and isinstance(b.y, CannotSay) and not isinstance(b.mass, CannotSay)
        ]
        reach = sum(got(b.mass).value for b in blank) * 0.5 / self.empty.mass_kg
        return blank if blank and reach < 1e-3 else []

    @lazy
    def envelope(self) -> Envelope:
        """CG limits."""
        limits = self.craft.limits
        place = self.resolved.references.place
        if limits.envelope is not None:
            in_moments = any(p.moment is not None for p in limits.envelope)
            corners = tuple(
                (
                    need(p.moment, f"/craft/limits/envelope/{i}/moment", f"moment of corner {i + 1} of the envelope").si
                    if in_moments
                    else place(
                        p.station,
                        f"/craft/limits/envelope/{i}/station",
                        f"station of corner {i + 1} of the envelope",
                        "x",
                    ).value,
                    p.mass.si,
                )
                for i, p in enumerate(limits.envelope)
            )
            if in_moments and any(m <= 0 for _, m in corners):
                raise InputError("/craft/limits/envelope", "a corner in moments needs a mass above zero")
            check_polygon(corners, "/craft/limits/envelope")
            return Envelope(corners, in_moments=in_moments)
        asks = (lambda: self._limit("forward"), lambda: self._limit("aft"))
        all_or_cannot_say(*asks)
        forward, aft = asks[0](), asks[1]()
        if forward >= aft:
            raise InputError("/craft/limits/forward", "the forward limit is not ahead of the aft limit")
        return Envelope(None, forward, aft)

    def _limit(self, side: str) -> float:
        """A limit by its station, or by its part of the MAC, m."""
        limits = self.craft.limits
        station, part = getattr(limits, side), getattr(limits, f"{side}_mac")
        if station is None and part is not None:
            lemac, mac = self.mac
            return lemac + float(part.si) * mac
        return self.resolved.references.place(station, f"/craft/limits/{side}", f"{side} CG limit", "x").value

    @lazy
    def lateral_limits(self) -> tuple[float, float, bool]:
        """Limits to port and starboard, m, and whether they were given. Raises InputError when they are crossed."""
        limits, place = self.craft.limits, self.resolved.references.place
        if limits.port is None and limits.starboard is None:
            return -LATERAL_DEFAULT_M, LATERAL_DEFAULT_M, False
        asks = (
            lambda: place(limits.port, "/craft/limits/port", "lateral limit to port", "y").value,
            lambda: place(limits.starboard, "/craft/limits/starboard", "lateral limit to starboard", "y").value,
        )
        all_or_cannot_say(*asks)
        lo, hi = asks[0](), asks[1]()
        if lo >= hi:
            raise InputError("/craft/limits/port", "the limit to port does not lie to port of the limit to starboard")
        return lo, hi, True

    @lazy
    def mac(self) -> tuple[float, float]:
        """Leading edge and length of the mean aerodynamic chord, m."""
        limits = self.craft.limits
        asks = (
            lambda: (
                self.resolved.references.place(
                    limits.lemac, "/craft/limits/lemac", "leading edge of the MAC", "x"
                ).value
            ),
            lambda: above_zero(limits.mac, "/craft/limits/mac", "mean aerodynamic chord"),
        )
        all_or_cannot_say(*asks)
        return asks[0](), asks[1]()

    @lazy
    def fuel(self) -> Fuel:
        """Fuel in its tanks, turn by turn."""
        return Fuel(self.resolved)

    @lazy
    def standing(self) -> Standing:
        """The craft on its supports at each step of the work."""
        return Standing(
            self.resolved, self._as_found, self._stands,
            lambda axis: self.empty if axis == "x" else self.empty_y if axis == "y" else self.empty_z, lambda: self.lateral_left_out,
        )  # fmt: skip

    @lazy
    def gross(self) -> float:
        """Largest mass allowed, kg."""
        return need(self.craft.limits.gross, "/craft/limits/gross", "gross mass").si

    @lazy
    def afloat(self) -> AfloatStates:
        """States afloat; only of a craft that floats."""
        assert self._floating is not None
        return AfloatStates(self.resolved, self._floating, self._as_found)

    @lazy
    def axles(self) -> Axles:
        """Loads on axles; only of a craft on wheels."""
        assert self._wheels is not None
        return Axles(self.resolved, self._wheels, self._as_found)

    def loaded(self, key: str, base: Centre) -> tuple[Centre, Centre]:
        """A loading on an empty craft along x, with empty tanks and as loaded."""
        made = self._loaded.get((key, base is self.before))
        if made is None:
            made = self._loaded[key, base is self.before] = self._load(key, base)
        return made

    @lazy
    def _loaded(self) -> dict[tuple[str, bool], tuple[Centre, Centre]]:
        """Loadings that were asked for, by their key, on the craft before or after the work."""
        return {}

    def _load(self, key: str, base: Centre) -> tuple[Centre, Centre]:
        loading = self.resolved.project.loadings[key]
        fuel = self.resolved.load_bodies(key, loading, fuel=True, added=base is not self.before)
        people = self.resolved.load_bodies(key, loading, fuel=False)
        gaps: list[Need] = []
        try:
            dry = apply_ledger(people, start=base)
        except CannotSay as gap:
            gaps += gap.needs
        for b in fuel:
            gaps += [n for part in (b.mass, b.x) if isinstance(part, CannotSay) for n in part.needs]
        if gaps:
            raise CannotSay(*{n.pointer: n for n in gaps}.values())
        return dry, apply_ledger(fuel, start=dry)

    @lazy
    def heaviest_mass(self) -> float:
        """Mass of the heaviest loading after the work, kg."""
        return self._heaviest(self.empty)

    @lazy
    def heaviest_before(self) -> float:
        """Mass of the heaviest loading of the craft as found, kg."""
        return self._heaviest(self.before)

    def _heaviest(self, base: Centre) -> float:
        keys = list(self.resolved.project.loadings)
        if not keys:
            raise CannotSay(Need("/loadings", "a loading: who and what is aboard"))
        all_or_cannot_say(*[lambda k=k: self.loaded(k, base) for k in keys])
        return max(self.loaded(k, base)[1].mass_kg for k in keys)

    def case(self, key: str, base: Centre) -> LoadedCase:
        """One loading on an empty craft, with its burn trail from empty to full: tanks of one turn run down together.

        Each leg is a straight line in mass and moment; margins are checked at its ends, at the masses of the envelope's
        corners and where CG − limit is stationary. Source: statics; FAA-H-8083-1 adverse loading (from memory)."""
        loading = self.resolved.project.loadings[key]
        all_or_cannot_say(lambda: self.loaded(key, base), lambda: self.envelope)
        dry, full = self.loaded(key, base)
        burn = full.mass_kg - dry.mass_kg
        trail = [self._trail_point(dry, 0.0 if burn > 0 else 1.0)]
        floor = dry
        for leg in reversed(self.fuel.legs(key, added=base is not self.before)):
            ceiling = apply_ledger(leg, start=floor)
            piece = ceiling.mass_kg - floor.mass_kg
            if piece <= 0:
                continue
            shares = {(corner - floor.mass_kg) / piece for corner in self.envelope.masses_kg}
            shares |= self._stationary_shares(floor, ceiling, piece)
            for share in sorted(s for s in shares if 0 < s < 1):
                at = apply_ledger([_part(b, share) for b in leg], start=floor)
                trail.append(self._trail_point(at, (at.mass_kg - dry.mass_kg) / burn))
            floor = ceiling
            trail.append(
                self._trail_point(
                    floor, 1.0 if floor.mass_kg >= full.mass_kg - 1e-9 else (floor.mass_kg - dry.mass_kg) / burn
                )
            )
        return LoadedCase(key, loading.name, trail)

    def _trail_point(self, at: Centre, share: float) -> TrailPoint:
        """A point along the burn with the limits at its mass; outside the envelope those of its nearest corner are held."""
        cut = self.envelope.cut(at.mass_kg)
        if cut is None:
            masses = self.envelope.masses_kg
            held = self.envelope.cut(min(max(at.mass_kg, masses[0]), masses[-1]))
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
        slopes = [b for b in self.envelope.slopes_m_kg if b and -c / b > 0]
        return {(math.sqrt(-c / b) - dry.mass_kg) / burn for b in slopes}

    def _cases(self, base_of: str) -> tuple[list[LoadedCase], dict[str, CannotSay]]:
        cases: list[LoadedCase] = []
        gaps: dict[str, CannotSay] = {}
        for key, _ in sorted(self.resolved.project.loadings.items(), key=lambda i: i[1].rank):
            try:
                cases.append(self.case(key, self.empty if base_of == "after" else self.before))
            except CannotSay as gap:
                gaps[key] = gap
        return cases, gaps

    @lazy
    def cases_and_gaps(self) -> tuple[list[LoadedCase], dict[str, CannotSay]]:
        """Loadings after the work, and those that cannot be said yet."""
        return self._cases("after")

    @lazy
    def before_cases(self) -> list[LoadedCase]:
        """Loadings of the craft as found. Raises CannotSay if none can be said."""
        parts = (self.craft, self.resolved.project.loadings)
        cases, gaps = _BEFORE(parts, lambda: self._cases("before"))
        if not cases:
            raise CannotSay(*{n.pointer: n for g in gaps.values() for n in g.needs}.values())
        return cases

    @lazy
    def cases(self) -> list[LoadedCase]:
        """Loadings that can be said."""
        cases, gaps = self.cases_and_gaps
        if not cases:
            if gaps:
                raise CannotSay(*{n.pointer: n for g in gaps.values() for n in g.needs}.values())
            raise CannotSay(Need("/loadings", "a loading: who and what flies"))
        return cases

    @lazy
    def every_loading(self) -> EveryLoading:
        """Every loading that places and tanks allow; only of a craft with CG limits."""
        return EveryLoading(self.resolved, lambda: self.empty, lambda: self.envelope, lambda: self.gross)

    def worst(self, side: str) -> tuple[LoadedCase, TrailPoint]:
        """The loading and point of least margin on one side."""
        case = min(self.cases, key=lambda c: c.worst(side).margin(side))
        return case, case.worst(side)

    @lazy
    def heaviest(self) -> tuple[LoadedCase, TrailPoint]:
        """The loading of greatest mass."""
        case = max(self.cases, key=lambda c: c.trail[-1].mass_kg)
        return case, case.trail[-1]

    @lazy
    def heaviest_loading(self) -> tuple[str, Centre]:
        """Name and sums of the heaviest loading. Every loading must be known."""
        if self.resolved.has("cg limits"):
            case, point = self.heaviest
            return case.name, point.centre
        self.heaviest_mass  # noqa: B018  says what is missing
        made, _ = self.loads_and_gaps
        key = max(made, key=lambda k: made[k].mass_kg)
        return self.resolved.project.loadings[key].name, made[key]

    @lazy
    def ballast_station(self) -> float:
        """Station where lead may be put, m."""
        return self.resolved.references.place(
            self.craft.ballast_station, "/craft/ballast_station", "station where ballast may go", "x"
        ).value

    def _ballast_terms(self, side: str) -> tuple[float, float, float, float]:
        """Mass, CG, limit and station for the lead that brings the worst loading of a side to its limit; negative lead is
        what could come out."""
        _, point = self.worst(side)
        return point.mass_kg, point.x_m, point.limit(side), self.ballast_station

    @lazy
    def engine_out(self) -> Centre:
        """The craft with the old unit and all that is removed out, nothing put in, along x."""
        return apply_ledger([*self.as_found, *[b for b in self.resolved.ledger if b.sign < 0]])

    def reactions(self, centre: Centre) -> list[tuple[str, float]]:
        """Mass on each support, level, empty (as found, or after the work): name and kg. Four wheels keep the warp that they were weighed
        with, which no change of mass takes away."""
        if isinstance(self._supports, CannotSay):
            raise CannotSay(*self._supports.needs)
        y = 0.0
        if not self.resolved.in_line:
            across = (
                apply_ledger(self.as_found, "y") if centre is self.before
                else self.empty_y
            )  # fmt: skip
            y = across.station_m
        stretch = self._stretch if centre is self.empty else {}
        places = [(x + stretch.get(name, 0.0), y) for name, (x, y) in self._supports]
        loads = support_reactions(centre.mass_kg, centre.station_m, y, places)
        return [(name, load + self._warp.get(name, 0.0)) for (name, _), load in zip(self._supports, loads, strict=True)]

    def cross(self, centre: Centre) -> float:
        """Starboard front with port rear, as a share, empty; of four wheels."""
        loads = dict(self.reactions(centre))
        places = dict(self._supports) if not isinstance(self._supports, CannotSay) else {}
        middle = sum(x for x, _ in places.values()) / len(places)
        crossed = [loads[n] for n, (x, y) in places.items() if (x < middle) == (y > 0)]
        return sum(crossed) / sum(loads.values())

    @property
    def _stretch(self) -> dict[str, float]:
        """How far wheels move aft in this fit, by their names, m."""
        if self._wheels is None:
            return {}
        return {s.name: self.resolved.stretch_m for _, s in self._wheels.supports if s.role == "rear"}

    @lazy
    def chance_terms(self) -> tuple[float, float, float, float]:
        """Margins and their standard uncertainties at the point that is least likely inside."""
        points = [self.worst("forward")[1], self.worst("aft")[1]]
        terms = [(p.forward_margin_m, p.u("forward"), p.aft_margin_m, p.u("aft")) for p in points]
        return min(terms, key=lambda t: chance_inside(*t))

    def _in_and_out(self) -> tuple[float, float]:
        """Masses installed and removed, kg."""
        rows = [b for b in self.resolved.ledger if b.sign]
        return sum(got(b.mass).value for b in rows if b.sign > 0), sum(got(b.mass).value for b in rows if b.sign < 0)

    def values(self) -> list[Value]:
        """Headline values, those first that the trade of this kind looks at first."""
        out = ValueList("balance")
        if self.resolved.has("afloat"):
            self.afloat.values(out)
        if self.resolved.has("stands on wheels"):
            self.axles.values(out)
        if self._warp:
            out.add(
                "cross", "Cross: starboard front with port rear, empty", "percent", lambda: self.cross(self.empty), before=lambda: self.cross(self.before), source="corners as weighed, and statics"
            )  # fmt: skip
        out.add(
            "empty-mass", "Empty mass", "mass", lambda: self.empty.mass, before=lambda: self.before.mass,
            working=lambda: empty_mass.working(self.before.mass_kg, *self._in_and_out()),
        )  # fmt: skip
        out.add(
            "empty-cg", "Empty CG aft of the datum", "length", lambda: self.empty.station,
            before=lambda: self.before.station_m,
            working=lambda: cg_station.working(self.empty.moment_kg_m, self.empty.mass_kg),
        )  # fmt: skip
        if self.resolved.has("cg limits"):
            self._limit_values(out)
        else:
            out.add(
                "heaviest", "Heaviest loading", "mass", lambda: self.heaviest_mass, before=lambda: self.heaviest_before,
                working=lambda: loaded_mass.working(self.empty.mass_kg, self.heaviest_mass - self.empty.mass_kg),
            )  # fmt: skip
        out.add(
            "cg-butt-line", "Empty CG to starboard", "length", lambda: self.empty_y.station,
            before=lambda: apply_ledger(self.as_found, "y").station_m,
            working=lambda: cg_butt_line.working(self.empty_y.moment_kg_m, self.empty_y.mass_kg),
        )  # fmt: skip
        out.add(
            "cg-water-line", "Empty CG above the level line", "length", lambda: self.empty_z.station,
            before=lambda: apply_ledger(self.as_found, "z").station_m,
            working=lambda: cg_water_line.working(self.empty_z.moment_kg_m, self.empty_z.mass_kg),
        )  # fmt: skip
        return out.values

    def _limit_values(self, out: ValueList) -> None:
        """Margins to the CG limits, the chance, and lead."""
        if self.craft.limits.mac is not None:
            out.add(
                "percent-mac", "Empty CG, part of the MAC", "percent", lambda: percent_mac(self.empty.station_m, *self.mac),
                before=lambda: percent_mac(self.before.station_m, *self.mac), working=lambda: percent_mac.working(self.empty.station_m, *self.mac),
            )  # fmt: skip
        for side, label in (
            ("forward", "Worst forward margin, all loadings"),
            ("aft", "Worst aft margin, all loadings"),
        ):
            out.add(
                f"{side}-margin", label, "length", lambda s=side: self.worst(s)[1].margin(s),
                before=lambda s=side: min(c.worst(s).margin(s) for c in self.before_cases),
                working=lambda s=side: self.worst(s)[1].margin_working(s),
            )  # fmt: skip
        out.add(
            "chance-inside", "Chance inside the limits", "percent", lambda: chance_inside(*self.chance_terms),
            working=lambda: chance_inside.working(*self.chance_terms),
        )  # fmt: skip
        out.add(
            "heaviest", "Heaviest loading", "mass", lambda: self.heaviest[1].mass_kg,
            before=lambda: max(c.trail[-1].mass_kg for c in self.before_cases),
            working=lambda: loaded_mass.working(self.empty.mass_kg, self.heaviest[1].mass_kg - self.empty.mass_kg),
        )  # fmt: skip
        for side, label in (
            ("forward", "Lead to just touch the forward limit"),
            ("aft", "Lead until the aft limit is touched"),
        ):
            out.add(
                "ballast" if side == "forward" else "ballast-aft", label, "mass", lambda s=side: ballast_mass(*self._ballast_terms(s)),
                working=lambda s=side: ballast_mass.working(*self._ballast_terms(s)),
            )  # fmt: skip

    def tables(self) -> BalanceOut:
        """Ledger, loadings and envelope."""

        typed = self.resolved.typed_rows
        lines = [*map(_line, self.resolved.derived_rows), *_LINES((typed,), lambda: [_line(b) for b in typed])]
        limited = self.resolved.has("cg limits")
        loadings = or_none(lambda: self._loadings_out(*self.cases_and_gaps) if limited else self._plain()) or []
        before = (or_none(lambda: self._before_out(self.before_cases)) or []) if limited else []
        envelope = (or_none(self._outline) or []) if limited else []
        gross = self.craft.limits.gross
        return BalanceOut(
            ledger=lines,
            loadings=loadings,
            before_loadings=before,
            envelope=envelope,
            gross_si=gross.si if gross else None,
            frontier=(or_none(self.every_loading.edges) or []) if limited and self.every_loading.ranges_given else [],
            afloat=self.afloat.tables() if self.resolved.has("afloat") else [],
            axles=self.axles.tables() if self.resolved.has("stands on wheels") else [],
            steps=(or_none(self.standing.tables) or []) if self.resolved.has("scales") and self.resolved.fit_id else [],
        )

    @lazy
    def loads_and_gaps(self) -> tuple[dict[str, Centre], dict[str, CannotSay]]:
        """Loadings after the work as loaded, and those that cannot be said; for craft without CG limits."""
        made: dict[str, Centre] = {}
        gaps: dict[str, CannotSay] = {}
        for key, _ in sorted(self.resolved.project.loadings.items(), key=lambda i: i[1].rank):
            try:
                made[key] = self.loaded(key, self.empty)[1]
            except CannotSay as gap:
                gaps[key] = gap
        return made, gaps

    def _plain(self) -> list[LoadingOut]:
        made, gaps = self.loads_and_gaps
        names = self.resolved.project.loadings
        return [
            LoadingOut(
                id=k, name=names[k].name, mass_si=made[k].mass_kg if k in made else None, x_si=made[k].station_m if k in made else None,
                forward_margin_si=None, aft_margin_si=None, trail=[], needs=needs_out(gaps[k].needs) if k in gaps else [],
            )
            for k in [*made, *gaps]
        ]  # fmt: skip

    def _outline(self) -> list[CasePoint]:
        """The limits as an outline to draw; forward, aft and gross alone make a box from no mass up."""
        if self.envelope.corners:
            return [CasePoint(mass_si=m, x_si=x) for x, m in self.envelope.outline()]
        cut = self.envelope.cut(0.0)
        assert cut is not None
        box = ((0.0, cut.forward_m), (self.gross, cut.forward_m), (self.gross, cut.aft_m), (0.0, cut.aft_m))
        return [CasePoint(mass_si=m, x_si=x) for m, x in box]

    def _before_out(self, cases: list[LoadedCase]) -> list[LoadingOut]:
        """Loadings of the craft as found, the same for every edit of a fit."""
        return _BEFORE_OUT((cases,), lambda: self._loadings_out(cases, {}))

    def _loadings_out(self, cases: list[LoadedCase], gaps: dict[str, CannotSay]) -> list[LoadingOut]:
        made = [
            LoadingOut(
                id=c.key, name=c.name, mass_si=c.trail[-1].mass_kg, x_si=c.trail[-1].x_m,
                forward_margin_si=c.worst("forward").forward_margin_m, aft_margin_si=c.worst("aft").aft_margin_m,
                trail=_curve(c), needs=[],
            )
            for c in cases
        ]  # fmt: skip
        made += [
            LoadingOut(
                id=k, name=self.resolved.project.loadings[k].name, mass_si=None, x_si=None, forward_margin_si=None,
                aft_margin_si=None, trail=[], needs=needs_out(g.needs),
            )
            for k, g in gaps.items()
        ]  # fmt: skip
        return made


def _line(b: Body) -> LedgerLine:
    """A body as a row of the ledger."""
    mass, x, y, z = (m.value if isinstance(m, Traced) else None for m in (b.mass, b.x, b.y, b.z))
    source = next((o.source for o in b.mass.slopes), None) if isinstance(b.mass, Traced) else None
    return LedgerLine(b.id, b.name, b.kind, b.sign, b.pointer, b.derived, mass, x, y, z, source)


def _part(body: Body, share: float) -> Body:
    """A share of a body: fuel that is left."""
    return replace(body, mass=got(body.mass).times(share))


def _whole(bodies: list[Body], axis: Axis) -> None:
    """Raise what bodies need for their sums."""
    all_or_cannot_say(
        *[lambda b=b: all_or_cannot_say(lambda: got(b.mass), lambda: got(b.axis(axis))) for b in bodies if b.sign]
    )


def _curve(case: LoadedCase) -> list[CasePoint]:
    """The trail as drawn, empty tanks first: each straight piece in mass and moment is a curve in mass and station."""
    first = case.trail[0]
    made = [CasePoint(mass_si=first.mass_kg, x_si=first.x_m)]
    cuts = max(1, 8 // max(1, len(case.trail) - 1))
    for a, b in pairwise(case.trail):
        for i in range(1, cuts + 1):
            s = i / cuts
            m = a.mass_kg + s * (b.mass_kg - a.mass_kg)
            moment = a.centre.moment_kg_m + s * (b.centre.moment_kg_m - a.centre.moment_kg_m)
            made.append(CasePoint(mass_si=m, x_si=moment / m))
    return made
