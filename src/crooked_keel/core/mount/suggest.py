"""What to buy where a point, a pivot or a shock is too weak: the strength that the next one must have."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ..errors import CannotSay
from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal, to_buy
from .acting import FITTING_FACTOR, Acting
from .points.functions import reserve_factor
from .points.quantities import Points
from .swing.quantities import SwingArm

# Reserve at which a strength is bought: a little over what is asked.
_BOUGHT = 1.16


def _whole(newtons: float) -> float:
    """A strength that one can order: upwards to a hundred newtons."""
    return math.ceil(newtons / 100 - 1e-9) * 100.0


def reserve(points: Points, acting: Acting) -> Iterator[Proposal]:
    """Stronger mounts or fittings at every point that is short, each of the strength that its load asks."""
    operations, names, most = [], [], 0.0
    for key, (factor, *_) in points.reserves.items():
        strength = points.mount.points[key].strength
        assert strength is not None
        if factor - factor * points.reserve_doubt(key) >= 1.15:
            continue
        newtons = _whole(strength.si * _BOUGHT / factor / max(1 - points.reserve_doubt(key), 0.5))
        path = f"{points.placed.pointer}/mount/points/{key}/strength"
        operations.append(Operation(op="replace", path=path, value=to_buy(f"{newtons:g} N")))
        names.append(points.mount.points[key].name)
        most = max(most, newtons)
    if operations:
        yield Proposal(
            "stronger-points",
            Message(
                template="Buy: mounts or fittings of up to {s} at {p}, by their maker's test, and carry it into the "
                "structure",
                params={"s": q(most, "force"), "p": word(", ".join(names))},
            ),
            operations,
        )


def swing(swing: SwingArm) -> Iterator[Proposal]:
    """A stronger pivot or shock, where it is short."""
    given = swing.mount.swing
    for what, strength in (("pivot", given.pivot_strength), ("shock", given.shock_strength)):
        if strength is None:
            continue
        try:
            _, load = swing.worst_swing(what)
        except CannotSay:
            continue
        factor = reserve_factor(strength.si, 1.5, FITTING_FACTOR, load)
        if factor >= 1.15 and strength.plus_minus is None:
            continue
        newtons = _whole(strength.si * _BOUGHT / factor)
        path = f"{swing.placed.pointer}/mount/swing/{what}_strength"
        yield Proposal(
            f"stronger-{what}",
            Message(
                template="Buy: a {w} that carries {s} before it breaks, by its maker's word",
                params={"w": word(what), "s": q(newtons, "force")},
            ),
            [Operation(op="replace", path=path, value=to_buy(f"{newtons:g} N"))],
        )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"mount.reserve": reserve, "mount.swing": swing}
