"""Projects and their revisions. Every acknowledged edit is on disk before it is acknowledged."""

from __future__ import annotations

import secrets
import threading
import zlib
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import Any, Literal, TypeVar, cast

from sqlalchemy import bindparam, func, insert, select, text, update
from sqlalchemy.orm import Session, aliased

from ..core.document import Project, apply_operations, dump, load_trusted, plain, value_at
from ..core.errors import InputError
from ..core.topic.memo import Memo
from .backup import projects_in
from .engine import opened
from .folder import DataFolder
from .models import ProjectRow, RevisionRow, VerdictRow

T = TypeVar("T")
Place = Literal["here", "before", "ahead", "aside"]


class NotFound(LookupError):
    """No such project or revision."""


class StaleEdit(Exception):
    """Another edit came between and touched the same figure. Carries both values."""

    def __init__(self, pointer: str, yours: Any, theirs: Any, revision: int) -> None:
        super().__init__(pointer)
        self.pointer, self.yours, self.theirs, self.revision = pointer, yours, theirs, revision


class StaleMove(Exception):
    """Undo or redo was asked on a state that another window has left since: what it did last, and the state now."""

    def __init__(self, summary: str, revision: int) -> None:
        super().__init__(summary)
        self.summary, self.revision = summary, revision


@dataclass(frozen=True, slots=True)
class Head:
    """The state that a project is in: document, revision number, and whether undo and redo lead anywhere."""

    project_id: str
    document: Project
    revision: int
    can_undo: bool
    can_redo: bool


@dataclass(frozen=True, slots=True)
class Edited:
    """The outcome of an edit: state before and after, and whether it was re-applied on another's edit."""

    before: Project
    head: Head
    rebased: bool


