"""The library and the core together: units listed, edited, read from files, and their way into a fit and back."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, Literal

from ..core.asked.alone import alone, lasting
from ..core.assess import assess
from ..core.choose.library import check_unit, into_fit, kept, new_fit, slug
from ..core.document import (
    Installation,
    LibraryUnit,
    PowerUnit,
    Project,
    apply_operations,
    apply_to,
    dump_library,
    load_library,
    load_unit,
    plain,
    restyled,
    value_at,
)
from ..core.errors import InputError
from ..core.topic.memo import Memo
from ..exchange.library_table import library_from_csv, library_to_csv
from ..store.library import Library
from ..store.store import NotFound, StaleEdit
from .apart import apart
from .library_models import FromLibraryOut, LibraryItem, LibraryTaken, LibraryUnitOut, ToLibraryOut

Format = Literal["json", "csv"]
_LASTING = Memo(512)


class LibraryService:
    """What the router of the library calls."""

    def __init__(self, library: Library) -> None:
        self.library = library

    def items(self) -> list[LibraryItem]:
        """The list, in order of name."""
        used = self.library.where_used()
        return [_item(key, unit, used.get(key, [])) for key, unit in self.library.units().items()]

    def unit(self, key: str) -> LibraryUnitOut:
        """One unit, with what can be said of it by itself."""
        return self._out(key, self.library.unit(key))

    def _out(self, key: str, unit: LibraryUnit) -> LibraryUnitOut:
        return LibraryUnitOut(
            id=key,
            revision=self.library.number(key),
            document=plain(unit),
            alone=alone(unit),
            used=self.library.where_used().get(key, []),
        )

    def create(self, name: str, kind: str) -> LibraryUnitOut:
        """A unit to be filled in by hand. Raises InputError for a kind that is not known, and for a name that is
        there."""
        key = slug(name, self.library.units())
        unit = load_unit({"unit": {"name": name, "kind": kind}})
        try:
            self.library.put({key: unit}, new=True)
        except InputError as bad:
            raise InputError("/name", bad.message, given=name, allowed=bad.allowed) from None
        return self._out(key, unit)

    def edit(self, key: str, base: int, operations: Sequence[dict[str, Any]], summary: str) -> LibraryUnitOut:
        """Apply an edit that was made on a state, if the unit still says what it must."""

        def change(unit: LibraryUnit) -> LibraryUnit:
            made = apply_to(unit, operations, "point")
            check_unit(made)
            return made

        pointers = [o["path"] for o in operations]
        try:
            return self._out(key, self.library.edit(key, base, pointers, change, summary))
        except StaleEdit as bad:
            yours = next((o.get("value") for o in operations if o["path"] == bad.pointer), None)
            raise StaleEdit(bad.pointer, yours, bad.theirs, bad.revision) from None

    def go_back_to(self, key: str, number: int, on: int) -> LibraryUnitOut:
        """A state of its history as the newest one."""
        return self._out(key, self.library.go_back_to(key, number, on))

    def take(self, text: str, form: Format) -> LibraryTaken:
        """Units of a file, all or none: one whose id is there is replaced, the others are added."""
        there = self.library.units()
        if form == "csv":
            units = apart(library_from_csv, text, there)
        else:
            units = apart(load_library, text)
            for key, unit in units.items():
                try:
                    check_unit(unit)
                except InputError as bad:
                    raise InputError(
                        f"/units/{key}{bad.field}", f"{key}: {bad.message}", given=bad.given, allowed=bad.allowed
                    ) from None
        self.library.put(units)
        names = {k: u.unit.name for k, u in units.items()}
        return LibraryTaken(
            added=[n for k, n in names.items() if k not in there], replaced=[n for k, n in names.items() if k in there]
        )

    def give(self, form: Format) -> str:
        """Every unit as a file."""
        units = self.library.units()
        return library_to_csv(units) if form == "csv" else dump_library(units)

    def into(self, project: Project, key: str, fit: str | None) -> FromLibraryOut:
        """A new fit with a unit, or that unit into a fit; nothing is saved here."""
        shelf = self.library.unit(key)
        made = (
            new_fit(project, key, shelf)
            if fit is None
            else into_fit(project, fit, key, shelf, self._known(project, fit))
        )
        after = apply_operations(project, made.operations)
        return FromLibraryOut(
            operations=made.operations,
            fit=made.fit,
            name=after.fits[made.fit].name,
            stays=made.stays,
            goes=made.goes,
            again=made.again,
            questions=assess(after, made.fit).missing,
        )

    def _known(self, project: Project, fit: str) -> LibraryUnit | None:
        """The library's unit that a fit has now."""
        installations = project.fits[fit].installations.values() if fit in project.fits else ()
        key = next((i.unit.origin for i in installations), None)
        try:
            return self.library.unit(key) if key is not None else None
        except NotFound:
            return None

    def keep(self, project: Project, pointer: str) -> ToLibraryOut:
        """Keep the unit of an installation. Raises InputError for what is none, and where the library has one of that
        name."""
        found = value_at(project, pointer)
        if not isinstance(found, Installation):
            raise InputError("/pointer", "no installation is there", given=pointer)
        raw = restyled(plain(kept(project, found)), project.number_style, "point")
        shelf = load_unit(raw)
        check_unit(shelf)
        key = slug(shelf.unit.name, self.library.units())
        self.library.put({key: shelf}, new=True)
        op = "replace" if found.unit.origin is not None else "add"
        return ToLibraryOut(unit=key, operations=[{"op": op, "path": f"{pointer}/unit/origin", "value": key}])


def _item(key: str, shelf: LibraryUnit, used: list[str]) -> LibraryItem:
    u: PowerUnit = shelf.unit
    si = lambda f: f.si if f is not None else None
    power, speed = _LASTING((shelf,), lambda: lasting(shelf))
    return LibraryItem(
        id=key,
        name=u.name,
        kind=u.kind,
        layout=u.layout,
        cylinders_si=si(u.cylinders),
        lasting_si=power,
        speed_si=speed,
        mass_si=si(u.mass),
        condition=u.condition,
        cost_si=si(u.cost),
        wait_si=si(u.wait),
        parts_si=si(u.parts),
        used=used,
    )
