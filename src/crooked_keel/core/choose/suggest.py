"""Ways out of the findings of the choose bench."""

from __future__ import annotations

from collections.abc import Iterator

from ..finding import Message, Operation, word
from ..propose import Proposal
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
        mass = {"entered": a.mass.entered, "source": a.mass.source}
        row = {"name": a.name, "kind": "installed", "rank": 800.0 + len(names), "mass": mass}
        operations.append(Operation(op="add", path=f"/fits/{fit_id}/ledger/{at}", value=row))
        names.append(a.name)
    if operations:
        yield Proposal("list", Message(template="Put into the ledger, places to be measured: {n}", params={"n": word(", ".join(names))}), operations)  # fmt: skip
