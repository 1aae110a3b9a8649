"""Ways to bring a CG back inside its limits: move the unit, split mount and spacer, put ballast in."""

from __future__ import annotations

import math
from collections.abc import Iterator

from ..bench import or_none
from ..errors import CannotSay, InputError
from ..finding import Message, Operation, q, word
from ..propose import Proposal, computed, moved_place, on_the_tape, tape_text
from ..resolve import Body, got
from ..units import LB_KG
from .ledger import ballast_mass
from .section import BalanceBench

# How far each derived row follows its flange: the mount reaches from the unit to the firewall, so half.
_FOLLOWS = {"unit": 1.0, "drive": 1.0, "propeller": 1.0, "mount": 0.5}


def propose(bench: BalanceBench, side: str) -> Iterator[Proposal]:
    """Proposals for the forward or aft limit; each aims at a margin of two standard deviations, on the tape."""
    _, point = bench.worst(side)
    lack = 2 * point.u(side) - point.margin(side)
    if lack <= 0:
        lack = 0.05 * (point.aft_limit_m - point.forward_limit_m) - point.margin(side)
    if lack <= 0:
        return
    aft = 1.0 if side == "forward" else -1.0
    units = bench.resolved.project.units
    for placed in bench.resolved.installations:
        bodies = placed.parts
        figure = placed.installation.placement.flange_station
        if figure is None:
            continue
        base = placed.pointer
        weight = _moment_per_metre(bodies, without=())
        if weight > 0:
            shift = aft * lack * point.mass_kg / weight
            value, rounded = moved_place(figure, shift, units, up=shift > 0)
            yield Proposal(
                f"unit-{placed.id}",
                Message(
                    template="{n} {d} further {way}: its flange {x} {dir} of the {origin}",
                    params={"n": word(placed.name), "d": q(abs(rounded - figure.si), "length"), "way": word("aft" if aft > 0 else "forward"),
                            "x": q(rounded, "length"), "dir": word(figure.dir), "origin": word(figure.origin)},
                ),
                [Operation(op="replace", path=f"{base}/placement/flange_station", value=value)],
            )  # fmt: skip
        spacer = placed.installation.propeller.spacer
        weight = _moment_per_metre(bodies, without=("propeller",))
        if weight > 0 and spacer is not None:
            shift = aft * lack * point.mass_kg / weight
            value, rounded = moved_place(figure, shift, units, up=shift > 0)
            longer = spacer.si + aft * abs(rounded - figure.si)
            if longer >= 0:
                text = tape_text(on_the_tape(longer, units, up=aft < 0), units)
                yield Proposal(
                    f"spacer-{placed.id}",
                    Message(
                        template="{n} {d} further {way}, spacer {s}: the propeller stays where it is",
                        params={"n": word(placed.name), "d": q(abs(rounded - figure.si), "length"), "way": word("aft" if aft > 0 else "forward"), "s": q(on_the_tape(longer, units, up=aft < 0), "length")},
                    ),
                    [
                        Operation(op="replace", path=f"{base}/placement/flange_station", value=value),
                        Operation(op="replace", path=f"{base}/propeller/spacer", value=computed(spacer, text)),
                    ],
                )  # fmt: skip
    yield from _ballast(bench, side, lack)


def _moment_per_metre(bodies: list[Body], without: tuple[str, ...]) -> float:
    """Mass that follows the flange, kg (half of the mount's)."""
    total = 0.0
    for body in bodies:
        if body.id in without:
            continue
        try:
            total += _FOLLOWS[body.id] * got(body.mass).value
        except CannotSay:
            return 0.0
    return total


def _ballast(bench: BalanceBench, side: str, lack: float) -> Iterator[Proposal]:
    station = or_none(lambda: bench.ballast_station)
    figure = bench.craft.ballast_station
    if station is None or figure is None or bench.resolved.fit_id is None:
        return
    _, point = bench.worst(side)
    slope = point.forward_slope_m_kg if side == "forward" else point.aft_slope_m_kg
    target = point.limit(side) + (1 if side == "forward" else -1) * (lack + point.margin(side))
    mass = 0.0
    try:
        for _ in range(4):  # a limit that slopes with mass moves as the lead goes in
            mass = ballast_mass(point.mass_kg, point.x_m, target + slope * mass, station)
    except InputError:
        return
    if mass <= 0:
        return
    units = bench.resolved.project.units
    step = 0.1 if units == "mm-kg" else 0.1 * LB_KG
    steps = math.ceil(mass / step - 1e-9)
    text = f"{steps / 10:.1f} {'kg' if units == 'mm-kg' else 'lb'}"
    place = {"entered": figure.entered, "from": figure.origin, "dir": figure.dir, "source": "computed"}
    rows = bench.resolved.project.fits[bench.resolved.fit_id].ledger
    key = next(f"ballast-{i}" for i in range(1, 1000) if f"ballast-{i}" not in rows)
    row = {
        "name": "Ballast", "kind": "installed", "rank": 900.0, "mass": {"entered": text, "source": "computed"}, "station": place,
        "butt_line": {"entered": "0 mm", "source": "computed"}, "water_line": {"entered": "0 mm", "source": "computed"},
    }  # fmt: skip
    yield Proposal(
        "ballast",
        Message(
            template="{m} of lead at {x}; fixed, marked, and in the log",
            params={"m": q(steps * step, "mass"), "x": q(station, "length")},
        ),
        [Operation(op="add", path=f"/fits/{bench.resolved.fit_id}/ledger/{key}", value=row)],
    )
