"""A copy of everything, taken while it runs; and the way back, which proves the copy before anything is replaced."""

from __future__ import annotations

import shutil
import sqlite3
import zlib
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path

from ..core.errors import InputError
from .store import LATEST, Store

DATABASE = "crooked-keel.db"


class BadBackup(ValueError):
    """A file that cannot be trusted to replace anything; the sentence says why."""


@dataclass(frozen=True, slots=True)
class Checked:
    """What a backup holds: projects and revisions."""

    projects: int
    revisions: int


def backup(folder: Path, file: Path) -> Checked:
    """Copy the database of a data folder to a file while others use it, and prove the copy.

    Raises BadBackup: nothing there to copy, the file exists, the copy does not prove."""
    database = folder / DATABASE
    if not database.is_file():
        raise BadBackup(f"there are no projects in {folder}")
    if file.exists():
        raise BadBackup(f"{file} is there already; a backup does not write over anything")
    file.parent.mkdir(parents=True, exist_ok=True)
    part = file.with_name(file.name + ".part")
    part.unlink(missing_ok=True)
    with closing(sqlite3.connect(database)) as source, closing(sqlite3.connect(part)) as copy:
        source.backup(copy)
    try:
        found = verify(part)
    except BadBackup:
        part.unlink(missing_ok=True)
        raise
    part.rename(file)
    return found


def verify(file: Path) -> Checked:
    """Prove a backup: SQLite finds no damage, its tables are those of a version known here, and every project opens.

    Works on a copy, so that the file is not touched. Raises BadBackup with the reason."""
    if not file.is_file():
        raise BadBackup(f"{file} is not there")
    with closing(sqlite3.connect(f"file:{file}?mode=ro&immutable=1", uri=True)) as opened:
        try:
            damage = opened.execute("PRAGMA integrity_check").fetchone()[0]
            names = {row[0] for row in opened.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        except sqlite3.DatabaseError as bad:
            raise BadBackup(f"{file} is not a backup of Crooked Keel: {bad}") from None
        if damage != "ok":
            raise BadBackup(f"{file} is damaged: {damage}")
        if not {"alembic_version", "projects", "revisions"} <= names:
            raise BadBackup(f"{file} is not a backup of Crooked Keel: its tables are missing")
        version = opened.execute("SELECT version_num FROM alembic_version").fetchone()
        if version is None or version[0] > LATEST:
            raise BadBackup(f"{file} was written by a newer version than this one")
        broken = opened.execute("PRAGMA foreign_key_check").fetchone()
        if broken is not None:
            raise BadBackup(f"{file}: a revision belongs to no project")
    trial = file.with_name(file.name + ".trial")
    shutil.rmtree(trial, ignore_errors=True)
    trial.mkdir()
    try:
        shutil.copyfile(file, trial / DATABASE)
        return _open_all(trial, file)
    finally:
        shutil.rmtree(trial, ignore_errors=True)


def _open_all(folder: Path, file: Path) -> Checked:
    store = Store(folder)
    try:
        revisions = 0
        rows = store.list_projects()
        for row, *_ in rows:
            try:
                store.head(row.id)
            except (InputError, ValueError, LookupError, zlib.error) as bad:
                raise BadBackup(f"{file}: the project '{row.name}' does not open: {bad}") from None
            revisions += len(store.revisions(row.id))
        return Checked(len(rows), revisions)
    finally:
        store.close()


def restore(file: Path, folder: Path) -> Checked:
    """Replace the projects of a data folder by those of a backup that proves. What was there is kept beside it.

    Raises BadBackup, with nothing replaced."""
    found = verify(file)
    folder.mkdir(parents=True, exist_ok=True)
    fresh, database = folder / f"{DATABASE}.new", folder / DATABASE
    shutil.copyfile(file, fresh)
    if database.exists():
        # Whatever still stands in the write-ahead log belongs to the old database.
        with closing(sqlite3.connect(database)) as old:
            old.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        kept = folder / f"{DATABASE}.before-restore"
        kept.unlink(missing_ok=True)
        database.rename(kept)
    for tail in ("-wal", "-shm"):
        (folder / f"{DATABASE}{tail}").unlink(missing_ok=True)
    fresh.rename(database)
    return found
