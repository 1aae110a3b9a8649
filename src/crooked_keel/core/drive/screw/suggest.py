"""A way out of a marine propeller that holds its unit down, or lets it run away: another pitch."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ...judging.finding import Message, Operation, q
from ...judging.propose import Proposal, computed, on_the_tape, tape_text
from .quantities import ScrewMatch
from .rules import HIGH, LOW


def pitch(screw: ScrewMatch) -> Iterator[Proposal]:
    """The pitch at which it comes to its rated speed."""
    said, units = screw.propeller, screw.resolved.project.units
    wanted = screw.pitch_for(screw.train.rated_speed * (LOW + HIGH) / 2)
    if wanted is None or said.pitch is None:
        return
    length = on_the_tape(wanted, units, up=False)
    operations = [
        Operation(op="replace", path=screw.p("propeller/pitch"), value=computed(said.pitch, tape_text(length, units)))
    ]
    if said.trial_speed is not None:
        # What was read was of the propeller as it stands.
        operations.append(Operation(op="remove", path=screw.p("propeller/trial_speed")))
    yield Proposal(
        "pitch",
        Message(template="Pitch {p}, then read full throttle afloat, loaded", params={"p": q(length, "length")}),
        operations,
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"drive.absorbs": pitch}
