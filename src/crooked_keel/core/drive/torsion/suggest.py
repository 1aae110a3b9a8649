"""Ways out of a crossing: a softer or stiffer coupling, other teeth, a slowest speed above it, a higher idle."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

import numpy as np

from ...document.drive import Twisting
from ...errors import or_none
from ...judging.finding import Message, Operation, q, word
from ...judging.propose import Proposal, computed, to_buy
from ..train.suggest import regeared
from .quantities import CLOSE, NEAR, Meeting, Torsion
from .rules import level_of

# Stiffnesses that are tried: from a thirtieth to thirty times what there is.
_FACTORS = np.geomspace(1 / 30, 30, 61)
# What couplings are called by their stiffness in twist over the torque that they carry, per rad. From memory.
_CLASSES = (
    (6.0, "highly elastic, rubber in shear"),
    (20.0, "rubber in compression"),
    (80.0, "a spider or a tyre of hard rubber"),
    (math.inf, "steel, discs or a plain shaft"),
)


def _stops(torsion: Torsion, meetings: list[Meeting]) -> int:
    at = lambda m, off: level_of(getattr(m, off), getattr(m, f"{off}_doubted"), m).level
    return sum(at(m, off) == "stop" for m in meetings for off in ("off_idle", "off_working"))


def _rounded(k: float, up: bool) -> float:
    """To two figures, away from where it was."""
    step = 10 ** (math.floor(math.log10(k)) - 1)
    return float((math.ceil if up else math.floor)(k / step + (-1e-9 if up else 1e-9)) * step)


def coupling(torsion: Torsion) -> Iterator[Proposal]:
    """The next softer and the next stiffer one of each shaft and coupling with no crossing that stops, idle looked at
    too."""
    for i, (key, item) in enumerate(torsion.line):
        yield from _instead(torsion, i, key, item)


def _instead(torsion: Torsion, place: int, key: str, item: Twisting) -> Iterator[Proposal]:
    torque = or_none(lambda: torsion.train.mean_torque)
    there, speed, _ = torsion.elements[place]
    free = [f for f in _FACTORS if not _stops(torsion, torsion.meetings(lambda i, k, f=f: k * f if i == place else k))]
    softer, stiffer = max((f for f in free if f < 1), default=None), min((f for f in free if f > 1), default=None)
    for name, factor in (("softer", softer), ("stiffer", stiffer)):
        if factor is None:
            continue
        k = _rounded(there.si * float(factor), up=factor > 1)
        # The torque of the output, at the speed of what twists.
        per = k / (torque / torsion.placed.ratio * speed) if torque else None
        sort = next(w for most, w in _CLASSES if per <= most) if per is not None else "its class by its maker"
        yield Proposal(
            f"{name}-{key}",
            Message(
                template="Buy: {n} of {k} at its torque: {c}; its dynamic stiffness, hot, by its maker",
                params={"n": word(item.name), "k": q(k, "twist"), "c": word(sort)},
            ),
            [
                Operation(
                    op="replace",
                    path=torsion.p(f"drive/line/{key}/stiffness"),
                    value=to_buy(f"{k:g} N·m/rad ±{0.1 * k:g} N·m/rad"),
                )
            ],
        )


def working(torsion: Torsion) -> Iterator[Proposal]:
    """A slowest speed above the crossings at the lower end of the band; another coupling."""
    _, low, high = torsion.speeds
    near = [m.crossing for m in torsion.all_meetings if m.off_working < NEAR and m.crossing.order.weight == "major"]
    figure = torsion.drive.works_from
    if near and figure is not None:
        wanted = math.ceil(max(c.high for c in near) / (1 - CLOSE) * 30 / math.pi / 50 + 1e-9) * 50
        if low < wanted * math.pi / 30 < (low + high) / 2:
            yield Proposal(
                "works-from",
                Message(
                    template="Not worked under {n}: a mark on the tachometer, gone through briskly",
                    params={"n": q(wanted * math.pi / 30, "rotation")},
                ),
                [Operation(op="replace", path=torsion.p("drive/works_from"), value=computed(figure, f"{wanted} rpm"))],
            )
    yield from coupling(torsion)
    yield from regeared(torsion.train, torsion.resolved)


def idling(torsion: Torsion) -> Iterator[Proposal]:
    """An idle above the crossing; another coupling."""
    idle, low, _ = torsion.speeds
    near = [m.crossing for m in torsion.all_meetings if m.off_idle < NEAR and m.crossing.order.weight == "major"]
    figure = torsion.unit.idle_speed
    if near and figure is not None:
        wanted = math.ceil(max(c.at for c in near) * (1 + NEAR + 0.02) * 30 / math.pi / 10) * 10
        if idle < wanted * math.pi / 30 < min(1.5 * idle, low):
            yield Proposal(
                "idle",
                Message(
                    template="Idle at {n}, if its maker allows it",
                    params={"n": q(wanted * math.pi / 30, "rotation")},
                ),
                [Operation(op="replace", path=torsion.p("unit/idle_speed"), value=computed(figure, f"{wanted} rpm"))],
            )
    yield from coupling(torsion)
    yield from regeared(torsion.train, torsion.resolved)


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.torsion-working": working,
    "drive.torsion-idle": idling,
}
