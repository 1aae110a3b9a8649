"""A boat's propeller shaft: against a library's torsion and finite elements, and where an engineer says stop."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from scipy.linalg import eigh

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.drive.water.shafting.functions import (
    METALS,
    bolt_shear,
    by_class,
    by_torque,
    key_crush,
    key_shear,
    span_for,
    whirls,
)
from crooked_keel.core.judging.finding import LEVELS, Finding
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

SAMPHIRE = DEMO_OF["boat"]
A = "/fits/a/installations/main"
S = f"{A}/drive/shaft"
HP = 745.699872


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def test_thickness_by_the_worked_case() -> None:
    """450 hp at 0.97 and 1500 rpm, 414 MPa, factor 3: 50.986 mm; by the class rule at 600 MPa 68.39 mm (by hand). The
    yard's inch formula, ∛(321000·hp·S/(St·rpm)), is the same sum (handbooks, from memory)."""
    power, speed = 450 * 0.97 * HP, 1500 * 2 * math.pi / 60
    assert by_torque(3, power, speed, 0.577 * 414e6) == pytest.approx(0.050986, rel=1e-4)
    assert by_class(power, speed, 600e6) == pytest.approx(0.06839, rel=2e-3)
    inches = (321000 * 450 * 0.97 * 3 / (0.577 * 414e6 / 6894.757 * 1500)) ** (1 / 3)
    assert by_torque(3, power, speed, 0.577 * 414e6) == pytest.approx(inches * 0.0254, rel=1e-4)


@pytest.mark.parametrize("name", sorted(METALS))
def test_it_whirls_as_a_beam_of_finite_elements_does(name: str) -> None:
    """Thirty elements between pinned ends, consistent masses: the lowest frequency; and the span that is told leaves
    just that much."""
    metal, d, long, n = METALS[name], 0.045, 1.7, 30
    area, second, h = math.pi * d**2 / 4, math.pi * d**4 / 64, long / n
    e = np.array([[12, 6 * h, -12, 6 * h], [0, 4 * h * h, -6 * h, 2 * h * h], [0, 0, 12, -6 * h], [0, 0, 0, 4 * h * h]])
    c = np.array(
        [[156, 22 * h, 54, -13 * h], [0, 4 * h * h, 13 * h, -3 * h * h], [0, 0, 156, -22 * h], [0, 0, 0, 4 * h * h]]
    )
    e, c = (a + np.triu(a, 1).T for a in (e, c))
    stiff, mass = np.zeros((2 * n + 2, 2 * n + 2)), np.zeros((2 * n + 2, 2 * n + 2))
    for i in range(n):
        at = slice(2 * i, 2 * i + 4)
        stiff[at, at] += metal.modulus_pa * second / h**3 * e
        mass[at, at] += metal.density_kg_m3 * area * h / 420 * c
    free = [k for k in range(2 * n + 2) if k not in (0, 2 * n)]
    lowest = math.sqrt(eigh(stiff[np.ix_(free, free)], mass[np.ix_(free, free)], eigvals_only=True)[0])
    ours = whirls(long, metal.modulus_pa, d, metal.density_kg_m3)
    assert ours == pytest.approx(lowest, rel=1e-4)
    assert span_for(0.7 * ours, 0.7, metal.modulus_pa, d, metal.density_kg_m3) == pytest.approx(long)


def found(project: Project, rule: str) -> Finding:
    (one,) = (f for f in assess(project, "a").findings if f.rule == rule)
    return one


