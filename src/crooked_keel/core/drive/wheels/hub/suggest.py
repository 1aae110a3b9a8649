"""A way out for an axle that turns back: a torque arm, or a longer one."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....judging.finding import Message, Operation, q
from ....judging.propose import Proposal, to_buy
from .quantities import HubMotor
from .rules import HELD

# A torque arm for an axle that has none, m; what holds its end is reckoned with a twentieth to spare. Proposed.
_ARM_M, _SPARE = 0.10, 1.05


def arm(hub: HubMotor) -> Iterator[Proposal]:
    """A torque arm whose end is held by as much as is asked."""
    long = hub.hub.arm.si if hub.hub.arm is not None else _ARM_M
    force = math.ceil(HELD * _SPARE * hub.torque / long / 10) * 10
    to = lambda part: hub.train.p(f"wheel/hub/{part}")
    operations = [
        Operation(op="replace", path=to("held"), value="by a torque arm"),
        Operation(op="replace", path=to("arm_holds"), value=to_buy(f"{force} N ±1 N")),
    ]
    if hub.hub.arm is None:
        operations.append(Operation(op="replace", path=to("arm"), value=to_buy(f"{_ARM_M * 1000:.0f} mm ±0.1 mm")))
    yield Proposal(
        "arm",
        Message(
            template="Make: a torque arm of {a}, its end held by what bears {f} either way round",
            params={"a": q(long, "length"), "f": q(float(force), "force")},
        ),
        operations,
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"drive.hub-axle": arm}
