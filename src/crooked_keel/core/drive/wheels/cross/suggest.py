"""Ways out of a shaft that is too weak: a thicker one, in one piece."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....errors import or_none
from ....judging.finding import Message, Operation, q, word
from ....judging.propose import Proposal, to_buy
from .quantities import CrossShafts
from .rules import EASY

# A thicker shaft of a way out is no thicker than so many times what it was: it would not go in. Proposed.
_THICKER = 1.5


def thicker(shafts: CrossShafts) -> Iterator[Proposal]:
    """Each that is too weak as thick, solid, as its torque asks, of the metal there is."""
    for key, shaft in shafts.shafts:
        used, yields = or_none(lambda k=key: shafts.used(k)), shaft.yields
        if used is None or yields is None or used.value + 2 * used.u <= EASY:
            continue
        torque, was, _ = shafts.stress_terms(key)
        # A tenth off for the ± of what the metal yields at.
        wanted = math.cbrt(math.sqrt(3) * 16 * torque / (math.pi * 0.9 * EASY * yields.si))
        millimetres = math.ceil(wanted * 1000)
        if millimetres / 1000 > _THICKER * was:
            continue
        yield Proposal(
            f"thicker-{key}",
            Message(
                template="Have made: {n} of {d}, solid, in one piece, of that metal; its ends with it",
                params={"n": word(shaft.name), "d": q(millimetres / 1000, "bore")},
            ),
            [
                Operation(op="replace", path=shafts.p(key, "diameter"), value=to_buy(f"{millimetres} mm ±0.05 mm")),
                Operation(op="replace", path=shafts.p(key, "inside"), value=to_buy("0 mm ±0.05 mm")),
            ],
        )


def in_one_piece(shafts: CrossShafts) -> Iterator[Proposal]:
    """A spliced one made anew."""
    for key, shaft in shafts.shafts:
        if shaft.made == "spliced":
            yield Proposal(
                f"whole-{key}",
                Message(template="Have made: {n} in one piece", params={"n": word(shaft.name)}),
                [Operation(op="replace", path=shafts.p(key, "made"), value="in one piece")],
            )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.cross-shaft": thicker,
    "drive.splice": in_one_piece,
}
