"""Files in and out: the project, the ledger, and what is read from sheets that others made."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response
from fastapi.concurrency import run_in_threadpool

from ..core.document import LedgerRow
from ..core.errors import InputError
from ..core.figure.grammar import NumberStyle
from ..exchange import weight_sheet
from ..exchange.hydrostatic_table import read_hydrostatics
from ..exchange.ledger_table import csv_to_operations, ledger_to_csv, ledger_to_xlsx, xlsx_to_operations
from ..exchange.offsets import offsets_to_csv, read_offsets
from .apart import apart
from .models import (
    CsvText,
    HydrostaticsOut,
    ImportCsv,
    OffsetsOut,
    Patched,
    SheetIn,
    WeightSheetOut,
)
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, Written, service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)


_XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
MOST_BYTES = 6_000_000


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
    return CsvText(text=ledger_to_csv(*_ledger_of(request, project_id, fit)))


@router.post("/projects/{project_id}/ledger", response_model=Patched)
def import_ledger(request: Request, project_id: Id, file: ImportCsv, fit: FitQuery = None) -> Written:
    """Rows from CSV into a ledger: all of them or none."""
    made = service(request)
    operations = apart(csv_to_operations, file.text, file.ledger, made.store.head(project_id).document)
    return Written(made.edit(project_id, fit, file.base, operations, "Ledger read from CSV", None))


@router.get(
    "/projects/{project_id}/exports/ledger.xlsx", response_class=Response, responses={200: {"content": {_XLSX: {}}}}
)
def export_workbook(request: Request, project_id: Id, fit: FitQuery = None) -> Response:
    """The typed rows of a ledger as a workbook: those common to all fits, or those of one."""
    body = ledger_to_xlsx(*_ledger_of(request, project_id, fit))
    return Response(body, media_type=_XLSX, headers={"Content-Disposition": 'attachment; filename="ledger.xlsx"'})


def _ledger_of(request: Request, project_id: str, fit: str | None) -> tuple[dict[str, LedgerRow], NumberStyle]:
    document = service(request).store.head(project_id).document
    if fit is not None and fit not in document.fits:
        raise InputError("/fits", "no such fit", given=fit, allowed=", ".join(document.fits) or "none yet")
    return (document.fits[fit].ledger if fit else document.ledger), document.number_style


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
        operations = apart(xlsx_to_operations, body, ledger, made.store.head(project_id).document)
        return Written(made.edit(project_id, fit, base, operations, "Ledger read from a workbook", None))

    return await run_in_threadpool(read)


@router.post("/projects/{project_id}/weight-sheet")
def read_weight_sheet(request: Request, project_id: Id, sheet: SheetIn) -> WeightSheetOut:
    """An old weight sheet → the edit that takes it as the report; nothing is saved here."""
    document = service(request).store.head(project_id).document
    read = apart(weight_sheet.read_weight_sheet, sheet.text, sheet.units, document.number_style)
    found = document.craft.as_found
    note = f"{read.totals_left_out} total lines left out." if read.totals_left_out else "No total line."
    return WeightSheetOut(
        operations=weight_sheet.to_operations(read, found.report_mass is not None, found.report_station is not None),
        rows=read.rows,
        note=note,
    )


@router.post("/projects/{project_id}/offsets")
def take_offsets(request: Request, project_id: Id, sheet: SheetIn) -> OffsetsOut:
    """Sections of a hull as text → the edit that puts them in; nothing is saved here."""
    document = service(request).store.head(project_id).document
    sections = apart(read_offsets, sheet.text, sheet.units, document.number_style)
    op = "replace" if document.craft.flotation.sections is not None else "add"
    return OffsetsOut(
        operations=[{"op": op, "path": "/craft/flotation/sections", "value": sections}], sections=len(sections)
    )


@router.post("/projects/{project_id}/hydrostatics")
def take_hydrostatics(request: Request, project_id: Id, sheet: SheetIn) -> HydrostaticsOut:
    """The designer's hydrostatic table as text → the edit that puts it in; nothing is saved here."""
    document = service(request).store.head(project_id).document
    rows = apart(read_hydrostatics, sheet.text, sheet.units, document.number_style)
    op = "replace" if document.craft.flotation.table is not None else "add"
    return HydrostaticsOut(operations=[{"op": op, "path": "/craft/flotation/table", "value": rows}], drafts=len(rows))


@router.get("/projects/{project_id}/exports/offsets")
def export_offsets(request: Request, project_id: Id) -> CsvText:
    """The sections of the hull as CSV, a line for each point."""
    return CsvText(text=offsets_to_csv(service(request).store.head(project_id).document.craft.flotation.sections or []))
