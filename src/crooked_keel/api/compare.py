"""What changed between two revisions, or lies between two fits."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response

from ..core.changes import Change, changed
from ..core.differences import Difference, differences, differences_of_fits
from ..core.errors import InputError
from ..core.formula import Out
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, service
from .sheets import PDF, UnitsQuery, pdf_of, today

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)

RevisionQuery = Annotated[int | None, Query(ge=1, le=2**53, description="the revision to begin with; blank: two fits")]
OtherQuery = Annotated[str | None, Query(max_length=40, description="the other fit")]


class SideBySide(Out):
    """Two states side by side: their names, what was typed differently, and what follows differently."""

    before: str
    after: str
    figures: list[Difference]
    changed: list[Change]


def compared(request: Request, project_id: str, fit: str | None, revision: int | None, other: str | None) -> SideBySide:
    """The project as it is now against an earlier revision, or one fit against another."""
    made = service(request)
    head = made.store.head(project_id)
    now = made.fit_of(head.document, fit)
    assessment = made.assessment(head, now)
    named = lambda key: head.document.fits[key].name if key else "as found"
    if revision is not None:
        old = made.store.at_revision(project_id, revision)
        was = made.assess_beside(project_id, old, now if now in old.fits else None)
        return SideBySide(
            before=f"revision {revision}",
            after=f"revision {head.revision}, now",
            figures=differences(old, head.document),
            changed=changed(was, assessment),
        )
    if other is None or now is None:
        raise InputError("/fits", "two fits are wanted, or a revision", allowed=", ".join(head.document.fits))
    figures = differences_of_fits(head.document, now, other)
    beside = made.assess_beside(project_id, head.document, other)
    return SideBySide(before=named(now), after=named(other), figures=figures, changed=changed(assessment, beside))


@router.get("/projects/{project_id}/differences")
def show_differences(
    request: Request, project_id: Id, fit: FitQuery = None, revision: RevisionQuery = None, other: OtherQuery = None
) -> SideBySide:
    """What changed since a revision, or lies between two fits."""
    return compared(request, project_id, fit, revision, other)


@router.get("/projects/{project_id}/differences/sheet", response_class=Response, responses=PDF)
def print_differences(
    request: Request,
    project_id: Id,
    fit: FitQuery = None,
    revision: RevisionQuery = None,
    other: OtherQuery = None,
    units: UnitsQuery = None,
) -> Response:
    """The same as a page to print."""
    from ..exchange.differences_pdf import differences_sheet

    document = service(request).store.head(project_id).document
    c = compared(request, project_id, fit, revision, other)
    page = differences_sheet(document.name, (c.before, c.after), c.figures, c.changed, units or document.units, today())
    return pdf_of(page, document.name, "differences")
