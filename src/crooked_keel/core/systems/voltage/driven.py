"""The contactors driven on screen: a stand-in that says in plain words why it will not close."""

from __future__ import annotations

from ...errors import or_none
from ...judging.study import Answer, Study
from .contactors import WHY, Circuit, Machine, State
from .functions import charge_time
from .quantities import VoltageLane

# A circuit that is not entered yet is driven as this one: it is said. Proposed.
_TAKEN = Circuit()


class Driven(Answer):
    """State after the events, why, whether torque is nothing, and what each event did. taken: figures of the circuit
    that are not entered were taken as usual."""

    state: State = "OFF"
    cause: str | None = None
    refused: str | None = None
    alarm: str | None = None
    torque_zero: bool = True
    why: str = ""
    said: list[str] = []
    taken: bool = False
    t95_si: float = 0.0


def driven(voltage: VoltageLane, *, events: list[str]) -> Driven:
    """The contactors after these events, from key off. Raises InputError at an event that is not known."""
    t95 = or_none(lambda: charge_time(voltage.resistor.si, voltage.capacitance.si, 0.95))
    pack = or_none(lambda: voltage.pack)
    circuit = Circuit(
        t95_s=t95 if t95 is not None else _TAKEN.t95_s,
        pack_v=pack if pack is not None else _TAKEN.pack_v,
        isolation_ohm_v=100.0 if voltage.h.barriers == "yes" else 500.0,
        keeps_driving=voltage.h.moving == "keeps driving, with an alarm",
    )
    made = Machine(circuit).run(events)
    words = made.refused if made.refused is not None and made.state != "FAULT" else made.cause or made.state
    return Driven(
        state=made.state,
        cause=made.cause,
        refused=made.refused,
        alarm=made.alarm,
        torque_zero=made.torque_zero,
        why=WHY[words],
        said=made.said,
        taken=t95 is None or pack is None,
        t95_si=circuit.t95_s,
    )


STUDY = Study(
    "contactors",
    "systems",
    "Contactors, driven",
    driven,
    Driven,
    refused="only a unit that runs on a battery has contactors",
    of_unit=True,
)
