"""Ways out of a charge that is too hot: a core that passes more, or its place first in the air."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ...document.systems import Cooler
from ...errors import or_none
from ...judging.finding import Message, Operation, q, word
from ...judging.propose import Proposal, to_buy
from ...physics.heat import CP_AIR_J_KG_K, required_conductance
from ..cooling.quantities import Cooled
from .quantities import Breathing
from .rules import CHARGE_MARGIN_K

# Bought things are taken a little better than wanted. Proposed.
_MORE = 1.05


def _larger(breathing: Breathing, cooled: Cooled, key: str, core: Cooler) -> Iterator[Proposal]:
    limit = breathing.i.charge_limit
    if limit is None:
        return
    into, blown, cold = cooled.charge(key, core), cooled.blown, cooled.cold(key, core)
    hot = breathing.mass.si * CP_AIR_J_KG_K
    most = limit.si - CHARGE_MARGIN_K - 2 * into.u - 0.5
    heat = hot * (blown.value - most)
    wanted = or_none(lambda: required_conductance(heat, hot, cold.stream.si, blown.value, cold.temperature.si))
    if wanted is None or core.conductance is None:
        return
    passes = math.ceil(wanted * _MORE / 5) * 5.0
    yield Proposal(
        "charge-core",
        Message(
            template="Buy: a charge cooler of {u} at that flow of charge and air, by its maker's curve",
            params={"u": q(passes, "conductance")},
        ),
        [Operation(op="replace", path=cooled.p(f"coolers/{key}/conductance"), value=to_buy(f"{passes:g} W/K"))],
    )


def _first(cooled: Cooled, key: str, core: Cooler) -> Iterator[Proposal]:
    if core.stands != "behind the first" or cooled.way == "liquid to sea water":
        return
    others = [(k, c) for k, c in cooled.coolers if k != key and c.stands == "first in the air"]
    yield Proposal(
        "charge-first",
        Message(
            template="{n} first in the air, {o} behind it",
            params={"n": word(core.name), "o": word(", ".join(c.name for _, c in others))},
        ),
        [
            Operation(op="replace", path=cooled.p(f"coolers/{key}/stands"), value="first in the air"),
            *(
                Operation(op="replace", path=cooled.p(f"coolers/{k}/stands"), value="behind the first")
                for k, _ in others
            ),
        ],
    )


def cooler_charge(breathing: Breathing, cooled: Cooled) -> Iterator[Proposal]:
    """A charge cooler that passes more, or stands where the air is coldest."""
    if breathing.i.charge_cooler != "yes":
        return
    key, core = cooled.charge_core
    yield from _larger(breathing, cooled, key, core)
    yield from _first(cooled, key, core)


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"systems.induction-hot": cooler_charge}
