"""Records and photographs of projects: added, never changed; undo does not touch them."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime
from typing import Any, NamedTuple

from sqlalchemy import func, select
from sqlalchemy.orm import undefer

from ..core.errors import InputError
from .models import PhotoRow, RecordRow
from .store import NotFound, Store, now

# What a scale showed, taken over into the document: a record of its own form, older than the others.
WEIGHING = "weighing"


class Numbered(NamedTuple):
    """A record with its number in its project, from 1."""

    number: int
    row: RecordRow


def add_record(
    store: Store, project_id: str, kind: str, revision: int, data: dict[str, Any], at: datetime | None = None
) -> int:
    """Keep something that happened; its number. Raises NotFound."""
    with store.session() as session:
        store.project(session, project_id)
        session.add(RecordRow(project_id=project_id, kind=kind, at=at or now(), revision=revision, data=data))
        session.flush()
        return session.scalar(_own(project_id, func.count())) or 0


def add_records(store: Store, project_id: str, kept: Sequence[tuple[str, datetime, dict[str, Any]]], on: int) -> None:
    """Keep many at once, in their order, or none: kind, moment and what it says of each. Raises NotFound."""
    with store.session() as session:
        store.project(session, project_id)
        session.add_all(
            [RecordRow(project_id=project_id, kind=k, at=at, revision=on, data=data) for k, at, data in kept]
        )


def _own(project_id: str, *what: Any) -> Any:
    return select(*what).select_from(RecordRow).where(RecordRow.project_id == project_id)


def all_records(store: Store, project_id: str, after: int = 0) -> list[Numbered]:
    """Records of a project in their order, from the one behind `after`. Raises NotFound."""
    with store.session() as session:
        store.project(session, project_id)
        rows = session.scalars(
            select(RecordRow).where(RecordRow.project_id == project_id).order_by(RecordRow.id).offset(after)
        ).all()
        return [Numbered(after + i + 1, r) for i, r in enumerate(rows)]


def how_many(store: Store, project_id: str) -> int:
    """How many records a project has."""
    with store.session() as session:
        return session.scalar(_own(project_id, func.count())) or 0


def counts(store: Store) -> dict[str, int]:
    """How many records each project has, where there are any."""
    with store.session() as session:
        rows = session.execute(select(RecordRow.project_id, func.count()).group_by(RecordRow.project_id)).all()
        return {r[0]: r[1] for r in rows}


def records_of(store: Store, project_id: str, kind: str) -> list[RecordRow]:
    """Records of a kind, newest first. Raises NotFound."""
    with store.session() as session:
        store.project(session, project_id)
        wanted = select(RecordRow).where(RecordRow.project_id == project_id, RecordRow.kind == kind)
        return list(session.scalars(wanted.order_by(RecordRow.id.desc())))


class Picture(NamedTuple):
    """A photograph as it is kept: by what it contains (SHA-256), its size, itself and small, both JPEG."""

    file: str
    width: int
    height: int
    data: bytes
    small: bytes


# Photographs of one project together. Proposed: a build of a year, a few a day.
MOST_BYTES = 1_000_000_000


def add_photo(store: Store, project_id: str, made: Picture) -> None:
    """Keep a photograph; one that is there already is not kept twice. Raises NotFound, and InputError where there are
    too many."""
    with store.session() as session:
        store.project(session, project_id)
        own = PhotoRow.project_id == project_id
        if session.scalar(select(PhotoRow.id).where(own, PhotoRow.file == made.file)) is not None:
            return
        there = session.scalar(select(func.sum(func.length(PhotoRow.data))).where(own)) or 0
        if there + len(made.data) > MOST_BYTES:
            raise InputError("", "the photographs of this project are a gigabyte: keep no more of them here")
        session.add(
            PhotoRow(
                project_id=project_id,
                file=made.file,
                at=now(),
                width=made.width,
                height=made.height,
                data=made.data,
                small=made.small,
            )
        )


def photo(store: Store, project_id: str, file: str) -> Picture:
    """A photograph. Raises NotFound."""
    with store.session() as session:
        own = PhotoRow.project_id == project_id, PhotoRow.file == file
        row = session.scalar(select(PhotoRow).where(*own).options(undefer(PhotoRow.data)))
        if row is None:
            raise NotFound("no such photograph")
        return Picture(row.file, row.width, row.height, row.data, row.small)


def photo_files(store: Store, project_id: str) -> list[str]:
    """Photographs of a project, in the order in which they came."""
    with store.session() as session:
        return list(
            session.scalars(select(PhotoRow.file).where(PhotoRow.project_id == project_id).order_by(PhotoRow.id))
        )
