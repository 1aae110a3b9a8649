"""Which way a wheel turns behind a crank that lies across: by counting flips, and where an engineer says stop."""

from __future__ import annotations

from itertools import product
from typing import Any

import pytest

from crooked_keel.core.document import Project
from crooked_keel.core.judging.finding import Finding
from tests.conftest import DEMO_OF, put
from tests.kept import assess

HARROW = DEMO_OF["motorcycle"]
B, M = "/fits/b/installations/main", "/fits/a/installations/main"
RULE = "drive.wheel-sense"


def found(project: Project, fit: str = "b") -> Finding:
    (one,) = (f for f in assess(project, fit).findings if f.rule == RULE)
    return one


JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    ("b", {}, "ok", "primary and box flip, the chain keeps"),
    ("b", {f"{B}/unit/rolls": "against them"}, "stop", "a crank that turns the other way"),
    ("b", {f"{B}/drive/box_turning": "keeps"}, "stop", "a box with an idler"),
    ("b", {f"{B}/drive/stages/primary/turning": "keeps"}, "stop", "a primary chain in place of gears"),
    ("b", {f"{B}/unit/rolls": "its crank lies along the craft"}, "watch", "the crown wheel decides"),
    ("b", {f"{B}/unit/rolls": None}, "unknown", "nobody looked"),
    ("b", {f"{B}/drive/box_turning": None}, "unknown", "what the box does"),
    ("b", {f"{B}/drive/stages/primary/turning": None}, "unknown", "what the primary does"),
    ("a", {f"{M}/unit/rolls": "against them"}, "watch", "two wires of a motor changed over"),
]


@pytest.mark.parametrize(("fit", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(fit: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(HARROW, changes), fit).level == level, why


@pytest.mark.parametrize(
    ("rolls", "primary", "box"),
    list(product(("as the wheels roll", "against them"), ("keeps", "flips"), ("keeps", "flips"))),
)
def test_an_even_number_of_flips_rolls_as_the_crank_does(rolls: str, primary: str, box: str) -> None:
    """Kinematics: each mesh of two outside gears flips once."""
    flips = [rolls == "against them", primary == "flips", box == "flips"]
    made = put(
        HARROW,
        {f"{B}/unit/rolls": rolls, f"{B}/drive/stages/primary/turning": primary, f"{B}/drive/box_turning": box},
    )
    assert (found(made).level == "ok") == (sum(flips) % 2 == 0)


def test_without_gears_no_box_is_asked_for() -> None:
    bare = put(HARROW, {f"{B}/drive/gears": None, f"{B}/drive/box_turning": None})
    assert found(bare).level == "stop"  # one flip is left, and the wheel rolls backward
