"""Chains by their adjuster and speed, variators by their span: by worked cases, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import pytest

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

HARROW, TILLER, PANNIER = DEMO_OF["motorcycle"], DEMO_OF["road-vehicle"], DEMO_OF["scooter"]
CHAIN = "/fits/b/installations/main/drive/stages/chain"
V = "/fits/a/installations/main/drive/stages/variator"
CLOSES, SPEED, SPAN = "drive.chain-closes", "drive.chain-speed", "drive.variator"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def found(project: Project, rule: str, fit: str) -> Finding:
    (one,) = (f for f in assess(project, fit).findings if f.rule == rule)
    return one


JUDGED: list[tuple[Project, str, str, dict[str, Any], str, str]] = [
    (HARROW, "b", CLOSES, {}, "ok", "10 mm of 32"),
    (HARROW, "b", CLOSES, {f"{CHAIN}/reach": m("12 mm ±0.2 mm")}, "watch", "nothing left for wear"),
    (HARROW, "b", CLOSES, {f"{CHAIN}/reach": m("6 mm")}, "stop", "it does not reach"),
    (HARROW, "b", CLOSES, {f"{CHAIN}/reach": m("16 mm ±8 mm")}, "watch", "looked at, not measured"),
    (HARROW, "b", CLOSES, {f"{CHAIN}/reach": None}, "unknown", "how far it reaches"),
    (HARROW, "b", SPEED, {}, "watch", "a fast chain"),
    (HARROW, "b", SPEED, {f"{CHAIN}/driven_teeth": None}, "unknown", "how many teeth"),
    (TILLER, "a", SPEED, {}, "ok", "a slow one"),
    (PANNIER, "a", SPAN, {}, "ok", "a common span"),
    (PANNIER, "a", SPAN, {f"{V}/low": m("3.4")}, "watch", "wider than there is"),
    (PANNIER, "a", SPAN, {f"{V}/home": m("7400 rpm")}, "watch", "home late"),
    (PANNIER, "a", SPAN, {f"{V}/home": m("8300 rpm")}, "stop", "it slips for ever"),
    (PANNIER, "a", SPAN, {f"{V}/home": None}, "unknown", "when the clutch is home"),
    (PANNIER, "a", SPAN, {f"{V}/low": None}, "unknown", "one end"),
]


@pytest.mark.parametrize(("project", "fit", "rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(
    project: Project, fit: str, rule: str, changes: dict[str, Any], level: str, why: str
) -> None:
    assert found(put(project, changes), rule, fit).level == level, why


def test_a_chain_runs_as_its_sprocket_turns() -> None:
    """14 teeth of 15.875 mm at 5000 rpm run 18.521 m/s (by hand): 42 teeth on a wheel that turns a third as fast."""
    runs = set_up(put(HARROW, {f"{CHAIN}/driver_teeth": m("14"), f"{CHAIN}/driven_teeth": m("42")}), "b")
    made = runs.installations[0].drive.runs
    assert made is not None
    assert made.speed(made.chains[-1], 5000 / 3 * math.pi / 30) == pytest.approx(18.521, abs=0.001)


def test_a_sprocket_that_is_offered_is_taken_up() -> None:
    short = put(HARROW, {f"{CHAIN}/reach": m("6 mm ±0.5 mm")})
    offered = suggest(short, "b", CLOSES).suggestions
    assert offered
    for one in offered:
        after = apply_operations(short, [o.model_dump() for o in one.operations])
        assert found(after, CLOSES, "b").level in ("ok", "watch")


def test_clutch_home_by_the_worked_case() -> None:
    """Wheel of 229.5 mm, home at 6000 rpm: through 34.61 to one it is home from 15 km/h (by hand)."""
    wheel = {
        "/fits/a/installations/main/wheel/radius": m("229.508 mm"),
        "/fits/a/installations/main/drive/stages/final/ratio": m("10"),
        f"{V}/low": m("3.461"),
        f"{V}/ratio": m("1.2"),
        f"{V}/home": m("6000 rpm"),
    }
    at = found(put(PANNIER, wheel), SPAN, "a").title.params["v"].si
    assert at == pytest.approx(15 / 3.6, rel=1e-3)
