"""Plans as text that one can read and edit: a line of a task, its title below it, its caution after a `!`."""

from __future__ import annotations

import re
from typing import NamedTuple

ROLES = {
    "inspector": "inspector",
    "second": "second person",
    "yard": "yard",
    "surveyor": "surveyor",
    "electrician": "electrician",
}
GATES = {"in": "the unit goes in", "start": "first start"}
# What a fit has, for tasks that need it.
FUEL, ENGINE, LIQUID, SEA = "fuel", "an engine", "liquid cooling", "sea water"


class PlanTask(NamedTuple):
    """A task of a plan. hours: of one pair of hands; lead: days that run by themselves; both also as a person types
    them; seals: what would shut it in; needs: what a fit must have, or it falls away; role: who must see it."""

    key: str
    title: str
    work: str
    hours: float
    lead_days: float
    hours_said: str
    lead_said: str
    after: tuple[str, ...]
    seals: tuple[str, ...]
    gate: str
    needs: str
    role: str
    evidence: str
    caution: str


class PlanTemplate(NamedTuple):
    """A plan by kind of craft and work."""

    id: str
    name: str
    cautions: tuple[str, ...]
    tasks: tuple[PlanTask, ...]


def plan(id: str, name: str, text: str) -> PlanTemplate:
    """A plan from its text. Raises ValueError at a line that does not read."""
    cautions: list[str] = []
    blocks: list[list[str]] = []
    for line in text.strip().splitlines():
        if line.startswith("! "):
            cautions.append(line[2:])
        elif line.startswith("  "):
            blocks[-1].append(line.strip())
        else:
            blocks.append([line])
    return PlanTemplate(id, name, tuple(cautions), tuple(_task(b) for b in blocks))


def _task(lines: list[str]) -> PlanTask:
    head, _, hold = lines[0].partition(", hold ")
    key, work, hours, *rest = head.split(", ")
    said = {word: value for word, _, value in (part.partition(" ") for part in rest)}
    if not re.fullmatch(r"[\d.]+h", hours) or not said.keys() <= {"lead", "after", "before", "gate", "needs"}:
        raise ValueError(f"a task does not read: {lines[0]}")
    role, _, evidence = hold.partition(": ")
    title, _, caution = " ".join(lines[1:]).partition("! ")
    return PlanTask(
        key,
        title.strip(),
        work,
        float(hours[:-1]),
        float(said.get("lead", "0d")[:-1]),
        f"{hours[:-1]} h",
        f"{said['lead'][:-1]} days" if "lead" in said else "",
        tuple(said.get("after", "").split()),
        tuple(said.get("before", "").split()),
        GATES[said["gate"]] if "gate" in said else "",
        said.get("needs", ""),
        ROLES[role] if role else "",
        evidence,
        caution,
    )


def fitted(template: PlanTemplate, has: frozenset[str]) -> tuple[list[PlanTask], list[PlanTask]]:
    """The tasks that a fit has reason for, and those that fall away; what waited for one of these waits for what that
    waited for."""
    gone = {t.key: t for t in template.tasks if t.needs and t.needs not in has}

    def before(keys: tuple[str, ...]) -> list[str]:
        made: list[str] = []
        for key in keys:
            made += before(gone[key].after) if key in gone else [key]
        return list(dict.fromkeys(made))

    kept = [
        t._replace(after=tuple(before(t.after)), seals=tuple(k for k in t.seals if k not in gone))
        for t in template.tasks
        if t.key not in gone
    ]
    return kept, list(gone.values())
