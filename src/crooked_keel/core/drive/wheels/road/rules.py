"""Findings of a driven wheel: gears, grip, final chain, reverse."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator

from ....errors import CannotSay, Gap, ask_all, or_gap, or_none
from ....judging.band import at_least, at_most, band, told, within
from ....judging.finding import LeftOut, Level, q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust, buy, decide
from ....judging.subjects import Subject, one_by_one
from ....resolved.ratios import order_open
from ...train.quantities import Train
from .functions import (
    chain_pull,
    chain_ripple,
    road_speed,
    tyre_radius,
)
from .quantities import OnRoad
from .runs import ChainRun, Runs


@rule(
    "drive.top-gear",
    "Top gear against power",
    limit="gearing 1.0 to 1.15 of the power's speed ok, else watch: short or tall is a choice, not a danger",
    source="common practice, no source",
    mark="common practice",
    form="driven wheel",
    settles=buy("A sprocket or final ratio of the next size."),
)
def top_gear(road: OnRoad) -> Iterable[Verdict]:
    ask_all(lambda: road.power_speed, lambda: road.geared_terms)
    geared = road_speed(*road.geared_terms)
    share = geared / road.power_speed
    judged = band(share, "number", ok=within(1.0, 1.15))
    level = judged.level
    words = (
        ""
        if level == "ok"
        else " Top gear is short: it runs out of speed."
        if share < 1
        else " Top gear is tall: it never gets there, and pulls away slowly."
    )
    yield verdict(
        judged,
        "Geared for {g}, power for {p}",
        "Level road, heaviest loading." + words,
        working=road_speed.working(*road.geared_terms),
        can_suggest=level != "ok",
        g=q(geared, "road_speed"),
        p=q(road.power_speed, "road_speed"),
    )


@rule(
    "drive.grip",
    "Force at the road against grip",
    limit="below the grip of the driven axle, as it stands loaded, ok, above watch",
    source="mechanics",
    mark="statics",
    form="driven wheel",
    settles=adjust("Limit the torque of the lowest gear, or more load on the driven axle."),
)
def grip(road: OnRoad) -> Iterable[Verdict]:
    ask_all(lambda: road.wheel_force, lambda: road.axle_grip)
    judged = band(road.wheel_force, "force", ok=at_most(road.axle_grip))
    yield verdict(
        judged,
        "Lowest gear pushes {f}" + ("" if judged.level == "ok" else ", more than the tyre holds"),
        "Grip at most {g}, with {m} on the driven axle; what pulling away shifts onto or off it is not counted.",
        f=q(road.wheel_force, "force"),
        g=q(road.axle_grip, "force"),
        m=q(road.driven_load, "force"),
    )


@rule(
    "drive.wheel-radius",
    "Radius of the driven wheel",
    limit="as measured within 4 % of what the marks on its tyre give, else unknown",
    source="ETRTO convention (from memory); 4 %: common practice, no source",
    mark="common practice",
    form="driven wheel",
)
def wheel_radius(road: OnRoad) -> Iterable[Verdict]:
    marked = or_none(lambda: tyre_radius(*road.tyre_terms()))
    if road.wheel.radius is None or marked is None or abs(road.radius / marked - 1) <= 0.04:
        return
    yield verdict(
        told(road.radius, "length", "unknown", "its marks say another"),
        "The driven wheel measures {a}, its marks say {b}: which?",
        "Road speed, force at the road and chain pull all follow it. Roll it three turns along a tape and "
        "divide by 18.85.",
        needs=[Gap(road.train.p("wheel/radius"), "rolling radius of the driven wheel, measured again")],
        a=q(road.radius, "length"),
        b=q(marked, "length"),
    )


@rule(
    "drive.hill",
    "The steepest hill",
    limit="lowest gear pushes 1.2 times what the hill asks or more ok, what it asks watch, less stop; within the grip",
    source="mechanics; 1.2: proposed",
    mark="proposed",
    form="driven wheel",
    settles=buy("A lower gear or a larger rear sprocket; where grip is the limit, load on the driven axle."),
)
def hill(road: OnRoad) -> Iterable[Verdict]:
    if road.road.steepest is None:
        return
    ask_all(lambda: road.hill_force, lambda: road.wheel_force, lambda: road.axle_grip)
    asked, there = road.hill_force, min(road.wheel_force, road.axle_grip)
    share = there / asked if asked > 0 else math.inf
    judged = band(share, "number", ok=at_least(1.2), watch=at_least(1.0))
    yield verdict(
        judged,
        "Climbs {s}: {n} times the force it asks" if share >= 1 else "Does not climb {s}",
        "The hill asks {a}, heaviest loading; lowest gear pushes {f}, the driven axle holds {g} on the level. "
        "1.2 times is asked.",
        can_suggest=judged.level != "ok",
        s=q(road.road.steepest.si, "percent"),
        n=q(share, "number"),
        a=q(asked, "force"),
        f=q(road.wheel_force, "force"),
        g=q(road.axle_grip, "force"),
    )


@rule(
    "drive.train-order",
    "Order of the stages",
    limit="known where a stage within the unit is listed after a chain or belt",
    source="kinematics",
    mark="statics",
)
def train_order(train: Train) -> Iterable[Verdict]:
    stages = order_open(train.drive)
    if stages:
        where = lambda k: train.p(f"drive/stages/{k}/order")
        raise CannotSay(*[Gap(where(k), f"place along the train of the {s.name}") for k, s in stages])
    return ()


# An old chain proves only what it carried with reserve: below this it excuses nothing. Proposed.
_PROVES = 4.0


@rule(
    "drive.chain-strength",
    "Strength of chains and belts",
    limit="8 times the pull with shock ok, 6 watch, less stop; 4 and not less than the old one had: watch",
    source="common practice, no source; tensile by its maker; 4: proposed",
    mark="common practice",
    form="across",
    settles=buy("A stronger chain or a larger driving sprocket."),
)
def chain_strength(runs: Runs) -> Iterable[Verdict]:
    before = runs if runs.placed.old else runs.old
    last = before.all[-1] if before is not None and before.all else None
    proven = or_none(lambda: before.factor(last)) if before is not None and last is not None else None

    def judge(s: Subject[ChainRun]) -> Iterator[Verdict]:
        factor, run = runs.factor(s.of), s.of
        carried = run.last and proven is not None and factor >= max(proven, _PROVES)
        judged = band(factor, "number", ok=at_least(8.0), watch=at_least(6.0)).eased_to(
            "watch", "not less than the old one had", carried
        )
        level = judged.level
        yield verdict(
            judged,
            "{name} stands {f} times its pull, of 8 asked",
            "Pull {p} in the lowest gear with shock {k}, not above the tyre's grip; strength {s}. Below 6 it stops."
            + (" Not less than the old one had." if carried and factor < 6 else "")
            + (" Both runs of the belt counted." if run.stage.type != "chain" else ""),
            subject=s.key,
            can_suggest=level != "ok",
            working=chain_pull.working(*runs.pull_terms(run)),
            name=word(s.name),
            f=q(factor, "number"),
            p=q(runs.pull(run), "force"),
            k=q(runs.road.shock, "number"),
            s=q(factor * runs.pull(run), "force"),
        )

    return one_by_one(runs.subjects(runs.all), judge)


@rule(
    "drive.small-sprocket",
    "Small sprockets",
    limit="15 teeth or more ok, 11 to 14 watch, less stop; wrap 120° or more ok, 100° watch, less stop",
    source="common practice, no source; wrap: handbook (from memory)",
    mark="common practice",
    form="across",
    settles=buy("A driving sprocket of more teeth, the other in proportion; a longer centre distance."),
)
def small_sprocket(runs: Runs) -> Iterable[Verdict]:
    def judge(s: Subject[ChainRun]) -> Iterator[Verdict]:
        wrap = or_gap(lambda: runs.wrap(s.of))
        if isinstance(wrap, CannotSay):
            few = or_none(lambda: min(runs.teeth(s.of)[1:]))
            if few is None or few >= 11:
                raise wrap
            yield verdict(
                band(float(few), "count", ok=at_least(15.0), watch=at_least(11.0)),
                "{name}: {n} teeth",
                "Below 11 it stops, whatever its wrap. Its speed rises and falls by {r}, and wears the chain fast.",
                subject=s.key,
                can_suggest=True,
                left_out=LeftOut(["wrap"], list(wrap.needs)),
                name=word(s.name),
                n=q(few, "count"),
                r=q(chain_ripple(few), "percent"),
            )
            return
        teeth = min(runs.teeth(s.of)[1:])
        judged = band(float(teeth), "count", ok=at_least(15.0), watch=at_least(11.0))
        judged = judged.or_by("stop", "too little of it is wrapped", wrap < math.radians(100)).or_by(
            "watch", "little of it is wrapped", wrap < math.radians(120)
        )
        level = judged.level
        yield verdict(
            judged,
            "{name}: {n} teeth, wrap {w}",
            "15 teeth and 120° of wrap are asked, below 11 or 100° it stops. Its speed rises and falls by {r}."
            + ("" if level == "ok" else " Few teeth or little wrap wear the chain fast."),
            subject=s.key,
            can_suggest=level != "ok",
            name=word(s.name),
            n=q(teeth, "count"),
            w=q(wrap, "angle"),
            r=q(chain_ripple(teeth), "percent"),
        )

    return one_by_one(runs.subjects(runs.chains), judge)


@rule(
    "drive.reverse",
    "Reverse",
    limit="a reverse, or none where no law asks",
    source="local code",
    mark="common practice",
    form="corners",
    settles=decide("Ask what the local rules want of a vehicle of this class."),
)
def reverse(train: Train) -> Iterable[Verdict]:
    kind = train.drive.reverse
    if kind is None:
        raise CannotSay(Gap(train.p("drive/reverse"), f"how the {train.name} reverses"))
    level: Level = "watch" if kind == "none" else "ok"
    yield verdict(
        level,
        "No reverse" if kind == "none" else "Reverse: {k}",
        "Check what your local rules ask of a vehicle of this class.",
        k=word(kind),
    )
