"""place_together(document, fit, wish) → ways to place unit, batteries and lead at once, so that every loading keeps its limits.

A linear program: with masses as they are, moments are linear in where things sit, and so is every margin times its mass. What it finds is
rounded to the tape and assessed again before it is offered. Asked for when somebody looks, not with every edit.
"""

from __future__ import annotations

from typing import Any, Literal, NamedTuple

from .assess import assess
from .balance.frontier import Side
from .balance.ledger import is_lead
from .balance.placing import Held, cg_with_mount, engine_station_for_cg, longest_mount, mount_spacer_split
from .balance.section import BalanceBench, TrailPoint
from .balance.suggest import lead_row, movable, moves_with, tenths
from .bench import needs_out, or_none
from .document import LedgerRow, Project, apply_operations
from .errors import CannotSay, InputError, Need
from .figure import Place
from .finding import LEVELS, Level, Message, NeedOut, Operation, Param, q, word
from .formula import Out
from .propose import computed, on_the_tape, said_place, tape_text
from .resolve import ResolvedInstallation, got
from .wiring import Benches, set_up

Target = Literal["middle of the band", "least lead", "shortest overhang", "least change"]
TARGETS: tuple[Target, ...] = ("least change", "least lead", "middle of the band", "shortest overhang")
# Left over what the program aims at, m: what the tape rounds away.
_TAPE_M = 0.0005
# A move shorter than the tape shows is none, m (or kg). Proposed.
_LEAST = 5e-4
# Margins that differ by less are alike, m. Proposed.
_ALIKE_M = 0.002
# What a kilogram of lead counts for beside a metre of moving. Proposed.
_LEAD_PER_KG_M = 0.05
_JUDGED = ("balance.cg-forward", "balance.cg-aft", "balance.mass-max", "balance.worst-loading")


class Wish(NamedTuple):
    """How far the unit may go forward and aft, m; least clearance to the firewall, m; whether the propeller stays; how far each battery or
    pack may go, m; most lead, kg."""

    forward_m: float = 0.3
    aft_m: float = 0.3
    clearance_m: float = 0.0127
    propeller_stays: bool = False
    battery_m: float = 1.0
    lead_kg: float = 10.0


class Solution(Out):
    """A way to place everything: what it serves, its sentence, its patch, the worst level of the limits with it, the worst margins on
    either side (m), lead put in or taken out (kg), and what else it makes worse."""

    targets: list[Target]
    message: Message
    operations: list[Operation]
    reaches: Level
    forward_margin_si: float
    aft_margin_si: float
    lead_si: float
    consequences: list[Message]


class SplitOut(Out):
    """What puts the empty CG in the middle of its limits: station of the unit's CG, and lengths of mount and spacer with the propeller where
    it is (None where no mount does), m."""

    middle_si: float
    unit_cg_si: float
    mount_si: float | None
    spacer_si: float | None


class Placed(Out):
    """Solutions, one for each target that differs; and the empty CGs that the mount alone can reach with the propeller where it is.
    best_margin: the largest worst margin within the bounds, negative where none keeps every limit."""

    solutions: list[Solution]
    reach_from_si: float | None
    reach_to_si: float | None
    mount_from_si: float | None
    mount_to_si: float | None
    split: SplitOut | None
    best_margin_si: float | None
    needs: list[NeedOut]


class _Point(NamedTuple):
    """A loading: its mass (kg), moment (kg·m), limits (m), their slopes (m/kg), and the doubt of either margin (m) and of the mass (kg)."""

    mass_kg: float
    moment_kg_m: float
    limits_m: tuple[float, float]
    slopes_m_kg: tuple[float, float]
    u_m: tuple[float, float]
    u_kg: float

    @classmethod
    def of(cls, p: TrailPoint) -> _Point:
        """A point along a burn."""
        return cls(
            p.mass_kg, p.centre.moment_kg_m, (p.forward_limit_m, p.aft_limit_m), (p.forward_slope_m_kg, p.aft_slope_m_kg),
            (p.u("forward"), p.u("aft")), p.centre.mass.u,
        )  # fmt: skip


