"""Plans offered for a fit: what each would put in, and what falls away because the fit has no reason for it."""

from __future__ import annotations

import re

from ..document import Fit, Project
from ..errors import InputError
from ..formula import Out
from ..judging.finding import Operation
from ..reference.plans import (
    ENGINE,
    FUEL,
    LIQUID,
    PACK,
    SEA,
    TEMPLATES,
    WITH_PACKS,
    PlanTask,
    PlanTemplate,
    fitted,
)
from ..resolved.references import kind_of

# Keys of tasks that a plan put in.
_OURS = re.compile(r"^(t|hv)\d+$")


class OfferedPlan(Out):
    """A plan that may be taken: what it holds, what falls away, and the edit that puts it in."""

    id: str
    name: str
    likeliest: bool
    tasks: int
    hours: float
    gone: list[str]
    cautions: list[str]
    operations: list[Operation]


def offered_plans(project: Project, fit_id: str | None) -> list[OfferedPlan]:
    """Plans for a fit, the likeliest first. Raises InputError without a fit, or where there is none of that name."""
    if fit_id is None or fit_id not in project.fits:
        raise InputError(
            "/fits", "a plan belongs to a fit", given=fit_id, allowed=", ".join(project.fits) or "none yet"
        )
    fit = project.fits[fit_id]
    electric = bool(fit.installations) and all(i.unit.kind == "electric" for i in fit.installations.values())
    offers = kind_of(project).plans
    if offers is None:
        likeliest, others = "", [*TEMPLATES]
    else:
        likeliest = _likeliest(project, fit, offers.electric if electric else offers.engine)
        others = [o for o in (offers.engine, offers.electric, *offers.others, "parallel-hybrid") if o != likeliest]
    ids = [i for i in dict.fromkeys([likeliest, *others]) if i]
    return [_offer(TEMPLATES[i], fit, fit_id, electric, _has(fit, electric), i == likeliest) for i in ids]


def _likeliest(project: Project, fit: Fit, plain: str) -> str:
    units = list(fit.installations.values())
    if plain == "tractor-aircraft":
        if any(i.unit.kind == "turbine" for i in units):
            return "turbine-conversion"
        if project.craft.layout == "canard" or any(i.lies == "ahead of its flange" for i in units):
            return "pusher-canard"
    if plain == "inboard-diesel-single" and len(units) > 1:
        return "inboard-twin"
    return plain


def _has(fit: Fit, electric: bool) -> frozenset[str]:
    """What a fit has reason for; what nobody said is taken to be there."""
    made = set() if electric else {ENGINE, FUEL}
    ways = [i.systems.cooling.by for i in fit.installations.values()] or [None]
    if any(w is None or w.startswith("liquid") or w == "keel cooler" for w in ways):
        made.add(LIQUID)
    if any(w in (None, "liquid to sea water") for w in ways):
        made.add(SEA)
    return frozenset(made)


def _offer(
    template: PlanTemplate, fit: Fit, fit_id: str, electric: bool, has: frozenset[str], likeliest: bool
) -> OfferedPlan:
    kept, gone = fitted(template, has)
    cautions = list(template.cautions)
    if electric and template.id not in WITH_PACKS:
        kept, cautions = _with_packs(kept), [*cautions, *PACK.cautions]
    base = f"/fits/{fit_id}/tasks"
    own = {k: t for k, t in fit.tasks.items() if not _OURS.match(k)}
    operations = [Operation(op="remove", path=f"{base}/{k}") for k in fit.tasks if k not in own]
    first = next((t.key for t in kept if t.work == "strip"), None)
    loose = [k for k, t in own.items() if not t.after and t.state != "done"]
    for rank, task in enumerate(kept):
        more = tuple(loose) if task.gate == "first start" else ()
        value = _as_task(task, float(rank + 1), more)
        operations.append(Operation(op="add", path=f"{base}/{task.key}", value=value))
    for key in loose:
        if first is not None:
            operations.append(Operation(op="replace", path=f"{base}/{key}/after", value=[first]))
    operations.append(
        Operation(
            op="replace" if fit.plan.template is not None else "add",
            path=f"/fits/{fit_id}/plan/template",
            value=template.id,
        )
    )
    return OfferedPlan(
        id=template.id,
        name=template.name,
        likeliest=likeliest,
        tasks=len(kept),
        hours=sum(t.hours for t in kept),
        gone=[t.title for t in gone],
        cautions=cautions,
        operations=operations,
    )


def _with_packs(kept: list[PlanTask]) -> list[PlanTask]:
    """The tasks with those of packs and high voltage among them: boxes after orders, packs after the unit, all of it
    before the first start."""
    orders = tuple(t.key for t in kept if t.work == "order")
    unit = tuple(t.key for t in kept if t.gate == "the unit goes in")
    last = PACK.tasks[-1].key
    before = {PACK.tasks[0].key: orders, PACK.tasks[1].key: unit}
    packs = [t._replace(after=(*t.after, *before.get(t.key, ()))) for t in PACK.tasks]
    made: list[PlanTask] = []
    for task in kept:
        if task.gate == "first start":
            made += packs
            task = task._replace(after=(*task.after, last))
        made.append(task)
    return made


def _as_task(task: PlanTask, rank: float, more: tuple[str, ...]) -> dict[str, object]:
    made: dict[str, object] = {
        "name": task.title,
        "rank": rank,
        "work": task.work,
        "hours": {"entered": task.hours_said, "source": "template"},
        "after": [*task.after, *more],
        "seals": list(task.seals),
        "gate": task.gate or None,
        "witness": task.role or None,
        "evidence": task.evidence,
        "caution": task.caution,
    }
    if task.lead_said:
        made["lead"] = {"entered": task.lead_said, "source": "template"}
    return {k: v for k, v in made.items() if v not in (None, "", [])}
