"""Ways to clear the firewall and to point the thrust line to the right side."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal, computed, moved_place
from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation
from .shaft.quantities import ShaftLine
from .thrust.quantities import ThrustLine


def rear_clearance(thrust: ThrustLine, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """The whole unit away from the firewall, on the tape."""
    figure = placed.installation.placement.flange_station
    if figure is None:
        return
    away, clear = -placed.side, thrust.rear_clearance
    value, rounded = moved_place(figure, away * (0.0127 - clear), resolved.project.units, up=away > 0)
    yield Proposal(
        "away",
        Message(
            template="Unit {d} further {way}: its flange {x} {dir} of the {origin}",
            params={
                "way": word("aft" if away > 0 else "forward"),
                "d": q(abs(rounded - figure.si), "length"),
                "x": q(rounded, "length"),
                "dir": word(figure.dir),
                "origin": word(figure.origin),
            },
        ),
        [Operation(op="replace", path=placed.p("placement/flange_station"), value=value)],
    )


def thrust_side(placed: ResolvedInstallation) -> Iterator[Proposal]:
    """The same angle to the other side."""
    right = placed.angles[1].value
    text = f"{-math.degrees(right):.4g}°"
    yield Proposal(
        "mirror",
        Message(
            template="{a} to the {side}",
            params={"a": q(abs(right), "angle"), "side": word("left" if right > 0 else "right")},
        ),
        [Operation(op="replace", path=placed.p("placement/right"), value=computed(None, text))],
    )


def packers(shaft: ShaftLine, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """The unit raised at its coupling until the least packer has room; its shaft follows."""
    figure = placed.installation.placement.flange_water_line
    lack = max((0.003 - shaft.packer(k) for k in placed.mount_keys), default=0.0)
    if figure is None or lack <= 0:
        return
    value, rounded = moved_place(figure, lack, resolved.project.units, up=True)
    yield Proposal(
        "raise",
        Message(
            template="Unit {d} higher at its coupling, at {z}; its shaft then falls more steeply",
            params={"d": q(abs(rounded - figure.si), "length"), "z": q(rounded, "length")},
        ),
        [Operation(op="replace", path=placed.p("placement/flange_water_line"), value=value)],
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "align.packers": packers,
    "align.rear-clearance": rear_clearance,
    "align.thrust-side": thrust_side,
}
