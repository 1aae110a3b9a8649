"""place_together(document, fit, wish) → ways to place unit, packs and lead at once, so that every loading keeps its
limits.

With masses as they are, moments are linear in where things sit, and so is every limit. What the program finds is
rounded to the tape and assessed again before it is offered. Asked for when somebody looks, not with every edit.
"""

from __future__ import annotations

from typing import Any, Literal

from ...assess import assess
from ...balance.section import Balance
from ...balance.stowage.functions import WAYS
from ...balance.suggest import lead_row, tenths
from ...document import LedgerRow, Project, apply_operations
from ...errors import CannotSay, Gap, InputError, or_none
from ...formula import Out
from ...judging.finding import LEVELS, Level, Message, Operation, Param, Value, q, word
from ...judging.propose import computed, on_the_tape, said_place, tape_text
from ...resolved.installation import ResolvedInstallation
from ...resolved.references import got
from ...setup import Benches, set_up
from ...topic.workspace import Workspace
from .along import HeldFlange, cg_with_mount, engine_station_for_cg, longest_mount, mount_spacer_split
from .bounds import Aim, bounds, split_as_before, trim_as_before, upright
from .movers import Moving, movers
from .program import Solved, Target, solve
from .wish import Wish

# A move shorter than the tape shows is none, m (or kg). Proposed.
_LEAST = 5e-4


def targets(bench: Balance) -> dict[Target, Aim | None]:
    """What may be aimed at in this kind of craft, and what it brings to nothing; an aim that cannot be said yet is left
    out."""
    has = bench.resolved.has
    made: dict[Target, Aim | None] = {"least change": None}
    if has("cg limits"):
        return made | {"least lead": None, "middle of the band": None, "shortest overhang": None}
    asks: dict[Target, Any] = (
        {"trim as before": trim_as_before} if has("afloat") else {"split as before": split_as_before}
    )
    for target, ask in (asks | {"upright": upright}).items():
        aim = or_none(lambda a=ask: a(bench))
        if aim is not None:
            made[target] = aim
    return made | {"lowest": None}


def _judged(bench: Balance) -> tuple[str, ...]:
    """Rules that say whether a placing keeps the limits of this kind of craft."""
    has = bench.resolved.has
    made: tuple[str, ...] = ("balance.mass-max", "balance.pack-space", "balance.packs-apart")
    if has("cg limits"):
        made += ("balance.cg-forward", "balance.cg-aft", "balance.loadings.worst-loading")
    if has("afloat"):
        made += ("balance.trim", "balance.heel", "balance.gm", "balance.freeboard")
    if has("stands on wheels"):
        made += ("balance.wheelbase", "balance.axle-load")
    if has("pitch limits"):
        made += ("balance.axle-split", "balance.wheelie", "balance.lean")
    if has("corners"):
        made += ("balance.axle-shift", "balance.rollover")
    return made


def _answers(bench: Balance) -> tuple[str, ...]:
    """The headline values by which ways to place are told apart."""
    has = bench.resolved.has
    if has("cg limits"):
        return ("balance.forward-margin", "balance.aft-margin")
    if has("afloat"):
        return ("balance.trim", "balance.heel", "balance.gm")
    last = "balance.lean" if has("pitch limits") else "balance.cg-butt-line"
    return ("balance.front-share", last, "balance.cg-water-line")


class Solution(Out):
    """A way to place everything: what it serves, its sentence, its patch, the worst level of the limits with it, the
    answers that it gives, lead put in or taken out (kg), and what else it makes worse."""

    targets: list[Target]
    message: Message
    operations: list[Operation]
    reaches: Level
    answers: Message
    lead_si: float
    consequences: list[Message]


class SplitOut(Out):
    """What puts the empty CG in the middle of its limits: station of the unit's CG, and lengths of mount and spacer
    with the propeller where it is (None where no mount does), m."""

    middle_si: float
    unit_cg_si: float
    mount_si: float | None
    spacer_si: float | None


