"""Every figure and choice of the document by its pointer pattern, read off the models: one place that knows them."""

from __future__ import annotations

import math
from typing import Any, Literal, NamedTuple, get_args, get_origin

from pydantic import BaseModel

from ..figure.base import Figure
from ..figure.place import ButtLine, Place, Station, WaterLine
from .base import Keeps
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


# A ± that is wider than this is tried at both its ends: for a length (m), a small one read with feelers, a mass (kg,
# or a twentieth), an angle (rad), a
# temperature (K); of all else a twentieth of the figure. Proposed.
_WIDE_M, _WIDE_FINE_M, _WIDE_KG, _WIDE_RAD, _WIDE_K, _WIDE_SHARE = 0.025, 2e-5, 2.0, math.radians(1.5), 3.0, 0.05


def is_wide(figure: Figure) -> bool:
    """Whether a figure has a ± so wide that it may turn a verdict by itself."""
    if figure.plus_minus is None:
        return False
    share = _WIDE_SHARE * abs(figure.si)
    if figure.by_share:
        return figure.plus_minus.si > share
    if figure.dimension == "length":
        return figure.plus_minus.si > (_WIDE_FINE_M if figure.shown == "fine_length" else _WIDE_M)
    if figure.dimension == "temperature":
        return figure.plus_minus.si > _WIDE_K
    if figure.dimension == "mass":
        return figure.plus_minus.si > max(_WIDE_KG, share)
    return figure.plus_minus.si > (_WIDE_RAD if figure.dimension == "angle" else share)


def signed(figure: Figure) -> float:
    """A figure, SI; a place along its axis, less than nothing in the other direction."""
    return figure.along_m if isinstance(figure, Place) else figure.si


def is_unusual(figure: Figure) -> bool:
    """Whether a figure lies outside what is usual of its sort."""
    lo, hi = figure.usual
    return not lo - 1e-12 <= signed(figure) <= hi + 1e-12


def remarkable(value: Any, pointer: str = "", *, kept: Keeps | None = None) -> list[tuple[str, Figure]]:
    """Pointers and figures that contradict an earlier one, lie outside what is usual, or have a wide ±. Parts that did
    not change are not walked again."""
    if isinstance(value, Figure):
        stands_out = value.earlier is not None or is_unusual(value) or is_wide(value)
        return [(pointer, value)] if stands_out else []
    if not isinstance(value, BaseModel | dict):
        return []
    return kept((value,), lambda: _below(value, pointer, kept), pointer) if kept else _below(value, pointer, None)


def _below(value: Any, pointer: str, kept: Keeps | None) -> list[tuple[str, Figure]]:
    made: list[tuple[str, Figure]] = []
    for key, item in value.items() if isinstance(value, dict) else value:
        if item is not None:
            made += remarkable(item, f"{pointer}/{key}", kept=kept)
    return made


def with_figure(part: Any, pointer: str, figure: Figure) -> Any:
    """A document, or a part of it, with another figure in the place of one that is there."""
    key, _, rest = pointer.lstrip("/").partition("/")
    if not key:
        return figure
    if isinstance(part, BaseModel):
        return part.model_copy(update={key: with_figure(getattr(part, key), rest, figure)})
    return {**part, key: with_figure(part[key], rest, figure)}


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
