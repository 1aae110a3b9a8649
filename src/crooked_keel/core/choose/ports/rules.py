"""Findings of what will not match the old unit."""

from __future__ import annotations

from collections.abc import Iterable

from ...judging.finding import Finding, Level, word
from ...judging.register import rule, verdict
from ..power.rules import _SAID
from .quantities import PortPair


@rule(
    "choose.port",
    "Where old and new meet",
    limit="every attribute measured on both sides and alike ok, else watch; a blank is never the same",
    source="facts of the trade; tolerances: common practice, no source",
    mark="common practice",
)
def port(ports: PortPair) -> Iterable[Finding]:
    for row in ports.ports:
        named = row.differs or row.blank
        level: Level = "ok" if row.status == "same" else "watch"
        yield verdict(
            "choose.port",
            level,
            _SAID[row.status],
            ("" if row.status == "same" else "Buy: {b}. Do: {t}. ")
            + "{c}"
            + (" Not measured: {k}." if row.blank and row.differs else ""),
            subject=row.kind.key,
            p=word(row.kind.name[0].upper() + row.kind.name[1:]),
            w=word(", ".join(a.words for a in named)),
            b=word(row.kind.buy),
            t=word(row.kind.task),
            c=word(row.kind.caution),
            k=word(", ".join(a.words for a in row.blank)),
        )
