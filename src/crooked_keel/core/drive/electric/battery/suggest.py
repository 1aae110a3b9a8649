"""A way out of a cruise that asks for more than lasts: slower."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ....document import Figure
from ....judging.finding import Message, Operation, q
from ....judging.propose import Proposal, computed, typed_text
from ....resolved.craft import Resolved

# Shares of the cruise that are tried.
_SLOWER = (0.95, 0.9, 0.8, 0.7, 0.6)


def slower(resolved: Resolved) -> Iterator[Proposal]:
    """A slower cruise, on the road or at sea."""
    craft, project = resolved.project.craft, resolved.project
    at: tuple[str, str, Figure | None] = (
        ("/craft/road/cruise", "road_speed", craft.road.cruise)
        if resolved.has("driven wheel")
        else ("/craft/trial/cruise", "sea_speed", craft.trial.cruise)
    )
    path, dimension, now = at
    if now is None:
        return
    for share in _SLOWER:
        text = typed_text(now.si * share, dimension, project.units, "point")
        yield Proposal(
            f"slower-{share * 100:.0f}",
            Message(template="Cruise at {v}", params={"v": q(now.si * share, dimension)}),
            [Operation(op="replace", path=path, value=computed(now, text))],
            step_of="slower",
        )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"drive.continuous": slower}
