"""The craft as found: its topics and headline values."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ..formula import Working
from ..judging.finding import BUTT_LINE, STATION, WATER_LINE, Value
from ..judging.values import ValueList
from ..resolved.craft import Resolved
from ..resolved.floating import Floating
from ..resolved.references import got
from ..resolved.wheels import Wheels
from ..topic.reading import Topic
from .floating.says import displacement_working, floating_values
from .found.quantities import Found
from .weighing.functions import cg_on_scales, mass_on_scales, mean_of_repeats, net_reading
from .weighing.quantities import Weighing, repeats

_BY = {"report": "Mass by the report", "freeboards": "Displacement by her freeboards"}


class CraftTopics(NamedTuple):
    """The topics of the craft bench. floating, wheels: only of a craft that floats, that stands on wheels."""

    weighing: Weighing
    floating: Floating | None
    found: Found
    wheels: Wheels | None

    def topics(self) -> list[Topic]:
        """Those that there are."""
        return [t for t in self if t is not None]


def found_values(resolved: Resolved, weighing: Weighing, found: Found, floating: Floating | None) -> list[Value]:
    """Mass and CG as found."""
    out = ValueList("craft")
    method = resolved.project.craft.as_found.method
    reported, scales = method == "report", method != "report" and floating is None
    by = "old report" if reported else floating.by if floating else ""
    first = lambda: found.as_found[0]
    net = lambda: got(first().mass).value
    mass_working: Callable[[], Working | None] | None = None
    if scales:
        mass_working = lambda: mass_on_scales.working(*weighing.sums())
    elif floating is not None and not reported:
        mass_working = lambda: displacement_working(floating)
    out.add(
        "mass-found",
        _BY.get(method, "Mass on the scales"),
        "mass",
        lambda: got(first().mass),
        working=mass_working,
        source=by,
    )
    out.add(
        "station-found",
        "LCG, from the datum" if floating else "CG, from the datum",
        "length",
        lambda: got(first().x),
        working=(lambda: cg_on_scales.working(got(first().x).value * net(), net())) if scales else None,
        source=by if reported else f"{by}; trim as read",
        ways=STATION,
    )
    out.add(
        "butt-line-found",
        "CG across",
        "length",
        lambda: got(first().y),
        working=(
            (lambda: cg_on_scales.working(got(first().y).value * net(), net()))
            if scales and not resolved.in_line
            else None
        ),
        source=by if reported else "as entered, or by her heel",
        ways=BUTT_LINE,
    )
    return out.values


def support_values(resolved: Resolved, weighing: Weighing, found: Found, floating: Floating | None) -> list[Value]:
    """What stands on the scales, and the wheels."""
    out = ValueList("craft")
    if floating is not None:
        return []
    for key, s in weighing.supports if resolved.project.craft.as_found.method != "report" else ():
        out.add(
            f"net-{key}",
            f"{s.name}, net",
            "mass",
            lambda k=key, s=s: weighing.net(k, s),
            working=lambda s=s: net_reading.working(
                mean_of_repeats(repeats(s))[0] if s.reading else 0.0, s.tare.si if s.tare else 0.0
            ),
        )
    if resolved.has("stands on wheels"):
        by, z = "one end lifted, statics; or as entered", lambda: got(found.as_found[0].z)
        out.add("height-found", "CG, from the level line", "length", z, source=by, ways=WATER_LINE)
        out.add("wheelbase", "Wheelbase", "length", lambda: weighing.weighed_x[3], source="stations of the axles")
    if resolved.has("corners") and len(weighing.supports) == 4:
        for part, label in (
            ("front", "On the front wheels"),
            ("port", "On the port side"),
            ("cross", "Cross: starboard front with port rear"),
        ):
            by = "statics; the diagonal: common practice"
            out.add(part, label, "percent", lambda p=part: getattr(weighing.corners, p), source=by)
    return out.values


VALUES = (found_values, floating_values, support_values)
