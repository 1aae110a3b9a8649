"""Findings of a shaft line and of packers under the feet."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...figure.trace import need
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
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
)
def unit_angle_rule(shaft: ShaftLine, placed: ResolvedInstallation) -> Iterable[Finding]:
    limit = lambda: (
        need(
            placed.installation.unit.angle_limit,
            placed.p("unit/angle_limit"),
            f"steepest angle that the maker of the {placed.name} allows",
        ).si
    )
    ask_all(limit, lambda: placed.nose_up)
    angle = placed.nose_up
    level: Level = "stop" if abs(angle) > limit() else "watch" if angle < 0 or abs(angle) > 0.8 * limit() else "ok"
    yield verdict(
        "align.unit-angle",
        level,
        "Unit {a} nose {w}",
        "Shaft {s}, gear {b} down. At rest and level: her trim under way comes on top."
        + (" Nose down: ask about oil pickup and vents." if angle < 0 else ""),
        compared=Compared(value=angle, dimension="angle", hi=limit()),
        working=unit_angle.working(placed.shaft[0], shaft.down_angle),
        a=q(abs(angle), "angle"),
        w=word("up" if angle >= 0 else "down"),
        s=q(placed.shaft[0], "angle"),
        b=q(shaft.down_angle, "angle"),
    )


@rule(
    "align.packers",
    "Packers under the feet",
    limit="3 mm or more, else the stringer is too high",
    source="geometry; 3 mm: common practice, no source",
    mark="common practice",
    form="bed",
)
def packers(shaft: ShaftLine, placed: ResolvedInstallation) -> Iterable[Finding]:
    points = placed.installation.mount.points
    placed.mount_points  # noqa: B018  says what is missing
    known = known_of([Subject(k, points[k].name, k) for k in placed.mount_keys], shaft.packer)
    key, least = min(known.answers, key=lambda a: a[1])
    yield verdict(
        "align.packers",
        "ok" if least >= 0.003 else "stop",
        "Packers {a} to {b}" if least >= 0.003 else "Stringer {d} too high under {f}",
        "Mounts loaded and at mid travel. One solid packer and no more than three shims."
        if least >= 0.003
        else "Cut the stringer or raise the unit. Cutting a stringer is structure: have it judged.",
        compared=Compared(value=least, dimension="length", lo=0.003),
        working=packer_height.working(*shaft.packer_terms(key)),
        left_out=known.left_out,
        can_suggest=least < 0.003,
        a=q(least, "length"),
        b=q(max(h for _, h in known.answers), "length"),
        d=q(0.003 - least, "length"),
        f=word(points[key].name),
    )
