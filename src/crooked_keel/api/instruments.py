"""Instruments: simulated scales as a stream, and taking over what they show, with the raw readings kept."""

from __future__ import annotations

import asyncio
import json
from collections.abc import AsyncIterator
from typing import Annotated

from fastapi import APIRouter, Path, Query, Request
from fastapi.responses import StreamingResponse

from ..core.errors import InputError
from ..instruments.scales import RATE_HZ, Fault, Pad, simulate
from .models import Capture, Patched, Problem, RecordOut
from .projects import FitQuery, Written, service

router = APIRouter(prefix="/api", responses={400: {"model": Problem}, 404: {"model": Problem}, 422: {"model": Problem}})
Id = Annotated[str, Path(max_length=40)]
# Ten minutes; a window that is left open does not go on for ever.
MOST_EVENTS = 3000


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


@router.post("/projects/{project_id}/weighings", response_model=Patched)
def capture(request: Request, project_id: Id, taken: Capture, fit: FitQuery = None) -> Written:
    """Take a steady reading over into the craft as found; the raw readings are kept as a record."""
    return Written(service(request).capture(project_id, fit, taken))


@router.get("/projects/{project_id}/weighings")
def weighings(request: Request, project_id: Id) -> list[RecordOut]:
    """Weighings kept, the newest first."""
    return service(request).weighings(project_id)
