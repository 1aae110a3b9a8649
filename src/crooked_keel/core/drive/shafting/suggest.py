"""Ways out of a shaft that is too thin, or whose bearings stand too far apart."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ...judging.finding import Message, Operation, q
from ...judging.propose import Proposal, computed, on_the_tape, tape_text, to_buy
from .functions import span_for
from .quantities import Shafting
from .rules import EASY

# A shaft that is bought is taken a little thicker than wanted, a bearing set a little nearer. Proposed.
_MORE, _NEARER = 1.03, 0.97


def thicker(shaft: Shafting) -> Iterator[Proposal]:
    """A shaft as thick as torque and class rule ask."""
    units = shaft.resolved.project.units
    size = on_the_tape(max(shaft.by_torque, shaft.by_class) * _MORE, units, up=True)
    path = shaft.train.p("drive/shaft/diameter")
    yield Proposal(
        "thicker",
        Message(
            template="Buy: a shaft of {d}, with bearings, gland and coupling to suit", params={"d": q(size, "bore")}
        ),
        [Operation(op="replace", path=path, value=to_buy(tape_text(size, units)))],
    )


def bearing(shaft: Shafting) -> Iterator[Proposal]:
    """A bearing between, so that no stretch is too long."""
    _, modulus, diameter, density = shaft.whirl_terms
    units = shaft.resolved.project.units
    most = span_for(shaft.fastest, EASY * _NEARER, modulus, diameter, density)
    span = on_the_tape(most, units, up=False)
    path = shaft.train.p("drive/shaft/span")
    yield Proposal(
        "bearing",
        Message(template="A bearing between: no stretch longer than {l}", params={"l": q(span, "length")}),
        [Operation(op="replace", path=path, value=computed(shaft.shaft.span, tape_text(span, units)))],
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.shaft-diameter": thicker,
    "drive.whirl": bearing,
}
