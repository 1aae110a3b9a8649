"""Hulls by sections and stability: boxes and wedges in closed form, scipy, worked cases. Ship stability texts (from
memory)."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy import integrate, optimize, stats

from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.hull import Hull, Section, both_sides, float_equilibrium, level_draft
from crooked_keel.core.physics.hydrostatics import Afloat, WeightChange, weight_change_afloat
from crooked_keel.core.physics.stability import (
    ROLL_FACTORS,
    SlackTank,
    TableRow,
    bottom_loading,
    dock_scale,
    draft_from_table,
    fluid_gm,
    free_surface_correction,
    hydro_from_table,
    inclining_gm,
    lcg_fraction,
    loll,
    offset_load_limit,
    roll_period_gm,
    wall_sided_heel,
    wall_sided_limit,
)


def box(length: float, beam: float, depth: float, n: int = 121) -> Hull:
    half = ((0.0, 0.0), (beam / 2, 0.0), (beam / 2, depth))
    return Hull.of([Section(float(x), both_sides(half)) for x in np.linspace(0, length, n)])


def wedge(length: float, beam: float, depth: float, n: int = 21) -> Hull:
    return Hull.of([Section(float(x), both_sides(((0.0, 0.0), (beam / 2, depth)))) for x in np.linspace(0, length, n)])


def launch(n: int = 121) -> Hull:
    made = []
    for x in np.linspace(0, 6, n):
        k = min(1, 0.15 + 0.85 * min(1, x / 2.5))
        rise = 0.25 * max(0, 1 - x / 2.5) ** 2
        points = ((0, 0), (0.95, 0.35), (1.05, 0.95), (-1.05, 0.95), (-0.95, 0.35))
        made.append(Section(float(x), tuple((y * k, z + rise) for y, z in points)))
    return Hull.of(made)


def test_a_box_in_closed_form() -> None:
    i = box(12, 4, 3).cut(1.0)
    assert (i.volume_m3, i.x_m, i.z_m) == pytest.approx((48, 6, 0.5))
    assert (i.area_m2, i.lcf_m, i.inertia_m4) == pytest.approx((48, 6, 12 * 4**3 / 12))
    assert i.inertia_long_m4 == pytest.approx(4 * 12**3 / 12, rel=1e-3)


def test_a_wedge_in_closed_form() -> None:
    """V = L·B·T/2 with B the breadth at the water, KB = 2T/3."""
    i = wedge(6, 2, 1).cut(0.6)
    breadth = 2 * 0.6
    assert i.volume_m3 == pytest.approx(6 * breadth * 0.6 / 2)
    assert i.z_m == pytest.approx(0.4)


@given(st.floats(0.1, 0.9), st.floats(-0.05, 0.05), st.floats(-0.25, 0.25))
@settings(max_examples=40)
def test_mirrored_heel_is_mirrored_water(draft: float, trim: float, heel: float) -> None:
    hull = launch(41)
    a, b = hull.cut(draft, trim, heel, 3.0), hull.cut(draft, trim, -heel, 3.0)
    assert (a.volume_m3, a.x_m, a.z_m, a.area_m2) == pytest.approx((b.volume_m3, b.x_m, b.z_m, b.area_m2), rel=1e-9)
    assert a.y_m == pytest.approx(-b.y_m, abs=1e-9)


@given(st.floats(0.2, 0.85), st.floats(-0.2, 0.2))
@settings(max_examples=20)
def test_a_section_cut_against_numerical_integration(draft: float, heel: float) -> None:
    """Area under water of a box section, by scipy."""
    hull = box(10, 2, 1, 41)
    depth = lambda y: min(max(draft + heel * y, 0.0), 1.0)
    area = integrate.quad(depth, -1, 1, limit=200)[0]
    assert hull.cut(draft, 0, heel).volume_m3 == pytest.approx(area * 10, rel=1e-6)


def test_w25_the_parabolic_rule_is_scipys() -> None:
    """Half-breadths 0, .62, .95, 1.05, .98 with a mean section between, as walls: 9.560 m² by the rule."""
    half = [0, 0.62, 0.95, 1.05, 0.98]
    assert 2 * integrate.simpson(half, dx=1.5) == pytest.approx(9.560)
    seven = [0.3, 0.62, 0.95, 1.05, 1.0, 0.98, 0.9]
    hull = Hull.of([Section(1.5 * i, ((0, 0), (b, 0), (b, 1), (-b, 1), (-b, 0))) for i, b in enumerate(seven)])
    assert hull.cut(0.5).area_m2 == pytest.approx(2 * integrate.simpson(seven, dx=1.5))


def test_w23_a_box_heeled_and_trimmed() -> None:
    """GM 0.633333, BM 1.333333: 4.485060° as the wall-sided cubic says; trim 0.318418 m over 12 m."""
    hull = box(12, 4, 3)
    heeled = float_equilibrium(hull, 48_000, (6, 0.05, 1.2), 1000, 6)
    assert math.degrees(math.atan(heeled.heel)) == pytest.approx(4.485060, abs=1e-5)
    assert math.degrees(wall_sided_heel(0.6333333, 1.3333333, 0.05)) == pytest.approx(4.485060, abs=1e-5)
    trimmed = float_equilibrium(hull, 48_000, (6.30, 0, 1.2), 1000, 6)
    assert trimmed.trim * 12 == pytest.approx(0.318418, abs=2e-5)
    assert heeled.gm_m == pytest.approx(0.633333, rel=0.02)


def test_w32_a_launch_by_sections() -> None:
    hull = launch()
    level = hull.cut(0.38)
    assert (level.volume_m3, level.x_m, level.z_m) == pytest.approx((1.795202, 3.650895, 0.255474), abs=1e-5)
    assert (level.area_m2, level.lcf_m, level.inertia_long_m4) == pytest.approx(
        (9.161915, 3.548758, 19.869255), abs=2e-4
    )
    mass, xg, zg = 1840.082, level.x_m, 0.55
    after = mass - 160 + 70
    x = (mass * xg - 160 * 5.4 + 70 * 5.2) / after
    z = (mass * zg - 160 * 0.55 + 70 * 0.60) / after
    found = float_equilibrium(hull, after, (x, 0, z), 1025, 3.0)
    assert found.draft_m == pytest.approx(0.375329, abs=2e-6)
    assert found.trim == pytest.approx(-0.0090666, abs=2e-6)
    sink = found.draft_m + found.trim * (level.lcf_m - 3.0) - 0.38
    assert sink == pytest.approx(-9.646e-3, abs=5e-6)
    km_long = level.z_m + level.inertia_long_m4 / level.volume_m3
    start = Afloat(
        mass, zg, 0.0, level.z_m + level.inertia_m4 / level.volume_m3, km_long, 6.0, level.lcf_m, level.area_m2 * 1025
    )
    small = weight_change_afloat(start, [WeightChange(-160, 5.4, 0, 0.55), WeightChange(70, 5.2, 0, 0.60)])
    assert (small.trim_m, small.sink_m) == pytest.approx((-57.49e-3, -9.584e-3), abs=2e-5)
    read = dock_scale(start.immersion_kg_m, 3141.82, level.lcf_m, sink, found.trim * 6)
    assert (read.mass_kg, read.moment_kg_m) == (pytest.approx(-90.59, abs=0.05), pytest.approx(-170.9, abs=0.2))
    assert read.station_m == pytest.approx(5.435, abs=2e-3)


def test_the_equilibrium_is_scipys() -> None:
    hull, m, g = launch(61), 1500.0, (3.5, 0.02, 0.5)

    def unbalanced(v: np.ndarray) -> list[float]:
        i = hull.cut(v[0], v[1], v[2], 3.0)
        return [1025 * i.volume_m3 / m - 1, g[0] - i.x_m + v[1] * (g[2] - i.z_m), g[1] - i.y_m + v[2] * (g[2] - i.z_m)]

    root = optimize.root(unbalanced, [0.35, 0.0, 0.0], tol=1e-12)
    found = float_equilibrium(hull, m, g, 1025, 3.0)
    assert (found.draft_m, found.trim, found.heel) == pytest.approx(tuple(root.x), abs=1e-8)


def test_she_stands_by_the_water_she_floats_in() -> None:
    """The same mass in fresh water sinks by 2.5 % of the draft of a box."""
    hull = box(10, 3, 2)
    sea, fresh = level_draft(hull, 20_000, 1025), level_draft(hull, 20_000, 1000)
    assert fresh / sea == pytest.approx(1.025)


def test_refusals_of_sections() -> None:
    good = [Section(float(x), both_sides(((0.0, 0.0), (1.0, 0.0), (1.0, 1.0)))) for x in range(9)]
    for bad, said in (
        (good[:6], "seven sections"),
        ([*good[:3], *good[4:]], "evenly spaced"),
        (good[:8], "number is even"),
        ([*good[:4], good[5], good[4], *good[6:]], "in order from the bow"),
        ([*good[:4], Section(4.0, ((0, 0), (1, 1))), *good[5:]], "section 5 has fewer"),
        ([*good[:4], Section(4.0, ((0, 0), (1, 0), (2, 0))), *good[5:]], "section 5 is not closed"),
    ):
        with pytest.raises(InputError, match=said):
            Hull.of(bad)
    hull = box(6, 1.2, 1.5)
    with pytest.raises(InputError, match="deck edge is under"):
        float_equilibrium(hull, 1.3 * 6 * 1.2 * 1000, (3, 0.2, 0.3), 1000, 3)
    with pytest.raises(InputError, match="would not carry"):
        level_draft(hull, 1e6, 1000)


def test_without_gm_the_bare_root_stands_upright_and_gm_tells() -> None:
    """Box 6 × 1.2 × 1.5, T 0.5, KG 0.55: GM −0.060. With KG 0.52, GM −0.03, she lolls by tan φ = √(−2GM/BM) = 0.5."""
    hull = box(6, 1.2, 1.5)
    upright = float_equilibrium(hull, 3600, (3, 0, 0.55), 1000, 3)
    assert upright.heel == pytest.approx(0.0, abs=1e-12) and upright.gm_m == pytest.approx(-0.060, abs=1e-3)
    rest = loll(-0.03, 0.24)
    assert rest is not None and math.tan(rest) == pytest.approx(0.5)
    lolled = float_equilibrium(hull, 3600, (3, 0, 0.52), 1000, 3, heel=0.45)
    assert abs(lolled.heel) == pytest.approx(0.5, rel=1e-3)
    with pytest.raises(InputError, match="no upright equilibrium"):
        float_equilibrium(hull, 3600, (3, 0, 0.55), 1000, 3, heel=0.6)
    assert loll(0.2, 0.24) is None


def test_121_sections_balance_in_few_cuts() -> None:
    """A count of the work, not of the weather; the benchmark has the time."""
    hull = launch()
    calls = 0
    original = Hull.cut

    def counted(self: Hull, *a: float, **k: float) -> object:
        nonlocal calls
        calls += 1
        return original(self, *a, **k)

    Hull.cut = counted  # type: ignore[method-assign, assignment]
    try:
        float_equilibrium(hull, 1800, (3.6, 0.01, 0.5), 1025, 3.0)
    finally:
        Hull.cut = original  # type: ignore[method-assign]
    assert calls < 120


def test_w20_tanks_low_on_both_sides() -> None:
    tanks = [SlackTank(840, 2.0, 0.55)] * 2
    fsc = free_surface_correction(7460, tanks)
    assert fsc == pytest.approx(0.006245, abs=1e-6)
    assert fluid_gm(2.05, 0.973324, fsc) == pytest.approx(1.070431, abs=1e-6)
    joined = [SlackTank(840, 2.0, 0.55, joined_at_m=0.95)] * 2
    assert free_surface_correction(7460, joined) == pytest.approx(0.229813, abs=1e-6)
    assert free_surface_correction(6830, tanks[:1]) == pytest.approx(0.003410, abs=1e-6)
    assert free_surface_correction(7460, [t._replace(still=True) for t in tanks]) == 0
    assert free_surface_correction(7460, [tanks[0]._replace(parts=2)]) == pytest.approx(fsc / 2 / 4)
    assert math.degrees(wall_sided_heel(1.019180, 1.45, 0.087628)) == pytest.approx(4.889, abs=1e-3)


def test_w22_inclining_is_scipys_line() -> None:
    moments, marks = [0, 40, -40, 80, -80], [0, 0.0405, -0.0415, 0.0815, -0.0810]
    found = inclining_gm(3200, moments, marks, 1.80)
    slope = stats.linregress(np.array(marks) / 1.80, moments).slope
    assert (slope, found.gm_m) == (pytest.approx(1768.96, abs=0.01), pytest.approx(0.552799, abs=1e-6))
    assert sum(found.residuals_kg_m) == pytest.approx(0, abs=1e-9)
    for m, d, said in (
        ([0, 40], [0, 0.04], "three readings"),
        ([0, 40, 80], [0, -0.04, -0.08], "wrong way"),
        ([5, 5, 5], [0, 0.1, 0.2], "no weight was moved"),
    ):
        with pytest.raises(InputError, match=said):
            inclining_gm(3200, m, d, 1.8)


def test_w35_small_checks() -> None:
    assert roll_period_gm(0.80, 2.6, 2.3) == pytest.approx(0.817845, abs=1e-6)
    assert min(roll_period_gm(f, 2.6, 2.3) for f in ROLL_FACTORS) == pytest.approx(0.817845 * (0.73 / 0.8) ** 2)
    assert math.degrees(offset_load_limit(7.0)) == pytest.approx(18.188, abs=1e-3)
    assert lcg_fraction(7.2 - 4.55, 7.2) == pytest.approx(0.368056, abs=1e-6)
    assert bottom_loading(12.0, 2000, 1000) == pytest.approx(12 / 2 ** (2 / 3))
    assert math.degrees(wall_sided_limit(0.5, 0.3, 2.4)) == pytest.approx(math.degrees(math.atan(0.25)))
    with pytest.raises(InputError, match="standard of its own"):
        offset_load_limit(5.0)


TABLE = [
    TableRow(0.5, 1900, 3.7, 3.9, 13_000, 1.9, 11.0),
    TableRow(0.6, 2600, 3.72, 3.9, 14_000, 1.8, 10.4),
    TableRow(0.7, 3350, 3.75, 3.9, 15_000, 1.7, 9.9),
    TableRow(0.8, 4150, 3.77, 3.9, 16_000, 1.65, 9.5),
]


def test_w24_displacement_from_a_table() -> None:
    row = hydro_from_table(TABLE, 0.662328, 1025, 1025)
    assert row.displacement_kg == pytest.approx(3067.46, abs=0.01)
    assert draft_from_table(TABLE, row.displacement_kg, 1025, 1025) == pytest.approx(0.662328)
    fresh = hydro_from_table(TABLE, 0.662328, 1000, 1025)
    assert fresh.displacement_kg == pytest.approx(row.displacement_kg / 1.025)
    for draft in (0.45, 0.85):
        with pytest.raises(InputError, match="outside the table"):
            hydro_from_table(TABLE, draft, 1025, 1025)
    with pytest.raises(InputError, match="row 3: the draft"):
        hydro_from_table([TABLE[0], TABLE[2], TABLE[1]], 0.6, 1025, 1025)
    with pytest.raises(InputError, match="three rows"):
        hydro_from_table(TABLE[:2], 0.55, 1025, 1025)


def test_the_dock_tells_no_station_of_nothing() -> None:
    found = dock_scale(15_000, 6800, 4.0, 0.001, 0.01)
    assert found.station_m is None and found.moment_kg_m == pytest.approx(68)
    assert found.u_kg == pytest.approx(15_000 * 0.003 / 2 * math.sqrt(2))


@given(
    st.floats(500, 5000),
    st.lists(st.tuples(st.floats(700, 1000), st.floats(0.2, 3), st.floats(0.1, 1.5)), min_size=1, max_size=4),
)
def test_free_surface_never_adds_to_gm_and_falls_with_baffles(
    mass: float, tanks: list[tuple[float, float, float]]
) -> None:
    slack = [SlackTank(*t) for t in tanks]
    whole = free_surface_correction(mass, slack)
    assert whole > 0
    for parts in (2, 3):
        assert free_surface_correction(mass, [t._replace(parts=parts) for t in slack]) == pytest.approx(
            whole / parts**2
        )
    assert free_surface_correction(2 * mass, slack) == pytest.approx(whole / 2)


@given(st.floats(0.05, 2), st.floats(0.1, 3), st.floats(-0.2, 0.2))
def test_wall_sided_heel_answers_its_own_equation_and_turns_with_the_weight(gm: float, bm: float, tcg: float) -> None:
    angle = wall_sided_heel(gm, bm, tcg)
    t = math.tan(angle)
    assert 0.5 * bm * t**3 + gm * t == pytest.approx(tcg, abs=1e-9)
    assert wall_sided_heel(gm, bm, -tcg) == pytest.approx(-angle, abs=1e-9)


@given(st.floats(0.2, 0.9), st.floats(0.1, 0.4), st.floats(980, 1030))
@settings(max_examples=25)
def test_level_she_carries_what_she_displaces(depth: float, draft: float, density: float) -> None:
    hull = launch(41)
    mass = density * hull.cut(draft).volume_m3
    assert level_draft(hull, mass, density) == pytest.approx(draft, abs=1e-7)
    i = hull.cut(draft)
    found = float_equilibrium(hull, mass, (i.x_m, 0.0, 0.4), density, 3.0)
    assert (found.draft_m, found.trim, found.heel) == (
        pytest.approx(draft, abs=1e-6),
        pytest.approx(0, abs=1e-7),
        pytest.approx(0, abs=1e-9),
    )


def test_moving_the_bow_to_another_station_changes_nothing_but_stations() -> None:
    a, b = (
        box(8, 2, 1, 41),
        Hull.of(
            [Section(float(x) + 3, both_sides(((0.0, 0.0), (1.0, 0.0), (1.0, 1.0)))) for x in np.linspace(0, 8, 41)]
        ),
    )
    one, other = a.cut(0.4, 0.01, 0.05, 4.0), b.cut(0.4, 0.01, 0.05, 7.0)
    assert (other.x_m - 3, other.lcf_m - 3) == pytest.approx((one.x_m, one.lcf_m))
    assert (other.volume_m3, other.z_m, other.inertia_m4) == pytest.approx((one.volume_m3, one.z_m, one.inertia_m4))
