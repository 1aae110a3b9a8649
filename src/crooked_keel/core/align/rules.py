"""Findings of the align bench."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ..bench import or_none
from ..errors import CannotSay, Need, all_or_cannot_say
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..mechanics import TURN_SIGN
from ..trace import need
from .coupling import OFFSET_OK_M, OFFSET_WATCH_M, gap_limits
from .lines import FEET
from .road_line import (
    CHAIN_ANGLE_RAD,
    RUNOUT_OK_M,
    RUNOUT_WATCH_M,
    chain_offset_limit,
    joint_variation,
    line_offset,
    port_spacer,
)
from .section import AlignBench
from .shaft_line import packer_height, unit_angle
from .thrust_line import expected_right_sign, rear_port


@rule(
    "align.rear-clearance",
    "Rear of the unit to the firewall",
    limit="12.7 mm or more; 8 to 12.7 mm watch; less stop",
    source="example from builders, no source; 25 mm is often asked near hoses",
    mark="common practice",
    form="thrust line",
)
def rear_clearance(bench: AlignBench) -> Iterable[Finding]:
    c = bench.rear_clearance
    level: Level = "ok" if c >= 0.0127 else "watch" if c >= 0.008 else "stop"
    yield verdict(
        "align.rear-clearance", level, "{c} between unit and firewall" if c >= 0 else "The unit runs {n} into the firewall",
        "Turned as set, nearest rim. Travel of the rubbers is not taken off: it must be less.",
        compared=Compared(value=c, dimension="length", lo=0.0127), margin=q(c - 0.0127, "length"), can_suggest=level != "ok",
        c=q(c, "length"), n=q(-c, "length"),
    )  # fmt: skip


@rule(
    "align.thrust-side",
    "Side of the thrust line",
    limit="right for a clockwise tractor",
    source="FAA-H-8083-25, aerodynamics chapter (from memory)",
    mark="from memory",
    form="thrust line",
)
def thrust_side(bench: AlignBench) -> Iterable[Finding]:
    right = bench.placed.angles[1].value
    if abs(right) <= math.radians(0.25):
        yield verdict("align.thrust-side", "ok", "No side thrust set", "Nothing to compare with the turning direction.")
        return
    turns = bench.installation.propeller.turns
    if turns is None:
        raise CannotSay(Need(bench.placed._p("propeller/turns"), f"hand of the propeller ({bench.name})"))
    # A tractor: the propeller is ahead of the CG. The only layout of this kind so far.
    wanted = expected_right_sign(TURN_SIGN[turns], -1.0, 0.0)
    same = (right > 0) == (wanted > 0)
    yield verdict(
        "align.thrust-side", "ok" if same else "watch", "{a} to the {side}" if same else "Thrust points to the {side}",
        "The propeller turns {t} seen from aft looking forward; such a tractor wants its thrust to the {want}. How much: copy type practice and prove in flight.",
        can_suggest=not same,
        a=q(abs(right), "angle"), side=word("right" if right > 0 else "left"), t=word(turns), want=word("right" if wanted > 0 else "left"),
    )  # fmt: skip


@rule(
    "align.held-flange",
    "Where the rear goes",
    limit="shown, not judged",
    source="trigonometry",
    mark="statics",
    form="thrust line",
)
def held_flange(bench: AlignBench) -> Iterable[Finding]:
    up, port = bench.rear_shift
    down, right = (a.value for a in bench.placed.angles)
    yield verdict(
        "align.held-flange", "ok", "Rear of the unit: {p} to port, {u} up", "{n} down and {m} right with the output flange held. Drill nothing from the straight drawing.",
        working=rear_port.working(bench.length, down, right),
        p=q(port, "length"), u=q(up, "length"), n=q(down, "angle"), m=q(right, "angle"),
    )  # fmt: skip


@rule(
    "align.tubes",
    "Tubes from unit to firewall",
    limit="every point on both sides known",
    source="geometry",
    mark="statics",
    form="thrust line",
)
def tubes(bench: AlignBench) -> Iterable[Finding]:
    turned, straight = bench.turned, bench.straight
    most = max(turned.tube_length_m, key=lambda k: abs(turned.tube_length_m[k] - straight.tube_length_m[k]))
    change = turned.tube_length_m[most] - straight.tube_length_m[most]
    yield verdict(
        "align.tubes", "ok", "{n} tubes cut to length", "Centre to centre. {w} differs most from the straight drawing, by {d}.",
        n=q(len(turned.tube_length_m), "count"), w=word(bench.installation.mount.points[most].name), d=q(change, "length"),
    )  # fmt: skip


@rule(
    "align.gap", "Coupling gap", limit="by diameter 0.001 in per inch, or flat 0.003 in, or both; a little more watch, more stop", source="marine trade practice, no single source (from memory)", mark="from memory", form="coupling",
)  # fmt: skip
def gap(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("coupling"):
        return
    lines = bench.lines
    faces = lines.faces
    size = math.hypot(faces.open_bottom_m, faces.open_port_m)
    ok, watch = gap_limits(lines.diameter, lines.school)
    level: Level = "ok" if size <= ok else "watch" if size <= watch else "stop"
    where = (
        ("bottom" if faces.open_bottom_m >= 0 else "top")
        if abs(faces.open_bottom_m) >= abs(faces.open_port_m)
        else ("port side" if faces.open_port_m >= 0 else "starboard side")
    )
    yield verdict(
        "align.gap", level, "The flange opens {d} at the {w}", "Greatest less least gap round the rim; {ok} is allowed. One setting of both halves: a face out of true cannot be told from this; turn one half by 180° and read again.",
        compared=Compared(value=size, dimension="fine_length", hi=ok), margin=q(ok - size, "fine_length"), can_suggest=False, d=q(size, "fine_length"), w=word(where), ok=q(ok, "fine_length"),
    )  # fmt: skip


@rule(
    "align.gap-closure", "Gaps agree with each other", limit="misfit 0.005 mm or less ok, 0.0125 mm watch, more stop: read again", source="geometry: top and bottom together equal port and starboard; limits common practice", mark="common practice", form="coupling",
)  # fmt: skip
def gap_closure(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("coupling"):
        return
    faces = bench.lines.faces
    if faces.freedom == 0:
        yield verdict("align.gap-closure", "watch", "Three gaps only: nothing checks them", "Read the fourth.")
        return
    # Four readings leave one misfit, a quarter of the closure, the same at each.
    level: Level = "ok" if faces.misfit_m <= 0.02e-3 / 4 else "watch" if faces.misfit_m <= 0.05e-3 / 4 else "stop"
    yield verdict(
        "align.gap-closure", level, "Top and bottom agree with port and starboard" if level == "ok" else "The gaps do not close by {d}", "Top and bottom together should equal port and starboard together." + ("" if level == "ok" else " One of them is misread: read again."),
        compared=Compared(value=4 * faces.misfit_m, dimension="fine_length", hi=0.02e-3), d=q(4 * faces.misfit_m, "fine_length"),
    )  # fmt: skip


@rule(
    "align.offset",
    "Offset at the coupling",
    limit="0.003 in or less ok, 0.005 in watch, more stop",
    source="common practice, no source",
    mark="common practice",
    form="coupling",
)
def offset(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("coupling"):
        return
    up, starboard, _ = bench.lines.offset
    size = math.hypot(up, starboard)
    level: Level = "ok" if size <= OFFSET_OK_M else "watch" if size <= OFFSET_WATCH_M else "stop"
    yield verdict(
        "align.offset", level, "Unit {d} off the shaft", "{u} up, {s} to starboard. The moves of the feet take it out.", compared=Compared(value=size, dimension="fine_length", hi=OFFSET_OK_M), margin=q(OFFSET_OK_M - size, "fine_length"),
        d=q(size, "fine_length"), u=q(up, "fine_length"), s=q(starboard, "fine_length"),
    )  # fmt: skip


@rule(
    "align.flats",
    "Whole flats of the nuts",
    limit="leave both limits kept",
    source="search over whole flats",
    mark="statics",
    form="coupling",
)
def flats(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("coupling"):
        return
    plan = bench.lines.plan
    known = or_none(lambda: bench.lines.offset) is not None
    level: Level = "ok" if plan.score <= 1 and known else "watch"
    way = lambda n: word("up" if n >= 0 else "down")
    yield verdict(
        "align.flats", level, "Front nuts {f} flats {a}, rear nuts {r} flats {b}", ("Both sides alike. It leaves a gap of {g}. Then read again: soft mounts do not lift one for one." if plan.score <= 1 else "No whole flats meet the limits; this leaves a gap of {g}: use packers or a finer thread.")
        + ("" if known else " No rim step was read: this closes the angle and takes the offset as none."),
        f=q(abs(plan.front_flats), "count"), a=way(plan.front_flats), r=q(abs(plan.rear_flats), "count"), b=way(plan.rear_flats), g=q(abs(plan.angle_rad) * bench.lines.diameter, "fine_length"),
    )  # fmt: skip


@rule(
    "align.soft-foot",
    "Soft foot",
    limit="lift of 0.05 mm or less ok, 0.1 mm watch, more stop; feet without rubber",
    source="common practice, no source; geometry",
    mark="common practice",
    form="coupling",
)
def soft_foot(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("coupling"):
        return
    lines = bench.lines
    twist = lines.twist
    lift = 4 * abs(twist)
    level: Level = "ok" if lift <= 0.05e-3 else "watch" if lift <= 0.1e-3 else "stop"
    names = dict(FEET)
    a, b = (names[k] for k in lines.low_feet)
    yield verdict(
        "align.soft-foot", level, "No soft foot" if level == "ok" else "Soft: {a} and {b}", "One foot lifts by {l} when its bolt is let go." + ("" if level == "ok" else " Shim both by {s}. On rubber compare the heights of the mounts instead."),
        compared=Compared(value=lift, dimension="fine_length", hi=0.05e-3), a=word(a), b=word(b), l=q(lift, "fine_length"), s=q(2 * abs(twist), "fine_length"),
    )  # fmt: skip


@rule(
    "align.afloat",
    "Aligned afloat",
    limit="afloat a day, loaded, coupling apart",
    source="marine practice",
    mark="common practice",
    form="coupling",
)
def afloat(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("coupling"):
        return
    state = bench.installation.align.coupling.afloat
    if state is None:
        raise CannotSay(Need(bench.placed._p("align/coupling/afloat"), "whether the gaps were read afloat"))
    if state == "ashore":
        yield verdict(
            "align.afloat",
            "watch",
            "Aligned ashore: read again afloat",
            "The hull takes another shape in the water. A day afloat, tanks and gear aboard, coupling bolts out, shaft held up.",
        )
    else:
        yield verdict(
            "align.afloat",
            "ok",
            "Read afloat, loaded, coupling apart",
            "Read again after the first hours of running: soft mounts settle.",
        )


@rule(
    "align.unit-angle",
    "Angle of the unit",
    limit="below the maker's limit at rest",
    source="maker of the unit",
    mark="statics",
    form="shaft line",
)
def unit_angle_rule(bench: AlignBench) -> Iterable[Finding]:
    limit = lambda: (
        need(
            bench.installation.unit.angle_limit,
            bench.placed._p("unit/angle_limit"),
            f"steepest angle that the maker of the {bench.name} allows",
        ).si
    )
    all_or_cannot_say(limit, lambda: bench.placed.nose_up)
    angle = bench.placed.nose_up
    level: Level = "stop" if abs(angle) > limit() else "watch" if angle < 0 or abs(angle) > 0.8 * limit() else "ok"
    yield verdict(
        "align.unit-angle", level, "Unit {a} nose {w}", "Shaft {s}, gear {b} down. At rest and level: her trim under way comes on top." + (" Nose down: ask about oil pickup and vents." if angle < 0 else ""),
        compared=Compared(value=angle, dimension="angle", hi=limit()), margin=q(limit() - abs(angle), "angle"), working=unit_angle.working(bench.placed.shaft[0], bench.lines.down_angle),
        a=q(abs(angle), "angle"), w=word("up" if angle >= 0 else "down"), s=q(bench.placed.shaft[0], "angle"), b=q(bench.lines.down_angle, "angle"),
    )  # fmt: skip


@rule(
    "align.packers",
    "Packers under the feet",
    limit="3 mm or more, else the stringer is too high",
    source="geometry; 3 mm: common practice, no source",
    mark="common practice",
    form="bed",
)
def packers(bench: AlignBench) -> Iterable[Finding]:
    lines = bench.lines
    keys = bench.placed.mount_keys
    all_or_cannot_say(lambda: bench.placed.mount_points, *[lambda k=k: lines.packer(k) for k in keys])
    heights = {k: lines.packer(k) for k in keys}
    key = min(heights, key=lambda k: heights[k])
    least = heights[key]
    name = bench.installation.mount.points[key].name
    yield verdict(
        "align.packers", "ok" if least >= 0.003 else "stop", "Packers {a} to {b}" if least >= 0.003 else "Stringer {d} too high under {f}", "Mounts loaded and at mid travel. One solid packer and no more than three shims." if least >= 0.003 else "Cut the stringer or raise the unit. Cutting a stringer is structure: have it judged.",
        compared=Compared(value=least, dimension="length", lo=0.003), margin=q(least - 0.003, "length"), working=packer_height.working(*lines.packer_terms(key)), can_suggest=least < 0.003,
        a=q(least, "length"), b=q(max(heights.values()), "length"), d=q(0.003 - least, "length"), f=word(name),
    )  # fmt: skip


@rule(
    "align.sprockets",
    "Sprockets in line",
    limit="parallel within 1/300, planes within 1 mm (C/1000 from a metre); twice watch, more stop",
    source="chain makers' guides (from memory)",
    mark="from memory",
    form="sprockets",
)
def sprockets(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("sprockets"):
        return
    angle, apart = bench.lines.sprocket_line
    distance = bench.lines.sprocket_terms[3]
    share = max(abs(angle) / CHAIN_ANGLE_RAD, abs(apart) / chain_offset_limit(distance))
    level: Level = "ok" if share <= 1 else "watch" if share <= 2 else "stop"
    yield verdict(
        "align.sprockets", level, "Sprockets {o} apart, {a} out of parallel", "{l} and {t} are allowed. Set the wheel on the frame's centreline first, then the motor to the wheel.",
        compared=Compared(value=share, dimension="number", hi=1.0), working=line_offset.working(bench.lines.sprocket_terms[0], angle, distance),
        o=q(abs(apart), "fine_length"), a=q(abs(angle), "angle"), l=q(chain_offset_limit(distance), "fine_length"), t=q(CHAIN_ANGLE_RAD, "angle"),
    )  # fmt: skip


@rule(
    "align.spacers",
    "Wheel centred by spacers",
    limit="both spacers zero or more",
    source="geometry",
    mark="statics",
    form="wheel centre",
)
def spacers(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("wheel"):
        return
    s, (inside, hub, rim, target) = bench.lines.spacers, bench.lines.wheel_terms
    least = min(s)
    # A millionth of a millimetre is rounding, not a spacer.
    level: Level = "ok" if least >= -1e-9 else "stop"
    title = (
        "Hub {h} is wider than the space between the arms, {w}"
        if hub > inside
        else "The rim cannot be brought there: one spacer would be under zero"
        if level == "stop"
        else "Spacers {p} to port, {s} to starboard"
    )
    yield verdict(
        "align.spacers", level, title, "Rim's middle {t} to starboard of the frame's: {p} to port, {s} to starboard. Check that the axle still has full thread in its nut.",
        working=port_spacer.working(inside, hub, target, rim), compared=Compared(value=least, dimension="length", lo=0.0), margin=q(least, "length"),
        p=q(s.port_m, "length"), s=q(s.starboard_m, "length"), t=q(target, "length"), h=q(hub, "length"), w=q(inside, "length"),
    )  # fmt: skip


@rule(
    "align.adapter",
    "Adapter bore in line",
    limit="total reading of the eccentricity 0.005 in or less ok, 0.010 in watch, more stop",
    source="transmission-shop practice (from memory)",
    mark="from memory",
    form="adapter",
)
def adapter(bench: AlignBench) -> Iterable[Finding]:
    if not bench.lines.asks("runout"):
        return
    r = bench.lines.runout
    total = 2 * r.eccentricity_m
    level: Level = "ok" if total <= RUNOUT_OK_M else "watch" if total <= RUNOUT_WATCH_M else "stop"
    oval = level == "ok" and r.total_m > RUNOUT_WATCH_M
    yield verdict(
        "align.adapter", "watch" if oval else level, "Bore out of round, or a bad reading" if oval else "Bore {t} out, total reading", "Move the box by {e} toward {a} clockwise from the top. Raw total reading {raw}, out of round {o}.",
        compared=Compared(value=total, dimension="fine_length", hi=RUNOUT_OK_M), margin=q(RUNOUT_OK_M - total, "fine_length"),
        t=q(total, "fine_length"), e=q(r.eccentricity_m, "fine_length"), a=q(r.centre_rad, "angle"), raw=q(r.total_m, "fine_length"), o=q(r.ovality_m, "fine_length"),
    )  # fmt: skip


@rule(
    "align.joints",
    "Universal joints",
    limit="angle by speed ok, 1.25 times watch, more stop; under 0.5° watch",
    source="driveline makers' table (from memory)",
    mark="from memory",
    form="joints",
)
def joints(bench: AlignBench) -> Iterable[Finding]:
    for key, name, angle, limit in bench.lines.joints():
        level: Level = (
            "watch"
            if angle < math.radians(0.5)
            else "ok"
            if angle <= limit
            else "watch"
            if angle <= 1.25 * limit
            else "stop"
        )
        yield verdict(
            "align.joints", level, "{n}: {a}", "{l} is allowed at its speed; the speed behind it rises and falls by {v}." + (" Straight: the needles do not roll." if angle < math.radians(0.5) else ""), subject=key,
            compared=Compared(value=angle, dimension="angle", hi=limit), margin=q(limit - angle, "angle"), working=joint_variation.working(angle), n=word(name), a=q(angle, "angle"), l=q(limit, "angle"), v=q(joint_variation(angle), "percent"),
        )  # fmt: skip
