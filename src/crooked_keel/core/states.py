"""State of each bench: its worst verdict, and what it did not look at."""

from __future__ import annotations

from collections.abc import Iterable

from .benches import BUILT, TABLE, asked_of_forms
from .formula import record
from .judging.finding import BENCHES, LEVELS, Bench, Finding, Level, Margin
from .judging.matters import not_looked_at
from .reference.kinds import Form


@record
class BenchOut:
    """State of one bench: its worst level, a count of each, its least margin in doubts, and whether it failed.

    silent: rules of this kind of craft that found nothing to judge; unchecked: what no verdict was about."""

    bench: Bench
    level: Level | None
    stops: int
    watches: int
    unknowns: int
    margin: Margin | None
    silent: list[str]
    unchecked: list[str]
    built: bool
    failed: bool


def bench_states(
    findings: list[Finding], failed: set[Bench], forms: frozenset[Form], benches: Iterable[Bench] = BENCHES
) -> list[BenchOut]:
    """Every bench, or those that were asked, by their findings. A bench that found nothing at all cannot say."""
    made = []
    found: dict[Bench, list[Finding]] = {bench: [] for bench in benches}
    for finding in findings:
        found[finding.bench].append(finding)
    for bench, own in found.items():
        levels, spoke = [f.level for f in own], {f.rule for f in own}
        worst = next((level for level in LEVELS if level in levels), None)
        margins = [f.margin for f in own if f.margin is not None and f.margin.doubts is not None]
        made.append(
            BenchOut(
                bench=bench,
                level=worst or ("unknown" if bench in BUILT else None),
                stops=levels.count("stop"),
                watches=levels.count("watch"),
                unknowns=levels.count("unknown"),
                margin=min(margins, key=lambda m: m.doubts or 0.0, default=None),
                silent=[a.rule.title for a in asked_of_forms(bench, forms) if a.rule.id not in spoke],
                unchecked=not_looked_at(TABLE[bench].matters, own, forms) if bench in BUILT else [],
                built=bench in BUILT,
                failed=bench in failed,
            )
        )
    return made
