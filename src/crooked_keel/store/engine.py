"""The database: how it is opened, founded, and lifted to the newest layout, each in one transaction."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from importlib.resources import as_file, files
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, event, text
from sqlalchemy.exc import DatabaseError

from .folder import DataFolder
from .models import Base

# The newest migration; a test holds it against the scripts.
LATEST = "0005"
_OURS = {"alembic_version", "projects", "revisions"}


def opened(folder: DataFolder) -> Engine:
    """The engine of a folder's database, which is founded, or lifted, or refused. Raises StoreFault."""
    engine = _engine(folder, foreign_keys=True)
    try:
        _refuse(folder)
        _made_ready(folder, engine)
    except (DatabaseError, sqlite3.DatabaseError, OSError) as bad:
        engine.dispose()
        raise folder.fault(bad) from None
    except BaseException:
        engine.dispose()
        raise
    return engine


def _engine(folder: DataFolder, foreign_keys: bool) -> Engine:
    engine = create_engine(f"sqlite:///{folder.database}")

    def connected(connection: Any, _record: Any) -> None:
        # The driver would begin a transaction late, and none at all for a change of tables.
        connection.isolation_level = None
        # FULL, not NORMAL: an edit that was acknowledged survives the machine as well as the process.
        keys = "ON" if foreign_keys else "OFF"
        for pragma in ("busy_timeout=5000", "journal_mode=WAL", f"foreign_keys={keys}", "synchronous=FULL"):
            connection.execute(f"PRAGMA {pragma}")

    event.listen(engine, "connect", connected)
    # To write from the start: what was read in a transaction is what is written upon, whatever another process does.
    event.listen(engine, "begin", lambda connection: connection.exec_driver_sql("BEGIN IMMEDIATE"))
    return engine


def _refuse(folder: DataFolder) -> None:
    """Refuse what is not ours, damaged, or newer, before a byte of it is changed. Raises StoreFault."""
    if not folder.database.exists():
        return
    with closing(sqlite3.connect(f"file:{folder.database}?mode=ro", uri=True, timeout=5.0)) as looked:
        tables = {row[0] for row in looked.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        if not tables:
            return
        if not tables >= _OURS:
            raise folder.foreign()
        damage = looked.execute("PRAGMA quick_check").fetchone()[0]
        if damage != "ok":
            raise folder.damaged(str(damage))
        version = looked.execute("SELECT version_num FROM alembic_version").fetchone()
        if version is None or version[0] > LATEST:
            raise folder.newer()


def _made_ready(folder: DataFolder, engine: Engine) -> None:
    with engine.begin() as connection:
        tables = connection.execute(text("SELECT name FROM sqlite_master WHERE type = 'table'")).scalars().all()
        if not tables:
            _found(connection)
            return
        version = connection.execute(text("SELECT version_num FROM alembic_version")).scalar()
    if version != LATEST:
        folder.keep(f"before-layout-{LATEST}")
        _lift(folder)


def _found(connection: Connection) -> None:
    """A new database, from the models. A test holds that the migrations lead to the same."""
    Base.metadata.create_all(connection)
    connection.execute(text("CREATE TABLE alembic_version (version_num VARCHAR(32) NOT NULL PRIMARY KEY)"))
    connection.execute(text("INSERT INTO alembic_version VALUES (:v)"), {"v": LATEST})


def _lift(folder: DataFolder) -> None:
    # Imported only when there is something to do: it costs a second of every start.
    from alembic import command
    from alembic.config import Config

    # A table that is made anew is dropped on the way: its foreign keys are looked at when all is done.
    engine = _engine(folder, foreign_keys=False)
    try:
        with as_file(files("crooked_keel.store") / "migrations") as scripts, engine.begin() as connection:
            config = Config()
            config.set_main_option("script_location", str(scripts))
            config.attributes["connection"] = connection
            command.upgrade(config, "head")
            if connection.execute(text("PRAGMA foreign_key_check")).first() is not None:
                raise folder.damaged("a revision belongs to no project")
    finally:
        engine.dispose()
