"""Ways out of the charging: a relay, a regulator set right, a larger generator, a battery that bears it."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ...errors import or_none
from ...judging.finding import Message, Operation, q, word
from ...judging.propose import Proposal, computed, to_buy
from ..current.quantities import CurrentLane
from .quantities import Charging

_RELAY = "relay that parts them"
# Bought things are taken a little better than wanted. Proposed.
_MORE = 1.05


def voltage(current: CurrentLane) -> Iterator[Proposal]:
    """A relay in place of diodes, or the regulator set between what all cells want."""
    charging = Charging(current)
    for key, bank in current.banks:
        if bank.through == "diodes" and bank.charged_by == "generator of the unit":
            yield Proposal(
                f"relay-{key}",
                Message(template="{n}: a relay in place of the diodes", params={"n": word(bank.name)}),
                [Operation(op="replace", path=current.p(f"banks/{key}/through"), value=_RELAY)],
            )
    wants = [or_none(lambda k=k, b=b: charging.wants(k, b)) for k, b in charging.driven]
    known = [w for w in wants if w is not None]
    low, high = max((w.fills_v for w in known), default=0.0), min((w.most_v for w in known), default=0.0)
    if low < high:
        volts = round((low + high) / 2 * current.voltage / 12, 1)
        yield Proposal(
            "regulator",
            Message(template="Regulator set to {v}, read at the battery", params={"v": q(volts, "fine_voltage")}),
            [
                Operation(
                    op="replace",
                    path=current.p("charge_voltage"),
                    value=computed(current.e.charge_voltage, f"{volts:.1f} V ±0.1 V"),
                )
            ],
        )


def time(current: CurrentLane) -> Iterator[Proposal]:
    """A larger generator, where the batteries bear what it gives."""
    charging = Charging(current)
    wanted = 0.0
    for key, bank in charging.emptied:
        taken, most = charging.taken(key, bank), bank.most_current
        if bank.full_again is None or most is None or taken.value / most.si > 0.9 * bank.full_again.si:
            return
        together = sum(charging.taken(k, b).value for k, b in charging.emptied)
        wanted = max(wanted, together / (0.9 * bank.full_again.si))
    gives = charging.regulated().si * wanted * _MORE + current.demand.si
    watts = math.ceil(gives / 10) * 10
    there = current.e.source_cruise
    if there is None or watts <= there.si:
        return
    yield Proposal(
        "generator",
        Message(
            template="Buy: a generator of {w} at cruise; its belt and its cable with it",
            params={"w": q(watts, "small_power")},
        ),
        [Operation(op="replace", path=current.p("source_cruise"), value=to_buy(f"{watts} W"))],
    )


def lithium(current: CurrentLane) -> Iterator[Proposal]:
    """A battery that bears all that the generator gives."""
    volts, gives = Charging(current).regulated(), current.source("cruise")
    for key, bank in current.banks:
        if bank.cells == "lithium" and bank.charged_by == "generator of the unit" and bank.most_current is not None:
            amps = math.ceil((gives.si + 2 * gives.u) / volts.si * _MORE)
            if amps > bank.most_current.si:
                yield Proposal(
                    f"bears-{key}",
                    Message(
                        template="Buy: {n} that bears {a} of charge, by its maker",
                        params={"n": word(bank.name), "a": q(amps, "current")},
                    ),
                    [Operation(op="replace", path=current.p(f"banks/{key}/most_current"), value=to_buy(f"{amps} A"))],
                )


def parted(current: CurrentLane) -> Iterator[Proposal]:
    """A relay before every battery that is not for starting or for the ignition."""
    others = [(k, b) for k, b in current.banks if b.purpose not in ("start", "ignition") and b.through is not None]
    if others:
        yield Proposal(
            "relay",
            Message(
                template="A relay before {n}: it parts when nothing charges",
                params={"n": word(", ".join(b.name for _, b in others))},
            ),
            [Operation(op="replace", path=current.p(f"banks/{k}/through"), value=_RELAY) for k, _ in others],
        )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "systems.charge-voltage": voltage,
    "systems.charge-time": time,
    "systems.charge-lithium": lithium,
    "systems.charge-parted": parted,
}
