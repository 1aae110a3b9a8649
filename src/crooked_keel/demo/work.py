"""The work of the demonstrations: which plan each fit has, and what is recorded of it. Invented."""

from __future__ import annotations

from datetime import datetime
from typing import Any, NamedTuple

from ..core.build.offered import offered_plans
from ..core.document import Project, apply_operations
from .figures import f


class Planned(NamedTuple):
    """A fit that is planned: when work begins, and how much of it a week holds."""

    fit: str
    begins: str
    hours: str


# By the demonstration's name.
PLANS: dict[str, Planned] = {
    "Samphire": Planned("a", "2026-09-07", "16 h"),
    "Lapwing": Planned("a", "2026-06-01", "20 h"),
    "Harrow 750": Planned("a", "2026-12-07", "12 h"),
    "Pannier": Planned("a", "2027-01-11", "10 h"),
    "Tiller": Planned("a", "2027-01-04", "12 h"),
    "Curlew": Planned("a", "2027-02-01", "15 h"),
    "Plover": Planned("a", "2027-01-18", "12 h"),
}


def with_plan(project: Project) -> Project:
    """A demonstration with the likeliest plan for the fit that is planned."""
    planned = PLANS.get(project.name)
    if planned is None or planned.fit not in project.fits:
        return project
    offered = offered_plans(project, planned.fit)[0]
    at = f"/fits/{planned.fit}/plan"
    return apply_operations(
        project,
        [
            *(o.model_dump() for o in offered.operations),
            {"op": "add", "path": f"{at}/begins", "value": planned.begins},
            {"op": "add", "path": f"{at}/hours_a_week", "value": f(planned.hours, "estimated")},
        ],
    )


Told = tuple[datetime, dict[str, Any]]


class Diary:
    """Records of a fit as they were written down, day by day."""

    def __init__(self, fit: str) -> None:
        self.fit = fit
        self.told: list[Told] = []
        self._day = ""
        self._minute = 0

    def day(self, day: str) -> None:
        """What follows was written down on this day."""
        self._day, self._minute = day, 8 * 60

    def add(self, kind: str, by: str, **said: Any) -> int:
        """One record; its number."""
        self._minute += 7
        at = datetime.fromisoformat(f"{self._day}T{self._minute // 60:02d}:{self._minute % 60:02d}:00+00:00")
        record = {"kind": kind, "by": by, "fit": self.fit, **said}
        self.told.append((at, {k: v for k, v in record.items() if v is not None}))
        return len(self.told)

    def done(self, by: str, *tasks: str) -> None:
        """Tasks finished."""
        for task in tasks:
            self.add("step", by, task=task, step="done")

    def begun(self, by: str, *tasks: str) -> None:
        """Tasks begun."""
        for task in tasks:
            self.add("step", by, task=task, step="begun")

    def seen(self, by: str, role: str, task: str, evidence: str) -> None:
        """A hold seen by another."""
        self.add("witness", by, task=task, role=role, evidence=evidence)

    def torque(self, by: str, fastener: str, place: str, task: str, figure: str, **more: Any) -> None:
        """A fastener tightened to its target."""
        said: dict[str, Any] = {
            "target": f(more.pop("target", figure), "maker"),
            "target_from": "maker",
            "actual": f(figure),
            "tool": "wrench 2",
            "calibrated": "2026-03-02",
            "marked": "yes",
            "lubricant": "oiled",
            **more,
        }
        self.add("torque", by, fastener=fastener, place=place, task=task, **said)

    def parted(self, by: str, task: str, *labels: str) -> None:
        """Connections taken apart, tagged at both ends."""
        for label in labels:
            tag = label.split(" ")[0]
            self.add("connection", by, task=task, label=label, end_a=f"{tag}-A", end_b=f"{tag}-B", step="parted")

    def mated(self, by: str, task: str, tried: str, *labels: str) -> None:
        """Connections mated again and tried."""
        for label in labels:
            self.add("connection", by, task=task, label=label, step="mated again", tried=tried)

    def card(self, by: str, card: str, lines: str, result: str = "passed", why: str | None = None) -> None:
        """A card gone through."""
        self.add("card", by, card=card, result=result, seen=lines.split(), why=why)

    def read(self, by: str, card: str | None, what: str, dimension: str, entered: str, si: float, doubt: float) -> None:
        """A figure read."""
        said = {"what": what, "dimension": dimension, "entered": entered, "si": si, "doubt_si": doubt}
        self.add("reading", by, card=card, **said)
