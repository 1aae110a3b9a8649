"""What may move, and how far: units along the craft, packs within their spaces, batteries along the craft, lead in and
out."""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import NamedTuple

from ...balance.ledger.functions import is_lead
from ...balance.section import Balance
from ...balance.stowage.functions import PLACES, Stowed, gaps, stowed
from ...balance.suggest import movable, moves_with
from ...errors import Gap, or_none
from ...figure.place import Place
from ...figure.units import TAPE_M
from ...resolved.installation import ResolvedInstallation
from ...resolved.references import Axis
from ...setup import Benches
from .bounds import Effect
from .program import MoveOrder, Mover
from .wish import Wish

# What a kilogram of lead counts for beside a metre of moving, and a metre of a pack beside one of the unit. Proposed.
LEAD_PER_KG_M = 0.05
_PACK_PER_M = 0.5
_AXES: tuple[Axis, ...] = ("x", "y", "z")


class Moving(NamedTuple):
    """A mover with what it is: its name, the axis along which it goes, the figure that says where it is and that
    figure's pointer. slope: how far up its flange goes for each metre aft, along a shaft."""

    id: str
    name: str
    mover: Mover
    axis: Axis = "x"
    figure: Place | None = None
    pointer: str = ""
    slope: float = 0.0


def _along(axis: Axis, mass_kg: float) -> Effect:
    """A metre along an axis, of a mass."""
    return (0.0, *(mass_kg if a == axis else 0.0 for a in _AXES))  # type: ignore[return-value]


def movers(benches: Benches, fit_id: str, wish: Wish) -> tuple[list[Moving], list[MoveOrder], list[Gap]]:
    """Everything that may move; the packs that keep their order; and what packs need before they may move further."""
    bench = benches.balance
    packs = stowed(bench.resolved)
    made = [*_units(benches, wish), *_packs(bench, packs), *_batteries(bench, packs, wish), *_lead(bench, fit_id, wish)]
    at = {(m.pointer.rsplit("/", 1)[0], m.axis): k for k, m in enumerate(made) if m.figure is not None}
    orders = []
    for gap in gaps(packs):
        first, second = (at.get((p.pointer, gap.axis)) for p in (gap.first, gap.second))
        if first is not None or second is not None:
            orders.append(MoveOrder(first, second, gap.gap_m))
    return made, orders, [n for p in packs for n in p.needs]


def _units(benches: Benches, wish: Wish) -> Iterator[Moving]:
    if benches.resolved.has("swing unit"):
        return  # it hangs on its pivot
    for bundle in benches.installations:
        placed, figure = bundle.placed, bundle.placed.installation.placement.flange_station
        air = placed.references.has("air propeller")
        stays = wish.propeller_stays or not air
        weight = moves_with(placed.parts, ("propeller",) if stays else ())
        if figure is None or weight <= 0:
            continue
        forward, aft = wish.forward_m, wish.aft_m
        clear = or_none(lambda b=bundle: b.align.thrust.rear_clearance) if air else None
        pushes = or_none(lambda p=placed: p.pushes) is True
        toward_wall = clear - wish.clearance_m if clear is not None else math.inf
        spacer = placed.installation.propeller.spacer
        off_wall = (spacer.si if spacer else 0.0) if air and wish.propeller_stays else math.inf
        aft, forward = min(aft, off_wall if pushes else toward_wall), min(forward, toward_wall if pushes else off_wall)
        if aft > -forward:
            slope = _slope(placed)
            effect: Effect = (0.0, weight, 0.0, weight * slope)
            held = "-held" if air and wish.propeller_stays else ""
            yield Moving(
                f"unit-{placed.id}{held}",
                placed.name,
                Mover(-forward, aft, effect, 1.0, unit=True),
                "x",
                figure,
                f"{placed.pointer}/placement/flange_station",
                slope,
            )


