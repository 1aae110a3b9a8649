"""How a bench asks for what it lists and draws."""

from __future__ import annotations

from collections.abc import Callable
from typing import Protocol, TypeVar

T = TypeVar("T")


class Tables(Protocol):
    """What a table says of the topics that it takes; None where the craft has none of them, or where it failed."""

    def __call__(self, table: Callable[..., T], /) -> T | None: ...
