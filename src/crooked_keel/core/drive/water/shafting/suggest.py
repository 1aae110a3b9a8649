"""Ways out of a shaft that is too thin, or whose bearings stand too far apart."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....figure.reads import Read
from ....figure.trace import Uncertain
from ....judging.finding import Message, Operation, q
from ....judging.propose import Proposal, computed, on_the_tape, tape_text, to_buy
from .functions import span_for
from .quantities import Shafting
from .rules import BORNE, EASY

# A shaft that is bought is taken a little thicker than wanted, a bearing set a little nearer. Proposed.
_MORE, _NEARER = 1.03, 0.97
# A key is no longer than so many times its width, a bolt no thicker than so much of their circle. Proposed.
_LONGEST, _OF_CIRCLE = 8.0, 0.2
# Standard uncertainty of a key and of a bolt that are made to size, m. Proposed.
_KEY_M, _BOLT_M = 0.00025, 0.000025


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


def to_length(shaft: Shafting) -> Iterator[Proposal]:
    """A shaft of the length that is wanted, cut or ordered."""
    own, wanted = shaft.reaches
    length, units = on_the_tape(wanted.value, shaft.resolved.project.units, up=False), shaft.resolved.project.units
    shorter = length < own.si
    template = (
        "Cut the shaft to {l}, its taper and key anew" if shorter else "Order: a shaft of {l}, taper and key with it"
    )
    text = f"{tape_text(length, units)} ±{'1 mm' if units == 'mm-kg' else '1/16 in'}"
    yield Proposal(
        "to-length",
        Message(template=template + "; measured once the unit stands on its feet", params={"l": q(length, "length")}),
        [Operation(op="replace", path=shaft.train.p("drive/shaft/length"), value=to_buy(text))],
    )


def longer_key(shaft: Shafting) -> Iterator[Proposal]:
    """A key that bears on more of its length, as far as keys are made."""
    _, wide, _, long = shaft.key
    for millimetres in range(math.ceil(long.si * 1000), math.floor(_LONGEST * wide.si * 1000) + 1):
        if _surely(shaft.key_bears(Read(millimetres / 1000, _KEY_M))):
            text = f"{millimetres} mm ±{2 * _KEY_M * 1000:g} mm"
            path = shaft.train.p("drive/shaft/key_length")
            yield Proposal(
                "longer-key",
                Message(
                    template="A key that bears on {l} of its length, and a boss as long",
                    params={"l": q(millimetres / 1000, "bore")},
                ),
                [Operation(op="replace", path=path, value=computed(shaft.shaft.key_length, text))],
            )
            return


def thicker_bolts(shaft: Shafting) -> Iterator[Proposal]:
    """Bolts of the next whole millimetre that bear it; no thicker than has room on their circle."""
    _, circle, bolt, _ = shaft.bolt_terms
    for millimetres in range(math.ceil(bolt.si * 1000), math.floor(_OF_CIRCLE * circle.si * 1000) + 1):
        if _surely(shaft.bolts_bear(Read(millimetres / 1000, _BOLT_M))):
            text = f"{millimetres} mm ±{2 * _BOLT_M * 1000:g} mm"
            yield Proposal(
                "thicker-bolts",
                Message(
                    template="Bolts of {d} in both flanges, fitted and locked, of that metal",
                    params={"d": q(millimetres / 1000, "bore")},
                ),
                [Operation(op="replace", path=shaft.train.p("drive/shaft/bolt"), value=to_buy(text))],
            )
            return


def _surely(bears: Uncertain) -> bool:
    return bears.value - 2 * bears.u >= BORNE


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.shaft-diameter": thicker,
    "drive.whirl": bearing,
    "drive.shaft-key": longer_key,
    "drive.shaft-length": to_length,
    "drive.coupling-bolts": thicker_bolts,
}