def _slope(placed: ResolvedInstallation) -> float:
    """How far up a metre aft goes along the shaft to a propeller that stays; 0 where there is none."""
    if not placed.references.has("shaft line"):
        return 0.0
    ends = or_none(lambda: (placed.flange, placed.propeller_centre))
    if ends is None or abs(ends[1][0].value - ends[0][0].value) < 0.1:
        return 0.0
    return (ends[1][2].value - ends[0][2].value) / (ends[1][0].value - ends[0][0].value)


def _packs(bench: Balance, packs: list[Stowed]) -> Iterator[Moving]:
    """Packs that have a space, along every axis on which it is closed; the tape's step is kept off its sides."""
    step = TAPE_M[bench.resolved.project.units]
    for pack in packs:
        mass = pack.pack.mass
        if mass is None:
            continue
        for axis in _AXES:
            room, figure = pack.room(axis), getattr(pack.pack, PLACES[axis][0])
            if room is None or figure is None or room[0] > room[1]:
                continue
            lo, hi = (room[0] + step, room[1] - step) if room[1] - room[0] > 2 * step else (sum(room) / 2,) * 2
            yield Moving(
                f"{pack.pointer.rsplit('/', 1)[1]}-{axis}",
                pack.name,
                Mover(lo, hi, _along(axis, mass.si), _PACK_PER_M),
                axis,
                figure,
                f"{pack.pointer}/{PLACES[axis][0]}",
            )


def _batteries(bench: Balance, packs: list[Stowed], wish: Wish) -> Iterator[Moving]:
    """Batteries and packs without a space of their own, along the craft; not on two wheels, where none goes anywhere
    but into a space."""
    if bench.resolved.has("pitch limits"):
        return
    housed = {p.pointer for p in packs if p.space is not None}
    for pointer, name, mass, item in movable(bench):
        if pointer in housed or not isinstance(item.station, Place):
            continue
        if any(w in name.casefold() for w in ("battery", "batteries", "pack", "bank")):
            nose, tail = _ends(bench)
            at = bench.resolved.references.place(item.station, f"{pointer}/station", name, "x").value
            lo, hi = max(-wish.battery_m, nose - at), min(wish.battery_m, tail - at)
            if lo < 0 < hi:
                yield Moving(
                    f"move-{pointer.rsplit('/', 1)[1]}",
                    name,
                    Mover(lo, hi, _along("x", mass), _PACK_PER_M),
                    "x",
                    item.station,
                    f"{pointer}/station",
                )


def _lead(bench: Balance, fit_id: str, wish: Wish) -> Iterator[Moving]:
    if not bench.resolved.has("cg limits"):
        return
    station = or_none(lambda: bench.limits.ballast_station)
    if station is not None and wish.lead_kg > 0:
        yield Moving("lead", "lead", Mover(0.0, wish.lead_kg, (1.0, station, 0.0, 0.0), LEAD_PER_KG_M))
    fit = bench.resolved.project.fits[fit_id]
    for base, rows in (("/ledger", bench.resolved.project.ledger), (f"/fits/{fit_id}/ledger", fit.ledger)):
        for key, row in rows.items():
            if row.kind in ("kept", "installed") and row.mass is not None and is_lead(row.name):
                x = or_none(
                    lambda r=row, b=base, k=key: (
                        bench.resolved.references.place(r.station, f"{b}/{k}/station", r.name, "x").value
                    )
                )
                if x is not None:
                    yield Moving(
                        f"out-{key}",
                        row.name,
                        Mover(0.0, row.mass.si, (-1.0, -x, 0.0, 0.0), -LEAD_PER_KG_M / 10),
                        pointer=f"{base}/{key}",
                    )


def _ends(bench: Balance) -> tuple[float, float]:
    """Stations between which a part may sit: the ends of the craft where they are known, m."""
    outline = bench.resolved.project.craft.outline
    known = [f.along_m if f is not None and f.origin == "datum" else None for f in (outline.nose, outline.tail)]
    return (known[0] if known[0] is not None else -1e3), (known[1] if known[1] is not None else 1e3)
