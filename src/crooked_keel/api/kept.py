"""Whole databases that were kept: what there is, and putting one back."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Path, Request

from .models import Reply
from .reading import StrictRoute
from .replies import REFUSALS, service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)


class KeptOut(Reply):
    """A copy that is kept: when, why, how large."""

    name: str
    at: datetime
    why: str
    bytes: int


class KeptList(Reply):
    """Every copy, the newest first; where they lie; and what was put right when the application started."""

    folder: str
    copies: list[KeptOut]
    notices: list[str]


class PutBack(Reply):
    """What is there now."""

    projects: int
    revisions: int


@router.get("/kept")
def list_kept(request: Request) -> KeptList:
    """The copies that are kept beside the projects."""
    folder = service(request).store.folder
    copies = [KeptOut(name=k.name, at=k.at, why=k.why, bytes=k.file.stat().st_size) for k in folder.kept()]
    return KeptList(folder=str(folder.path), copies=copies, notices=folder.notices)


@router.post("/kept/{name}/put-back")
def put_back(request: Request, name: Annotated[str, Path(max_length=120)]) -> PutBack:
    """A copy in the place of all projects. What is there now is kept."""
    found = service(request).put_back(name)
    return PutBack(projects=found.projects, revisions=found.revisions)
