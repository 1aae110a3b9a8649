"""The workspace: the one owner of whatever is kept between one assessment and the next."""

from __future__ import annotations

import sys
from collections.abc import Callable
from functools import lru_cache
from typing import Any, NamedTuple, ParamSpec, TypeVar, get_type_hints

from .reading import Reader, Topic, _rebind_to, reading, same

P = ParamSpec("P")
T = TypeVar("T")
R = TypeVar("R")


class _Kept(NamedTuple):
    sources: tuple[Any, ...]
    topic: Any


class Counts(NamedTuple):
    """How many topics and how many answers (findings of a rule, values, tables) were made anew, and how many were there."""

    topics_anew: int
    topics: int
    answers_anew: int
    answers: int


class Workspace:
    """Topics by their names, and what was asked of them, from the last assessment of one fit of one document.

    A topic whose sources say the same as before is the same object, with all that it has computed; what was asked of the
    same topics is not asked again. Not for several threads at a time."""

    def __init__(self) -> None:
        self._topics: dict[str, _Kept] = {}
        self._answers: dict[tuple[str, str], tuple[tuple[Any, ...], Any]] = {}
        self._counts = [0, 0, 0, 0]

    def begin(self) -> None:
        """Start counting for another assessment."""
        self._counts = [0, 0, 0, 0]

    @property
    def counts(self) -> Counts:
        """What the last assessment made anew."""
        return Counts(*self._counts)

    def topic(self, name: str, kind: Callable[P, T], *sources: P.args, **none: P.kwargs) -> T:
        """The topic of this name, made of these sources: the one that is kept if they say the same."""
        self._counts[1] += 1
        kept = self._topics.get(name)
        if kept is not None and len(kept.sources) == len(sources) and all(map(same, kept.sources, sources)):
            for old, new in zip(kept.sources, sources, strict=True):
                _rebind_to(old, new)
            found: T = kept.topic
            return found
        self._counts[0] += 1
        readers = tuple(reading(s) for s in sources)
        made = kind(*readers, **none)
        self._topics[name] = _Kept(readers, made)
        return made

    def ask(self, name: str, function: Callable[..., R], scope: Scope) -> R:
        """What a function says of the topics it takes: what it said before, if they are the same."""
        topics = tuple(scope[kind] for kind in takes(function))
        key = (name, scope.name)
        self._counts[3] += 1
        found = self._answers.get(key)
        if found is not None and len(found[0]) == len(topics) and all(a is b for a, b in zip(found[0], topics, strict=True)):
            said: R = found[1]
            return said
        self._counts[2] += 1
        made = function(*topics)
        self._answers[key] = (topics, made)
        return made


class Scope(dict[type, Any]):
    """The topics that a rule may take, by their type. name: the installation, where there are several."""

    def __init__(self, name: str, *topics: Topic | None) -> None:
        super().__init__({type(t): t for t in topics if t is not None})
        self.name = name

    def has(self, function: Callable[..., Any]) -> bool:
        """Whether every topic that a function takes is here."""
        return all(kind in self for kind in takes(function))


@lru_cache(maxsize=2048)
def takes(function: Callable[..., Any]) -> tuple[type, ...]:
    """The topics that a function takes: the types of its parameters."""
    hints = get_type_hints(function, vars(sys.modules[function.__module__]))
    hints.pop("return", None)
    return tuple(hints.values())


__all__ = ["Counts", "Reader", "Scope", "Topic", "Workspace", "takes"]
