"""Reading what others wrote, in a process of its own: what takes too long or too much there stops nobody else."""

from __future__ import annotations

import multiprocessing
import threading
from collections.abc import Callable
from contextlib import suppress
from multiprocessing.connection import Connection
from typing import Any, ParamSpec, TypeVar

from ..core.errors import InputError

P = ParamSpec("P")
R = TypeVar("R")

MOST_S = 20.0
MOST_MORE_BYTES = 900_000_000
_READERS = ["PIL.Image"] + [
    f"crooked_keel.exchange.{m}"
    for m in (
        "archive",
        "curve",
        "hydrostatic_table",
        "ledger_table",
        "library_table",
        "logs.read",
        "offsets",
        "photos",
        "weight_sheet",
    )
]
_starting = threading.Lock()


def apart(read: Callable[P, R], *of: P.args, **more: P.kwargs) -> R:
    """What `read` makes of a file, asked of another process with a limit on its time and memory.

    Raises InputError: as `read` does; and where it goes over a limit."""
    context = _context()
    here, there = context.Pipe(duplex=False)
    with _starting:  # a start shares what the parent has open
        process = context.Process(target=_work, args=(there, read, of, more), daemon=True)
        process.start()
        there.close()
    try:
        if not here.poll(MOST_S):
            raise InputError(
                "/file",
                f"it was not read within {MOST_S:.0f} s: no such file takes so long",
                allowed="a table as people write it, without thousands of empty or merged cells",
            )
        kind, said = here.recv()
    except EOFError:
        raise InputError("/file", "it takes more memory than any such file does", allowed="a smaller file") from None
    finally:
        process.kill()
        process.join()
        here.close()
    if kind == "refused":
        field, message, given, allowed = said
        raise InputError(field, message, given=given, allowed=allowed)
    if kind == "failed":
        raise RuntimeError(said)
    made: R = said
    return made


def _context() -> Any:
    """Forked off a process that has the readers loaded and nothing else; a fresh one where there is no such thing."""
    if "forkserver" not in multiprocessing.get_all_start_methods():
        return multiprocessing.get_context("spawn")
    context = multiprocessing.get_context("forkserver")
    context.set_forkserver_preload(_READERS)
    return context


def _work(there: Connection, read: Callable[..., Any], of: tuple[Any, ...], more: dict[str, Any]) -> None:
    with suppress(ImportError, ValueError, OSError):
        import resource

        with open("/proc/self/statm", encoding="ascii") as told:
            now = int(told.read().split()[0]) * resource.getpagesize()
        resource.setrlimit(resource.RLIMIT_AS, (now + MOST_MORE_BYTES, now + MOST_MORE_BYTES))
    with suppress(BrokenPipeError, MemoryError):  # who asked has died; or hears that nothing came
        there.send(_read(read, of, more))


def _read(read: Callable[..., Any], of: tuple[Any, ...], more: dict[str, Any]) -> tuple[str, Any]:
    """What reading came to: made, refused or failed. Raises MemoryError."""
    try:
        return "made", read(*of, **more)
    except InputError as bad:
        return "refused", (bad.field, bad.message, bad.given, bad.allowed)
    except MemoryError:
        raise
    except Exception:
        import traceback

        return "failed", traceback.format_exc()
