"""Findings of the propeller shaft: thick enough, and its bearings near enough."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ....errors import ask_all
from ....judging.band import at_least, at_most, band, within
from ....judging.finding import q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust, buy
from ...matters import KEYS
from .functions import FACTOR, bolt_shear, by_torque, key_crush, span_for, whirls
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
    settles=buy("A thicker shaft, or one of a stronger metal, by who makes them."),
)
def thickness(shaft: Shafting) -> Iterable[Verdict]:
    if shaft.placed.old or not shaft.begun:
        return
    own, torque, class_ = ask_all(lambda: shaft.diameter, lambda: shaft.by_torque, lambda: shaft.by_class)
    judged = band(own.si, "bore", ok=at_least(max(torque, class_)), watch=at_least(torque), doubt=2 * own.u)
    level = judged.level
    yield verdict(
        judged,
        "A shaft of {d}; its torque asks for {t}",
        "For {f} times the greatest torque of all ratings, in the metal as it is sold at the least. A class rule, "
        "keyed, asks for {c}: which of the two counts for this boat is for who surveys her. Keyways, wear under a "
        "bearing, rust and a bent shaft are not looked at.",
        can_suggest=level != "ok",
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
    settles=buy("A bearing between the two, or a thicker shaft."),
)
def whirling(shaft: Shafting) -> Iterable[Verdict]:
    if shaft.placed.old or not shaft.begun:
        return
    whirl, fastest = ask_all(lambda: shaft.whirl, lambda: shaft.fastest)
    share = fastest / whirl.value
    judged = band(share, "percent", ok=at_most(EASY), watch=at_most(MOST), doubt=2 * share * whirl.u / whirl.value)
    span, modulus, diameter, density = shaft.whirl_terms
    yield verdict(
        judged,
        "The shaft turns at {s} of the speed at which it whirls",
        "{n} at the fastest, it whirls at {w} over {l} between bearings; {m} apart or nearer they leave enough. A bent "
        "shaft, a coupling or soft bearings bring it on sooner.",
        working=whirls.working(*shaft.whirl_terms),
        can_suggest=judged.level != "ok",
        s=q(share, "percent"),
        n=q(fastest, "rotation"),
        w=q(whirl.value, "rotation"),
        l=q(span, "length"),
        m=q(span_for(fastest, EASY, modulus, diameter, density), "length"),
    )


# How far a shaft's length may be off before its propeller, or its coupling, does not come where it belongs, m; and how
# near and how far the hub may stand behind the last bearing, in diameters. Common practice, no source.
OFF_M, FAR_M, LEFT, NEAR, OUT = 0.010, 0.025, 1 / 3, 1.0, 2.0


@rule(
    "drive.shaft-length",
    "Length of the propeller shaft",
    limit="within 10 mm of what is wanted, with its doubt, ok; 25 mm watch; more stop",
    source="geometry; 10 and 25 mm: common practice, no source",
    mark="common practice",
    form="marine propeller",
    settles=adjust("Move the unit on its feet, or have the shaft cut or made to length."),
)
def shaft_length(shaft: Shafting) -> Iterable[Verdict]:
    if shaft.placed.old or shaft.shaft.length is None:
        return
    own, wanted = shaft.reaches
    off = own.si - wanted.value
    judged = band(abs(off), "length", ok=at_most(OFF_M), watch=at_most(FAR_M), doubt=2 * math.hypot(own.u, wanted.u))
    yield verdict(
        judged,
        "A shaft of {l}: {d} too {w}" if judged.level == "stop" else "A shaft of {l}, {n} is wanted",
        "Where coupling and propeller stand now, with what the old shaft had beyond them; within {k} the unit is moved "
        "on its feet. "
        + ("Too long, the propeller comes further behind its bearing, or the rudder. " if off > 0 else "")
        + ("Too short, the coupling does not meet, or the hub sits on the bearing. " if off < 0 else "")
        + "A coupling of another depth, room to draw the shaft and to pack the gland are not looked at. Cut nothing "
        "before the unit stands on its feet and is measured again.",
        can_suggest=judged.level != "ok",
        l=q(own.si, "length"),
        d=q(abs(off), "length"),
        w=word("long" if off > 0 else "short"),
        n=q(wanted.value, "length"),
        k=q(OFF_M, "length"),
    )


@rule(
    "drive.overhang",
    "Propeller behind its last bearing",
    limit="its hub a third of the shaft's diameter to 1 diameter off, with its doubt, ok; to 2, or nearer, watch; more "
    "stop",
    source="common practice, no source",
    mark="common practice",
    form="marine propeller",
    settles=buy("A bearing further aft, or a shorter shaft; it wants its strut with it."),
)
def overhang(shaft: Shafting) -> Iterable[Verdict]:
    if shaft.placed.old or shaft.shaft.overhang is None:
        return
    out, across = shaft.overhang
    share = out.si / across.si
    doubt = 2 * share * math.hypot(out.u / out.si, across.u / across.si) if out.si > 0 else 2 * out.u / across.si
    judged = band(share, "number", ok=within(LEFT, NEAR), watch=at_most(OUT), doubt=doubt)
    yield verdict(
        judged,
        "The hub stands {n} diameters behind the last bearing, a third to 1 is asked",
        "{o} of a shaft of {d}. Further out it whips, and wears the bearing oval; nearer, the water that cools the "
        "bearing does not come out of it. Wear of the bearing is not looked at.",
        n=q(share, "number"),
        o=q(out.si, "length"),
        d=q(across.si, "bore"),
    )


# Times the torque that a key, or the bolts of a coupling, must bear: and at the least. Common practice, no source.
BORNE, LEAST = 3.0, 2.0


@rule(
    "drive.shaft-key",
    "Key of the propeller shaft",
    limit="3 times its greatest torque or more, with its doubt, ok; 2 watch; less stop",
    source="statics, handbook; 3 and 2: common practice, no source",
    mark="common practice",
    form="marine propeller",
    settles=buy("A longer or a second key, or a larger taper, by who makes shafts."),
    looks_at=KEYS,
)
def shaft_key(shaft: Shafting) -> Iterable[Verdict]:
    if shaft.placed.old or not shaft.keyed:
        return
    used, (at, _, high, long) = ask_all(lambda: shaft.key_used, lambda: shaft.key)
    judged = band(used.value, "number", ok=at_least(BORNE), watch=at_least(LEAST), doubt=2 * used.u)
    yield verdict(
        judged,
        "The key bears {n} times the greatest torque, of 3 asked",
        "Crushed or sheared, whichever comes first, as if it were of the shaft's own metal; a softer one bears less. "
        "What the taper carries is not counted on: it must be lapped in, and the key must not lift the propeller off "
        "it.",
        can_suggest=judged.level != "ok",
        working=key_crush.working(shaft.torque, at.si, high.si, long.si),
        n=q(used.value, "number"),
    )


@rule(
    "drive.coupling-bolts",
    "Bolts of the shaft's coupling",
    limit="3 times its greatest torque or more, with its doubt, ok; 2 watch; less stop",
    source="statics, handbook; 3 and 2: common practice, no source",
    mark="common practice",
    form="marine propeller",
    settles=buy("Fitted bolts of a higher grade, or a larger coupling."),
)
def coupling_bolts(shaft: Shafting) -> Iterable[Verdict]:
    if shaft.placed.old or not shaft.bolted:
        return
    used, (count, circle, bolt, _) = ask_all(lambda: shaft.bolts_used, lambda: shaft.bolt_terms)
    judged = band(used.value, "number", ok=at_least(BORNE), watch=at_least(LEAST), doubt=2 * used.u)
    yield verdict(
        judged,
        "The coupling's bolts bear {n} times the greatest torque, of 3 asked",
        "In shear alone, as if friction of the flanges held nothing. Bending of a shaft out of line, and thrust "
        "astern, come on top; fitted bolts, locked, to their torque.",
        can_suggest=judged.level != "ok",
        working=bolt_shear.working(shaft.torque, count.si, circle.si, bolt.si),
        n=q(used.value, "number"),
    )