def _extremes(bench: BalanceBench) -> list[_Point]:
    """The worst of every loading that places and tanks allow, on either side; none where nobody said what they may carry."""
    every = bench.every_loading
    if not every.ranges_given:
        return []
    made = []
    sides: tuple[Side, Side] = ("forward", "aft")
    for side in sides:
        worst, u = every.worst_of_all(side)
        cut = bench.envelope.cut(worst.at.mass_kg)
        if cut is not None:
            made.append(_Point(
                worst.at.mass_kg, worst.at.mass_kg * worst.at.x_m, (cut.forward_m, cut.aft_m), (cut.forward_slope_m_kg, cut.aft_slope_m_kg), (u, u), 0.0,
            ))  # fmt: skip
    return made


class _Mover(NamedTuple):
    """Something that may move aft by lo to hi (m), or change by kilograms at a place: its effect on moment and mass for one unit of it."""

    id: str
    name: str
    lo: float
    hi: float
    moment: float
    mass: float
    cost: float
    figure: Place | None = None
    pointer: str = ""


def place_together(project: Project, fit_id: str | None, wish: Wish) -> Placed:
    """Ways to place everything at once.

    Raises InputError where there is no such fit, nothing to move, or no CG limits in this kind of craft."""
    if fit_id is None or fit_id not in project.fits:
        raise InputError(
            "/fits", "only a fit can be placed", given=fit_id, allowed=", ".join(project.fits) or "none yet"
        )
    benches = set_up(project, fit_id)
    if not benches.resolved.has("cg limits"):
        raise InputError("/kind", "this kind of craft has no CG limits to place for", given=project.kind)
    try:
        return _solved(project, fit_id, benches, wish)
    except CannotSay as gap:
        return Placed(
            solutions=[], reach_from_si=None, reach_to_si=None, mount_from_si=None, mount_to_si=None, split=None, best_margin_si=None, needs=needs_out(gap.needs)
        )  # fmt: skip


def _solved(project: Project, fit_id: str, benches: Benches, wish: Wish) -> Placed:
    bench = benches.balance
    gross = bench.gross
    points = [_Point.of(p) for case in bench.cases for p in case.trail] + _extremes(bench)
    movers = list(_movers(benches, fit_id, wish))
    if not movers:
        raise CannotSay(Need(f"/fits/{fit_id}/installations", "a placed unit, a battery or a place for lead"))
    before = assess(project, fit_id)
    serves: dict[tuple[float, ...], tuple[list[Target], list[float]]] = {}
    for target in TARGETS:
        found = _program(points, movers, target, gross)
        if found is None:
            continue
        if any(abs(v) > _LEAST for v in found[0]):
            serves.setdefault(tuple(round(v, 3) for v in found[0]), ([], found[0]))[0].append(target)
    offered = [_offered(project, fit_id, before, movers, values, targets) for targets, values in serves.values()]
    solutions = [s for s in offered if s is not None]
    best = _program(points, movers, "middle of the band", gross)
    reach = or_none(lambda: _reach(benches)) or (None, None, None, None, None)
    solutions.sort(key=lambda s: (LEVELS[::-1].index(s.reaches), len(s.consequences)))
    return Placed(
        solutions=solutions, reach_from_si=reach[0], reach_to_si=reach[1], mount_from_si=reach[2], mount_to_si=reach[3], split=reach[4],
        best_margin_si=best[1] if best else None, needs=[],
    )  # fmt: skip


