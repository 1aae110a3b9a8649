"""What the routers share: how a project and a fit are named, how a reply is written, how a refusal looks."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import Path, Query, Request, Response
from pydantic import BaseModel

from .models import Conflict, Problem
from .service import Service

REFUSALS: dict[int | str, dict[str, Any]] = {
    400: {"model": Problem},
    404: {"model": Problem},
    409: {"model": Conflict},
    422: {"model": Problem},
}
Id = Annotated[str, Path(max_length=40)]
FitQuery = Annotated[
    str | None, Query(alias="fit", max_length=40, description="a fit's id, or none for the craft as found")
]


On = Annotated[int, Query(ge=0, le=2**53, description="the revision that is in view")]


class Written(Response):
    """A reply that is written straight from its model: the assessment is large, and was validated when it was made."""

    media_type = "application/json"

    def __init__(self, reply: BaseModel, status_code: int = 200) -> None:
        super().__init__(reply.model_dump_json(), status_code)


def service(request: Request) -> Service:
    """The service of this application."""
    found: Service = request.app.state.service
    return found
