"""Findings of a marine propeller."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import CannotSay, Gap, ask_all
from ....judging.band import at_least, band, within
from ....judging.finding import Level, q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import buy, decide
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ...train.quantities import Train
from .functions import hull_clearance_share, propeller_pitch, speed_by_before, tip_clearance_share
from .quantities import AtSea


@rule(
    "drive.pair",
    "Hands of a pair",
    limit="opposite, each outward; inward is watch, the same hand stop",
    source="common practice, no source",
    mark="common practice",
    form="marine propeller",
    settles=buy("A propeller of the other hand, with a gear that turns it so all day."),
)
def pair(train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterable[Verdict]:
    others = [p for p in (resolved.old if placed.old else resolved.installations) if p.id != placed.id]
    for other in others:
        mine, theirs = placed.installation.propeller.turns, other.installation.propeller.turns
        if mine is None or theirs is None:
            lacking = placed if mine is None else other
            raise CannotSay(Gap(f"{lacking.pointer}/propeller/turns", f"hand of the propeller ({lacking.name})"))
        starboard = placed.flange[1].value > other.flange[1].value
        outward = (mine == "clockwise") == starboard
        level: Level = "stop" if mine == theirs else "ok" if outward else "watch"
        titles = {
            "ok": "A handed pair, turning outward",
            "watch": "A handed pair, turning inward",
            "stop": "Both propellers turn the same way",
        }
        yield verdict(
            level,
            titles[level],
            "{a} turns {t}, {b} turns {u}, seen from aft. If one gear runs in reverse all day to do it: is it "
            "rated for that?",
            subject=other.id,
            a=word(train.name),
            t=word(mine),
            b=word(other.name),
            u=word(theirs),
        )


@rule(
    "drive.pitch",
    "Pitch for the speed wanted",
    limit="within 5 % ok, 10 % watch, more stop",
    source="propeller handbook, slip by speed (from memory); the band: proposed",
    mark="from memory",
    form="marine propeller",
    settles=buy("The propeller nearest to the pitch wanted; the sea trial decides."),
)
def pitch(sea: AtSea, train: Train, placed: ResolvedInstallation) -> Iterable[Verdict]:
    if placed.old:
        return
    ask_all(lambda: sea.pitch, lambda: sea.pitch_terms)
    wanted = propeller_pitch(*sea.pitch_terms)
    share = sea.pitch / wanted - 1
    judged = band(
        sea.pitch, "length", ok=within(0.95 * wanted, 1.05 * wanted), watch=within(0.90 * wanted, 1.10 * wanted)
    )
    level = judged.level
    way = "coarse: the unit will not reach its speed" if share > 0 else "fine: the unit runs into its governor"
    yield verdict(
        judged,
        "Pitch {p}, {w} is wanted",
        "For {v} at {n} with a slip of {s}."
        + ("" if level == "ok" else f" Too {way}.")
        + " The sea trial decides: full throttle, loaded, clean hull.",
        working=propeller_pitch.working(*sea.pitch_terms),
        can_suggest=level != "ok",
        p=q(sea.pitch, "length"),
        w=q(wanted, "length"),
        v=q(sea.wanted, "sea_speed"),
        n=q(train.propeller_speed, "rotation"),
        s=q(sea.pitch_terms[2], "percent"),
    )


@rule(
    "drive.speed",
    "Speed wanted against speed expected",
    limit="expected at least 0.97 of wanted ok, 0.90 watch, less stop",
    source="the known speed scaled; propeller handbook (from memory); the band: proposed",
    mark="from memory",
    form="marine propeller",
    settles=decide("Want less speed, or more power; a clean hull first."),
)
def speed(sea: AtSea, placed: ResolvedInstallation) -> Iterable[Verdict]:
    if placed.old:
        return
    ask_all(lambda: sea.speed, lambda: sea.wanted)
    judged = band(sea.speed, "sea_speed", ok=at_least(0.97 * sea.wanted), watch=at_least(0.90 * sea.wanted))
    yield verdict(
        judged,
        "{v} expected, {w} wanted",
        "She made {b} before. Scaled by power and displacement, {r} hull. An estimate, not a promise."
        + (" Between displacing and planing a hump may hold her." if sea.trial.regime == "semi-displacement" else ""),
        working=speed_by_before.working(*sea.speed_terms),
        v=q(sea.speed, "sea_speed"),
        w=q(sea.wanted, "sea_speed"),
        b=q(sea.speed_terms[0], "sea_speed"),
        r=word(sea.trial.regime or ""),
    )


@rule(
    "drive.hull-clearance",
    "Propeller under the hull",
    limit="0.15 of the diameter to 1800 rpm, 0.20 above, ok; down to 0.10 watch; less stop",
    source="common practice, no source",
    mark="common practice",
    form="marine propeller",
    settles=buy("A smaller propeller with more blades or area."),
)
def hull_clearance(sea: AtSea, train: Train) -> Iterable[Verdict]:
    terms = sea.clearance_terms
    share, asked = hull_clearance_share(*terms), tip_clearance_share(train.propeller_speed)
    judged = band(share, "percent", ok=at_least(asked), watch=at_least(0.1))
    yield verdict(
        judged,
        "{c} under the hull, {p} of the diameter",
        "{a} is asked at {n}. Less shakes the hull.",
        working=hull_clearance_share.working(*terms),
        can_suggest=judged.level != "ok",
        c=q(terms[0] - terms[1] / 2, "length"),
        p=q(share, "percent"),
        a=q(asked, "percent"),
        n=q(train.propeller_speed, "rotation"),
    )
