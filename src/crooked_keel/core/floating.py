"""The craft afloat as found: her waterplane from freeboards, her displacement and CG by form or by a report."""

from __future__ import annotations

from collections.abc import Callable

from .bench import ValueList
from .document import Figure, Mark
from .errors import CannotSay, Need, all_or_cannot_say
from .formula import Working
from .hydrostatics import (
    Afloat,
    Hydro,
    Waterplane,
    form_displacement,
    form_immersion,
    hydro_from_form,
    metacentric_height,
    waterplane_from_freeboards,
)
from .resolve import Body, Resolved, attempt, got
from .trace import Origin, Traced, lazy, need, traced

# Bound on a form coefficient that nobody gave a tolerance for (proposed default).
BLOCK_BOUND = 0.10


class Floating:
    """Quantities of a floating craft as found."""

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

    @lazy
    def form(self) -> dict[str, Traced]:
        """Length, beam, coefficients and density of the water."""
        words = {
            "length": "length on the waterline", "beam": "beam on the waterline", "block": "block coefficient",
            "waterplane": "waterplane coefficient", "density": "density of the water",
        }  # fmt: skip
        asks = {k: (lambda k=k, w=w: self._figure(k, w)) for k, w in words.items()}
        all_or_cannot_say(*asks.values())
        return {k: ask() for k, ask in asks.items()}

    def _place(self, part: str, what: str, axis: str) -> Traced:
        place = self.resolved.references.place
        return place(getattr(self.flotation, part), f"/craft/flotation/{part}", what, axis)  # type: ignore[arg-type]

    @lazy
    def lcf(self) -> float:
        """Station of the centre of flotation, m."""
        return self._place("lcf", "station of the centre of flotation", "x").value

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
        all_or_cannot_say(*asks)
        self._placed[key] = asks[0](), asks[1](), asks[2]()
        return self._placed[key]

    @lazy
    def readings(self) -> list[tuple[Traced, Traced, Traced]]:
        """Station, butt line and height of the water at each mark."""
        freeboard: list[Callable[[], Traced]] = [
            lambda k=k, m=m: traced(m.freeboard, f"/craft/flotation/marks/{k}/freeboard", f"freeboard at {m.name}")
            for k, m in self.marks
        ]
        if not freeboard:
            raise CannotSay(Need("/craft/flotation/marks", "marks where freeboards are read"))
        all_or_cannot_say(*freeboard, *[lambda k=k, m=m: self.mark_at(k, m) for k, m in self.marks])
        made = []
        for (key, mark), ask in zip(self.marks, freeboard, strict=True):
            x, y, sheer = self.mark_at(key, mark)
            made.append((x, y, sheer - ask()))
        return made

    @lazy
    def waterplane(self) -> Waterplane:
        """The plane of the water."""
        all_or_cannot_say(lambda: self.readings, lambda: self.lcf)
        return waterplane_from_freeboards([(x.value, y.value, z.value) for x, y, z in self.readings], self.lcf)

    @lazy
    def draft(self) -> Traced:
        """Draft of the canoe body at the centre of flotation, m: by the freeboards, or from the reported displacement."""
        if self.found.method == "report":
            all_or_cannot_say(lambda: self.form, lambda: self.reported_mass)
            f = self.form
            per_draft = f["density"].by(f["block"]).by(f["length"]).by(f["beam"])
            return self.reported_mass.over(per_draft)
        all_or_cannot_say(lambda: self.waterplane, lambda: self.keel)
        height = Traced(0.0)
        for weight, (_, _, z) in zip(self.waterplane.weights, self.readings, strict=True):
            height = height + z.times(weight)
        return height - self._place("keel", "underside of the canoe body", "z")

    @lazy
    def reported_mass(self) -> Traced:
        """Displacement from the report."""
        return traced(self.found.report_mass, "/craft/as_found/report_mass", "displacement from the report")

    @lazy
    def hydro(self) -> Hydro:
        """Hydrostatics by form at the draft found."""
        all_or_cannot_say(lambda: self.draft, lambda: self.form)
        f = {k: v.value for k, v in self.form.items()}
        return hydro_from_form(f["length"], f["beam"], self.draft.value, f["block"], f["waterplane"], f["density"])

    @lazy
    def height(self) -> float:
        """CG over the keel, m."""
        place = self.resolved.references.place
        ask = lambda: place(self.found.water_line, "/craft/as_found/water_line", "height of the CG as found", "z")
        all_or_cannot_say(ask, lambda: self.keel)
        return ask().value - self.keel

    @lazy
    def body(self) -> Body:
        """The craft as she floats: displacement by form, LCG = LCB + trim, TCG = heel · GM."""
        all_or_cannot_say(lambda: self.form, lambda: self.draft)
        f = self.form
        mass = f["density"].by(f["block"]).by(f["length"]).by(f["beam"]).by(self.draft)
        place = self.resolved.references.place
        height = attempt(
            lambda: place(self.found.water_line, "/craft/as_found/water_line", "height of the CG as found", "z")
        )
        return Body(
            "as-found",
            "Craft as found",
            "as found",
            1,
            "/craft/as_found",
            mass,
            attempt(self._lcg),
            attempt(self._tcg),
            height,
        )

    def _lcg(self) -> Traced:
        lcb = lambda: self._place("lcb", "station of the centre of buoyancy when level", "x")
        all_or_cannot_say(lcb, lambda: self.waterplane, lambda: self.hydro, lambda: self.height)
        # MCT·L/displacement is the longitudinal GM: slope times GM is how far G lies aft of the level centre of buoyancy.
        gm_long = self.hydro.km_long_m - self.height
        return lcb() + Traced(self.waterplane.slope_aft * gm_long)

    def _tcg(self) -> Traced:
        all_or_cannot_say(lambda: self.waterplane, lambda: self.hydro, lambda: self.height)
        return Traced(self.waterplane.slope_starboard * metacentric_height(self.hydro.km_m, self.height))

    def afloat(self, found: Body) -> Afloat:
        """What a change of weight starts from."""
        all_or_cannot_say(lambda: self.hydro, lambda: self.height, lambda: self.lcf, lambda: self.form, lambda: got(found.mass), lambda: got(found.y))  # fmt: skip
        h = self.hydro
        return Afloat(
            got(found.mass).value, self.height, got(found.y).value, h.km_m, h.km_long_m, self.form["length"].value, self.lcf, h.immersion_kg_m
        )  # fmt: skip

    def freeboard(self, key: str, mark: Mark) -> float:
        """Freeboard at a mark as found, m."""
        return need(mark.freeboard, f"/craft/flotation/marks/{key}/freeboard", f"freeboard at {mark.name}").si

    def displacement_working(self) -> Working:
        """The working of the displacement."""
        f = {k: v.value for k, v in self.form.items()}
        return form_displacement.working(f["density"], f["block"], f["length"], f["beam"], self.draft.value)

    def values(self, out: ValueList) -> None:
        """Draft, trim and heel as found, and what a centimetre carries."""
        out.add(
            "draft",
            "Draft of the canoe body",
            "length",
            lambda: self.draft,
            source="plane through the freeboards, or the report by form",
        )
        out.add(
            "trim-found",
            "Trim over her waterline, stern down",
            "length",
            self._trim,
            source="plane through the freeboards, least squares",
        )
        out.add(
            "heel-found",
            "Heel, starboard down",
            "angle",
            lambda: self.waterplane.slope_starboard,
            source="plane through the freeboards, least squares",
        )
        out.add(
            "immersion", "Sinks her by a length", "immersion", lambda: self.hydro.immersion_kg_m,
            working=lambda: form_immersion.working(*(self.form[k].value for k in ("density", "waterplane", "length", "beam"))),
        )  # fmt: skip
        out.add(
            "gm-found", "GM, form estimate", "length", lambda: metacentric_height(self.hydro.km_m, self.height),
            working=lambda: metacentric_height.working(self.hydro.km_m, self.height),
        )  # fmt: skip

    def _trim(self) -> float:
        all_or_cannot_say(lambda: self.waterplane, lambda: self.form)
        return self.waterplane.slope_aft * self.form["length"].value
