"""The application: routers, errors as problem documents, guards, and the built front end."""

from __future__ import annotations

import asyncio
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
from sqlalchemy.exc import DatabaseError
from starlette.datastructures import MutableHeaders
from starlette.exceptions import HTTPException
from starlette.middleware.trustedhost import TrustedHostMiddleware
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ..core.errors import InputError
from ..store.backup import BadBackup
from ..store.folder import StoreFault
from ..store.library import Library
from ..store.store import NotFound, StaleEdit, StaleMove, Store
from .compare import router as compare
from .edits import router as edits
from .exchange import router as exchange
from .happenings import router as happenings
from .kept import router as kept
from .library import router as library
from .library_service import LibraryService
from .models import Conflict, Problem
from .papers import router as papers
from .records import router as records
from .reference import router as reference
from .service import Service
from .sheets import router as sheets
from .studies import router as studies

log = logging.getLogger("crooked_keel")
MOST_BYTES = 9_000_000
# An archive brings its photographs along.
ARCHIVE, MOST_ARCHIVE_BYTES = "/api/projects/import-archive", 150_000_000
POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; font-src 'self'; frame-ancestors "
    "'none'; base-uri 'none'; form-action 'self'"
)
LOCAL_HOSTS = ["127.0.0.1", "localhost", "[::1]"]
# A wrong passphrase is answered after this long, one at a time: ten thousand tries take hours.
WRONG_S = 1.0
# Whoever began to send goes on sending, or is let go.
SILENCE_S = 30.0


def create_app(data: Path | None = None, passphrase: str | None = None, hosts: list[str] | None = None) -> FastAPI:
    """The application on a data folder. Without one it only tells its schema."""
    app = FastAPI(title="Crooked Keel", version="1", docs_url=None, redoc_url=None)
    if data is not None:
        open_folder(app, data)
    for router in (edits, compare, studies, sheets, exchange, records, happenings, papers, library, reference, kept):
        app.include_router(router)
    _problem_schema(app)
    _errors(app)
    app.add_middleware(_Guard, passphrase=passphrase)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=hosts or LOCAL_HOSTS)
    _front_end(app)
    return app


def open_folder(app: FastAPI, data: Path) -> None:
    """Let the application serve the projects of a folder."""
    store = Store(data)
    app.state.service, app.state.library = Service(store), LibraryService(Library(store))


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

    @app.exception_handler(StaleMove)
    def moved_on(_: Request, bad: StaleMove) -> JSONResponse:
        return _problem(
            Conflict(
                title="Changed in another window",
                status=409,
                detail=f"Another window has edited this project meanwhile: {bad.summary or 'an edit'}.",
                revision=bad.revision,
            )
        )

    @app.exception_handler(BadBackup)
    def no_backup(_: Request, bad: BadBackup) -> JSONResponse:
        return _problem(Problem(title="Nothing was replaced", status=422, detail=str(bad)))

    @app.exception_handler(StoreFault)
    def shut(_: Request, bad: StoreFault) -> JSONResponse:
        return _problem(Problem(title="The projects cannot be reached", status=503, detail=str(bad)))

    @app.exception_handler(DatabaseError)
    def unwritten(request: Request, bad: DatabaseError) -> JSONResponse:
        log.error("the database failed", exc_info=bad)
        return shut(request, request.app.state.service.store.folder.fault(bad))

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


class _Assets(StaticFiles):
    """What the build made, each file named by what is in it: fetched once, it is never asked for again."""

    def file_response(self, *args: Any, **named: Any) -> Response:
        made = super().file_response(*args, **named)
        made.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return made


class _Guard:
    """Refuses what comes from elsewhere or is too large, and says in every reply what a browser may do with it."""

    def __init__(self, app: ASGIApp, passphrase: str | None) -> None:
        self.app = app
        self.passphrase = passphrase
        self._wrong = asyncio.Lock()

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

        if not _allowed(Request(scope), self.passphrase):
            async with self._wrong:
                await asyncio.sleep(WRONG_S)
            await _LOCKED(scope, receive, guarded)
            return
        refused = _refusal(Request(scope))
        if refused is not None:
            await refused(scope, receive, guarded)
            return
        if scope["method"] not in _READING:
            body = await _body(receive, _most(Request(scope)))
            if isinstance(body, Response):
                await body(scope, receive, guarded)
                return
            if body is None:
                return
            receive = _again(body, receive)
        await self.app(scope, receive, guarded)


def _allowed(request: Request, passphrase: str | None) -> bool:
    """Whether the passphrase is right, or none is wanted."""
    if passphrase is None:
        return True
    scheme, _, blob = request.headers.get("authorization", "").partition(" ")
    given = ""
    if scheme.lower() == "basic":
        try:
            given = base64.b64decode(blob).decode().partition(":")[2]
        except ValueError:
            given = ""
    return secrets.compare_digest(given.encode(), passphrase.encode())


_LOCKED = JSONResponse(
    {"detail": "passphrase wanted"}, status_code=401, headers={"WWW-Authenticate": 'Basic realm="Crooked Keel"'}
)


def _most(request: Request) -> int:
    return MOST_ARCHIVE_BYTES if request.url.path == ARCHIVE else MOST_BYTES


def _too_large(most: int) -> Response:
    return _problem(Problem(title="Too large", status=413, detail=f"More than {most // 1_000_000} MB."))


async def _body(receive: Receive, most: int) -> bytes | Response | None:
    """The whole body; or the refusal of one that is too large, or that stops in the middle; None if whoever sent it has
    gone. One that comes in pieces says its length nowhere: it is counted."""
    parts, size = [], 0
    while True:
        try:
            message = await asyncio.wait_for(receive(), SILENCE_S)
        except TimeoutError:
            return _problem(Problem(title="Too slow", status=408, detail="The request stopped in the middle."))
        if message["type"] != "http.request":
            return None
        parts.append(message.get("body", b""))
        size += len(parts[-1])
        if size > most:
            return _too_large(most)
        if not message.get("more_body", False):
            return b"".join(parts)


def _again(body: bytes, receive: Receive) -> Receive:
    """A body that was read, to be read once more."""
    left = [body]

    async def once() -> Message:
        return {"type": "http.request", "body": left.pop(), "more_body": False} if left else await receive()

    return once


_READING = ("GET", "HEAD", "OPTIONS")


def _refusal(request: Request) -> Response | None:
    """What is refused before a body is read: another site's request, and one that says it is too large."""
    if request.method in _READING:
        return None
    origin = request.headers.get("origin")
    if origin is not None and origin != f"{request.url.scheme}://{request.headers.get('host')}":
        return _problem(Problem(title="Not from here", status=403, detail="This request comes from another site."))
    length: Any = request.headers.get("content-length", "0")
    most = _most(request)
    return _too_large(most) if not length.isdigit() or int(length) > most else None


def _front_end(app: FastAPI) -> None:
    assets = Path(str(files("crooked_keel"))) / "static" / "assets"
    if assets.exists():
        app.mount("/assets", _Assets(directory=assets))
