"""Quantities computed when they are first asked for."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Generic, TypeVar, overload

from ..errors import CannotSay, InputError

T = TypeVar("T")


def rooted(field: str, *topics: object) -> str:
    """A field told from the document's root: its `~` is the installation of the first topic that has one."""
    if field.startswith("~"):
        for topic in topics:
            pointer = getattr(getattr(topic, "placed", topic), "pointer", "")
            if pointer:
                return str(pointer) + field[1:]
    return field


def placed(bad: InputError, *topics: object) -> InputError:
    """The refusal with its field told from the document's root."""
    return bad.at(rooted(bad.field, *topics)) if bad.field.startswith("~") else bad


class lazy(Generic[T]):
    """A property computed once: the value then stands in the instance's own dictionary, where Python finds it first. A
    refusal is remembered and raised again, so that a gap costs no more than a value."""

    def __init__(self, function: Callable[[Any], T]) -> None:
        self.function = function
        self.__doc__ = function.__doc__

    def __set_name__(self, owner: type, name: str) -> None:
        self.name, self.gap = name, "_gap_" + name

    @overload
    def __get__(self, instance: None, owner: type) -> lazy[T]: ...
    @overload
    def __get__(self, instance: object, owner: type) -> T: ...
    def __get__(self, instance: object | None, owner: type) -> T | lazy[T]:
        if instance is None:
            return self
        kept = instance.__dict__
        refused: CannotSay | InputError | None = kept.get(self.gap)
        if refused is not None:
            raise refused.afresh()
        try:
            value = self.function(instance)
        except CannotSay as held:
            kept[self.gap] = held.afresh()
            raise held.afresh() from None
        except InputError as bad:
            kept[self.gap] = placed(bad, instance).afresh()
            raise placed(bad, instance).afresh() from None
        kept[self.name] = value
        return value
