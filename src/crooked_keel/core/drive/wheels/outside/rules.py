"""Findings of what runs outside the unit: how far a chain's adjuster reaches, how fast it runs, what a variator
spans."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator

from ....errors import ask_all
from ....figure.reads import read
from ....figure.trace import above_zero
from ....judging.band import at_least, at_most, band, beyond
from ....judging.finding import q, word
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust, buy
from ....judging.subjects import Subject, one_by_one
from ...matters import CLUTCH
from ..road.functions import chain_links, even_links, road_speed
from ..road.quantities import OnRoad
from ..road.runs import ChainRun, Runs

# Of its adjuster's reach a new chain may take so much: the rest is for wear. Common practice, no source.
NEW = 0.7
# A chain in the open, m/s. Common practice, no source.
_OPEN_M_S = 12.0
# What the variator of a scooter spans, its low end over its fast one. Common practice, no source: 2.2 to 3.2.
SPAN = 3.2
# Of the rated speed at which its clutch no longer slips. Proposed.
HOME = 0.8


@rule(
    "drive.chain-closes",
    "Length of the chains",
    limit="the next even number of links within 0.7 of the adjuster's reach, with its doubt, ok; within all of it "
    "watch; beyond stop; sprockets that overlap stop",
    source="machine-design handbook, roller chains (from memory); 0.7: common practice, no source",
    mark="from memory",
    form="across",
    settles=buy(
        "A sprocket of a tooth more or fewer, or an adjuster that reaches further; centres further apart where the "
        "sprockets overlap."
    ),
)
def chain_closes(runs: Runs) -> Iterable[Verdict]:
    def judge(s: Subject[ChainRun]) -> Iterator[Verdict]:
        stage, pointer = s.of.stage, f"{s.of.pointer}/reach"
        what = f"how much further apart the adjuster of the {stage.name} sets its centres"
        overlap = runs.overlap(s.of)
        if overlap is not None:
            yield verdict(
                beyond(overlap[0], "length", at_least(overlap[1]), "stop"),
                "{name}: its sprockets overlap, {d} between their centres",
                "By pitch and teeth they ask for more than {m} before they touch, chain and guard not counted: they "
                "cannot both be fitted. Fewer teeth, a finer chain, or centres further apart; or look at the centres "
                "again.",
                subject=s.key,
                name=word(s.name),
                d=q(overlap[0], "length"),
                m=q(overlap[1], "length"),
            )
            return
        links, fitted, centres, reach = ask_all(
            lambda: runs.links(s.of),
            lambda: runs.fitted_centres(s.of),
            lambda: runs.centres(s.of),
            lambda: read(stage.reach, pointer, what, runs.school, zero=True),
        )
        moved = fitted - centres
        typed = read(stage.centres, f"{s.of.pointer}/centres", "centres", runs.school).u if stage.centres else 0.0
        doubt = 2 * math.hypot(reach.u, typed)
        judged = band(moved, "length", ok=at_most(NEW * reach.si), watch=at_most(reach.si), doubt=doubt)
        yield verdict(
            judged,
            "{name}: {n} links set its centres at {c}"
            if judged.level != "stop"
            else "{name}: {n} links ask for {m} of adjuster, it has {r}",
            "{x} links at {d}; the next even number sets them {m} further apart, the adjuster reaches {r}. What is "
            "left takes up wear. Measure with the chain in hand before it is cut.",
            subject=s.key,
            can_suggest=judged.level != "ok",
            working=chain_links.working(*runs.links_terms(s.of)),
            name=word(s.name),
            n=q(even_links(links), "count"),
            c=q(fitted, "length"),
            x=q(links, "number"),
            d=q(centres, "length"),
            m=q(moved, "length"),
            r=q(reach.si, "length"),
        )

    return () if runs.placed.old else one_by_one(runs.subjects(runs.chains), judge)


@rule(
    "drive.chain-speed",
    "Speed of the chains",
    limit="12 m/s in top gear or slower ok, faster watch",
    source="common practice, no source",
    mark="common practice",
    form="across",
    settles=adjust("A guard, and oil that stays on; ask its maker whether it may run so fast."),
)
def chain_speed(runs: Runs, road: OnRoad) -> Iterable[Verdict]:
    def judge(s: Subject[ChainRun]) -> Iterator[Verdict]:
        fastest = ask_all(lambda: road.geared_terms, lambda: runs.teeth(s.of))[0]
        speed = runs.speed(s.of, road_speed(*fastest) / road.radius)
        judged = band(speed, "road_speed", ok=at_most(_OPEN_M_S))
        yield verdict(
            judged,
            "{name} runs {v}" if judged.level == "ok" else "{name} runs {v}: faster than 12 m/s",
            "At rated speed in top gear. Faster than that it asks for a guard, oil that stays on it, and an eye on its "
            "wear; what its maker allows was not looked at.",
            subject=s.key,
            can_suggest=judged.level != "ok",
            name=word(s.name),
            v=q(speed, "speed"),
        )

    return () if runs.placed.old else one_by_one(runs.subjects(runs.chains), judge)


@rule(
    "drive.variator",
    "Span of the variator, and its clutch",
    limit="span 3.2 or less and clutch home by 0.8 of rated speed ok; clutch home above rated speed stop; else watch",
    source="common practice, no source; 0.8: proposed",
    mark="common practice",
    form="driven wheel",
    settles=adjust("Other rollers and clutch springs, by its maker; or another variator."),
    looks_at=CLUTCH,
)
def variator(road: OnRoad) -> Iterable[Verdict]:
    if road.placed.old or road.variator is None:
        return
    key, stage = road.variator
    at, name = road.train.p(f"drive/stages/{key}"), road.train.name
    home, rated, gears, radius = ask_all(
        lambda: above_zero(stage.home, f"{at}/home", f"speed of the {name} at which its clutch no longer slips"),
        lambda: road.train.rated_speed,
        lambda: road.gears,
        lambda: road.radius,
    )
    span, share = gears[0][2], home / rated
    from_m_s = road_speed(home, radius, road.low_total)
    judged = band(share, "percent", ok=at_most(HOME), watch=at_most(1.0)).or_by(
        "watch", "it spans more than is common", span > SPAN
    )
    level = judged.level
    yield verdict(
        judged,
        "{n} spans {s}, its clutch is home from {v}" if share <= 1 else "The clutch slips at rated speed: it burns",
        "Home at {h}, rated speed {r}; by 0.8 of that is asked. {m} is the most that is common: a wider one is wanted "
        "by guess. Rollers and springs are to be tuned so that full throttle holds rated speed between the ends.",
        can_suggest=level != "ok",
        n=word(stage.name),
        s=q(span, "number"),
        v=q(from_m_s, "road_speed"),
        h=q(home, "rotation"),
        r=q(rated, "rotation"),
        m=q(SPAN, "number"),
    )
