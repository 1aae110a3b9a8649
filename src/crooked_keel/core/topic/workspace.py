"""The workspace: the one owner of whatever is kept between one assessment and the next."""

from __future__ import annotations

import sys
from collections.abc import Callable
from functools import cached_property, lru_cache
from inspect import Parameter, signature
from typing import Any, NamedTuple, ParamSpec, TypeVar, get_args, get_type_hints

from .memo import Memo
from .reading import Reader, Topic, reading, rebind, same

P = ParamSpec("P")
T = TypeVar("T")
R = TypeVar("R")


class _Kept(NamedTuple):
    sources: tuple[Any, ...]
    topic: Any


class KeptAnswer:
    """What was said of topics. given: what it was asked of, the topics themselves or readers of them; hands: whether
    one of these was handed on a source, which may change while the topic stands."""

    __slots__ = ("given", "hands", "said", "topics")

    def __init__(self, topics: tuple[Any, ...], given: tuple[Any, ...], said: Any) -> None:
        self.topics, self.given, self.said = topics, given, said
        self.hands = any(type(g) is Reader and g.__dict__["_handed"] for g in given)


class Counts(NamedTuple):
    """How many topics and how many answers (findings of a rule, values, tables) were made anew, and how many were
    there."""

    topics_anew: int
    topics: int
    answers_anew: int
    answers: int


class Workspace:
    """Topics by their names, and what was asked of them, from the last assessment of one fit of one document.

    A topic whose sources say the same as before is the same object, with all that it has computed; what was asked of
    the same topics is not asked again. Not for several threads at a time."""

    def __init__(self) -> None:
        self._topics: dict[str, _Kept] = {}
        self._answers: dict[Any, KeptAnswer] = {}
        self._memories: dict[str, Memo] = {}
        self.begin()

    @cached_property
    def beside(self) -> Workspace:
        """Another one, for documents that are tried and let go: what is kept here stands."""
        return Workspace()

    @cached_property
    def standing(self) -> Workspace:
        """Another one, for the document as it stands while edits of it are tried here."""
        return Workspace()

    @cached_property
    def roughly(self) -> Workspace:
        """Another one, for the document with rough figures in its blanks."""
        return Workspace()

    def memory(self, name: str, most: int) -> Memo:
        """A bounded memory of parts that did not change, for a topic that is made of many."""
        return self._memories.setdefault(name, Memo(most))

    def begin(self) -> None:
        """Start another assessment: nothing is counted and nothing is in use yet."""
        self._counts = [0, 0, 0, 0]
        self._in_use: set[Any] = set()

    def forget(self) -> None:
        """Let go of everything: what was made when something failed is not to be trusted."""
        self._topics, self._answers, self._memories = {}, {}, {}
        self.__dict__.pop("beside", None)
        self.__dict__.pop("standing", None)
        self.__dict__.pop("roughly", None)

    def settle(self) -> None:
        """Let go of what the assessment did not use."""
        if len(self._in_use) < len(self._topics) + len(self._answers):
            self._topics = {n: t for n, t in self._topics.items() if n in self._in_use}
            self._answers = {n: t for n, t in self._answers.items() if n in self._in_use}

    @property
    def counts(self) -> Counts:
        """What the last assessment made anew."""
        return Counts(*self._counts)

    def topic(self, name: str, kind: Callable[P, T], *sources: P.args, **none: P.kwargs) -> T:
        """The topic of this name, made of these sources: the one that is kept if they say the same."""
        self._counts[1] += 1
        self._in_use.add(name)
        kept = self._topics.get(name)
        if kept is not None and len(kept.sources) == len(sources) and all(map(same, kept.sources, sources)):
            for old, new in zip(kept.sources, sources, strict=True):
                rebind(old, new)
            found: T = kept.topic
            return found
        self._counts[0] += 1
        readers = tuple(reading(s) for s in sources)
        made = kind(*readers, **none)
        self._topics[name] = _Kept(readers, made)
        return made

    def still(self, name: str, takes: Takes, scope: Scope) -> KeptAnswer | None:
        """What was said of the topics that a function takes, where they are the same; None where it is to be asked.

        Looked up for every answer at every edit: mostly its topics are the same objects, and nothing else need be
        told."""
        key = (name, scope.name)
        found = self._answers.get(key)
        if found is None:
            return None
        topics = takes.of(scope)
        if (found.hands or found.topics != topics) and not _stands(found, topics):
            return None
        self._counts[3] += 1
        self._in_use.add(key)
        return found

    def ask(self, name: str, takes: Takes, function: Callable[..., R], scope: Scope) -> R:
        """What a function says of the topics it takes, asked anew and kept."""
        topics = takes.of(scope)
        return self._said_of(name, topics, topics, function, scope)

    def judge(self, name: str, takes: Takes, function: Callable[..., R], scope: Scope) -> R:
        """The same, for what reads little: it stands as long as what it has read of its topics is the same."""
        topics = takes.of(scope)
        readers = tuple(Reader(t) if t is not None and not t.as_a_whole else t for t in topics)
        return self._said_of(name, topics, readers, function, scope)

    def _said_of(
        self, name: str, topics: tuple[Any, ...], given: tuple[Any, ...], function: Callable[..., R], scope: Scope
    ) -> R:
        key = (name, scope.name)
        self._counts[2] += 1
        self._counts[3] += 1
        self._in_use.add(key)
        made = function(*given)
        self._answers[key] = KeptAnswer(topics, given, made)
        return made


