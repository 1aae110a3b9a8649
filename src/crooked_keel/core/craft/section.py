"""The craft as found: from three supports, or from an old report."""

from __future__ import annotations

from ..bench import ValueList
from ..document import Support
from ..errors import CannotSay, Need, all_or_cannot_say
from ..finding import Value
from ..resolve import Body, Resolved, attempt, got
from ..trace import Traced, lazy, traced
from .weighing import Scale, cg_on_scales, mass_on_scales, net_reading, weigh_on_supports


class CraftBench:
    """Quantities of the craft bench."""

    def __init__(self, resolved: Resolved) -> None:
        self.resolved = resolved
        self.craft = resolved.project.craft

    def support_place(self, key: str, support: Support, axis: str) -> Traced:
        """Station, butt line or water line of a support."""
        part = {"x": "station", "y": "butt_line", "z": "water_line"}[axis]
        words = {"x": "station", "y": "butt line", "z": "ground line"}[axis]
        return self.resolved.references.place(
            getattr(support, part),
            f"/craft/supports/{key}/{part}",
            f"{words} under the {support.name}",
            axis,  # type: ignore[arg-type]
        )

    def net(self, key: str, support: Support) -> Traced:
        """Net reading of a support."""
        asks = (
            lambda: traced(
                support.reading, f"/craft/supports/{key}/reading", f"scale reading under the {support.name}"
            ),
            lambda: traced(support.tare, f"/craft/supports/{key}/tare", f"tare under the {support.name}"),
        )
        all_or_cannot_say(*asks)
        return asks[0]() - asks[1]()

    @property
    def supports(self) -> list[tuple[str, Support]]:
        """Supports in order."""
        return sorted(self.craft.supports.items(), key=lambda s: (s[1].rank, s[0]))

    @lazy
    def weighed(self) -> Body:
        """The craft on its scales, before corrections."""
        supports = self.supports
        if len(supports) < 3:
            raise CannotSay(Need("/craft/supports", "three supports on scales"))
        asks = [lambda k=k, s=s: self.net(k, s) for k, s in supports]
        asks += [lambda k=k, s=s, a=a: self.support_place(k, s, a) for k, s in supports for a in "xy"]
        all_or_cannot_say(*asks)
        scales = []
        mass, moment_x, moment_y = Traced(0.0), Traced(0.0), Traced(0.0)
        for key, s in supports:
            n, x, y = self.net(key, s), self.support_place(key, s, "x"), self.support_place(key, s, "y")
            assert s.reading is not None and s.tare is not None
            scales.append(Scale(s.name, s.reading.si, s.tare.si, x.value, y.value))
            mass, moment_x, moment_y = mass + n, moment_x + n.by(x), moment_y + n.by(y)
        weigh_on_supports(scales)  # refuses what cannot be weighed; the sums below carry the tolerances
        return Body(
            "as-found", "Craft as found", "as found", 1, "/craft/as_found", mass,
            moment_x.over(mass), moment_y.over(mass), self._height(),
        )  # fmt: skip

    def _height(self) -> Traced | CannotSay:
        figure = self.craft.as_found.water_line
        return attempt(
            lambda: self.resolved.references.place(
                figure, "/craft/as_found/water_line", "height of the CG as found", "z"
            )
        )

    @lazy
    def reported(self) -> Body:
        """The craft by an old report."""
        f = self.craft.as_found
        place = self.resolved.references.place
        return Body(
            "as-found", "Craft as found", "as found", 1, "/craft/as_found",
            attempt(lambda: traced(f.report_mass, "/craft/as_found/report_mass", "empty mass from the report")),
            attempt(lambda: place(f.report_station, "/craft/as_found/report_station", "empty CG from the report", "x")),
            attempt(lambda: place(f.report_butt_line, "/craft/as_found/report_butt_line", "butt line of the empty CG from the report", "y")),
            self._height(),
        )  # fmt: skip

    @lazy
    def as_found(self) -> list[Body]:
        """The empty craft: as weighed or reported, with what was aboard or missing corrected."""
        made = [self.weighed if self.craft.as_found.method == "weighing" else self.reported]
        got(made[0].mass)
        place = self.resolved.references.place
        for key, c in sorted(self.craft.as_found.corrections.items(), key=lambda c: c[1].rank):
            base = f"/craft/as_found/corrections/{key}"
            made.append(Body(
                key, c.name, "as found", 1 if c.action == "add" else -1, base,
                attempt(lambda c=c, b=base: traced(c.mass, f"{b}/mass", f"mass of {c.name}")),
                attempt(lambda c=c, b=base: place(c.station, f"{b}/station", f"station of {c.name}", "x")),
                attempt(lambda c=c, b=base: place(c.butt_line, f"{b}/butt_line", f"butt line of {c.name}", "y")),
                attempt(lambda c=c, b=base: place(c.water_line, f"{b}/water_line", f"water line of {c.name}", "z")),
            ))  # fmt: skip
        return made

    @lazy
    def ground(self) -> tuple[float, float]:
        """Station and water line of the ground under the main wheels."""
        mains = [(k, s) for k, s in self.supports if s.role == "main"]
        if not mains:
            raise CannotSay(Need("/craft/supports", "main wheels"))
        asks = [lambda k=k, s=s, a=a: self.support_place(k, s, a) for k, s in mains for a in "xz"]
        all_or_cannot_say(*asks)
        values = [ask().value for ask in asks]
        return sum(values[0::2]) / len(mains), min(values[1::2])

    def _sums(self) -> tuple[float, float]:
        """Sums of readings and of tares, kg."""
        scales = [s for _, s in self.supports]
        return sum(s.reading.si for s in scales if s.reading), sum(s.tare.si for s in scales if s.tare)

    def values(self) -> list[Value]:
        """Headline values."""
        out = ValueList("craft")
        weighing = self.craft.as_found.method == "weighing"
        report = "" if weighing else "old report"
        found = lambda: self.as_found[0]
        net = lambda: got(found().mass).value
        out.add(
            "mass-found", "Mass on the scales" if weighing else "Mass by the report", "mass", lambda: got(found().mass),
            working=(lambda: mass_on_scales.working(*self._sums())) if weighing else None, source=report,
        )  # fmt: skip
        out.add(
            "station-found", "CG aft of the datum", "length", lambda: got(found().x),
            working=(lambda: cg_on_scales.working(got(found().x).value * net(), net())) if weighing else None, source=report,
        )  # fmt: skip
        out.add(
            "butt-line-found", "CG to starboard", "length", lambda: got(found().y),
            working=(lambda: cg_on_scales.working(got(found().y).value * net(), net())) if weighing else None, source=report,
        )  # fmt: skip
        for key, s in self.supports if weighing else ():
            out.add(
                f"net-{key}", f"{s.name}, net", "mass", lambda k=key, s=s: self.net(k, s),
                working=lambda s=s: net_reading.working(s.reading.si if s.reading else 0.0, s.tare.si if s.tare else 0.0),
            )  # fmt: skip
        return out.values
