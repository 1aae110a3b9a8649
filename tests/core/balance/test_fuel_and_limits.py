"""Burn orders, bending of a wing, envelopes in moments, tales, ways to stand and to find a CG: worked cases computed by
hand from statics and checked against scipy, shapely and simulation. Standards quoted are from memory."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import MultiPoint, Point

from crooked_keel.core.balance.fuel.functions import Tankful, best_burn_orders, burn_path, travel
from crooked_keel.core.balance.ledger.functions import percent_mac
from crooked_keel.core.balance.ledger.story import Tale, empty_mass_interval, infer_empty_mass
from crooked_keel.core.balance.lifting.functions import crane_cg
from crooked_keel.core.balance.limits.functions import CgEnvelope
from crooked_keel.core.balance.limits.rules import min_fuel_for_check
from crooked_keel.core.balance.standing.functions import (
    hung_weight,
    settled_reactions,
    stand_required,
    tipping_margins,
    turned,
)
from crooked_keel.core.balance.wing.functions import root_bending
from crooked_keel.core.document import Project
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.units import G0_M_S2, HP_W, IN_M, LB_KG
from crooked_keel.core.physics.mechanics import cg_from_suspension
from crooked_keel.core.setup import set_up
from tests.conftest import finding, put, value
from tests.kept import assess

TANKS = {
    t.id: t
    for t in (
        Tankful("main", 100, 0.95),
        Tankful("tip", 40, 1.00),
        Tankful("aft", 60, 2.10),
        Tankful("belly", 50, 0.80),
    )
}
W15 = [(-0.75, 0.0), (0.72, -1.0), (0.72, 1.0)]


def path(*order: str) -> list[float]:
    return [p.x_m for p in burn_path(600, 0.93, [[TANKS[t]] for t in order])]


def test_w10_burn_order() -> None:
    assert path("aft", "belly", "tip", "main") == pytest.approx(
        [1.010588, 0.927848, 0.936486, 0.932857, 0.930], abs=1e-6
    )
    assert path("main", "tip", "belly", "aft")[1:] == pytest.approx([1.018667, 1.019718, 1.036364, 0.930], abs=1e-6)


def test_w10_the_best_of_all_orders() -> None:
    found = best_burn_orders(600, 0.93, list(TANKS.values()), "least travel", most=24)
    assert len(found) == 24
    assert (found[0].tanks[:2], found[0].score) == (("aft", "belly"), pytest.approx(0.08274, abs=5e-6))
    assert found[-1].score == pytest.approx(0.10636, abs=5e-6)
    order = ("tip", "main", "belly", "aft")
    assert travel(burn_path(600, 0.93, [[TANKS[t]] for t in order])) == pytest.approx(found[-1].score)
    assert max(p.x_m for p in found[-1].path) == pytest.approx(1.036364, abs=1e-6)
    wing = best_burn_orders(600, 0.93, list(TANKS.values()), "wing last", wing=frozenset({"tip"}))
    assert all(o.tanks[-1] == "tip" for o in wing)


@given(st.lists(st.tuples(st.floats(1, 90), st.floats(-1, 3)), min_size=1, max_size=4), st.floats(0.1, 2))
def test_what_burns_is_what_was_aboard_and_no_point_between_ends_goes_further(
    tanks: list[tuple[float, float]], x: float
) -> None:
    legs = [[Tankful(str(i), m, at)] for i, (m, at) in enumerate(tanks)]
    made = burn_path(500, x, legs)
    assert made[0].mass_kg - made[-1].mass_kg == pytest.approx(sum(m for m, _ in tanks))
    assert made[-1].x_m == pytest.approx(x)
    half = [[leg[0]._replace(mass_kg=leg[0].mass_kg / 2)] for leg in legs for _ in (0, 1)]
    assert travel(burn_path(500, x, half)) == pytest.approx(travel(made), abs=1e-9)


def test_w11_bending_at_the_root() -> None:
    n = 3.8 * G0_M_S2
    before = root_bending(n, 700, 1.9, 50 * 1.2)
    assert before == pytest.approx(22545, abs=0.5)
    assert root_bending(n, 850, 1.9, 50 * 1.2 + 20 * 4.2) == pytest.approx(24726, abs=0.5)
    assert root_bending(n, 600, 1.9, 0) == pytest.approx(21241, abs=0.5)
    assert root_bending(n, 710, 1.9, 0) == pytest.approx(25135, abs=0.5)


def test_w34_an_envelope_published_in_moments() -> None:
    corners = ((344.0, 400.0), (481.6, 560.0), (644.0, 700.0), (763.0, 700.0), (436.0, 400.0))
    cut = CgEnvelope(corners, in_moments=True).cut(600)
    assert cut is not None
    assert (cut.forward_m, cut.forward_slope_m_kg) == (
        pytest.approx(0.88, abs=1e-9),
        pytest.approx(4.66667e-4, abs=1e-9),
    )
    assert (cut.aft_m, cut.aft_slope_m_kg) == (pytest.approx(1.09), pytest.approx(0, abs=1e-12))
    h = 0.1
    ahead, behind = CgEnvelope(corners, in_moments=True).cut(600 + h), CgEnvelope(corners, in_moments=True).cut(600 - h)
    assert ahead is not None and behind is not None
    assert (ahead.forward_m - behind.forward_m) / (2 * h) == pytest.approx(cut.forward_slope_m_kg, rel=1e-4)
    drawn = CgEnvelope(corners, in_moments=True).outline()
    assert all(CgEnvelope(corners, in_moments=True).cut(m) for _, m in drawn) and len(drawn) == 40


def test_the_same_limits_in_moments_and_in_stations_give_the_same_verdict(project: Project) -> None:
    """Corners with a common station below and above make straight edges in both spaces."""
    box = [("570 mm", "330 kg"), ("570 mm", "550 kg"), ("860 mm", "550 kg"), ("860 mm", "330 kg")]
    stations = [{"station": x, "mass": m} for x, m in box]
    moments = [{"moment": f"{float(x.split()[0]) / 1000 * float(m.split()[0])} kg·m", "mass": m} for x, m in box]
    a, b = (assess(put(project, {"/craft/limits/envelope": e}), "a") for e in (stations, moments))
    for side in ("forward", "aft"):
        assert value(a, f"balance.{side}-margin") == pytest.approx(value(b, f"balance.{side}-margin"), abs=1e-9)
    with pytest.raises(InputError, match="mm"):
        put(project, {"/craft/limits/envelope": [{"moment": "860 mm", "mass": "330 kg"}]})


def test_w4_percent_of_the_mac() -> None:
    """FAA-H-8083-1B (from memory): CG 17 in aft of the leading edge of a MAC of 62 in is 27.42 %."""
    assert percent_mac(17 * IN_M, 0.0, 62 * IN_M) == pytest.approx(0.2742, abs=5e-5)


def test_limits_in_parts_of_the_mac(project: Project) -> None:
    chord = {"/craft/limits/envelope": None, "/craft/limits/lemac": "300 mm", "/craft/limits/mac": "1400 mm"}
    parts = put(project, {**chord, "/craft/limits/forward_mac": "20 %", "/craft/limits/aft_mac": "40 %"})
    plain = put(project, {**chord, "/craft/limits/forward": "580 mm", "/craft/limits/aft": "860 mm"})
    a, b = assess(parts, "a"), assess(plain, "a")
    assert value(a, "balance.aft-margin") == pytest.approx(value(b, "balance.aft-margin"), abs=1e-12)
    assert value(a, "balance.percent-mac") == pytest.approx((value(a, "balance.empty-cg") - 0.3) / 1.4)


def test_w8_a_tale() -> None:
    """`100 d[in] − 2900` lb: an engine 100 lb heavier, 10 in further aft, CG an inch forward."""
    for inches, pounds in ((36, 700), (37, 800), (38, 900), (40, 1100), (45, 1600)):
        told = Tale(180 * LB_KG, 280 * LB_KG, inches * IN_M, 10 * IN_M, IN_M)
        assert infer_empty_mass(told)[0] / LB_KG == pytest.approx(pounds, abs=1e-6)
    m, d = 800 * LB_KG, -37 * IN_M
    after = (m * 0 - 180 * LB_KG * d + 280 * LB_KG * (d + 10 * IN_M)) / (m + 100 * LB_KG)
    assert after / IN_M == pytest.approx(-1.0)


@given(st.integers(0, 2**31))
def test_no_tale_within_the_bounds_lies_outside_the_interval(seed: int) -> None:
    told, bounds = Tale(81.6, 127.0, 0.94, 0.254, 0.0254), Tale(1.0, 2.0, 0.05, 0.02, 0.01)
    lo, hi = empty_mass_interval(told, bounds)
    rng = np.random.default_rng(seed)
    for draw in rng.uniform(-1, 1, (50, 5)):
        found = infer_empty_mass(Tale(*(np.array(told) + draw * np.array(bounds))))[0]
        assert lo - 1e-9 <= found <= hi + 1e-9


def test_a_tale_in_which_nothing_moved_cannot_be_tested() -> None:
    with pytest.raises(InputError, match="cannot be tested"):
        empty_mass_interval(Tale(80, 120, 0.9, 0.2, 0.01), Tale(0, 0, 0, 0, 0.02))


def test_w33_stand_and_hung_weight() -> None:
    m, x = 262.0, 1.037023
    assert stand_required(m, x, 0.72, -0.75, 4.20) == pytest.approx(29.401, abs=1e-3)
    assert m - 29.401 - 13.1 == pytest.approx(219.499, abs=1e-3)
    assert hung_weight(m, x, 0.72, -0.75, 13.1) == pytest.approx(69.603, abs=1e-3)
    for wrong in (0.9, 0.72, -3.0):
        with pytest.raises(InputError, match="on the side that goes down"):
            stand_required(m, x, 0.72, -0.75, wrong)


def test_w33_how_near_to_tipping() -> None:
    edges = tipping_margins(0.42, 0.0, 0.50, W15)
    assert (edges[0].inside_m, math.degrees(edges[0].angle_rad)) == (
        pytest.approx(0.300, abs=1e-6),
        pytest.approx(30.964, abs=1e-3),
    )
    assert (edges[1].inside_m, math.degrees(edges[1].angle_rad)) == (
        pytest.approx(0.658083, abs=1e-6),
        pytest.approx(52.773, abs=1e-3),
    )


@given(
    st.lists(st.tuples(st.floats(-2, 2), st.floats(-2, 2)), min_size=3, max_size=7, unique=True),
    st.floats(-2, 2),
    st.floats(-2, 2),
)
def test_inside_the_wheels_is_what_shapely_says(places: list[tuple[float, float]], x: float, y: float) -> None:
    hull = MultiPoint(places).convex_hull
    if hull.geom_type != "Polygon" or hull.area < 1e-3:
        return
    nearest = tipping_margins(x, y, 1.0, places)[0].inside_m
    if abs(nearest) > 1e-6:
        assert (nearest > 0) == hull.contains(Point(x, y))
    if nearest > 0:
        assert nearest == pytest.approx(hull.exterior.distance(Point(x, y)), abs=1e-9)


def test_of_four_feet_one_lifts_and_the_rest_carry() -> None:
    square = [(0.0, -1.0), (0.0, 1.0), (2.0, -1.0), (2.0, 1.0)]
    loads = settled_reactions(100, 0.5, 0.7, square)
    assert min(loads) == 0.0
    assert sum(loads) == pytest.approx(100)
    assert sum(r * p[0] for r, p in zip(loads, square, strict=True)) == pytest.approx(50)
    assert sum(r * p[1] for r, p in zip(loads, square, strict=True)) == pytest.approx(70)


def test_a_craft_on_its_tail_carries_more_of_it_there() -> None:
    """Nose up by 12°: what sits high moves aft over the ground. Turned back it is where it was."""
    x, z = turned(0.5, 1.2, math.radians(12))
    assert x == pytest.approx(0.5 * math.cos(math.radians(12)) + 1.2 * math.sin(math.radians(12)))
    assert turned(x, z, -math.radians(12)) == (pytest.approx(0.5), pytest.approx(1.2))


def test_w31_hung_twice_and_the_floor_crane() -> None:
    assert cg_from_suspension((0, 0.30), (0.12, -0.05), (0.45, 0.28), (0.10, 0.02)) == (
        pytest.approx(0.096812, abs=1e-6),
        pytest.approx(0.017632, abs=1e-6),
    )
    with pytest.raises(InputError, match="20°"):
        cg_from_suspension((0, 0.3), (0.1, -0.5), (0.2, 0.3), (0.32, -0.5))
    together = crane_cg(75, 0.55, 150, 1.25)
    assert (together, 225 * together / 1.45) == (pytest.approx(1.016667, abs=1e-6), pytest.approx(157.759, abs=1e-3))


def test_w35_least_fuel_of_a_paper_check() -> None:
    """180 hp, 15 US gallon, 90 lb. AC 43.13-1B chapter 10 (from memory)."""
    assert min_fuel_for_check(180 * HP_W) == pytest.approx(40.823, abs=1e-3)


@pytest.mark.parametrize("shared", [True, False])
def test_w21_one_scale_for_both_units_nearly_cancels(project: Project, shared: bool) -> None:
    """What a scale is off moves old and new unit together: as one instrument far less of it is left in the CG than as
    two."""
    gains: dict[str, Any] = {f"/instruments/{k}": {"name": f"{k} scale", "gain": "1.7 %"} for k in ("one", "two")}
    document = put(project, gains)
    for pointer, instrument in (
        ("/old_installations/main/unit/mass", "one"),
        ("/fits/b/installations/main/unit/mass", "one" if shared else "two"),
    ):
        document = put(document, {pointer: {"entered": "80 kg ±0 kg", "source": "measured", "instrument": instrument}})
    bare_document = put(document, {"/instruments/one/gain": None, "/instruments/two/gain": None})
    cg = next(v for v in assess(document, "b").values if v.id == "balance.empty-cg")
    base = next(v for v in assess(bare_document, "b").values if v.id == "balance.empty-cg")
    assert cg.plus_minus_si is not None and base.plus_minus_si is not None
    more = math.sqrt(cg.plus_minus_si**2 - base.plus_minus_si**2) / 2
    u, m = 0.017 / math.sqrt(3), value(assess(document, "b"), "balance.empty-mass")
    x = cg.si or 0.0
    lever = {}
    for sign, base_pointer in ((-1, "/old_installations/main"), (1, "/fits/b/installations/main")):
        benches = set_up(document, "b").resolved
        placed = (benches.old if sign < 0 else benches.installations)[0]
        lever[base_pointer] = sign * 80 * u * (placed.unit_cg[0].value - x) / m
    parts = list(lever.values())
    expected = abs(sum(parts)) if shared else math.hypot(*parts)
    assert more == pytest.approx(expected, rel=1e-6)


def test_a_school_that_takes_plus_minus_as_the_largest_error_doubts_less_than_twice(project: Project) -> None:
    other = assess(put(project, {"/assumptions/tolerance_school": "largest error"}), "b")
    u, v = (
        next(v.plus_minus_si for v in made.values if v.id == "balance.empty-mass")
        for made in (other, assess(project, "b"))
    )
    assert u is not None and v is not None
    assert 1.0 < u / v < 2 / math.sqrt(3) + 1e-9


def test_a_figure_may_not_name_an_instrument_that_is_not_there(project: Project) -> None:
    made = assess(
        put(
            project,
            {"/old_installations/main/unit/mass": {"entered": "77 kg", "source": "measured", "instrument": "gone"}},
        ),
        "a",
    )
    assert "instrument" in finding(made, "balance.cg-forward").needs[0].what


def test_tanks_of_a_fit_count_after_and_not_before(project: Project) -> None:
    tank = {
        "name": "belly tank",
        "where": "belly",
        "capacity": "60 L",
        "density": "720 kg/m³",
        "station": "900 mm",
        "butt_line": "0 mm",
        "water_line": "-300 mm",
    }
    fuel = {f"/loadings/{k}/fuel/belly": "50 L" for k in project.loadings}
    made, plain = assess(put(project, {"/fits/a/tanks/belly": tank, **fuel}), "a"), assess(project, "a")
    heavy, was = (next(v for v in a.values if v.id == "balance.heaviest") for a in (made, plain))
    assert heavy.si is not None and was.si is not None
    assert heavy.si - was.si == pytest.approx(36.0)
    assert heavy.before_si == pytest.approx(was.before_si)
