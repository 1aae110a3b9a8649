"""Findings of a craft on its scales."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...judging.band import at_least, at_most, band, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, measure
from ...resolved.craft import Resolved
from .functions import level_shift, mean_of_repeats
from .quantities import Weighing, repeats


@rule(
    "craft.empty-scale",
    "A wheel that carries nothing",
    limit="net reading above zero",
    source="common practice, no source",
    mark="common practice",
    form="scales",
    settles=measure("Put the wheel on its scale and read again."),
)
def empty_scale(weighing: Weighing, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method != "weighing":
        return
    for key, support in weighing.supports:
        if support.reading is not None and support.tare is not None and support.reading.si == support.tare.si:
            yield verdict(
                "watch",
                "{s} carries nothing",
                "Net reading is zero. Is the wheel on the scale?",
                subject=key,
                s=word(support.name),
            )


@rule(
    "craft.repeats",
    "Repeats agree",
    limit="readings of one scale within 0.5 %",
    source="common practice, no source",
    mark="common practice",
    form="scales",
    settles=measure("Roll it off and on again, brakes off, and read every scale a third time."),
)
def repeated(weighing: Weighing, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method != "weighing":
        return
    for key, support in weighing.supports:
        readings = repeats(support)
        if len(readings) < 2 or support.reading is None:
            continue
        mean = mean_of_repeats(readings)[0]
        spread = max(readings) - min(readings)
        wide = spread > 0.005 * mean
        yield verdict(
            band(spread, "mass", ok=at_most(0.005 * mean)),
            "{s}: {n} readings {d} apart",
            "Mean {m}."
            + (" Scale on grass, brakes on, or tyres pushed sideways: roll it off and on again." if wide else ""),
            subject=key,
            s=word(support.name),
            n=q(len(readings), "count"),
            d=q(spread, "mass"),
            m=q(mean, "mass"),
        )


@rule(
    "craft.level",
    "Level on the scales",
    limit="0.5° or less ok; more watch; more than 2° with the height of the CG unknown stop; 5° refused",
    source="statics; the limits: common practice, no source",
    mark="common practice",
    form="scales",
    settles=adjust("Level it on its scales to half a degree and weigh again."),
)
def off_level(weighing: Weighing, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.project.craft.as_found.method != "weighing" or resolved.project.craft.as_found.pitch is None:
        return
    pitch, shift = weighing.pitch, weighing.level_shift
    off = abs(pitch)
    level_enough = at_most(math.radians(0.5))
    if not weighing.height_known:
        judged = band(off, "angle", ok=level_enough, watch=at_most(math.radians(2)))
        yield verdict(
            judged,
            "Weighed {p} off level, height of the CG not known",
            "Not corrected; the CG is in doubt by ±{u} more. Level it and weigh again, or give the height.",
            p=q(off, "angle"),
            u=q(2 * shift.u, "length"),
        )
        return
    yield verdict(
        band(off, "angle", ok=level_enough),
        "Weighed {p} off level, CG corrected by {d}",
        "The scales put the CG {d} too far {way}; it is taken out. A CG {z} over the axles.",
        working=level_shift.working(weighing.height_over_axles.value, pitch),
        p=q(off, "angle"),
        d=q(abs(shift.value), "length"),
        way=word("aft" if shift.value > 0 else "forward"),
        z=q(weighing.height_over_axles.value, "length"),
    )


@rule(
    "craft.tilt",
    "Height by lifting one end",
    limit="tilt 8° or more ok, 3° to 8° watch, less refused",
    source="statics; ISO 9130 and ISO 10392 (scope, from memory)",
    mark="from memory",
    form="stands on wheels",
    settles=measure("Lift the end higher, to 8° or more, suspension blocked, and read again."),
)
def tilt(weighing: Weighing, resolved: Resolved) -> Iterable[Verdict]:
    raised = resolved.project.craft.as_found.raised
    if raised.reading is None and raised.lift is None:
        return
    t = weighing.tilted
    judged = band(t.tilt_rad, "angle", ok=at_least(math.radians(8)))
    yield verdict(
        judged,
        "CG {z} over the ground, tilt {t}",
        "One kilogram on the scale is worth {k} of height. Suspension blocked, brakes off, the lifted end in a "
        "cradle, a second person by it.",
        z=q(t.height_m, "length"),
        t=q(t.tilt_rad, "angle"),
        k=q(t.height_per_kg, "length"),
    )


@rule(
    "craft.cross",
    "Cross weight",
    limit="49 to 51 % ok, else watch",
    source="common practice, no source",
    mark="common practice",
    form="corners",
    settles=adjust("Turn the spring perches of one diagonal until it carries half."),
)
def cross(weighing: Weighing) -> Iterable[Verdict]:
    if len(weighing.supports) != 4:
        return
    c = weighing.corners
    judged = band(c.cross, "percent", ok=within(0.49, 0.51))
    yield verdict(
        judged,
        "Cross weight {c}",
        "Starboard front with port rear. Only the spring perches change it; front {f} and port {p} change by "
        "moving mass.",
        c=q(c.cross, "percent"),
        f=q(c.front, "percent"),
        p=q(c.port, "percent"),
    )
