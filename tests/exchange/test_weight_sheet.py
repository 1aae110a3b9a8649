"""Old weight sheets as they lie about: tabs, wide gaps, one space, headings, totals, commas; and what is refused, with
its line."""

from __future__ import annotations

import csv
import io

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.exchange.weight_sheet import read_weight_sheet, to_operations

LB, IN = 0.45359237, 0.0254  # exact by the international yard and pound agreement


def test_handbook_example_of_three_wheels() -> None:
    """FAA-H-8083-1B, chapter 3 (from memory): 830, 836 and 340 lb at 128, 128 and 36 in give 2006 lb at 112.41 in."""
    sheet = read_weight_sheet("Left main\t830\t128\nRight main\t836\t128\nNose\t340\t35.998\nTotal\t2006", "in-lb")
    assert sheet.mass_kg == pytest.approx(2006 * LB)
    assert sheet.station_m == pytest.approx((1666 * 128 + 340 * 35.998) / 2006 * IN)
    assert (sheet.rows, sheet.totals_left_out) == (3, 1)


@pytest.mark.parametrize(
    "text",
    [
        "left main\t171.3\t52\ntail\t24.6\t4950",
        "left main  171.3  52\ntail  24.6  4950",
        "left main 171.3 52\ntail 24.6 4950",
        "left main; 171.3; 52\ntail; 24.6; 4950",
        "| left main | 171.3 | 52 |\n| tail | 24.6 | 4950 |",
        "left main 171.3 kg 52 mm\ntail 24.6 kg 4950 mm",
        "Item  Weight kg  Arm mm\nleft main  171.3  52\n\ntail  24.6  4950\nEmpty weight  195.9  667",
        "Item  Weight kg  Arm m\nleft main  171.3  0.052\ntail  24.6  4.950",
        "left main  171.3  52  8907.6\ntail  24.6  4950  121770",
        "left main  171.3  52  8.9\ntail  24.6  4950  121.8",
    ],
)
def test_ways_of_writing_it(text: str) -> None:
    sheet = read_weight_sheet(text, "mm-kg")
    assert sheet.mass_kg == pytest.approx(195.9)
    assert sheet.station_m == pytest.approx((171.3 * 0.052 + 24.6 * 4.95) / 195.9)


def test_heading_overrides_the_units_of_the_project_and_ahead_of_the_datum_is_minus() -> None:
    sheet = read_weight_sheet("Item  Weight lb  Arm inches\nengine  200  (40.5)  (8100)\nmains  400  10", "mm-kg")
    assert sheet.mass_kg == pytest.approx(600 * LB)
    assert sheet.station_m == pytest.approx((200 * -40.5 + 4000) / 600 * IN)
    station = to_operations(sheet, False, False)[-1]["value"]
    assert (station["entered"], station["dir"]) == (f"{4100 / 600 * 25.4:.1f} mm", "forward")


def test_decimal_comma() -> None:
    sheet = read_weight_sheet("links\t171,3\t52,5\t8993,25", "mm-kg", "comma")
    assert (sheet.mass_kg, sheet.station_m) == (pytest.approx(171.3), pytest.approx(0.0525))


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "no row"),
        ("Item  Weight  Arm", "no row"),
        ("left main  171.3", "line 1, 'left main': a name, a weight and an arm"),
        ("left main  171.3  52\ntail  24.6  x", "line 2, 'tail'"),
        ("left main  171.3 mm  52", "line 1, 'left main'"),
        ("left main  171.3  52  9100", "the moment is not weight times arm"),
        ("ballast  -5  52\nmain  5  52", "add up to nothing"),
        ("a  1  1\n" * 401, "more than 400 lines"),
    ],
)
def test_refused_with_the_line(text: str, said: str) -> None:
    with pytest.raises(InputError, match=said):
        read_weight_sheet(text, "mm-kg")


def test_moment_may_differ_by_the_rounding_of_what_is_written() -> None:
    """300 lb at 12.0 in: the arm may be 12.04, so 3612 is the same sheet and 3630 is not."""
    assert read_weight_sheet("main  300  12.0  3612", "in-lb").rows == 1
    with pytest.raises(InputError, match="moment"):
        read_weight_sheet("main  300  12.0  3630", "in-lb")


ROWS = st.lists(st.tuples(st.floats(0.5, 900), st.floats(-5000, 9000)), min_size=1, max_size=30)


@given(ROWS)
def test_any_sheet_written_by_the_csv_writer(rows: list[tuple[float, float]]) -> None:
    rows = [(round(m, 2), round(a, 1)) for m, a in rows]
    out = io.StringIO()
    csv.writer(out, delimiter="\t").writerows([[f"part {'abc'[i % 3]}", m, a] for i, (m, a) in enumerate(rows)])
    sheet = read_weight_sheet(out.getvalue(), "mm-kg")
    assert sheet.mass_kg == pytest.approx(sum(m for m, _ in rows))
    assert sheet.station_m * 1000 == pytest.approx(sum(m * a for m, a in rows) / sum(m for m, _ in rows), abs=1e-6)


def test_taken_over_it_is_the_report(project: Project) -> None:
    sheet = read_weight_sheet("main  300  20\ntail  24.5  5000", "mm-kg")
    found = project.craft.as_found
    taken = apply_operations(project, to_operations(sheet, found.report_mass is not None, False)).craft.as_found
    assert taken.method == "report" and taken.report_mass is not None and taken.report_station is not None
    assert taken.report_mass.si == pytest.approx(324.5) and taken.report_mass.source == "estimated"
    assert taken.report_station.si == pytest.approx((300 * 0.02 + 24.5 * 5) / 324.5, abs=5e-5)
