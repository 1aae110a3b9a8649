"""The craft afloat as found: her waterplane from freeboards, her displacement and CG by form or by a report."""

from __future__ import annotations

import math
from collections.abc import Callable

import numpy as np

from ..document import Figure, Mark
from ..errors import CannotSay, Gap, ask_all, or_gap, or_none
from ..figure.trace import Origin, Traced, above_zero, need, traced
from ..physics.hull import Hull, Section, both_sides, level_draft
from ..physics.hydrostatics import (
    Afloat,
    Hydro,
    Waterplane,
    hydro_from_form,
    metacentric_height,
    waterplane_from_freeboards,
)
from ..physics.stability import (
    Inclined,
    TableRow,
    check_table,
    draft_from_table,
    hydro_from_table,
)
from ..topic.lazy import lazy
from ..topic.reading import Topic
from .craft import Resolved
from .gm_tests import MeasuredGm, inclined_gm, rolled_gm
from .references import Body, got

# Bound on a form coefficient that nobody gave a tolerance for (proposed default).
BLOCK_BOUND = 0.10


class Floating(Topic):
    """Quantities of a floating craft as found."""

    only_of = "afloat"

    def __init__(self, resolved: Resolved) -> None:
        self.resolved = resolved
        self.flotation = resolved.project.craft.flotation
        self.found = resolved.project.craft.as_found
        self._placed: dict[str, tuple[Traced, Traced, Traced]] = {}

    def _figure(self, part: str, what: str) -> Traced:
        figure: Figure | None = getattr(self.flotation, part)
        pointer = f"/craft/flotation/{part}"
        made = traced(figure, pointer, what)
        if part == "block" and figure is not None and figure.plus_minus is None:
            u = BLOCK_BOUND * figure.si / 3**0.5
            return Traced(made.value, {Origin.of(pointer, u, what, figure.source): 1.0})
        return made

    @property
    def by(self) -> str:
        """Whose word her hydrostatics are: the designer's table before her sections before a form estimate."""
        if self.flotation.table:
            return "designer's table"
        return "sections" if self.flotation.sections else "form estimate"

    @lazy
    def length(self) -> float:
        """Length on the waterline, m."""
        return above_zero(self.flotation.length, "/craft/flotation/length", "length on the waterline")

    @lazy
    def density(self) -> Traced:
        """Density of the water."""
        return self._figure("density", "density of the water")

    @lazy
    def table(self) -> list[TableRow]:
        """The designer's table, displacement in the water she floats in, immersion by its own slope."""
        rows = self.flotation.table or []
        place = self.resolved.references.place
        at = lambda row, i, part: (
            place(getattr(row, part), f"/craft/flotation/table/{i}/{part}", f"{part} of row {i + 1}", "x").value
        )
        made = [
            TableRow(r.draft.si, r.displacement.si, at(r, i, "lcb"), at(r, i, "lcf"), 0.0, r.km.si, r.km_long.si)
            for i, r in enumerate(rows)
        ]
        check_table(made)
        slopes = np.gradient([r.displacement_kg for r in made], [r.draft_m for r in made])
        return [r._replace(immersion_kg_m=float(k)) for r, k in zip(made, slopes, strict=True)]

    @lazy
    def table_density(self) -> float:
        """Density of the water that the designer's table was made for, kg/m³."""
        figure = self.flotation.table_density
        what = "water that the hydrostatic table was made for"
        return above_zero(figure, "/craft/flotation/table_density", what)

    @lazy
    def hull(self) -> Hull:
        """Her sections."""
        place = self.resolved.references.place
        sections = self.flotation.sections or []
        return Hull.of(
            [
                Section(
                    place(
                        s.station, f"/craft/flotation/sections/{i}/station", f"station of section {i + 1}", "x"
                    ).value,
                    both_sides(
                        [
                            (
                                p.out.si,
                                place(
                                    p.height, f"/craft/flotation/sections/{i}/half", f"height in section {i + 1}", "z"
                                ).value,
                            )
                            for p in s.half
                        ]
                    ),
                )
                for i, s in enumerate(sections)
            ]
        )

    @lazy
    def table_against_sections(self) -> tuple[float, float] | None:
        """Displacement as found by her table and by her sections, kg; None where she has not both."""
        if not self.flotation.table or not self.flotation.sections:
            return None
        ask_all(lambda: self.row, lambda: self.hull)
        return self.row.displacement_kg, self.density.value * self.hull.cut(self.keel + self.draft.value).volume_m3

    def row_at(self, draft_m: float) -> TableRow:
        """Hydrostatics at a draft over the keel, by the table or by the sections."""
        density = self.density.value
        if self.flotation.table:
            return hydro_from_table(self.table, draft_m, density, self.table_density)
        i = self.hull.cut(self.keel + draft_m)
        kb = i.z_m - self.keel
        return TableRow(
            draft_m,
            density * i.volume_m3,
            i.x_m,
            i.lcf_m,
            density * i.area_m2,
            kb + i.inertia_m4 / i.volume_m3,
            kb + i.inertia_long_m4 / i.volume_m3,
        )

    @lazy
    def row(self) -> TableRow:
        """Hydrostatics as found, by the table or by the sections."""
        ask_all(lambda: self.draft, lambda: self.keel, lambda: self.density)
        return self.row_at(self.draft.value)

    @lazy
    def form(self) -> dict[str, Traced]:
        """Length, beam, coefficients and density of the water."""
        words = {
            "length": "length on the waterline",
            "beam": "beam on the waterline",
            "block": "block coefficient",
            "waterplane": "waterplane coefficient",
            "density": "density of the water",
        }
        asks = {k: (lambda k=k, w=w: self._figure(k, w)) for k, w in words.items()}
        ask_all(*asks.values())
        return {k: ask() for k, ask in asks.items()}

    def _place(self, part: str, what: str, axis: str) -> Traced:
        place = self.resolved.references.place
        return place(getattr(self.flotation, part), f"/craft/flotation/{part}", what, axis)  # type: ignore[arg-type]

    @lazy
    def lcf(self) -> float:
        """Station of the centre of flotation, m: as entered, or by table or sections at the draft there."""
        if self.by == "form estimate":
            return self._place("lcf", "station of the centre of flotation", "x").value
        ask_all(lambda: self.keel, lambda: self.density)
        if self.found.method == "report":
            return self.row_at(self._reported_draft()).lcf_m
        ask_all(lambda: self.readings)
        points = [(x.value, y.value, z.value) for x, y, z in self.readings]
        at = sum(p[0] for p in points) / len(points)
        for _ in range(3):  # the centre moves little with the draft: it is found where it was looked for
            at = self.row_at(waterplane_from_freeboards(points, at).height_m - self.keel).lcf_m
        return at

    def _reported_draft(self) -> float:
        """Draft at which table or sections carry the mass of the report, m."""
        mass, density = self.reported_mass.value, self.density.value
        if self.flotation.table:
            return draft_from_table(self.table, mass, density, self.table_density)
        return level_draft(self.hull, mass, density) - self.keel

    @lazy
    def keel(self) -> float:
        """Water line of the underside of the canoe body, m."""
        return self._place("keel", "underside of the canoe body", "z").value

    @property
    def marks(self) -> list[tuple[str, Mark]]:
        """Marks in order."""
        return sorted(self.flotation.marks.items(), key=lambda m: (m[1].rank, m[0]))

    def mark_at(self, key: str, mark: Mark) -> tuple[Traced, Traced, Traced]:
        """Station, butt line and sheer of a mark. Computed once."""
        if key in self._placed:
            return self._placed[key]
        place, base = self.resolved.references.place, f"/craft/flotation/marks/{key}"
        asks = (
            lambda: place(mark.station, f"{base}/station", f"station of the mark {mark.name}", "x"),
            lambda: place(mark.butt_line, f"{base}/butt_line", f"butt line of the mark {mark.name}", "y"),
            lambda: place(mark.sheer, f"{base}/sheer", f"height of the sheer at {mark.name}", "z"),
        )
        self._placed[key] = ask_all(*asks)
        return self._placed[key]

    @lazy
    def readings(self) -> list[tuple[Traced, Traced, Traced]]:
        """Station, butt line and height of the water at each mark."""
        freeboard: list[Callable[[], Traced]] = [
            lambda k=k, m=m: traced(m.freeboard, f"/craft/flotation/marks/{k}/freeboard", f"freeboard at {m.name}")
            for k, m in self.marks
        ]
        if not freeboard:
            raise CannotSay(Gap("/craft/flotation/marks", "marks where freeboards are read"))
        ask_all(*freeboard, *[lambda k=k, m=m: self.mark_at(k, m) for k, m in self.marks])
        made = []
        for (key, mark), ask in zip(self.marks, freeboard, strict=True):
            x, y, sheer = self.mark_at(key, mark)
            made.append((x, y, sheer - ask()))
        return made

    @lazy
    def waterplane(self) -> Waterplane:
        """The plane of the water."""
        ask_all(lambda: self.readings, lambda: self.lcf)
        return waterplane_from_freeboards([(x.value, y.value, z.value) for x, y, z in self.readings], self.lcf)

    @lazy
    def draft(self) -> Traced:
        """Draft of the canoe body at the centre of flotation, m: by the freeboards, or from the reported
        displacement."""
        if self.found.method == "report":
            if self.by != "form estimate":
                ask_all(lambda: self.keel, lambda: self.density, lambda: self.reported_mass)
                return Traced(self._reported_draft())
            ask_all(lambda: self.form, lambda: self.reported_mass)
            f = self.form
            per_draft = f["density"].by(f["block"]).by(f["length"]).by(f["beam"])
            return self.reported_mass.over(per_draft)
        ask_all(lambda: self.waterplane, lambda: self.keel)
        return self._sum(self.waterplane.weights) - self._place("keel", "underside of the canoe body", "z")

    @lazy
    def reported_mass(self) -> Traced:
        """Displacement from the report."""
        return traced(self.found.report_mass, "/craft/as_found/report_mass", "displacement from the report")

    @lazy
    def hydro(self) -> Hydro:
        """Hydrostatics at the draft found."""
        if self.by != "form estimate":
            r = self.row
            kb = self.hull.cut(self.keel + self.draft.value).z_m - self.keel if self.by == "sections" else 0.0
            bm, bm_long = r.km_m - kb, r.km_long_m - kb
            return Hydro(r.displacement_kg, r.immersion_kg_m, kb, bm, bm, bm_long, bm_long)
        ask_all(lambda: self.draft, lambda: self.form)
        f = {k: v.value for k, v in self.form.items()}
        return hydro_from_form(f["length"], f["beam"], self.draft.value, f["block"], f["waterplane"], f["density"])

    @lazy
    def inclined(self) -> Inclined | None:
        """GM by the inclining test as found, or None where there was none."""
        return inclined_gm(self.flotation.inclining, lambda: self.hydro)

    @lazy
    def gm_measured(self) -> MeasuredGm | None:
        """GM as found by inclining, or by rolling the lowest it may be; where both were done and do not agree, the
        lower of the two."""
        found, rolled = self.inclined, self.gm_rolled
        if found is None:
            return rolled
        inclined = MeasuredGm(found.gm_m, found.u_m, "inclined", "/craft/flotation/inclining/pendulum")
        return rolled if rolled is not None and self.gm_disagrees and rolled.gm_m < found.gm_m else inclined

    @lazy
    def gm_disagrees(self) -> bool:
        """Whether GM was both inclined and rolled, and the one lies outside what the other leaves open."""
        found, rolled = self.inclined, self.gm_rolled
        if found is None or rolled is None:
            return False
        low, high = rolled.gm_m, rolled.gm_m + 2 * math.sqrt(3) * rolled.u_m
        return not low - 2 * found.u_m <= found.gm_m <= high + 2 * found.u_m

    @lazy
    def gm_rolled(self) -> MeasuredGm | None:
        """GM by the time of a full roll, the lowest that the coefficients allow; None where none was timed."""
        return rolled_gm(self.flotation.inclining, lambda: self._figure("beam", "beam on the waterline").value)

    @lazy
    def height(self) -> float:
        """CG over the keel, m: from GM where that was measured, free surface as it then was counted in; else as
        entered."""
        measured = self.gm_measured
        if measured is not None:
            return self.hydro.km_m - measured.gm_m
        place = self.resolved.references.place
        ask = lambda: place(self.found.water_line, "/craft/as_found/water_line", "height of the CG as found", "z")
        ask_all(ask, lambda: self.keel)
        return ask().value - self.keel

    @lazy
    def body(self) -> Body:
        """The craft as she floats: displacement by table, sections or form, LCG = LCB + trim, TCG = heel · GM."""
        if self.by == "form estimate":
            ask_all(lambda: self.form, lambda: self.draft)
            f = self.form
            mass = f["density"].by(f["block"]).by(f["length"]).by(f["beam"]).by(self.draft)
        else:
            # Sections are cut where the water is, whatever the keel; a table counts its drafts from the keel.
            row = self.row
            by_water = self.by == "sections" and self.found.method != "report"
            at = self._sum(self.waterplane.weights) if by_water else self.draft
            mass = Traced(row.displacement_kg, {o: s * row.immersion_kg_m for o, s in at.slopes.items()})
        place = self.resolved.references.place
        measured = self.gm_measured
        height = or_gap(
            (
                lambda: Traced(
                    self.height + self.keel,
                    {Origin.of(measured.pointer, measured.u_m, f"GM, {measured.by}", "measured"): -1.0},
                )
            )
            if measured is not None
            else lambda: place(self.found.water_line, "/craft/as_found/water_line", "height of the CG as found", "z")
        )
        return Body(
            "as-found",
            "Craft as found",
            "as found",
            1,
            "/craft/as_found",
            mass,
            or_gap(self._lcg),
            or_gap(self._tcg),
            height,
        )

    def _lcg(self) -> Traced:
        lcb = (
            (lambda: self._place("lcb", "station of the centre of buoyancy when level", "x"))
            if self.by == "form estimate"
            else self._lcb_by_draft
        )
        ask_all(lcb, lambda: self.waterplane, lambda: self.hydro, lambda: self.height)
        # MCT·L/displacement is the longitudinal GM: slope times GM is how far G lies aft of the level centre of
        # buoyancy.
        return lcb() + self._sum(self.waterplane.weights_aft).times(self.hydro.km_long_m - self.height)

    def _lcb_by_draft(self) -> Traced:
        """LCB by table or sections, with what the doubt of the draft moves it."""
        step = 1e-3
        back = self.row_at(self.draft.value - step)
        rate = (self.row.lcb_m - back.lcb_m) / step
        return Traced(self.row.lcb_m, {o: s * rate for o, s in self.draft.slopes.items()})

    def _sum(self, weights: tuple[float, ...]) -> Traced:
        """Height or slope of the water as a sum over the freeboards, each with its doubt."""
        total = Traced(0.0)
        for weight, (_, _, z) in zip(weights, self.readings, strict=True):
            total = total + z.times(weight)
        return total

    def _tcg(self) -> Traced:
        ask_all(lambda: self.waterplane, lambda: self.hydro, lambda: self.height)
        return self._sum(self.waterplane.weights_starboard).times(metacentric_height(self.hydro.km_m, self.height))

    def afloat(self, found: Body) -> Afloat:
        """What a change of weight starts from."""
        ask_all(
            lambda: self.hydro,
            lambda: self.height,
            lambda: self.lcf,
            lambda: self.length,
            lambda: got(found.mass),
            lambda: got(found.y),
        )
        h = self.hydro
        return Afloat(
            got(found.mass).value,
            self.height,
            got(found.y).value,
            h.km_m,
            h.km_long_m,
            self.length,
            self.lcf,
            h.immersion_kg_m,
        )

    def freeboard(self, key: str, mark: Mark) -> float:
        """Freeboard at a mark as found, m."""
        return need(mark.freeboard, f"/craft/flotation/marks/{key}/freeboard", f"freeboard at {mark.name}").si

    @property
    def gm_by(self) -> str:
        """How GM is known."""
        measured = or_none(lambda: self.gm_measured)
        return measured.by if measured else self.by

    def _trim(self) -> float:
        ask_all(lambda: self.waterplane, lambda: self.length)
        return self.waterplane.slope_aft * self.length
