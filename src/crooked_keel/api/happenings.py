"""What happened: records added and read, photographs, logs of runs, plans that are offered."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any

from fastapi import APIRouter, Path, Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import Field

from ..core.asked.calibrated import Calibration, calibrate
from ..core.build.offered import OfferedPlan, offered_plans
from ..core.document import plain
from ..core.errors import InputError
from ..core.facts import kind_of
from ..core.facts.records import Column, Logged
from ..core.reference.cards import CHANNELS
from ..exchange.logs import LogIn, ReadLog, look_at, take
from ..exchange.photos import read_photo
from ..store.records import Picture, add_photo, photo
from .apart import apart
from .models import In, Reply, State
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, Written, service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)
File = Annotated[str, Path(pattern=r"^[0-9a-f]{64}$")]
_JPEG: dict[int | str, dict[str, Any]] = {200: {"content": {"image/jpeg": {}}}}
_PICTURE = {
    "requestBody": {
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
        "required": True,
    }
}


class HappenedIn(In):
    """A record: its kind, who, of which fit, and what it says; fields as the kind has them."""

    record: dict[str, Any]


class HappenedOut(Reply):
    """A record as it is kept: its number, when it was entered, whether it stands, and what it says."""

    number: int
    at: datetime
    kind: str
    stands: bool
    data: dict[str, Any]


class LogTaken(In):
    """A log to keep: its text with what was said of it, and of which run it is."""

    log: LogIn
    name: Annotated[str, Field(min_length=1, max_length=120)]
    by: Annotated[str, Field(min_length=1, max_length=120)]
    fit: Annotated[str, Field(max_length=40)]
    unit: Annotated[str, Field(max_length=40)] | None = None
    card: Annotated[str, Field(max_length=40)] | None = None
    on: Annotated[str, Field(max_length=10)] = ""
    simulated: bool = False


class PhotoOut(Reply):
    """A photograph that is kept: by what it contains."""

    file: str
    width: int
    height: int


@router.get("/projects/{project_id}/records")
def read_records(request: Request, project_id: Id, fit: FitQuery = None) -> list[HappenedOut]:
    """Records, the newest first: of a fit, or all. Of a log its rows stay behind."""
    facts = service(request).facts.of(project_id)
    service(request).store.head(project_id)
    stands = {k.number for k in facts.standing}
    return [
        HappenedOut(
            number=k.number,
            at=datetime.fromisoformat(k.at),
            kind=kind_of(k.of),
            stands=k.number in stands,
            data=_data(k.of),
        )
        for k in reversed(facts.records)
        if fit is None or k.of.fit == fit
    ]


def _data(record: Any) -> dict[str, Any]:
    made: dict[str, Any] = plain(record)
    if isinstance(record, Logged):
        made["t"], made["columns"] = [], [{**c, "values": []} for c in made["columns"]]
    return made


@router.post("/projects/{project_id}/records", status_code=201, response_model=State)
def add(request: Request, project_id: Id, happened: HappenedIn, fit: FitQuery = None) -> Written:
    """Keep something that happened. It is never changed: what is wrong in it is corrected by another record."""
    if happened.record.get("kind") == "log":
        raise InputError("/kind", "a log is taken from its text", given="log", allowed="POST …/logs")
    return Written(service(request).record(project_id, happened.record, fit), 201)


@router.post("/projects/{project_id}/photos", status_code=201, openapi_extra=_PICTURE)
async def keep_photo(request: Request, project_id: Id) -> PhotoOut:
    """A photograph, checked, without what the camera wrote into it. A record then says of what it is."""
    raw = await request.body()

    def keep() -> PhotoOut:
        made = apart(read_photo, raw)
        add_photo(service(request).store, project_id, Picture(*made))
        return PhotoOut(file=made.file, width=made.width, height=made.height)

    service(request).store.head(project_id)
    return await run_in_threadpool(keep)


@router.get("/projects/{project_id}/photos/{file}", response_class=Response, responses=_JPEG)
def show_photo(request: Request, project_id: Id, file: File, small: bool = False) -> Response:
    """A photograph, or its small one."""
    made = photo(service(request).store, project_id, file)
    headers = {"Cache-Control": "private, max-age=31536000, immutable"}
    return Response(made.small if small else made.data, media_type="image/jpeg", headers=headers)


@router.post("/logs/look")
def look(log: LogIn) -> ReadLog:
    """What a log holds, and what must be said of it before it is taken."""
    _known(log)
    return apart(look_at, log)


@router.post("/projects/{project_id}/logs", status_code=201, response_model=State)
def keep_log(request: Request, project_id: Id, taken: LogTaken, fit: FitQuery = None) -> Written:
    """Keep a log of a run as a record, thinned without losing a peak."""
    _known(taken.log)
    made = apart(take, taken.log)
    columns = [
        Column(name=CHANNELS[c].words, channel=c, dimension=CHANNELS[c].dimension, values=v)
        for c, v in made.columns.items()
    ]
    record = {
        "kind": "log",
        "by": taken.by,
        "fit": taken.fit,
        "on": taken.on,
        "source": "simulated" if taken.simulated else made.source,
        "simulated": taken.simulated,
        "name": taken.name,
        "rows": made.rows,
        "t": made.t,
        "columns": [plain(c) for c in columns],
        "flags": made.flags,
    }
    record |= {k: v for k, v in (("unit", taken.unit), ("card", taken.card)) if v}
    return Written(service(request).record(project_id, record, fit), 201)


def _known(log: LogIn) -> None:
    for choice in log.choices:
        if choice.channel is not None and choice.channel not in CHANNELS:
            raise InputError("/choices", "no such channel", given=choice.channel, allowed=", ".join(CHANNELS))


@router.get("/projects/{project_id}/calibrations/{what}")
def calibration(
    request: Request,
    project_id: Id,
    what: Annotated[str, Path(max_length=80)],
    fit: FitQuery = None,
    unit: Annotated[str | None, Query(max_length=40)] = None,
) -> Calibration:
    """The figure by which a promise becomes what was measured, as an edit to be looked at first."""
    made = service(request)
    document = made.store.head(project_id).document
    wanted = made.fit_of(document, fit)
    if wanted is None:
        raise InputError("/fits", "what was promised belongs to a fit", given=fit)
    return calibrate(document, wanted, unit, what, made.facts.of(project_id))


@router.get("/projects/{project_id}/plans")
def plans(request: Request, project_id: Id, fit: FitQuery = None) -> list[OfferedPlan]:
    """Plans for a fit, the likeliest first, each with the edit that puts it in."""
    made = service(request)
    document = made.store.head(project_id).document
    return offered_plans(document, made.fit_of(document, fit))
