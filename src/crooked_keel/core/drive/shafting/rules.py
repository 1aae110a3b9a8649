"""Findings of the propeller shaft: thick enough, and its bearings near enough."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...judging.band import at_most, band
from ...judging.finding import Compared, Finding, Level, q
from ...judging.register import rule, verdict
from .functions import FACTOR, by_torque, span_for, whirls
from .quantities import Shafting

# Of the speed at which it whirls a shaft may turn at so much, and at the most. Common practice, no source.
EASY, MOST = 0.70, 0.85


@rule(
    "drive.shaft-diameter",
    "Thickness of the propeller shaft",
    limit="as thick as torque and class rule ask ok, as torque alone asks watch, thinner stop",
    source="torsion, factor 3: common practice; IACS UR M68 (from memory)",
    mark="from memory",
    form="marine propeller",
)
def thickness(shaft: Shafting) -> Iterable[Finding]:
    if shaft.placed.old or not shaft.begun:
        return
    own, torque, class_ = ask_all(lambda: shaft.diameter, lambda: shaft.by_torque, lambda: shaft.by_class)
    least = own.si - 2 * own.u
    level: Level = "stop" if own.si < torque else "ok" if least >= max(torque, class_) else "watch"
    yield verdict(
        "drive.shaft-diameter",
        level,
        "A shaft of {d}; its torque asks for {t}",
        "For {f} times the greatest torque of all ratings, in the metal as it is sold at the least. A class rule, "
        "keyed, asks for {c}: which of the two counts for this boat is for who surveys her. Keyways, wear under a "
        "bearing, rust and a bent shaft are not looked at.",
        can_suggest=level != "ok",
        compared=Compared(value=own.si, dimension="bore", lo=max(torque, class_), doubt=2 * own.u or None),
        working=by_torque.working(*shaft.torque_terms),
        d=q(own.si, "bore"),
        t=q(torque, "bore"),
        f=q(FACTOR, "number"),
        c=q(class_, "bore"),
    )


@rule(
    "drive.whirl",
    "Bearings of the propeller shaft",
    limit="0.70 of the speed at which it whirls or less, with its doubt, ok; 0.85 watch; more stop",
    source="beam theory; 0.70 and 0.85: common practice, no source",
    mark="common practice",
    form="marine propeller",
)
def whirling(shaft: Shafting) -> Iterable[Finding]:
    if shaft.placed.old or not shaft.begun:
        return
    whirl, fastest = ask_all(lambda: shaft.whirl, lambda: shaft.fastest)
    share = fastest / whirl.value
    judged = band(share, "percent", ok=at_most(EASY), watch=at_most(MOST), doubt=2 * share * whirl.u / whirl.value)
    span, modulus, diameter, density = shaft.whirl_terms
    yield verdict(
        "drive.whirl",
        judged.level,
        "The shaft turns at {s} of the speed at which it whirls",
        "{n} at the fastest, it whirls at {w} over {l} between bearings; {m} apart or nearer they leave enough. A bent "
        "shaft, a coupling or soft bearings bring it on sooner.",
        compared=judged.compared,
        working=whirls.working(*shaft.whirl_terms),
        can_suggest=judged.level != "ok",
        s=q(share, "percent"),
        n=q(fastest, "rotation"),
        w=q(whirl.value, "rotation"),
        l=q(span, "length"),
        m=q(span_for(fastest, EASY, modulus, diameter, density), "length"),
    )
