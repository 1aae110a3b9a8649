"""The catalogue of rules: each registers itself; what a rule takes are the types of its parameters."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any

from ..errors import Gap
from ..formula import Working
from ..reference.kinds import Form
from .finding import Bench, Compared, Finding, LeftOut, Level, Mark, Message, Param

Check = Callable[..., Iterable[Finding]]


@dataclass(frozen=True, slots=True)
class Rule:
    """One entry of the catalogue. `check` takes topics and yields findings. `form`: asked only of craft that have
    it."""

    id: str
    bench: Bench
    title: str
    limit: str
    source: str
    mark: Mark
    check: Check
    form: Form | None = None


RULES: dict[str, Rule] = {}


def rule(
    id: str, title: str, *, limit: str, source: str, mark: Mark, form: Form | None = None
) -> Callable[[Check], Check]:
    """Register a rule: `<bench>.<what>`; its check takes topics and yields findings made by `verdict`."""

    def register(check: Check) -> Check:
        bench: Any = id.split(".")[0]
        if id in RULES:
            raise ValueError(f"rule {id} is registered twice")
        RULES[id] = Rule(id, bench, title, limit, source, mark, check, form)
        return check

    return register


# Words by which a sentence says its limit.
_LIMIT_WORDS = re.compile(r"\b(?:asked|allowed|stops|limit|wanted)\b", re.I)


def says_its_limit(sentence: str) -> bool:
    """Whether a sentence names the limit that it is judged by."""
    return _LIMIT_WORDS.search(sentence) is not None


def verdict(
    rule_id: str,
    level: Level,
    title: str,
    message: str,
    *,
    subject: str = "",
    compared: Compared | None = None,
    working: Working | None = None,
    source: str | None = None,
    can_suggest: bool = False,
    needs: list[Gap] | None = None,
    left_out: LeftOut | None = None,
    **params: Param,
) -> Finding:
    """A finding of a registered rule; the catalogue gives bench, source and mark, and to a stop its limit where the
    sentence does not say it. left_out: what could not be judged with it: it is named, and as long as there is any the
    verdict is not ok, while a worse one stands."""
    r = RULES[rule_id]
    if level == "stop" and not says_its_limit(f"{title} {message}"):
        message += f" Limit: {r.limit}."
    if left_out is not None and left_out.names:
        level = "unknown" if level == "ok" else level
        message += " Not judged, figures are missing: {left_out}."
        params["left_out"] = Param(text=", ".join(left_out.names))
        needs = [*(needs or []), *left_out.needs]
    return Finding(
        key=f"{rule_id}:{subject}" if subject else rule_id,
        rule=rule_id,
        bench=r.bench,
        level=level,
        title=Message(template=title, params=params),
        message=Message(template=message, params=params),
        compared=compared,
        margin=compared.margin() if compared else None,
        working=working,
        source=source or r.source,
        mark=r.mark,
        can_suggest=can_suggest,
        needs=needs or [],
    )
