"""A boat by table, by sections, inclined, and read at the dock twice: the document against the functions, and one way
against the other."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.balance.afloat import at_rest
from crooked_keel.core.document import Figure, Project, value_at
from crooked_keel.core.errors import InputError
from crooked_keel.core.resolved.references import got
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, finding, put, value
from tests.core.test_rules_kinds import INCLINED
from tests.kept import assess

BOAT = put(
    DEMO_OF["boat"], {"/craft/flotation/sections": None, "/craft/flotation/inclining/roll": None}
)  # by her form alone


def row(draft: float, mass: float, lcb: float, lcf: float, km: float, km_long: float) -> dict[str, str]:
    return {
        "draft": f"{draft} m",
        "displacement": f"{mass} kg",
        "lcb": f"{lcb} m",
        "lcf": f"{lcf} m",
        "km": f"{km} m",
        "km_long": f"{km_long} m",
    }


TABLE = [
    row(0.40, 3100, 4.72, 4.84, 1.62, 13.0),
    row(0.45, 3700, 4.74, 4.86, 1.56, 12.4),
    row(0.50, 4350, 4.76, 4.88, 1.52, 11.9),
]


def sections(n: int = 21) -> list[dict[str, Any]]:
    """A launch of 8.72 m on the waterline, fine forward, her canoe body's underside at −0.44 m."""
    made = []
    for i in range(n):
        x = 0.34 + 8.72 * i / (n - 1)
        full = min(1.0, 0.12 + 1.7 * i / (n - 1)) * (1.0 if i < 0.7 * n else 1.0 - 0.35 * (i / (n - 1) - 0.7) / 0.3)
        points = ((0.0, -0.44 + 0.25 * (1 - full)), (0.75 * full, -0.20), (1.18 * full, 0.10), (1.25 * full, 0.95))
        made.append(
            {"station": f"{x:.3f} m", "half": [{"out": f"{y:.4f} m", "height": f"{z:.4f} m"} for y, z in points]}
        )
    return made


def by_strips(water_line: float) -> float:
    """Volume below a level water line, from the points as typed: strips of 1 mm, sections by the trapezoidal rule."""
    stations, areas = [], []
    for section in sections():
        out, height = ([float(p[k].split()[0]) for p in section["half"]] for k in ("out", "height"))
        levels = np.arange(height[0], water_line, 1e-3)
        stations.append(float(section["station"].split()[0]))
        areas.append(2 * float(np.interp(levels, height, out).sum()) * 1e-3)
    return float(np.trapezoid(areas, stations))


BY_SECTIONS = put(BOAT, {"/craft/flotation/sections": sections()})


def test_a_table_stands_before_the_form() -> None:
    found = assess(put(BOAT, {"/craft/flotation/table": TABLE, "/craft/flotation/table_density": "1025 kg/m³"}), "a")
    assert not found.failures
    assert finding(found, "craft.form-estimate").level == "ok"
    draft = value(found, "craft.draft")
    assert value(found, "craft.mass-found") == pytest.approx(
        3100 + (draft - 0.40) / 0.05 * 600 if draft < 0.45 else 3700 + (draft - 0.45) / 0.05 * 650
    )
    assert "designer's table" in next(v.label for v in found.values if v.id == "craft.gm-found")


def test_a_draft_outside_the_table_is_said_and_nothing_is_extrapolated() -> None:
    short = [
        row(0.20, 1100, 4.7, 4.8, 1.9, 16.0),
        row(0.25, 1500, 4.7, 4.8, 1.8, 15.0),
        row(0.30, 1950, 4.7, 4.8, 1.7, 14.0),
    ]
    found = assess(put(BOAT, {"/craft/flotation/table": short, "/craft/flotation/table_density": "1025 kg/m³"}), "a")
    v = next(v for v in found.values if v.id == "craft.mass-found")
    assert v.si is None and "outside the table" in v.needs[0].what


def test_sections_stand_before_the_form_and_are_cut_at_the_freeboards() -> None:
    found = assess(BY_SECTIONS, "a")
    assert not found.failures
    floating = set_up(BY_SECTIONS, "a").craft.floating
    cut = floating.hull.cut(floating.keel + floating.draft.value)
    assert value(found, "craft.mass-found") == pytest.approx(cut.volume_m3 * 1025)
    assert cut.volume_m3 == pytest.approx(by_strips(floating.keel + floating.draft.value), rel=0.01)
    assert floating.lcf == pytest.approx(cut.lcf_m, abs=2e-4)
    assert finding(found, "craft.form-estimate").level == "ok"


