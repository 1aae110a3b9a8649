"""The command line. Heavy modules are imported inside the commands."""

from __future__ import annotations

import ctypes
import gc
import json
import sys
from contextlib import closing, suppress
from pathlib import Path
from typing import Annotated, Any, NoReturn

import typer
from typer.core import TyperGroup

from .store.folder import StoreFault


class _InSentences(TyperGroup):
    """Whatever the disk or the database refuses is a sentence and exit status 2, never a trace."""

    def invoke(self, ctx: Any) -> Any:
        try:
            return super().invoke(ctx)
        except StoreFault as bad:
            _refuse(str(bad))
        except OSError as bad:
            _refuse(f"{bad.filename or 'the disk'}: {bad.strerror or bad}")


app = typer.Typer(
    cls=_InSentences,
    no_args_is_help=True,
    add_completion=False,
    help="Crooked Keel: repower a craft and see what it does to it.",
)
DataDir = Annotated[Path, typer.Option("--data", help="folder that holds the projects")]
DEFAULT_DATA = Path("data")
# Names of the C library's malloc.h.
M_TRIM_THRESHOLD, M_MMAP_THRESHOLD, M_ARENA_MAX = -1, -3, -8
LOOPBACK = ("127.0.0.1", "localhost", "::1")


def _refuse(message: str) -> NoReturn:
    print(message, file=sys.stderr)
    raise typer.Exit(2)


def _say(bad: Any) -> NoReturn:
    where = f"{bad.field}: " if bad.field else ""
    given = f" (given: {bad.given})" if bad.given else ""
    allowed = f" Accepted: {bad.allowed}." if bad.allowed else ""
    _refuse(f"{where}{bad.message}{given}.{allowed}")


