"""The craft with one fit, or as found: its installations, and every change from the one to the other."""

from __future__ import annotations

from dataclasses import replace

from ..document import Fit, Project
from ..errors import CannotSay, or_gap
from ..figure.trace import Traced
from ..judging.subjects import Subject
from ..reference.kinds import Form
from ..topic.lazy import lazy
from ..topic.reading import Topic
from .installation import ResolvedInstallation
from .references import Body, References
from .rows import Rows


class Resolved(Topic):
    """A document with one fit (or none: the craft as found), placed. old, installations: those of the craft as found
    and of the fit, in order."""

    def __init__(
        self,
        project: Project,
        fit: Fit | None,
        fit_id: str | None,
        references: References,
        rows: Rows,
        old: list[ResolvedInstallation],
        installations: list[ResolvedInstallation],
    ) -> None:
        self.project = project
        self.fit = fit
        self.fit_id = fit_id
        self.references = references
        self.rows = rows
        self.old = old
        self.installations = installations

    def has(self, form: Form) -> bool:
        """Whether the craft has a form."""
        return self.references.has(form)

    @property
    def in_line(self) -> bool:
        """Whether the craft stands on wheels in one line, so that scales cannot find its CG to the side."""
        return self.has("wheels in line") or self.project.craft.layout == "monowheel"

    @property
    def units(self) -> list[Subject[ResolvedInstallation]]:
        """Every unit, the old ones first, as subjects of a rule that judges each."""
        return [Subject(f"old-{p.id}" if p.old else p.id, p.name, p) for p in [*self.old, *self.installations]]

    def word(self, name: str) -> str:
        """What the trade calls it."""
        return self.references.word(name)

    @lazy
    def taken_out(self) -> list[Body]:
        """What goes with the old installations; nothing without a fit."""
        return [] if self.fit_id is None else [b for o in self.old for b in o.taken_out]

    @lazy
    def put_in(self) -> list[Body]:
        """What comes with the installations of the fit, and the driven wheel of a stretched frame."""
        if self.fit_id is None:
            return []
        return [b for i in self.installations for b in [*i.put_in, *self._hung(i)]] + self._stretched()

    @lazy
    def in_the_ledgers(self) -> set[str]:
        """Names of what the ledgers leave or put aboard, in small letters; what they take out is not there."""
        ledgers = [self.project.ledger, self.fit.ledger if self.fit else {}]
        return {r.name.casefold() for rows in ledgers for r in rows.values() if r.kind != "removed"}

    def _hung(self, placed: ResolvedInstallation) -> list[Body]:
        """What comes on top of the mass of a unit and is in no ledger."""
        return [
            replace(b, id=f"{placed.id}-{b.id}") for b in placed.on_top if b.name.casefold() not in self.in_the_ledgers
        ]

    @lazy
    def derived_rows(self) -> list[Body]:
        """Rows that follow from the installations: the old one out, the fit's in."""
        return [*self.taken_out, *self.put_in]

    @lazy
    def typed_rows(self) -> list[Body]:
        """Rows that people typed, common to all fits and then the fit's own."""
        return self.rows.bodies

    @lazy
    def ledger(self) -> list[Body]:
        """Every change from the craft as found to the fit."""
        return [*self.derived_rows, *self.typed_rows]

    @lazy
    def stretch_m(self) -> float:
        """How much longer the wheelbase is in this fit, m."""
        found = (i.installation.mount.swing.stretch for i in self.installations)
        return sum(f.si for f in found if f is not None) if self.has("swing unit") and self.fit_id else 0.0

    def _stretched(self) -> list[Body]:
        """The driven wheel goes aft with a stretched frame: out at its old axle, in at the new one."""
        made: list[Body] = []
        if not self.stretch_m:
            return made
        place, measured = self.references.place, self.references.measured
        axle = next(((k, s) for k, s in self.project.craft.supports.items() if s.role == "rear"), None)
        if axle is None:
            return made
        key, wheel = axle
        base = f"/craft/supports/{key}"
        x = or_gap(lambda: place(wheel.station, f"{base}/station", f"station under the {wheel.name}", "x"))
        ground = lambda: place(wheel.water_line, f"{base}/water_line", f"ground line under the {wheel.name}", "z")
        radius = lambda: measured(wheel.radius, f"{base}/radius", f"radius of the {wheel.name}, loaded")
        z = or_gap(lambda: ground() + radius())
        moved = x if isinstance(x, CannotSay) else x + Traced(self.stretch_m)
        for installation in self.installations:
            pointer = f"{installation.pointer}/wheel"
            figure = installation.installation.wheel.mass
            mass = or_gap(lambda f=figure, p=pointer: measured(f, f"{p}/mass", "mass of the driven wheel"))
            across = Traced(0.0)
            made += [
                Body("wheel-out", "Driven wheel, old place", "removed", -1, pointer, mass, x, across, z, derived=True),
                Body(
                    "wheel-in", "Driven wheel, new place", "installed", 1, pointer, mass, moved, across, z, derived=True
                ),
            ]
        return made
