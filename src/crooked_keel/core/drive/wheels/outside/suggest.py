"""Ways out for a chain that its adjuster does not take up: another driven sprocket."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....errors import or_none
from ....judging.finding import Message, Operation, q, word
from ....judging.propose import Proposal, computed
from ..road.functions import chain_centres, chain_links, even_links
from ..road.quantities import OnRoad
from ..road.runs import ChainRun, Runs
from .rules import HOME, NEW, SPAN

_STEPS = (1, -1, 2, -2)
# The fewest teeth that are asked of a sprocket. Common practice, no source.
FEW = 15


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


def smaller(runs: Runs) -> Iterator[Proposal]:
    """For each chain both sprockets smaller at about the same ratio, down to the fewest teeth that are asked."""
    for run in runs.chains:
        driver, driven = run.stage.driver_teeth, run.stage.driven_teeth
        if driver is None or driven is None:
            continue
        for teeth in range(int(driver.si) - 1, FEW - 1, -1):
            other = round(driven.si * teeth / driver.si)
            if other < FEW:
                break
            template = "{n}: sprockets of {a} and {b} teeth, about the ratio as it is; its pull grows"
            yield both_sprockets(run, teeth, other, f"smaller-{run.key}-{teeth}", template, f"smaller-{run.key}")


def larger(runs: Runs) -> Iterator[Proposal]:
    """For each small sprocket both larger at the same ratio."""
    for run in runs.chains:
        driver, driven = run.stage.driver_teeth, run.stage.driven_teeth
        if driver is None or driven is None or min(driver.si, driven.si) >= FEW:
            continue
        factor = FEW / min(driver.si, driven.si)
        a, b = math.ceil(driver.si * factor - 1e-9), round(driven.si * factor)
        yield both_sprockets(run, a, b, f"larger-{run.key}", LARGER)


LARGER = "{n}: sprockets of {a} and {b} teeth, the ratio as it is; look for the room"


def both_sprockets(run: ChainRun, a: int, b: int, id: str, template: str, step_of: str = "") -> Proposal:
    """Both sprockets of a chain of other teeth. template: its sentence, of the name and both teeth."""
    put = {"driver_teeth": (run.stage.driver_teeth, a), "driven_teeth": (run.stage.driven_teeth, b)}
    params = {"n": word(run.stage.name), "a": q(a, "count"), "b": q(b, "count")}
    operations = [
        Operation(op="replace", path=f"{run.pointer}/{part}", value=computed(was, f"{teeth}"))
        for part, (was, teeth) in put.items()
    ]
    return Proposal(id, Message(template=template, params=params), operations, step_of)


def tuned(road: OnRoad) -> Iterator[Proposal]:
    """A variator of a common span, its clutch home early enough."""
    if road.variator is None:
        return
    key, stage = road.variator
    base, rpm = road.train.p(f"drive/stages/{key}"), road.train.rated_speed * 30 / math.pi
    operations = []
    home = math.floor(HOME * 0.98 * rpm / 50) * 50
    if stage.home is not None and stage.home.si > HOME * road.train.rated_speed:
        operations.append(Operation(op="replace", path=f"{base}/home", value=computed(stage.home, f"{home} rpm")))
    low = math.floor(SPAN * stage.ratio.si * 100) / 100 if stage.ratio is not None else 0.0
    if stage.low is not None and 0 < low < stage.low.si:
        operations.append(Operation(op="replace", path=f"{base}/low", value=computed(stage.low, f"{low:.2f}")))
    if operations:
        yield Proposal(
            "tuned",
            Message(
                template="{n}: clutch springs for home at {h}; a span of {s} at the most",
                params={
                    "n": word(stage.name),
                    "h": q(home * math.pi / 30, "rotation"),
                    "s": q(SPAN, "number"),
                },
            ),
            operations,
        )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.chain-closes": next_sprocket,
    "drive.chain-speed": smaller,
    "drive.small-sprocket": larger,
    "drive.variator": tuned,
}
