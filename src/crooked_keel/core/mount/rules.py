"""Findings of the mount bench."""

from __future__ import annotations

from collections.abc import Iterable

from ..bench import needs_out
from ..errors import CannotSay, Need
from ..finding import Compared, Finding, Level, q, rule, verdict, word
from ..mechanics import TORQUE_FACTOR_SOURCE
from ..reference.load_cases import AEROPLANE
from .loads import limit_engine_torque, reserve_factor
from .section import FITTING_FACTOR, MountBench

_CASES = {c.id: c for c in AEROPLANE}


@rule(
    "mount.cases",
    "Load cases",
    limit="every case of the table computed, sums closed",
    source="14 CFR 23.361 to 23.561 before amendment 64 (from memory)",
    mark="from memory",
)
def cases(bench: MountBench) -> Iterable[Finding]:
    columns, _, _, gaps = bench.shared
    if gaps:
        needs = {n.pointer: n for g in gaps.values() for n in g.needs}
        yield verdict(
            "mount.cases", "unknown", "Cannot say yet: {n} of {all} load cases", "Left out of the verdicts: {names}.", subject="gaps",
            n=q(len(gaps), "count"), all=q(len(AEROPLANE), "count"), names=word(", ".join(_CASES[k].name.lower() for k in gaps)), needs=needs_out(tuple(needs.values())),
        )  # fmt: skip
    left = max((bench.closure(k) for k in columns), default=0.0)
    yield verdict(
        "mount.cases", "ok" if left < 1e-8 else "stop", "{n} cases, sums close" if left < 1e-8 else "The sums do not close",
        "In every case the loads on the points add up to the load of the unit. Gust cases are not in the table: add them from your design papers.", n=q(len(columns), "count"),
    )  # fmt: skip


@rule("mount.held", "The unit is held", limit="no free motion", source="statics", mark="statics")
def held(bench: MountBench) -> Iterable[Finding]:
    bench.shared  # noqa: B018  raises, naming the free motion
    yield verdict(
        "mount.held",
        "ok",
        "Held in every direction",
        "{n} points, rigid unit, springs as stated.",
        n=q(len(bench.springs), "count"),
    )


@rule(
    "mount.reserve",
    "Reserve of the points",
    limit="1.15 or more ok, 1.0 to 1.15 watch, less stop",
    source="14 CFR 23.303, 23.625 before amendment 64 (from memory)",
    mark="from memory",
)
def reserve(bench: MountBench) -> Iterable[Finding]:
    key, factor, case, load = bench.least_reserve
    strength = bench.mount.points[key].strength
    assert strength is not None
    level: Level = "ok" if factor >= 1.15 else "watch" if factor >= 1.0 else "stop"
    yield verdict(
        "mount.reserve", level, "{p} has reserve {r}", "{c}: {load} on the point, {kind}. Its strength is taken as {s}, ultimate.",
        compared=Compared(value=factor, dimension="number", lo=1.15), margin=q(factor - 1.0, "number"),
        working=reserve_factor.working(strength.si, bench.ultimate_factor(case), FITTING_FACTOR, load), source=case.source,
        p=word(bench.mount.points[key].name), r=q(factor, "number"), c=word(case.name), load=q(load, "force"), s=q(strength.si, "force"),
        kind=word("limit" if case.kind == "limit" else "ultimate"),
    )  # fmt: skip


@rule(
    "mount.against-old",
    "Worst point against the old unit",
    limit="not above the old ok, 10 % above watch, more stop",
    source="1.0 by reason, 1.1 proposed",
    mark="proposed",
)
def against_old(bench: MountBench) -> Iterable[Finding]:
    if bench.placed.old:
        return
    if bench.old is None:
        raise CannotSay(Need("/old_installation", "the old installation"))
    new = bench.worst
    old = bench.old.worst
    share = new[2] / old[2]
    level: Level = "ok" if share <= 1.0 else "watch" if share <= 1.1 else "stop"
    yield verdict(
        "mount.against-old", level, "Worst point carries {p} of the old", "{a} → {b}, {n} in: {c}. The structure behind the points is proven for the old load only.",
        compared=Compared(value=share, dimension="number", hi=1.0), margin=q(1.0 - share, "number"),
        p=q(share, "percent"), a=q(old[2], "force"), b=q(new[2], "force"), n=word(bench.mount.points[new[0]].name), c=word(_CASES[new[1]].name.lower()),
    )  # fmt: skip


@rule(
    "mount.limit-torque",
    "Torque on the mount",
    limit="mean torque at the output flange times its factor",
    source=TORQUE_FACTOR_SOURCE,
    mark="from memory",
)
def torque(bench: MountBench) -> Iterable[Finding]:
    limit = bench.limit_torque
    power = bench.output.mean_torque_n_m * bench.output.propeller_speed_rad_s
    yield verdict(
        "mount.limit-torque", "ok", "Limit torque {t} at the flange", "{k} times the mean torque behind the reduction; it rolls the unit {way}.",
        working=limit_engine_torque.working(bench.factor, power, bench.output.propeller_speed_rad_s),
        t=q(abs(limit), "torque"), k=q(bench.factor, "number"), way=word("anticlockwise seen from aft" if limit > 0 else "clockwise seen from aft"),
    )  # fmt: skip
