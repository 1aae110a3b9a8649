"""Ways out of the findings of the choose bench."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ..document import plain
from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal
from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation
from .money.quantities import Spending
from .power.quantities import Lasting


def list_them(unit: Lasting, spending: Spending, resolved: Resolved) -> Iterator[Proposal]:
    """Rows of the ledger for what the quoted mass leaves out, where they sit still to be measured."""
    fit_id, fit = resolved.fit_id, spending.fit
    if fit is None:
        return
    operations: list[Operation] = []
    names: list[str] = []
    for key, a in unit.not_listed:
        if a.mass is None:
            continue
        at = next(k for k in (key, *(f"{key}-{n}" for n in range(2, 99))) if k not in fit.ledger)
        row = {"name": a.name, "kind": "installed", "rank": 800.0 + len(names), "mass": plain(a.mass)}
        operations.append(Operation(op="add", path=f"/fits/{fit_id}/ledger/{at}", value=row))
        names.append(a.name)
    if operations:
        yield Proposal(
            "list",
            Message(template="Put into the ledger, places to be measured: {n}", params={"n": word(", ".join(names))}),
            operations,
        )


def take_lasting(unit: Lasting, placed: ResolvedInstallation) -> Iterator[Proposal]:
    """The rating that lasts as the rated power, at its speed; what was rated becomes the peak of a motor."""
    lasting = [r for r in unit.unit.ratings.values() if r.limit == "without a limit" and r.power is not None]
    best = max(lasting, key=lambda r: r.power.si if r.power else 0.0, default=None)
    if best is None or best.power is None:
        return
    u, base = unit.unit, f"{placed.pointer}/unit"
    take = lambda path, figure, there: Operation(
        op="replace" if there else "add", path=f"{base}/{path}", value=plain(figure)
    )
    operations = [take("power", best.power, u.power)]
    if best.speed is not None:
        operations.append(take("rated_speed", best.speed, u.rated_speed))
    if u.kind == "electric" and u.peak_power is None and u.power is not None:
        operations.append(take("peak_power", u.power, None))
    yield Proposal(
        "lasting",
        Message(template="Take what lasts as the rated power: {p}", params={"p": q(best.power.si, "power")}),
        operations,
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"choose.lasting": take_lasting, "choose.left-out": list_them}
