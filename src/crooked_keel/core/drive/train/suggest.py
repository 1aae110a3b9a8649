"""Ways out along the train: other teeth, another ratio, a propeller of the other hand, a stronger one-way clutch."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator

from ...judging.finding import Message, Operation, q, word
from ...judging.propose import Proposal, computed, to_buy
from ...resolved.craft import Resolved
from ...resolved.ratios import along_the_train
from ..kept import is_kept
from .quantities import TURN_WORDS, Train
from .rules import HELD

# Teeth more or fewer on a driven wheel, and other ratios of a box, that are tried.
_TEETH, _RATIOS = (1, -1, 2, -2, 4, -4), (1.1, 0.9)


def regeared(
    train: Train, resolved: Resolved, steps: Iterable[int] = _TEETH, factors: Iterable[float] = _RATIOS
) -> Iterator[Proposal]:
    """So many teeth more or fewer on the driven wheel of a stage, or another ratio of a box that is bought; of what is
    not the craft's own."""
    for key, stage in along_the_train(train.drive):
        base = train.p(f"drive/stages/{key}")
        driver, driven = stage.driver_teeth, stage.driven_teeth
        if is_kept(train.placed, resolved, key):
            continue
        if driver is not None and driven is not None and stage.type != "planetary":
            for step in steps:
                teeth = int(driven.si) + step
                operations = [Operation(op="replace", path=f"{base}/driven_teeth", value=computed(None, f"{teeth}"))]
                if stage.ratio is not None:
                    operations.append(Operation(op="remove", path=f"{base}/ratio"))
                params = {
                    "n": word(stage.name),
                    "a": q(driver.si, "count"),
                    "b": q(teeth, "count"),
                    "r": q(teeth / driver.si, "number"),
                }
                template = "{n}: {a} to {b} teeth, ratio {r}; a belt or chain of another length"
                yield Proposal(f"teeth-{key}{step:+d}", Message(template=template, params=params), operations)
        elif stage.ratio is not None and driven is None:
            for factor in factors:
                ratio = round(stage.ratio.si * factor, 2)
                yield Proposal(
                    f"ratio-{key}-{factor * 100:.0f}",
                    Message(template="Buy: {n} of {r}", params={"n": word(stage.name), "r": q(ratio, "number")}),
                    [Operation(op="replace", path=f"{base}/ratio", value=computed(None, f"{ratio:.2f}"))],
                )


def by_ratio(train: Train, resolved: Resolved) -> Iterator[Proposal]:
    """Another ratio, near and further."""
    yield from regeared(train, resolved, (1, -1, 2, -2, 4, -4, 8, -8, 12), (0.7, 0.8, 0.9, 1.1, 1.25, 1.5, 2.0))


def a_tooth(train: Train, resolved: Resolved) -> Iterator[Proposal]:
    """A tooth or two more or fewer."""
    yield from regeared(train, resolved, (1, -1, 2, -2), ())


def other_hand(train: Train) -> Iterator[Proposal]:
    """A propeller that turns as its flange does."""
    yield Proposal(
        "hand",
        Message(
            template="Buy: the propeller in the other hand, {t} seen from aft looking forward",
            params={"t": word(TURN_WORDS[train.output_turns])},
        ),
        [Operation(op="replace", path=train.p("propeller/turns"), value=TURN_WORDS[train.output_turns])],
    )


def holds_more(train: Train) -> Iterator[Proposal]:
    """A one-way clutch that holds twice the torque."""
    clutch = train.drive.clutch
    if clutch.behind is None or clutch.holds is None:
        return
    torque, speed = train.hardest
    wanted = math.ceil(HELD * torque / speed * train.ratio_before(clutch.behind.si) * 1.02)
    yield Proposal(
        "holds",
        Message(
            template="Buy: a one-way clutch that holds {t} or more, by its maker", params={"t": q(wanted, "torque")}
        ),
        [Operation(op="replace", path=train.p("drive/clutch/holds"), value=to_buy(f"{wanted} N·m ±1 N·m"))],
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.rotation": other_hand,
    "drive.hunting-tooth": a_tooth,
    "drive.one-way": holds_more,
    "drive.kept-box": by_ratio,
    "drive.pulls-away": by_ratio,
    "drive.hill": by_ratio,
}
