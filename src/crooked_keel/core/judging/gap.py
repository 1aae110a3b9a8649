"""What is missing, in the shape in which it is shown."""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar

from ..errors import CannotSay, InputError, Need
from .finding import NeedOut

T = TypeVar("T")


def needs_out(needs: tuple[Need, ...]) -> list[NeedOut]:
    """Missing figures in the shape that the assessment returns."""
    return [NeedOut(pointer=n.pointer, what=n.what) for n in needs]


def or_none(ask: Callable[[], T]) -> T | None:
    """The answer for a drawing or a table, None where it cannot be said."""
    try:
        return ask()
    except (CannotSay, InputError):
        return None
