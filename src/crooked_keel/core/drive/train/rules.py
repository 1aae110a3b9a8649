"""Findings of the drive bench."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all, or_none
from ...figure.trace import need
from ...judging.band import at_least, at_most, band, never_ok
from ...judging.finding import LEVELS, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy, decide
from ...physics.mechanics import TURN_SIGN
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from .quantities import TURN_WORDS, Train


@rule(
    "drive.rotation",
    "Turning direction and propeller",
    limit="same",
    source="kinematics",
    mark="statics",
    settles=buy("A propeller of the other hand, or a stage that flips the turning."),
)
def rotation(train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.has("across"):
        return
    hand = placed.installation.propeller.turns
    if hand is None:
        raise CannotSay(Gap(train.p("propeller/turns"), f"hand of the propeller ({train.name})"))
    turns = train.output_turns
    same = TURN_SIGN[hand] == turns
    yield verdict(
        "ok" if same else "stop",
        "Train and propeller turn the same way" if same else "The propeller is of the other hand",
        "The {f} turns {t} seen from aft looking forward; the propeller wants {h}.",
        can_suggest=not same,
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
def output_turns(train: Train, resolved: Resolved) -> Iterable[Verdict]:
    said = train.unit.ports.output.turns
    turns = or_none(lambda: train.output_turns)
    if said is None or turns is None or resolved.has("across") or TURN_SIGN[said] == turns:
        return
    yield verdict(
        "unknown",
        "The output is said to turn {a}, its train turns it {b}: which?",
        "Seen from aft looking forward. Propeller, thrust line and torque follow it: look at it turn, starter only.",
        needs=[Gap(train.p("unit/ports/output/turns"), f"which way the output of the {train.name} turns")],
        a=word(said),
        b=word(TURN_WORDS[turns]),
    )


@rule(
    "drive.wheel-sense",
    "Which way the wheel turns",
    limit="forward ok; backward stop, of a motor watch; of a crank along the craft watch",
    source="kinematics",
    mark="statics",
    form="across",
    settles=buy("An idler or one gear more, a crossed belt, or a unit that turns the other way."),
)
def wheel_sense(train: Train) -> Iterable[Verdict]:
    if train.placed.old:
        return
    if train.unit.rolls is None:
        what = f"which way the crank of the {train.name} turns, seen as the wheels roll"
        raise CannotSay(Gap(train.p("unit/rolls"), what))
    if train.unit.rolls == "its crank lies along the craft":
        yield verdict(
            "watch",
            "Which way the wheel turns is not told by the train",
            "The limit is forward. Behind a crank along the craft it hangs on the side of the crown wheel: turn the "
            "unit by hand, wheel off the ground, plugs out, before anything is cut.",
        )
        return
    forward, motor = train.wheel_turns > 0, train.electric
    yield verdict(
        "ok" if forward else "watch" if motor else "stop",
        "The wheel turns forward" if forward else "The wheel turns backward, forward is wanted",
        "By the crank, the box and the stages ({s} of them). Turn it once by hand, wheel off the ground."
        + ("" if forward or motor else " Another gear or idler, a crossed belt, or the unit turned about.")
        + (
            " A motor turns the other way by its controller: ask whether its fan, its seals and its sensor may."
            if motor and not forward
            else ""
        ),
        s=q(float(len(train.drive.stages)), "count"),
    )


@rule(
    "drive.hunting-tooth",
    "Tooth pairs",
    limit="greatest common divisor 1",
    source="common practice, no source",
    mark="common practice",
    settles=buy("One tooth more or less on either wheel."),
)
def hunting_tooth(train: Train) -> Iterable[Verdict]:
    from math import gcd

    for key, stage in train.drive.stages.items():
        if stage.driver_teeth and stage.driven_teeth:
            a, b = int(stage.driver_teeth.si), int(stage.driven_teeth.si)
            if gcd(a, b) > 1 and stage.type in ("gear", "internal gear", "bevel"):
                yield verdict(
                    "watch",
                    "Teeth {a}/{b} share a divisor",
                    "The same teeth meet every {n} turns and wear prints in.",
                    subject=key,
                    can_suggest=True,
                    a=q(a, "count"),
                    b=q(b, "count"),
                    n=q(b // gcd(a, b), "count"),
                )


# Times the torque that a one-way clutch holds: usual, and least. Common practice, no source.
HELD, _LEAST_HELD = 2.0, 1.5


@rule(
    "drive.one-way",
    "One-way clutch",
    limit="holds 1.5 times the torque, and may run free at the fastest speed: watch, never ok; less, slower, or "
    "acted through, stop",
    source="common practice, no source; its maker governs",
    mark="common practice",
    settles=buy("A clutch that holds twice the torque and runs free at its speed; a starter elsewhere."),
)
def one_way(train: Train) -> Iterable[Verdict]:
    clutch = train.drive.clutch
    if clutch.one_way != "fitted":
        return
    at = lambda name: train.p(f"drive/clutch/{name}")
    through, behind, holds, free, torque, fastest = ask_all(
        lambda: _through(train),
        lambda: need(clutch.behind, at("behind"), "how many stages lie before the one-way clutch").si,
        lambda: train.read(clutch.holds, at("holds"), "torque that the one-way clutch holds, by its maker"),
        lambda: train.read(clutch.free_speed, at("free_speed"), "speed at which the clutch may run free, by its maker"),
        lambda: train.hardest,
        lambda: max(speed for _, speed in train.claims),
    )
    before = train.ratio_before(behind)
    asked, runs = torque[0] / torque[1] * before, fastest / before
    share, doubt = holds.si / asked, 2 * holds.u / asked
    slow = free.si < runs
    acts = through != "nothing"
    yield verdict(
        never_ok(
            share, "number", watch=at_least(_LEAST_HELD), ground="what it drives cannot turn the unit", doubt=doubt
        )
        .or_by("stop", "torque comes through it the other way", acts)
        .or_by("stop", "it comes to more than it may run free at", slow),
        "The starter, or engine braking, would act through the one-way clutch: it does not"
        if acts
        else "The one-way clutch may run free at {f}, it can come to {r}"
        if slow
        else "The one-way clutch holds {s} times the torque of {t}",
        "What it drives cannot turn the unit: no restart by it, no braking, and a unit that stops leaves it turning. "
        "Twice the torque is usual. The unit's pulses, heat and life are not looked at.",
        can_suggest=not acts and not slow and share < _LEAST_HELD,
        s=q(share, "number"),
        t=q(asked, "torque"),
        f=q(free.si, "rotation"),
        r=q(runs, "rotation"),
    )


def _through(train: Train) -> str:
    said = train.drive.clutch.acts_through
    if said is None:
        raise CannotSay(
            Gap(train.p("drive/clutch/acts_through"), "whether a starter or engine braking acts through it")
        )
    return said


@rule(
    "drive.kept-box",
    "Input of a box that stays",
    limit="torque and speed each 0.90 of what its input may be given, with its doubt, ok; all of it watch; more stop",
    source="its maker; 0.90: common practice, no source",
    mark="common practice",
    settles=decide("Hold the unit back, another ratio before the box, or another box."),
)
def kept_box(train: Train) -> Iterable[Verdict]:
    if train.placed.old or not train.box_begun:
        return
    (torque, speed), takes, turns = ask_all(
        lambda: train.box_given,
        lambda: train.read(train.drive.box_takes, train.p("drive/box_takes"), "torque that the box may be given"),
        lambda: train.read(train.drive.box_turns, train.p("drive/box_turns"), "speed that the box may be given"),
    )
    share = lambda a, b: (a.si / b.si, 2 * (a.u / b.si + a.si / b.si * b.u / b.si))
    by_torque, by_speed = share(torque, takes), share(speed, turns)
    judged = [band(v, "percent", ok=at_most(0.90), watch=at_most(1.0), doubt=d) for v, d in (by_torque, by_speed)]
    worst = min(zip(judged, (by_torque[0], by_speed[0]), strict=True), key=lambda j: (LEVELS.index(j[0].level), -j[1]))[
        0
    ]
    yield verdict(
        worst,
        "The box that stays is given {t} and {n}",
        "It may be given {a} and {b}, by its maker. An engine of few cylinders or a motor with all its torque at rest "
        "shocks it more than its figure says; its oil, its clutch and its mountings are not looked at.",
        can_suggest=worst.level != "ok",
        t=q(torque.si, "torque"),
        n=q(speed.si, "rotation"),
        a=q(takes.si, "torque"),
        b=q(turns.si, "rotation"),
    )
