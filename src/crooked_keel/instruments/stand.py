"""A simulated run stand: a run-up with its tachometer, thermocouples, pressure, volts and GPS, and the faults that real
ones have. What comes from it is always marked simulated; it proves nothing.

Every instrument has its own stream of random numbers and draws two of them each time whether or not it is at fault, so
that a fault never changes what the others show. Figures are generic: common practice, no source."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from typing import Literal, NamedTuple

import numpy as np

Kind = Literal["tachometer", "thermocouple", "pressure", "volts", "gps"]
StandFault = Literal[
    "none", "dropout", "stuck", "wrong pulses", "open", "reversed", "offset", "zero shift", "over range", "noise",
    "frozen fix", "multipath",
]  # fmt: skip
OF_KIND: dict[Kind, tuple[StandFault, ...]] = {
    "tachometer": ("dropout", "stuck", "wrong pulses"),
    "thermocouple": ("open", "reversed", "offset"),
    "pressure": ("stuck", "zero shift", "over range"),
    "volts": ("noise", "stuck", "reversed"),
    "gps": ("dropout", "frozen fix", "multipath"),
}
_C = 273.15
_RPM = math.pi / 30


class Reading(NamedTuple):
    """One reading: seconds, SI value or none, and how the instrument stands."""

    t: float
    value: float | None
    status: str


def sim_instrument(
    kind: Kind,
    seed: int,
    truth: Callable[[float], float],
    fault: StandFault = "none",
    index: int = 0,
    step_s: float = 1.0,
) -> Iterator[Reading]:
    """Readings of one instrument, one a step, for ever. truth: what is really there, SI, by seconds."""
    rng = np.random.Generator(np.random.PCG64(np.random.SeedSequence(seed, spawn_key=(index,))))
    shown: float | None = None
    walk = lag = 0.0
    n = 0
    while True:
        t = n * step_s
        white, wander = (float(x) for x in rng.normal(size=2))
        there = truth(t)
        walk = walk * math.exp(-step_s / 60.0) + wander
        lag = there if n == 0 else lag + (there - lag) * (1 - math.exp(-step_s / _LAG_S[kind]))
        value: float | None = _GOOD[kind](lag, white, walk)
        status = "ok"
        if fault == "stuck" or fault == "frozen fix":
            value = shown if n > 5 and shown is not None else value
        elif fault in ("dropout", "open", "over range") and n % 20 >= 8:
            value, status = None, {"dropout": "none", "open": "OPEN", "over range": "OL"}[fault]
        elif fault == "wrong pulses" and value is not None:
            value *= 2.0
        elif fault == "reversed" and value is not None:
            value = 2 * truth(0.0) - value
        elif fault == "offset" and value is not None:
            value += 8.0
        elif fault == "zero shift" and value is not None:
            value += 60e3
        elif fault == "noise" and value is not None:
            value += 0.05 * there * white
        elif fault == "multipath" and value is not None and n % 11 == 10:
            value += 15.0
        shown = value if value is not None else shown
        yield Reading(t, value, status)
        n += 1


_LAG_S: dict[Kind, float] = {"tachometer": 0.2, "thermocouple": 5.0, "pressure": 0.3, "volts": 0.1, "gps": 1.0}
_GOOD: dict[Kind, Callable[[float, float, float], float]] = {
    # Whole pulses in a gate of half a second, two a turn.
    "tachometer": lambda x, w, _: max(0.0, round(x / (2 * math.pi) * 2 * 0.5 + 0.2 * w)) * 2 * math.pi,
    "thermocouple": lambda x, w, _: round(x + 0.7 * w, 1),
    "pressure": lambda x, w, _: round(x + 1e3 * w, -3),
    "volts": lambda x, w, _: round(x * (1 + 0.005 * w), 2),
    "gps": lambda x, w, walk: max(0.0, x + 0.08 * w + 0.02 * walk),
}


class Shown(NamedTuple):
    """A row of the stand: seconds, and SI by channel; none where nothing is read."""

    t: float
    values: dict[str, float | None]
    status: dict[str, str]


_INSTRUMENTS: tuple[tuple[str, Kind], ...] = (
    ("rpm", "tachometer"),
    ("coolant", "thermocouple"),
    ("oil_temp", "thermocouple"),
    ("oil_pressure", "pressure"),
    ("volts", "volts"),
    ("speed", "gps"),
)


def _ramp(t: float) -> float:
    """Share of full power: idle a minute, up in four steps of half a minute, held, cut."""
    return 0.2 if t < 60 else min(1.0, 0.2 + 0.2 * math.floor((t - 60) / 30 + 1)) if t < 300 else 0.0


def simulate_run(fault: StandFault, at: str, seed: int, full_rad_s: float, full_m_s: float) -> Iterator[Shown]:
    """Rows of a run-up, one a second. at: the channel that is at fault; full_rad_s, full_m_s: at full power."""
    truth: dict[str, Callable[[float], float]] = {
        "rpm": lambda t: full_rad_s * (0.25 + 0.75 * _ramp(t)) if _ramp(t) else 0.0,
        "coolant": lambda t: _C + 20 + 65 * (1 - math.exp(-t / 150)) * (0.55 + 0.45 * _ramp(t)),
        "oil_temp": lambda t: _C + 20 + 75 * (1 - math.exp(-t / 220)) * (0.6 + 0.4 * _ramp(t)),
        "oil_pressure": lambda t: 1e3 * (150 + 260 * _ramp(t) - 60 * (1 - math.exp(-t / 220))) if _ramp(t) else 0.0,
        "volts": lambda t: 12.6 + 1.4 * min(1.0, 4 * _ramp(t)),
        "speed": lambda t: full_m_s * _ramp(t) ** 0.5,
    }
    streams = {
        name: sim_instrument(kind, seed, truth[name], fault if name == at and fault in OF_KIND[kind] else "none", i)
        for i, (name, kind) in enumerate(_INSTRUMENTS)
    }
    while True:
        read = {name: next(stream) for name, stream in streams.items()}
        yield Shown(
            read["rpm"].t,
            {n: r.value for n, r in read.items()},
            {n: r.status for n, r in read.items() if r.status != "ok"},
        )
