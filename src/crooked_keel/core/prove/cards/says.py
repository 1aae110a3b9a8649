"""What the prove bench says of the cards."""

from __future__ import annotations

from ...formula import record
from ...judging.finding import Value
from ...judging.values import ValueList
from ...reference.cards import CHANNELS
from .quantities import Cards


@record
class LineOut:
    """A line of a card, and whether it was seen to."""

    key: str
    words: str
    seen: bool


@record
class CardOut:
    """A card as it stands; reads: channels asked for on it."""

    id: str
    title: str
    purpose: str
    caution: str
    word: str
    why: list[str]
    by: str
    lines: list[LineOut]
    reads: list[str]


def run_values(cards: Cards) -> list[Value]:
    """How far the cards are."""
    out = ValueList("prove")
    out.add("cards", "Cards passed", "text", lambda: _passed(cards), source="records")
    return out.values


def _passed(cards: Cards) -> str:
    made = cards.all.values()
    return f"{sum(a.word == 'passed' for a in made)} of {len(made)}"


def card_table(cards: Cards) -> list[CardOut]:
    """Cards in their order."""
    return [
        CardOut(
            id=a.card.id,
            title=a.card.title,
            purpose=a.card.purpose,
            caution=a.card.caution,
            word=a.word,
            why=a.why,
            by=a.by,
            lines=[LineOut(key=n.key, words=n.words, seen=n.key in a.seen) for n in a.lines],
            reads=[r for r in a.card.reads if not CHANNELS[r].needs or CHANNELS[r].needs in cards.has],
        )
        for a in cards.all.values()
    ]
