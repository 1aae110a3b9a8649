"""Findings of a motor in the hub."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import CannotSay, Gap, ask_all
from ....judging.band import at_least, at_most, band, never_ok
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy
from .functions import flat_pressure, spoke_pull
from .quantities import HubMotor

# Times the torque that a torque arm holds; of what a dropout yields at, on flats alone. Common practice, no source.
HELD, LEAST, FLATS = 2.0, 1.3, 0.5


@rule(
    "drive.hub-axle",
    "Axle of a motor in the hub",
    limit="a torque arm that holds 2 times its torque, with its doubt, ok; 1.3 watch; less stop; on flats alone watch "
    "to 0.5 of what the dropout yields at, more stop",
    source="statics; 2, 1.3 and 0.5: common practice, no source",
    mark="common practice",
    form="driven wheel",
    settles=buy("A longer or stronger torque arm, held at a part that bears it."),
)
def axle(hub: HubMotor) -> Iterable[Verdict]:
    if hub.placed.old or not hub.fitted:
        return
    if hub.hub.held is None:
        raise CannotSay(Gap(hub.train.p("wheel/hub/held"), f"what holds the axle ({hub.train.name})"))
    if hub.hub.held == "by a torque arm":
        torque, arm = ask_all(lambda: hub.torque, lambda: hub.arm)
        judged = band(arm.value, "number", ok=at_least(HELD), watch=at_least(LEAST), doubt=2 * arm.u)
        yield verdict(
            judged,
            "The torque arm holds {n} times what turns the axle back, of 2 asked",
            "{t} with shock, either way round where it brakes too. An axle that turns tears its cable and drops the "
            "wheel: look at the nuts after the first ride, and leave no play at the arm.",
            can_suggest=judged.level != "ok",
            n=q(arm.value, "number"),
            t=q(torque, "torque"),
        )
        return
    used, (thick, flat, _) = ask_all(lambda: hub.used, lambda: hub.flats)
    # Doubt on the unsafe side: on flats alone nothing is ok.
    judged = never_ok(
        used.value, "percent", watch=at_most(FLATS), ground="on flats alone nothing is ok", doubt=2 * used.u
    )
    judged = judged.or_by("stop", "its doubt reaches over the limit", used.value + 2 * used.u > FLATS)
    yield verdict(
        judged,
        "On its flats alone the axle uses {p} of what the dropout yields at",
        "{t} with shock on one dropout, as if nuts held nothing. Flats wear round where it drives and brakes in turn: "
        "a torque arm is asked.",
        can_suggest=True,
        working=flat_pressure.working(hub.torque, thick.si, flat.si),
        p=q(used.value, "percent"),
        t=q(hub.torque, "torque"),
    )


# Of what a spoke yields at its torque may add so much, and at the most: as much again is its tension. Proposed.
ADDS, MOST = 0.15, 0.30


@rule(
    "drive.hub-spokes",
    "Spokes of a wheel with a motor in its hub",
    limit="the torque adds 0.15 of what a spoke yields at or less, with its doubt, ok; 0.30 watch; more stop; radial "
    "stop; none, nothing to add",
    source="statics of crossed spokes; 0.15 and 0.30: proposed",
    mark="proposed",
    form="driven wheel",
    settles=buy("A wheel laced crossed with thicker spokes, or a cast one."),
)
def spokes(hub: HubMotor) -> Iterable[Verdict]:
    if hub.placed.old or not hub.fitted or not hub.laced:
        return
    if hub.hub.laced is None:
        raise CannotSay(Gap(hub.train.p("wheel/hub/laced"), f"how the spokes are laced ({hub.train.name})"))
    if hub.hub.laced == "no spokes: cast, or a disc":
        return
    if hub.hub.laced == "radial":
        yield verdict(
            "stop",
            "Radial spokes do not bear a hub that drives",
            "The limit is none: a radial spoke has no arm, the hub winds up until they break at their bends. Lace the "
            "wheel crossed, or take a cast one.",
        )
        return
    used, torque, (count, circle, spoke, _) = ask_all(lambda: hub.spokes_used, lambda: hub.torque, lambda: hub.spokes)
    judged = band(used.value, "percent", ok=at_most(ADDS), watch=at_most(MOST), doubt=2 * used.u)
    yield verdict(
        judged,
        "The torque adds {p} of what a spoke yields at, 15 % is asked",
        "{t} with shock, by {n} spokes. The other half lose as much and must not go slack: tension by ear all round "
        "after the first ride. Their tension, weight on the wheel, and bends at the hub come on top.",
        working=spoke_pull.working(torque, count.si, circle.si, spoke.si),
        p=q(used.value, "percent"),
        t=q(torque, "torque"),
        n=q(count.si, "count"),
    )
