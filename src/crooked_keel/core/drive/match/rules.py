"""Findings of the match: over- or under-propped, standing and in the climb."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all, or_none
from ...judging.finding import Compared, Finding, Level, q
from ...judging.register import rule, verdict
from .judged import judged
from .quantities import FAST, SLOW, AirMatch


@rule(
    "drive.static-speed",
    "Full throttle standing, and in the climb",
    limit="standing 0.88 to 0.95 of the fastest speed allowed, with its doubt, and not over it in the climb, ok; 0.85 "
    "to 1 watch; beyond stop, of a motor watch; of a stalled blade never ok",
    source="common practice, no source; blade elements of a generic blade, optimistic",
    mark="common practice",
    form="air propeller",
)
def static_speed(match: AirMatch) -> Iterable[Finding]:
    if match.governed:
        return
    static, climb, allowed = ask_all(lambda: match.static, lambda: match.climb, lambda: match.allowed)
    doubt = match.doubt
    said = judged(static, climb, allowed, doubt, match.useless)
    fine, coarse = said.propped == "under-propped", said.propped == "over-propped"
    motor = match.train.electric
    # A motor is not hurt by turning slower, or by a controller that holds it: it only lacks the power.
    level: Level = "stop" if (fine or coarse) and not motor else "ok" if said.sure else "watch"
    title = (
        "Under-propped: full throttle takes it to {n} standing, {c} in the climb; {m} is allowed"
        if fine
        else "Over-propped: full throttle holds {n} standing; {m} is allowed"
        if coarse
        else "Full throttle: {n} ±{d} standing, {c} in the climb; {m} is allowed"
    )
    yield verdict(
        "drive.static-speed",
        level,
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
        compared=Compared(value=said.standing, dimension="percent", lo=SLOW, hi=FAST, doubt=doubt),
        can_suggest=level == "stop" or ((fine or coarse) and motor),
        n=q(static.speed, "rotation"),
        c=q(climb.speed, "rotation"),
        m=q(allowed, "rotation"),
        d=q(doubt * static.speed, "rotation"),
        p=q(or_none(lambda: match.per_degree) or 0.0, "rotation"),
    )