def _movers(benches: Benches, fit_id: str, wish: Wish) -> Any:
    bench = benches.balance
    for bundle in benches.installations:
        placed, figure = bundle.placed, bundle.placed.installation.placement.flange_station
        without = ("propeller",) if wish.propeller_stays else ()
        weight = moves_with(placed.parts, without)
        if figure is None or weight <= 0:
            continue
        aft = wish.aft_m
        clear = or_none(lambda b=bundle: b.align.rear_clearance)
        if clear is not None:
            aft = min(aft, clear - wish.clearance_m)
        forward = wish.forward_m
        spacer = placed.installation.propeller.spacer
        if wish.propeller_stays:
            forward = min(forward, spacer.si if spacer else 0.0)
        if aft > -forward:
            yield _Mover(
                f"unit-{placed.id}{'-held' if wish.propeller_stays else ''}",
                placed.name,
                -forward,
                aft,
                weight,
                0.0,
                1.0,
                figure,
                f"{placed.pointer}/placement/flange_station",
            )
    for pointer, name, mass, item in movable(bench):
        if isinstance(item.station, Place) and any(w in name.casefold() for w in ("battery", "pack")):
            nose, tail = _ends(bench)
            at = bench.resolved.references.place(item.station, f"{pointer}/station", name, "x").value
            lo, hi = max(-wish.battery_m, nose - at), min(wish.battery_m, tail - at)
            if lo < 0 < hi:
                id = f"move-{pointer.rsplit('/', 1)[1]}"
                yield _Mover(id, name, lo, hi, mass, 0.0, 0.5, item.station, f"{pointer}/station")
    station = or_none(lambda: bench.ballast_station)
    if station is not None and wish.lead_kg > 0:
        yield _Mover("lead", "lead", 0.0, wish.lead_kg, station, 1.0, _LEAD_PER_KG_M)
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
                    yield _Mover(
                        f"out-{key}", row.name, 0.0, row.mass.si, -x, -1.0, -_LEAD_PER_KG_M / 10, None, f"{base}/{key}"
                    )


def _ends(bench: BalanceBench) -> tuple[float, float]:
    """Stations between which a part may sit: the ends of the craft where they are known, m."""
    outline = bench.resolved.project.craft.outline
    known = [f.along_m if f is not None and f.origin == "datum" else None for f in (outline.nose, outline.tail)]
    return (known[0] if known[0] is not None else -1e3), (known[1] if known[1] is not None else 1e3)


def _program(
    points: list[_Point], movers: list[_Mover], target: Target, gross: float
) -> tuple[list[float], float] | None:
    """Values of the movers and the least margin with them (m), or None where nothing within the bounds keeps every limit.

    Variables: each mover as an aft and a forward part, and the least margin t. Source: linear programming, HiGHS."""
    import numpy as np
    from scipy.optimize import linprog

    n = len(movers)
    effect_moment = np.array([m.moment for m in movers])
    effect_mass = np.array([m.mass for m in movers])
    rows, limits = [], []
    middle = target == "middle of the band"
    for p in points:
        m, moment = p.mass_kg, p.moment_kg_m
        for side, sign in ((0, 1.0), (1, -1.0)):
            limit, slope = p.limits_m[side], p.slopes_m_kg[side]
            wanted = 0.0 if middle else 2 * p.u_m[side] + _TAPE_M
            # sign·(moment + Δmoment − limit·(m + Δm) − slope·m·Δm) ≥ (wanted + t)·m
            push = sign * (effect_moment - (limit + slope * m) * effect_mass)
            rows.append([*(-push), *push, m if middle else 0.0])
            limits.append(sign * (moment - limit * m) - wanted * m)
    heaviest = max(p.mass_kg + 2 * p.u_kg for p in points)
    rows.append([*effect_mass, *(-effect_mass), 0.0])
    limits.append(max(gross - heaviest - 0.1, 0.0))
    cost = np.array([m.cost for m in movers])
    lead = np.array([float(m.mass) for m in movers])
    unit = np.array([1.0 if m.id.startswith("unit-") else 0.0 for m in movers])
    small = 1e-3 * np.abs(cost)
    if middle:
        aim = [*small * 1e-2, *small * 1e-2, -1.0]
    elif target == "least lead":
        aim = [*(lead + small), *(-lead + small), 0.0]
    elif target == "shortest overhang":
        aim = [*(-unit + small), *(unit + small), 0.0]
    else:
        aim = [*cost, *np.abs(cost), 0.0]
    bounds = [(0.0, max(m.hi, 0.0)) for m in movers] + [(0.0, max(-m.lo, 0.0)) for m in movers] + [(-5.0, 5.0)]
    found = linprog(aim, A_ub=np.array(rows), b_ub=np.array(limits), bounds=bounds, method="highs")
    if found.status == 0 and middle:
        # Of all that come as near the middle, within what cannot be told from it, that which changes least.
        bounds[-1] = (float(found.x[-1]) - _ALIKE_M, 5.0)
        found = linprog(
            [*cost, *np.abs(cost), 0.0], A_ub=np.array(rows), b_ub=np.array(limits), bounds=bounds, method="highs"
        )
    if found.status != 0:
        return None
    values = [float(found.x[i] - found.x[n + i]) for i in range(n)]
    return values, float(found.x[-1])


