"""Judging subject by subject: what one lacks is said of it alone, and never hides another's level."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from typing import Generic, NamedTuple, TypeVar

from ..errors import CannotSay, Gap, InputError
from .finding import LeftOut, word
from .register import Verdict, verdict

S = TypeVar("S")
T = TypeVar("T")


class Subject(NamedTuple, Generic[S]):
    """One of several that a rule judges: its key among them, what people call it, and the thing itself."""

    key: str
    name: str
    of: S


def one_by_one(subjects: Iterable[Subject[S]], judge: Callable[[Subject[S]], Iterable[Verdict]]) -> list[Verdict]:
    """The findings of each subject; unknown, with what it needs, of one that cannot be judged. Raises CannotSay where
    all of them lack the very same."""
    made: list[Verdict] = []
    gaps: list[tuple[Gap, ...]] = []
    asked = 0
    for subject in subjects:
        asked += 1
        try:
            made += judge(subject)
            continue
        except CannotSay as gap:
            gaps.append(gap.needs)
        except InputError as bad:
            gaps.append((bad.gap,))
        made.append(cannot_say(subject, gaps[-1]))
    if asked == len(gaps) > 1 and len({frozenset(g) for g in gaps}) == 1:
        raise CannotSay(*gaps[0])
    return made


def but_ok(found: list[Verdict], all_ok: Callable[[int], Verdict]) -> list[Verdict]:
    """What is not ok, each by itself; what is ok in one finding of how many."""
    other = [f for f in found if f.level != "ok"]
    count = len(found) - len(other)
    return [*other, all_ok(count)] if count else other


def cannot_say(subject: Subject[S], needs: Iterable[Gap]) -> Verdict:
    """The unknown verdict of one subject."""
    return verdict(
        "unknown",
        "Cannot say yet: {n}, {rule}",
        "Needs figures that are not there yet, or that cannot be used.",
        subject=subject.key,
        needs=list(needs),
        n=word(subject.name),
    )


class Known(NamedTuple, Generic[S, T]):
    """The answers of those that can be said, and those that cannot, with what they need."""

    answers: list[tuple[S, T]]
    left_out: LeftOut


def known_of(subjects: Iterable[Subject[S]], ask: Callable[[S], T]) -> Known[S, T]:
    """Ask each subject. Raises CannotSay, with all that is missing, where none can be said."""
    answers: list[tuple[S, T]] = []
    names: list[str] = []
    needs: dict[str, Gap] = {}
    for subject in subjects:
        try:
            answers.append((subject.of, ask(subject.of)))
            continue
        except CannotSay as gap:
            needs.update({n.pointer: n for n in gap.needs})
        except InputError as bad:
            needs[bad.field] = bad.gap
        names.append(subject.name)
    if names and not answers:
        raise CannotSay(*needs.values())
    return Known(answers, LeftOut(names, list(needs.values())))
