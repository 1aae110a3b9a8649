"""Ways out for a chain that its adjuster does not take up: another driven sprocket."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ...errors import or_none
from ...judging.finding import Message, Operation, q, word
from ...judging.propose import Proposal, computed
from ..road.functions import chain_centres, chain_links, even_links
from ..road.runs import Runs
from .rules import NEW

_STEPS = (1, -1, 2, -2)


def next_sprocket(runs: Runs) -> Iterator[Proposal]:
    """For each chain the driven sprockets of a tooth or two more or fewer with which an even number of links fits."""
    for run in runs.chains:
        reach, driven = run.stage.reach, run.stage.driven_teeth
        terms = or_none(lambda r=run: runs.links_terms(r))
        if reach is None or driven is None or terms is None:
            continue
        centres, pitch, a, b = terms
        for step in _STEPS:
            teeth = b + step
            fitted = chain_centres(even_links(chain_links(centres, pitch, a, teeth)), pitch, a, teeth)
            if fitted - centres > NEW * reach.si * 0.95:
                continue
            yield Proposal(
                f"sprocket-{run.key}{step:+d}",
                Message(
                    template="{n}: {a} to {b} teeth; its ratio with it",
                    params={"n": word(run.stage.name), "a": q(a, "count"), "b": q(teeth, "count")},
                ),
                [Operation(op="replace", path=f"{run.pointer}/driven_teeth", value=computed(driven, f"{int(teeth)}"))],
            )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"drive.chain-closes": next_sprocket}
