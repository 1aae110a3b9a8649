"""Puts the demonstration projects into a data folder, through the calls that users make."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime
from functools import cache
from pathlib import Path
from typing import Any

from ..api.service import Service
from ..core.document import LibraryUnit, Project, apply_operations, plain
from ..core.facts import read_record
from ..store.library import Library
from ..store.records import add_records
from ..store.store import Store
from . import (
    curlew,
    dunlin,
    harrow,
    lapwing,
    pannier,
    plover,
    samphire,
    shelf,
    tiller,
    wigeon,
    work_lapwing,
    work_samphire,
)
from .work import Told, with_plan

# Kind of craft and the module that makes it; the last is the first on the list. Further ones of a kind stand apart.
SECOND = (("aeroplane", curlew), ("aeroplane", plover))
# After their first evening, with rough figures in the blanks; no plan and no unit of the library is made of them.
EVENINGS = (("boat", dunlin), ("boat", wigeon))
DEMOS = (
    ("road-vehicle", tiller),
    ("scooter", pannier),
    ("motorcycle", harrow),
    ("boat", samphire),
    ("aeroplane", lapwing),
)


@cache
def made(kind: str, demo: Any) -> Project:
    """The document of a demonstration, with its plan: frozen, so that one is enough."""
    return with_plan(apply_operations(Project(name=demo.NAME, kind=kind), demo.operations()))


# What is recorded of the work, by the demonstration's name.
TOLD: dict[str, Callable[[], list[Told]]] = {"Samphire": work_samphire.told, "Lapwing": work_lapwing.told}


def records(name: str) -> list[tuple[str, datetime, dict[str, Any]]]:
    """Records of a demonstration in their order, each read as if it were sent: kind, moment, and what it says."""
    told = TOLD[name]() if name in TOLD else []
    return [(str(said["kind"]), at, plain(read_record(said))) for at, said in told]


@cache
def _shelf() -> dict[str, LibraryUnit]:
    return shelf.units([made(kind, demo) for kind, demo in (*SECOND, *DEMOS)])


def library() -> dict[str, LibraryUnit]:
    """The units of the demonstration library."""
    return dict(_shelf())


def seed(data: Path) -> None:
    """Create what is not there yet, by name; what is there is left as it is."""
    service = Service(Store(data))
    units, kept = library(), Library(service.store)
    have = kept.units()
    names = {u.unit.name.casefold() for u in have.values()}
    kept.put({k: u for k, u in units.items() if k not in have and u.unit.name.casefold() not in names})
    there = {row.name for row, *_ in service.store.list_projects()}
    for kind, demo in EVENINGS:
        if demo.NAME not in there:
            evening = apply_operations(Project(name=demo.NAME, kind=kind), demo.operations())
            service.state(service.store.create(evening, "First figures entered"), None)
    for kind, demo in (*SECOND, *DEMOS):
        if demo.NAME not in there:
            project = made(kind, demo)
            project = apply_operations(project, shelf.origins(project, units))
            head = service.store.create(project, "Demonstration figures entered")
            add_records(service.store, head.project_id, records(demo.NAME), head.revision)
            service.state(head, None)
    service.store.close()
