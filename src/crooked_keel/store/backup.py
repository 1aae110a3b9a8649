"""A copy of everything, taken while it runs; and the way back, which proves the copy before anything is replaced."""

from __future__ import annotations

import json
import os
import shutil
import sqlite3
import tempfile
import zlib
from collections.abc import Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass
from pathlib import Path

from ..core.document import load_trusted, load_unit
from ..core.errors import InputError
from .engine import LATEST, opened
from .folder import DATABASE, INCOMING, DataFolder, StoreFault, copy_database, to_disk
from .models import LibraryRow, RecordRow, RevisionRow


class BadBackup(ValueError):
    """A file that cannot be trusted to replace anything; the sentence says why."""


@dataclass(frozen=True, slots=True)
class Checked:
    """What a backup holds: projects, revisions, records and units, every one of which opens."""

    projects: int
    revisions: int
    records: int
    units: int


def backup(folder: Path, file: Path) -> Checked:
    """Copy the database of a data folder to a file while others use it, and prove the copy.

    Raises BadBackup: nothing there to copy, the file exists, the copy does not prove."""
    database = folder / DATABASE
    if not database.is_file():
        raise BadBackup(f"there are no projects in {folder}")
    if file.exists():
        raise BadBackup(f"{file} is there already; a backup does not write over anything")
    try:
        file.parent.mkdir(parents=True, exist_ok=True)
        # Under a name that nobody else can have, and away again whatever happens.
        with tempfile.TemporaryDirectory(prefix=f".{file.name}.", dir=file.parent) as own:
            part = Path(own) / DATABASE
            copy_database(database, part)
            found = verify(part)
            to_disk(part)
            part.rename(file)
            to_disk(file.parent)
    except (OSError, sqlite3.Error) as bad:
        raise BadBackup(f"the copy was not made: {getattr(bad, 'strerror', None) or bad}") from None
    return found


def verify(file: Path) -> Checked:
    """Prove a backup: SQLite finds no damage, its tables are those of a version known here, and every revision, record
    and unit opens.

    Works on a copy, so that the file is not touched. Raises BadBackup with the reason."""
    if not file.is_file():
        raise BadBackup(f"{file} is not there")
    with closing(sqlite3.connect(f"file:{file}?mode=ro&immutable=1", uri=True)) as found:
        try:
            damage = found.execute("PRAGMA integrity_check").fetchone()[0]
            names = {row[0] for row in found.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        except sqlite3.DatabaseError as bad:
            raise BadBackup(f"{file} is not a backup of Crooked Keel: {bad}") from None
        if damage != "ok":
            raise BadBackup(f"{file} is damaged: {damage}")
        if not {"alembic_version", "projects", "revisions"} <= names:
            raise BadBackup(f"{file} is not a backup of Crooked Keel: its tables are missing")
        version = found.execute("SELECT version_num FROM alembic_version").fetchone()
        if version is None or version[0] > LATEST:
            raise BadBackup(f"{file} was written by a newer version than this one")
        broken = found.execute("PRAGMA foreign_key_check").fetchone()
        if broken is not None:
            raise BadBackup(f"{file}: a revision belongs to no project")
    with tempfile.TemporaryDirectory(prefix="crooked-keel-") as own:
        shutil.copyfile(file, Path(own) / DATABASE)
        try:
            return _open_all(DataFolder(Path(own), projects_in))
        except StoreFault as bad:
            raise BadBackup(f"{file} does not open: {bad}") from None
        except _Shut as bad:
            raise BadBackup(f"{file}: {bad}") from None


def projects_in(file: Path) -> int | None:
    """How many projects a copy holds; None where it does not prove."""
    try:
        return verify(file).projects
    except (BadBackup, StoreFault):
        return None


class _Shut(ValueError):
    """Something in a database that does not open."""


@contextmanager
def _named(what: str) -> Iterator[None]:
    try:
        yield
    except (InputError, ValueError, LookupError, zlib.error) as bad:
        raise _Shut(f"{what} does not open: {bad}") from None


def _open_all(folder: DataFolder) -> Checked:
    """Open everything that a database holds, one thing at a time. Raises _Shut, StoreFault."""
    engine = opened(folder)
    try:
        with engine.begin() as connection:
            names = {row.id: row.name for row in connection.exec_driver_sql("SELECT id, name FROM projects")}
            heads = connection.exec_driver_sql(
                "SELECT name FROM projects WHERE head IS NULL OR head NOT IN (SELECT id FROM revisions) OR tip IS NULL "
                "OR tip NOT IN (SELECT id FROM revisions)"
            ).first()
            if heads is not None:
                raise _Shut(f"the project '{heads[0]}' has no state to open")
            revisions = 0
            r = RevisionRow.__table__.c
            for row in connection.execute(RevisionRow.__table__.select().order_by(r.project_id, r.number)):
                with _named(f"revision {row.number} of the project '{names[row.project_id]}'"):
                    load_trusted(zlib.decompress(row.document))
                revisions += 1
            records = 0
            for row in connection.exec_driver_sql(f"SELECT id, data FROM {RecordRow.__tablename__}"):
                with _named(f"record {row.id}"):
                    json.loads(row.data)
                records += 1
            units = 0
            for row in connection.exec_driver_sql(f"SELECT name, data FROM {LibraryRow.__tablename__}"):
                with _named(f"the unit '{row.name}' of the library"):
                    load_unit(json.loads(row.data), trusted=True)
                units += 1
            return Checked(len(names), revisions, records, units)
    finally:
        engine.dispose()


def restore(file: Path, path: Path) -> Checked:
    """Replace the projects of a data folder by those of a backup that proves. What was there is kept under the time.

    At every moment there is one whole database in the folder, the old or the new. Raises BadBackup, StoreFault (the
    folder is in use), with nothing replaced."""
    if not file.is_file():
        raise BadBackup(f"{file} is not there")
    folder = DataFolder(path, projects_in)
    folder.use_alone()
    try:
        incoming = path / INCOMING
        try:
            shutil.copyfile(file, incoming)
            found = verify(incoming)
            to_disk(incoming)
            folder.keep("before-restore")
            _without_log(folder)
            os.replace(incoming, folder.database)
            to_disk(path)
            folder.mark()
        except BadBackup as bad:
            raise BadBackup(str(bad).replace(str(incoming), str(file))) from None
        except (OSError, sqlite3.Error) as bad:
            raise folder.fault(bad) from None
        finally:
            incoming.unlink(missing_ok=True)
        return found
    finally:
        folder.leave()


def _without_log(folder: DataFolder) -> None:
    """Fold the write-ahead log of the old database into it: it must not be taken for the new one's."""
    if folder.database.exists():
        try:
            with closing(sqlite3.connect(folder.database)) as old:
                old.execute("PRAGMA journal_mode=DELETE")
        except sqlite3.DatabaseError:
            pass  # damaged: its bytes were kept with its log
    for tail in ("-wal", "-shm"):
        folder.database.with_name(f"{DATABASE}{tail}").unlink(missing_ok=True)
