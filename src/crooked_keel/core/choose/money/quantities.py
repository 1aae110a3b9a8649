"""Money and wait of a fit."""

from __future__ import annotations

import re

from ...document import Fit
from ...errors import CannotSay, Gap
from ...figure.trace import need
from ...judging.finding import LeftOut
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from .functions import Spent, Status, ledger_status, longest_wait


class Spending(Topic):
    """Money and wait of a fit, as far as one unit shows it."""

    def __init__(self, resolved: Resolved, fit: Fit | None, placed: ResolvedInstallation) -> None:
        self.resolved = resolved
        self.fit = fit
        self.placed = placed
        self.unit = placed.installation.unit
        self.name = placed.name

    def p(self, path: str) -> str:
        """Pointer of a part of the unit."""
        return f"{self.placed.pointer}/unit/{path}"

    @lazy
    def money(self) -> list[Spent]:
        """Lines of money of the fit. Raises CannotSay for a line without any amount."""
        lines = []
        if self.fit is None:
            return []
        rows = sorted(self.fit.money.items(), key=lambda m: (m[1].rank, m[0]))
        blank = [
            Gap(f"/fits/{self.resolved.fit_id}/money/{k}/planned", f"what {m.name} is to cost")
            for k, m in rows
            if m.planned is None and m.committed is None and m.spent is None
        ]
        # What is closed will cost what was paid: a blank there is not nothing.
        blank += [
            Gap(f"/fits/{self.resolved.fit_id}/money/{k}/spent", f"what was paid for {m.name}, which is closed")
            for k, m in rows
            if m.state == "closed" and m.spent is None
        ]
        if blank:
            raise CannotSay(*blank)
        for _, line in rows:
            amount = lambda f: f.si if f is not None else 0.0
            lines.append(
                Spent(
                    line.name,
                    amount(line.planned),
                    amount(line.committed),
                    amount(line.spent),
                    line.state == "closed",
                    line.wait.si if line.wait else 0.0,
                    line.week,
                )
            )
        return lines

    @property
    def without_wait(self) -> LeftOut:
        """Open lines of which nobody said how long they take."""
        lines = self.fit.money.items() if self.fit is not None else ()
        blank = [(k, m) for k, m in lines if m.wait is None and m.state != "closed"]
        where = lambda k: f"/fits/{self.resolved.fit_id}/money/{k}/wait"
        return LeftOut([m.name for _, m in blank], [Gap(where(k), f"how long {m.name} takes") for k, m in blank])

    @lazy
    def spending(self) -> Status:
        """Sums of the money of the fit."""
        if not self.money:
            raise CannotSay(Gap(f"/fits/{self.resolved.fit_id}/money", "lines of money of this fit"))
        return ledger_status(self.money)

    @property
    def not_in_lines(self) -> bool:
        """Whether the unit has a price and no line of money is for it: none of that amount, none that shares a word
        with its name."""
        price = self.unit.cost
        if price is None or self.fit is None:
            return False
        own = {"unit", "engine", "motor", *(w for w in _words(self.name) if len(w) > 3)}
        lines = self.fit.money.values()
        amounts = [f.si for m in lines for f in (m.planned, m.committed, m.spent) if f is not None]
        return not any(own & _words(m.name) for m in lines) and price.si not in amounts

    def cost(self) -> float:
        """What the fit will have cost: its lines of money, with the price of the unit where no line is for it."""
        if self.money:
            price = self.unit.cost.si if self.not_in_lines and self.unit.cost is not None else 0.0
            return self.spending.forecast + price
        return need(self.unit.cost, self.p("cost"), f"price of the {self.name}, or lines of money").si

    def wait_s(self) -> float:
        """The longest wait of the fit, s: of its open lines, else of the unit."""
        longest = longest_wait(self.money)
        if longest is not None:
            return longest.wait_s
        return need(self.unit.wait, self.p("wait"), f"how long the {self.name} takes to come").si


def _words(name: str) -> set[str]:
    """The words of a name, in small letters."""
    return set(re.findall(r"[a-z]+", name.casefold()))