class PlacedTogether(Out):
    """Solutions, one for each target that differs; and the empty CGs that the mount alone can reach with the propeller
    where it is. best_margin: the largest worst margin to a CG limit within the bounds, negative where none keeps every
    limit. keeps: whether some placing within the bounds keeps every limit. needs: what is missing, or what a pack needs
    before it may go further."""

    solutions: list[Solution]
    keeps: bool
    reach_from_si: float | None = None
    reach_to_si: float | None = None
    mount_from_si: float | None = None
    mount_to_si: float | None = None
    split: SplitOut | None = None
    best_margin_si: float | None = None
    needs: list[Gap]


def place_together(project: Project, fit_id: str | None, wish: Wish) -> PlacedTogether:
    """Ways to place everything at once.

    Raises InputError where there is no such fit."""
    if fit_id is None or fit_id not in project.fits:
        raise InputError(
            "/fits", "only a fit can be placed", given=fit_id, allowed=", ".join(project.fits) or "none yet"
        )
    try:
        return _solved(project, fit_id, set_up(project, fit_id), wish)
    except CannotSay as gap:
        return PlacedTogether(solutions=[], keeps=False, needs=list(gap.needs))


def _solved(project: Project, fit_id: str, benches: Benches, wish: Wish) -> PlacedTogether:
    bench = benches.balance
    lines = bounds(bench)
    moving, orders, wanting = movers(benches, fit_id, wish)
    if not moving:
        if wanting:
            raise CannotSay(*wanting)
        raise CannotSay(
            Gap(f"/fits/{fit_id}/spaces", "a space in which a pack may lie, or a unit, battery or lead that may move")
        )
    trials = Workspace()
    before = assess(project, fit_id, trials, drawn=False)
    each = [m.mover for m in moving]
    held = [b if b.has >= b.ease else b._replace(effect=b.stop_effect or b.effect, ease=0.0) for b in lines]
    serves: dict[tuple[float, ...], tuple[list[Target], list[float]]] = {}
    keeps, best = False, None
    for target, aim in targets(bench).items():
        found: Solved | None = None
        # What is ok now stays so, if not all can be brought to it; and only then is anything less taken.
        for some, ease in ((lines, True), (held, True), (lines, False)):
            found = solve(some, each, orders, target, aim, ease)
            if found is not None:
                keeps = True
                break
        if target == "middle of the band":
            best = found
        if found is not None and any(abs(v) > _LEAST for v in found.values):
            serves.setdefault(tuple(round(v, 3) for v in found.values), ([], found.values))[0].append(target)
    offered = [
        _offered(project, fit_id, bench, before, moving, values, names, trials) for names, values in serves.values()
    ]
    solutions = [s for s in offered if s is not None]
    reach = (or_none(lambda: _reach(benches)) if bench.resolved.has("firewall") else None) or (
        None,
        None,
        None,
        None,
        None,
    )
    solutions.sort(key=lambda s: (LEVELS[::-1].index(s.reaches), len(s.consequences)))
    return PlacedTogether(
        solutions=solutions,
        keeps=keeps if best is None else best.margin_m >= 0,
        reach_from_si=reach[0],
        reach_to_si=reach[1],
        mount_from_si=reach[2],
        mount_to_si=reach[3],
        split=reach[4],
        best_margin_si=best.margin_m if best else None,
        needs=wanting,
    )