class Store:
    """All projects of one data folder."""

    def __init__(self, path: Path) -> None:
        """Raises StoreFault: the projects of the folder cannot be opened, with what to do."""
        self.folder = DataFolder(path, projects_in)
        self._lock = threading.RLock()
        # How often the database was replaced: what was kept of the one before is of no use.
        self.generation = 0
        self._documents: dict[tuple[str, int], Project] = {}
        # Texts of parts of documents that were saved last: an edit leaves most of them as they are.
        self._texts = Memo(400, len, 2_000_000)
        self._open()

    def _open(self) -> None:
        self.folder.use()
        try:
            self.engine = opened(self.folder)
            self.folder.mark()
        except BaseException:
            self.folder.leave()
            raise

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A transaction, one at a time."""
        with self._lock, Session(self.engine, expire_on_commit=False) as session, session.begin():
            yield session

    def close(self) -> None:
        """Give the database back."""
        self.engine.dispose()
        self.folder.leave()

    def replaced(self, by: Callable[[Path], T]) -> T:
        """Give the database back for as long as something replaces it, then open what is there. Raises StoreFault while
        another process uses it."""
        with self._lock:
            self.close()
            try:
                return by(self.folder.path)
            finally:
                self._documents.clear()
                self.generation += 1
                self._open()

    # -- reading ---------------------------------------------------------------------------------------------------

    def list_projects(self) -> list[tuple[ProjectRow, datetime | None, dict[str, Any] | None, bool]]:
        """Every project, the one touched last first, with the time of its head, its verdict summary, and whether that
        is of an older state."""
        with self.session() as session:
            rows = session.execute(
                select(ProjectRow, RevisionRow.at, VerdictRow.summary, VerdictRow.revision != RevisionRow.number)
                .join(RevisionRow, RevisionRow.id == ProjectRow.head, isouter=True)
                .join(VerdictRow, VerdictRow.project_id == ProjectRow.id, isouter=True)
                .order_by(RevisionRow.at.desc())
            ).all()
            return [(r[0], r[1], r[2], bool(r[3])) for r in rows]

    def head(self, project_id: str) -> Head:
        """The current state. Raises NotFound."""
        with self.session() as session:
            return self._head(session, self.project(session, project_id))

    def revisions(self, project_id: str) -> list[tuple[RevisionRow, Place]]:
        """All revisions, newest first, without their documents' text; and where each lies. Raises NotFound."""
        with self.session() as session:
            project = self.project(session, project_id)
            own = select(RevisionRow).where(RevisionRow.project_id == project_id)
            rows = list(session.scalars(own.order_by(RevisionRow.number.desc())))
        parent = {r.id: r.parent for r in rows}
        place: dict[int | None, Place] = {}
        for start, word in ((project.head, "before"), (project.tip, "ahead")):
            at = start
            while at is not None and at not in place:
                place[at] = cast(Place, word)
                at = parent.get(at)
        place[project.head] = "here"
        return [(r, place.get(r.id, "aside")) for r in rows]

    def at_revision(self, project_id: str, number: int) -> Project:
        """The document as it was at a revision. Raises NotFound."""
        with self.session() as session:
            self.project(session, project_id)
            row = self._numbered(session, project_id, number)
            if row is None:
                raise NotFound("no such revision")
            return self._document(row)

    def raw_document(self, project_id: str) -> bytes:
        """The bytes of the current document, as saved."""
        with self.session() as session:
            project = self.project(session, project_id)
            return zlib.decompress(self._revision(session, project.head).document)

    # -- writing ---------------------------------------------------------------------------------------------------

    def create(self, document: Project, summary: str) -> Head:
        """A new project with its first revision."""
        with self.session() as session:
            row = ProjectRow(id=secrets.token_hex(5), name=document.name, created_at=now(), head=None, tip=None)
            session.add(row)
            session.flush()
            number = self._append(session, row.id, 0, None, document, summary, [], None)
            return Head(row.id, document, number, False, False)

    def edit(
        self, project_id: str, base: int, operations: Sequence[dict[str, Any]], summary: str, burst: str | None = None
    ) -> Edited:
        """Apply operations that were made on revision `base`.

        If others came between, operations whose figures they left alone are re-applied; otherwise StaleEdit.
        burst: edits with the same word, one right after the other, are one step of undo.
        Raises NotFound, InputError, StaleEdit; nothing is saved then."""
        with self.session() as session:
            head = self._standing(session, project_id)
            before = self._documents.get((project_id, head.number)) or self._document(self._revision(session, head.id))
            rebased = head.number != base
            if rebased:
                self._check_untouched(session, project_id, base, before, operations, head.number)
            document = apply_operations(before, operations)
            parent = head.parent if burst is not None and head.burst == burst else head.id
            made = self._append(session, project_id, head.last, parent, document, summary, list(operations), burst)
            return Edited(before, Head(project_id, document, made, parent is not None, False), rebased)

    def undo(self, project_id: str, on: int) -> Head:
        """Move the head to the state before. on: the revision that whoever asks has in view. Raises InputError if there
        is none before, StaleMove if the head is another."""
        with self.session() as session:
            project, head = self._seen(session, project_id, on)
            if head.parent is None:
                raise InputError("/", "there is nothing to undo")
            project.head = head.parent
            return self._moved(session, project)

    def redo(self, project_id: str, on: int) -> Head:
        """Move the head one state towards the tip. Raises InputError if it is there, StaleMove as undo does."""
        with self.session() as session:
            project, head = self._seen(session, project_id, on)
            if project.head == project.tip:
                raise InputError("/", "there is nothing to redo")
            above = session.execute(_ABOVE, {"tip": project.tip, "head": head.id}).scalar()
            if above is None:
                raise InputError("/", "there is nothing to redo")
            project.head = above
            return self._moved(session, project)

    def go_back_to(self, project_id: str, number: int, on: int) -> Head:
        """A state of the history, as a new state that can be undone: also one that undo and redo no longer reach.

        Raises NotFound, StaleMove."""
        with self.session() as session:
            _, head = self._seen(session, project_id, on)
            row = self._numbered(session, project_id, number)
            if row is None:
                raise NotFound("no such revision")
            last = self._standing(session, project_id).last
            document, words = self._document(row), f"Back to revision {number}"
            made = self._append(session, project_id, last, head.id, document, words, [], None)
            return Head(project_id, document, made, True, False)

    def delete(self, project_id: str) -> None:
        """Remove a project with all its revisions."""
        with self.session() as session:
            row = self.project(session, project_id)
            row.head = row.tip = None
            session.flush()
            session.execute(text("UPDATE revisions SET parent = NULL WHERE project_id = :p"), {"p": project_id})
            session.delete(row)
        self._documents = {key: d for key, d in self._documents.items() if key[0] != project_id}

    def keep_summary(self, project_id: str, revision: int, summary: dict[str, Any]) -> None:
        """Keep what the list shows of a project."""
        with self.session() as session:
            row = session.get(VerdictRow, project_id)
            if row is None:
                session.add(VerdictRow(project_id=project_id, summary=summary, revision=revision))
            else:
                row.summary, row.revision = summary, revision

    # -- inside ----------------------------------------------------------------------------------------------------

    def project(self, session: Session, project_id: str) -> ProjectRow:
        """The row of a project. Raises NotFound."""
        row = session.get(ProjectRow, project_id)
        if row is None:
            raise NotFound("no such project")
        return row

    def _revision(self, session: Session, revision_id: int | None) -> RevisionRow:
        row = session.get(RevisionRow, revision_id) if revision_id is not None else None
        if row is None:
            raise NotFound("no such revision")
        return row

    def document(self, session: Session, project: ProjectRow) -> Project:
        """The current document of a project. Raises NotFound."""
        return self._document(self._revision(session, project.head))

    def _document(self, row: RevisionRow) -> Project:
        key = (row.project_id, row.number)
        found = self._documents.get(key)
        if found is None:
            found = load_trusted(zlib.decompress(row.document))
            self._keep(key, found)
        return found

    def _keep(self, key: tuple[str, int], document: Project) -> None:
        self._documents[key] = document
        while len(self._documents) > 6:
            del self._documents[next(iter(self._documents))]

    def _head(self, session: Session, project: ProjectRow) -> Head:
        row = self._revision(session, project.head)
        return Head(project.id, self._document(row), row.number, row.parent is not None, project.head != project.tip)

    def _standing(self, session: Session, project_id: str) -> Any:
        """id, number, parent and burst of the head, and the last number given. Raises NotFound."""
        row = session.execute(_STANDING, {"project": project_id}).first()
        if row is None:
            raise NotFound("no such project")
        return row

    def _append(
        self,
        session: Session,
        project_id: str,
        last: int,
        parent: int | None,
        document: Project,
        summary: str,
        patch: list[Any],
        burst: str | None,
    ) -> int:
        """Save a state and put the head on it; its number."""
        saved = session.execute(
            _INSERT,
            {
                "project_id": project_id,
                "number": last + 1,
                "parent": parent,
                "at": now(),
                "summary": summary,
                "burst": burst,
                "patch": patch,
                "document": zlib.compress(dump(document, self._texts).encode(), 1),
            },
        )
        id = int(cast(Any, saved).inserted_primary_key[0])
        session.execute(_MOVE, {"project": project_id, "head": id, "name": document.name})
        self._keep((project_id, last + 1), document)
        return last + 1

    def _check_untouched(
        self,
        session: Session,
        project_id: str,
        base: int,
        now: Project,
        operations: Sequence[dict[str, Any]],
        number: int,
    ) -> None:
        row = self._numbered(session, project_id, base)
        if row is None:
            raise InputError("/base", "this edit was made on a revision that does not exist", given=str(base))
        then = self._document(row)
        if then.number_style != now.number_style:
            raise StaleEdit("/number_style", then.number_style, now.number_style, number)
        for operation in operations:
            pointer = str(operation.get("path", ""))
            was, here = value_at(then, pointer), value_at(now, pointer)
            if was != here:
                raise StaleEdit(pointer, operation.get("value"), plain(here), number)

    def _numbered(self, session: Session, project_id: str, number: int) -> RevisionRow | None:
        wanted = RevisionRow.project_id == project_id, RevisionRow.number == number
        return session.scalar(select(RevisionRow).where(*wanted))

    def _seen(self, session: Session, project_id: str, on: int) -> tuple[ProjectRow, RevisionRow]:
        project = self.project(session, project_id)
        head = self._revision(session, project.head)
        if head.number != on:
            raise StaleMove(head.summary, head.number)
        return project, head

    def _moved(self, session: Session, project: ProjectRow) -> Head:
        moved = self._head(session, project)
        project.name = moved.document.name
        return moved


