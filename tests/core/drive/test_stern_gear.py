"""Length of a propeller shaft and where its hub stands: by geometry, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import pytest

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.judging.finding import Finding
from tests.conftest import DEMO_OF, put, value
from tests.kept import assess, suggest

SAMPHIRE = DEMO_OF["boat"]
A = "/fits/a/installations/main"
S = f"{A}/drive/shaft"
LONG, OUT = "drive.shaft-length", "drive.overhang"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def found(project: Project, rule: str) -> list[Finding]:
    return [f for f in assess(project, "a").findings if f.rule == rule]


JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    (LONG, {}, "stop", "the old shaft, its flange now 30 mm further aft"),
    (LONG, {f"{S}/length": m("3180 mm ±2 mm")}, "ok", "cut to length"),
    (LONG, {f"{S}/length": m("3195 mm ±2 mm")}, "watch", "more than the feet move"),
    (LONG, {f"{S}/length": m("3100 mm ±2 mm")}, "stop", "the coupling does not meet"),
    (LONG, {f"{S}/length": m("3180 mm ±40 mm")}, "watch", "paced out"),
    (LONG, {"/old_installations/main/drive/shaft/length": None}, "unknown", "nobody measured the old one"),
    (LONG, {f"{A}/placement/flange_station": None}, "unknown", "where the coupling stands"),
    (OUT, {}, "ok", "within a diameter"),
    (OUT, {f"{S}/overhang": m("60 mm ±1 mm")}, "watch", "half a diameter too far"),
    (OUT, {f"{S}/overhang": m("95 mm ±1 mm")}, "stop", "it whips"),
    (OUT, {f"{S}/overhang": m("5 mm ±1 mm")}, "watch", "no water comes out of the bearing"),
    (OUT, {f"{S}/overhang": m("0 mm ±0.5 mm")}, "watch", "hard against it"),
    (OUT, {f"{S}/overhang": m("36 mm ±30 mm")}, "watch", "guessed from the dock"),
    (OUT, {f"{S}/diameter": None}, "unknown", "how thick the shaft is"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    (one,) = found(put(SAMPHIRE, changes), rule)
    assert one.level == level, why


def test_a_figure_that_nobody_gave_is_not_asked_for() -> None:
    # A shaft that is not measured yet is the first thing of many: the bench asks once it is begun.
    assert found(put(SAMPHIRE, {f"{S}/length": None}), LONG) == []
    assert found(put(SAMPHIRE, {f"{S}/overhang": None}), OUT) == []


def test_a_flange_that_goes_aft_along_the_shaft_shortens_it_by_as_much() -> None:
    """Pythagoras: along the line of a shaft that falls by ε, a way d aft and d·tan ε down is d / cos ε of shaft."""
    before = value(assess(SAMPHIRE, "a"), "drive.shaft-length")
    slope = 0.14986132
    moved = put(
        SAMPHIRE,
        {
            f"{A}/placement/flange_station": {"entered": "5290 mm", "dir": "aft", "source": "measured"},
            f"{A}/placement/flange_water_line": {
                "entered": f"{-64 - 50 * math.tan(slope):.4f} mm",
                "dir": "up",
                "source": "measured",
            },
        },
    )
    flange = SAMPHIRE.fits["a"].installations["main"].placement.flange_station
    assert flange is not None and flange.entered == "5240 mm"
    after = value(assess(moved, "a"), "drive.shaft-length")
    assert before - after == pytest.approx(0.05 / math.cos(slope), abs=1e-4)


def test_the_way_out_is_a_shaft_cut_to_length() -> None:
    (way,) = suggest(SAMPHIRE, "a", LONG).suggestions
    assert way.message.template.startswith("Cut the shaft")
    after = apply_operations(SAMPHIRE, [o.model_dump() for o in way.operations])
    assert found(after, LONG)[0].level == "ok"
    (longer,) = suggest(put(SAMPHIRE, {f"{S}/length": m("3100 mm ±2 mm")}), "a", LONG).suggestions
    assert longer.message.template.startswith("Order: a shaft")