def _offered(
    project: Project,
    fit_id: str,
    bench: Balance,
    before: Any,
    moving: list[Moving],
    values: list[float],
    names: list[Target],
    trials: Workspace,
) -> Solution | None:
    operations: list[Operation] = []
    parts: list[str] = []
    params: dict[str, Param] = {}
    lead, said = 0.0, ""
    for k, (thing, value) in enumerate(zip(moving, values, strict=True)):
        if abs(value) <= _LEAST:
            continue
        if thing.figure is not None:
            placed, rounded, way, far = said_place(thing.figure, value, project.units)
            operations.append(Operation(op="replace", path=thing.pointer, value=placed))
            name = "" if thing.name == said else f"{{n{k}}} "
            parts.append(f"{name}{{d{k}}} {{w{k}}}, to {{x{k}}} {{r{k}}} of the {{o{k}}}")
            said = thing.name
            params |= {
                f"n{k}": word(thing.name),
                f"d{k}": q(far, "length"),
                f"w{k}": word(WAYS[thing.axis][value < 0]),
                f"x{k}": q(rounded, "length"),
                f"r{k}": word(way),
                f"o{k}": word(thing.figure.origin),
            }
            operations += _along_the_shaft(project, thing, value)
            spacer = _spacer(project, fit_id, thing, value)
            if spacer is not None:
                operations.append(spacer[0])
                parts.append(f"its spacer {{s{k}}}")
                params[f"s{k}"] = q(spacer[1], "length")
        elif thing.id == "lead":
            row, kg = lead_row(project, fit_id, value)
            operations.append(row)
            lead += kg
            parts.append(f"{{m{k}}} of lead")
            params[f"m{k}"] = q(kg, "mass")
        else:
            op, kg = _taken_out(project, thing, value)
            operations.append(op)
            lead -= kg
            parts.append(f"{{m{k}}} of {{n{k}}} out")
            params |= {f"m{k}": q(kg, "mass"), f"n{k}": word(thing.name)}
    try:
        after = assess(apply_operations(project, [o.model_dump() for o in operations]), fit_id, trials, drawn=False)
    except InputError:
        return None
    judged = _judged(bench)
    old = {f.key: f.level for f in before.findings}
    reaches: Level = next(
        (level for level in LEVELS if level in {f.level for f in after.findings if f.rule in judged}), "unknown"
    )
    worse = [
        f
        for f in after.findings
        if f.rule not in judged
        and f.level in ("stop", "watch")
        and LEVELS.index(f.level) < LEVELS.index(old.get(f.key, "ok"))
    ]
    answers = _said([v for id in _answers(bench) for v in after.values if v.id == id])
    if answers is None:
        return None
    return Solution(
        targets=names,
        message=Message(template="; ".join(parts), params=params),
        operations=operations,
        reaches=reaches,
        answers=answers,
        lead_si=lead,
        consequences=[
            Message(template=f.title.template, params={**f.title.params, "level": word(f.level)}) for f in worse
        ],
    )


def _said(values: list[Value]) -> Message | None:
    """Headline values as one sentence; None where one cannot be said."""
    if any(v.si is None for v in values):
        return None
    return Message(
        template=", ".join(
            f"{v.label[0].lower() + v.label[1:] if not v.label.startswith('GM') else v.label} {{v{i}}}"
            for i, v in enumerate(values)
        ),
        params={f"v{i}": q(v.si, v.dimension, v.ways) for i, v in enumerate(values) if v.si is not None},
    )


def _along_the_shaft(project: Project, thing: Moving, value: float) -> list[Operation]:
    """The height of a flange that goes along its shaft, so that the shaft keeps its angle."""
    if not thing.slope:
        return []
    _, fit_id, _, key, _, _ = thing.pointer.strip("/").split("/")
    height = project.fits[fit_id].installations[key].placement.flange_water_line
    if height is None:
        return []
    placed = said_place(height, value * thing.slope, project.units)[0]
    return [Operation(op="replace", path=thing.pointer.replace("flange_station", "flange_water_line"), value=placed)]


