"""The two ways in which a computation declines to answer, and how what it lacks is handed on."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any, TypeVar, overload


@dataclass(frozen=True, slots=True)
class Gap:
    """One figure that is not there yet, or that cannot be used: where it belongs (a JSON pointer) and what people call
    it, or what is wrong with it; then what was given and what would be accepted."""

    pointer: str
    what: str
    given: str | None = None
    allowed: str | None = None


class InputError(ValueError):
    """A value that cannot be used: says which field, what was given and what would be accepted.

    field: a JSON pointer; `~` stands for the installation that is looked at; a function that knows no document names
    its argument."""

    def __init__(self, field: str, message: str, *, given: str | None = None, allowed: str | None = None) -> None:
        super().__init__(message)
        self.field = field
        self.message = message
        self.given = given
        self.allowed = allowed

    def at(self, field: str) -> InputError:
        """The same, said of another field."""
        return InputError(field, self.message, given=self.given, allowed=self.allowed)

    def afresh(self) -> InputError:
        """The same, to be kept: an exception that was raised holds on to all that stood where it was."""
        return self.at(self.field)

    @property
    def gap(self) -> Gap:
        """The same as a figure that is not there: for an answer that cannot be given because of it."""
        return Gap(self.field, self.message, self.given, self.allowed)


@contextmanager
def fields(**pointers: str) -> Iterator[None]:
    """Within it, what a function says of its argument is said of the field that the argument was taken from."""
    try:
        yield
    except InputError as bad:
        if bad.field in pointers:
            raise bad.at(pointers[bad.field]) from None
        raise


class CannotSay(Exception):
    """Raised in place of an answer when figures are missing. Never replaced by a made-up number."""

    def __init__(self, *needs: Gap) -> None:
        super().__init__("needs " + ", ".join(n.what for n in needs))
        self.needs = needs

    def afresh(self) -> CannotSay:
        """The same, to be kept: an exception that was raised holds on to all that stood where it was."""
        return CannotSay(*self.needs)


T = TypeVar("T")


def or_gap(ask: Callable[[], T]) -> T | CannotSay:
    """The answer, or what it needs, to hand on. An answer refused for bad input is a need as well."""
    try:
        return ask()
    except CannotSay as gap:
        return gap.afresh()
    except InputError as bad:
        return CannotSay(bad.gap)


def or_none(ask: Callable[[], T]) -> T | None:
    """The answer for a drawing or a table, None where it cannot be said."""
    try:
        return ask()
    except (CannotSay, InputError):
        return None


A = TypeVar("A")
B = TypeVar("B")
C = TypeVar("C")
D = TypeVar("D")
E = TypeVar("E")
F = TypeVar("F")


@overload
def ask_all(a: Callable[[], A], b: Callable[[], B], /) -> tuple[A, B]: ...
@overload
def ask_all(a: Callable[[], A], b: Callable[[], B], c: Callable[[], C], /) -> tuple[A, B, C]: ...
@overload
def ask_all(a: Callable[[], A], b: Callable[[], B], c: Callable[[], C], d: Callable[[], D], /) -> tuple[A, B, C, D]: ...
@overload
def ask_all(
    a: Callable[[], A], b: Callable[[], B], c: Callable[[], C], d: Callable[[], D], e: Callable[[], E], /
) -> tuple[A, B, C, D, E]: ...
@overload
def ask_all(
    a: Callable[[], A],
    b: Callable[[], B],
    c: Callable[[], C],
    d: Callable[[], D],
    e: Callable[[], E],
    f: Callable[[], F],
    /,
) -> tuple[A, B, C, D, E, F]: ...
@overload
def ask_all(*asks: Callable[[], A]) -> tuple[A, ...]: ...
def ask_all(*asks: Callable[[], Any]) -> tuple[Any, ...]:
    """What each question answers, asked once; or one `CannotSay` that lists everything they need."""
    answers: list[Any] = []
    missing: dict[str, Gap] = {}
    for ask in asks:
        try:
            answers.append(ask())
        except CannotSay as gap:
            for need in gap.needs:
                missing.setdefault(need.pointer, need)
    if missing:
        raise CannotSay(*missing.values())
    return tuple(answers)
