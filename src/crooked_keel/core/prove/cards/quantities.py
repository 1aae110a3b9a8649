"""Cards of one unit in their order: which there are, how each ended, and what keeps it shut."""

from __future__ import annotations

from typing import Literal, NamedTuple

from ...errors import InputError
from ...facts import Facts, Kept
from ...facts.records import Ran
from ...reference.cards import CARDS, Card, CardLine
from ...resolved.handed import FitId
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import CardForms, Work
from ..runs.quantities import Readings

Word = Literal["shut", "open", "begun", "passed", "failed", "aborted"]
# Cards that want the work done; those before them want no open connection and no squawk that grounds it.
STARTS = ("first-start", "first-power")


class At(NamedTuple):
    """A card with its lines, how it stands, why it is shut or did not pass, who ran it, and what was open when it was
    run."""

    card: Card
    lines: tuple[CardLine, ...]
    word: Word
    why: list[str]
    seen: list[str]
    by: str
    early: list[str]


class Cards(Topic):
    """Every card of a unit."""

    def __init__(
        self,
        fit_id: FitId,
        placed: ResolvedInstallation,
        facts: Facts,
        has: CardForms,
        work: Work,
        runs: Readings,
    ) -> None:
        self.fit_id = fit_id
        self.unit_id = placed.id
        self.facts = facts
        self.has = has
        self.work = work
        self.runs = runs

    @lazy
    def lines(self) -> list[tuple[Card, tuple[CardLine, ...]]]:
        """Cards and lines that this craft and unit have."""
        return [
            (c, tuple(n for n in c.lines if not n.needs or n.needs in self.has))
            for c in CARDS
            if not c.needs or c.needs in self.has
        ]

    @lazy
    def all(self) -> dict[str, At]:
        """Cards by their id, in order."""
        ran = self.facts.cards(self.fit_id, self.unit_id)
        first: dict[str, int] = {}
        for kept, record in self.facts.of(Ran, self.fit_id, self.unit_id):
            if record.result == "passed" and not record.simulated:
                first.setdefault(record.card, kept.number)
        made: dict[str, At] = {}
        before: list[str] = []
        for card, lines in self.lines:
            why = [f"'{made[b].card.title}' is not passed" for b in before if made[b].word != "passed"][:1]
            why += self._work(card)
            at = self._at(card, lines, ran.get(card.id), why)
            if card.id in ran:
                number = ran[card.id][0].number
                open_ = [b for b in before if b not in first or first[b] > number]
                made[card.id] = at._replace(early=self._early(card, number, open_))
            else:
                made[card.id] = at
            before.append(card.id)
        return made

    def _early(self, card: Card, number: int, not_passed: list[str]) -> list[str]:
        """What was still open when a card was run, by the numbers of the records: earlier cards, and what of the work
        kept it shut by then and still does."""
        titles = {c.id: c.title for c, _ in self.lines}
        made = [f"'{titles[b]}' was not passed" for b in not_passed[:1]]
        if card.id != "pre-start":
            made += [s.words for s in self.work.shut if s.of in ("connection", "squawk") and 0 < s.number < number]
        return made

    def _work(self, card: Card) -> list[str]:
        """What of the work keeps a card shut."""
        if card.id == "pre-start":
            return []
        if card.id in STARTS:
            return [s.words for s in self.work.shut]
        return [s.words for s in self.work.shut if s.of in ("connection", "squawk")]

    def _at(self, card: Card, lines: tuple[CardLine, ...], ran: tuple[Kept, Ran] | None, shut: list[str]) -> At:
        if ran is None:
            return At(card, lines, "shut" if shut else "open", shut, [], "", [])
        _, record = ran
        seen = [n.key for n in lines if n.key in record.seen]
        crossed = self.runs.crossed(card.id)
        word: Word = record.result
        why: list[str] = []
        if crossed and record.result in ("passed", "begun"):
            word, why = "aborted", [f"a limit was crossed: {w}" for w in crossed]
        elif record.result == "passed" and len(seen) < len(lines):
            word = "begun"
            why = [f"not seen to: {n.words}" for n in lines if n.key not in seen]
        elif record.why:
            why = [record.why]
        return At(card, lines, word, why or (shut if word == "begun" else []), seen, record.by, [])

    @property
    def next(self) -> At | None:
        """The first that is not passed."""
        return next((a for a in self.all.values() if a.word != "passed"), None)


def check_card(cards: Cards, record: Ran) -> None:
    """Refuse a card that may not be run, or not be passed: raises InputError at the field that is wrong."""
    if record.card not in cards.all:
        raise InputError("/card", "no such card here", given=record.card, allowed=", ".join(cards.all))
    at = cards.all[record.card]
    if at.word == "shut" and record.result in ("begun", "passed"):
        raise InputError("/card", f"'{at.card.title}' is shut: {at.why[0]}", given=record.card)
    keys = [n.key for n in at.lines]
    for key in record.seen:
        if key not in keys:
            raise InputError("/seen", "no such line on this card", given=key, allowed=", ".join(keys))
    if record.result == "passed":
        left = [n.words for n in at.lines if n.key not in record.seen]
        if left:
            raise InputError("/seen", f"not seen to yet: {left[0]}", given=", ".join(record.seen) or "none")
        crossed = cards.runs.crossed(record.card)
        if crossed:
            raise InputError("/result", f"a limit was crossed on it: {crossed[0]}", given="passed", allowed="aborted")
