"""What the work costs: an edit with every plan's tasks and two thousand records, a record, a long log."""

from __future__ import annotations

import math
import time
from datetime import UTC, date, datetime
from typing import Any

from crooked_keel.core.assess import assess
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.facts import Facts, Kept, read_record
from crooked_keel.core.reference.plans import TEMPLATES
from crooked_keel.core.topic.workspace import Workspace
from crooked_keel.exchange.logs import LogIn, take

TASKS, RECORDS, ROWS = 280, 2000, 100_000
DAY = date(2026, 11, 29)
ENDS = {"end_a": "A", "end_b": "B"}
TRUE = {"lubricant": "dry", "marked": "yes", "calibrated": "2026-03-02"}


def with_tasks(project: Project, fit: str) -> Project:
    """A project whose fit has the tasks of every plan, each plan behind the one before."""
    operations: list[dict[str, Any]] = []
    before: list[str] = []
    for n, template in enumerate(TEMPLATES.values()):
        for task in template.tasks:
            if len(operations) == TASKS:
                break
            value = {
                "name": task.title,
                "rank": float(len(operations)),
                "work": task.work,
                "hours": {"entered": task.hours_said, "source": "template"},
                "after": [f"p{n}-{a}" for a in task.after] or before,
            }
            operations.append({"op": "add", "path": f"/fits/{fit}/tasks/p{n}-{task.key}", "value": value})
        before = [operations[-1]["path"].rsplit("/", 1)[1]]
    kept = [{"op": "remove", "path": f"/fits/{fit}/tasks/{k}"} for k in project.fits[fit].tasks]
    return apply_operations(project, [*kept, *operations])


def many_records(project: Project, fit: str) -> Facts:
    """Two thousand records: fasteners, steps, money and connections."""
    tasks = list(project.fits[fit].tasks)
    figure = lambda text: {"entered": text, "source": "measured"}
    made = []
    for n in range(RECORDS):
        said: dict[str, Any] = [
            {"kind": "torque", "fastener": f"bolt {n}", "target": figure("66 N·m"), "actual": figure("66 N·m"), **TRUE},
            {"kind": "step", "task": tasks[min(n // 40, len(tasks) - 1)], "step": "begun"},
            {"kind": "spend", "what": "clips", "amount": figure("12")},
            {
                "kind": "connection",
                "label": f"C{n}",
                "end_a": "A",
                "end_b": "B",
                "step": "mated again",
                "tried": "tugged",
            },
        ][n % 4]
        record = read_record({"by": "Owner", "fit": fit, **said})
        made.append(Kept(n + 1, DAY, datetime(2026, 11, 29, tzinfo=UTC).isoformat(), record))
    return Facts(tuple(made), DAY)


def edit_ms(project: Project, fit: str, pointer: str, times: int = 30) -> tuple[float, float]:
    """Median ms of an edit of a figure with all of it, and of the first assessment after another record."""
    large = with_tasks(project, fit)
    facts, workspace = many_records(large, fit), Workspace()
    assess(large, fit, workspace, facts)
    taken = []
    for n in range(times):
        edit = {"op": "replace", "path": pointer, "value": {"entered": f"{80 + n % 7} kg", "source": "measured"}}
        patched = apply_operations(large, [edit])
        start = time.perf_counter()
        assess(patched, fit, workspace, facts)
        taken.append((time.perf_counter() - start) * 1000)
    added = Facts((*facts.records, facts.records[0]._replace(number=RECORDS + 1)), DAY)
    start = time.perf_counter()
    assess(patched, fit, workspace, added)
    return sorted(taken)[len(taken) // 2], (time.perf_counter() - start) * 1000


def log_s() -> float:
    """Seconds to read a log of a hundred thousand rows."""
    rows = (f"{i},{80 + 5 * math.sin(i / 900):.2f},{2000 + i % 50},{300 + i % 9}" for i in range(ROWS))
    text = "\n".join(["Time (s),Coolant (°C),Engine speed (rpm),Oil pressure (kPa)", *rows])
    start = time.perf_counter()
    take(LogIn(text=text))
    return time.perf_counter() - start
