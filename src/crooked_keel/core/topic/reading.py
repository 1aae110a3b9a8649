"""What a topic reads of its sources, noted as it is read.

A source is a part of the document or another topic. It is handed to a topic as a reader: each attribute and each call
is taken from the source once and remembered with its value. A topic stands for as long as everything it has read is
still the same, so its inputs are stated by its constructor and found exact by what it does with them.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import fields, is_dataclass
from datetime import date
from functools import cache
from operator import attrgetter
from types import MethodType
from typing import Any, ClassVar, cast

import numpy as np

from ..document.base import Part
from ..errors import CannotSay, InputError
from ..figure.trace import Traced
from ..reference.kinds import Form

_PLAIN = frozenset((str, int, float, bool, type(None)))


class Topic:
    """A subject of a bench: quantities that follow from its sources, computed when asked for and then kept.

    as_a_whole: those that read of it depend on all of it; for what is read everywhere and seldom changes.
    of_each: there is one for each unit, as there is of whatever takes it. only_of: the form that a craft must have for
    it; only_if: what says, by other topics, whether there is one."""

    as_a_whole: ClassVar[bool] = False
    of_each: ClassVar[bool] = False
    only_of: ClassVar[Form | None] = None
    only_if: ClassVar[Callable[..., bool] | None] = None


def same(a: Any, b: Any) -> bool:
    """Whether two values that were read say the same. What cannot be told apart cheaply counts as different."""
    if a is b:
        return True
    kind: Any = type(a)
    if kind is Reader:
        return bool(a.holds(b.__dict__["_source"] if type(b) is Reader else b))
    if kind is not type(b):
        return False
    if kind in _PLAIN:
        return bool(a == b)
    return _comparing(kind)(a, b)  # type: ignore[arg-type]  # a class can be hashed, though mypy will not have it


@cache
def _comparing(kind: Any) -> Callable[[Any, Any], bool]:
    """How two values of a type are compared."""
    if kind is Traced:
        return _same_traced
    if issubclass(kind, tuple | list):
        return _same_items
    if issubclass(kind, dict):
        return lambda a, b: a.keys() == b.keys() and all(x is b[k] or same(x, b[k]) for k, x in a.items())
    if issubclass(kind, np.ndarray):
        return lambda a, b: bool(np.array_equal(a, b))
    if issubclass(kind, CannotSay):
        return lambda a, b: bool(a.needs == b.needs)
    if issubclass(kind, InputError):
        return lambda a, b: bool((a.field, a.message, a.given) == (b.field, b.message, b.given))
    if is_dataclass(kind) and not issubclass(cast(type, kind), Topic):
        # A class of one field is told by that field; of several, by all of them at once.
        of = attrgetter(*(f.name for f in fields(kind))) if fields(kind) else lambda _: ()
        return (lambda a, b: _same_items(of(a), of(b))) if len(fields(kind)) > 1 else lambda a, b: same(of(a), of(b))
    if issubclass(kind, str | frozenset | date):
        return lambda a, b: bool(a == b)
    return lambda a, b: False


def _same_items(a: Any, b: Any) -> bool:
    if len(a) != len(b):
        return False
    for x, y in zip(a, b, strict=True):  # noqa: SIM110 a loop asks nothing of items that are the same objects
        if x is not y and not same(x, y):
            return False
    return True


def _same_traced(a: Traced, b: Traced) -> bool:
    """The same value, and slopes by the same figures with the same doubts."""
    if a.value != b.value or len(a.slopes) != len(b.slopes):
        return False
    for (at, s), (bt, t) in zip(a.slopes.items(), b.slopes.items(), strict=True):
        if s != t or (at is not bt and (at != bt or at.u != bt.u or at.source != bt.source or at.what != bt.what)):
            return False
    return True


def raw(value: Any) -> Any:
    """The source behind a reader; anything else as it is."""
    return value.__dict__["_source"] if type(value) is Reader else value


def _readable(value: Any) -> bool:
    return type(value) is Reader or (isinstance(value, Topic) and not value.as_a_whole) or getattr(value, "deep", False)


def reading(value: Any) -> Any:
    """A reader of a topic or of a part that has parts of its own, also within a list, tuple or mapping; else the
    value."""
    if isinstance(value, Topic | Part) or type(value) is Reader:
        return Reader(raw(value)) if _readable(value) else value
    if type(value) is list and value and _readable(value[0]):
        return [reading(v) for v in value]
    if type(value) is dict and value and _readable(next(iter(value.values()))):
        return {k: reading(v) for k, v in value.items()}
    return value


_REFUSED = (CannotSay, InputError)


class Reader:
    """Stands for a source and notes what is taken from it. Typed as the source where it is handed over.

    `_seen` are attributes with their values or refusals, `_calls` methods with their arguments and answers; `_handed`
    names those that are readers themselves: parts of the document that a topic hands on, which may change while the
    topic stands."""

    def __init__(self, source: Any) -> None:
        kept = self.__dict__
        kept["_source"], kept["_seen"], kept["_calls"], kept["_handed"] = source, {}, {}, []

    @property
    def __class__(self) -> Any:
        """That of the source: what asks for a part of the document gets one, or fails loudly on what is not noted."""
        return type(self.__dict__["_source"])

    def __getattr__(self, name: str) -> Any:
        if name.startswith("__"):
            raise AttributeError(name)
        kept = self.__dict__
        try:
            value = getattr(kept["_source"], name)
        except _REFUSED as refused:
            kept["_seen"][name] = refused.afresh()
            raise
        if type(value) is MethodType:
            call = _Call(self, name)
            kept[name] = call
            return call
        kept[name] = kept["_seen"][name] = made = reading(value)
        if made is not value and _has_reader(made):
            kept["_handed"].append(name)
        return made

    def holds(self, source: Any) -> bool:
        """Whether everything that was read would be read again from another source.

        A topic that stands answers as it did; what it hands on of the document may be another: always looked at."""
        kept = self.__dict__
        old = kept["_source"]
        if source is old and not isinstance(source, Topic):
            return True
        if type(source) is not type(old):
            return False
        seen, calls = kept["_seen"], kept["_calls"]
        try:
            if source is old:
                for name in kept["_handed"]:  # noqa: SIM110 as above
                    if not _still(seen[name], getattr(source, name)):
                        return False
                return True
            for name, value in seen.items():
                try:
                    now = getattr(source, name)
                except _REFUSED as refused:
                    now = refused
                if now is not value and not _still(value, now):
                    return False
            for name, args, named, value in calls.values():
                try:
                    now = getattr(source, name)(*args, **named)
                except _REFUSED as refused:
                    now = refused
                if now is not value and not same(value, now):
                    return False
        except Exception:  # a question that can no longer be put, say about a loading that is gone
            return False
        return True

    def rebind(self, source: Any) -> None:
        """Read from another source from now on; only after `holds` said yes."""
        kept = self.__dict__
        if kept["_source"] is source and not isinstance(source, Topic):
            return
        kept["_source"] = source
        for name in kept["_handed"]:
            rebind(kept["_seen"][name], getattr(source, name))


def _still(value: Any, now: Any) -> bool:
    """The same as `same`, told without a call where a reader still has the part of the document that it read from:
    asked many thousand times at every edit."""
    if type(value) is Reader:
        if type(now) is Reader:
            now = now.__dict__["_source"]
        kept = value.__dict__
        if kept["_source"] is now and not (kept["_handed"] and isinstance(now, Topic)):
            return True
        return value.holds(now)
    return same(value, now)


def _has_reader(value: Any) -> bool:
    if type(value) is list:
        return bool(value) and type(value[0]) is Reader
    if type(value) is dict:
        return bool(value) and type(next(iter(value.values()))) is Reader
    return type(value) is Reader


def rebind(value: Any, new: Any) -> None:
    """The readers within a value read from the sources within another of the same shape."""
    if type(value) is Reader:
        value.rebind(raw(new))
    elif _has_reader(value):
        pairs = zip(value, new, strict=True) if type(value) is list else ((v, new[k]) for k, v in value.items())
        for a, b in pairs:
            rebind(a, b)


class _Call:
    """A method of a source: each call is noted with its answer. A topic hands on parts by attributes, not so."""

    __slots__ = ("name", "reader")

    def __init__(self, reader: Reader, name: str) -> None:
        self.reader, self.name = reader, name

    def __call__(self, *args: Any, **named: Any) -> Any:
        kept = self.reader.__dict__
        source, calls = kept["_source"], kept["_calls"]
        plain = not named and all(type(a) in _PLAIN for a in args)
        key = (self.name, *(args if plain else [a if type(a) in _PLAIN else id(a) for a in (*args, *named.values())]))
        found = calls.get(key)
        if found is not None and not isinstance(found[3], _REFUSED):
            return found[3]
        given = args if plain else tuple(raw(a) for a in args)
        try:
            value = getattr(source, self.name)(*given, **named)
        except _REFUSED as refused:
            calls[key] = (self.name, given, named, refused.afresh())
            raise
        if _readable(value):
            raise TypeError(f"{self.name} hands on a source by a method: make it an attribute")
        # The arguments are kept with the answer, so that an id in the key cannot come to mean another object.
        calls[key] = (self.name, given, named, value)
        return value
