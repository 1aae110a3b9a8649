"""Findings of a driven wheel: gears, grip, final chain, reverse."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all, fields, or_none
from ...judging.band import at_most, band
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
from ..train.quantities import Train
from .functions import (
    chain_links,
    chain_pull,
    chain_ripple,
    chain_wrap,
    even_links,
    road_speed,
    sprocket_pitch_diameter,
)
from .quantities import OnRoad


@rule(
    "drive.top-gear",
    "Top gear against power",
    limit="gearing 1.0 to 1.15 of the power's speed ok, else watch: short or tall is a choice, not a danger",
    source="common practice, no source",
    mark="common practice",
    form="driven wheel",
)
def top_gear(road: OnRoad) -> Iterable[Finding]:
    ask_all(lambda: road.power_speed, lambda: road.geared_terms)
    geared = road_speed(*road.geared_terms)
    share = geared / road.power_speed
    level: Level = "ok" if 1.0 <= share <= 1.15 else "watch"
    words = (
        ""
        if level == "ok"
        else " Top gear is short: it runs out of speed."
        if share < 1
        else " Top gear is tall: it never gets there, and pulls away slowly."
    )
    yield verdict(
        "drive.top-gear",
        level,
        "Geared for {g}, power for {p}",
        "Level road, heaviest loading." + words,
        compared=Compared(value=share, dimension="number", lo=1.0, hi=1.15),
        working=road_speed.working(*road.geared_terms),
        can_suggest=level != "ok",
        g=q(geared, "road_speed"),
        p=q(road.power_speed, "road_speed"),
    )


@rule(
    "drive.grip",
    "Force at the road against grip",
    limit="below the tyre's grip ok, above watch",
    source="mechanics",
    mark="statics",
    form="driven wheel",
)
def grip(road: OnRoad) -> Iterable[Finding]:
    ask_all(lambda: road.wheel_force, lambda: road.grip_force)
    judged = band(road.wheel_force, "force", ok=at_most(road.grip_force))
    yield verdict(
        "drive.grip",
        judged.level,
        "Lowest gear pushes {f}" + ("" if judged.level == "ok" else ", more than the tyre holds"),
        "Grip at most {g}, with all of the mass on the driven wheels.",
        compared=judged.compared,
        f=q(road.wheel_force, "force"),
        g=q(road.grip_force, "force"),
    )


@rule(
    "drive.chain-closes",
    "Final chain closes",
    limit="an even number of links at a centre distance there is",
    source="machine-design handbook, roller chains (from memory)",
    mark="from memory",
    form="sprockets",
)
def chain_closes(road: OnRoad) -> Iterable[Finding]:
    if not road.has_chain:
        return
    even = even_links(road.links)
    yield verdict(
        "drive.chain-closes",
        "ok",
        "Chain of {n} links, centres {c}",
        "{x} links at {d}; the next even number sets the wheel {m} further. The adjuster must reach it, and wear "
        "beyond.",
        working=chain_links.working(*road.links_terms),
        n=q(even, "count"),
        c=q(road.fitted_centres, "length"),
        x=q(road.links, "number"),
        d=q(road.centres, "length"),
        m=q(road.fitted_centres - road.centres, "length"),
    )


@rule(
    "drive.chain-strength",
    "Strength of the final chain",
    limit="8 times the pull with shock ok, 6 watch, less stop; not less than the old chain had: watch",
    source="common practice, no source; tensile by its maker",
    mark="common practice",
    form="sprockets",
)
def chain_strength(road: OnRoad) -> Iterable[Finding]:
    if not road.has_chain:
        return
    factor, strength, pull = road.chain_factor, road.chain_strength, chain_pull(*road.pull_terms)
    before = road if road.placed.old else road.old
    proven = or_none(lambda: before.chain_factor) if before else None
    level: Level = (
        "ok" if factor >= 8 else "watch" if factor >= 6 or (proven is not None and factor >= proven) else "stop"
    )
    yield verdict(
        "drive.chain-strength",
        level,
        "Chain stands {f} times its pull",
        "Pull {p} in the lowest gear with shock {k}, not above the tyre's grip; chain {s}."
        + (" Not less than the old chain had." if level == "watch" and factor < 6 else ""),
        compared=Compared(value=factor, dimension="number", lo=8.0),
        working=chain_pull.working(*road.pull_terms),
        f=q(factor, "number"),
        p=q(pull, "force"),
        k=q(road.shock, "number"),
        s=q(strength, "force"),
    )


@rule(
    "drive.small-sprocket",
    "Small sprocket",
    limit="15 teeth or more ok, 11 to 14 watch, less stop; wrap 120° or more ok, 100° watch",
    source="common practice, no source; wrap: handbook (from memory)",
    mark="common practice",
    form="sprockets",
)
def small_sprocket(road: OnRoad) -> Iterable[Finding]:
    if not road.has_chain:
        return
    ask_all(lambda: road.chain_terms, lambda: road.centres)
    pitch_m, a, b = road.chain_terms
    teeth = min(a, b)
    with fields(centres=road.centres_field):
        wrap = chain_wrap(sprocket_pitch_diameter(pitch_m, a), sprocket_pitch_diameter(pitch_m, b), road.centres)
    level: Level = (
        "stop"
        if teeth < 11 or wrap < math.radians(100)
        else "watch"
        if teeth < 15 or wrap < math.radians(120)
        else "ok"
    )
    yield verdict(
        "drive.small-sprocket",
        level,
        "{n} teeth, wrap {w}",
        "Speed of the chain rises and falls by {r}."
        + ("" if level == "ok" else " Few teeth or little wrap wear the chain fast."),
        compared=Compared(value=teeth, dimension="count", lo=15.0),
        n=q(teeth, "count"),
        w=q(wrap, "angle"),
        r=q(chain_ripple(teeth), "percent"),
    )


@rule(
    "drive.reverse",
    "Reverse",
    limit="a reverse, or none where no law asks",
    source="local code",
    mark="common practice",
    form="corners",
)
def reverse(train: Train) -> Iterable[Finding]:
    kind = train.drive.reverse
    if kind is None:
        raise CannotSay(Gap(train.p("drive/reverse"), f"how the {train.name} reverses"))
    level: Level = "watch" if kind == "none" else "ok"
    yield verdict(
        "drive.reverse",
        level,
        "No reverse" if kind == "none" else "Reverse: {k}",
        "Check what your local rules ask of a vehicle of this class.",
        k=word(kind),
    )