def settle_collector() -> None:
    """What is loaded by now stays for good, and an assessment leaves few circles behind: the garbage collector need not
    walk all of it after every edit."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)


def give_back_memory() -> None:
    """What is let go goes back to the machine: the C library would keep some for each of many threads. Elsewhere than
    on Linux there is no such call."""
    with suppress(OSError, AttributeError):
        mallopt = ctypes.CDLL("libc.so.6").mallopt
        mallopt(M_ARENA_MAX, 1)
        mallopt(M_TRIM_THRESHOLD, 128 * 1024)
        mallopt(M_MMAP_THRESHOLD, 128 * 1024)


def _serve(host: str, port: int, data: Path, passphrase: str | None) -> None:
    give_back_memory()
    import importlib
    import threading

    import uvicorn

    from .api.app import LOCAL_HOSTS, SILENCE_S, create_app
    from .api.impatient import impatient

    if host not in LOOPBACK and not passphrase:
        _refuse(f"{host} can be reached by others: give a --passphrase to open it to them.")
    application = create_app(data, passphrase, LOCAL_HOSTS if host in LOOPBACK else ["*"])
    folder = application.state.service.store.folder
    folder.keep_daily()
    for notice in folder.notices:
        print(notice, flush=True)
    # The solver takes a second to load; by the time anybody asks for it, it is there.
    loading = threading.Timer(5.0, importlib.import_module, ("scipy.optimize",))
    loading.daemon = True
    loading.start()
    print(f"Crooked Keel is at http://{host}:{port}  (Ctrl+C stops it)", flush=True)
    settle_collector()
    uvicorn.run(application, host=host, port=port, log_level="warning", http=impatient(SILENCE_S))


@app.command()
def serve(
    host: str = "127.0.0.1",
    port: int = 8000,
    data: DataDir = DEFAULT_DATA,
    passphrase: Annotated[
        str | None, typer.Option(help="asked of everybody when the host is not this machine alone")
    ] = None,
) -> None:
    """Start the application."""
    _serve(host, port, data, passphrase)


@app.command()
def demo(host: str = "127.0.0.1", port: int = 8000, data: DataDir = Path("data/demo")) -> None:
    """Seed the demonstration projects, unless they are there, and start."""
    from .demo.seed import seed

    seed(data)
    _serve(host, port, data, None)


def _read(file: Path) -> Any:
    from .core.document import load
    from .core.errors import InputError

    try:
        return load(file.read_bytes())
    except OSError as bad:
        _refuse(f"{file}: {bad.strerror}")
    except InputError as bad:
        _say(bad)


@app.command()
def assess(
    file: Path,
    fit: Annotated[str | None, typer.Option(help="id or name of the fit; blank: the chosen or first one")] = None,
    as_json: Annotated[bool, typer.Option("--json", help="the whole assessment as JSON")] = False,
    strict: Annotated[bool, typer.Option("--strict", help="exit 1 if a finding is stop")] = False,
) -> None:
    """Assess a project file."""
    from .api.service import Service
    from .core.assess import assess as run
    from .core.errors import InputError
    from .exchange.report import lines

    project = _read(file)
    by_name = {f.name: k for k, f in project.fits.items()}
    try:
        made = run(project, Service.fit_of(project, by_name.get(fit, fit) if fit else None))
    except InputError as bad:
        _say(bad)
    print(made.model_dump_json() if as_json else "\n".join(lines(made, project.units)))
    if strict and any(f.level == "stop" for f in made.findings):
        raise typer.Exit(1)


def _store(data: Path) -> Any:
    from .store.store import Store

    return closing(Store(data))


@app.command(name="export")
def export_(project: str, file: Path, data: DataDir = DEFAULT_DATA) -> None:
    """Write a project (id or name) to a file."""
    with _store(data) as store:
        found = [row.id for row, *_ in store.list_projects() if project in (row.id, row.name)]
        if len(found) != 1:
            _refuse(f"{len(found)} projects are called '{project}'.")
        file.write_bytes(store.raw_document(found[0]))
    print(file)


@app.command(name="import")
def import_(file: Path, data: DataDir = DEFAULT_DATA) -> None:
    """Read a project file into the data folder."""
    document = _read(file)
    with _store(data) as store:
        print(store.create(document, "Opened from a file").project_id)


@app.command()
def backup(file: Path, data: DataDir = DEFAULT_DATA) -> None:
    """Copy all projects with their history to a file, and prove the copy. The application may run meanwhile."""
    from .store.backup import BadBackup
    from .store.backup import backup as run

    try:
        found = run(data, file)
    except BadBackup as bad:
        _refuse(str(bad))
    print(f"{file}: {found.projects} projects, {found.revisions} revisions, proved")


@app.command()
def restore(file: Path, data: DataDir = DEFAULT_DATA) -> None:
    """Put a backup in the place of the projects, after proving it. Stop the application first; what was there is kept
    beside it."""
    from .store.backup import BadBackup
    from .store.backup import restore as run

    try:
        found = run(file, data)
    except BadBackup as bad:
        _refuse(str(bad))
    print(
        f"{found.projects} projects, {found.revisions} revisions are back in {data}; `crooked-keel kept` has the rest"
    )


@app.command()
def kept(data: DataDir = DEFAULT_DATA) -> None:
    """List the whole databases that were kept: before a restore, before a change of layout, and one a day."""
    from .store.folder import DataFolder

    for copy in DataFolder(data).kept():
        print(f"{copy.at:%Y-%m-%d %H:%M:%S} UTC  {copy.why:20}  {copy.file}")


@app.command()
def schema() -> None:
    """Print the JSON Schema of the project file."""
    from .core import document

    print(json.dumps(document.schema(), indent=2))


@app.command()
def formulas() -> None:
    """Print the page of all formulas with their sources, as Markdown."""
    from .exchange.formulas import formulas_page

    print(formulas_page(), end="")


@app.command()
def openapi(file: Path) -> None:
    """Write the description of the interface, from which the front end's types are made."""
    from .api.app import create_app

    file.write_text(json.dumps(create_app().openapi(), indent=1))


def main() -> None:
    """Entry point."""
    app()
