"""Platform scales under the wheels of a craft, simulated: noise, drift, overload, a cell that sticks, a corner that is
dead; and the judgement of what they show, which is the same for real ones."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from typing import Literal, NamedTuple

import numpy as np

Fault = Literal["none", "wind", "drift", "overload", "stuck", "dead corner"]
State = Literal["steady", "moving", "drifting", "stuck", "nothing on it", "over its range"]

RATE_HZ = 5.0
WINDOW = 15
CAPACITY_KG = 500.0
STEP_KG = 0.1
# Steady: readings of three seconds within so much, kg or parts of the reading. Common practice, no source.
STEADY_KG, STEADY_SHARE = 0.3, 0.001
# Readings without any change at all for so long are a stuck cell or a frozen display, once something else moves.
_DRIFT_KG = 0.25


class Pad(NamedTuple):
    """One scale: what it carries, kg, and how much it can."""

    id: str
    load_kg: float
    capacity_kg: float = CAPACITY_KG


class Shown(NamedTuple):
    """What a scale shows: kg, or None where it shows no number; and how its last readings are judged."""

    id: str
    kg: float | None
    state: State
    mean_kg: float | None
    spread_kg: float | None


def judge(readings: Sequence[float | None], others_move: bool = False) -> tuple[State, float | None, float | None]:
    """State of a scale by its last readings, oldest first, with their mean and spread in kg.

    None is a reading over its range. others_move: whether another scale under the same craft changed meanwhile."""
    if not readings or readings[-1] is None:
        return "over its range", None, None
    numbers = [r for r in readings if r is not None]
    mean, spread = sum(numbers) / len(numbers), max(numbers) - min(numbers)
    if len(numbers) < WINDOW:
        return "moving", mean, spread
    if spread == 0.0 and others_move and mean > 0:
        return "stuck", mean, spread
    if abs(mean) < 1.0 and spread < 1.0:
        return "nothing on it", mean, spread
    third = WINDOW // 3
    first, last = sum(numbers[:third]) / third, sum(numbers[-third:]) / third
    if abs(last - first) > _DRIFT_KG and abs(last - first) > 0.6 * spread:
        return "drifting", mean, spread
    return ("steady" if spread <= max(STEADY_KG, STEADY_SHARE * mean) else "moving"), mean, spread


def simulate(pads: Sequence[Pad], fault: Fault = "none", seed: int = 1) -> Iterator[list[Shown]]:
    """What the pads show, five times a second, the craft being rolled on during the first two seconds. The fault is on
    the first pad.

    The same seed shows the same. Without end."""
    rng = np.random.default_rng(seed)
    kept: dict[str, list[float | None]] = {p.id: [] for p in pads}
    for n in range(10**9):
        on = min(1.0, (n / RATE_HZ) / 2.0)
        for i, pad in enumerate(pads):
            kept[pad.id] = [*kept[pad.id][-(WINDOW - 1) :], _reading(pad, n, on, fault if i == 0 else "none", rng)]
        moves = {id: len(set(r)) > 1 for id, r in kept.items()}
        shown = []
        for pad in pads:
            state, mean, spread = judge(kept[pad.id], any(m for id, m in moves.items() if id != pad.id))
            shown.append(Shown(pad.id, kept[pad.id][-1], state, mean, spread))
        yield shown


def _reading(pad: Pad, n: int, on: float, fault: Fault, rng: np.random.Generator) -> float | None:
    noise = float(rng.normal(0.0, 0.04))
    swing = 4.0 * (1 - on) * math.sin(n / 2.0)
    load = pad.load_kg * on + noise + swing
    if fault == "wind":
        load += 1.5 * math.sin(n / 3.0) + float(rng.normal(0.0, 0.6))
    elif fault == "drift":
        load += 0.06 * n
    elif fault == "overload":
        load += pad.capacity_kg
    elif fault == "stuck":
        load = pad.load_kg * 0.62 if n > 3 else load
    elif fault == "dead corner":
        load = 0.02 * load
    if load > pad.capacity_kg:
        return None
    return round(load / STEP_KG) * STEP_KG
