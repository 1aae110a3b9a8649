"""Ways out for a motor on the crank: held back by its controller, or wound for more speed."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....judging.finding import Message, Operation, q
from ....judging.propose import Proposal, to_buy
from .quantities import HelperMotor


def held_back(helper: HelperMotor) -> Iterator[Proposal]:
    """A controller set to give the motor no more than the weakest part bears."""
    engine, _ = helper.torques
    weakest = helper.weakest
    left = math.floor((0.90 * (weakest.si - 2 * weakest.u) - engine.si - 2 * engine.u) * 0.99)
    if left >= 1:
        yield Proposal(
            "held-back",
            Message(
                template="Motor held to {t} by its controller: a setting nobody can raise in passing",
                params={"t": q(float(left), "torque")},
            ),
            [Operation(op="replace", path=helper.p("torque"), value=to_buy(f"{left} N·m ±0.5 N·m"))],
        )


def wound(helper: HelperMotor) -> Iterator[Proposal]:
    """A motor of more speed for its voltage."""
    fastest = helper.fastest
    wanted = math.ceil((fastest.si + 2 * fastest.u) / (0.94 * helper.stands) * 30 / math.pi)
    yield Proposal(
        "wound",
        Message(
            template="Buy: a motor wound for {k} of one volt or more; it then gives less torque for its current",
            params={"k": q(wanted * math.pi / 30, "rotation")},
        ),
        [Operation(op="replace", path=helper.p("unloaded"), value=to_buy(f"{wanted} rpm ±0.2 rpm"))],
    )


def clutched(helper: HelperMotor) -> Iterator[Proposal]:
    """A clutch between engine and motor."""
    yield Proposal(
        "clutch",
        Message(template="Build: a clutch between engine and motor; look for the room", params={}),
        [Operation(op="replace", path=helper.p("apart"), value="a clutch between")],
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.both-torque": held_back,
    "drive.back-voltage": wound,
    "drive.coupled": clutched,
}
