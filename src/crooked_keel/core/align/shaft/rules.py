"""Findings of a shaft line and of packers under the feet."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...figure.trace import need
from ...judging.band import at_least, at_most, band, beyond
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, known_of
from ...resolved.installation import ResolvedInstallation
from .functions import packer_height, unit_angle
from .quantities import ShaftLine


@rule(
    "align.unit-angle",
    "Angle of the unit",
    limit="below the maker's limit at rest",
    source="maker of the unit",
    mark="statics",
    form="shaft line",
    settles=buy("A gear with another down-angle, or a unit allowed to lie steeper."),
)
def unit_angle_rule(shaft: ShaftLine, placed: ResolvedInstallation) -> Iterable[Verdict]:
    limit = lambda: (
        need(
            placed.installation.unit.angle_limit,
            placed.p("unit/angle_limit"),
            f"steepest angle that the maker of the {placed.name} allows",
        ).si
    )
    ask_all(limit, lambda: placed.nose_up)
    angle = placed.nose_up
    judged = band(abs(angle), "angle", ok=at_most(0.8 * limit()), watch=at_most(limit())).or_by(
        "watch", "it lies nose down", angle < 0
    )
    yield verdict(
        judged,
        "Unit {a} nose {w}",
        "Shaft {s}, gear {b} down. At rest and level: her trim under way comes on top."
        + (" Nose down: ask about oil pickup and vents." if angle < 0 else ""),
        left_out=shaft.unsaid_gear,
        working=unit_angle.working(placed.shaft[0], placed.gear_down),
        a=q(abs(angle), "angle"),
        w=word("up" if angle >= 0 else "down"),
        s=q(placed.shaft[0], "angle"),
        b=q(placed.gear_down, "angle"),
    )


# The tallest stack of packers that is not asked about, and the tallest at all, m. Proposed.
PACKER_OK_M, PACKER_STOP_M = 0.080, 0.150


@rule(
    "align.packers",
    "Packers under the feet",
    limit="3 to 80 mm ok, up to 150 mm watch; less than 3 mm, where the stringer is too high, or more stop",
    source="geometry; 3 mm: common practice, no source; 80 and 150 mm: proposed",
    mark="common practice",
    form="bed",
    settles=adjust("Raise the unit with its shaft; a stringer is not cut."),
)
def packers(shaft: ShaftLine, placed: ResolvedInstallation) -> Iterable[Verdict]:
    points = placed.installation.mount.points
    placed.mount_points  # noqa: B018  says what is missing
    known = known_of([Subject(k, points[k].name, k) for k in placed.mount_keys], shaft.packer)
    gear = shaft.unsaid_gear
    key, least = min(known.answers, key=lambda a: a[1])
    tall, most = max(known.answers, key=lambda a: a[1])
    # What lies too high under a foot comes before what sways.
    low = least < 0.003
    judged = (
        beyond(least, "length", at_least(0.003), "stop")
        if low
        else band(most, "length", ok=at_most(PACKER_OK_M), watch=at_most(PACKER_STOP_M))
    )
    level = judged.level
    if level != "ok" and not low:
        key = tall
    yield verdict(
        judged,
        "Stringer {d} too high under {f}"
        if least < 0.003
        else "Packers {a} to {b}"
        if level == "ok"
        else "A packer of {b} under {f}",
        "Raise the unit, if its shaft allows. A stringer is structure and is not cut for an engine."
        if least < 0.003
        else "Mounts loaded and at mid travel. One solid packer and no more than three shims."
        if level == "ok"
        else "{ok} is the most for a stack, above {stop} it stops: so tall it sways. Build a bed on the "
        "stringer, or read "
        "its height again.",
        ok=q(PACKER_OK_M, "length"),
        stop=q(PACKER_STOP_M, "length"),
        working=packer_height.working(*shaft.packer_terms(key)),
        left_out=known.left_out + gear,
        can_suggest=least < 0.003,
        a=q(least, "length"),
        b=q(max(h for _, h in known.answers), "length"),
        d=q(0.003 - least, "length"),
        f=word(points[key].name),
    )