def test_brought_to_rest_she_trims_as_the_small_change_says_within_a_few_millimetres() -> None:
    made = answer(at_rest.STUDY, BY_SECTIONS, "a")
    assert [s.id for s in made.states] == ["empty", "alone", "day"] and not made.needs
    for s in made.states:
        assert s.refused == "" and s.trim_si is not None and s.gm_si is not None and s.gm_si > 0
        assert s.trim_si == pytest.approx(s.small_trim_si, abs=0.02)
        assert s.heel_si == pytest.approx(s.small_heel_si or 0.0, abs=0.005)
    assert len(made.sections) == 21


def test_what_cannot_be_brought_to_rest_is_refused_by_name() -> None:
    loaded = put(
        BY_SECTIONS,
        {
            "/fits/a/ledger/iron": {
                "name": "Iron on the cabin top",
                "kind": "installed",
                "mass": "900 kg",
                "station": "4.5 m",
                "butt_line": "300 mm",
                "water_line": "2.4 m",
            }
        },
    )
    assert any(s.refused for s in answer(at_rest.STUDY, loaded, "a").states)
    assert answer(at_rest.STUDY, BOAT, "a").needs[0].pointer == "/craft/flotation/sections"
    with pytest.raises(InputError, match="does not float"):
        answer(at_rest.STUDY, DEMO_OF["aeroplane"], "a")


@pytest.mark.parametrize(
    ("change", "said"),
    [
        (lambda s: s[:5] + s[6:], "evenly spaced"),
        (lambda s: [*s[:4], s[5], s[4], *s[6:]], "in order from the bow"),
        (lambda s: [*s[:4], {**s[4], "half": s[4]["half"][:1]}, *s[5:]], "section 5 has fewer than three"),
    ],
)
def test_bad_sections_are_named(change: Any, said: str) -> None:
    found = assess(put(BOAT, {"/craft/flotation/sections": change(sections())}), "a")
    v = next(v for v in found.values if v.id == "craft.mass-found")
    assert v.si is None and said in v.needs[0].what


def test_inclining_settles_the_height_of_her_cg() -> None:
    """GM = slope / displacement; KG = KM − GM takes the place of the height that was entered."""
    inclined = put(BOAT, INCLINED)
    found = assess(inclined, "a")
    floating = set_up(inclined, "a").craft.floating
    assert floating.inclined is not None
    slope = floating.inclined.gm_m * value(found, "craft.mass-found")
    assert slope == pytest.approx(48 * 2 / 0.0415, rel=0.02)
    assert value(found, "craft.gm-found") == pytest.approx(floating.inclined.gm_m)
    gm = finding(found, "balance.gm")
    assert gm.title.params["by"].text == "inclined"


def test_a_timed_roll_takes_the_lowest_coefficient() -> None:
    """GM = (0.73·B/T)²: 2.36 m and 2.6 s give 0.439 m."""
    rolled = put(BOAT, {"/craft/flotation/inclining/roll": "2.6 s"})
    assert value(assess(rolled, "a"), "craft.gm-found") == pytest.approx((0.73 * 2.36 / 2.6) ** 2)


def test_the_dock_reads_back_what_the_ledger_put_in() -> None:
    """Freeboards as the bench foretells them for the finished boat, read as the second set: mass, moment and station of
    the change."""
    states = assess(BOAT, "a").balance
    assert states is not None
    empty = states.afloat[0]
    again = put(BOAT, {f"/craft/flotation/marks/{m.id}/after": f"{m.after_si:.6f} m" for m in empty.marks})
    found = assess(again, "a")
    ledger = value(found, "balance.empty-mass") - value(found, "craft.mass-found")
    assert value(found, "balance.dock") == pytest.approx(ledger, abs=0.5)
    assert finding(found, "balance.dock-scale").level == "ok"


