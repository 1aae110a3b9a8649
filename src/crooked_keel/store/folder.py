"""The folder that holds the projects: who uses it, what is kept in it, and what is wrong with it, in a sentence."""

from __future__ import annotations

import os
import shutil
import sqlite3
from collections.abc import Callable
from contextlib import closing, suppress
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

DATABASE = "crooked-keel.db"
# The database that a restore is about to put in place; one that is found at a start was never put there.
INCOMING = f"{DATABASE}.incoming"
KEPT = "kept"
_LOCK = "crooked-keel.lock"
_MARKER = "crooked-keel.txt"
_SAYS = """Crooked Keel keeps its projects in this folder.

crooked-keel.db       all projects with their history, and the library of units
crooked-keel.db-wal   what was written last; it belongs to the database and moves with it
kept/                 whole databases that were replaced, or copied before a change: `crooked-keel kept` lists them

Do not copy the database while the application runs: `crooked-keel backup FILE` does it, and proves the copy.
"""
# What a restore and a change of layout leave behind is never deleted; of the daily copies the newest are enough.
DAILY, MOST_DAILY = "daily", 7
_TIME = "%Y%m%dT%H%M%S.%fZ"


class StoreFault(RuntimeError):
    """The projects cannot be opened, or not be written to: why, and what to do."""


@dataclass(frozen=True, slots=True)
class KeptCopy:
    """A whole database that was kept: its file, when and why."""

    file: Path
    at: datetime
    why: str

    @property
    def name(self) -> str:
        return self.file.name