def _offered(
    project: Project, fit_id: str, before: Any, movers: list[_Mover], values: list[float], targets: list[Target]
) -> Solution | None:
    operations: list[Operation] = []
    parts: list[str] = []
    params: dict[str, Param] = {}
    lead = 0.0
    for k, (mover, value) in enumerate(zip(movers, values, strict=True)):
        if abs(value) <= _LEAST:
            continue
        if mover.figure is not None:
            placed, rounded, way, far = said_place(mover.figure, value, project.units)
            operations.append(Operation(op="replace", path=mover.pointer, value=placed))
            parts.append(f"{{n{k}}} {{d{k}}} {{w{k}}}, to {{x{k}}} {{r{k}}} of the {{o{k}}}")
            params |= {
                f"n{k}": word(mover.name), f"d{k}": q(far, "length"), f"w{k}": word("aft" if value > 0 else "forward"),
                f"x{k}": q(rounded, "length"), f"r{k}": word(way), f"o{k}": word(mover.figure.origin),
            }  # fmt: skip
            spacer = _spacer(project, fit_id, mover, value)
            if spacer is not None:
                operations.append(spacer[0])
                parts.append(f"its spacer {{s{k}}}")
                params[f"s{k}"] = q(spacer[1], "length")
        elif mover.id == "lead":
            row, kg = lead_row(project, fit_id, value)
            operations.append(row)
            lead += kg
            parts.append(f"{{m{k}}} of lead")
            params[f"m{k}"] = q(kg, "mass")
        else:
            op, kg = _taken_out(project, mover, value)
            operations.append(op)
            lead -= kg
            parts.append(f"{{m{k}}} of {{n{k}}} out")
            params |= {f"m{k}": q(kg, "mass"), f"n{k}": word(mover.name)}
    try:
        after = assess(apply_operations(project, [o.model_dump() for o in operations]), fit_id)
    except InputError:
        return None
    levels = {f.key: f.level for f in after.findings}
    old = {f.key: f.level for f in before.findings}
    judged = [levels[k] for k in _JUDGED if k in levels]
    reaches: Level = next((level for level in LEVELS if level in judged), "unknown")
    values_by_id = {v.id: v.si for v in after.values}
    worse = [
        f for f in after.findings
        if f.key not in _JUDGED and f.level in ("stop", "watch") and LEVELS.index(f.level) < LEVELS.index(old.get(f.key, "ok"))
    ]  # fmt: skip
    forward, aft = values_by_id.get("balance.forward-margin"), values_by_id.get("balance.aft-margin")
    if forward is None or aft is None:
        return None
    return Solution(
        targets=targets, message=Message(template="; ".join(parts), params=params), operations=operations, reaches=reaches,
        forward_margin_si=forward, aft_margin_si=aft, lead_si=lead,
        consequences=[Message(template=f.title.template, params={**f.title.params, "level": word(f.level)}) for f in worse],
    )  # fmt: skip


