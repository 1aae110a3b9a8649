"""What an edit changed: findings that flipped, headline values that moved."""

from __future__ import annotations

from .assess import Assessment
from .formula import record
from .judging.finding import LEVELS, Bench, Level, Message, Ways


@record
class Change:
    """What an edit changed: a finding that flipped, or a headline value that moved."""

    kind: str
    id: str
    bench: Bench
    label: Message
    before_level: Level | None = None
    after_level: Level | None = None
    dimension: str | None = None
    before_si: float | None = None
    after_si: float | None = None
    ways: Ways | None = None


def changed(before: Assessment, after: Assessment) -> list[Change]:
    """The difference of two assessments, flipped findings first; of the benches that were asked of both."""
    made: list[Change] = []
    asked = {b.bench for b in after.benches}
    old = {f.key: f for f in before.findings if f.bench in asked}
    new = {f.key: f for f in after.findings}
    for key in {**old, **new}:
        a, b = old.get(key), new.get(key)
        if (a and a.level) != (b and b.level):
            shown = b or a
            assert shown is not None
            made.append(
                Change(
                    kind="finding",
                    id=key,
                    bench=shown.bench,
                    label=shown.title,
                    before_level=a.level if a else None,
                    after_level=b.level if b else None,
                )
            )
    made.sort(key=lambda c: LEVELS.index(c.after_level or "ok"))
    old_values = {v.id: v for v in before.values}
    for v in after.values:
        was = old_values.get(v.id)
        if was is None or was.si == v.si:
            continue
        if was.si is not None and v.si is not None and abs(was.si - v.si) <= 1e-9 * max(abs(was.si), abs(v.si), 1e-6):
            continue
        made.append(
            Change(
                kind="value",
                id=v.id,
                bench=v.bench,
                label=Message(template=v.label),
                dimension=v.dimension,
                before_si=was.si,
                after_si=v.si,
                ways=v.ways,
            )
        )
    return made
