"""Findings of the align bench."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import Any

from ...errors import CannotSay, Gap, or_none
from ...judging.band import at_most, band
from ...judging.finding import BUTT_LINE, LEVELS, WATER_LINE, Level, Ways, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, measure
from ...resolved.installation import ResolvedInstallation
from .functions import CLOSURE_OK_M, CLOSURE_WATCH_M, OFFSET_OK_M, OFFSET_WATCH_M, gap_limits
from .quantities import CouplingLine


@rule(
    "align.gap",
    "Coupling gap",
    limit="by diameter 0.001 in per inch, or flat 0.003 in, or both; a little more watch, more stop",
    source="marine trade practice, no single source (from memory)",
    mark="from memory",
    form="coupling",
    settles=adjust("Turn the nuts as the flats say, move the feet sideways, and read again."),
)
def gap(coupling: CouplingLine) -> Iterable[Verdict]:
    if not coupling.asks("coupling"):
        return
    lines = coupling
    faces = lines.faces
    size = math.hypot(faces.open_bottom_m, faces.open_port_m)
    ok, watch = gap_limits(lines.diameter, lines.school)
    judged = band(size, "fine_length", ok=at_most(ok), watch=at_most(watch))
    where = (
        ("bottom" if faces.open_bottom_m >= 0 else "top")
        if abs(faces.open_bottom_m) >= abs(faces.open_port_m)
        else ("port side" if faces.open_port_m >= 0 else "starboard side")
    )
    yield verdict(
        judged,
        "The flange opens {d} at the {w}",
        "Greatest less least gap round the rim; {ok} is allowed. One setting of both halves: a face out of true "
        "cannot be told from this; turn one half by 180° and read again.",
        can_suggest=False,
        d=q(size, "fine_length"),
        w=word(where),
        ok=q(ok, "fine_length"),
    )


@rule(
    "align.gap-closure",
    "Gaps agree with each other",
    limit="misfit 0.005 mm or less ok, 0.0125 mm watch, more stop: read again; three gaps: unknown",
    source="geometry: top and bottom together equal port and starboard; limits common practice",
    mark="common practice",
    form="coupling",
    settles=measure("Read the four gaps again."),
)
def gap_closure(coupling: CouplingLine) -> Iterable[Verdict]:
    if not coupling.asks("coupling"):
        return
    faces = coupling.faces
    if faces.freedom == 0:
        coupling.every_gap  # noqa: B018  names the fourth: three close whatever they are
    # Four readings leave one misfit, a quarter of the closure, the same at each.
    judged = band(4 * faces.misfit_m, "fine_length", ok=at_most(0.02e-3), watch=at_most(0.05e-3))
    level = judged.level
    yield verdict(
        judged,
        "Top and bottom agree with port and starboard" if level == "ok" else "The gaps do not close by {d}",
        "Top and bottom together should equal port and starboard together."
        + ("" if level == "ok" else " One of them is misread: read again."),
        d=q(4 * faces.misfit_m, "fine_length"),
    )


@rule(
    "align.offset",
    "Offset at the coupling",
    limit="0.003 in or less ok, 0.005 in watch, more stop; steps that close within 0.05 mm ok, 0.1 mm watch, more stop",
    source="common practice, no source",
    mark="common practice",
    form="coupling",
    settles=adjust("The moves of the feet take it out; where the steps do not close, read them again."),
)
def offset(coupling: CouplingLine) -> Iterable[Verdict]:
    if not coupling.asks("coupling"):
        return
    up, starboard, closure = coupling.offset
    size = math.hypot(up, starboard)
    judged = band(size, "fine_length", ok=at_most(OFFSET_OK_M), watch=at_most(OFFSET_WATCH_M))
    closed = band(abs(closure), "fine_length", ok=at_most(CLOSURE_OK_M), watch=at_most(CLOSURE_WATCH_M))
    if LEVELS.index(closed.level) < LEVELS.index(judged.level):
        yield verdict(
            closed,
            "The steps do not close by {c}: read them again",
            "Top and bottom together should equal port and starboard together; {k} is allowed. As read the unit "
            "lies {d} "
            "off the shaft, {u}, {s}.",
            c=q(abs(closure), "fine_length"),
            k=q(CLOSURE_OK_M, "fine_length"),
            d=q(size, "fine_length"),
            u=q(up, "fine_length", WATER_LINE),
            s=q(starboard, "fine_length", BUTT_LINE),
        )
        return
    yield verdict(
        judged,
        "Unit {d} off the shaft",
        "{u}, {s}; {k} is allowed. The moves of the feet take it out.",
        k=q(OFFSET_OK_M, "fine_length"),
        d=q(size, "fine_length"),
        u=q(up, "fine_length", WATER_LINE),
        s=q(starboard, "fine_length", BUTT_LINE),
    )


@rule(
    "align.flats",
    "Whole flats of the nuts",
    limit="leave both limits kept, within the thread that is left; beyond its end stop",
    source="search over whole flats",
    mark="statics",
    form="coupling",
    settles=adjust("Packers or shims for what the nuts do not reach; sideways by moving the feet."),
)
def flats(coupling: CouplingLine) -> Iterable[Verdict]:
    if not coupling.asks("coupling"):
        return
    plan, faces = coupling.plan, coupling.faces
    known = or_none(lambda: coupling.offset) is not None
    ok, _ = gap_limits(coupling.diameter, coupling.school)
    sideways = abs(faces.open_port_m) > ok
    travel = coupling.thread_left
    short = [f"{end} nuts lack {way}" for end, way, lacks in coupling.travel_short if lacks]
    # Nuts whose thread is not known may not be turned: that is not known either.
    level: Level = (
        "stop"
        if short
        else "unknown"
        if travel.names
        else "ok"
        if plan.score <= 1 and known and not sideways
        else "watch"
    )
    way = lambda n: word("up" if n >= 0 else "down")
    yield verdict(
        level,
        "The thread does not reach: {short}" if short else "Front nuts {f} flats {a}, rear nuts {r} flats {b}",
        (
            "{f} flats {a} in front and {r} {b} behind are asked. Change the packers under the mounts first."
            if short
            else "Both sides alike. Top to bottom it leaves a gap of {g}. Then read again: soft mounts do not lift one "
            "for one."
            if plan.score <= 1
            else "No whole flats meet the limits; top to bottom this leaves a gap of {g}: use packers or a "
            "finer thread."
        )
        + (" From side to side it opens {p}, which no nut closes: move the feet sideways." if sideways else "")
        + ("" if known else " No rim step was read: this closes the angle and takes the offset as none."),
        left_out=travel,
        f=q(abs(plan.front_flats), "count"),
        a=way(plan.front_flats),
        r=q(abs(plan.rear_flats), "count"),
        b=way(plan.rear_flats),
        g=q(abs(plan.angle_rad) * coupling.diameter, "fine_length"),
        p=q(faces.open_port_m, "fine_length", Ways("to port", "to starboard")),
        short=word(", ".join(short)),
    )


@rule(
    "align.soft-foot",
    "Soft foot",
    limit="gap under a foot, or its lift, 0.05 mm or less ok, 0.1 mm watch, more stop; feet without rubber",
    source="common practice, no source; geometry",
    mark="common practice",
    form="coupling",
    settles=adjust("The shims that its sentence names, then feel every foot again."),
)
def soft_foot(coupling: CouplingLine) -> Iterable[Verdict]:
    if not coupling.asks("coupling"):
        return
    lift, feet = coupling.soft
    judged = band(lift, "fine_length", ok=at_most(5e-05), watch=at_most(0.0001))
    params: dict[str, Any] = {}
    for k, (name, shim) in enumerate(feet):
        params |= {f"n{k}": word(name), f"f{k}": q(shim, "fine_length")}
    shims = ", ".join(f"{{n{k}}} {{f{k}}}" for k in range(len(feet)))
    yield verdict(
        judged,
        "No soft foot" if judged.level == "ok" else "Soft: {a}",
        "{l} is the most that a foot stands clear, or lifts when its bolt is let go; 0.05 mm is allowed."
        + ("" if judged.level == "ok" else f" Shim {shims}. On rubber compare the heights of the mounts instead."),
        a=word(" and ".join(name for name, _ in feet)),
        l=q(lift, "fine_length"),
        **params,
    )


@rule(
    "align.afloat",
    "Aligned afloat",
    limit="afloat a day, loaded, coupling apart",
    source="marine practice",
    mark="common practice",
    form="coupling",
    settles=measure("Read again afloat: a day in the water, loaded, coupling apart."),
)
def afloat(coupling: CouplingLine, placed: ResolvedInstallation) -> Iterable[Verdict]:
    if not coupling.asks("coupling"):
        return
    state = placed.installation.align.coupling.afloat
    if state is None:
        raise CannotSay(Gap(placed.p("align/coupling/afloat"), "whether the gaps were read afloat"))
    if state == "ashore":
        yield verdict(
            "watch",
            "Aligned ashore: read again afloat",
            "The hull takes another shape in the water. A day afloat, tanks and gear aboard, coupling bolts out, "
            "shaft held up.",
        )
    else:
        yield verdict(
            "ok",
            "Read afloat, loaded, coupling apart",
            "Read again after the first hours of running: soft mounts settle.",
        )
