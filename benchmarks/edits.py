"""Typical edits of the demonstration projects: a load, a tank, a mount point, a sprocket, a gap, the flange."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from crooked_keel.core.document import Project, value_at
from crooked_keel.core.figure.base import Figure
from crooked_keel.core.judging.finding import Bench

Edit = Callable[[int], list[dict[str, Any]]]
# Where somebody stands who makes the edit by hand: while it moves that bench is asked.
IN_VIEW: dict[str, Bench] = {
    "the flange's station": "balance",
    "a seat's load": "balance",
    "a tank's density": "balance",
    "a mount point": "mount",
    "a sprocket": "drive",
    "a coupling gap": "align",
}


def _stepped(project: Project, pointer: str, unit: str, factor: float, step: float) -> Edit | None:
    """Another step of a figure each time, or None where the project has no such figure."""
    figure = value_at(project, pointer)
    if not isinstance(figure, Figure):
        return None
    kept = figure.model_dump(by_alias=True, include={"origin", "dir", "source"}, exclude_none=True)
    kept = {("from" if k == "origin" else k): v for k, v in kept.items()}
    at = abs(figure.si) * factor
    return lambda i: [
        {
            "op": "replace",
            "path": pointer,
            "value": {**kept, "entered": f"{at + step * (1 + i % 40):.{0 if not unit else 3}f} {unit}".strip()},
        }
    ]


def typical(project: Project) -> dict[str, Edit]:
    """Name → edit, those that the project has."""
    key, installation = next(iter(project.fits["a"].installations.items()))
    base = f"/fits/a/installations/{key}"
    loading, load = next(
        ((k, s) for k, v in project.loadings.items() for s in v.loads), (next(iter(project.loadings), ""), "")
    )
    tank = next(iter(project.craft.tanks), "")
    point = next(iter(installation.mount.points), "")
    chain = next((k for k, s in installation.drive.stages.items() if s.driven_teeth is not None), "")
    made = {
        "the flange's station": _stepped(project, f"{base}/placement/flange_station", "mm", 1000, 1),
        "a seat's load": _stepped(project, f"/loadings/{loading}/loads/{load}", "kg", 1, 0.1),
        "a tank's density": _stepped(project, f"/craft/tanks/{tank}/density", "kg/m³", 1, 0.1),
        "a mount point": _stepped(project, f"{base}/mount/points/{point}/unit_up", "mm", 1000, 0.1),
        "a sprocket": _stepped(project, f"{base}/drive/stages/{chain}/driven_teeth", "", 1, 1),
        "a coupling gap": _stepped(project, f"{base}/align/coupling/gap_6", "mm", 1000, 0.001),
    }
    return {name: edit for name, edit in made.items() if edit is not None}
