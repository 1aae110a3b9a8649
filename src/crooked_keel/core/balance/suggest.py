"""Ways to bring a CG back inside its limits: move the unit, split mount and spacer, put ballast in."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from typing import Literal, NamedTuple

from ..document import LedgerRow, Pack, Project
from ..errors import CannotSay, InputError, or_none
from ..figure.place import Place
from ..figure.units import LB_KG
from ..judging.finding import STATION, Message, Operation, Param, q, word
from ..judging.propose import Proposal, computed, moved_place, on_the_tape, said_place, tape_text
from ..resolved.references import Body, got
from .fuel.functions import along_limits, best_burn_orders
from .ledger.functions import MUCH_LEAD, ballast_mass
from .loadings.frontier import Side
from .section import Balance
from .stowage.functions import PLACES, WAYS, stowed
from .suggest_weighed import settle, take_hung, take_over

# How far each derived row follows its flange: the mount reaches from the unit to the firewall, so half. Packs stay.
_FOLLOWS = {"unit": 1.0, "drive": 1.0, "propeller": 1.0, "mount": 0.5}


class Lack(NamedTuple):
    """How far a loading is from where a way out brings it, m, on one side; its mass; where its CG lies now, and how far
    the limit goes aft with mass."""

    side: Side
    lack_m: float
    mass_kg: float
    at_m: float
    slope_m_kg: float = 0.0


def of_loadings(bench: Balance, side: Side) -> Lack | None:
    """What the worst of the loadings lacks of a margin of two standard deviations; of a twentieth of the range where it
    has that."""
    _, point = bench.loadings.worst(side)
    lack = 2 * point.u(side) - point.margin(side)
    if lack <= 0:
        lack = 0.05 * (point.aft_limit_m - point.forward_limit_m) - point.margin(side)
    slope = point.forward_slope_m_kg if side == "forward" else point.aft_slope_m_kg
    return Lack(side, lack, point.mass_kg, point.x_m, slope) if lack > 0 else None


def of_every(bench: Balance) -> Lack | None:
    """What the worst of all loadings that can be lacks of two standard deviations."""
    sides: tuple[Side, Side] = ("forward", "aft")
    found = [(s, *bench.every.worst_of_all(s)) for s in sides]
    side, worst, u = min(found, key=lambda f: f[1].margin_m / (f[2] or 1e-12))
    lack = 2 * u - worst.margin_m
    return Lack(side, lack, worst.at.mass_kg, worst.at.x_m) if lack > 0 else None


def into_limits(bench: Balance, lack: Lack | None) -> Iterator[Proposal]:
    """What brings a loading inside, on the tape: the unit, the unit and its spacer, a battery, lead."""
    if lack is None:
        return
    side = lack.side
    aft = 1.0 if side == "forward" else -1.0
    units = bench.resolved.project.units
    for placed in bench.resolved.installations:
        bodies = placed.parts
        figure = placed.installation.placement.flange_station
        if figure is None:
            continue
        base = placed.pointer
        weight = moves_with(bodies)
        if weight > 0:
            shift = aft * lack.lack_m * lack.mass_kg / weight
            value, rounded = moved_place(figure, shift, units, up=shift > 0)
            yield Proposal(
                f"unit-{placed.id}",
                Message(
                    template="{n} {d} further {way}: its flange {x} {dir} of the {origin}",
                    params={
                        "n": word(placed.name),
                        "d": q(abs(rounded - figure.si), "length"),
                        "way": word("aft" if aft > 0 else "forward"),
                        "x": q(rounded, "length"),
                        "dir": word(figure.dir),
                        "origin": word(figure.origin),
                    },
                ),
                [Operation(op="replace", path=f"{base}/placement/flange_station", value=value)],
            )
        spacer = placed.installation.propeller.spacer
        weight = moves_with(bodies, without=("propeller",))
        if weight > 0 and spacer is not None:
            shift = aft * lack.lack_m * lack.mass_kg / weight
            value, rounded = moved_place(figure, shift, units, up=shift > 0)
            grows = -aft if or_none(lambda p=placed: p.pushes) is True else aft
            longer = spacer.si + grows * abs(rounded - figure.si)
            if longer >= 0:
                text = tape_text(on_the_tape(longer, units, up=grows < 0), units)
                yield Proposal(
                    f"spacer-{placed.id}",
                    Message(
                        template="{n} {d} further {way}, spacer {s}: the propeller stays where it is",
                        params={
                            "n": word(placed.name),
                            "d": q(abs(rounded - figure.si), "length"),
                            "way": word("aft" if aft > 0 else "forward"),
                            "s": q(on_the_tape(longer, units, up=grows < 0), "length"),
                        },
                    ),
                    [
                        Operation(op="replace", path=f"{base}/placement/flange_station", value=value),
                        Operation(op="replace", path=f"{base}/propeller/spacer", value=computed(spacer, text)),
                    ],
                )
    yield from _shift(
        bench, -aft * lack.lack_m * lack.mass_kg, "station", _BATTERY_M, ("aft", "forward"), named=_BATTERY
    )
    yield from _ballast(bench, lack)


def moves_with(bodies: list[Body], without: tuple[str, ...] = ()) -> float:
    """Mass that follows the flange, kg (half of the mount's)."""
    total = 0.0
    for body in bodies:
        if body.id in without:
            continue
        try:
            total += _FOLLOWS.get(body.id, 0.0) * got(body.mass).value
        except CannotSay:
            return 0.0
    return total


def _ballast(bench: Balance, lack: Lack) -> Iterator[Proposal]:
    station = or_none(lambda: bench.limits.ballast_station)
    figure = bench.resolved.project.craft.ballast_station
    if station is None or figure is None or bench.resolved.fit_id is None:
        return
    target = lack.at_m + (1 if lack.side == "forward" else -1) * lack.lack_m
    mass = 0.0
    try:
        for _ in range(4):  # a limit that slopes with mass moves as the lead goes in
            mass = ballast_mass(lack.mass_kg, lack.at_m, target + lack.slope_m_kg * mass, station)
    except InputError:
        return
    if not 0 < mass <= MUCH_LEAD * bench.ledger.empty.mass_kg:
        return  # so much lead is no way out: something that is aboard anyway must move
    operation, kg = lead_row(bench.resolved.project, bench.resolved.fit_id, mass)
    yield Proposal(
        "ballast",
        Message(
            template="{m} of lead at {x}, on the centreline, its height to be entered; fixed, marked, and in the log",
            params={"m": q(kg, "mass"), "x": q(station, "length", STATION)},
        ),
        [operation],
    )


def lead_row(project: Project, fit_id: str, mass_kg: float) -> tuple[Operation, float]:
    """Lead at its station as a new row of a fit, to the tenth of a kilogram or pound upwards; and how much that is,
    kg."""
    figure = project.craft.ballast_station
    assert figure is not None
    text, kg = tenths(project, mass_kg)
    place = {"entered": figure.entered, "from": figure.origin, "dir": figure.dir, "source": "computed"}
    rows = project.fits[fit_id].ledger
    key = next(f"ballast-{i}" for i in range(1, 1000) if f"ballast-{i}" not in rows)
    row = {
        "name": "Ballast",
        "kind": "installed",
        "rank": 900.0,
        "mass": {"entered": text, "source": "computed"},
        "station": place,
        "butt_line": {"entered": "0 mm", "source": "computed"},
        "water_line": {"entered": "0 mm", "source": "computed"},
    }
    return Operation(op="add", path=f"/fits/{fit_id}/ledger/{key}", value=row), kg


def tenths(project: Project, mass_kg: float) -> tuple[str, float]:
    """A mass to the tenth of a kilogram or pound upwards, as written, and what that is, kg."""
    metric = project.units == "mm-kg"
    step = 0.1 if metric else 0.1 * LB_KG
    steps = math.ceil(mass_kg / step - 1e-9)
    return f"{steps / 10:.1f} {'kg' if metric else 'lb'}", steps * step


# How far a part is proposed to move, m: along and athwart a boat, and across any other craft.
_ALONG_M = 2.5
_ACROSS_M = 0.4
_BATTERY_M = 6.0
# What moves in an aeroplane without a new cowl: by name.
_BATTERY = ("battery", "pack", "ballast")
_ATHWART_M = 1.2


def movable(bench: Balance) -> Iterator[tuple[str, str, float, LedgerRow | Pack]]:
    """Packs and parts put in by this fit, heaviest first: pointer, name, mass and the item."""
    fit = bench.resolved.project.fits.get(bench.resolved.fit_id or "")
    if fit is None:
        return
    found: list[tuple[str, str, float, LedgerRow | Pack]] = []
    for placed in bench.resolved.installations:
        for key, pack in placed.installation.packs.items():
            if pack.mass is not None:
                found.append((f"{placed.pointer}/packs/{key}", pack.name, pack.mass.si, pack))
    for key, row in fit.ledger.items():
        if row.kind == "installed" and row.mass is not None:
            found.append((f"/fits/{bench.resolved.fit_id}/ledger/{key}", row.name, row.mass.si, row))
    yield from sorted(found, key=lambda f: -f[2])


def _shift(
    bench: Balance,
    moment_kg_m: float,
    part: str,
    most_m: float,
    words: tuple[str, str],
    named: tuple[str, ...] = ("",),
) -> Iterator[Proposal]:
    """Each movable part, of those named, moved so far along one axis that the moment is taken off."""
    some = [m for m in movable(bench) if any(n in m[1].casefold() for n in named)]
    for pointer, name, mass, item in some[:3]:
        figure = getattr(item, part)
        if figure is None or mass <= 0 or abs(moment_kg_m / mass) > most_m:
            continue
        by = -moment_kg_m / mass
        if part == "station" and not _aboard(bench, figure, f"{pointer}/{part}", by):
            continue
        value, rounded, way, far = said_place(figure, by, bench.resolved.project.units)
        yield Proposal(
            f"move-{pointer.rsplit('/', 1)[1]}",
            Message(
                template="{n} {d} {way}: {x} {dir} of the {origin}",
                params={
                    "n": word(name),
                    "d": q(far, "length"),
                    "way": word(words[0] if by > 0 else words[1]),
                    "x": q(rounded, "length"),
                    "dir": word(way),
                    "origin": word(figure.origin),
                },
            ),
            [Operation(op="replace", path=f"{pointer}/{part}", value=value)],
        )


def _aboard(bench: Balance, figure: Place, pointer: str, by_m: float) -> bool:
    """Whether a part moved so far along the craft is still between its ends, and a hand's breadth inside them."""
    outline, place = bench.resolved.project.craft.outline, bench.resolved.references.place
    at = or_none(lambda: place(figure, pointer, "station of what moves", "x").value)
    ends = [
        or_none(lambda f=f, n=n: place(f, f"/craft/outline/{n}", f"{n} of the craft", "x").value)
        for n, f in (("nose", outline.nose), ("tail", outline.tail))
    ]
    if at is None or ends[0] is None or ends[1] is None:
        return False
    return min(ends) + 0.1 <= at + by_m <= max(ends) - 0.1  # type: ignore[type-var,operator]


def trim(bench: Balance) -> Iterator[Proposal]:
    """A part forward or aft until the trim changes by no more than what is ok."""
    state = bench.floats.worst("trim")
    change, length = state.after.trim_m - state.before.trim_m, bench.floats.floating.length
    lack = change - math.copysign(0.0045 * length, change)
    yield from _shift(bench, lack * state.after.mct_kg, "station", _ALONG_M, ("aft", "forward"))


def heel(bench: Balance) -> Iterator[Proposal]:
    """A part to the other side until the list is gone."""
    state = bench.floats.worst("heel")
    yield from _shift(bench, state.after.heel_moment_kg_m, "butt_line", _ATHWART_M, ("to starboard", "to port"))


def lean(bench: Balance) -> Iterator[Proposal]:
    """A part to the other side until the craft balances upright."""
    y, _ = bench.rolls.lean()
    yield from _shift(bench, y * bench.ledger.empty.mass_kg, "butt_line", _ACROSS_M, ("to starboard", "to port"))


def stow(bench: Balance) -> Iterator[Proposal]:
    """Each pack that lies outside its space, as little as brings it inside."""
    units = bench.resolved.project.units
    for pack in stowed(bench.resolved):
        parts: list[str] = []
        params: dict[str, Param] = {"n": word(pack.name)}
        operations = []
        for axis, by, _ in pack.outside():
            part = PLACES[axis][0]
            value, rounded, way, far = said_place(getattr(pack.pack, part), by, units)
            operations.append(Operation(op="replace", path=f"{pack.pointer}/{part}", value=value))
            parts.append(f"{{d{axis}}} {{w{axis}}}, to {{x{axis}}} {{r{axis}}} of the {{o{axis}}}")
            params |= {
                f"d{axis}": q(far, "length"),
                f"w{axis}": word(WAYS[axis][by < 0]),
                f"x{axis}": q(rounded, "length"),
                f"r{axis}": word(way),
                f"o{axis}": word(getattr(pack.pack, part).origin),
            }
        if parts:
            yield Proposal(
                f"stow-{pack.pointer.rsplit('/', 1)[1]}",
                Message(template="{n} " + "; ".join(parts), params=params),
                operations,
            )


def turns(bench: Balance) -> Iterator[Proposal]:
    """Tanks burnt one after another, in the order that leaves most to the limits: that of each loading that holds fuel
    in several."""
    tanks = {k: (pointer, tank) for k, pointer, tank in bench.loads.tanks(True)}
    seen = set()
    for case in bench.loadings.cases:
        full = bench.fuel.tankfuls(case.key)
        if len(full) < 2:
            continue
        dry, _ = bench.loadings.loaded(case.key)
        for order in best_burn_orders(
            dry.mass_kg, dry.station_m, full, "largest margin", along_limits(bench.limits.envelope), most=2
        ):
            if order.tanks in seen:
                continue
            seen.add(order.tanks)
            operations = [
                Operation(
                    op="add" if tanks[k][1].turn is None else "replace",
                    path=f"{tanks[k][0]}/turn",
                    value={"entered": str(n), "source": "computed"},
                )
                for n, k in enumerate(order.tanks, 1)
            ]
            names = {f"t{n}": word(tanks[k][1].name) for n, k in enumerate(order.tanks)}
            yield Proposal(
                f"turns-{'-'.join(order.tanks)}",
                Message(template="Burn " + ", then ".join(f"{{t{n}}}" for n in range(len(names))), params=names),
                operations,
            )


def forward(bench: Balance) -> Iterator[Proposal]:
    """Ways out ahead of the forward limit."""
    return into_limits(bench, of_loadings(bench, "forward"))


def aft(bench: Balance) -> Iterator[Proposal]:
    """Ways out behind the aft limit."""
    return into_limits(bench, of_loadings(bench, "aft"))


def every_loading(bench: Balance) -> Iterator[Proposal]:
    """What each place may carry at the most or the least, to be placarded; then what moves the CG."""
    lack = of_every(bench)
    if lack is not None:
        yield from _placards(bench, lack)
        yield from into_limits(bench, lack)


def _placards(bench: Balance, lack: Lack) -> Iterator[Proposal]:
    """A place that is at an end of its range in the worst loading, its range cut so far that the worst is inside."""
    worst, u = bench.every.worst_of_all(lack.side)
    limit = worst.limit_m + (2 * u if lack.side == "forward" else -2 * u)
    for item, _ in bench.every.items:
        key = item.id.removeprefix("seats/")
        seat = bench.resolved.project.craft.seats.get(key) if item.id.startswith("seats/") else None
        if seat is None or abs(limit - item.x_m) < 1e-6:
            continue
        more = worst.at.mass_kg * (lack.at_m - limit) / (limit - item.x_m)
        end = item.hi_kg if more < 0 else item.lo_kg
        part: Literal["heaviest", "lightest"] = "heaviest" if more < 0 else "lightest"
        figure = getattr(seat, part)
        kg = (math.floor if more < 0 else math.ceil)(end + more)
        if figure is None or abs(worst.at.loads_kg[item.id] - end) > 1e-6 or not item.lo_kg <= kg <= item.hi_kg:
            continue
        yield Proposal(
            f"placard-{key}",
            Message(
                template="{n}: {end} {m} for every flight and in every fit, on a placard",
                params={
                    "n": word(seat.name),
                    "end": word("no more than" if more < 0 else "no less than"),
                    "m": q(float(kg), "mass"),
                },
            ),
            [Operation(op="replace", path=f"/craft/seats/{key}/{part}", value=computed(figure, f"{kg} kg"))],
        )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "balance.cg-forward": forward,
    "balance.cg-aft": aft,
    "balance.worst-loading": every_loading,
    "balance.burn-order": turns,
    "balance.trim": trim,
    "balance.heel": heel,
    "balance.lean": lean,
    "balance.pack-space": stow,
    "balance.surprise": settle,
    "balance.unit-hung": take_hung,
    "balance.unit-on-scales": take_over,
}