_REVISIONS, _PROJECTS = RevisionRow.__table__, ProjectRow.__table__
_every = aliased(RevisionRow)
_last = select(func.max(_every.number)).where(_every.project_id == bindparam("project")).scalar_subquery()
_STANDING = (
    select(RevisionRow.id, RevisionRow.number, RevisionRow.parent, RevisionRow.burst, _last.label("last"))
    .join(ProjectRow, ProjectRow.head == RevisionRow.id)
    .where(ProjectRow.id == bindparam("project"))
)
_INSERT = insert(_REVISIONS)  # type: ignore[arg-type]
_MOVE = (
    update(_PROJECTS)  # type: ignore[arg-type]
    .where(ProjectRow.id == bindparam("project"))
    .values(head=bindparam("head"), tip=bindparam("head"), name=bindparam("name"))
)


# The state right above the head on the way down from the tip, without its document or anybody else's.
_ABOVE = text(
    "WITH RECURSIVE down(id, parent) AS (SELECT id, parent FROM revisions WHERE id = :tip UNION ALL "
    "SELECT r.id, r.parent FROM revisions r JOIN down ON r.id = down.parent WHERE down.parent <> :head) "
    "SELECT id FROM down WHERE parent = :head"
)


def now() -> datetime:
    """This moment."""
    return datetime.now(UTC)
