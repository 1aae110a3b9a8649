"""Every edit that the drive bench proposes is tried on the document of the catalogue that shows the trouble: offered,
applied and judged again, it is better there and makes no new stop."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.document import Project, apply_operations
from tests.core.cases.cases import cases, demonstrations, document
from tests.kept import judged, suggest

MAIN = "/fits/a/installations/main"
# Milder than the catalogue's: what it shows there is beyond what an edit within bounds clears.
MILDER: dict[str, tuple[str, str, dict[str, Any]]] = {
    "drive.coupling-bolts": ("samphire", "a", {f"{MAIN}/drive/shaft/bolt": "4 mm ±0.1 mm"}),
    "drive.shaft-key": ("samphire", "a", {f"{MAIN}/drive/shaft/key_length": "40 mm ±1 mm"}),
    "drive.reaches": ("samphire", "a", {"/craft/trial/wanted": "7.6 kn"}),
    "drive.hill": ("harrow", "a", {"/craft/road/steepest": "40 %"}),
    "drive.hunting-tooth": ("lapwing", "a", {f"{MAIN}/drive/stages/belt/type": "gear"}),
    "drive.chain-speed": (
        "tiller",
        "a",
        {f"{MAIN}/drive/stages/chain/driver_teeth": "17", f"{MAIN}/drive/stages/chain/driven_teeth": "51"},
    ),
    "drive.pulls-away": ("harrow", "a", {f"{MAIN}/unit/peak_torque": "170 N·m"}),
}
TRIED = (
    "drive.blade-area",
    "drive.cavitation",
    "drive.chain-speed",
    "drive.continuous",
    "drive.coupled",
    "drive.coupling-bolts",
    "drive.downhill-voltage",
    "drive.hill",
    "drive.hub-axle",
    "drive.hunting-tooth",
    "drive.kept-box",
    "drive.one-way",
    "drive.pulls-away",
    "drive.puts-back",
    "drive.reaches",
    "drive.rotation",
    "drive.shaft-key",
    "drive.small-sprocket",
    "drive.variator",
)


def shown(rule: str) -> list[tuple[Project, str | None]]:
    """Documents that show the trouble, with their fits."""
    if rule not in MILDER:
        return [(document(c), c.fit) for c in cases() if c.rule == rule and c.level in ("stop", "watch")]
    of, fit, edits = MILDER[rule]
    made = demonstrations()[of]
    return [(apply_operations(made, [{"op": "replace", "path": p, "value": v} for p, v in edits.items()]), fit)]


@pytest.mark.parametrize("rule", TRIED)
def test_a_trouble_has_a_way_out_that_holds(rule: str) -> None:
    offered = 0
    for project, fit in shown(rule):
        found = judged(project, fit).findings
        stops = {f.key for f in found if f.level == "stop"}
        trouble = next(f for f in found if f.rule == rule and f.level in ("stop", "watch"))
        answer = suggest(project, fit, trouble.key)
        assert trouble.can_suggest or not answer.suggestions
        for way in answer.suggestions[:2]:
            offered += 1
            after = judged(apply_operations(project, [o.model_dump() for o in way.operations]), fit).findings
            # A rule that speaks of troubles alone falls silent.
            assert next((f.level for f in after if f.key == trouble.key), "ok") == way.reaches != trouble.level
            assert {f.key for f in after if f.level == "stop"} <= stops
    assert offered