THICK, WHIRLS = "drive.shaft-diameter", "drive.whirl"
KEY, BOLTS = "drive.shaft-key", "drive.coupling-bolts"
JUDGED: list[tuple[str, dict[str, Any], str, str]] = [
    (THICK, {}, "ok", "40 mm where 39 are asked by class"),
    (THICK, {f"{S}/diameter": m("36 mm")}, "watch", "by torque, not by class"),
    (THICK, {f"{S}/diameter": m("28 mm")}, "stop", "it would twist off"),
    (THICK, {f"{S}/diameter": m("40 mm ±8 mm")}, "watch", "worn, nobody knows how far"),
    (THICK, {f"{S}/metal": "naval brass"}, "watch", "a softer metal"),
    (THICK, {f"{A}/unit/power": m("200 hp")}, "stop", "four times the power on the old shaft"),
    (THICK, {f"{S}/metal": None}, "unknown", "what it is made of"),
    (THICK, {f"{S}/diameter": None}, "unknown", "how thick it is"),
    (WHIRLS, {}, "ok", "two thirds of it"),
    (WHIRLS, {f"{S}/span": m("1.75 m")}, "watch", "a little far apart"),
    (WHIRLS, {f"{S}/span": m("2.6 m")}, "stop", "it skips like a rope"),
    (WHIRLS, {f"{S}/span": m("1.6 m ±0.5 m")}, "watch", "paced, not measured"),
    (WHIRLS, {f"{S}/span": None}, "unknown", "how far apart"),
    (KEY, {}, "ok", "a key of 88 mm"),
    (KEY, {f"{S}/key_length": m("60 mm")}, "watch", "a shorter one"),
    (KEY, {f"{S}/key_length": m("25 mm")}, "stop", "a stub of one"),
    (KEY, {f"{S}/key_height": m("9 mm ±4 mm")}, "watch", "worn, nobody knows how far"),
    (KEY, {f"{S}/key_width": m("2 mm")}, "stop", "it shears before it is crushed"),
    (KEY, {f"{S}/key_height": None}, "unknown", "how high"),
    (KEY, {f"{S}/key_at": None}, "unknown", "where it sits"),
    (BOLTS, {}, "ok", "four of a good grade"),
    (BOLTS, {f"{S}/bolts_yield": m("240 MPa"), f"{S}/bolt": m("8 mm")}, "watch", "stainless of no grade"),
    (BOLTS, {f"{S}/bolt": m("3 mm")}, "stop", "what was in the box"),
    (BOLTS, {f"{S}/bolts_yield": None}, "unknown", "of what"),
    (BOLTS, {f"{S}/circle": None}, "unknown", "how far out"),
]


@pytest.mark.parametrize(("rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(rule: str, changes: dict[str, Any], level: str, why: str) -> None:
    assert found(put(SAMPHIRE, changes), rule).level == level, why


def test_nothing_is_asked_of_a_shaft_that_nobody_spoke_of() -> None:
    bare = put(SAMPHIRE, {S: None})
    assert not {THICK, WHIRLS, KEY, BOLTS} & {f.rule for f in assess(bare, "a").findings}


def test_key_and_bolts_by_worked_sums() -> None:
    """1000 N·m at 40 mm: a key of 12 by 8 by 60 mm carries 50 kN, 208.3 MPa on its side, 69.4 MPa in shear. Four bolts
    of 10 mm on 80 mm: 6.25 kN each, 79.6 MPa (by hand)."""
    assert key_crush(1000, 0.04, 0.008, 0.06) == pytest.approx(50e3 / (0.004 * 0.06))
    assert key_shear(1000, 0.04, 0.012, 0.06) == pytest.approx(50e3 / (0.012 * 0.06))
    assert bolt_shear(1000, 4, 0.08, 0.01) == pytest.approx(6250 / (math.pi * 0.005**2))


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
@pytest.mark.parametrize(("rule", "field", "text"), [(THICK, "diameter", "28 mm"), (WHIRLS, "span", "2.6 m")])
def test_a_way_out_leads_out(rule: str, field: str, text: str, units: str) -> None:
    bad = put(SAMPHIRE, {f"{S}/{field}": m(text), "/units": units})
    assert found(bad, rule).level == "stop"
    (offered,) = suggest(bad, "a", rule).suggestions
    after = apply_operations(bad, [o.model_dump() for o in offered.operations])
    assert LEVELS.index(found(after, rule).level) > LEVELS.index("stop")
    stops = lambda p: {f.key for f in assess(p, "a").findings if f.level == "stop"}
    assert stops(after) <= stops(bad)
