"""Projects: reading, editing, looking ahead, undoing, files."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Path, Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from ..core.asked.at_rest import AtRest
from ..core.asked.burn_order import BurnOrders
from ..core.asked.comparison import Comparison, compare
from ..core.asked.measure_next import MeasureNext
from ..core.asked.monte_carlo import MonteCarlo
from ..core.asked.placement import Placed
from ..core.balance.fuel.functions import Aim
from ..core.document import LedgerRow, Project, apply_operations, load
from ..core.errors import InputError
from ..core.reference.kinds import KINDS, new_project
from ..exchange import weight_sheet
from ..exchange.hydrostatic_table import read_hydrostatics
from ..exchange.ledger_table import csv_to_operations, ledger_to_csv, ledger_to_xlsx, xlsx_to_operations
from ..exchange.offsets import offsets_to_csv, read_offsets
from .models import (
    Conflict,
    CsvText,
    Edit,
    HydrostaticsOut,
    ImportCsv,
    ImportFile,
    NewProject,
    OffsetsOut,
    Patched,
    PlacementWish,
    Preview,
    PreviewOut,
    Problem,
    ProjectListItem,
    RevisionOut,
    SheetIn,
    State,
    Suggestions,
    WeightSheetOut,
    WorkingOut,
)
from .service import Service

router = APIRouter(
    prefix="/api",
    responses={400: {"model": Problem}, 404: {"model": Problem}, 409: {"model": Conflict}, 422: {"model": Problem}},
)
Id = Annotated[str, Path(max_length=40)]
FitQuery = Annotated[
    str | None, Query(alias="fit", max_length=40, description="a fit's id, or none for the craft as found")
]


class Written(Response):
    """A reply that is written straight from its model: the assessment is large, and was validated when it was made."""

    media_type = "application/json"

    def __init__(self, reply: BaseModel, status_code: int = 200) -> None:
        super().__init__(reply.model_dump_json(), status_code)


def service(request: Request) -> Service:
    """The service of this application."""
    found: Service = request.app.state.service
    return found


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
    return Written(made.state(made.store.create(load(file.text), "Opened from a file"), None), 201)


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
    return Written(service(request).preview(project_id, fit, [o.model_dump() for o in ahead.operations]))


@router.post("/projects/{project_id}/undo", response_model=State)
def undo(request: Request, project_id: Id, fit: FitQuery = None) -> Written:
    """Back to the state before."""
    return Written(_move(service(request), project_id, fit, "undo"))


@router.post("/projects/{project_id}/redo", response_model=State)
def redo(request: Request, project_id: Id, fit: FitQuery = None) -> Written:
    """Forward again."""
    return Written(_move(service(request), project_id, fit, "redo"))


def _move(made: Service, project_id: str, fit: str | None, way: str) -> State:
    earlier = made.store.head(project_id)
    was = made.state(earlier, fit).assessment
    return made.state(made.store.undo(project_id) if way == "undo" else made.store.redo(project_id), fit, was)


@router.get("/projects/{project_id}/revisions")
def revisions(request: Request, project_id: Id) -> list[RevisionOut]:
    """The history, newest first."""
    return [
        RevisionOut(number=r.number, at=r.at, summary=r.summary) for r in service(request).store.revisions(project_id)
    ]


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


@router.get("/projects/{project_id}/measure-next")
def what_to_measure_next(request: Request, project_id: Id, fit: FitQuery = None) -> MeasureNext:
    """What to measure next, so that the least sure margin of the balance is settled soonest."""
    return service(request).measure_next(project_id, fit)


@router.post("/projects/{project_id}/placement")
def place(request: Request, project_id: Id, wish: PlacementWish, fit: FitQuery = None) -> Placed:
    """Ways to place unit, batteries and lead at once, each proved; nothing is saved here."""
    return service(request).placement(project_id, fit, wish)


@router.post("/projects/{project_id}/studies/monte-carlo")
def study_monte_carlo(request: Request, project_id: Id, fit: FitQuery = None) -> MonteCarlo:
    """How many of many crafts, each figure drawn within its doubt, keep every limit."""
    return service(request).monte_carlo(project_id, fit)


@router.post("/projects/{project_id}/studies/at-rest")
def study_at_rest(request: Request, project_id: Id, fit: FitQuery = None) -> AtRest:
    """Every state of a boat brought to rest on her sections, beside the small-change answer."""
    return service(request).at_rest(project_id, fit)


@router.post("/projects/{project_id}/studies/burn-order")
def study_burn_order(
    request: Request,
    project_id: Id,
    loading: Annotated[str, Query(max_length=40)],
    aim: Aim = "least travel",
    fit: FitQuery = None,
) -> BurnOrders:
    """The best orders of burning the tanks of a loading, one after another."""
    return service(request).burn_order(project_id, fit, loading, aim)


@router.get(
    "/projects/{project_id}/exports/project",
    response_class=Response,
    responses={200: {"content": {"application/json": {}}}},
)
def export_project(request: Request, project_id: Id) -> Response:
    """The document as a file, the very bytes that are stored."""
    made = service(request)
    name = "".join(c for c in made.store.head(project_id).document.name if c.isalnum() and c.isascii()) or "project"
    return Response(
        made.store.raw_document(project_id),
        media_type="application/json",
        headers={"Content-Disposition": f'attachment; filename="{name.lower()}.keel.json"'},
    )


@router.get("/projects/{project_id}/exports/ledger")
def export_ledger(request: Request, project_id: Id, fit: FitQuery = None) -> CsvText:
    """The typed rows of a ledger as CSV: those common to all fits, or those of one."""
    return CsvText(text=ledger_to_csv(_ledger_of(request, project_id, fit)))


@router.post("/projects/{project_id}/ledger", response_model=Patched)
def import_ledger(request: Request, project_id: Id, file: ImportCsv, fit: FitQuery = None) -> Written:
    """Rows from CSV into a ledger: all of them or none."""
    made = service(request)
    operations = csv_to_operations(file.text, file.ledger, made.store.head(project_id).document)
    return Written(made.edit(project_id, fit, file.base, operations, "Ledger read from CSV", None))


_XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
MOST_BYTES = 6_000_000


@router.get(
    "/projects/{project_id}/exports/ledger.xlsx", response_class=Response, responses={200: {"content": {_XLSX: {}}}}
)
def export_workbook(request: Request, project_id: Id, fit: FitQuery = None) -> Response:
    """The typed rows of a ledger as a workbook: those common to all fits, or those of one."""
    body = ledger_to_xlsx(_ledger_of(request, project_id, fit))
    return Response(body, media_type=_XLSX, headers={"Content-Disposition": 'attachment; filename="ledger.xlsx"'})


def _ledger_of(request: Request, project_id: str, fit: str | None) -> dict[str, LedgerRow]:
    document = service(request).store.head(project_id).document
    if fit is not None and fit not in document.fits:
        raise InputError("/fits", "no such fit", given=fit, allowed=", ".join(document.fits) or "none yet")
    return document.fits[fit].ledger if fit else document.ledger


@router.post(
    "/projects/{project_id}/ledger.xlsx",
    response_model=Patched,
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
        }
    },
)
async def import_workbook(
    request: Request,
    project_id: Id,
    base: Annotated[int, Query(ge=0, le=2**53)],
    ledger: Annotated[str, Query(max_length=200)],
    fit: FitQuery = None,
) -> Written:
    """Rows from the first sheet of a workbook into a ledger: all of them or none."""
    body = b""
    async for part in request.stream():
        body += part
        if len(body) > MOST_BYTES:
            raise InputError("/xlsx", "the file is larger than a ledger can be", allowed="up to 6 MB")
    made = service(request)

    def read() -> Written:
        operations = xlsx_to_operations(body, ledger, made.store.head(project_id).document)
        return Written(made.edit(project_id, fit, base, operations, "Ledger read from a workbook", None))

    return await run_in_threadpool(read)


@router.post("/projects/{project_id}/weight-sheet")
def read_weight_sheet(request: Request, project_id: Id, sheet: SheetIn) -> WeightSheetOut:
    """An old weight sheet → the edit that takes it as the report; nothing is saved here."""
    document = service(request).store.head(project_id).document
    read = weight_sheet.read_weight_sheet(sheet.text, sheet.units, document.number_style)
    found = document.craft.as_found
    note = f"{read.totals_left_out} total lines left out." if read.totals_left_out else "No total line."
    return WeightSheetOut(
        operations=weight_sheet.to_operations(read, found.report_mass is not None, found.report_station is not None),
        rows=read.rows,
        note=note,
    )


@router.get("/projects/{project_id}/comparison")
def read_comparison(request: Request, project_id: Id) -> Comparison:
    """The old unit and every fit side by side, scored by what counts."""
    return compare(service(request).store.head(project_id).document)


@router.post("/projects/{project_id}/offsets")
def take_offsets(request: Request, project_id: Id, sheet: SheetIn) -> OffsetsOut:
    """Sections of a hull as text → the edit that puts them in; nothing is saved here."""
    document = service(request).store.head(project_id).document
    sections = read_offsets(sheet.text, sheet.units, document.number_style)
    op = "replace" if document.craft.flotation.sections is not None else "add"
    return OffsetsOut(
        operations=[{"op": op, "path": "/craft/flotation/sections", "value": sections}], sections=len(sections)
    )


@router.post("/projects/{project_id}/hydrostatics")
def take_hydrostatics(request: Request, project_id: Id, sheet: SheetIn) -> HydrostaticsOut:
    """The designer's hydrostatic table as text → the edit that puts it in; nothing is saved here."""
    document = service(request).store.head(project_id).document
    rows = read_hydrostatics(sheet.text, sheet.units, document.number_style)
    op = "replace" if document.craft.flotation.table is not None else "add"
    return HydrostaticsOut(operations=[{"op": op, "path": "/craft/flotation/table", "value": rows}], drafts=len(rows))


