"""Findings of the match: over- or under-propped, standing and in the climb."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import ask_all, or_none
from ....judging.band import band, within
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust
from .judged import STOP, judged
from .quantities import FAST, SLOW, AirMatch


@rule(
    "drive.static-speed",
    "Full throttle standing, and in the climb",
    limit="standing 0.88 to 0.95 of the fastest speed allowed, with its doubt, and not over it in the climb, ok; 0.85 "
    "to 1 watch; beyond stop, of a motor watch; of a stalled blade never ok",
    source="common practice, no source; blade elements of a generic blade, optimistic",
    mark="common practice",
    form="air propeller",
    settles=adjust("Turn the blades, or another pitch; then read it standing, chocked and held."),
)
def static_speed(match: AirMatch) -> Iterable[Verdict]:
    if match.governed:
        return
    static, climb, allowed = ask_all(lambda: match.static, lambda: match.climb, lambda: match.allowed)
    doubt = match.doubt
    said = judged(static, climb, allowed, doubt, match.useless)
    fine, coarse = said.propped == "under-propped", said.propped == "over-propped"
    motor = match.train.electric
    # A motor is not hurt by turning slower, or by a controller that holds it: it only lacks the power.
    shown = band(
        said.standing, "percent", ok=within(SLOW, FAST), watch=None if motor else within(STOP, 1.0), doubt=doubt
    )
    shown = shown.or_by("stop", said.propped, (fine or coarse) and not motor)
    shown = shown.or_by("watch", "its climb, or blades that stall standing", not said.sure)
    level = shown.level
    title = (
        "Under-propped: full throttle takes it to {n} standing, {c} in the climb; {m} is allowed"
        if fine
        else "Over-propped: full throttle holds {n} standing; {m} is allowed"
        if coarse
        else "Full throttle: {n} ±{d} standing, {c} in the climb; {m} is allowed"
    )
    yield verdict(
        shown,
        title,
        (
            "The blade is stalled or steep, standing: it may be slower still, and that figure is not to be used. "
            if match.useless
            else ""
        )
        + (
            "By the static speed that was read. "
            if match.propeller.static_speed is not None
            else "By a generic blade: read it once, chocked and held, and enter it. "
        )
        + ("The torque that lasts gives no more: its power is not reached. " if motor and coarse else "")
        + ("Its controller must hold it at what is allowed; power is left over. " if motor and fine else "")
        + "A degree makes {p}. Standard day, no height; a dive, and blades that bend, are not looked at.",
        can_suggest=level == "stop" or ((fine or coarse) and motor),
        n=q(static.speed, "rotation"),
        c=q(climb.speed, "rotation"),
        m=q(allowed, "rotation"),
        d=q(doubt * static.speed, "rotation"),
        p=q(or_none(lambda: match.per_degree) or 0.0, "rotation"),
    )
