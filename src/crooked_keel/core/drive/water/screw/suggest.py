"""A way out of a marine propeller that holds its unit down, or lets it run away: another pitch."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....judging.finding import Message, Operation, q
from ....judging.propose import Proposal, computed, on_the_tape, tape_text, to_buy
from ....physics.screws import AREAS
from .quantities import ScrewMatch
from .rules import HIGH, LOW

# Steps of the area that are tried, as a share of the disc.
_MORE = 0.05


def pitch(screw: ScrewMatch) -> Iterator[Proposal]:
    """The pitch at which it comes to its rated speed."""
    said, units = screw.propeller, screw.resolved.project.units
    wanted = screw.pitch_for(screw.train.rated_speed * (LOW + HIGH) / 2)
    if wanted is None or said.pitch is None:
        return
    length = on_the_tape(wanted, units, up=False)
    operations: list[Operation] = []
    # Those beside it that are as it is, with it: else one would carry what the other leaves.
    for one in (screw, *screw.alike):
        value = computed(one.propeller.pitch, tape_text(length, units))
        operations.append(Operation(op="replace", path=one.p("propeller/pitch"), value=value))
        if one.propeller.trial_speed is not None:
            # What was read was of the propeller as it stands.
            operations.append(Operation(op="remove", path=one.p("propeller/trial_speed")))
    which = "Pitch {p} of all alike" if screw.alike else "Pitch {p}"
    yield Proposal(
        "pitch",
        Message(template=f"{which}, then read full throttle afloat, loaded", params={"p": q(length, "length")}),
        operations,
    )


def area(screw: ScrewMatch) -> Iterator[Proposal]:
    """More blade, by a twentieth of the disc, as far as the series goes."""
    now = screw.screw
    _, most = AREAS[now.blades]
    step = _MORE
    while now.area_ratio + step <= most + 1e-9:
        wanted = math.floor((now.area_ratio + step) * 100 + 1e-9)
        operations = [
            Operation(op="replace", path=one.p("propeller/area"), value=to_buy(f"{wanted} % ±0.5 %"))
            for one in (screw, *screw.alike)
        ]
        yield Proposal(
            f"area-{wanted}",
            Message(
                template="Buy: blades of {a} of the disc, at this diameter and pitch",
                params={"a": q(wanted / 100, "percent")},
            ),
            operations,
            step_of="area",
        )
        step += _MORE


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.absorbs": pitch,
    "drive.reaches": pitch,
    "drive.blade-area": area,
    "drive.cavitation": area,
}
