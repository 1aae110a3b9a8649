"""The units of the demonstration library, all invented: those of the demonstration projects, and more over the
field."""

from __future__ import annotations

from typing import Any

from ...core.choose.library import kept, slug
from ...core.document import LibraryUnit, Project, load_unit
from . import afloat, aloft, electric, on_wheels

_MINE = (*aloft.UNITS, *afloat.UNITS, *on_wheels.UNITS, *electric.UNITS)


def units(projects: list[Project]) -> dict[str, LibraryUnit]:
    """The library by ids: the units of the projects, each once, then the others."""
    made: dict[str, LibraryUnit] = {}
    for project in projects:
        fitted = [i for fit in project.fits.values() for i in fit.installations.values()]
        for installation in (*project.old_installations.values(), *fitted):
            if installation.unit.name not in {u.unit.name for u in made.values()}:
                made[slug(installation.unit.name, made)] = kept(project, installation)
    for raw in _MINE:
        unit = load_unit(raw)
        made[slug(unit.unit.name, made)] = unit
    return made


def origins(project: Project, library: dict[str, LibraryUnit]) -> list[dict[str, Any]]:
    """The edit that names in a project the units that its installations are copies of."""
    ids = {u.unit.name: k for k, u in library.items()}
    places = [(f"/old_installations/{i}", made) for i, made in project.old_installations.items()]
    places += [
        (f"/fits/{k}/installations/{i}", made)
        for k, fit in project.fits.items()
        for i, made in fit.installations.items()
    ]
    return [{"op": "add", "path": f"{base}/unit/origin", "value": ids[i.unit.name]} for base, i in places]
