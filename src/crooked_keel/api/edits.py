"""Projects: starting, reading, editing, looking ahead, undoing, their history; ways out of a finding."""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated

from fastapi import APIRouter, Path, Request, Response

from ..core.document import Project, apply_operations, load
from ..core.errors import InputError
from ..core.reference.kinds import KINDS, new_project
from ..store.store import Head
from .apart import apart
from .models import (
    Edit,
    ImportFile,
    NewProject,
    Patched,
    Preview,
    PreviewOut,
    ProjectListItem,
    RevisionOut,
    State,
    Suggestions,
    WorkingOut,
)
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, On, Written, service
from .service import Service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)


@router.get("/projects")
def list_projects(request: Request) -> list[ProjectListItem]:
    """Every project, the one touched last first."""
    return service(request).projects()


@router.post("/projects", status_code=201, response_model=State)
def create_project(request: Request, new: NewProject) -> Written:
    """A new project from a kind: every place to fill in, nothing filled in."""
    kind = KINDS.get(new.kind)
    if kind is None:
        raise InputError("/kind", "no such kind of craft is known here", given=new.kind, allowed=", ".join(KINDS))
    layout = kind.layouts[0] if new.layout is None else new.layout
    if layout not in kind.layouts:
        raise InputError("/layout", f"no {kind.name} has this layout", given=layout, allowed=", ".join(kind.layouts))
    document = apply_operations(
        Project(name="new", kind=new.kind), new_project(new.kind, new.name, layout, new.unit_name, new.units)
    )
    made = service(request)
    return Written(made.state(made.store.create(document, "Started"), None), 201)


@router.post("/projects/import", status_code=201, response_model=State)
def import_project(request: Request, file: ImportFile) -> Written:
    """A project from a file, checked whole before anything is stored."""
    made = service(request)
    return Written(made.state(made.store.create(apart(load, file.text), "Opened from a file"), None), 201)


@router.get("/projects/{project_id}", response_model=State)
def read_project(request: Request, project_id: Id, fit: FitQuery = None) -> Written:
    """Document, revision and assessment with one fit."""
    made = service(request)
    return Written(made.state(made.store.head(project_id), fit))


@router.delete("/projects/{project_id}", status_code=204)
def delete_project(request: Request, project_id: Id) -> Response:
    """Remove a project with its history."""
    service(request).store.delete(project_id)
    return Response(status_code=204)


@router.patch("/projects/{project_id}", response_model=Patched)
def edit_project(request: Request, project_id: Id, edit: Edit, fit: FitQuery = None) -> Written:
    """An edit, saved and assessed."""
    operations = [o.model_dump() for o in edit.operations]
    return Written(service(request).edit(project_id, fit, edit.base, operations, edit.summary, edit.burst))


@router.post("/projects/{project_id}/preview", response_model=PreviewOut)
def preview(request: Request, project_id: Id, ahead: Preview, fit: FitQuery = None) -> Written:
    """An edit to look at, not saved."""
    operations = [o.model_dump() for o in ahead.operations]
    return Written(service(request).preview(project_id, fit, operations, ahead.sections))


@router.post("/projects/{project_id}/undo", response_model=State)
def undo(request: Request, project_id: Id, on: On, fit: FitQuery = None) -> Written:
    """Back to the state before. Refused where another window has edited since."""
    made = service(request)
    return Written(_moved(made, project_id, fit, lambda: made.store.undo(project_id, on)))


@router.post("/projects/{project_id}/redo", response_model=State)
def redo(request: Request, project_id: Id, on: On, fit: FitQuery = None) -> Written:
    """Forward again."""
    made = service(request)
    return Written(_moved(made, project_id, fit, lambda: made.store.redo(project_id, on)))


@router.post("/projects/{project_id}/revisions/{number}/again", response_model=State)
def go_back_to(
    request: Request, project_id: Id, number: Annotated[int, Path(ge=0, le=2**53)], on: On, fit: FitQuery = None
) -> Written:
    """A state of the history as a new state: also one that undo and redo no longer reach."""
    made = service(request)
    return Written(_moved(made, project_id, fit, lambda: made.store.go_back_to(project_id, number, on)))


def _moved(made: Service, project_id: str, fit: str | None, move: Callable[[], Head]) -> State:
    was = made.state(made.store.head(project_id), fit).assessment
    return made.state(move(), fit, was)


@router.get("/projects/{project_id}/revisions")
def revisions(request: Request, project_id: Id) -> list[RevisionOut]:
    """The history, newest first."""
    found = service(request).store.revisions(project_id)
    return [RevisionOut(number=r.number, at=r.at, summary=r.summary, place=place) for r, place in found]


@router.get("/projects/{project_id}/workings/{value}")
def working(
    request: Request, project_id: Id, value: Annotated[str, Path(max_length=120)], fit: FitQuery = None
) -> WorkingOut:
    """The working of a headline value or a finding."""
    made = service(request)
    head = made.store.head(project_id)
    assessment = made.assessment(head, made.fit_of(head.document, fit))
    for item in assessment.values:
        if item.id == value:
            return WorkingOut(working=item.working)
    for finding in assessment.findings:
        if finding.key == value:
            return WorkingOut(working=finding.working)
    raise InputError("/value", "no such value or finding", given=value)


@router.post("/projects/{project_id}/suggestions/{finding}")
def suggestions(
    request: Request, project_id: Id, finding: Annotated[str, Path(max_length=200)], fit: FitQuery = None
) -> Suggestions:
    """Proved ways to clear a finding."""
    return service(request).suggestions(project_id, fit, finding)
