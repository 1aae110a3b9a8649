"""What settles a finding that no edit of the figures is known to clear: something to measure, to adjust at the craft,
to buy or make, or to decide. A rule says it; it is shown where no way out is offered."""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal, NamedTuple

How = Literal["measure", "adjust", "buy", "decide"]

_SAID: dict[How, str] = {
    "measure": "To measure",
    "adjust": "To adjust at the craft",
    "buy": "To buy or make",
    "decide": "To decide",
}


class Settled(NamedTuple):
    """How it is settled, and the sentence that says so."""

    how: How
    sentence: str

    @property
    def said(self) -> str:
        """Both, as one sentence."""
        return f"{_SAID[self.how]}: {self.sentence[0].lower()}{self.sentence[1:]}"


def _by(how: How) -> Callable[[str], Settled]:
    return lambda sentence: Settled(how, sentence)


measure, adjust, buy, decide = _by("measure"), _by("adjust"), _by("buy"), _by("decide")
