"""Puts the demonstration projects into a data folder, through the calls that users make."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from ..api.service import Service
from ..core.document import Project, apply_operations
from ..store.store import Store
from . import curlew, harrow, lapwing, pannier, samphire, tiller

# Kind of craft and the module that makes it; the last is the first on the list. A second one of a kind stands apart.
SECOND = (("aeroplane", curlew),)
DEMOS = (
    ("road-vehicle", tiller),
    ("scooter", pannier),
    ("motorcycle", harrow),
    ("boat", samphire),
    ("aeroplane", lapwing),
)


def made(kind: str, demo: Any) -> Project:
    """The document of a demonstration."""
    return apply_operations(Project(name=demo.NAME, kind=kind), demo.operations())


def seed(data: Path) -> None:
    """Create what is not there yet, by name; what is there is left as it is."""
    service = Service(Store(data))
    there = {row.name for row, _, _ in service.store.list_projects()}
    for kind, demo in (*SECOND, *DEMOS):
        if demo.NAME not in there:
            service.state(service.store.create(made(kind, demo), "Demonstration figures entered"), None)
    service.store.close()
