"""The craft as found: its scales, its freeboards or its report, with what was aboard or missing."""

from __future__ import annotations

from ...errors import or_gap
from ...resolved.craft import Resolved
from ...resolved.floating import Floating
from ...resolved.references import Body, got
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..weighing.quantities import Weighing


class Found(Topic):
    """The craft by its scales, its freeboards or its report."""

    def __init__(self, resolved: Resolved, weighing: Weighing, floating: Floating | None) -> None:
        self.resolved = resolved
        self.craft = resolved.project.craft
        self.weighing = weighing
        self.floating = floating

    @lazy
    def reported(self) -> Body:
        """The craft by an old report."""
        f = self.craft.as_found
        place = self.resolved.references.place
        return Body(
            "as-found",
            "Craft as found",
            "as found",
            1,
            "/craft/as_found",
            or_gap(
                lambda: self.resolved.references.measured(
                    f.report_mass, "/craft/as_found/report_mass", "empty mass from the report"
                )
            ),
            or_gap(lambda: place(f.report_station, "/craft/as_found/report_station", "empty CG from the report", "x")),
            or_gap(
                lambda: place(
                    f.report_butt_line,
                    "/craft/as_found/report_butt_line",
                    "butt line of the empty CG from the report",
                    "y",
                )
            ),
            self.weighing.height(),
        )

    @lazy
    def found(self) -> Body:
        """The craft by its scales, its freeboards or its report, before corrections."""
        if self.craft.as_found.method == "report":
            return self.reported
        return self.weighing.weighed if self.floating is None else self.floating.body

    @lazy
    def as_found(self) -> list[Body]:
        """The empty craft: as weighed or reported, with what was aboard or missing corrected."""
        made = [self.found]
        got(made[0].mass)
        for key, c in sorted(self.craft.as_found.corrections.items(), key=lambda c: c[1].rank):
            base = f"/craft/as_found/corrections/{key}"
            mass = or_gap(
                lambda c=c, b=base: self.resolved.references.measured(c.mass, f"{b}/mass", f"mass of {c.name}")
            )
            at = self.resolved.references.position(c, base, c.name)
            made.append(Body(key, c.name, "as found", 1 if c.action == "add" else -1, base, mass, *at))
        return made