@router.get("/projects/{project_id}/exports/offsets")
def export_offsets(request: Request, project_id: Id) -> CsvText:
    """The sections of the hull as CSV, a line for each point."""
    return CsvText(text=offsets_to_csv(service(request).store.head(project_id).document.craft.flotation.sections or []))


_PDF: dict[int | str, dict[str, Any]] = {200: {"content": {"application/pdf": {}}}}
UnitsQuery = Annotated[Literal["mm-kg", "in-lb"] | None, Query(description="blank: those of the project")]


@router.get("/projects/{project_id}/sheets/measure", response_class=Response, responses=_PDF)
def print_measure_sheet(request: Request, project_id: Id, fit: FitQuery = None) -> Response:
    """What is missing or guessed, with blanks to fill in, as a page to print."""
    made = service(request)
    head = made.store.head(project_id)
    from ..exchange.measure_pdf import measure_sheet

    assessment = made.assessment(head, made.fit_of(head.document, fit))
    return _pdf(measure_sheet(head.document, assessment, _today()), head.document.name, "measure")


@router.get("/projects/{project_id}/sheets/{bench}", response_class=Response, responses=_PDF)
def print_bench_sheet(
    request: Request,
    project_id: Id,
    bench: Literal["craft", "choose", "balance", "drive", "mount", "align"],
    fit: FitQuery = None,
    units: UnitsQuery = None,
    unit: Annotated[str | None, Query(max_length=40, description="the installation, where there are several")] = None,
) -> Response:
    """A bench as a page to print: answers, findings, workings, figures."""
    made = service(request)
    head = made.store.head(project_id)
    from ..exchange.sheets_pdf import bench_sheet

    assessment = made.assessment(head, made.fit_of(head.document, fit))
    sheet = bench_sheet(head.document, assessment, bench, units or head.document.units, _today(), unit)
    return _pdf(sheet, head.document.name, bench)


def _pdf(body: bytes, name: str, what: str) -> Response:
    plain = "".join(c for c in name if c.isalnum() and c.isascii()).lower() or "project"
    return Response(
        body, media_type="application/pdf", headers={"Content-Disposition": f'inline; filename="{plain}-{what}.pdf"'}
    )


def _today() -> str:
    day = date.today()
    return f"{day.day} {day:%B %Y}"
