"""Puts the demonstration projects into a data folder, through the calls that users make."""

from __future__ import annotations

from pathlib import Path

from ..api.service import Service
from ..core.document import Project, apply_operations
from ..store.store import Store
from . import lapwing


def seed(data: Path) -> None:
    """Create what is not there yet, by name; what is there is left as it is."""
    service = Service(Store(data))
    there = {row.name for row, _, _ in service.store.list_projects()}
    if lapwing.NAME not in there:
        document = apply_operations(Project(name=lapwing.NAME), lapwing.operations())
        service.state(service.store.create(document, "Demonstration figures entered"), None)
    service.store.close()
