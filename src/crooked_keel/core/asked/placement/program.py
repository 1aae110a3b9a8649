"""The linear program: how far each mover goes, so that every bound holds and a target is served."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, NamedTuple

import numpy as np

from .bounds import Aim, Bound, Effect

Target = Literal[
    "middle of the band",
    "least lead",
    "shortest overhang",
    "least change",
    "split as before",
    "trim as before",
    "upright",
    "lowest",
]
# Margins that differ by less are alike, m. Proposed.
_ALIKE_M = 0.002
# What changing counts for beside the target, so that nothing moves for nothing.
_SMALL = 1e-3


class Mover(NamedTuple):
    """Something that may go by lo to hi: what one unit of it does, and what it costs. unit: whether it is the power
    unit."""

    lo: float
    hi: float
    effect: Effect
    cost: float
    unit: bool = False


class MoveOrder(NamedTuple):
    """Two movers kept in their order along an axis: the second goes at least as far as the first less what is between
    them, m. None: it does not move."""

    first: int | None
    second: int | None
    gap_m: float


class Solved(NamedTuple):
    """How far each mover goes, and the least margin to a CG limit, m."""

    values: list[float]
    margin_m: float


def solve(
    bounds: Sequence[Bound],
    movers: Sequence[Mover],
    orders: Sequence[MoveOrder],
    target: Target,
    aim: Aim | None,
    ease: bool,
) -> Solved | None:
    """What serves a target best; None where nothing within the movers' reach keeps every bound. ease: ok is wanted, not
    only no stop.

    Variables: each mover as a part on and a part back; the least margin t; the size e of what is aimed to be nothing.
    Source: linear programming, HiGHS."""
    from scipy.optimize import linprog

    n = len(movers)
    table = np.array([m.effect for m in movers]).T  # 4 × n
    middle = target == "middle of the band"
    rows, limits = [], []
    for b in bounds:
        effect, left = b.line(ease and not middle)
        push = np.array(effect) @ table
        rows.append([*(-push), *push, b.mass_kg if middle else 0.0, 0.0])
        limits.append(left)
    for order in orders:
        row = np.zeros(2 * n + 2)
        for k, sign in ((order.first, 1.0), (order.second, -1.0)):
            if k is not None:
                row[k] += sign
                row[n + k] -= sign
        rows.append([*row])
        limits.append(order.gap_m)
    if aim is not None:
        push = np.array(aim.effect) @ table / aim.mass_kg
        for sign in (1.0, -1.0):
            rows.append([*(sign * push), *(-sign * push), 0.0, -1.0])
            limits.append(-sign * aim.has / aim.mass_kg)
    cost = np.array([m.cost for m in movers])
    small = _SMALL * np.abs(cost)
    change = [*cost, *np.abs(cost), 0.0, 0.0]
    lead = np.array([m.effect[0] for m in movers])
    overhang = np.array([1.0 if m.unit else 0.0 for m in movers])
    up = table[3] / max(float(np.abs(table[3]).max(initial=0.0)), 1e-9)
    aims: dict[Target, list[float]] = {
        "middle of the band": [*small * 1e-2, *small * 1e-2, -1.0, 0.0],
        "least lead": [*(lead + small), *(-lead + small), 0.0, 0.0],
        "shortest overhang": [*(-overhang + small), *(overhang + small), 0.0, 0.0],
        "least change": change,
        "lowest": [*(up + small), *(-up + small), 0.0, 0.0],
    }
    wanted = aims.get(target, [*small, *small, 0.0, 10.0])
    reach = [(max(m.lo, 0.0), max(m.hi, 0.0)) for m in movers] + [(max(-m.hi, 0.0), max(-m.lo, 0.0)) for m in movers]
    reach += [(-5.0, 5.0), (0.0, None)]  # type: ignore[list-item]
    program = {"A_ub": np.array(rows), "b_ub": np.array(limits), "method": "highs"}
    found = linprog(wanted, bounds=reach, **program)
    if found.status == 0 and middle:
        # Of all that come as near the middle, within what cannot be told from it, that which changes least.
        reach[-2] = (float(found.x[-2]) - _ALIKE_M, 5.0)
        found = linprog(change, bounds=reach, **program)
    if found.status != 0:
        return None
    return Solved([float(found.x[i] - found.x[n + i]) for i in range(n)], float(found.x[-2]))
