"""How far a figure may be off: its own ±, or the visible default of its source."""

from __future__ import annotations

import math
from typing import Literal

from ..errors import InputError
from .base import Earlier, Figure
from .place import Place

# Common practice, no source; editable defaults that every answer names as assumptions: (share of value, least).
_DEFAULT_BOUND: dict[str, dict[str, tuple[float, float]]] = {
    "mass": {"measured": (0.002, 0.2), "maker": (0.05, 0.0), "estimated": (0.15, 0.0), "hearsay": (0.25, 0.0),
             "template": (0.25, 0.0), "computed": (0.0, 0.0), "rough": (0.25, 0.0)},
    "length": {"measured": (0.0, 0.003), "maker": (0.0, 0.015), "estimated": (0.0, 0.030), "hearsay": (0.0, 0.075),
               "template": (0.0, 0.075), "computed": (0.0, 0.0), "rough": (0.0, 0.075)},
    "inertia": {"measured": (0.03, 0.0), "maker": (0.05, 0.0), "estimated": (0.25, 0.0), "hearsay": (0.40, 0.0),
                "template": (0.40, 0.0), "computed": (0.0, 0.0), "rough": (0.40, 0.0)},
    "twist": {"measured": (0.05, 0.0), "maker": (0.15, 0.0), "estimated": (0.30, 0.0), "hearsay": (0.50, 0.0),
              "template": (0.50, 0.0), "computed": (0.0, 0.0), "rough": (0.50, 0.0)},
}  # fmt: skip


School = Literal["two standard deviations", "largest error"]


def std_uncertainty(bound: float, source: str, school: School = "two standard deviations") -> float:
    """Standard uncertainty of a stated ±, same unit. Measured: ± is two standard deviations, or by the other school the
    largest error; otherwise a bound of even chance, ±/√3. Source: JCGM 100:2008, 4.3 (from memory). Raises InputError
    on a negative tolerance."""
    if bound < 0:
        raise InputError("", "a tolerance cannot be negative", given=str(bound))
    return bound / 2 if source == "measured" and school == "two standard deviations" else bound / math.sqrt(3)


def measured_uncertainty(figure: Figure) -> float:
    """Standard uncertainty that a figure would have if it were measured, in SI: the visible default; 0 where there is
    none."""
    table = _DEFAULT_BOUND.get(figure.dimension)
    if table is None:
        return 0.0
    share, least = table["measured"]
    return std_uncertainty(max(share * abs(figure.si), least), "measured")


def figure_uncertainty(figure: Figure, school: School = "two standard deviations") -> float:
    """Standard uncertainty of a figure in SI: its own ±, or the visible default for its source."""
    if figure.plus_minus is not None:
        return std_uncertainty(figure.plus_minus.si, figure.source, school)
    table = _DEFAULT_BOUND.get(figure.dimension)
    if table is None:
        return 0.0
    share, least = table[figure.source]
    return std_uncertainty(max(share * abs(figure.si), least), figure.source, school)


def surprises(new: Figure, old: Figure) -> bool:
    """Whether a measurement lies further from what was told or estimated than three standard deviations of both
    together. One measurement after another is a correction, not a surprise.

    Source: JCGM 100:2008 (from memory)."""
    if new.source != "measured" or old.source not in ("maker", "estimated", "hearsay") or type(new) is not type(old):
        return False
    along = lambda f: f.along_m if isinstance(f, Place) else f.si
    if isinstance(new, Place) and isinstance(old, Place) and new.origin != old.origin:
        return False
    u, r = figure_uncertainty(old), figure_uncertainty(new)
    return u > 0 and abs(along(new) - along(old)) > 3 * math.hypot(u, r)


def with_earlier(new: Figure, old: Figure) -> Figure:
    """A measurement that surprises, with the figure it replaces kept beside it; any other as it is."""
    if not surprises(new, old):
        return new
    kept = Earlier(entered=old.entered, si=old.si, plus_minus=old.plus_minus, source=old.source)
    return new.model_copy(update={"earlier": kept})
