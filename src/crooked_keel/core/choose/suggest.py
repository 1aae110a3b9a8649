"""Ways out of the findings of the choose bench."""

from __future__ import annotations

from collections.abc import Iterator

from ..document import plain
from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal
from .section import ChooseBench


def list_them(bench: ChooseBench) -> Iterator[Proposal]:
    """Rows of the ledger for what the quoted mass leaves out, where they sit still to be measured."""
    fit_id, fit = bench.resolved.fit_id, bench.fit
    if fit is None:
        return
    operations: list[Operation] = []
    names: list[str] = []
    for key, a in bench.not_listed:
        if a.mass is None:
            continue
        at = next(k for k in (key, *(f"{key}-{n}" for n in range(2, 99))) if k not in fit.ledger)
        row = {"name": a.name, "kind": "installed", "rank": 800.0 + len(names), "mass": plain(a.mass)}
        operations.append(Operation(op="add", path=f"/fits/{fit_id}/ledger/{at}", value=row))
        names.append(a.name)
    if operations:
        yield Proposal("list", Message(template="Put into the ledger, places to be measured: {n}", params={"n": word(", ".join(names))}), operations)  # fmt: skip


def take_lasting(bench: ChooseBench) -> Iterator[Proposal]:
    """The rating that lasts as the rated power, at its speed; what was rated becomes the peak of a motor."""
    lasting = [r for r in bench.unit.ratings.values() if r.limit == "without a limit" and r.power is not None]
    best = max(lasting, key=lambda r: r.power.si if r.power else 0.0, default=None)
    if best is None or best.power is None:
        return
    u, base = bench.unit, f"{bench.placed.pointer}/unit"
    take = lambda path, figure, there: Operation(op="replace" if there else "add", path=f"{base}/{path}", value=plain(figure))  # fmt: skip
    operations = [take("power", best.power, u.power)]
    if best.speed is not None:
        operations.append(take("rated_speed", best.speed, u.rated_speed))
    if u.kind == "electric" and u.peak_power is None and u.power is not None:
        operations.append(take("peak_power", u.power, None))
    yield Proposal("lasting", Message(template="Take what lasts as the rated power: {p}", params={"p": q(best.power.si, "power")}), operations)  # fmt: skip
