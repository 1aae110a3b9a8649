"""An assessment in plain lines."""

from __future__ import annotations

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.exchange.report import lines
from tests.conftest import DEMO_OF
from tests.kept import assess


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


def test_a_direction_is_said_in_words_and_never_by_a_bare_minus() -> None:
    """The boat lists to port after the work and to starboard before; her flange opens at the top."""
    printed = list(lines(assess(DEMO_OF["boat"], "a"), "mm-kg"))
    heel = next(line for line in printed if "Heel, empty" in line)
    assert "to starboard → " in heel.replace("\u00a0", " ") and heel.rstrip().endswith("to port") and "−" not in heel
    opens = next(line for line in printed if "Flange opens by" in line)
    assert "at the top" in opens and "−" not in opens
