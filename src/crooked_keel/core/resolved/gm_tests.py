"""GM as two tests give it: by inclining, and by the time of a full roll."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ..document.craft import Inclining
from ..errors import ask_all
from ..figure.doubt import std_uncertainty
from ..figure.trace import above_zero, need
from ..physics.hydrostatics import Hydro
from ..physics.stability import ROLL_FACTORS, Inclined, inclining_gm, roll_period_gm


class MeasuredGm(NamedTuple):
    """GM as measured and its standard uncertainty, m; by which test, and the figure that says so."""

    gm_m: float
    u_m: float
    by: str
    pointer: str


def inclined_gm(test: Inclining, hydro: Callable[[], Hydro]) -> Inclined | None:
    """GM by the inclining test, or None where there was none. Raises CannotSay with what its readings lack."""
    if not test.readings:
        return None
    base = "/craft/flotation/inclining"
    rows = sorted(test.readings.items(), key=lambda r: r[1].rank)
    words = {"weight": "weight moved", "moved": "how far it was moved", "pendulum": "where the pendulum hung"}
    asks = [
        lambda k=k, r=r, p=p, w=w: need(getattr(r, p), f"{base}/readings/{k}/{p}", f"{w} ({r.name})").si
        for k, r in rows
        for p, w in words.items()
    ]
    pendulum = lambda: above_zero(test.pendulum, f"{base}/pendulum", "length of the pendulum")
    values, length, found = ask_all(lambda: ask_all(*asks), pendulum, hydro)
    moments = [values[i] * values[i + 1] for i in range(0, len(values), 3)]
    return inclining_gm(found.displacement_kg, moments, values[2::3], length)


def rolled_gm(test: Inclining, beam_m: Callable[[], float]) -> MeasuredGm | None:
    """GM by the time of a full roll, the lowest that the coefficients allow; None where none was timed."""
    if test.roll is None:
        return None
    might = [roll_period_gm(f, beam_m(), test.roll.si) for f in ROLL_FACTORS]
    # Any coefficient of the range is as likely as any other.
    u = std_uncertainty((max(might) - min(might)) / 2, "estimated")
    return MeasuredGm(min(might), u, "timed roll", "/craft/flotation/inclining/roll")
