"""The library of power units: listing, editing, files; a fit made from a unit; a unit kept from a fit; curves as
text."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Path, Request, Response

from ..exchange.curve import read_curve
from .apart import apart
from .library_models import (
    FromLibraryIn,
    FromLibraryOut,
    LibraryEdit,
    LibraryFile,
    LibraryItem,
    LibraryTaken,
    LibraryUnitOut,
    NewLibraryUnit,
    ToLibraryIn,
    ToLibraryOut,
)
from .library_service import Format, LibraryService
from .models import CsvText, CurveIn, CurveRead, RevisionOut
from .reading import StrictRoute
from .replies import REFUSALS, Id, On, service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)
Key = Annotated[str, Path(max_length=40)]


def library(request: Request) -> LibraryService:
    """The library of this application."""
    found: LibraryService = request.app.state.library
    return found


@router.get("/library")
def list_library(request: Request) -> list[LibraryItem]:
    """Every unit, in order of name."""
    return library(request).items()


@router.post("/library", status_code=201)
def create_unit(request: Request, new: NewLibraryUnit) -> LibraryUnitOut:
    """A unit to be filled in by hand."""
    return library(request).create(new.name, new.kind)


@router.get("/library/{key}")
def read_unit(request: Request, key: Key) -> LibraryUnitOut:
    """One unit, with what can be said of it by itself."""
    return library(request).unit(key)


@router.patch("/library/{key}")
def edit_unit(request: Request, key: Key, edit: LibraryEdit) -> LibraryUnitOut:
    """An edit of a unit. Fits that have a copy keep it as it was."""
    return library(request).edit(key, edit.base, [o.model_dump() for o in edit.operations], edit.summary)


@router.get("/library/{key}/revisions")
def unit_revisions(request: Request, key: Key) -> list[RevisionOut]:
    """The history of a unit, newest first."""
    rows = library(request).library.history(key)
    return [
        RevisionOut(number=r.number, at=r.at, summary=r.summary, place="before" if i else "here")
        for i, r in enumerate(rows)
    ]


@router.post("/library/{key}/revisions/{number}/again")
def unit_back_to(request: Request, key: Key, number: Annotated[int, Path(ge=0, le=2**53)], on: On) -> LibraryUnitOut:
    """A state of its history as the newest one."""
    return library(request).go_back_to(key, number, on)


@router.delete("/library/{key}", status_code=204)
def delete_unit(request: Request, key: Key) -> Response:
    """Take a unit away; refused while a project uses it, with where."""
    library(request).library.delete(key)
    return Response(status_code=204)


@router.post("/library/imports")
def take_units(request: Request, file: LibraryFile) -> LibraryTaken:
    """Units from a file, all or none."""
    return library(request).take(file.text, file.format)


@router.get("/library/exports/{form}")
def give_units(request: Request, form: Format) -> CsvText:
    """Every unit as the text of a file."""
    return CsvText(text=library(request).give(form))


@router.post("/projects/{project_id}/from-library")
def fit_from_library(request: Request, project_id: Id, wish: FromLibraryIn) -> FromLibraryOut:
    """A fit from a unit of the library, or that unit into a fit; nothing is saved here."""
    return library(request).into(service(request).store.head(project_id).document, wish.unit, wish.into)


@router.post("/projects/{project_id}/to-library", status_code=201)
def unit_to_library(request: Request, project_id: Id, wish: ToLibraryIn) -> ToLibraryOut:
    """Keep the unit of an installation in the library."""
    return library(request).keep(service(request).store.head(project_id).document, wish.pointer)


@router.post("/curves")
def take_curve(curve: CurveIn) -> CurveRead:
    """The curve of a unit as text → its points; nothing is saved here."""
    points, left_out = apart(read_curve, curve.text, curve.units, curve.number_style, curve.source)
    return CurveRead(points=points, left_out=left_out)
