"""The library of power units: names are there once, and a unit that a fit still uses is not taken away."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from datetime import UTC, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.document import SCHEMA_VERSION, LibraryUnit, Project, load_unit, plain, value_at
from ..core.errors import InputError
from .models import LibraryRow, ProjectRow, UnitRevisionRow
from .store import NotFound, StaleEdit, StaleMove, Store


class Library:
    """All units of one data folder, beside its projects."""

    def __init__(self, store: Store) -> None:
        self.store = store
        self._kept: dict[tuple[str, datetime], LibraryUnit] = {}

    def units(self) -> dict[str, LibraryUnit]:
        """Every unit by its id, in order of name."""
        with self.store.session() as session:
            return {r.id: self._read(r) for r in session.scalars(select(LibraryRow).order_by(LibraryRow.folded))}

    def unit(self, key: str) -> LibraryUnit:
        """One unit. Raises NotFound."""
        with self.store.session() as session:
            return self._read(_row(session, key))

    def _read(self, row: LibraryRow) -> LibraryUnit:
        """The unit of a row, the same object while the row is as it was."""
        found = self._kept.get((row.id, row.at))
        if found is None:
            self._kept = {k: u for k, u in self._kept.items() if k[0] != row.id}
            found = self._kept[row.id, row.at] = load_unit(row.data, trusted=True)
        return found

    def put(self, units: Mapping[str, LibraryUnit], new: bool = False, summary: str = "put in") -> None:
        """Units under their ids, all or none; one whose id is there is replaced.

        new: none of the ids may be there. Raises InputError for an id or a name that is taken."""
        with self.store.session() as session:
            for key, unit in units.items():
                self._put(session, key, unit, new, summary)

    def _put(self, session: Session, key: str, unit: LibraryUnit, new: bool, summary: str) -> None:
        row, name = session.get(LibraryRow, key), unit.unit.name
        if row is not None and new:
            raise InputError(f"/units/{key}", f"the library has a unit under '{key}' already", given=key)
        other = session.scalar(select(LibraryRow).where(LibraryRow.folded == name.casefold(), LibraryRow.id != key))
        if other is not None:
            raise InputError(
                f"/units/{key}/unit/name",
                f"the library has a unit named '{other.name}' already",
                given=name,
                allowed="a name of its own",
            )
        if row is None:
            row = LibraryRow(id=key, number=0)
            session.add(row)
        row.name, row.folded, row.at = name, name.casefold(), datetime.now(UTC)
        row.version, row.data, row.number = SCHEMA_VERSION, plain(unit), row.number + 1
        session.flush()
        state = UnitRevisionRow(unit=key, number=row.number, at=row.at, version=row.version, data=row.data)
        state.summary = summary
        session.add(state)
        session.flush()

    def number(self, key: str) -> int:
        """The number of a unit's newest state. Raises NotFound."""
        with self.store.session() as session:
            return _row(session, key).number

    def edit(
        self,
        key: str,
        base: int,
        pointers: Sequence[str],
        change: Callable[[LibraryUnit], LibraryUnit],
        summary: str,
    ) -> LibraryUnit:
        """Replace a unit by what `change` makes of it, which was asked for on its state `base` and touches `pointers`.

        Raises NotFound, InputError; StaleEdit where another window changed what is touched since."""
        with self.store.session() as session:
            row = _row(session, key)
            now = self._read(row)
            if row.number != base:
                then = self._state(session, key, base)
                for pointer in pointers:
                    here = value_at(now, pointer)
                    if value_at(then, pointer) != here:
                        raise StaleEdit(pointer, None, plain(here), row.number)
            made = change(now)
            self._put(session, key, made, False, summary)
            return made

    def history(self, key: str) -> list[UnitRevisionRow]:
        """Every state of a unit, the newest first. Raises NotFound."""
        with self.store.session() as session:
            _row(session, key)
            own = select(UnitRevisionRow).where(UnitRevisionRow.unit == key)
            return list(session.scalars(own.order_by(UnitRevisionRow.number.desc())))

    def go_back_to(self, key: str, number: int, on: int) -> LibraryUnit:
        """A state of its history as the newest one. on: the state in view. Raises NotFound, StaleMove."""
        with self.store.session() as session:
            row = _row(session, key)
            if row.number != on:
                newest = session.scalar(
                    select(UnitRevisionRow.summary).where(
                        UnitRevisionRow.unit == key, UnitRevisionRow.number == row.number
                    )
                )
                raise StaleMove(newest or "", row.number)
            made = self._state(session, key, number)
            self._put(session, key, made, False, f"Back to revision {number}")
            return made

    def _state(self, session: Session, key: str, number: int) -> LibraryUnit:
        wanted = UnitRevisionRow.unit == key, UnitRevisionRow.number == number
        row = session.scalar(select(UnitRevisionRow).where(*wanted))
        if row is None:
            raise NotFound("no such revision of this unit")
        return load_unit(row.data, trusted=True)

    def delete(self, key: str) -> None:
        """Take a unit away. Raises NotFound; InputError where it is still used, with where."""
        with self.store.session() as session:
            row = _row(session, key)
            used = self.used(session).get(key)
            if used:
                raise InputError(
                    "/unit",
                    f"'{row.name}' is still used: {'; '.join(used)}",
                    given=key,
                    allowed="a unit that no project uses",
                )
            session.delete(row)

    def where_used(self) -> dict[str, list[str]]:
        """Unit → where it is used, in words; units that nothing uses are not there."""
        with self.store.session() as session:
            return self.used(session)

    def used(self, session: Session) -> dict[str, list[str]]:
        """As `where_used`, inside a transaction."""
        found: dict[str, list[str]] = {}
        for row in session.scalars(select(ProjectRow).order_by(ProjectRow.name)):
            if row.head is None:
                continue
            for key, where in _origins(self.store.document(session, row)):
                words = f"{row.name}, {where}"
                if words not in found.setdefault(key, []):
                    found[key].append(words)
        return found


def _origins(project: Project) -> list[tuple[str, str]]:
    """Units of the library that a project uses, with the fit."""
    made = [(i.unit.origin, "as found") for i in project.old_installations.values()]
    made += [(i.unit.origin, f"fit {f.name}") for f in project.fits.values() for i in f.installations.values()]
    return [(key, where) for key, where in made if key is not None]


def _row(session: Session, key: str) -> LibraryRow:
    row = session.get(LibraryRow, key)
    if row is None:
        raise NotFound("no such unit in the library")
    return row
