"""Records and instruments: simulated scales as a stream, and taking over what they show, with the raw readings kept."""

from __future__ import annotations

import asyncio
import json
from collections.abc import AsyncIterator
from typing import Annotated

from fastapi import APIRouter, Query, Request
from fastapi.responses import StreamingResponse

from ..core.errors import InputError
from ..instruments.scales import RATE_HZ, Fault, Pad, judge, simulate
from ..instruments.stand import StandFault, simulate_run
from ..store.records import WEIGHING, add_record, records_of
from .models import Capture, Patched, RecordOut
from .reading import StrictRoute
from .replies import REFUSALS, FitQuery, Id, Written, service
from .service import Service

router = APIRouter(prefix="/api", responses=REFUSALS, route_class=StrictRoute)
# Ten minutes; a window that is left open does not go on for ever.
MOST_EVENTS = 3000


# ± of a scale that nobody measured: as figures by a measured mass are taken. Common practice, no source.
DEFAULT_SHARE, DEFAULT_LEAST_KG = 0.002, 0.2


@router.get(
    "/projects/{project_id}/instruments/scales",
    response_class=StreamingResponse,
    responses={200: {"content": {"text/event-stream": {}}}},
)
async def scales(
    request: Request,
    project_id: Id,
    fault: Fault = "none",
    seed: Annotated[int, Query(ge=0, le=2**31)] = 1,
    events: Annotated[int, Query(ge=1, le=MOST_EVENTS)] = MOST_EVENTS,
) -> StreamingResponse:
    """Simulated scales under each support, five readings a second: what was entered for it, or an invented load."""
    supports = service(request).store.head(project_id).document.craft.supports
    if not supports:
        raise InputError("/craft/supports", "no support stands on a scale in this craft")
    ordered = sorted(supports.items(), key=lambda s: (s[1].rank, s[0]))
    pads = [Pad(k, s.reading.si if s.reading else 120.0 - 15.0 * i) for i, (k, s) in enumerate(ordered)]

    async def stream() -> AsyncIterator[str]:
        source = simulate(pads, fault, seed)
        for n in range(events):
            shown = [pad._asdict() for pad in next(source)]
            yield f"data: {json.dumps(shown)}\n\n"
            if n + 1 < events:
                await asyncio.sleep(1 / RATE_HZ)

    return StreamingResponse(stream(), media_type="text/event-stream", headers={"Cache-Control": "no-store"})


@router.get(
    "/projects/{project_id}/instruments/stand",
    response_class=StreamingResponse,
    responses={200: {"content": {"text/event-stream": {}}}},
)
async def stand(
    request: Request,
    project_id: Id,
    fault: StandFault = "none",
    at: Annotated[str, Query(max_length=40)] = "coolant",
    seed: Annotated[int, Query(ge=0, le=2**31)] = 1,
    events: Annotated[int, Query(ge=1, le=MOST_EVENTS)] = 330,
) -> StreamingResponse:
    """A simulated run-up, a row of it ten times a second: always marked, it proves nothing."""
    service(request).store.head(project_id)

    async def stream() -> AsyncIterator[str]:
        source = simulate_run(fault, at, seed, 300.0, 3.2)
        for n in range(events):
            row = next(source)
            yield f"data: {json.dumps({'t': row.t, 'values': row.values, 'status': row.status, 'simulated': True})}\n\n"
            if n + 1 < events:
                await asyncio.sleep(0.1)

    return StreamingResponse(stream(), media_type="text/event-stream", headers={"Cache-Control": "no-store"})


@router.post("/projects/{project_id}/weighings", response_model=Patched)
def capture(request: Request, project_id: Id, taken: Capture, fit: FitQuery = None) -> Written:
    """Take a steady reading over into the craft as found; the raw readings are kept as a record."""
    return Written(taken_over(service(request), project_id, fit, taken))


@router.get("/projects/{project_id}/weighings")
def weighings(request: Request, project_id: Id) -> list[RecordOut]:
    """Weighings kept, the newest first."""
    kept = records_of(service(request).store, project_id, WEIGHING)
    return [RecordOut(at=r.at, revision=r.revision, **r.data) for r in kept]


def taken_over(made: Service, project_id: str, fit: str | None, taken: Capture) -> Patched:
    """Put the mean of steady readings into a support, with their doubt, and keep them as they were read.

    Raises InputError for readings that are not steady, and for a support that is not there."""
    head = made.store.head(project_id)
    support = head.document.craft.supports.get(taken.support)
    if support is None:
        raise InputError(
            "/support", "no such support", given=taken.support, allowed=", ".join(head.document.craft.supports)
        )
    state, mean, spread = judge(taken.readings_kg)
    if state != "steady" or mean is None or spread is None:
        raise InputError("/readings_kg", f"the scale is {state}: wait until it is steady, or find out why")
    pointer = f"/craft/supports/{taken.support}/{taken.into}"
    bound = max(DEFAULT_LEAST_KG, DEFAULT_SHARE * mean, spread / 2)
    value = {
        "entered": f"{mean:.2f} kg ±{bound:.2f} kg".replace(".", "," if head.document.number_style == "comma" else "."),
        "source": "measured",
        "note": taken.instrument,
    }
    op = "replace" if getattr(support, taken.into) is not None else "add"
    patched = made.edit(
        project_id,
        fit,
        taken.base,
        [{"op": op, "path": pointer, "value": value}],
        f"{support.name}, taken from the scale",
        None,
    )
    add_record(
        made.store,
        project_id,
        WEIGHING,
        patched.revision,
        {
            "support": taken.support,
            "into": taken.into,
            "instrument": taken.instrument,
            "mean_kg": mean,
            "spread_kg": spread,
            "readings_kg": taken.readings_kg,
        },
    )
    return patched
