"""Findings of a propeller that stands ahead of its flange."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import ask_all
from ....judging.band import at_least, at_most, band
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy, decide
from .functions import FACTOR, bending, gyroscopic, hanging, sways
from .quantities import Spacer

# Longer than this a spacer wants its maker's word, m. Blades pass with this margin under what it sways at.
# Common practice, no source.
LONG_M, MARGIN = 0.100, 1.25


@rule(
    "drive.flange-bending",
    "Bending of the propeller at its flange",
    limit="0.80 of what the flange bears or less, with its doubt, ok; all of it watch; more stop",
    source="gyroscopic moment at 2.5 rad/s with 2.5 g: 14 CFR 23.371 before amendment 64 (from memory)",
    mark="from memory",
    form="air propeller",
    settles=decide("A lighter or smaller propeller, a shorter spacer, or its maker's word."),
)
def flange_bending(spacer: Spacer) -> Iterable[Verdict]:
    if not spacer.begun:
        return
    moment, limit = ask_all(lambda: spacer.moment, lambda: spacer.limit)
    share = moment.value / limit.si
    doubt = 2 * share * ((moment.u / moment.value) ** 2 + (limit.u / limit.si) ** 2) ** 0.5
    judged = band(share, "percent", ok=at_most(0.80), watch=at_most(1.0), doubt=doubt)
    yield verdict(
        judged,
        "A quick turn bends the flange with {m}, it bears {l}",
        "{g} by the propeller's spin at its fastest, {h} by its weight {a} ahead of the flange at {f} g. "
        + ("Its inertia is taken from its mass and diameter. " if spacer.propeller.inertia is None else "")
        + "What the "
        "engine's own strokes bend the crank nose with, and its fatigue, are not looked at.",
        working=bending.working(*spacer.moment_terms),
        m=q(moment.value, "torque"),
        l=q(limit.si, "torque"),
        g=q(gyroscopic(*spacer.gyroscopic_terms), "torque"),
        h=q(hanging(spacer.mass.si, FACTOR, spacer.arm.si), "torque"),
        a=q(spacer.arm.si, "length"),
        f=q(FACTOR, "number"),
    )


@rule(
    "drive.spacer",
    "Spacer ahead of the flange",
    limit="100 mm or less, and swaying at 1.25 of the blades' passing or more, ok; one of the two watch; neither stop",
    source="cantilever; 100 mm and 1.25: common practice, no source",
    mark="common practice",
    form="air propeller",
    settles=buy("A shorter spacer, or one of a larger tube, by who makes it for that engine."),
)
def spacer_(spacer: Spacer) -> Iterable[Verdict]:
    if not spacer.there:
        return
    length, sway, passes = ask_all(lambda: spacer.length, lambda: spacer.sway, lambda: spacer.passes)
    ratio = sway.value / passes
    judged = band(ratio, "number", ok=at_least(MARGIN), doubt=2 * ratio * sway.u / sway.value)
    long, soft = length.si + 2 * length.u > LONG_M + 1e-9, judged.level != "ok"
    judged = judged.or_by("stop", "it is long, and it sways", long and soft).or_by(
        "watch", "it is longer than 100 mm", long
    )
    yield verdict(
        judged,
        "A spacer of {l} sways at {s}, blades pass at {p}",
        "With the propeller on its end, flange and crank nose taken as stiff: they are not, and it is lower. "
        + ("Longer than 100 mm it wants the word of who made engine and spacer. " if long else "")
        + "How evenly it runs is for a dial; whether its bolts stay tight is not looked at.",
        working=sways.working(*spacer.sway_terms),
        can_suggest=judged.level == "stop",
        l=q(length.si, "length"),
        s=q(sway.value, "frequency"),
        p=q(passes, "frequency"),
    )
