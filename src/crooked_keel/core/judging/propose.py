"""What a proposal is: a patch with its sentence, before it is proved."""

from __future__ import annotations

import math
from typing import Any, NamedTuple

from ..figure.base import Figure
from ..figure.place import DIRECTIONS, Place
from ..figure.units import IN_M, TAPE_M, VIEWS
from .finding import Message, Operation


class Proposal(NamedTuple):
    """id, sentence and patch of a possible way to clear a finding. step_of: of several steps the same way, the least
    first, none further is tried once one clears it."""

    id: str
    message: Message
    operations: list[Operation]
    step_of: str = ""


def on_the_tape(si: float, units: str, up: bool) -> float:
    """A length rounded to the tape of the view (1 mm, 1/16 in), upwards or downwards, m."""
    step = TAPE_M[units]
    return (math.ceil(si / step - 1e-9) if up else math.floor(si / step + 1e-9)) * step


def tape_text(si: float, units: str) -> str:
    """A length as it stands on the tape: `31 5/16 in`, `796 mm`. Exact for lengths made by `on_the_tape`."""
    if units == "mm-kg":
        return f"{round(si * 1000)} mm"
    sixteenths = round(abs(si) / IN_M * 16)
    whole, part = divmod(sixteenths, 16)
    sign = "-" if si < 0 else ""
    if part == 0:
        return f"{sign}{whole} in"
    shrink = math.gcd(part, 16)
    fraction = f"{part // shrink}/{16 // shrink}"
    return f"{sign}{whole} {fraction} in" if whole else f"{sign}{fraction} in"


def computed(figure: Figure | None, text: str) -> dict[str, Any]:
    """A figure as the client would send it, source computed, measured from where it was before."""
    made: dict[str, Any] = {"entered": text, "source": "computed"}
    if isinstance(figure, Place):
        made |= {"from": figure.origin, "dir": figure.dir}
    return made


def typed_text(si: float, dimension: str, units: str, style: str) -> str:
    """A figure as a person would type it in the view's units, to five digits, with the project's decimal mark."""
    shown = VIEWS[units][dimension]
    text = f"{(si - shown.offset) / shown.factor:.5g} {shown.unit}".strip()
    return text.replace(".", ",") if style == "comma" else text


def to_buy(text: str) -> dict[str, Any]:
    """A figure of something that is not there yet: it stands as a guess until its maker's figure is put in."""
    return {"entered": text, "source": "estimated", "note": "to buy: put its maker's figure in"}


def moved_place(figure: Place, shift_m: float, units: str, up: bool) -> tuple[dict[str, Any], float]:
    """A place moved along its axis by at least the shift, rounded to the tape away from zero shift; and the new
    distance as signed in its own direction. up: the shift is positive along the axis."""
    sign = DIRECTIONS[figure.dir]
    wanted = figure.si + sign * shift_m
    rounded = on_the_tape(wanted, units, up=(sign > 0) == up)
    return computed(figure, tape_text(rounded, units)), rounded


OTHER = {"aft": "forward", "forward": "aft", "starboard": "port", "port": "starboard", "up": "down", "down": "up"}


def said_place(figure: Place, shift_m: float, units: str) -> tuple[dict[str, Any], float, str, float]:
    """A place moved along its axis, as `moved_place`, never said as less than nothing: the figure, its distance and
    direction, and how far it went. On the other side of its origin it takes the other direction."""
    value, rounded = moved_place(figure, shift_m, units, up=shift_m > 0)
    far, way = abs(rounded - figure.si), figure.dir
    if rounded < 0:
        way, rounded = OTHER[figure.dir], -rounded
        value |= {"entered": tape_text(rounded, units), "dir": way}
    return value, rounded, way, far
