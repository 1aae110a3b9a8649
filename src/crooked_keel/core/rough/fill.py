"""The document with rough figures in its blanks."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from pydantic import BaseModel

from ..document import Project
from ..topic.memo import Memo
from .models import stands, twins
from .stand import Stand

Tree = dict[str, Any]


def stood_in(project: Project, fit_id: str | None, kept: Memo) -> tuple[Project, list[Stand]]:
    """The document with a rough figure in every blank that one is known for, and those figures. The document itself
    where rough figures are switched off or nothing is blank. kept: parts filled before, so that what did not change
    stays the same object."""
    if project.rough != "yes":
        return project, []
    alike = list(twins(project, fit_id))
    project = filled_with(project, alike, kept)
    more = list(stands(project, fit_id))
    return filled_with(project, more, kept), [*alike, *more]


def filled_with(project: Project, made: list[Stand], kept: Memo) -> Project:
    """The document with these of the rough figures in its blanks."""
    tree: Tree = {}
    for stand in made:
        below = tree
        *path, last = stand.pointer.lstrip("/").split("/")
        for token in path:
            below = below.setdefault(token, {})
        below[last] = stand.put
    filled: Project = _filled(project, tree, kept) if made else project
    return filled


def _filled(part: Any, tree: Tree, kept: Memo) -> Any:
    """A part with what a tree holds put in; the same object for the same part and the same figures."""
    inside = {
        name: _filled(_under(part, name), value, kept) if isinstance(value, dict) else value
        for name, value in tree.items()
    }

    def put() -> Any:
        return part.model_copy(update=inside) if isinstance(part, BaseModel) else {**part, **inside}

    return kept((part, *inside.values()), put, *inside)


def _under(part: BaseModel | Mapping[str, Any], name: str) -> Any:
    return part[name] if isinstance(part, Mapping) else getattr(part, name)
