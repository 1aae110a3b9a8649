"""Findings of the drive bench."""

from __future__ import annotations

from collections.abc import Iterable

from ..errors import CannotSay, Need
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..mechanics import TURN_SIGN
from .propeller import ground_clearance, tip_mach
from .section import TURN_WORDS, DriveBench


@rule(
    "drive.tip-mach",
    "Tip Mach",
    limit="the school chosen (0.80, 0.85 or 0.90); 0.03 over is watch",
    source="common practice: schools 0.80, 0.85, 0.90; kinematics",
    mark="common practice",
)
def tip_mach_rule(bench: DriveBench) -> Iterable[Finding]:
    mach, limit = bench.mach, bench.mach_limit
    level: Level = "ok" if mach <= limit else "watch" if mach <= limit + 0.03 else "stop"
    yield verdict(
        "drive.tip-mach", level, "Tips run at Mach {m}", "{d} at {n}, standing. The chosen school allows {limit}; flight adds to it.",
        compared=Compared(value=mach, dimension="number", lo=0.0, hi=limit), margin=q(limit - mach, "number"),
        working=tip_mach.working(bench.diameter, bench.propeller_speed, bench.sound), can_suggest=level != "ok",
        m=q(mach, "number"), d=q(bench.diameter, "length"), n=q(bench.propeller_speed, "rotation"), limit=q(limit, "number"),
    )  # fmt: skip


@rule(
    "drive.ground-clearance",
    "Propeller over the ground",
    limit="229 mm tailwheel, 178 mm nose wheel, level; 25 mm in hand or watch; the same in the lowest attitude",
    source="14 CFR 23.925 before amendment 64 (from memory)",
    mark="from memory",
)
def ground_clearance_rule(bench: DriveBench) -> Iterable[Finding]:
    clearance, attitude = bench.worst_clearance
    wanted = bench.clearance_wanted
    level: Level = "stop" if clearance < wanted else "watch" if clearance < wanted + 0.025 else "ok"
    yield verdict(
        "drive.ground-clearance", level, "{c} under the tips", "{a}. {w} is asked, wheels and struts as they stand loaded; a soft tyre takes more.",
        compared=Compared(value=clearance, dimension="length", lo=wanted), margin=q(clearance - wanted, "length"),
        working=ground_clearance.working(*bench.hub, attitude, bench.diameter), can_suggest=level != "ok",
        c=q(clearance, "length"), w=q(wanted, "length"), a=word("Level" if attitude == 0 else "In the steepest nose-down attitude"),
    )  # fmt: skip


@rule("drive.rotation", "Turning direction and propeller", limit="same", source="kinematics", mark="statics")
def rotation(bench: DriveBench) -> Iterable[Finding]:
    hand = bench.installation.propeller.turns
    if hand is None:
        raise CannotSay(Need(bench._p("propeller/turns"), f"hand of the propeller ({bench.name})"))
    turns = bench.output_turns
    same = TURN_SIGN[hand] == turns
    yield verdict(
        "drive.rotation", "ok" if same else "stop", "Train and propeller turn the same way" if same else "The propeller is of the other hand",
        "The flange turns {t} seen from aft looking forward; the propeller wants {h}.", t=word(TURN_WORDS[turns]), h=word(hand),
    )  # fmt: skip


@rule("drive.blades", "Blades given", limit="number of blades", source="maker of the propeller", mark="statics")
def blades(bench: DriveBench) -> Iterable[Finding]:
    count = bench.installation.propeller.blades
    if count is None:
        raise CannotSay(Need(bench._p("propeller/blades"), f"number of blades ({bench.name})"))
    if count.si < 2:
        yield verdict("drive.blades", "watch", "A one-bladed propeller", "Was one blade meant?")
    else:
        yield verdict(
            "drive.blades",
            "ok",
            "{n} blades",
            "Power absorbed and thrust are not judged here yet.",
            n=q(count.si, "count"),
        )


@rule(
    "drive.hunting-tooth",
    "Tooth pairs",
    limit="greatest common divisor 1",
    source="common practice, no source",
    mark="common practice",
)
def hunting_tooth(bench: DriveBench) -> Iterable[Finding]:
    from math import gcd

    for key, stage in bench.installation.drive.stages.items():
        if stage.driver_teeth and stage.driven_teeth:
            a, b = int(stage.driver_teeth.si), int(stage.driven_teeth.si)
            if gcd(a, b) > 1 and stage.type == "gear":
                yield verdict(
                    "drive.hunting-tooth",
                    "watch",
                    "Teeth {a}/{b} share a divisor",
                    "The same teeth meet every {n} turns and wear prints in.",
                    subject=key,
                    a=q(a, "count"),
                    b=q(b, "count"),
                    n=q(b // gcd(a, b), "count"),
                )
