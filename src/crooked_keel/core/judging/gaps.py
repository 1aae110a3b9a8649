"""What is missing: gaps with what was typed, and all of them in the order of what they hold up."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import replace

from ..document import Figure, Project, value_at
from ..errors import Gap, InputError
from .finding import Finding, Value


class Given:
    """What was typed, put to a gap that is no blank but a figure that cannot be used."""

    def __init__(self, project: Project) -> None:
        self.project = project

    def to_finding(self, finding: Finding) -> Finding:
        """The finding itself where nothing is to be said."""
        if not finding.needs:
            return finding
        needs = self._said(finding.needs)
        return finding if needs is finding.needs else replace(finding, needs=needs)

    def to_value(self, value: Value) -> Value:
        """The value itself where nothing is to be said."""
        if not value.needs and not value.before_needs:
            return value
        needs, before = self._said(value.needs), self._said(value.before_needs)
        same = needs is value.needs and before is value.before_needs
        return value if same else replace(value, needs=needs, before_needs=before)

    def _said(self, gaps: list[Gap]) -> list[Gap]:
        made = [self._with(gap) for gap in gaps]
        return gaps if all(a is b for a, b in zip(made, gaps, strict=True)) else made

    def _with(self, gap: Gap) -> Gap:
        if gap.given is not None:
            return gap
        try:
            figure = value_at(self.project, gap.pointer)
        except InputError:
            return gap
        return replace(gap, given=figure.entered) if isinstance(figure, Figure) else gap


def missing_of(findings: Iterable[Finding], values: Iterable[Value]) -> list[Gap]:
    """Missing figures, those that hold up the most answers first."""
    count: Counter[str] = Counter()
    first: dict[str, Gap] = {}
    for needs in [*(f.needs for f in findings), *(v.needs for v in values), *(v.before_needs for v in values)]:
        for n in needs:
            count[n.pointer] += 1
            first.setdefault(n.pointer, n)
    return sorted(first.values(), key=lambda n: -count[n.pointer])
