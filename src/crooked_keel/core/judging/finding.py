"""Findings and the rules that yield them; values; suggestions."""

from __future__ import annotations

from dataclasses import field, replace
from typing import Any, Literal

from ..errors import Gap
from ..formula import Out, Working, record

Level = Literal["ok", "watch", "stop", "unknown"]


Bench = Literal[
    "craft",
    "choose",
    "balance",
    "drive",
    "mount",
    "align",
    "systems",
    "build",
    "prove",
]


BENCHES: tuple[Bench, ...] = (
    "craft",
    "choose",
    "balance",
    "drive",
    "mount",
    "align",
    "systems",
    "build",
    "prove",
)


# Worst first.
LEVELS: tuple[Level, ...] = ("stop", "watch", "unknown", "ok")


Mark = Literal["opened", "from memory", "common practice", "proposed", "statics"]


@record
class Ways:
    """What the sign of a number is called where it is a direction: above nought, and below it."""

    over: str
    under: str


# Along the craft, across it and upwards.
STATION, BUTT_LINE, WATER_LINE = Ways("aft", "forward"), Ways("to starboard", "to port"), Ways("up", "down")


@record
class Param:
    """One slot of a message: an SI number with its dimension, or a word. ways: what the sign of the number is called,
    above nought and below it."""

    si: float | None = None
    dimension: str | None = None
    text: str | None = None
    ways: Ways | None = None


@record
class Message:
    """A sentence with slots in braces. Numbers are put in by the edge, in the view's units."""

    template: str
    params: dict[str, Param] = field(default_factory=dict)


def q(si: float, dimension: str, ways: Ways | None = None) -> Param:
    """A number for a message."""
    return Param(si=si, dimension=dimension, ways=ways)


def word(text: str) -> Param:
    """A word for a message."""
    return Param(text=text)


def counted(n: int, one: str, more: str) -> str:
    """The words for one of them, or for any other number."""
    return one if n == 1 else more


@record
class Margin:
    """How far inside its nearest bound a number lies, negative beyond it: in its unit, and in doubts where known."""

    si: float
    dimension: str
    doubts: float | None = None


@record
class LeftOut:
    """What a verdict could not look at, though it should have: by name, and what each lacks."""

    names: list[str] = field(default_factory=list)
    needs: list[Gap] = field(default_factory=list)

    def __add__(self, other: LeftOut) -> LeftOut:
        """Both together."""
        return LeftOut(self.names + other.names, self.needs + other.needs)


@record
class Compared:
    """What was compared. lo and hi bound what is ok, each if it is there. doubt: two standard deviations. ground:
    what decided the level, where these bounds did not."""

    value: float
    dimension: str
    lo: float | None = None
    hi: float | None = None
    doubt: float | None = None
    ground: str = ""

    def margin(self) -> Margin | None:
        """To the nearer bound; None where there is none, and where something else decided."""
        if self.ground:
            return None
        ends = [self.value - self.lo] if self.lo is not None else []
        if self.hi is not None:
            ends.append(self.hi - self.value)
        if not ends:
            return None
        least = min(ends)
        return Margin(least, self.dimension, least / self.doubt if self.doubt else None)


class Operation(Out):
    """One JSON Patch operation (RFC 6902): add, replace or remove."""

    op: Literal["add", "replace", "remove"]
    path: str
    value: Any = None


class Suggestion(Out):
    """A way to clear a finding, proved by assessing the document with its patch applied. consequences: what it makes
    worse; brings: what it does besides."""

    id: str
    message: Message
    operations: list[Operation]
    reaches: Level
    consequences: list[Message]
    brings: list[Message]


@record
class Finding:
    """The verdict of one rule on one subject. rough: the rough figures that it rests on, so far as
    they are known by name; nothing where it rests on none."""

    key: str
    rule: str
    bench: Bench
    level: Level
    title: Message
    message: Message
    compared: Compared | None = None
    margin: Margin | None = None
    needs: list[Gap] = field(default_factory=list)
    working: Working | None = None
    source: str = ""
    mark: Mark = "statics"
    can_suggest: bool = False
    rough: list[Gap] | None = None

    def at(self, level: Level, ground: str) -> Finding:
        """The finding at another level, for a ground that is named: its margin says nothing of that."""
        compared = replace(self.compared, ground=ground) if self.compared is not None else None
        return replace(self, level=level, compared=compared, margin=None)


@record
class Value:
    """A headline answer. `si` is None when it cannot be said yet; then `needs` says why; `before_needs` likewise.
    ways: what its sign is called where it is a direction; rough: whether it rests on rough figures."""

    id: str
    bench: Bench
    label: str
    dimension: str
    si: float | None = None
    before_si: float | None = None
    plus_minus_si: float | None = None
    ways: Ways | None = None
    text: str | None = None
    needs: list[Gap] = field(default_factory=list)
    before_needs: list[Gap] = field(default_factory=list)
    working: Working | None = None
    source: str = ""
    rough: bool = False
