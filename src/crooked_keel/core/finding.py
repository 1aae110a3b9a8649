"""Findings and the rules that yield them; values; suggestions."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from typing import Any, Literal

from .formula import Out, Working, record
from .reference.kinds import Form

Level = Literal["ok", "watch", "stop", "unknown"]
Bench = Literal["craft", "choose", "balance", "drive", "mount", "align", "systems", "build", "prove"]
BENCHES: tuple[Bench, ...] = ("craft", "choose", "balance", "drive", "mount", "align", "systems", "build", "prove")
BUILT: tuple[Bench, ...] = ("craft", "choose", "balance", "drive", "mount", "align")
# Worst first.
LEVELS: tuple[Level, ...] = ("stop", "watch", "unknown", "ok")
Mark = Literal["opened", "from memory", "common practice", "proposed", "statics"]


@record
class Param:
    """One slot of a message: an SI number with its dimension, or a word."""

    si: float | None = None
    dimension: str | None = None
    text: str | None = None


@record
class Message:
    """A sentence with slots in braces. Numbers are put in by the edge, in the view's units."""

    template: str
    params: dict[str, Param] = field(default_factory=dict)


def q(si: float, dimension: str) -> Param:
    """A number for a message."""
    return Param(si=si, dimension=dimension)


def word(text: str) -> Param:
    """A word for a message."""
    return Param(text=text)


@record
class NeedOut:
    """A missing figure: its JSON pointer and its name."""

    pointer: str
    what: str


@record
class Compared:
    """The figures that were compared. lo and hi bound what is allowed; either may be absent."""

    value: float
    dimension: str
    lo: float | None = None
    hi: float | None = None


class Operation(Out):
    """One JSON Patch operation (RFC 6902): add, replace or remove."""

    op: Literal["add", "replace", "remove"]
    path: str
    value: Any = None


class Suggestion(Out):
    """A way to clear a finding, proved by assessing the document with its patch applied."""

    id: str
    message: Message
    operations: list[Operation]
    reaches: Level
    consequences: list[Message]


@record
class Finding:
    """The verdict of one rule on one subject."""

    key: str
    rule: str
    bench: Bench
    level: Level
    title: Message
    message: Message
    compared: Compared | None = None
    margin: Param | None = None
    needs: list[NeedOut] = field(default_factory=list)
    working: Working | None = None
    source: str = ""
    mark: Mark = "statics"
    can_suggest: bool = False


@record
class Value:
    """A headline answer. `si` is None when it cannot be said yet; then `needs` says why; `before_needs` likewise."""

    id: str
    bench: Bench
    label: str
    dimension: str
    si: float | None = None
    before_si: float | None = None
    plus_minus_si: float | None = None
    text: str | None = None
    needs: list[NeedOut] = field(default_factory=list)
    before_needs: list[NeedOut] = field(default_factory=list)
    working: Working | None = None
    source: str = ""


@dataclass(frozen=True, slots=True)
class Rule:
    """One entry of the catalogue. `check` yields the findings of a bench. `form`: asked only of craft that have it."""

    id: str
    bench: Bench
    title: str
    limit: str
    source: str
    mark: Mark
    check: Callable[[Any], Iterable[Finding]]
    form: Form | None = None


RULES: dict[str, Rule] = {}


def rule(
    id: str, title: str, *, limit: str, source: str, mark: Mark, form: Form | None = None
) -> Callable[[Callable[[Any], Iterable[Finding]]], Callable[[Any], Iterable[Finding]]]:
    """Register a rule: `<bench>.<what>`; its check takes the bench and yields findings made by `verdict`."""

    def register(check: Callable[[Any], Iterable[Finding]]) -> Callable[[Any], Iterable[Finding]]:
        bench: Any = id.split(".")[0]
        if id in RULES:
            raise ValueError(f"rule {id} is registered twice")
        RULES[id] = Rule(id, bench, title, limit, source, mark, check, form)
        return check

    return register


def verdict(
    rule_id: str,
    level: Level,
    title: str,
    message: str,
    *,
    subject: str = "",
    compared: Compared | None = None,
    margin: Param | None = None,
    working: Working | None = None,
    source: str | None = None,
    can_suggest: bool = False,
    needs: list[NeedOut] | None = None,
    **params: Param,
) -> Finding:
    """A finding of a registered rule; the catalogue gives bench, source and mark."""
    r = RULES[rule_id]
    return Finding(
        key=f"{rule_id}:{subject}" if subject else rule_id,
        rule=rule_id,
        bench=r.bench,
        level=level,
        title=Message(template=title, params=params),
        message=Message(template=message, params=params),
        compared=compared,
        margin=margin,
        working=working,
        source=source or r.source,
        mark=r.mark,
        can_suggest=can_suggest,
        needs=needs or [],
    )