def _stands(answer: KeptAnswer, topics: tuple[Any, ...]) -> bool:
    """Whether what was given says the same as the topics do now."""
    if len(answer.given) != len(topics):
        return False
    for old, new in zip(answer.given, topics, strict=True):
        if old is not new and not (type(old) is Reader and new is not None and old.holds(new)):
            return False
    for old, new in zip(answer.given, topics, strict=True):
        if old is not new:
            # It has been asked and asks no more: what it handed on need not follow.
            old.__dict__["_source"] = new
    answer.topics = topics
    return True


def reads_little(table: Callable[P, R]) -> Callable[P, R]:
    """Marks a table that reads little of its topics: it stands as long as that is the same, as a rule does."""
    table.reads_little = True  # type: ignore[attr-defined]
    return table


class Takes:
    """The topics that a function takes, in order: of which type, and whether it can do without."""

    def __init__(self, kinds: tuple[tuple[type, bool], ...]) -> None:
        self.needed = frozenset(kind for kind, optional in kinds if not optional)
        self.kinds = tuple(kind for kind, _ in kinds)

    def of(self, scope: Scope) -> tuple[Any, ...]:
        """These topics of a scope, None for what it has not."""
        return tuple(map(scope.get, self.kinds))


class Scope(dict[type, Any]):
    """The topics that a rule may take, by their type. name: the installation, where there are several."""

    def __init__(self, name: str, *topics: object) -> None:
        super().__init__({type(t): t for t in topics if t is not None})
        self.name, self.kinds = name, frozenset(self)

    def has(self, takes: Takes) -> bool:
        """Whether every topic that a function cannot do without is here."""
        return self.kinds >= takes.needed


@lru_cache(maxsize=2048)
def takes(function: Callable[..., Any]) -> Takes:
    """The topics that a function takes: the types of its parameters, and whether it can do without. What is taken by
    keyword alone is no topic."""
    hints = get_type_hints(function, vars(sys.modules[function.__module__]))
    made = []
    for name, parameter in signature(function).parameters.items():
        if parameter.kind is Parameter.KEYWORD_ONLY:
            continue
        hint = hints[name]
        kinds = [k for k in get_args(hint) if k is not type(None)]
        made.append((kinds[0], True) if kinds else (hint, False))
    return Takes(tuple(made))


__all__ = ["Counts", "KeptAnswer", "Scope", "Takes", "Topic", "Workspace", "takes"]