def _spacer(project: Project, fit_id: str, thing: Moving, value: float) -> tuple[Operation, float] | None:
    """The spacer that keeps the propeller where it is, where the unit was reckoned without it."""
    if not thing.id.startswith("unit-") or not thing.id.endswith("-held"):
        return None
    key = thing.id.removeprefix("unit-").removesuffix("-held")
    spacer = project.fits[fit_id].installations[key].propeller.spacer
    if spacer is None:
        return None
    grows = -value if project.fits[fit_id].installations[key].lies == "ahead of its flange" else value
    longer = on_the_tape(max(spacer.si + grows, 0.0), project.units, up=grows > 0)
    return Operation(
        op="replace",
        path=f"/fits/{fit_id}/installations/{key}/propeller/spacer",
        value=computed(spacer, tape_text(longer, project.units)),
    ), longer


def _taken_out(project: Project, thing: Moving, value: float) -> tuple[Operation, float]:
    """Lead taken out: all of a row, or a part of it."""
    kind, key = thing.pointer.rsplit("/", 1)
    row: LedgerRow = (project.ledger if kind == "/ledger" else project.fits[kind.split("/")[2]].ledger)[key]
    assert row.mass is not None
    if row.kind == "kept" or value >= row.mass.si - 0.05:
        op: Any = "replace" if row.kind == "kept" else "remove"
        if op == "remove":
            return Operation(op="remove", path=thing.pointer), row.mass.si
        return Operation(op="replace", path=f"{thing.pointer}/kind", value="removed"), row.mass.si
    left = row.mass.si - value
    text, kg = tenths(project, left)
    return Operation(
        op="replace", path=f"{thing.pointer}/mass", value={"entered": text, "source": "computed"}
    ), row.mass.si - kg


def _reach(benches: Benches) -> tuple[float, float, float, float, SplitOut | None]:
    """Empty CGs with the shortest and the longest mount, propeller where it is, m; and those mounts, by the clearance
    of the unit."""
    bench, bundle = benches.balance, benches.installations[0]
    placed: ResolvedInstallation = bundle.placed
    firewall = placed.references.firewall_x().value
    assert bundle.align.thrust is not None
    flange, clear = placed.flange[0].value, bundle.align.thrust.rear_clearance
    unit = next(b for b in placed.parts if b.id == "unit")
    drive = [b for b in placed.parts if b.id == "drive"]
    moving = [unit, *drive]
    kg = sum(got(b.mass).value for b in moving)
    x = sum(got(b.mass).value * got(b.x).value for b in moving) / kg
    propeller = next(b for b in placed.parts if b.id == "propeller")
    plane, propeller_kg = got(propeller.x).value, got(propeller.mass).value
    rest_kg = bench.ledger.empty.mass_kg - kg - propeller_kg
    rest_x = (bench.ledger.empty.moment_kg_m - kg * x - propeller_kg * plane) / rest_kg
    way: Literal[-1, 1] = 1 if placed.pushes else -1
    face = firewall + way * clear  # what of the unit is nearest the firewall is its mounting face here
    cg, end = way * (x - face), way * (flange - face)
    held = HeldFlange(rest_kg, rest_x, kg, cg, end, firewall, plane, propeller_kg, direction=way)
    longest = longest_mount(held)
    return cg_with_mount(held, 0.0)[0], cg_with_mount(held, longest)[0], 0.0, longest, _split(bench, held)


def _split(bench: Balance, held: HeldFlange) -> SplitOut | None:
    """What puts the empty CG in the middle of the limits at that mass."""
    cut = bench.limits.envelope.cut(bench.ledger.empty.mass_kg)
    if cut is None:
        return None
    middle = (cut.forward_m + cut.aft_m) / 2
    rest_kg = held.rest_kg + held.propeller_kg
    rest_x = (held.rest_kg * held.rest_x_m + held.propeller_kg * held.propeller_m) / rest_kg
    split = or_none(lambda: mount_spacer_split(held, middle))
    return SplitOut(
        middle_si=middle,
        unit_cg_si=engine_station_for_cg(rest_kg, rest_x, held.unit_kg, middle),
        mount_si=split.mount_m if split else None,
        spacer_si=split.spacer_m if split else None,
    )
