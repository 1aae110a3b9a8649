"""Tables. SQLite STRICT; documents compressed; revisions append-only."""

from __future__ import annotations

import json
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import Dialect, ForeignKey, Integer, LargeBinary, Text, TypeDecorator, UniqueConstraint
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class JsonText(TypeDecorator[Any]):
    """JSON in a TEXT column, no NaN."""

    impl = Text
    cache_ok = True

    def process_bind_param(self, value: Any, dialect: Dialect) -> str | None:
        return None if value is None else json.dumps(value, allow_nan=False, ensure_ascii=False)

    def process_result_value(self, value: str | None, dialect: Dialect) -> Any:
        return None if value is None else json.loads(value)


class UtcText(TypeDecorator[datetime]):
    """A moment in UTC as ISO text."""

    impl = Text
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Dialect) -> str | None:
        return None if value is None else value.astimezone(UTC).isoformat()

    def process_result_value(self, value: str | None, dialect: Dialect) -> datetime | None:
        return None if value is None else datetime.fromisoformat(value)


class Base(DeclarativeBase):
    """STRICT tables: only INTEGER, TEXT and BLOB columns."""

    type_annotation_map = {
        str: Text,
        int: Integer,
        bytes: LargeBinary,
        datetime: UtcText,
        dict[str, Any]: JsonText,
        list[Any]: JsonText,
    }


class ProjectRow(Base):
    """A project: where its head is, and the tip that redo leads to."""

    __tablename__ = "projects"
    __table_args__ = {"sqlite_strict": True}
    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    created_at: Mapped[datetime]
    head: Mapped[int | None]
    tip: Mapped[int | None]


class RevisionRow(Base):
    """One saved state. Undo and redo move the head; nothing is rewritten."""

    __tablename__ = "revisions"
    __table_args__ = (
        UniqueConstraint("project_id", "number"),
        {"sqlite_strict": True, "sqlite_autoincrement": True},
    )
    id: Mapped[int] = mapped_column(primary_key=True)
    project_id: Mapped[str] = mapped_column(ForeignKey("projects.id", ondelete="CASCADE"), index=True)
    number: Mapped[int]
    parent: Mapped[int | None] = mapped_column(ForeignKey("revisions.id"))
    at: Mapped[datetime]
    summary: Mapped[str]
    burst: Mapped[str | None]
    patch: Mapped[list[Any]]
    # Read only when the state itself is wanted: it is most of the row.
    document: Mapped[bytes] = mapped_column(deferred=True)


class VerdictRow(Base):
    """Worst level of each bench, and the sentence that matters most, for the small keels of the list."""

    __tablename__ = "verdicts"
    __table_args__ = {"sqlite_strict": True}
    project_id: Mapped[str] = mapped_column(ForeignKey("projects.id", ondelete="CASCADE"), primary_key=True)
    summary: Mapped[dict[str, Any]]
    revision: Mapped[int]


class RecordRow(Base):
    """Something that happened, as it was read: never changed. `revision` is the state that it was made on, or that
    followed from it."""

    __tablename__ = "records"
    __table_args__ = {"sqlite_strict": True, "sqlite_autoincrement": True}
    id: Mapped[int] = mapped_column(primary_key=True)
    project_id: Mapped[str] = mapped_column(ForeignKey("projects.id", ondelete="CASCADE"), index=True)
    kind: Mapped[str]
    at: Mapped[datetime]
    revision: Mapped[int]
    data: Mapped[dict[str, Any]]


class PhotoRow(Base):
    """A photograph of a project by what it contains, as it is kept: checked, turned upright, without what the camera
    wrote into it; and small."""

    __tablename__ = "photos"
    __table_args__ = (UniqueConstraint("project_id", "file"), {"sqlite_strict": True, "sqlite_autoincrement": True})
    id: Mapped[int] = mapped_column(primary_key=True)
    project_id: Mapped[str] = mapped_column(ForeignKey("projects.id", ondelete="CASCADE"))
    file: Mapped[str]
    at: Mapped[datetime]
    width: Mapped[int]
    height: Mapped[int]
    small: Mapped[bytes]
    data: Mapped[bytes] = mapped_column(deferred=True)


class LibraryRow(Base):
    """A power unit of the library, whole; `folded` is its name without capitals, of which there is one; `version` that
    of the document."""

    __tablename__ = "library_units"
    __table_args__ = (UniqueConstraint("folded"), {"sqlite_strict": True})
    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    folded: Mapped[str]
    at: Mapped[datetime]
    version: Mapped[int]
    data: Mapped[dict[str, Any]]
    number: Mapped[int] = mapped_column(server_default="1")


class UnitRevisionRow(Base):
    """One saved state of a unit of the library; the newest is the unit itself."""

    __tablename__ = "unit_revisions"
    __table_args__ = (UniqueConstraint("unit", "number"), {"sqlite_strict": True, "sqlite_autoincrement": True})
    id: Mapped[int] = mapped_column(primary_key=True)
    unit: Mapped[str] = mapped_column(ForeignKey("library_units.id", ondelete="CASCADE"))
    number: Mapped[int]
    at: Mapped[datetime]
    summary: Mapped[str]
    version: Mapped[int]
    data: Mapped[dict[str, Any]]
