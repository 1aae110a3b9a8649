"""A study: what is too slow for every edit, or wanted only when somebody asks. The same question gives the same
answer."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Generic, NamedTuple, TypeVar

from ..formula import Out
from ..reference.kinds import Form
from .finding import Bench, NeedOut


class Answer(Out):
    """What a study says; needs: what must be known before it can say anything, then the rest is blank."""

    needs: list[NeedOut] = []


A = TypeVar("A", bound=Answer)


class Study(NamedTuple, Generic[A]):
    """One study. ask takes the topics of its bench and what it is asked with; it may raise CannotSay.

    form: what a craft must have; else it is refused with the sentence."""

    id: str
    bench: Bench
    title: str
    ask: Callable[..., A]
    blank: Callable[..., A]
    form: Form | None = None
    refused: str = ""

    def cannot_say(self, needs: list[NeedOut]) -> A:
        """The answer that is none."""
        made: Any = self.blank(needs=needs)
        return made  # type: ignore[no-any-return]
