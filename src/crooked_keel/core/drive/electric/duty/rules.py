"""Findings of an electric unit on the road: what a cycle asks of it for long, and the voltage it makes downhill."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import ask_all
from ....judging.band import at_most, band
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust, buy
from ..helper.functions import back_voltage
from .quantities import DutyCycle


@rule(
    "drive.duty",
    "What a cycle asks of the motor for long",
    limit="mean square of its power within the continuous one ok, 1.2 times watch, more stop",
    source="mechanics; heat goes about as the square; 1.2: proposed",
    mark="proposed",
    form="driven wheel",
    settles=buy("A motor of more lasting power, or less mass, or a calmer use."),
)
def duty(duty: DutyCycle) -> Iterable[Verdict]:
    driven, given = ask_all(lambda: duty.cycle, lambda: duty.train.power)
    share = driven.lasting_w / given
    judged = band(share, "percent", ok=at_most(1.0), watch=at_most(1.2))
    short = driven.most_w > given and (duty.unit.peak_power is None or driven.most_w > duty.unit.peak_power.si)
    yield verdict(
        judged.or_by("watch", "it asks more for a moment than the motor has", short),
        "The cycle asks {l} for long, the motor gives {g}"
        if not short
        else "The cycle asks {m} for a moment, more than the motor has",
        "Mean square of its power over its cycle, heaviest loading; {m} at the most. A hill, a head "
        "wind, and torque at a crawl heat it more; they are not in it.",
        l=q(driven.lasting_w, "power"),
        g=q(given, "power"),
        m=q(driven.most_w, "power"),
    )


@rule(
    "drive.downhill-voltage",
    "Voltage of the motor downhill",
    limit="0.95 of controller and full packs, a tenth over rated speed, with its doubt, ok; all of it watch; more stop",
    source="definition of its speed of one volt; a tenth and 0.95: proposed",
    mark="proposed",
    form="driven wheel",
    settles=buy("A motor wound for more speed of one volt, or a lower gear."),
)
def downhill(duty: DutyCycle) -> Iterable[Verdict]:
    made, stands = ask_all(lambda: duty.voltage, lambda: duty.stands)
    share = made.value / stands
    judged = band(share, "percent", ok=at_most(0.95), watch=at_most(1.0), doubt=2 * made.u / stands)
    yield verdict(
        judged,
        "Turned downhill the motor makes {v} of {s}"
        if share <= 1
        else "Downhill the motor makes {v}, only {s} is stood",
        "{n}, a tenth over its rated speed. Above the packs its diodes charge them with nothing to hold them, and "
        "brake the wheel; a controller that weakens the field holds it only while it runs.",
        can_suggest=judged.level != "ok",
        working=back_voltage.working(*duty.voltage_terms),
        v=q(made.value, "voltage"),
        s=q(stands, "voltage"),
        n=q(duty.voltage_terms[0], "rotation"),
    )


@rule(
    "drive.puts-back",
    "What braking puts back into the packs",
    limit="0.90 of what they may be charged with, with its doubt, ok; all of it watch; more stop",
    source="maker of the packs; 0.90: common practice, no source",
    mark="common practice",
    form="driven wheel",
    settles=adjust("Set the controller to put back less."),
)
def puts_back(duty: DutyCycle) -> Iterable[Verdict]:
    if not duty.brakes:
        return
    puts, bear = duty.put_back
    share = puts.si / bear
    judged = band(share, "percent", ok=at_most(0.90), watch=at_most(1.0), doubt=2 * puts.u / bear)
    yield verdict(
        judged,
        "Braking puts {a} into packs that may take {b}"
        if share <= 1
        else "Braking puts {a} back, the packs may take {b}",
        "Packs that are full, or cold, take far less: the controller must ask their guard and let go of braking then, "
        "so the wheel brakes must stop the craft alone. Whether it asks was not looked at.",
        can_suggest=judged.level != "ok",
        a=q(puts.si, "current"),
        b=q(bear, "current"),
    )
