"""Ways out of what the plan and the records say."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator

from ..document import Figure
from ..judging.finding import Message, Operation, counted, q, word
from ..judging.propose import Proposal
from .kept.quantities import Records
from .plan.functions import sealed_in
from .plan.quantities import Planned


def _key(name: str, taken: set[str]) -> str:
    """An id for something new, by its name."""
    stem = re.sub(r"[^a-z0-9]+", "-", name.casefold()).strip("-")[:32] or "new"
    key, n = stem, 1
    while key in taken:
        n += 1
        key = f"{stem}-{n}"
    taken.add(key)
    return key


def wait_for_it(planned: Planned) -> Iterator[Proposal]:
    """What would shut it in waits for it."""
    tasks = planned.tasks
    late = list(sealed_in(planned.after, {k: tuple(t.seals) for k, t in tasks.items()}))
    more: dict[str, list[str]] = {}
    for key, shut in late:
        more.setdefault(shut, list(planned.after[shut])).append(key)
    if more:
        yield Proposal(
            "wait",
            Message(
                template="{b} waits for {a}",
                params={
                    "a": word(", ".join(f"'{tasks[k].name}'" for k, _ in late)),
                    "b": word(", ".join(f"'{tasks[k].name}'" for k in more)),
                },
            ),
            [Operation(op="replace", path=planned.at(k, "after"), value=waits) for k, waits in more.items()],
        )


def plan_purchases(planned: Planned) -> Iterator[Proposal]:
    """A task for each line of the money that takes time to come; what waits for it is to be said."""
    held = {t.name.casefold() for t in planned.tasks.values()}
    taken = set(planned.tasks)
    starts = [k for k, t in planned.tasks.items() if t.gate == "first start"]
    operations: list[Operation] = []
    made: list[str] = []
    rank = max((t.rank for t in planned.tasks.values()), default=0.0)
    for m in planned.fit.money.values():
        name = f"Order {m.name}"
        if m.wait is None or m.wait.si <= 0 or m.state == "closed" or name.casefold() in held:
            continue
        key = _key(name, taken)
        rank += 1
        wait = {"entered": m.wait.entered, "source": m.wait.source}
        task = {"name": name, "rank": rank, "work": "order", "hours": _hour(), "lead": wait}
        operations.append(Operation(op="add", path=planned.p(f"tasks/{key}"), value=task))
        made.append(key)
    waits = [Operation(op="replace", path=planned.at(k, "after"), value=[*planned.after[k], *made]) for k in starts]
    if made:
        yield Proposal(
            "order",
            Message(
                template="Put {n} orders into the plan; the first start waits for them until you say what does",
                params={"n": q(len(made), "count")},
            ),
            [*operations, *waits],
        )


def _hour() -> dict[str, str]:
    return {"entered": "1 h", "source": "estimated"}


def take_out(records: Records) -> Iterator[Proposal]:
    """A row of the ledger for each part that was weighed as it came off, where it was written down where it sat."""
    taken = {*records.ledger, *records.fit.ledger}
    operations: list[Operation] = []
    for _, r in records.not_in_ledger:
        if r.station is None:
            continue
        row: dict[str, object] = {"name": r.part, "kind": "removed", "rank": 900.0 + len(operations)}
        for part in ("mass", "station", "butt_line", "water_line"):
            figure = getattr(r, part)
            if figure is not None:
                row[part] = _as_sent(figure)
        key = _key(r.part, taken)
        operations.append(Operation(op="add", path=f"/fits/{records.fit_id}/ledger/{key}", value=row))
    if operations:
        yield Proposal(
            "ledger",
            Message(
                template=counted(
                    len(operations),
                    "a row of the ledger takes it out as it was weighed, where it sat",
                    "{n} rows of the ledger take them out as they were weighed, where they sat",
                ),
                params={"n": q(len(operations), "count")},
            ),
            operations,
        )


def _as_sent(figure: Figure) -> dict[str, object]:
    return figure.model_dump(mode="json", by_alias=True, exclude_none=True)


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "build.sealed-in": wait_for_it,
    "build.purchases": plan_purchases,
    "build.weighed-parts": take_out,
}
