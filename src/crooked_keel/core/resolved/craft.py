"""Who sits where: document + fit → bodies, points, axes. Once, for all benches.

Everything is lazy: a part that is not known yet raises CannotSay with the figures that are missing, and only those who
ask for that part are held up.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from ..document import Installation, LedgerRow, Loading, Project, Tank
from ..errors import CannotSay, all_or_cannot_say
from ..figure.trace import Traced
from ..memo import Memo
from ..reference.kinds import Form
from ..topic.lazy import lazy
from .installation import ResolvedInstallation
from .references import Body, References, as_stated, attempt

_ROWS = Memo(20_000)


_TYPED = Memo(32)


_PLACED = Memo(64)


_LOADS = Memo(500)


@dataclass
class Resolved:
    """A document with one fit (or none: the craft as found), placed."""

    project: Project
    fit_id: str | None

    def __post_init__(self) -> None:
        self.references = References(self.project)
        self.fit = fit = self.project.fits.get(self.fit_id) if self.fit_id else None
        self.installations = [
            self._placed(k, f"/fits/{self.fit_id}/installations/{k}", i)
            for k, i in sorted((fit.installations if fit else {}).items(), key=lambda i: i[1].rank)
        ]
        self.old = [
            self._placed(k, f"/old_installations/{k}", i, old=True)
            for k, i in sorted(self.project.old_installations.items(), key=lambda i: (i[1].rank, i[0]))
        ]

    def has(self, form: Form) -> bool:
        """Whether the craft has a form."""
        return self.references.has(form)

    @property
    def in_line(self) -> bool:
        """Whether the craft stands on wheels in one line, so that scales cannot find its CG to the side."""
        return self.has("wheels in line") or self.project.craft.layout == "monowheel"

    def tanks_of(self, after: bool) -> list[tuple[str, str, Tank]]:
        """Tanks in order, of the craft as found, or after the work: without those that go, with those that the fit adds. Key, pointer, tank."""
        own = sorted(self.project.craft.tanks.items(), key=lambda t: t[1].rank)
        made = [(k, f"/craft/tanks/{k}", t) for k, t in own]
        if not after or self.fit is None:
            return made
        added = sorted(self.fit.tanks.items(), key=lambda t: t[1].rank)
        return ([] if self.fit.fuel == "out" else made) + [(k, f"/fits/{self.fit_id}/tanks/{k}", t) for k, t in added]

    @property
    def tanks(self) -> list[tuple[str, str, Tank]]:
        """Tanks after the work."""
        return self.tanks_of(True)

    def word(self, name: str) -> str:
        """What the trade calls it."""
        return self.references.word(name)

    def old_of(self, key: str) -> ResolvedInstallation | None:
        """The old installation that one of the fit stands for: of the same id, or the first."""
        return next((o for o in self.old if o.id == key), self.old[0] if self.old else None)

    def _placed(self, key: str, pointer: str, installation: Installation, old: bool = False) -> ResolvedInstallation:
        """An installation placed; the same one for as long as it and the references do not change."""
        parts = (installation, *self.references.behind)
        return _PLACED(
            parts,
            lambda: ResolvedInstallation(key, pointer, installation, self.references, old),
            pointer,
            self.project.kind,
            self.references.school,
        )

    @lazy
    def derived_rows(self) -> list[Body]:
        """Rows that follow from the installations: the old one out, the fit's in."""
        if self.fit_id is None:
            return []
        made = [b for o in self.old for b in o.bodies(-1, f"old-{o.id}")]
        for installation in self.installations:
            made += installation.bodies(+1, installation.id)
        return made + self._stretched()

    @lazy
    def typed_rows(self) -> list[Body]:
        """Rows that people typed, common to all fits and then the fit's own; moves as two rows. The same list for as long
        as nothing in it changes."""
        if self.fit_id is None:
            return []
        own = self.project.fits[self.fit_id].ledger
        return _TYPED(
            (self.project.ledger, own, *self.references.behind), self._typed_rows, self.fit_id, self.references.school
        )

    def _typed_rows(self) -> list[Body]:
        made: list[Body] = []
        ledgers = (
            ("/ledger", self.project.ledger),
            (f"/fits/{self.fit_id}/ledger", self.project.fits[self.fit_id or ""].ledger),
        )
        for base, rows in ledgers:
            for key, row in sorted(rows.items(), key=lambda r: (r[1].rank, r[0])):
                made += _ROWS(
                    (row, *self.references.behind),
                    lambda b=base, k=key, r=row: list(self._row(f"{b}/{k}", k, r)),
                    base,
                    key,
                    self.references.school,
                )
        return made

    @property
    def ledger(self) -> list[Body]:
        """Every change from the craft as found to the fit."""
        return [*self.derived_rows, *self.typed_rows]

    def _row(self, pointer: str, key: str, row: LedgerRow) -> Iterable[Body]:
        mass = attempt(lambda: self.references.measured(row.mass, f"{pointer}/mass", f"mass of {row.name}"))
        at = self.references.position(row, pointer, row.name)
        if row.kind == "moved":
            yield Body(key, row.name, "removed", -1, pointer, mass, *at)
            yield Body(
                f"{key}-to",
                f"{row.name}, new place",
                "installed",
                +1,
                pointer,
                mass,
                *self.references.position(row, pointer, row.name, "to_"),
            )
        else:
            sign = {"kept": 0, "removed": -1, "installed": 1}[row.kind]
            yield Body(key, row.name, row.kind, sign, pointer, mass, *at)

    @property
    def stretch_m(self) -> float:
        """How much longer the wheelbase is in this fit, m."""
        found = (i.installation.mount.swing.stretch for i in self.installations)
        return sum(f.si for f in found if f is not None) if self.has("swing unit") else 0.0

    def _stretched(self) -> list[Body]:
        """The driven wheel goes aft with a stretched frame: out at its old axle, in at the new one."""
        made: list[Body] = []
        if not self.stretch_m:
            return made
        place = self.references.place
        axle = next(((k, s) for k, s in self.project.craft.supports.items() if s.role == "rear"), None)
        if axle is None:
            return made
        key, wheel = axle
        base = f"/craft/supports/{key}"
        x = attempt(lambda: place(wheel.station, f"{base}/station", f"station under the {wheel.name}", "x"))
        ground = lambda: place(wheel.water_line, f"{base}/water_line", f"ground line under the {wheel.name}", "z")
        radius = lambda: self.references.measured(wheel.radius, f"{base}/radius", f"radius of the {wheel.name}, loaded")
        z = attempt(lambda: ground() + radius())
        moved = x if isinstance(x, CannotSay) else x + Traced(self.stretch_m)
        for installation in self.installations:
            pointer = f"{installation.pointer}/wheel"
            figure = installation.installation.wheel.mass
            mass = attempt(
                lambda f=figure, p=pointer: self.references.measured(f, f"{p}/mass", "mass of the driven wheel")
            )
            for id, name, kind, sign, at in (
                ("wheel-out", "Driven wheel, old place", "removed", -1, x), ("wheel-in", "Driven wheel, new place", "installed", 1, moved),
            ):  # fmt: skip
                made.append(Body(id, name, kind, sign, pointer, mass, at, Traced(0.0), z, derived=True))  # type: ignore[arg-type]
        return made

    def load_bodies(self, key: str, loading: Loading, fuel: bool, added: bool = True) -> list[Body]:
        """People and baggage of a loading; with fuel=True the fuel, tank by tank. added: with the tanks that the fit adds."""
        craft = self.project.craft
        return _LOADS(
            (loading, craft.tanks, self.fit.tanks if self.fit else None, *self.references.behind)
            if fuel
            else (loading, craft.seats, *self.references.behind),
            lambda: self._load_bodies(key, loading, fuel, added),
            key,
            fuel,
            added,
            self.fit.fuel if self.fit else None,
            self.references.school,
        )

    def _load_bodies(self, key: str, loading: Loading, fuel: bool, added: bool) -> list[Body]:
        craft = self.project.craft
        made = []
        if fuel:
            for tank_id, pointer, tank in self.tanks_of(added):

                def mass(tank_id: str = tank_id, pointer: str = pointer, t: Tank = tank) -> Traced:
                    asks = (
                        lambda: as_stated(
                            loading.fuel.get(tank_id),
                            f"/loadings/{key}/fuel/{tank_id}",
                            f"fuel in the {t.name} ({loading.name})",
                        ),
                        lambda: self.references.measured(
                            t.density, f"{pointer}/density", f"density of the fuel in the {t.name}"
                        ),
                    )
                    all_or_cannot_say(*asks)
                    return asks[0]().by(asks[1]())

                made.append(
                    Body(
                        tank_id,
                        tank.name,
                        "loaded",
                        1,
                        pointer,
                        attempt(mass),
                        *self.references.position(tank, pointer, tank.name),
                    )
                )
            return made
        for seat_id, seat in sorted(craft.seats.items(), key=lambda s: s[1].rank):
            load = attempt(
                lambda s=seat_id, n=seat.name: as_stated(
                    loading.loads.get(s), f"/loadings/{key}/loads/{s}", f"load on {n} ({loading.name})"
                )
            )
            made.append(
                Body(
                    seat_id,
                    seat.name,
                    "loaded",
                    1,
                    f"/craft/seats/{seat_id}",
                    load,
                    *self.references.position(seat, f"/craft/seats/{seat_id}", seat.name),
                )
            )
        return made