def _spacer(project: Project, fit_id: str, mover: _Mover, value: float) -> tuple[Operation, float] | None:
    """The spacer that keeps the propeller where it is, where the mover was reckoned without it."""
    if not mover.id.startswith("unit-") or not mover.id.endswith("-held"):
        return None
    key = mover.id.removeprefix("unit-").removesuffix("-held")
    spacer = project.fits[fit_id].installations[key].propeller.spacer
    if spacer is None:
        return None
    longer = on_the_tape(max(spacer.si + value, 0.0), project.units, up=value > 0)
    return Operation(
        op="replace",
        path=f"/fits/{fit_id}/installations/{key}/propeller/spacer",
        value=computed(spacer, tape_text(longer, project.units)),
    ), longer


def _taken_out(project: Project, mover: _Mover, value: float) -> tuple[Operation, float]:
    """Lead taken out: all of a row, or a part of it."""
    kind, key = mover.pointer.rsplit("/", 1)
    row: LedgerRow = (project.ledger if kind == "/ledger" else project.fits[kind.split("/")[2]].ledger)[key]
    assert row.mass is not None
    if row.kind == "kept" or value >= row.mass.si - 0.05:
        op: Any = "replace" if row.kind == "kept" else "remove"
        if op == "remove":
            return Operation(op="remove", path=mover.pointer), row.mass.si
        return Operation(op="replace", path=f"{mover.pointer}/kind", value="removed"), row.mass.si
    left = row.mass.si - value
    text, kg = tenths(project, left)
    return Operation(
        op="replace", path=f"{mover.pointer}/mass", value={"entered": text, "source": "computed"}
    ), row.mass.si - kg


def _reach(benches: Benches) -> tuple[float, float, float, float, SplitOut | None]:
    """Empty CGs with the shortest and the longest mount, propeller where it is, m; and those mounts, by the clearance of the unit."""
    bench, bundle = benches.balance, benches.installations[0]
    placed: ResolvedInstallation = bundle.placed
    firewall = placed.references.firewall_x().value
    flange, clear = placed.flange[0].value, bundle.align.rear_clearance
    unit = next(b for b in placed.parts if b.id == "unit")
    drive = [b for b in placed.parts if b.id == "drive"]
    moving = [unit, *drive]
    kg = sum(got(b.mass).value for b in moving)
    x = sum(got(b.mass).value * got(b.x).value for b in moving) / kg
    propeller = next(b for b in placed.parts if b.id == "propeller")
    plane, propeller_kg = got(propeller.x).value, got(propeller.mass).value
    rest_kg = bench.empty.mass_kg - kg - propeller_kg
    rest_x = (bench.empty.moment_kg_m - kg * x - propeller_kg * plane) / rest_kg
    face = firewall - clear  # the rearmost of the unit is its mounting face here
    held = Held(rest_kg, rest_x, kg, face - x, face - flange, firewall, plane, propeller_kg)
    longest = longest_mount(held)
    return cg_with_mount(held, 0.0)[0], cg_with_mount(held, longest)[0], 0.0, longest, _split(bench, held)


def _split(bench: BalanceBench, held: Held) -> SplitOut | None:
    """What puts the empty CG in the middle of the limits at that mass."""
    cut = bench.envelope.cut(bench.empty.mass_kg)
    if cut is None:
        return None
    middle = (cut.forward_m + cut.aft_m) / 2
    rest_kg = held.rest_kg + held.propeller_kg
    rest_x = (held.rest_kg * held.rest_x_m + held.propeller_kg * held.propeller_m) / rest_kg
    split = or_none(lambda: mount_spacer_split(held, middle))
    return SplitOut(
        middle_si=middle, unit_cg_si=engine_station_for_cg(rest_kg, rest_x, held.unit_kg, middle), mount_si=split.mount_m if split else None, spacer_si=split.spacer_m if split else None
    )  # fmt: skip
