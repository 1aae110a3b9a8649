"""The catalogue of rules: each registers itself; what a rule takes are the types of its parameters."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from functools import wraps
from typing import Any, Literal, NamedTuple

from ..errors import Gap
from ..formula import Working
from ..reference.kinds import Form
from .band import Band
from .finding import Bench, Compared, Finding, LeftOut, Level, Mark, Message, Param
from .settling import Settled

# What a rule judges: the craft, the figures as they were typed, or which of them are guesses.
About = Literal["craft", "figures", "guesses"]


class Matter(NamedTuple):
    """One thing that a bench could look at, in words. form: only craft that have it are told of it."""

    what: str
    form: Form | None = None


@dataclass(frozen=True, slots=True)
class Verdict:
    """What a rule says of one subject, before the register has put its own to it. `compared` is the band's, so that
    level, what was compared and margin are one statement."""

    level: Level
    title: str
    message: str
    params: dict[str, Param]
    subject: str
    compared: Compared | None
    working: Working | None
    source: str | None
    can_suggest: bool
    needs: list[Gap]


Check = Callable[..., Iterable[Verdict]]


@dataclass(frozen=True, slots=True)
class Rule:
    """One entry of the catalogue. `check` takes topics and yields findings. `form`: asked only of craft that have
    it; `settles`: what settles its trouble where no edit does; `looks_at`: the matter of its bench that it
    judges; `about`: a rule about the figures themselves, or about which of them are guesses, says nothing of the end
    of a ± that is only tried, nor of a rough figure."""

    id: str
    bench: Bench
    title: str
    limit: str
    source: str
    mark: Mark
    check: Callable[..., list[Finding]]
    form: Form | None
    settles: Settled | None
    looks_at: Matter | None
    about: About

    @property
    def named(self) -> str:
        """Its title within a sentence: `CG` stays as it is."""
        keep = self.title[:2].isupper()
        return self.title if keep else self.title[0].lower() + self.title[1:]

    def finds(self, said: Verdict) -> Finding:
        """The finding of a verdict: with the rule's name, bench, source and mark, and to a stop its limit where the
        sentence does not say it."""
        message = said.message
        if said.level == "stop" and not says_its_limit(f"{said.title} {message}"):
            message += f" Limit: {self.limit}."
        params = {**said.params, "rule": Param(text=self.named)} if "{rule}" in said.title else said.params
        return Finding(
            key=f"{self.id}:{said.subject}" if said.subject else self.id,
            rule=self.id,
            bench=self.bench,
            level=said.level,
            title=Message(template=said.title, params=params),
            message=Message(template=message, params=params),
            compared=said.compared,
            margin=said.compared.margin() if said.compared else None,
            working=said.working,
            source=said.source or self.source,
            mark=self.mark,
            can_suggest=said.can_suggest,
            needs=said.needs,
        )


RULES: dict[str, Rule] = {}


def rule(
    id: str,
    title: str,
    *,
    limit: str,
    source: str,
    mark: Mark,
    form: Form | None = None,
    settles: Settled | None = None,
    looks_at: Matter | None = None,
    about: About = "craft",
) -> Callable[[Check], Callable[..., list[Finding]]]:
    """Register a rule: `<bench>.<what>`, written nowhere else; its check takes topics and yields what `verdict`
    makes."""

    def register(check: Check) -> Callable[..., list[Finding]]:
        if id in RULES:
            raise ValueError(f"rule {id} is registered twice")

        @wraps(check)
        def findings(*topics: Any) -> list[Finding]:
            return [RULES[id].finds(said) for said in check(*topics)]

        bench: Any = id.split(".")[0]
        RULES[id] = Rule(id, bench, title, limit, source, mark, findings, form, settles, looks_at, about)
        return findings

    return register


# Words by which a sentence says its limit.
_LIMIT_WORDS = re.compile(r"\b(?:asked|allowed|stops|limit|wanted)\b", re.I)


def says_its_limit(sentence: str) -> bool:
    """Whether a sentence names the limit that it is judged by."""
    return _LIMIT_WORDS.search(sentence) is not None


def verdict(
    judged: Level | Band,
    title: str,
    message: str,
    *,
    subject: str = "",
    working: Working | None = None,
    source: str | None = None,
    can_suggest: bool = False,
    needs: list[Gap] | None = None,
    left_out: LeftOut | None = None,
    **params: Param,
) -> Verdict:
    """What a rule says of one subject. judged: a number against its bounds, or a level alone where no number decides;
    `{rule}` in the title is the rule's own. left_out: what could not be judged with it: it is named, and as long as
    there is any the verdict is not ok, while a worse one stands."""
    band = judged if isinstance(judged, Band) else Band(judged, None)
    if left_out is not None and left_out.names:
        band = band.or_by("unknown", "figures are missing")
        message += " Not judged, figures are missing: {left_out}."
        params["left_out"] = Param(text=", ".join(left_out.names))
        needs = [*(needs or []), *left_out.needs]
    return Verdict(
        band.level, title, message, params, subject, band.compared, working, source, can_suggest, needs or []
    )
