"""The application: routers, errors as problem documents, guards, and the built front end."""

from __future__ import annotations

import base64
import logging
import re
import secrets
from importlib.resources import files
from pathlib import Path
from typing import Any

from fastapi import FastAPI, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.responses import FileResponse, JSONResponse
from fastapi.staticfiles import StaticFiles
from starlette.datastructures import MutableHeaders
from starlette.exceptions import HTTPException
from starlette.middleware.trustedhost import TrustedHostMiddleware
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ..core.errors import InputError
from ..store.library import Library
from ..store.store import NotFound, StaleEdit, Store
from .edits import router as edits
from .exchange import router as exchange
from .library import router as library
from .library_service import LibraryService
from .models import Conflict, Problem
from .records import router as records
from .reference import router as reference
from .service import Service
from .sheets import router as sheets
from .studies import router as studies

log = logging.getLogger("crooked_keel")
MOST_BYTES = 9_000_000
POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; font-src 'self'; frame-ancestors "
    "'none'; base-uri 'none'; form-action 'self'"
)
LOCAL_HOSTS = ["127.0.0.1", "localhost", "[::1]", "testserver"]


def create_app(data: Path | None = None, passphrase: str | None = None, hosts: list[str] | None = None) -> FastAPI:
    """The application on a data folder. Without one it only tells its schema."""
    app = FastAPI(title="Crooked Keel", version="1", docs_url=None, redoc_url=None)
    if data is not None:
        store = Store(data)
        app.state.service, app.state.library = Service(store), LibraryService(Library(store))
    for router in (edits, studies, sheets, exchange, records, library, reference):
        app.include_router(router)
    _problem_schema(app)
    _errors(app)
    app.add_middleware(_Guard, passphrase=passphrase)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=hosts or LOCAL_HOSTS)
    _front_end(app)
    return app


def _problem(problem: Problem) -> JSONResponse:
    return JSONResponse(
        problem.model_dump(mode="json"), status_code=problem.status, media_type="application/problem+json"
    )


def _methods(app: FastAPI, path: str) -> set[str]:
    """Methods that the schema declares for a path."""
    paths = app.openapi()["paths"]
    matching = (
        [path]
        if path in paths
        else [p for p in paths if re.fullmatch(re.sub(r"\\{[^}]+\\}", "[^/]+", re.escape(p)), path)]
    )
    return {method.upper() for p in matching for method in paths[p]}


def _problem_schema(app: FastAPI) -> None:
    """Say in the schema that refusals are problem documents."""
    plain = app.openapi

    def openapi() -> dict[str, Any]:
        made = plain()
        for operations in made["paths"].values():
            for operation in operations.values():
                for status, response in operation["responses"].items():
                    if status.startswith("4") and "application/json" in response.get("content", {}):
                        response["content"] = {"application/problem+json": response["content"]["application/json"]}
        return made

    app.openapi = openapi  # type: ignore[method-assign]


def _errors(app: FastAPI) -> None:
    @app.exception_handler(InputError)
    def input_error(_: Request, bad: InputError) -> JSONResponse:
        return _problem(
            Problem(
                title="This cannot be used",
                status=422,
                detail=bad.message,
                pointer=bad.field,
                given=bad.given,
                allowed=bad.allowed,
            )
        )

    @app.exception_handler(StaleEdit)
    def stale(_: Request, bad: StaleEdit) -> JSONResponse:
        return _problem(
            Conflict(
                title="Changed in another window",
                status=409,
                detail="This figure was changed in another window meanwhile. Which one stands?",
                pointer=bad.pointer,
                yours=bad.yours,
                theirs=bad.theirs,
                revision=bad.revision,
            )
        )

    @app.exception_handler(NotFound)
    def missing(_: Request, bad: NotFound) -> JSONResponse:
        return _problem(Problem(title="Not here", status=404, detail=str(bad)))

    @app.exception_handler(RequestValidationError)
    def malformed(_: Request, bad: RequestValidationError) -> JSONResponse:
        # Never echo the input: it may hold a NaN, which JSON cannot say.
        first = bad.errors()[0]
        pointer = "".join(f"/{part}" for part in first["loc"][1:])
        return _problem(
            Problem(title="This request cannot be read", status=422, detail=str(first["msg"]), pointer=pointer)
        )

    @app.exception_handler(HTTPException)
    def http(request: Request, bad: HTTPException) -> Response:
        path = request.url.path
        page = bad.status_code == 404 and request.method in ("GET", "HEAD")
        if page and not path.startswith(("/api", "/assets")) and "." not in path.rsplit("/", 1)[-1]:
            index = Path(str(files("crooked_keel"))) / "static" / "index.html"
            if index.exists():
                return FileResponse(index, headers={"Cache-Control": "no-cache"})
        made = _problem(Problem(title="Not done", status=bad.status_code, detail=str(bad.detail)))
        made.headers.update(bad.headers or {})
        if bad.status_code == 405:
            # One path, several routes: the framework names only the first one's methods.
            made.headers["Allow"] = ", ".join(sorted(_methods(app, path)))
        return made

    @app.exception_handler(Exception)
    def bug(_: Request, bad: Exception) -> JSONResponse:
        log.error("unexpected failure", exc_info=bad)
        return _problem(
            Problem(
                title="The program failed", status=500, detail="Nothing was saved by this request. Earlier edits stand."
            )
        )


class _Guard:
    """Refuses what comes from elsewhere or is too large, and says in every reply what a browser may do with it."""

    def __init__(self, app: ASGIApp, passphrase: str | None) -> None:
        self.app = app
        self.passphrase = passphrase

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return

        async def guarded(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                headers["Content-Security-Policy"] = POLICY
                headers["X-Content-Type-Options"] = "nosniff"
                headers["Referrer-Policy"] = "no-referrer"
            await send(message)

        refused = _refusal(Request(scope), self.passphrase)
        await (self.app if refused is None else refused)(scope, receive, guarded)


def _refusal(request: Request, passphrase: str | None) -> Response | None:
    if passphrase is not None:
        scheme, _, blob = request.headers.get("authorization", "").partition(" ")
        given = ""
        if scheme.lower() == "basic":
            try:
                given = base64.b64decode(blob).decode().partition(":")[2]
            except ValueError:
                given = ""
        if not secrets.compare_digest(given.encode(), passphrase.encode()):
            return JSONResponse(
                {"detail": "passphrase wanted"},
                status_code=401,
                headers={"WWW-Authenticate": 'Basic realm="Crooked Keel"'},
            )
    if request.method not in ("GET", "HEAD", "OPTIONS"):
        origin = request.headers.get("origin")
        if origin is not None and origin.split("://", 1)[-1] != request.headers.get("host"):
            return _problem(Problem(title="Not from here", status=403, detail="This request comes from another site."))
        length: Any = request.headers.get("content-length", "0")
        if not length.isdigit() or int(length) > MOST_BYTES:
            return _problem(Problem(title="Too large", status=413, detail=f"More than {MOST_BYTES // 1_000_000} MB."))
    return None


def _front_end(app: FastAPI) -> None:
    assets = Path(str(files("crooked_keel"))) / "static" / "assets"
    if assets.exists():
        app.mount("/assets", StaticFiles(directory=assets))
