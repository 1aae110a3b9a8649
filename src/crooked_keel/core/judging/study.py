"""A study: what is too slow for every edit, or wanted only when somebody asks. The same question gives the same
answer."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Generic, NamedTuple, TypeVar

from ..errors import Gap
from ..formula import Out
from ..reference.kinds import Form
from .finding import Bench


class Answer(Out):
    """What a study says; needs: what must be known before it can say anything, then the rest is blank; rough: how many
    rough figures stand in for blanks under it."""

    needs: list[Gap] = []
    rough: int = 0


A = TypeVar("A", bound=Answer)


class Study(NamedTuple, Generic[A]):
    """One study. ask takes the topics of its bench and what it is asked with; it may raise CannotSay.

    form: what a craft must have; else it is refused with the sentence. of_unit: asked of one installation."""

    id: str
    bench: Bench
    title: str
    ask: Callable[..., A]
    blank: Callable[..., A]
    form: Form | None = None
    refused: str = ""
    of_unit: bool = False

    def cannot_say(self, needs: list[Gap]) -> A:
        """The answer that is none."""
        made: Any = self.blank(needs=needs)
        return made  # type: ignore[no-any-return]
