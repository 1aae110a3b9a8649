"""Teeth for a wanted ratio: pairs of driving and driven wheels near what there is, each with what it makes."""

from __future__ import annotations

import math
from collections.abc import Iterator

from ...document import Stage
from ...errors import CannotSay, Gap, InputError, or_none
from ...formula import Out
from ...judging.finding import Operation
from ...judging.propose import computed
from ...judging.study import Answer, Study
from ...resolved.ratios import along_the_train, stage_ratio
from ..kept import is_kept
from .functions import propeller_speed
from .quantities import Train

# Kinds of stages whose ratio is that of their teeth alone.
_PLAIN = ("gear", "internal gear", "belt", "crossed belt", "chain", "bevel", "V-drive", "down-angle gear")
# Driving wheels this many teeth about the own one; pairs off by no more than that, and so many of them.
_ABOUT, _OFF, _SHOWN = 5, 0.04, 14
# Fewer teeth do not run; more are not sold for such a drive. Common practice, no source.
_LEAST, _MOST = 9, 120


class PairOut(Out):
    """One pair: its ratio and how far that is off what is wanted, as a share; after how many turns of the driving wheel
    the same teeth meet; what the train then turns, rad/s; what would write it down."""

    id: str
    driving: int
    driven: int
    ratio: float
    off: float
    meets: int
    turned_si: float | None
    own: bool
    operations: list[Operation]


class Pairs(Answer):
    """Pairs of one stage, the nearest first. stages: those that have teeth, key and name; turned: what they turn."""

    stages: list[tuple[str, str]] = []
    stage: str = ""
    wanted: float = 0.0
    turned: str = ""
    kept: bool = False
    pairs: list[PairOut] = []


def _toothed(train: Train) -> list[tuple[str, Stage]]:
    return [
        (k, s)
        for k, s in along_the_train(train.drive)
        if s.type in _PLAIN and s.driver_teeth is not None and s.driven_teeth is not None
    ]


def _near(driving: int, wanted: float) -> Iterator[tuple[int, int]]:
    """Pairs within reach of a wanted ratio."""
    for a in range(max(_LEAST, driving - _ABOUT), driving + _ABOUT + 1):
        for b in {math.floor(a * wanted), math.ceil(a * wanted)}:
            if _LEAST <= b <= _MOST and abs(b / a / wanted - 1) <= _OFF:
                yield a, b


def pairs(train: Train, *, stage: str | None, wanted: float | None) -> Pairs:
    """Pairs for a ratio of a stage: of the last one with teeth, and of its own ratio, where nobody says otherwise.
    Raises CannotSay where no stage has teeth, InputError where there is no such stage."""
    toothed = _toothed(train)
    if not toothed:
        raise CannotSay(Gap(train.p("drive/stages"), f"a stage with its teeth, of the {train.name}"))
    found = dict(toothed)
    key = stage or toothed[-1][0]
    if key not in found:
        raise InputError("/stage", "no such stage with teeth", given=key, allowed=", ".join(found))
    item = found[key]
    assert item.driver_teeth is not None and item.driven_teeth is not None
    own = int(item.driver_teeth.si), int(item.driven_teeth.si)
    ratio = wanted or own[1] / own[0]
    if ratio <= 0:
        raise InputError("/wanted", "a ratio is above zero", given=str(wanted), allowed="above zero")
    others = or_none(lambda: train.ratio / stage_ratio(item, train.p(f"drive/stages/{key}")))
    rated = or_none(lambda: train.rated_speed)
    kept = is_kept(train.placed, train.resolved, key)
    base = train.p(f"drive/stages/{key}")

    def row(a: int, b: int) -> PairOut:
        put = {"driver_teeth": (item.driver_teeth, a), "driven_teeth": (item.driven_teeth, b)}
        operations = [
            Operation(op="replace", path=f"{base}/{part}", value=computed(was, str(n)))
            for part, (was, n) in put.items()
            if was is None or int(was.si) != n
        ]
        if item.ratio is not None and operations:
            operations.append(Operation(op="remove", path=f"{base}/ratio"))
        turned = propeller_speed(rated, others * b / a) if rated is not None and others is not None else None
        return PairOut(
            id=f"{a}-{b}",
            driving=a,
            driven=b,
            ratio=b / a,
            off=b / a / ratio - 1,
            meets=b // math.gcd(a, b),
            turned_si=turned,
            own=(a, b) == own,
            operations=[] if kept else operations,
        )

    listed = {own, *_near(own[0], ratio)}
    nearest = lambda r: (abs(r.off), abs(r.driving - own[0]))
    rows = sorted((row(a, b) for a, b in listed), key=nearest)
    shown = rows[:_SHOWN]
    if not any(r.own for r in shown):
        shown.append(next(r for r in rows if r.own))
    return Pairs(
        stages=[(k, s.name) for k, s in toothed],
        stage=key,
        wanted=ratio,
        turned=train.turned,
        kept=kept,
        pairs=shown,
    )


STUDY = Study("teeth", "drive", "Teeth for a wanted ratio", pairs, Pairs, refused="no such installation", of_unit=True)
