"""Facts of projects as the store has them: read once, added to as records come, by day."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable
from datetime import UTC, date, datetime

from ..core.facts import Facts, Kept, read_record
from ..store.records import WEIGHING, all_records, how_many
from ..store.store import Store


def today() -> date:
    """Today, where the application runs."""
    return datetime.now(UTC).astimezone().date()


class FactsOf:
    """The facts of the projects that are open. day: which day it is, for whoever must know."""

    def __init__(self, store: Store, day: Callable[[], date] = today) -> None:
        self.store = store
        self.day = day
        # By project: how many records were read, what they say, and the facts of a day.
        self._kept: OrderedDict[str, tuple[int, tuple[Kept, ...], Facts]] = OrderedDict()

    def of(self, project_id: str) -> Facts:
        """Every record of a project, and today. The same object for as long as both stand."""
        count, kept, facts = self._kept.get(project_id, (0, (), Facts()))
        there, day = how_many(self.store, project_id), self.day()
        if there == count and facts.today == day:
            self._kept.move_to_end(project_id)
            return facts
        if there < count:
            count, kept = 0, ()
        new = [
            Kept(n.number, n.row.at.astimezone().date(), n.row.at.isoformat(), read_record(n.row.data, trusted=True))
            for n in all_records(self.store, project_id, count)
            if n.row.kind != WEIGHING
        ]
        kept = (*kept, *new)
        facts = Facts(kept, day)
        self._kept[project_id] = (there, kept, facts)
        self._kept.move_to_end(project_id)
        while len(self._kept) > 6:
            self._kept.popitem(last=False)
        return facts

    def stamp(self, count: int) -> str:
        """What a summary depends on besides the document: how many records there are, and the day."""
        return f"{count} {self.day().isoformat()}"

    def forget(self) -> None:
        """Let go of everything: another database is in its place."""
        self._kept.clear()
