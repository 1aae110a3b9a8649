"""What a topic needs, told by the types of its constructor, and the supply that hands it over.

A parameter is one of: a topic, by its class (`X | None` where the topic can do without); a value that one bench hands
another, by its named type; a memory; or, by a marker, a topic of another unit. Who wants something new writes it into a
constructor: nothing else is told of it."""

from __future__ import annotations

import sys
from collections.abc import Callable, Mapping
from enum import Enum
from functools import lru_cache
from inspect import Parameter, signature
from typing import Annotated, Any, NamedTuple, TypeVar, Union, get_args, get_origin, get_type_hints

from ..reference.kinds import Form
from .reading import Topic
from .workspace import Workspace

T = TypeVar("T")


class Other(Enum):
    """Whose topic is meant, where not that of the same unit."""

    REPLACED = "of the unit that goes out"
    DROVE = "of the first unit that drove the craft before"
    BESIDE = "of every unit beside it"


Replaced = Annotated[T | None, Other.REPLACED]
Drove = Annotated[T | None, Other.DROVE]
Beside = Annotated[T, Other.BESIDE]


class Remembers(NamedTuple):
    """A memory of the workspace by its name, and how many it keeps."""

    name: str
    most: int


class Wanting(NamedTuple):
    """One parameter: what it wants by type, whether it can do without, and whose it is."""

    kind: Any
    optional: bool = False
    other: Other | None = None


@lru_cache(maxsize=1024)
def needs_of(kind: Callable[..., Any]) -> tuple[Wanting, ...]:
    """What a topic, or a function that hands on a value, takes, in order."""
    function: Any = kind.__init__ if isinstance(kind, type) else kind
    hints = get_type_hints(function, vars(sys.modules[function.__module__]), include_extras=True)
    wanted = [p for p in signature(function).parameters.values() if p.name != "self"]
    return tuple(_need(hints[p.name]) for p in wanted if p.kind is not Parameter.KEYWORD_ONLY)


def _need(hint: Any) -> Wanting:
    if get_origin(hint) is Annotated:
        base, mark = get_args(hint)[:2]
        return Wanting(_present(base), True, mark) if isinstance(mark, Other) else Wanting(hint)
    return Wanting(_present(hint), _may_lack(hint))


def _may_lack(hint: Any) -> bool:
    return get_origin(hint) in (Union, type(int | None)) and type(None) in get_args(hint)


def _present(hint: Any) -> Any:
    return next(a for a in get_args(hint) if a is not type(None)) if _may_lack(hint) else hint


class Handed:
    """Who hands on what: by type a topic that stands for it, or a function of topics that gives it."""

    def __init__(self, sources: Mapping[Any, type]) -> None:
        self._sources: dict[Any, Callable[..., Any]] = dict(sources)
        self._of_each: dict[Any, bool] = {}

    def on(self, function: Callable[..., Any]) -> Callable[..., Any]:
        """Marks a function: what it returns is handed on by it, by its type."""
        hints = get_type_hints(function, include_extras=True)
        self._sources[hints["return"]] = function
        return function

    def source(self, kind: Any) -> Callable[..., Any] | None:
        """Who hands on a type; None for a topic, which is made."""
        return self._sources.get(kind)

    def of_each(self, kind: Any) -> bool:
        """Whether there is one for each unit: it, or what it needs, takes the unit as it is placed."""
        if kind not in self._of_each:
            self._of_each[kind] = self._reaches_the_unit(kind)
        return self._of_each[kind]

    def _reaches_the_unit(self, kind: Any) -> bool:
        source = self._sources.get(kind)
        if isinstance(source, type):
            return self.of_each(source)
        if source is None and hasattr(kind, "_fields"):
            return any(self.of_each(_present(h)) for h in get_type_hints(kind).values())
        if getattr(kind, "of_each", False):
            return True
        if source is None and not (isinstance(kind, type) and issubclass(kind, Topic)):
            return False
        return any(n.other is not None or self.of_each(n.kind) for n in needs_of(source or kind))


class Supply:
    """Where topics and values are asked for by type: those of the craft; or, over them, those of one unit.

    given: what is there to begin with; handed: who hands on what; forms: of the craft, a topic of another form is not
    there. Nor is one that lacks what it cannot do without, or whose `only_if` says no."""

    def __init__(
        self,
        workspace: Workspace,
        name: str,
        given: Mapping[Any, Any],
        handed: Handed,
        forms: frozenset[Form],
        craft: Supply | None = None,
    ) -> None:
        self.ws, self.name, self.given = workspace, name, given
        self.handed, self.forms, self.craft = handed, forms, craft
        self.replaced: Supply | None = None
        self.drove: Supply | None = None
        self.beside: list[Supply] = []
        self._made: dict[Any, Any] = {}

    def of(self, kind: type[T]) -> T:
        """A topic, or all that a bench has of them (a NamedTuple, by the types of its fields). Raises LookupError where
        it is not there."""
        made = self._of(kind)
        if made is None:
            raise LookupError(f"{kind.__name__} is not there for {self.name or 'the craft'}")
        found: T = made
        return found

    def _of(self, kind: Any) -> Any:
        if kind in self.given:
            return self.given[kind]
        if self.craft is not None and not self.handed.of_each(kind):
            return self.craft._of(kind)
        if kind not in self._made:
            self._made[kind] = self._make(kind)
        return self._made[kind]

    def _make(self, kind: Any) -> Any:
        source = self.handed.source(kind)
        if isinstance(source, type):
            return self._of(source)
        if source is not None:
            args = self._args(source)
            return source(*args) if args is not None else None
        if get_origin(kind) is Annotated and isinstance(get_args(kind)[1], Remembers):
            return self.ws.memory(*get_args(kind)[1])
        if not isinstance(kind, type):
            raise LookupError(f"nobody hands on {kind}")
        if hasattr(kind, "_fields"):
            return kind(**{n: self._of(_present(h)) for n, h in get_type_hints(kind).items()})
        if not issubclass(kind, Topic):
            raise LookupError(f"nobody hands on {kind.__name__}")
        if kind.only_of is not None and kind.only_of not in self.forms:
            return None
        if kind.only_if is not None and (args := self._args(kind.only_if)) is not None and not kind.only_if(*args):
            return None
        args = self._args(kind)
        return None if args is None else self.ws.topic(f"{kind.__name__} {self.name}", kind, *args)

    def _args(self, kind: Callable[..., Any]) -> list[Any] | None:
        """What it takes; None where something that it cannot do without is not there."""
        made: list[Any] = []
        for need in needs_of(kind):
            if need.other is Other.BESIDE:
                made += [t for t in (s._of(need.kind) for s in self.beside) if t is not None]
                continue
            whose = {None: self, Other.REPLACED: self.replaced, Other.DROVE: self.drove}[need.other]
            value = whose._of(need.kind) if whose is not None else None
            # A value that is handed on may be None and mean it.
            if value is None and not need.optional and isinstance(need.kind, type):
                return None
            made.append(value)
        return made
