"""An assessment in plain lines."""

from __future__ import annotations

from crooked_keel.core.assess import assess
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.exchange.report import lines


def test_lines_in_both_unit_systems(project: Project) -> None:
    metric, inch = ("\n".join(lines(assess(project, "a"), u)) for u in ("mm-kg", "in-lb"))
    assert "Forward limit passed by 19\u00a0mm" in metric and "Forward limit passed by 0.75\u00a0in" in inch
    assert "\u00a0kg" not in inch.replace("\u00a0kg·m", "")
    assert metric.count("\n") == inch.count("\n")


def test_needs_are_listed(project: Project) -> None:
    gone = apply_operations(project, [{"op": "remove", "path": "/craft/limits/gross"}])
    text = "\n".join(lines(assess(gone, "a"), "mm-kg"))
    assert "cannot say" in text and "needs gross mass" in text


def test_no_slot_is_left_open(project: Project) -> None:
    for fit in ("a", "b", None):
        assert "{" not in "\n".join(lines(assess(project, fit), "mm-kg"))
