"""Documents, not functions: the craft on its wheels at each step, fuel that is stuck, one wheel, a canard, the wing,
repeats of a scale. Expected values are worked here from the figures of the document by statics alone."""

from __future__ import annotations

import math
from typing import Any

import pytest

from crooked_keel.core.assess import Assessment
from crooked_keel.core.balance.standing.functions import HAND_KG
from crooked_keel.core.document import Project
from crooked_keel.core.reference.kinds import KINDS
from crooked_keel.core.sheets import sheet
from crooked_keel.demo.seed import SECOND, made
from tests.conftest import bare, finding, put, value
from tests.core.test_rules import TANKS, WING, _fuel, _tank
from tests.kept import assess

CURLEW = made(*SECOND[0])


def step(made: Assessment, name: str) -> Any:
    assert made.balance is not None
    return next(s for s in made.balance.steps if s.name == name)


def test_the_tail_carries_what_the_turned_craft_gives_it(project: Project) -> None:
    """Tail held up by 960 mm over 4780 mm of wheelbase: 11.36° nose up when it stands; empty as found, by hand."""
    angle = math.atan(960 / 4780)
    found = assess(project, "a")
    mass, x = step(found, "As it stands").mass_si, step(found, "As it stands").x_si
    heights = {"craft": 0.0, "main": -1.18, "tail": -1.18 + 0.96}
    z = next(v.before_si for v in found.values if v.id == "balance.cg-water-line")
    assert z is not None
    along = lambda x, z: x * math.cos(angle) + z * math.sin(angle)
    cg, main, tail = along(x, z), along(0.34, heights["main"]), along(5.12, heights["tail"])
    assert step(found, "As it stands").loads[2].mass_si == pytest.approx(mass * (cg - main) / (tail - main), rel=1e-9)


def test_steps_begin_with_the_craft_as_found_and_end_with_the_fit(project: Project) -> None:
    found = assess(project, "a")
    assert found.balance is not None
    names = [s.name for s in found.balance.steps]
    assert names == [
        "As it stands",
        "flat-four, 65 hp out",
        "All that goes is out",
        "inline-three, belt in",
        "Finished",
    ]
    assert step(found, "Finished").mass_si == pytest.approx(value(found, "balance.empty-mass"))
    assert step(found, "Finished").x_si == pytest.approx(value(found, "balance.empty-cg"))
    for s in found.balance.steps:
        assert sum(load.mass_si for load in s.loads) == pytest.approx(s.mass_si)


def test_the_shorter_way_to_all_out_is_the_same_as_the_longer(project: Project) -> None:
    """With many rows put in, the sums go forward; with many taken out, back from the finished craft: one step, one
    result."""
    row = lambda i, kind: {
        "name": f"{kind} {i}",
        "kind": kind,
        "mass": "0.1 kg",
        "station": f"{100 * i} mm",
        "butt_line": "0 mm",
        "water_line": "0 mm",
    }
    many = put(project, {f"/fits/a/ledger/in-{i}": row(i, "installed") for i in range(12)})
    both = put(many, {f"/fits/a/ledger/out-{i}": row(i, "removed") for i in range(30)})
    for document, removed in ((many, 0), (both, 30)):
        there = step(assess(document, "a"), "All that goes is out")
        plain = step(assess(project, "a"), "All that goes is out")
        moment = plain.mass_si * plain.x_si - sum(0.1 * 0.1 * i for i in range(removed))
        assert there.mass_si == pytest.approx(plain.mass_si - 0.1 * removed)
        assert there.x_si == pytest.approx(moment / there.mass_si)


@pytest.mark.parametrize(("reach", "level"), [("6.5 m", "watch"), ("3 m", "ok")])
def test_a_hand_on_the_far_end_of_a_tricycle(reach: str, level: str) -> None:
    """380 kg at 0.42 m, wheels at −0.75 and 0.72: 77.6 kg on the nose. 20 kg at 3 m weigh 20·(3 − 0.72)/1.47 = 31 kg
    there and leave 46; at 6.5 m, 78.6 kg, and lift it."""
    at = lambda x, y: {"station": x, "butt_line": y, "water_line": "0 mm", "tare": "0 kg"}
    stands = put(
        bare("aeroplane", layout="tricycle"),
        {
            "/craft/supports/nose": {"name": "nose", "role": "nose", "reading": "77.551 kg", **at("-0.75 m", "0 mm")},
            "/craft/supports/main-port": {
                "name": "left",
                "role": "main",
                "reading": "151.2245 kg",
                **at("0.72 m", "-1 m"),
            },
            "/craft/supports/main-starboard": {
                "name": "right",
                "role": "main",
                "reading": "151.2245 kg",
                **at("0.72 m", "1 m"),
            },
            "/craft/outline/nose": "-1 m",
            "/craft/outline/tail": reach,
            "/old_installations/main": None,
        },
    )
    found = finding(assess(stands, None), "balance.engine-out")
    assert found.level == level
    if level == "watch":
        assert found.message.params["h"].si == HAND_KG


def test_one_main_wheel_needs_no_third_support_and_no_butt_lines() -> None:
    found = assess(CURLEW, "b")
    assert not found.failures and "balance.tipping" not in {f.key for f in found.findings}
    tail, main = 20.4333333 - 4.2, 551.1333333 - 2.4
    assert value(found, "craft.mass-found") == pytest.approx(tail + main, abs=1e-6)
    assert value(found, "craft.station-found") == pytest.approx((tail * 5.08 + main * 0.17) / (tail + main), abs=1e-6)
    without = put(CURLEW, {"/craft/as_found/butt_line": None})
    assert "/craft/as_found/butt_line" in {n.pointer for n in assess(without, "b").missing}


