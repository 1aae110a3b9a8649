"""Ways out for a motor that the road turns: wound for more speed, or told to brake less."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....judging.finding import Message, Operation, q
from ....judging.propose import Proposal, computed, to_buy
from .quantities import DutyCycle

# Of what packs and controller stand a way out leaves so much less than is ok. Proposed.
_LESS = 0.98


def wound(duty: DutyCycle) -> Iterator[Proposal]:
    """A motor of more speed for its voltage."""
    fastest, _ = duty.voltage_terms
    wanted = math.ceil(fastest / (0.95 * _LESS * duty.stands) * 30 / math.pi)
    yield Proposal(
        "wound",
        Message(
            template="Buy: a motor wound for {k} of one volt or more; it then gives less torque for its current",
            params={"k": q(wanted * math.pi / 30, "rotation")},
        ),
        [Operation(op="replace", path=duty.train.p("unit/unloaded"), value=to_buy(f"{wanted} rpm ±0.1 rpm"))],
    )


def braked(duty: DutyCycle) -> Iterator[Proposal]:
    """A controller that puts less back."""
    _, bear = duty.put_back
    least = math.floor(0.90 * _LESS * bear)
    if least < 1:
        return
    yield Proposal(
        "brakes-with",
        Message(
            template="Controller set to put {a} back at the most; the wheel brakes do the rest",
            params={"a": q(float(least), "current")},
        ),
        [
            Operation(
                op="replace",
                path=duty.train.p("unit/brakes_with"),
                value=computed(duty.unit.brakes_with, f"{least} A"),
            )
        ],
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.downhill-voltage": wound,
    "drive.puts-back": braked,
}