def test_an_open_pipe_across_counts_the_distance_between_tanks() -> None:
    pair = {
        f"/craft/tanks/{side}": {
            "name": f"{side} tank",
            "capacity": "200 L",
            "density": "840 kg/m³",
            "station": "4300 mm",
            "butt_line": {"entered": "800 mm", "dir": side},
            "water_line": "0 mm",
            "surface_length": "1.2 m",
            "surface_breadth": "0.5 m",
            "joined": joined,
        }
        for side, joined in (("port", "pipe across, valve shut"), ("starboard", "pipe across, valve shut"))
    }
    fuel = {f"/loadings/{k}/fuel/{t}": "90 L" for k in ("alone", "day") for t in ("port", "starboard")}
    shut = put(BOAT, {**pair, **fuel})
    opened = put(shut, {f"/craft/tanks/{t}/joined": "pipe across, open" for t in ("port", "starboard")})

    def taken(document: Project) -> float:
        param = finding(assess(document, "a"), "balance.free-surface").title.params["d"].si
        assert param is not None
        return param

    day = next(s for s in assess(shut, "a").balance.afloat if s.id == "alone")  # type: ignore[union-attr]
    more = 2 * 840 * 1.2 * 0.5 * 0.8**2 / (day.displacement_si or 1)
    assert taken(opened) - taken(shut) == pytest.approx(more, rel=1e-6)


def test_the_doubt_of_freeboards_reaches_her_cg_as_reading_them_otherwise_does() -> None:
    """Each freeboard read 1 mm larger, one after the other: LCG and TCG as found move by what their derivatives say."""
    floating = set_up(BY_SECTIONS, "a").craft.floating
    marks = [f"/craft/flotation/marks/{k}/freeboard" for k, _ in floating.marks]
    for axis in ("x", "y"):
        traced = got(floating.body.axis(axis))
        for pointer in marks:
            figure = value_at(BY_SECTIONS, pointer)
            assert isinstance(figure, Figure)
            other = set_up(put(BY_SECTIONS, {pointer: f"{figure.si + 0.001:.6f} m"}), "a").craft.floating
            slope = next(s for o, s in traced.slopes.items() if o == pointer)
            moved = (got(other.body.axis(axis)).value - traced.value) / 0.001
            assert moved == pytest.approx(slope, abs=0.05 * max(abs(slope), 0.5))


def test_a_timed_roll_is_as_doubtful_as_its_coefficient() -> None:
    """0.73 to 0.88, any as likely as any other (JCGM 100:2008, 4.3.7): half the range of GM over the root of three."""
    rolled = put(BOAT, {"/craft/flotation/inclining/roll": "2.6 s"})
    height = got(set_up(rolled, "a").craft.floating.body.z)
    low, high = ((f * 2.36 / 2.6) ** 2 for f in (0.73, 0.88))
    assert height.u == pytest.approx((high - low) / 2 / 3**0.5)


def test_an_inclining_is_as_doubtful_as_its_line_is_crooked() -> None:
    """The standard error of a slope, by scipy's linregress."""
    from scipy.stats import linregress

    from crooked_keel.core.physics.stability import inclining_gm

    moments, deflections = (0.0, 40.0, -40.0, 80.0, -80.0), (0.0, 0.0405, -0.0415, 0.0815, -0.0810)
    found = inclining_gm(3200, moments, deflections, 1.80)
    line = linregress([d / 1.80 for d in deflections], moments)
    assert found.gm_m == pytest.approx(line.slope / 3200) and found.u_m == pytest.approx(line.stderr / 3200)


def test_what_the_dock_finds_too_much_is_laid_at_the_lines_it_sits_by() -> None:
    """120 kg more in the batteries than the ledger says, read off her freeboards: the finding names them among three,
    by where they sit."""
    heavier = put(BOAT, {"/fits/a/ledger/battery/mass": "178 kg"})
    states = assess(heavier, "a").balance
    assert states is not None
    read = put(BOAT, {f"/craft/flotation/marks/{m.id}/after": f"{m.after_si:.6f} m" for m in states.afloat[0].marks})
    said = finding(assess(read, "a"), "balance.dock-scale")
    assert said.level == "watch" and "Start and house batteries" in (said.message.params["n"].text or "")
    at = said.message.params["x"].si
    assert at == pytest.approx(4.7, abs=0.15)


def test_r54_the_keel_is_no_doubt_of_a_hull_that_is_cut_where_the_water_is() -> None:
    """Sections are cut at the water whatever the keel; a form estimate counts its draft from there."""

    def doubt(boat: Project, by: str) -> float:
        keel = {"entered": f"0.44 m ±{by}", "source": "measured", "from": "level line", "dir": "down"}
        found = assess(put(boat, {"/craft/flotation/keel": keel}), "a")
        return next(v.plus_minus_si for v in found.values if v.id == "craft.mass-found") or 0.0

    assert doubt(BY_SECTIONS, "40 mm") == pytest.approx(doubt(BY_SECTIONS, "1 mm"))
    assert doubt(BOAT, "40 mm") > 1.5 * doubt(BOAT, "1 mm")
