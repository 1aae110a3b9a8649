"""Every figure and choice of the document by its pointer pattern, read off the models: one place that knows them."""

from __future__ import annotations

from typing import Any, Literal, NamedTuple, get_args, get_origin

from pydantic import BaseModel

from ..figure.base import Figure
from ..figure.place import ButtLine, Place, Station, WaterLine
from .base import Kept
from .project import Project


class FieldOf(NamedTuple):
    """pattern: JSON pointer with `*` for ids; figure: its class, or None for a choice."""

    pattern: str
    figure: type[Figure] | None
    choices: tuple[str, ...] | None

    @property
    def place(self) -> Literal["station", "butt line", "water line"] | None:
        """Axis of a place, or None."""
        if self.figure is None or not issubclass(self.figure, Place):
            return None
        if issubclass(self.figure, Station):
            return "station"
        return (
            "butt line"
            if issubclass(self.figure, ButtLine)
            else "water line"
            if issubclass(self.figure, WaterLine)
            else None
        )


def inner(annotation: Any) -> Any:
    """An annotation without what allows a blank or narrows it."""
    args = [a for a in get_args(annotation) if a is not type(None)]
    if len(args) < len(get_args(annotation)) and len(args) == 1:
        return inner(args[0])
    if hasattr(annotation, "__metadata__"):
        return inner(annotation.__origin__)
    return annotation


def all_fields(model: type[BaseModel] = Project, prefix: str = "") -> list[FieldOf]:
    """Every figure and every choice below a model."""
    made: list[FieldOf] = []
    for name, info in model.model_fields.items():
        here, annotation = f"{prefix}/{name}", inner(info.annotation)
        if get_origin(annotation) is dict:
            here, annotation = f"{here}/*", inner(get_args(annotation)[1])
        if get_origin(annotation) is Literal:
            made.append(FieldOf(here, None, tuple(str(a) for a in get_args(annotation))))
        elif isinstance(annotation, type) and issubclass(annotation, Figure):
            made.append(FieldOf(here, annotation, None))
        elif isinstance(annotation, type) and issubclass(annotation, BaseModel):
            made += all_fields(annotation, here)
    return made


def disputed(value: Any, pointer: str = "", *, kept: Kept | None = None) -> list[tuple[str, Figure]]:
    """Pointers and figures that stand beside an earlier one which they contradict. Parts that did not change are not
    walked again."""
    if isinstance(value, Figure):
        return [(pointer, value)] if value.earlier is not None else []
    if not isinstance(value, BaseModel | dict):
        return []
    return kept((value,), lambda: _disputed(value, pointer, kept), pointer) if kept else _disputed(value, pointer, None)


def _disputed(value: Any, pointer: str, kept: Kept | None) -> list[tuple[str, Figure]]:
    made: list[tuple[str, Figure]] = []
    if isinstance(value, BaseModel):
        for name in type(value).model_fields:
            made += disputed(getattr(value, name), f"{pointer}/{name}", kept=kept)
    elif isinstance(value, dict):
        for key, item in value.items():
            made += disputed(item, f"{pointer}/{key}", kept=kept)
    return made


def figure_pointers(value: Any, pointer: str = "") -> list[str]:
    """Pointers of all figures in a document or part of it."""
    if isinstance(value, Figure):
        return [pointer]
    made: list[str] = []
    if isinstance(value, BaseModel):
        for name in type(value).model_fields:
            made += figure_pointers(getattr(value, name), f"{pointer}/{name}")
    elif isinstance(value, dict):
        for key, item in value.items():
            made += figure_pointers(item, f"{pointer}/{key}")
    return made
