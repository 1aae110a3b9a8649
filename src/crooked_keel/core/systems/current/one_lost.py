"""Each single part of the circuit lost in turn: what still runs, said plainly."""

from __future__ import annotations

from ...formula import Out
from ...judging.study import Answer, Study
from .functions import dead_loads, fed
from .quantities import CurrentLane


class LostOut(Out):
    """A part that is lost: by name, and the loads that stop and that still run."""

    id: str
    name: str
    role: str
    stops: list[str]
    runs: list[str]


class OneLost(Answer):
    """Every part lost in turn, the worst first; and loads that nothing feeds even with everything whole."""

    parts: list[LostOut] = []
    never: list[str] = []


def one_lost(current: CurrentLane) -> OneLost:
    """What still runs when one part is lost. Raises CannotSay, InputError."""
    circuit = current.circuit
    names = {k: p.name for k, p in current.e.circuit.items()}
    loads = [k for k, (role, _) in circuit.items() if role == "load"]
    never = dead_loads(circuit, loads)
    made = []
    for key, (role, _) in circuit.items():
        live = fed(circuit, key)
        made.append(
            LostOut(
                id=key,
                name=names[key],
                role=role,
                stops=[names[n] for n in loads if n not in live and n not in never],
                runs=[names[n] for n in loads if n in live],
            )
        )
    made.sort(key=lambda lost: -len(lost.stops))
    return OneLost(parts=made, never=[names[n] for n in never])


STUDY = Study(
    "one-lost",
    "systems",
    "Each part lost in turn",
    one_lost,
    OneLost,
    refused="what is lost is asked of a fit",
    of_unit=True,
)
