"""Findings of the drive bench."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, or_none
from ...judging.finding import Finding, q, word
from ...judging.register import rule, verdict
from ...physics.mechanics import TURN_SIGN
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from .quantities import TURN_WORDS, Train


@rule("drive.rotation", "Turning direction and propeller", limit="same", source="kinematics", mark="statics")
def rotation(train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterable[Finding]:
    if resolved.has("across"):
        return
    hand = placed.installation.propeller.turns
    if hand is None:
        raise CannotSay(Gap(train.p("propeller/turns"), f"hand of the propeller ({train.name})"))
    turns = train.output_turns
    same = TURN_SIGN[hand] == turns
    yield verdict(
        "drive.rotation",
        "ok" if same else "stop",
        "Train and propeller turn the same way" if same else "The propeller is of the other hand",
        "The {f} turns {t} seen from aft looking forward; the propeller wants {h}.",
        f=word(resolved.word("flange")),
        t=word(TURN_WORDS[turns]),
        h=word(hand),
    )


@rule(
    "drive.output-turns",
    "Turning of the output, said twice",
    limit="port of the unit and train the same, else unknown",
    source="one shaft turns one way",
    mark="statics",
)
def output_turns(train: Train, resolved: Resolved) -> Iterable[Finding]:
    said = train.unit.ports.output.turns
    turns = or_none(lambda: train.output_turns)
    if said is None or turns is None or resolved.has("across") or TURN_SIGN[said] == turns:
        return
    yield verdict(
        "drive.output-turns",
        "unknown",
        "The output is said to turn {a}, its train turns it {b}: which?",
        "Seen from aft looking forward. Propeller, thrust line and torque follow it: look at it turn, starter only.",
        needs=[Gap(train.p("unit/ports/output/turns"), f"which way the output of the {train.name} turns")],
        a=word(said),
        b=word(TURN_WORDS[turns]),
    )


@rule(
    "drive.hunting-tooth",
    "Tooth pairs",
    limit="greatest common divisor 1",
    source="common practice, no source",
    mark="common practice",
)
def hunting_tooth(train: Train) -> Iterable[Finding]:
    from math import gcd

    for key, stage in train.drive.stages.items():
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
