"""Every loading that the places and tanks of a craft allow, once it is said what each place may carry."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from ...errors import InputError, ask_all, or_none
from ...figure.trace import Traced, need
from ...formula import record
from ...resolved.loads import Loads
from ...resolved.references import References, got
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..ledger.functions import Centre, apply_ledger
from .frontier import Loadable, Side, Worst, frontier, most_of, worst_margin
from .quantities import Loadings, least_first


@record
class CasePoint:
    """A point of a trail or an edge."""

    mass_si: float
    x_si: float


@record
class FrontierOut:
    """The edge of every loading that can be, on one side, from the lightest up."""

    side: str
    points: list[CasePoint]


# Its id and name; lightest and heaviest, kg; its station.
Row = tuple[str, str, Callable[[], float], Callable[[], float], Callable[[], Traced]]


class EveryLoading(Topic):
    """Every loading that places and tanks allow, after the work."""

    def __init__(self, loads: Loads, references: References, loadings: Loadings) -> None:
        self.loads = loads
        self.references = references
        self.loadings = loadings

    @property
    def ranges_given(self) -> bool:
        """Whether anybody said what a place may carry."""
        return any(s.lightest or s.heaviest for _, s in self.loads.seats)

    @property
    def _rows(self) -> list[Row]:
        """What may be aboard, each figure asked when it is wanted."""
        place = self.references.place
        rows: list[Row] = []
        for key, seat in self.loads.seats:
            at = f"/craft/seats/{key}"
            rows.append(
                (
                    f"seats/{key}",
                    seat.name,
                    lambda s=seat, p=at: need(s.lightest, f"{p}/lightest", f"lightest that {s.name} may carry").si,
                    lambda s=seat, p=at: need(s.heaviest, f"{p}/heaviest", f"heaviest that {s.name} may carry").si,
                    lambda s=seat, p=at: place(s.station, f"{p}/station", f"station of {s.name}", "x"),
                )
            )
        for key, at, tank in self.loads.tanks(True):
            rows.append(
                (
                    f"tanks/{key}",
                    tank.name,
                    lambda: 0.0,
                    lambda t=tank, p=at: (
                        need(t.capacity, f"{p}/capacity", f"usable volume of the {t.name}").si
                        * need(t.density, f"{p}/density", f"density of the fuel in the {t.name}").si
                    ),
                    lambda t=tank, p=at: place(t.station, f"{p}/station", f"station of {t.name}", "x"),
                )
            )
        return rows

    @lazy
    def items(self) -> list[tuple[Loadable, Traced]]:
        """What may be aboard, with the traced station of each: every place from its lightest to its heaviest, every
        tank from empty to full. Raises CannotSay with every figure that is missing."""
        rows, made = self._rows, []
        ask_all(*[ask for row in rows for ask in row[2:]])
        for id, name, lo, hi, x in rows:
            if hi() < lo():
                raise InputError(
                    f"/craft/{id}/heaviest",
                    f"the heaviest of {name} is less than its lightest",
                    allowed="the lightest or more",
                )
            made.append((Loadable(id, name, lo(), hi(), x().value), x()))
        return made

    @lazy
    def sure_items(self) -> list[tuple[Loadable, Traced]]:
        """The same of what is known: a place or tank without its heaviest or its station stays at its lightest, for
        that can be. Raises CannotSay where that is not known either."""
        made = []
        for id, name, lo, hi, x in self._rows:
            least, most, at = lo(), or_none(hi), or_none(x)
            if (most is None or at is None) and least == 0:
                continue
            at = at or x()
            made.append((Loadable(id, name, least, least if most is None else max(most, least), at.value), at))
        return made

    @property
    def above_outline_kg(self) -> float:
        """How much heavier the craft may be loaded, within its gross mass, than its outline reaches, kg."""
        masses = self.loadings.limits.envelope.masses_kg
        if not masses:
            return 0.0
        heaviest = self.loadings.base.mass_kg + sum(i.hi_kg for i, _ in self.items)
        over = min(heaviest, self.loadings.limits.gross) - masses[-1]
        return over if over > 1e-6 else 0.0

    @property
    def over_at_lightest(self) -> tuple[float, float] | None:
        """Mass of the lightest loading and the gross mass that it is above, kg; None where it is not above, or where it
        cannot be said."""
        lows = lambda: ask_all(*(lo for _, _, lo, _, _ in self._rows))
        known = or_none(lambda: ask_all(lambda: self.loadings.base, lambda: self.loadings.limits.gross, lows))
        if known is None:
            return None
        base, gross, least = known
        lightest = base.mass_kg + sum(least)
        return (lightest, gross) if lightest > gross + 1e-9 else None

    def _on(self, side: Side, aboard: list[tuple[Loadable, Traced]]) -> list[Loadable]:
        """What may be aboard, with every seat that slides where it is worst for a side."""
        seats, way = dict(self.loads.seats), -1.0 if side == "forward" else 1.0
        made = []
        for item, _ in aboard:
            seat = seats.get(item.id.removeprefix("seats/"))
            slides = seat.slides.si if seat is not None and seat.slides is not None else 0.0
            made.append(item._replace(x_m=item.x_m + way * slides))
        return made

    def worst_of_all(self, side: Side) -> tuple[Worst, float]:
        """The least margin of every loading that the places and tanks allow, to one side, and its standard uncertainty;
        loads exact."""
        return self._worst(side, lambda: self.items)

    def worst_of_sure(self, side: Side) -> tuple[Worst, float]:
        """The same of those loadings alone that are known to be allowed."""
        return self._worst(side, lambda: self.sure_items)

    def _worst(self, side: Side, what: Callable[[], list[tuple[Loadable, Traced]]]) -> tuple[Worst, float]:
        *_, aboard = ask_all(
            lambda: self.loadings.base,
            lambda: self.loadings.limits.envelope,
            lambda: self.loadings.limits.gross,
            what,
        )
        items = self._on(side, aboard)
        found = worst_margin(
            self.loadings.base.mass_kg,
            self.loadings.base.moment_kg_m,
            items,
            self.loadings.limits.envelope,
            side,
            self.loadings.limits.gross,
        )
        loaded = Centre(self.loadings.base)
        for item, (_, x) in zip(items, aboard, strict=True):
            loaded.add(1, Traced(found.at.loads_kg[item.id]), Traced(item.x_m, x.slopes))
        cut = self.loadings.limits.envelope.cut(found.at.mass_kg)
        slope = 0.0 if cut is None else cut.forward_slope_m_kg if side == "forward" else cut.aft_slope_m_kg
        return found, loaded.margin_u(slope)

    @property
    def slides(self) -> bool:
        """Whether any place slides."""
        return any(s.slides is not None and s.slides.si > 0 for _, s in self.loads.seats)

    def slid(self, side: Side) -> tuple[str, float, float, float, float]:
        """The named loading, with every seat slid where it is worst for a side, that comes nearest to the limit: its
        name, CG, limit, margin and standard uncertainty, m. Both ends of its fuel."""
        way = -1.0 if side == "forward" else 1.0
        found = []
        for key in self.loads.keys:
            people = [
                replace(b, x=got(b.x) + Traced(way * (s.slides.si if s.slides else 0.0)))
                for b, (_, s) in zip(self.loads.people(key), self.loads.seats, strict=True)
            ]
            dry = apply_ledger(people, start=self.loadings.base)
            for at in (dry, apply_ledger(self.loads.fuel(key, True), start=dry)):
                point = self.loadings.at(at)
                margin, u = point.margin(side), point.u(side)
                found.append((self.loads.name(key), point.x_m, point.limit(side), margin, u))
        return min(found, key=lambda f: least_first(f[3], f[4]))

    def edges(self) -> list[FrontierOut]:
        """The edges of every loading, forward and aft, from the lightest up."""
        ask_all(lambda: self.loadings.base, lambda: self.items)
        sides: tuple[Side, Side] = ("forward", "aft")
        return [
            FrontierOut(
                side=side,
                points=[
                    CasePoint(mass_si=p.mass_kg, x_si=p.x_m)
                    for p in frontier(
                        self.loadings.base.mass_kg, self.loadings.base.moment_kg_m, self._on(side, self.items), side
                    )
                ],
            )
            for side in sides
        ]

    def most_of(self, item: Loadable, side: Side) -> float | None:
        """The heaviest that an item may be so that no loading passes the limit on a side, kg; None when even its
        lightest does."""
        empty, items = self.loadings.base, self._on(side, self.items)
        return most_of(
            item,
            empty.mass_kg,
            empty.moment_kg_m,
            items,
            self.loadings.limits.envelope,
            side,
            self.loadings.limits.gross,
        )
