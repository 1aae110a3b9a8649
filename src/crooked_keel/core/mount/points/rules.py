"""Findings of the mount bench."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, or_none
from ...judging.band import at_least, at_most, band
from ...judging.finding import Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, decide, measure
from ...physics.mechanics import TORQUE_FACTOR_SOURCE
from ...resolved.craft import Resolved
from ..acting import FITTING_FACTOR, PEAK_SOURCE, Acting
from .functions import FREE, NEARLY_FREE, NOTHING, limit_engine_torque, reserve_factor
from .quantities import Points

_NOT_THERE = {
    "firewall": "Gust cases are not in the table: add them from your design papers.",
    "bed": "The bed, its laminate and stringers are not checked here.",
    "other": "The frame behind the points is not checked here.",
}


@rule(
    "mount.cases",
    "Load cases",
    limit="every case of the table computed, sums closed",
    source="the table of the kind of craft; each row has its own source (from memory, or proposed)",
    mark="from memory",
    form="spring points",
    settles=measure("This is a fault of the sums: report it, and do not build on them."),
)
def cases(points: Points, acting: Acting, resolved: Resolved) -> Iterable[Verdict]:
    columns, _, _, gaps = points.shared
    if gaps:
        needs = {n.pointer: n for g in gaps.values() for n in g.needs}
        yield verdict(
            "unknown",
            "Cannot say yet: {n} of {all} load cases",
            "Left out of the verdicts: {names}.",
            subject="gaps",
            n=q(len(gaps), "count"),
            all=q(len(acting.table), "count"),
            names=word(", ".join(acting.case_name(k) for k in gaps)),
            needs=list(needs.values()),
        )
    left = max((points.closure(k) for k in columns), default=0.0)
    yield verdict(
        "ok" if left < 1e-8 else "stop",
        "Loads of {n} cases computed" if left < 1e-8 else "The sums do not close",
        "Checked: in every case the loads on the points add up to the load of the unit. Whether the points stand them "
        "is judged by their reserve. Not looked at: tubes, diagonals, welds, sudden stoppage. "
        + _NOT_THERE["firewall" if resolved.has("firewall") else "bed" if resolved.has("bed") else "other"],
        n=q(len(columns), "count"),
    )


@rule(
    "mount.held",
    "The unit is held",
    limit="weakest motion held by a 2000th of the stiffest or more ok, a 100 000th watch, less stop; watch where the "
    "points may lie in one line within their ±",
    source="statics; the two shares: proposed",
    mark="proposed",
    form="spring points",
    settles=adjust("Set a point further off the line of the others."),
)
def held(points: Points) -> Iterable[Verdict]:
    share, motion = points.weakest
    if share < NOTHING:
        yield verdict(
            "stop",
            "Free {w}",
            ("One point" if len(points.springs) == 1 else "{n} points")
            + ", rigid unit, springs as stated: it is free {w}. Its weakest motion may be held {limit} times as "
            "softly as its stiffest at most. Only these points are counted. Add one off the line of the others.",
            n=q(len(points.springs), "count"),
            w=word(motion),
            limit=q(1 / NEARLY_FREE, "count"),
        )
        return
    points.shared  # noqa: B018  raises what else is not known
    level: Level = "ok" if share >= NEARLY_FREE else "watch" if share >= FREE else "stop"
    if level == "ok" and points.may_lie_in_line:
        yield verdict(
            "watch",
            "May be free to turn about the line of its points",
            "{n} points: within their ± they may lie in one line, and then nothing holds it there. Its weakest motion "
            "may be held {limit} times as softly as its stiffest at most. Measure where they are.",
            n=q(len(points.springs), "count"),
            limit=q(1 / NEARLY_FREE, "count"),
        )
        return
    yield verdict(
        level,
        "Held in every direction" if level == "ok" else "Nearly free {w}",
        "{n} points, rigid unit, springs as stated."
        if level == "ok"
        else "{n} points: its weakest motion is held {s} times as softly as its stiffest; {limit} is the most. The "
        "points lie nearly in one line, or one is far too soft: loads of that motion are not to be trusted. Set a "
        "point further off the line.",
        n=q(len(points.springs), "count"),
        w=word(motion),
        s=q(1 / share, "count"),
        limit=q(1 / NEARLY_FREE, "count"),
    )


@rule(
    "mount.reserve",
    "Reserve of the points",
    limit="1.15 or more ok, 1.0 to 1.15 watch, less stop",
    source="14 CFR 23.303, 23.625 before amendment 64 (from memory)",
    mark="from memory",
    form="spring points",
    settles=buy("A stronger mount or fitting at that point, or a point more."),
)
def reserve(points: Points, acting: Acting) -> Iterable[Verdict]:
    made = points.reserves
    if not made:
        raise CannotSay(*points.without_strength.needs)
    doubt = lambda k: made[k][0] * points.reserve_doubt(k)
    key = min(made, key=lambda k: made[k][0] - doubt(k))
    factor, case, load = made[key]
    strength = points.mount.points[key].strength
    assert strength is not None
    judged = band(factor, "number", ok=at_least(1.15), watch=at_least(1.0), doubt=doubt(key))
    yield verdict(
        judged,
        "{p} has reserve {r}, of 1.15 asked",
        "{c}: {load} on the point, {kind}. Its strength is taken as {s}, ultimate. Bolts, welds and fatigue were not "
        "looked at.",
        working=reserve_factor.working(strength.si, acting.ultimate_factor(case), FITTING_FACTOR, load),
        can_suggest=judged.level != "ok",
        source=case.source,
        left_out=points.left_out(points.without_strength),
        p=word(points.mount.points[key].name),
        r=q(factor, "number"),
        c=word(case.name),
        load=q(load, "force"),
        s=q(strength.si, "force"),
        kind=word("limit" if case.kind == "limit" else "ultimate"),
    )


@rule(
    "mount.against-old",
    "Worst point against the old unit",
    limit="not above the old ok, 10 % above watch, more stop",
    source="what the old one carried; 10 % above: proposed",
    mark="proposed",
    form="spring points",
    settles=decide("Have the structure behind the points judged for the new load by a licensed person."),
)
def against_old(points: Points, acting: Acting) -> Iterable[Verdict]:
    if points.placed.old:
        return
    if points.old is None:
        raise CannotSay(Gap("/old_installations", "the old installation"))
    new = points.worst
    old = points.old.worst
    share = new[2] / old[2]
    judged = band(share, "number", ok=at_most(1.0), watch=at_most(1.1), doubt=share * acting.carried_doubt)
    carried = or_none(lambda: points.old.least_reserve[1] if points.old else None)
    unproven = carried is not None and carried < 1.0
    yield verdict(
        judged.or_by("watch", "the old one proves nothing by these sums", unproven),
        "Worst point carries {p} of the old",
        "{a} → {b}, {n} in: {c}. The structure behind the points is proven for the old load only."
        + (" The old one itself had a reserve of {r} by these sums: it proves nothing." if unproven else ""),
        r=q(carried or 0.0, "number"),
        p=q(share, "percent"),
        a=q(old[2], "force"),
        b=q(new[2], "force"),
        n=word(points.mount.points[new[0]].name),
        c=word(acting.case_name(new[1])),
    )


@rule(
    "mount.limit-torque",
    "Torque on the mount",
    limit="mean torque at the output flange times its factor",
    source=TORQUE_FACTOR_SOURCE,
    mark="from memory",
)
def torque(acting: Acting, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.has("across"):
        return
    limit = acting.limit_torque
    if acting.unit.kind == "electric" and acting.mount.torque_factor is None:
        yield verdict(
            "ok",
            "Limit torque {t} at the {f}",
            "The motor's peak torque, as entered, times its ratio; it rolls the unit {way}.",
            source=PEAK_SOURCE,
            t=q(abs(limit), "torque"),
            f=word(resolved.word("flange")),
            way=word("anticlockwise seen from aft" if limit > 0 else "clockwise seen from aft"),
        )
        return
    power = acting.output.mean_torque_n_m * acting.output.propeller_speed_rad_s
    yield verdict(
        "ok",
        "Limit torque {t} at the {f}",
        "{k} times the greatest mean torque of its ratings behind the reduction; it rolls the unit {way}.",
        working=limit_engine_torque.working(acting.factor, power, acting.output.propeller_speed_rad_s),
        f=word(resolved.word("flange")),
        t=q(abs(limit), "torque"),
        k=q(acting.factor, "number"),
        way=word("anticlockwise seen from aft" if limit > 0 else "clockwise seen from aft"),
    )


@rule(
    "mount.thrust-path",
    "Where thrust is taken",
    limit="in one place, said",
    source="statics",
    mark="statics",
    form="bed",
)
def thrust_path(acting: Acting) -> Iterable[Verdict]:
    acting.thrust  # noqa: B018  asks where it is taken
    hull = acting.mount.thrust_taken == "hull"
    yield verdict(
        "ok",
        "Thrust is taken by a bearing on the hull" if hull else "Thrust is taken by the feet of the unit",
        "The coupling must then leave the unit free to move on its rubber."
        if hull
        else "The gear's own bearing passes it to the feet: {t}.",
        t=q(acting.thrust, "force"),
    )


@rule(
    "mount.uplift",
    "Feet that lift",
    limit="none in a limit case ok, any watch",
    source="common practice, no source",
    mark="common practice",
    form="bed",
    settles=buy("Captive mounts, bolted through."),
)
def uplift(points: Points, acting: Acting) -> Iterable[Verdict]:
    columns, _, shared, _ = points.shared
    worst = ("", "", 0.0)
    for case in acting.table:
        if case.kind == "limit" and case.id in columns:
            for row, key in enumerate(points.placed.mount_keys):
                up = float(shared.load_n[row, 2, columns[case.id]].max())
                if up > worst[2]:
                    worst = (key, case.id, up)
    left_out = points.left_out()
    if worst[2] <= 0:
        title = "Every foot stays down" if not left_out.names else "Every foot stays down in the cases that are known"
        yield verdict("ok", title, "In {n} load cases.", left_out=left_out, n=q(len(columns), "count"))
        return
    yield verdict(
        "watch",
        "Foot {p} lifts with {f}",
        "{c}. It needs a captive mount, and bolts through the stringer rather than lag screws.",
        left_out=left_out,
        p=word(points.mount.points[worst[0]].name),
        c=word(acting.case_name(worst[1]).capitalize()),
        f=q(worst[2], "force"),
    )
