"""Each rule at each of its levels: one edit of the demonstration, the finding that follows, and why."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.assess import Assessment, assess
from crooked_keel.core.document import Project, apply_operations, value_at
from tests.conftest import made_lapwing

DEMO = made_lapwing()
A, B = "/fits/a/installations/main", "/fits/b/installations/main"
POINTS = ("top-port", "top-starboard", "low-starboard", "low-port")


def put(project: Project, figures: dict[str, Any]) -> Project:
    return apply_operations(project, [
        {"op": "remove", "path": p} if v is None else {"op": "replace" if value_at(project, p) is not None else "add", "path": p, "value": v}
        for p, v in figures.items()
    ])  # fmt: skip


def level(made: Assessment, key: str) -> str:
    return next(f.level for f in made.findings if f.key == key)


def strengths(newtons: str, base: str = A) -> dict[str, Any]:
    return {f"{base}/mount/points/{k}/strength": newtons for k in POINTS}


# key, fit, edits, level
CASES: list[tuple[str, str, dict[str, Any], str]] = [
    ("craft.as-found", "a", {}, "ok"),
    ("craft.as-found", "a", {"/craft/supports/tail": None}, "unknown"),
    ("craft.empty-scale:tail", "a", {"/craft/supports/tail/reading": "3.4 kg"}, "watch"),
    ("craft.report", "a", {"/craft/as_found/method": "report"}, "watch"),
    ("craft.limits", "a", {"/craft/limits/gross": None}, "unknown"),
    ("craft.levelling", "a", {"/craft/datum_note": ""}, "unknown"),
    ("craft.outline", "a", {"/craft/outline/fin_top": None}, "unknown"),
    ("craft.fuel", "a", {"/craft/tanks/header/capacity": None}, "unknown"),
    ("craft.references", "a", {"/craft/references/firewall": None}, "unknown"),
    ("balance.cg-forward", "a", {}, "stop"),
    ("balance.cg-forward", "a", {f"{A}/placement/flange_station": {"entered": "690 mm", "dir": "forward"}}, "watch"),
    ("balance.cg-forward", "b", {}, "ok"),
    ("balance.cg-aft", "b", {}, "ok"),
    ("balance.cg-aft", "b", {"/loadings/rear/loads/rear": "108 kg", "/loadings/rear/loads/front": "0 kg"}, "watch"),
    ("balance.cg-aft", "b", {"/loadings/rear/loads/baggage": "60 kg"}, "stop"),
    ("balance.mass-max", "b", {}, "ok"),
    ("balance.mass-max", "b", {"/craft/limits/gross": "512 kg"}, "watch"),
    ("balance.mass-max", "b", {"/craft/limits/gross": "500 kg"}, "stop"),
    ("balance.envelope-range:rear", "b", {"/loadings/rear/loads/front": "110 kg"}, "stop"),
    ("balance.envelope-range:light", "b", {"/loadings/light/loads/front": "0 kg", "/craft/limits/envelope": [
        {"station": s, "mass": m} for s, m in (("570 mm", "360 kg"), ("570 mm", "550 kg"), ("860 mm", "550 kg"), ("860 mm", "360 kg"))
    ]}, "watch"),
    ("balance.cg-lateral", "a", {}, "ok"),
    ("balance.cg-lateral", "a", {"/craft/limits/port": None, "/craft/limits/starboard": None, "/fits/a/ledger/battery/butt_line": "2500 mm"}, "watch"),
    ("balance.cg-lateral", "a", {"/fits/a/ledger/battery/butt_line": "5000 mm"}, "stop"),
    ("balance.supports", "b", {}, "ok"),
    ("balance.supports", "a", {}, "watch"),
    ("balance.supports", "b", {"/fits/b/ledger/cowl/mass": "150 kg"}, "stop"),
    ("balance.rests-on-guess", "b", {}, "ok"),
    ("balance.rests-on-guess", "a", {f"{A}/placement/flange_station": {"entered": "690 mm", "dir": "forward"}}, "watch"),
    ("balance.condition:main", "a", {f"{A}/unit/condition": "ready to run"}, "ok"),
    ("balance.condition:main", "a", {f"{A}/unit/condition": None}, "watch"),
    ("balance.engine-out", "a", {}, "ok"),
    ("balance.engine-out", "a", {"/ledger/old-exhaust/station": "5000 mm", "/ledger/old-exhaust/mass": "33 kg"}, "watch"),
    ("balance.engine-out", "a", {"/ledger/old-exhaust/station": "5000 mm", "/ledger/old-exhaust/mass": "60 kg"}, "stop"),
    ("balance.worst-loading", "b", {}, "ok"),
    ("balance.worst-loading", "b", {"/craft/seats/baggage/heaviest": "33 kg"}, "watch"),
    ("balance.worst-loading", "b", {"/craft/seats/baggage/heaviest": "45 kg"}, "stop"),
    ("balance.worst-loading", "a", {}, "stop"),
    ("balance.worst-loading", "b", {"/craft/seats/rear/heaviest": None}, "unknown"),
    ("balance.worst-loading", "b", {"/craft/seats/front/heaviest": "40 kg"}, "unknown"),
    ("balance.loadings:light", "a", {"/loadings/light/loads/rear": None}, "unknown"),
    ("drive.tip-mach", "a", {}, "ok"),
    ("drive.tip-mach", "a", {"/assumptions/tip_mach": "0.69"}, "watch"),
    ("drive.tip-mach", "a", {"/assumptions/tip_mach": "0.60"}, "stop"),
    ("drive.ground-clearance", "b", {}, "ok"),
    ("drive.ground-clearance", "a", {}, "watch"),
    ("drive.ground-clearance", "a", {"/assumptions/ground_clearance": "300 mm"}, "stop"),
    ("drive.ground-clearance", "a", {"/craft/layout": "tricycle"}, "ok"),
    ("drive.rotation", "a", {}, "ok"),
    ("drive.rotation", "a", {f"{A}/drive/stages/belt/turning": "flips"}, "stop"),
    ("drive.rotation", "a", {f"{A}/drive/stages/belt/turning": None}, "unknown"),
    ("drive.blades", "a", {f"{A}/propeller/blades": "1"}, "watch"),
    ("drive.hunting-tooth:belt", "a", {f"{A}/drive/stages/belt/type": "gear"}, "watch"),
    ("mount.cases", "a", {}, "ok"),
    ("mount.cases:gaps", "a", {f"{A}/mount/thrust": None}, "unknown"),
    ("mount.held", "a", {f"{A}/mount/points/{k}": None for k in POINTS[1:]}, "unknown"),
    ("mount.reserve", "a", {}, "ok"),
    ("mount.reserve", "a", strengths("6.8 kN"), "watch"),
    ("mount.reserve", "a", strengths("5 kN"), "stop"),
    ("mount.against-old", "a", {}, "ok"),
    ("mount.against-old", "a", {f"{A}/propeller/inertia": "1.4 kg·m²"}, "watch"),
    ("mount.against-old", "a", {f"{A}/propeller/inertia": "2.5 kg·m²"}, "stop"),
    ("mount.against-old", "a", {"/old_installations/main": None}, "unknown"),
    ("mount.limit-torque", "a", {f"{A}/unit/kind": "electric"}, "unknown"),
    ("mount.limit-torque", "a", {f"{A}/unit/kind": "electric", f"{A}/mount/torque_factor": "1.2"}, "ok"),
    ("align.rear-clearance", "a", {}, "ok"),
    ("align.rear-clearance", "a", {f"{A}/unit/length": "662 mm"}, "watch"),
    ("align.rear-clearance", "a", {f"{A}/unit/length": "672 mm"}, "stop"),
    ("align.thrust-side", "a", {}, "ok"),
    ("align.thrust-side", "a", {f"{A}/placement/right": "-1.5°"}, "watch"),
    ("align.thrust-side", "a", {f"{A}/placement/right": "0.1°", f"{A}/propeller/turns": None}, "ok"),
    ("align.held-flange", "a", {f"{A}/unit/length": None}, "unknown"),
    ("align.tubes", "a", {f"{A}/mount/points/top-port/structure_butt_line": None}, "unknown"),
]  # fmt: skip


@pytest.mark.parametrize(
    ("key", "fit", "edits", "wanted"), CASES, ids=[f"{k}-{w}-{i}" for i, (k, _, _, w) in enumerate(CASES)]
)
def test_rule_at_its_level(key: str, fit: str, edits: dict[str, Any], wanted: str) -> None:
    made = assess(put(DEMO, edits), fit)
    assert not made.failures
    assert level(made, key) == wanted


@pytest.mark.parametrize("fit", ["a", "b", None])
def test_what_is_compared_agrees_with_the_level(fit: str | None) -> None:
    """A finding that is ok lies between its bounds; one that stops for a bound lies outside."""
    for finding in assess(DEMO, fit).findings:
        c = finding.compared
        if c is None:
            continue
        inside = (c.lo is None or c.value >= c.lo - 1e-12) and (c.hi is None or c.value <= c.hi + 1e-12)
        if finding.level == "ok":
            assert inside, finding.key
        if finding.level == "stop":
            assert not inside, finding.key


def test_findings_come_worst_first() -> None:
    order = ["stop", "watch", "unknown", "ok"]
    levels = [order.index(f.level) for f in assess(put(DEMO, {f"{A}/mount/thrust": None}), "a").findings]
    assert levels == sorted(levels)


def test_nothing_is_ever_called_safe() -> None:
    for fit in ("a", "b"):
        for finding in assess(DEMO, fit).findings:
            assert "safe" not in (finding.title.template + finding.message.template).lower()


@pytest.mark.parametrize("gear", ["tailwheel", "tricycle"])
def test_a_tricycle_is_weighed_by_the_same_sums(gear: str) -> None:
    """Nose wheel ahead of the mains; FAA-H-8083-1B ch. 3 case in the form of supports (from memory)."""
    nose = {
        "name": "nose wheel",
        "role": "nose",
        "station": "50 in",
        "butt_line": "0 in",
        "reading": "340 lb",
        "tare": "0 lb",
    }
    edits = {
        "/craft/layout": gear, "/craft/supports/tail": None, "/craft/supports/nose": nose, "/craft/as_found/corrections/unusable": None,
        "/craft/as_found/corrections/tools": None,
    }  # fmt: skip
    for side, pounds in (("port", 830), ("starboard", 836)):
        edits |= {
            f"/craft/supports/main-{side}/{k}": v
            for k, v in (("station", "128 in"), ("reading", f"{pounds} lb"), ("tare", "0 lb"))
        }
    made = assess(put(DEMO, edits), None)
    found = next(v for v in made.values if v.id == "craft.station-found")
    assert found.si is not None and found.si / 0.0254 == pytest.approx(114.78, abs=5e-3)
