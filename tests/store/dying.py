"""A process that is killed at a chosen step: before a line of the store, or before a statement to the database."""

from __future__ import annotations

import os
import sys
from collections.abc import Callable, Iterator
from pathlib import Path
from types import FrameType
from typing import Any

from sqlalchemy import Engine, event

import crooked_keel.store

_OURS = str(Path(crooked_keel.store.__file__).parent)
KILLED = 9


class Steps:
    """Counts steps, and ends the process at one of them."""

    def __init__(self, last: int) -> None:
        self.last, self.taken = last, 0

    def step(self, *_: Any, **__: Any) -> None:
        self.taken += 1
        if self.taken == self.last:
            os._exit(KILLED)

    def trace(self, frame: FrameType, happened: str, _: Any) -> Any:
        if not frame.f_code.co_filename.startswith(_OURS):
            return None
        if happened == "line":
            self.step()
        return self.trace


def finishes(work: Callable[[], object], last: int) -> bool:
    """Whether the work ends before its step `last`, at which its process dies. Raises AssertionError if it fails."""
    child = os.fork()
    if child == 0:
        steps = Steps(last)
        try:
            event.listen(Engine, "before_cursor_execute", steps.step)
            sys.settrace(steps.trace)
            work()
            os._exit(0)
        except BaseException as bad:
            print(f"the work failed: {bad!r}", file=sys.stderr)
            os._exit(1)
    _, status = os.waitpid(child, 0)
    code = os.waitstatus_to_exitcode(status)
    assert code in (0, KILLED), "the work failed before its step"
    return code == 0


def deaths(work: Callable[[], object], every: int) -> Iterator[int]:
    """The work again and again, dying one step later each time, until it finishes; yields after each death, and once
    more when it is done."""
    step = 1
    while not finishes(work, step):
        yield step
        step += every
    yield step
