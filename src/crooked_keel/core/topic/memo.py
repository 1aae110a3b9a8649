"""Results kept by the identity of what they were made of.

Documents are frozen and an edit copies only its path, so a part that is the same object has the same contents: what
follows from it need not be computed again. Nothing else is kept, so results are as if there were no memory.
"""

from __future__ import annotations

import threading
from collections.abc import Callable
from typing import Any, TypeVar

T = TypeVar("T")


class Memo:
    """A bounded memory; what was asked for longest ago goes first."""

    def __init__(self, most: int) -> None:
        self.most = most
        self._lock = threading.Lock()
        self.kept: dict[tuple[object, ...], tuple[tuple[object, ...], Any]] = {}

    def __call__(self, parts: tuple[object, ...], make: Callable[[], T], *names: object) -> T:
        """The result made of these very objects and names. What raises is not kept."""
        key = (*names, *map(id, parts))
        found = self.kept.get(key)
        # The entry holds its parts, so their ids cannot have been given to others meanwhile.
        if found is not None and all(a is b for a, b in zip(found[0], parts, strict=True)):
            with self._lock:
                self.kept[key] = self.kept.pop(key, found)
            value: T = found[1]
            return value
        made = make()
        with self._lock:
            while len(self.kept) >= self.most:
                del self.kept[next(iter(self.kept))]
            self.kept[key] = (parts, made)
        return made