class DataFolder:
    """A folder with its database. `notices`: what was put right when it was opened."""

    def __init__(self, path: Path, proves: Callable[[Path], int | None] = lambda _: None) -> None:
        """proves: how many projects a copy holds, None where it does not open."""
        self.path = path
        self._proves = proves
        self.database = path / DATABASE
        self.notices: list[str] = []
        self._lock: sqlite3.Connection | None = None

    # -- who uses it -----------------------------------------------------------------------------------------------

    def use(self) -> None:
        """Use the folder beside others. Raises StoreFault: it cannot be written to, it is being restored, its database
        has gone."""
        try:
            self.path.mkdir(parents=True, exist_ok=True)
            self._hold("BEGIN", 5.0)
        except (OSError, sqlite3.Error) as bad:
            raise self.fault(bad) from None
        try:
            self._put_right()
        except OSError as bad:
            raise self.fault(bad) from None

    def use_alone(self) -> None:
        """Use the folder while nobody else does. Raises StoreFault while it is used."""
        try:
            self.path.mkdir(parents=True, exist_ok=True)
            self._hold("BEGIN EXCLUSIVE", 0.0)
        except (OSError, sqlite3.Error) as bad:
            raise self.fault(bad) from None

    def leave(self) -> None:
        """Let others have it."""
        if self._lock is not None:
            self._lock.close()
            self._lock = None

    def _hold(self, begin: str, wait_s: float) -> None:
        # SQLite's own lock of an empty database: held by a process, shared or alone, and let go when the process dies.
        self.leave()
        lock = sqlite3.connect(self.path / _LOCK, timeout=wait_s, isolation_level=None, check_same_thread=False)
        try:
            lock.execute(begin)
            lock.execute("SELECT count(*) FROM sqlite_master").fetchone()
        except BaseException:
            lock.close()
            raise
        self._lock = lock

    def _put_right(self) -> None:
        incoming = self.path / INCOMING
        if incoming.exists():
            incoming.unlink()
            self.notices.append(
                "A restore was interrupted before it replaced anything. The projects are as they were; start it again "
                "if it is still wanted."
            )
        if not self.database.exists() and ((self.path / _MARKER).exists() or self.kept()):
            self.leave()
            raise StoreFault(
                f"The projects of {self.path} have gone: {DATABASE} is not there, though it was. Nothing was founded "
                f"in its place. Bring the file back, or put a copy in its place: {self._offer()}"
            )

    def mark(self) -> None:
        """Say in the folder what it holds, so that a database that goes missing is missed."""
        marker = self.path / _MARKER
        if not marker.exists():
            marker.write_text(_SAYS, encoding="utf-8")

    # -- what is kept ----------------------------------------------------------------------------------------------

    def kept(self) -> list[KeptCopy]:
        """Every copy that is kept, the newest first."""
        found = [_named(f) for f in (self.path / KEPT).glob("*.db")] if (self.path / KEPT).is_dir() else []
        older = self.path / f"{DATABASE}.before-restore"  # the one place that earlier versions had
        if older.exists():
            found.append(KeptCopy(older, datetime.fromtimestamp(older.stat().st_mtime, UTC), "before-restore"))
        return sorted((k for k in found if k is not None), key=lambda k: k.at, reverse=True)

    def keep(self, why: str) -> KeptCopy | None:
        """Keep a copy of the database as it is now, under the time and the reason; None where there is none.

        Whatever can be read is kept: of a damaged database the bytes."""
        if not self.database.exists():
            return None
        (self.path / KEPT).mkdir(exist_ok=True)
        at = datetime.now(UTC)
        file = self.path / KEPT / f"{at.strftime(_TIME)}-{why}.db"
        part = file.with_name(f"{file.name}.part")
        try:
            try:
                copy_database(self.database, part)
            except sqlite3.DatabaseError:
                shutil.copyfile(self.database, part)
                wal = self.path / f"{DATABASE}-wal"
                if wal.exists():
                    shutil.copyfile(wal, file.with_name(f"{file.name}-wal"))
            to_disk(part)
            os.replace(part, file)
            to_disk(file.parent)
        finally:
            part.unlink(missing_ok=True)
        return KeptCopy(file, at, why)

    def keep_daily(self) -> None:
        """A copy a day, of which the newest are left. One that cannot be made keeps nobody from their projects: it is a
        notice."""
        daily = [k for k in self.kept() if k.why == DAILY]
        if daily and (datetime.now(UTC) - daily[0].at).total_seconds() < 86_400:
            return
        try:
            self.keep(DAILY)
        except (OSError, sqlite3.Error) as bad:
            self.notices.append(f"The copy of today was not made. {self.fault(bad)}")
            return
        for old in daily[MOST_DAILY - 1 :]:
            old.file.unlink(missing_ok=True)

    def _offer(self) -> str:
        """How the last good copy is put back."""
        for copy in self.kept():
            projects = self._proves(copy.file)
            if projects is not None:
                return (
                    f"the newest that proves is of {copy.at:%Y-%m-%d %H:%M} UTC with {projects} projects: "
                    f"crooked-keel restore {copy.file} --data {self.path}"
                )
        return f"none is kept here; a backup of yours goes in with: crooked-keel restore FILE --data {self.path}"

    # -- what is wrong ---------------------------------------------------------------------------------------------

    def damaged(self, what: str) -> StoreFault:
        """The fault of a database that SQLite finds damaged."""
        return StoreFault(f"The database {self.database} is damaged ({what}). Leave it; {self._offer()}")

    def foreign(self) -> StoreFault:
        """The fault of a file that is no database of this application."""
        return StoreFault(
            f"{self.database} is not a database of Crooked Keel. Move it away, or name another folder with --data."
        )

    def newer(self) -> StoreFault:
        """The fault of a database that a newer version wrote."""
        return StoreFault(
            f"{self.database} was written by a newer version than this one. Start it with that version; nothing was "
            "changed."
        )

    def fault(self, bad: BaseException) -> StoreFault:
        """The sentence for a fault of the disk, or of SQLite."""
        said = str(getattr(bad, "orig", None) or bad).lower()
        if isinstance(bad, OSError) and bad.strerror:
            said = bad.strerror.lower()
        if "locked" in said or "busy" in said:
            return StoreFault(
                f"The folder {self.path} is in use: stop the application that runs on it, or wait until a restore is "
                "done, and try again."
            )
        if "no space" in said or "full" in said or "quota" in said or "too large" in said:
            return StoreFault(f"The disk that holds {self.path} is full. Make room, and try again; what stood stands.")
        if "i/o error" in said:
            return StoreFault(
                f"The disk that holds {self.path} does not take or give what is asked of it: it is full, or it fails. "
                "What was saved stands. Make room or move the folder to another disk, and try again."
            )
        if "readonly" in said or "read-only" in said or "permission" in said:
            return StoreFault(
                f"{self.path} cannot be written to. Give this account the right to write there, or name another folder "
                "with --data."
            )
        if "not a database" in said:
            return self.foreign()
        if "malformed" in said or "corrupt" in said:
            return self.damaged(said)
        return StoreFault(f"The projects of {self.path} cannot be opened: {said}.")


def copy_database(database: Path, to: Path) -> None:
    """A consistent copy of a database that others may be writing to. Raises sqlite3.DatabaseError."""
    to.unlink(missing_ok=True)
    with closing(sqlite3.connect(database)) as source, closing(sqlite3.connect(to)) as copy:
        source.backup(copy)


def to_disk(path: Path) -> None:
    """See to it that a file, or the names in a folder, are on the disk."""
    with suppress(PermissionError):  # folders cannot be opened everywhere
        opened = os.open(path, os.O_RDONLY)
        try:
            os.fsync(opened)
        finally:
            os.close(opened)


def _named(file: Path) -> KeptCopy | None:
    stamp, _, why = file.stem.partition("-")
    try:
        return KeptCopy(file, datetime.strptime(stamp, _TIME).replace(tzinfo=UTC), why)
    except ValueError:
        return None
