"""A way out of a dive that turns the unit too fast: blades that stand coarser."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ....judging.propose import Proposal
from ..match.quantities import AirMatch
from ..match.suggest import pitched
from .quantities import Cruise

_STEPS = 24


def coarser(cruise: Cruise, match: AirMatch) -> Iterator[Proposal]:
    """The finest pitch at which the air does not turn the unit faster than it may turn for ever."""
    blades, most = match.blades, cruise.lasting_speed * (1 - match.doubt)
    fine, coarse = blades.pitch_m, 1.6 * blades.diameter_m
    if cruise.driven_by(blades._replace(pitch_m=coarse)) > most:
        return
    for _ in range(_STEPS):
        middle = (fine + coarse) / 2
        over = cruise.driven_by(blades._replace(pitch_m=middle)) > most
        fine, coarse = (middle, coarse) if over else (fine, middle)
    yield pitched(match, coarse)


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"drive.overspeed": coarser}
