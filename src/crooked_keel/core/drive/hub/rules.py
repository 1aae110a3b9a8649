"""Findings of a motor in the hub."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all
from ...judging.band import at_least, band
from ...judging.finding import Compared, Finding, Level, q
from ...judging.register import rule, verdict
from .functions import flat_pressure
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
)
def axle(hub: HubMotor) -> Iterable[Finding]:
    if hub.placed.old or not hub.fitted:
        return
    if hub.hub.held is None:
        raise CannotSay(Gap(hub.train.p("wheel/hub/held"), f"what holds the axle ({hub.train.name})"))
    if hub.hub.held == "by a torque arm":
        torque, arm = ask_all(lambda: hub.torque, lambda: hub.arm)
        judged = band(arm.value, "number", ok=at_least(HELD), watch=at_least(LEAST), doubt=2 * arm.u)
        yield verdict(
            "drive.hub-axle",
            judged.level,
            "The torque arm holds {n} times what turns the axle back, of 2 asked",
            "{t} with shock, either way round where it brakes too. An axle that turns tears its cable and drops the "
            "wheel: look at the nuts after the first ride, and leave no play at the arm.",
            can_suggest=judged.level != "ok",
            compared=judged.compared,
            n=q(arm.value, "number"),
            t=q(torque, "torque"),
        )
        return
    used, (thick, flat, _) = ask_all(lambda: hub.used, lambda: hub.flats)
    # Doubt on the unsafe side: on flats alone nothing is ok.
    level: Level = "stop" if used.value + 2 * used.u > FLATS else "watch"
    yield verdict(
        "drive.hub-axle",
        level,
        "On its flats alone the axle uses {p} of what the dropout yields at",
        "{t} with shock on one dropout, as if nuts held nothing. Flats wear round where it drives and brakes in turn: "
        "a torque arm is asked.",
        can_suggest=True,
        compared=Compared(value=used.value, dimension="percent", hi=FLATS, doubt=2 * used.u or None),
        working=flat_pressure.working(hub.torque, thick.si, flat.si),
        p=q(used.value, "percent"),
        t=q(hub.torque, "torque"),
    )
