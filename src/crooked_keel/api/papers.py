"""The work on paper and as files: sheets, the build book, records, the whole project as one archive."""

from __future__ import annotations

from typing import Any

from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool

from ..core.errors import InputError
from ..exchange.archive import pack, unpack
from ..exchange.papers import Paper
from ..exchange.records_table import records_to_csv, records_to_json
from ..store.records import Picture, add_photo, add_records, all_records, photo, photo_files
from .apart import apart
from .models import State
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, Written, service
from .sheets import PDF, UnitsQuery, pdf_of, today

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)
_CSV: dict[int | str, dict[str, Any]] = {200: {"content": {"text/csv": {}}}}
_ZIP: dict[int | str, dict[str, Any]] = {200: {"content": {"application/zip": {}}}}
_ARCHIVE = {
    "requestBody": {
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
        "required": True,
    }
}


@router.get("/projects/{project_id}/papers/{which}", response_class=Response, responses=PDF)
def print_paper(
    request: Request, project_id: Id, which: Paper, fit: FitQuery = None, units: UnitsQuery = None
) -> Response:
    """A paper of the work on a fit: tasks, torque, strip list, holds, tags, or the whole book."""
    made = service(request)
    head = made.store.head(project_id)
    wanted = made.fit_of(head.document, fit)
    if wanted is None:
        raise InputError(
            "/fits", "work belongs to a fit", given=fit, allowed=", ".join(head.document.fits) or "none yet"
        )
    from ..exchange.work_pdf import paper

    body = paper(
        which,
        head.document,
        made.assessment(head, wanted),
        made.facts.of(project_id),
        units or head.document.units,
        today(),
        lambda file: photo(made.store, project_id, file).small,
    )
    return pdf_of(body, head.document.name, which)


@router.get("/projects/{project_id}/exports/records.csv", response_class=Response, responses=_CSV)
def export_records_csv(request: Request, project_id: Id, fit: FitQuery = None) -> Response:
    """Every record in its order, those that were corrected too."""
    service(request).store.head(project_id)
    body = records_to_csv(service(request).facts.of(project_id), fit)
    return _file(body.encode(), "text/csv; charset=utf-8", "records.csv")


@router.get(
    "/projects/{project_id}/exports/records.json",
    response_class=Response,
    responses={200: {"content": {"application/json": {}}}},
)
def export_records_json(request: Request, project_id: Id, fit: FitQuery = None) -> Response:
    """The same, whole."""
    service(request).store.head(project_id)
    body = records_to_json(service(request).facts.of(project_id), fit)
    return _file(body.encode(), "application/json", "records.json")


@router.get("/projects/{project_id}/exports/archive", response_class=Response, responses=_ZIP)
def export_archive(request: Request, project_id: Id) -> Response:
    """The project with its records and photographs as one archive that can be imported again."""
    store = service(request).store
    document = store.raw_document(project_id)
    rows = [(n.row.kind, n.row.at.isoformat(), n.row.data) for n in all_records(store, project_id)]
    pictures = ((f, photo(store, project_id, f).data) for f in photo_files(store, project_id))
    return _file(pack(document, rows, pictures), "application/zip", "project.keel.zip")


@router.post("/projects/import-archive", status_code=201, response_model=State, openapi_extra=_ARCHIVE)
async def import_archive(request: Request) -> Response:
    """A project with its records and photographs from an archive, checked whole before anything is stored."""
    raw = await request.body()

    def keep() -> Response:
        made = service(request)
        read = apart(unpack, raw)
        head = made.store.create(read.document, "Opened from an archive")
        add_records(made.store, head.project_id, read.records, head.revision)
        for picture in read.photos:
            add_photo(made.store, head.project_id, Picture(*picture))
        return Written(made.state(head, None), 201)

    return await run_in_threadpool(keep)


def _file(body: bytes, kind: str, name: str) -> Response:
    return Response(body, media_type=kind, headers={"Content-Disposition": f'attachment; filename="{name}"'})
