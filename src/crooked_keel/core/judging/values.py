"""Headline values of a bench: each with its working, or with what it needs."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Protocol, TypeVar

from ..errors import CannotSay, Gap, InputError
from ..figure.trace import Traced, Uncertain
from ..formula import Working
from .finding import Bench as BenchName
from .finding import Value, Ways

A = TypeVar("A")


class Speaks(Protocol):
    """A topic that has headline values of its own."""

    def values(self, out: ValueList, /) -> None:
        """Add them."""


class ValueList:
    """Collects headline values; a missing one lists what it needs in place of a number."""

    def __init__(self, bench: BenchName) -> None:
        self.bench = bench
        self.values: list[Value] = []

    def add(
        self,
        id: str,
        label: str,
        dimension: str,
        ask: Callable[[], float | Traced | Uncertain | str],
        *,
        before: Callable[[], float | Traced | Uncertain] | None = None,
        working: Callable[[], Working | None] | None = None,
        source: str = "",
        ways: Ways | None = None,
    ) -> None:
        """One value. `ask` may raise CannotSay or InputError: then the value says so. Source: the working's, or as
        given. ways: what its sign is called where it is a direction."""
        was, gaps = _answer(before) if before is not None else (None, [])
        answer, needs = _answer(ask)
        shown = working() if working is not None and answer is not None else None
        doubtful = isinstance(answer, Traced | Uncertain)
        u = answer.u if isinstance(answer, Traced | Uncertain) else 0.0
        self.values.append(
            Value(
                id=f"{self.bench}.{id}",
                bench=self.bench,
                label=label,
                dimension=dimension,
                si=answer.value
                if isinstance(answer, Traced | Uncertain)
                else None
                if isinstance(answer, str)
                else answer,
                before_si=was.value if isinstance(was, Traced | Uncertain) else was,
                plus_minus_si=2 * u if doubtful and u > 0 else None,
                ways=ways,
                text=answer if isinstance(answer, str) else None,
                needs=needs,
                before_needs=gaps,
                working=shown,
                source=shown.source if shown else source,
            )
        )


def said_of(pointer: str) -> str:
    """What a figure is, in words, by its pointer: its own name and that of what it belongs to."""
    parts = [p for p in pointer.strip("/").split("/") if p not in ("craft", "installations", "fits")]
    own, of = parts[-1], parts[-2] if len(parts) > 1 else ""
    said = (own + (f" of {of}" if of else "")).replace("_", " ").replace("-", " ")
    return said[0].upper() + said[1:]


def _answer(ask: Callable[[], A]) -> tuple[A | None, list[Gap]]:
    """The answer, or what it needs."""
    try:
        return ask(), []
    except CannotSay as gap:
        return None, list(gap.needs)
    except InputError as bad:
        return None, [bad.gap]


def said_by(bench: BenchName, kind: type[Speaks]) -> Callable[..., list[Value]]:
    """The headline values that a topic of a kind has by itself."""

    def said(topic: Any) -> list[Value]:
        out = ValueList(bench)
        topic.values(out)
        return out.values

    # Asked by what it takes, as every other function of a bench is.
    said.__annotations__ = {"topic": kind, "return": list[Value]}
    said.__name__ = f"values of {kind.__name__}"
    return said
