"""Pages to print."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Request, Response

from ..core.first import FirstOut, first_page
from ..core.judging.finding import Bench
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)


PDF: dict[int | str, dict[str, Any]] = {200: {"content": {"application/pdf": {}}}}
UnitsQuery = Annotated[Literal["mm-kg", "in-lb"] | None, Query(description="blank: those of the project")]


@router.get("/projects/{project_id}/sheets/measure", response_class=Response, responses=PDF)
def print_measure_sheet(request: Request, project_id: Id, fit: FitQuery = None, units: UnitsQuery = None) -> Response:
    """What is missing or guessed, with blanks to fill in, as a page to print."""
    made = service(request)
    head = made.store.head(project_id)
    from ..exchange.measure_pdf import measure_sheet

    assessment = made.assessment(head, made.fit_of(head.document, fit))
    sheet = measure_sheet(head.document, assessment, today(), units or head.document.units)
    return pdf_of(sheet, head.document.name, "measure")


@router.get("/projects/{project_id}/first")
def first_figures(request: Request, project_id: Id, fit: FitQuery = None) -> FirstOut:
    """The figures of the first evening: their lines in the order of a walk round the craft, and the sketch of them."""
    made = service(request)
    head = made.store.head(project_id)
    return first_page(head.document, made.fit_of(head.document, fit))


@router.get("/projects/{project_id}/sheets/first", response_class=Response, responses=PDF)
def print_first_sheet(request: Request, project_id: Id, fit: FitQuery = None) -> Response:
    """The same as a page to fill in by hand, with the sketch."""
    made = service(request)
    head = made.store.head(project_id)
    from ..exchange.first_pdf import first_sheet

    page = first_sheet(head.document, made.fit_of(head.document, fit), today())
    return pdf_of(page, head.document.name, "first")


@router.get("/projects/{project_id}/sheets/{bench}", response_class=Response, responses=PDF)
def print_bench_sheet(
    request: Request,
    project_id: Id,
    bench: Bench,
    fit: FitQuery = None,
    units: UnitsQuery = None,
    unit: Annotated[str | None, Query(max_length=40, description="the installation, where there are several")] = None,
) -> Response:
    """A bench as a page to print: answers, findings, workings, figures."""
    made = service(request)
    head = made.store.head(project_id)
    from ..exchange.sheets_pdf import bench_sheet

    assessment = made.assessment(head, made.fit_of(head.document, fit))
    sheet = bench_sheet(head.document, assessment, bench, units or head.document.units, today(), unit)
    return pdf_of(sheet, head.document.name, bench)


def pdf_of(body: bytes, name: str, what: str) -> Response:
    """A page to print, named by its project."""
    plain = "".join(c for c in name if c.isalnum() and c.isascii()).lower() or "project"
    return Response(
        body, media_type="application/pdf", headers={"Content-Disposition": f'inline; filename="{plain}-{what}.pdf"'}
    )


def today() -> str:
    """Today, in words."""
    day = date.today()
    return f"{day.day} {day:%B %Y}"
