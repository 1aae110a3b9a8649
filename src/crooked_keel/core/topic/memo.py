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
    """A bounded memory; what was asked for longest ago goes first. weigh: what a result weighs where they differ much,
    and heaviest: what all that are kept may weigh together."""

    def __init__(self, most: int, weigh: Callable[[Any], int] | None = None, heaviest: int = 0) -> None:
        self.most = most
        self._weigh, self._heaviest, self._weight = weigh, heaviest, 0
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
            self._let_go(key)
            self.kept[key] = (parts, made)
            self._weight += self._weigh(made) if self._weigh else 0
            while len(self.kept) > self.most or (self._weight > self._heaviest and len(self.kept) > 1):
                self._let_go(next(iter(self.kept)))
        return made

    def _let_go(self, key: tuple[object, ...]) -> None:
        gone = self.kept.pop(key, None)
        if gone is not None and self._weigh is not None:
            self._weight -= self._weigh(gone[1])