@pytest.mark.parametrize("layout", KINDS["aeroplane"].layouts)
def test_every_layout_starts_with_its_wheels(layout: str) -> None:
    document = bare("aeroplane", layout=layout, template=True)
    roles = sorted(s.role for s in document.craft.supports.values())
    third = "tail" if layout in ("tailwheel", "monowheel") else "nose"
    assert roles == sorted([third, "main"] if layout == "monowheel" else [third, "main", "main"])
    assert not assess(document, "a").failures


def test_w5_a_canard_on_its_scales() -> None:
    """Nose 38.2 kg far ahead, mains behind the CG: 399.4 kg at 2.62595 m, 3.61 mm to starboard."""
    at = lambda x, y: {"station": x, "butt_line": y, "water_line": "0 mm"}
    weighed = put(
        bare("aeroplane", layout="canard"),
        {
            "/craft/supports/nose": {
                "name": "nose",
                "role": "nose",
                "reading": "38.2 kg",
                "tare": "0 kg",
                **at("-1.10 m", "0 mm"),
            },
            "/craft/supports/main-port": {
                "name": "left",
                "role": "main",
                "reading": "182.4 kg",
                "tare": "2.6 kg",
                **at("3.02 m", "-900 mm"),
            },
            "/craft/supports/main-starboard": {
                "name": "right",
                "role": "main",
                "reading": "184.0 kg",
                "tare": "2.6 kg",
                **at("3.02 m", "900 mm"),
            },
        },
    )
    found = assess(weighed, None)
    assert value(found, "craft.mass-found") == pytest.approx(399.4)
    assert value(found, "craft.station-found") == pytest.approx(2.62595, abs=1e-5)
    assert value(found, "craft.butt-line-found") == pytest.approx(0.00361, abs=1e-5)


def test_three_readings_count_by_their_mean_and_their_scatter(project: Project) -> None:
    """Mean of 24.9, 25.0 and 25.4 is 25.1; the scatter of the mean, 0.153 kg, joins the scale's own ±0.2 kg (σ 0.1)."""
    repeated = put(project, {"/craft/supports/tail/reading_2": "25.0 kg", "/craft/supports/tail/reading_3": "25.4 kg"})
    v = next(v for v in assess(repeated, None).values if v.id == "craft.net-tail")
    assert v.si == pytest.approx(25.1 - 3.4)
    scatter = math.sqrt((0.2**2 + 0.1**2 + 0.3**2) / 2 / 3)
    assert v.plus_minus_si == pytest.approx(2 * math.sqrt(scatter**2 + 0.1**2 + 0.1**2), rel=1e-6)


def test_one_side_stuck_full_by_hand(project: Project) -> None:
    """Everything burnt but 30 L at 720 kg/m³ two metres out: y = (empty·y + 21.6·2)/mass, lightest loading worst."""
    tanked = put(project, TANKS)
    found = assess(tanked, "a")
    stuck = finding(found, "balance.one-side-fuel")
    assert stuck.compared is not None
    empty, y = value(found, "balance.empty-mass"), value(found, "balance.cg-butt-line")
    expected = max(abs((empty * y + side * 21.6 * 2.0) / (empty + 62 + 21.6)) for side in (-1, 1))
    assert abs(stuck.compared.value) == pytest.approx(expected, rel=1e-6)


def test_fuel_in_the_wing_relieves_it_and_fuel_in_the_belly_does_not(project: Project) -> None:
    share = lambda document: finding(assess(document, "b"), "balance.wing-bending").compared.value  # type: ignore[union-attr]
    winged = {**WING, "/fits/b/tanks/extra": _tank("wing", "30 L", "1500 mm"), **_fuel("extra", "30 L")}
    bellied = {**WING, "/fits/b/tanks/extra": _tank("belly", "30 L", "0 mm"), **_fuel("extra", "30 L")}
    assert share(put(project, bellied)) > share(put(project, WING))
    # One wing tank alone relieves one half only; the other half carries all of it.
    assert share(put(project, winged)) == pytest.approx(share(put(project, bellied)))
    pair = put(
        project,
        {
            **winged,
            "/fits/b/tanks/other": _tank("wing", "30 L", "1500 mm")
            | {"butt_line": {"entered": "1500 mm", "dir": "port"}},
            **_fuel("other", "30 L"),
        },
    )
    half = lambda m, f: m / 2 * 0.4244 * 5.2 - f - 40 * 2.1  # 80 kg of both wings, 2.1 m out
    bench = assess(pair, "b")
    full = value(bench, "balance.heaviest")
    before = next(v.before_si for v in bench.values if v.id == "balance.heaviest")
    assert before is not None
    expected = max(half(full, 21.6 * 1.5), half(full - 43.2, 0)) / half(before, 0)
    assert share(pair) == pytest.approx(expected, rel=1e-6)


def test_a_folded_block_is_one_that_few_need() -> None:
    """What every craft needs to get a verdict is never folded away."""
    needed = {
        "/craft/limits/gross",
        "/craft/limits/forward",
        "/craft/as_found/water_line",
        "~/unit/mass",
        "/craft/ballast_station",
    }
    for kind in KINDS.values():
        folded = {e.pointer for b in sheet(kind) if b.folded for e in b.entries}
        assert not needed & folded
