"""Findings of the envelope of an electric unit."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import Gap, ask_all
from ....judging.band import at_least, band
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy
from .functions import gives, torque_of
from .quantities import AGREE, MotorEnvelope


@rule(
    "drive.lasting-torque",
    "Motor at its rated speed with its packs low",
    limit="gives its lasting torque there with 1.1 times to spare ok, gives it watch, does not stop",
    source="volts, amperes and watts; 1.1: proposed",
    mark="proposed",
    settles=buy("Packs of more volts or less resistance, or a motor of more speed of one volt."),
)
def lasting(envelope: MotorEnvelope) -> Iterable[Verdict]:
    if not envelope.begun:
        return
    named, wanted = ask_all(lambda: envelope.named, lambda: envelope.lasting)
    there = envelope.at_rated(named)
    judged = band(there / wanted, "number", ok=at_least(1.1), watch=at_least(1.0))
    made = gives(named, envelope.train.rated_speed)
    yield verdict(
        judged,
        "At rated speed the motor gives {t} of {w}"
        if made is not None
        else "The motor does not come to its rated speed",
        "Packs at their named voltage, which sags to {v} there; "
        + (
            "its own voltage is theirs."
            if made is None
            else {
                "phase current": "the phase current of its controller ends it.",
                "battery current": "the battery current ends it.",
                "voltage": "their voltage ends it: it slows as they empty.",
            }[made.ends]
        )
        + " A weakened field would turn it faster with less torque: not looked at.",
        t=q(there, "torque"),
        w=q(wanted, "torque"),
        v=q(made.packs_v if made is not None else named.open_v, "voltage"),
    )


@rule(
    "drive.motor-possible",
    "Peak torque and phase current",
    limit="peak torque within 15 % of what its phase current makes, or less, else unknown",
    source="power is kept: torque of one ampere by the speed of one volt; 15 %: proposed",
    mark="proposed",
)
def possible(envelope: MotorEnvelope) -> Iterable[Verdict]:
    if not envelope.begun:
        return
    motor, claimed = ask_all(lambda: envelope.full, lambda: envelope.claimed)
    makes = torque_of(motor.phase_a - motor.idle_a, motor.of_one_volt)
    if claimed.si - 2 * claimed.u <= (1 + AGREE) * makes:
        return
    p = envelope.train.p
    yield verdict(
        "unknown",
        "{c} is claimed, {i} make {m}: which is not right?",
        "The speed of one volt may be given for effective volts and not for the peak between two lines: then it is "
        "1.41 times too high here. Or the peak torque is for a larger controller.",
        needs=[
            Gap(p("unit/unloaded"), "speed of one volt, no load, by which convention"),
            Gap(p("unit/peak_torque"), "peak torque with this controller"),
        ],
        c=q(claimed.si, "torque"),
        i=q(motor.phase_a, "current"),
        m=q(makes, "torque"),
    )
