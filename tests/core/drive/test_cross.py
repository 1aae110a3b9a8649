"""Shafts that carry torque across, and splices: against handbook torsion, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import pytest
from scipy.integrate import quad

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.wheels.cross.functions import plug_shear, stress, twist, weld_shear
from crooked_keel.core.judging.finding import Finding
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

TILLER = DEMO_OF["road-vehicle"]
A, B = ("/fits/a/installations/main", "/fits/b/installations/main")
SHAFT, SPLICE = "drive.cross-shaft", "drive.splice"
PORT, JACK = f"{A}/drive/cross/port", f"{A}/drive/cross/jackshaft"
HALF = f"{B}/drive/cross/port"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def test_stress_and_twist_by_worked_cases() -> None:
    """1000 N·m: 28 mm solid 232.00 MPa in shear, 40/30 mm hollow 116.41. 400 N·m over 0.6 m of 25 mm: 4.522°, 130.38
    MPa. The splice: 6 mm fillet at 20 mm 93.80 MPa, four plugs of 12 mm at 14 mm 157.89 MPa (by hand, torsion of
    round bars and statics)."""
    shear = lambda *terms: stress(*terms) / math.sqrt(3) / 1e6
    assert shear(1000, 0.028, 0) == pytest.approx(232.00, abs=0.01)
    assert shear(1000, 0.040, 0.030) == pytest.approx(116.41, abs=0.01)
    assert shear(400, 0.025, 0) == pytest.approx(130.38, abs=0.01)
    assert math.degrees(twist(400, 0.6, 0.025, 0)) == pytest.approx(4.522, abs=0.001)
    assert weld_shear(1000, 0.020, 0.006) / 1e6 == pytest.approx(93.80, abs=0.02)
    assert plug_shear(1000, 4, 0.012, 0.014) / 1e6 == pytest.approx(157.89, abs=0.02)


def test_a_hollow_bar_carries_its_torque_as_the_sum_of_its_rings() -> None:
    """Shear that rises with the radius, summed over every ring, makes the torque again."""
    outside, inside, torque = 0.034, 0.022, 640.0
    most = stress(torque, outside, inside) / math.sqrt(3)
    carried, _ = quad(lambda r: most * r / (outside / 2) * r * 2 * math.pi * r, inside / 2, outside / 2)
    assert carried == pytest.approx(torque)


def found(project: Project, rule: str, subject: str, fit: str = "a") -> Finding:
    (one,) = (f for f in assess(project, fit).findings if f.key.startswith(f"{rule}:{subject}"))
    return one


JUDGED: list[tuple[str, str, dict[str, Any], str, str]] = [
    (SHAFT, "port", {}, "stop", "22 mm that yields"),
    (SHAFT, "port", {f"{PORT}/diameter": m("30 mm ±0.05 mm")}, "ok", "as thick as it should be"),
    (SHAFT, "port", {f"{PORT}/diameter": m("26 mm ±0.05 mm")}, "watch", "it bears, with little left"),
    (SHAFT, "port", {f"{PORT}/diameter": m("30 mm ±6 mm")}, "watch", "nobody knows where it is weakest"),
    (SHAFT, "port", {f"{PORT}/inside": m("21 mm")}, "stop", "a thin tube"),
    (SHAFT, "port", {f"{PORT}/torque": "all of it where one wheel is locked"}, "stop", "all of it in one"),
    (SHAFT, "port", {f"{PORT}/torque": None}, "unknown", "how much it carries"),
    (SHAFT, "port", {f"{PORT}/behind": None}, "unknown", "where it sits"),
    (SHAFT, "port", {f"{PORT}/behind": m("7")}, "unknown", "behind more stages than there are"),
    (SHAFT, "port", {f"{PORT}/yields": None}, "unknown", "what it bears"),
    (SHAFT, "port", {f"{PORT}/diameter": None}, "unknown", "how thick"),
    (SHAFT, "port", {f"{PORT}/inside": None}, "unknown", "solid or not"),
    (SHAFT, "port", {f"{PORT}/inside": m("22 mm")}, "unknown", "nothing left of it"),
    (SHAFT, "jackshaft", {f"{PORT}/yields": None}, "watch", "what the other lacks hides nothing"),
    (SPLICE, "port", {}, "stop", "a weld that bears it at rest, at the most"),
    (SPLICE, "port", {f"{PORT}/made": None}, "unknown", "nobody said that it is whole"),
    (SPLICE, "port", {f"{PORT}/weld_leg": None}, "unknown", "a weld of no size"),
    (SPLICE, "port", {f"{PORT}/plug": None}, "unknown", "plugs of no size"),
    (SPLICE, "port", {f"{PORT}/answered": "by somebody qualified"}, "stop", "no signature makes it bear more"),
]
LARGE = {
    f"{PORT}/weld_radius": m("40 mm ±0.1 mm"),
    f"{PORT}/weld_leg": m("14 mm ±0.1 mm"),
    f"{PORT}/plugs": None,
    f"{PORT}/plug": None,
    f"{PORT}/plug_radius": None,
}
JUDGED += [
    (SPLICE, "port", {**LARGE, f"{PORT}/answered": "by somebody qualified"}, "watch", "never ok"),
    (SPLICE, "port", LARGE, "stop", "large enough, and answered for by nobody"),
    (SPLICE, "port", {**LARGE, f"{PORT}/answered": None}, "stop", "nobody said who"),
]


@pytest.mark.parametrize(("rule", "subject", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(
    rule: str, subject: str, changes: dict[str, Any], level: str, why: str
) -> None:
    assert found(put(TILLER, changes), rule, subject).level == level, why


def test_port_and_starboard_are_judged_alike() -> None:
    both = {f.key: f for f in assess(TILLER, "b").findings if f.rule == SHAFT}
    port, starboard = both[f"{SHAFT}:port"], both[f"{SHAFT}:starboard"]
    assert port.compared is not None and starboard.compared is not None
    assert port.level == starboard.level == "ok" and port.compared.value == pytest.approx(starboard.compared.value)


def test_a_whole_shaft_is_no_splice_and_an_old_one_is_not_asked_of() -> None:
    assert not any(f.rule == SPLICE for f in assess(TILLER, "b").findings)
    assert not any(f.rule in (SHAFT, SPLICE) for f in assess(TILLER, None).findings)


@pytest.mark.parametrize("key", [f"{SHAFT}:port", f"{SPLICE}:port"])
def test_a_way_out_leads_out(key: str) -> None:
    offered = suggest(TILLER, "a", key).suggestions
    assert offered
    for one in offered:
        after = assess(apply_operations(TILLER, [o.model_dump() for o in one.operations]), "a")
        assert not any(f.key == key and f.level == "stop" for f in after.findings)
        stops = {f.key for f in after.findings if f.level == "stop"}
        assert stops < {f.key for f in assess(TILLER, "a").findings if f.level == "stop"}
